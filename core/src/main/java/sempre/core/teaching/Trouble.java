package sempre.core.teaching;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
import sempre.core.pitch.Transposition;

/**
 * A student fingers one note and another sounds: what may have happened. Every cause is computed:
 * the fingering is changed by one finger, one key, one register, one partial or one misreading, and
 * kept when that gives the note that was heard.
 */
public final class Trouble {
  private record Ranked(double rank, String same, Cause cause) {}

  /** Fingerings beside the standard are meant less often. */
  private static final double NOT_STANDARD = 0.6;

  private static final double BRASS_NOT_STANDARD = 2.5;

  /** What only the holes say is less sure than what the table says. */
  private static final double BY_ITS_HOLES = 0.2;

  /** A register that fits exactly is likelier than a leak. */
  private static final double REGISTER_FITS =
      Cause.Kind.LEAK.ordinal() - Cause.Kind.REGISTER.ordinal() - 0.1;

  /** So is a brushed key that gives just this note. */
  private static final double BRUSHED_FITS =
      Cause.Kind.LEAK.ordinal() - Cause.Kind.BRUSHED.ordinal() - 0.1;

  private final Setup setup;
  private final Sounding sounding;
  private final Pitch expected;
  private final Pitch heard;
  private final List<Ranked> found = new ArrayList<>();

  private Trouble(Setup setup, Pitch expected, Pitch heard) {
    this.setup = setup;
    this.sounding = new Sounding(setup);
    this.expected = expected;
    this.heard = heard;
  }

  /**
   * The likely causes, likeliest first; empty when nothing simple explains it.
   *
   * @param expected the written note that was meant
   * @param heard the written note that sounded
   * @throws IllegalArgumentException when both are the same, or the instrument lacks the first
   */
  public static List<Cause> causes(Setup setup, Pitch expected, Pitch heard) {
    if (expected.soundsAs(heard)) {
      throw new IllegalArgumentException(
          expected + " was expected and " + heard + " heard: that is the right note");
    }
    if (setup.ways(expected).isEmpty()) {
      throw new IllegalArgumentException(
          "the "
              + setup.instrument().name().toLowerCase(Locale.ROOT)
              + " has no "
              + expected
              + "; "
              + setup
                  .instrument()
                  .lacks(expected, setup.options())
                  .orElse("it goes from " + setup.lowest() + " to " + setup.highest()));
    }
    return new Trouble(setup, expected, heard).causes();
  }

  private List<Cause> causes() {
    for (Entry e : entries()) {
      switch (setup.instrument().keywork().kind()) {
        case HANDS -> {
          fingers(e);
          brushedFarAway(e);
          leak(e);
          registers(e);
        }
        case VALVES -> {
          valves(e);
          partials(e);
        }
        case SLIDE -> {
          slide(e);
          partials(e);
        }
      }
    }
    misread();
    Map<String, Ranked> best = new LinkedHashMap<>();
    found.stream()
        .sorted(Comparator.comparingDouble(Ranked::rank))
        .forEach(r -> best.putIfAbsent(r.same(), r));
    return best.values().stream().map(Ranked::cause).limit(8).toList();
  }

  private List<Entry> entries() {
    return setup.ways(expected).stream()
        .map(Setup.Way::entry)
        .distinct()
        .filter(e -> e.role() != Role.SPECIAL)
        .toList();
  }

  private void add(Entry e, double more, Cause.Kind kind, String text, String remedy, String held) {
    boolean standard = e.role() == Role.STANDARD;
    double other = e.partial().isPresent() ? BRASS_NOT_STANDARD : NOT_STANDARD;
    String said =
        standard
            ? text
            : text.substring(0, text.length() - 1) + " (if " + e.label() + " is meant).";
    found.add(
        new Ranked(
            kind.ordinal() + (standard ? 0 : other) + more,
            text,
            new Cause(kind, said, remedy, held)));
  }

  /** One finger up, down, or on another of its keys. */
  private void fingers(Entry e) {
    Keywork keywork = setup.instrument().keywork();
    List<Hold> holds = e.pattern().plain().holds();
    Optional<Bore.Register> blown = blown(expected);
    for (Hold h : holds) {
      if (register(h)) {
        continue; // told as a register
      }
      List<Hold> up = Sounding.without(holds, h);
      Sounding.Sure sure = sounding.of(up, heard, blown);
      if (sure != Sounding.Sure.NO) {
        add(
            e,
            doubt(sure),
            Cause.Kind.FINGER,
            capital(finger(h)) + " is late, or was lifted.",
            "Go from the note before to this one without sound, and watch "
                + finger(h)
                + " arrive with the others.",
            keywork.fingering(up).text());
      }
    }
    for (Control c : keywork.controls()) {
      if (!c.requires().isEmpty()
          && !setup.options().entrySet().containsAll(c.requires().entrySet())) {
        continue;
      }
      Hold more = new Hold(c, Hold.Way.FULL);
      if (holds.contains(more) || register(more)) {
        continue;
      }
      Hold half = new Hold(c, Hold.Way.HALF);
      if (holds.contains(half)) {
        List<Hold> whole = Sounding.with(Sounding.without(holds, half), more);
        Sounding.Sure covered =
            register(half) ? Sounding.Sure.NO : sounding.of(whole, heard, blown);
        if (covered != Sounding.Sure.NO) {
          add(
              e,
              doubt(covered),
              Cause.Kind.FINGER,
              capital(theFinger(c.finger())) + " covers all of its hole instead of half.",
              "Roll the finger back until half of the hole is open, and feel its edge.",
              keywork.fingering(whole).text());
        }
        continue;
      }
      List<Hold> down = Sounding.with(holds, more);
      Sounding.Sure sure = sounding.of(down, heard, blown);
      if (sure != Sounding.Sure.NO) {
        added(e, more, doubt(sure), keywork.fingering(down).text());
      }
      for (Hold h : holds) {
        if (h.finger() != c.finger() || h.control().equals(c)) {
          continue;
        }
        List<Hold> other = Sounding.with(Sounding.without(holds, h), more);
        Sounding.Sure swapped = sounding.of(other, heard, blown);
        if (swapped != Sounding.Sure.NO) {
          add(
              e,
              doubt(swapped),
              Cause.Kind.WRONG_KEY,
              capital(theFinger(c.finger()))
                  + " is on the "
                  + c.name()
                  + " instead of the "
                  + h.control().name()
                  + ".",
              "Find both keys by touch, without looking and without sound, a few times.",
              keywork.fingering(other).text());
        }
      }
    }
  }

  /** Something is held that does not belong to the fingering. */
  private void added(Entry e, Hold more, double doubt, String held) {
    Optional<String> must =
        setup.instrument().wrong().stream()
            .filter(w -> w.covers(expected) && w.holds().contains(more))
            .map(Freedom::because)
            .findFirst();
    if (must.isPresent()) {
      add(
          e,
          doubt,
          Cause.Kind.FINGER,
          capital(finger(more)) + " is still down: " + must.get() + ".",
          "Play the note before, lift " + theFinger(more.finger()) + " first, then blow.",
          held);
    } else if (hole(more)) {
      add(
          e,
          doubt,
          Cause.Kind.FINGER,
          capital(finger(more)) + " is late in lifting, or one finger too many is down.",
          "Lift " + finger(more) + " with the others; keep it close above its place.",
          held);
    } else {
      add(
          e,
          doubt + BRUSHED_FITS,
          Cause.Kind.BRUSHED,
          "The " + more.control().name() + " is brushed by " + theFinger(more.finger()) + ".",
          brushed(more.finger()),
          held);
    }
  }

  private static boolean hole(Hold h) {
    return Character.isDigit(h.control().token().charAt(0)) || h.control().token().equals("T");
  }

  /** A palm or side key that opens a hole far above spoils the note, whatever comes out. */
  private void brushedFarAway(Entry e) {
    Optional<Bore> bore = setup.instrument().bore();
    if (bore.isEmpty() || heard.midi() < expected.midi()) {
      return;
    }
    List<Hold> holds = e.pattern().plain().holds();
    int first = bore.get().firstOpen(holds);
    for (Finger place : List.of(Finger.LP, Finger.RP)) {
      List<Bore.Hole> above =
          bore.get().holes().stream()
              .limit(first)
              .filter(h -> h.opens().stream().anyMatch(o -> o.finger() == place))
              .toList();
      if (above.isEmpty() || holds.stream().anyMatch(h -> h.finger() == place)) {
        continue;
      }
      boolean vent =
          bore.get().registers().stream()
              .anyMatch(r -> r.up() > 0 && heard.midi() - expected.midi() == r.up());
      add(
          e,
          vent ? 0 : 0.5,
          Cause.Kind.BRUSHED,
          "A "
              + (place == Finger.LP ? "palm" : "side")
              + " key is brushed: a hole opened so far up spoils the note, and another comes out.",
          brushed(place),
          e.fingering());
    }
  }

  /** A hole that is not quite closed: a pitch in between, or a jump to the upper register. */
  private void leak(Entry e) {
    Optional<Bore> bore = setup.instrument().bore();
    Optional<Bore.Register> blown = blown(expected);
    if (bore.isEmpty() || blown.isEmpty()) {
      return;
    }
    List<Hold> holds = e.pattern().plain().holds();
    List<String> who = new ArrayList<>();
    for (Hold h : holds) {
      int open = bore.get().lowNote(Sounding.without(holds, h)).midi() + blown.get().up();
      if (hole(h) && heard.midi() > expected.midi() && heard.midi() < open) {
        who.add(h.finger().words());
      }
    }
    if (!who.isEmpty()) {
      String all =
          who.size() == 1
              ? who.get(0)
              : String.join(", ", who.subList(0, who.size() - 1))
                  + " or "
                  + who.get(who.size() - 1);
      add(
          e,
          0,
          Cause.Kind.LEAK,
          "A hole is only half closed, under the " + all + ".",
          "Press till the pad of the finger shows a ring, then as lightly as it still closes.",
          e.fingering());
    }
    Optional<Bore.Register> above =
        bore.get().registers().stream().filter(r -> r.up() > blown.get().up()).findFirst();
    if (above.isPresent()
        && heard.midi() - expected.midi() == above.get().up() - blown.get().up()) {
      add(
          e,
          0.3,
          Cause.Kind.LEAK,
          "A finger leaks near the top: the little gap works like a register key.",
          "Hold the note and press the fingers one after the other, from the top; the leaking one is"
              + " the one that mends it.",
          e.fingering());
    }
  }

  /** The same fingering in another register, or with a register key too many or too few. */
  private void registers(Entry e) {
    List<Hold> holds = e.pattern().plain().holds();
    Fingering plain = e.pattern().plain();
    boolean down = heard.midi() < expected.midi();
    if (setup.notesOf(plain).stream().anyMatch(heard::soundsAs)) {
      add(e, REGISTER_FITS, Cause.Kind.REGISTER, overblown(down), remedy(down), plain.text());
      return;
    }
    Optional<Bore> bore = setup.instrument().bore();
    if (bore.isEmpty()) {
      return;
    }
    Optional<Bore.Register> meant = blown(expected);
    if (meant.isEmpty()) {
      return;
    }
    for (Bore.Register r : bore.get().registers()) {
      boolean sounds = bore.get().lowNote(holds).midi() + r.up() == heard.midi();
      if (!sounds || r.up() == meant.get().up()) {
        continue;
      }
      if (r.with().equals(meant.get().with())) {
        add(e, REGISTER_FITS, Cause.Kind.REGISTER, overblown(down), remedy(down), plain.text());
      } else {
        registerKey(e, holds, meant.get(), r);
      }
    }
  }

  private void registerKey(Entry e, List<Hold> holds, Bore.Register meant, Bore.Register sounding) {
    boolean missing = sounding.with().isEmpty();
    Hold key = (missing ? meant : sounding).with().get(0);
    boolean thumb = key.way() == Hold.Way.HALF;
    List<Hold> held = new ArrayList<>(holds);
    held.removeAll(meant.with());
    if (thumb) {
      held.removeIf(h -> h.control().equals(key.control()));
    }
    held.addAll(sounding.with());
    if (thumb && missing) {
      held.add(new Hold(key.control(), Hold.Way.FULL));
    }
    if (setup.instrument().keywork().clash(held).isPresent()) {
      return; // the thumb is busy with another key
    }
    String name = key.control().name();
    String text =
        thumb
            ? missing
                ? "The " + name + " is closed, so the lower register sounds."
                : "The " + name + " is not quite closed, so the upper register sounds."
            : missing
                ? "The " + name + " is not pressed, so the lower register sounds."
                : "The " + name + " is pressed, so the upper register sounds.";
    String remedy =
        thumb
            ? missing
                ? "Bend the thumb a little, so that the nail opens a slit."
                : "Close the " + name + " with the flat of the thumb."
            : missing
                ? "Press the " + name + " by a small roll of the finger; nothing else moves."
                : "Keep " + theFinger(key.finger()) + " just off the " + name + ".";
    add(
        e,
        REGISTER_FITS,
        Cause.Kind.REGISTER,
        text,
        remedy,
        setup.instrument().keywork().fingering(held).text());
  }

  private static String overblown(boolean down) {
    return down
        ? "The fingers are right, but the note drops to its lower register."
        : "The fingers are right, but the note is overblown to a higher register.";
  }

  private static String remedy(boolean down) {
    return down
        ? "Faster air and firmer corners; slur up to the note from one that speaks."
        : "Slower, warmer air and a looser embouchure; come down to the note by step.";
  }

  /** One valve too many, too few, late or early. */
  private void valves(Entry e) {
    Keywork keywork = setup.instrument().keywork();
    List<Hold> holds = e.pattern().plain().holds();
    for (Control c : keywork.controls()) {
      Hold v = new Hold(c, Hold.Way.FULL);
      boolean down = holds.contains(v);
      List<Hold> other = down ? Sounding.without(holds, v) : Sounding.with(holds, v);
      Fingering f = keywork.fingering(other);
      for (Entry sounds : entriesOf(f)) {
        int apart = Math.abs(sounds.partial().orElse(0) - e.partial().orElse(0));
        if (apart > 1) {
          continue;
        }
        add(
            e,
            apart * 2.5,
            Cause.Kind.VALVE,
            "The "
                + c.name()
                + (down ? " is not down, or late" : " is down, or still down")
                + (apart == 0 ? "." : ", and the lips are one partial off."),
            down
                ? "Bang the "
                    + c.name()
                    + " down in time with the tongue, first without sound; check that it returns."
                : "Say the valves aloud before playing, and lift the " + c.name() + " quickly.",
            f.text());
      }
    }
  }

  private List<Entry> entriesOf(Fingering f) {
    return setup.ways(heard).stream()
        .filter(w -> w.fingering().equals(f))
        .map(Setup.Way::entry)
        .toList();
  }

  /** The right valves or position, the wrong partial. */
  private void partials(Entry e) {
    Fingering f = e.pattern().plain();
    for (Entry other : entriesOf(f)) {
      int apart = other.partial().orElse(0) - e.partial().orElse(0);
      if (apart == 0) {
        continue;
      }
      String where = setup.instrument().slide().isPresent() ? "position" : "valves";
      String steps = Math.abs(apart) == 1 ? "the next partial" : Math.abs(apart) + " partials";
      add(
          e,
          (Math.abs(apart) - 1) * 0.5,
          Cause.Kind.PARTIAL,
          "Same "
              + where
              + ", "
              + (apart > 0
                  ? "but "
                      + steps
                      + (Math.abs(apart) == 1 ? " up" : " too high")
                      + " sounds: the lips are too tight."
                  : "but "
                      + steps
                      + (Math.abs(apart) == 1 ? " down" : " too low")
                      + " sounds: the lips are too slack."),
          apart > 0
              ? "Sing or buzz the note first, then play it with a lower, wider mouth and the same air."
              : "Sing or buzz the note first; faster air and firmer corners, no pressing.",
          f.text());
    }
  }

  /** The slide stands in another position of the same partial. */
  private void slide(Entry e) {
    Slide slide = setup.instrument().slide().orElseThrow();
    for (Setup.Way w : setup.ways(heard)) {
      boolean samePartial = w.entry().partial().equals(e.partial());
      boolean sameTube = w.fingering().holds("F") == e.pattern().plain().holds("F");
      if (!samePartial || !sameTube) {
        continue;
      }
      double cm =
          slide.centimetres(w.fingering().text()) - slide.centimetres(e.pattern().plain().text());
      add(
          e,
          Math.abs(cm) / 100,
          Cause.Kind.SLIDE,
          String.format(
              Locale.ROOT,
              "The slide is in %s, %.0f cm too far %s.",
              position(w.fingering()),
              Math.abs(cm),
              cm > 0 ? "out" : "in"),
          "Play the note in tune with a friend or a drone, then leave and find the place again.",
          w.fingering().text());
    }
  }

  private static String position(Fingering f) {
    return f.slidePosition().map(h -> h.control().name()).orElse("another position");
  }

  /** The hands may be right for what was read. */
  private void misread() {
    int apart = heard.midi() - expected.midi();
    if (apart % 12 == 0) {
      found.add(
          new Ranked(
              Cause.Kind.OCTAVE.ordinal(),
              "octave",
              new Cause(
                  Cause.Kind.OCTAVE,
                  "It is the right note in the wrong octave.",
                  "Compare the place on the staff with a note that is sure, and sing both octaves.",
                  "")));
    }
    Transposition t = setup.instrument().transposition();
    int off = Math.floorMod(t.semitones(), 12);
    int way = Math.floorMod(apart, 12);
    if (off != 0 && (way == off || way == 12 - off)) {
      found.add(
          new Ranked(
              Cause.Kind.TRANSPOSITION.ordinal(),
              "transposition",
              new Cause(
                  Cause.Kind.TRANSPOSITION,
                  "It lies just the instrument's transposition away ("
                      + t.inWords()
                      + "): a concert part or a concert note name may have been read.",
                  "Look at the name on the part, and say the note as this instrument calls it.",
                  "")));
    }
    boolean altered = expected.alter() != 0;
    Pitch natural = new Pitch(expected.letter(), 0, expected.octave());
    boolean sharpOrFlat = Math.abs(heard.midi() - natural.midi()) == 1;
    if (altered ? heard.soundsAs(natural) : sharpOrFlat) {
      found.add(
          new Ranked(
              // a missed accidental is as likely as a finger where the note has one
              altered ? Cause.Kind.FINGER.ordinal() + 0.5 : Cause.Kind.KEY_SIGNATURE.ordinal(),
              "key signature",
              new Cause(
                  Cause.Kind.KEY_SIGNATURE,
                  altered
                      ? "The "
                          + (expected.alter() < 0 ? "flat" : "sharp")
                          + " is forgotten: key signature or accidental."
                      : "A sharp or flat is played that does not stand there.",
                  "Name the sharps or flats of the key aloud, and mark this note once.",
                  "")));
    }
  }

  private Optional<Bore.Register> blown(Pitch note) {
    return setup.instrument().bore().flatMap(b -> b.register(note));
  }

  private boolean register(Hold h) {
    return setup.instrument().bore().stream()
        .flatMap(b -> b.registers().stream())
        .anyMatch(r -> r.with().contains(h));
  }

  private static double doubt(Sounding.Sure sure) {
    return sure == Sounding.Sure.BY_ITS_HOLES ? BY_ITS_HOLES : 0;
  }

  private static final Set<Finger> HANDS = Set.of(Finger.LP, Finger.RP);

  private static String brushed(Finger finger) {
    return HANDS.contains(finger)
        ? "Round the hand as if around a ball, so that palm and side stay off the keys."
        : "Curve " + theFinger(finger) + " above its key and rest it there without pressing.";
  }

  private static String finger(Hold h) {
    return theFinger(h.finger())
        + (Character.isDigit(h.control().token().charAt(0)) ? "" : " (" + h.control().name() + ")");
  }

  private static String theFinger(Finger f) {
    return f == Finger.RP ? "the side of the right hand" : "the " + f.words();
  }

  private static String capital(String s) {
    return Character.toUpperCase(s.charAt(0)) + s.substring(1);
  }
}
