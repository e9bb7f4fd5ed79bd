package sempre.core.practice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Stage;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.score.Phrase;

/** The tempo ladder of a bit, reckoned by hand as in docs/practice.md. */
public class LadderTest {
  private static final LocalDate DAY = LocalDate.of(2026, 3, 2);

  /** Runs of one day: a tempo, with a minus where it was not clean. */
  private static List<Run> runs(int day, int... tempos) {
    List<Run> all = new ArrayList<>();
    for (int t : tempos) {
      all.add(new Run(DAY.plusDays(day), "n0", "n9", Math.abs(t), t > 0));
    }
    return all;
  }

  private static Ladder ladder(List<Run> runs) {
    return Ladder.of(60, 100, runs, Ladder.Rule.USUAL, DAY.plusDays(20));
  }

  @SafeVarargs
  private static List<Run> all(List<Run>... days) {
    List<Run> all = new ArrayList<>();
    for (List<Run> d : days) {
      all.addAll(d);
    }
    return all;
  }

  @Test
  public void itBeginsWhereNothingCatchesAndAimsAtThreeQuarters() {
    Ladder l = ladder(List.of());
    assertEquals(List.of(l.start(), l.now(), l.goal(), l.full()), List.of(60, 60, 75, 100));
    assertEquals(l.secured(), OptionalInt.empty());
    assertEquals(l.expected(), Optional.empty());
    assertEquals(l.plateau(), Optional.empty());
  }

  @Test
  public void threeCleanRunsInARowAreAStepUpAndTwoMissesOneDown() {
    assertEquals(ladder(runs(0, 60, 60)).now(), 60);
    assertEquals(ladder(runs(0, 60, 60)).clean(), 2);
    assertEquals(ladder(runs(0, 60, 60, 60)).now(), 65);
    assertEquals(ladder(runs(0, 60, 60, 60)).secured(), OptionalInt.of(60));
    // a miss between begins the row anew
    assertEquals(ladder(runs(0, 60, 60, -60, 60)).now(), 60);
    assertEquals(ladder(runs(0, 60, 60, -60, 60)).clean(), 1);
    assertEquals(ladder(runs(0, 60, 60, 60, -65, -65)).now(), 60);
    // what was secured stays
    assertEquals(ladder(runs(0, 60, 60, 60, -65, -65)).secured(), OptionalInt.of(60));
    // never slower than a third and a bit of the tempo
    assertEquals(
        ladder(runs(0, -35, -35, -35, -35, -35, -35, -35, -35, -35, -35, -35, -35)).now(), 35);
  }

  @Test
  public void whatIsSlowerThanNowIsNoStepAndWhatIsTriedTooQuicklyNoMiss() {
    assertEquals(ladder(runs(0, 50, 50, 50)).now(), 60);
    assertEquals(ladder(runs(0, -90, -90, -90)).now(), 60);
    assertEquals(ladder(runs(0, 60, 60, -90, 60)).now(), 65);
    // quicker and clean: the slowest of the three counts
    assertEquals(ladder(runs(0, 68, 70, 66)).secured(), OptionalInt.of(66));
  }

  @Test
  public void itLandsOnItsGoalsAndThenItIsThere() {
    // 60, 65, 70, and 72 would be 77: first the goal
    Ladder goal = ladder(runs(0, 72, 72, 72));
    assertEquals(goal.now(), 75);
    Ladder next = ladder(runs(0, 75, 75, 75));
    assertEquals(List.of(next.now(), next.goal()), List.of(80, 100));
    assertEquals(ladder(runs(0, 97, 97, 97)).now(), 100);
    Ladder there = ladder(runs(0, 104, 104, 104));
    assertTrue(there.there());
    assertEquals(there.secured(), OptionalInt.of(100));
    assertEquals(there.expected(), Optional.empty());
  }

  @Test
  public void theTeachersRuleIsFollowed() {
    Ladder.Rule rule = new Ladder.Rule(1, 10, 1, false);
    Ladder l = Ladder.of(60, 100, runs(0, 60, 70, -80), rule, DAY);
    assertEquals(List.of(l.now(), l.goal()), List.of(70, 100));
  }

  /**
   * 60 on the first day, 65 two days later, 70 on the fourth day: 2.5 a day, 30 more are 12 days.
   */
  @Test
  public void theDayFollowsFromTheMiddleGain() {
    List<Run> three = all(runs(0, 60, 60, 60), runs(2, 65, 65, 65), runs(4, 70, 70, 70));
    Ladder l = Ladder.of(60, 100, three, Ladder.Rule.USUAL, DAY.plusDays(4));
    assertEquals(l.expected(), Optional.of(DAY.plusDays(4 + 12)));
    // one lucky day does not change the middle: gains 2.5, 2.5, 2.5 and 8, 9.2, 11.7 of the last
    Ladder lucky =
        Ladder.of(60, 100, all(three, runs(5, 80, 80, 80)), Ladder.Rule.USUAL, DAY.plusDays(5));
    assertEquals(lucky.secured(), OptionalInt.of(80));
    // (2.5 + 4) / 2 = 3.25 a day, 20 more are 7 days
    assertEquals(lucky.expected(), Optional.of(DAY.plusDays(5 + 7)));
  }

  @Test
  public void whatWasLongAgoSaysNothingOfTheDay() {
    List<Run> old = all(runs(0, 60, 60, 60), runs(2, 65, 65, 65));
    assertEquals(
        Ladder.of(60, 100, old, Ladder.Rule.USUAL, DAY.plusDays(40)).expected(), Optional.empty());
  }

  @Test
  public void fourDaysWithoutAGainAreAPlateau() {
    List<Run> gain = all(runs(0, 60, 60, 60), runs(1, 65, 65, 65));
    List<Run> three = all(gain, runs(2, -70), runs(3, -70, 70), runs(5, 70, -70));
    assertEquals(ladder(three).plateau(), Optional.empty());
    Ladder four = ladder(all(three, runs(6, 65, -70)));
    assertEquals(four.plateau(), Optional.of(new Ladder.Plateau(DAY.plusDays(1), 4)));
    assertEquals(four.expected(), Optional.empty());
    // and one that got on from it is none any more
    assertEquals(ladder(all(three, runs(6, 65, 65, 65, 70, 70, 70))).plateau(), Optional.empty());
    // nothing was ever clean
    List<Run> never = all(runs(0, -60), runs(1, -60), runs(2, -60), runs(3, -60));
    assertEquals(ladder(never).plateau(), Optional.of(new Ladder.Plateau(DAY, 4)));
  }

  /**
   * Twelve notes in two bits: what was clean in both counts for each, what failed in both for none.
   */
  @Test
  public void runsAreTakenByTheirNotesSoThatCutsMayMove() {
    Line line =
        Phrase.of(
                "tempo=96: A4/8 B4/8 C5/8 D5/8 E5/4 D5/4 C5/8 B4/8 A4/8 B4/8 C5/2 "
                    + "E5/8 D5/8 C5/8 B4/8 A4/4 B4/4 C5/8 D5/8 E5/8 D5/8 C5/2")
            .line();
    Player flute = Player.able(Catalogue.standard().setup("flute", Map.of()));
    Plan plan = Planner.plan(line, flute);
    List<Bit> bits =
        Bits.of(plan, line, FourFour.bars(line), flute, Stage.SCHOOL, Double.POSITIVE_INFINITY);
    assertEquals(bits.size(), 2);
    Map<String, Integer> places = new HashMap<>();
    line.notes().forEach(n -> places.put(n.id(), places.size()));
    List<Run> runs =
        List.of(
            new Run(DAY, "n0", "n21", 80, true),
            new Run(DAY, "n0", "n21", 90, false),
            new Run(DAY, "n0", "n5", 84, true),
            new Run(DAY, "n0", "n5", 88, false),
            new Run(DAY, "gone", "n5", 99, true));
    assertEquals(tempos(runs, bits.get(0), places), List.of(80, 88));
    assertEquals(tempos(runs, bits.get(1), places), List.of(80));
    // on a plateau each day another way
    List<Another> ways = Another.all(bits.get(0), plan);
    assertEquals(Another.of(bits.get(0), plan, 4), ways.get(0));
    assertEquals(Another.of(bits.get(0), plan, 5), ways.get(1));
    assertFalse(ways.isEmpty());
    assertEquals(Another.of(bits.get(0), plan, 4 + ways.size()), ways.get(0));
  }

  private static List<Integer> tempos(List<Run> runs, Bit bit, Map<String, Integer> places) {
    return runs.stream().filter(r -> r.tells(bit, places)).map(Run::quarters).toList();
  }
}
