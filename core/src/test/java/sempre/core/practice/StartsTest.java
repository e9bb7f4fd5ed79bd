package sempre.core.practice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Stage;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.score.Phrase;

/** Starting anywhere: the same number gives the same places, and what was left out comes sooner. */
public class StartsTest {
  private static final String TWO_BARS = "A4/8 B4/8 C5/8 D5/8 E5/4 D5/4 C5/8 B4/8 A4/8 B4/8 C5/2 ";

  private static List<Bit> bits(int phrases) {
    Line line = Phrase.of("tempo=96: " + TWO_BARS.repeat(phrases)).line();
    Player flute = Player.able(Catalogue.standard().setup("flute", Map.of()));
    Plan plan = Planner.plan(line, flute);
    return Bits.of(plan, line, FourFour.bars(line), flute, Stage.SCHOOL, Double.POSITIVE_INFINITY);
  }

  private static List<Starts.Met> met(List<Bit> bits, int days, double share) {
    return bits.stream().map(b -> new Starts.Met(b, days, share)).toList();
  }

  /** How ever far anybody is: a whole band hears one number. */
  @Test
  public void theSameNumberGivesTheSameBarsToAllAndAnotherOneOthers() {
    List<Bit> bits = bits(5);
    assertEquals(
        Starts.of(met(bits, 0, 1), 10, 417, 8).order(),
        Starts.of(met(bits, -1, 0), 10, 417, 8).order());
    Set<List<Integer>> orders = new HashSet<>();
    for (int seed = 100; seed < 200; seed++) {
      orders.add(Starts.drawn(seed, 10, 8));
    }
    assertTrue(orders.size() > 95, "of a hundred numbers: " + orders.size());
  }

  /** Who rests in a bar begins in the next one in which there is a note. */
  @Test
  public void whereThereIsNoNoteTheNextBarCounts() {
    Line line = Phrase.of("tempo=96: " + TWO_BARS + "r/1 r/1 r/1 " + TWO_BARS).line();
    Player flute = Player.able(Catalogue.standard().setup("flute", Map.of()));
    Plan plan = Planner.plan(line, flute);
    List<Bit> bits =
        Bits.of(plan, line, FourFour.bars(line), flute, Stage.SCHOOL, Double.POSITIVE_INFINITY);
    for (int seed = 100; seed < 300; seed++) {
      List<Integer> bars = Starts.drawn(seed, 7, 6);
      Starts starts = Starts.of(met(bits, 0, 0), 7, seed, 6);
      for (int i = 0; i < bars.size(); i++) {
        int at = starts.cuts().get(starts.order().get(i)).bar();
        int expected = bars.get(i) >= 2 && bars.get(i) < 5 ? 5 : bars.get(i);
        assertEquals(at, expected, "bar " + bars.get(i));
      }
    }
  }

  @Test
  public void itNeverBeginsAtTheBeginningAndNoBarComesTwiceOnEnd() {
    int[] first = new int[10];
    for (int seed = 0; seed < 9_000; seed++) {
      List<Integer> bars = Starts.drawn(seed, 10, 8);
      first[bars.get(0)]++;
      for (int i = 1; i < bars.size(); i++) {
        assertNotEquals(bars.get(i), bars.get(i - 1), "seed " + seed);
      }
    }
    assertEquals(first[0], 0);
    for (int bar = 1; bar < 10; bar++) {
      assertTrue(first[bar] > 850 && first[bar] < 1_150, "bar " + bar + ": " + first[bar]);
    }
  }

  @Test
  public void aPlaceGoesOnToTheEndOfAPhrase() {
    List<Bit> bits = bits(5);
    Starts starts = Starts.of(met(bits, 2, 0.5), 10, 1, 8);
    assertEquals(starts.cuts().size(), 10);
    // the first bar of a phrase is played to its end, the second on to that of the next
    assertEquals(starts.cuts().get(2).last(), bits.get(1).last().id());
    assertEquals(starts.cuts().get(3).last(), bits.get(2).last().id());
    assertEquals(starts.cuts().get(9).last(), bits.get(4).last().id());
  }

  /** One of five bits was left out for a week: the numbers that are proposed lead there. */
  @Test
  public void theNumberThatIsSaidLeadsToWhatWasNotPractised() {
    List<Bit> bits = bits(5);
    List<Starts.Met> met = new ArrayList<>(met(bits, 0, 0.9));
    met.set(3, new Starts.Met(bits.get(3), 7, 0.3));
    int needed = 0;
    int any = 0;
    for (int seed = 100; seed < 300; seed++) {
      needed += meets(Starts.needed(met, 10, seed, 4), 3) ? 1 : 0;
      any += meets(Starts.of(met, 10, seed, 4), 3) ? 1 : 0;
    }
    assertEquals(needed, 200);
    assertTrue(any < 160, "of all numbers " + any + " of 200");
    // and a die leads there: bars 7 and 8 are among the six
    Starts s = Starts.of(met, 10, 1, 8);
    assertTrue(s.add() <= 6 && s.add() + Starts.FACES >= 8, "add " + s.add());
  }

  private static boolean meets(Starts s, int bit) {
    return s.order().stream().anyMatch(c -> s.cuts().get(c).bit() == bit);
  }

  @Test
  public void aPieceOfOneBarAndNoneAtAllAreNoTrouble() {
    List<Bit> one = bits(1).subList(0, 1);
    assertEquals(Starts.of(met(one, 0, 0), 1, 5, 3).order(), List.of(0, 0, 0));
    assertEquals(Starts.of(List.of(), 1, 5, 3).order(), List.of());
    assertTrue(Starts.most(Stage.FIRST_YEARS) < Starts.most(Stage.ADVANCED));
  }
}
