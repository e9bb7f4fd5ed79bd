package sempre.server.store;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.springframework.stereotype.Component;
import sempre.core.drums.Rudiment;
import sempre.core.learning.Grade;

/** Rudiments as they were heard. */
@Component
public class Rudiments {
  /**
   * One that was heard.
   *
   * @param tempo quarters a minute
   */
  public record Heard(long id, Instant at, Rudiment rudiment, int tempo, Grade grade, String by) {}

  /** All of a student but what was taken back, the earliest first. */
  public List<Heard> of(Db.Tx tx, long studentId) {
    return tx.list(
        """
        select id, at, rudiment, tempo, grade, heard_by from rudiment_heard
        where student_id = ? and not taken_back order by at, id
        """,
        r ->
            new Heard(
                r.id("id"),
                r.moment("at"),
                Rudiment.of(r.text("rudiment")).orElseThrow(),
                r.number("tempo"),
                Grade.valueOf(r.text("grade")),
                r.text("heard_by")),
        studentId);
  }

  /**
   * Writes one down, once however often it is sent.
   *
   * @param mark names the press of the key
   */
  public void add(Db.Tx tx, long studentId, Heard h, String mark) {
    tx.lock("select id from student where id = ? for update", studentId);
    if (tx.count("rudiment_heard where student_id = ? and mark = ?", studentId, mark) > 0) {
      return;
    }
    tx.run(
        """
        insert into rudiment_heard (student_id, at, rudiment, tempo, grade, heard_by, mark)
        values (?, ?, ?, ?, ?, ?, ?)
        """,
        studentId,
        h.at().atOffset(ZoneOffset.UTC),
        h.rudiment().id(),
        h.tempo(),
        h.grade().name(),
        h.by(),
        mark);
  }

  /** Takes one back; says whether it was there. */
  public boolean takeBack(Db.Tx tx, long studentId, long id) {
    return tx.run(
            """
            update rudiment_heard set taken_back = true
            where id = ? and student_id = ? and not taken_back
            """,
            id,
            studentId)
        > 0;
  }
}
