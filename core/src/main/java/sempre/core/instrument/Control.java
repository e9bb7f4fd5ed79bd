package sempre.core.instrument;

import java.util.Map;

/**
 * One key, hole, lever, valve or slide position of an instrument.
 *
 * @param token its name in the fingering notation; unique on its side
 * @param left whether it stands before the bar of the notation
 * @param finger what works it
 * @param name key of its name in words
 * @param order its place in the canonical order, from 0
 * @param away whether the hand leaves its place for it: palm and side keys, table keys, the foot
 * @param home whether its finger rests on it, so that the finger says it all
 * @param hole whether it is an open hole, closed by the finger itself
 * @param holeWith option values with which it has an open hole in its key; empty when it never has
 * @param requires option values without which the instrument lacks it
 */
public record Control(
    String token,
    boolean left,
    Finger finger,
    String name,
    int order,
    boolean away,
    boolean home,
    boolean hole,
    Map<String, String> holeWith,
    Map<String, String> requires) {
  public Control {
    holeWith = Map.copyOf(holeWith);
    requires = Map.copyOf(requires);
  }

  /** Whether the finger itself closes a hole here, on an instrument with these options. */
  public boolean closesHole(Map<String, String> options) {
    return hole || !holeWith.isEmpty() && options.entrySet().containsAll(holeWith.entrySet());
  }

  /** Most differ in their tokens: controls are compared thousands of times for a part. */
  @Override
  public boolean equals(Object o) {
    return this == o
        || o instanceof Control c
            && token.equals(c.token)
            && left == c.left
            && finger == c.finger
            && name.equals(c.name)
            && order == c.order
            && away == c.away
            && home == c.home
            && hole == c.hole
            && holeWith.equals(c.holeWith)
            && requires.equals(c.requires);
  }

  @Override
  public int hashCode() {
    return token.hashCode();
  }

  @Override
  public String toString() {
    return token;
  }
}
