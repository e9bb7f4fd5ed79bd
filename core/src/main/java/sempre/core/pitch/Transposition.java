package sempre.core.pitch;

/**
 * What must be added to a written pitch to get the sounding one, in letters and semitones, octaves
 * included: a B flat trumpet is (-1, -2), an alto saxophone (-5, -9).
 *
 * @param letters staff steps, negative when it sounds lower
 * @param semitones semitones, negative when it sounds lower
 */
public record Transposition(int letters, int semitones) {
  /** Sounds as written. */
  public static final Transposition CONCERT = new Transposition(0, 0);

  public Pitch sounding(Pitch written) {
    return written.plus(letters, semitones);
  }

  public Pitch written(Pitch sounding) {
    return sounding.plus(-letters, -semitones);
  }

  /** First this, then the opposite of {@code to}: from one player's page to another's. */
  public Transposition onto(Transposition to) {
    return new Transposition(letters - to.letters, semitones - to.semitones);
  }

  /** How many sharps (flats: negative) this adds to a key signature when a page is moved by it. */
  public int fifths() {
    // A fifth f is 4 letters and 7 semitones, an octave o 7 letters and 12 semitones:
    // letters = 4f + 7o, semitones = 7f + 12o, so f = 7 * semitones - 12 * letters.
    return 7 * semitones - 12 * letters;
  }
}
