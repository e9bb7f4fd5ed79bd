package sempre.core.score;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import sempre.core.pitch.KeySignature;

/** What follows what when repeats, endings and jumps are played. */
public class SuccessionTest {
  /** Four notes a bar. */
  private static final String FOUR_BARS =
      "tempo=120: C4/4 D4/4 E4/4 F4/4 G4/4 A4/4 B4/4 C5/4 D5/4 E5/4 F5/4 G5/4 A5/4 G5/4 F5/4 E5/4";

  private static List<Bar> bars(int n) {
    List<Bar> bars = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      bars.add(new Bar(i, String.valueOf(i + 1), 4 * i, 4, KeySignature.NATURAL, 4, 4));
    }
    return bars;
  }

  private static Succession of(String phrase, int bars, Integer... order) {
    return Succession.of(Phrase.of(phrase).line().notes(), Played.of(bars(bars), List.of(order)));
  }

  @Test
  public void aRepeatLeadsFromItsLastNoteToItsFirst() {
    Succession s = of(FOUR_BARS, 4, 0, 1, 0, 1, 2, 3);
    assertEquals(s.jumps(), List.of(new Succession.Jump(7, 0, 0)));
    assertTrue(s.jumps().get(0).back());
    assertTrue(s.follows(7), "the second time on to bar 3");
    assertEquals(s.before(0), -1, "the first note is first of all where one begins");
    assertEquals(s.after(7), 8);
    assertEquals(s.after(15), -1);
  }

  @Test
  public void theFirstEndingIsNeverFollowedByTheSecond() {
    // bars 1, 2 (first ending), 1, 3 (second ending), 4
    Succession s = of(FOUR_BARS, 4, 0, 1, 0, 2, 3);
    assertFalse(s.follows(7));
    assertEquals(s.after(7), 0, "the first ending leads back");
    assertEquals(s.before(8), 3, "the second ending is reached from before the first");
    assertEquals(s.jumps(), List.of(new Succession.Jump(7, 0, 0), new Succession.Jump(3, 8, 0)));
    assertFalse(s.jumps().get(1).back());
  }

  /** What is tied into the second ending is no silence before the note that follows it there. */
  @Test
  public void aNoteHeldIntoTheSecondEndingIsFollowedWithoutARest() {
    // G in bar 1 is tied into bar 2, and over the repeat into the first two beats of bar 3
    List<Note> notes =
        Phrase.of("tempo=120: C4/2 G4/2 A4/4 A4/4 A4/4 A4/4 r/2 E4/2").line().notes();
    Played order = Played.of(bars(3), List.of(0, 1, 0, 2));
    Played held = order.holding(List.of(new Played.Held(notes.get(1).id(), 2, 2)));
    assertEquals(Succession.of(notes, order).rest(1, 6), 2.0, 0.0);
    assertEquals(Succession.of(notes, held).rest(1, 6), 0.0, 0.0);
  }

  @Test
  public void daCapoAlFineAndCodaLeadBackAndAhead() {
    // to the end, back to bar 1, from there to the coda in bar 4
    Succession s = of(FOUR_BARS, 4, 0, 1, 2, 0, 3);
    assertEquals(s.jumps(), List.of(new Succession.Jump(11, 0, 0), new Succession.Jump(3, 12, 0)));
    assertFalse(s.follows(11), "bar 3 is not followed by the coda");
    assertEquals(s.before(12), 3);
  }

  @Test
  public void restsBeforeAndBehindTheSignAreSilence() {
    // half a bar of rest before the sign, a quarter behind where it leads
    Succession s = of("tempo=120: r/4 C4/4 D4/4 E4/4 G4/4 A4/4 r/2", 2, 0, 1, 0, 1);
    assertEquals(s.jumps(), List.of(new Succession.Jump(4, 0, 3)));
    assertEquals(s.rest(4, 0), 3.0, 0.0);
  }

  @Test
  public void aPlainPageAndBarsThatNoSignLeadsToArePlayedAsTheyStand() {
    assertEquals(Played.of(bars(3), List.of(0, 1, 2)), Played.AS_PRINTED);
    Succession s = of(FOUR_BARS, 4, 0, 1);
    assertTrue(IntStream.range(0, 15).allMatch(i -> i == 3 || s.follows(i)));
    assertTrue(s.jumps().isEmpty());
    assertEquals(Played.of(bars(3), List.of(0, 1, 0, 1, 2)).order(3), List.of(0, 1, 0, 1, 2));
    assertEquals(Played.AS_PRINTED.order(3), List.of(0, 1, 2));
  }
}
