package sempre.core.learning;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import sempre.core.instrument.Entry;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.core.score.Bar;
import sempre.core.score.Note;
import sempre.core.score.Part;

/**
 * What each exercise of a book brings that none before it had, as one instrument reads it.
 *
 * <p>A note is <i>practised</i> by an exercise that has it three times or more, and <i>met in
 * passing</i> by one that has it less often (common practice, no source: an exercise that brings a
 * note dwells on it). Where a note is met in passing and only a later exercise practises it, the
 * player meets it before it is introduced.
 */
public final class Book {
  /** An exercise practises a note that it has so often. */
  private static final int PRACTISED = 3;

  /** So many ticks has a quarter; a length is told by the nearest within a quarter of a tick. */
  private static final int TICKS = 24;

  private static final int FINE = 4;

  private Book() {}

  /** How long a note is written, from the longest to the shortest. */
  public enum Length {
    WHOLE(96),
    DOTTED_HALF(72),
    HALF(48),
    DOTTED_QUARTER(36),
    QUARTER(24),
    DOTTED_EIGHTH(18),
    QUARTER_TRIPLET(16),
    EIGHTH(12),
    EIGHTH_TRIPLET(8),
    SIXTEENTH(6),
    THIRTY_SECOND(3);

    private final int ticks;

    Length(int ticks) {
      this.ticks = ticks;
    }

    /** The length of so many quarters; empty where no single note is so long. */
    public static Optional<Length> of(double quarters) {
      for (Length l : values()) {
        if (Math.abs(quarters * TICKS - l.ticks) * FINE < 1) {
          return Optional.of(l);
        }
      }
      return Optional.empty();
    }
  }

  /** A metre as it stands in the signature. */
  public record Metre(int beats, int beatType) {}

  /** A fingering of a note, as written on the player's page. */
  public record Fingered(Pitch note, Entry entry) {}

  /**
   * A note that is met before it is introduced.
   *
   * @param times how often the exercise has it, once or twice
   * @param introduced place of the exercise that practises it first, from 0
   */
  public record Early(Pitch note, int times, int introduced) {}

  /**
   * An exercise as the instrument reads it.
   *
   * @param plan its fingerings; empty where they are not asked about
   */
  public record Read(Part part, Optional<Plan> plan) {}

  /**
   * What one exercise brings.
   *
   * @param notes rising; each sound once
   * @param fingerings of notes that were there before, in the order in which they come
   * @param keys signatures, as written for the instrument
   * @param lengths from the longest to the shortest
   * @param early notes among the new ones that a later exercise introduces
   * @param soFar how many notes the book has had with this exercise
   */
  public record Brings(
      List<Pitch> notes,
      List<Fingered> fingerings,
      List<KeySignature> keys,
      List<Metre> metres,
      List<Length> lengths,
      List<Early> early,
      int soFar) {
    public Brings {
      notes = List.copyOf(notes);
      fingerings = List.copyOf(fingerings);
      keys = List.copyOf(keys);
      metres = List.copyOf(metres);
      lengths = List.copyOf(lengths);
      early = List.copyOf(early);
    }
  }

  /**
   * Goes through a book.
   *
   * @param exercises in the order of the book
   */
  public static List<Brings> of(List<Read> exercises) {
    List<Map<Integer, Integer>> counts = exercises.stream().map(Book::counts).toList();
    Set<Integer> sounds = new HashSet<>();
    Set<String> fingerings = new HashSet<>();
    Set<KeySignature> keys = new HashSet<>();
    Set<Metre> metres = new HashSet<>();
    Set<Length> lengths = new HashSet<>();
    List<Brings> all = new ArrayList<>();
    for (int i = 0; i < exercises.size(); i++) {
      Read e = exercises.get(i);
      Map<Integer, Pitch> fresh = new TreeMap<>();
      notes(e).forEach(n -> fresh.putIfAbsent(n.pitch().midi(), n.pitch()));
      fresh.keySet().removeAll(sounds);
      List<Fingered> others =
          e.plan().map(p -> fingerings(p, fingerings, sounds)).orElse(List.of());
      sounds.addAll(fresh.keySet());
      all.add(
          new Brings(
              List.copyOf(fresh.values()),
              others,
              fresh(e.part().bars().stream().map(Bar::key).toList(), keys),
              fresh(
                  e.part().bars().stream().map(b -> new Metre(b.beats(), b.beatType())).toList(),
                  metres),
              List.copyOf(new TreeSet<>(fresh(lengths(e), lengths))),
              early(fresh.values(), counts, i),
              sounds.size()));
    }
    return all;
  }

  private static List<Note> notes(Read e) {
    return e.part().topLine().map(l -> l.notes()).orElse(List.of());
  }

  private static List<Length> lengths(Read e) {
    return notes(e).stream()
        // what is tied together has no length of its own on the page
        .filter(n -> !n.grace() && n.tied().isEmpty())
        .flatMap(n -> Length.of(n.quarters()).stream())
        .toList();
  }

  /** How often each sound comes. */
  private static Map<Integer, Integer> counts(Read e) {
    Map<Integer, Integer> counts = new HashMap<>();
    notes(e).forEach(n -> counts.merge(n.pitch().midi(), 1, Integer::sum));
    return counts;
  }

  /** What of these has not been had before; from now on it has. */
  private static <T> List<T> fresh(List<T> all, Set<T> had) {
    Set<T> fresh = new LinkedHashSet<>(all);
    fresh.removeAll(had);
    had.addAll(fresh);
    return List.copyOf(fresh);
  }

  /** Fingerings that are new, of notes that are not: those of a new note come with it. */
  private static List<Fingered> fingerings(Plan plan, Set<String> had, Set<Integer> sounds) {
    Map<String, Fingered> fresh = new LinkedHashMap<>();
    for (Plan.PlannedNote n : plan.notes()) {
      Pitch written = n.note().pitch();
      // what may be held or not is no other fingering
      String fingering = n.way().entry().pattern().plain().text();
      String key = Player.Known.key(written, fingering);
      if (had.add(key) && sounds.contains(written.midi())) {
        fresh.put(key, new Fingered(written, n.way().entry()));
      }
    }
    return List.copyOf(fresh.values());
  }

  private static List<Early> early(
      Collection<Pitch> fresh, List<Map<Integer, Integer>> counts, int here) {
    List<Early> early = new ArrayList<>();
    for (Pitch p : fresh) {
      int times = counts.get(here).get(p.midi());
      for (int later = here + 1; times < PRACTISED && later < counts.size(); later++) {
        if (counts.get(later).getOrDefault(p.midi(), 0) >= PRACTISED) {
          early.add(new Early(p, times, later));
          break;
        }
      }
    }
    return early;
  }
}
