package sempre.core.drums;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Locale;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What holds for every rudiment, whatever book it stands in. */
public class RudimentTest {
  @DataProvider
  public Object[][] all() {
    return java.util.Arrays.stream(Rudiment.values())
        .map(r -> new Object[] {r})
        .toArray(Object[][]::new);
  }

  /** A grace note is the other hand's, or it is no flam and no drag. */
  @Test(dataProvider = "all")
  public void graceNotesAreTheOtherHands(Rudiment r) {
    for (String stroke : r.hands().split(" ")) {
      assertTrue(stroke.matches("l{0,2}R|r{0,2}L"), r + ": " + stroke);
    }
  }

  /** It begins with the right, and no hand strikes three times on end. */
  @Test(dataProvider = "all")
  public void noHandStrikesThreeTimes(Rudiment r) {
    String hands = r.hands().replaceAll("[lr ]", "");
    assertTrue(hands.startsWith("R"), r.toString());
    String twice = hands + hands;
    assertTrue(!twice.contains("RRR") && !twice.contains("LLL"), r + ": " + hands);
  }

  /**
   * What is played from the left too is its own mirror: the second half of the pattern is the first
   * with the hands exchanged.
   */
  @Test
  public void theSecondHalfIsTheMirrorOfTheFirst() {
    for (Rudiment r :
        List.of(
            Rudiment.SINGLE_PARADIDDLE,
            Rudiment.DOUBLE_PARADIDDLE,
            Rudiment.TRIPLE_PARADIDDLE,
            Rudiment.FIVE_STROKE_ROLL,
            Rudiment.NINE_STROKE_ROLL,
            Rudiment.FLAM,
            Rudiment.FLAM_ACCENT,
            Rudiment.FLAM_TAP,
            Rudiment.FLAM_PARADIDDLE,
            Rudiment.DRAG,
            Rudiment.SINGLE_DRAG_TAP,
            Rudiment.SINGLE_RATAMACUE)) {
      String[] all = r.hands().split(" ");
      for (int i = 0; i < all.length / 2; i++) {
        assertEquals(mirror(all[i]), all[i + all.length / 2], r + " at " + i);
      }
    }
  }

  /** Their names count: a roll of five has five strokes, a paradiddle one, two or three pairs. */
  @Test
  public void theNamesCount() {
    assertEquals(strokes(Rudiment.FIVE_STROKE_ROLL) / 2, 5);
    assertEquals(strokes(Rudiment.SEVEN_STROKE_ROLL), 7);
    assertEquals(strokes(Rudiment.NINE_STROKE_ROLL) / 2, 9);
    assertEquals(strokes(Rudiment.SINGLE_PARADIDDLE) / 2, 4);
    assertEquals(strokes(Rudiment.DOUBLE_PARADIDDLE) / 2, 6);
    assertEquals(strokes(Rudiment.TRIPLE_PARADIDDLE) / 2, 8);
    assertEquals(strokes(Rudiment.FLAM_ACCENT) / 2, 3, "a flam and two taps");
    assertEquals(strokes(Rudiment.SINGLE_RATAMACUE) / 2, 4, "a dragged triplet and the next beat");
  }

  private static int strokes(Rudiment r) {
    return r.hands().split(" ").length;
  }

  private static String mirror(String stroke) {
    StringBuilder mirrored = new StringBuilder();
    for (char c : stroke.toCharArray()) {
      boolean right = Character.toUpperCase(c) == 'R';
      String other = right ? "L" : "R";
      mirrored.append(Character.isUpperCase(c) ? other : other.toLowerCase(Locale.ROOT));
    }
    return mirrored.toString();
  }
}
