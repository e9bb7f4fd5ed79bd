package sempre.core.planning;

import java.util.List;
import sempre.core.instrument.Setup;
import sempre.core.motion.Moves;

/** At which share of the tempo the changes of some notes have the time they need. */
public final class Unhurried {
  private static final double PERCENT = 100;

  private Unhurried() {}

  /**
   * The quickest share at which no change is harder than a bound, in whole steps.
   *
   * @param notes that follow one another, with their fingerings
   * @param bound difficulty, 0 to 1
   * @param most from here it is sought downwards, in percent of the tempo
   * @param least the slowest that is taken, whatever is still hard then
   * @param step of the search, in percent
   * @return in percent
   */
  public static int percent(
      Setup setup, List<Plan.PlannedNote> notes, double bound, int most, int least, int step) {
    int percent = most;
    while (percent > least && hardest(setup, notes, percent) > bound) {
      percent -= step;
    }
    return Math.max(least, percent);
  }

  private static double hardest(Setup setup, List<Plan.PlannedNote> notes, int percent) {
    double hardest = 0;
    int arrived = 0;
    for (int i = 1; i < notes.size(); i++) {
      Effort effort =
          Effort.of(Moves.between(setup, notes.get(i - 1).way(), notes.get(i).way()))
              .arriving(arrived);
      Effort.Pace pace =
          Effort.Pace.between(notes.get(i - 1).note(), notes.get(i).note(), percent / PERCENT);
      Tally tally = Tally.sum();
      effort.tell(pace, tally);
      hardest = Math.max(hardest, Effort.difficulty(tally.total()));
      arrived = pace.free() ? 0 : effort.outward();
    }
    return hardest;
  }
}
