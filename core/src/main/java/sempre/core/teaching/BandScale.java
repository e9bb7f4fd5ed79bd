package sempre.core.teaching;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;

/**
 * One scale of the band as one instrument reads and fingers it, one octave up from its key note.
 *
 * @param setup the instrument
 * @param notes from the key note up to its octave
 */
public record BandScale(Setup setup, List<Degree> notes) {
  /**
   * One note of a scale.
   *
   * @param standard its usual fingering
   * @param beyond whether it lies outside what the stage has
   */
  public record Degree(Pitch written, Entry standard, boolean beyond) {}

  /** Which notes a scale has, as letters and semitones above its key note. */
  public enum Kind {
    MAJOR(new int[] {0, 1, 2, 3, 4, 5, 6, 7}, new int[] {0, 2, 4, 5, 7, 9, 11, 12}),
    NATURAL_MINOR(new int[] {0, 1, 2, 3, 4, 5, 6, 7}, new int[] {0, 2, 3, 5, 7, 8, 10, 12}),
    HARMONIC_MINOR(new int[] {0, 1, 2, 3, 4, 5, 6, 7}, new int[] {0, 2, 3, 5, 7, 8, 11, 12}),
    CHROMATIC(new int[] {}, new int[] {0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12});

    private final int[] letters;
    private final int[] semitones;

    Kind(int[] letters, int[] semitones) {
      this.letters = letters;
      this.semitones = semitones;
    }

    /** The notes above a key note; those of the chromatic scale as band music usually has them. */
    List<Pitch> from(Pitch key) {
      List<Pitch> notes = new ArrayList<>();
      for (int i = 0; i < semitones.length; i++) {
        notes.add(
            this == CHROMATIC
                ? Pitch.usual(key.midi() + semitones[i])
                : key.plus(letters[i], semitones[i]));
      }
      return notes;
    }
  }

  public BandScale {
    notes = List.copyOf(notes);
  }

  /**
   * A scale on one instrument. Of the octaves that it can play, the one is taken of which most
   * notes are those of the stage, then of the first years; of equals the one that lies nearest to
   * the middle of what the first years have (common practice, no source).
   *
   * @param concert its key note as it sounds; the octave says nothing
   * @return empty where the instrument plays no whole octave of it
   */
  public static Optional<BandScale> of(Pitch concert, Kind kind, Setup setup, Stage stage) {
    Instrument instrument = setup.instrument();
    Compass compass = instrument.compass(setup.options());
    Pitch key = spelled(instrument.transposition().written(concert), kind);
    List<BandScale> there = new ArrayList<>();
    for (int octaves = -FARTHEST; octaves <= FARTHEST; octaves++) {
      List<Degree> notes = new ArrayList<>();
      for (Pitch p : kind.from(key.octaves(octaves))) {
        setup.ways(p).stream()
            .map(Setup.Way::entry)
            .filter(e -> e.role() == Role.STANDARD)
            .findFirst()
            .ifPresent(e -> notes.add(new Degree(p, e, !compass.of(stage).has(p))));
      }
      if (notes.size() == kind.semitones.length) {
        there.add(new BandScale(setup, notes));
      }
    }
    return there.stream()
        .min(
            Comparator.comparingLong((BandScale s) -> s.outside(compass.of(stage)))
                .thenComparing(s -> s.outside(compass.of(Stage.FIRST_YEARS)))
                .thenComparing(s -> s.fromTheMiddle(compass.of(Stage.FIRST_YEARS))));
  }

  /** The farthest a key note is moved, in octaves. */
  private static final int FARTHEST = 3;

  private long outside(Compass.Range range) {
    return notes.stream().filter(d -> !range.has(d.written())).count();
  }

  /** Half steps, twice, between the middle of the scale and that of a range. */
  private int fromTheMiddle(Compass.Range range) {
    int middle = notes.get(0).written().midi() + notes.get(notes.size() - 1).written().midi();
    return Math.abs(middle - range.from().midi() - range.to().midi());
  }

  /** The key note under the name that needs fewer accidentals in this scale. */
  private static Pitch spelled(Pitch key, Kind kind) {
    if (kind == Kind.CHROMATIC) {
      return key;
    }
    return List.of(key, key.plus(1, 0), key.plus(-1, 0)).stream()
        .filter(p -> Math.abs(p.alter()) <= 1)
        .min(Comparator.comparingInt(p -> accidentals(p, kind)))
        .orElse(key);
  }

  private static int accidentals(Pitch key, Kind kind) {
    return kind.from(key).stream().mapToInt(p -> p.alter() * p.alter()).sum();
  }
}
