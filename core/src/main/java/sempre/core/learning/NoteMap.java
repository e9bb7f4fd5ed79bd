package sempre.core.learning;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;

/**
 * The range of one player's instrument with what the player has of it, notes rising.
 *
 * @param places every note of the range
 */
public record NoteMap(List<Place> places) {
  public NoteMap {
    places = List.copyOf(places);
  }

  /** How a note or a fingering stands. */
  public enum State {
    HAS,
    SHAKY,
    /** Not heard for long. */
    FADED,
    /** Heard, and last graded as not yet. */
    TRIED,
    /** Never heard. */
    OPEN;

    /** Whether it can be counted on at all. */
    public boolean there() {
      return this == HAS || this == SHAKY || this == FADED;
    }
  }

  /**
   * An alternate fingering that was heard.
   *
   * @param entry the fingering
   * @param state how it stands
   */
  public record Alternate(Entry entry, State state) {}

  /**
   * One note.
   *
   * @param written the note on the page
   * @param standard how it stands with its standard fingering
   * @param any how it stands with the best of all fingerings
   * @param alternates those that were heard
   * @param next whether the player needs it next and does not have it
   */
  public record Place(
      Pitch written, State standard, State any, List<Alternate> alternates, boolean next) {
    public Place {
      alternates = List.copyOf(alternates);
    }
  }

  /**
   * The map of one player.
   *
   * @param wanted written notes, as MIDI numbers, that are played next
   */
  public static NoteMap of(Setup setup, Standing standing, Set<Integer> wanted) {
    List<Place> places = new ArrayList<>();
    for (int midi = setup.lowest().midi(); midi <= setup.highest().midi(); midi++) {
      Set<Entry> entries = new LinkedHashSet<>();
      setup.ways(midi).forEach(w -> entries.add(w.entry()));
      Optional<Entry> standard =
          entries.stream().filter(e -> e.role() == Role.STANDARD).findFirst();
      if (standard.isEmpty()) {
        continue;
      }
      Pitch written = standard.get().written();
      State usual = state(standing.of(written, standard.get().fingering()));
      State any = state(standing.best(written));
      List<Alternate> alternates = new ArrayList<>();
      for (Entry e : entries) {
        Optional<Standing.Mark> m = standing.of(e.written(), e.fingering());
        if (e != standard.get() && m.isPresent()) {
          alternates.add(new Alternate(e, state(m)));
        }
      }
      places.add(new Place(written, usual, any, alternates, wanted.contains(midi) && !any.there()));
    }
    return new NoteMap(places);
  }

  private static State state(Optional<Standing.Mark> mark) {
    if (mark.isEmpty()) {
      return State.OPEN;
    }
    Standing.Mark m = mark.get();
    return switch (m.grade()) {
      case NOT_YET -> State.TRIED;
      case SHAKY -> State.SHAKY;
      case SECURE -> m.faded() ? State.FADED : State.HAS;
    };
  }
}
