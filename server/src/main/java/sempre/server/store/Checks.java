package sempre.server.store;

import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.learning.Check;
import sempre.core.learning.Grade;
import sempre.core.pitch.Pitch;

/** What was heard. There is no way to change or take out a row, only to add one. */
@Component
public class Checks {
  private static final String COLUMNS =
      """
      select id, at, heard_by, written, fingering, grade, piece_id, bars, remark, undoes, student_id
      from heard
      """;

  private static Check check(Row r) {
    return new Check(
        r.id("id"),
        r.moment("at"),
        r.text("heard_by"),
        Pitch.parse(r.text("written")),
        r.text("fingering"),
        r.one("grade", Grade.class),
        r.optionalId("piece_id"),
        r.text("bars"),
        r.text("remark"),
        r.optionalId("undoes"));
  }

  public List<Check> of(Db.Tx tx, long studentId) {
    return tx.list(COLUMNS + "where student_id = ? order by id", Checks::check, studentId);
  }

  /** All checks of all students. */
  public Map<Long, List<Check>> all(Db.Tx tx) {
    Map<Long, List<Check>> byStudent = new HashMap<>();
    tx.list(COLUMNS + "order by id", r -> Map.entry(r.id("student_id"), check(r)))
        .forEach(
            e -> byStudent.computeIfAbsent(e.getKey(), k -> new ArrayList<>()).add(e.getValue()));
    return byStudent;
  }

  /** Whether anything of anybody was ever written down. */
  public boolean any(Db.Tx tx) {
    return tx.count("(select 1 from heard limit 1)") > 0;
  }

  public Optional<Check> one(Db.Tx tx, long studentId, long id) {
    return tx.one(COLUMNS + "where student_id = ? and id = ?", Checks::check, studentId, id);
  }

  /** Whether an entry has been taken back already. */
  public boolean undone(Db.Tx tx, long id) {
    return tx.count("taken_back where heard_id = ?", id) > 0;
  }

  /**
   * Notes that a press of a key is written down; who notes the same one at the same moment waits
   * and finds it (see {@link Db#inTransaction}).
   *
   * @param mark names the press
   * @return whether it is new
   */
  public boolean press(Db.Tx tx, long studentId, String mark) {
    if (tx.count("press where student_id = ? and mark = ?", studentId, mark) > 0) {
      return false;
    }
    tx.run("insert into press (student_id, mark) values (?, ?)", studentId, mark);
    return true;
  }

  /** The entries that a press has made, taken back since or not. */
  public List<Long> ofPress(Db.Tx tx, long studentId, String mark) {
    return tx.list(
        "select id from heard where student_id = ? and mark = ? order by id",
        r -> r.id("id"),
        studentId,
        mark);
  }

  public long add(Db.Tx tx, long studentId, Check c) {
    return add(tx, studentId, c, null, null, null);
  }

  /**
   * Adds an entry of a class check.
   *
   * @param checkId the check
   * @param place of the item in it
   * @param mark names the press of the key
   */
  public long add(Db.Tx tx, long studentId, Check c, Long checkId, Integer place, String mark) {
    tx.heard(studentId);
    if (c.undoes().isPresent()) {
      tx.run("insert into taken_back (heard_id) values (?)", c.undoes().getAsLong());
    }
    return tx.insert(
        """
        insert into heard (student_id, at, heard_by, written, fingering, grade, piece_id, bars,
          remark, undoes, check_id, place, mark)
        values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
        """,
        studentId,
        c.at().atOffset(ZoneOffset.UTC),
        c.by(),
        c.written().toString(),
        c.fingering(),
        c.grade().name(),
        c.piece().isPresent() ? c.piece().getAsLong() : null,
        c.bars(),
        c.remark(),
        c.undoes().isPresent() ? c.undoes().getAsLong() : null,
        checkId,
        place,
        mark);
  }
}
