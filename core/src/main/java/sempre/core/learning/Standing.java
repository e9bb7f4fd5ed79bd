package sempre.core.learning;

import java.time.Duration;
import java.time.Instant;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import sempre.core.Judgement.Learning;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

/**
 * What a student has, derived from what was heard: of every note with a fingering the last grade
 * that was not taken back counts. Each time it was heard with that grade, since another one, adds
 * one; what was added fades by half in every half-life. With less than {@link #LEFT} left the note
 * counts as not heard for long: heard once, after two half-lives (three weeks for half, so six
 * weeks in all: common practice, no source).
 */
public final class Standing {
  /** What was heard fades by half in this time, unless the teacher says otherwise. */
  public static final Duration HALF_LIFE = Duration.ofDays(Learning.HALF_LIFE_DAYS);

  /** With less than this left a note counts as not heard for long. */
  public static final double LEFT = Learning.LEFT;

  private final Map<String, Mark> marks = new TreeMap<>();

  /**
   * How one note with one fingering stands.
   *
   * @param written the note
   * @param fingering plain text
   * @param grade the last grade
   * @param at when that was heard
   * @param faded whether too little of that is left
   * @param last the entry it rests on
   */
  public record Mark(
      Pitch written, String fingering, Grade grade, Instant at, boolean faded, Check last) {}

  private Standing() {}

  /** Derives the standing at a moment from all entries, in any order, with the usual half-life. */
  public static Standing of(Collection<Check> checks, Instant now) {
    return of(checks, now, HALF_LIFE);
  }

  /**
   * Derives the standing at a moment from all entries, in any order.
   *
   * @param halfLife the time in which what was heard fades by half; over 0
   */
  public static Standing of(Collection<Check> checks, Instant now, Duration halfLife) {
    Standing standing = new Standing();
    Map<String, Double> left = new HashMap<>();
    Check.inOrder(Check.standing(checks), now)
        .forEach(
            c -> {
              String key = Player.Known.key(c.written(), c.fingering());
              Mark before = standing.marks.get(key);
              boolean again = before != null && before.grade() == c.grade();
              double age = Duration.between(c.at(), now).toMillis() / (double) halfLife.toMillis();
              double fresh = (again ? left.get(key) : 0) + Math.pow(2, -Math.max(0, age));
              left.put(key, fresh);
              standing.marks.put(
                  key, new Mark(c.written(), c.fingering(), c.grade(), c.at(), fresh < LEFT, c));
            });
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

  /** The written notes that the student has, whatever the fingering, as MIDI numbers. */
  public BitSet has() {
    BitSet has = new BitSet();
    marks.values().stream().filter(m -> m.grade().has()).forEach(m -> has.set(m.written().midi()));
    return has;
  }

  /** What the planner may count on: every fingering that the student has. */
  public Player.Known known() {
    return new Player.Known(keys(Grade::has), keys(g -> g == Grade.SECURE));
  }

  private Set<String> keys(Predicate<Grade> wanted) {
    return marks.entrySet().stream()
        .filter(e -> wanted.test(e.getValue().grade()))
        .map(Map.Entry::getKey)
        .collect(Collectors.toSet());
  }
}
