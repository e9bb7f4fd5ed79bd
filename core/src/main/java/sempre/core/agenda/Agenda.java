package sempre.core.agenda;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import sempre.core.Judgement;

/**
 * A plan of practice from a day to the last of the days on which something is due. It follows from
 * what was played and is written down nowhere: where a day was missed the bits are as they were,
 * and the rest is planned anew.
 *
 * @param days each day from the first on, also those without practice
 * @param outlooks by goal
 * @param enough with so many minutes a day everything is secure in time, where it is not now; empty
 *     where it is, and where no day is long enough
 */
public record Agenda(List<Day> days, List<Outlook> outlooks, OptionalInt enough) {
  public Agenda {
    days = List.copyOf(days);
    outlooks = List.copyOf(outlooks);
  }

  /**
   * One day.
   *
   * @param off what keeps one from practising
   * @param tasks one for each session; none where one does not practise
   * @param lesson whether somebody hears it
   * @param hear what was practised since the last lesson, each bit once, as it was met first
   */
  public record Day(
      LocalDate day, Optional<Days.Off> off, List<Task> tasks, boolean lesson, List<Task> hear) {
    public Day {
      tasks = List.copyOf(tasks);
      hear = List.copyOf(hear);
    }
  }

  /**
   * How it comes out for a piece.
   *
   * @param secure on which day the last of its bits is; empty where that is not before it is due
   * @param missing sessions that are not there for it
   */
  public record Outlook(Optional<LocalDate> secure, int missing) {}

  /** Whether something is not secure when it is due. */
  public boolean late() {
    return outlooks.stream().anyMatch(o -> o.missing() > 0);
  }

  /** The farthest day that is planned, in days from the first. */
  public static final int FARTHEST = 366;

  /**
   * Plans.
   *
   * @param from the first day; what was played on it does not count yet
   * @param goals what is due on that day or before is left out of the days
   */
  public static Agenda of(Days days, List<Goal> goals, LocalDate from) {
    Agenda plan = new Planned(days, goals, from).agenda();
    return new Agenda(
        plan.days, plan.outlooks, plan.late() ? enough(days, goals, from) : plan.enough);
  }

  /** Halves what is left each time: with more minutes there is time for more. */
  private static OptionalInt enough(Days days, List<Goal> goals, LocalDate from) {
    int step = Judgement.Agenda.MINUTES_STEP;
    int low = days.minutes() / step;
    int high = Judgement.Agenda.MOST_ADVISED / step;
    if (low >= high || new Planned(days.with(high * step), goals, from).late()) {
      return OptionalInt.empty();
    }
    while (high - low > 1) {
      int middle = (low + high) / 2;
      boolean late = new Planned(days.with(middle * step), goals, from).late();
      low = late ? middle : low;
      high = late ? high : middle;
    }
    return OptionalInt.of(high * step);
  }
}
