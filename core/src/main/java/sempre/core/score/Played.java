package sempre.core.score;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/**
 * The order in which a page is played where signs lead elsewhere: repeats, endings, da capo, dal
 * segno and coda.
 *
 * @param stretches what is played on end, one after the other; none where the page is played as it
 *     is printed
 */
public record Played(List<Stretch> stretches) {
  /** From the first bar to the last. */
  public static final Played AS_PRINTED = new Played(List.of());

  public Played {
    stretches = List.copyOf(stretches);
  }

  /**
   * Bars that are played on end.
   *
   * @param from index of the first, from 0
   * @param to index of the last
   * @param start where the first begins, in quarters from the start of the page
   * @param quarters how long they last together
   */
  public record Stretch(int from, int to, double start, double quarters) {}

  /**
   * The order of some bars.
   *
   * @param order their indexes as they are played
   */
  public static Played of(List<Bar> bars, List<Integer> order) {
    List<Stretch> all = new ArrayList<>();
    int at = 0;
    while (at < order.size()) {
      int end = at;
      while (end + 1 < order.size() && order.get(end + 1) == order.get(end) + 1) {
        end++;
      }
      Bar first = bars.get(order.get(at));
      Bar last = bars.get(order.get(end));
      all.add(
          new Stretch(
              first.index(),
              last.index(),
              first.start(),
              last.start() + last.quarters() - first.start()));
      at = end + 1;
    }
    boolean straight = all.size() == 1 && all.get(0).to() == bars.size() - 1;
    return all.isEmpty() || straight && all.get(0).from() == 0 ? AS_PRINTED : new Played(all);
  }

  /**
   * Indexes of the bars as they are played.
   *
   * @param bars how many there are on the page
   */
  public List<Integer> order(int bars) {
    return stretches.isEmpty()
        ? IntStream.range(0, bars).boxed().toList()
        : stretches.stream().flatMap(s -> IntStream.rangeClosed(s.from(), s.to()).boxed()).toList();
  }
}
