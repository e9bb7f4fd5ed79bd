package sempre.core.agenda;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import sempre.core.Judgement;

/**
 * Goes from day to day and takes for each session what is most urgent then. Greedy: with sessions
 * of one length, one piece and no returns the earliest day first misses nothing that can be done
 * (Jackson 1955); the piece with the least time for what it still costs comes first here.
 */
final class Planned {
  private final Days days;
  private final LocalDate from;
  private final LocalDate end;
  private final List<Piece> pieces = new ArrayList<>();

  /** Sessions on all days before each, counted from the first. */
  private final int[] before;

  /** Whether the last session was for something that was secure. */
  private boolean returned;

  Planned(Days days, List<Goal> goals, LocalDate from) {
    this.days = days;
    this.from = from;
    LocalDate farthest = from.plusDays(Agenda.FARTHEST);
    LocalDate last = from;
    for (int g = 0; g < goals.size(); g++) {
      LocalDate due = goals.get(g).due();
      pieces.add(new Piece(g, due, goals.get(g).bits(), days.session()));
      last = due.isAfter(last) ? due : last;
    }
    end = last.isAfter(farthest) ? farthest : last;
    before = new int[day(end) + 1];
    for (int d = 1; d < before.length; d++) {
      before[d] = before[d - 1] + (days.practises(from.plusDays(d - 1)) ? days.sessions() : 0);
    }
  }

  /** A bit on its way. */
  private static final class OfBit {
    final int at;
    boolean begun;
    int left;
    Optional<LocalDate> last;

    OfBit(int at, Stretch s, double session) {
      this.at = at;
      left = s.times(session);
      begun = s.begun();
      last = s.last();
    }

    boolean rested(LocalDate day) {
      return last.isEmpty() || last.get().isBefore(day);
    }
  }

  /** A piece on its way. */
  private static final class Piece {
    final int goal;
    final LocalDate due;
    final List<OfBit> bits = new ArrayList<>();
    Optional<LocalDate> secure = Optional.empty();
    Optional<LocalDate> whole = Optional.empty();
    int wholes;

    Piece(int goal, LocalDate due, List<Stretch> stretches, double session) {
      this.goal = goal;
      this.due = due;
      for (int b = 0; b < stretches.size(); b++) {
        bits.add(new OfBit(b, stretches.get(b), session));
      }
    }

    int left() {
      return bits.stream().mapToInt(b -> b.left).sum();
    }

    boolean active(LocalDate day) {
      return day.isBefore(due) && !bits.isEmpty();
    }
  }

  private int day(LocalDate d) {
    return (int) Math.max(0, ChronoUnit.DAYS.between(from, d));
  }

  Agenda agenda() {
    pieces.stream().filter(p -> p.left() == 0).forEach(p -> p.secure = Optional.of(from));
    List<Agenda.Day> all = new ArrayList<>();
    Map<List<Integer>, Task> hear = new LinkedHashMap<>();
    for (LocalDate day = from; day.isBefore(end); day = day.plusDays(1)) {
      List<Task> tasks = days.practises(day) ? tasks(day) : List.of();
      // on the day itself it is heard before it is practised
      boolean lesson = days.lesson(day);
      List<Task> heard = lesson ? List.copyOf(hear.values()) : List.of();
      if (lesson) {
        hear.clear();
      }
      for (Task t : tasks) {
        if (t.goal() >= 0) {
          hear.putIfAbsent(List.of(t.goal(), t.bit()), t);
        }
      }
      all.add(new Agenda.Day(day, days.off(day), tasks, lesson, heard));
    }
    return new Agenda(
        all,
        pieces.stream().map(p -> new Agenda.Outlook(p.secure, p.left())).toList(),
        OptionalInt.empty());
  }

  private List<Task> tasks(LocalDate day) {
    List<Task> tasks = new ArrayList<>();
    for (int s = 0; s < days.sessions(); s++) {
      Optional<Task> next = next(day, s);
      if (next.isEmpty()) {
        break;
      }
      tasks.add(next.get());
    }
    if (tasks.isEmpty() && pieces.stream().anyMatch(p -> p.active(day))) {
      tasks.add(new Task(-1, -1, Task.Kind.SIGHT, Task.Why.NOTHING_DUE));
    }
    return tasks;
  }

  private Optional<Task> next(LocalDate day, int session) {
    Optional<Task> whole = whole(day, session);
    if (whole.isPresent()) {
      return whole;
    }
    Optional<Piece> pressed = pressed(day, session);
    double pressure = pressed.map(p -> pressure(p, day, session)).orElse(0.0);
    Optional<Returning> back = returning(day);
    // by turns while something is left to be done, so that this comes to an end
    boolean first =
        back.isPresent() && (pressed.isEmpty() || pressure < Judgement.Agenda.PRESSED && !returned);
    returned = first || pressed.isEmpty();
    return first
        ? back.map(r -> again(r, day))
        : pressed.map(p -> work(p, day, pressure)).or(() -> back.map(r -> again(r, day)));
  }

  /** A run through a whole piece, where it is time for one. */
  private Optional<Task> whole(LocalDate day, int session) {
    // one on a day is enough
    if (pieces.stream().anyMatch(p -> p.whole.equals(Optional.of(day)))) {
      return Optional.empty();
    }
    for (Piece p : pieces) {
      if (!p.active(day)) {
        continue;
      }
      // the last session before the day
      boolean last = session == days.sessions() - 1 && until(p) == before[day(day) + 1];
      // one is kept for the last time
      boolean near =
          p.left() == 0
              && apart(day, p.due) <= Judgement.Agenda.WHOLE_WITHIN
              && p.wholes < Judgement.Agenda.WHOLE_RUNS - 1;
      if (near || last) {
        p.whole = Optional.of(day);
        p.wholes++;
        return Optional.of(
            new Task(p.goal, -1, Task.Kind.WHOLE, near ? Task.Why.ALL_SECURE : Task.Why.LAST_TIME));
      }
    }
    return Optional.empty();
  }

  private static int apart(LocalDate a, LocalDate b) {
    return (int) ChronoUnit.DAYS.between(a, b);
  }

  /** The piece with the least time for what it still costs, of those with a bit for this day. */
  private Optional<Piece> pressed(LocalDate day, int session) {
    return pieces.stream()
        .filter(p -> p.active(day) && p.bits.stream().anyMatch(b -> b.left > 0 && b.rested(day)))
        .max(
            Comparator.comparingDouble((Piece p) -> pressure(p, day, session))
                .thenComparing(p -> p.due, Comparator.reverseOrder())
                .thenComparing(p -> p.goal, Comparator.reverseOrder()));
  }

  /** Sessions that are needed up to the day on which a piece is due, for each that there is. */
  private double pressure(Piece piece, LocalDate day, int session) {
    int needed =
        pieces.stream()
            .filter(p -> p.active(day) && !p.due.isAfter(piece.due))
            .mapToInt(Piece::left)
            .sum();
    // one is kept for the whole
    int there = until(piece) - before[day(day)] - session - 1;
    return needed / (double) Math.max(1, there);
  }

  /** Sessions up to the day on which a piece is due. */
  private int until(Piece p) {
    return before[Math.min(day(p.due), before.length - 1)];
  }

  private Task work(Piece p, LocalDate day, double pressure) {
    List<OfBit> open = p.bits.stream().filter(b -> b.left > 0 && b.rested(day)).toList();
    long inHand = p.bits.stream().filter(b -> b.left > 0 && b.begun).count();
    Comparator<OfBit> longest =
        Comparator.comparing(b -> b.last.orElse(LocalDate.MIN), Comparator.naturalOrder());
    Optional<OfBit> going = open.stream().filter(b -> b.begun).min(longest);
    Optional<OfBit> fresh =
        open.stream()
            .filter(b -> !b.begun)
            .max(
                Comparator.comparingInt((OfBit b) -> b.left)
                    .thenComparing(b -> b.at, Comparator.reverseOrder()));
    boolean begins = fresh.isPresent() && (inHand < Judgement.Agenda.IN_HAND || going.isEmpty());
    // one that has to be met on every day that is left
    int left = (until(p) - before[day(day)] + days.sessions() - 2) / days.sessions();
    Optional<OfBit> now =
        open.stream()
            .filter(b -> b.left >= left)
            .max(Comparator.comparingInt((OfBit b) -> b.left).thenComparing(b -> -b.at));
    OfBit bit = now.orElseGet(() -> begins ? fresh.get() : going.orElseThrow());
    Task.Why why =
        pressure >= Judgement.Agenda.PRESSED && pieces.size() > 1
            ? Task.Why.SHORT_OF_TIME
            : bit.begun ? Task.Why.RESTED : Task.Why.COSTS_MOST;
    Task task = new Task(p.goal, bit.at, bit.begun ? Task.Kind.CLIMB : Task.Kind.BEGIN, why);
    bit.begun = true;
    bit.left--;
    bit.last = Optional.of(day);
    if (p.left() == 0) {
      p.secure = Optional.of(day);
    }
    return task;
  }

  /** A bit that was secure, and how many times as long ago as it should come back. */
  private record Returning(Piece piece, OfBit bit, double overdue) {}

  private Optional<Returning> returning(LocalDate day) {
    return pieces.stream()
        .filter(p -> p.active(day))
        .flatMap(
            p ->
                p.bits.stream()
                    .filter(b -> b.left == 0 && b.rested(day))
                    .map(b -> new Returning(p, b, overdue(p, b, day))))
        .filter(r -> r.overdue() >= 1)
        .max(
            Comparator.comparingDouble(Returning::overdue)
                .thenComparing(r -> r.piece().goal, Comparator.reverseOrder())
                .thenComparing(r -> r.bit().at, Comparator.reverseOrder()));
  }

  private static double overdue(Piece p, OfBit b, LocalDate day) {
    int since = b.last.map(l -> apart(l, day)).orElse(Judgement.Agenda.LONGEST_GAP);
    return since / (double) gap(apart(day, p.due));
  }

  /**
   * After how many days what is secure comes back.
   *
   * @param left days until it is due
   */
  static int gap(int left) {
    int share = (int) Math.rint(left * Judgement.Agenda.GAP_SHARE);
    return Math.max(1, Math.min(Judgement.Agenda.LONGEST_GAP, share));
  }

  private static Task again(Returning r, LocalDate day) {
    r.bit().last = Optional.of(day);
    return new Task(r.piece().goal, r.bit().at, Task.Kind.RETURN, Task.Why.LONG_AGO);
  }
}
