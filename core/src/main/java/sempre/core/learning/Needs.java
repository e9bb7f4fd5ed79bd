package sempre.core.learning;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.score.Note;

/**
 * What a student's next parts bring that is not there: each note in the octave in which it stands
 * on the page. Every page that says who needs what next asks this.
 *
 * @param notes those that the earlier part brings first, then rising
 */
public record Needs(List<Need> notes) {
  /** Nothing is given, or everything is there. */
  public static final Needs NONE = new Needs(List.of());

  public Needs {
    notes = List.copyOf(notes);
  }

  /** Why a note has to be heard. */
  public enum State {
    /** Never heard, or last heard as not yet. */
    LACKING,
    SHAKY,
    /** Not heard for long. */
    FADED
  }

  /**
   * One note.
   *
   * @param written the note as the first of the parts spells it
   * @param parts places of the parts that bring it, rising
   */
  public record Need(Pitch written, State state, List<Integer> parts) {
    public Need {
      parts = List.copyOf(parts);
    }

    /** The note as a MIDI number. */
    public int midi() {
      return written.midi();
    }
  }

  /** The written notes of a line, as MIDI numbers, that a player has a fingering for. */
  public static BitSet notes(Line line, Player player) {
    BitSet notes = new BitSet();
    for (Note n : line.notes()) {
      if (player.usual(n.pitch()).isPresent()) {
        notes.set(n.pitch().midi());
      }
    }
    return notes;
  }

  /**
   * Holds parts against what a student has.
   *
   * @param parts the written notes of each, as {@link #notes} takes them, the next part first
   * @param spelled notes as the parts spell them, by MIDI number; as is usual where one is missing
   */
  public static Needs of(List<BitSet> parts, Map<Integer, Pitch> spelled, Standing standing) {
    TreeMap<Integer, List<Integer>> asked = new TreeMap<>();
    for (int p = 0; p < parts.size(); p++) {
      int part = p;
      parts.get(p).stream()
          .forEach(midi -> asked.computeIfAbsent(midi, k -> new ArrayList<>()).add(part));
    }
    List<Need> needs = new ArrayList<>();
    asked.forEach(
        (midi, in) -> {
          Pitch written = spelled.getOrDefault(midi, Pitch.usual(midi));
          state(standing.best(written)).ifPresent(s -> needs.add(new Need(written, s, in)));
        });
    needs.sort(Comparator.comparing(n -> n.parts().get(0)));
    return new Needs(needs);
  }

  private static Optional<State> state(Optional<Standing.Mark> mark) {
    if (mark.isEmpty() || !mark.get().grade().has()) {
      return Optional.of(State.LACKING);
    }
    return mark.get().grade() == Grade.SHAKY
        ? Optional.of(State.SHAKY)
        : mark.get().faded() ? Optional.of(State.FADED) : Optional.empty();
  }

  /** Of the notes of a part those that are not among what a player has. */
  public static BitSet lacking(BitSet part, BitSet has) {
    BitSet lacking = (BitSet) part.clone();
    lacking.andNot(has);
    return lacking;
  }

  /** Whether a written note is among them. */
  public boolean has(int midi) {
    return notes.stream().anyMatch(n -> n.midi() == midi);
  }
}
