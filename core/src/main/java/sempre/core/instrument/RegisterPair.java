package sempre.core.instrument;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import sempre.core.pitch.Pitch;

/**
 * Two registers that share their fingerings: the upper one blown over, with or without the help of
 * a register key or a vent.
 *
 * @param from lowest written note of the lower register
 * @param to highest written note of the lower register
 * @param up semitones to the upper register: 12, 19 (the third partial) or 28 (the fifth)
 * @param add what the upper register holds besides
 * @param drop what it lets go
 * @param halve holes that it half covers
 * @param except upper notes that differ, each with the reason
 */
public record RegisterPair(
    Pitch from,
    Pitch to,
    int up,
    List<Hold> add,
    List<Hold> drop,
    List<Hold> halve,
    Map<Pitch, String> except) {
  public RegisterPair {
    add = List.copyOf(add);
    drop = List.copyOf(drop);
    halve = List.copyOf(halve);
    except = java.util.Collections.unmodifiableMap(new java.util.TreeMap<>(except));
  }

  /** The fingering of the upper register that belongs to one of the lower. */
  public Fingering upper(Keywork keywork, Fingering low) {
    List<Hold> holds = new ArrayList<>(add);
    for (Hold h : low.holds()) {
      if (halve.contains(h)) {
        holds.add(new Hold(h.control(), Hold.Way.HALF));
      } else if (!drop.contains(h)) {
        holds.add(h);
      }
    }
    return keywork.fingering(holds);
  }
}
