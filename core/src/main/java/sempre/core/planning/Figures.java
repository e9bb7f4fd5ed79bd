package sempre.core.planning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import sempre.core.instrument.Entry;
import sempre.core.score.Line;
import sempre.core.score.Note;

/**
 * Figures that come back. A note belongs to a figure with every other note that has the same
 * neighbours, two on each side, in the same rhythm and under the same slurs; the hand learns a
 * figure once, so all of them get the fingering that most of them have, unless that costs more than
 * {@link Weight#FIGURE} (common practice, no source).
 */
public final class Figures {
  /** Neighbours that count on each side. */
  private static final int REACH = 2;

  private final List<Note> notes;

  private Figures(List<Note> notes) {
    this.notes = notes;
  }

  /**
   * The cheapest path on which figures are fingered alike; the given one where they are so already.
   */
  static Route alike(
      Player player, List<Note> notes, List<Layer> layers, List<Context> contexts, Route free) {
    Map<Integer, String> wanted = new Figures(notes).wanted(layers, free.chosen());
    if (wanted.isEmpty()) {
      return free;
    }
    List<Context> with = new ArrayList<>(contexts);
    wanted.forEach((i, fingering) -> with.set(i, contexts.get(i).inFigure(fingering)));
    return new Route(player, notes, layers, with);
  }

  /** Place of a note to the fingering of its figure, for figures that are not fingered alike. */
  private Map<Integer, String> wanted(List<Layer> layers, int[] chosen) {
    Map<Integer, String> wanted = new HashMap<>();
    for (List<Integer> figure : figures()) {
      Map<Entry, Integer> votes = new LinkedHashMap<>();
      figure.forEach(i -> votes.merge(layers.get(i).ways.get(chosen[i]).entry(), 1, Integer::sum));
      if (votes.size() < 2) {
        continue;
      }
      Entry most = null;
      for (Map.Entry<Entry, Integer> v : votes.entrySet()) {
        // of equals the one that comes first on the page
        if (most == null || v.getValue() > votes.get(most)) {
          most = v.getKey();
        }
      }
      for (int i : figure) {
        wanted.put(i, most.fingering());
      }
    }
    return wanted;
  }

  /**
   * The notes that stand in the same place of the same figure, by the id of each; only of figures
   * that come back.
   */
  public static Map<String, List<Note>> of(Line line) {
    Map<String, List<Note>> all = new HashMap<>();
    for (List<Integer> figure : new Figures(line.notes()).figures()) {
      if (figure.size() > 1) {
        List<Note> places = figure.stream().map(line.notes()::get).toList();
        places.forEach(n -> all.put(n.id(), places));
      }
    }
    return all;
  }

  private List<List<Integer>> figures() {
    Map<Long, List<List<Integer>>> byHash = new HashMap<>();
    List<List<Integer>> all = new ArrayList<>();
    for (int i = REACH; i < notes.size() - REACH; i++) {
      List<List<Integer>> same = byHash.computeIfAbsent(hash(i), h -> new ArrayList<>(1));
      List<Integer> figure = null;
      for (List<Integer> f : same) {
        figure = alike(f.get(0), i) ? f : figure;
      }
      if (figure == null) {
        figure = new ArrayList<>(2);
        same.add(figure);
        all.add(figure);
      }
      figure.add(i);
    }
    return all;
  }

  private long hash(int at) {
    long hash = 17;
    for (int i = at - REACH; i <= at + REACH; i++) {
      Note n = notes.get(i);
      hash = hash * 1_000_003 + n.pitch().midi();
      hash = hash * 31 + Double.hashCode(n.quarters()) + (n.slurToNext() ? 7 : 0);
    }
    return hash;
  }

  private boolean alike(int a, int b) {
    for (int i = -REACH; i <= REACH; i++) {
      Note x = notes.get(a + i);
      Note y = notes.get(b + i);
      if (x.pitch().midi() != y.pitch().midi()
          || x.quarters() != y.quarters()
          || x.slurToNext() != y.slurToNext()) {
        return false;
      }
    }
    return true;
  }
}
