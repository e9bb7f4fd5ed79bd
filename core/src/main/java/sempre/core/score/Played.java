package sempre.core.score;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * The order in which a page is played where signs lead elsewhere: repeats, endings, da capo, dal
 * segno and coda.
 *
 * @param stretches what is played on end, one after the other; none where the page is played as it
 *     is printed
 * @param held notes that sound on where a sign leads, as over a tie into a second ending
 */
public record Played(List<Stretch> stretches, List<Held> held) {
  /** From the first bar to the last. */
  public static final Played AS_PRINTED = new Played(List.of(), List.of());

  public Played {
    stretches = List.copyOf(stretches);
    held = List.copyOf(held);
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
   * A note that is tied into a bar which does not stand behind it on the page.
   *
   * @param id the note
   * @param bar index of the bar in which it sounds on
   * @param quarters how long it does there
   */
  public record Held(String id, int bar, double quarters) {}

  /** The same order, with what is tied over its signs. */
  public Played holding(List<Held> tied) {
    return new Played(stretches, tied);
  }

  /**
   * How long a note sounds on when a bar is played that does not stand behind it, in quarters; 0
   * where it does not.
   */
  public double holds(String id, int bar) {
    return held.stream()
        .filter(h -> h.bar() == bar && h.id().equals(id))
        .mapToDouble(Held::quarters)
        .findFirst()
        .orElse(0);
  }

  /** Indexes of the bars after which a sign leads to a bar. */
  public Set<Integer> leadingTo(int bar) {
    Set<Integer> all = new LinkedHashSet<>();
    for (int i = 1; i < stretches.size(); i++) {
      if (stretches.get(i).from() == bar) {
        all.add(stretches.get(i - 1).to());
      }
    }
    return all;
  }

  /** Whether a bar is played at all. */
  public boolean plays(int bar) {
    return stretches.isEmpty()
        || stretches.stream().anyMatch(s -> s.from() <= bar && bar <= s.to());
  }

  /** Whether a bar is played with no other before it, or with the one that stands before it. */
  public boolean alsoStraight(int bar) {
    return stretches.stream().anyMatch(s -> s.from() < bar && bar <= s.to())
        || stretches.isEmpty()
        || stretches.get(0).from() == bar;
  }

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
    return all.isEmpty() || straight && all.get(0).from() == 0
        ? AS_PRINTED
        : new Played(all, List.of());
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
