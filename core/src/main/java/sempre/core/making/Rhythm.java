package sempre.core.making;

import java.util.List;

/** How long the notes of an exercise are, again and again, in ticks of a twelfth of a quarter. */
public enum Rhythm {
  WHOLES(48),
  HALVES(24),
  QUARTERS(12),
  EIGHTHS(6),
  TRIPLETS(4),
  SIXTEENTHS(3),
  LONG_SHORT(9, 3),
  SHORT_LONG(3, 9),
  QUARTER_TWO_EIGHTHS(12, 6, 6),
  EIGHTH_TWO_SIXTEENTHS(6, 3, 3),
  TWO_SIXTEENTHS_EIGHTH(3, 3, 6),
  /** The first of every four is long. */
  QUARTER_TRIPLET(12, 4, 4, 4);

  /** So many ticks has a quarter. */
  public static final int QUARTER = 12;

  private final List<Integer> ticks;

  Rhythm(Integer... ticks) {
    this.ticks = List.of(ticks);
  }

  int of(int place) {
    return ticks.get(place % ticks.size());
  }
}
