package sempre.core.learning;

import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

/**
 * What a student has, derived from what was heard: of every note with a fingering the last entry
 * that was not taken back counts; what was last heard longer ago than {@link #LONG} is marked as
 * not heard for long (six weeks: common practice, no source).
 */
public final class Standing {
  /** After this time a note counts as not heard for long. */
  public static final Duration LONG = Duration.ofDays(42);

  private final Map<String, Mark> marks = new TreeMap<>();

  /**
   * How one note with one fingering stands.
   *
   * @param written the note
   * @param fingering plain text
   * @param grade the last grade
   * @param at when that was heard
   * @param faded whether that is long ago
   * @param last the entry it rests on
   */
  public record Mark(
      Pitch written, String fingering, Grade grade, Instant at, boolean faded, Check last) {}

  private Standing() {}

  /** Derives the standing at a moment from all entries, in any order. */
  public static Standing of(Collection<Check> checks, Instant now) {
    Set<Long> undone = new HashSet<>();
    checks.forEach(c -> c.undoes().ifPresent(undone::add));
    Standing standing = new Standing();
    checks.stream()
        .filter(c -> c.undoes().isEmpty() && !undone.contains(c.id()))
        .sorted(Comparator.comparing(Check::at).thenComparingLong(Check::id))
        .forEach(
            c ->
                standing.marks.put(
                    Player.Known.key(c.written(), c.fingering()),
                    new Mark(
                        c.written(),
                        c.fingering(),
                        c.grade(),
                        c.at(),
                        c.at().plus(LONG).isBefore(now),
                        c)));
    return standing;
  }

  /** How a note with a fingering stands; empty when it was never heard. */
  public Optional<Mark> of(Pitch written, String fingering) {
    return Optional.ofNullable(marks.get(Player.Known.key(written, fingering)));
  }

  /** The best that was last heard of a note, with any fingering. */
  public Optional<Mark> best(Pitch written) {
    return marks.values().stream()
        .filter(m -> m.written().soundsAs(written))
        .min(
            Comparator.comparing(Mark::grade)
                .thenComparing(Comparator.comparing(Mark::at).reversed()));
  }

  /** All marks, notes rising. */
  public List<Mark> marks() {
    return marks.values().stream()
        .sorted(Comparator.comparing(Mark::written).thenComparing(Mark::fingering))
        .toList();
  }

  /** What the planner may count on: every fingering that the student has. */
  public Player.Known known() {
    return new Player.Known(
        marks.entrySet().stream()
            .filter(e -> e.getValue().grade().has())
            .map(Map.Entry::getKey)
            .collect(Collectors.toSet()));
  }
}
