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

  /**
   * All changes from the ways of one note to the ways of another; the figure of the change from way
   * a to way b stands at {@code a * to + b}.
   */
  static final class Pair {
    final int to;
    final double[] moved;
    final double[] slid;
    final double[] forbidden;
    final double[] still;
    final double[] travelled;
    final byte[] outward;

    private Pair(Setup setup, List<Setup.Way> first, List<Setup.Way> second) {
      to = second.size();
      int size = first.size() * to;
      moved = new double[size];
      slid = new double[size];
      forbidden = new double[size];
      still = new double[size];
      travelled = new double[size];
      outward = new byte[size];
      int at = 0;
      for (Setup.Way a : first) {
        for (Setup.Way b : second) {
          Effort.Load l = Effort.Load.of(setup.move(a, b));
          moved[at] = l.moved();
          slid[at] = l.slid();
          forbidden[at] = l.forbidden();
          still[at] = l.still();
          travelled[at] = l.travelled();
          outward[at] = (byte) l.outward();
          at++;
        }
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
      known = new Pair(setup, setup.ways(from), setup.ways(to));
      pairs.set(at, known);
    }
    return known;
  }
}
