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

  /** A part of all paths: those that leave {@code prefix} at a note, and its best one. */
  private record Part(long cost, int[] ways, int leaves, Set<Integer> forbidden, int number) {}

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
    parts.add(new Part(route.cost(), route.chosen(), 0, Set.of(), number++));
    List<Path> found = new ArrayList<>();
    while (!parts.isEmpty() && found.size() < count) {
      Part best = parts.poll();
      found.add(new Path(best.cost(), best.ways()));
      split(best, parts);
    }
    return found;
  }

  private int entry(int note, int way) {
    return route.layers.get(note).entryOf[way];
  }

  private void split(Part part, PriorityQueue<Part> parts) {
    int n = route.layers.size();
    int d = route.directions;
    // cheapest ways along the path's own entries, up to each note
    long[][] along = new long[n][];
    int[][] back = new int[n][];
    for (int i = 0; i < n; i++) {
      if (i >= part.leaves()) {
        Set<Integer> forbidden = new HashSet<>();
        forbidden.add(entry(i, part.ways()[i]));
        if (i == part.leaves()) {
          forbidden.addAll(part.forbidden());
        }
        Part other = leaving(part.ways(), along, back, i, forbidden);
        if (other != null) {
          parts.add(other);
        }
      }
      int states = route.layers.get(i).index.length * d;
      along[i] = new long[states];
      back[i] = new int[states];
      Arrays.fill(along[i], FAR);
      int own = entry(i, part.ways()[i]);
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
    int[] path = ways.clone();
    int state = best;
    for (int j = i; j >= 0; j--) {
      path[j] = state / route.directions;
      state = back[j][state];
    }
    state = best;
    for (int j = i + 1; j < path.length; j++) {
      path[j] = onward(j, state);
      state = route.target(j, state, path[j]);
    }
    return new Part(least, path, i, forbidden, number++);
  }

  /** The way of note j on the cheapest path to the end from a state of the note before. */
  private int onward(int j, int state) {
    int best = 0;
    long least = FAR;
    for (int w = 0; w < route.layers.get(j).index.length; w++) {
      long cost =
          route.change(j, state, w) + route.price(j, w) + route.rest(j, route.target(j, state, w));
      if (cost < least) {
        least = cost;
        best = w;
      }
    }
    return best;
  }
}
