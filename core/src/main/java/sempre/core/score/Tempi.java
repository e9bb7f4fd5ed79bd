package sempre.core.score;

import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.SortedMap;
import java.util.TreeMap;
import sempre.core.Judgement.Music;

/** The tempo over a part, also where nobody plays. */
public final class Tempi {
  /** A part without a tempo is taken at this one, in quarter notes a minute (judgement). */
  public static final double USUAL = Music.TEMPO;

  /** Places that differ by less are the same: durations in a file are rounded. */
  private static final double NEAR = 1e-6;

  private final NavigableMap<Double, Double> marks;
  // when each mark is reached, in seconds; the start stands in it too
  private final NavigableMap<Double, Double> reached = new TreeMap<>();

  /**
   * @param marks quarter notes a minute by where they begin, in quarters from the start; the first
   *     holds from the start on
   */
  public Tempi(SortedMap<Double, Double> marks) {
    this.marks = new TreeMap<>(marks);
    reached.put(0.0, 0.0);
    for (double m : this.marks.tailMap(0.0, false).keySet()) {
      reached.put(m, seconds(m));
    }
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Tempi t && marks.equals(t.marks);
  }

  @Override
  public int hashCode() {
    return marks.hashCode();
  }

  @Override
  public String toString() {
    return "Tempi" + marks;
  }

  /** As the notes say it, where nothing else is known. */
  static Tempi of(List<Note> notes) {
    TreeMap<Double, Double> marks = new TreeMap<>();
    for (Note n : notes) {
      if (marks.isEmpty() || marks.lastEntry().getValue() != n.tempo()) {
        marks.putIfAbsent(n.onset(), n.tempo());
      }
    }
    return new Tempi(marks);
  }

  /** The tempo at a place, in quarter notes a minute. */
  public double at(double quarters) {
    SortedMap<Double, Double> before = marks.headMap(quarters + NEAR);
    return before.isEmpty()
        ? marks.isEmpty() ? USUAL : marks.get(marks.firstKey())
        : before.get(before.lastKey());
  }

  /** When a place is reached, in seconds from the start: every change of tempo counts. */
  public double seconds(double quarters) {
    Map.Entry<Double, Double> last = reached.lowerEntry(Math.max(quarters, Double.MIN_VALUE));
    return last.getValue() + Math.max(0, quarters - last.getKey()) * 60 / at(last.getKey());
  }
}
