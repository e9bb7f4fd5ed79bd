package sempre.core.agenda;

/**
 * What is done in one session: one bit, or one piece once through.
 *
 * @param goal place of the piece among the goals; -1 where it is for none
 * @param bit place of the bit in the piece; -1 for the whole piece
 * @param kind what is done
 * @param why this one on this day
 * @param on whether one plays on into the next bit of the goal, which is secure too
 */
public record Task(int goal, int bit, Kind kind, Why why, boolean on) {
  Task(int goal, int bit, Kind kind, Why why) {
    this(goal, bit, kind, why, false);
  }

  /** What is done. */
  public enum Kind {
    /** For the first time: names, fingers, notes, rhythm. */
    BEGIN,
    /** On up its ladder. */
    CLIMB,
    /** What is secure, once more. */
    RETURN,
    /** From the beginning to the end, once. */
    WHOLE,
    /** Nothing is due: something at sight. */
    SIGHT
  }

  /** Why it is this one. */
  public enum Why {
    /** It costs most of those that were not begun. */
    COSTS_MOST,
    /** It was begun, and rested longest. */
    RESTED,
    /** The piece has least time left for what it still costs. */
    SHORT_OF_TIME,
    /** It was secure, and long enough ago. */
    LONG_AGO,
    /** All is secure, and the day is near. */
    ALL_SECURE,
    /** It is the last time before the day. */
    LAST_TIME,
    NOTHING_DUE
  }
}
