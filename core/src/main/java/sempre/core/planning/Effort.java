package sempre.core.planning;

import sempre.core.instrument.Finger;
import sempre.core.instrument.SlideRule;
import sempre.core.motion.Move;
import sempre.core.score.Note;

/** What a change costs: the countable things of a {@link Move}, scaled by the time there is. */
final class Effort {
  private Effort() {}

  /**
   * What scales the effort of a change.
   *
   * @param seconds from the start of the first note to the start of the second
   * @param all for what takes time and is forgiven by the tongue
   * @param slide for a slide, which is awkward even when there is time
   * @param never for a slide that is not done, which the tongue does not help either
   * @param arm for the slide of a trombone, which the tongue does not help
   * @param slurred for what matters under a slur only
   */
  record Pace(double seconds, double all, double slide, double never, double arm, double slurred) {
    /**
     * The factors from what there is.
     *
     * @param haste for the time there is, 0.2 to 4
     * @param forgiving for the tongue: less when the second note is tongued
     * @param rest for a rest between: nearly nothing is left over a long one
     */
    static Pace of(double seconds, double haste, double forgiving, double rest) {
      return new Pace(
          seconds,
          haste * forgiving * rest,
          Math.max(1, haste) * forgiving * rest,
          Math.max(1, haste) * rest,
          haste * rest,
          forgiving == 1 ? rest : 0);
    }

    static Pace between(Note from, Note to) {
      double gap = Math.max(0, to.onset() - from.end()) * 60 / from.tempo();
      if (from.breath()) {
        gap = Math.max(gap, Weight.FREE_SECONDS);
      }
      double held = from.seconds() * (from.fermata() ? Weight.FERMATA : 1);
      double seconds = from.grace() ? Weight.GRACE_SECONDS : Math.max(held + gap, 0.02);
      double haste =
          Math.max(Weight.LEAST_HASTE, Math.min(Weight.MOST_HASTE, Weight.EASY_SECONDS / seconds));
      return of(
          seconds,
          haste,
          from.slurToNext() && !from.breath() ? 1 : Weight.TONGUED_FACTOR,
          gap >= Weight.FREE_SECONDS ? Weight.FREE_FACTOR : 1);
    }
  }

  static void count(Move m, Pace pace, Tally tally) {
    double factor = pace.all();
    tally.add(Weight.FINGER, m.fingers(), factor);
    long weak = 0;
    for (Finger f : m.down()) {
      weak += f.weak() ? 1 : 0;
    }
    for (Finger f : m.up()) {
      weak += f.weak() ? 1 : 0;
    }
    tally.add(Weight.WEAK_FINGER, weak, factor);
    tally.add(Weight.CONTRARY, m.contrary() ? 1 : 0, factor);
    tally.add(Weight.SLIP, Math.min(3, m.fingerSlips()), factor);
    for (Move.FingerSlide s : m.slides()) {
      boolean never = s.way() == SlideRule.Way.NEVER;
      tally.add(weight(s.way()), 1, never ? pace.never() : pace.slide());
    }
    tally.add(Weight.HAND_SHIFT, m.handShift() ? 1 : 0, factor);
    m.travel().ifPresent(t -> tally.add(Weight.TRAVEL, t.cm(), pace.arm()));
    tally.add(Weight.PARTIALS, m.partials(), factor);
    tally.add(Weight.REGISTER, m.registers(), factor);
    tally.add(Weight.LEAP, Math.max(0, m.leap() - Weight.LEAP_FROM), factor);
    tally.add(Weight.AIR_ALONE, m.airAlone() ? 1 : 0, pace.slurred());
    tally.add(Weight.SIDE, m.sideChange() ? 1 : 0, pace.slurred());
    tally.add(Weight.SMEAR, m.smear() ? 1 : 0, pace.slurred());
  }

  /**
   * What {@link #count} counts of one move, summed by what scales it, so that a change costs a few
   * multiplications.
   *
   * @param moved scaled by {@link Pace#all}
   * @param slid scaled by {@link Pace#slide}
   * @param forbidden scaled by {@link Pace#never}
   * @param still scaled by {@link Pace#slurred}
   * @param travelled scaled by {@link Pace#arm}
   * @param outward the direction of the slide
   */
  record Load(
      double moved, double slid, double forbidden, double still, double travelled, int outward) {
    static Load of(Move m) {
      return new Load(
          part(m, new Pace(0, 1, 0, 0, 0, 0)),
          part(m, new Pace(0, 0, 1, 0, 0, 0)),
          part(m, new Pace(0, 0, 0, 1, 0, 0)),
          part(m, new Pace(0, 0, 0, 0, 0, 1)),
          part(m, new Pace(0, 0, 0, 0, 1, 0)),
          m.travel().map(Move.Travel::outward).orElse(0));
    }

    private static double part(Move m, Pace one) {
      Tally tally = Tally.sum();
      count(m, one, tally);
      return tally.exact();
    }
  }

  /**
   * What a change costs, on the grid of {@link Weight#grid}, in 1/1024.
   *
   * @param arrived the direction from which the slide came to the first note
   */
  static long cost(Load l, Pace p, int arrived) {
    return cost(
        l.moved(), l.slid(), l.forbidden(), l.still(), l.travelled(), l.outward() * arrived < 0, p);
  }

  static long cost(
      double moved,
      double slid,
      double forbidden,
      double still,
      double travelled,
      boolean turns,
      Pace p) {
    double sum = moved * p.all() + slid * p.slide() + forbidden * p.never() + still * p.slurred();
    if (travelled > 0) {
      sum += (travelled + (turns ? Weight.REVERSAL.size() : 0)) * p.arm();
    }
    return (long) Math.rint(sum * Weight.GRID);
  }

  static void countReversal(int before, int now, Pace pace, Tally tally) {
    if (before * now < 0) {
      tally.add(Weight.REVERSAL, 1, pace.arm());
    }
  }

  /** Difficulty from 0 to 1: 1 - exp(-effort / {@value Weight#HARD}). */
  static double difficulty(double effort) {
    return 1 - Math.exp(-effort / Weight.HARD);
  }

  private static Weight weight(SlideRule.Way way) {
    return switch (way) {
      case ROLL -> Weight.ROLL;
      case HARD -> Weight.SLIDE;
      case NEVER -> Weight.NO_SLIDE;
    };
  }
}
