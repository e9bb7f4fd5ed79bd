package sempre.core.teaching;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import sempre.core.instrument.Bore;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;

/**
 * What a hold sounds: by the instrument's table where it has the hold, else by the first open hole
 * of its bore (computed), in the register that is blown.
 */
final class Sounding {
  private final Setup setup;

  Sounding(Setup setup) {
    this.setup = setup;
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
      return new Heard(known, true);
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

  static List<Hold> without(List<Hold> holds, Hold gone) {
    return holds.stream().filter(h -> !h.equals(gone)).toList();
  }

  static List<Hold> with(List<Hold> holds, Hold more) {
    List<Hold> all = new ArrayList<>(holds);
    all.add(more);
    return all;
  }
}
