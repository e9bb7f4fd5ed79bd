package sempre.core.learning;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.PriorityQueue;
import sempre.core.Judgement.Learning;

/** What to take next: one new thing at a time. */
public final class NextSteps {
  /** From so many steps on their order no longer weighs more. */
  private static final int MOST_TOLD = 10;

  /** So many sets of notes are looked at before the search gives up on the best way. */
  private static final int MOST_STATES = 20_000;

  private NextSteps() {}

  /**
   * The part that most players of a group can play with one new note each.
   *
   * @param part its place
   * @param ready how many can play it already
   * @param one places of the players to whom it brings just one note
   */
  public record GroupNext(int part, int ready, List<Integer> one) {
    public GroupNext {
      one = List.copyOf(one);
    }
  }

  /** Looks for it; empty when no part brings anybody just one note. Of equals the earlier. */
  public static Optional<GroupNext> forGroup(List<List<Matrix.Cell>> rows, int parts) {
    List<GroupNext> all = new ArrayList<>();
    for (int p = 0; p < parts; p++) {
      int ready = 0;
      List<Integer> one = new ArrayList<>();
      for (int r = 0; r < rows.size(); r++) {
        Matrix.Cell c = rows.get(r).get(p);
        ready += c.state() == Matrix.State.READY || c.state() == Matrix.State.HARD ? 1 : 0;
        if (c.state() == Matrix.State.LACKS && c.lacking() == 1) {
          one.add(r);
        }
      }
      if (!one.isEmpty()) {
        all.add(new GroupNext(p, ready, one));
      }
    }
    // most who can take part, then most who learn something
    return all.stream()
        .min(
            Comparator.comparingInt((GroupNext g) -> -(g.ready() + g.one().size()))
                .thenComparingInt(g -> -g.one().size())
                .thenComparingInt(GroupNext::part));
  }

  /**
   * One new note on the way.
   *
   * @param part the place of the exercise that brings it; empty when none brings it alone
   * @param midi the note, as written
   */
  public record Step(OptionalInt part, int midi) {}

  /**
   * @param late how far down the order its notes stand, the first ones counting most
   */
  private record State(BitSet known, int cost, int late, State before, Step step) {
    List<Step> steps() {
      List<Step> all = new ArrayList<>();
      for (State s = this; s.before != null; s = s.before) {
        all.add(0, s.step);
      }
      return all;
    }
  }

  /**
   * The shortest way to a piece: notes one at a time, each by an exercise that brings nothing else
   * where there is one, until the piece itself brings one new note at most. It is searched by A*
   * (Hart, Nilsson, Raphael 1968); what is lacking is never more than what is left to pay, so the
   * way is a shortest one.
   *
   * @param has notes the player has
   * @param goal what the piece asks
   * @param exercises what the exercises ask, in the order of the book
   */
  public static List<Step> wayTo(BitSet has, Demand goal, List<Demand> exercises) {
    return wayTo(has, goal, exercises, List.of());
  }

  /**
   * The same, where of equally short ways the one is taken that brings the notes in the order in
   * which a class learns them.
   *
   * @param order MIDI numbers of written notes, the first to learn first
   */
  public static List<Step> wayTo(
      BitSet has, Demand goal, List<Demand> exercises, List<Integer> order) {
    PriorityQueue<State> open =
        new PriorityQueue<>(
            Comparator.comparingInt((State s) -> s.cost + left(s.known, goal))
                .thenComparingInt(s -> -s.cost)
                .thenComparingInt(s -> s.late));
    Map<BitSet, Integer> seen = new HashMap<>();
    open.add(new State((BitSet) has.clone(), 0, 0, null, null));
    State last = null;
    while (!open.isEmpty() && seen.size() < MOST_STATES) {
      State s = open.poll();
      last = s;
      if (goal.lackingCount(s.known) <= 1) {
        return s.steps();
      }
      if (seen.getOrDefault(s.known, Integer.MAX_VALUE) <= s.cost) {
        continue;
      }
      seen.put(s.known, s.cost);
      BitSet brought = new BitSet();
      for (int p = 0; p < exercises.size(); p++) {
        Demand d = exercises.get(p);
        if (d.beyond().isEmpty() && d.lackingCount(s.known) == 1) {
          int note = d.lacking(s.known).nextSetBit(0);
          if (!brought.get(note)) {
            brought.set(note);
            open.add(after(s, note, Learning.EXERCISE, OptionalInt.of(p), order));
          }
        }
      }
      BitSet alone = goal.lacking(s.known);
      alone.andNot(brought);
      alone.stream()
          .forEach(n -> open.add(after(s, n, Learning.BY_ITSELF, OptionalInt.empty(), order)));
    }
    return last == null ? List.of() : last.steps();
  }

  private static int left(BitSet known, Demand goal) {
    return Learning.EXERCISE * Math.max(0, goal.lackingCount(known) - 1);
  }

  private static State after(State s, int note, int cost, OptionalInt part, List<Integer> order) {
    BitSet known = (BitSet) s.known.clone();
    known.set(note);
    int place = order.indexOf(note);
    int steps = s.steps().size();
    // a note that comes early in the way weighs more than one that comes late
    int late = (place < 0 ? order.size() : place) * Math.max(1, MOST_TOLD - steps);
    return new State(known, s.cost + cost, s.late + late, s, new Step(part, note));
  }
}
