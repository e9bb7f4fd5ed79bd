package sempre.core.teaching;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import sempre.core.instrument.Bore;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Hold;
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
   * @param why one sentence
   */
  public record WrongNote(Pitch written, String why) {}

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
                    wrong(setup, written, standard)));
  }

  /** The other partials or registers of the same hold, nearest first. */
  private static List<WrongNote> wrong(Setup setup, Pitch written, Entry standard) {
    Map<Integer, WrongNote> found = new LinkedHashMap<>();
    Fingering hold = standard.pattern().plain();
    boolean brass = standard.partial().isPresent();
    List<Pitch> same = new ArrayList<>(setup.notesOf(hold));
    if (setup.instrument().slide().isPresent() && hold.text().matches(".*[+-]")) {
      // the partials beside a position that is set higher or lower are those of the position itself
      String plain = hold.text().substring(0, hold.text().length() - 1);
      same.addAll(setup.notesOf(setup.instrument().keywork().read(plain)));
      same.sort(Comparator.comparingInt(Pitch::midi));
    }
    Optional<Pitch> below =
        same.stream().filter(p -> p.midi() < written.midi()).reduce((a, b) -> b);
    Optional<Pitch> above = same.stream().filter(p -> p.midi() > written.midi()).findFirst();
    String what =
        setup.instrument().slide().isPresent() ? "position" : brass ? "valves" : "fingers";
    below.ifPresent(
        p ->
            found.put(
                p.midi(),
                new WrongNote(
                    p,
                    "the same "
                        + what
                        + (brass
                            ? ", lips too slack: the partial below"
                            : ", too little air: the register below"))));
    above.ifPresent(
        p ->
            found.put(
                p.midi(),
                new WrongNote(
                    p,
                    "the same "
                        + what
                        + (brass
                            ? ", lips too tight: the partial above"
                            : ", blown too hard: the register above"))));
    setup.instrument().bore().ifPresent(b -> otherRegisters(b, written, hold, found));
    return List.copyOf(found.values());
  }

  private static void otherRegisters(
      Bore bore, Pitch written, Fingering hold, Map<Integer, WrongNote> found) {
    Optional<Bore.Register> meant = bore.register(written);
    if (meant.isEmpty()) {
      return;
    }
    List<Hold> bare = hold.holds().stream().filter(h -> !meant.get().with().contains(h)).toList();
    int low = bore.lowNote(bare).midi();
    if (low + meant.get().up() != written.midi()) {
      return; // a fork, or a note that the holes do not explain
    }
    List<Bore.Register> others = new ArrayList<>(bore.registers());
    others.removeIf(r -> r.up() == meant.get().up() || r.with().equals(meant.get().with()));
    for (Bore.Register r : others) {
      Pitch note = Pitch.usual(low + r.up());
      if (!r.has(note)) {
        continue;
      }
      String key = (r.with().isEmpty() ? meant.get() : r).with().get(0).control().name();
      found.putIfAbsent(
          note.midi(),
          new WrongNote(
              note,
              r.with().isEmpty()
                  ? "without the " + key + ": the lower register"
                  : "with the " + key + " pressed by mistake: the upper register"));
    }
  }
}
