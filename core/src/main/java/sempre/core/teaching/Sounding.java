package sempre.core.teaching;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import sempre.core.instrument.Bore;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;

/**
 * What a hold sounds: by the instrument's table where it has the hold, else by the first open hole
 * of its bore (computed), in the register that is blown.
 */
final class Sounding {
  private static final int OCTAVE_LETTERS = 7;

  private final Setup setup;
  private final boolean overblown;

  /**
   * What sounds instead of a note.
   *
   * @param meant the note and its fingering
   */
  Sounding(Setup setup, Entry meant) {
    this.setup = setup;
    this.overblown =
        setup.notesOf(meant.pattern().plain()).stream()
            .anyMatch(p -> p.midi() == meant.written().midi() - Bore.OCTAVE);
  }

  /**
   * What sounds.
   *
   * @param notes written, rising; none when nothing is known of the hold
   * @param known whether the table says so; else the first open hole
   */
  record Heard(List<Pitch> notes, boolean known) {
    static final Heard NOTHING = new Heard(List.of(), false);
  }

  Heard of(List<Hold> holds, Optional<Bore.Register> blown) {
    if (setup.instrument().keywork().clash(holds).isPresent()) {
      return Heard.NOTHING;
    }
    Fingering f = setup.instrument().keywork().fingering(holds);
    List<Pitch> known = setup.notesOf(f);
    if (!known.isEmpty()) {
      return new Heard(withOctave(usual(known, f)), true);
    }
    Optional<Bore> bore = setup.instrument().bore();
    // a fork is not left to the holes
    if (bore.isEmpty() || blown.isEmpty() || bore.get().forked(f.holds())) {
      return Heard.NOTHING;
    }
    return bore.get()
        .midi(f.holds(), blown.get())
        .map(m -> new Heard(List.of(Pitch.usual(m)), false))
        .orElse(Heard.NOTHING);
  }

  /**
   * Where a hold has notes of its own, those for which it is only a substitute do not sound (common
   * practice, no source).
   */
  private List<Pitch> usual(List<Pitch> known, Fingering f) {
    List<Pitch> own =
        known.stream()
            .filter(
                p ->
                    setup.ways(p).stream()
                        .filter(w -> w.fingering().equals(f))
                        .anyMatch(w -> w.entry().role() != Role.SPECIAL))
            .toList();
    return own.isEmpty() ? known : own;
  }

  /**
   * What the table knows of a hold an octave lower sounds here too where the air, and no key, makes
   * the octave: a flute's low E flat, blown as the E5 that was meant, is E flat 5 (computed: the
   * second partial of the same tube).
   */
  private List<Pitch> withOctave(List<Pitch> known) {
    List<Pitch> all = new ArrayList<>(known);
    if (overblown) {
      known.stream()
          .map(p -> p.plus(OCTAVE_LETTERS, Bore.OCTAVE))
          .filter(p -> p.midi() <= setup.highest().midi())
          .filter(p -> known.stream().noneMatch(p::soundsAs))
          .forEach(all::add);
    }
    return all;
  }

  static List<Hold> without(List<Hold> holds, Hold gone) {
    return holds.stream().filter(h -> !h.equals(gone)).toList();
  }

  static List<Hold> with(List<Hold> holds, Hold more) {
    List<Hold> all = new ArrayList<>(holds);
    all.add(more);
    return all;
  }
}
