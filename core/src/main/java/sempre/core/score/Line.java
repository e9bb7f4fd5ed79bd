package sempre.core.score;

import java.util.List;

/**
 * One voice on one staff, as a single player reads it.
 *
 * @param staff from 1, the top one first
 * @param voice its name in the file
 * @param notes in page order; of a chord the top note
 * @param tempi the tempo over the part
 * @param played the order in which its bars are played
 */
public record Line(int staff, String voice, List<Note> notes, Tempi tempi, Played played) {
  public Line {
    notes = List.copyOf(notes);
  }

  /** A line whose notes alone say the tempo, played as it is printed. */
  public Line(int staff, String voice, List<Note> notes) {
    this(staff, voice, notes, Tempi.of(notes), Played.AS_PRINTED);
  }

  /** The same line with other notes. */
  public Line with(List<Note> other) {
    return new Line(staff, voice, other, tempi, played);
  }

  /** The same line, played from the first bar to the last whatever signs there are. */
  public Line asPrinted() {
    return new Line(staff, voice, notes, tempi, Played.AS_PRINTED);
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
