package sempre.core.teaching;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import sempre.core.instrument.Control;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Setup;
import sempre.core.motion.Move;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Judge;
import sempre.core.planning.Player;

/**
 * A new note for one player: by comparison with a note the player has, with what comes out when it
 * goes wrong and how to blow.
 *
 * @param written the note on the player's page
 * @param entry the fingering as this player's class does it
 * @param has whether the player has it already
 * @param from the nearest note the player has; empty when there is none
 * @param mistakes what comes out instead, the likeliest first
 * @param air air and lips, as a clause
 * @param caution may be empty
 */
public record Lesson(
    Pitch written,
    Entry entry,
    boolean has,
    Optional<From> from,
    List<Mistake> mistakes,
    String air,
    String caution) {
  /** Farther away nothing is compared, in semitones. */
  private static final int NEAR = 12;

  /** A semitone between two notes counts as much as so much difficulty. */
  private static final double SEMITONE = 0.03;

  private static final int MISTAKES = 3;

  public Lesson {
    mistakes = List.copyOf(mistakes);
  }

  /**
   * A note the player has.
   *
   * @param written the note
   * @param entry its fingering
   * @param sentence what moves and what stays on the way to the new one
   */
  public record From(Pitch written, Entry entry, String sentence) {}

  /**
   * What may come out instead.
   *
   * @param written what is heard, on the player's page
   * @param why what has happened
   * @param mend what to do
   */
  public record Mistake(Pitch written, String why, String mend) {}

  /** The lesson of a note as it stands on the player's page; empty when there is no fingering. */
  public static Optional<Lesson> written(Pitch written, Player player) {
    return of(NewNote.written(written, player.setup()), player);
  }

  private static Optional<Lesson> of(Optional<NewNote> note, Player player) {
    Setup setup = player.setup();
    Optional<Setup.Way> way = note.flatMap(n -> player.usual(n.written()));
    if (way.isEmpty()) {
      return Optional.empty();
    }
    Pitch written = note.get().written();
    Optional<Setup.Way> near = nearest(written, way.get(), player);
    List<Mistake> mistakes = new ArrayList<>();
    near.ifPresent(n -> slip(setup.move(n, way.get()), n).ifPresent(mistakes::add));
    for (NewNote.WrongNote w : note.get().wrongNotes()) {
      mistakes.add(new Mistake(w.written(), w.why(), mend(setup, written, w.written())));
    }
    if (mistakes.isEmpty()) {
      oneFinger(setup, written, way.get()).ifPresent(mistakes::add);
    }
    boolean has = player.known().map(k -> k.hasNote(written)).orElse(false);
    boolean higher =
        !has
            && player.known().isPresent()
            && highest(player).filter(h -> h < written.midi()).isPresent();
    return Optional.of(
        new Lesson(
            written,
            way.get().entry(),
            has,
            near.map(n -> new From(n.entry().written(), n.entry(), sentence(setup, n, way.get()))),
            mistakes.subList(0, Math.min(MISTAKES, mistakes.size())),
            Blowing.words(setup.instrument(), way.get().entry()),
            higher ? Blowing.higher(setup.instrument()) : ""));
  }

  private static Optional<Integer> highest(Player player) {
    for (int midi = player.setup().highest().midi(); midi > 0; midi--) {
      if (!player.setup().ways(midi).isEmpty()
          && player.known().orElseThrow().hasNote(Pitch.usual(midi))) {
        return Optional.of(midi);
      }
    }
    return Optional.empty();
  }

  /** The note the player has from which the least has to change. */
  private static Optional<Setup.Way> nearest(Pitch written, Setup.Way way, Player player) {
    List<Setup.Way> all = new ArrayList<>();
    for (int midi = written.midi() - NEAR; midi <= written.midi() + NEAR; midi++) {
      if (midi == written.midi()) {
        continue;
      }
      for (Setup.Way w : player.setup().ways(midi)) {
        boolean had =
            player
                .known()
                .map(k -> k.has(w.entry().written(), w.entry().fingering()))
                .orElse(false);
        // as it is usually held, so that what is said to stay does stay
        if (had && w.fingering().equals(w.entry().pattern().plain())) {
          all.add(w);
        }
      }
    }
    return all.stream()
        .min(
            Comparator.comparingDouble(
                w ->
                    Judge.difficulty(player.setup().move(w, way))
                        + SEMITONE * Math.abs(w.entry().written().midi() - written.midi())));
  }

  private static Optional<Mistake> slip(Move move, Setup.Way from) {
    return move.slips().stream()
        .filter(s -> !s.byLips())
        .findFirst()
        .map(
            s ->
                new Mistake(
                    s.note(),
                    "coming from " + from.entry().written().displayName() + ", " + s.clause(),
                    "Move the fingers together a few times without blowing, then slowly with air"));
  }

  /**
   * What sounds when a finger is wrong: one forgotten, one down too many, a half hole covered, or
   * the lower part of a fork forgotten; the nearest such note (computed from the table).
   */
  private static Optional<Mistake> oneFinger(Setup setup, Pitch written, Setup.Way way) {
    Keywork keywork = setup.instrument().keywork();
    List<Hold> holds = way.fingering().holds();
    List<Mistake> found = new ArrayList<>();
    for (Finger f : way.fingering().byFinger().keySet()) {
      if (f != Finger.ARM) {
        List<Hold> rest = holds.stream().filter(h -> h.finger() != f).toList();
        heard(setup, written, rest, "the " + f.words() + " is forgotten", found)
            .accept("Set it down first, then blow");
      }
    }
    for (Hold h : holds) {
      if (h.way() == Hold.Way.HALF) {
        List<Hold> covered =
            holds.stream()
                .map(x -> x.equals(h) ? new Hold(h.control(), Hold.Way.FULL) : x)
                .toList();
        heard(setup, written, covered, "the half hole is covered", found)
            .accept("Roll the " + h.finger().words() + " until the hole is half open");
      }
    }
    List<Hold> above = aboveTheGap(keywork, holds);
    if (above.size() < holds.size()) {
      heard(setup, written, above, "the fingers below the open hole are forgotten", found)
          .accept("Set them down together, then blow");
      // and the little fingers with them, where they belong to the fork
      List<Hold> bare =
          above.stream().filter(h -> h.finger() != Finger.L4 && h.finger() != Finger.R4).toList();
      heard(setup, written, bare, "all below the open hole is forgotten", found)
          .accept("Set the fork down together, then blow");
    }
    for (Control c : keywork.controls()) {
      if (keywork.kind() == Keywork.Kind.HANDS && !way.fingering().fingers().contains(c.finger())) {
        List<Hold> more = new ArrayList<>(holds);
        more.add(new Hold(c, Hold.Way.FULL));
        heard(setup, written, more, "the " + c.finger().words() + " is down too", found)
            .accept("Lift it first, then blow");
      }
    }
    return found.stream()
        .min(Comparator.comparingInt(m -> Math.abs(m.written().midi() - written.midi())));
  }

  /** The holds without the finger holes below the first open one: a fork without its lower part. */
  private static List<Hold> aboveTheGap(Keywork keywork, List<Hold> holds) {
    List<Hold> above = new ArrayList<>(holds);
    boolean gap = false;
    for (Control c : keywork.controls()) {
      if (c.token().matches("\\d")) {
        gap |= holds.stream().noneMatch(h -> h.control().equals(c));
        if (gap) {
          above.removeIf(h -> h.control().equals(c));
        }
      }
    }
    return above;
  }

  /** Adds a mistake for every near note that sounds with these holds, once its mend is said. */
  private static Consumer<String> heard(
      Setup setup, Pitch written, List<Hold> holds, String why, List<Mistake> into) {
    return mend ->
        setup.notesOf(holds).stream()
            .filter(p -> !p.soundsAs(written) && Math.abs(p.midi() - written.midi()) <= NEAR)
            .forEach(p -> into.add(new Mistake(p, why, mend)));
  }

  private static String mend(Setup setup, Pitch written, Pitch wrong) {
    return Trouble.causes(setup, written, wrong).stream()
        .findFirst()
        .map(Cause::remedy)
        .orElse("Sing or hum the note first, then play it");
  }

  /** What moves and what stays, in one sentence. */
  private static String sentence(Setup setup, Setup.Way from, Setup.Way to) {
    String name = from.entry().written().displayName();
    Move move = setup.move(from, to);
    Optional<Move.Travel> travel = move.travel().filter(t -> t.outward() != 0);
    List<Hold> before = from.fingering().holds();
    List<Hold> behind = to.fingering().holds();
    List<Finger> sliding = move.slides().stream().map(Move.FingerSlide::finger).toList();
    List<Hold> added = only(behind, before, sliding);
    List<Hold> gone = only(before, behind, sliding);
    if (added.isEmpty() && gone.isEmpty() && sliding.isEmpty() && travel.isEmpty()) {
      return "The same as for " + name + ": only air and lips change.";
    }
    List<String> parts = new ArrayList<>();
    travel.ifPresent(
        t ->
            parts.add(
                "the slide goes "
                    + (t.outward() > 0 ? "out" : "in")
                    + " from "
                    + from.entry().label().toLowerCase(java.util.Locale.ENGLISH)
                    + " to "
                    + to.entry().label().toLowerCase(java.util.Locale.ENGLISH)));
    if (!added.isEmpty()) {
      parts.add("add " + named(setup, added));
    }
    if (!gone.isEmpty()) {
      parts.add("lift " + named(setup, gone));
    }
    for (Finger f : sliding) {
      parts.add("the " + f.words() + " goes from " + keys(before, f) + " to " + keys(behind, f));
    }
    boolean stays = before.stream().anyMatch(h -> behind.contains(h) && h.finger() != Finger.ARM);
    return "As for " + name + ": " + String.join("; ", parts) + (stays ? "; all else stays." : ".");
  }

  /** What is held here and not there, but by fingers that go from key to key. */
  private static List<Hold> only(List<Hold> here, List<Hold> there, List<Finger> sliding) {
    return here.stream()
        .filter(h -> !there.contains(h) && h.finger() != Finger.ARM)
        .filter(h -> !sliding.contains(h.finger()))
        .toList();
  }

  private static String keys(List<Hold> holds, Finger finger) {
    return holds.stream()
        .filter(h -> h.finger() == finger)
        .map(h -> (h.way() == Hold.Way.HALF ? "half of the " : "the ") + h.control().name())
        .collect(Collectors.joining(" and "));
  }

  private static String named(Setup setup, List<Hold> holds) {
    Keywork k = setup.instrument().keywork();
    if (k.kind() != Keywork.Kind.HANDS) {
      return holds.stream()
          .map(h -> "the " + h.control().name())
          .collect(Collectors.joining(" and "));
    }
    List<String> words = new ArrayList<>();
    List<Finger> plain = new ArrayList<>();
    for (Hold h : holds) {
      boolean one = h.control().token().matches("\\d|T") && h.way() != Hold.Way.HALF;
      if (one) {
        plain.add(h.finger());
      } else {
        words.add(
            (h.way() == Hold.Way.HALF ? "half of the " : "the ")
                + h.control().name()
                + " ("
                + h.finger().words()
                + ")");
      }
    }
    if (!plain.isEmpty()) {
      words.add(0, "the " + Finger.words(plain));
    }
    return String.join(" and ", words);
  }

  /** The hold, for a picture. */
  public Fingering hold() {
    return entry.pattern().plain();
  }
}
