package sempre.core.planning;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.IntStream;
import sempre.core.Judgement.Telling;
import sempre.core.Refusal;
import sempre.core.instrument.Control;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Purpose;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.motion.Move;
import sempre.core.motion.Moves;
import sempre.core.pitch.Pitch;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Played;
import sempre.core.score.Succession;

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
  private final Player player;
  private final Playable playable;
  private final List<Note> notes;
  private List<Context> contexts;
  private final List<Layer> layers;
  private final Map<String, String> locks;
  private Route route;
  private Detour detour;

  private Planner(Player player, Playable playable, Map<String, String> locks) {
    this.player = player;
    this.playable = playable;
    this.notes = playable.notes();
    this.layers = playable.layers();
    this.locks = locks;
  }

  /** Plans a line for a player; nothing is locked. */
  public static Plan plan(Line line, Player player) {
    return plan(line, player, Map.of());
  }

  /**
   * Plans a line for a player.
   *
   * @param locks note id to the plain fingering that the teacher has fixed for it
   * @throws Refusal when a lock names a fingering that its note does not have
   */
  public static Plan plan(Line line, Player player, Map<String, String> locks) {
    Playable p = Playable.of(line, player, locks);
    return new Planner(player, p, locks).plan();
  }

  /**
   * The cost of the cheapest plan of a line, without reasons and alternatives: what {@link #plan}
   * would say in {@link Plan#cost()}, at a fraction of the time.
   */
  public static double cost(Line line, Player player) {
    Playable p = Playable.of(line, player, Map.of());
    return p.notes().isEmpty() ? 0 : p.route(player).cost() / (double) Weight.GRID;
  }

  /**
   * The notes of a line that a player can play, with what there is to choose from, and the rest.
   */
  private record Playable(
      List<Note> notes,
      List<Layer> layers,
      Played played,
      List<Note> outOfRange,
      List<Note> unreachable) {
    static Playable of(Line line, Player player, Map<String, String> locks) {
      Layers usual = new Layers(player);
      Playable p =
          new Playable(
              new ArrayList<>(line.notes().size()),
              new ArrayList<>(line.notes().size()),
              line.played(),
              new ArrayList<>(),
              new ArrayList<>());
      for (Note n : line.notes()) {
        Layer layer = locks.containsKey(n.id()) ? locked(n, player, locks) : usual.of(n);
        if (!layer.ways.isEmpty()) {
          p.notes.add(n);
          p.layers.add(layer);
        } else if (usual.planned(n.pitch().midi())) {
          p.unreachable.add(n);
        } else {
          p.outOfRange.add(n);
        }
      }
      return p;
    }

    Route route(Player player) {
      Succession order = Succession.of(notes, played);
      List<Effort.Pace> paces = Effort.Pace.of(notes, order);
      List<Context> contexts = Context.of(notes, order, player.style());
      Route free = new Route(player, paces, layers, contexts);
      Route alike = Figures.alike(player, notes, paces, layers, contexts, free);
      return Jumps.over(order, notes, alike, player);
    }
  }

  /**
   * What the best way through every other fingering of one note costs more than the plan, weight by
   * weight.
   *
   * @param noteId of the note; one that is not played has no rivals
   */
  static List<Verdict.Rival> rivals(Line line, Player player, String noteId) {
    Playable p = Playable.of(line, player, Map.of());
    List<Verdict.Rival> rivals = new ArrayList<>();
    for (int i = 0; i < p.notes().size(); i++) {
      if (p.notes().get(i).id().equals(noteId)) {
        Route route = p.route(player);
        Detour detour = new Detour(player, route, p.notes(), route.states());
        Layer layer = p.layers().get(i);
        long[] through = route.through(i, layer);
        Entry taken = layer.ways.get(route.chosen()[i]).entry();
        for (Entry e : layer.ways.stream().map(Setup.Way::entry).distinct().toList()) {
          if (e != taken) {
            int w = cheapest(through, layer.ways, e);
            double extra = (through[w] - route.cost()) / (double) Weight.GRID;
            rivals.add(new Verdict.Rival(e.fingering(), extra, detour.more(i, w)));
          }
        }
      }
    }
    return rivals;
  }

  /** The most choices that are asked for at once. */
  public static final int MOST_CHOICES = 10;

  /**
   * The best whole choices for a line, cheapest first, each with another fingering somewhere than
   * those before it; fewer when there are not so many. One empty choice for a line without notes.
   *
   * @param count 1 to {@value #MOST_CHOICES}
   * @throws Refusal when the count is outside that
   */
  public static List<Choice> choose(Line line, Player player, int count) {
    return choose(line, player, Map.of(), count);
  }

  /**
   * The same around what the teacher has fixed.
   *
   * @param locks note id to the plain fingering that the teacher has fixed for it
   */
  public static List<Choice> choose(
      Line line, Player player, Map<String, String> locks, int count) {
    if (count < 1 || count > MOST_CHOICES) {
      throw new Refusal("error.choices", "most", MOST_CHOICES, "asked", count);
    }
    Playable p = Playable.of(line, player, locks);
    if (p.notes().isEmpty()) {
      return List.of(new Choice(0, List.of(), List.of()));
    }
    List<Choice> choices = new ArrayList<>();
    for (Route.Whole path : p.route(player).best(count)) {
      List<Setup.Way> ways = new ArrayList<>();
      for (int i = 0; i < p.layers().size(); i++) {
        ways.add(p.layers().get(i).ways.get(path.ways()[i]));
      }
      choices.add(new Choice(path.cost() / (double) Weight.GRID, p.notes(), ways));
    }
    return choices;
  }

  private static Layer locked(Note n, Player player, Map<String, String> locks) {
    List<Setup.Way> all = player.setup().everyWay(n.pitch().midi());
    String lock = locks.get(n.id());
    String plain = player.setup().instrument().keywork().read(lock).text();
    List<Setup.Way> locked =
        all.stream()
            .filter(w -> w.entry().fingering().equals(plain) || w.fingering().text().equals(plain))
            .toList();
    if (locked.isEmpty() && !all.isEmpty()) {
      throw new Refusal("error.no-fingering", "note", n.pitch(), "fingering", lock);
    }
    return Layer.of(player, n, locked);
  }

  /** What there would be to choose from for a note that is locked, what is locked among it. */
  private Layer unlocked(int i) {
    Note note = notes.get(i);
    List<Setup.Way> usual = new Layers(player).of(note).ways;
    List<Setup.Way> locked = layers.get(i).ways;
    return Layer.of(
        player,
        note,
        player.setup().everyWay(note.pitch().midi()).stream()
            .filter(w -> usual.contains(w) || locked.contains(w))
            .toList());
  }

  private Plan plan() {
    List<Note> outOfRange = playable.outOfRange();
    List<Note> unreachable = playable.unreachable();
    int n = notes.size();
    if (n == 0) {
      return new Plan(player.setup(), 0, List.of(), List.of(), List.of(), outOfRange, unreachable);
    }
    route = playable.route(player);
    contexts = route.contexts;
    int[] chosen = route.chosen();
    long cost = route.cost();
    List<Plan.PlannedNote> planned = new ArrayList<>(n);
    List<Plan.PlannedMove> moves = new ArrayList<>(n);
    TreeSet<Pitch> fresh = new TreeSet<>(Comparator.comparingInt(Pitch::midi));
    for (int i = 0; i < n; i++) {
      planned.add(describe(i, chosen, cost));
      if (planned.get(i).isNew()) {
        fresh.add(notes.get(i).pitch());
      }
      if (i > 0 && route.jumps().follows(i - 1)) {
        moves.add(move(i, chosen));
      }
    }
    route.jumps().each().forEach(j -> moves.add(move(j, chosen)));
    return new Plan(
        player.setup(),
        cost / (double) Weight.GRID,
        planned,
        moves,
        List.copyOf(fresh),
        outOfRange,
        unreachable);
  }

  private Tally change(int i, Setup.Way from, Setup.Way to, int arrived, Tally tally) {
    Effort.of(Moves.between(player.setup(), from, to)).arriving(arrived).tell(route.pace(i), tally);
    return tally;
  }

  private Plan.PlannedMove move(int i, int[] chosen) {
    Setup.Way from = layers.get(i - 1).ways.get(chosen[i - 1]);
    Setup.Way to = layers.get(i).ways.get(chosen[i]);
    double effort = change(i, from, to, arrived(i - 1, chosen), Tally.sum()).total();
    return new Plan.PlannedMove(
        notes.get(i - 1).id(),
        notes.get(i).id(),
        Moves.between(player.setup(), from, to),
        route.pace(i).seconds(),
        Effort.difficulty(effort),
        Plan.Way.ON);
  }

  /** The change over a sign that leads elsewhere. */
  private Plan.PlannedMove move(Jumps.Over jump, int[] chosen) {
    int i = jump.from();
    int j = jump.to();
    Move move =
        Moves.between(
            player.setup(), layers.get(i).ways.get(chosen[i]), layers.get(j).ways.get(chosen[j]));
    Tally tally = Tally.sum();
    Effort.of(move).tell(jump.pace(), tally);
    return new Plan.PlannedMove(
        notes.get(i).id(),
        notes.get(j).id(),
        move,
        jump.pace().seconds(),
        Effort.difficulty(tally.total()),
        jump.back() ? Plan.Way.BACK : Plan.Way.AHEAD);
  }

  /** The direction from which the slide came to note i. */
  private int arrived(int i, int[] chosen) {
    if (i == 0 || route.pace(i).free()) {
      return 0;
    }
    return Moves.between(
            player.setup(),
            layers.get(i - 1).ways.get(chosen[i - 1]),
            layers.get(i).ways.get(chosen[i]))
        .travel()
        .map(Move.Travel::outward)
        .orElse(0);
  }

  private Plan.PlannedNote describe(int i, int[] chosen, long cost) {
    Note note = notes.get(i);
    Setup.Way way = layers.get(i).ways.get(chosen[i]);
    boolean locked = locks.containsKey(note.id());
    // what is fixed can be fixed otherwise: the same plan, but for this lock
    Layer layer = locked ? unlocked(i) : layers.get(i);
    List<Setup.Way> ways = layer.ways;
    long[] through = route.through(i, layer);
    long base = locked ? least(through, ways, way.entry()) : cost;
    Map<String, Alternative> cheapest = new LinkedHashMap<>();
    for (int w = 0; w < ways.size(); w++) {
      Setup.Way other = ways.get(w);
      if (other.entry() == way.entry()) {
        continue;
      }
      Alternative a = new Alternative(other, (through[w] - base) / (double) Weight.GRID);
      cheapest.merge(other.entry().fingering(), a, (x, y) -> y.extra() < x.extra() ? y : x);
    }
    Detour detour = locked ? detour(i, layer, through, way.entry()) : detour();
    List<Plan.Alternative> alternatives =
        cheapest.values().stream()
            .sorted(Comparator.comparingDouble(Alternative::extra))
            .map(
                a ->
                    new Plan.Alternative(
                        a.way(),
                        a.extra(),
                        detour
                            .excess(i, ways.indexOf(a.way()))
                            .findFirst()
                            .map(e -> new Plan.Against(e.why(), e.where()))))
            .toList();
    boolean isNew = player.known().isPresent() && !player.known().get().hasNote(note.pitch());
    boolean unlearned =
        !isNew
            && player.known().isPresent()
            && !player.known().get().has(way.entry().written(), way.entry().fingering());
    List<Reason> reasons = new ArrayList<>();
    if (locked) {
      reasons.add(Reason.of(Purpose.STYLE, new Reason.Locked()));
    } else {
      reasons.addAll(reasons(i, way, ways, through, detour));
      if (reasons.isEmpty()) {
        onceLearned(note, cheapest.values())
            .map(w -> Reason.of(Purpose.FACILITY, new Reason.OnceLearned(w.entry())))
            .ifPresent(reasons::add);
      }
    }
    tuned(i, way).ifPresent(reasons::add);
    reasons.addAll(0, manner(i, chosen));
    return new Plan.PlannedNote(
        note,
        player.setup().instrument().transposition().sounding(note.pitch()),
        way,
        isNew,
        unlearned,
        locked,
        locked ? Optional.empty() : outvoted(way).map(Setup.Way::entry),
        reasons,
        alternatives,
        Ornamented.of(note, way, player));
  }

  /** The least of what a path costs through the ways of one fingering, in 1/1024. */
  private static long least(long[] through, List<Setup.Way> ways, Entry entry) {
    return IntStream.range(0, through.length)
        .filter(w -> ways.get(w).entry() == entry)
        .mapToLong(w -> through[w])
        .min()
        .orElseThrow();
  }

  private record Alternative(Setup.Way way, double extra) {}

  /** The fingering that the player's style names for a note, where another one is planned. */
  private Optional<Setup.Way> outvoted(Setup.Way way) {
    return Price.house(way.entry(), player.style())
        ? Optional.empty()
        : player.setup().ways(way.entry().written()).stream()
            .filter(w -> Price.house(w.entry(), player.style()))
            .findFirst();
  }

  /** What would cost clearly less here, were it not for having to be learned first. */
  private Optional<Setup.Way> onceLearned(Note note, Collection<Alternative> alternatives) {
    return alternatives.stream()
        .filter(
            a ->
                player.known().isPresent()
                    && player.known().get().hasNote(note.pitch())
                    && !player.known().get().has(note.pitch(), a.way().entry().fingering())
                    && a.extra() < Weight.UNLEARNED.size() - Telling.CLEARLY)
        .min(Comparator.comparingDouble(Alternative::extra))
        .map(Alternative::way);
  }

  /**
   * What one would take without looking at the neighbours' fingerings or the rules: the house way.
   */
  private Optional<Setup.Way> favourite(List<Setup.Way> ways) {
    return ways.stream()
        .filter(w -> Price.house(w.entry(), player.style()))
        .findFirst()
        .or(() -> ways.stream().filter(w -> w.entry().role() == Role.STANDARD).findFirst())
        .or(() -> ways.stream().findFirst());
  }

  /** The standard, where the hand can't reach it and so something else is played. */
  private Optional<Setup.Way> beyondReach(Setup.Way way) {
    return player.setup().ways(way.entry().written()).stream()
        .filter(w -> w.entry().role() == Role.STANDARD && w.entry() != way.entry())
        .filter(w -> !player.reaches(w))
        .findFirst();
  }

  private Detour detour() {
    if (detour == null) {
      detour = new Detour(player, route, notes, route.states());
    }
    return detour;
  }

  /** The ways around a note that is fixed, beside the one through what is fixed. */
  private Detour detour(int i, Layer open, long[] through, Entry fixed) {
    List<Layer> with = new ArrayList<>(layers);
    with.set(i, open);
    Route free = route.with(with, player);
    int best = cheapest(through, open.ways, fixed);
    return new Detour(player, free, notes, free.states(i, best));
  }

  /** The way of one fingering through which the cheapest path goes. */
  private static int cheapest(long[] through, List<Setup.Way> ways, Entry entry) {
    return IntStream.range(0, ways.size())
        .filter(w -> ways.get(w).entry() == entry)
        .boxed()
        .min(Comparator.comparingLong(w -> through[w]))
        .orElseThrow();
  }

  /** Why this one and not what would be usual; nothing where there is nothing to say. */
  private List<Reason> reasons(
      int i, Setup.Way way, List<Setup.Way> ways, long[] through, Detour detour) {
    Context context = contexts.get(i);
    Optional<Setup.Way> beyond = beyondReach(way);
    if (beyond.isPresent()) {
      return beyond.get().fingering().holds().stream()
          .filter(h -> !player.reaches(h))
          .findFirst()
          .map(h -> Reason.of(Purpose.REACH, new Reason.OutOfReach(beyond.get().entry(), h)))
          .stream()
          .toList();
    }
    Optional<Setup.Way> favourite = favourite(ways).filter(f -> f.entry() != way.entry());
    List<Reason> reasons = new ArrayList<>();
    if (favourite.isEmpty()) {
      if (Price.house(way.entry(), player.style()) && way.entry().role() != Role.STANDARD) {
        Reason.Fact fact =
            context
                .welcome(way.entry().rules())
                .<Reason.Fact>map(Reason.Welcome::new)
                .orElse(new Reason.HouseWay());
        reasons.add(Reason.of(Purpose.STYLE, fact));
      }
      return reasons;
    }
    Entry other = favourite.get().entry();
    double first = 0;
    for (Detour.Excess e : detour.excess(i, cheapest(through, ways, other)).toList()) {
      // a second reason must weigh something beside the first
      if (reasons.size() == 2 || e.effort() < first * Telling.SECOND) {
        break;
      }
      first = Math.max(first, e.effort());
      if (reasons.stream().anyMatch(r -> sameTold(r, e.why()))) {
        continue;
      }
      boolean own = e.why() instanceof Why.PassedOver p && way.entry().rules().contains(p.rule());
      Reason.Fact fact =
          own
              ? new Reason.Welcome(((Why.PassedOver) e.why()).rule())
              : new Reason.Instead(other, e.why(), e.where());
      Where.Side side = own ? Detour.side(e.rule().orElseThrow(), context) : e.where().side();
      reasons.add(new Reason(e.purpose(), side, fact));
    }
    lacking(i, way).ifPresent(l -> reasons.add(0, l));
    return reasons;
  }

  /** Whether what weighs is told already: the same rule at two notes is one reason. */
  private static boolean sameTold(Reason reason, Why why) {
    return reason.fact() instanceof Reason.Instead told
        && (told.why().equals(why)
            || told.why() instanceof Why.Ruled a
                && why instanceof Why.Ruled b
                && a.rule().because().equals(b.rule().because()));
  }

  /** A fingering that would be made for this place on an instrument with one more key. */
  private Optional<Reason> lacking(int i, Setup.Way way) {
    Map<String, String> options = player.setup().options();
    for (Entry e : player.setup().instrument().entriesOf(way.entry().written())) {
      Optional<Control> key =
          e.pattern().plain().holds().stream()
              .map(Hold::control)
              .filter(c -> !options.entrySet().containsAll(c.requires().entrySet()))
              .findFirst();
      if (key.isPresent() && e != way.entry() && contexts.get(i).welcome(e.rules()).isPresent()) {
        return Optional.of(Reason.of(Purpose.FACILITY, new Reason.Lacking(e, key.get())));
      }
    }
    return Optional.empty();
  }

  /** What is to be said of a note that is stopped, muted or glides. */
  private List<Reason> manner(int i, int[] chosen) {
    Note note = notes.get(i);
    Setup.Way way = layers.get(i).ways.get(chosen[i]);
    List<Reason> said = new ArrayList<>();
    if (note.manner().stopped() && player.setup().instrument().stopped().isPresent()) {
      said.add(Reason.of(Purpose.INTONATION, new Reason.Stopped(way.entry().written())));
    } else if (note.manner().muted()) {
      said.add(Reason.of(Purpose.DYNAMICS, new Reason.Muted()));
    }
    boolean slide = player.setup().instrument().slide().isPresent();
    if (note.manner().glissando() && slide && i + 1 < notes.size()) {
      Move m = Moves.between(player.setup(), way, layers.get(i + 1).ways.get(chosen[i + 1]));
      said.add(
          new Reason(
              Purpose.FACILITY,
              Where.Side.NEXT,
              new Reason.Glissando(
                  notes.get(i + 1).pitch(), m.smear(), m.travel().orElseThrow().cm())));
    }
    return said;
  }

  /** How a long or exposed note that its lengths leave out of tune is brought into tune. */
  private Optional<Reason> tuned(int i, Setup.Way way) {
    Note note = notes.get(i);
    Entry e = way.entry();
    boolean ends = contexts.get(i).ends() && note.seconds() >= Weight.EXPOSED_SECONDS;
    boolean longNote = note.seconds() >= Weight.LONG_SECONDS || note.fermata() || ends;
    boolean valves = player.setup().instrument().keywork().kind() == Keywork.Kind.VALVES;
    if (!longNote || !valves || e.cents().orElse(0) < Weight.MEND_CENTS) {
      return Optional.empty();
    }
    return Reason.Tuned.of(e, player.setup().options()).map(t -> Reason.of(Purpose.INTONATION, t));
  }
}
