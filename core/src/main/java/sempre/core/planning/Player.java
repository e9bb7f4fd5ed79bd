package sempre.core.planning;

import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import sempre.core.Refusal;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Role;
import sempre.core.instrument.Rule;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.score.Note;

/**
 * Who plays: the instrument with its options, the hand, what is learned, the teacher's way.
 *
 * @param setup the particular instrument
 * @param style the house style, complete
 * @param decided names of the styles that the teacher has chosen; the others are what is usual
 * @param avoid what the hand can't reach, as {@link sempre.core.instrument.Keywork#place(Hold)}
 *     names it
 * @param known what the player has; empty when nothing is known about that, so that all counts
 */
public record Player(
    Setup setup,
    Map<String, String> style,
    Set<String> decided,
    Set<String> avoid,
    Optional<Known> known) {
  public Player {
    style = Map.copyOf(style);
    decided = Set.copyOf(decided);
    avoid = Set.copyOf(avoid);
  }

  /**
   * Checks the words first.
   *
   * @param avoid what the hand can't reach; a name without a side means both hands
   * @throws Refusal naming what there is instead
   */
  public static Player of(
      Setup setup, Map<String, String> style, Set<String> avoid, Optional<Known> known) {
    Set<String> places = new LinkedHashSet<>();
    avoid.forEach(a -> places.addAll(setup.instrument().keywork().places(a, setup.options())));
    return new Player(setup, setup.instrument().stylesWith(style), style.keySet(), places, known);
  }

  /** One who has everything and reaches everything, in the usual style. */
  public static Player able(Setup setup) {
    return of(setup, Map.of(), Set.of(), Optional.empty());
  }

  /** The same player, knowing something else. */
  public Player knowing(Optional<Known> other) {
    return new Player(setup, style, decided, avoid, other);
  }

  /** The same player, with one style as a teacher decides it. */
  public Player playing(String name, String school) {
    Map<String, String> with = new HashMap<>(style);
    with.put(name, school);
    Set<String> names = new HashSet<>(decided);
    names.add(name);
    return new Player(setup, with, names, avoid, known);
  }

  /** Whether the hand reaches all that a fingering holds. */
  public boolean reaches(Setup.Way way) {
    return avoid.isEmpty() || way.fingering().holds().stream().allMatch(this::reaches);
  }

  /** Whether the hand reaches a control at all, and, for a half hole, half of it. */
  boolean reaches(Hold h) {
    return !avoid.contains(setup.instrument().keywork().place(h.control()))
        && !(h.way() == Hold.Way.HALF && avoid.contains(setup.instrument().keywork().place(h)));
  }

  /**
   * How this player fingers a note that stands by itself: the house's way, else the standard, else
   * what the hand reaches, a trill fingering only where nothing else is left; empty when it has
   * none.
   */
  public Optional<Setup.Way> usual(Pitch note) {
    List<Setup.Way> ways =
        setup.ways(note).stream()
            .filter(w -> w.entry().role() != Role.SPECIAL && w.held().isEmpty() && reaches(w))
            .sorted(Comparator.comparing(w -> w.entry().role() == Role.TRILL))
            .toList();
    return ways.stream()
        .filter(w -> Price.house(w.entry(), style))
        .findFirst()
        .or(() -> ways.stream().filter(w -> w.entry().role() == Role.STANDARD).findFirst())
        .or(() -> ways.stream().findFirst());
  }

  /**
   * Whether a fingering of a note is this player's usual one: what the school's style plays in the
   * key, where it names one that the hand reaches, else the standard. Only what departs from it is
   * marked on paper.
   */
  public boolean isUsual(Note note, Entry entry) {
    boolean named =
        setup.ways(note.pitch()).stream()
            .filter(w -> w.held().isEmpty() && reaches(w))
            .anyMatch(w -> Price.house(w.entry(), style) && fits(w.entry(), note.key()));
    return named ? Price.house(entry, style) : entry.role() == Role.STANDARD;
  }

  /** Whether a fingering is not kept for keys of another sort, as thumb B flat is for flat ones. */
  private static boolean fits(Entry e, KeySignature key) {
    return e.rules().stream()
        .filter(r -> r.when() == Rule.When.FLAT_KEY && r.verdict() == Rule.Verdict.NEVER)
        .noneMatch(r -> key.fifths() < 0 != r.not());
  }

  /**
   * The nearest octave in which this player has a fingering for a note, the lower of two; empty
   * when there is none. It is a note that players of the stage have; up, one of the first years,
   * since what stands in must not be harder than the note itself (common practice, no source).
   */
  public Optional<Pitch> octaveFor(Pitch note, Stage stage) {
    Compass compass = setup.instrument().compass(setup.options());
    for (int octaves : new int[] {-1, 1, -2, 2}) {
      Pitch other = note.plus(7 * octaves, 12 * octaves);
      boolean there =
          compass.of(octaves < 0 ? stage : Stage.FIRST_YEARS).has(other)
              && setup.ways(other).stream()
                  .anyMatch(w -> w.entry().role() != Role.SPECIAL && reaches(w));
      if (there) {
        return Optional.of(other);
      }
    }
    return Optional.empty();
  }

  /**
   * What a player has learned.
   *
   * @param fingerings note and fingering as {@link #key} writes them
   * @param secure those of them that are not shaky: only from these is something new explained
   */
  public record Known(Set<String> fingerings, Set<String> secure) {
    public Known {
      fingerings = Set.copyOf(fingerings);
      secure = Set.copyOf(secure);
    }

    /** What is learned, and all of it is secure. */
    public Known(Set<String> fingerings) {
      this(fingerings, fingerings);
    }

    /** One note with one plain fingering, as text. */
    public static String key(Pitch written, String fingering) {
      return written.midi() + " " + fingering;
    }

    public boolean has(Pitch written, String fingering) {
      return fingerings.contains(key(written, fingering));
    }

    /** Whether the note is secure with this fingering. */
    public boolean isSecure(Pitch written, String fingering) {
      return secure.contains(key(written, fingering));
    }

    /** Whether any fingering of the note is learned. */
    public boolean hasNote(Pitch written) {
      String start = written.midi() + " ";
      return fingerings.stream().anyMatch(f -> f.startsWith(start));
    }
  }
}
