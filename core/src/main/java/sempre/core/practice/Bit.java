package sempre.core.practice;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import sempre.core.Judgement;
import sempre.core.planning.Plan;
import sempre.core.score.Note;

/**
 * A stretch of a line that is practised by itself.
 *
 * @param notes in page order
 * @param landing the first note of the bit behind, on which this one is played to its end; empty
 *     where a phrase ends, and at the end
 * @param end why it ends here
 * @param catches its hardest changes, gone round; in page order
 * @param led its hard notes, led up to from a safe one; in page order, each note once
 * @param join the change that leads to the bit behind, where it catches
 * @param startPercent of the tempo, where its hardest change has the time it needs
 */
public record Bit(
    List<Plan.PlannedNote> notes,
    Optional<Plan.PlannedNote> landing,
    End end,
    List<Catch> catches,
    List<Led> led,
    Optional<Plan.PlannedMove> join,
    int startPercent) {
  /** What ends at its end. */
  public enum End {
    /** The line. */
    LINE,
    /** A repeat, a da capo or another sign leads elsewhere. */
    SIGN,
    /** A breath mark, a caesura or a fermata. */
    BREATH,
    REST,
    /** A note that this player can't play, and leaves out. */
    MISSING,
    LONG_NOTE,
    /** Nothing but the bar, the beat, or the slur. */
    NOTHING;

    /** Whether one comes to rest there, and need not play on to the next note. */
    public boolean rests() {
      return this != NOTHING;
    }
  }

  public Bit {
    notes = List.copyOf(notes);
    catches = List.copyOf(catches);
    led = List.copyOf(led);
  }

  public Note first() {
    return notes.get(0).note();
  }

  public Note last() {
    return notes.get(notes.size() - 1).note();
  }

  /**
   * Where to begin where a tempo is given: at three quarters of that at most, in whole steps of
   * {@link Judgement.Bits#PERCENT_STEP}.
   *
   * @param quarters a minute
   * @return in percent of the marked tempo, at least one step
   */
  public int startPercent(int quarters) {
    double goal = Judgement.Bits.FIRST_GOAL_PERCENT * quarters / first().tempo();
    int steps = Math.max(1, (int) goal / Judgement.Bits.PERCENT_STEP);
    return Math.min(startPercent, steps * Judgement.Bits.PERCENT_STEP);
  }

  /** What is played of it: its notes, and the first of the next where it does not come to rest. */
  public List<Plan.PlannedNote> played() {
    return Stream.concat(notes.stream(), landing.stream()).toList();
  }
}
