package sempre.core.material;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import sempre.core.Judgement;
import sempre.core.making.Mode;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.score.Note;

/**
 * A key in which a piece stands for a while.
 *
 * @param tonic as written
 * @param quarters for how many it does
 */
public record InKey(Pitch tonic, boolean minor, double quarters) {
  private static final int OCTAVE = 4;
  private static final int PITCH_CLASSES = 12;

  /**
   * How well each half step above a major tonic was felt to fit it, times 100 (published: C. L.
   * Krumhansl and E. J. Kessler, Psychological Review 89, 1982; the figures are those of music21
   * 10.5, BSD).
   */
  private static final int[] MAJOR = {635, 223, 348, 233, 438, 409, 252, 519, 239, 366, 229, 288};

  /** The same above a minor tonic. */
  private static final int[] MINOR = {633, 268, 352, 538, 260, 353, 254, 475, 398, 269, 334, 317};

  /**
   * The keys of a line, the one that holds longest first. A signature leaves two: that is meant on
   * whose tonic the line comes to rest (common practice, no source), else that whose profile its
   * notes are nearer to.
   */
  public static List<InKey> of(List<Note> notes) {
    Map<KeySignature, List<Note>> by = new LinkedHashMap<>();
    notes.forEach(n -> by.computeIfAbsent(n.key(), k -> new ArrayList<>()).add(n));
    List<InKey> keys =
        by.entrySet().stream()
            .map(e -> of(e.getKey(), e.getValue()))
            .sorted(Comparator.comparingDouble(InKey::quarters).reversed())
            .toList();
    List<InKey> held =
        keys.stream().filter(k -> k.quarters() >= Judgement.Material.KEY_QUARTERS).toList();
    return held.isEmpty() ? keys.subList(0, Math.min(1, keys.size())) : held;
  }

  private static InKey of(KeySignature signature, List<Note> notes) {
    Pitch major = Pitch.onFifths(signature.fifths(), OCTAVE);
    Pitch minor = Pitch.onFifths(signature.fifths() + 3, OCTAVE);
    double quarters = notes.stream().mapToDouble(Note::quarters).sum();
    int last = notes.get(notes.size() - 1).pitch().pitchClass();
    boolean isMinor =
        last == minor.pitchClass()
            || last != major.pitchClass() && fit(notes, minor, MINOR) > fit(notes, major, MAJOR);
    return new InKey(isMinor ? minor : major, isMinor, quarters);
  }

  /** Pearson's correlation of how long each pitch class sounds with a profile. */
  private static double fit(List<Note> notes, Pitch tonic, int[] profile) {
    double[] sounds = new double[PITCH_CLASSES];
    for (Note n : notes) {
      sounds[Math.floorMod(n.pitch().midi() - tonic.midi(), PITCH_CLASSES)] += n.quarters();
    }
    double x = 0;
    double y = 0;
    for (int i = 0; i < PITCH_CLASSES; i++) {
      x += sounds[i] / PITCH_CLASSES;
      y += (double) profile[i] / PITCH_CLASSES;
    }
    double together = 0;
    double own = 0;
    double theirs = 0;
    for (int i = 0; i < PITCH_CLASSES; i++) {
      together += (sounds[i] - x) * (profile[i] - y);
      own += (sounds[i] - x) * (sounds[i] - x);
      theirs += (profile[i] - y) * (profile[i] - y);
    }
    return own == 0 ? 0 : together / Math.sqrt(own * theirs);
  }

  public KeySignature signature() {
    return KeySignature.NATURAL.plus(scale().fifths(tonic));
  }

  /** The note of the key with a number, in natural minor; empty where it has none. */
  public Optional<Pitch> note(int midi) {
    Mode mode = minor ? Mode.NATURAL_MINOR : Mode.MAJOR;
    return IntStream.range(0, mode.size())
        .mapToObj(place -> mode.note(tonic, place, false))
        .map(p -> p.octaves(Math.floorDiv(midi - p.midi(), PITCH_CLASSES)))
        .filter(p -> p.midi() == midi)
        .findFirst();
  }

  /**
   * A note as it stands in the chromatic scale: as in the key, else with a sharp up, a flat down.
   */
  public Pitch chromatic(int midi, boolean up) {
    return note(midi).orElseGet(() -> Pitch.ofMidi(midi, up));
  }

  /** The scale that is played of it up and down. */
  public Mode scale() {
    return minor ? Mode.MELODIC_MINOR : Mode.MAJOR;
  }

  /** The scale from whose notes its chords are built. */
  public Mode chords() {
    return minor ? Mode.HARMONIC_MINOR : Mode.MAJOR;
  }

  /** Its broken chord. */
  public Mode triad() {
    return minor ? Mode.MINOR_CHORD : Mode.MAJOR_CHORD;
  }

  /** The note on which its dominant seventh stands. */
  public Pitch dominant() {
    return tonic.plus(4, 7);
  }
}
