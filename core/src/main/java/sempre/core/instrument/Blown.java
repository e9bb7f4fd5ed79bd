package sempre.core.instrument;

import java.util.List;
import sempre.core.pitch.Pitch;

/**
 * How an instrument is blown.
 *
 * @param voice what makes the sound
 * @param from the written notes from which another air begins, rising; none on brass, where the way
 *     from partial to partial counts
 */
public record Blown(Voice voice, List<Pitch> from) {
  /** What makes the sound. */
  public enum Voice {
    FLUTE,
    RECORDER,
    REED,
    BRASS,
    /** Nothing is blown: bars and skins are struck. */
    STRUCK
  }

  public Blown {
    from = List.copyOf(from);
  }

  /** The register of a note by its air, from 0 up. */
  public int register(Pitch written) {
    return (int) from.stream().filter(p -> written.midi() >= p.midi()).count();
  }
}
