package sempre.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.jgrapht.alg.shortestpath.DijkstraShortestPath;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleDirectedWeightedGraph;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OperationsPerInvocation;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import sempre.core.instrument.Catalogue;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Dynamic;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Ornament;

/**
 * The planner's search on a part of 1,000 notes, in time and allocation a note, against a graph
 * library's Dijkstra on a graph of the same shape and costs, which is built beforehand.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.NANOSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class PlanBenchmark {
  private static final int NOTES = 1000;
  private static final int LONG = 10_000;

  /** An instrument, and behind a colon a range: over the break every note has a dozen holds. */
  @Param({
    "flute",
    "alto-sax",
    "clarinet",
    "clarinet:G4-C5",
    "bassoon",
    "trumpet",
    "horn",
    "trombone"
  })
  private String instrument;

  private Line line;
  private Line longLine;
  private Player player;
  private SimpleDirectedWeightedGraph<Integer, DefaultWeightedEdge> graph;
  private int end;

  @Setup
  public void prepare() {
    var setup = Catalogue.standard().setup(instrument.replaceAll(":.*", ""), Map.of());
    player = Player.able(setup);
    int low = setup.lowest().midi() + 3;
    int span = setup.highest().midi() - low - 6;
    if (instrument.contains(":")) {
      String[] range = instrument.replaceAll(".*:", "").split("-");
      low = Pitch.parse(range[0]).midi();
      span = Pitch.parse(range[1]).midi() - low + 1;
    }
    line = walk(setup, NOTES, low, span);
    longLine = walk(setup, LONG, low, span);
    graph = build(setup);
  }

  /** A graph of the shape of the part; the costs do not matter for the time it takes. */
  private SimpleDirectedWeightedGraph<Integer, DefaultWeightedEdge> build(
      sempre.core.instrument.Setup setup) {
    SimpleDirectedWeightedGraph<Integer, DefaultWeightedEdge> g =
        new SimpleDirectedWeightedGraph<>(DefaultWeightedEdge.class);
    g.addVertex(0);
    List<Integer> before = List.of(0);
    int next = 1;
    for (Note n : line.notes()) {
      int ways = setup.ways(n.pitch()).size() * (setup.instrument().slide().isPresent() ? 3 : 1);
      List<Integer> layer = new ArrayList<>();
      for (int w = 0; w < ways; w++) {
        g.addVertex(next);
        for (int b : before) {
          g.setEdgeWeight(g.addEdge(b, next), 1 + (next * 31 + b * 17) % 100 / 10.0);
        }
        layer.add(next++);
      }
      before = layer;
    }
    end = next;
    g.addVertex(end);
    before.forEach(b -> g.setEdgeWeight(g.addEdge(b, end), 0));
    return g;
  }

  /** A walk over the middle of the range, the same every time. */
  static Line walk(sempre.core.instrument.Setup setup, int count, int low, int span) {
    List<Note> notes = new ArrayList<>();
    int step = 0;
    for (int i = 0; i < count; i++) {
      step += (i * 7 + i / 8 * 5) % 9 - 4;
      int midi = low + Math.floorMod(step, span);
      while (setup.ways(midi).isEmpty()) {
        midi--;
      }
      notes.add(
          new Note(
              "n" + i,
              List.of(),
              i / 8,
              1 + i % 8 * 0.5,
              i * 0.5,
              0.5,
              Pitch.usual(midi),
              false,
              i % 3 != 0,
              Dynamic.MF,
              120,
              new KeySignature(-2),
              Ornament.NONE,
              false,
              false,
              ""));
    }
    return new Line(1, "1", notes);
  }

  @Benchmark
  @OperationsPerInvocation(NOTES)
  public double searchPerNote() {
    return Planner.cost(line, player);
  }

  @Benchmark
  @OperationsPerInvocation(NOTES)
  public double graphLibraryPerNote() {
    return new DijkstraShortestPath<>(graph).getPathWeight(0, end);
  }

  /** With the graph built for the part, as the planner's own layers are. */
  @Benchmark
  @OperationsPerInvocation(NOTES)
  public double graphLibraryBuildAndSearchPerNote() {
    return new DijkstraShortestPath<>(build(player.setup())).getPathWeight(0, end);
  }

  @Benchmark
  @OperationsPerInvocation(LONG)
  public double longPartPerNote() {
    return Planner.cost(longLine, player);
  }
}
