package sempre.formats.musicxml;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.formats.xml.XmlNode;

/**
 * Mends what is wrong in a score where it stands, so that a slip costs one bar and not the piece:
 * the tree is sound then for whoever reads, prints or draws it. What was done is told by part and
 * bar. Signs that stand for bars or notes are put as what they stand for.
 */
final class Repair {
  /** A length that differs so much from its sign is a slip; swing and the like differ less. */
  private static final double OFF = 2;

  private static final double NEAR = 0.001;
  private static final int MOST_FIFTHS = 7;

  /** So many bars are named; the rest are counted. */
  private static final int NAMED = 8;

  private static final Set<String> MUSIC = Set.of("note", "backup", "forward");

  private final String name;
  private final List<XmlNode> measures;
  private final Map<Saying, List<String>> found = new LinkedHashMap<>();
  private double divisions = 1;
  private double quarters = 4;

  private Repair(String name, List<XmlNode> measures) {
    this.name = name;
    this.measures = measures;
  }

  /** Mends a score that is partwise, and says what was mended. */
  static List<Saying> of(XmlNode root) {
    Map<String, String> names = MusicXmlReader.partNames(root);
    List<Saying> said = new ArrayList<>();
    for (XmlNode part : root.children("part")) {
      String id = part.attribute("id");
      Repair repair = new Repair(names.getOrDefault(id, id), part.children("measure"));
      repair.staves(part);
      repair.bars();
      repair.slashes();
      said.addAll(repair.said());
      int repeated = repair.repeats();
      if (repeated > 0) {
        said.add(Saying.of("mended.repeats", "part", repair.name, "n", repeated));
      }
    }
    return said;
  }

  private List<Saying> said() {
    return found.entrySet().stream()
        .map(
            e ->
                Saying.of(
                    "mended.in-bars",
                    "part",
                    name,
                    "n",
                    e.getValue().size(),
                    "bars",
                    e.getValue().subList(0, Math.min(NAMED, e.getValue().size())),
                    "more",
                    Math.max(0, e.getValue().size() - NAMED),
                    "why",
                    e.getKey()))
        .toList();
  }

  /** A staff that is never printed is no part of the page. */
  private void staves(XmlNode part) {
    Map<Integer, Boolean> printed = new TreeMap<>();
    for (XmlNode d : part.descendants("staff-details")) {
      if (!d.attribute("print-object").isEmpty()) {
        printed.merge(
            MusicXmlReader.integer(d.attribute("number"), 1),
            d.attribute("print-object").equals("yes"),
            Boolean::logicalOr);
      }
    }
    int staves =
        part.descendants("staves").stream()
            .mapToInt(s -> MusicXmlReader.integer(s.text(), 1))
            .max()
            .orElse(1);
    for (int staff = staves; staff > 0; staff--) {
      if (Boolean.FALSE.equals(printed.get(staff)) && staves > 1) {
        withoutStaff(part, staff);
        staves--;
      }
    }
  }

  private void withoutStaff(XmlNode part, int staff) {
    for (XmlNode measure : measures) {
      List<XmlNode> kept = new ArrayList<>();
      for (XmlNode e : measure.children()) {
        boolean gone =
            Set.of("note", "direction", "forward").contains(e.name()) && staffOf(e) == staff;
        if (gone && e.is("note") && !e.has("chord") && !e.has("grace") && e.has("duration")) {
          // its time passes, so that what stands behind it keeps its place
          kept.add(new XmlNode("forward").add(XmlNode.of("duration", e.textOf("duration"))));
        } else if (gone && e.is("forward")) {
          e.children().removeIf(c -> c.is("staff"));
          kept.add(e);
        } else if (!gone) {
          kept.add(e);
        }
        e.child("staff")
            .filter(s -> staffOf(e) > staff)
            .ifPresent(s -> s.text(String.valueOf(staffOf(e) - 1)));
        if (e.is("attributes")) {
          attributesWithout(e, staff);
        }
      }
      measure.children().clear();
      kept.forEach(measure::add);
    }
    part.descendants("staves")
        .forEach(s -> s.text(String.valueOf(Math.max(1, MusicXmlReader.integer(s.text(), 1) - 1))));
  }

  private static int staffOf(XmlNode e) {
    return MusicXmlReader.integer(e.textOf("staff"), 1);
  }

  /** What is said of one staff goes; what is said of those below it counts for one higher. */
  private static void attributesWithout(XmlNode attributes, int staff) {
    attributes
        .children()
        .removeIf(
            c ->
                Set.of("clef", "staff-details", "key", "time", "transpose").contains(c.name())
                    && (c.attribute("number").equals(String.valueOf(staff))
                        || staff == 1
                            && c.attribute("number").isEmpty()
                            && Set.of("clef", "staff-details").contains(c.name())));
    for (XmlNode c : attributes.children()) {
      int number = MusicXmlReader.integer(c.attribute("number"), 0);
      if (number > staff) {
        c.set("number", String.valueOf(number - 1));
      }
    }
  }

  private void bars() {
    int count = 0;
    for (XmlNode measure : measures) {
      count++;
      String number = measure.attribute("number");
      String bar = number.isEmpty() ? String.valueOf(count) : number;
      for (XmlNode a : measure.children("attributes")) {
        attributes(a, bar);
      }
      try {
        for (XmlNode e : measure.children()) {
          if (MUSIC.contains(e.name())) {
            check(e, bar);
          }
        }
      } catch (Refusal e) {
        told(Saying.of("mended.bar", "why", e.saying()), bar);
        empty(measure);
      }
    }
  }

  private void told(Saying what, String bar) {
    List<String> bars = found.computeIfAbsent(what, k -> new ArrayList<>());
    if (!bars.contains(bar)) {
      bars.add(bar);
    }
  }

  private void attributes(XmlNode a, String bar) {
    a.children()
        .removeIf(
            c -> {
              if (c.is("divisions") && !(decimal(c.text()) > 0)) {
                told(Saying.of("mended.divisions", "typed", c.text()), bar);
                return true;
              }
              boolean noKey =
                  c.is("key")
                      && c.has("fifths")
                      && !(Math.abs(decimal(c.textOf("fifths"))) <= MOST_FIFTHS);
              if (noKey) {
                told(Saying.of("mended.key", "typed", c.textOf("fifths")), bar);
              }
              return noKey;
            });
    if (a.has("divisions")) {
      divisions = decimal(a.textOf("divisions"));
    }
    a.child("time")
        .ifPresent(
            t -> {
              double beats = decimal(t.textOf("beats"));
              double type = decimal(t.textOf("beat-type"));
              quarters = beats > 0 && type > 0 ? beats * 4 / type : quarters;
            });
  }

  /** A number, or none where it is not one. */
  private static double decimal(String text) {
    return MusicXmlReader.decimal(text.strip()).orElse(Double.NaN);
  }

  private void check(XmlNode e, String bar) {
    e.child("pitch").ifPresent(XmlPitch::read);
    if (!e.has("duration")) {
      return;
    }
    double length = PartReader.number(e.textOf("duration"));
    if (length < 0) {
      throw new Refusal("file.duration", "typed", e.textOf("duration"));
    }
    double sign = NoteLength.quarters(e);
    boolean comparable =
        e.has("pitch") && sign > 0 && !e.has("grace") && e.descendants("tremolo").isEmpty();
    double is = length / divisions;
    if (comparable && (is >= sign * OFF - NEAR || is <= sign / OFF + NEAR)) {
      told(Saying.of("mended.length"), bar);
      e.child("duration").ifPresent(d -> d.text(whole(sign * divisions)));
    }
  }

  private static String whole(double n) {
    return n == Math.rint(n) ? String.valueOf((long) n) : String.valueOf(n);
  }

  /** Of a bar that can't be read a rest is left, as long as its metre. */
  private void empty(XmlNode measure) {
    measure.children().removeIf(c -> MUSIC.contains(c.name()));
    put(
        measure,
        List.of(
            new XmlNode("note")
                .add(new XmlNode("rest").set("measure", "yes"))
                .add(XmlNode.of("duration", whole(quarters * divisions)))
                .add(XmlNode.of("voice", "1"))));
  }

  /** Puts music into a bar, behind its attributes and before the barline at its end. */
  private static void put(XmlNode measure, List<XmlNode> music) {
    List<XmlNode> all = measure.children();
    int at = all.size();
    while (at > 0
        && all.get(at - 1).is("barline")
        && !all.get(at - 1).attribute("location").equals("left")) {
      at--;
    }
    all.addAll(at, music);
  }

  /** Under a sign for slashes every note is one (MusicXML 4.0, slash). */
  private void slashes() {
    boolean on = false;
    for (XmlNode measure : measures) {
      for (XmlNode e : measure.children()) {
        for (XmlNode slash : e.is("attributes") ? e.descendants("slash") : List.<XmlNode>of()) {
          on = slash.attribute("type").equals("start");
        }
        if (on && e.has("pitch") && !e.has("notehead")) {
          e.add(XmlNode.of("notehead", "slash"));
        }
      }
    }
  }

  /**
   * Signs that repeat the bar, or the bars, before them become these bars (MusicXML 4.0,
   * measure-repeat). Where a file has the notes beside the sign, they stay.
   *
   * @return how many bars were written out
   */
  private int repeats() {
    int written = 0;
    int pattern = 0;
    int since = 0;
    for (int b = 0; b < measures.size(); b++) {
      XmlNode measure = measures.get(b);
      for (XmlNode a : measure.children("attributes")) {
        for (XmlNode style : a.children("measure-style")) {
          for (XmlNode sign : style.children("measure-repeat")) {
            boolean starts = sign.attribute("type").equals("start");
            pattern = starts ? Math.max(1, MusicXmlReader.integer(sign.text(), 1)) : 0;
            since = b;
          }
        }
        a.children().removeIf(c -> c.is("measure-style") && c.has("measure-repeat"));
      }
      int from = since - pattern + (pattern == 0 ? 0 : (b - since) % pattern);
      if (pattern > 0 && from >= 0 && !hasNotes(measure)) {
        List<XmlNode> music =
            measures.get(from).children().stream()
                .filter(c -> MUSIC.contains(c.name()))
                .map(Repair::copy)
                .toList();
        measure.children().removeIf(c -> MUSIC.contains(c.name()));
        put(measure, music);
        written++;
      }
    }
    return written;
  }

  private static boolean hasNotes(XmlNode measure) {
    return measure.children("note").stream().anyMatch(n -> n.has("pitch") || n.has("unpitched"));
  }

  /** The same once more, without its ids, which are given once. */
  private static XmlNode copy(XmlNode n) {
    XmlNode same = n.shell();
    same.children().clear();
    n.children().forEach(c -> same.add(copy(c)));
    if (n.children().isEmpty()) {
      same.text(n.text());
    }
    return same;
  }
}
