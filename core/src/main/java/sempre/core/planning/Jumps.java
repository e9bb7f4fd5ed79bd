package sempre.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import sempre.core.score.Note;
import sempre.core.score.Succession;
import sempre.core.search.Layered;

/**
 * What is paid for the changes over repeats and other signs that lead elsewhere. A note that stands
 * once on the page has one fingering, however often it is played; so the search goes along the page
 * and each change over a sign is put on the two notes between which it lies.
 *
 * <p>Say a sign leads from a note with the ways y to one with the ways x, and the change costs c(y,
 * x). The best pair (y*, x*) is found exactly: for each x that could pay, the best path through it
 * with c(., x) on the other note. Then x pays c(y*, x), and y the most that it would cost more than
 * y* with any of these x, at least nothing: so the cheapest path is through (y*, x*), no path looks
 * cheaper than that, and another fingering of one of the two costs more by what it costs, or a
 * little too much. Several signs are taken one after the other; a page full of them (each bar
 * repeated) has the first {@value #SEARCHED} searched so, and the others put on the fingerings that
 * are there by then, so that the time grows with the page and not with its square.
 */
final class Jumps {
  /** So many signs are searched each by itself. */
  private static final int SEARCHED = 8;

  static final Jumps NONE = new Jumps(null, List.of(), new long[0][]);

  private final Succession order;
  private final List<Over> each;

  /** By note and number of the way among all of its note; nothing for most notes. */
  private final long[][] costs;

  private Jumps(Succession order, List<Over> each, long[][] costs) {
    this.order = order;
    this.each = each;
    this.costs = costs;
  }

  /** One change over a sign. */
  record Over(int from, int to, boolean back, Effort.Pace pace) {}

  /** The cheapest path when the changes over signs are paid too. */
  static Route over(Succession order, List<Note> notes, Route without, Player player) {
    if (order.jumps().isEmpty()) {
      return without;
    }
    List<Over> each =
        order.jumps().stream()
            .filter(j -> j.from() != j.to())
            .map(j -> new Over(j.from(), j.to(), j.back(), Effort.Pace.over(j, notes)))
            .filter(j -> !j.pace().free())
            .toList();
    Route route =
        without.over(new Jumps(order, each, new long[each.isEmpty() ? 0 : notes.size()][]), player);
    for (Over jump : each.subList(0, Math.min(SEARCHED, each.size()))) {
      route = route.jumps().with(jump, route, player);
    }
    if (each.size() <= SEARCHED) {
      return route;
    }
    Jumps all = route.jumps();
    int[] chosen = route.chosen();
    for (Over jump : each.subList(SEARCHED, each.size())) {
      Layer start = route.layers.get(jump.to());
      Layer end = route.layers.get(jump.from());
      List<Integer> now = List.of(start.index[chosen[jump.to()]]);
      all = all.paying(jump, player, start, end, end.index[chosen[jump.from()]], now);
    }
    return route.over(all, player);
  }

  /** Whether a note is ever followed by the next one on the page. */
  boolean follows(int i) {
    return order == null || order.follows(i);
  }

  List<Over> each() {
    return each;
  }

  /**
   * What is paid at a note, in 1/1024.
   *
   * @param way number of its way among all ways of the note
   */
  long cost(int i, int way) {
    return i >= costs.length || costs[i] == null ? 0 : costs[i][way];
  }

  private Route with(Over jump, Route route, Player player) {
    Layer start = route.layers.get(jump.to());
    Layer end = route.layers.get(jump.from());
    Network.Pair pair = Network.of(player.setup()).pair(end.midi, start.midi);
    int ends = player.setup().everyWay(end.midi).size();
    int nowEnd = end.index[route.chosen()[jump.from()]];
    int nowStart = start.index[route.chosen()[jump.to()]];
    long now = pair.cost(nowEnd * pair.to + nowStart, 0, jump.pace());
    long least = Long.MAX_VALUE;
    for (int x : start.index) {
      for (int y : end.index) {
        least = Math.min(least, pair.cost(y * pair.to + x, 0, jump.pace()));
      }
    }
    long[] through = route.through(jump.to(), start);
    List<Integer> tried = new ArrayList<>();
    for (int w = 0; w < through.length; w++) {
      if (through[w] - route.cost() <= now - least) {
        tried.add(start.index[w]);
      }
    }
    int bestEnd = nowEnd;
    long best = Long.MAX_VALUE;
    for (int x : tried) {
      long[] only = IntStream.range(0, pair.to).mapToLong(w -> w == x ? 0 : Layered.FAR).toArray();
      long[] from = new long[ends];
      for (int y = 0; y < ends; y++) {
        from[y] = pair.cost(y * pair.to + x, 0, jump.pace());
      }
      Route one = route.over(plus(jump.to(), only).plus(jump.from(), from), player);
      if (one.cost() < best) {
        best = one.cost();
        bestEnd = end.index[one.chosen()[jump.from()]];
      }
    }
    return route.over(paying(jump, player, start, end, bestEnd, tried), player);
  }

  /**
   * The same with a change over a sign put on its two notes.
   *
   * @param taken way of the note from which it leads
   * @param starts ways of the note to which it leads that could be taken
   */
  private Jumps paying(
      Over jump, Player player, Layer start, Layer end, int taken, List<Integer> starts) {
    Network.Pair pair = Network.of(player.setup()).pair(end.midi, start.midi);
    int ends = player.setup().everyWay(end.midi).size();
    long[] into = new long[pair.to];
    for (int x = 0; x < pair.to; x++) {
      into[x] = pair.cost(taken * pair.to + x, 0, jump.pace());
    }
    long[] more = new long[ends];
    for (int y = 0; y < ends; y++) {
      for (int x : starts) {
        long dearer =
            pair.cost(y * pair.to + x, 0, jump.pace())
                - pair.cost(taken * pair.to + x, 0, jump.pace());
        more[y] = y == taken ? 0 : Math.max(more[y], dearer);
      }
    }
    return plus(jump.to(), into).plus(jump.from(), more);
  }

  /** The same with more to pay at one note. */
  private Jumps plus(int i, long[] more) {
    long[][] sum = costs.clone();
    long[] there = costs[i];
    sum[i] =
        there == null
            ? more
            : IntStream.range(0, more.length)
                .mapToLong(w -> Math.min(Layered.FAR, there[w] + more[w]))
                .toArray();
    return new Jumps(order, each, sum);
  }
}
