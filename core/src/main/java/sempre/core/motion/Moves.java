package sempre.core.motion;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import sempre.core.Judgement.Brass;
import sempre.core.Judgement.Slips;
import sempre.core.instrument.Bore;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.instrument.SlideRule;
import sempre.core.pitch.Pitch;

/** Works out the {@link Move} from one fingering to another. All computed from the two holds. */
public final class Moves {
  private Moves() {}

  /** Between two ways of two notes; computed once for each set-up. */
  public static Move between(Setup setup, Setup.Way from, Setup.Way to) {
    return setup.derived(Known.class, Known::new).between(from, to);
  }

  /** What is computed already of one set-up. */
  private static final class Known {
    private final Map<Long, Move> moves = new ConcurrentHashMap<>();
    private final Setup setup;

    Known(Setup setup) {
      this.setup = setup;
    }

    Move between(Setup.Way from, Setup.Way to) {
      return moves.computeIfAbsent(
          (long) from.number() << 32 | to.number(),
          k ->
              Moves.between(
                  setup,
                  from.hand(),
                  to.hand(),
                  List.of(from.entry().written()),
                  List.of(to.entry().written())));
    }
  }

  /** Between two fingerings of which only the hold is known: the notes are looked up. */
  public static Move between(Setup setup, Fingering from, Fingering to) {
    return between(setup, from, to, usualNotes(setup, from), usualNotes(setup, to));
  }

  /** The notes of which this hold is the standard, or else all that it sounds. */
  private static List<Pitch> usualNotes(Setup setup, Fingering f) {
    List<Pitch> all = setup.notesOf(f);
    List<Pitch> usual =
        all.stream()
            .filter(
                p ->
                    setup.ways(p).stream()
                        .anyMatch(
                            w -> w.fingering().equals(f) && w.entry().role() == Role.STANDARD))
            .toList();
    return usual.isEmpty() ? all : usual;
  }

  /**
   * Between two fingerings.
   *
   * @param fromNotes what the first may sound; the nearest pair of notes is meant
   * @param toNotes what the second may sound
   */
  public static Move between(
      Setup setup, Fingering from, Fingering to, List<Pitch> fromNotes, List<Pitch> toNotes) {
    if (setup.instrument().byName()) {
      return Move.NONE;
    }
    Map<Finger, List<Hold>> a = from.byFinger();
    Map<Finger, List<Hold>> b = to.byFinger();
    Set<Finger> down = EnumSet.noneOf(Finger.class);
    Set<Finger> up = EnumSet.noneOf(Finger.class);
    List<Move.FingerSlide> slides = new ArrayList<>();
    Set<Finger> moving = EnumSet.noneOf(Finger.class);
    Pair pair = nearest(fromNotes, toNotes);
    Set<Hold> silent = new HashSet<>(free(setup, pair.from(), from));
    silent.addAll(free(setup, pair.to(), to));
    for (Finger f : setup.instrument().keywork().fingers()) {
      List<Hold> x = a.getOrDefault(f, List.of());
      List<Hold> y = b.getOrDefault(f, List.of());
      if (f == Finger.ARM || x.equals(y)) {
        continue;
      }
      moving.add(f);
      if (x.isEmpty() || f.place() && y.containsAll(x)) {
        down.add(f);
      } else if (y.isEmpty() || f.place() && x.containsAll(y)) {
        up.add(f);
      } else {
        slides.add(slide(setup, f, x, y, silent));
      }
    }
    return new Move(
        down,
        up,
        !down.isEmpty() && !up.isEmpty(),
        slides,
        slips(setup, from, to, moving, pair),
        away(from, true) != away(to, true) || away(from, false) != away(to, false),
        travel(setup, from, to),
        partials(setup, from, to, pair),
        registers(setup, pair),
        pair.from().isPresent() && pair.to().isPresent()
            ? Math.abs(pair.from().get().midi() - pair.to().get().midi())
            : 0,
        moving.isEmpty() && from.slidePosition().equals(to.slidePosition()),
        setup.instrument().keywork().kind() == Keywork.Kind.VALVES && moving.contains(Finger.LT),
        swaps(from, to),
        smear(setup, from, to, pair));
  }

  /** Keys away from home that go over from one hand to the other. */
  private static int swaps(Fingering from, Fingering to) {
    int swaps = 0;
    for (Hold h : from.holds()) {
      boolean kept = to.holds().contains(h);
      for (Hold other : to.holds()) {
        boolean same =
            other.control().token().equals(h.control().token())
                && other.control().left() != h.control().left()
                && !from.holds().contains(other);
        swaps += !kept && same && !h.control().home() ? 1 : 0;
      }
    }
    return swaps;
  }

  private record Pair(Optional<Pitch> from, Optional<Pitch> to) {}

  private static Pair nearest(List<Pitch> from, List<Pitch> to) {
    return from.stream()
        .flatMap(f -> to.stream().map(t -> new Pair(Optional.of(f), Optional.of(t))))
        .min(
            Comparator.comparingInt(
                p -> Math.abs(p.from().orElseThrow().midi() - p.to().orElseThrow().midi())))
        .orElse(new Pair(from.stream().findFirst(), to.stream().findFirst()));
  }

  /** Whether a hand has left its place. */
  private static boolean away(Fingering f, boolean left) {
    return f.holds().stream().anyMatch(h -> h.control().away() && h.finger().left() == left);
  }

  private static String tokens(List<Hold> holds) {
    return holds.stream().map(Hold::token).collect(Collectors.joining(" "));
  }

  /** What is free under a note with this hold. */
  private static List<Hold> free(Setup setup, Optional<Pitch> note, Fingering f) {
    return note.stream()
        .flatMap(n -> setup.ways(n).stream())
        .filter(w -> w.fingering().equals(f))
        .findFirst()
        .map(w -> w.entry().pattern().free())
        .orElse(List.of());
  }

  /**
   * How a finger gets from key to key. Where all that it gives up or takes is silent under one of
   * the two notes, there is the whole note to roll over in.
   */
  private static Move.FingerSlide slide(
      Setup setup, Finger f, List<Hold> x, List<Hold> y, Set<Hold> silent) {
    String from = tokens(x);
    String to = tokens(y);
    Set<Hold> changed = new HashSet<>(x);
    changed.addAll(y);
    changed.removeIf(h -> x.contains(h) && y.contains(h));
    if (silent.containsAll(changed)) {
      return new Move.FingerSlide(f, from, to, SlideRule.Way.ROLL);
    }
    SlideRule.Way way =
        setup.instrument().slideRules().stream()
            .filter(r -> r.finger() == f && r.from().equals(from) && r.to().equals(to))
            .filter(r -> r.fits(setup.options()))
            .map(SlideRule::way)
            .findFirst()
            .orElse(SlideRule.Way.HARD);
    return new Move.FingerSlide(f, from, to, way);
  }

  private static Optional<Move.Travel> travel(Setup setup, Fingering from, Fingering to) {
    if (setup.instrument().slide().isEmpty()) {
      return Optional.empty();
    }
    var slide = setup.instrument().slide().get();
    double way = slide.centimetres(to.text()) - slide.centimetres(from.text());
    int outward = Math.abs(way) < Brass.STILL_CM ? 0 : way > 0 ? 1 : -1;
    return Optional.of(
        new Move.Travel(
            from.slidePosition().orElseThrow().token(),
            to.slidePosition().orElseThrow().token(),
            Math.abs(way),
            outward));
  }

  /** Registers of the bore between two notes, as their order in the catalogue counts them. */
  private static int registers(Setup setup, Pair pair) {
    Optional<Bore> bore = setup.instrument().bore();
    if (bore.isEmpty() || pair.from().isEmpty() || pair.to().isEmpty()) {
      return 0;
    }
    return Math.abs(
        register(bore.get(), pair.from().get()) - register(bore.get(), pair.to().get()));
  }

  private static int register(Bore bore, Pitch note) {
    int above = 0;
    for (Bore.Register r : bore.registers()) {
      above += note.midi() > r.to().midi() ? 1 : 0;
    }
    return above;
  }

  private static int partials(Setup setup, Fingering from, Fingering to, Pair pair) {
    if (pair.from().isEmpty() || pair.to().isEmpty()) {
      return 0;
    }
    int a = partial(setup, pair.from().get(), from);
    int b = partial(setup, pair.to().get(), to);
    return a == 0 || b == 0 ? 0 : Math.abs(a - b);
  }

  /** Whether the slide goes from place to place on one partial of one tube. */
  private static boolean smear(Setup setup, Fingering from, Fingering to, Pair pair) {
    return setup.instrument().slide().isPresent()
        && pair.from().isPresent()
        && pair.to().isPresent()
        && !from.slidePosition().equals(to.slidePosition())
        && from.holds().size() == to.holds().size()
        && partial(setup, pair.from().get(), from) == partial(setup, pair.to().get(), to);
  }

  private static int partial(Setup setup, Pitch note, Fingering f) {
    return setup.ways(note).stream()
        .filter(w -> w.fingering().equals(f))
        .map(Setup.Way::entry)
        .map(Entry::partial)
        .filter(java.util.OptionalInt::isPresent)
        .mapToInt(java.util.OptionalInt::getAsInt)
        .findFirst()
        .orElse(0);
  }

  /**
   * Slip notes: fingers move one by one in reality. For every finger or pair of fingers that may be
   * late or early, the hold between is looked up in the instrument's table.
   */
  private static List<Move.Slip> slips(
      Setup setup, Fingering from, Fingering to, Set<Finger> moving, Pair pair) {
    List<Finger> fingers = List.copyOf(moving);
    int n = fingers.size();
    Map<Integer, Move.Slip> found = new LinkedHashMap<>();
    if (n < 2 || from.slidePosition().isPresent()) {
      return ranked(found, byLips(setup, from, to, pair));
    }
    Set<Set<Finger>> lates = new LinkedHashSet<>();
    for (int size : new int[] {1, n - 1, 2, n - 2}) {
      for (Set<Finger> some : subsets(fingers, size)) {
        if (!some.isEmpty() && some.size() < n) {
          lates.add(some);
        }
      }
    }
    int a = pair.from().map(Pitch::midi).orElse(-1);
    int b = pair.to().map(Pitch::midi).orElse(-1);
    for (Set<Finger> late : lates) {
      List<Hold> between = new ArrayList<>();
      for (Hold h : from.holds()) {
        if (still(h, moving, late)) {
          between.add(h);
        }
      }
      for (Hold h : to.holds()) {
        if (!late.contains(h.finger())) {
          between.add(h);
        }
      }
      List<Pitch> heard = setup.notesOf(between);
      if (heard.stream().anyMatch(p -> p.midi() == a || p.midi() == b)) {
        continue;
      }
      heard.stream()
          .filter(p -> near(p.midi(), a, b))
          .min(
              Comparator.comparingInt(
                  (Pitch p) -> a < 0 ? p.midi() : Math.abs(p.midi() - a) + Math.abs(p.midi() - b)))
          .ifPresent(
              p ->
                  found.putIfAbsent(
                      p.midi(),
                      new Move.Slip(
                          p,
                          List.copyOf(late),
                          fingers.stream().filter(f -> !late.contains(f)).toList(),
                          Math.max(1, distance(p.midi(), a, b)),
                          Move.Slip.Lips.FINE)));
    }
    return ranked(found, byLips(setup, from, to, pair));
  }

  private static int distance(int heard, int a, int b) {
    return a < 0 ? 1 : Math.min(Math.abs(heard - a), Math.abs(heard - b));
  }

  /** All slips, the easiest to hear first, as if in an unhurried change; each note once. */
  private static List<Move.Slip> ranked(Map<Integer, Move.Slip> byFingers, List<Move.Slip> byLips) {
    byLips.forEach(s -> byFingers.putIfAbsent(s.note().midi(), s));
    return byFingers.values().stream()
        .sorted(Comparator.comparingDouble(s -> -s.audible(Slips.UNHURRIED_SECONDS)))
        .toList();
  }

  /**
   * On brass, the neighbouring partials on the valves or in the position of the second note, where
   * the lips have to find another partial: what comes out when they fall short or overshoot.
   */
  private static List<Move.Slip> byLips(Setup setup, Fingering from, Fingering to, Pair pair) {
    if (pair.from().isEmpty() || pair.to().isEmpty()) {
      return List.of();
    }
    int a = pair.from().get().midi();
    int b = pair.to().get().midi();
    if (a == b || partials(setup, from, to, pair) == 0) {
      return List.of();
    }
    Pitch below = null;
    Pitch above = null;
    for (Pitch p : setup.notesOf(to)) {
      if (p.midi() < b) {
        below = p;
      } else if (p.midi() > b && above == null) {
        above = p;
      }
    }
    List<Move.Slip> slips = new ArrayList<>();
    if (below != null && below.midi() != a && b - below.midi() <= Slips.REACH) {
      slips.add(lips(below, distance(below.midi(), a, b), Move.Slip.Lips.SLACK));
    }
    if (above != null && above.midi() != a && above.midi() - b <= Slips.REACH) {
      slips.add(lips(above, distance(above.midi(), a, b), Move.Slip.Lips.TIGHT));
    }
    return slips;
  }

  private static Move.Slip lips(Pitch note, int distance, Move.Slip.Lips how) {
    return new Move.Slip(note, List.of(), List.of(), distance, how);
  }

  /**
   * A hold speaks in the register that is blown, so a note of another register does not slip out.
   */
  private static boolean near(int heard, int a, int b) {
    return a < 0 || Math.min(Math.abs(heard - a), Math.abs(heard - b)) <= Slips.REACH;
  }

  private static boolean still(Hold h, Set<Finger> moving, Set<Finger> late) {
    return !moving.contains(h.finger()) || late.contains(h.finger());
  }

  private static List<Set<Finger>> subsets(List<Finger> fingers, int size) {
    List<Set<Finger>> all = new ArrayList<>();
    if (size == 1 || size == fingers.size() - 1) {
      for (Finger f : fingers) {
        Set<Finger> set = EnumSet.noneOf(Finger.class);
        if (size == 1) {
          set.add(f);
        } else {
          set.addAll(fingers);
          set.remove(f);
        }
        all.add(set);
      }
    } else if (size == 2 || size == fingers.size() - 2) {
      for (int i = 0; i < fingers.size(); i++) {
        for (int j = i + 1; j < fingers.size(); j++) {
          Set<Finger> set = EnumSet.noneOf(Finger.class);
          if (size == 2) {
            set.add(fingers.get(i));
            set.add(fingers.get(j));
          } else {
            set.addAll(fingers);
            set.remove(fingers.get(i));
            set.remove(fingers.get(j));
          }
          all.add(set);
        }
      }
    }
    return all;
  }
}
