package sempre.core.learning;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;

/**
 * How many notes students had at the end of a week: those of which the last that was heard was
 * secure, or shaky. Each note of each student counts once, with whichever fingering; that notes
 * fade is left out, for what was learned was learned.
 *
 * @param monday the first day of the week
 * @param asked how many marks were given in it
 */
public record Growth(LocalDate monday, int secure, int shaky, int asked) {
  /** So many weeks are told at most: a school year with its holidays. */
  private static final int MOST = 52;

  /** A student's note, by the student's place among them. */
  private record Of(int student, int midi) {}

  /** What a student was heard with. */
  private record Mark(int student, Check check) {
    private Of of() {
      return new Of(student, check.written().midi());
    }
  }

  /**
   * Week by week, from the first in which something was heard to this one, all students together.
   *
   * @param heard everything of each student, also what was taken back
   * @param known whether an entry only writes down what a student brought along: it was not asked
   * @return empty where nothing was heard
   */
  public static List<Growth> weeks(
      List<List<Check>> heard, Predicate<Check> known, ZoneId zone, LocalDate today) {
    List<Mark> marks = new ArrayList<>();
    for (int s = 0; s < heard.size(); s++) {
      for (Check c : Check.standing(heard.get(s))) {
        marks.add(new Mark(s, c));
      }
    }
    if (marks.isEmpty()) {
      return List.of();
    }
    marks.sort(Comparator.comparing(m -> m.check().at()));
    LocalDate last = monday(today);
    LocalDate week = monday(day(marks.get(0), zone));
    Map<Of, Grade> grades = new HashMap<>();
    List<Growth> weeks = new ArrayList<>();
    int at = 0;
    while (!week.isAfter(last)) {
      LocalDate next = week.plusWeeks(1);
      int asked = 0;
      while (at < marks.size() && day(marks.get(at), zone).isBefore(next)) {
        Mark m = marks.get(at++);
        grades.put(m.of(), m.check().grade());
        asked += known.test(m.check()) ? 0 : 1;
      }
      weeks.add(new Growth(week, count(grades, Grade.SECURE), count(grades, Grade.SHAKY), asked));
      week = next;
    }
    return List.copyOf(weeks.subList(Math.max(0, weeks.size() - MOST), weeks.size()));
  }

  private static int count(Map<Of, Grade> grades, Grade grade) {
    return (int) grades.values().stream().filter(grade::equals).count();
  }

  private static LocalDate day(Mark m, ZoneId zone) {
    return m.check().at().atZone(zone).toLocalDate();
  }

  private static LocalDate monday(LocalDate day) {
    return day.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
  }
}
