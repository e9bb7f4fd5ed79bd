package sempre.core.teaching;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import sempre.core.Judgement.Rank;
import sempre.core.acoustics.Slide;
import sempre.core.instrument.Bore;
import sempre.core.instrument.Control;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Freedom;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;

/**
 * All that can go wrong with one fingering in the hands and the lips, each with the notes that are
 * then heard. All computed: the fingering is changed by one finger, one key, one register or one
 * partial, and what sounds is looked up in the table, or read off the holes.
 */
final class Faults {
  /**
   * One fault with what is then heard.
   *
   * @param heard written notes
   * @param held what is really held, in the notation
   */
  record Found(Fault fault, double rank, List<Pitch> heard, String held) {}

  private final Setup setup;
  private final Keywork keywork;
  private final Sounding sounding;
  private final Entry entry;
  private final List<Hold> holds;
  private final Optional<Bore.Register> blown;
  private final List<Found> found = new ArrayList<>();

  private Faults(Setup setup, Entry entry) {
    this.setup = setup;
    this.keywork = setup.instrument().keywork();
    this.sounding = new Sounding(setup, entry);
    this.entry = entry;
    this.holds = entry.pattern().plain().holds();
    this.blown = setup.instrument().bore().flatMap(b -> b.register(entry.written()));
  }

  /** What can go wrong with a fingering, in no order. */
  static List<Found> of(Setup setup, Entry entry) {
    Faults f = new Faults(setup, entry);
    switch (f.keywork.kind()) {
      case HANDS -> f.hands();
      case VALVES -> f.valves();
      case SLIDE -> f.slide();
      case NONE -> f.bars();
    }
    return f.found;
  }

  private void hands() {
    for (Hold h : holds) {
      lifted(h);
    }
    for (Control c : keywork.controls()) {
      if (setup.options().entrySet().containsAll(c.requires().entrySet())) {
        pressed(new Hold(c, Hold.Way.FULL));
      }
    }
    fork();
    keysMissed();
    brushedAbove();
    leak();
    registers();
    octaveBelow();
  }

  /**
   * The bars of a keyboard lie in two rows (computed): beside each are its neighbours in its own
   * row, and those of the other row a semitone away.
   */
  private void bars() {
    int at = entry.written().midi();
    List<Pitch> beside =
        IntStream.of(-1, 1, -2, 2, -3, 3)
            .filter(away -> Math.abs(away) == 1 || neighbours(at, at + away))
            .mapToObj(away -> setup.ways(at + away))
            .flatMap(List::stream)
            .map(w -> w.entry().written())
            .toList();
    add(new Fault.BarBeside(), Rank.WRONG_KEY, beside, List.of());
  }

  private static boolean neighbours(int a, int b) {
    boolean upper = inUpperRow(a);
    return upper == inUpperRow(b)
        && IntStream.range(Math.min(a, b) + 1, Math.max(a, b))
            .noneMatch(m -> inUpperRow(m) == upper);
  }

  private static boolean inUpperRow(int midi) {
    return Pitch.usual(midi).alter() != 0;
  }

  /** Adds a fault for what a hold sounds, where that is another note. */
  private void add(Fault fault, double rank, List<Hold> other) {
    Sounding.Heard heard = sounding.of(other, blown);
    List<Pitch> notes = heard.notes().stream().filter(p -> !p.soundsAs(entry.written())).toList();
    // the same hands in another register are told as that
    if (!notes.isEmpty() && notes.size() == heard.notes().size()) {
      add(fault, heard.known() ? rank : rank + Rank.BY_ITS_HOLES, notes, other);
    }
  }

  /** The same for a key that is not meant: the less likely, the farther its note is. */
  private void addKey(Fault fault, double rank, List<Hold> other) {
    int far =
        sounding.of(other, blown).notes().stream()
            .mapToInt(p -> Math.abs(p.midi() - entry.written().midi()))
            .min()
            .orElse(0);
    add(fault, rank + Rank.FARTHER * Math.max(0, far - Rank.NEAR), other);
  }

  private void add(Fault fault, double rank, List<Pitch> heard, List<Hold> other) {
    found.add(new Found(fault, rank, heard, keywork.fingering(other).text()));
  }

  private void lifted(Hold h) {
    List<Hold> up = Sounding.without(holds, h);
    boolean key = register(h);
    if (key && h.way() == Hold.Way.FULL && sounding.of(up, blown).known()) {
      // a throat note for which the register key opens its hole
      add(new Fault.RegisterKeyUp(h), Rank.REGISTER_KEY, up);
    } else if (!key) {
      add(new Fault.Late(h), Rank.FINGER, up);
    }
    Hold half = new Hold(h.control(), Hold.Way.HALF);
    if (h.way() == Hold.Way.FULL && halved().contains(half) && !register(half)) {
      List<Hold> open = Sounding.with(up, half);
      // where the table does not have it, half of a hole is a leak like any other
      boolean known = sounding.of(open, blown).known();
      add(new Fault.HalfOpen(h), known ? Rank.HALF : Rank.LEAK, open);
    }
    if (h.way() == Hold.Way.HALF && !key) {
      add(new Fault.Covered(h), Rank.HALF, Sounding.with(up, new Hold(h.control(), Hold.Way.FULL)));
    }
  }

  /** The holes that some fingering of an instrument covers by half. */
  private record Halved(List<Hold> holds) {
    static Halved of(Setup setup) {
      return new Halved(
          setup.instrument().reachable().stream().filter(h -> h.way() == Hold.Way.HALF).toList());
    }
  }

  private List<Hold> halved() {
    return setup.derived(Halved.class, Halved::of).holds();
  }

  private void pressed(Hold more) {
    boolean held = holds.stream().anyMatch(h -> h.control().equals(more.control()));
    if (held || register(more)) {
      return;
    }
    List<Hold> down = Sounding.with(holds, more);
    Optional<Freedom> must =
        setup.instrument().wrong().stream()
            .filter(w -> w.covers(entry.written()) && w.holds().contains(more))
            .findFirst();
    if (must.isPresent()) {
      mustBeUp(more, must.get(), down);
    } else if (more.control().home()) {
      add(new Fault.StillDown(more), Rank.FINGER, down);
    } else {
      addKey(new Fault.Brushed(more), Rank.BRUSHED, down);
    }
    for (Hold h : holds) {
      List<Hold> other = Sounding.with(Sounding.without(holds, h), more);
      boolean sameFinger = h.finger() == more.finger();
      if (sameFinger && !h.control().equals(more.control())) {
        addKey(new Fault.WrongKey(more, h), Rank.WRONG_KEY, other);
      } else if (neighbours(h, more) && sounding.of(other, blown).known()) {
        add(new Fault.Swapped(more, h), Rank.SWAPPED, other);
      }
    }
  }

  /** Two places where neighbouring fingers of one hand rest. */
  private static boolean neighbours(Hold a, Hold b) {
    return a.control().home()
        && b.control().home()
        && a.finger() != Finger.LT
        && b.finger() != Finger.LT
        && a.finger().left() == b.finger().left()
        && Math.abs(a.finger().ordinal() - b.finger().ordinal()) == 1;
  }

  /** Where the table knows nothing of it, what must not be held makes the note drop an octave. */
  private void mustBeUp(Hold more, Freedom rule, List<Hold> down) {
    if (keywork.clash(down).isPresent()) {
      return; // the finger is busy with another key
    }
    List<Pitch> notes =
        sounding.of(down, blown).notes().stream()
            .filter(p -> !p.soundsAs(entry.written()))
            .toList();
    add(
        new Fault.MustBeUp(more, rule),
        Rank.MUST_BE_UP,
        notes.isEmpty() ? List.of(entry.written().plus(-7, -12)) : notes,
        down);
  }

  /** The holds without what rests below the first open place. */
  private void fork() {
    List<Hold> below = new ArrayList<>();
    boolean gap = false;
    for (Control c : keywork.controls()) {
      if (c.home() && c.finger() != Finger.LT) {
        Hold h = new Hold(c, Hold.Way.FULL);
        gap |= holds.stream().noneMatch(x -> x.control().equals(c));
        if (gap && holds.contains(h)) {
          below.add(h);
        }
      }
    }
    if (below.size() > 1) {
      List<Hold> above = holds.stream().filter(h -> !below.contains(h)).toList();
      add(new Fault.ForkForgotten(below), Rank.FORK, above);
      // and the little fingers with them, where they belong to the fork
      add(
          new Fault.ForkForgotten(below),
          Rank.FORK,
          above.stream().filter(h -> h.finger() != Finger.L4 && h.finger() != Finger.R4).toList());
    }
  }

  private void keysMissed() {
    List<Hold> keys = holds.stream().filter(h -> h.finger().place()).toList();
    if (keys.size() > 1) {
      add(
          new Fault.KeysMissed(keys),
          Rank.KEYS_MISSED,
          holds.stream().filter(h -> !keys.contains(h)).toList());
    }
  }

  /** A palm or side key that opens a hole far above spoils the note, whatever comes out. */
  private void brushedAbove() {
    Optional<Bore> bore = setup.instrument().bore();
    if (bore.isEmpty()) {
      return;
    }
    int first = bore.get().firstOpen(holds);
    for (Finger place : List.of(Finger.LP, Finger.RP)) {
      boolean above =
          bore.get().holes().stream()
              .limit(first)
              .anyMatch(h -> h.opens().stream().anyMatch(o -> o.finger() == place));
      if (!above || holds.stream().anyMatch(h -> h.finger() == place)) {
        continue;
      }
      List<Pitch> heard = new ArrayList<>();
      for (int up = 1; up <= Rank.FAR_ABOVE; up++) {
        heard.add(Pitch.usual(entry.written().midi() + up));
      }
      add(new Fault.BrushedAbove(place), Rank.BRUSHED_ABOVE, heard, holds);
    }
  }

  /** A hole that is not quite closed: a pitch in between, or a jump to the upper register. */
  private void leak() {
    Optional<Bore> bore = setup.instrument().bore();
    if (bore.isEmpty() || blown.isEmpty()) {
      return;
    }
    int written = entry.written().midi();
    for (int heard = written + 1; heard < written + Bore.OCTAVE; heard++) {
      List<Hold> who = new ArrayList<>();
      for (Hold h : holds) {
        int open = bore.get().lowNote(Sounding.without(holds, h)).midi() + blown.get().up();
        if (h.control().home() && heard < open) {
          who.add(h);
        }
      }
      if (!who.isEmpty()) {
        // a hole under a fingertip leaks before a key does
        List<Hold> open =
            who.stream().filter(h -> h.control().closesHole(setup.options())).toList();
        add(
            new Fault.Leak(open.isEmpty() ? who : open, !open.isEmpty()),
            Rank.LEAK,
            List.of(Pitch.usual(heard)),
            holds);
      }
    }
    bore.get().registers().stream()
        .filter(r -> r.up() > blown.get().up())
        .findFirst()
        .ifPresent(
            r ->
                add(
                    new Fault.LeakAbove(),
                    Rank.LEAK + Rank.BY_ITS_HOLES,
                    List.of(Pitch.usual(written + r.up() - blown.get().up())),
                    holds));
  }

  /** The same fingering in another register, or with a register key too many or too few. */
  private void registers() {
    List<Pitch> same = setup.notesOf(entry.pattern().plain());
    int written = entry.written().midi();
    same.stream()
        .filter(p -> p.midi() < written)
        .reduce((p, q) -> q)
        .ifPresent(this::otherRegister);
    same.stream().filter(p -> p.midi() > written).findFirst().ifPresent(this::otherRegister);
    Optional<Bore> bore = setup.instrument().bore();
    if (bore.isEmpty() || blown.isEmpty()) {
      return;
    }
    int low = bore.get().lowNote(holds).midi();
    if (low + blown.get().up() != entry.written().midi()) {
      return; // a fork, or a note that the holes do not explain
    }
    for (Bore.Register r : bore.get().registers()) {
      Pitch note = Pitch.usual(low + r.up());
      boolean thumb = !r.with().isEmpty() && r.with().get(0).way() == Hold.Way.HALF;
      // a leaking thumb makes the low notes jump as well
      if (r.up() == blown.get().up() || !r.has(note) && !thumb) {
        continue;
      }
      if (r.with().equals(blown.get().with())) {
        otherRegister(note);
      } else {
        registerKey(r, note);
      }
    }
  }

  private void otherRegister(Pitch heard) {
    Fault fault =
        heard.midi() < entry.written().midi() ? new Fault.Dropped() : new Fault.Overblown();
    if (found.stream().noneMatch(f -> f.fault().equals(fault) && f.heard().contains(heard))) {
      add(fault, Rank.REGISTER, List.of(heard), holds);
    }
  }

  private void registerKey(Bore.Register sounds, Pitch heard) {
    boolean missing = sounds.with().isEmpty();
    Hold key = (missing ? blown.get() : sounds).with().get(0);
    boolean thumb = key.way() == Hold.Way.HALF;
    if (holds.contains(key) != missing) {
      return; // a vent that this note has, or lacks, for a reason of its own
    }
    List<Hold> held = new ArrayList<>(holds);
    held.removeAll(blown.get().with());
    if (thumb) {
      held.removeIf(h -> h.control().equals(key.control()));
    }
    held.addAll(sounds.with());
    if (thumb && missing) {
      held.add(new Hold(key.control(), Hold.Way.FULL));
    }
    if (keywork.clash(held).isPresent()) {
      return; // the thumb is busy with another key
    }
    Fault fault =
        thumb
            ? missing ? new Fault.ThumbClosed(key) : new Fault.ThumbOpen(key)
            : missing ? new Fault.RegisterKeyUp(key) : new Fault.RegisterKeyDown(key);
    add(fault, Rank.REGISTER_KEY, List.of(heard), held);
  }

  /**
   * The fingers of the note an octave lower, where overblowing them is known as a substitute and no
   * register key tells the two apart (low saxophone fingerings as overtones are no slip).
   */
  private void octaveBelow() {
    if (blown.filter(r -> r.up() == 0 || !r.with().isEmpty()).isPresent()) {
      return;
    }
    Pitch lower = entry.written().plus(-7, -12);
    Set<String> substitutes =
        setup.ways(entry.written()).stream()
            .filter(w -> w.entry().role() == Role.SPECIAL)
            .map(w -> w.entry().fingering())
            .collect(Collectors.toSet());
    setup.ways(lower).stream()
        .map(Setup.Way::entry)
        .filter(e -> substitutes.contains(e.fingering()))
        .findFirst()
        .ifPresent(
            e ->
                add(
                    new Fault.FingeredAs(e),
                    Rank.FINGERED_AS,
                    List.of(lower),
                    e.pattern().plain().holds()));
  }

  private boolean register(Hold h) {
    return setup.instrument().bore().stream()
        .flatMap(b -> b.registers().stream())
        .anyMatch(r -> r.with().contains(h));
  }

  private void valves() {
    List<Control> valves = keywork.controls();
    for (Control c : valves) {
      Hold v = new Hold(c, Hold.Way.FULL);
      boolean down = holds.contains(v);
      if (!setup.options().entrySet().containsAll(c.requires().entrySet())) {
        continue;
      }
      valve(
          down ? new Fault.ValveUp(c) : new Fault.ValveDown(c),
          down || !c.finger().weak() ? Rank.VALVE : Rank.WEAK_VALVE,
          down ? Sounding.without(holds, v) : Sounding.with(holds, v));
      for (Hold h : holds) {
        boolean exchange = !down && h.finger() != Finger.LT && c.finger() != Finger.LT;
        if (exchange) {
          valve(
              new Fault.ValveInstead(c, h.control()),
              Rank.SWAPPED,
              Sounding.with(Sounding.without(holds, h), v));
        }
      }
    }
    partials(entry.pattern().plain());
  }

  private void valve(Fault fault, double rank, List<Hold> other) {
    Fingering f = keywork.fingering(other);
    for (Pitch p : setup.notesOf(f)) {
      if (p.soundsAs(entry.written())) {
        continue;
      }
      int apart = Math.abs(partial(p, f) - entry.partial().orElse(0));
      if (apart <= 1) {
        add(fault, apart == 0 ? rank : Rank.VALVE_AND_PARTIAL, List.of(p), other);
      }
    }
  }

  private int partial(Pitch note, Fingering f) {
    return setup.ways(note).stream()
        .filter(w -> w.fingering().equals(f))
        .mapToInt(w -> w.entry().partial().orElse(0))
        .findFirst()
        .orElse(0);
  }

  /** The right valves or position, another partial. */
  private void partials(Fingering f) {
    for (Pitch p : setup.notesOf(f)) {
      int steps = partial(p, f) - entry.partial().orElse(0);
      if (steps != 0 && !p.soundsAs(entry.written())) {
        partial(p, steps, f);
      }
    }
  }

  private void partial(Pitch heard, int steps, Fingering f) {
    boolean next = neighbour(heard, f);
    found.add(
        new Found(
            new Fault.Partial(steps),
            next ? Rank.NEXT_PARTIAL : Rank.FAR_PARTIAL + Math.abs(steps) * Rank.PER_PARTIAL,
            List.of(heard),
            f.text()));
  }

  /** Whether no other note of this hold lies between. */
  private boolean neighbour(Pitch heard, Fingering f) {
    int from = Math.min(heard.midi(), entry.written().midi());
    int to = Math.max(heard.midi(), entry.written().midi());
    return setup.notesOf(f).stream().noneMatch(p -> p.midi() > from && p.midi() < to);
  }

  private void slide() {
    Fingering f = entry.pattern().plain();
    Slide slide = setup.instrument().slide().orElseThrow();
    for (int midi = setup.lowest().midi(); midi <= setup.highest().midi(); midi++) {
      for (Setup.Way w : setup.ways(midi)) {
        boolean samePartial = w.entry().partial().equals(entry.partial());
        boolean sameTube = w.fingering().holds().size() == f.holds().size();
        if (midi == entry.written().midi() || !samePartial || !sameTube) {
          continue;
        }
        double cm = slide.centimetres(w.fingering().text()) - slide.centimetres(f.text());
        found.add(
            new Found(
                new Fault.SlideAt(
                    w.fingering().slidePosition().orElseThrow(), Math.abs(cm), cm > 0),
                Rank.SLIDE + Math.abs(cm) / 100,
                List.of(w.entry().written()),
                w.fingering().text()));
      }
    }
    partials(f);
    // the partials beside a position that is set higher or lower are those of the position itself
    Hold place = f.slidePosition().orElseThrow();
    if (place.way() != Hold.Way.FULL) {
      List<Hold> plain =
          holds.stream()
              .map(h -> h.equals(place) ? new Hold(place.control(), Hold.Way.FULL) : h)
              .toList();
      partials(keywork.fingering(plain));
    }
  }
}
