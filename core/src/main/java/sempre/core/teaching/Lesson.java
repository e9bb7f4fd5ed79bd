package sempre.core.teaching;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import sempre.core.Judgement.Nearness;
import sempre.core.Judgement.Rank;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.motion.Move;
import sempre.core.motion.Moves;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

/**
 * A new note for one player: by comparison with a note the player has, with what comes out when it
 * goes wrong and how to blow.
 *
 * @param written the note on the player's page
 * @param entry the fingering as this player's class does it
 * @param has whether the player has it already
 * @param from the secure note from which least must be thought; empty when there is none
 * @param mistakes what goes wrong, the likeliest first
 * @param air air and lips
 * @param caution what to watch, above what players of the stage have
 */
public record Lesson(
    Pitch written,
    Entry entry,
    boolean has,
    Optional<Comparison> from,
    List<Mistake> mistakes,
    Air air,
    Optional<Caution> caution) {
  /** So many mistakes are told. */
  private static final int MOST = 3;

  public Lesson {
    mistakes = List.copyOf(mistakes);
  }

  /**
   * What changes from a note that the player has.
   *
   * @param from its fingering
   * @param added what is added
   * @param lifted what is lifted
   * @param shifts fingers that go from one thing to another
   * @param travel the way of the slide, where it moves
   * @param registerKey whether only the register or octave key is added
   * @param stays whether something stays as it is
   */
  public record Comparison(
      Entry from,
      List<Hold> added,
      List<Hold> lifted,
      List<Shift> shifts,
      Optional<Move.Travel> travel,
      boolean registerKey,
      boolean stays) {
    public Comparison {
      added = List.copyOf(added);
      lifted = List.copyOf(lifted);
      shifts = List.copyOf(shifts);
    }

    /** Whether the hands stay as they are. */
    public boolean same() {
      return added.isEmpty() && lifted.isEmpty() && shifts.isEmpty() && travel.isEmpty();
    }
  }

  /** A finger that goes from one thing to another. */
  public record Shift(Finger finger, List<Hold> from, List<Hold> to) {
    public Shift {
      from = List.copyOf(from);
      to = List.copyOf(to);
    }
  }

  /**
   * What may go wrong.
   *
   * @param heard what is heard then, on the player's page; empty where that can't be said
   * @param fault what has happened
   */
  public record Mistake(Optional<Pitch> heard, Fault fault) {}

  /**
   * The lesson of a note as it stands on the player's page; empty when there is no fingering.
   *
   * @param stage how far the player's group has got
   */
  public static Optional<Lesson> written(Pitch written, Player player, Stage stage) {
    return player.usual(written).map(way -> of(written, way, player, stage));
  }

  private static Lesson of(Pitch written, Setup.Way way, Player player, Stage stage) {
    Setup setup = player.setup();
    Entry entry = way.entry();
    Optional<Comparison> from = nearest(way, player);
    boolean has = player.known().map(k -> k.hasNote(written)).orElse(false);
    boolean highest = !has && above(written, player);
    return new Lesson(
        written,
        entry,
        has,
        from,
        mistakes(setup, entry, from),
        from.map(f -> Air.of(setup.instrument(), f.from(), entry, highest))
            .orElseGet(() -> Air.first(setup.instrument(), written)),
        has ? Optional.empty() : Caution.of(setup, written, stage));
  }

  /** Whether a note lies above all that a player has; not where that is nothing. */
  private static boolean above(Pitch written, Player player) {
    if (player.known().isEmpty()) {
      return false;
    }
    List<Integer> had =
        IntStream.rangeClosed(0, player.setup().highest().midi())
            .filter(m -> !player.setup().ways(m).isEmpty())
            .filter(m -> player.known().get().hasNote(Pitch.usual(m)))
            .boxed()
            .toList();
    return !had.isEmpty() && had.stream().allMatch(m -> m < written.midi());
  }

  /**
   * The note from which least has to be thought of, of those that are secure: a shaky one explains
   * nothing (common practice, no source).
   */
  private static Optional<Comparison> nearest(Setup.Way way, Player player) {
    int written = way.entry().written().midi();
    List<Setup.Way> all = new ArrayList<>();
    for (int midi = written - Nearness.SEMITONES; midi <= written + Nearness.SEMITONES; midi++) {
      for (Setup.Way w : midi == written ? List.<Setup.Way>of() : player.setup().ways(midi)) {
        boolean had =
            player
                .known()
                .map(k -> k.isSecure(w.entry().written(), w.entry().fingering()))
                .orElse(false);
        // as it is usually held, so that what is said to stay does stay
        if (had && w.fingering().equals(w.entry().pattern().plain())) {
          all.add(w);
        }
      }
    }
    return all.stream()
        .min(Comparator.comparingDouble(w -> thought(w, way, player.setup())))
        .map(w -> compare(w, way, player.setup()));
  }

  private static double thought(Setup.Way from, Setup.Way to, Setup setup) {
    Comparison c = compare(from, to, setup);
    int partials = Math.abs(from.entry().partial().orElse(0) - to.entry().partial().orElse(0));
    return (c.registerKey() ? Nearness.ONE_KEY : c.added().size() + c.lifted().size())
        + Nearness.SLIDE * c.shifts().size()
        + Nearness.CENTIMETRE * c.travel().map(Move.Travel::cm).orElse(0.0)
        + Nearness.PARTIAL * partials
        + Nearness.SEMITONE * Math.abs(from.entry().written().midi() - to.entry().written().midi());
  }

  private static Comparison compare(Setup.Way from, Setup.Way to, Setup setup) {
    Move move = Moves.between(setup, from, to);
    List<Hold> before = from.fingering().holds();
    List<Hold> behind = to.fingering().holds();
    Map<Finger, List<Hold>> a = from.fingering().byFinger();
    Map<Finger, List<Hold>> b = to.fingering().byFinger();
    // a finger that keeps what it has and takes something besides does not go anywhere
    List<Finger> sliding =
        move.slides().stream()
            .map(Move.FingerSlide::finger)
            .filter(f -> !a.get(f).containsAll(b.get(f)) && !b.get(f).containsAll(a.get(f)))
            .toList();
    List<Hold> added = only(behind, before, sliding);
    List<Hold> lifted = only(before, behind, sliding);
    List<Shift> shifts = sliding.stream().map(f -> new Shift(f, a.get(f), b.get(f))).toList();
    Set<Hold> keys = new HashSet<>();
    setup.instrument().bore().ifPresent(x -> x.registers().forEach(r -> keys.addAll(r.with())));
    return new Comparison(
        from.entry(),
        added,
        lifted,
        shifts,
        move.travel().filter(t -> t.outward() != 0),
        added.size() == 1 && lifted.isEmpty() && shifts.isEmpty() && keys.contains(added.get(0)),
        before.stream().anyMatch(h -> behind.contains(h) && h.finger() != Finger.ARM));
  }

  /** What is held here and not there, but by fingers that go from key to key. */
  private static List<Hold> only(List<Hold> here, List<Hold> there, List<Finger> sliding) {
    return here.stream()
        .filter(h -> !there.contains(h) && h.finger() != Finger.ARM)
        .filter(h -> !sliding.contains(h.finger()))
        .toList();
  }

  private record Ranked(double rank, Mistake mistake) {}

  /** The main mistakes: of each sort the likeliest, what the player newly does first. */
  private static List<Mistake> mistakes(Setup setup, Entry entry, Optional<Comparison> from) {
    List<Ranked> all = new ArrayList<>();
    for (Faults.Found f : Faults.of(setup, entry)) {
      rank(entry, f, from).ifPresent(all::add);
    }
    from.flatMap(c -> slip(setup, c, entry)).ifPresent(all::add);
    all.sort(Comparator.comparingDouble(Ranked::rank));
    List<Mistake> told = new ArrayList<>();
    Set<Object> sorts = new HashSet<>();
    for (Ranked r : all) {
      boolean fresh = sorts.add(sort(r.mistake().fault()));
      boolean heard =
          told.stream()
              .anyMatch(m -> m.heard().isPresent() && m.heard().equals(r.mistake().heard()));
      if (fresh && !heard && told.size() < MOST) {
        told.add(r.mistake());
      }
    }
    return told;
  }

  private static Object sort(Fault f) {
    return f instanceof Fault.Partial p ? Integer.signum(p.steps()) : f.getClass();
  }

  private static Optional<Ranked> rank(Entry entry, Faults.Found f, Optional<Comparison> from) {
    Optional<Pitch> heard =
        f.heard().stream()
            .min(Comparator.comparingInt(p -> Math.abs(p.midi() - entry.written().midi())));
    double rank = f.rank();
    boolean newly = false;
    if (f.fault() instanceof Fault.Late l) {
      newly = from.stream().anyMatch(c -> c.added().contains(l.hold()));
      rank -= l.hold().finger().weak() ? Rank.WEAK_FINGER : 0;
    } else if (f.fault() instanceof Fault.StillDown s) {
      newly = from.stream().anyMatch(c -> c.lifted().contains(s.hold()));
    } else if (f.fault() instanceof Fault.ValveUp v) {
      newly =
          from.stream()
              .anyMatch(c -> c.added().stream().anyMatch(h -> h.control().equals(v.valve())));
    } else if (f.fault() instanceof Fault.ValveDown v) {
      newly =
          from.stream()
              .anyMatch(c -> c.lifted().stream().anyMatch(h -> h.control().equals(v.valve())));
    } else if (f.fault() instanceof Fault.Swapped s) {
      // only where the finger that is down comes from the note before
      if (from.stream().noneMatch(c -> c.lifted().contains(s.down()))) {
        return Optional.empty();
      }
      newly = true;
    } else if (f.fault() instanceof Fault.BrushedAbove) {
      heard = Optional.empty();
    } else if (f.fault() instanceof Fault.Leak
        || f.fault() instanceof Fault.LeakAbove
        || f.fault() instanceof Fault.ValveInstead
        || f.rank() >= Rank.VALVE_AND_PARTIAL) {
      return Optional.empty();
    }
    double far =
        heard.map(p -> Math.abs(p.midi() - entry.written().midi()) * Rank.PER_SEMITONE).orElse(0.0);
    return Optional.of(
        new Ranked(rank + far - (newly ? Rank.NEW_FINGER : 0), new Mistake(heard, f.fault())));
  }

  private static Optional<Ranked> slip(Setup setup, Comparison c, Entry to) {
    return setup.ways(c.from().written()).stream()
        .filter(w -> w.entry() == c.from() && w.held().isEmpty())
        .findFirst()
        .flatMap(
            a ->
                setup.ways(to.written()).stream()
                    .filter(w -> w.entry() == to && w.held().isEmpty())
                    .findFirst()
                    .map(b -> Moves.between(setup, a, b)))
        .flatMap(m -> m.slips().stream().filter(s -> !s.byLips()).findFirst())
        .map(
            s ->
                new Ranked(
                    Rank.SLIPPED,
                    new Mistake(
                        Optional.of(s.note()),
                        new Fault.Slipped(c.from().written(), s.blamed(), s.isLate()))));
  }

  /** The hold, for a picture. */
  public Fingering hold() {
    return entry.pattern().plain();
  }
}
