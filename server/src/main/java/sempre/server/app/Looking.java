package sempre.server.app;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.learning.Book;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.server.store.Db;
import sempre.server.store.Houses;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/**
 * What stands on the shelf, looked at before it is given: as it is, and as an instrument reads it.
 */
@Component
public class Looking {
  private static final Logger LOG = LoggerFactory.getLogger(Looking.class);

  private final Db db;
  private final Shelf shelf;
  private final Players players;
  private final People people;
  private final Houses houses;
  private final Library library;

  Looking(Db db, Shelf shelf, Players players, People people, Houses houses, Library library) {
    this.db = db;
    this.shelf = shelf;
    this.players = players;
    this.people = people;
    this.houses = houses;
    this.library = library;
  }

  /**
   * What one says of a piece in a row.
   *
   * @param key as it sounds; empty where no part has notes with a pitch
   * @param lowest as it sounds, as {@code highest}
   */
  public record Facts(
      long piece,
      int bars,
      int parts,
      Optional<KeySignature> key,
      Optional<Pitch> lowest,
      Optional<Pitch> highest) {
    static Facts of(long piece, Score score, PartChoice.Pages pages) {
      List<Part> sounding =
          score.parts().stream()
              .filter(p -> p.topLine().isPresent())
              .map(p -> PartChoice.sounding(score, p, pages))
              .toList();
      return new Facts(
          piece,
          score.parts().stream().mapToInt(p -> p.bars().size()).max().orElse(0),
          score.parts().size(),
          sounding.stream().findFirst().map(Part::key),
          sounding.stream().flatMap(p -> p.lowest().stream()).min(Comparator.naturalOrder()),
          sounding.stream().flatMap(p -> p.highest().stream()).max(Comparator.naturalOrder()));
    }
  }

  /** The facts of every piece that can be read. */
  public List<Facts> facts() {
    return db.inTransaction(
        tx -> {
          List<Facts> all = new ArrayList<>();
          for (Shelf.Piece p : shelf.pieces(tx)) {
            try {
              all.add(Facts.of(p.id(), library.music(tx, p.id()).score(), p.pages()));
            } catch (Refusal e) {
              // its row says so where it is given; the others are told all the same
              LOG.warn("{} can't be read: {}", p.title(), e.toString());
            }
          }
          return all;
        });
  }

  /**
   * A piece as an instrument reads it.
   *
   * @param beyond notes outside what the stage has
   */
  public record Reading(
      Setup setup, Library.Music music, PartChoice.Reading reading, Stage stage, long beyond) {
    /**
     * How hard each bar is for one who has every note: its hardest change, 0 to 1. Worked out when
     * it is asked for.
     */
    public List<Double> hard() {
      List<Double> bars = new ArrayList<>(Collections.nCopies(reading.part().bars().size(), 0.0));
      reading
          .part()
          .topLine()
          .ifPresent(
              line -> {
                Plan plan = Planner.plan(line, Player.able(setup));
                Map<String, Integer> barOf = new HashMap<>();
                plan.notes().forEach(n -> barOf.put(n.note().id(), n.note().bar()));
                plan.moves()
                    .forEach(
                        m ->
                            bars.set(
                                barOf.get(m.to()),
                                Math.max(bars.get(barOf.get(m.to())), m.difficulty())));
              });
      return bars;
    }

    static Optional<Reading> of(
        Library.Music music, PartChoice.Pages pages, Setup setup, Stage stage) {
      Instrument i = setup.instrument();
      return PartChoice.best(music.score(), i)
          .map(p -> PartChoice.read(music.score(), p, setup, pages))
          .map(r -> new Reading(setup, music, r, stage, beyond(r.part(), setup, stage)));
    }

    private static long beyond(Part part, Setup setup, Stage stage) {
      var range = setup.instrument().compass(setup.options()).of(stage);
      return part.topLine().stream()
          .flatMap(l -> l.notes().stream())
          .filter(n -> !range.has(n.pitch()))
          .count();
    }
  }

  /** A piece with every instrument's reading of it. */
  public record Look(Shelf.Piece piece, Facts facts, List<Reading> readings) {}

  /**
   * Looks into a piece.
   *
   * @param group whose instruments read it, and whose stage counts; empty: all, at school
   */
  public Look look(long pieceId, OptionalLong group) {
    return db.inTransaction(
        tx -> {
          Shelf.Piece piece = players.piece(tx, pieceId);
          Library.Music music = library.music(tx, pieceId);
          Optional<People.Group> g =
              group.isEmpty() ? Optional.empty() : people.group(tx, group.getAsLong());
          Stage stage = g.map(People.Group::stage).orElse(Stage.SCHOOL);
          Set<String> played =
              g.map(
                      x ->
                          people.students(tx, x.id()).stream()
                              .map(People.Student::instrument)
                              .collect(Collectors.toSet()))
                  .orElse(Set.copyOf(Catalogue.standard().ids()));
          List<Reading> readings = new ArrayList<>();
          for (String id : Catalogue.standard().ids()) {
            if (played.contains(id)) {
              Reading.of(music, piece.pages(), houses.setup(tx, id, Map.of()), stage)
                  .ifPresent(readings::add);
            }
          }
          return new Look(piece, Facts.of(pieceId, music.score(), piece.pages()), readings);
        });
  }

  /** An exercise of a book, and what it brings. */
  public record Exercise(Shelf.Piece piece, Book.Brings brings) {}

  /**
   * A book as an instrument reads it, exercise by exercise; what it has no page of is left out.
   *
   * @param fingered whether its fingerings are planned as well, which takes most of the time
   * @throws NotThere where nothing of such a book is on the shelf
   */
  public List<Exercise> book(String name, String instrument, boolean fingered) {
    return db.inTransaction(
        tx -> {
          Setup setup = houses.setup(tx, instrument, Map.of());
          Player player = Player.able(setup);
          List<Shelf.Piece> pieces = new ArrayList<>();
          List<Book.Read> pages = new ArrayList<>();
          for (Shelf.Piece p : pieces(tx, name)) {
            try {
              Library.Music music = library.music(tx, p.id());
              Reading.of(music, p.pages(), setup, Stage.SCHOOL)
                  .flatMap(r -> r.reading().part().topLine().map(l -> read(r, l, player, fingered)))
                  .ifPresent(
                      r -> {
                        pieces.add(p);
                        pages.add(r);
                      });
            } catch (Refusal e) {
              LOG.warn("{} can't be read: {}", p.title(), e.toString());
            }
          }
          List<Book.Brings> brings = Book.of(pages);
          return IntStream.range(0, pieces.size())
              .mapToObj(i -> new Exercise(pieces.get(i), brings.get(i)))
              .toList();
        });
  }

  private static Book.Read read(Reading r, Line line, Player player, boolean fingered) {
    return new Book.Read(
        r.reading().part(), fingered ? Optional.of(Planner.plan(line, player)) : Optional.empty());
  }

  private List<Shelf.Piece> pieces(Db.Tx tx, String book) {
    List<Shelf.Piece> all = shelf.pieces(tx).stream().filter(p -> p.book().equals(book)).toList();
    if (all.isEmpty() || book.isEmpty()) {
      throw new NotThere("gone.book");
    }
    return all;
  }

  /** Ids of the instruments that students of the school play, in the order of the catalogue. */
  public List<String> readers() {
    return db.inTransaction(
        tx -> {
          Set<String> played =
              people.students(tx).stream()
                  .map(People.Student::instrument)
                  .collect(Collectors.toSet());
          return Catalogue.standard().ids().stream().filter(played::contains).toList();
        });
  }

  /** One instrument's page of a piece. */
  public Reading page(long pieceId, String instrument) {
    return db.inTransaction(
        tx -> {
          PartChoice.Pages pages = players.piece(tx, pieceId).pages();
          Setup setup = houses.setup(tx, instrument, Map.of());
          return Reading.of(library.music(tx, pieceId), pages, setup, Stage.SCHOOL)
              .orElseThrow(() -> new NotThere("gone.no-notes"));
        });
  }
}
