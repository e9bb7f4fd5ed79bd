package sempre.core.instrument;

import java.util.Map;

/**
 * Whether one finger can go from one key straight to another without lifting.
 *
 * @param finger the finger
 * @param from token or tokens it leaves, joined by a space
 * @param to token or tokens it reaches
 * @param way how well that goes
 * @param requires option values that the instrument must have; of several rules the first that fits
 */
public record SlideRule(
    Finger finger, String from, String to, Way way, Map<String, String> requires) {
  public SlideRule {
    requires = Map.copyOf(requires);
  }

  /** Whether it holds of an instrument with these options. */
  public boolean fits(Map<String, String> options) {
    return options.entrySet().containsAll(requires.entrySet());
  }

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
