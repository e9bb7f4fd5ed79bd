package sempre.core.instrument;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What the hands hold at one moment, without choices and without free controls: two fingerings are
 * equal when the same controls are held in the same way.
 *
 * @param text canonical notation
 * @param holds in canonical order
 */
public record Fingering(String text, List<Hold> holds) {
  public Fingering {
    holds = List.copyOf(holds);
  }

  /** The controls under each finger that holds something; fingers in lane order. */
  public Map<Finger, List<Hold>> byFinger() {
    Map<Finger, List<Hold>> map = new EnumMap<>(Finger.class);
    for (Hold h : holds) {
      map.computeIfAbsent(h.finger(), f -> new ArrayList<>()).add(h);
    }
    return map;
  }

  /** The fingers that hold something. */
  public Set<Finger> fingers() {
    Set<Finger> set = EnumSet.noneOf(Finger.class);
    holds.forEach(h -> set.add(h.finger()));
    return set;
  }

  /** The slide position, on an instrument that has a slide. */
  public Optional<Hold> slidePosition() {
    return holds.stream().filter(h -> h.finger() == Finger.ARM).findFirst();
  }

  /** Whether a control with this token is held on either side. */
  public boolean holds(String token) {
    return holds.stream().anyMatch(h -> h.control().token().equals(token));
  }

  @Override
  public boolean equals(Object o) {
    return o instanceof Fingering f && f.text.equals(text);
  }

  @Override
  public int hashCode() {
    return text.hashCode();
  }

  @Override
  public String toString() {
    return text;
  }
}
