package sempre.core.planning;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Setup;
import sempre.core.motion.Move;
import sempre.core.pitch.Pitch;
import sempre.core.score.Note;

/**
 * A fingering for every note of a line, with reasons.
 *
 * @param setup the instrument planned for
 * @param cost total effort in the planner's unit
 * @param notes every note that can be fingered, in page order
 * @param moves the changes between neighbours that follow one another directly
 * @param newNotes written notes that the player has not learned, rising
 * @param outOfRange notes that this instrument does not have, in page order
 * @param unreachable notes for which the hand reaches no fingering, in page order
 */
public record Plan(
    Setup setup,
    double cost,
    List<PlannedNote> notes,
    List<PlannedMove> moves,
    List<Pitch> newNotes,
    List<Note> outOfRange,
    List<Note> unreachable) {
  public Plan {
    notes = List.copyOf(notes);
    moves = List.copyOf(moves);
    newNotes = List.copyOf(newNotes);
    outOfRange = List.copyOf(outOfRange);
    unreachable = List.copyOf(unreachable);
  }

  /**
   * One note with its fingering.
   *
   * @param note the note
   * @param sounding what is heard
   * @param way the fingering chosen
   * @param isNew whether the player has not learned the note
   * @param unlearned whether the player has the note, but not with this fingering
   * @param locked whether the teacher has fixed it
   * @param outvoted the fingering that the player's style names, where another is planned
   * @param reasons why, the weightiest first
   * @param alternatives the other fingerings, the cheapest first
   * @param ornament how its ornament is fingered, if it has one
   */
  public record PlannedNote(
      Note note,
      Pitch sounding,
      Setup.Way way,
      boolean isNew,
      boolean unlearned,
      boolean locked,
      Optional<Entry> outvoted,
      List<Reason> reasons,
      List<Alternative> alternatives,
      Optional<Ornamented> ornament) {
    public PlannedNote {
      reasons = List.copyOf(reasons);
      alternatives = List.copyOf(alternatives);
    }

    /** Free controls that are kept down. */
    public List<Hold> held() {
      return way.held();
    }
  }

  /**
   * Another fingering of the same note.
   *
   * @param way the fingering
   * @param extra what the whole plan would cost more with it; never negative unless locks forbid it
   * @param against what weighs most of what it costs more; empty when it would do as well
   */
  public record Alternative(Setup.Way way, double extra, Optional<Against> against) {
    /** Whether it costs so much more that nobody would want it here. */
    public boolean farOff() {
      return Plan.farOff(extra);
    }
  }

  /** Whether a fingering that costs so much more is one that nobody would want. */
  public static boolean farOff(double extra) {
    return extra > Weight.FAR_OFF;
  }

  /** What speaks against a fingering, and where. */
  public record Against(Why why, Where where) {}

  /** How one comes from a note to the one that follows in playing. */
  public enum Way {
    /** To the next note on the page. */
    ON,
    /** A repeat, a da capo or a dal segno leads back. */
    BACK,
    /** To a coda, or over an ending that is not played again. */
    AHEAD
  }

  /**
   * The change from one note to the next.
   *
   * @param from id of the first note
   * @param to id of the second
   * @param move what the hands do
   * @param seconds the time there is
   * @param difficulty 0 to 1
   * @param way whether it is the next note on the page, or a sign leads to it
   */
  public record PlannedMove(
      String from, String to, Move move, double seconds, double difficulty, Way way) {
    /** Wrong notes that may be heard on the way, the easiest to hear at this pace first. */
    public List<Move.Slip> slips() {
      return move.slips().stream()
          .sorted(Comparator.comparingDouble(s -> -s.audible(seconds)))
          .toList();
    }
  }

  /** What is kept down where it is not heard, in page order. */
  public List<KeptDown> keptDown() {
    return KeptDown.of(notes);
  }

  /** The notes on which a style was chosen and another fingering is planned. */
  public List<PlannedNote> outvoted(String style) {
    return notes.stream()
        .filter(n -> n.outvoted().filter(e -> e.style().containsKey(style)).isPresent())
        .toList();
  }

  /** The planned note of this id. */
  public Optional<PlannedNote> note(String id) {
    return notes.stream().filter(n -> n.note().id().equals(id)).findFirst();
  }

  /** A note that is fingered one way in one plan and another in the next. */
  public record Refingered(Note note, Setup.Way was, Setup.Way is) {}

  /** Every note that had another fingering in an earlier plan of the same part, in page order. */
  public List<Refingered> since(Plan before) {
    Map<String, Setup.Way> ways = new HashMap<>();
    before.notes.forEach(n -> ways.put(n.note().id(), n.way()));
    return notes.stream()
        .filter(n -> ways.containsKey(n.note().id()))
        .map(n -> new Refingered(n.note(), ways.get(n.note().id()), n.way()))
        .filter(r -> !r.was().entry().fingering().equals(r.is().entry().fingering()))
        .toList();
  }
}
