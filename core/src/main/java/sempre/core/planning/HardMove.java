package sempre.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import sempre.core.motion.Moves;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Succession;

/**
 * A difficult change of a part, without the reasons of a whole plan.
 *
 * @param from the first note
 * @param to the second
 * @param difficulty 0 to 1
 */
public record HardMove(Note from, Note to, double difficulty) {
  /**
   * The most difficult changes of the cheapest plan, the hardest first.
   *
   * @param count how many at most
   */
  public static List<HardMove> of(Line line, Player player, int count) {
    Choice choice = Planner.choose(line, player, 1).get(0);
    List<Note> notes = choice.notes();
    Succession order = Succession.of(notes, line.played());
    List<Effort.Pace> paces = Effort.Pace.of(notes, order);
    List<HardMove> moves = new ArrayList<>();
    int arrived = 0;
    for (int i = 1; i < notes.size(); i++) {
      Effort effort = effort(choice, i - 1, i, player);
      Effort.Pace pace = paces.get(i);
      if (order.follows(i - 1)) {
        moves.add(of(notes.get(i - 1), notes.get(i), effort.arriving(arrived), pace));
      }
      arrived = pace.free() ? 0 : effort.outward();
    }
    for (Succession.Jump j : order.jumps()) {
      moves.add(
          of(
              notes.get(j.from()),
              notes.get(j.to()),
              effort(choice, j.from(), j.to(), player),
              Effort.Pace.over(j, notes)));
    }
    moves.sort(Comparator.comparingDouble(HardMove::difficulty).reversed());
    return List.copyOf(moves.subList(0, Math.min(count, moves.size())));
  }

  private static Effort effort(Choice choice, int from, int to, Player player) {
    return Effort.of(Moves.between(player.setup(), choice.ways().get(from), choice.ways().get(to)));
  }

  private static HardMove of(Note from, Note to, Effort effort, Effort.Pace pace) {
    Tally tally = Tally.sum();
    effort.tell(pace, tally);
    return new HardMove(from, to, Effort.difficulty(tally.total()));
  }
}
