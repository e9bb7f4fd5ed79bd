package sempre.formats.abc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.apache.commons.lang3.math.Fraction;
import sempre.core.Limit;
import sempre.core.Saying;
import sempre.core.pitch.Letter;
import sempre.core.pitch.Transposition;
import sempre.formats.musicxml.Accidentals;
import sempre.formats.musicxml.Transposes;
import sempre.formats.xml.XmlNode;

/** One voice of a tune while its text is read: the bars that are complete, and the one begun. */
final class Voice {
  private static final Fraction EIGHTH = Fraction.ONE_HALF;
  private static final Fraction DOTTED = Fraction.getFraction(3, 2);
  private static final Fraction SIXTEENTH = Fraction.ONE_QUARTER;

  /** Something in a bar: a sound, or else what stands between sounds. */
  private record Item(Sound sound, XmlNode node) {}

  /** What sounds together in a bar, behind one another in the text; and how long it lasts. */
  private record Layer(List<Item> items, Fraction filled) {}

  final String id;
  final List<Problem> problems;
  String name = "";
  String clef = "";
  int clefOctave;
  Transposition transposition = Transposition.CONCERT;
  int octave;
  AbcKey key = AbcKey.NONE;
  Optional<Meter> meter = Optional.of(Meter.COMMON);

  /** The unit note length, in quarters; empty: as the metre has it. */
  Optional<Fraction> unit = Optional.empty();

  /** In the short form, the length that stays until it is changed. */
  Optional<Fraction> stays = Optional.empty();

  /** Whether bar lines are made from the metre, where none are typed. */
  boolean splits;

  private final List<XmlNode> measures = new ArrayList<>();
  private final List<Integer> lines = new ArrayList<>();
  private List<Item> items = new ArrayList<>();

  /** Of this bar, what stands before the signs that go back to its beginning. */
  private final List<Layer> layers = new ArrayList<>();

  /** Whether the first of them leads on into the next bar. */
  private boolean firstTies;

  private XmlNode attributes = new XmlNode("attributes");
  private XmlNode left = new XmlNode("barline").set("location", "left");
  private final Map<String, Integer> altered = new HashMap<>();
  private final Accidentals accidentals = new Accidentals();
  private Fraction filled = Fraction.ZERO;
  private Sound lastNote;
  private int openSlurs;
  private boolean tieOpen;
  private String ending = "";
  private boolean begun;
  private boolean afterSpecial;

  Voice(String id, List<Problem> problems) {
    this.id = id;
    this.problems = problems;
  }

  Fraction unitLength() {
    return stays.or(() -> unit).orElseGet(() -> meter.map(Meter::unit).orElse(EIGHTH));
  }

  /** A unit as ABC has it where none is said (section 4.7). */
  static Fraction usual(Fraction bar) {
    return bar.compareTo(Fraction.getFraction(3, 1)) < 0 ? SIXTEENTH : EIGHTH;
  }

  /** What stands at the beginning of a bar, written once it is known. */
  void begin() {
    if (begun) {
      return;
    }
    begun = true;
    attributes.add(new XmlNode("divisions"));
    attributes.add(keyNode());
    meter.ifPresent(m -> attributes.add(m.node()));
    XmlNode clefNode = new XmlNode("clef");
    clefNode
        .add(
            XmlNode.of(
                "sign", clef.startsWith("bass") ? "F" : clef.matches("(alto|tenor).*") ? "C" : "G"))
        .add(
            XmlNode.of(
                "line",
                clef.startsWith("bass") || clef.startsWith("tenor")
                    ? 4
                    : clef.startsWith("alto") ? 3 : 2));
    if (clefOctave != 0) {
      clefNode.add(XmlNode.of("clef-octave-change", clefOctave));
    }
    attributes.add(clefNode);
    if (!transposition.equals(Transposition.CONCERT)) {
      Transposes.put(attributes, transposition);
    }
  }

  private XmlNode keyNode() {
    return new XmlNode("key").add(XmlNode.of("fifths", key.signature().fifths()));
  }

  /** The key changes from here on. */
  void key(AbcKey now) {
    key = now;
    change(this::keyNode);
  }

  void meter(Optional<Meter> now) {
    meter = now;
    now.ifPresent(m -> change(m::node));
  }

  private void change(Supplier<XmlNode> what) {
    if (!begun) {
      return;
    }
    if (items.isEmpty()) {
      XmlNode node = what.get();
      attributes.children().removeIf(c -> c.is(node.name()));
      // a key stands before a metre
      attributes.children().add(node.is("key") ? 0 : attributes.children().size(), node);
    } else {
      items.add(new Item(null, new XmlNode("attributes").add(what.get())));
    }
  }

  /** Something that stands over or under the staff here. */
  void direction(XmlNode node) {
    begin();
    items.add(new Item(null, node));
  }

  /** How a letter is altered here without a sign. */
  int alterOf(Letter letter, int octaveOf, boolean everyOctave) {
    return altered.getOrDefault(
        letter + (everyOctave ? "" : String.valueOf(octaveOf)), key.alterOf(letter));
  }

  void altered(Letter letter, int octaveOf, boolean everyOctave, int alter) {
    altered.put(letter + (everyOctave ? "" : String.valueOf(octaveOf)), alter);
  }

  Optional<Sound> lastNote() {
    return Optional.ofNullable(lastNote);
  }

  /** A note or rest; where bars are made from the metre, it is divided where it crosses one. */
  void sound(Sound s, int line) {
    begin();
    if (!s.isRest() && tieOpen && !s.grace) {
      s.tied = true;
      tieOpen = false;
    }
    Sound rest = s;
    while (splits && meter.isPresent() && !rest.grace) {
      Fraction bar = meter.get().quarters();
      Fraction room = bar.subtract(filled);
      if (room.compareTo(Fraction.ZERO) <= 0) {
        close(line, true);
        continue;
      }
      if (rest.actual != rest.normal || rest.lasts().compareTo(room) <= 0) {
        break;
      }
      Sound here = rest.part(room);
      here.tied = rest.tied;
      here.ties = !rest.isRest();
      here.signs.addAll(rest.signs);
      here.slursStart = rest.slursStart;
      add(here);
      Sound more = rest.part(rest.written.subtract(room));
      more.tied = !rest.isRest();
      more.ties = rest.ties;
      more.slursStop = rest.slursStop;
      close(line, true);
      rest = more;
    }
    add(rest);
    if (!s.grace) {
      lastNote = rest;
    }
  }

  private void add(Sound s) {
    // a length that can't be counted with the others leaves its note out
    Fraction all = filled.add(s.lasts());
    items.add(new Item(s, null));
    filled = all;
  }

  /** The note before leads on to the next of its pitch. */
  void tie() {
    if (lastNote != null && !lastNote.isRest()) {
      lastNote.ties = true;
      tieOpen = true;
    }
  }

  /** Lengthens or shortens the note before (broken rhythm). */
  void lengthen(Sound s, Fraction by) {
    Fraction without = filled.subtract(s.lasts());
    Fraction was = s.written;
    try {
      s.written = was.multiplyBy(by);
      filled = without.add(s.lasts());
    } catch (ArithmeticException e) {
      s.written = was;
      throw e;
    }
  }

  /**
   * A bar line.
   *
   * @param sign as it stands in the text
   * @param endings the number of an ending that begins, or none
   */
  void bar(String sign, String endings, int line) {
    begin();
    boolean back = sign.startsWith(":");
    boolean forward = sign.endsWith(":") && sign.length() > 1 || sign.equals("::");
    boolean special = sign.length() > 1;
    if (!items.isEmpty() || !layers.isEmpty() || !measures.isEmpty() && back) {
      XmlNode right = new XmlNode("barline").set("location", "right");
      if (special && !forward || back) {
        right.add(
            XmlNode.of(
                "bar-style",
                back || sign.contains("]")
                    ? "light-heavy"
                    : sign.startsWith("[") ? "heavy-light" : "light-light"));
      }
      if (!ending.isEmpty() && (special || !endings.isEmpty())) {
        right.add(
            new XmlNode("ending").set("number", ending).set("type", back ? "stop" : "discontinue"));
        ending = "";
      }
      if (back) {
        right.add(new XmlNode("repeat").set("direction", "backward"));
      }
      if (items.isEmpty() && layers.isEmpty()) {
        // a sign after a bar line belongs to the bar before it
        if (!right.children().isEmpty()) {
          measures.get(measures.size() - 1).add(right);
        }
      } else {
        close(line, !special && endings.isEmpty());
        if (!right.children().isEmpty()) {
          measures.get(measures.size() - 1).add(right);
        }
      }
    }
    if (!endings.isEmpty()) {
      ending = endings;
      left.add(new XmlNode("ending").set("number", endings).set("type", "start"));
    }
    if (forward) {
      left.children().add(0, XmlNode.of("bar-style", "heavy-light"));
      left.add(new XmlNode("repeat").set("direction", "forward"));
    }
  }

  /** Ends a bar; one that is checked has to be as long as its metre. */
  private void close(int line, boolean checked) {
    Limit.BARS.check(measures.size() + 1L);
    XmlNode measure = new XmlNode("measure").set("number", String.valueOf(measures.size() + 1));
    if (!left.children().isEmpty()) {
      measure.add(left);
      left = new XmlNode("barline").set("location", "left");
    }
    if (!attributes.children().isEmpty()) {
      measure.add(attributes);
      attributes = new XmlNode("attributes");
    }
    layers.add(new Layer(items, filled));
    for (int l = 0; l < layers.size(); l++) {
      if (l > 0) {
        measure.add(new XmlNode("backup").add(XmlNode.of("duration", layers.get(l - 1).filled())));
      }
      write(layers.get(l).items(), measure, l + 1);
    }
    // the first is what the bar is measured by, and what goes on in the next
    tieOpen = layers.size() > 1 ? firstTies : tieOpen;
    items = layers.get(0).items();
    filled = layers.get(0).filled();
    layers.clear();
    accidentals.bar(measure);
    Fraction wants = meter.map(Meter::quarters).orElse(filled);
    boolean over = filled.compareTo(wants) > 0;
    // an upbeat stands at the beginning, and behind a repeat or a double bar
    boolean upbeat = measures.isEmpty() || afterSpecial;
    afterSpecial = !checked;
    if (over || checked && !upbeat && filled.compareTo(wants) != 0) {
      problems.add(
          new Problem(
              line,
              items.stream()
                  .filter(i -> i.sound() != null)
                  .mapToInt(i -> i.sound().column)
                  .findFirst()
                  .orElse(1),
              Saying.of(
                  AbcReader.BAR,
                  "bar",
                  measures.size() + 1,
                  "has",
                  filled.reduce().toProperString(),
                  "wants",
                  wants.reduce().toProperString())));
    }
    measures.add(measure);
    lines.add(line);
    items = new ArrayList<>();
    filled = Fraction.ZERO;
    altered.clear();
  }

  private void write(List<Item> sounds, XmlNode measure, int number) {
    if (stays.isPresent()) {
      beamByBeat(sounds);
    }
    BarWriter writer = new BarWriter(measure, number == 1 ? openSlurs : 0, number);
    for (Item i : sounds) {
      if (i.sound() == null) {
        measure.add(i.node());
      } else {
        writer.write(i.sound());
      }
    }
    writer.beam();
    if (number == 1) {
      openSlurs = writer.openSlurs();
    }
  }

  /** In the short form spaces say nothing of beams: they go by the beat. */
  private void beamByBeat(List<Item> sounds) {
    Fraction beat = meter.filter(Meter::compound).isPresent() ? DOTTED : Fraction.ONE;
    Fraction at = Fraction.ZERO;
    for (Item i : sounds) {
      if (i.sound() != null) {
        at = behind(at, i.sound(), beat);
        i.sound().apart = at.equals(Fraction.ZERO);
      }
    }
  }

  /** How far behind its beat a note ends that begins so far behind one. */
  private static Fraction behind(Fraction begins, Sound s, Fraction beat) {
    try {
      Fraction ends = begins.add(s.lasts());
      int beats = ends.divideBy(beat).intValue();
      return ends.subtract(beat.multiplyBy(Fraction.getFraction(beats, 1))).reduce();
    } catch (ArithmeticException e) {
      // lengths without a common measure: the next beat is where the next note is
      return Fraction.ZERO;
    }
  }

  /** What follows sounds together with what this bar has so far (section 7.4). */
  void overlay() {
    begin();
    firstTies = layers.isEmpty() ? tieOpen : firstTies;
    layers.add(new Layer(items, filled));
    items = new ArrayList<>();
    filled = Fraction.ZERO;
    altered.clear();
    lastNote = null;
    tieOpen = false;
  }

  /** Bars of rest. */
  void rests(int bars, int line) {
    begin();
    for (int b = 0; b < bars; b++) {
      Sound s = new Sound(1);
      s.written = meter.map(Meter::quarters).orElse(Fraction.getFraction(4, 1));
      add(s);
      if (b < bars - 1) {
        close(line, false);
      }
    }
    lastNote = null;
  }

  /** All bars, also one that was not closed by a bar line. */
  List<XmlNode> measures(int line) {
    begin();
    if (!items.isEmpty() || !layers.isEmpty() || measures.isEmpty()) {
      close(line, false);
    }
    if (!ending.isEmpty()) {
      measures
          .get(measures.size() - 1)
          .add(
              new XmlNode("barline")
                  .set("location", "right")
                  .add(new XmlNode("ending").set("number", ending).set("type", "discontinue")));
      ending = "";
    }
    return measures;
  }
}
