package sempre.core.planning;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import sempre.core.Judgement.Trilling;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.instrument.SlideRule;
import sempre.core.instrument.TrillFingering;
import sempre.core.instrument.TrillFingering.Quality;
import sempre.core.motion.Move;
import sempre.core.motion.Moves;
import sempre.core.pitch.Pitch;

/**
 * The trills of one set-up. Those of the catalogue, and whatever two fingerings of the two notes
 * give that lie one or two fingers apart, all of them down or all up: that is computed. On brass a
 * trill by the valves stays on one partial; one by the lips stays on its valves and goes to the
 * next partial where that is a step away, from the eighth on (the lengths of the partials:
 * computed).
 */
public final class Trills {
  private static final String COMPUTED = "computed";

  private final Setup setup;
  private final Map<Integer, List<Trill>> known = new ConcurrentHashMap<>();

  private Trills(Setup setup) {
    this.setup = setup;
  }

  /** Every way to trill between two written notes, the better first; empty where there is none. */
  public static List<Trill> of(Setup setup, Pitch lower, Pitch upper) {
    Trills trills = setup.derived(Trills.class, Trills::new);
    int width = upper.midi() - lower.midi();
    return width < 1 || width > Trilling.WHOLE_STEP
        ? List.of()
        : trills.known.computeIfAbsent(
            lower.midi() * Trilling.WHOLE_STEP + width - 1,
            k -> trills.find(lower.midi(), upper.midi()));
  }

  /**
   * Every way for one player, the better first: what the hand does not reach is left out, and of
   * those that go as well the house's come first.
   */
  public static List<Trill> of(Player player, Pitch lower, Pitch upper) {
    return of(player.setup(), lower, upper).stream()
        .filter(t -> player.reaches(t.lower()) && player.reaches(t.upper()))
        .sorted(Comparator.comparingDouble(t -> effort(t, player)))
        .toList();
  }

  /** The trill that begins with a way of the lower note; empty where it has none. */
  static Optional<Trill> from(Setup.Way lower, Pitch upper, Player player) {
    return of(player, lower.entry().written(), upper).stream()
        .filter(t -> t.lower().number() == lower.number())
        .findFirst();
  }

  /** How much a trill is to be avoided, in units of {@link Weight#TRILL}. */
  static double effort(Trill t, Player player) {
    double effort =
        switch (t.quality()) {
          case GOOD -> 0;
          case FAIR -> Trilling.FAIR;
          case POOR -> Trilling.POOR;
          case NONE -> Trilling.NONE;
        };
    boolean house = Price.house(t.upper().entry(), player.style());
    boolean other = !house && !t.upper().entry().style().isEmpty();
    return effort + (other ? Trilling.NOT_THE_HOUSES : 0);
  }

  private List<Trill> find(int lower, int upper) {
    Map<String, Trill> found = new LinkedHashMap<>();
    for (TrillFingering t : setup.instrument().trills()) {
      if (t.fits(setup.options()) && t.lower().midi() == lower && t.upper().midi() == upper) {
        Setup.Way from = way(lower, t.from());
        Setup.Way to = way(upper, t.to());
        add(
            found,
            new Trill(
                from, to, t.quality(), t.source(), t.because(), Moves.between(setup, from, to)));
      }
    }
    for (Setup.Way a : setup.ways(lower)) {
      for (Setup.Way b : setup.ways(upper)) {
        boolean makeshifts = a.entry().role() == Role.TRILL && b.entry().role() == Role.TRILL;
        if (usable(a) && usable(b) && !makeshifts && sameElsewhere(a, b)) {
          Move m = Moves.between(setup, a, b);
          quality(a, b, m).ifPresent(q -> add(found, new Trill(a, b, q, COMPUTED, "", m)));
        }
      }
    }
    return found.values().stream()
        .sorted(
            Comparator.comparing(Trill::quality)
                .thenComparing(t -> t.source().equals(COMPUTED))
                .thenComparingInt(t -> t.source().equals(COMPUTED) ? plainness(t) : 0))
        .toList();
  }

  /** What the catalogue says comes before what is computed. */
  private static void add(Map<String, Trill> found, Trill t) {
    found.putIfAbsent(t.lower().fingering().text() + " > " + t.upper().fingering().text(), t);
  }

  private Setup.Way way(int midi, Fingering f) {
    List<Setup.Way> all = setup.everyWay(midi);
    return Stream.concat(
            all.stream().filter(w -> w.fingering().equals(f)),
            all.stream().filter(w -> w.bare().equals(f)))
        .findFirst()
        .orElseThrow();
  }

  /** Of computed ones that go as well: the fewest fingers, then the usual fingerings. */
  private static int plainness(Trill t) {
    int unusual = unusual(t.lower()) + unusual(t.upper());
    return 100 * t.move().fingers() + 10 * unusual + t.lower().held().size();
  }

  private static int unusual(Setup.Way w) {
    return w.entry().role() == Role.STANDARD ? 0 : 1;
  }

  private static boolean usable(Setup.Way w) {
    Role role = w.entry().role();
    return role != Role.SPECIAL && role != Role.REACH && w.entry().touched().isEmpty();
  }

  /** Free controls are held only where the other note needs them. */
  private static boolean sameElsewhere(Setup.Way a, Setup.Way b) {
    return b.bare().holds().containsAll(a.held()) && a.bare().holds().containsAll(b.held());
  }

  private Optional<Quality> quality(Setup.Way a, Setup.Way b, Move m) {
    if (setup.instrument().byName()) {
      // two bars, a mallet each (common practice, no source)
      return Optional.of(Quality.GOOD);
    }
    if (setup.instrument().keywork().kind() != Keywork.Kind.HANDS) {
      return brass(a, b, m);
    }
    boolean rolls = m.slides().stream().allMatch(s -> s.way() == SlideRule.Way.ROLL);
    if (m.contrary() || m.same() || m.fingers() > Trilling.MANY_FINGERS || !rolls) {
      return Optional.empty();
    }
    boolean apart = twoHands(m);
    boolean forTrills = a.entry().role() == Role.TRILL || b.entry().role() == Role.TRILL;
    boolean crosses = m.registers() > 0 && !forTrills;
    if (m.fingers() == Trilling.MANY_FINGERS && (apart || crosses) || crosses && m.fingers() > 1) {
      return Optional.empty();
    }
    if (!m.slides().isEmpty() || apart || m.fingers() == Trilling.MANY_FINGERS) {
      return Optional.of(Quality.POOR);
    }
    return Optional.of(m.fingers() == 1 && !crosses ? Quality.GOOD : Quality.FAIR);
  }

  private static boolean twoHands(Move m) {
    Stream<Finger> all = Stream.concat(m.down().stream(), m.up().stream());
    return all.map(Finger::left).distinct().count() > 1;
  }

  private static Optional<Quality> brass(Setup.Way a, Setup.Way b, Move m) {
    int low = a.entry().partial().orElse(0);
    int high = b.entry().partial().orElse(0);
    if (m.same()) {
      return high == low + 1 && low >= Trilling.LIPS_FROM
          ? Optional.of(Quality.GOOD)
          : Optional.empty();
    }
    boolean slide = m.travel().filter(t -> t.outward() != 0).isPresent();
    if (slide || Math.abs(low - high) > 1 || m.sideChange() || m.fingers() > 2) {
      return Optional.empty();
    }
    // one valve may help the lips to the next partial (common practice, no source)
    if (low != high) {
      return m.fingers() == 1 ? Optional.of(Quality.FAIR) : Optional.empty();
    }
    return Optional.of(
        m.contrary() ? Quality.POOR : m.fingers() == 1 ? Quality.GOOD : Quality.FAIR);
  }
}
