package sempre.server.store;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import org.springframework.stereotype.Component;
import sempre.core.agenda.Days;

/** When students practise, and when nobody does. */
@Component
public class PracticeDays {
  /**
   * When one student practises.
   *
   * @param minutes on each of these days
   * @param lessons when somebody hears it; may be empty
   * @param since from when on a plan is wanted
   */
  public record Kept(
      int minutes, Set<DayOfWeek> practice, Set<DayOfWeek> lessons, LocalDate since) {}

  /**
   * Days without practice.
   *
   * @param student empty where they are everyone's
   */
  public record Off(long id, OptionalLong student, Days.Off days) {}

  public Optional<Kept> of(Db.Tx tx, long studentId) {
    return tx
        .list(
            "select minutes, practice, lessons, since from practice_days where student_id = ?",
            PracticeDays::kept,
            studentId)
        .stream()
        .findFirst();
  }

  private static Kept kept(Row r) {
    return new Kept(
        r.number("minutes"),
        Weekdays.read(r.text("practice")),
        Weekdays.read(r.text("lessons")),
        r.day("since"));
  }

  /** Those of whom it is said. */
  public Set<Long> students(Db.Tx tx) {
    return Set.copyOf(tx.list("select student_id from practice_days", r -> r.id("student_id")));
  }

  public void put(Db.Tx tx, long studentId, Kept days) {
    tx.run(
        """
        merge into practice_days (student_id, minutes, practice, lessons, since)
        values (?, ?, ?, ?, ?)
        """,
        studentId,
        days.minutes(),
        Weekdays.written(days.practice()),
        Weekdays.written(days.lessons()),
        days.since());
  }

  /** Nothing is said of a student any more. */
  public void forget(Db.Tx tx, long studentId) {
    tx.run("delete from practice_days where student_id = ?", studentId);
  }

  /** Everyone's and a student's own that are not over, the first first. */
  public List<Off> off(Db.Tx tx, long studentId, LocalDate from) {
    return tx.list(
        """
        select id, student_id, first_day, last_day, name from day_off
        where (student_id is null or student_id = ?) and last_day >= ? order by first_day, id
        """,
        r ->
            new Off(
                r.id("id"),
                r.optionalId("student_id"),
                new Days.Off(r.day("first_day"), r.day("last_day"), r.text("name"))),
        studentId,
        from);
  }

  /**
   * Writes some down; the same days once, under the name that was given last.
   *
   * @param student empty where they are everyone's
   */
  public void add(Db.Tx tx, OptionalLong student, Days.Off off) {
    Long of = student.isPresent() ? student.getAsLong() : null;
    int there =
        tx.run(
            """
            update day_off set name = ?
            where student_id is not distinct from ? and first_day = ? and last_day = ?
            """,
            off.name(),
            of,
            off.first(),
            off.last());
    if (there == 0) {
      tx.run(
          "insert into day_off (student_id, first_day, last_day, name) values (?, ?, ?, ?)",
          of,
          off.first(),
          off.last(),
          off.name());
    }
  }

  /** Takes some away that are a student's or everyone's; says whether they were there. */
  public boolean remove(Db.Tx tx, long studentId, long id) {
    return tx.run(
            "delete from day_off where id = ? and (student_id is null or student_id = ?)",
            id,
            studentId)
        > 0;
  }
}
