package sempre.core.learning;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * How many notes a student had at the end of a week: those of which the last that was heard was
 * secure, or shaky. Each note counts once, with whichever fingering; that notes fade is left out,
 * for what was learned was learned.
 *
 * @param monday the first day of the week
 */
public record Growth(LocalDate monday, int secure, int shaky) {
  /** So many weeks are told at most: a school year with its holidays. */
  private static final int MOST = 52;

  /**
   * Week by week, from the first in which something was heard to this one.
   *
   * @param heard everything, the oldest first, also what was taken back
   * @return empty where nothing was heard
   */
  public static List<Growth> weeks(List<Check> heard, ZoneId zone, LocalDate today) {
    List<Check> stand = Check.standing(heard);
    if (stand.isEmpty()) {
      return List.of();
    }
    LocalDate last = monday(today);
    LocalDate week = monday(day(stand.get(0), zone));
    Map<Integer, Grade> grades = new HashMap<>();
    List<Growth> weeks = new ArrayList<>();
    int at = 0;
    while (!week.isAfter(last)) {
      LocalDate next = week.plusWeeks(1);
      while (at < stand.size() && day(stand.get(at), zone).isBefore(next)) {
        Check c = stand.get(at++);
        grades.put(c.written().midi(), c.grade());
      }
      weeks.add(new Growth(week, count(grades, Grade.SECURE), count(grades, Grade.SHAKY)));
      week = next;
    }
    return List.copyOf(weeks.subList(Math.max(0, weeks.size() - MOST), weeks.size()));
  }

  private static int count(Map<Integer, Grade> grades, Grade grade) {
    return (int) grades.values().stream().filter(grade::equals).count();
  }

  private static LocalDate day(Check c, ZoneId zone) {
    return c.at().atZone(zone).toLocalDate();
  }

  private static LocalDate monday(LocalDate day) {
    return day.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
  }
}
