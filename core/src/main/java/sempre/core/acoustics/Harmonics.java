package sempre.core.acoustics;

/**
 * The harmonic series against equal temperament. Formula: an interval of ratio r is 1200 log2(r)
 * cents (A. J. Ellis, appendix XX to Helmholtz, On the Sensations of Tone, 1885).
 */
public final class Harmonics {
  private Harmonics() {}

  /** Cents of a frequency ratio; 1200 for 2. */
  public static double cents(double ratio) {
    return 1200 * Math.log(ratio) / Math.log(2);
  }

  /** The frequency ratio of an interval in cents. */
  public static double ratio(double cents) {
    return Math.pow(2, cents / 1200);
  }

  /**
   * Semitones of equal temperament from the fundamental to the note nearest to a partial: 12 for
   * the second, 19 for the third, 34 for the seventh.
   *
   * @param partial 1 or more
   */
  public static int semitones(int partial) {
    return (int) Math.round(cents(partial) / 100);
  }

  /** How many cents a partial lies above (below: negative) that nearest note. */
  public static double deviation(int partial) {
    return cents(partial) - 100.0 * semitones(partial);
  }
}
