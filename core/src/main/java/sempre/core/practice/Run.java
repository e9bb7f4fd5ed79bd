package sempre.core.practice;

import java.time.LocalDate;
import java.util.Map;

/**
 * Some notes of a part, played once through as they are written.
 *
 * @param first id of the first of them
 * @param last id of the last
 * @param quarters the tempo, in quarters a minute
 * @param clean whether all of it was right and even
 */
public record Run(LocalDate day, String first, String last, int quarters, boolean clean) {
  /**
   * Whether it says something of a bit: a clean one of all its notes, and of more; another of all
   * its notes, and of fewer. What went wrong in more may have gone wrong elsewhere, and what was
   * clean in fewer is not yet the whole.
   *
   * @param places of all notes of the part, by their ids
   */
  public boolean tells(Bit bit, Map<String, Integer> places) {
    if (!places.containsKey(first) || !places.containsKey(last)) {
      return false;
    }
    int from = Integer.compare(places.get(first), places.get(bit.first().id()));
    int to = Integer.compare(places.get(last), places.get(bit.last().id()));
    return clean ? from <= 0 && to >= 0 : from >= 0 && to <= 0;
  }
}
