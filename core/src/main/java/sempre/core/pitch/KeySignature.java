package sempre.core.pitch;

import sempre.core.Refusal;

/**
 * A key signature by its number on the circle of fifths.
 *
 * @param fifths sharps, or flats as a negative number, -7 to 7
 */
public record KeySignature(int fifths) {
  /** No sharps, no flats. */
  public static final KeySignature NATURAL = new KeySignature(0);

  private static final String SHARP_ORDER = "FCGDAEB";

  public KeySignature {
    if (fifths < -7 || fifths > 7) {
      throw new Refusal("error.key-signature", "n", Math.abs(fifths));
    }
  }

  /** What the signature does to a letter: -1 flat, 0 nothing, 1 sharp. */
  public int alterOf(Letter letter) {
    int place = SHARP_ORDER.indexOf(letter.name().charAt(0));
    if (fifths > 0) {
      return place < fifths ? 1 : 0;
    }
    return 6 - place < -fifths ? -1 : 0;
  }

  /** Moved by a number of fifths, folded back to the enharmonic signature when over seven. */
  public KeySignature plus(int more) {
    int sum = fifths + more;
    while (sum > 7) {
      sum -= 12;
    }
    while (sum < -7) {
      sum += 12;
    }
    return new KeySignature(sum);
  }
}
