package sempre.core.planning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import sempre.core.Judgement.Trilling;
import sempre.core.instrument.Setup;
import sempre.core.instrument.TrillFingering.Quality;
import sempre.core.motion.Move;
import sempre.core.motion.Moves;
import sempre.core.pitch.Pitch;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Ornament;

/**
 * The fingerings of what is played around a note without being written out.
 *
 * @param kind which ornament
 * @param steps the notes in the order in which they are played; the first few of a trill
 * @param move from its first note to its second; empty when a note is missing
 * @param trill how the trill is played; empty for another ornament, and where there is no good way
 * @param missing a note of it that this instrument or hand does not have
 */
public record Ornamented(
    Ornament.Kind kind,
    List<Step> steps,
    Optional<Move> move,
    Optional<Trill> trill,
    Optional<Pitch> missing) {

  public Ornamented {
    steps = List.copyOf(steps);
  }

  /**
   * One note of it.
   *
   * @param written the note
   * @param way its fingering
   */
  public record Step(Pitch written, Setup.Way way) {}

  /**
   * Works out the ornament of a planned note: its own phrase, quick and slurred, in which the note
   * itself keeps the fingering it has.
   */
  static Optional<Ornamented> of(Note note, Setup.Way way, Player player) {
    List<Pitch> pitches = note.ornament().played(note.pitch());
    if (pitches.isEmpty()) {
      return Optional.empty();
    }
    if (note.ornament().kind() == Ornament.Kind.TRILL) {
      Optional<Trill> trill = Trills.from(way, note.ornament().upper().orElseThrow(), player);
      if (trill.isPresent()) {
        return Optional.of(trilled(note, pitches, trill.get()));
      }
    }
    List<Note> notes = new ArrayList<>();
    Map<String, String> locks = new HashMap<>();
    double quarters = Trilling.STEP_SECONDS * note.tempo() / 60;
    for (int i = 0; i < pitches.size(); i++) {
      String id = note.id() + "~" + i;
      Pitch p = pitches.get(i);
      notes.add(
          new Note(
              id,
              List.of(),
              note.bar(),
              note.beat(),
              note.onset() + i * quarters,
              quarters,
              p,
              false,
              i < pitches.size() - 1,
              note.dynamic(),
              note.tempo(),
              note.key(),
              Ornament.NONE,
              false,
              false,
              ""));
      if (p.equals(note.pitch())) {
        locks.put(id, way.entry().fingering());
      }
    }
    Choice choice = Planner.choose(new Line(1, "1", notes), player, locks, 1).get(0);
    if (choice.ways().size() < notes.size()) {
      Pitch missing =
          pitches.stream()
              .filter(p -> choice.notes().stream().noneMatch(n -> n.pitch().equals(p)))
              .findFirst()
              .orElseThrow();
      return Optional.of(
          new Ornamented(
              note.ornament().kind(),
              List.of(),
              Optional.empty(),
              Optional.empty(),
              Optional.of(missing)));
    }
    List<Step> steps = new ArrayList<>();
    for (int i = 0; i < notes.size(); i++) {
      steps.add(new Step(pitches.get(i), choice.ways().get(i)));
    }
    Move move = Moves.between(player.setup(), steps.get(0).way(), steps.get(1).way());
    return Optional.of(
        new Ornamented(
            note.ornament().kind(), steps, Optional.of(move), Optional.empty(), Optional.empty()));
  }

  private static Ornamented trilled(Note note, List<Pitch> pitches, Trill trill) {
    List<Step> steps =
        pitches.stream()
            .map(p -> new Step(p, p.equals(note.pitch()) ? trill.lower() : trill.upper()))
            .toList();
    return new Ornamented(
        Ornament.Kind.TRILL,
        steps,
        Optional.of(trill.move()),
        Optional.of(trill),
        Optional.empty());
  }

  /** How well a trill goes; empty for another ornament. */
  public Optional<Quality> quality() {
    return kind == Ornament.Kind.TRILL
        ? Optional.of(trill.map(Trill::quality).orElse(Quality.NONE))
        : Optional.empty();
  }
}
