package sempre.core.planning;

import sempre.core.instrument.Purpose;

/**
 * Every weight of the planner, with the sentence it stands for. The unit is the effort of one
 * finger crossing another in a quarter of a second, slurred; all are judgement (common practice, no
 * source), kept in one place so that they can be argued with.
 */
public enum Weight {
  FINGER(0.25, Purpose.FACILITY, "each finger that moves is a little work"),
  WEAK_FINGER(0.1, Purpose.FACILITY, "ring and little fingers are slower"),
  CONTRARY(0.8, Purpose.FACILITY, "fingers that go down while others come up are hard to time"),
  SLIP(0.3, Purpose.FACILITY, "a note that can slip out between will be heard"),
  ROLL(0.6, Purpose.FACILITY, "a finger can roll from one key to its neighbour"),
  SLIDE(2.5, Purpose.FACILITY, "a finger that must jump from key to key is late or leaves a gap"),
  NO_SLIDE(20, Purpose.FACILITY, "some keys can't be reached from one another by the same finger"),
  HAND_SHIFT(
      0.4, Purpose.FACILITY, "a hand that goes to palm, side, table or foot keys leaves its place"),
  TRAVEL(0.05, Purpose.FACILITY, "each centimetre of slide takes time"),
  REVERSAL(0.6, Purpose.FACILITY, "a slide that turns back must stop first"),
  PARTIALS(0.15, Purpose.RESPONSE, "each partial crossed is a leap for the lips"),
  REGISTER(0.4, Purpose.RESPONSE, "a change of register needs the lips and the air in time"),
  LEAP(0.04, Purpose.RESPONSE, "each semitone over an octave is a leap for the embouchure"),
  AIR_ALONE(
      1.2,
      Purpose.RESPONSE,
      "with the same hands slurred, only the air can make the second note speak"),
  SIDE(2, Purpose.RESPONSE, "under a slur the change of the horn's side is heard"),
  SMEAR(0.6, Purpose.RESPONSE, "slurred on one partial, the way of the slide is heard"),
  FIGURE(0.8, Purpose.FACILITY, "a figure that comes back is fingered the same each time"),
  ALTERNATE(0.8, Purpose.FACILITY, "the usual fingering is the one the fingers know"),
  BRASS_ALTERNATE(1.6, Purpose.INTONATION, "a brass alternate changes tone and pitch as well"),
  TRILL_ONLY(1.0, Purpose.INTONATION, "a trill fingering is a makeshift"),
  PASSED_OVER(1.2, Purpose.FACILITY, "another fingering is made for just this place"),
  NEEDED(4, Purpose.RESPONSE, "here the note does not speak, or not in tune, without another"),
  DOUBTFUL(4, Purpose.FACILITY, "this fingering does not belong here"),
  WRONG(20, Purpose.FACILITY, "this fingering is not used here"),
  PITCH(0.04, Purpose.INTONATION, "each cent out of tune is heard the longer the note"),
  STYLE(1, Purpose.STYLE, "a class does it one way, the teacher's"),
  UNLEARNED(6, Purpose.FACILITY, "a fingering that is not learned yet is no help in a piece");

  private final double size;
  private final Purpose purpose;
  private final String sentence;

  Weight(double size, Purpose purpose, String sentence) {
    this.size = size;
    this.purpose = purpose;
    this.sentence = sentence;
  }

  /** Effort for one unit of what it counts. */
  public double size() {
    return size;
  }

  public Purpose purpose() {
    return purpose;
  }

  /** What it stands for. */
  public String sentence() {
    return sentence;
  }

  /** A whole step off in pitch up to here is not heard, in cents. */
  static final double TOLERANCE_CENTS = 8;

  /** The time for a change at which haste is 1, in seconds. */
  static final double EASY_SECONDS = 0.25;

  /** Bounds of the factor for haste. */
  static final double LEAST_HASTE = 0.2;

  static final double MOST_HASTE = 4;

  /** A rest from this long on frees the hand, in seconds. */
  static final double FREE_SECONDS = 0.5;

  /** What is left of the effort over such a rest. */
  static final double FREE_FACTOR = 0.1;

  /** How many times its length a note under a fermata is held (common practice, no source). */
  static final double FERMATA = 2;

  /** A tongued note forgives what a slurred one doesn't. */
  static final double TONGUED_FACTOR = 0.6;

  /** Effort at which the difficulty of a change reaches 63 per cent. */
  static final double HARD = 6;

  /** Time for a grace note, in seconds. */
  static final double GRACE_SECONDS = 0.1;

  /**
   * Up to this length two notes in turn are a quick turn, in seconds (common practice, no source).
   */
  static final double QUICK_SECONDS = 0.3;

  /** A note of this length or longer counts as long, in seconds. */
  static final double LONG_SECONDS = 1;

  /** Up to an octave no leap is counted, in semitones. */
  static final int LEAP_FROM = 12;

  /** A change up by this many semitones or more counts as a leap. */
  static final int LEAP_SEMITONES = 5;

  /**
   * All costs are multiples of this, so that sums are exact and the same plan has the same cost to
   * the last bit.
   */
  static double grid(double cost) {
    return Math.rint(cost * GRID) / GRID;
  }

  /** Steps of the grid in one unit. */
  static final int GRID = 1024;
}
