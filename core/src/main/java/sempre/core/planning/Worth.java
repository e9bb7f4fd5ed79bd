package sempre.core.planning;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import sempre.core.Judgement.Telling;
import sempre.core.instrument.Entry;
import sempre.core.score.Line;
import sempre.core.score.Note;

/**
 * A fingering that a player does not have yet and that would make a part easier: what is worth
 * teaching next, one at a time.
 *
 * @param entry the fingering
 * @param saves by how much the whole part would be easier, in the planner's unit
 * @param notes where it would be used, in page order
 */
public record Worth(Entry entry, double saves, List<Note> notes) {
  public Worth {
    notes = List.copyOf(notes);
  }

  /**
   * One fingering over several parts.
   *
   * @param entry the fingering
   * @param saves by how much all of them together would be easier, in the planner's unit
   * @param parts place of the part in the list asked about, to what it is worth there
   */
  public record Total(Entry entry, double saves, Map<Integer, Worth> parts) {
    public Total {
      parts = Collections.unmodifiableMap(new TreeMap<>(parts));
    }
  }

  /** The same over several parts of one player: each fingering alone, what saves most first. */
  public static List<Total> over(List<Line> lines, Player player) {
    Map<Entry, Map<Integer, Worth>> found = new LinkedHashMap<>();
    for (int i = 0; i < lines.size(); i++) {
      for (Worth w : of(lines.get(i), player)) {
        found.computeIfAbsent(w.entry(), e -> new TreeMap<>()).put(i, w);
      }
    }
    return found.entrySet().stream()
        .map(
            f ->
                new Total(
                    f.getKey(),
                    f.getValue().values().stream().mapToDouble(Worth::saves).sum(),
                    f.getValue()))
        .sorted(Comparator.comparingDouble(Total::saves).reversed())
        .toList();
  }

  /**
   * Every new fingering of a note the player has that saves something in a line, the most first.
   *
   * @param player whose knowledge is known; for others there is nothing to say
   */
  public static List<Worth> of(Line line, Player player) {
    if (player.known().isEmpty()) {
      return List.of();
    }
    Player.Known known = player.known().get();
    Player all = player.knowing(Optional.empty());
    Map<String, Entry> candidates = new LinkedHashMap<>();
    for (Choice choice : List.of(Planner.choose(line, all, 1).get(0), easiest(line, all))) {
      choice
          .ways()
          .forEach(
              w -> {
                Entry e = w.entry();
                if (known.hasNote(e.written()) && !known.has(e.written(), e.fingering())) {
                  candidates.putIfAbsent(Player.Known.key(e.written(), e.fingering()), e);
                }
              });
    }
    double now = Planner.cost(line, player);
    List<Worth> worth = new ArrayList<>();
    candidates.forEach(
        (key, entry) -> {
          Set<String> more = new HashSet<>(known.fingerings());
          more.add(key);
          Player then = player.knowing(Optional.of(new Player.Known(more)));
          Choice choice = Planner.choose(line, then, 1).get(0);
          double saves = now - choice.cost();
          List<Note> where = new ArrayList<>();
          for (int i = 0; i < choice.ways().size(); i++) {
            if (choice.ways().get(i).entry() == entry) {
              where.add(choice.notes().get(i));
            }
          }
          if (saves >= Telling.WORTH_LEARNING && !where.isEmpty()) {
            worth.add(new Worth(entry, saves, where));
          }
        });
    worth.sort(Comparator.comparingDouble(Worth::saves).reversed());
    return List.copyOf(worth);
  }

  /** The same for a player whose house has no style of its own, so that every way is weighed. */
  private static Choice easiest(Line line, Player all) {
    return Planner.choose(
            line, new Player(all.setup(), Map.of(), Set.of(), all.avoid(), all.known()), 1)
        .get(0);
  }
}
