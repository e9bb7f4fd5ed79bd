package sempre.core.practice;

import java.util.ArrayList;
import java.util.List;
import sempre.core.Judgement;
import sempre.core.planning.Plan;

/**
 * Two notes that catch: first they are played by themselves, then with one note before, one after,
 * and so on, at last all of the bit (common practice, no source).
 *
 * @param change from the first to the second
 * @param rounds what is played, one after the other
 */
public record Catch(Plan.PlannedMove change, List<Round> rounds) {
  /**
   * Some notes of a bit.
   *
   * @param first place of the first among what is played of the bit
   * @param last place of the last
   */
  public record Round(int first, int last) {
    public int size() {
      return last - first + 1;
    }
  }

  public Catch {
    rounds = List.copyOf(rounds);
  }

  /**
   * Going round two notes.
   *
   * @param at place of the first of them
   * @param size how many notes the bit has
   */
  static Catch of(Plan.PlannedMove change, int at, int size) {
    List<Round> rounds = new ArrayList<>();
    int first = at;
    int last = at + 1;
    rounds.add(new Round(first, last));
    boolean before = true;
    while (last - first + 1 < Math.min(size, Judgement.Bits.ROUND_NOTES)) {
      boolean back = before ? first > 0 : last == size - 1;
      first -= back ? 1 : 0;
      last += back ? 0 : 1;
      before = !before;
      rounds.add(new Round(first, last));
    }
    if (last - first + 1 < size) {
      rounds.add(new Round(0, size - 1));
    }
    return new Catch(change, rounds);
  }
}
