package sempre.core.planning;

import sempre.core.motion.Move;

/** Judges a change by itself, without a part around it. */
public final class Judge {
  /** The time supposed for it, in seconds. */
  public static final double UNHURRIED_SECONDS = Weight.EASY_SECONDS;

  private Judge() {}

  /** Difficulty, 0 to 1, of a slurred change in a quarter of a second. */
  public static double difficulty(Move move) {
    Tally tally = Tally.sum();
    Effort.of(move).tell(Effort.Pace.of(UNHURRIED_SECONDS, 1, 1, 1), tally);
    return Effort.difficulty(tally.total());
  }
}
