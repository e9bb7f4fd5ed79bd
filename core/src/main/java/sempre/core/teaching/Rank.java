package sempre.core.teaching;

/**
 * In which order a teacher thinks of what may have gone wrong: the smaller the number, the sooner.
 * All are judgement (common practice, no source), kept in one place so that they can be argued
 * with.
 */
final class Rank {
  /** Where a note has a sharp or flat and its natural sounds, reading is the likeliest of all. */
  static final double ACCIDENTAL_FORGOTTEN = 0;

  /** What the catalogue says must not be held is the habit to look for first. */
  static final double MUST_BE_UP = 0.3;

  /** Half of a hole, where the table has the note: covered, or half open. */
  static final double HALF = 0.5;

  /** Two fingers or valves exchanged, where the table has just this note. */
  static final double SWAPPED = 0.7;

  /** A register key, or the thumb that works as one, gives just this note. */
  static final double REGISTER_KEY = 0.8;

  /** The next partial on the same valves or position is the commonest wrong note on brass. */
  static final double NEXT_PARTIAL = 0.9;

  /** One finger is late, or one too many is down. */
  static final double FINGER = 1;

  /** One valve is up or down, on the same partial. */
  static final double VALVE = 1;

  /** The ring finger presses its valve though nothing asks for it: rarer. */
  static final double WEAK_VALVE = 1.7;

  /** One finger is on another of its keys. */
  static final double WRONG_KEY = 1;

  /** The slide stands elsewhere on the same partial: likelier, the nearer. */
  static final double SLIDE = 1;

  /** On the way from the note before, fingers do not move together. */
  static final double SLIPPED = 1.1;

  /** Palm or side keys that are not reached. */
  static final double KEYS_MISSED = 1.2;

  /** Fingered as the octave below. */
  static final double FINGERED_AS = 1.3;

  /** The right fingers in another register. */
  static final double REGISTER = 1.4;

  /** The lower part of a fork is forgotten. */
  static final double FORK = 1.5;

  /** The concert name was read. */
  static final double CONCERT_NAME = 1.55;

  /** A place on the staff is misread; lines for lines and spaces for spaces first. */
  static final double MISREAD = 1.6;

  /** A key is brushed. */
  static final double BRUSHED = 2;

  /** Each semitone that a wrong key leads farther away than a neighbouring note. */
  static final double FARTHER = 0.4;

  /** So many semitones away a key is still that of a neighbouring note. */
  static final int NEAR = 2;

  /** Some key far above is brushed. */
  static final double BRUSHED_ABOVE = 2.2;

  /** Some partials away on the same hold. */
  static final double FAR_PARTIAL = 2.4;

  /** A sharp or flat is played that does not stand there. */
  static final double ACCIDENTAL_ADDED = 2.5;

  /** A finger does not close quite. */
  static final double LEAK = 2.6;

  /** The wrong octave was read. */
  static final double OCTAVE = 2.8;

  /** The other clef was read. */
  static final double CLEF = 3;

  /** Transposed the wrong way. */
  static final double TRANSPOSED_TWICE = 3.2;

  /** A valve and the next partial besides. */
  static final double VALVE_AND_PARTIAL = 3.5;

  /** What is only computed from the holes is less sure than what the table says. */
  static final double BY_ITS_HOLES = 0.2;

  /** Another fingering than the player's usual one is meant less often. */
  static final double NOT_USUAL = 0.6;

  /** The same on brass, where others are rare. */
  static final double NOT_USUAL_BRASS = 3;

  private Rank() {}
}
