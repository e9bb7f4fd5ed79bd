package sempre.core.pitch;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import sempre.core.Refusal;

/**
 * A spelled pitch in scientific pitch notation (middle C is {@code C4}): what stands on a page, so
 * that C sharp and D flat are two pitches with one {@link #midi()} number.
 *
 * @param letter the note letter
 * @param alter semitones up or down, -2 (double flat) to 2 (double sharp)
 * @param octave scientific octave; it changes between B and C, so {@code B#4} sounds as {@code C5}.
 *     What is read is from -1 to 10; what is computed from it, such as the sound of a note on a
 *     transposing instrument, may lie {@value #BEYOND} octaves beyond
 */
public record Pitch(Letter letter, int alter, int octave) implements Comparable<Pitch> {
  private static final Pattern TEXT =
      Pattern.compile("([A-Ga-g])(bb|b|##|#|x|♭♭|♭|♯♯|♯|n|♮)?(-?\\d{1,2})");
  private static final List<Pitch> WITH_SHARPS =
      octave("C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B");
  private static final List<Pitch> WITH_FLATS =
      octave("C", "Db", "D", "Eb", "E", "F", "Gb", "G", "Ab", "A", "Bb", "B");

  private static final List<Integer> USUALLY_SHARP = List.of(1, 6);

  /** The octave that begins with middle C. */
  public static final int MIDDLE_OCTAVE = 4;

  private static final int LOWEST_OCTAVE = -1;
  private static final int HIGHEST_OCTAVE = 10;
  private static final int BEYOND = 10;

  /** Letters in the order of fifths: each is a fifth above the one before. */
  private static final String FIFTHS = "FCGDAEB";

  public Pitch {
    if (alter < -2 || alter > 2) {
      throw new Refusal("error.alter", "n", alter);
    }
    if (octave < LOWEST_OCTAVE - BEYOND || octave > HIGHEST_OCTAVE + BEYOND) {
      throw new Refusal(
          "error.octave", "octave", octave, "from", LOWEST_OCTAVE, "to", HIGHEST_OCTAVE);
    }
  }

  /**
   * Reads {@code Bb4}, {@code F#5}, {@code Fx4}, {@code Ebb4} (also with ♭ and ♯).
   *
   * @throws Refusal with a sentence that says what to change
   */
  public static Pitch parse(String text) {
    Matcher m = TEXT.matcher(text.strip());
    if (!m.matches()) {
      throw new Refusal("error.no-pitch", "typed", text);
    }
    String accidental = m.group(2) == null ? "" : m.group(2);
    int alter =
        switch (accidental) {
          case "b", "♭" -> -1;
          case "bb", "♭♭" -> -2;
          case "#", "♯" -> 1;
          case "##", "x", "♯♯" -> 2;
          default -> 0;
        };
    int octave = Integer.parseInt(m.group(3));
    if (octave < LOWEST_OCTAVE || octave > HIGHEST_OCTAVE) {
      throw new Refusal(
          "error.octave", "octave", octave, "from", LOWEST_OCTAVE, "to", HIGHEST_OCTAVE);
    }
    return new Pitch(Letter.valueOf(m.group(1).toUpperCase(java.util.Locale.ROOT)), alter, octave);
  }

  private static List<Pitch> octave(String... names) {
    return Stream.of(names).map(n -> parse(n + "0")).toList();
  }

  /** The pitch of a MIDI number (60 is C4), its black keys spelled with sharps or with flats. */
  public static Pitch ofMidi(int midi, boolean sharps) {
    Pitch name = (sharps ? WITH_SHARPS : WITH_FLATS).get(Math.floorMod(midi, 12));
    return new Pitch(name.letter, name.alter, Math.floorDiv(midi, 12) - 1);
  }

  /** The pitch of a MIDI number as band music usually spells it: C#, Eb, F#, Ab, Bb. */
  public static Pitch usual(int midi) {
    return ofMidi(midi, USUALLY_SHARP.contains(Math.floorMod(midi, 12)));
  }

  /** The MIDI number: semitones above C-1, so that C4 is 60 (MIDI 1.0 specification). */
  public int midi() {
    return 12 * (octave + 1) + letter.semitones() + alter;
  }

  /** The pitch class, 0 (C) to 11 (B). */
  public int pitchClass() {
    return Math.floorMod(midi(), 12);
  }

  /** Steps of the staff above C0: one for each letter, accidentals ignored. */
  public int staffStep() {
    return octave * 7 + letter.ordinal();
  }

  /** Whether both sound the same, however they are spelled. */
  public boolean soundsAs(Pitch other) {
    return midi() == other.midi();
  }

  /**
   * Moves by letters and semitones at once, so that the spelling follows (a major ninth is 8
   * letters, 14 semitones). Where that would need a triple accidental, the note is spelled anew.
   */
  public Pitch plus(int letters, int semitones) {
    int step = staffStep() + letters;
    int target = midi() + semitones;
    Letter newLetter = Letter.values()[Math.floorMod(step, 7)];
    int newOctave = Math.floorDiv(step, 7);
    int natural = 12 * (newOctave + 1) + newLetter.semitones();
    int newAlter = target - natural;
    return Math.abs(newAlter) <= 2
        ? new Pitch(newLetter, newAlter, newOctave)
        : ofMidi(target, semitones >= 0);
  }

  /** Whether there is a pitch so many octaves up (down: negative). */
  public boolean movesBy(int octaves) {
    return octave + octaves >= LOWEST_OCTAVE && octave + octaves <= HIGHEST_OCTAVE;
  }

  /** The same note so many octaves up (down: negative). */
  public Pitch octaves(int octaves) {
    return plus(7 * octaves, 12 * octaves);
  }

  /**
   * The note that lies so many fifths above C (below: negative), in an octave: -1 is F, 7 C sharp.
   */
  public static Pitch onFifths(int fifths, int octave) {
    Letter letter = Letter.valueOf(FIFTHS.substring(Math.floorMod(fifths + 1, 7)).substring(0, 1));
    return new Pitch(letter, Math.floorDiv(fifths + 1, 7), octave);
  }

  /**
   * The pitch spelled as the tonic of a key that has a signature: D sharp as E flat, since no key
   * of nine sharps is written. Keys of six sharps and of six flats both stay.
   */
  public Pitch inAKey() {
    int fifths = FIFTHS.indexOf(letter.name()) - 1 + 7 * alter;
    if (Math.abs(fifths) <= 6) {
      return this;
    }
    int folded = fifths > 0 ? fifths - 12 : fifths + 12;
    Pitch other = onFifths(folded, octave);
    return new Pitch(other.letter, other.alter, octave + (midi() - other.midi()) / 12);
  }

  /** The letter and accidental without the octave, as a person reads it: {@code B♭}. */
  public String spokenName() {
    return letter + accidental("♭", "♯", "\uD834\uDD2A");
  }

  /** As {@link #spokenName()}, with the octave: {@code B♭4}. */
  public String displayName() {
    return spokenName() + octave;
  }

  /** The text that {@link #parse} reads: {@code Bb4}. */
  @Override
  public String toString() {
    return letter + accidental("b", "#", "x") + octave;
  }

  private String accidental(String flat, String sharp, String doubleSharp) {
    return switch (alter) {
      case -2 -> flat + flat;
      case -1 -> flat;
      case 1 -> sharp;
      case 2 -> doubleSharp;
      default -> "";
    };
  }

  @Override
  public int compareTo(Pitch other) {
    int byMidi = Integer.compare(midi(), other.midi());
    return byMidi != 0 ? byMidi : Integer.compare(staffStep(), other.staffStep());
  }
}
