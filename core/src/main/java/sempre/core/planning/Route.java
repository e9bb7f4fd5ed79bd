package sempre.core.planning;

import java.util.Arrays;
import java.util.List;
import sempre.core.search.BestPath;
import sempre.core.search.BestPaths;
import sempre.core.search.Layered;

/**
 * The cheapest path through the layers of a line, one state for each way (and, with a slide, for
 * the direction from which it arrives). All costs are whole numbers of 1/1024; of equal paths the
 * one with the earlier ways is taken.
 */
final class Route {
  static final int SLIDE_DIRECTIONS = 3;

  final List<Layer> layers;
  final List<Context> contexts;
  final int directions;
  private final Network network;
  private final List<Effort.Pace> paces;
  private final long[][] prices;
  private final Jumps jumps;
  private final BestPath best;

  /** Looks for the cheapest path where no sign leads elsewhere. There must be at least one note. */
  Route(Player player, List<Effort.Pace> paces, List<Layer> layers, List<Context> contexts) {
    this(player, paces, layers, contexts, Jumps.NONE);
  }

  /**
   * Looks for the cheapest path.
   *
   * @param paces to each note from the one before
   */
  Route(
      Player player,
      List<Effort.Pace> paces,
      List<Layer> layers,
      List<Context> contexts,
      Jumps jumps) {
    this.jumps = jumps;
    this.paces = paces;
    this.layers = layers;
    this.contexts = contexts;
    this.directions = player.setup().instrument().slide().isPresent() ? SLIDE_DIRECTIONS : 1;
    this.network = Network.of(player.setup());
    prices = new long[layers.size()][];
    for (int i = 0; i < prices.length; i++) {
      prices[i] = layers.get(i).prices(contexts.get(i));
    }
    best = BestPath.of(new Ways(-1, null, null));
  }

  /** The line as the search sees it, with another layer in one place where one is given. */
  private final class Ways implements Layered {
    private final int place;
    private final Layer layer;
    private final long[] own;

    Ways(int place, Layer layer, long[] own) {
      this.place = place;
      this.layer = layer;
      this.own = own;
    }

    private Layer layer(int i) {
      return i == place ? layer : layers.get(i);
    }

    @Override
    public int layers() {
      return layers.size();
    }

    @Override
    public int states(int i) {
      return layer(i).index.length * directions;
    }

    @Override
    public long cost(int i, int state) {
      long[] here = i == place ? own : prices[i];
      if (directions == 1) {
        return paid(i, state, here);
      }
      return i == 0 && state % directions != directions / 2
          ? FAR
          : paid(i, state / directions, here);
    }

    private long paid(int i, int way, long[] here) {
      Layer layer = layer(i);
      long price = here[layer.priceOf[way]];
      return jumps == Jumps.NONE ? price : Math.min(FAR, price + jumps.cost(i, layer.index[way]));
    }

    @Override
    public void changes(int i, int from, long[] into) {
      Layer a = layer(i - 1);
      Layer b = layer(i);
      Effort.Pace pace = paces.get(i);
      Network.Pair pair = network.pair(a.midi, b.midi);
      if (directions == 1) {
        pair.costs(a.index[from] * pair.to, b.index, pace, into);
        return;
      }
      int row = a.index[from / directions] * pair.to;
      int arrived = from % directions - directions / 2;
      Arrays.fill(into, FAR);
      for (int w = 0; w < b.index.length; w++) {
        int at = row + b.index[w];
        int outward = pace.free() ? 0 : pair.outward(at);
        into[w * directions + outward + directions / 2] = pair.cost(at, arrived, pace);
      }
    }

    @Override
    public int kind(int i, int state) {
      return layer(i).entryOf[state / directions];
    }
  }

  /**
   * The cost of the cheapest path through each way of a layer in the place of note i, in 1/1024.
   *
   * @param other the note's own layer, or another one
   */
  long[] through(int i, Layer other) {
    long[] states;
    if (other == layers.get(i)) {
      states = new long[other.index.length * directions];
      Arrays.setAll(states, s -> best.through(i, s));
    } else {
      states = best.through(new Ways(i, other, other.prices(contexts.get(i))), i);
    }
    long[] through = new long[other.index.length];
    Arrays.fill(through, Layered.FAR);
    for (int s = 0; s < states.length; s++) {
      through[s / directions] = Math.min(through[s / directions], states[s]);
    }
    return through;
  }

  /** What is paid over signs that lead elsewhere. */
  Jumps jumps() {
    return jumps;
  }

  /** The same notes, with other layers. */
  Route with(List<Layer> other, Player player) {
    return new Route(player, paces, other, contexts, jumps);
  }

  /** The same notes, with other costs over signs that lead elsewhere. */
  Route over(Jumps other, Player player) {
    return new Route(player, paces, layers, contexts, other);
  }

  /** The pace to note i from the one before on the page. */
  Effort.Pace pace(int i) {
    return paces.get(i);
  }

  /** The cost of the cheapest path, in 1/1024. */
  long cost() {
    return best.cost();
  }

  /** The way of each note on the cheapest path. */
  int[] chosen() {
    return ways(best.states());
  }

  /** The ways of states. */
  private int[] ways(int[] states) {
    return Arrays.stream(states).map(s -> s / directions).toArray();
  }

  /** The state of each note on the cheapest path. */
  int[] states() {
    return best.states();
  }

  /** The state of each note on the cheapest path through a way of note i. */
  int[] states(int i, int way) {
    int[] states = states();
    BestPath.Bypass b = bypass(i, way, states);
    System.arraycopy(b.states(), 0, states, b.from(), b.states().length);
    return states;
  }

  /** The cheapest path through a way of note i, as far as it differs from another path. */
  BestPath.Bypass bypass(int i, int way, int[] other) {
    int state = way * directions;
    for (int s = state; s < (way + 1) * directions; s++) {
      state = best.through(i, s) < best.through(i, state) ? s : state;
    }
    return best.bypass(i, state, other);
  }

  /**
   * The cheapest paths in order, each with another fingering somewhere than those before it; paths
   * that differ in free controls only are one.
   *
   * @param ways the way of each note
   */
  record Whole(long cost, int[] ways) {}

  /** The best paths, cheapest first; fewer when there are not so many. */
  List<Whole> best(int count) {
    return BestPaths.of(best, count).stream()
        .map(p -> new Whole(p.cost(), ways(p.states())))
        .toList();
  }
}
