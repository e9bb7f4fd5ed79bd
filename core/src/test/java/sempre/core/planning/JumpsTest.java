package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.motion.Moves;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.score.Bar;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Phrase;
import sempre.core.score.Played;
import sempre.core.score.Succession;

/** Changes over repeats and other signs are planned like any other. */
public class JumpsTest {
  private static Line played(String phrase, Integer... order) {
    return played(4, phrase, order);
  }

  /**
   * @param quarters length of a bar
   */
  private static Line played(int quarters, String phrase, Integer... order) {
    Line line = Phrase.of(phrase).line();
    List<Bar> bars = new ArrayList<>();
    for (int i = 0; i <= line.notes().get(line.notes().size() - 1).bar(); i++) {
      bars.add(
          new Bar(i, String.valueOf(i + 1), quarters * i, quarters, KeySignature.NATURAL, 4, 4));
    }
    return new Line(1, "1", line.notes(), line.tempi(), Played.of(bars, List.of(order)));
  }

  private static Setup setup(String instrument) {
    return Catalogue.standard().setup(instrument, Map.of());
  }

  private static List<String> fingerings(Plan plan) {
    return plan.notes().stream().map(n -> n.way().entry().fingering()).toList();
  }

  @Test
  public void theNoteBeforeARepeatIsFingeredForTheNoteItGoesBackTo() {
    Player able = Player.able(setup("trombone"));
    // the last D goes back to a B flat: in position 4 the slide has 3 positions less to come back
    Line line = played("tempo=132: Bb3/8 C4/8 D4/8 Eb4/8 F4/8 Eb4/8 C4/8 F3/8", 0, 0);
    Plan once = Planner.plan(line.asPrinted(), able);
    Plan twice = Planner.plan(line, able);
    assertEquals(once.moves().size(), 7);
    assertEquals(twice.moves().size(), 8);
    Plan.PlannedMove back = twice.moves().get(7);
    assertEquals(back.from() + " " + back.to() + " " + back.way(), "n7 n0 BACK");
    assertTrue(twice.cost() >= once.cost(), "what is played besides costs something");
  }

  /** The least that any fingering of four notes costs, found by trying all of them. */
  private static double least(Line line, Player player) {
    List<Note> notes = line.notes();
    Succession order = Succession.of(notes, line.played());
    List<Context> contexts = Context.of(notes, order, player.style());
    List<List<Setup.Way>> ways = notes.stream().map(n -> new Layers(player).of(n).ways).toList();
    double[][] prices = new double[4][];
    for (int i = 0; i < 4; i++) {
      prices[i] = new double[ways.get(i).size()];
      for (int w = 0; w < prices[i].length; w++) {
        Tally t = Tally.sum();
        Price.count(ways.get(i).get(w), ways.get(i), contexts.get(i), player, t);
        prices[i][w] = t.total();
      }
    }
    double[][] one = changes(player, ways, 0, 1, Effort.Pace.between(notes.get(0), notes.get(1)));
    double[][] two = changes(player, ways, 1, 2, Effort.Pace.between(notes.get(1), notes.get(2)));
    double[][] three = changes(player, ways, 2, 3, Effort.Pace.between(notes.get(2), notes.get(3)));
    double[][] back = changes(player, ways, 3, 0, Effort.Pace.over(order.jumps().get(0), notes));
    double least = Double.MAX_VALUE;
    for (int a = 0; a < prices[0].length; a++) {
      for (int b = 0; b < prices[1].length; b++) {
        for (int c = 0; c < prices[2].length; c++) {
          for (int d = 0; d < prices[3].length; d++) {
            double own = prices[0][a] + prices[1][b] + prices[2][c] + prices[3][d];
            least = Math.min(least, own + one[a][b] + two[b][c] + three[c][d] + back[d][a]);
          }
        }
      }
    }
    return least;
  }

  private static double[][] changes(
      Player player, List<List<Setup.Way>> ways, int from, int to, Effort.Pace pace) {
    double[][] all = new double[ways.get(from).size()][ways.get(to).size()];
    for (int a = 0; a < all.length; a++) {
      for (int b = 0; b < all[a].length; b++) {
        all[a][b] =
            Effort.of(Moves.between(player.setup(), ways.get(from).get(a), ways.get(to).get(b)))
                    .cost(pace)
                / (double) Weight.GRID;
      }
    }
    return all;
  }

  @Test
  public void thePlanIsTheCheapestOfAllFingeringsWithTheWayBack() {
    Random random = new Random(16);
    int otherwise = 0;
    for (String instrument : List.of("alto-sax", "clarinet", "flute", "bassoon", "trumpet")) {
      Player player = Player.able(setup(instrument));
      List<Integer> midi =
          IntStream.range(40, 90)
              .filter(m -> !new Layers(player).of(m).ways.isEmpty())
              .boxed()
              .toList();
      for (int k = 0; k < 60; k++) {
        List<Integer> four = new ArrayList<>(midi.subList(midi.size() / 3, midi.size()));
        Collections.shuffle(four, random);
        StringBuilder phrase = new StringBuilder("tempo=144:");
        four.subList(0, 4).forEach(m -> phrase.append(' ').append(Pitch.usual(m)).append("/8"));
        Line line = played(2, phrase.toString(), 0, 0);
        Plan plan = Planner.plan(line, player);
        assertEquals(plan.cost(), least(line, player), 1e-9, phrase.toString());
        if (!fingerings(plan).equals(fingerings(Planner.plan(line.asPrinted(), player)))) {
          otherwise++;
        }
      }
    }
    assertTrue(otherwise > 0, "the way back makes other fingerings better: " + otherwise);
  }

  @Test
  public void theSecondEndingIsNotReachedFromTheFirst() {
    Player able = Player.able(setup("clarinet"));
    Line line = played("tempo=120: C5/4 D5/4 E5/4 F5/4 G5/4 F5/4 E5/4 D5/4 C5/1", 0, 1, 0, 2);
    Plan plan = Planner.plan(line, able);
    List<String> moves = plan.moves().stream().map(m -> m.from() + " " + m.to()).toList();
    assertTrue(!moves.contains("n7 n8"), "never played");
    assertTrue(moves.contains("n7 n0"), "back to the start");
    assertTrue(moves.contains("n3 n8"), "on to the second ending");
    assertEquals(
        HardMove.of(line, able, 20).stream()
            .filter(h -> h.from().id().equals("n3") && h.to().id().equals("n8"))
            .count(),
        1);
  }

  @Test
  public void aPageOnWhichEachBarIsRepeatedHasEveryWayBack() {
    StringBuilder phrase = new StringBuilder("tempo=132:");
    Integer[] order = new Integer[40];
    for (int bar = 0; bar < 20; bar++) {
      phrase.append(" C4/4 D4/4 E4/4 G4/4");
      order[2 * bar] = order[2 * bar + 1] = bar;
    }
    Plan plan = Planner.plan(played(phrase.toString(), order), Player.able(setup("trumpet")));
    assertEquals(plan.moves().stream().filter(m -> m.way() == Plan.Way.BACK).count(), 20);
    assertEquals(plan.moves().size(), 79 + 20);
  }

  @Test
  public void aLongRestBeforeTheSignCostsNothing() {
    Player able = Player.able(setup("clarinet"));
    Line line = played("tempo=120: A4/4 B4/4 r/2", 0, 0);
    assertEquals(Planner.cost(line, able), Planner.cost(line.asPrinted(), able), 0.0);
  }
}
