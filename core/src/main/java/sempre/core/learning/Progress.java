package sempre.core.learning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import sempre.core.pitch.Pitch;

/**
 * What has become of a student's notes since a day, from what was heard; each note once, rising,
 * with whichever fingering.
 *
 * @param learned secure now, and secure for the first time since then
 * @param shaky heard since then, and shaky the last time
 * @param begun heard since then, and not yet there the last time
 * @param before how many were secure already
 */
public record Progress(List<Pitch> learned, List<Pitch> shaky, List<Pitch> begun, int before) {
  public Progress {
    learned = List.copyOf(learned);
    shaky = List.copyOf(shaky);
    begun = List.copyOf(begun);
  }

  /**
   * Reads it from what was heard.
   *
   * @param heard everything, the oldest first, also what was taken back
   * @param known whether an entry only writes down what a student brought along
   */
  public static Progress since(List<Check> heard, Instant since, Predicate<Check> known) {
    Map<Integer, Pitch> notes = new TreeMap<>();
    Map<Integer, Check> last = new TreeMap<>();
    Set<Integer> before = new HashSet<>();
    Set<Integer> newly = new HashSet<>();
    for (Check c : Check.standing(heard)) {
      int midi = c.written().midi();
      notes.putIfAbsent(midi, c.written());
      boolean earlier = known.test(c) || c.at().isBefore(since);
      if (c.grade() == Grade.SECURE) {
        (earlier ? before : newly).add(midi);
      }
      if (!earlier) {
        last.put(midi, c);
      }
    }
    List<Pitch> learned = new ArrayList<>();
    List<Pitch> shaky = new ArrayList<>();
    List<Pitch> begun = new ArrayList<>();
    last.forEach(
        (midi, c) -> {
          Pitch p = notes.get(midi);
          switch (c.grade()) {
            case SECURE -> {
              if (newly.contains(midi) && !before.contains(midi)) {
                learned.add(p);
              }
            }
            case SHAKY -> shaky.add(p);
            case NOT_YET -> begun.add(p);
          }
        });
    return new Progress(learned, shaky, begun, before.size());
  }
}
