package sempre.core.instrument;

import java.util.List;
import sempre.core.pitch.Pitch;

/**
 * Controls that may be held over a range of notes without being heard, or that must not be held.
 *
 * @param from lowest written note
 * @param to highest written note
 * @param holds the controls
 * @param over what must be held as well for that; empty when nothing
 * @param because key of the reason in words: why they are not heard, or what they would spoil
 * @param source where it comes from
 */
public record Freedom(
    Pitch from, Pitch to, List<Hold> holds, List<Hold> over, String because, String source) {
  public Freedom {
    holds = List.copyOf(holds);
    over = List.copyOf(over);
  }

  public boolean covers(Pitch written) {
    return written.midi() >= from.midi() && written.midi() <= to.midi();
  }
}
