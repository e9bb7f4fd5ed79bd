package sempre.core.planning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.PriorityQueue;
import java.util.Set;

/**
 * The cheapest paths of a {@link Route} in order, each with other fingerings than those before it
 * (paths that differ in free controls only are one). Every found path is split into the paths that
 * leave it first at each of its notes (E. L. Lawler, Management Science 18, 1972); since what is
 * left to the end is known from every state, the best of each part is found without a new search.
 */
final class BestRoutes {
  private static final long FAR = Long.MAX_VALUE / 4;

  /**
   * One path.
   *
   * @param cost in 1/1024
   * @param ways the way of each note in its layer
   */
  record Path(long cost, int[] ways) {}

  /**
   * A part of all paths, with its best one: those that follow a path and leave it at a note. The
   * best one is written out only when its turn comes, so that memory grows with the notes alone.
   *
   * @param from the path that is left
   * @param state of the note where it is left
   * @param before the state of the note before that
   * @param back how the notes before were reached along the path
   */
  private record Part(
      long cost,
      int[] from,
      int leaves,
      int state,
      int before,
      int[][] back,
      Set<Integer> forbidden,
      int number) {}

  private final Route route;
  private int number;

  private BestRoutes(Route route) {
    this.route = route;
  }

  /** The best paths, cheapest first; fewer when there are not so many. */
  static List<Path> of(Route route, int count) {
    return new BestRoutes(route).best(count);
  }

  private List<Path> best(int count) {
    // of equal cost the one found first, so that the order never depends on anything else
    PriorityQueue<Part> parts =
        new PriorityQueue<>(Comparator.comparingLong(Part::cost).thenComparingInt(Part::number));
    List<Path> found = new ArrayList<>();
    found.add(new Path(route.cost(), route.chosen()));
    split(found.get(0), 0, Set.of(), parts, count - 1);
    while (!parts.isEmpty() && found.size() < count) {
      Part best = parts.poll();
      Path path = new Path(best.cost(), ways(best));
      found.add(path);
      split(path, best.leaves(), best.forbidden(), parts, count - found.size());
    }
    return found;
  }

  private int entry(int note, int way) {
    return route.layers.get(note).entryOf[way];
  }

  private void split(
      Path path, int leaves, Set<Integer> taken, PriorityQueue<Part> parts, int wanted) {
    if (wanted < 1) {
      return;
    }
    int n = route.layers.size();
    int d = route.directions;
    // cheapest ways along the path's own entries, up to each note
    long[][] along = new long[n][];
    int[][] back = new int[n][];
    for (int i = 0; i < n; i++) {
      if (i >= leaves) {
        Set<Integer> forbidden = new HashSet<>();
        forbidden.add(entry(i, path.ways()[i]));
        if (i == leaves) {
          forbidden.addAll(taken);
        }
        Part other = leaving(path.ways(), along, back, i, forbidden);
        if (other != null) {
          parts.add(other);
        }
      }
      int states = route.layers.get(i).index.length * d;
      along[i] = new long[states];
      back[i] = new int[states];
      Arrays.fill(along[i], FAR);
      int own = entry(i, path.ways()[i]);
      for (int w = 0; w < route.layers.get(i).index.length; w++) {
        if (entry(i, w) == own) {
          reach(along, back, i, w);
        }
      }
    }
  }

  /** Reaches a way of note i from what is known of the note before. */
  private void reach(long[][] along, int[][] back, int i, int w) {
    if (i == 0) {
      along[0][w * route.directions + route.directions / 2] = route.price(0, w);
      return;
    }
    for (int s = 0; s < along[i - 1].length; s++) {
      if (along[i - 1][s] >= FAR) {
        continue;
      }
      long cost = along[i - 1][s] + route.change(i, s, w) + route.price(i, w);
      int t = route.target(i, s, w);
      if (cost < along[i][t]) {
        along[i][t] = cost;
        back[i][t] = s;
      }
    }
  }

  /** The best path that follows the entries up to note i and there takes none of the forbidden. */
  private Part leaving(int[] ways, long[][] along, int[][] back, int i, Set<Integer> forbidden) {
    int states = route.layers.get(i).index.length * route.directions;
    along[i] = new long[states];
    back[i] = new int[states];
    Arrays.fill(along[i], FAR);
    for (int w = 0; w < route.layers.get(i).index.length; w++) {
      if (!forbidden.contains(entry(i, w))) {
        reach(along, back, i, w);
      }
    }
    int best = -1;
    long least = FAR;
    for (int s = 0; s < states; s++) {
      if (along[i][s] < FAR && along[i][s] + route.rest(i, s) < least) {
        least = along[i][s] + route.rest(i, s);
        best = s;
      }
    }
    if (best < 0) {
      return null;
    }
    return new Part(least, ways, i, best, back[i][best], back, forbidden, number++);
  }

  /** The ways of the best path of a part. */
  private int[] ways(Part part) {
    int[] path = part.from().clone();
    int i = part.leaves();
    path[i] = part.state() / route.directions;
    int state = part.before();
    for (int j = i - 1; j >= 0; j--) {
      path[j] = state / route.directions;
      state = part.back()[j][state];
    }
    state = part.state();
    for (int j = i + 1; j < path.length; j++) {
      path[j] = route.onward(j, state);
      state = route.target(j, state, path[j]);
    }
    return path;
  }
}
