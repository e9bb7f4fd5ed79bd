package sempre.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import sempre.core.instrument.Setup;
import sempre.core.motion.Move;
import sempre.core.motion.Moves;
import sempre.core.score.Line;
import sempre.core.score.Note;

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
    List<HardMove> moves = new ArrayList<>();
    int arrived = 0;
    for (int i = 1; i < choice.notes().size(); i++) {
      Setup.Way a = choice.ways().get(i - 1);
      Setup.Way b = choice.ways().get(i);
      Move move = Moves.between(player.setup(), a, b);
      Effort.Pace pace = Effort.Pace.between(choice.notes().get(i - 1), choice.notes().get(i));
      Tally tally = Tally.sum();
      Effort effort = Effort.of(move);
      effort.arriving(pace.free() ? 0 : arrived).tell(pace, tally);
      arrived = pace.free() ? 0 : effort.outward();
      moves.add(
          new HardMove(
              choice.notes().get(i - 1), choice.notes().get(i), Effort.difficulty(tally.total())));
    }
    moves.sort(Comparator.comparingDouble(HardMove::difficulty).reversed());
    return List.copyOf(moves.subList(0, Math.min(count, moves.size())));
  }
}
