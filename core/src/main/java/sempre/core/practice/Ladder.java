package sempre.core.practice;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import sempre.core.Judgement;

/**
 * The way of a bit from a tempo at which nothing catches to its own, one clean tempo after another.
 * It follows from what was played, and is written down nowhere. All tempos are in quarters a
 * minute.
 *
 * @param start where it begins
 * @param goal what is aimed at first: about three quarters of the tempo, or at once the tempo
 * @param full the tempo
 * @param now at which it is played next
 * @param clean how many clean runs in a row there are at that tempo
 * @param secured the quickest tempo at which it was clean as often as the rule asks for
 * @param expected when the tempo is reached if it goes on as in the last weeks
 * @param plateau that it gets no further
 * @param days the quickest secured tempo after each day on which it was played
 */
public record Ladder(
    int start,
    int goal,
    int full,
    int now,
    int clean,
    OptionalInt secured,
    Optional<LocalDate> expected,
    Optional<Plateau> plateau,
    List<Day> days) {
  private static final double PERCENT = 100;

  public Ladder {
    days = List.copyOf(days);
  }

  /**
   * When one goes on, and when back (the teacher's).
   *
   * @param clean so many clean runs in a row, and it goes on
   * @param step by so much of the tempo, in percent
   * @param misses so many that were not clean, and it goes back by as much
   * @param cleanFirst whether three quarters of the tempo are the first goal
   */
  public record Rule(int clean, int step, int misses, boolean cleanFirst) {
    public static final Rule USUAL =
        new Rule(
            Judgement.Ladders.CLEAN_RUNS,
            Judgement.Ladders.STEP_PERCENT,
            Judgement.Ladders.MISSES,
            true);
  }

  /** How far it was after a day. */
  public record Day(LocalDate day, OptionalInt secured) {}

  /**
   * It was practised on several days and got no quicker.
   *
   * @param since the day of the last gain, or of the first run
   * @param days on how many days it was practised since
   */
  public record Plateau(LocalDate since, int days) {}

  /** Whether it is clean at its tempo. */
  public boolean there() {
    return secured.isPresent() && secured.getAsInt() >= full;
  }

  /**
   * The ladder of a bit.
   *
   * @param start tempo at which its hardest change has the time it needs
   * @param full the tempo that is given, or marked
   * @param runs that {@link Run#tells tell} of the bit, the earliest first
   */
  public static Ladder of(int start, int full, List<Run> runs, Rule rule, LocalDate today) {
    Climb climb = new Climb(Math.min(start, full), full, rule);
    Map<LocalDate, OptionalInt> after = new TreeMap<>();
    for (Run r : runs) {
      climb.take(r);
      after.put(r.day(), climb.secured);
    }
    List<Day> days = after.entrySet().stream().map(e -> new Day(e.getKey(), e.getValue())).toList();
    boolean there = climb.secured.isPresent() && climb.secured.getAsInt() >= full;
    Optional<Plateau> plateau = there ? Optional.empty() : plateau(days);
    return new Ladder(
        climb.start,
        climb.goal(),
        full,
        climb.now,
        climb.clean,
        climb.secured,
        // as it went before says nothing where it goes no further
        there || plateau.isPresent() ? Optional.empty() : expected(days, full, today),
        plateau,
        days);
  }

  /** Going up and down, run by run. */
  private static final class Climb {
    private final int start;
    private final int full;
    private final int first;
    private final int least;
    private final int step;
    private final Rule rule;

    private int now;
    private int clean;
    private int slowest;
    private int misses;
    private OptionalInt secured = OptionalInt.empty();

    Climb(int start, int full, Rule rule) {
      this.start = start;
      this.full = full;
      this.rule = rule;
      first = rule.cleanFirst() ? share(full, Judgement.Bits.FIRST_GOAL_PERCENT) : full;
      least = Math.min(start, share(full, Judgement.Bits.SLOWEST_PERCENT));
      step = Math.max(1, share(full, rule.step()));
      now = start;
    }

    private static int share(int tempo, int percent) {
      return (int) Math.rint(tempo * percent / PERCENT);
    }

    /** What is aimed at from here. */
    int goal() {
      boolean met = secured.isPresent() && secured.getAsInt() >= first;
      return met ? full : first;
    }

    void take(Run r) {
      if (r.clean()) {
        up(r.quarters());
      } else if (r.quarters() <= now) {
        down();
      }
    }

    /** A clean run that is slower than now is no step on. */
    private void up(int tempo) {
      if (tempo < now) {
        return;
      }
      slowest = clean == 0 ? tempo : Math.min(slowest, tempo);
      clean++;
      misses = 0;
      if (clean < rule.clean()) {
        return;
      }
      int reached = Math.min(slowest, full);
      secured = OptionalInt.of(Math.max(reached, secured.orElse(0)));
      // it lands on a goal, and does not leap over it
      int next = reached + step;
      now = reached < first ? Math.min(next, first) : Math.min(next, full);
      clean = 0;
    }

    private void down() {
      clean = 0;
      misses++;
      if (misses == rule.misses()) {
        now = Math.max(least, now - step);
        misses = 0;
      }
    }
  }

  /**
   * The gain of a day is the median of the gains between all pairs of days (published: H. Theil,
   * Indagationes Mathematicae 12, 1950; P. K. Sen, Journal of the American Statistical Association
   * 63, 1968), so that one good day and one bad day count for little.
   */
  private static Optional<LocalDate> expected(List<Day> days, int full, LocalDate today) {
    LocalDate from = today.minusDays(Judgement.Ladders.LOOKS_BACK_DAYS);
    List<Day> late =
        days.stream().filter(d -> d.secured().isPresent() && !d.day().isBefore(from)).toList();
    List<Double> gains = new ArrayList<>();
    for (int i = 0; i < late.size(); i++) {
      for (int j = i + 1; j < late.size(); j++) {
        double between = ChronoUnit.DAYS.between(late.get(i).day(), late.get(j).day());
        gains.add((late.get(j).secured().getAsInt() - late.get(i).secured().getAsInt()) / between);
      }
    }
    if (gains.isEmpty()) {
      return Optional.empty();
    }
    double[] sorted = gains.stream().mapToDouble(g -> g).sorted().toArray();
    double middle = (sorted[(sorted.length - 1) / 2] + sorted[sorted.length / 2]) / 2;
    int left = full - late.get(late.size() - 1).secured().getAsInt();
    double more = Math.ceil(left / middle);
    return middle > 0 && more <= Judgement.Ladders.FARTHEST_DAYS
        ? Optional.of(today.plusDays((long) more))
        : Optional.empty();
  }

  private static Optional<Plateau> plateau(List<Day> days) {
    if (days.isEmpty()) {
      return Optional.empty();
    }
    int[] secured = days.stream().mapToInt(d -> d.secured().orElse(0)).toArray();
    int best = Arrays.stream(secured).max().orElse(0);
    int gained = 0;
    while (secured[gained] < best) {
      gained++;
    }
    // the first day is one on which nothing was gained, where nothing was
    int without = days.size() - gained - (best > 0 ? 1 : 0);
    return without >= Judgement.Ladders.PLATEAU_DAYS
        ? Optional.of(new Plateau(days.get(gained).day(), without))
        : Optional.empty();
  }
}
