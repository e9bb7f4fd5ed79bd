package sempre.core.teaching;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import sempre.core.Judgement.Rank;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;

/**
 * One concert pitch as one instrument reads, fingers and misses it.
 *
 * @param setup the instrument
 * @param written the note on its page, in the octave that fits
 * @param octaves octaves by which it was moved to fit the stage, up positive; 0 as asked
 * @param standard its usual fingering
 * @param others its other fingerings, without what is never planned
 * @param wrongNotes what comes out instead with the same hands
 */
public record NewNote(
    Setup setup,
    Pitch written,
    int octaves,
    Entry standard,
    List<Entry> others,
    List<WrongNote> wrongNotes) {
  /**
   * A note that comes out instead.
   *
   * @param written how this player would write it
   * @param fault why
   */
  public record WrongNote(Pitch written, Fault fault) {}

  /** The farthest a note is moved to fit, in octaves. */
  private static final int FARTHEST = 4;

  public NewNote {
    others = List.copyOf(others);
    wrongNotes = List.copyOf(wrongNotes);
  }

  /**
   * One concert pitch on one instrument.
   *
   * @param stage how far its players have got; outside its range the nearest octave is taken
   * @return empty when no octave of the note lies in that range
   */
  public static Optional<NewNote> of(Pitch concert, Setup setup, Stage stage) {
    Instrument instrument = setup.instrument();
    Compass.Range range = instrument.compass(setup.options()).of(stage);
    Pitch asked = instrument.transposition().written(concert).inAKey();
    for (int away = 0; away <= FARTHEST; away++) {
      for (int octaves : away == 0 ? new int[] {0} : new int[] {-away, away}) {
        Pitch written = asked.plus(7 * octaves, 12 * octaves);
        Optional<NewNote> note =
            range.has(written) ? at(written, octaves, setup) : Optional.empty();
        if (note.isPresent()) {
          return note;
        }
      }
    }
    return Optional.empty();
  }

  /** A note as it stands on the page; empty when the instrument has no standard for it. */
  public static Optional<NewNote> written(Pitch written, Setup setup) {
    return at(written, 0, setup);
  }

  private static Optional<NewNote> at(Pitch written, int octaves, Setup setup) {
    List<Entry> entries = setup.ways(written).stream().map(Setup.Way::entry).distinct().toList();
    return entries.stream()
        .filter(e -> e.role() == Role.STANDARD)
        .findFirst()
        .map(
            standard ->
                new NewNote(
                    setup,
                    written,
                    octaves,
                    standard,
                    entries.stream()
                        .filter(e -> e != standard && e.role() != Role.SPECIAL)
                        .toList(),
                    wrong(setup, standard)));
  }

  /** What comes out with the same hands, or without the register key, the nearest below first. */
  private static List<WrongNote> wrong(Setup setup, Entry standard) {
    Map<Integer, WrongNote> found = new TreeMap<>();
    for (Faults.Found f : Faults.of(setup, standard)) {
      boolean hands =
          f.fault().kind() == Fault.Kind.REGISTER
              || f.fault() instanceof Fault.Partial p && f.rank() == Rank.NEXT_PARTIAL;
      if (hands) {
        f.heard().forEach(p -> found.putIfAbsent(p.midi(), new WrongNote(p, f.fault())));
      }
    }
    return List.copyOf(found.values());
  }
}
