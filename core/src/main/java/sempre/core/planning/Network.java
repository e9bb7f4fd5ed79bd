package sempre.core.planning;

import java.util.List;
import java.util.concurrent.atomic.AtomicReferenceArray;
import sempre.core.instrument.Setup;

/**
 * The changes between all ways of all pairs of notes of one set-up, as bare figures. A pair of
 * notes is worked out when it is first met, and looked up afterwards.
 */
final class Network {
  private static final int NOTES = 128;
  private static final int SCALES = Weight.Scale.values().length;
  private static final int RUN = Weight.Scale.RUN.ordinal();

  /**
   * All changes from the ways of one note to the ways of another; the change from way a to way b
   * stands at {@code a * to + b}.
   */
  static final class Pair {
    final int to;

    /** For each scale that any change needs, its number and the sums of the changes. */
    private final int[] scales;

    private final double[][] sums;
    private final byte[] outward;

    private Pair(Setup setup, List<Setup.Way> first, List<Setup.Way> second) {
      to = second.size();
      int size = first.size() * to;
      double[][] all = new double[SCALES][size];
      boolean[] needed = new boolean[SCALES];
      outward = new byte[size];
      int at = 0;
      for (Setup.Way a : first) {
        for (Setup.Way b : second) {
          Effort e = Effort.of(setup.move(a, b));
          double[] own = e.sums();
          for (int s = 0; s < SCALES; s++) {
            all[s][at] = own[s];
            needed[s] |= own[s] > 0;
          }
          outward[at] = (byte) e.outward();
          at++;
        }
      }
      int n = 0;
      for (boolean is : needed) {
        n += is ? 1 : 0;
      }
      scales = new int[n];
      sums = new double[n][];
      for (int s = SCALES - 1; s >= 0; s--) {
        if (needed[s]) {
          n--;
          scales[n] = s;
          sums[n] = all[s];
        }
      }
    }

    /** The direction of the slide in a change. */
    int outward(int at) {
      return outward[at];
    }

    /** What a change costs at a pace, in 1/1024; of a slide that need not turn back. */
    long cost(int at, Effort.Pace pace) {
      return (long) Math.rint(sum(at, pace) * Weight.GRID);
    }

    /**
     * The same of a slide that arrived at the first note from a direction.
     *
     * @param arrived 1 from the player, -1 towards, 0 at rest
     */
    long cost(int at, int arrived, Effort.Pace pace) {
      double turn = arrived * outward[at] < 0 ? Weight.REVERSAL.size() * pace.factor(RUN) : 0;
      return (long) Math.rint((sum(at, pace) + turn) * Weight.GRID);
    }

    private double sum(int at, Effort.Pace pace) {
      double sum = 0;
      for (int s = 0; s < scales.length; s++) {
        sum += sums[s][at] * pace.factor(scales[s]);
      }
      return sum;
    }
  }

  private final Setup setup;
  private final AtomicReferenceArray<Pair> pairs = new AtomicReferenceArray<>(NOTES * NOTES);

  private Network(Setup setup) {
    this.setup = setup;
  }

  static Network of(Setup setup) {
    return setup.derived(Network.class, Network::new);
  }

  /** The changes from one written note to another, by MIDI number. */
  Pair pair(int from, int to) {
    int at = from * NOTES + to;
    Pair known = pairs.get(at);
    if (known == null) {
      known = new Pair(setup, setup.everyWay(from), setup.everyWay(to));
      pairs.set(at, known);
    }
    return known;
  }
}
