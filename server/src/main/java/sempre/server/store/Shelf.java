package sempre.server.store;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;
import sempre.core.score.PartChoice;
import sempre.core.score.PartNumbers;

/**
 * Pieces (the file kept as it came), what is played next, who reads what, what the teacher locked.
 */
@Component
public class Shelf {
  /**
   * A piece without its file.
   *
   * @param book the method book, or empty
   * @param number its number there, or empty
   * @param page on which page it stands there, or empty
   * @param pages how the pages of the file are meant
   */
  public record Piece(
      long id,
      String title,
      String book,
      String number,
      String page,
      String fileName,
      PartChoice.Pages pages,
      Instant added) {}

  /** To whom something is given. */
  public sealed interface To {
    /** Whether a student plays it who is in the group, if it is given to one. */
    boolean has(People.Student s);

    /** The group that it is given to, or to a section of it. */
    default OptionalLong groupId() {
      return OptionalLong.empty();
    }

    /** The section, as it is written down; empty where it is not given to one. */
    default Optional<String> section() {
      return Optional.empty();
    }

    /** A whole group. */
    record Group(long id) implements To {
      @Override
      public boolean has(People.Student s) {
        return true;
      }

      @Override
      public OptionalLong groupId() {
        return OptionalLong.of(id);
      }
    }

    /**
     * Those of a group who play an instrument.
     *
     * @param part those of one part; 0 for all of the section
     */
    record Section(long group, String instrument, int part) implements To {
      /** Reads what is written down: {@code clarinet}, or {@code clarinet 2} for one part. */
      public static Section of(long group, String written) {
        int space = written.indexOf(' ');
        return space < 0
            ? new Section(group, written, 0)
            : new Section(group, written.substring(0, space), number(written.substring(space + 1)));
      }

      private static int number(String part) {
        return part.matches("[1-" + PartNumbers.MOST + "]") ? Integer.parseInt(part) : -1;
      }

      @Override
      public boolean has(People.Student s) {
        return s.instrument().equals(instrument) && (part == 0 || s.part() == part);
      }

      @Override
      public OptionalLong groupId() {
        return OptionalLong.of(group);
      }

      @Override
      public Optional<String> section() {
        return Optional.of(part == 0 ? instrument : instrument + " " + part);
      }
    }

    /** One student. */
    record Student(long id) implements To {
      @Override
      public boolean has(People.Student s) {
        return s.id() == id;
      }
    }
  }

  /**
   * What is given to somebody, and when it shall be ready.
   *
   * @param bars printed bar numbers as {@link sempre.core.score.Bars} reads them; empty for all
   * @param tempo quarters a minute; empty for the written one
   * @param locked whether the fingerings stay as they were when it was given
   */
  public record Assignment(
      long id,
      To to,
      long pieceId,
      LocalDate due,
      String sentence,
      String bars,
      OptionalInt tempo,
      boolean locked) {
    /** All of a piece for a whole group, at the written tempo. */
    public static Assignment toGroup(long group, long piece, LocalDate due, String sentence) {
      return new Assignment(
          0, new To.Group(group), piece, due, sentence, "", OptionalInt.empty(), false);
    }
  }

  /** A fingering that an assignment has locked. */
  public record Locked(long studentId, String noteId, String fingering) {}

  /** Which part and voice a student reads, when the teacher has chosen. */
  public record Chosen(String partId, int voice) {}

  private static final int LONGEST_NAME = 255;

  private static final String PIECE =
      "select id, title, book, number, page, file_name, pages, added from piece ";

  private static final String ASSIGNMENT =
      """
      select a.id, a.band_id, a.student_id, a.section, a.piece_id, a.due, a.sentence, a.bars,
        a.tempo, a.locked
      from assignment a
      join piece p on p.id = a.piece_id
      left join band b on b.id = a.band_id
      left join student s on s.id = a.student_id
      where a.removed_at is null and not p.removed and (b.id is null or not b.removed)
        and s.left_on is null
      """;

  private static Piece piece(Row r) {
    return new Piece(
        r.id("id"),
        r.text("title"),
        r.text("book"),
        r.text("number"),
        r.text("page"),
        r.text("file_name"),
        r.one("pages", PartChoice.Pages.class),
        r.moment("added"));
  }

  private static To to(Row r) {
    OptionalLong group = r.optionalId("band_id");
    if (group.isEmpty()) {
      return new To.Student(r.id("student_id"));
    }
    String section = r.text("section");
    return section.isEmpty()
        ? new To.Group(group.getAsLong())
        : To.Section.of(group.getAsLong(), section);
  }

  /** The columns that say to whom something is given; the ids are null where they do not. */
  private record Columns(Long group, Long student, String section) {
    static Columns of(To to) {
      OptionalLong group = to.groupId();
      return new Columns(
          group.isPresent() ? group.getAsLong() : null,
          to instanceof To.Student s ? s.id() : null,
          to.section().orElse(""));
    }
  }

  private static Assignment assignment(Row r) {
    return new Assignment(
        r.id("id"),
        to(r),
        r.id("piece_id"),
        r.day("due"),
        r.text("sentence"),
        r.text("bars"),
        r.number("tempo") == 0 ? OptionalInt.empty() : OptionalInt.of(r.number("tempo")),
        r.is("locked"));
  }

  public List<Piece> pieces(Db.Tx tx) {
    return tx.list(
        PIECE
            + """
              where not removed
              order by book, case when number = '' then 1 else 0 end, length(number), number,
                length(page), page, title
              """,
        Shelf::piece);
  }

  public Optional<Piece> piece(Db.Tx tx, long id) {
    return tx.one(PIECE + "where id = ? and not removed", Shelf::piece, id);
  }

  public byte[] content(Db.Tx tx, long id) {
    return tx.one("select content from piece where id = ?", r -> r.bytes("content"), id)
        .orElseThrow();
  }

  /** Another content for a piece that is there, under other words. */
  public void replace(Db.Tx tx, Piece p, byte[] content) {
    tx.run(
        "update piece set title = ?, book = ?, number = ?, page = ?, content = ? where id = ?",
        p.title(),
        p.book(),
        p.number(),
        p.page(),
        content,
        p.id());
  }

  /**
   * The page of a book that a piece was typed from.
   *
   * @param type {@code image/png}, {@code image/jpeg}, {@code image/webp} or {@code
   *     application/pdf}
   */
  public record BookPage(String name, String type, byte[] content) {}

  public Optional<BookPage> bookPage(Db.Tx tx, long pieceId) {
    return tx.one(
        "select name, type, content from piece_page where piece_id = ?",
        r -> new BookPage(r.text("name"), r.text("type"), r.bytes("content")),
        pieceId);
  }

  public boolean hasBookPage(Db.Tx tx, long pieceId) {
    return tx.one("select name from piece_page where piece_id = ?", r -> r.text("name"), pieceId)
        .isPresent();
  }

  /** Keeps a page with a piece, in place of one that was there. */
  public void keepBookPage(Db.Tx tx, long pieceId, BookPage page) {
    tx.run(
        "merge into piece_page (piece_id, name, type, content) key (piece_id) values (?, ?, ?, ?)",
        pieceId,
        page.name().substring(Math.max(0, page.name().length() - LONGEST_NAME)),
        page.type(),
        page.content());
  }

  public int removeBookPage(Db.Tx tx, long pieceId) {
    return tx.run("delete from piece_page where piece_id = ?", pieceId);
  }

  public long add(Db.Tx tx, Piece p, byte[] content) {
    return tx.insert(
        """
        insert into piece (title, book, number, page, file_name, content, pages, added)
        values (?, ?, ?, ?, ?, ?, ?, ?)
        """,
        p.title(),
        p.book(),
        p.number(),
        p.page(),
        p.fileName(),
        content,
        p.pages().name(),
        p.added().atOffset(ZoneOffset.UTC));
  }

  /** The title of a piece, also of one that was taken off the shelf. */
  public Optional<String> title(Db.Tx tx, long id) {
    return tx.one("select title from piece where id = ?", r -> r.text("title"), id);
  }

  /** What is given to a group or to its sections. */
  public List<Assignment> assignments(Db.Tx tx, long groupId) {
    return tx.list(
        ASSIGNMENT + "and a.band_id = ? order by a.due, a.id", Shelf::assignment, groupId);
  }

  /** What is given to a student alone. */
  public List<Assignment> assignmentsOf(Db.Tx tx, long studentId) {
    return tx.list(
        ASSIGNMENT + "and a.student_id = ? order by a.due, a.id", Shelf::assignment, studentId);
  }

  public List<Assignment> assignments(Db.Tx tx) {
    return tx.list(ASSIGNMENT + "order by a.due, a.id", Shelf::assignment);
  }

  public Optional<Assignment> assignment(Db.Tx tx, long id) {
    return tx.one(ASSIGNMENT + "and a.id = ?", Shelf::assignment, id);
  }

  /** Gives a piece to a whole group. */
  public long assign(Db.Tx tx, long groupId, long pieceId, LocalDate due, String sentence) {
    return assign(tx, Assignment.toGroup(groupId, pieceId, due, sentence));
  }

  /**
   * What gives the same bars to the same players already. Two who give the same piece at once do so
   * one after the other: from here on the piece is held until the transaction ends.
   */
  public List<Assignment> same(Db.Tx tx, Assignment a) {
    Columns to = Columns.of(a.to());
    tx.lock("select id from piece where id = ? for update", a.pieceId());
    return tx.list(
        ASSIGNMENT
            + """
              and a.piece_id = ? and a.bars = ? and a.section = ?
              and a.band_id is not distinct from ? and a.student_id is not distinct from ?
              """,
        Shelf::assignment,
        a.pieceId(),
        a.bars(),
        to.section(),
        to.group(),
        to.student());
  }

  /** Gives a piece; the same bars for the same players are given once, with what was said last. */
  public long assign(Db.Tx tx, Assignment a) {
    for (Assignment before : same(tx, a)) {
      removeAssignment(tx, before.id());
    }
    Columns to = Columns.of(a.to());
    return tx.insert(
        """
        insert into assignment (band_id, student_id, section, piece_id, due, sentence, bars, tempo,
          locked)
        values (?, ?, ?, ?, ?, ?, ?, ?, ?)
        """,
        to.group(),
        to.student(),
        to.section(),
        a.pieceId(),
        a.due(),
        a.sentence(),
        a.bars(),
        a.tempo().orElse(0),
        a.locked());
  }

  public void setLocked(Db.Tx tx, long id, boolean locked) {
    tx.run("update assignment set locked = ? where id = ?", locked, id);
    if (!locked) {
      tx.run("delete from assignment_lock where assignment_id = ?", id);
    }
  }

  public void addLocked(Db.Tx tx, long id, Locked l) {
    tx.run(
        """
        insert into assignment_lock (assignment_id, student_id, note_id, fingering)
        values (?, ?, ?, ?)
        """,
        id,
        l.studentId(),
        l.noteId(),
        l.fingering());
  }

  /** What an assignment has locked. */
  public List<Locked> locked(Db.Tx tx, long id) {
    return tx.list(
        """
        select student_id, note_id, fingering from assignment_lock where assignment_id = ?
        order by student_id, note_id
        """,
        r -> new Locked(r.id("student_id"), r.text("note_id"), r.text("fingering")),
        id);
  }

  public int removeAssignment(Db.Tx tx, long id) {
    return tx.run("delete from assignment where id = ?", id);
  }

  public void setDue(Db.Tx tx, long id, LocalDate due) {
    tx.run("update assignment set due = ? where id = ?", due, id);
  }

  private static Chosen chosen(Row r) {
    return new Chosen(r.text("part_id"), r.number("voice"));
  }

  public Optional<Chosen> chosen(Db.Tx tx, long studentId, long pieceId) {
    return tx.one(
        "select part_id, voice from reading where student_id = ? and piece_id = ?",
        Shelf::chosen,
        studentId,
        pieceId);
  }

  /** All that a student reads by the teacher's choice, by piece. */
  public Map<Long, Chosen> chosen(Db.Tx tx, long studentId) {
    Map<Long, Chosen> all = new LinkedHashMap<>();
    tx.list(
            "select piece_id, part_id, voice from reading where student_id = ?",
            r -> Map.entry(r.id("piece_id"), chosen(r)),
            studentId)
        .forEach(e -> all.put(e.getKey(), e.getValue()));
    return all;
  }

  public void choose(Db.Tx tx, long studentId, long pieceId, Chosen c) {
    tx.run(
        """
        merge into reading (student_id, piece_id, part_id, voice) key (student_id, piece_id)
        values (?, ?, ?, ?)
        """,
        studentId,
        pieceId,
        c.partId(),
        c.voice());
  }

  /** Note id to fingering. */
  public Map<String, String> locks(Db.Tx tx, long studentId, long pieceId) {
    Map<String, String> locks = new LinkedHashMap<>();
    tx.list(
            """
            select note_id, fingering from fingering_lock where student_id = ? and piece_id = ?
            order by note_id
            """,
            r -> Map.entry(r.text("note_id"), r.text("fingering")),
            studentId,
            pieceId)
        .forEach(l -> locks.put(l.getKey(), l.getValue()));
    return locks;
  }

  public void lock(Db.Tx tx, long studentId, long pieceId, String noteId, String fingering) {
    tx.run(
        """
        merge into fingering_lock (student_id, piece_id, note_id, fingering)
        key (student_id, piece_id, note_id) values (?, ?, ?, ?)
        """,
        studentId,
        pieceId,
        noteId,
        fingering);
  }

  public int unlock(Db.Tx tx, long studentId, long pieceId, String noteId) {
    return tx.run(
        "delete from fingering_lock where student_id = ? and piece_id = ? and note_id = ?",
        studentId,
        pieceId,
        noteId);
  }

  /** Takes the teacher's choices for one part back; they no longer fit when the part changes. */
  public void unlockAll(Db.Tx tx, long studentId, long pieceId) {
    tx.run("delete from fingering_lock where student_id = ? and piece_id = ?", studentId, pieceId);
  }
}
