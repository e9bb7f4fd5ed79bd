package sempre.core.planning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import sempre.core.instrument.Finger;
import sempre.core.instrument.SlideRule;
import sempre.core.motion.Move;
import sempre.core.score.Note;
import sempre.core.score.Succession;

/**
 * What a change costs. The countable things of a {@link Move} are one number for each {@link
 * Weight}; each weight is scaled by one factor of the {@link Pace}. The cost, the items of a bill
 * and the figures that the search looks up are all sums over these same numbers.
 */
final class Effort {
  private static final int SCALES = Weight.Scale.values().length;

  /** The weights that are counted in a change, and the ordinal of the scale of each. */
  private static final Weight[] COUNTED =
      Arrays.stream(Weight.values()).filter(w -> w.scale().isPresent()).toArray(Weight[]::new);

  private static final int[] SCALE =
      Arrays.stream(COUNTED).mapToInt(w -> w.scale().orElseThrow().ordinal()).toArray();

  private static final int WEIGHTS = Weight.values().length;

  /** How many times each weight is counted, by its ordinal. */
  private final double[] times;

  private final int outward;

  private Effort(double[] times, int outward) {
    this.times = times;
    this.outward = outward;
  }

  /** What is counted in a change. */
  static Effort of(Move m) {
    double[] times = new double[WEIGHTS];
    times[Weight.FINGER.ordinal()] = m.fingers();
    for (Finger f : m.down()) {
      times[Weight.WEAK_FINGER.ordinal()] += f.weak() ? 1 : 0;
    }
    for (Finger f : m.up()) {
      times[Weight.WEAK_FINGER.ordinal()] += f.weak() ? 1 : 0;
    }
    times[Weight.CONTRARY.ordinal()] = m.contrary() ? 1 : 0;
    times[Weight.SLIP.ordinal()] = Math.min(Weight.MOST_SLIPS, m.fingerSlips());
    for (Move.FingerSlide s : m.slides()) {
      times[weight(s.way()).ordinal()]++;
    }
    times[Weight.HAND_SHIFT.ordinal()] = m.handShift() ? 1 : 0;
    times[Weight.TRAVEL.ordinal()] = m.travel().map(Move.Travel::cm).orElse(0.0);
    times[Weight.PARTIALS.ordinal()] = m.partials();
    times[Weight.REGISTER.ordinal()] = m.registers();
    times[Weight.LEAP.ordinal()] = Math.max(0, m.leap() - Weight.LEAP_FROM);
    times[Weight.AIR_ALONE.ordinal()] = m.airAlone() ? 1 : 0;
    times[Weight.SIDE.ordinal()] = m.sideChange() ? 1 : 0;
    times[Weight.SWAP.ordinal()] = m.swaps();
    times[Weight.SMEAR.ordinal()] = m.smear() ? 1 : 0;
    times[Weight.GLISSANDO.ordinal()] = m.travel().isPresent() && !m.smear() ? 1 : 0;
    return new Effort(times, m.travel().map(Move.Travel::outward).orElse(0));
  }

  /**
   * The same, of a slide that arrived at the first note from one direction.
   *
   * @param arrived 1 from the player, -1 towards, 0 at rest
   */
  Effort arriving(int arrived) {
    if (arrived * outward >= 0) {
      return this;
    }
    double[] turned = times.clone();
    turned[Weight.REVERSAL.ordinal()] = 1;
    return new Effort(turned, outward);
  }

  private static Weight weight(SlideRule.Way way) {
    return switch (way) {
      case ROLL -> Weight.ROLL;
      case HARD -> Weight.SLIDE;
      case NEVER -> Weight.NO_SLIDE;
    };
  }

  /** The direction of the slide. */
  int outward() {
    return outward;
  }

  /** How many times a weight is counted. */
  double times(Weight w) {
    return times[w.ordinal()];
  }

  /** Puts every item on a bill. */
  void tell(Pace pace, Tally tally) {
    for (int c = 0; c < COUNTED.length; c++) {
      double n = times[COUNTED[c].ordinal()];
      if (n > 0) {
        tally.add(COUNTED[c], n * pace.factors[SCALE[c]], Optional.empty());
      }
    }
  }

  /** The sum of all that is scaled alike, before it is scaled; by the ordinal of the scale. */
  double[] sums() {
    double[] sums = new double[SCALES];
    for (int c = 0; c < COUNTED.length; c++) {
      sums[SCALE[c]] += times[COUNTED[c].ordinal()] * COUNTED[c].size();
    }
    return sums;
  }

  /** What the change costs, in 1/1024. */
  long cost(Pace pace) {
    double sum = 0;
    double[] sums = sums();
    for (int s = 0; s < SCALES; s++) {
      sum += sums[s] * pace.factors[s];
    }
    return (long) Math.rint(sum * Weight.GRID);
  }

  /** Difficulty from 0 to 1: 1 - exp(-effort / {@value Weight#HARD}). */
  static double difficulty(double effort) {
    return 1 - Math.exp(-effort / Weight.HARD);
  }

  /** What scales the effort of a change. */
  static final class Pace {
    private final double seconds;
    private final double[] factors = new double[SCALES];

    private Pace(double seconds) {
      this.seconds = seconds;
    }

    /**
     * The factors from what there is.
     *
     * @param seconds from the start of the first note to the start of the second
     * @param haste for the time there is, 0.2 to 4
     * @param forgiving for the tongue: less when the second note is tongued
     * @param rest for a rest between: nothing is paid over a long one
     */
    static Pace of(double seconds, double haste, double forgiving, double rest) {
      Pace p = new Pace(seconds);
      p.set(Weight.Scale.TIME, haste * forgiving * rest);
      p.set(Weight.Scale.SLIDE, Math.max(1, haste) * forgiving * rest);
      p.set(Weight.Scale.NEVER, Math.max(1, haste) * rest);
      p.set(Weight.Scale.SLUR, forgiving == 1 ? rest : 0);
      p.set(Weight.Scale.ARM, haste * rest);
      p.set(Weight.Scale.RUN, seconds <= Weight.QUICK_SECONDS ? haste * rest : 0);
      p.set(Weight.Scale.REST, rest);
      return p;
    }

    /** The pace from each note to the next on the page; nothing stands at the first. */
    static List<Pace> of(List<Note> notes, Succession order) {
      List<Pace> all = new ArrayList<>(notes.size());
      for (int i = 0; i < notes.size(); i++) {
        if (i > 0 && order.follows(i - 1)) {
          all.add(between(notes.get(i - 1), notes.get(i)));
        } else {
          all.add(i == 0 ? null : of(0, 0, 0, 0));
        }
      }
      return all;
    }

    /** The pace over a repeat or another sign that leads elsewhere, to which no slur leads. */
    static Pace over(Succession.Jump jump, List<Note> notes) {
      return between(notes.get(jump.from()).slurred(false), jump.rest(), 1);
    }

    static Pace between(Note from, Note to) {
      return between(from, to, 1);
    }

    /**
     * @param share of the tempo at which it is played, above 0
     */
    static Pace between(Note from, Note to, double share) {
      return between(from, Math.max(0, to.onset() - from.end()), share);
    }

    /**
     * @param rest silence behind the first note, in quarters
     */
    private static Pace between(Note from, double rest, double share) {
      double gap = rest * 60 / from.tempo() / share;
      if (from.breath()) {
        gap = Math.max(gap, Weight.FREE_SECONDS);
      }
      double held = from.seconds() / share * (from.fermata() ? Weight.FERMATA : 1);
      double seconds =
          from.grace() ? Weight.GRACE_SECONDS : Math.max(held + gap, Weight.LEAST_SECONDS);
      double haste =
          Math.max(Weight.LEAST_HASTE, Math.min(Weight.MOST_HASTE, Weight.EASY_SECONDS / seconds));
      Pace p =
          of(
              seconds,
              haste,
              from.slurToNext() && !from.breath() ? 1 : Weight.TONGUED_FACTOR,
              gap >= Weight.FREE_SECONDS ? 0 : 1);
      if (from.manner().glissando()) {
        // its way is meant to be heard
        p.set(Weight.Scale.SLUR, 0);
        p.set(Weight.Scale.GLISSANDO, 1);
      }
      return p;
    }

    private void set(Weight.Scale scale, double factor) {
      factors[scale.ordinal()] = factor;
    }

    /** From the start of the first note to the start of the second, in seconds. */
    double seconds() {
      return seconds;
    }

    double factor(Weight.Scale scale) {
      return factors[scale.ordinal()];
    }

    /** By the ordinal of the scale. */
    double factor(int scale) {
      return factors[scale];
    }

    /** Whether nothing is paid, since a rest frees the hands. */
    boolean free() {
      return factors[Weight.Scale.REST.ordinal()] == 0;
    }
  }
}
