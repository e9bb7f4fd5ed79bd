package sempre.core.planning;

import java.util.Optional;
import sempre.core.instrument.Purpose;

/**
 * Every weight of the planner, with the sentence it stands for. The unit is the effort of one
 * finger crossing another in a quarter of a second, slurred; all are judgement (common practice, no
 * source), kept in one place so that they can be argued with.
 */
public enum Weight {
  /** Each finger that moves is a little work. */
  FINGER(0.25, Purpose.FACILITY, Scale.TIME),

  /** Ring and little fingers are slower. */
  WEAK_FINGER(0.1, Purpose.FACILITY, Scale.TIME),

  /** Fingers that go down while others come up are hard to time. */
  CONTRARY(0.8, Purpose.FACILITY, Scale.TIME),

  /** A note that can slip out between will be heard. */
  SLIP(0.3, Purpose.FACILITY, Scale.TIME),

  /** A finger can roll from one key to its neighbour. */
  ROLL(0.6, Purpose.FACILITY, Scale.SLIDE),

  /** A finger that must jump from key to key is late or leaves a gap. */
  SLIDE(2.5, Purpose.FACILITY, Scale.SLIDE),

  /** Some keys can't be reached from one another by the same finger. */
  NO_SLIDE(20, Purpose.FACILITY, Scale.NEVER),

  /** A hand that goes to palm, side, table or foot keys leaves its place. */
  HAND_SHIFT(0.4, Purpose.FACILITY, Scale.TIME),

  /** Each centimetre of slide takes time. */
  TRAVEL(0.05, Purpose.FACILITY, Scale.ARM),

  /** A slide that turns back must stop first. */
  REVERSAL(0.6, Purpose.FACILITY, Scale.RUN),

  /** Each partial crossed is a leap for the lips. */
  PARTIALS(0.15, Purpose.RESPONSE, Scale.TIME),

  /** A change of register needs the lips and the air in time. */
  REGISTER(0.4, Purpose.RESPONSE, Scale.TIME),

  /** Each semitone over an octave is a leap for the embouchure. */
  LEAP(0.04, Purpose.RESPONSE, Scale.TIME),

  /** With the same hands slurred, only the air can make the second note speak. */
  AIR_ALONE(1.2, Purpose.RESPONSE, Scale.SLUR),

  /** Under a slur the change of the horn's side is heard. */
  SIDE(2, Purpose.RESPONSE, Scale.SLUR),

  /** A hole that one hand keeps open need not go over to the other. */
  SWAP(2, Purpose.FACILITY, Scale.REST),

  /** Slurred on one partial, the way of the slide is heard. */
  SMEAR(0.6, Purpose.RESPONSE, Scale.SLUR),

  /** A glissando is the slide's way on one partial. */
  GLISSANDO(20, Purpose.FACILITY, Scale.GLISSANDO),

  /** A figure that comes back is fingered the same each time. */
  FIGURE(0.8, Purpose.FACILITY),

  /** In a turn a note keeps its fingering, from the first to the last. */
  TURN(4, Purpose.FACILITY),

  /** The usual fingering is the one the fingers know. */
  ALTERNATE(0.8, Purpose.FACILITY),

  /** A brass alternate changes tone and pitch as well. */
  BRASS_ALTERNATE(1.6, Purpose.INTONATION),

  /** Where the attachment brings a note near, the far position is for a slide that is out there. */
  FAR_OUT(0.3, Purpose.FACILITY),

  /** A trill fingering is a makeshift. */
  TRILL_ONLY(1.0, Purpose.INTONATION),

  /** A trill is to go as well as it can: fair once, poor three times, none at all six times. */
  TRILL(1.2, Purpose.FACILITY),

  /** Another fingering is made for just this place. */
  PASSED_OVER(1.2, Purpose.FACILITY),

  /** Here the note does not speak, or not in tune, without another. */
  NEEDED(4, Purpose.RESPONSE),

  /** This fingering does not belong here. */
  DOUBTFUL(4, Purpose.FACILITY),

  /** This fingering is not used here. */
  WRONG(20, Purpose.FACILITY),

  /** Each cent out of tune is heard the longer the note. */
  PITCH(0.04, Purpose.INTONATION),

  /** A class does it one way, as is usual. */
  STYLE(1, Purpose.STYLE),

  /**
   * Where the teacher has decided for one way, it is taken wherever it can be played: only a slide
   * that is not done and a rule that says never weigh more.
   */
  HOUSE(12, Purpose.STYLE),

  /** A fingering that is not learned yet is no help in a piece. */
  UNLEARNED(6, Purpose.FACILITY);

  /** What the effort of a change is scaled by. */
  enum Scale {
    /** By the time there is; forgiven by the tongue. */
    TIME,
    /** Awkward even when there is time; forgiven by the tongue. */
    SLIDE,
    /** Awkward even when there is time, and under the tongue too. */
    NEVER,
    /** Heard under a slur only. */
    SLUR,
    /** By the time there is, and the tongue does not help. */
    ARM,
    /** As the arm, in a run only. */
    RUN,
    /** By nothing but a rest. */
    REST,
    /** By nothing, where a glissando leads on. */
    GLISSANDO
  }

  private final double size;
  private final Purpose purpose;
  private final Scale scale;

  Weight(double size, Purpose purpose) {
    this(size, purpose, null);
  }

  Weight(double size, Purpose purpose, Scale scale) {
    this.size = size;
    this.purpose = purpose;
    this.scale = scale;
  }

  /** What it is scaled by where it is counted in a change; empty for what a fingering costs. */
  Optional<Scale> scale() {
    return Optional.ofNullable(scale);
  }

  /** Effort for one unit of what it counts. */
  public double size() {
    return size;
  }

  public Purpose purpose() {
    return purpose;
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

  /** How many times its length a note under a fermata is held (common practice, no source). */
  static final double FERMATA = 2;

  /** A tongued note forgives what a slurred one doesn't. */
  static final double TONGUED_FACTOR = 0.6;

  /** Effort at which the difficulty of a change reaches 63 per cent. */
  static final double HARD = 6;

  /** So many wrong notes that can slip out count; more are not worse. */
  static final int MOST_SLIPS = 3;

  /** No change is thought shorter than this, in seconds. */
  static final double LEAST_SECONDS = 0.02;

  /** Time for a grace note, in seconds. */
  static final double GRACE_SECONDS = 0.1;

  /**
   * Up to this length two notes in turn are a quick turn, in seconds: sixteenths, not eighths
   * (common practice, no source).
   */
  static final double QUICK_SECONDS = 0.2;

  /**
   * Up to this length a note is in passing, in seconds: nobody changes its form because it is loud
   * or soft (common practice, no source).
   */
  static final double PASSING_SECONDS = 0.25;

  /** A note of this length or longer counts as long, in seconds. */
  static final double LONG_SECONDS = 1;

  /** So long, in seconds, the last note before a rest is exposed (common practice, no source). */
  static final double EXPOSED_SECONDS = 0.5;

  /** Up to an octave no leap is counted, in semitones. */
  static final int LEAP_FROM = 12;

  /** A change up by this many semitones or more counts as a leap. */
  static final int LEAP_SEMITONES = 5;

  /** A fingering off by so many cents is brought into tune on a long or exposed note. */
  static final double MEND_CENTS = 15;

  /**
   * What costs more than this beside the chosen one is not offered (common practice, no source).
   */
  static final double FAR_OFF = 15;

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
