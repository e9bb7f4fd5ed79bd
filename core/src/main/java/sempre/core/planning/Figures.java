package sempre.core.planning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import sempre.core.Judgement.Figure;
import sempre.core.score.Line;
import sempre.core.score.Note;

/**
 * Figures that come back, so that the hand learns each of them once (common practice, no source).
 *
 * <p>A note belongs to a figure with every other note that has the same neighbours, two on each
 * side, in the same rhythm and under the same slurs; all of them get the fingering that most of
 * them have, unless that costs more than {@link Weight#FIGURE}.
 *
 * <p>A turn is a figure that is played again at once, two notes by turns or up to {@value
 * Judgement.Figure#LONGEST_TURN}. In a turn every note keeps its fingering from the first to the
 * last, unless that costs more than {@link Weight#TURN}; of the fingerings that it has here and
 * there the one is taken with which the turn is cheapest.
 */
public final class Figures {
  private final List<Note> notes;

  private Figures(List<Note> notes) {
    this.notes = notes;
  }

  /**
   * The cheapest path on which figures are fingered alike; the given one where they are so already.
   */
  static Route alike(
      Player player,
      List<Note> notes,
      List<Effort.Pace> paces,
      List<Layer> layers,
      List<Context> contexts,
      Route free) {
    Figures figures = new Figures(notes);
    int[] chosen = free.chosen();
    List<Context> with = new ArrayList<>(contexts);
    for (Group g : figures.groups()) {
      Set<String> fingerings = new LinkedHashSet<>();
      g.places().forEach(i -> fingerings.add(fingering(layers, chosen, i)));
      if (fingerings.size() < 2) {
        continue;
      }
      String wanted =
          g.turn().isPresent()
              ? g.turn().get().cheapest(g, fingerings, player, paces, layers, with)
              : most(g, layers, chosen);
      g.put(wanted, with);
    }
    return with.equals(contexts) ? free : new Route(player, paces, layers, with);
  }

  private static String fingering(List<Layer> layers, int[] chosen, int i) {
    return layers.get(i).ways.get(chosen[i]).shape();
  }

  /** The fingering that most notes of a group have; of equals the one that comes first. */
  private static String most(Group g, List<Layer> layers, int[] chosen) {
    Map<String, Integer> votes = new LinkedHashMap<>();
    g.places().forEach(i -> votes.merge(fingering(layers, chosen, i), 1, Integer::sum));
    String most = "";
    for (Map.Entry<String, Integer> v : votes.entrySet()) {
      most = v.getValue() > votes.getOrDefault(most, 0) ? v.getKey() : most;
    }
    return most;
  }

  /**
   * Notes that are to be fingered alike.
   *
   * @param places of the notes, rising
   * @param turning those of them that stand in a turn
   * @param turn the turn that they are one note of; empty when more than that holds them together
   */
  private record Group(List<Integer> places, Set<Integer> turning, Optional<Turn> turn) {
    /** Puts the fingering that the notes are to have into their contexts. */
    void put(String fingering, List<Context> contexts) {
      for (int i : places) {
        Context c = contexts.get(i);
        contexts.set(i, turning.contains(i) ? c.inTurn(fingering) : c.inFigure(fingering));
      }
    }
  }

  /**
   * Notes that go round.
   *
   * @param from place of the first
   * @param to place of the last
   * @param length of the figure, in notes
   */
  private record Turn(int from, int to, int length) {
    /** Places of one note of the figure. */
    List<Integer> places(int phase) {
      List<Integer> all = new ArrayList<>();
      for (int i = from + phase; i <= to; i += length) {
        all.add(i);
      }
      return all;
    }

    /** Of some fingerings the one with which the turn and the notes around it cost least. */
    String cheapest(
        Group g,
        Set<String> fingerings,
        Player player,
        List<Effort.Pace> paces,
        List<Layer> layers,
        List<Context> contexts) {
      int start = Math.max(0, from - Figure.REACH);
      int end = Math.min(layers.size(), to + 1 + Figure.REACH);
      String best = "";
      long least = Long.MAX_VALUE;
      for (String f : fingerings) {
        List<Context> with = new ArrayList<>(contexts);
        g.put(f, with);
        long cost =
            new Route(
                    player,
                    paces.subList(start, end),
                    layers.subList(start, end),
                    with.subList(start, end))
                .cost();
        if (cost < least) {
          least = cost;
          best = f;
        }
      }
      return best;
    }
  }

  /** All notes that are to be fingered alike, by what holds them together: figures and turns. */
  private List<Group> groups() {
    int[] first = new int[notes.size()];
    for (int i = 0; i < first.length; i++) {
      first[i] = i;
    }
    figures().forEach(f -> f.forEach(i -> join(first, f.get(0), i)));
    Map<List<Integer>, Turn> byPlaces = new HashMap<>();
    Set<Integer> turning = new HashSet<>();
    for (Turn t : turns()) {
      for (int phase = 0; phase < t.length(); phase++) {
        List<Integer> places = t.places(phase);
        places.forEach(i -> join(first, places.get(0), i));
        turning.addAll(places);
        byPlaces.put(places, t);
      }
    }
    Map<Integer, List<Integer>> groups = new LinkedHashMap<>();
    for (int i = 0; i < first.length; i++) {
      groups.computeIfAbsent(root(first, i), k -> new ArrayList<>(1)).add(i);
    }
    return groups.values().stream()
        .filter(g -> g.size() > 1)
        .map(g -> new Group(g, turning, Optional.ofNullable(byPlaces.get(g))))
        .toList();
  }

  private static int root(int[] first, int i) {
    int r = i;
    while (first[r] != r) {
      r = first[r];
    }
    return r;
  }

  private static void join(int[] first, int a, int b) {
    int x = root(first, a);
    int y = root(first, b);
    first[Math.max(x, y)] = Math.min(x, y);
  }

  /** Every turn, each as the shortest figure that goes round. */
  private List<Turn> turns() {
    List<Turn> all = new ArrayList<>();
    for (int length = 2; length <= Figure.LONGEST_TURN; length++) {
      int from = 0;
      while (from + length < notes.size()) {
        int to = from;
        while (to + length < notes.size() && same(to, to + length)) {
          to++;
        }
        // as many notes came round as the figure has
        if (to - from >= length) {
          Turn turn = new Turn(from, to + length - 1, length);
          if (all.stream().noneMatch(t -> t.from <= turn.from && turn.to <= t.to)) {
            all.add(turn);
          }
        }
        from = Math.max(to, from + 1);
      }
    }
    return all;
  }

  /** Whether two notes are the same but for what stands around them. */
  private boolean same(int a, int b) {
    Note x = notes.get(a);
    Note y = notes.get(b);
    return x.pitch().midi() == y.pitch().midi() && x.quarters() == y.quarters();
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

  /** What makes two notes the same in a figure. */
  private record Seen(int midi, double quarters, boolean slurred) {
    static Seen of(Note n) {
      return new Seen(n.pitch().midi(), n.quarters(), n.slurToNext());
    }
  }

  /** Places with the same notes around them, those of each figure together, in page order. */
  private List<List<Integer>> figures() {
    List<Seen> seen = notes.stream().map(Seen::of).toList();
    Map<List<Seen>, List<Integer>> figures = new LinkedHashMap<>();
    for (int i = Figure.REACH; i < notes.size() - Figure.REACH; i++) {
      figures
          .computeIfAbsent(
              seen.subList(i - Figure.REACH, i + Figure.REACH + 1), k -> new ArrayList<>(2))
          .add(i);
    }
    return List.copyOf(figures.values());
  }
}
