package sempre.core.instrument;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import sempre.core.pitch.Pitch;

/**
 * How an instrument is blown.
 *
 * @param voice what makes the sound
 * @param from the written notes from which another air begins, rising; none on brass, where the way
 *     from partial to partial counts
 * @param breath for how many seconds one breath lasts at mezzo forte, at each stage; empty where
 *     nothing is blown
 */
public record Blown(Voice voice, List<Pitch> from, Map<Stage, Integer> breath) {
  /** What makes the sound. */
  public enum Voice {
    FLUTE,
    RECORDER,
    REED,
    BRASS,
    /** Nothing is blown: bars are struck. */
    STRUCK,
    /** Nothing is blown and nothing has a pitch: drums and cymbals. */
    DRUM
  }

  public Blown {
    from = List.copyOf(from);
    breath = Map.copyOf(breath);
  }

  /** For how many seconds one breath lasts at mezzo forte; empty where nothing is blown. */
  public Optional<Integer> breath(Stage stage) {
    return Optional.ofNullable(breath.get(stage));
  }

  /** The register of a note by its air, from 0 up. */
  public int register(Pitch written) {
    return (int) from.stream().filter(p -> written.midi() >= p.midi()).count();
  }
}
