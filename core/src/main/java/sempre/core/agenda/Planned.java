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
 * (Jackson 1955); the piece with the least time for what it still costs comes first here. Days are
 * counted from the first.
 */
final class Planned {
  /** A day so far away that it does not matter how far. */
  private static final int FAR = 10 * Agenda.FARTHEST;

  /** Where no lesson is known it was a week ago. */
  private static final int LESSONS_APART = 7;

  /** It was never practised. */
  private static final int NEVER = Integer.MIN_VALUE / 2;

  private final Days days;
  private final LocalDate from;
  private final int end;
  private final int sessions;
  private final List<Piece> pieces = new ArrayList<>();

  /** Those that are due first come first; of one day in the order of the goals. */
  private final List<Piece> byDue;

  /** Sessions on all days before each. */
  private final int[] before;

  private int lastWhole = NEVER;

  /** Whether the last session was for something that was secure. */
  private boolean returned;

  Planned(Days days, List<Goal> goals, LocalDate from) {
    this.days = days;
    this.from = from;
    sessions = days.sessions();
    int last = 0;
    for (int g = 0; g < goals.size(); g++) {
      long away = ChronoUnit.DAYS.between(from, goals.get(g).due());
      int due = (int) Math.max(0, Math.min(away, FAR));
      pieces.add(new Piece(g, due, goals.get(g).bits()));
      last = Math.max(last, due);
    }
    byDue = pieces.stream().sorted(Comparator.comparingInt((Piece p) -> p.due)).toList();
    end = Math.min(last, Agenda.FARTHEST);
    before = new int[end + 1];
    for (int d = 0; d < end; d++) {
      before[d + 1] = before[d] + (days.practises(from.plusDays(d)) ? sessions : 0);
    }
  }

  /** A bit on its way. */
  private final class OfBit {
    final int at;
    boolean begun;
    int left;
    int last;

    OfBit(int at, Stretch s) {
      this.at = at;
      left = s.times(days.session());
      begun = s.begun();
      last = s.last().map(l -> (int) ChronoUnit.DAYS.between(from, l)).orElse(NEVER);
    }
  }

  /** A piece on its way. */
  private final class Piece {
    final int goal;
    final int due;
    final List<OfBit> bits = new ArrayList<>();

    /** Sessions that its bits still cost. */
    int left;

    /** Those that are needed up to its day for each that there is, as it was last worked out. */
    double pressure;

    /** When the last of its bits is; the farthest day where that is not known. */
    int secure = Integer.MAX_VALUE;

    int wholes;

    Piece(int goal, int due, List<Stretch> stretches) {
      this.goal = goal;
      this.due = due;
      for (int b = 0; b < stretches.size(); b++) {
        bits.add(new OfBit(b, stretches.get(b)));
        left += bits.get(b).left;
      }
      secure = left == 0 ? 0 : secure;
    }

    boolean active(int day) {
      return day < due && !bits.isEmpty();
    }

    /** Whether one of its bits is not secure and was not practised on a day. */
    boolean waits(int day) {
      if (left > 0) {
        for (OfBit b : bits) {
          if (b.left > 0 && b.last < day) {
            return true;
          }
        }
      }
      return false;
    }
  }

  Agenda agenda() {
    List<Agenda.Day> all = new ArrayList<>();
    Map<List<Integer>, Task> hear = practised();
    for (int day = 0; day < end; day++) {
      LocalDate date = from.plusDays(day);
      List<Task> tasks = before[day + 1] > before[day] ? tasks(day) : List.of();
      // on the day itself it is heard before it is practised
      boolean lesson = days.lesson(date);
      List<Task> heard = lesson ? List.copyOf(hear.values()) : List.of();
      if (lesson) {
        hear.clear();
      }
      for (Task t : tasks) {
        if (t.goal() >= 0) {
          hear.putIfAbsent(List.of(t.goal(), t.bit()), t);
        }
      }
      all.add(new Agenda.Day(date, days.off(date), tasks, lesson, heard));
    }
    return new Agenda(all, pieces.stream().map(this::outlook).toList(), OptionalInt.empty());
  }

  /** What was practised before the first day and was heard at no lesson yet. */
  private Map<List<Integer>, Task> practised() {
    int since = -1;
    while (since > -LESSONS_APART && !days.lesson(from.plusDays(since))) {
      since--;
    }
    Map<List<Integer>, Task> hear = new LinkedHashMap<>();
    for (Piece p : pieces) {
      for (OfBit b : p.bits) {
        if (b.last >= since && b.last < 0) {
          hear.put(List.of(p.goal, b.at), new Task(p.goal, b.at, Task.Kind.CLIMB, Task.Why.RESTED));
        }
      }
    }
    return hear;
  }

  /** Whether something is not secure when it is due; looks no farther than that. */
  boolean late() {
    for (int day = 0; day < end; day++) {
      for (Piece p : pieces) {
        if (p.due == day && p.left > 0) {
          return true;
        }
      }
      for (int s = 0; s < sessions && before[day + 1] > before[day]; s++) {
        if (next(day, s).isEmpty()) {
          break;
        }
      }
    }
    return pieces.stream().anyMatch(p -> p.left > 0);
  }

  private Agenda.Outlook outlook(Piece p) {
    return new Agenda.Outlook(
        p.left == 0 ? Optional.of(from.plusDays(p.secure)) : Optional.empty(), p.left);
  }

  private List<Task> tasks(int day) {
    List<Task> tasks = new ArrayList<>();
    for (int s = 0; s < sessions; s++) {
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

  private Optional<Task> next(int day, int session) {
    Optional<Task> whole = whole(day, session);
    if (whole.isPresent()) {
      return whole;
    }
    Piece pressed = pressed(day, session);
    // by turns while something is left to be done, so that this comes to an end
    boolean may = pressed == null || pressed.pressure < Judgement.Agenda.PRESSED && !returned;
    Optional<Task> back = may ? returning(day) : Optional.empty();
    returned = back.isPresent() || pressed == null;
    return back.isPresent() || pressed == null ? back : Optional.of(work(pressed, day));
  }

  /** A run through a whole piece, where it is time for one. */
  private Optional<Task> whole(int day, int session) {
    // one on a day is enough
    if (lastWhole == day) {
      return Optional.empty();
    }
    for (Piece p : pieces) {
      if (!p.active(day)) {
        continue;
      }
      // the last session before the day
      boolean last = session == sessions - 1 && until(p) == before[day + 1];
      // one is kept for the last time
      boolean near =
          p.left == 0
              && p.due - day <= Judgement.Agenda.WHOLE_WITHIN
              && p.wholes < Judgement.Agenda.WHOLE_RUNS - 1;
      if (near || last) {
        lastWhole = day;
        p.wholes++;
        return Optional.of(
            new Task(p.goal, -1, Task.Kind.WHOLE, near ? Task.Why.ALL_SECURE : Task.Why.LAST_TIME));
      }
    }
    return Optional.empty();
  }

  /** The piece with the least time for what it still costs, of those with a bit for this day. */
  private Piece pressed(int day, int session) {
    Piece most = null;
    int needed = 0;
    for (Piece p : byDue) {
      if (!p.active(day)) {
        continue;
      }
      needed += p.left;
      // one is kept for the whole
      int there = until(p) - before[day] - session - 1;
      p.pressure = needed / (double) Math.max(1, there);
      if (most != null && most.due == p.due) {
        // what is due on one day counts together, and the first of it comes first
        most.pressure = p.pressure;
      } else if ((most == null || p.pressure > most.pressure) && p.waits(day)) {
        most = p;
      }
    }
    return most;
  }

  /** Sessions up to the day on which a piece is due. */
  private int until(Piece p) {
    return before[Math.min(p.due, end)];
  }

  private Task work(Piece p, int day) {
    List<OfBit> open = p.bits.stream().filter(b -> b.left > 0 && b.last < day).toList();
    long inHand = p.bits.stream().filter(b -> b.left > 0 && b.begun).count();
    Optional<OfBit> going =
        open.stream().filter(b -> b.begun).min(Comparator.comparingInt(b -> b.last));
    Comparator<OfBit> hardest =
        Comparator.comparingInt((OfBit b) -> b.left).thenComparingInt(b -> -b.at);
    Optional<OfBit> fresh = open.stream().filter(b -> !b.begun).max(hardest);
    boolean begins = fresh.isPresent() && (inHand < Judgement.Agenda.IN_HAND || going.isEmpty());
    // one that has to be met on every day that is left
    int left = (until(p) - before[day] + sessions - 2) / sessions;
    Optional<OfBit> now = open.stream().filter(b -> b.left >= left).max(hardest);
    OfBit bit = now.orElseGet(() -> begins ? fresh.get() : going.orElseThrow());
    Task.Why why =
        p.pressure >= Judgement.Agenda.PRESSED && pieces.size() > 1
            ? Task.Why.SHORT_OF_TIME
            : bit.begun ? Task.Why.RESTED : Task.Why.COSTS_MOST;
    Task task = new Task(p.goal, bit.at, bit.begun ? Task.Kind.CLIMB : Task.Kind.BEGIN, why);
    bit.begun = true;
    bit.left--;
    bit.last = day;
    p.left--;
    p.secure = p.left == 0 ? day : p.secure;
    return task;
  }

  /** What was secure and should have come back longest ago, measured by its gap. */
  private Optional<Task> returning(int day) {
    Piece of = null;
    OfBit bit = null;
    double most = 0;
    for (Piece p : pieces) {
      if (!p.active(day)) {
        continue;
      }
      double gap = gap(p.due - day);
      for (OfBit b : p.bits) {
        double overdue = (b.last == NEVER ? Judgement.Agenda.LONGEST_GAP : day - b.last) / gap;
        if (b.left == 0 && b.last < day && overdue >= 1 && overdue > most) {
          of = p;
          bit = b;
          most = overdue;
        }
      }
    }
    if (bit == null) {
      return Optional.empty();
    }
    bit.last = day;
    int next = bit.at + 1;
    boolean on = next < of.bits.size() && of.bits.get(next).left == 0;
    return Optional.of(new Task(of.goal, bit.at, Task.Kind.RETURN, Task.Why.LONG_AGO, on));
  }

  /**
   * After how many days what is secure comes back.
   *
   * @param left days until it is due
   */
  static int gap(int left) {
    int share = (int) Math.ceil(left * Judgement.Agenda.GAP_SHARE);
    return Math.max(1, Math.min(Judgement.Agenda.LONGEST_GAP, share));
  }
}
