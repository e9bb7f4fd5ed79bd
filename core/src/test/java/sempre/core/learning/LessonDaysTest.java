package sempre.core.learning;

import static org.testng.Assert.assertEquals;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.testng.annotations.Test;

public class LessonDaysTest {
  /** A Thursday. */
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 26);

  private static final LessonDays BAND =
      new LessonDays(Set.of(DayOfWeek.MONDAY, DayOfWeek.WEDNESDAY, DayOfWeek.FRIDAY));

  @Test
  public void theNextLessonIsTodayOrLater() {
    assertEquals(BAND.from(TODAY), LocalDate.of(2026, 11, 27));
    assertEquals(BAND.from(TODAY.plusDays(1)), LocalDate.of(2026, 11, 27));
    assertEquals(new LessonDays(Set.of()).from(TODAY), TODAY);
  }

  /** Counted in a calendar: lessons on Fri 27, Mon 30, Wed 2, Fri 4, Mon 7, Wed 9. */
  @Test
  public void stepsFallOnLessonsOnly() {
    LocalDate by = LocalDate.of(2026, 12, 10);
    assertEquals(
        BAND.spread(TODAY, by, 3),
        List.of(LocalDate.of(2026, 11, 30), LocalDate.of(2026, 12, 4), LocalDate.of(2026, 12, 9)));
    assertEquals(BAND.spread(TODAY, by, 1), List.of(LocalDate.of(2026, 12, 4)));
    for (LocalDate d : BAND.spread(TODAY, by, 20)) {
      assertEquals(BAND.from(d), d);
    }
    assertEquals(
        BAND.spread(TODAY, TODAY.plusDays(1), 2), List.of(TODAY.plusDays(1), TODAY.plusDays(1)));
  }
}
