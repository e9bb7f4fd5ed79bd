package sempre.core.instrument;

import java.util.Map;
import sempre.core.pitch.Pitch;

/**
 * One way to play a trill, as the catalogue writes it.
 *
 * @param lower written note below
 * @param upper written note above
 * @param quality how well it goes
 * @param from what is held on the lower note
 * @param to what is held on the upper one
 * @param requires option values that the instrument must have
 * @param because key of the reason why the holes give these notes, where the first open one does
 *     not say so; may be empty
 * @param source where it comes from
 */
public record TrillFingering(
    Pitch lower,
    Pitch upper,
    Quality quality,
    Fingering from,
    Fingering to,
    Map<String, String> requires,
    String because,
    String source) {
  /** How well a trill goes. */
  public enum Quality {
    /** One or two fingers, even and in tune enough. */
    GOOD,
    /** It can be played; out of tune, or heavy. */
    FAIR,
    /** A makeshift. */
    POOR,
    /** Not to be recommended. */
    NONE
  }

  public TrillFingering {
    requires = Map.copyOf(requires);
  }

  /** Whether an instrument with these options can play it. */
  public boolean fits(Map<String, String> options) {
    return options.entrySet().containsAll(requires.entrySet());
  }
}
