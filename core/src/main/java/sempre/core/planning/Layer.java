package sempre.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Purpose;
import sempre.core.instrument.Role;
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
  private final double[] base;
  private final double[] cents;

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
    base = new double[entries.size()];
    cents = new double[entries.size()];
    for (int e = 0; e < base.length; e++) {
      base[e] = base(entries.get(e), player);
      double off = Math.abs(entries.get(e).cents().orElse(0)) - Weight.TOLERANCE_CENTS;
      cents[e] = Math.max(0, off);
    }
  }

  int entries() {
    return entries.size();
  }

  Entry entry(int number) {
    return entries.get(number);
  }

  private static double base(Entry e, Player player) {
    boolean house = Price.house(e, player.style());
    double sum = 0;
    if (e.role() == Role.ALTERNATE && !house) {
      sum += (e.partial().isPresent() ? Weight.BRASS_ALTERNATE : Weight.ALTERNATE).size();
    } else if (e.role() == Role.TRILL) {
      sum += Weight.TRILL_ONLY.size();
    }
    if (!house && !e.style().isEmpty()) {
      sum += Weight.STYLE.size();
    }
    if (player.known().isPresent()) {
      Player.Known known = player.known().get();
      boolean newHere = !known.has(e.written(), e.fingering());
      boolean choice = known.hasNote(e.written()) || e.role() != Role.STANDARD && !house;
      sum += newHere && choice ? Weight.UNLEARNED.size() : 0;
    }
    return sum;
  }

  /** The price of each entry here, in 1/1024. */
  long[] prices(Context context) {
    int n = entries.size();
    long[] prices = new long[n];
    boolean[] welcome = new boolean[n];
    double passedOver = 0;
    for (int e = 0; e < n; e++) {
      List<Rule> rules = entries.get(e).rules();
      Optional<Rule> good = rules.isEmpty() ? Optional.empty() : context.welcome(rules);
      welcome[e] = good.isPresent();
      if (good.isPresent() && passedOver == 0) {
        boolean fingers = good.get().purpose() == Purpose.FACILITY;
        passedOver = (fingers ? Weight.PASSED_OVER : Weight.NEEDED).size();
      }
    }
    double seconds = context.note().seconds() * (context.note().fermata() ? 2 : 1);
    double length = Math.max(0.1, Math.min(2, seconds));
    for (int e = 0; e < n; e++) {
      Entry entry = entries.get(e);
      double sum = base[e];
      List<Rule> rules = entry.rules();
      for (int r = 0; r < rules.size(); r++) {
        Rule rule = rules.get(r);
        if (rule.verdict() != Rule.Verdict.GOOD && context.holds(rule)) {
          sum += (rule.verdict() == Rule.Verdict.NEVER ? Weight.WRONG : Weight.DOUBTFUL).size();
        }
      }
      if (!welcome[e]) {
        sum += passedOver; // another is made for this place
      }
      if (cents[e] > 0 && !(entry.correctable() && seconds >= Weight.LONG_SECONDS)) {
        sum += Weight.PITCH.size() * cents[e] * length;
      }
      prices[e] = (long) Math.rint(sum * Weight.GRID);
    }
    return prices;
  }
}
