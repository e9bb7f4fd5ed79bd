package sempre.core.planning;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import sempre.core.score.Note;

/**
 * The cheapest path through the layers of a line, one state for each way (and, with a slide, for
 * the direction from which it arrives). All costs are whole numbers of 1/1024, so that they add
 * exactly; of equal paths the one with the earlier ways is taken. Time and memory grow with the
 * number of notes.
 */
final class Route {
  static final int SLIDE_DIRECTIONS = 3;
  private static final long FAR = Long.MAX_VALUE / 4;

  final List<Layer> layers;
  final List<Context> contexts;
  final int directions;
  private final Network network;
  private final List<Effort.Pace> paces;
  private final long[][] prices;
  private final long[][] forward;
  private final int[][] before;
  private long[][] backward;

  /** Looks for the cheapest path. There must be at least one note. */
  Route(Player player, List<Note> notes, List<Layer> layers, List<Context> contexts) {
    this.layers = layers;
    this.contexts = contexts;
    this.directions = player.setup().instrument().slide().isPresent() ? SLIDE_DIRECTIONS : 1;
    this.network = Network.of(player.setup());
    int n = notes.size();
    paces = new ArrayList<>(n);
    prices = new long[n][];
    forward = new long[n][];
    before = new int[n][];
    for (int i = 0; i < n; i++) {
      paces.add(i == 0 ? null : Effort.Pace.between(notes.get(i - 1), notes.get(i)));
      prices[i] = layers.get(i).prices(contexts.get(i));
      int states = layers.get(i).index.length * directions;
      forward[i] = new long[states];
      before[i] = new int[states];
      if (i == 0) {
        start();
      } else {
        step(i);
      }
    }
  }

  private void start() {
    Layer first = layers.get(0);
    Arrays.fill(forward[0], FAR);
    for (int w = 0; w < first.index.length; w++) {
      forward[0][w * directions + directions / 2] = prices[0][first.priceOf[w]];
    }
  }

  private void step(int i) {
    Layer a = layers.get(i - 1);
    Layer b = layers.get(i);
    Network.Pair pair = network.pair(a.midi, b.midi);
    Effort.Pace pace = paces.get(i);
    long[] from = forward[i - 1];
    long[] to = forward[i];
    int[] back = before[i];
    Arrays.fill(to, FAR);
    if (directions == 1) {
      long[] costs = new long[to.length];
      for (int v = 0; v < from.length; v++) {
        pair.costs(a.index[v] * pair.to, b.index, pace, from[v], costs);
        for (int w = 0; w < to.length; w++) {
          if (costs[w] < to[w]) {
            to[w] = costs[w];
            back[w] = v;
          }
        }
      }
      for (int w = 0; w < to.length; w++) {
        to[w] += prices[i][b.priceOf[w]];
      }
      return;
    }
    for (int s = 0; s < from.length; s++) {
      if (from[s] >= FAR) {
        continue;
      }
      for (int w = 0; w < b.index.length; w++) {
        int t = target(i, s, w);
        long cost = from[s] + change(i, s, w) + prices[i][b.priceOf[w]];
        if (cost < to[t]) {
          to[t] = cost;
          back[t] = s;
        }
      }
    }
  }

  /** What the change from a state of note i - 1 to a way of note i costs, in 1/1024. */
  long change(int i, int state, int way) {
    return change(layers.get(i - 1), layers.get(i), paces.get(i), state, way);
  }

  private long change(Layer a, Layer b, Effort.Pace pace, int state, int way) {
    Network.Pair pair = network.pair(a.midi, b.midi);
    int at = a.index[state / directions] * pair.to + b.index[way];
    int arrived = state % directions - directions / 2;
    return pair.cost(at, arrived, pace);
  }

  /** The state of note i that a way reached from a state of the note before is in. */
  int target(int i, int state, int way) {
    return target(layers.get(i - 1), layers.get(i), paces.get(i), state, way);
  }

  private int target(Layer a, Layer b, Effort.Pace pace, int state, int way) {
    if (directions == 1) {
      return way;
    }
    if (pace.free()) {
      return way * directions + directions / 2;
    }
    Network.Pair pair = network.pair(a.midi, b.midi);
    int at = a.index[state / directions] * pair.to + b.index[way];
    return way * directions + pair.outward(at) + directions / 2;
  }

  /**
   * The cost of the cheapest path through each way of another layer in the place of note i, in
   * 1/1024: what lies before and after is known, so only the two changes are worked out.
   */
  long[] through(int i, Layer other) {
    long[] own = other.prices(contexts.get(i));
    long[] through = new long[other.index.length];
    for (int w = 0; w < through.length; w++) {
      long[] reached = new long[directions];
      Arrays.fill(reached, FAR);
      if (i == 0) {
        reached[directions / 2] = 0;
      } else {
        Layer a = layers.get(i - 1);
        for (int s = 0; s < forward[i - 1].length; s++) {
          int d = target(a, other, paces.get(i), s, w) % directions;
          reached[d] =
              Math.min(reached[d], forward[i - 1][s] + change(a, other, paces.get(i), s, w));
        }
      }
      through[w] = FAR;
      for (int d = 0; d < directions; d++) {
        if (reached[d] < FAR) {
          long all = reached[d] + own[other.priceOf[w]] + rest(i, other, w * directions + d);
          through[w] = Math.min(through[w], all);
        }
      }
    }
    return through;
  }

  /** What is left to the end from a state of another layer in the place of note i. */
  private long rest(int i, Layer other, int state) {
    if (i == forward.length - 1) {
      return 0;
    }
    Layer next = layers.get(i + 1);
    long least = FAR;
    for (int w = 0; w < next.index.length; w++) {
      long cost =
          change(other, next, paces.get(i + 1), state, w)
              + price(i + 1, w)
              + rest(i + 1, target(other, next, paces.get(i + 1), state, w));
      least = Math.min(least, cost);
    }
    return least;
  }

  long price(int i, int way) {
    return prices[i][layers.get(i).priceOf[way]];
  }

  Effort.Pace pace(int i) {
    return paces.get(i);
  }

  /** The cost of the cheapest path, in 1/1024. */
  long cost() {
    long[] end = forward[forward.length - 1];
    return end[least(end)];
  }

  /** The way of each note on the cheapest path. */
  int[] chosen() {
    int[] chosen = states();
    for (int i = 0; i < chosen.length; i++) {
      chosen[i] /= directions;
    }
    return chosen;
  }

  /** The state of each note on the cheapest path. */
  int[] states() {
    int last = forward.length - 1;
    int[] states = new int[last + 1];
    states[last] = least(forward[last]);
    for (int i = last; i > 0; i--) {
      states[i - 1] = before[i][states[i]];
    }
    return states;
  }

  /** The state of each note on the cheapest path through a way of note i. */
  int[] states(int i, int way) {
    int[] states = states();
    Bypass b = bypass(i, way, states);
    System.arraycopy(b.states(), 0, states, b.from(), b.states().length);
    return states;
  }

  /**
   * A stretch of a path that leaves another one and comes back to it.
   *
   * @param from the first note that is in another state
   * @param states from there on
   */
  record Bypass(int from, int[] states) {}

  /** The cheapest path through a way of note i, as far as it differs from another path. */
  Bypass bypass(int i, int way, int[] other) {
    int state = way * directions;
    for (int s = state; s < (way + 1) * directions; s++) {
      state = forward[i][s] + rest(i, s) < forward[i][state] + rest(i, state) ? s : state;
    }
    ArrayDeque<Integer> states = new ArrayDeque<>();
    states.add(state);
    int from = i;
    for (int s = state; from > 0; from--) {
      s = before[from][s];
      if (s == other[from - 1]) {
        break;
      }
      states.addFirst(s);
    }
    for (int j = i + 1; j < forward.length; j++) {
      state = target(j, state, onward(j, state));
      if (state == other[j]) {
        break;
      }
      states.addLast(state);
    }
    return new Bypass(from, states.stream().mapToInt(Integer::intValue).toArray());
  }

  /** The way of note j on the cheapest path to the end from a state of the note before. */
  int onward(int j, int state) {
    int best = 0;
    long least = FAR;
    for (int w = 0; w < layers.get(j).index.length; w++) {
      long cost = change(j, state, w) + price(j, w) + rest(j, target(j, state, w));
      if (cost < least) {
        least = cost;
        best = w;
      }
    }
    return best;
  }

  /** The cost of the cheapest path through a way of note i, in 1/1024. */
  long through(int i, int way) {
    long least = FAR;
    for (int d = 0; d < directions; d++) {
      int s = way * directions + d;
      least = Math.min(least, forward[i][s] + rest(i, s));
    }
    return least;
  }

  /** What is left to the end from a state of note i, in 1/1024. */
  long rest(int i, int state) {
    if (backward == null) {
      searchBack();
    }
    return backward[i][state];
  }

  private void searchBack() {
    int n = forward.length;
    long[][] all = new long[n][];
    all[n - 1] = new long[forward[n - 1].length];
    for (int i = n - 1; i > 0; i--) {
      long[] to = new long[forward[i - 1].length];
      Arrays.fill(to, FAR);
      for (int s = 0; s < to.length; s++) {
        for (int w = 0; w < layers.get(i).index.length; w++) {
          long cost = change(i, s, w) + price(i, w) + all[i][target(i, s, w)];
          to[s] = Math.min(to[s], cost);
        }
      }
      all[i - 1] = to;
    }
    backward = all;
  }

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
