package sempre.core.planning;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import sempre.core.Judgement.Telling;
import sempre.core.instrument.Setup;
import sempre.core.score.Note;

/**
 * One whole choice of fingerings for a line, without reasons.
 *
 * @param cost total effort in the planner's unit
 * @param notes the notes that are fingered, in page order
 * @param ways the fingering of each
 */
public record Choice(double cost, List<Note> notes, List<Setup.Way> ways) {
  public Choice {
    notes = List.copyOf(notes);
    ways = List.copyOf(ways);
  }

  /**
   * Places of the notes whose fingering is another one than in another choice for the same line.
   */
  public List<Integer> differences(Choice other) {
    return IntStream.range(0, ways.size())
        .filter(i -> ways.get(i).entry() != other.ways.get(i).entry())
        .boxed()
        .toList();
  }

  /**
   * Whether this is another way through than the best one, and not only a worse note here or there:
   * notes near each other are fingered otherwise together, for a price that is worth a thought.
   */
  public boolean anotherWay(Choice best) {
    List<Integer> changed = differences(best);
    boolean together =
        IntStream.range(1, changed.size())
            .anyMatch(i -> changed.get(i) - changed.get(i - 1) <= Telling.TOGETHER);
    return together && cost - best.cost <= Weight.FAR_OFF;
  }

  /** The fingering of a note by its id. */
  public Optional<Setup.Way> way(String noteId) {
    return IntStream.range(0, notes.size())
        .filter(i -> notes.get(i).id().equals(noteId))
        .mapToObj(ways::get)
        .findFirst();
  }
}
