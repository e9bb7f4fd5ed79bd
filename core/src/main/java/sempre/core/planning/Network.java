package sempre.core.planning;

import java.util.Arrays;
import java.util.List;
import java.util.concurrent.atomic.AtomicReferenceArray;
import sempre.core.instrument.Setup;
import sempre.core.motion.Moves;

/**
 * The changes between all ways of all pairs of notes of one set-up, as bare figures. A pair of
 * notes is worked out when it is first met, and looked up afterwards.
 */
final class Network {
  private static final int NOTES = 128;
  private static final int SCALES = Weight.Scale.values().length;
  private static final int TIME = Weight.Scale.TIME.ordinal();
  private static final int SLIDE = Weight.Scale.SLIDE.ordinal();
  private static final int NEVER = Weight.Scale.NEVER.ordinal();
  private static final int SLUR = Weight.Scale.SLUR.ordinal();
  private static final int ARM = Weight.Scale.ARM.ordinal();
  private static final int RUN = Weight.Scale.RUN.ordinal();
  private static final int REST = Weight.Scale.REST.ordinal();
  private static final int GLISSANDO = Weight.Scale.GLISSANDO.ordinal();

  /**
   * All changes from the ways of one note to the ways of another; the change from way a to way b
   * stands at {@code a * to + b}.
   */
  static final class Pair {
    final int to;

    /** The sums of the changes, by the scale; one array of nothing where no change needs it. */
    private final double[][] sums = new double[SCALES][];

    private final byte[] outward;
    private final boolean slide;

    private Pair(Setup setup, List<Setup.Way> first, List<Setup.Way> second) {
      to = second.size();
      int size = first.size() * to;
      double[] nothing = new double[size];
      Arrays.fill(sums, nothing);
      outward = new byte[size];
      int at = 0;
      for (Setup.Way a : first) {
        for (Setup.Way b : second) {
          Effort e = Effort.of(Moves.between(setup, a, b));
          double[] own = e.sums();
          for (int s = 0; s < SCALES; s++) {
            if (own[s] > 0) {
              sums[s] = sums[s] == nothing ? new double[size] : sums[s];
              sums[s][at] = own[s];
            }
          }
          outward[at] = (byte) e.outward();
          at++;
        }
      }
      slide = setup.instrument().slide().isPresent();
    }

    /** The direction of the slide in a change. */
    int outward(int at) {
      return outward[at];
    }

    /**
     * What a change costs at a pace, in 1/1024, of a slide that arrived at the first note from a
     * direction.
     *
     * @param arrived 1 from the player, -1 towards, 0 at rest
     */
    long cost(int at, int arrived, Effort.Pace pace) {
      double turn = arrived * outward[at] < 0 ? Weight.REVERSAL.size() * pace.factor(RUN) : 0;
      return (long) Math.rint((sum(at, pace) + turn) * Weight.GRID);
    }

    private double sum(int at, Effort.Pace pace) {
      double sum =
          sums[TIME][at] * pace.factor(TIME)
              + sums[SLIDE][at] * pace.factor(SLIDE)
              + sums[NEVER][at] * pace.factor(NEVER)
              + sums[SLUR][at] * pace.factor(SLUR)
              + sums[REST][at] * pace.factor(REST);
      return slide
          ? sum + sums[ARM][at] * pace.factor(ARM) + sums[GLISSANDO][at] * pace.factor(GLISSANDO)
          : sum;
    }

    /**
     * What every change from one way costs at a pace, in 1/1024; on an instrument without a slide.
     *
     * @param row place of the way of the first note, times {@link #to}
     * @param index places of the ways of the second note
     * @param into one place for each of them, which is filled
     */
    void costs(int row, int[] index, Effort.Pace pace, long[] into) {
      double time = pace.factor(TIME);
      double slides = pace.factor(SLIDE);
      double never = pace.factor(NEVER);
      double slur = pace.factor(SLUR);
      double rest = pace.factor(REST);
      for (int w = 0; w < index.length; w++) {
        int at = row + index[w];
        double sum =
            sums[TIME][at] * time
                + sums[SLIDE][at] * slides
                + sums[NEVER][at] * never
                + sums[SLUR][at] * slur
                + sums[REST][at] * rest;
        into[w] = (long) Math.rint(sum * Weight.GRID);
      }
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
