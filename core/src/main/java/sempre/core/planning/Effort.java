package sempre.core.planning;

import sempre.core.instrument.Finger;
import sempre.core.instrument.SlideRule;
import sempre.core.motion.Move;
import sempre.core.score.Note;

/** What a change costs: the countable things of a {@link Move}, scaled by the time there is. */
final class Effort {
  private Effort() {}

  /**
   * The circumstances of a change.
   *
   * @param seconds from the start of the first note to the start of the second
   * @param haste factor for the time there is, 0.2 to 4
   * @param forgiving factor for the tongue: less when the second note is tongued
   * @param rest factor for a rest between: nearly nothing is left over a long one
   */
  record Pace(double seconds, double haste, double forgiving, double rest) {
    /** For what takes time and is forgiven by the tongue. */
    double all() {
      return haste * forgiving * rest;
    }

    /** For a slide, which is awkward even when there is time. */
    double slide() {
      return Math.max(1, haste) * rest * forgiving;
    }

    /** For a slide that is not done. */
    double never() {
      return Math.max(1, haste) * rest;
    }

    /** For what matters under a slur only. */
    double slurred() {
      return forgiving == 1 ? rest : 0;
    }

    /** For the arm. */
    double arm() {
      return haste * rest;
    }

    static Pace between(Note from, Note to) {
      double gap = Math.max(0, to.onset() - from.end()) * 60 / from.tempo();
      double seconds = from.grace() ? Weight.GRACE_SECONDS : Math.max(from.seconds() + gap, 0.02);
      double haste =
          Math.max(Weight.LEAST_HASTE, Math.min(Weight.MOST_HASTE, Weight.EASY_SECONDS / seconds));
      return new Pace(
          seconds,
          haste,
          from.slurToNext() ? 1 : Weight.TONGUED_FACTOR,
          gap >= Weight.FREE_SECONDS ? Weight.FREE_FACTOR : 1);
    }
  }

  static void count(Move m, Pace pace, Tally tally) {
    double factor = pace.haste() * pace.forgiving() * pace.rest();
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
    tally.add(Weight.SLIP, Math.min(3, m.slips().size()), factor);
    for (Move.FingerSlide s : m.slides()) {
      // A slide is awkward even when there is time: haste counts from 1 up only. One that is not
      // done is not done under the tongue either.
      double slide = Math.max(1, pace.haste()) * pace.rest();
      boolean never = s.way() == SlideRule.Way.NEVER;
      tally.add(weight(s.way()), 1, never ? slide : slide * pace.forgiving());
    }
    tally.add(Weight.HAND_SHIFT, m.handShift() ? 1 : 0, factor);
    // The tongue does not help the arm.
    m.travel().ifPresent(t -> tally.add(Weight.TRAVEL, t.cm(), pace.haste() * pace.rest()));
    tally.add(Weight.PARTIALS, m.partials(), factor);
    tally.add(Weight.REGISTER, m.registers(), factor);
    tally.add(Weight.LEAP, Math.max(0, m.leap() - Weight.LEAP_FROM), factor);
    tally.add(Weight.AIR_ALONE, m.airAlone() ? 1 : 0, pace.slurred());
  }

  /**
   * The countable things of one move, summed by what scales them, so that a change costs a few
   * multiplications.
   *
   * @param moved scaled by haste, tongue and rest
   * @param slid slides that go, scaled by the same but for haste below 1
   * @param forbidden slides that are not done, which the tongue does not help either
   * @param still what makes the second note hard to speak when it is slurred
   * @param travelled the way of the slide, which the tongue does not help
   * @param outward its direction
   */
  record Load(
      double moved, double slid, double forbidden, double still, double travelled, int outward) {
    static Load of(Move m) {
      long weak =
          m.down().stream().filter(Finger::weak).count()
              + m.up().stream().filter(Finger::weak).count();
      double slid = 0;
      double forbidden = 0;
      for (Move.FingerSlide s : m.slides()) {
        if (s.way() == SlideRule.Way.NEVER) {
          forbidden += Weight.NO_SLIDE.size();
        } else {
          slid += weight(s.way()).size();
        }
      }
      return new Load(
          Weight.FINGER.size() * m.fingers()
              + Weight.WEAK_FINGER.size() * weak
              + (m.contrary() ? Weight.CONTRARY.size() : 0)
              + Weight.SLIP.size() * Math.min(3, m.slips().size())
              + (m.handShift() ? Weight.HAND_SHIFT.size() : 0)
              + Weight.PARTIALS.size() * m.partials()
              + Weight.REGISTER.size() * m.registers()
              + Weight.LEAP.size() * Math.max(0, m.leap() - Weight.LEAP_FROM),
          slid,
          forbidden,
          m.airAlone() ? Weight.AIR_ALONE.size() : 0,
          m.travel().map(t -> Weight.TRAVEL.size() * t.cm()).orElse(0.0),
          m.travel().map(Move.Travel::outward).orElse(0));
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
      tally.add(Weight.REVERSAL, 1, pace.haste() * pace.rest());
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
