package sempre.core.instrument;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;

/** The fingers that work an instrument, in the order in which the lanes show them. */
public enum Finger {
  LT("left thumb"),
  L1("left first finger"),
  L2("left second finger"),
  L3("left third finger"),
  L4("left little finger"),
  LP("left palm"),
  RT("right thumb"),
  R1("right first finger"),
  R2("right second finger"),
  R3("right third finger"),
  R4("right little finger"),
  RP("side of the right hand"),
  ARM("slide arm");

  private static final String FINGER = " finger";

  private final String words;

  Finger(String words) {
    this.words = words;
  }

  /** In plain words, for a sentence. */
  public String words() {
    return words;
  }

  /** Several in plain words: {@code left thumb and right first, second and third fingers}. */
  public static String words(Collection<Finger> fingers) {
    List<String> groups = new ArrayList<>();
    for (boolean left : new boolean[] {true, false}) {
      String hand = left ? "left " : "right ";
      List<String> named = new ArrayList<>();
      fingers.stream()
          .distinct()
          .sorted()
          .filter(f -> f.left() == left)
          .forEach(
              f -> {
                if (f.words.startsWith(hand) && f.words.endsWith(FINGER)) {
                  named.add(f.words.substring(hand.length(), f.words.length() - FINGER.length()));
                } else {
                  groups.add(f.words);
                }
              });
      if (!named.isEmpty()) {
        groups.add(hand + joined(named) + FINGER + (named.size() == 1 ? "" : "s"));
      }
    }
    return joined(groups);
  }

  /** {@code a, b and c}. */
  private static String joined(List<String> words) {
    int last = words.size() - 1;
    return last < 1
        ? String.join("", words)
        : String.join(", ", words.subList(0, last)) + " and " + words.get(last);
  }

  /** Whether it belongs to the left hand. */
  public boolean left() {
    return name().charAt(0) == 'L';
  }

  /** Ring and little fingers, which move less freely (common practice, no source). */
  public boolean weak() {
    return this == L3 || this == L4 || this == R3 || this == R4;
  }

  /** Palm and side of the hand: reached by moving the whole hand. */
  public boolean place() {
    return this == LP || this == RP;
  }
}
