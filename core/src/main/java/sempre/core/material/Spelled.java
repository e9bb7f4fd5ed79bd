package sempre.core.material;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import sempre.core.Deadline;
import sempre.core.Judgement;
import sempre.core.making.Mode;
import sempre.core.pitch.Pitch;
import sempre.core.score.Note;

/**
 * A chord that passages of a line spell out, note after note: what they have stacks in thirds.
 *
 * @param root of the chord, as written
 * @param chord what stands on it
 * @param passages where, in page order
 */
public record Spelled(Pitch root, Mode chord, List<Passage> passages) {
  private static final double NEAR = 1e-6;

  /** Chords of thirds, the smaller first. */
  private static final List<Mode> CHORDS =
      List.of(
          Mode.MAJOR_CHORD,
          Mode.MINOR_CHORD,
          Mode.DIMINISHED_CHORD,
          Mode.AUGMENTED_CHORD,
          Mode.DOMINANT_SEVENTH,
          Mode.MAJOR_SEVENTH,
          Mode.MINOR_SEVENTH,
          Mode.HALF_DIMINISHED_SEVENTH,
          Mode.DIMINISHED_SEVENTH);

  private static final int TRIAD = 3;

  /** Some notes that follow one another, by the first and the last. */
  public record Passage(Note first, Note last) {}

  public Spelled {
    passages = List.copyOf(passages);
  }

  /** A letter with its sharp or flat, in whichever octave. */
  private record Name(int letter, int alter) {
    static Name of(Pitch p) {
      return new Name(p.letter().ordinal(), p.alter());
    }
  }

  /** How many notes the passages have at which one meets it. */
  private record Found(int length, Pitch root, Mode chord) {}

  /**
   * How far a line keeps to the notes of a chord, and whether it meets all of them: the same for
   * every note on the way there, so that it is walked once.
   */
  private record Walk(int to, boolean whole) {}

  /** A chord on a root, in whichever octave. */
  private record On(Name root, Mode chord) {}

  /** The chords of a line, the one that is met most often first. */
  public static List<Spelled> of(List<Note> notes) {
    Map<On, Walk> walks = new HashMap<>();
    Map<String, Spelled> all = new LinkedHashMap<>();
    int at = 0;
    while (at < notes.size()) {
      Deadline.check();
      Optional<Found> found = at(notes, at, walks);
      // by a step a line comes into a chord: D, C, F, A and C are a D and F major
      if (found.isPresent() && step(notes, at + 1) && at(notes, at + 1, walks).isPresent()) {
        at++;
        continue;
      }
      if (found.isEmpty()) {
        at++;
        continue;
      }
      Found f = found.get();
      Passage p = new Passage(notes.get(at), notes.get(at + f.length() - 1));
      all.merge(
          f.root().spokenName() + f.chord(),
          new Spelled(f.root(), f.chord(), List.of(p)),
          Spelled::and);
      at += f.length();
    }
    return all.values().stream()
        .sorted(Comparator.comparingInt((Spelled s) -> -s.passages().size()))
        .toList();
  }

  private Spelled and(Spelled more) {
    List<Passage> both = new ArrayList<>(passages);
    both.addAll(more.passages);
    return new Spelled(root, chord, both);
  }

  /**
   * The longest chord that begins with a note. A triad is one though a seventh chord on another
   * root would have more notes, or one whose seventh comes by a step: C, E, G, C and A are C major
   * and an A, and with a B instead of it C major and a B.
   */
  private static Optional<Found> at(List<Note> notes, int from, Map<On, Walk> walks) {
    Optional<Found> triad = at(notes, from, true, walks);
    Optional<Found> seventh = at(notes, from, false, walks);
    return seventh
        .filter(
            s -> triad.isEmpty() || s.root().spokenName().equals(triad.get().root().spokenName()))
        .filter(
            s ->
                triad.isEmpty()
                    || s.length() > triad.get().length() && !step(notes, from + s.length() - 1))
        .or(() -> triad);
  }

  private static Optional<Found> at(
      List<Note> notes, int from, boolean triads, Map<On, Walk> walks) {
    return CHORDS.stream()
        .filter(c -> c.size() == TRIAD == triads)
        .flatMap(
            c -> {
              List<Found> on = new ArrayList<>();
              for (int place = 0; place < c.size(); place++) {
                root(notes.get(from).pitch(), c, place)
                    .flatMap(root -> found(notes, from, root, c, walks))
                    .ifPresent(on::add);
              }
              return on.stream();
            })
        .max(Comparator.comparingInt(Found::length));
  }

  /** On which root a note is the nth of a chord. */
  private static Optional<Pitch> root(Pitch note, Mode chord, int place) {
    Pitch up = chord.note(note, place, false);
    int letters = up.staffStep() - note.staffStep();
    Pitch root = note.plus(-letters, note.midi() - up.midi());
    // where that would need a triple flat it is spelled anew, and no chord of thirds
    return chord.note(root, place, false).equals(note) ? Optional.of(root) : Optional.empty();
  }

  private static Optional<Found> found(
      List<Note> notes, int from, Pitch root, Mode chord, Map<On, Walk> walks) {
    On on = new On(Name.of(root), chord);
    Walk before = walks.get(on);
    boolean onTheWay = before != null && from < before.to();
    // what was not whole from farther back is not from here
    if (onTheWay && !before.whole()) {
      return Optional.empty();
    }
    Set<Name> tones = new HashSet<>();
    for (int i = 0; i < chord.size(); i++) {
      tones.add(Name.of(chord.note(root, i, false)));
    }
    int to = onTheWay ? before.to() : from;
    while (to < notes.size()
        && tones.contains(Name.of(notes.get(to).pitch()))
        && !notes.get(to).grace()
        && (to == from || follows(notes.get(to - 1), notes.get(to)))) {
      to++;
    }
    Set<Name> met = new HashSet<>();
    for (int i = from; i < to && met.size() < chord.size(); i++) {
      met.add(Name.of(notes.get(i).pitch()));
    }
    boolean whole = met.size() == chord.size();
    if (to > from) {
      walks.put(on, new Walk(to, whole));
    }
    return whole && to - from >= Judgement.Material.CHORD_NOTES
        ? Optional.of(new Found(to - from, root, chord))
        : Optional.empty();
  }

  /** Whether a step leads to a note. */
  private static boolean step(List<Note> notes, int to) {
    int from = notes.get(to - 1).pitch().staffStep();
    return Math.abs(notes.get(to).pitch().staffStep() - from) == 1;
  }

  private static boolean follows(Note a, Note b) {
    return Math.abs(b.onset() - a.end()) < NEAR;
  }
}
