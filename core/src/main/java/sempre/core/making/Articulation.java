package sempre.core.making;

import java.util.List;

/** How notes are begun, again and again: under a slur so many of them, or each by itself. */
public enum Articulation {
  TONGUED("", 1),
  STACCATO("staccato", 1),
  TENUTO("tenuto", 1),
  ACCENTED("accent", 1),
  /** All of a bar. */
  SLURRED("", 0),
  SLUR_TWO("", 2),
  SLUR_TWO_TONGUE_TWO("", 2, 1, 1),
  TONGUE_TWO_SLUR_TWO("", 1, 1, 2),
  SLUR_THREE_TONGUE_ONE("", 3, 1),
  TONGUE_ONE_SLUR_THREE("", 1, 3);

  private final String sign;
  private final List<Integer> groups;

  Articulation(String sign, Integer... groups) {
    this.sign = sign;
    this.groups = List.of(groups);
  }

  /** The sign that each note has, by its name in MusicXML; empty for none. */
  public String sign() {
    return sign;
  }

  boolean byBar() {
    return groups.get(0) == 0;
  }

  /** How many notes the group has that is the nth. */
  int group(int n) {
    return groups.get(n % groups.size());
  }
}
