package sempre.core.score;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** All that sounds in a score at once, in concert pitch: what a changed part has to fit in with. */
public final class Texture {
  private static final int OCTAVE = 12;
  private static final double NEAR = 1e-6;

  /** Triads and seventh chords as semitones above the root (common practice, no source). */
  private static final List<Set<Integer>> CHORDS =
      List.of(
          Set.of(0, 4, 7),
          Set.of(0, 3, 7),
          Set.of(0, 3, 6),
          Set.of(0, 4, 8),
          Set.of(0, 4, 7, 10),
          Set.of(0, 4, 7, 11),
          Set.of(0, 3, 7, 10),
          Set.of(0, 3, 6, 10),
          Set.of(0, 3, 6, 9));

  /** The thirds, fourths, fifths and sixths, in semitones: two such notes imply a chord. */
  private static final Set<Integer> PAIR = Set.of(3, 4, 5, 7, 8, 9);

  /**
   * One sounding note.
   *
   * @param onset quarters from the start, in page order
   * @param end quarters from the start
   * @param midi as it sounds
   */
  public record Tone(double onset, double end, int midi) {}

  private final List<Tone> tones;
  private final List<Chord> given;

  private Texture(List<Tone> tones, List<Chord> given) {
    this.tones = List.copyOf(tones);
    this.given = List.copyOf(given);
  }

  /** The notes of every part, as they sound, and the chords that stand over them. */
  public static Texture of(Score score, PartChoice.Pages said) {
    PartChoice.Pages pages = PagePitch.of(score, said);
    List<Tone> tones = new ArrayList<>();
    for (Part p : score.parts()) {
      int sounds = PartChoice.sounds(p, pages).semitones();
      for (Line l : p.lines()) {
        for (Note n : l.notes()) {
          if (!n.grace()) {
            tones.add(new Tone(n.onset(), n.end(), n.pitch().midi() + sounds));
          }
        }
      }
    }
    return new Texture(tones, score.chords());
  }

  /** What sounds at some time between two moments. */
  public List<Tone> between(double from, double to) {
    return tones.stream().filter(t -> t.onset() < to - NEAR && t.end() > from + NEAR).toList();
  }

  /**
   * The chord of the beat on which a note begins: as it is written over the music, else the notes
   * that sound on the beat where they stack up in thirds. Empty where the score gives no harmony:
   * all play one line, or what sounds is no chord.
   */
  public Optional<Set<Integer>> chordAt(double onset, Bar bar) {
    if (!given.isEmpty()) {
      return given.stream()
          .filter(c -> c.onset() <= onset + NEAR)
          .reduce((a, b) -> b)
          .map(Chord::classes)
          .filter(c -> !c.isEmpty());
    }
    double length = bar.counted();
    double start = bar.start() + Math.floor((onset - bar.start()) / length + NEAR) * length;
    Set<Integer> classes = new TreeSet<>();
    between(start, start + 2 * NEAR + length / 64)
        .forEach(t -> classes.add(Math.floorMod(t.midi(), OCTAVE)));
    return isChord(classes) ? Optional.of(classes) : Optional.empty();
  }

  /** Whether pitch classes belong to one triad or seventh chord. */
  static boolean isChord(Set<Integer> classes) {
    if (classes.size() < 2) {
      return false;
    }
    if (classes.size() == 2) {
      List<Integer> two = List.copyOf(classes);
      return PAIR.contains(Math.floorMod(two.get(0) - two.get(1), OCTAVE));
    }
    for (int root = 0; root < OCTAVE; root++) {
      int r = root;
      Set<Integer> above = new TreeSet<>();
      classes.forEach(c -> above.add(Math.floorMod(c - r, OCTAVE)));
      if (CHORDS.stream().anyMatch(c -> c.containsAll(above))) {
        return true;
      }
    }
    return false;
  }
}
