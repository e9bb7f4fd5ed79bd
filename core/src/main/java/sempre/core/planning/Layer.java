package sempre.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Rule;
import sempre.core.instrument.Setup;

/**
 * The usable ways of one note for one player, with what their prices do not take from the context.
 * Ways of one entry differ in free controls only and have one price.
 */
final class Layer {
  final int midi;
  final List<Setup.Way> ways;

  /** For each way its place among all ways of the note, as the {@link Network} counts them. */
  final int[] index;

  /** For each way the number of its entry in this layer. */
  final int[] entryOf;

  private final List<Entry> entries = new ArrayList<>();

  /** For each entry what it costs anywhere. */
  private final double[] always;

  /**
   * @param usable some of the set-up's ways of this note, in their order
   */
  Layer(Player player, int midi, List<Setup.Way> usable) {
    this.midi = midi;
    this.ways = usable;
    List<Setup.Way> all = player.setup().ways(midi);
    index = new int[usable.size()];
    entryOf = new int[usable.size()];
    for (int w = 0; w < index.length; w++) {
      index[w] = all.indexOf(usable.get(w));
      Entry e = usable.get(w).entry();
      if (entries.isEmpty() || entries.get(entries.size() - 1) != e) {
        entries.add(e);
      }
      entryOf[w] = entries.size() - 1;
    }
    always = new double[entries.size()];
    for (int e = 0; e < always.length; e++) {
      Tally tally = Tally.sum();
      Price.always(entries.get(e), player, tally);
      always[e] = tally.exact();
    }
  }

  /** The price of each entry here, in 1/1024. */
  long[] prices(Context context) {
    int n = entries.size();
    long[] prices = new long[n];
    boolean[] welcome = new boolean[n];
    Optional<Rule> made = Optional.empty();
    for (int e = 0; e < n; e++) {
      List<Rule> rules = entries.get(e).rules();
      Optional<Rule> good = rules.isEmpty() ? Optional.empty() : context.welcome(rules);
      welcome[e] = good.isPresent();
      made = made.isPresent() ? made : good;
    }
    for (int e = 0; e < n; e++) {
      Tally tally = Tally.sum();
      Price.here(entries.get(e), context, welcome[e] ? Optional.empty() : made, tally);
      prices[e] = (long) Math.rint((always[e] + tally.exact()) * Weight.GRID);
    }
    return prices;
  }
}
