package sempre.core.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import sempre.core.Judgement;
import sempre.core.instrument.Stage;
import sempre.core.planning.Plan;

/**
 * Places to start at that nobody chose: as in an audition, anywhere. They follow from a number that
 * can be said aloud and from how many bars the piece has, and from nothing else, so that all who
 * play it start in the same bars; where one has no note there the next bar counts. What was not
 * practised decides which number is said.
 *
 * @param cuts one for each bar in which a note begins, in page order
 * @param order places among the cuts, one after the other
 * @param seed the number
 * @param add what is added to the number of a die's face to get the place of a cut, from 1
 */
public record Starts(List<Cut> cuts, List<Integer> order, long seed, int add) {
  /** Faces of a die. */
  public static final int FACES = 6;

  /** Numbers of three figures are easily said. */
  private static final int LEAST_NUMBER = 100;

  private static final int NUMBERS = 900;

  /** From one number to the next that is looked at; it shares no factor with how many there are. */
  private static final int STRIDE = 131;

  public Starts {
    cuts = List.copyOf(cuts);
    order = List.copyOf(order);
  }

  /**
   * From a bar to where the next phrase ends.
   *
   * @param bit place of the bit in which it begins
   * @param bar its bar, by its place in the part
   */
  public record Cut(int bit, int bar, String first, String last) {}

  /**
   * A bit, and how much it needs to be met.
   *
   * @param days since it was practised; negative where it never was
   * @param share how much of its tempo is clean, 0 to 1
   */
  public record Met(Bit bit, int days, double share) {
    double weight() {
      int away = days < 0 ? Judgement.Starts.LONG_AGO : Math.min(days, Judgement.Starts.LONG_AGO);
      return 1
          + Judgement.Starts.DAY * away
          + Judgement.Starts.FAR * (1 - share)
          + (bit.catches().isEmpty() ? 0 : Judgement.Starts.CATCHES);
    }
  }

  /**
   * How many starts are enough for one sitting: it ends before lips and head are tired.
   *
   * @param stage what the player's group plays
   */
  public static int most(Stage stage) {
    return switch (stage) {
      case FIRST_YEARS -> Judgement.Starts.MOST_FIRST_YEARS;
      case SCHOOL -> Judgement.Starts.MOST_SCHOOL;
      case ADVANCED -> Judgement.Starts.MOST_ADVANCED;
    };
  }

  /**
   * The bars that a number stands for: never the first one to begin with, and none twice on end.
   *
   * @param bars how many the piece has, at least one
   * @param most how many places
   * @return places of bars, from 0
   */
  public static List<Integer> drawn(long seed, int bars, int most) {
    SplittableRandom random = new SplittableRandom(seed);
    List<Integer> drawn = new ArrayList<>();
    int before = 0;
    for (int n = 0; n < most; n++) {
      // of all bars but the one before; at the beginning of all but the first
      int bar = bars == 1 ? 0 : random.nextInt(bars - 1);
      before = bar >= before && bars > 1 ? bar + 1 : bar;
      drawn.add(before);
    }
    return drawn;
  }

  /**
   * The places of a number in a part.
   *
   * @param bars how many the piece has
   * @param most how many places
   */
  public static Starts of(List<Met> bits, int bars, long seed, int most) {
    List<Cut> cuts = cuts(bits);
    if (cuts.isEmpty()) {
      return new Starts(List.of(), List.of(), seed, 0);
    }
    List<Integer> order = drawn(seed, bars, most).stream().map(b -> at(cuts, b)).toList();
    return new Starts(cuts, order, seed, add(cuts, bits));
  }

  /**
   * Of some numbers that which leads most to what was not practised, or is far from its tempo.
   *
   * @param first of the numbers; others follow from it
   */
  public static Starts needed(List<Met> bits, int bars, long first, int most) {
    Starts best = of(bits, bars, first, most);
    for (int n = 1; n < Judgement.Starts.NUMBERS; n++) {
      long seed = LEAST_NUMBER + Math.floorMod(first + (long) n * STRIDE, NUMBERS);
      Starts other = of(bits, bars, seed, most);
      best = other.weight(bits) > best.weight(bits) ? other : best;
    }
    return best;
  }

  /** How much of what needs it is met; each bit counts once. */
  private double weight(List<Met> bits) {
    return order.stream()
        .map(c -> cuts.get(c).bit())
        .distinct()
        .mapToDouble(b -> bits.get(b).weight())
        .sum();
  }

  /** The first cut in a bar or behind it. */
  private static int at(List<Cut> cuts, int bar) {
    int at = 0;
    while (at < cuts.size() - 1 && cuts.get(at).bar() < bar) {
      at++;
    }
    return at;
  }

  private static List<Cut> cuts(List<Met> bits) {
    List<Cut> cuts = new ArrayList<>();
    int bar = -1;
    for (int b = 0; b < bits.size(); b++) {
      List<Plan.PlannedNote> notes = bits.get(b).bit().notes();
      for (Plan.PlannedNote n : notes) {
        if (n.note().bar() == bar || n.note().grace()) {
          continue;
        }
        bar = n.note().bar();
        // the last bar of a bit alone is no phrase: it goes on to the end of the next
        boolean alone =
            bar == bits.get(b).bit().last().bar()
                && bar != bits.get(b).bit().first().bar()
                && b + 1 < bits.size();
        Bit end = bits.get(alone ? b + 1 : b).bit();
        cuts.add(new Cut(b, bar, n.note().id(), end.last().id()));
      }
    }
    return cuts;
  }

  /** With it the six faces of a die lead to the bars that need it most. */
  private static int add(List<Cut> cuts, List<Met> bits) {
    int best = 0;
    double most = -1;
    for (int add = 0; add + FACES <= cuts.size(); add++) {
      double sum = 0;
      for (int f = 0; f < FACES; f++) {
        sum += bits.get(cuts.get(add + f).bit()).weight();
      }
      if (sum > most) {
        most = sum;
        best = add;
      }
    }
    return best;
  }
}
