package sempre.server.demo;

import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.score.PartChoice;
import sempre.server.store.Db;
import sempre.server.store.Shelf;

/** The books that come with Sempre, written for it: any school may put them on its shelf. */
@Component
public class StarterBooks {
  private final Db db;
  private final Shelf shelf;
  private final Clock clock;

  StarterBooks(Db db, Shelf shelf, Clock clock) {
    this.db = db;
    this.shelf = shelf;
    this.clock = clock;
  }

  /**
   * A book.
   *
   * @param missing how many of its pieces are not on the shelf
   */
  public record Book(String title, int pieces, int missing) {}

  private static Map<String, List<Tidemarks.Exercise>> all() {
    Map<String, List<Tidemarks.Exercise>> books = new LinkedHashMap<>();
    books.put("Tidemarks", Tidemarks.exercises());
    books.put("Pebbles", Tidemarks.pebbles());
    books.put("Breakwater Etudes", Tidemarks.etudes());
    return books;
  }

  /** What there is. */
  public List<Book> books() {
    return db.inTransaction(
        tx ->
            all().entrySet().stream()
                .map(
                    b ->
                        new Book(
                            b.getKey(),
                            b.getValue().size(),
                            missing(tx, b.getKey(), b.getValue()).size()))
                .toList());
  }

  /**
   * Puts on the shelf what of a book is not there yet.
   *
   * @return how many pieces came
   * @throws Refusal where there is no such book
   */
  public int add(String title) {
    List<Tidemarks.Exercise> book = all().get(title);
    if (book == null) {
      throw new Refusal("error.no-such", "typed", title, "there", all().keySet());
    }
    return db.inTransaction(
        tx -> {
          List<Tidemarks.Exercise> missing = missing(tx, title, book);
          missing.forEach(e -> shelf.add(tx, piece(title, e, clock.instant()), e.file()));
          return missing.size();
        });
  }

  private List<Tidemarks.Exercise> missing(Db.Tx tx, String title, List<Tidemarks.Exercise> book) {
    Set<String> there =
        shelf.pieces(tx).stream()
            .filter(p -> p.book().equals(title))
            .map(Shelf.Piece::number)
            .collect(Collectors.toSet());
    return book.stream().filter(e -> !there.contains(e.number())).toList();
  }

  /** A piece of a book, as it is kept. */
  static Shelf.Piece piece(String book, Tidemarks.Exercise e, Instant added) {
    return new Shelf.Piece(
        0,
        e.title(),
        book,
        e.number(),
        "",
        book.toLowerCase(Locale.ROOT).replace(' ', '-') + "-" + e.number() + ".musicxml",
        PartChoice.Pages.AS_SAID,
        added);
  }
}
