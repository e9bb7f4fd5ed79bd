package sempre.core.search;

import static org.testng.Assert.assertEquals;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The search beside the dullest of all searches: every path written out. */
public class SearchTest {
  private static final int LAYERS = 5;

  /** A graph of a few layers with small costs, so that many paths cost the same. */
  private record Small(int[] sizes, long[][] costs, long[][][] changes) implements Layered {
    static Small of(long seed) {
      Random r = new Random(seed);
      int[] sizes = r.ints(LAYERS, 1, 5).toArray();
      long[][] costs = new long[LAYERS][];
      long[][][] changes = new long[LAYERS][][];
      for (int i = 0; i < LAYERS; i++) {
        costs[i] = r.longs(sizes[i], 0, 4).toArray();
        if (i > 0) {
          changes[i] = new long[sizes[i - 1]][];
          for (int s = 0; s < sizes[i - 1]; s++) {
            changes[i][s] = r.longs(sizes[i], 0, 6).map(c -> c == 5 ? FAR : c).toArray();
          }
        }
      }
      return new Small(sizes, costs, changes);
    }

    @Override
    public int layers() {
      return sizes.length;
    }

    @Override
    public int states(int layer) {
      return sizes[layer];
    }

    @Override
    public long cost(int layer, int state) {
      return costs[layer][state];
    }

    @Override
    public void changes(int layer, int from, long[] into) {
      System.arraycopy(changes[layer][from], 0, into, 0, into.length);
    }

    @Override
    public int kind(int layer, int state) {
      return state / 2;
    }

    /** All paths that can be taken, the cheapest first, of equals the one with earlier states. */
    List<BestPaths.Path> all() {
      List<BestPaths.Path> all = new ArrayList<>(List.of(new BestPaths.Path(0, new int[0])));
      for (int i = 0; i < LAYERS; i++) {
        List<BestPaths.Path> longer = new ArrayList<>();
        for (BestPaths.Path p : all) {
          for (int s = 0; s < sizes[i]; s++) {
            long change = i == 0 ? 0 : changes[i][p.states()[i - 1]][s];
            if (change < FAR) {
              int[] states = IntStream.concat(IntStream.of(p.states()), IntStream.of(s)).toArray();
              longer.add(new BestPaths.Path(p.cost() + change + costs[i][s], states));
            }
          }
        }
        all = longer;
      }
      all.sort(Comparator.comparingLong(BestPaths.Path::cost));
      return all;
    }

    List<Integer> kinds(int[] states) {
      return IntStream.range(0, LAYERS).mapToObj(i -> kind(i, states[i])).toList();
    }
  }

  @DataProvider
  Object[] graphs() {
    return IntStream.range(0, 60).mapToObj(Small::of).filter(g -> !g.all().isEmpty()).toArray();
  }

  @Test(dataProvider = "graphs")
  public void theCheapestThroughEveryStateIsTheCheapestOfAllThatGoThroughIt(Small graph) {
    BestPath best = BestPath.of(graph);
    List<BestPaths.Path> all = graph.all();
    assertEquals(best.cost(), all.get(0).cost());
    assertEquals(cost(graph, best.states()), best.cost());
    for (int i = 0; i < LAYERS; i++) {
      for (int s = 0; s < graph.sizes[i]; s++) {
        int layer = i;
        int state = s;
        long least =
            all.stream()
                .filter(p -> p.states()[layer] == state)
                .mapToLong(BestPaths.Path::cost)
                .min()
                .orElse(Layered.FAR);
        assertEquals(Math.min(Layered.FAR, best.through(i, s)), least);
        if (least < Layered.FAR) {
          int[] path = best.states();
          BestPath.Bypass b = best.bypass(i, s, path);
          System.arraycopy(b.states(), 0, path, b.from(), b.states().length);
          assertEquals(path[i], s);
          assertEquals(cost(graph, path), least);
        }
      }
    }
  }

  @Test(dataProvider = "graphs")
  public void theBestPathsComeInOrderAndOneOfEachKind(Small graph) {
    Set<List<Integer>> kinds = new HashSet<>();
    List<Long> costs =
        graph.all().stream()
            .filter(p -> kinds.add(graph.kinds(p.states())))
            .map(BestPaths.Path::cost)
            .limit(8)
            .toList();
    List<BestPaths.Path> found = BestPaths.of(BestPath.of(graph), 8);
    assertEquals(found.stream().map(BestPaths.Path::cost).toList(), costs);
    assertEquals(found.stream().map(p -> graph.kinds(p.states())).distinct().count(), found.size());
    found.forEach(p -> assertEquals(cost(graph, p.states()), p.cost()));
  }

  @Test(dataProvider = "graphs")
  public void anotherLayerInOnePlaceNeedsNoNewSearch(Small graph) {
    long[][] costs = graph.costs.clone();
    for (int i = 0; i < LAYERS; i++) {
      long[][] with = costs.clone();
      with[i] = new long[costs[i].length];
      Small other = new Small(graph.sizes, with, graph.changes);
      BestPath anew = BestPath.of(other);
      long[] through = BestPath.of(graph).through(other, i);
      for (int s = 0; s < through.length; s++) {
        assertEquals(Math.min(Layered.FAR, through[s]), Math.min(Layered.FAR, anew.through(i, s)));
      }
    }
  }

  private static long cost(Small graph, int[] states) {
    long cost = graph.costs[0][states[0]];
    for (int i = 1; i < LAYERS; i++) {
      cost += graph.changes[i][states[i - 1]][states[i]] + graph.costs[i][states[i]];
    }
    return cost;
  }
}
