package sempre.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import org.springframework.stereotype.Component;
import sempre.core.learning.Grade;

/** Playing checks of whole groups: what is asked and who was absent. Grades stand in heard. */
@Component
public class ClassChecks {
  /** One check of a group. */
  public record ClassCheck(long id, long groupId, Instant made, boolean finished) {}

  /**
   * One thing asked.
   *
   * @param kind SOUND, SCALE, FINGERING or BARS
   * @param what the notes, or the bars, as text
   * @param piece whose bars are meant
   */
  public record Item(String kind, String what, OptionalLong piece) {}

  /**
   * One note of one grade.
   *
   * @param mark names the press of the key that it was written down with
   */
  public record Entry(
      long id, long studentId, int place, Grade grade, String by, String remark, String mark) {}

  private static final String CHECK = "select id, band_id, made, finished from class_check ";

  private static ClassCheck check(ResultSet r) throws SQLException {
    return new ClassCheck(
        r.getLong(1),
        r.getLong(2),
        r.getObject(3, OffsetDateTime.class).toInstant(),
        r.getBoolean(4));
  }

  public long add(Db.Tx tx, long groupId, Instant made, List<Item> items) throws SQLException {
    long id =
        tx.insert(
            "insert into class_check (band_id, made) values (?, ?)",
            groupId,
            made.atOffset(ZoneOffset.UTC));
    for (int i = 0; i < items.size(); i++) {
      Item item = items.get(i);
      tx.run(
          "insert into class_item (check_id, place, kind, what, piece_id) values (?, ?, ?, ?, ?)",
          id,
          i,
          item.kind(),
          item.what(),
          item.piece().isPresent() ? item.piece().getAsLong() : null);
    }
    return id;
  }

  public Optional<ClassCheck> one(Db.Tx tx, long id) throws SQLException {
    return tx.one(CHECK + "where id = ?", ClassChecks::check, id);
  }

  /** The checks of a group, the newest first. */
  public List<ClassCheck> of(Db.Tx tx, long groupId) throws SQLException {
    return tx.list(CHECK + "where band_id = ? order by id desc", ClassChecks::check, groupId);
  }

  public List<Item> items(Db.Tx tx, long checkId) throws SQLException {
    return tx.list(
        "select kind, what, piece_id from class_item where check_id = ? order by place",
        r -> {
          long id = r.getLong(3);
          OptionalLong piece = r.wasNull() ? OptionalLong.empty() : OptionalLong.of(id);
          return new Item(r.getString(1), r.getString(2), piece);
        },
        checkId);
  }

  public Set<Long> absent(Db.Tx tx, long checkId) throws SQLException {
    return new HashSet<>(
        tx.list(
            "select student_id from class_absent where check_id = ?", r -> r.getLong(1), checkId));
  }

  public void setAbsent(Db.Tx tx, long checkId, long studentId, boolean absent)
      throws SQLException {
    tx.run("delete from class_absent where check_id = ? and student_id = ?", checkId, studentId);
    if (absent) {
      tx.run("insert into class_absent (check_id, student_id) values (?, ?)", checkId, studentId);
    }
  }

  public int setFinished(Db.Tx tx, long checkId, boolean finished) throws SQLException {
    return tx.run("update class_check set finished = ? where id = ?", finished, checkId);
  }

  /** What was written down in a check and not taken back, in the order of entry. */
  public List<Entry> entries(Db.Tx tx, long checkId) throws SQLException {
    return tx.list(
        "select h.id, h.student_id, h.place, h.grade, h.heard_by, h.remark, h.mark from heard h"
            + " where h.check_id = ? and h.undoes is null"
            + " and not exists (select 1 from heard u where u.undoes = h.id) order by h.id",
        r ->
            new Entry(
                r.getLong(1),
                r.getLong(2),
                r.getInt(3),
                Grade.valueOf(r.getString(4)),
                r.getString(5),
                r.getString(6),
                r.getString(7)),
        checkId);
  }

  /** Whether a press of a key has been written down already, taken back since or not. */
  public boolean has(Db.Tx tx, long checkId, String mark) throws SQLException {
    return tx.one(
            "select id from heard where check_id = ? and mark = ? limit 1",
            r -> r.getLong(1),
            checkId,
            mark)
        .isPresent();
  }
}
