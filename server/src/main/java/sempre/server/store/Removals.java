package sempre.server.store;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.pitch.Pitch;

/** What was removed and can be put back, and what goes with a thing that is removed. */
@Component
public class Removals {
  /** What may be removed. */
  public enum Kind {
    PIECE,
    GROUP,
    STUDENT,
    ASSIGNMENT,
    FINGERING
  }

  /**
   * One thing that was removed.
   *
   * @param about what tells it from others of its name: a book, an instrument, to whom it was given
   * @param at when; empty where the day is not known
   */
  public record Removed(Kind kind, long id, String name, String about, Optional<LocalDate> at) {}

  /** Everything that was removed, the last first. */
  public List<Removed> all(Db.Tx tx) {
    List<Removed> all = new ArrayList<>();
    all.addAll(
        list(
            tx,
            Kind.PIECE,
            "select id, title as name, book as about, removed_at from piece where removed"));
    all.addAll(
        list(
            tx,
            Kind.GROUP,
            "select id, name, school_year as about, removed_at from band where removed"));
    all.addAll(
        list(
            tx,
            Kind.ASSIGNMENT,
            """
            select a.id, p.title as name, coalesce(b.name, s.given_name, '') as about, a.removed_at
            from assignment a
            join piece p on p.id = a.piece_id
            left join band b on b.id = a.band_id
            left join student s on s.id = a.student_id
            where a.removed_at is not null
            """));
    all.addAll(
        list(
            tx,
            Kind.FINGERING,
            """
            select id, written as name, label as about, removed_at from own_fingering
            where removed_at is not null
            """));
    all.addAll(
        tx.list(
            """
            select id, given_name, initial, instrument, left_on from student
            where left_on is not null and id = person
            """,
            r ->
                new Removed(
                    Kind.STUDENT,
                    r.id("id"),
                    People.name(r.text("given_name"), r.text("initial")),
                    r.text("instrument"),
                    Optional.of(r.day("left_on")))));
    all.sort(Comparator.comparing((Removed r) -> r.at().orElse(LocalDate.EPOCH)).reversed());
    return all;
  }

  private static List<Removed> list(Db.Tx tx, Kind kind, String sql) {
    return tx.list(
        sql,
        r ->
            new Removed(
                kind,
                r.id("id"),
                r.text("name"),
                r.text("about"),
                r.optionalMoment("removed_at")
                    .map(at -> at.atZone(ZoneId.systemDefault()).toLocalDate())));
  }

  /** Removes a thing or puts it back; how many there were. */
  public int set(Db.Tx tx, Kind kind, long id, Optional<Instant> at) {
    Object when = at.map(a -> (Object) a.atOffset(ZoneOffset.UTC)).orElse(null);
    return switch (kind) {
      case PIECE ->
          tx.run(
              "update piece set removed = ?, removed_at = ? where id = ?",
              at.isPresent(),
              when,
              id);
      case GROUP ->
          tx.run(
              "update band set removed = ?, removed_at = ? where id = ?", at.isPresent(), when, id);
      case ASSIGNMENT -> tx.run("update assignment set removed_at = ? where id = ?", when, id);
      case FINGERING -> tx.run("update own_fingering set removed_at = ? where id = ?", when, id);
      case STUDENT -> throw new IllegalArgumentException("a student leaves; see People");
    };
  }

  /** How much goes with a thing, by what it is; nothing of it is lost. */
  public Map<String, Integer> with(Db.Tx tx, Kind kind, long id) {
    Map<String, Integer> with = new LinkedHashMap<>();
    switch (kind) {
      case PIECE -> {
        count(tx, with, "assignments", "assignment where piece_id = ? and removed_at is null", id);
        count(tx, with, "locks", "fingering_lock where piece_id = ?", id);
        count(tx, with, "simpler", "simpler_part where piece_id = ?", id);
        count(tx, with, "runs", "practice_run where piece_id = ? and not taken_back", id);
      }
      case GROUP -> {
        count(
            tx,
            with,
            "students",
            "band_student m join student s on s.id = m.student_id"
                + " where m.band_id = ? and s.left_on is null",
            id);
        count(tx, with, "assignments", "assignment where band_id = ? and removed_at is null", id);
        count(tx, with, "checks", "class_check where band_id = ?", id);
      }
      case ASSIGNMENT -> count(tx, with, "locks", "assignment_lock where assignment_id = ?", id);
      case FINGERING -> {
        // the same holds may be another note's too, and one note may be spelled in two ways
        long marks =
            tx
                .list(
                    """
                    select h.written, o.midi from heard h
                    join student s on s.id = h.student_id
                    join own_fingering o
                      on o.instrument = s.instrument and o.fingering = h.fingering
                    where o.id = ? and h.undoes is null
                      and not exists (select 1 from heard u where u.undoes = h.id)
                    """,
                    r -> Pitch.parse(r.text("written")).midi() == r.number("midi"),
                    id)
                .stream()
                .filter(same -> same)
                .count();
        if (marks > 0) {
          with.put("heard", (int) marks);
        }
      }
      case STUDENT -> {
        count(
            tx, with, "heard", OF_PERSON.replace("?table", "heard") + " and x.undoes is null", id);
        count(
            tx,
            with,
            "rudiments",
            OF_PERSON.replace("?table", "rudiment_heard") + " and not x.taken_back",
            id);
        count(
            tx,
            with,
            "assignments",
            OF_PERSON.replace("?table", "assignment") + " and x.removed_at is null",
            id);
        count(tx, with, "locks", OF_PERSON.replace("?table", "fingering_lock"), id);
        count(tx, with, "simpler", OF_PERSON.replace("?table", "simpler_part"), id);
        count(
            tx,
            with,
            "runs",
            OF_PERSON.replace("?table", "practice_run") + " and not x.taken_back",
            id);
        count(tx, with, "groups", OF_PERSON.replace("?table", "band_student"), id);
      }
    }
    return with;
  }

  private static final String OF_PERSON =
      "?table x join student s on s.id = x.student_id"
          + " where s.person = (select y.person from student y where y.id = ?)";

  private static void count(Db.Tx tx, Map<String, Integer> with, String what, String of, long id) {
    int n = tx.count(of, id);
    if (n > 0) {
      with.put(what, n);
    }
  }
}
