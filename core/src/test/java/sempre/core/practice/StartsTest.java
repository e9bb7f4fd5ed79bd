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

  @Test
  public void theSameNumberGivesTheSamePlacesAndAnotherOneOthers() {
    List<Starts.Met> bits = met(bits(5), 1, 0.5);
    assertEquals(Starts.of(bits, 417, 8), Starts.of(bits, 417, 8));
    Set<List<Integer>> orders = new HashSet<>();
    for (int seed = 100; seed < 200; seed++) {
      orders.add(Starts.of(bits, seed, 8).order());
    }
    assertTrue(orders.size() > 95, "of a hundred numbers: " + orders.size());
  }

  @Test
  public void itNeverBeginsAtTheBeginningAndNoPlaceComesTwiceOnEnd() {
    List<Starts.Met> bits = met(bits(5), -1, 0);
    for (int seed = 0; seed < 2_000; seed++) {
      List<Integer> order = Starts.of(bits, seed, 8).order();
      assertEquals(order.size(), 8);
      assertNotEquals(order.get(0), 0);
      for (int i = 1; i < order.size(); i++) {
        assertNotEquals(order.get(i), order.get(i - 1), "seed " + seed);
      }
    }
  }

  @Test
  public void everyBarMayBeDrawnAndGoesOnToTheEndOfAPhrase() {
    List<Bit> bits = bits(5);
    Starts starts = Starts.of(met(bits, 2, 0.5), 1, 8);
    assertEquals(starts.cuts().size(), 10);
    Set<Integer> drawn = new HashSet<>();
    for (int seed = 0; seed < 500; seed++) {
      drawn.addAll(Starts.of(met(bits, 2, 0.5), seed, 8).order());
    }
    assertEquals(drawn.size(), 10);
    // the first bar of a phrase is played to its end, the second on to that of the next
    assertEquals(starts.cuts().get(2).last(), bits.get(1).last().id());
    assertEquals(starts.cuts().get(3).last(), bits.get(2).last().id());
    assertEquals(starts.cuts().get(9).last(), bits.get(4).last().id());
  }

  /** One of five bits was left out for a week, the others are practised daily and nearly clean. */
  @Test
  public void whatWasNotPractisedComesFirstMoreOftenThanNot() {
    List<Bit> bits = bits(5);
    List<Starts.Met> met = new ArrayList<>(met(bits, 0, 0.9));
    met.set(3, new Starts.Met(bits.get(3), 7, 0.3));
    int first = 0;
    for (int seed = 0; seed < 1_000; seed++) {
      Starts s = Starts.of(met, seed, 8);
      first += s.cuts().get(s.order().get(0)).bit() == 3 ? 1 : 0;
    }
    // 1 + 3.5 + 2.1 against 1.3 for each of three others, whether something catches in all or none
    assertTrue(first > 450 && first < 750, first + " of 1000");
    // and a die leads there: bars 7 and 8 are among the six
    Starts s = Starts.of(met, 1, 8);
    assertTrue(s.add() <= 6 && s.add() + Starts.FACES >= 8, "add " + s.add());
  }

  @Test
  public void aPieceOfOneBarAndNoneAtAllAreNoTrouble() {
    List<Bit> one = bits(1).subList(0, 1);
    assertEquals(Starts.of(met(one, 0, 0), 5, 3).order().size(), 3);
    assertEquals(Starts.of(List.of(), 5, 3).order(), List.of());
    assertTrue(Starts.most(Stage.FIRST_YEARS) < Starts.most(Stage.ADVANCED));
  }
}
