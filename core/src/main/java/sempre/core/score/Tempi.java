package sempre.core.score;

import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * The tempo over a part, also where nobody plays.
 *
 * @param marks quarter notes a minute by where they begin, in quarters from the start; the first
 *     holds from the start on
 */
public record Tempi(SortedMap<Double, Double> marks) {
  /** A part without a tempo is taken at this one, in quarter notes a minute (judgement). */
  public static final double USUAL = 96;

  /** Places that differ by less are the same: durations in a file are rounded. */
  private static final double NEAR = 1e-6;

  public Tempi {
    marks = java.util.Collections.unmodifiableSortedMap(new TreeMap<>(marks));
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
    double seconds = 0;
    double from = 0;
    for (Map.Entry<Double, Double> m : marks.entrySet()) {
      if (m.getKey() > from && m.getKey() < quarters) {
        seconds += (m.getKey() - from) * 60 / at(from);
        from = m.getKey();
      }
    }
    return seconds + Math.max(0, quarters - from) * 60 / at(from);
  }
}
