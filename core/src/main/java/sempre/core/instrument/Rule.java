package sempre.core.instrument;

import java.util.List;
import java.util.Map;
import sempre.core.pitch.Pitch;

/**
 * When a fingering is welcome, doubtful or wrong, as the catalogue says it.
 *
 * @param when the circumstance
 * @param not whether the circumstance must be absent
 * @param notes the neighbours meant, where the circumstance names some
 * @param beyond what must stand behind that neighbour, seen from here; empty when that is the same
 * @param slurred whether only a slur to that neighbour counts; with {@link When#ALTERNATION} any
 *     slur, with {@link When#LEAP_UP} the one that leads here
 * @param style house styles that must be chosen for the rule to count: name to value
 * @param verdict what follows
 * @param purpose what it serves
 * @param because key of the reason in words
 */
public record Rule(
    When when,
    boolean not,
    List<Pitch> notes,
    List<Pitch> beyond,
    boolean slurred,
    Map<String, String> style,
    Verdict verdict,
    Purpose purpose,
    String because) {
  public Rule {
    notes = List.copyOf(notes);
    beyond = List.copyOf(beyond);
    style = Map.copyOf(style);
  }

  /** Whether it calls its fingering good or fine. */
  public boolean favours() {
    return verdict == Verdict.GOOD || verdict == Verdict.FINE;
  }

  /** Whether it names the note of a MIDI number, however that is spelled. */
  public boolean names(int midi) {
    return has(notes, midi);
  }

  /** Whether the note behind the neighbour is as the rule wants it. */
  public boolean reaches(int midi) {
    return beyond.isEmpty() || has(beyond, midi);
  }

  private static boolean has(List<Pitch> pitches, int midi) {
    for (int i = 0; i < pitches.size(); i++) {
      if (pitches.get(i).midi() == midi) {
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
    /** After silence. */
    ENTRY,
    /** Softly, after silence, and not in passing. */
    SOFT_ENTRY,
    /** Marked p or softer, and long enough or an entry. */
    SOFT,
    /** Marked f or louder, and long enough or an entry. */
    LOUD,
    /** Sounding for a second or more. */
    LONG,
    /** No longer than a sixteenth in a slow tempo: speed outranks all else. */
    PASSING,
    /** None of the rules that call the fingering good or fine holds. */
    OTHERWISE,
    /** One of the notes stands before. */
    AFTER,
    /** One of the notes stands behind. */
    BEFORE,
    /** One of the notes stands on either side. */
    NEXT_TO,
    /** One of the notes stands on each side. */
    BETWEEN
  }

  /** What follows from a circumstance. */
  public enum Verdict {
    /** It is made for this place. */
    GOOD,
    /** It may be taken here. */
    FINE,
    BAD,
    NEVER
  }
}
