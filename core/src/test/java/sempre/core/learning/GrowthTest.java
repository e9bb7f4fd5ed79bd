package sempre.core.learning;

import static org.testng.Assert.assertEquals;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import sempre.core.pitch.Pitch;

/** The weeks are those of a calendar: 2 and 9 November 2026 are Mondays. */
public class GrowthTest {
  private static final LocalDate TODAY = LocalDate.parse("2026-11-18");

  private static final String BROUGHT = "brought along";

  private final List<Check> heard = new ArrayList<>();

  @BeforeMethod
  void nothing() {
    heard.clear();
  }

  private void hear(String note, Grade grade, String moment) {
    add(note, grade, moment, OptionalLong.empty());
  }

  private void add(String note, Grade grade, String moment, OptionalLong undoes) {
    Check c = Check.heard(Instant.parse(moment), "teacher", Pitch.parse(note), "0", grade);
    heard.add(
        new Check(
            heard.size() + 1,
            c.at(),
            c.by(),
            c.written(),
            c.fingering(),
            c.grade(),
            c.piece(),
            c.bars(),
            c.remark(),
            undoes));
  }

  private String told(ZoneId zone) {
    StringBuilder text = new StringBuilder();
    Growth.weeks(List.of(heard), c -> c.remark().equals(BROUGHT), zone, TODAY)
        .forEach(
            g ->
                text.append(g.monday())
                    .append(' ')
                    .append(g.secure())
                    .append('/')
                    .append(g.shaky())
                    .append("; "));
    return text.toString();
  }

  @Test
  public void eachWeekSaysWhatWasThereAtItsEnd() {
    hear("G4", Grade.SHAKY, "2026-11-03T10:00:00Z");
    hear("A4", Grade.SECURE, "2026-11-08T22:00:00Z");
    hear("G4", Grade.SECURE, "2026-11-10T10:00:00Z");
    assertEquals(told(ZoneOffset.UTC), "2026-11-02 1/1; 2026-11-09 2/0; 2026-11-16 2/0; ");
  }

  @Test
  public void aWeekBeginsOnMondayWhereTheSchoolIs() {
    hear("A4", Grade.SECURE, "2026-11-08T22:00:00Z");
    // in Helsinki it is Monday already
    assertEquals(told(ZoneId.of("Europe/Helsinki")), "2026-11-09 1/0; 2026-11-16 1/0; ");
  }

  @Test
  public void whatWasTakenBackOrForgottenDoesNotCount() {
    hear("G4", Grade.SECURE, "2026-11-03T10:00:00Z");
    hear("A4", Grade.SECURE, "2026-11-03T10:01:00Z");
    add("A4", Grade.SECURE, "2026-11-12T10:00:00Z", OptionalLong.of(2));
    hear("G4", Grade.NOT_YET, "2026-11-17T10:00:00Z");
    assertEquals(told(ZoneOffset.UTC), "2026-11-02 1/0; 2026-11-09 1/0; 2026-11-16 0/0; ");
  }

  @Test
  public void twoStudentsAreAddedUpAndWhatTheyBroughtWasNotAsked() {
    hear("G4", Grade.SECURE, "2026-11-03T10:00:00Z");
    Check brought =
        Check.heard(
                Instant.parse("2026-11-10T10:00:00Z"),
                "teacher",
                Pitch.parse("G4"),
                "0",
                Grade.SECURE)
            .remarked(BROUGHT);
    assertEquals(
        Growth.weeks(
            List.of(heard, List.of(brought)),
            c -> c.remark().equals(BROUGHT),
            ZoneOffset.UTC,
            LocalDate.parse("2026-11-10")),
        List.of(
            new Growth(LocalDate.parse("2026-11-02"), 1, 0, 1),
            new Growth(LocalDate.parse("2026-11-09"), 2, 0, 0)));
  }

  @Test
  public void nothingHeardIsNoWeek() {
    assertEquals(told(ZoneOffset.UTC), "");
  }
}
