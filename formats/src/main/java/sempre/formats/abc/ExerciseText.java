package sempre.formats.abc;

import java.util.ArrayList;
import java.util.List;
import sempre.core.making.Exercise;
import sempre.core.making.Rhythm;
import sempre.core.pitch.KeySignature;

/** An exercise that was made, as a teacher would type it. */
public final class ExerciseText {
  private static final int TICKS = LetterLine.QUARTER / Rhythm.QUARTER;

  private ExerciseText() {}

  /** The notes by their names, four bars on a line; without key and metre, which stand beside. */
  public static String of(Exercise e) {
    return of(e, false);
  }

  /**
   * The same.
   *
   * @param german whether B natural is named H
   */
  public static String of(Exercise e, boolean german) {
    return LetterLine.named(events(e), frames(e), german);
  }

  /** The same as ABC. */
  public static String abc(Exercise e) {
    return LetterLine.of(events(e), frames(e));
  }

  private static List<LetterLine.Event> events(Exercise e) {
    List<LetterLine.Event> events = new ArrayList<>();
    int end = -e.upbeat();
    for (Exercise.Tone t : e.tones()) {
      events.add(new LetterLine.Event(List.of(t.pitch()), t.ticks() * TICKS, t.slurs(), t.sign()));
      rest(t.rest(), events);
      end += t.ticks() + t.rest();
    }
    rest(Math.floorMod(-end, e.bar()), events);
    return events;
  }

  private static List<LetterLine.Frame> frames(Exercise e) {
    LetterLine.Frame bars = new LetterLine.Frame(e.upbeat() * TICKS, e.bar() * TICKS, e.key(), "");
    return e.upbeat() == 0
        ? List.of(bars)
        : List.of(new LetterLine.Frame(0, e.upbeat() * TICKS, e.key(), ""), bars);
  }

  private static void rest(int ticks, List<LetterLine.Event> events) {
    if (ticks > 0) {
      events.add(LetterLine.Event.rest(ticks * TICKS));
    }
  }

  /** The major key of a signature, as it is typed. */
  public static String key(KeySignature signature) {
    return AbcWriter.tonic(signature.fifths());
  }
}
