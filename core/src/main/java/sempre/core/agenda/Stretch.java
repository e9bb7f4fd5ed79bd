package sempre.core.agenda;

import java.time.LocalDate;
import java.util.Optional;
import sempre.core.Judgement;
import sempre.core.planning.Plan;
import sempre.core.practice.Bit;
import sempre.core.practice.Ladder;

/**
 * A bit of a piece with what it still costs to be clean at its tempo.
 *
 * @param minutes of playing, as far as it can be told
 * @param steps of its ladder that are left
 * @param newNotes notes in it that the player does not have yet
 * @param stuck whether it got no further for some days
 * @param begun whether it was ever played
 * @param last when it was practised last
 */
public record Stretch(
    double minutes,
    int steps,
    int newNotes,
    boolean stuck,
    boolean begun,
    Optional<LocalDate> last) {
  private static final double MINUTE = 60;

  /** Whether it is clean at its tempo already. */
  public boolean secure() {
    return steps == 0;
  }

  /**
   * What a bit still costs.
   *
   * @param rule by which it gets quicker
   * @param newNotes notes in it that the player does not have yet, each once
   */
  public static Stretch of(Bit bit, Ladder ladder, Ladder.Rule rule, int newNotes) {
    Optional<LocalDate> last =
        ladder.days().isEmpty()
            ? Optional.empty()
            : Optional.of(ladder.days().get(ladder.days().size() - 1).day());
    if (ladder.there()) {
      return new Stretch(0, 0, 0, false, true, last);
    }
    double marked = bit.first().tempo();
    double seconds = bit.notes().stream().mapToDouble(Stretch::seconds).sum() * marked;
    int step = Math.max(1, ladder.full() * rule.step() / 100);
    int left = Math.max(0, ladder.full() - ladder.now());
    // the last of them is the tempo itself
    int steps = (left + step - 1) / step + 1;
    double middle = (ladder.now() + ladder.full()) / 2.0;
    double climbing = steps * rule.clean() * seconds / middle;
    double first =
        ladder.days().isEmpty() ? Judgement.Agenda.FIRST_RUNS * seconds / ladder.start() : 0;
    return new Stretch(
        (climbing + first) * Judgement.Agenda.AROUND / MINUTE,
        steps,
        newNotes,
        ladder.plateau().isPresent(),
        !ladder.days().isEmpty(),
        last);
  }

  private static double seconds(Plan.PlannedNote n) {
    return n.note().seconds();
  }

  /**
   * On how many days it has to be met until it is secure.
   *
   * @param session minutes of one session
   */
  int times(double session) {
    if (secure()) {
      return 0;
    }
    int byMinutes = (int) Math.ceil(minutes / session);
    int bySteps = (int) Math.ceil((double) steps / Judgement.Agenda.STEPS_A_DAY);
    return Math.max(1, Math.max(byMinutes, bySteps))
        + Math.min(newNotes, Judgement.Agenda.MOST_NEW)
        + (stuck ? 1 : 0);
  }
}
