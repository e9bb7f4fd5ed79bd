package sempre.core.instrument;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import sempre.core.Refusal;
import sempre.core.pitch.Pitch;

/**
 * The written notes of an instrument, for each stage of its players.
 *
 * @param when option values for which this compass holds; empty for all others
 * @param stages lowest and highest written note of each stage; every stage is there
 */
public record Compass(Map<String, String> when, Map<Stage, Range> stages) {
  /** From a lowest to a highest written note, both included. */
  public record Range(Pitch from, Pitch to) {
    public Range {
      if (from.midi() > to.midi()) {
        throw new Refusal("error.range", "from", from, "to", to);
      }
    }

    public boolean has(Pitch written) {
      return written.midi() >= from.midi() && written.midi() <= to.midi();
    }
  }

  public Compass {
    when = Map.copyOf(when);
    stages = java.util.Collections.unmodifiableMap(new EnumMap<>(stages));
  }

  /** The notes of one stage. */
  public Range of(Stage stage) {
    return stages.get(stage);
  }

  /** Lowest written note of all. */
  public Pitch lowest() {
    return of(Stage.ADVANCED).from();
  }

  /** Highest written note of all. */
  public Pitch highest() {
    return of(Stage.ADVANCED).to();
  }

  /** The first stage that has this note; empty when it lies beyond all. */
  public Optional<Stage> stageOf(Pitch written) {
    return stages.entrySet().stream()
        .filter(e -> e.getValue().has(written))
        .map(Map.Entry::getKey)
        .findFirst();
  }
}
