package sempre.core.acoustics;

import sempre.core.pitch.Pitch;

/**
 * A brass tube by its fundamental.
 *
 * @param fundamental sounding pitch of its first partial
 */
public record Tube(Pitch fundamental) {
  /** Speed of sound in dry air at 20 °C, metres a second (published: CRC Handbook). */
  public static final double SPEED_OF_SOUND = 343.2;

  /** Frequency in hertz, with A4 = 440 Hz (published: ISO 16). */
  public static double hertz(Pitch sounding) {
    return 440 * Math.pow(2, (sounding.midi() - 69) / 12.0);
  }

  /** Effective length in metres: half a wave of the fundamental, c / 2f. */
  public double metres() {
    return SPEED_OF_SOUND / (2 * hertz(fundamental));
  }

  /**
   * The part of a tube's own length that must be added to lower it by some semitones (any sign).
   */
  public static double addedFor(double semitones) {
    return Math.pow(2, semitones / 12) - 1;
  }

  /**
   * How far a slide is drawn, in centimetres, to lower this tube by some semitones; the slide is
   * double, so it moves half the added length.
   */
  public double slideCentimetres(double semitones) {
    return 100 * metres() * addedFor(semitones) / 2;
  }

  /** The semitones by which a slide drawn so far lowers this tube: the inverse. */
  public double semitonesAt(double centimetres) {
    return 12 * Math.log(1 + 2 * centimetres / (100 * metres())) / Math.log(2);
  }
}
