package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.jgrapht.alg.shortestpath.DijkstraShortestPath;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleDirectedWeightedGraph;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.motion.Move;
import sempre.core.motion.Moves;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.score.Dynamic;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Ornament;
import sempre.core.score.Phrase;
import sempre.core.score.Succession;

public class PlannerTest {
  private static Setup setup(String id) {
    return Catalogue.standard().setup(id, Map.of());
  }

  @DataProvider
  public Object[][] instruments() {
    return Catalogue.standard().ids().stream()
        .map(id -> new Object[] {id})
        .toArray(Object[][]::new);
  }

  static Line random(Setup setup, Random random, int length) {
    List<Note> notes = new ArrayList<>();
    double onset = 0;
    int midi = (setup.lowest().midi() + setup.highest().midi()) / 2;
    double[] values = {0.25, 0.5, 0.5, 1, 2};
    for (int i = 0; i < length; i++) {
      midi = midi + random.nextInt(9) - 4;
      midi = Math.max(setup.lowest().midi(), Math.min(setup.highest().midi(), midi));
      while (setup.ways(Pitch.usual(midi)).isEmpty()) {
        midi--; // a note that this instrument lacks
      }
      double quarters = values[random.nextInt(values.length)];
      onset += random.nextInt(8) == 0 ? 1 : 0;
      notes.add(
          new Note(
              "n" + i,
              List.of(),
              i / 4,
              1,
              onset,
              quarters,
              Pitch.usual(midi),
              false,
              random.nextInt(3) == 0,
              Dynamic.values()[random.nextInt(6)],
              60 + random.nextInt(100),
              new KeySignature(random.nextInt(7) - 3),
              Ornament.NONE,
              false,
              false,
              ""));
      onset += quarters;
    }
    return new Line(1, "1", notes);
  }

  private static List<List<Setup.Way>> layers(Line line, Player player) {
    return line.notes().stream()
        .map(
            n ->
                player.setup().ways(n.pitch()).stream()
                    .filter(w -> w.entry().role() != Role.SPECIAL)
                    .filter(w -> w.entry().role() != Role.REACH)
                    .toList())
        .toList();
  }

  private static double price(Setup.Way w, List<Setup.Way> layer, Context c, Player p) {
    Tally t = Tally.sum();
    Price.count(w, layer, c, p, t);
    return t.total();
  }

  private static double change(Note a, Note b, Setup.Way from, Setup.Way to, int arrived, Setup s) {
    return Effort.of(Moves.between(s, from, to)).arriving(arrived).cost(Effort.Pace.between(a, b))
        / 1024.0;
  }

  /** After a long rest the slide comes from nowhere. */
  private static int outward(Note x, Note y, Setup s, Setup.Way a, Setup.Way b) {
    return Effort.Pace.between(x, y).free()
        ? 0
        : Moves.between(s, a, b).travel().map(Move.Travel::outward).orElse(0);
  }

  /** Every path is tried one by one; no cleverness that could be wrong in the same way. */
  private static double cheapest(
      Line line,
      List<List<Setup.Way>> layers,
      List<Context> contexts,
      Player p,
      int i,
      Setup.Way before,
      int arrived) {
    if (i == line.notes().size()) {
      return 0;
    }
    double best = Double.POSITIVE_INFINITY;
    for (Setup.Way w : layers.get(i)) {
      double cost = price(w, layers.get(i), contexts.get(i), p);
      int now = 0;
      if (before != null) {
        cost += change(line.notes().get(i - 1), line.notes().get(i), before, w, arrived, p.setup());
        now = outward(line.notes().get(i - 1), line.notes().get(i), p.setup(), before, w);
      }
      best = Math.min(best, cost + cheapest(line, layers, contexts, p, i + 1, w, now));
    }
    return best;
  }

  @Test(dataProvider = "instruments")
  public void noPathIsCheaperThanThePlan(String id) {
    Setup setup = setup(id);
    Player player = Player.able(setup);
    Random random = new Random(7);
    for (int round = 0; round < 30; round++) {
      Line line = random(setup, random, 4);
      double oracle =
          cheapest(
              line,
              layers(line, player),
              Context.of(line.notes(), Succession.asPrinted(line.notes()), player.style()),
              player,
              0,
              null,
              0);
      assertEquals(Planner.plan(line, player).cost(), oracle, 0.0, line.notes().toString());
    }
  }

  /** The independent reference: JGraphT's Dijkstra on the same layers. */
  @Test(dataProvider = "instruments")
  public void aLongPartCostsWhatAGraphLibraryFinds(String id) {
    Setup setup = setup(id);
    Player player = Player.able(setup);
    Line line = random(setup, new Random(11), 120);
    List<List<Setup.Way>> layers = layers(line, player);
    List<Context> contexts =
        Context.of(line.notes(), Succession.asPrinted(line.notes()), player.style());
    var graph =
        new SimpleDirectedWeightedGraph<String, DefaultWeightedEdge>(DefaultWeightedEdge.class);
    graph.addVertex("start");
    graph.addVertex("end");
    for (int i = 0; i < layers.size(); i++) {
      for (int w = 0; w < layers.get(i).size(); w++) {
        for (int d = -1; d <= 1; d++) {
          graph.addVertex(i + "/" + w + "/" + d);
        }
      }
    }
    for (int i = 0; i < layers.size(); i++) {
      for (int w = 0; w < layers.get(i).size(); w++) {
        Setup.Way to = layers.get(i).get(w);
        double price = price(to, layers.get(i), contexts.get(i), player);
        if (i == 0) {
          edge(graph, "start", "0/" + w + "/0", price);
        } else {
          for (int v = 0; v < layers.get(i - 1).size(); v++) {
            Setup.Way from = layers.get(i - 1).get(v);
            int now = outward(line.notes().get(i - 1), line.notes().get(i), setup, from, to);
            for (int d = -1; d <= 1; d++) {
              double cost =
                  change(line.notes().get(i - 1), line.notes().get(i), from, to, d, setup);
              edge(graph, (i - 1) + "/" + v + "/" + d, i + "/" + w + "/" + now, cost + price);
            }
          }
        }
        if (i == layers.size() - 1) {
          for (int d = -1; d <= 1; d++) {
            edge(graph, i + "/" + w + "/" + d, "end", 0);
          }
        }
      }
    }
    double oracle = new DijkstraShortestPath<>(graph).getPathWeight("start", "end");
    assertEquals(Planner.plan(line, player).cost(), oracle, 1e-9);
  }

  private static void edge(
      SimpleDirectedWeightedGraph<String, DefaultWeightedEdge> g, String a, String b, double cost) {
    DefaultWeightedEdge e = g.addEdge(a, b);
    if (e != null) {
      g.setEdgeWeight(e, cost);
    }
  }

  @Test(dataProvider = "instruments")
  public void whatAnAlternativeCostsIsWhatLockingItCosts(String id) {
    Setup setup = setup(id);
    Player player = Player.able(setup);
    Line line = random(setup, new Random(3), 12);
    Plan plan = Planner.plan(line, player);
    int compared = 0;
    for (Plan.PlannedNote n : plan.notes()) {
      for (Plan.Alternative a : n.alternatives()) {
        assertTrue(a.extra() >= 0, n + " " + a);
        Plan locked =
            Planner.plan(line, player, Map.of(n.note().id(), a.way().entry().fingering()));
        // a locked layer has no rivals, so that being passed over costs nothing there
        assertTrue(locked.cost() <= plan.cost() + a.extra() + 1e-9);
        assertEquals(locked.note(n.note().id()).orElseThrow().way().entry(), a.way().entry());
        compared++;
      }
    }
    boolean choice =
        layers(line, player).stream()
            .anyMatch(l -> l.stream().map(Setup.Way::entry).distinct().count() > 1);
    assertEquals(compared > 0, choice);
  }

  @Test(dataProvider = "instruments")
  public void theSameInputGivesTheSamePlan(String id) {
    Setup setup = setup(id);
    Line line = random(setup, new Random(5), 80);
    assertEquals(
        Planner.plan(line, Player.able(setup)).toString(),
        Planner.plan(line, Player.able(setup)).toString());
  }

  @Test
  public void aLongRestCutsThePlanInTwo() {
    Setup setup = setup("trombone");
    Player player = Player.able(setup);
    Phrase together = Phrase.of("tempo=120: C3/8 F3/8 r/1 F#3/8 Bb3/8");
    Plan plan = Planner.plan(together.line(), player);
    assertEquals(plan.notes().get(1).way().fingering().text(), "p6");
    assertEquals(
        plan.notes().get(3).way().fingering().text(),
        Planner.plan(Phrase.of("tempo=120: F#3/8 Bb3/8").line(), player)
            .notes()
            .get(1)
            .way()
            .fingering()
            .text());
    assertTrue(plan.moves().get(1).difficulty() < 0.15, "the rest frees the hand");
  }

  @Test
  public void whatTheHandCantReachIsNotPlanned() {
    Setup setup = setup("trombone");
    Player small = Player.of(setup, Map.of(), Set.of("p6", "p7"), Optional.empty());
    Plan plan = Planner.plan(Phrase.of("tempo=120: C3/8 F3/8 C3/8 B3/4 E2/4").line(), small);
    assertEquals(
        plan.unreachable().stream().map(n -> n.pitch().toString()).toList(),
        List.of("C3", "C3", "E2"));
    assertEquals(plan.notes().get(0).way().fingering().text(), "p1");
    Player attached =
        Player.of(
            Catalogue.standard().setup("trombone", Map.of("Fattachment", "true")),
            Map.of(),
            Set.of("p6", "p7"),
            Optional.empty());
    Plan.PlannedNote c3 =
        Planner.plan(Phrase.of("tempo=120: Bb2/4 C3/4").line(), attached).notes().get(1);
    assertEquals(c3.way().fingering().text(), "F p1");
    assertEquals(c3.reasons().get(0).purpose().word(), "reach");
    Reason.OutOfReach far = (Reason.OutOfReach) c3.reasons().get(0).fact();
    assertEquals(far.hold().token(), "p6");
  }

  @Test
  public void aReasonNamesTheNeighbourAndTheFinger() {
    Plan plan =
        Planner.plan(
            Phrase.of("key=-2 tempo=100: F4/8 Bb4/8 B4/8 C5/8").line(),
            Player.able(setup("flute")));
    Reason r = plan.notes().get(1).reasons().get(0);
    assertEquals(r.because(), Where.Side.NEXT);
    Reason.Instead instead = (Reason.Instead) r.fact();
    assertEquals(instead.other().label(), "thumb-b-flat");
    assertTrue(instead.why() instanceof Why.Ruled, instead.toString());
    assertEquals(plan.notes().get(1).reasons().size(), 1, "the slide is not said twice");
    Plan.Alternative thumb =
        plan.notes().get(1).alternatives().stream()
            .filter(a -> a.way().entry().label().equals("thumb-b-flat"))
            .findFirst()
            .orElseThrow();
    assertTrue(thumb.against().orElseThrow().why() instanceof Why.Ruled);
    assertTrue(thumb.extra() > 10);
  }

  /** A reason names a fingering that costs more, and what costs more is told. */
  @Test
  public void aReasonSpeaksOfADearerFingeringAndEachDearerOneHasItsOwn() {
    for (String id : Catalogue.standard().ids()) {
      Setup setup = setup(id);
      Player player = Player.able(setup);
      Line line = random(setup, new Random(2), 60);
      Plan plan = Planner.plan(line, player);
      for (Plan.PlannedNote n : plan.notes()) {
        for (Reason r : n.reasons()) {
          if (r.fact() instanceof Reason.Instead i) {
            Plan.Alternative other =
                n.alternatives().stream()
                    .filter(a -> a.way().entry() == i.other())
                    .findFirst()
                    .orElseThrow();
            assertTrue(other.extra() >= 0, id + " " + n.note() + " " + r);
          }
        }
        for (Plan.Alternative a : n.alternatives()) {
          assertTrue(a.extra() < 0.1 || a.against().isPresent(), id + " " + a);
        }
      }
    }
  }

  @Test
  public void anAlternateNotLearnedYetIsNoHelpInAPiece() {
    Setup setup = setup("alto-sax");
    Phrase p = Phrase.of("key=-1 tempo=100: ( F4/8 F#4/8 G4/8 )");
    Player able = Player.able(setup);
    assertEquals(Planner.plan(p.line(), able).notes().get(1).way().bare().text(), "1 2 3 | 1 F#");
    Set<String> standards = new java.util.HashSet<>();
    for (String n : List.of("F4", "F#4", "G4")) {
      Pitch pitch = Pitch.parse(n);
      standards.add(Player.Known.key(pitch, setup.ways(pitch).get(0).entry().fingering()));
    }
    Player learner = Player.of(setup, Map.of(), Set.of(), Optional.of(new Player.Known(standards)));
    Plan plan = Planner.plan(p.line(), learner);
    assertEquals(plan.notes().get(1).way().bare().text(), "1 2 3 | 2");
    Reason.OnceLearned later = (Reason.OnceLearned) plan.notes().get(1).reasons().get(0).fact();
    assertEquals(later.other().label(), "alternate-f-sharp-key");
    assertEquals(plan.newNotes(), List.of());
  }

  @Test
  public void newNotesAreThoseOfWhichNoFingeringIsLearned() {
    Setup setup = setup("flute");
    Player learner =
        Player.of(
            setup,
            Map.of(),
            Set.of(),
            Optional.of(new Player.Known(Set.of(Player.Known.key(Pitch.parse("B4"), "T 1 | Eb")))));
    Plan plan = Planner.plan(Phrase.of(": B4/4 A4/4 G4/4 A4/4").line(), learner);
    assertEquals(plan.newNotes().toString(), "[G4, A4]");
    assertEquals(
        plan.notes().stream().map(Plan.PlannedNote::isNew).toList(),
        List.of(false, true, true, true));
  }

  @Test
  public void notesBeyondTheInstrumentAreSaidAndTheRestIsPlanned() {
    Plan plan = Planner.plan(Phrase.of(": C4/4 C3/4 D4/4").line(), Player.able(setup("trumpet")));
    assertEquals(plan.notes().size(), 2);
    assertEquals(plan.outOfRange().get(0).pitch().toString(), "C3");
  }

  @Test
  public void aLockIsKeptAndABadOneRefused() {
    Setup setup = setup("trumpet");
    Line line = Phrase.of("tempo=80: C4/4 A4/4 C4/4").line();
    Plan plan = Planner.plan(line, Player.able(setup), Map.of("n1", "3"));
    assertEquals(plan.notes().get(1).way().fingering().text(), "3");
    assertTrue(plan.notes().get(1).locked());
    expectThrows(
        Refusal.class, () -> Planner.plan(line, Player.able(setup), Map.of("n1", "1 2 3")));
  }

  /** What is fixed can be fixed otherwise: what else there is stays, with what it would cost. */
  @Test
  public void alternativesStayWhereANoteIsLocked() {
    Setup flute = setup("flute");
    Random random = new Random(9);
    Player player = Player.able(flute);
    int compared = 0;
    for (int t = 0; t < 20; t++) {
      Line line = random(flute, random, 12);
      Plan free = Planner.plan(line, player);
      for (Plan.PlannedNote n : free.notes()) {
        if (n.alternatives().isEmpty()) {
          continue;
        }
        String other = n.alternatives().get(0).way().entry().fingering();
        Plan locked = Planner.plan(line, player, Map.of(n.note().id(), other));
        Plan.PlannedNote kept = locked.note(n.note().id()).orElseThrow();
        assertEquals(kept.way().entry().fingering(), other);
        assertEquals(kept.alternatives().size(), n.alternatives().size());
        // back to what was planned is as much easier as it was dearer to leave it
        Plan.Alternative back =
            kept.alternatives().stream()
                .filter(a -> a.way().entry() == n.way().entry())
                .findFirst()
                .orElseThrow();
        assertEquals(back.extra(), -n.alternatives().get(0).extra(), 0.002, n.toString());
        compared++;
      }
    }
    assertTrue(compared > 50, "compared " + compared);
  }

  /** A style that is outvoted is told, with the fingering that it would have been. */
  @Test
  public void whereAStyleIsOutvotedIsSaid() {
    Setup flute = setup("flute");
    Player oneAndOne = Player.of(flute, Map.of("bFlat", "oneAndOne"), Set.of(), Optional.empty());
    Random random = new Random(4);
    for (int t = 0; t < 30; t++) {
      for (Plan.PlannedNote n : Planner.plan(random(flute, random, 16), oneAndOne).notes()) {
        boolean styled =
            flute.ways(n.note().pitch()).stream()
                .anyMatch(w -> "oneAndOne".equals(w.entry().style().get("bFlat")));
        boolean taken = "oneAndOne".equals(n.way().entry().style().get("bFlat"));
        assertEquals(n.outvoted().isPresent(), styled && !taken, n.toString());
      }
    }
  }

  @Test
  public void theThumbStaysOnTheLeverWhereANoteDoesNotMind() {
    Plan plan =
        Planner.plan(
            Phrase.of("key=-2 tempo=120: Bb4/8 A4/8 G4/8 A4/8 Bb4/4").line(),
            Player.able(setup("flute")));
    Map<String, String> thumbs = new HashMap<>();
    plan.notes()
        .forEach(n -> thumbs.put(n.note().id(), n.way().fingering().text().substring(0, 2)));
    assertEquals(Set.copyOf(thumbs.values()), Set.of("Tb"));
  }

  /** Common practice, no source: never slide the thumb between the two levers. */
  @Test
  public void theThumbIsNeverPlannedToSlide() {
    Setup setup = setup("flute");
    Line line =
        Phrase.of("key=-2 tempo=92: C5/4 B4/4 Bb4/4 A4/4 Bb4/4 D5/4 C5/4 A4/4 Bb4/4").line();
    Set<String> onlyThumb = new java.util.HashSet<>();
    for (String n : List.of("A4", "B4", "C5", "D5")) {
      Pitch p = Pitch.parse(n);
      onlyThumb.add(Player.Known.key(p, setup.ways(p).get(0).entry().fingering()));
    }
    onlyThumb.add(Player.Known.key(Pitch.parse("Bb4"), "Tb 1 | Eb"));
    Player learner = Player.of(setup, Map.of(), Set.of(), Optional.of(new Player.Known(onlyThumb)));
    for (Player p : List.of(Player.able(setup), learner)) {
      for (Plan.PlannedMove m : Planner.plan(line, p).moves()) {
        assertEquals(m.move().slides(), List.of(), m.from() + " to " + m.to());
      }
    }
  }

  @Test
  public void anEmptyLineGivesAnEmptyPlan() {
    Plan plan = Planner.plan(new Line(1, "1", List.of()), Player.able(setup("flute")));
    assertEquals(plan.notes(), List.of());
    assertEquals(plan.cost(), 0.0);
  }

  /** The quick sums that are searched, against the itemised ones that reasons are told from. */
  @Test(dataProvider = "instruments")
  public void whatIsSearchedIsWhatIsTold(String id) {
    Setup setup = setup(id);
    Player player = Player.able(setup);
    Line line = random(setup, new Random(17), 60);
    List<Context> contexts =
        Context.of(line.notes(), Succession.asPrinted(line.notes()), player.style());
    Layers layers = new Layers(player);
    for (int i = 0; i < contexts.size(); i++) {
      Note n = line.notes().get(i);
      Layer layer = layers.of(n.pitch().midi());
      long[] prices = layer.prices(contexts.get(i));
      for (int w = 0; w < layer.ways.size(); w++) {
        assertEquals(
            prices[layer.priceOf[w]] / 1024.0,
            price(layer.ways.get(w), layer.ways, contexts.get(i), player),
            1.0 / 1024,
            n.pitch() + " " + layer.ways.get(w).fingering());
      }
      if (i > 0) {
        Effort.Pace pace = Effort.Pace.between(line.notes().get(i - 1), n);
        Setup.Way from = setup.ways(line.notes().get(i - 1).pitch()).get(0);
        for (Setup.Way to : layer.ways) {
          Tally told = Tally.itemised();
          Effort.of(Moves.between(setup, from, to)).tell(pace, told);
          assertEquals(
              Effort.of(Moves.between(setup, from, to)).cost(pace) / 1024.0,
              told.total(),
              1.0 / 1024,
              from.fingering() + " to " + to.fingering());
        }
      }
    }
  }

  @Test(dataProvider = "instruments")
  public void theCostAloneIsThePlansCost(String id) {
    Setup setup = setup(id);
    Player player = Player.able(setup);
    for (int seed = 0; seed < 20; seed++) {
      Line line = random(setup, new Random(seed), 30);
      assertEquals(Planner.cost(line, player), Planner.plan(line, player).cost(), 0.0);
    }
    assertEquals(Planner.cost(new Line(1, "1", List.of()), player), 0.0);
  }

  /** Each slip lasts as long as the pace lets it. */
  @Test
  public void whatSlipsOutIsToldTheEasiestToHearFirstAtThePaceOfTheChange() {
    Plan plan =
        Planner.plan(
            Phrase.of("tempo=120: ( *C5/16 D5/16 B4/16 Bb4/16 A4/16 )").line(),
            Player.able(setup("flute")));
    int several = 0;
    for (Plan.PlannedMove m : plan.moves()) {
      double before = Double.POSITIVE_INFINITY;
      for (Move.Slip slip : m.slips()) {
        assertTrue(slip.audible(m.seconds()) <= before, m + " " + slip);
        before = slip.audible(m.seconds());
      }
      several += m.slips().size() > 1 ? 1 : 0;
    }
    assertTrue(several > 0, "some change lets several notes out");
  }
}
