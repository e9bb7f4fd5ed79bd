package sempre.core.search;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.PriorityQueue;
import java.util.Set;

/**
 * The cheapest paths through a {@link Layered} graph in order, each with a state of another kind
 * somewhere than those before it. Every found path is split into the paths that leave it first at
 * each of its layers (E. L. Lawler, Management Science 18, 1972); since what is left to the end is
 * known from every state, the best of each part is found without a new search.
 */
public final class BestPaths {
  /**
   * One path.
   *
   * @param states the state of each layer
   */
  public record Path(long cost, int[] states) {}

  /**
   * A part of all paths, with its best one: those that follow a path and leave it at a layer. The
   * best one is written out only when its turn comes, so that memory grows with the layers alone.
   *
   * @param from the path that is left
   * @param state of the layer where it is left
   * @param before the state of the layer before that
   * @param back how the layers before were reached along the path
   * @param forbidden the kinds that are not taken where it is left
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

  private final BestPath best;
  private final Layered graph;
  private int number;

  private BestPaths(BestPath best) {
    this.best = best;
    this.graph = best.graph();
  }

  /**
   * The best paths, cheapest first; fewer when there are not so many.
   *
   * @param count 1 or more
   */
  public static List<Path> of(BestPath best, int count) {
    return new BestPaths(best).search(count);
  }

  private List<Path> search(int count) {
    // of equal cost the one found first, so that the order never depends on anything else
    PriorityQueue<Part> parts =
        new PriorityQueue<>(Comparator.comparingLong(Part::cost).thenComparingInt(Part::number));
    List<Path> found = new ArrayList<>();
    found.add(new Path(best.cost(), best.states()));
    split(found.get(0), 0, Set.of(), parts, count - 1);
    while (!parts.isEmpty() && found.size() < count) {
      Part next = parts.poll();
      Path path = new Path(next.cost(), states(next));
      found.add(path);
      split(path, next.leaves(), next.forbidden(), parts, count - found.size());
    }
    return found;
  }

  private void split(
      Path path, int leaves, Set<Integer> taken, PriorityQueue<Part> parts, int wanted) {
    if (wanted < 1) {
      return;
    }
    int n = graph.layers();
    int[][] back = new int[n][];
    // the cheapest ways along the path's own kinds, up to each layer
    long[] along = null;
    for (int i = 0; i < n; i++) {
      back[i] = new int[graph.states(i)];
      long[] reached = BestPath.step(graph, i, along, back[i]);
      int own = graph.kind(i, path.states()[i]);
      if (i >= leaves) {
        Set<Integer> forbidden = new HashSet<>(i == leaves ? taken : Set.of());
        forbidden.add(own);
        leave(path.states(), reached, back, i, forbidden, parts);
      }
      for (int s = 0; s < reached.length; s++) {
        reached[s] = graph.kind(i, s) == own ? reached[s] : Layered.FAR;
      }
      along = reached;
    }
  }

  /** Adds the best path that follows another up to a layer and there takes nothing forbidden. */
  private void leave(
      int[] path,
      long[] reached,
      int[][] back,
      int layer,
      Set<Integer> forbidden,
      PriorityQueue<Part> parts) {
    int state = -1;
    long least = Layered.FAR;
    for (int s = 0; s < reached.length; s++) {
      if (!forbidden.contains(graph.kind(layer, s))
          && reached[s] < Layered.FAR
          && reached[s] + best.rest(layer, s) < least) {
        least = reached[s] + best.rest(layer, s);
        state = s;
      }
    }
    if (state >= 0) {
      parts.add(new Part(least, path, layer, state, back[layer][state], back, forbidden, number++));
    }
  }

  /** The states of the best path of a part. */
  private int[] states(Part part) {
    int[] path = part.from().clone();
    int i = part.leaves();
    path[i] = part.state();
    int state = part.before();
    for (int j = i - 1; j >= 0; j--) {
      path[j] = state;
      state = part.back()[j][state];
    }
    for (int j = i + 1; j < path.length; j++) {
      path[j] = best.onward(j, path[j - 1]);
    }
    return path;
  }
}
