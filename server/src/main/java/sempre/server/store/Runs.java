package sempre.server.store;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;
import sempre.core.practice.Run;

/** What was played in practice, run by run. */
@Component
public class Runs {
  private final ZoneId zone;

  Runs(Clock clock) {
    zone = clock.getZone();
  }

  /** A run by its number. */
  public record Kept(long id, Run run) {}

  /** Those of a part, the earliest first, without what was taken back. */
  public List<Kept> of(Db.Tx tx, long studentId, long pieceId) {
    return tx.list(
        """
        select id, at, first_note, last_note, quarters, clean from practice_run
        where student_id = ? and piece_id = ? and not taken_back order by at, id
        """,
        r ->
            new Kept(
                r.id("id"),
                new Run(
                    r.moment("at").atZone(zone).toLocalDate(),
                    r.text("first_note"),
                    r.text("last_note"),
                    r.number("quarters"),
                    r.is("clean"))),
        studentId,
        pieceId);
  }

  /** The days on which a student has practised anything. */
  public List<LocalDate> days(Db.Tx tx, long studentId) {
    return tx.list(
        "select at from practice_run where student_id = ? and not taken_back",
        r -> r.moment("at").atZone(zone).toLocalDate(),
        studentId);
  }

  /** Who has practised a piece. */
  public Set<Long> players(Db.Tx tx, long pieceId) {
    return Set.copyOf(
        tx.list(
            "select distinct student_id from practice_run where piece_id = ? and not taken_back",
            r -> r.id("student_id"),
            pieceId));
  }

  /**
   * Writes a run down, once however often it is sent.
   *
   * @param mark names the press of the key
   */
  public void add(Db.Tx tx, long studentId, long pieceId, Instant at, Run run, String mark) {
    tx.lock("select id from student where id = ? for update", studentId);
    if (tx.count("practice_run where student_id = ? and mark = ?", studentId, mark) > 0) {
      return;
    }
    tx.run(
        """
        insert into practice_run
          (student_id, piece_id, at, first_note, last_note, quarters, clean, mark)
        values (?, ?, ?, ?, ?, ?, ?, ?)
        """,
        studentId,
        pieceId,
        at.atOffset(ZoneOffset.UTC),
        run.first(),
        run.last(),
        run.quarters(),
        run.clean(),
        mark);
    // plans of practice go by it
    tx.heard(studentId);
  }

  /** Takes one back; says whether it was there. */
  public boolean takeBack(Db.Tx tx, long studentId, long pieceId, long id) {
    tx.heard(studentId);
    return tx.run(
            """
            update practice_run set taken_back = true
            where id = ? and student_id = ? and piece_id = ? and not taken_back
            """,
            id,
            studentId,
            pieceId)
        > 0;
  }
}
