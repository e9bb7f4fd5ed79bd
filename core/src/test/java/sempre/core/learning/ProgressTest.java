package sempre.core.learning;

import static org.testng.Assert.assertEquals;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import sempre.core.pitch.Pitch;

/** What a report says of a student's notes, by cases worked out by hand. */
public class ProgressTest {
  private static final Instant SINCE = Instant.parse("2026-10-01T00:00:00Z");

  private final List<Check> heard = new ArrayList<>();

  private Check hear(String note, Grade grade, String day) {
    Check c =
        Check.heard(Instant.parse(day + "T10:00:00Z"), "teacher", Pitch.parse(note), "0", grade);
    Check kept =
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
            c.undoes());
    heard.add(kept);
    return kept;
  }

  private String told() {
    Progress p = Progress.since(heard, SINCE, c -> c.remark().equals("brought along"));
    heard.clear();
    return p.learned() + " " + p.shaky() + " " + p.begun() + " " + p.before();
  }

  @Test
  public void aNoteIsLearnedOnceItIsSecureForTheFirstTime() {
    hear("G4", Grade.NOT_YET, "2026-09-20");
    hear("G4", Grade.SECURE, "2026-10-05");
    hear("C4", Grade.SECURE, "2026-09-01");
    hear("C4", Grade.SECURE, "2026-10-05");
    assertEquals(told(), "[G4] [] [] 1");
  }

  @Test
  public void whatHasSlippedAgainIsNotLearned() {
    hear("G4", Grade.SECURE, "2026-10-05");
    hear("G4", Grade.SHAKY, "2026-10-12");
    hear("A4", Grade.NOT_YET, "2026-10-12");
    assertEquals(told(), "[] [G4] [A4] 0");
  }

  @Test
  public void whatWasTakenBackWasNeverHeard() {
    Check wrong = hear("G4", Grade.SECURE, "2026-10-05");
    heard.add(wrong.takenBack(wrong.at(), "teacher"));
    assertEquals(told(), "[] [] [] 0");
  }

  @Test
  public void whatAStudentBroughtAlongWasNotLearnedHere() {
    heard.add(hear("G4", Grade.SECURE, "2026-10-05").remarked("brought along"));
    heard.remove(0);
    assertEquals(told(), "[] [] [] 1");
  }

  @Test
  public void twoSpellingsAreOneNoteAndNotesRise() {
    hear("A#4", Grade.NOT_YET, "2026-09-05");
    hear("Bb4", Grade.SECURE, "2026-10-05");
    hear("D4", Grade.SECURE, "2026-10-05");
    assertEquals(told(), "[D4, A#4] [] [] 0");
  }
}
