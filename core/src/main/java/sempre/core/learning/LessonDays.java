package sempre.core.learning;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * The days on which a group meets.
 *
 * @param days of the week; empty where it is not said, so that every day will do
 */
public record LessonDays(Set<DayOfWeek> days) {
  public LessonDays {
    days = Set.copyOf(days);
  }

  /** The first day from a day on, that day included, on which the group meets. */
  public LocalDate from(LocalDate day) {
    LocalDate next = day;
    while (!meets(next)) {
      next = next.plusDays(1);
    }
    return next;
  }

  private boolean meets(LocalDate day) {
    return days.isEmpty() || days.contains(day.getDayOfWeek());
  }

  /**
   * Spreads some steps evenly over the lessons between two days, both left out; several fall on one
   * lesson where there are fewer lessons than steps, and all on the last day where there is none.
   *
   * @return one day for each step, never falling
   */
  public List<LocalDate> spread(LocalDate after, LocalDate before, int steps) {
    List<LocalDate> lessons = new ArrayList<>();
    for (LocalDate d = after.plusDays(1); d.isBefore(before); d = d.plusDays(1)) {
      if (meets(d)) {
        lessons.add(d);
      }
    }
    List<LocalDate> spread = new ArrayList<>();
    for (int i = 0; i < steps; i++) {
      spread.add(
          lessons.isEmpty() ? before : lessons.get((2 * i + 1) * lessons.size() / (2 * steps)));
    }
    return spread;
  }
}
