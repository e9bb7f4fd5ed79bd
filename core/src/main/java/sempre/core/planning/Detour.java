package sempre.core.planning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import sempre.core.Judgement.Telling;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Purpose;
import sempre.core.instrument.Rule;
import sempre.core.instrument.Setup;
import sempre.core.motion.Move;
import sempre.core.motion.Moves;
import sempre.core.pitch.Pitch;
import sempre.core.score.Note;
import sempre.core.search.BestPath;

/**
 * The whole way through a line with another fingering of one note, beside the way that was taken:
 * what the one costs more than the other, item by item. A reason is read off these items, so that a
 * sentence can't contradict the price.
 */
final class Detour {
  private final Player player;
  private final Route route;
  private final List<Note> notes;

  /** States of the way that was taken. */
  private final int[] taken;

  /** What it costs, change by change and note by note, as far as that was asked for. */
  private final List<List<Tally.Item>> takenChanges;

  private final List<List<Tally.Item>> takenPrices;

  Detour(Player player, Route route, List<Note> notes, int[] taken) {
    this.takenChanges = new ArrayList<>(Collections.nCopies(notes.size(), null));
    this.takenPrices = new ArrayList<>(Collections.nCopies(notes.size(), null));
    this.player = player;
    this.route = route;
    this.notes = notes;
    this.taken = taken;
  }

  /**
   * One thing that costs more.
   *
   * @param effort how much more on the whole way
   */
  record Excess(Weight weight, double effort, Optional<Rule> rule, Why why, Where where) {
    Purpose purpose() {
      return rule.map(Rule::purpose).orElse(weight.purpose());
    }
  }

  /**
   * A place on the way: a note, or the change to it.
   *
   * @param over the sign that leads to it; empty for the note, and for the change along the page
   */
  private record Place(int note, boolean change, Optional<Jumps.Over> over)
      implements Comparable<Place> {
    Place(int note, boolean change) {
      this(note, change, Optional.empty());
    }

    /** The note from which a change comes. */
    int from() {
      return over.map(Jumps.Over::from).orElse(note - 1);
    }

    @Override
    public int compareTo(Place o) {
      if (note != o.note) {
        return Integer.compare(note, o.note);
      }
      return change != o.change
          ? Boolean.compare(o.change, change)
          : Integer.compare(over.isPresent() ? from() : -1, o.over.isPresent() ? o.from() : -1);
    }
  }

  private record Costs(
      Map<Weight, Map<Place, Double>> efforts, Map<Place, List<Tally.Item>> items) {}

  /** A weight that costs more, and by how much at each place. */
  private record Dearer(Weight weight, double net, Map<Place, Double> more) {}

  /**
   * What the cheapest way through another fingering of a note costs more than the way that was
   * taken, the weightiest first; each is worked out when it is asked for.
   */
  Stream<Excess> excess(int i, int way) {
    BestPath.Bypass b = route.bypass(i, way, taken);
    int to = Math.min(notes.size() - 1, b.from() + b.states().length);
    Costs dear = costs(b.from(), to, b);
    Costs cheap = costs(b.from(), to, null);
    List<Dearer> all = new ArrayList<>();
    // what the other way does not pay at all it can't pay more
    for (Weight w : dear.efforts().keySet()) {
      Map<Place, Double> more = new TreeMap<>(dear.efforts().get(w));
      cheap.efforts().getOrDefault(w, Map.of()).forEach((p, e) -> more.merge(p, -e, Double::sum));
      double net = 0;
      for (double e : more.values()) {
        net += e;
      }
      if (net >= Telling.AUDIBLE) {
        all.add(new Dearer(w, net, more));
      }
    }
    all.sort(Comparator.comparingDouble((Dearer d) -> -d.net()));
    boolean ruled = all.stream().anyMatch(d -> d.weight() == Weight.WRONG);
    // where a rule says outright that it is not done, the slide it speaks of is not told besides
    return all.stream()
        .filter(d -> !ruled || d.weight() != Weight.NO_SLIDE)
        .flatMap(d -> excess(i, d, most(i, d.more()), b, dear, cheap).stream());
  }

  /** What the cheapest way through another fingering costs more, by weight; less is negative. */
  Map<Weight, Double> more(int i, int way) {
    BestPath.Bypass b = route.bypass(i, way, taken);
    int to = Math.min(notes.size() - 1, b.from() + b.states().length);
    Map<Weight, Double> more = new EnumMap<>(Weight.class);
    sum(costs(b.from(), to, b), 1, more);
    sum(costs(b.from(), to, null), -1, more);
    more.values().removeIf(e -> Math.abs(e) < 1.0 / Weight.GRID);
    return more;
  }

  private static void sum(Costs costs, int sign, Map<Weight, Double> into) {
    costs
        .efforts()
        .forEach((w, places) -> places.values().forEach(e -> into.merge(w, sign * e, Double::sum)));
  }

  /** Of the places where it costs most the nearest. */
  private static Place most(int i, Map<Place, Double> more) {
    double dearest = Collections.max(more.values());
    return more.entrySet().stream()
        .filter(e -> e.getValue() >= dearest * Telling.BOTH_SIDES)
        .max(Comparator.comparingDouble(e -> e.getValue() - Telling.FARTHER * away(i, e.getKey())))
        .orElseThrow()
        .getKey();
  }

  /** How many notes a place lies from a note; 0 for the note itself and the changes beside it. */
  private static int away(int i, Place p) {
    if (p.over().isPresent()) {
      return Math.min(Math.abs(i - p.note()), Math.abs(i - p.from()));
    }
    int first = p.change() ? p.note() - 1 : p.note();
    return i < first ? first - i : Math.max(0, i - p.note());
  }

  private Costs costs(int from, int to, BestPath.Bypass b) {
    Map<Weight, Map<Place, Double>> efforts = new EnumMap<>(Weight.class);
    Map<Place, List<Tally.Item>> items = new HashMap<>();
    for (int j = from; j <= to; j++) {
      if (j > 0) {
        add(new Place(j, true), changes(j, b), efforts, items);
      }
      add(new Place(j, false), prices(j, b), efforts, items);
    }
    for (Jumps.Over o : route.jumps().each()) {
      if (from <= o.to() && o.to() <= to || from <= o.from() && o.from() <= to) {
        add(new Place(o.to(), true, Optional.of(o)), over(o, b), efforts, items);
      }
    }
    return new Costs(efforts, items);
  }

  /** What the change to note j costs; on the way that was taken it is worked out once. */
  private List<Tally.Item> changes(int j, BestPath.Bypass b) {
    boolean taken = state(j - 1, b) == this.taken[j - 1] && state(j, b) == this.taken[j];
    if (!taken) {
      return change(j, state(j - 1, b), state(j, b)).items();
    }
    if (takenChanges.get(j) == null) {
      takenChanges.set(j, change(j, this.taken[j - 1], this.taken[j]).items());
    }
    return takenChanges.get(j);
  }

  /** What the change over a sign costs; from where the slide came is not asked. */
  private List<Tally.Item> over(Jumps.Over o, BestPath.Bypass b) {
    Tally tally = Tally.itemised();
    Effort.of(move(new Place(o.to(), true, Optional.of(o)), b)).tell(o.pace(), tally);
    return tally.items();
  }

  /** What the fingering of note j costs where it stands, likewise. */
  private List<Tally.Item> prices(int j, BestPath.Bypass b) {
    if (state(j, b) != taken[j]) {
      return price(j, state(j, b));
    }
    if (takenPrices.get(j) == null) {
      takenPrices.set(j, price(j, taken[j]));
    }
    return takenPrices.get(j);
  }

  private List<Tally.Item> price(int j, int state) {
    Tally price = Tally.itemised();
    Price.count(way(j, state), route.layers.get(j).ways, route.contexts.get(j), player, price);
    return price.items();
  }

  private static void add(
      Place p,
      List<Tally.Item> told,
      Map<Weight, Map<Place, Double>> efforts,
      Map<Place, List<Tally.Item>> items) {
    items.put(p, told);
    told.forEach(
        i ->
            efforts
                .computeIfAbsent(i.weight(), w -> new TreeMap<>())
                .merge(p, i.effort(), Double::sum));
  }

  private int state(int j, BestPath.Bypass b) {
    return b == null || j < b.from() || j >= b.from() + b.states().length
        ? taken[j]
        : b.states()[j - b.from()];
  }

  private Setup.Way way(int j, int state) {
    return route.layers.get(j).ways.get(state / route.directions);
  }

  private Move move(int j, BestPath.Bypass b) {
    return move(new Place(j, true), b);
  }

  private Move move(Place p, BestPath.Bypass b) {
    return Moves.between(
        player.setup(), way(p.from(), state(p.from(), b)), way(p.note(), state(p.note(), b)));
  }

  private Tally change(int j, int before, int at) {
    Tally tally = Tally.itemised();
    Move move = Moves.between(player.setup(), way(j - 1, before), way(j, at));
    int arrived = before % route.directions - route.directions / 2;
    Effort.of(move).arriving(arrived).tell(route.pace(j), tally);
    return tally;
  }

  private Optional<Excess> excess(
      int i, Dearer dearer, Place most, BestPath.Bypass b, Costs dear, Costs cheap) {
    Weight w = dearer.weight();
    double net = dearer.net();
    Map<Place, Double> more = dearer.more();
    Optional<Rule> rule =
        dear.items().get(most).stream()
            .filter(x -> x.weight() == w)
            .filter(x -> !cheap.items().get(most).contains(x))
            .findFirst()
            .flatMap(Tally.Item::rule);
    Where where = where(i, most, more, rule, b);
    return why(i, w, most, rule, b)
        .map(
            why ->
                where.side() == Where.Side.BOTH && most.change()
                    ? bothSides(i, w, net, most, rule, why, where, b)
                    : new Excess(w, net, rule, why, where));
  }

  /** What is told of two changes at once must hold of each; else only the weightier is told. */
  private Excess bothSides(
      int i,
      Weight w,
      double net,
      Place most,
      Optional<Rule> rule,
      Why why,
      Where where,
      BestPath.Bypass b) {
    int j = most.note();
    int other = j == i ? i + 1 : i;
    Why told = why;
    boolean both = true;
    if (why instanceof Why.Travel t) {
      told =
          new Why.Travel(
              t.cm() + travel(new Place(other, true), b),
              t.insteadCm() + travel(new Place(other, true), null));
    } else if (why instanceof Why.Slip s) {
      both =
          move(other, b).slips().stream()
              .anyMatch(x -> x.note().soundsAs(s.heard()) && x.isLate() == s.late());
    } else if (why instanceof Why.Fingers f) {
      both = move(other, b).fingers() == f.moving() && move(other, null).fingers() == f.instead();
    } else if (why instanceof Why.Slide s) {
      both = move(other, b).slides().stream().anyMatch(x -> x.finger() == s.finger());
    }
    Where.Side side = j == i ? Where.Side.PREVIOUS : Where.Side.NEXT;
    return new Excess(w, net, rule, told, both ? where : beside(side, i, b));
  }

  private Where where(
      int i, Place p, Map<Place, Double> more, Optional<Rule> rule, BestPath.Bypass b) {
    int j = p.note();
    if (!p.change()) {
      Where.Side side =
          rule.map(r -> side(r, route.contexts.get(j)))
              .orElse(i == j ? Where.Side.NOTE : i < j ? Where.Side.NEXT : Where.Side.PREVIOUS);
      return new Where(side, pitch(j - 1), pitch(i == j ? j + 1 : j), List.of(), j - i);
    }
    if (p.over().isPresent()) {
      return where(i, p.over().get(), b);
    }
    if (j == i || j == i + 1) {
      double other = more.getOrDefault(new Place(j == i ? i + 1 : i, true), 0.0);
      boolean both = other > 0 && other >= more.get(p) * Telling.BOTH_SIDES;
      Where.Side side = both ? Where.Side.BOTH : j == i ? Where.Side.PREVIOUS : Where.Side.NEXT;
      return beside(side, i, b);
    }
    return new Where(
        j < i ? Where.Side.PREVIOUS : Where.Side.NEXT,
        pitch(j - 1),
        pitch(j),
        otherwise(b, j - 1, j),
        j < i ? j - i : j - i - 1);
  }

  /** A change over a sign, as seen from note i. */
  private Where where(int i, Jumps.Over o, BestPath.Bypass b) {
    boolean beside = i == o.to() || i == o.from();
    boolean before = beside ? i == o.to() : o.to() < i;
    int away = Math.abs(i - o.to()) < Math.abs(i - o.from()) ? o.to() - i : o.from() - i;
    return new Where(
        before ? Where.Side.PREVIOUS : Where.Side.NEXT,
        pitch(o.from()),
        pitch(o.to()),
        beside ? otherwise(b, before ? o.from() : o.to()) : otherwise(b, o.from(), o.to()),
        beside ? 0 : away,
        o.back() ? Plan.Way.BACK : Plan.Way.AHEAD);
  }

  private Where beside(Where.Side side, int i, BestPath.Bypass b) {
    List<Pitch> otherwise =
        switch (side) {
          case PREVIOUS -> otherwise(b, i - 1);
          case NEXT -> otherwise(b, i + 1);
          default -> otherwise(b, i - 1, i + 1);
        };
    return new Where(side, pitch(i - 1), pitch(i + 1), otherwise, 0);
  }

  /** Those of some notes that the other way fingers otherwise too. */
  private List<Pitch> otherwise(BestPath.Bypass b, int... at) {
    return Arrays.stream(at)
        .filter(j -> j >= 0 && j < notes.size())
        .filter(j -> way(j, state(j, b)).entry() != way(j, taken[j]).entry())
        .mapToObj(j -> notes.get(j).pitch())
        .toList();
  }

  private Optional<Pitch> pitch(int j) {
    return j < 0 || j >= notes.size() ? Optional.empty() : Optional.of(notes.get(j).pitch());
  }

  static Where.Side side(Rule r, Context context) {
    return switch (r.when()) {
      case CHROMATIC, ALTERNATION, BETWEEN -> Where.Side.BOTH;
      case LEAP_UP, ENTRY, SOFT_ENTRY, AFTER -> Where.Side.PREVIOUS;
      case BEFORE -> Where.Side.NEXT;
      case NEXT_TO -> {
        boolean after = context.after(r);
        boolean before = context.before(r);
        yield after == before ? Where.Side.BOTH : after ? Where.Side.PREVIOUS : Where.Side.NEXT;
      }
      default -> Where.Side.NOTE;
    };
  }

  private Optional<Why> why(int i, Weight w, Place p, Optional<Rule> rule, BestPath.Bypass b) {
    int j = p.note();
    Setup.Way way = way(j, state(j, b));
    return switch (w) {
      case DOUBTFUL, WRONG -> rule.map(Why.Ruled::new);
      case PASSED_OVER, NEEDED -> rule.map(Why.PassedOver::new);
      case CONTRARY -> Optional.of(new Why.Contrary());
      case SLIP -> slip(p, b);
      case FINGER, WEAK_FINGER -> {
        int moving = move(p, b).fingers();
        int instead = move(p, null).fingers();
        yield Optional.of(
            moving > instead ? new Why.Fingers(moving, instead) : new Why.WeakFingers());
      }
      case ROLL, SLIDE, NO_SLIDE -> slide(i, p, b);
      case GLISSANDO -> Optional.of(new Why.NoGlissando());
      case SWAP -> Optional.of(new Why.Swap());
      case HAND_SHIFT -> Optional.of(new Why.HandShift());
      case TRAVEL -> Optional.of(new Why.Travel(travel(p, b), travel(p, null)));
      case REVERSAL -> Optional.of(new Why.Reversal());
      case PARTIALS, REGISTER, LEAP -> Optional.of(new Why.Lips());
      case AIR_ALONE -> Optional.of(new Why.AirAlone());
      case SIDE -> Optional.of(new Why.HornSide());
      case SMEAR -> Optional.of(new Why.Smear());
      case FIGURE, TURN -> Optional.of(new Why.Figure());
      case PITCH ->
          Optional.of(
              new Why.Cents(
                  way.entry().cents().orElse(0),
                  notes.get(j).seconds() >= Weight.LONG_SECONDS || notes.get(j).fermata()));
      case TRILL -> Optional.of(new Why.WorseTrill());
      case STYLE, HOUSE -> Optional.of(new Why.NotTheHouse());
      case UNLEARNED -> Optional.of(new Why.Unlearned());
      case ALTERNATE, BRASS_ALTERNATE, TRILL_ONLY, FAR_OUT -> Optional.of(new Why.LessUsual());
    };
  }

  private Optional<Why> slip(Place p, BestPath.Bypass b) {
    Set<Integer> there = new HashSet<>();
    move(p, null).slips().forEach(s -> there.add(s.note().midi()));
    return move(p, b).slips().stream()
        .filter(s -> !s.byLips() && !there.contains(s.note().midi()))
        .findFirst()
        .map(s -> new Why.Slip(s.note(), s.blamed(), s.isLate()));
  }

  private Optional<Why> slide(int i, Place p, BestPath.Bypass b) {
    int j = p.note();
    int beside = j == i ? p.from() : j;
    boolean needed =
        (j == i || p.from() == i)
            && way(beside, state(beside, b)).entry() == way(beside, taken[beside]).entry();
    int k = p.from();
    Map<?, List<Hold>> from = way(k, state(k, b)).fingering().byFinger();
    Map<?, List<Hold>> to = way(j, state(j, b)).fingering().byFinger();
    return move(p, b).slides().stream()
        .max(Comparator.comparing(Move.FingerSlide::way))
        .map(s -> new Why.Slide(s.finger(), from.get(s.finger()), to.get(s.finger()), needed));
  }

  /** The slide's way to a note, in centimetres. */
  private double travel(Place p, BestPath.Bypass b) {
    return move(p, b).travel().map(Move.Travel::cm).orElse(0.0);
  }

  /** The number of a way in the layer of a note. */
  OptionalInt index(int i, Setup.Way way) {
    int at = route.layers.get(i).ways.indexOf(way);
    return at < 0 ? OptionalInt.empty() : OptionalInt.of(at);
  }
}
