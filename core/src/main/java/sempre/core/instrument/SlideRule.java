package sempre.core.instrument;

/**
 * Whether one finger can go from one key straight to another without lifting.
 *
 * @param finger the finger
 * @param from token or tokens it leaves, joined by a space
 * @param to token or tokens it reaches
 * @param way how well that goes
 */
public record SlideRule(Finger finger, String from, String to, Way way) {
  /** How well a slide goes. */
  public enum Way {
    /** It rolls over, as between keys with rollers. */
    ROLL,
    /** It must jump or rub. */
    HARD,
    /** It is not done. */
    NEVER
  }
}
