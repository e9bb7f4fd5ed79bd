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
 * Whether a hold can sound a note: by the instrument's table where it has the hold, else by the
 * first open hole of its bore (computed), in the register that is blown.
 */
final class Sounding {
  /** How sure it is that a hold sounds a note. */
  enum Sure {
    /** The table has it. */
    KNOWN,
    /** The first open hole says so. */
    BY_ITS_HOLES,
    NO
  }

  private final Setup setup;

  Sounding(Setup setup) {
    this.setup = setup;
  }

  Sure of(List<Hold> holds, Pitch heard, Optional<Bore.Register> blown) {
    if (setup.instrument().keywork().clash(holds).isPresent()) {
      return Sure.NO;
    }
    Fingering f = setup.instrument().keywork().fingering(holds);
    List<Pitch> known = setup.notesOf(f);
    if (known.stream().anyMatch(heard::soundsAs)) {
      return Sure.KNOWN;
    }
    Optional<Bore> bore = setup.instrument().bore();
    // what the table knows, or a fork, is not left to the holes
    if (!known.isEmpty() || bore.isEmpty() || blown.isEmpty() || bore.get().forked(f.holds())) {
      return Sure.NO;
    }
    return bore.get().midi(f.holds(), blown.get()).filter(m -> m == heard.midi()).isPresent()
        ? Sure.BY_ITS_HOLES
        : Sure.NO;
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
