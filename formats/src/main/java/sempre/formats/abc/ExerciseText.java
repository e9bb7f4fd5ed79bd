package sempre.formats.abc;

import java.util.List;
import sempre.core.making.Exercise;
import sempre.core.making.Rhythm;
import sempre.core.pitch.KeySignature;

/** An exercise that was made, as a teacher would type it. */
public final class ExerciseText {
  private static final int TICKS = LetterLine.QUARTER / Rhythm.QUARTER;

  private ExerciseText() {}

  /** The notes, four bars on a line; without key and metre, which stand beside. */
  public static String of(Exercise e) {
    return LetterLine.of(
        e.tones().stream()
            .map(
                t ->
                    new LetterLine.Event(
                        List.of(t.pitch()), t.ticks() * TICKS, t.slurs(), t.sign()))
            .toList(),
        List.of(new LetterLine.Frame(0, e.bar() * TICKS, e.key(), "")));
  }

  /** The major key of a signature, as it is typed. */
  public static String key(KeySignature signature) {
    return AbcWriter.tonic(signature.fifths());
  }
}
