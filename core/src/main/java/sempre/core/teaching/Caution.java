package sempre.core.teaching;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import sempre.core.instrument.Blown;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;

/** A warning that belongs where something can hurt (common practice, no source). */
public enum Caution {
  /** High notes strain the lips. */
  HIGH_LIPS,
  /** High notes tempt to bite and press. */
  HIGH_REED,
  /** High notes tempt to overblow, and make dizzy. */
  HIGH_AIR,
  /** Long notes and slurs tire the lips. */
  LONG_LIPS,
  /** Long notes make dizzy who plays until out of breath. */
  LONG_AIR;

  /** Where a high note is no strain. */
  private static final Set<Blown.Voice> UNSTRAINED =
      EnumSet.of(Blown.Voice.RECORDER, Blown.Voice.STRUCK, Blown.Voice.DRUM);

  /** What is to be watched where notes are held long, or the lips alone lead from note to note. */
  public static Optional<Caution> whereLong(Setup setup) {
    return switch (setup.instrument().blown().voice()) {
      case BRASS, REED -> Optional.of(LONG_LIPS);
      case FLUTE, RECORDER -> Optional.of(LONG_AIR);
      case STRUCK, DRUM -> Optional.empty();
    };
  }

  /** What is to be watched on a note: only above what players of this stage have. */
  public static Optional<Caution> of(Setup setup, Pitch written, Stage stage) {
    Compass.Range range = setup.instrument().compass(setup.options()).of(stage);
    Blown.Voice voice = setup.instrument().blown().voice();
    if (written.midi() <= range.to().midi() || UNSTRAINED.contains(voice)) {
      return Optional.empty();
    }
    return Optional.of(
        switch (voice) {
          case BRASS -> HIGH_LIPS;
          case REED -> HIGH_REED;
          default -> HIGH_AIR;
        });
  }
}
