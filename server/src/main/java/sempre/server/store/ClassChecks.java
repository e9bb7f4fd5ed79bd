package sempre.server.store;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import sempre.core.learning.Grade;
import sempre.core.pitch.Pitch;

/** Playing checks of whole groups: what is asked and who was absent. Grades stand in heard. */
@Component
public class ClassChecks {
  /** One check of a group. */
  public record ClassCheck(long id, long groupId, Instant made, boolean finished) {}

  /** What kinds of things are asked. */
  public enum Kind {
    SOUND,
    SCALE,
    FINGERING,
    BARS;

    /** Whether it is asked in an octave of each student. */
    public boolean placed() {
      return this == SOUND || this == SCALE;
    }
  }

  /**
   * One thing asked.
   *
   * @param what the notes, or the bars, as text
   * @param piece whose bars are meant
   * @param row notes of one row keep their direction; 0 for one by itself
   */
  public record Item(Kind kind, String what, OptionalLong piece, int row) {}

  /** Which student is asked what. */
  public record Cell(long studentId, int place) {}

  /**
   * One note of one grade.
   *
   * @param written the note that was heard
   * @param mark names the press of the key that it was written down with
   */
  public record Entry(
      long id,
      long studentId,
      int place,
      Pitch written,
      Grade grade,
      String by,
      String remark,
      String mark) {}

  private static final String CHECK = "select id, band_id, made, finished from class_check ";

  private static ClassCheck check(Row r) {
    return new ClassCheck(r.id("id"), r.id("band_id"), r.moment("made"), r.is("finished"));
  }

  public long add(Db.Tx tx, long groupId, Instant made, List<Item> items) {
    long id =
        tx.insert(
            "insert into class_check (band_id, made) values (?, ?)",
            groupId,
            made.atOffset(ZoneOffset.UTC));
    for (int i = 0; i < items.size(); i++) {
      Item item = items.get(i);
      tx.run(
          """
          insert into class_item (check_id, place, kind, what, piece_id, in_row)
          values (?, ?, ?, ?, ?, ?)
          """,
          id,
          i,
          item.kind().name(),
          item.what(),
          item.piece().isPresent() ? item.piece().getAsLong() : null,
          item.row());
    }
    return id;
  }

  public Optional<ClassCheck> one(Db.Tx tx, long id) {
    return tx.one(CHECK + "where id = ?", ClassChecks::check, id);
  }

  /** The checks of a group, the newest first. */
  public List<ClassCheck> of(Db.Tx tx, long groupId) {
    return tx.list(CHECK + "where band_id = ? order by id desc", ClassChecks::check, groupId);
  }

  public List<Item> items(Db.Tx tx, long checkId) {
    return tx.list(
        "select kind, what, piece_id, in_row from class_item where check_id = ? order by place",
        r ->
            new Item(
                r.one("kind", Kind.class),
                r.text("what"),
                r.optionalId("piece_id"),
                r.number("in_row")),
        checkId);
  }

  /** Settles which note a student is asked; of a scale the first one. */
  public void settle(Db.Tx tx, long checkId, Cell cell, Pitch written) {
    tx.run(
        """
        merge into class_asked (check_id, place, student_id, written)
        key (check_id, place, student_id) values (?, ?, ?, ?)
        """,
        checkId,
        cell.place(),
        cell.studentId(),
        written.toString());
  }

  /** The notes that are settled. */
  public Map<Cell, Pitch> settled(Db.Tx tx, long checkId) {
    return tx
        .list(
            "select student_id, place, written from class_asked where check_id = ?",
            r ->
                Map.entry(
                    new Cell(r.id("student_id"), r.number("place")),
                    Pitch.parse(r.text("written"))),
            checkId)
        .stream()
        .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
  }

  /** Of each group the checks that were begun and not finished, the newest first. */
  public List<ClassCheck> open(Db.Tx tx) {
    return tx.list(CHECK + "where not finished order by id desc", ClassChecks::check);
  }

  public Set<Long> absent(Db.Tx tx, long checkId) {
    return new HashSet<>(
        tx.list(
            "select student_id from class_absent where check_id = ?",
            r -> r.id("student_id"),
            checkId));
  }

  public void setAbsent(Db.Tx tx, long checkId, long studentId, boolean absent) {
    tx.run(
        absent
            ? "merge into class_absent (check_id, student_id) values (?, ?)"
            : "delete from class_absent where check_id = ? and student_id = ?",
        checkId,
        studentId);
  }

  public int setFinished(Db.Tx tx, long checkId, boolean finished) {
    return tx.run("update class_check set finished = ? where id = ?", finished, checkId);
  }

  /** What was written down in a check and not taken back, in the order in which it was heard. */
  public List<Entry> entries(Db.Tx tx, long checkId) {
    return tx.list(
        """
        select h.id, h.student_id, h.place, h.written, h.grade, h.heard_by, h.remark, h.mark
        from heard h left join heard u on u.undoes = h.id
        where h.check_id = ? and h.undoes is null and u.id is null
        order by h.at, h.id
        """,
        r ->
            new Entry(
                r.id("id"),
                r.id("student_id"),
                r.number("place"),
                Pitch.parse(r.text("written")),
                r.one("grade", Grade.class),
                r.text("heard_by"),
                r.text("remark"),
                r.text("mark")),
        checkId);
  }
}
