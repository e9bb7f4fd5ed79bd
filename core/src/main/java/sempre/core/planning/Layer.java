package sempre.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import sempre.core.instrument.Rule;
import sempre.core.instrument.Setup;
import sempre.core.score.Note;
import sempre.core.score.Ornament;

/**
 * The usable ways of one note for one player, with what their prices do not take from the context.
 * Ways that differ in free controls only have one price.
 */
final class Layer {
  final int midi;
  final List<Setup.Way> ways;

  /** For each way its place among all ways of the note, as the {@link Network} counts them. */
  final int[] index;

  /** For each way the number of its price in this layer. */
  final int[] priceOf;

  /** For each way the number of its entry in this layer. */
  final int[] entryOf;

  /** One way for each price. */
  private final List<Setup.Way> kinds = new ArrayList<>();

  /** For each price what it is anywhere. */
  private final double[] always;

  /** What speaks against the second of two equivalents. */
  private final List<Rule> choiceRules;

  /**
   * @param usable some of the set-up's ways of this note, in their order
   */
  Layer(Player player, int midi, List<Setup.Way> usable) {
    this(player, midi, usable, Optional.empty());
  }

  /**
   * @param trilled the note, where it has a trill: then the ways of the trill are there as well
   */
  Layer(Player player, int midi, List<Setup.Way> usable, Optional<Note> trilled) {
    this.midi = midi;
    this.ways = usable;
    this.choiceRules = player.setup().instrument().choiceRules();
    List<Setup.Way> all = player.setup().everyWay(midi);
    double[] trills = new double[usable.size()];
    for (int w = 0; w < trills.length; w++) {
      Tally tally = Tally.sum();
      Setup.Way way = usable.get(w);
      trilled.ifPresent(n -> Price.trill(way, n, player, tally));
      trills[w] = tally.exact();
    }
    index = new int[usable.size()];
    List<Integer> first = new ArrayList<>();
    priceOf = new int[usable.size()];
    entryOf = new int[usable.size()];
    for (int w = 0; w < index.length; w++) {
      Setup.Way way = usable.get(w);
      index[w] = all.indexOf(way);
      int kind = 0;
      while (kind < kinds.size()
          && !(samePrice(kinds.get(kind), way) && trills[first.get(kind)] == trills[w])) {
        kind++;
      }
      if (kind == kinds.size()) {
        kinds.add(way);
        first.add(w);
      }
      priceOf[w] = kind;
      boolean same = w > 0 && usable.get(w - 1).entry() == way.entry();
      entryOf[w] = w == 0 ? 0 : entryOf[w - 1] + (same ? 0 : 1);
    }
    always = new double[kinds.size()];
    for (int k = 0; k < always.length; k++) {
      Tally tally = Tally.sum();
      Price.always(kinds.get(k).entry(), usable, player, tally);
      always[k] = tally.exact() + trills[first.get(k)];
    }
  }

  /**
   * The layer of one note with some of its ways; where it is trilled, with what its trill costs.
   */
  static Layer of(Player player, Note n, List<Setup.Way> usable) {
    boolean trilled = n.ornament().kind() == Ornament.Kind.TRILL;
    return new Layer(player, n.pitch().midi(), usable, trilled ? Optional.of(n) : Optional.empty());
  }

  private static boolean samePrice(Setup.Way a, Setup.Way b) {
    return a.entry() == b.entry() && a.first() == b.first();
  }

  /** The prices here, in 1/1024. */
  long[] prices(Context context) {
    int n = kinds.size();
    long[] prices = new long[n];
    boolean[] welcome = new boolean[n];
    Optional<Rule> made = Optional.empty();
    for (int k = 0; k < n; k++) {
      List<Rule> rules = kinds.get(k).entry().rules();
      Optional<Rule> good = rules.isEmpty() ? Optional.empty() : context.welcome(rules);
      welcome[k] = good.isPresent();
      made = made.isPresent() ? made : good;
    }
    for (int k = 0; k < n; k++) {
      Tally tally = Tally.sum();
      Price.here(kinds.get(k), choiceRules, context, welcome[k] ? Optional.empty() : made, tally);
      prices[k] = (long) Math.rint((always[k] + tally.exact()) * Weight.GRID);
    }
    return prices;
  }
}
