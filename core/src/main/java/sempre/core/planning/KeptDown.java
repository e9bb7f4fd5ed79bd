package sempre.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import sempre.core.instrument.Hold;

/**
 * Controls that a plan keeps down over some notes where they are not heard, because the notes
 * around need them: no needless change.
 *
 * @param holds which, all over the same notes
 * @param from the first note over which they are down without being needed
 * @param to the last one
 * @param why because the note before has them, the one behind needs them, or both
 */
public record KeptDown(List<Hold> holds, Plan.PlannedNote from, Plan.PlannedNote to, Why why) {
  public KeptDown {
    holds = List.copyOf(holds);
  }

  /** What a hold is good for. */
  public enum Why {
    /** The note before has it and the one behind needs it. */
    BETWEEN,
    /** The note behind needs it. */
    PREPARED,
    /** The note before has it. */
    LEFT
  }

  /** What a plan keeps down, in page order; holds over the same notes stand together. */
  static List<KeptDown> of(List<Plan.PlannedNote> notes) {
    List<KeptDown> all = new ArrayList<>();
    for (int i = 0; i < notes.size(); i++) {
      int start = i;
      List<Hold> beginning =
          notes.get(i).held().stream()
              .filter(h -> start == 0 || !notes.get(start - 1).held().contains(h))
              .toList();
      for (Hold h : beginning) {
        int end = i;
        while (end + 1 < notes.size() && notes.get(end + 1).held().contains(h)) {
          end++;
        }
        boolean before = i > 0 && needs(notes.get(i - 1), h);
        boolean behind = end + 1 < notes.size() && needs(notes.get(end + 1), h);
        Why why = before && behind ? Why.BETWEEN : behind ? Why.PREPARED : Why.LEFT;
        add(all, h, notes.get(i), notes.get(end), why);
      }
    }
    return all;
  }

  private static boolean needs(Plan.PlannedNote n, Hold h) {
    return n.way().fingering().holds().contains(h);
  }

  private static void add(
      List<KeptDown> all, Hold h, Plan.PlannedNote from, Plan.PlannedNote to, Why why) {
    Predicate<KeptDown> same = k -> k.from() == from && k.to() == to && k.why() == why;
    // what begins at the same note was added last
    for (int i = all.size() - 1; i >= 0 && all.get(i).from() == from; i--) {
      if (same.test(all.get(i))) {
        List<Hold> more = new ArrayList<>(all.get(i).holds());
        more.add(h);
        all.set(i, new KeptDown(more, from, to, why));
        return;
      }
    }
    all.add(new KeptDown(List.of(h), from, to, why));
  }
}
