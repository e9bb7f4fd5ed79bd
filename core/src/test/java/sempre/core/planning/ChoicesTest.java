package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.jgrapht.alg.shortestpath.YenKShortestPath;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleDirectedWeightedGraph;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Judgement;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.motion.Moves;
import sempre.core.pitch.Pitch;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Ornament;
import sempre.core.score.Phrase;
import sempre.core.score.Succession;

/** The best whole choices in order, what is worth teaching, and laws that every choice obeys. */
public class ChoicesTest {
  @DataProvider
  public Object[][] instruments() {
    return Catalogue.standard().ids().stream()
        .map(id -> new Object[] {id})
        .toArray(Object[][]::new);
  }

  private static Player able(String id) {
    return Player.able(Catalogue.standard().setup(id, Map.of()));
  }

  /** Every choice of entries for a short line with its cheapest way through: no cleverness. */
  private static List<Double> everyChoice(Line line, Player player) {
    Setup setup = player.setup();
    List<Context> contexts =
        Context.of(line.notes(), Succession.asPrinted(line.notes()), player.style());
    Layers layers = new Layers(player);
    Map<List<Entry>, Double> cheapest = new HashMap<>();
    walk(line, player, setup, contexts, layers, 0, new ArrayList<>(), 0, 0, cheapest);
    return cheapest.values().stream().sorted().toList();
  }

  private static void walk(
      Line line,
      Player player,
      Setup setup,
      List<Context> contexts,
      Layers layers,
      int i,
      List<Setup.Way> taken,
      int arrived,
      double cost,
      Map<List<Entry>, Double> cheapest) {
    if (i == line.notes().size()) {
      cheapest.merge(taken.stream().map(Setup.Way::entry).toList(), cost, Math::min);
      return;
    }
    Layer layer = layers.of(line.notes().get(i).pitch().midi());
    for (Setup.Way w : layer.ways) {
      Tally price = Tally.sum();
      Price.count(w, layer.ways, contexts.get(i), player, price);
      double sum = cost + price.total();
      int now = 0;
      if (i > 0) {
        Setup.Way before = taken.get(i - 1);
        Effort effort = Effort.of(Moves.between(setup, before, w));
        Effort.Pace pace = Effort.Pace.between(line.notes().get(i - 1), line.notes().get(i));
        sum += effort.arriving(arrived).cost(pace) / 1024.0;
        now = pace.free() ? 0 : effort.outward();
      }
      taken.add(w);
      walk(line, player, setup, contexts, layers, i + 1, taken, now, sum, cheapest);
      taken.remove(i);
    }
  }

  @Test(dataProvider = "instruments")
  public void theBestChoicesAreTheCheapestOfAllInOrder(String id) {
    Player player = able(id);
    Random random = new Random(23);
    for (int round = 0; round < 12; round++) {
      Line line = PlannerTest.random(player.setup(), random, 4);
      List<Double> all = everyChoice(line, player);
      List<Choice> best = Planner.choose(line, player, 10);
      assertEquals(best.size(), Math.min(10, all.size()), id);
      for (int k = 0; k < best.size(); k++) {
        assertEquals(best.get(k).cost(), all.get(k), 2e-3, id + " choice " + k);
      }
    }
  }

  /** The independent reference for long parts: JGraphT's k shortest paths (Yen). */
  @Test
  public void aGraphLibraryFindsTheSameCostsInTheSameOrder() {
    for (String id : List.of("trumpet", "euphonium", "horn")) {
      Player player = able(id);
      Line line = PlannerTest.random(player.setup(), new Random(29), 40);
      List<Context> contexts =
          Context.of(line.notes(), Succession.asPrinted(line.notes()), player.style());
      Layers layers = new Layers(player);
      var graph =
          new SimpleDirectedWeightedGraph<String, DefaultWeightedEdge>(DefaultWeightedEdge.class);
      graph.addVertex("start");
      List<String> before = List.of("start");
      for (int i = 0; i < line.notes().size(); i++) {
        Layer layer = layers.of(line.notes().get(i).pitch().midi());
        long[] prices = layer.prices(contexts.get(i));
        List<String> here = new ArrayList<>();
        for (int w = 0; w < layer.ways.size(); w++) {
          String vertex = i + " " + w;
          graph.addVertex(vertex);
          here.add(vertex);
          for (int b = 0; b < before.size(); b++) {
            double cost = prices[layer.priceOf[w]] / 1024.0;
            if (i > 0) {
              Setup.Way from = layers.of(line.notes().get(i - 1).pitch().midi()).ways.get(b);
              cost +=
                  Effort.of(Moves.between(player.setup(), from, layer.ways.get(w)))
                          .cost(Effort.Pace.between(line.notes().get(i - 1), line.notes().get(i)))
                      / 1024.0;
            }
            graph.setEdgeWeight(graph.addEdge(before.get(b), vertex), cost);
          }
        }
        before = here;
      }
      graph.addVertex("end");
      before.forEach(b -> graph.setEdgeWeight(graph.addEdge(b, "end"), 0));
      var paths = new YenKShortestPath<>(graph).getPaths("start", "end", 8);
      List<Choice> best = Planner.choose(line, player, 8);
      for (int k = 0; k < paths.size(); k++) {
        assertEquals(best.get(k).cost(), paths.get(k).getWeight(), 1e-9, id + " choice " + k);
      }
    }
  }

  @Test(dataProvider = "instruments")
  public void theFirstChoiceIsThePlanAndEachDiffersFromAllBefore(String id) {
    Player player = able(id);
    Line line = PlannerTest.random(player.setup(), new Random(31), 60);
    List<Choice> best = Planner.choose(line, player, 10);
    Plan plan = Planner.plan(line, player);
    assertEquals(best.get(0).cost(), plan.cost(), 0.0);
    assertEquals(
        best.get(0).ways().stream().map(Setup.Way::entry).toList(),
        plan.notes().stream().map(n -> n.way().entry()).toList());
    Set<String> seen = new HashSet<>();
    for (Choice c : best) {
      assertTrue(
          seen.add(
              c.ways().stream().map(w -> w.entry().fingering()).collect(Collectors.joining(","))),
          "found before");
      assertEquals(c.differences(best.get(0)).isEmpty(), c == best.get(0));
    }
  }

  /** Knowing more never makes a part harder; forbidding what was chosen never makes it easier. */
  @Test(dataProvider = "instruments")
  public void moreToChooseFromNeverCostsMore(String id) {
    Player player = able(id);
    Random random = new Random(37);
    for (int round = 0; round < 5; round++) {
      Line line = PlannerTest.random(player.setup(), random, 25);
      Set<String> standards =
          line.notes().stream()
              .flatMap(n -> player.setup().ways(n.pitch()).stream())
              .map(Setup.Way::entry)
              .filter(e -> e.role() == sempre.core.instrument.Role.STANDARD)
              .map(e -> Player.Known.key(e.written(), e.fingering()))
              .collect(Collectors.toSet());
      double few = Planner.cost(line, player.knowing(Optional.of(new Player.Known(standards))));
      double all = Planner.cost(line, player);
      assertTrue(all <= few + 1e-9, all + " with all, " + few + " with the standards");
      Plan plan = Planner.plan(line, player);
      for (Plan.PlannedNote n : plan.notes()) {
        assertTrue(n.alternatives().stream().allMatch(a -> a.extra() >= 0));
      }
    }
  }

  /** A long rest cuts a line in two that cost what they cost alone. */
  @Test(dataProvider = "instruments")
  public void aLongRestCutsTheProblemInTwo(String id) {
    Player player = able(id);
    Line one = PlannerTest.random(player.setup(), new Random(41), 12);
    Line two = PlannerTest.random(player.setup(), new Random(43), 12);
    double gap = 10_000;
    List<Note> both = new ArrayList<>(one.notes());
    double start = one.notes().get(11).end() + gap;
    for (Note n : two.notes()) {
      both.add(
          new Note(
              "b" + n.id(),
              List.of(),
              n.bar(),
              n.beat(),
              n.onset() - two.notes().get(0).onset() + start,
              n.quarters(),
              n.pitch(),
              false,
              n.slurToNext(),
              n.dynamic(),
              n.tempo(),
              n.key(),
              Ornament.NONE,
              false,
              false,
              ""));
    }
    List<Note> cut = new ArrayList<>(both.subList(0, 12));
    Note last = cut.get(11);
    double whole = Planner.cost(new Line(1, "1", both), player);
    double parts = Planner.cost(one, player) + Planner.cost(two, player);
    // over a long rest nothing is paid
    assertTrue(Math.abs(whole - parts) <= 4, last + " " + whole + " " + parts);
    assertTrue(whole >= Planner.cost(one, player) - 1e-9);
  }

  @Test
  public void countsOutsideAreRefused() {
    Player player = able("flute");
    Line line = PlannerTest.random(player.setup(), new Random(1), 3);
    for (int count : new int[] {0, 11}) {
      expectThrows(Refusal.class, () -> Planner.choose(line, player, count));
    }
    assertEquals(Planner.choose(new Line(1, "1", List.of()), player, 3).size(), 1);
  }

  private static Player knowsStandards(String id, Line line) {
    Player player = able(id);
    Set<String> known = new HashSet<>();
    for (Note n : line.notes()) {
      player.setup().ways(n.pitch()).stream()
          .filter(w -> w.entry().role() == sempre.core.instrument.Role.STANDARD)
          .forEach(w -> known.add(Player.Known.key(n.pitch(), w.entry().fingering())));
    }
    return player.knowing(Optional.of(new Player.Known(known)));
  }

  /** Common practice, no source: bis for runs in flat keys is worth a lesson. */
  @Test
  public void whatIsWorthTeachingIsWhatMakesThePartEasier() {
    Line flat =
        Phrase.of("key=-2 tempo=140: ( A4/16 *Bb4/16 A4/16 Bb4/16 F4/16 Bb4/16 F4/16 )").line();
    List<Worth> worth = Worth.of(flat, knowsStandards("flute", flat));
    assertEquals(worth.get(0).entry().label(), "thumb-b-flat");
    assertEquals(worth.get(0).notes().size(), 3);
    assertTrue(worth.get(0).saves() > Judgement.Telling.WORTH_LEARNING);
    Line plain = Phrase.of("tempo=80: G4/4 *A4/4 B4/4 A4/4").line();
    assertEquals(Worth.of(plain, knowsStandards("flute", plain)), List.of());
    assertEquals(Worth.of(flat, able("flute")), List.of(), "of others nothing is known");
  }

  @Test
  public void overSeveralPartsWhatSavesMostComesFirst() {
    Line flat = Phrase.of("key=-2 tempo=100: A4/8 Bb4/8 C5/8 Bb4/8 A4/8 Bb4/8 G4/4").line();
    Line plain = Phrase.of("key=0 tempo=100: C5/8 D5/8 E5/8 F5/8 G5/4").line();
    Player player = knowsStandards("flute", flat);
    List<Worth.Total> all = Worth.over(List.of(flat, plain, flat), player);
    assertEquals(all.get(0).entry().label(), "thumb-b-flat");
    assertEquals(List.copyOf(all.get(0).parts().keySet()), List.of(0, 2));
    assertEquals(all.get(0).saves(), 2 * Worth.of(flat, player).get(0).saves(), 1e-9);
    for (int i = 1; i < all.size(); i++) {
      assertTrue(all.get(i).saves() <= all.get(i - 1).saves());
    }
  }

  @Test
  public void aNoteBeyondReachHasAnOctaveThatIsNot() {
    Player small =
        Player.of(
            Catalogue.standard().setup("trombone", Map.of()),
            Map.of(),
            Set.of("p6", "p7"),
            Optional.empty());
    assertEquals(other(small, "C3"), "C4");
    assertEquals(other(small, "G5"), "G4");
    // E flat an octave up has a fingering, but nobody is sent up to a harder note
    Player oboe =
        Player.of(
            Catalogue.standard().setup("oboe", Map.of()), Map.of(), Set.of("Eb"), Optional.empty());
    assertEquals(other(oboe, "Eb5"), "");
    Player recorder = able("recorder-soprano");
    assertEquals(other(recorder, "C1"), "");
  }

  private static String other(Player player, String note) {
    return player.octaveFor(Pitch.parse(note), Stage.SCHOOL).map(Pitch::toString).orElse("");
  }

  @Test
  public void whatIsWorthTeachingSavesWhatItSays() {
    for (String id : List.of("flute", "alto-sax", "clarinet", "oboe", "bassoon")) {
      Player player = able(id);
      Line line = PlannerTest.random(player.setup(), new Random(47), 60);
      Player knows = knowsStandards(id, line);
      double now = Planner.cost(line, knows);
      double last = Double.POSITIVE_INFINITY;
      for (Worth w : Worth.of(line, knows)) {
        Set<String> more = new HashSet<>(knows.known().orElseThrow().fingerings());
        more.add(Player.Known.key(w.entry().written(), w.entry().fingering()));
        double then = Planner.cost(line, knows.knowing(Optional.of(new Player.Known(more))));
        assertEquals(w.saves(), now - then, 1e-9);
        assertTrue(w.saves() <= last, "the most first");
        last = w.saves();
        for (Note n : w.notes()) {
          assertTrue(n.pitch().soundsAs(w.entry().written()), n.pitch() + " " + Pitch.usual(60));
        }
      }
    }
  }

  /** One worse note is an alternative of that note, and no other way through. */
  @Test
  public void anotherWayThroughChangesNeighboursTogether() {
    Line line = Phrase.of("key=-3 tempo=100: C4/8 F3/8 C4/8 D4/8 Eb4/8 D4/8 C4/8 Bb3/4").line();
    List<Choice> all = Planner.choose(line, able("trombone"), Planner.MOST_CHOICES);
    Choice best = all.get(0);
    assertFalse(best.anotherWay(best));
    for (Choice c : all) {
      if (c.differences(best).size() < 2) {
        assertFalse(c.anotherWay(best), c.differences(best).toString());
      }
    }
    assertTrue(all.stream().anyMatch(c -> c.anotherWay(best)), "some of them is one");
  }

  private static Choice choice(double cost, int... other) {
    Setup flute = Catalogue.standard().setup("flute", Map.of());
    List<Note> notes = Phrase.of(": *Bb4/8 Bb4/8 Bb4/8 Bb4/8 Bb4/8").line().notes();
    List<Setup.Way> ways = new ArrayList<>();
    for (int i = 0; i < notes.size(); i++) {
      int at = i;
      List<Setup.Way> all = flute.ways(Pitch.parse("Bb4"));
      boolean changed = Arrays.stream(other).anyMatch(o -> o == at);
      ways.add(changed ? all.get(all.size() - 1) : all.get(0));
    }
    return new Choice(cost, notes, ways);
  }

  /** Two notes apart still belong together, three do not; fifteen is the most that it may cost. */
  @Test
  public void anotherWayThroughChangesNotesAtMostTwoApartForAPriceWorthAThought() {
    Choice best = choice(2);
    assertTrue(choice(3, 0, 1).anotherWay(best));
    assertTrue(choice(3, 0, 2).anotherWay(best));
    assertFalse(choice(3, 0, 3).anotherWay(best));
    assertFalse(choice(3, 1).anotherWay(best));
    assertTrue(choice(17, 0, 1).anotherWay(best));
    assertFalse(choice(17.5, 0, 1).anotherWay(best));
    assertEquals(choice(3, 0, 3).differences(best), List.of(0, 3));
  }

  @Test
  public void whatCostsMoreThanFifteenIsNotOffered() {
    Setup.Way way = Catalogue.standard().setup("flute", Map.of()).ways(Pitch.parse("Bb4")).get(0);
    assertFalse(new Plan.Alternative(way, 15, Optional.empty()).farOff());
    assertTrue(new Plan.Alternative(way, 15.1, Optional.empty()).farOff());
  }
}
