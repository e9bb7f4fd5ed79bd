package sempre.core.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import sempre.core.Judgement;
import sempre.core.instrument.Stage;
import sempre.core.planning.Plan;

/**
 * Places to start at that nobody chose: as in an audition, anywhere. Drawn with a number that can
 * be said aloud, so that two who say the same one get the same places; bits that were not
 * practised, or are far from their tempo, come sooner.
 *
 * @param cuts one for each bar in which a note begins, in page order
 * @param order places among the cuts, one after the other
 * @param add what is added to the number of a die's face to get the place of a cut, from 1
 */
public record Starts(List<Cut> cuts, List<Integer> order, int add) {
  /** Faces of a die. */
  public static final int FACES = 6;

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
   * Draws.
   *
   * @param seed the number that is said
   * @param most how many
   */
  public static Starts of(List<Met> bits, long seed, int most) {
    List<Cut> cuts = cuts(bits);
    if (cuts.isEmpty()) {
      return new Starts(List.of(), List.of(), 0);
    }
    double[] weights = bits.stream().mapToDouble(Met::weight).toArray();
    int add = add(cuts, weights);
    SplittableRandom random = new SplittableRandom(seed);
    List<Integer> order = new ArrayList<>();
    for (int n = 0; n < most; n++) {
      int bit = draw(weights, n == 0 && bits.size() > 1, random);
      // what was met comes less soon again
      weights[bit] *= Judgement.Starts.MET;
      List<Integer> there = new ArrayList<>();
      for (int c = 0; c < cuts.size(); c++) {
        boolean beginning = c == 0 && cuts.size() > 1 && n == 0;
        boolean same = !order.isEmpty() && order.get(n - 1) == c && cuts.size() > 1;
        if (cuts.get(c).bit() == bit && !beginning && !same) {
          there.add(c);
        }
      }
      if (there.isEmpty()) {
        there.add(order.isEmpty() ? cuts.size() - 1 : (order.get(n - 1) + 1) % cuts.size());
      }
      order.add(there.get(random.nextInt(there.size())));
    }
    return new Starts(cuts, order, add);
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

  /** A bit by its weight; the first of the piece is no beginning. */
  private static int draw(double[] weights, boolean notTheFirst, SplittableRandom random) {
    double sum = 0;
    for (int i = notTheFirst ? 1 : 0; i < weights.length; i++) {
      sum += weights[i];
    }
    double at = random.nextDouble() * sum;
    for (int i = notTheFirst ? 1 : 0; i < weights.length; i++) {
      at -= weights[i];
      if (at < 0) {
        return i;
      }
    }
    return weights.length - 1;
  }

  /** With it the six faces of a die lead to the bars that need it most. */
  private static int add(List<Cut> cuts, double[] weights) {
    int best = 0;
    double most = -1;
    for (int add = 0; add + FACES <= cuts.size(); add++) {
      double sum = 0;
      for (int f = 0; f < FACES; f++) {
        sum += weights[cuts.get(add + f).bit()];
      }
      if (sum > most) {
        most = sum;
        best = add;
      }
    }
    return best;
  }
}
