package sempre.core.score;

import java.util.List;

/**
 * One voice on one staff, as a single player reads it.
 *
 * @param staff from 1, the top one first
 * @param voice its name in the file
 * @param notes in page order; of a chord the top note
 */
public record Line(int staff, String voice, List<Note> notes) {
  public Line {
    notes = List.copyOf(notes);
  }

  /** How a person picks it: {@code staff 1, voice 2}. */
  public String name() {
    return "staff " + staff + ", voice " + voice;
  }
}
