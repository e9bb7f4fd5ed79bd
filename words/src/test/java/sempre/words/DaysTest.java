package sempre.words;

import static org.testng.Assert.assertEquals;

import java.time.LocalDate;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class DaysTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 3, 4);

  @DataProvider
  public Object[][] days() {
    return new Object[][] {
      {0, "today"},
      {1, "tomorrow"},
      {-1, "yesterday"},
      {6, "Tue 10 Mar"},
      {-4, "was due Sat 28 Feb"}
    };
  }

  @Test(dataProvider = "days")
  public void aDayIsSaidAsATeacherSaysIt(int ahead, String words) {
    assertEquals(Words.ENGLISH.due(TODAY.plusDays(ahead), TODAY), words);
  }

  @DataProvider
  public Object[][] ago() {
    return new Object[][] {
      {0, "today"}, {1, "yesterday"}, {13, "13 days ago"}, {14, "2 weeks ago"}, {55, "7 weeks ago"}
    };
  }

  @Test(dataProvider = "ago")
  public void theTimeSinceIsSaidAsATeacherSaysIt(int days, String words) {
    assertEquals(Words.ENGLISH.ago(TODAY.minusDays(days), TODAY), words);
  }

  @Test
  public void namesAreJoinedAsInASentence() {
    assertEquals(Words.ENGLISH.and(List.of()), "");
    assertEquals(Words.ENGLISH.and(List.of("A")), "A");
    assertEquals(Words.ENGLISH.and(List.of("A", "B")), "A and B");
    assertEquals(Words.ENGLISH.and(List.of("A", "B", "C")), "A, B and C");
  }
}
