package sempre.core.search;

import java.util.ArrayDeque;
import java.util.Arrays;
import sempre.core.Deadline;

/**
 * The cheapest path through a {@link Layered} graph, and the cheapest through each single state:
 * one pass forwards and, when it is first asked for, one backwards, as in the Viterbi algorithm (A.
 * J. Viterbi, IEEE Trans. Inf. Theory 13, 1967). Of equal paths the one with the earlier states is
 * taken. Time and memory grow with the number of layers.
 */
public final class BestPath {
  private final Layered graph;
  private final long[][] forward;
  private final int[][] before;
  private long[][] backward;

  private BestPath(Layered graph) {
    this.graph = graph;
    int n = graph.layers();
    forward = new long[n][];
    before = new int[n][];
    for (int i = 0; i < n; i++) {
      before[i] = new int[graph.states(i)];
      forward[i] = step(graph, i, i == 0 ? null : forward[i - 1], before[i]);
    }
  }

  /** Looks for the cheapest path. */
  public static BestPath of(Layered graph) {
    return new BestPath(graph);
  }

  /**
   * What the cheapest path to each state of a layer costs, from what the paths to the layer before
   * cost.
   *
   * @param before is filled with the state from which each is reached
   */
  static long[] step(Layered graph, int layer, long[] known, int[] before) {
    Deadline.check();
    long[] reached = new long[before.length];
    if (layer == 0) {
      for (int t = 0; t < reached.length; t++) {
        reached[t] = graph.cost(0, t);
      }
      return reached;
    }
    Arrays.fill(reached, Layered.FAR);
    long[] changes = new long[reached.length];
    for (int s = 0; s < known.length; s++) {
      long so = known[s];
      if (so >= Layered.FAR) {
        continue;
      }
      graph.changes(layer, s, changes);
      for (int t = 0; t < reached.length; t++) {
        long cost = so + changes[t];
        if (cost < reached[t]) {
          reached[t] = cost;
          before[t] = s;
        }
      }
    }
    for (int t = 0; t < reached.length; t++) {
      reached[t] = Math.min(Layered.FAR, reached[t] + graph.cost(layer, t));
    }
    return reached;
  }

  /** The graph that was searched. */
  Layered graph() {
    return graph;
  }

  /** What the cheapest path costs; {@link Layered#FAR} where none can be taken. */
  public long cost() {
    long[] end = forward[forward.length - 1];
    return end[least(end)];
  }

  /** The state of each layer on the cheapest path. */
  public int[] states() {
    int last = forward.length - 1;
    int[] states = new int[last + 1];
    states[last] = least(forward[last]);
    for (int i = last; i > 0; i--) {
      states[i - 1] = before[i][states[i]];
    }
    return states;
  }

  /** What the cheapest path through a state costs. */
  public long through(int layer, int state) {
    return forward[layer][state] + rest(layer, state);
  }

  /**
   * What the cheapest path costs through each state of a layer that stands in the place of the
   * graph's own: what lies before and after is known, so only two changes are worked out.
   *
   * @param other the same graph but for one layer
   * @param layer where it differs
   */
  public long[] through(Layered other, int layer) {
    int[] ignored = new int[other.states(layer)];
    long[] through = step(other, layer, layer == 0 ? null : forward[layer - 1], ignored);
    if (layer < forward.length - 1) {
      long[] changes = new long[other.states(layer + 1)];
      for (int s = 0; s < through.length; s++) {
        through[s] = Math.min(Layered.FAR, through[s] + onwards(other, layer + 1, s, changes));
      }
    }
    return through;
  }

  /** What the cheapest way costs from a state of the layer before to the end. */
  private long onwards(Layered other, int layer, int from, long[] changes) {
    other.changes(layer, from, changes);
    long least = Layered.FAR;
    for (int t = 0; t < changes.length; t++) {
      least = Math.min(least, changes[t] + other.cost(layer, t) + rest(layer, t));
    }
    return least;
  }

  /** What is left to pay from a state to the end, without the state itself. */
  public long rest(int layer, int state) {
    if (backward == null) {
      searchBack();
    }
    return backward[layer][state];
  }

  private void searchBack() {
    int n = forward.length;
    backward = new long[n][];
    backward[n - 1] = new long[forward[n - 1].length];
    for (int i = n - 1; i > 0; i--) {
      long[] changes = new long[forward[i].length];
      long[] to = new long[forward[i - 1].length];
      for (int s = 0; s < to.length; s++) {
        to[s] = onwards(graph, i, s, changes);
      }
      backward[i - 1] = to;
    }
  }

  /** The state of a layer on the cheapest path to the end from a state of the layer before. */
  public int onward(int layer, int from) {
    long[] changes = new long[forward[layer].length];
    graph.changes(layer, from, changes);
    for (int t = 0; t < changes.length; t++) {
      changes[t] += graph.cost(layer, t) + rest(layer, t);
    }
    return least(changes);
  }

  /**
   * A stretch of a path that leaves another one and comes back to it.
   *
   * @param from the first layer where it is in another state
   * @param states from there on
   */
  public record Bypass(int from, int[] states) {}

  /** The cheapest path through a state of a layer, as far as it differs from another path. */
  public Bypass bypass(int layer, int state, int[] other) {
    ArrayDeque<Integer> states = new ArrayDeque<>();
    states.add(state);
    int from = layer;
    for (int s = state; from > 0; from--) {
      s = before[from][s];
      if (s == other[from - 1]) {
        break;
      }
      states.addFirst(s);
    }
    int now = state;
    for (int j = layer + 1; j < forward.length; j++) {
      now = onward(j, now);
      if (now == other[j]) {
        break;
      }
      states.addLast(now);
    }
    return new Bypass(from, states.stream().mapToInt(Integer::intValue).toArray());
  }

  /** The first of the least. */
  private static int least(long[] costs) {
    int best = 0;
    for (int s = 1; s < costs.length; s++) {
      if (costs[s] < costs[best]) {
        best = s;
      }
    }
    return best;
  }
}
