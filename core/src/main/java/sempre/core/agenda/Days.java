package sempre.core.agenda;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import sempre.core.Judgement;
import sempre.core.Refusal;
import sempre.core.instrument.Stage;

/**
 * On which days someone practises, and for how long.
 *
 * @param minutes on each of these days
 * @param practice days of the week, at least one
 * @param lessons days of the week on which somebody hears it; none where it is not known
 * @param off days without practice: holidays, a trip
 */
public record Days(int minutes, Set<DayOfWeek> practice, Set<DayOfWeek> lessons, List<Off> off) {
  /** The fewest minutes with which a plan can be made: one bit, a few times through. */
  public static final int LEAST_MINUTES = 5;

  /** The most minutes a day; what is more than that strains. */
  public static final int MOST_MINUTES = 120;

  /**
   * Days on end without practice.
   *
   * @param last the last of them, not before the first
   * @param name as it is written down; may be empty
   */
  public record Off(LocalDate first, LocalDate last, String name) {
    /** The longest that a holiday lasts, in days. */
    public static final int LONGEST = 100;

    public Off {
      if (last.isBefore(first)) {
        throw new Refusal("agenda.off-backwards", "first", first, "last", last);
      }
      if (ChronoUnit.DAYS.between(first, last) >= LONGEST) {
        throw new Refusal("agenda.off-long", "most", LONGEST);
      }
    }

    public boolean has(LocalDate day) {
      return !day.isBefore(first) && !day.isAfter(last);
    }
  }

  public Days {
    if (minutes < LEAST_MINUTES || minutes > MOST_MINUTES) {
      throw new Refusal("agenda.minutes", "least", LEAST_MINUTES, "most", MOST_MINUTES);
    }
    if (practice.isEmpty()) {
      throw new Refusal("agenda.no-days");
    }
    practice = Set.copyOf(practice);
    lessons = Set.copyOf(lessons);
    off = List.copyOf(off);
  }

  /** How long someone practises a day of whom nothing else is said. */
  public static int usualMinutes(Stage stage) {
    return switch (stage) {
      case FIRST_YEARS -> Judgement.Agenda.MINUTES_FIRST_YEARS;
      case SCHOOL -> Judgement.Agenda.MINUTES_SCHOOL;
      case ADVANCED -> Judgement.Agenda.MINUTES_ADVANCED;
    };
  }

  /** The same days with other minutes. */
  Days with(int otherMinutes) {
    return new Days(otherMinutes, practice, lessons, off);
  }

  /** What keeps someone from practising on a day. */
  public Optional<Off> off(LocalDate day) {
    return off.stream().filter(o -> o.has(day)).findFirst();
  }

  public boolean practises(LocalDate day) {
    return practice.contains(day.getDayOfWeek()) && off(day).isEmpty();
  }

  public boolean lesson(LocalDate day) {
    return lessons.contains(day.getDayOfWeek()) && off(day).isEmpty();
  }

  /** How many sessions a day has: one task is enough for each. */
  public int sessions() {
    return Math.max(1, (int) Math.rint((double) minutes / Judgement.Agenda.SESSION_MINUTES));
  }

  /** How long one session is, in minutes. */
  public double session() {
    return (double) minutes / sessions();
  }
}
