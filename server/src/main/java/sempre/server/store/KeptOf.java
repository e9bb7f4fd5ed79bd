package sempre.server.store;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Component;
import sempre.core.audition.Criterion;

/** Everything that is kept of one student, whatever it is for: the answer to who asks for it. */
@Component
public class KeptOf {
  /** A grade, also one that was taken back. */
  public record Heard(
      Instant at,
      String written,
      String fingering,
      String grade,
      String piece,
      String bars,
      String remark,
      String by,
      boolean takenBack) {}

  /** A section, played once. */
  public record Run(Instant at, String piece, int tempo, boolean clean, boolean takenBack) {}

  /** Days without practice. */
  public record Off(LocalDate first, LocalDate last, String name) {}

  /** What a judge wrote in a mock audition. */
  public record Sheet(
      Instant at, String audition, String judge, Map<Criterion, Integer> points, String remark) {
    public Sheet {
      points = Map.copyOf(points);
    }
  }

  /** On which days a student practices and has lessons, and how long a day. */
  public record Week(Set<DayOfWeek> practice, Set<DayOfWeek> lessons, int minutes) {
    public Week {
      practice = Collections.unmodifiableSet(new TreeSet<>(practice));
      lessons = Collections.unmodifiableSet(new TreeSet<>(lessons));
    }
  }

  public Optional<Week> week(Db.Tx tx, long id) {
    return tx.one(
        "select practice, lessons, minutes from practice_days where student_id = ?",
        r ->
            new Week(
                Weekdays.read(r.text("practice")),
                Weekdays.read(r.text("lessons")),
                r.number("minutes")),
        id);
  }

  /** A thing of which only its name, its day or its number is told. */
  public record Named(String kind, String name, Optional<Instant> at, int n) {}

  public List<Heard> heard(Db.Tx tx, long id) {
    return tx.list(
        """
        select h.at, h.written, h.fingering, h.grade, coalesce(p.title, '') as title, h.bars,
          h.remark, h.heard_by,
          exists (select 1 from heard u where u.undoes = h.id) as undone
        from heard h left join piece p on p.id = h.piece_id
        where h.student_id = ? and h.undoes is null order by h.at, h.id
        """,
        r ->
            new Heard(
                r.moment("at"),
                r.text("written"),
                r.text("fingering"),
                r.text("grade"),
                r.text("title"),
                r.text("bars"),
                r.text("remark"),
                r.text("heard_by"),
                r.is("undone")),
        id);
  }

  public List<Run> runs(Db.Tx tx, long id) {
    return tx.list(
        """
        select r.at, p.title, r.quarters, r.clean, r.taken_back
        from practice_run r join piece p on p.id = r.piece_id
        where r.student_id = ? order by r.at, r.id
        """,
        r ->
            new Run(
                r.moment("at"),
                r.text("title"),
                r.number("quarters"),
                r.is("clean"),
                r.is("taken_back")),
        id);
  }

  /** A rudiment that was heard. */
  public record RudimentHeard(
      Instant at, String rudiment, int tempo, String grade, String by, boolean takenBack) {}

  public List<RudimentHeard> rudiments(Db.Tx tx, long id) {
    return tx.list(
        """
        select at, rudiment, tempo, grade, heard_by, taken_back from rudiment_heard
        where student_id = ? order by at, id
        """,
        r ->
            new RudimentHeard(
                r.moment("at"),
                r.text("rudiment"),
                r.number("tempo"),
                r.text("grade"),
                r.text("heard_by"),
                r.is("taken_back")),
        id);
  }

  public List<Off> off(Db.Tx tx, long id) {
    return tx.list(
        "select first_day, last_day, name from day_off where student_id = ? order by first_day",
        r -> new Off(r.day("first_day"), r.day("last_day"), r.text("name")),
        id);
  }

  public List<Sheet> sheets(Db.Tx tx, long id) {
    return tx.list(
        """
        select m.at, a.name, s.judge, s.points, s.remark
        from mock_audition m join audition a on a.id = m.audition_id
          join mock_sheet s on s.mock_id = m.id
        where m.student_id = ? order by m.at, s.judge
        """,
        r ->
            new Sheet(
                r.moment("at"),
                r.text("name"),
                r.text("judge"),
                AuditionStore.numbers(r.text("points")),
                r.text("remark")),
        id);
  }

  /** All else, by kind: how it is named, when it was, or how much of it there is. */
  public List<Named> others(Db.Tx tx, long id) {
    return tx.list(
        """
        select 'group' as kind, b.name, null as at, 1 as n
          from band_student s join band b on b.id = s.band_id where s.student_id = ?1
        union all select 'assignment', p.title, null, 1
          from assignment a join piece p on p.id = a.piece_id where a.student_id = ?1
        union all select 'part', p.title, null, 1
          from reading r join piece p on p.id = r.piece_id where r.student_id = ?1
        union all select 'lock', p.title, null, cast(count(*) as integer)
          from fingering_lock l join piece p on p.id = l.piece_id
          where l.student_id = ?1 group by p.title
        union all select 'simpler', p.title, null, 1
          from simpler_part s join piece p on p.id = s.piece_id where s.student_id = ?1
        union all select 'chosen', p.title, null, cast(count(*) as integer)
          from choice_step c join piece p on p.id = c.piece_id
          where c.student_id = ?1 group by p.title
        union all select 'absent', b.name, c.made, 1
          from class_absent a join class_check c on c.id = a.check_id
          join band b on b.id = c.band_id where a.student_id = ?1
        union all select 'audition', a.name, null, 1
          from audition_candidate k join audition a on a.id = k.audition_id
          where k.student_id = ?1
        union all select 'mock', a.name, m.at, 1
          from mock_audition m join audition a on a.id = m.audition_id where m.student_id = ?1
        """,
        r -> new Named(r.text("kind"), r.text("name"), r.optionalMoment("at"), r.number("n")),
        id);
  }
}
