package sempre.server.app;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.server.file.PageType;
import sempre.server.store.Db;
import sempre.server.store.NoteIds;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** Books and pieces, kept as they came. */
@Component
public class OnTheShelf {
  private static final int LONGEST_TITLE = 200;
  private static final int LONGEST_BOOK = 120;
  private static final int LONGEST_NUMBER = 20;
  private static final int LONGEST_FILE = 255;

  private final Db db;
  private final Shelf shelf;
  private final People people;
  private final Players players;
  private final Library library;
  private final NoteIds noteIds;
  private final Clock clock;

  OnTheShelf(
      Db db,
      Shelf shelf,
      People people,
      Players players,
      Library library,
      NoteIds noteIds,
      Clock clock) {
    this.library = library;
    this.noteIds = noteIds;
    this.db = db;
    this.shelf = shelf;
    this.people = people;
    this.players = players;
    this.clock = clock;
  }

  /**
   * A piece.
   *
   * @param added the day
   * @param groups to which it is given, or a section of which it is
   */
  public record Standing(Shelf.Piece piece, LocalDate added, List<People.Group> groups) {}

  public List<Standing> pieces() {
    return db.inTransaction(
        tx -> {
          List<Shelf.Assignment> assigned = shelf.assignments(tx);
          List<People.Group> groups = people.groups(tx);
          List<Standing> all = new ArrayList<>();
          for (Shelf.Piece p : shelf.pieces(tx)) {
            all.add(
                new Standing(
                    p,
                    p.added().atZone(clock.getZone()).toLocalDate(),
                    groups.stream().filter(g -> given(p, g, assigned)).toList()));
          }
          return all;
        });
  }

  private static boolean given(Shelf.Piece p, People.Group g, List<Shelf.Assignment> assigned) {
    return assigned.stream()
        .filter(a -> a.pieceId() == p.id())
        .anyMatch(a -> a.to().groupId().equals(OptionalLong.of(g.id())));
  }

  /**
   * What a teacher says of a file.
   *
   * @param fileName its own name
   */
  public record Said(
      String title,
      String book,
      String number,
      String page,
      PartChoice.Pages pages,
      String fileName) {}

  /**
   * Keeps a file as it came.
   *
   * @return the id that is given out
   * @throws Refusal where it can't be read, holds no notes with a pitch, or lacks a title
   */
  public long keep(Said said, byte[] file) {
    return keep(List.of(new Given(said, file))).get(0);
  }

  /** A file and what a teacher says of it. */
  public record Given(Said said, byte[] file) {}

  /**
   * Keeps several files as they came: all of them, or where one can't be kept none.
   *
   * @throws Refusal as for one
   */
  public List<Long> keep(List<Given> all) {
    all.forEach(g -> check(g.said(), g.file()));
    return db.inTransaction(tx -> all.stream().map(g -> add(tx, g.said(), g.file())).toList());
  }

  /**
   * Puts another content in the place of a piece. What is kept for its notes stays with those that
   * are the same.
   *
   * @return how many fingerings went with notes that are there no more
   * @throws Refusal as for a new one
   */
  public int replace(long pieceId, Given given) {
    check(given.said(), given.file());
    Score after = MusicXmlReader.read(given.file());
    int gone =
        db.inTransaction(
            tx -> {
              Shelf.Piece was = players.piece(tx, pieceId);
              Score before = MusicXmlReader.read(shelf.content(tx, pieceId));
              shelf.replace(tx, piece(was, given.said()), given.file());
              return noteIds.move(tx, pieceId, MovedNotes.between(before, after));
            });
    library.forget(pieceId);
    return gone;
  }

  private static Shelf.Piece piece(Shelf.Piece was, Said said) {
    return new Shelf.Piece(
        was.id(),
        said.title().strip(),
        said.book().strip(),
        said.number().strip(),
        said.page().isBlank() ? was.page() : said.page().strip(),
        was.fileName(),
        was.pages(),
        was.added());
  }

  /**
   * Keeps the page of a book that a piece was typed from.
   *
   * @throws Refusal where it is no picture and no PDF
   */
  public void keepBookPage(long pieceId, Shelf.BookPage page) {
    String type =
        PageType.of(page.content())
            .orElseThrow(() -> new Refusal("ask.page-type", "file", page.name()))
            .type();
    db.run(
        tx -> {
          players.piece(tx, pieceId);
          shelf.keepBookPage(tx, pieceId, new Shelf.BookPage(page.name(), type, page.content()));
        });
  }

  /** The page that a piece was typed from; empty where none is kept. */
  public Optional<Shelf.BookPage> bookPage(long pieceId) {
    return db.inTransaction(
        tx -> {
          players.piece(tx, pieceId);
          return shelf.bookPage(tx, pieceId);
        });
  }

  public boolean hasBookPage(long pieceId) {
    return db.inTransaction(tx -> shelf.hasBookPage(tx, pieceId));
  }

  public void removeBookPage(long pieceId) {
    db.run(tx -> shelf.removeBookPage(tx, pieceId));
  }

  private static void check(Said said, byte[] file) {
    Score score = MusicXmlReader.read(file);
    if (said.title().isBlank()) {
      throw new Refusal("ask.title");
    }
    if (said.title().length() > LONGEST_TITLE
        || said.book().length() > LONGEST_BOOK
        || said.number().length() > LONGEST_NUMBER
        || said.page().length() > LONGEST_NUMBER) {
      throw new Refusal("ask.title-long");
    }
    if (score.parts().stream().noneMatch(p -> p.topLine().isPresent())) {
      throw new Refusal("ask.no-notes");
    }
  }

  private long add(Db.Tx tx, Said said, byte[] file) {
    String name = said.fileName();
    return shelf.add(
        tx,
        new Shelf.Piece(
            0,
            said.title().strip(),
            said.book().strip(),
            said.number().strip(),
            said.page().strip(),
            name.substring(Math.max(0, name.length() - LONGEST_FILE)),
            said.pages(),
            clock.instant()),
        file);
  }

  /** A file as it came. */
  public record Kept(Shelf.Piece piece, byte[] file) {}

  public Kept file(long pieceId) {
    return db.inTransaction(tx -> new Kept(players.piece(tx, pieceId), shelf.content(tx, pieceId)));
  }
}
