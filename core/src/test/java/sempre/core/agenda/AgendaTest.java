package sempre.core.agenda;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.jgrapht.alg.flow.EdmondsKarpMFImpl;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleDirectedWeightedGraph;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Judgement;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.practice.Bit;
import sempre.core.practice.Ladder;
import sempre.core.practice.Run;
import sempre.core.score.Line;
import sempre.core.score.Phrase;

/** From today to the day: what is practised when. Worked by hand in docs/practice.md. */
public class AgendaTest {
  /** A Monday. */
  private static final LocalDate MONDAY = LocalDate.of(2026, 11, 30);

  private static final Set<DayOfWeek> SCHOOL_DAYS =
      EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY);

  private static Days days(int minutes, Days.Off... off) {
    return new Days(minutes, SCHOOL_DAYS, Set.of(DayOfWeek.THURSDAY), List.of(off));
  }

  /** A bit that has to be met so many times, however long a session is. */
  private static Stretch bit(int times) {
    return new Stretch(1, times * Judgement.Agenda.STEPS_A_DAY, 0, false, false, Optional.empty());
  }

  private static Goal due(int day, int... times) {
    return new Goal(
        MONDAY.plusDays(day), java.util.Arrays.stream(times).mapToObj(AgendaTest::bit).toList());
  }

  /**
   * As a teacher would write it: the letter of the bit, small where it is not for the first time.
   */
  private static String said(Task t) {
    String piece = t.goal() <= 0 ? "" : "" + (t.goal() + 1);
    char bit = (char) ('A' + t.bit());
    return switch (t.kind()) {
      case BEGIN -> piece + bit;
      case CLIMB -> piece + Character.toLowerCase(bit);
      case RETURN -> piece + "(" + bit + ")";
      case WHOLE -> piece + "whole";
      case SIGHT -> "sight";
    };
  }

  private static List<String> said(Agenda a) {
    return a.days().stream()
        .map(
            d ->
                d.off().isPresent()
                    ? d.off().get().name()
                    : d.tasks().stream().map(AgendaTest::said).collect(Collectors.joining(" ")))
        .toList();
  }

  /** Two bits that have to be met three times and twice, ten minutes a day, two weeks. */
  @Test
  public void theHardestFirstThenByTurnsThenWhatReturnsThenTheWhole() {
    Agenda a = Agenda.of(days(10), List.of(due(14, 2, 3)), MONDAY);
    assertEquals(
        said(a),
        List.of(
            "B", "A", "b", "a", "b", "", "", //
            "whole", "(A)", "(B)", "(A)", "whole", "", ""));
    assertEquals(a.outlooks().get(0).secure(), Optional.of(LocalDate.of(2026, 12, 4)));
    assertEquals(a.enough(), OptionalInt.empty());
    assertEquals(a.days().get(11).tasks().get(0).why(), Task.Why.LAST_TIME);
  }

  @Test
  public void theLessonHearsWhatWasPractisedSinceTheLast() {
    Agenda a = Agenda.of(days(10), List.of(due(14, 2, 3)), MONDAY);
    List<String> heard = new ArrayList<>();
    for (Agenda.Day d : a.days()) {
      if (d.lesson()) {
        heard.add(d.day().getDayOfMonth() + ": " + said(d.hear()));
      }
    }
    assertEquals(heard, List.of("3: B A", "10: a b whole"));
  }

  /** A lesson on the first day hears what was practised since the one a week before. */
  @Test
  public void theFirstLessonHearsWhatWasPractisedBefore() {
    LocalDate thursday = MONDAY.plusDays(3);
    Stretch early = new Stretch(1, 3, 0, false, true, Optional.of(thursday.minusDays(8)));
    Stretch atIt = new Stretch(1, 3, 0, false, true, Optional.of(thursday.minusDays(7)));
    Stretch late = new Stretch(1, 3, 0, false, true, Optional.of(thursday.minusDays(1)));
    Goal goal = new Goal(thursday.plusDays(9), List.of(early, atIt, late, bit(1)));
    Agenda a = Agenda.of(days(10), List.of(goal), thursday);
    assertTrue(a.days().get(0).lesson());
    assertEquals(said(a.days().get(0).hear()), "b c");
  }

  /** One plays on only into what is secure too. */
  @Test
  public void whatReturnsGoesOnIntoTheNextBitWhereThatIsSecure() {
    Stretch there = new Stretch(0, 0, 0, false, true, Optional.of(MONDAY.minusDays(20)));
    Goal goal = new Goal(MONDAY.plusDays(14), List.of(there, there, bit(4)));
    List<Task> all =
        Agenda.of(days(20), List.of(goal), MONDAY).days().stream()
            .limit(2)
            .flatMap(d -> d.tasks().stream())
            .filter(t -> t.kind() == Task.Kind.RETURN)
            .toList();
    assertEquals(all.stream().map(Task::on).toList(), List.of(true, false));
  }

  private static String said(List<Task> tasks) {
    return tasks.stream().map(AgendaTest::said).collect(Collectors.joining(" "));
  }

  /** The Monday is missed: on Tuesday the plan begins with what was due then, and ends in time. */
  @Test
  public void aMissedDayMovesWhatFollows() {
    Agenda a = Agenda.of(days(10), List.of(due(14, 2, 3)), MONDAY.plusDays(1));
    assertEquals(
        said(a), List.of("B", "A", "b", "a", "", "", "(A)", "b", "whole", "(A)", "whole", "", ""));
  }

  @Test
  public void nothingIsPractisedInHolidays() {
    Days.Off off = new Days.Off(MONDAY.plusDays(1), MONDAY.plusDays(3), "trip");
    Agenda a = Agenda.of(days(10, off), List.of(due(14, 2, 3)), MONDAY);
    assertEquals(said(a).subList(0, 5), List.of("B", "trip", "trip", "trip", "A"));
    assertTrue(a.days().stream().noneMatch(d -> d.lesson() && d.off().isPresent()));
  }

  /**
   * Eight bits, each three times, are 24; nine days have one for them, and the last is the whole.
   */
  @Test
  public void whatIsMissingIsCountedAndHowManyMinutesWouldBeEnough() {
    Agenda a = Agenda.of(days(10), List.of(due(14, 3, 3, 3, 3, 3, 3, 3, 3)), MONDAY);
    assertEquals(a.outlooks().get(0).missing(), 24 - 9);
    assertTrue(a.late());
    // 20 and 25 minutes are two sessions a day, 19 in all; 30 are three
    assertEquals(a.enough(), OptionalInt.of(30));
    // where no day is long enough nothing is advised
    assertEquals(
        Agenda.of(days(10), List.of(due(2, 3, 3, 3, 3, 3)), MONDAY).enough(), OptionalInt.empty());
  }

  /** What has less time for what it still costs goes first, though it was given later. */
  @Test
  public void thePieceWithLeastTimeGoesFirst() {
    Agenda a = Agenda.of(days(10), List.of(due(25, 2, 2), due(4, 2, 1)), MONDAY);
    assertEquals(said(a).subList(0, 4), List.of("2A", "2B", "2a", "2whole"));
    assertEquals(a.days().get(0).tasks().get(0).why(), Task.Why.SHORT_OF_TIME);
    assertTrue(said(a).subList(4, 25).stream().noneMatch(d -> d.contains("2")));
  }

  @DataProvider
  public Object[][] gaps() {
    // a fifth of the days that are left, begun ones counted, at least a day, at most a week
    return new Object[][] {
      {60, 7}, {35, 7}, {28, 6}, {14, 3}, {10, 2}, {6, 2}, {5, 1}, {1, 1}, {0, 1}
    };
  }

  @Test(dataProvider = "gaps")
  public void whatIsSecureReturnsSoonerAsTheDayComesNearer(int left, int gap) {
    assertEquals(Planned.gap(left), gap);
  }

  @Test
  public void whereAllIsSecureAndNothingIsDueThereIsSomethingToReadAtSight() {
    Stretch there = new Stretch(0, 0, 0, false, true, Optional.of(MONDAY.minusDays(1)));
    Agenda a = Agenda.of(days(20), List.of(new Goal(MONDAY.plusDays(40), List.of(there))), MONDAY);
    assertEquals(said(a).get(0), "sight");
    assertEquals(a.outlooks().get(0).secure(), Optional.of(MONDAY));
    // a week after the last time it returns
    assertEquals(said(a).subList(0, 9).indexOf("(A)"), 7);
  }

  /** Over many plans: nothing is met twice a day, or on a day off, or after it is due. */
  @Test
  public void everyPlanKeepsToItsDays() {
    for (int seed = 0; seed < 400; seed++) {
      Random random = new Random(seed);
      Days days = someDays(random);
      List<Goal> goals = someGoals(random, 1 + random.nextInt(4));
      Agenda a = Agenda.of(days, goals, MONDAY);
      Map<String, Integer> met = new HashMap<>();
      int[] wholes = new int[goals.size()];
      for (Agenda.Day d : a.days()) {
        assertTrue(d.tasks().size() <= days.sessions(), "seed " + seed);
        assertTrue(d.tasks().isEmpty() || days.practises(d.day()), "seed " + seed);
        assertEquals(new HashSet<>(d.tasks()).size(), d.tasks().size(), "seed " + seed);
        for (Task t : d.tasks()) {
          if (t.kind() == Task.Kind.SIGHT) {
            continue;
          }
          assertTrue(d.day().isBefore(goals.get(t.goal()).due()), "seed " + seed);
          if (t.kind() == Task.Kind.WHOLE) {
            wholes[t.goal()]++;
            continue;
          }
          String key = t.goal() + " " + t.bit();
          int times = goals.get(t.goal()).bits().get(t.bit()).times(days.session());
          int before = met.getOrDefault(key, 0);
          assertEquals(t.kind() == Task.Kind.RETURN, before == times, "seed " + seed + " " + t);
          met.put(key, Math.min(times, before + 1));
        }
      }
      for (int g = 0; g < goals.size(); g++) {
        assertTrue(wholes[g] <= Judgement.Agenda.WHOLE_RUNS, "seed " + seed);
        int left = 0;
        for (int b = 0; b < goals.get(g).bits().size(); b++) {
          left +=
              goals.get(g).bits().get(b).times(days.session()) - met.getOrDefault(g + " " + b, 0);
        }
        assertEquals(a.outlooks().get(g).missing(), left, "seed " + seed);
        assertEquals(a.outlooks().get(g).secure().isPresent(), left == 0, "seed " + seed);
      }
    }
  }

  private static Days someDays(Random random) {
    Set<DayOfWeek> practice = EnumSet.of(DayOfWeek.of(1 + random.nextInt(7)));
    for (DayOfWeek d : DayOfWeek.values()) {
      if (random.nextInt(3) > 0) {
        practice.add(d);
      }
    }
    LocalDate off = MONDAY.plusDays(random.nextInt(30));
    return new Days(
        5 + random.nextInt(50),
        practice,
        Set.of(DayOfWeek.of(1 + random.nextInt(7))),
        List.of(new Days.Off(off, off.plusDays(random.nextInt(5)), "off")));
  }

  private static List<Goal> someGoals(Random random, int many) {
    List<Goal> goals = new ArrayList<>();
    for (int g = 0; g < many; g++) {
      int[] times = random.ints(1 + random.nextInt(9), 1, 5).toArray();
      goals.add(due(3 + random.nextInt(45), times));
    }
    return goals;
  }

  /**
   * The independent reference: of one piece as much is practised as the largest flow allows from
   * bits to days (JGraphT, Edmonds and Karp), less the sessions kept for the whole and for what
   * returned meanwhile.
   */
  @Test
  public void nothingIsMissingThatHadTimeAsAFlowFinds() {
    int full = 0;
    for (int seed = 0; seed < 300; seed++) {
      Random random = new Random(seed);
      Days days = someDays(random);
      Goal goal = due(3 + random.nextInt(20), random.ints(2 + random.nextInt(9), 1, 5).toArray());
      Agenda a = Agenda.of(days, List.of(goal), MONDAY);
      var graph =
          new SimpleDirectedWeightedGraph<String, DefaultWeightedEdge>(DefaultWeightedEdge.class);
      graph.addVertex("from");
      graph.addVertex("to");
      int needed = 0;
      for (int b = 0; b < goal.bits().size(); b++) {
        graph.addVertex("bit " + b);
        int times = goal.bits().get(b).times(days.session());
        needed += times;
        graph.setEdgeWeight(graph.addEdge("from", "bit " + b), times);
      }
      for (Agenda.Day d : a.days()) {
        long kept =
            d.tasks().stream()
                .filter(t -> t.kind() == Task.Kind.WHOLE || t.kind() == Task.Kind.RETURN)
                .count();
        graph.addVertex("day " + d.day());
        int free = days.practises(d.day()) ? days.sessions() : 0;
        graph.setEdgeWeight(graph.addEdge("day " + d.day(), "to"), free - kept);
        for (int b = 0; b < goal.bits().size(); b++) {
          graph.setEdgeWeight(graph.addEdge("bit " + b, "day " + d.day()), 1);
        }
      }
      double most = new EdmondsKarpMFImpl<>(graph).calculateMaximumFlow("from", "to");
      assertEquals(needed - a.outlooks().get(0).missing(), (int) most, "seed " + seed);
      full += a.late() ? 1 : 0;
    }
    assertTrue(full > 50 && full < 250, "some are late and some are not: " + full);
  }

  /**
   * Sixteen eighths of 0.5 s at the marked 100 (in quarters) last 8 quarters, 4.8 s; from 60 up in
   * steps of 5.
   */
  @Test
  public void whatABitCostsFollowsFromItsLadder() {
    Line line =
        Phrase.of(
                "tempo=100: C5/8 D5/8 E5/8 F5/8 G5/8 F5/8 E5/8 D5/8"
                    + " C5/8 D5/8 E5/8 F5/8 G5/8 F5/8 E5/8 D5/8")
            .line();
    Player player = Player.able(Catalogue.standard().setup("flute", Map.of()));
    Bit bit =
        new Bit(
            Planner.plan(line, player).notes(),
            Optional.empty(),
            Bit.End.LINE,
            List.of(),
            List.of(),
            Optional.empty(),
            60);
    Ladder.Rule rule = Ladder.Rule.USUAL;
    Stretch fresh = Stretch.of(bit, Ladder.of(60, 100, List.of(), rule, MONDAY), rule, 1);
    // 40 more in steps of 5, and once the tempo itself
    assertEquals(fresh.steps(), 9);
    // 27 runs of 6 s at 80, and 8 of 8 s at 60; twice that, since one also thinks
    assertEquals(fresh.minutes(), (27 * 6 + 8 * 8) * 2 / 60.0, 1e-9);
    // 9 steps are three days, and a new note is one more; 7.5 minutes are one session
    assertEquals(fresh.times(10), 4);
    // where a session is short the minutes decide
    assertEquals(fresh.times(2), 5);
    List<Run> runs =
        java.util.Collections.nCopies(
            3, new Run(MONDAY, bit.first().id(), bit.last().id(), 100, true));
    Stretch there = Stretch.of(bit, Ladder.of(60, 100, runs, rule, MONDAY), rule, 1);
    assertTrue(there.secure());
    assertEquals(there.times(10), 0);
    assertEquals(there.last(), Optional.of(MONDAY));
  }

  @Test
  public void aPlanWithoutMinutesOrDaysOrWithAHolidayBackwardsIsRefused() {
    assertEquals(key(() -> days(0)), "agenda.minutes");
    assertEquals(key(() -> new Days(20, Set.of(), Set.of(), List.of())), "agenda.no-days");
    assertEquals(key(() -> new Days.Off(MONDAY, MONDAY.minusDays(1), "")), "agenda.off-backwards");
    assertEquals(key(() -> new Days.Off(MONDAY, MONDAY.plusDays(100), "")), "agenda.off-long");
  }

  private static String key(org.testng.Assert.ThrowingRunnable made) {
    return expectThrows(Refusal.class, made).saying().key();
  }
}
