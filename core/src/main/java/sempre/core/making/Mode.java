package sempre.core.making;

import java.util.List;
import sempre.core.pitch.Letter;
import sempre.core.pitch.Pitch;

/**
 * A scale or a broken chord, by the letters and half steps of its notes above the tonic (common
 * knowledge of any textbook of harmony; tested against interval counts).
 */
public enum Mode {
  MAJOR("0/0 1/2 2/4 3/5 4/7 5/9 6/11", 0),
  NATURAL_MINOR("0/0 1/2 2/3 3/5 4/7 5/8 6/10", -3),
  HARMONIC_MINOR("0/0 1/2 2/3 3/5 4/7 5/8 6/11", -3),
  /** Up with the raised sixth and seventh, down as natural minor. */
  MELODIC_MINOR("0/0 1/2 2/3 3/5 4/7 5/9 6/11", "0/0 1/2 2/3 3/5 4/7 5/8 6/10", -3),
  DORIAN("0/0 1/2 2/3 3/5 4/7 5/9 6/10", -2),
  PHRYGIAN("0/0 1/1 2/3 3/5 4/7 5/8 6/10", -4),
  LYDIAN("0/0 1/2 2/4 3/6 4/7 5/9 6/11", 1),
  MIXOLYDIAN("0/0 1/2 2/4 3/5 4/7 5/9 6/10", -1),
  MAJOR_PENTATONIC("0/0 1/2 2/4 4/7 5/9", 0),
  MINOR_PENTATONIC("0/0 2/3 3/5 4/7 6/10", -3),
  BLUES("0/0 2/3 3/5 4/6 4/7 6/10", -3),
  WHOLE_TONE("0/0 1/2 2/4 3/6 4/8 5/10", 0),
  /** Sharps up, flats down. */
  CHROMATIC(
      "0/0 0/1 1/2 1/3 2/4 3/5 3/6 4/7 4/8 5/9 5/10 6/11",
      "0/0 1/1 1/2 2/3 2/4 3/5 4/6 4/7 5/8 5/9 6/10 6/11",
      0),
  MAJOR_CHORD("0/0 2/4 4/7", 0),
  MINOR_CHORD("0/0 2/3 4/7", -3),
  DIMINISHED_CHORD("0/0 2/3 4/6", -5),
  AUGMENTED_CHORD("0/0 2/4 4/8", 0),
  DOMINANT_SEVENTH("0/0 2/4 4/7 6/10", -1),
  MAJOR_SEVENTH("0/0 2/4 4/7 6/11", 0),
  MINOR_SEVENTH("0/0 2/3 4/7 6/10", -2),
  HALF_DIMINISHED_SEVENTH("0/0 2/3 4/6 6/10", -5),
  DIMINISHED_SEVENTH("0/0 2/3 4/6 6/9", -3);

  private static final int LETTERS = 7;
  private static final int SEMITONES = 12;
  private static final String FIFTHS = "FCGDAEB";
  private static final int MOST = 7;

  /** A note above the tonic. */
  private record Step(int letters, int semitones) {
    static List<Step> all(String text) {
      return List.of(text.split(" ")).stream()
          .map(s -> s.split("/"))
          .map(s -> new Step(Integer.parseInt(s[0]), Integer.parseInt(s[1])))
          .toList();
    }
  }

  private final List<Step> up;
  private final List<Step> down;
  private final int fifths;

  Mode(String up, int fifths) {
    this(up, up, fifths);
  }

  Mode(String up, String down, int fifths) {
    this.up = Step.all(up);
    this.down = Step.all(down);
    this.fifths = fifths;
  }

  /** How many notes an octave has. */
  public int size() {
    return up.size();
  }

  /** Whether it is a chord, whose notes are no steps. */
  public boolean isChord() {
    return name().endsWith("_CHORD") || name().endsWith("_SEVENTH");
  }

  /**
   * A note of it.
   *
   * @param tonic from which it is counted
   * @param place 0 is the tonic, {@link #size} its octave; lower notes are negative
   */
  public Pitch note(Pitch tonic, int place, boolean downwards) {
    Step s = (downwards ? down : up).get(Math.floorMod(place, size()));
    int octaves = Math.floorDiv(place, size());
    return tonic.plus(LETTERS * octaves + s.letters(), SEMITONES * octaves + s.semitones());
  }

  /** Sharps of its key signature, flats negative; the chromatic scale has that of its tonic. */
  public int fifths(Pitch tonic) {
    return place(tonic) + fifths;
  }

  private static int place(Pitch tonic) {
    return FIFTHS.indexOf(tonic.letter().name()) - 1 + LETTERS * tonic.alter();
  }

  /** The tonic under a name whose key has a signature: no more than seven signs. */
  public Pitch spelled(Pitch tonic) {
    if (Math.abs(fifths(tonic)) <= MOST) {
      return tonic;
    }
    for (int letters : new int[] {1, -1}) {
      Pitch other = enharmonic(tonic, letters);
      if (Math.abs(other.alter()) <= 1 && Math.abs(fifths(other)) <= MOST) {
        return other;
      }
    }
    return tonic.inAKey();
  }

  private static Pitch enharmonic(Pitch p, int letters) {
    int step = p.staffStep() + letters;
    Letter letter = Letter.values()[Math.floorMod(step, LETTERS)];
    int octave = Math.floorDiv(step, LETTERS);
    int alter = p.midi() - new Pitch(letter, 0, octave).midi();
    return Math.abs(alter) <= 2 ? new Pitch(letter, alter, octave) : p;
  }
}
