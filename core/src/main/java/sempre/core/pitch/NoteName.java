package sempre.core.pitch;

import java.util.OptionalInt;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import sempre.core.Refusal;
import sempre.core.Saying;

/**
 * A note as it is said in a rehearsal: letter and accidental, with an octave only where somebody
 * has said one ({@code Bb}, {@code Bb3}).
 *
 * @param letter the note letter
 * @param alter semitones up or down, -2 to 2
 * @param octave scientific octave, where it was said
 */
public record NoteName(Letter letter, int alter, OptionalInt octave) {
  private static final Pattern ENDS_IN_OCTAVE = Pattern.compile(".*\\d");

  /** Any octave will do to read or write the letter and its accidental. */
  private static final int SOME = 4;

  /** The name of a pitch, without its octave. */
  public static NoteName of(Pitch p) {
    return new NoteName(p.letter(), p.alter(), OptionalInt.empty());
  }

  /**
   * Reads {@code Bb}, {@code F#}, {@code Bb3} (also with ♭ and ♯).
   *
   * @throws Refusal with a sentence that says what to change
   */
  public static NoteName parse(String text) {
    String t = text.strip();
    Matcher m = ENDS_IN_OCTAVE.matcher(t);
    boolean said = m.matches();
    Pitch p;
    try {
      p = Pitch.parse(said ? t : t + SOME);
    } catch (Refusal e) {
      throw new Refusal(Saying.of("error.no-note-name", "typed", t), e);
    }
    return new NoteName(
        p.letter(), p.alter(), said ? OptionalInt.of(p.octave()) : OptionalInt.empty());
  }

  /** The pitch of this name in an octave. */
  public Pitch at(int octave) {
    return new Pitch(letter, alter, octave);
  }

  /** The same note, spelled in another way; its octave, where one was said, goes by its sound. */
  public NoteName spelled(UnaryOperator<Pitch> how) {
    Pitch p = how.apply(at(octave.orElse(SOME)));
    return new NoteName(
        p.letter(), p.alter(), octave.isPresent() ? OptionalInt.of(p.octave()) : octave);
  }

  /** The pitch class, 0 (C) to 11 (B). */
  public int pitchClass() {
    return at(SOME).pitchClass();
  }

  /**
   * The pitch of this name nearest to another by the letters between them: a second, a third or a
   * fourth away, or the same letter; up or down, as the name lies.
   */
  public Pitch nearestTo(Pitch other) {
    int up = Math.floorMod(letter.ordinal() - other.letter().ordinal(), 7);
    int step = other.staffStep() + (up > 3 ? up - 7 : up);
    return at(Math.floorDiv(step, 7));
  }

  /** As a person reads it: {@code B♭}, or {@code B♭3} where the octave was said. */
  public String displayName() {
    return at(SOME).spokenName() + said();
  }

  /** The text that {@link #parse} reads. */
  @Override
  public String toString() {
    String text = at(SOME).toString();
    return text.substring(0, text.length() - 1) + said();
  }

  private String said() {
    return octave.isPresent() ? String.valueOf(octave.getAsInt()) : "";
  }
}
