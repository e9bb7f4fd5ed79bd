package sempre.core.learning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;

/** What a student plays already when the record begins: a range, by half steps or scale steps. */
public final class PlayedAlready {
  private static final int[] MAJOR = {0, 2, 4, 5, 7, 9, 11};

  private PlayedAlready() {}

  /**
   * The standard fingerings of a range, rising.
   *
   * @param range lowest and highest written note
   * @param scale the tonic, as it sounds, of the major scale whose steps are meant; empty for every
   *     half step
   */
  public static List<Entry> of(Setup setup, Compass.Range range, Optional<NoteName> scale) {
    Set<Integer> steps =
        scale
            .map(
                t ->
                    IntStream.of(MAJOR)
                        .mapToObj(s -> (t.pitchClass() + s) % 12)
                        .collect(Collectors.toSet()))
            .orElse(Set.of());
    List<Entry> entries = new ArrayList<>();
    for (int midi = range.from().midi(); midi <= range.to().midi(); midi++) {
      standard(setup, midi)
          .filter(e -> steps.isEmpty() || steps.contains(sounding(setup, e.written())))
          .ifPresent(entries::add);
    }
    return entries;
  }

  /** The standard fingering of a written note; empty where the instrument has none. */
  public static Optional<Entry> standard(Setup setup, int midi) {
    return setup.ways(midi).stream()
        .map(Setup.Way::entry)
        .filter(e -> e.role() == Role.STANDARD)
        .findFirst();
  }

  private static int sounding(Setup setup, Pitch written) {
    return setup.instrument().transposition().sounding(written).pitchClass();
  }
}
