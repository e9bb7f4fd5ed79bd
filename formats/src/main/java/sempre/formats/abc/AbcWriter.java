package sempre.formats.abc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.commons.lang3.math.Fraction;
import sempre.core.Deadline;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Letter;
import sempre.core.pitch.Pitch;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.XmlPitch;
import sempre.formats.xml.XmlNode;

/**
 * Writes a score as a tune of ABC 2.1: a voice for each voice of each part, in its own key, clef
 * and transposition. What the standard has no sign for is left out; every note, its length, its
 * ties and slurs and the order in which bars are played are there.
 */
public final class AbcWriter {
  /** The unit in which lengths are written: an eighth, in quarters. */
  private static final Fraction UNIT = Fraction.ONE_HALF;

  private static final String SHARPS = "FCGDAEB";
  private static final int BARS_A_LINE = 4;

  private final StringBuilder out = new StringBuilder();
  private final Map<String, Integer> altered = new HashMap<>();
  private Fraction divisions = Fraction.ONE;
  private KeySignature key = KeySignature.NATURAL;
  private int tupletLeft;

  private AbcWriter() {}

  /**
   * Writes a score.
   *
   * @param number of the tune in its file
   */
  public static String write(MusicXmlFile file, String number, String title) {
    XmlNode root = file.root();
    StringBuilder all = new StringBuilder("X:" + number + "\nT:" + plain(title) + "\n");
    root.descendants("creator").stream()
        .filter(c -> c.attribute("type").equals("composer"))
        .findFirst()
        .ifPresent(c -> all.append("C:").append(plain(c.text())).append('\n'));
    all.append("M:").append(meter(root)).append("\nL:1/8\n");
    root.descendants("sound").stream()
        .filter(s -> s.attribute("tempo").matches("\\d{1,3}(\\.0+)?"))
        .findFirst()
        .ifPresent(
            s ->
                all.append("Q:1/4=")
                    .append(s.attribute("tempo").replaceAll("\\..*", ""))
                    .append('\n'));
    all.append("K:none\n");
    Map<String, String> names = new LinkedHashMap<>();
    root.descendants("score-part")
        .forEach(p -> names.put(p.attribute("id"), p.textOf("part-name")));
    int voice = 0;
    for (XmlNode part : root.children("part")) {
      for (String v : voices(part)) {
        AbcWriter writer = new AbcWriter();
        writer.voice(part, v);
        all.append("V:")
            .append(++voice)
            .append(" name=\"")
            .append(plain(names.getOrDefault(part.attribute("id"), "")))
            .append('"')
            .append(clef(part))
            .append(transposed(part))
            .append('\n')
            .append(writer.out);
      }
    }
    return all.toString();
  }

  private static String plain(String text) {
    return text.replaceAll("[\\r\\n\"%]+", " ").strip();
  }

  private static List<String> voices(XmlNode part) {
    Map<String, Boolean> found = new TreeMap<>();
    for (XmlNode m : part.children("measure")) {
      for (XmlNode n : m.children("note")) {
        found.merge(voiceOf(n), n.has("pitch"), Boolean::logicalOr);
      }
    }
    List<String> with =
        found.entrySet().stream().filter(Map.Entry::getValue).map(Map.Entry::getKey).toList();
    return with.isEmpty()
        ? List.copyOf(found.keySet()).subList(0, Math.min(1, found.size()))
        : with;
  }

  private static String voiceOf(XmlNode note) {
    return note.has("voice") ? note.textOf("voice") : "1";
  }

  private static String meter(XmlNode root) {
    return root.descendants("time").stream()
        .filter(t -> t.has("beats"))
        .findFirst()
        .map(t -> t.textOf("beats") + "/" + t.textOf("beat-type"))
        .filter(t -> Meter.of(t).isPresent())
        .orElse("none");
  }

  private static String clef(XmlNode part) {
    return part.descendants("clef").stream()
        .findFirst()
        .map(c -> c.textOf("sign") + c.textOf("line"))
        .map(
            c ->
                c.startsWith("F")
                    ? " clef=bass"
                    : c.equals("C3")
                        ? " clef=alto"
                        : c.equals("C4") ? " clef=tenor" : " clef=treble")
        .orElse("");
  }

  private static String transposed(XmlNode part) {
    return part.descendants("transpose").stream()
        .findFirst()
        .map(
            t ->
                (int)
                    (Double.parseDouble(
                            t.textOf("chromatic").isEmpty() ? "0" : t.textOf("chromatic"))
                        + 12
                            * Double.parseDouble(
                                t.textOf("octave-change").isEmpty()
                                    ? "0"
                                    : t.textOf("octave-change"))))
        .filter(t -> t != 0)
        .map(t -> " transpose=" + t)
        .orElse("");
  }

  private void voice(XmlNode part, String voice) {
    List<XmlNode> measures = part.children("measure");
    for (int b = 0; b < measures.size(); b++) {
      Deadline.check();
      bar(measures.get(b), voice, b == measures.size() - 1);
      out.append((b + 1) % BARS_A_LINE == 0 || b == measures.size() - 1 ? "\n" : " ");
    }
  }

  private void bar(XmlNode measure, String voice, boolean last) {
    altered.clear();
    tupletLeft = 0;
    String left = "";
    StringBuilder right = new StringBuilder();
    for (XmlNode line : measure.children("barline")) {
      boolean begins = line.attribute("location").equals("left");
      for (XmlNode r : line.children("repeat")) {
        if (r.attribute("direction").equals("forward")) {
          left = "|:" + left;
        } else {
          right.insert(0, ":");
        }
      }
      for (XmlNode e : line.children("ending")) {
        if (begins && e.attribute("type").equals("start")) {
          left += "[" + e.attribute("number").replaceAll("[^\\d,-]", "");
        }
      }
      String style = line.textOf("bar-style");
      if (!begins && right.isEmpty() && style.equals("light-light")) {
        right.append("|");
      }
    }
    out.append(left).append(left.contains("[") ? " " : "");
    music(measure, voice);
    out.append(right).append('|').append(last && right.isEmpty() ? "]" : "");
  }

  private void music(XmlNode measure, String voice) {
    Fraction cursor = Fraction.ZERO;
    Fraction written = Fraction.ZERO;
    List<XmlNode> all = measure.children();
    for (int i = 0; i < all.size(); i++) {
      XmlNode e = all.get(i);
      switch (e.name()) {
        case "attributes" -> attributes(e);
        case "backup" -> cursor = cursor.subtract(length(e));
        case "forward" -> cursor = cursor.add(length(e));
        case "direction" -> direction(e);
        case "note" -> {
          if (e.has("chord")) {
            continue;
          }
          if (voiceOf(e).equals(voice)) {
            if (cursor.compareTo(written) > 0) {
              out.append('x').append(shown(cursor.subtract(written))).append(' ');
            }
            List<XmlNode> chord = new ArrayList<>(List.of(e));
            for (int n = i + 1;
                n < all.size() && all.get(n).is("note") && all.get(n).has("chord");
                n++) {
              chord.add(all.get(n));
            }
            note(chord);
            written = cursor.add(e.has("grace") ? Fraction.ZERO : length(e));
          }
          cursor = cursor.add(e.has("grace") ? Fraction.ZERO : length(e));
        }
        default -> {
          // barlines are written by their bar
        }
      }
    }
  }

  private void attributes(XmlNode a) {
    if (a.has("divisions")) {
      divisions = Fraction.getFraction(a.textOf("divisions"));
    }
    a.child("key")
        .filter(k -> k.textOf("fifths").matches("-?[0-7]"))
        .ifPresent(
            k -> {
              key = new KeySignature(Integer.parseInt(k.textOf("fifths")));
              out.append("[K:").append(tonic(key.fifths())).append("] ");
            });
    a.child("time")
        .map(t -> t.textOf("beats") + "/" + t.textOf("beat-type"))
        .filter(t -> Meter.of(t).isPresent())
        .ifPresent(t -> out.append("[M:").append(t).append("] "));
  }

  /** The major key of a signature. */
  static String tonic(int fifths) {
    int place = fifths + 1;
    String letter = String.valueOf(SHARPS.charAt(Math.floorMod(place, 7)));
    return letter + (place >= 7 ? "#" : place < 0 ? "b" : "");
  }

  private void direction(XmlNode d) {
    d.descendants("dynamics")
        .forEach(
            x ->
                x.children().stream()
                    .map(XmlNode::name)
                    .filter(Decorations::known)
                    .forEach(n -> out.append('!').append(n).append('!')));
    d.descendants("words").forEach(w -> out.append("\"^").append(plain(w.text())).append("\" "));
    if (!d.descendants("segno").isEmpty()) {
      out.append("!segno!");
    }
    if (!d.descendants("coda").isEmpty()) {
      out.append("!coda!");
    }
  }

  private Fraction length(XmlNode e) {
    return e.has("duration")
        ? Fraction.getFraction(e.textOf("duration")).divideBy(divisions).reduce()
        : Fraction.ZERO;
  }

  private void note(List<XmlNode> chord) {
    XmlNode n = chord.get(0);
    if (n.has("grace")) {
      out.append('{');
      chord.stream().filter(c -> c.has("pitch")).forEach(c -> pitch(c));
      out.append('}');
      return;
    }
    Fraction lasts = length(n);
    int actual = part(n, "actual-notes");
    int normal = part(n, "normal-notes");
    if (actual != normal && tupletLeft == 0) {
      tupletLeft = actual;
      out.append('(').append(actual).append(':').append(normal).append(':').append(actual);
    }
    if (actual == normal) {
      tupletLeft = 0;
    }
    for (XmlNode s : n.descendants("slur")) {
      if (s.attribute("type").equals("start")) {
        out.append('(');
      }
    }
    n.descendants("notations").forEach(this::signs);
    if (n.has("pitch") && chord.size() > 1) {
      out.append('[');
      chord.forEach(this::pitch);
      out.append(']');
    } else if (n.has("pitch")) {
      pitch(n);
    } else {
      out.append('z');
    }
    out.append(shown(lasts.multiplyBy(Fraction.getFraction(actual, normal))));
    if (n.children("tie").stream().anyMatch(t -> t.attribute("type").equals("start"))) {
      out.append('-');
    }
    for (XmlNode s : n.descendants("slur")) {
      if (s.attribute("type").equals("stop")) {
        out.append(')');
      }
    }
    tupletLeft = Math.max(0, tupletLeft - 1);
    boolean beamed =
        n.children("beam").stream()
            .anyMatch(
                b -> b.attribute("number").matches("|1") && b.text().matches("begin|continue"));
    out.append(beamed ? "" : " ");
  }

  private void signs(XmlNode notations) {
    for (XmlNode group : notations.children()) {
      Decorations.sign(group.name()).ifPresent(out::append);
      group.children().forEach(e -> Decorations.sign(e.name()).ifPresent(out::append));
    }
  }

  private static int part(XmlNode note, String name) {
    return note.child("time-modification")
        .map(t -> t.textOf(name))
        .filter(t -> t.matches("\\d"))
        .map(Integer::parseInt)
        .filter(t -> t > 1)
        .orElse(1);
  }

  /** A sign is written wherever one reading of the standard or another would need it. */
  private void pitch(XmlNode note) {
    Pitch p = XmlPitch.read(note.child("pitch").orElseThrow());
    Letter letter = p.letter();
    String own = letter + String.valueOf(p.octave());
    boolean tied = note.children("tie").stream().anyMatch(t -> t.attribute("type").equals("stop"));
    int here = altered.getOrDefault(own, key.alterOf(letter));
    int anywhere = altered.getOrDefault(letter.name(), key.alterOf(letter));
    boolean signed =
        here != p.alter() || anywhere != p.alter() || tied && p.alter() != key.alterOf(letter);
    if (signed) {
      altered.put(own, p.alter());
      altered.put(letter.name(), p.alter());
    }
    out.append(Letters.of(p, signed));
  }

  /** A length behind a note, in units. */
  private static String shown(Fraction quarters) {
    Fraction units = quarters.divideBy(UNIT).reduce();
    String over = units.getNumerator() == 1 ? "" : String.valueOf(units.getNumerator());
    return units.getDenominator() == 1 ? over : over + "/" + units.getDenominator();
  }
}
