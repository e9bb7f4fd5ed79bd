package sempre.core.planning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.motion.Move;
import sempre.core.pitch.Pitch;
import sempre.core.score.Line;
import sempre.core.score.Note;

/**
 * Chooses a fingering for every note: the shortest path through layers, one layer a note, one node
 * a usable fingering with its free controls resolved (and, on a trombone, the direction from which
 * the slide arrives). The cheapest path through every single node comes from one pass forwards and
 * one backwards, as in the Viterbi algorithm (A. J. Viterbi, IEEE Trans. Inf. Theory 13, 1967).
 *
 * <p>A plan is a pure function of its arguments: all costs lie on a grid that sums exactly, and of
 * equal paths the one with the earlier catalogue entries is taken.
 */
public final class Planner {
  private static final int DIRECTIONS = 3;

  /** A difference in effort that is worth a word. */
  private static final double CLEARLY = 0.5;

  private final Player player;
  private final List<Note> notes;
  private final List<Context> contexts;
  private final List<List<Setup.Way>> layers;
  private final List<Effort.Pace> paces = new ArrayList<>();
  private final Map<String, String> locks;
  private final int directions;
  private double[][] prices;
  private double[][] forward;
  private double[][] backward;
  private int[][] before;

  private Planner(
      Player player, List<Note> notes, List<List<Setup.Way>> layers, Map<String, String> locks) {
    this.player = player;
    this.notes = notes;
    this.layers = layers;
    this.contexts = Context.of(notes);
    this.locks = locks;
    this.directions = player.setup().instrument().slide().isPresent() ? DIRECTIONS : 1;
    for (int i = 1; i < notes.size(); i++) {
      paces.add(Effort.Pace.between(notes.get(i - 1), notes.get(i)));
    }
  }

  /** Plans a line for a player; nothing is locked. */
  public static Plan plan(Line line, Player player) {
    return plan(line, player, Map.of());
  }

  /**
   * Plans a line for a player.
   *
   * @param locks note id to the plain fingering that the teacher has fixed for it
   * @throws IllegalArgumentException when a lock names a fingering that its note does not have
   */
  public static Plan plan(Line line, Player player, Map<String, String> locks) {
    List<Note> playable = new ArrayList<>();
    List<List<Setup.Way>> layers = new ArrayList<>();
    List<Note> outOfRange = new ArrayList<>();
    List<Note> unreachable = new ArrayList<>();
    for (Note n : line.notes()) {
      List<Setup.Way> all = player.setup().ways(n.pitch());
      List<Setup.Way> usable = usable(n, all, player, locks);
      boolean planned = all.stream().anyMatch(w -> w.entry().role() != Role.SPECIAL);
      if (all.isEmpty() || usable.isEmpty() && !planned) {
        outOfRange.add(n);
      } else if (usable.isEmpty()) {
        unreachable.add(n);
      } else {
        playable.add(n);
        layers.add(usable);
      }
    }
    return new Planner(player, playable, layers, locks).plan(outOfRange, unreachable);
  }

  private static List<Setup.Way> usable(
      Note n, List<Setup.Way> all, Player player, Map<String, String> locks) {
    String lock = locks.get(n.id());
    if (lock != null) {
      String plain = player.setup().instrument().keywork().read(lock).text();
      List<Setup.Way> locked =
          all.stream()
              .filter(
                  w -> w.entry().fingering().equals(plain) || w.fingering().text().equals(plain))
              .toList();
      if (locked.isEmpty() && !all.isEmpty()) {
        throw new IllegalArgumentException(
            n.pitch().displayName() + " has no fingering '" + lock + "' on this instrument");
      }
      return locked;
    }
    List<Setup.Way> reached =
        all.stream().filter(w -> w.entry().role() != Role.SPECIAL && player.reaches(w)).toList();
    // what is made for a hand that can't reach the usual one is for no other hand
    boolean usual =
        reached.stream()
            .anyMatch(w -> w.entry().role() == Role.STANDARD || w.entry().role() == Role.ALTERNATE);
    return usual ? reached.stream().filter(w -> w.entry().role() != Role.REACH).toList() : reached;
  }

  private Plan plan(List<Note> outOfRange, List<Note> unreachable) {
    int n = notes.size();
    if (n == 0) {
      return new Plan(player.setup(), 0, List.of(), List.of(), List.of(), outOfRange, unreachable);
    }
    search();
    int[] chosen = new int[n];
    int state = least(forward[n - 1]);
    double cost = forward[n - 1][state];
    for (int i = n - 1; i >= 0; i--) {
      chosen[i] = state / directions;
      state = before[i][state];
    }
    List<Plan.PlannedNote> planned = new ArrayList<>(n);
    List<Plan.PlannedMove> moves = new ArrayList<>(n);
    TreeSet<Pitch> fresh = new TreeSet<>(Comparator.comparingInt(Pitch::midi));
    for (int i = 0; i < n; i++) {
      planned.add(describe(i, chosen, cost));
      if (planned.get(i).isNew()) {
        fresh.add(notes.get(i).pitch());
      }
      if (i > 0) {
        moves.add(move(i, chosen));
      }
    }
    return new Plan(
        player.setup(), cost, planned, moves, List.copyOf(fresh), outOfRange, unreachable);
  }

  /** Fills prices and the cheapest costs to and from every state. */
  private void search() {
    int n = notes.size();
    prices = new double[n][];
    forward = new double[n][];
    backward = new double[n][];
    before = new int[n][];
    for (int i = 0; i < n; i++) {
      List<Setup.Way> ways = layers.get(i);
      prices[i] = new double[ways.size()];
      for (int w = 0; w < ways.size(); w++) {
        prices[i][w] = price(i, ways.get(w), Tally.sum()).total();
      }
      int states = ways.size() * directions;
      forward[i] = new double[states];
      backward[i] = new double[states];
      before[i] = new int[states];
      Arrays.fill(forward[i], Double.POSITIVE_INFINITY);
      Arrays.fill(backward[i], Double.POSITIVE_INFINITY);
    }
    for (int w = 0; w < layers.get(0).size(); w++) {
      forward[0][w * directions + directions / 2] = prices[0][w];
    }
    for (int i = 1; i < n; i++) {
      double[] from = forward[i - 1];
      double[] to = forward[i];
      for (int s = 0; s < from.length; s++) {
        if (from[s] == Double.POSITIVE_INFINITY) {
          continue;
        }
        for (int w = 0; w < layers.get(i).size(); w++) {
          long edge = edge(i, s, w);
          int t = target(i, s, w);
          double sum = from[s] + edge / 1024.0 + prices[i][w];
          if (sum < to[t]) {
            to[t] = sum;
            before[i][t] = s;
          }
        }
      }
    }
    Arrays.fill(backward[n - 1], 0);
    for (int i = n - 1; i > 0; i--) {
      double[] to = backward[i - 1];
      for (int s = 0; s < to.length; s++) {
        for (int w = 0; w < layers.get(i).size(); w++) {
          int t = target(i, s, w);
          double sum = edge(i, s, w) / 1024.0 + prices[i][w] + backward[i][t];
          if (sum < to[s]) {
            to[s] = sum;
          }
        }
      }
    }
  }

  /** Cost of the change from a state of note i - 1 to a way of note i, in 1/1024. */
  private long edge(int i, int state, int way) {
    return Math.round(
        1024
            * change(
                    i,
                    layers.get(i - 1).get(state / directions),
                    layers.get(i).get(way),
                    state % directions - directions / 2,
                    Tally.sum())
                .total());
  }

  private int target(int i, int state, int way) {
    if (directions == 1) {
      return way;
    }
    int outward =
        player
            .setup()
            .move(layers.get(i - 1).get(state / directions), layers.get(i).get(way))
            .travel()
            .map(Move.Travel::outward)
            .orElse(0);
    return way * directions + outward + 1;
  }

  private Tally change(int i, Setup.Way from, Setup.Way to, int arrived, Tally tally) {
    Move move = player.setup().move(from, to);
    Effort.Pace pace = paces.get(i - 1);
    Effort.count(move, pace, tally);
    move.travel().ifPresent(t -> Effort.countReversal(arrived, t.outward(), pace, tally));
    return tally;
  }

  private Tally price(int i, Setup.Way way, Tally tally) {
    Price.count(way, layers.get(i), contexts.get(i), player, tally);
    return tally;
  }

  private static int least(double[] costs) {
    int best = 0;
    for (int s = 1; s < costs.length; s++) {
      if (costs[s] < costs[best]) {
        best = s;
      }
    }
    return best;
  }

  private Plan.PlannedMove move(int i, int[] chosen) {
    Setup.Way from = layers.get(i - 1).get(chosen[i - 1]);
    Setup.Way to = layers.get(i).get(chosen[i]);
    double effort = change(i, from, to, arrived(i - 1, chosen), Tally.sum()).total();
    return new Plan.PlannedMove(
        notes.get(i - 1).id(),
        notes.get(i).id(),
        player.setup().move(from, to),
        paces.get(i - 1).seconds(),
        Effort.difficulty(effort));
  }

  /** The direction from which the slide came to note i. */
  private int arrived(int i, int[] chosen) {
    if (i == 0) {
      return 0;
    }
    return player
        .setup()
        .move(layers.get(i - 1).get(chosen[i - 1]), layers.get(i).get(chosen[i]))
        .travel()
        .map(Move.Travel::outward)
        .orElse(0);
  }

  private Plan.PlannedNote describe(int i, int[] chosen, double cost) {
    Note note = notes.get(i);
    List<Setup.Way> ways = layers.get(i);
    Setup.Way way = ways.get(chosen[i]);
    boolean locked = locks.containsKey(note.id());
    Map<String, Alternative> cheapest = new LinkedHashMap<>();
    for (int w = 0; w < ways.size(); w++) {
      Setup.Way other = ways.get(w);
      if (other.entry() == way.entry()) {
        continue;
      }
      double through = Double.POSITIVE_INFINITY;
      for (int d = 0; d < directions; d++) {
        int s = w * directions + d;
        through = Math.min(through, forward[i][s] + backward[i][s]);
      }
      Alternative a = new Alternative(other, through - cost);
      cheapest.merge(other.entry().fingering(), a, (x, y) -> y.extra() < x.extra() ? y : x);
    }
    Comparison comparison = new Comparison(i, chosen);
    List<Plan.Alternative> alternatives =
        cheapest.values().stream()
            .sorted(Comparator.comparingDouble(Alternative::extra))
            .map(
                a ->
                    new Plan.Alternative(
                        a.way(),
                        a.extra(),
                        Sentences.against(a.way(), comparison.of(way, a.way()))))
            .toList();
    boolean isNew = player.known().isPresent() && !player.known().get().hasNote(note.pitch());
    boolean unlearned =
        !isNew
            && player.known().isPresent()
            && !player.known().get().has(note.pitch(), way.entry().fingering());
    List<Reason> reasons =
        locked
            ? List.of(Sentences.locked(way))
            : Sentences.reasons(
                way,
                favourite(i, ways)
                    .filter(f -> f.entry() != way.entry())
                    .map(f -> comparison.of(f, way)),
                contexts.get(i),
                player,
                cheapest.isEmpty(),
                beyondReach(note, way),
                onceLearned(note, cheapest.values()));
    return new Plan.PlannedNote(
        note,
        player.setup().instrument().transposition().sounding(note.pitch()),
        way,
        isNew,
        unlearned,
        locked,
        reasons,
        alternatives);
  }

  private record Alternative(Setup.Way way, double extra) {}

  /** What would cost clearly less here, were it not for having to be learned first. */
  private Optional<Setup.Way> onceLearned(Note note, Collection<Alternative> alternatives) {
    return alternatives.stream()
        .filter(
            a ->
                player.known().isPresent()
                    && player.known().get().hasNote(note.pitch())
                    && !player.known().get().has(note.pitch(), a.way().entry().fingering())
                    && a.extra() < Weight.UNLEARNED.size() - CLEARLY)
        .min(Comparator.comparingDouble(Alternative::extra))
        .map(Alternative::way);
  }

  /**
   * What one would take without looking at the neighbours' fingerings or the rules: the house way.
   */
  private Optional<Setup.Way> favourite(int i, List<Setup.Way> ways) {
    return ways.stream()
        .filter(w -> Price.house(w.entry(), player.style()))
        .findFirst()
        .or(() -> ways.stream().filter(w -> w.entry().role() == Role.STANDARD).findFirst())
        .or(() -> ways.stream().findFirst());
  }

  /** The standard, where the hand can't reach it and so something else is played. */
  private Optional<Setup.Way> beyondReach(Note note, Setup.Way way) {
    return player.setup().ways(note.pitch()).stream()
        .filter(w -> w.entry().role() == Role.STANDARD && w.entry() != way.entry())
        .filter(w -> !player.reaches(w))
        .findFirst();
  }

  /** Compares two fingerings of note i with the neighbours as planned. */
  private final class Comparison {
    private final int i;
    private final int[] chosen;

    Comparison(int i, int[] chosen) {
      this.i = i;
      this.chosen = chosen;
    }

    /** What {@code second} costs more than {@code first}, the greatest difference first. */
    Sentences.Difference of(Setup.Way first, Setup.Way second) {
      boolean better = total(first) > total(second);
      // The difference is told from the dearer one's side.
      Setup.Way cheap = better ? second : first;
      Setup.Way dear = better ? first : second;
      Optional<Note> previous = i == 0 ? Optional.empty() : Optional.of(notes.get(i - 1));
      Optional<Note> next =
          i == notes.size() - 1 ? Optional.empty() : Optional.of(notes.get(i + 1));
      return new Sentences.Difference(
          cheap,
          dear,
          notes.get(i),
          previous,
          next,
          contexts.get(i),
          toHere(cheap),
          toHere(dear),
          fromHere(cheap),
          fromHere(dear),
          price(i, cheap, Tally.itemised()),
          price(i, dear, Tally.itemised()),
          moveTo(dear),
          moveFrom(dear),
          moveTo(cheap),
          moveFrom(cheap));
    }

    private double total(Setup.Way w) {
      return toHere(w).total() + fromHere(w).total() + price(i, w, Tally.sum()).total();
    }

    private Tally toHere(Setup.Way w) {
      return i == 0
          ? Tally.itemised()
          : change(i, before(w), w, arrived(i - 1, chosen), Tally.itemised());
    }

    private Tally fromHere(Setup.Way w) {
      return i == notes.size() - 1
          ? Tally.itemised()
          : change(i + 1, w, behind(w), arrivedAt(w), Tally.itemised());
    }

    /** The neighbour as planned, but with its free controls held as suits this fingering best. */
    private Setup.Way before(Setup.Way w) {
      Setup.Way planned = layers.get(i - 1).get(chosen[i - 1]);
      return layers.get(i - 1).stream()
          .filter(v -> v.entry() == planned.entry())
          .min(
              Comparator.comparingDouble(
                  v -> change(i, v, w, arrived(i - 1, chosen), Tally.sum()).total()))
          .orElse(planned);
    }

    private Setup.Way behind(Setup.Way w) {
      Setup.Way planned = layers.get(i + 1).get(chosen[i + 1]);
      return layers.get(i + 1).stream()
          .filter(v -> v.entry() == planned.entry())
          .min(
              Comparator.comparingDouble(
                  v -> change(i + 1, w, v, arrivedAt(w), Tally.sum()).total()))
          .orElse(planned);
    }

    private int arrivedAt(Setup.Way w) {
      return moveTo(w).flatMap(Move::travel).map(Move.Travel::outward).orElse(0);
    }

    private Optional<Move> moveTo(Setup.Way w) {
      return i == 0 ? Optional.empty() : Optional.of(player.setup().move(before(w), w));
    }

    private Optional<Move> moveFrom(Setup.Way w) {
      return i == notes.size() - 1
          ? Optional.empty()
          : Optional.of(player.setup().move(w, behind(w)));
    }
  }
}
