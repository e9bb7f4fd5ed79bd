package sempre.core.learning;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import sempre.core.pitch.Pitch;
import sempre.core.planning.HardMove;
import sempre.core.score.Line;
import sempre.core.score.Note;

/**
 * The one thing to say to a student about what comes next: a new note first, then one that the
 * instrument or the hand does not have, a shaky one, a change that is too hard, one to hear again
 * (common practice, no source). Of several notes it is the one that the line has most often, of
 * equals the lowest.
 */
public sealed interface NextThing {
  /** A note that was not learned yet. */
  record Learn(Pitch note) implements NextThing {}

  /** A note that can't be played on this instrument, or by this hand. */
  record Beyond(Pitch note) implements NextThing {}

  /** A shaky note, to be played again. */
  record PlayAgain(Pitch note) implements NextThing {}

  /** A change to practise slowly. */
  record Slowly(HardMove change) implements NextThing {}

  /** A note to hear again, since it was not heard for long; {@code last} is when it was. */
  record HearAgain(Pitch note, Optional<Standing.Mark> last) implements NextThing {}

  /** All is there. */
  record Nothing() implements NextThing {}

  /**
   * Chooses it.
   *
   * @param line what is given
   * @param hard the changes of the line that are too hard for the student's stage, the hardest
   *     first; asked only where no note stands before them
   */
  static NextThing of(Readiness r, Line line, Standing standing, Supplier<List<HardMove>> hard) {
    if (!r.lacking().isEmpty()) {
      return new Learn(mostOften(r.lacking(), line));
    }
    if (!r.beyond().isEmpty()) {
      return new Beyond(r.beyond().get(0));
    }
    if (!r.shaky().isEmpty()) {
      return new PlayAgain(mostOften(r.shaky(), line));
    }
    Optional<HardMove> change = hard.get().stream().findFirst();
    if (change.isPresent()) {
      return new Slowly(change.get());
    }
    return r.faded().isEmpty()
        ? new Nothing()
        : new HearAgain(r.faded().get(0), standing.best(r.faded().get(0)));
  }

  private static Pitch mostOften(List<Pitch> notes, Line line) {
    Map<Integer, Long> counts =
        line.notes().stream()
            .map(Note::pitch)
            .map(Pitch::midi)
            .collect(Collectors.groupingBy(Function.identity(), Collectors.counting()));
    Pitch most = notes.get(0);
    for (Pitch p : notes) {
      if (counts.getOrDefault(p.midi(), 0L) > counts.getOrDefault(most.midi(), 0L)) {
        most = p;
      }
    }
    return most;
  }
}
