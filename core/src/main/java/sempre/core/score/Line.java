package sempre.core.score;

import java.util.List;

/**
 * One voice on one staff, as a single player reads it.
 *
 * @param staff from 1, the top one first
 * @param voice its name in the file
 * @param notes in page order; of a chord the top note
 * @param tempi the tempo over the part
 */
public record Line(int staff, String voice, List<Note> notes, Tempi tempi) {
  public Line {
    notes = List.copyOf(notes);
  }

  /** A line whose notes alone say the tempo. */
  public Line(int staff, String voice, List<Note> notes) {
    this(staff, voice, notes, Tempi.of(notes));
  }

  /** The same line with other notes. */
  public Line with(List<Note> other) {
    return new Line(staff, voice, other, tempi);
  }

  /** When a note begins, in seconds from the start of the part. */
  public double begins(Note n) {
    return tempi.seconds(n.onset());
  }

  /** How long a note sounds, in seconds; 0 for a grace note. */
  public double lasts(Note n) {
    return tempi.seconds(n.end()) - tempi.seconds(n.onset());
  }
}
