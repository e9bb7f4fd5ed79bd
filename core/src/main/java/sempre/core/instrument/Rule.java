package sempre.core.instrument;

import java.util.List;
import sempre.core.pitch.Pitch;

/**
 * When a fingering is welcome, doubtful or wrong, as the catalogue says it.
 *
 * @param when the circumstance
 * @param not whether the circumstance must be absent
 * @param notes the neighbours meant, where the circumstance names some
 * @param slurred whether only a slur to that neighbour counts
 * @param verdict what follows
 * @param purpose what it serves
 * @param because key of the reason in words
 */
public record Rule(
    When when,
    boolean not,
    List<Pitch> notes,
    boolean slurred,
    Verdict verdict,
    Purpose purpose,
    String because) {
  public Rule {
    notes = List.copyOf(notes);
  }

  /** Whether it names the note of a MIDI number, however that is spelled. */
  public boolean names(int midi) {
    for (int i = 0; i < notes.size(); i++) {
      if (notes.get(i).midi() == midi) {
        return true;
      }
    }
    return false;
  }

  /** Circumstances that the planner can recognise in a part. */
  public enum When {
    /** The key signature has flats. */
    FLAT_KEY,
    /** Between two notes a half step away, going one way. */
    CHROMATIC,
    /** Two notes in quick turn, at least three changes. */
    ALTERNATION,
    /** Reached from a note at least a fourth lower. */
    LEAP_UP,
    /** Softly, after silence. */
    SOFT_ENTRY,
    /** Marked p or softer. */
    SOFT,
    /** Marked f or louder. */
    LOUD,
    /** Sounding for a second or more. */
    LONG,
    /** One of the notes stands before. */
    AFTER,
    /** One of the notes stands behind. */
    BEFORE,
    /** One of the notes stands on either side. */
    NEXT_TO
  }

  /** What follows from a circumstance. */
  public enum Verdict {
    GOOD,
    BAD,
    NEVER
  }
}
