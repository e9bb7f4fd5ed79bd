package sempre.core.making;

import java.util.List;

/** How a scale is gone through: what is played from each of its notes, in steps of the scale. */
public enum Figure {
  STEPS(0),
  EACH_TWICE(0, 0),
  NEIGHBOURS(0, 1, 0),
  THREES(0, 1, 2),
  FOURS(0, 1, 2, 3),
  THIRDS(0, 2),
  FOURTHS(0, 3),
  SIXTHS(0, 5),
  TRIADS(0, 2, 4),
  SEVENTH_CHORDS(0, 2, 4, 6);

  private final List<Integer> places;

  Figure(Integer... places) {
    this.places = List.of(places);
  }

  /** What is played from a note, in steps above it; on the way down below it. */
  public List<Integer> places() {
    return places;
  }

  /** How far it reaches. */
  int reach() {
    return places.stream().mapToInt(p -> p).max().orElse(0);
  }
}
