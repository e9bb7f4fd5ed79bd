package sempre.formats.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.lang3.math.Fraction;
import sempre.formats.musicxml.XmlPitch;
import sempre.formats.xml.XmlNode;

/** Writes what sounds in a bar as MusicXML; lengths stand as fractions of a quarter for now. */
final class BarWriter {
  /** Signs of notes by their length in quarters, the longest first (MusicXML 4.0). */
  private static final List<Map.Entry<Fraction, String>> TYPES =
      List.of(
          Map.entry(Fraction.getFraction(16, 1), "long"),
          Map.entry(Fraction.getFraction(8, 1), "breve"),
          Map.entry(Fraction.getFraction(4, 1), "whole"),
          Map.entry(Fraction.getFraction(2, 1), "half"),
          Map.entry(Fraction.getFraction(1, 1), "quarter"),
          Map.entry(Fraction.getFraction(1, 2), "eighth"),
          Map.entry(Fraction.getFraction(1, 4), "16th"),
          Map.entry(Fraction.getFraction(1, 8), "32nd"),
          Map.entry(Fraction.getFraction(1, 16), "64th"),
          Map.entry(Fraction.getFraction(1, 32), "128th"));

  private static final int QUARTER = 4;

  /** A note's sign with its dots. */
  private record Sign(Fraction length, String type, int dots) {
    /** How many beams or flags it has. */
    int beams() {
      for (int i = 0; i < TYPES.size(); i++) {
        if (TYPES.get(i).getValue().equals(type)) {
          return Math.max(0, i - QUARTER);
        }
      }
      return 0;
    }
  }

  private record Written(Sound sound, Sign sign, XmlNode node) {
    boolean beamed() {
      return sign.beams() > 0 && !sound.isRest() && !sound.grace;
    }
  }

  private final XmlNode measure;
  private final int voice;
  private final List<Written> written = new ArrayList<>();
  private int openSlurs;

  /**
   * For the sounds of one voice in a bar.
   *
   * @param voice its number in the part, from 1
   */
  BarWriter(XmlNode measure, int openSlurs, int voice) {
    this.voice = voice;
    this.measure = measure;
    this.openSlurs = openSlurs;
  }

  /** How many slurs lead on into the next bar. */
  int openSlurs() {
    return openSlurs;
  }

  /** Writes a note or rest; one without a sign of its own length as several, tied. */
  void write(Sound s) {
    List<Sign> signs = signs(s.written);
    for (int i = 0; i < signs.size(); i++) {
      boolean last = i == signs.size() - 1;
      Sound part = signs.size() == 1 ? s : part(s, signs.get(i), i == 0, last);
      List<XmlNode> chord = new ArrayList<>();
      for (int n = 0; n < Math.max(1, s.pitches.size()); n++) {
        chord.add(note(part, signs.get(i), n));
      }
      chord.forEach(measure::add);
      written.add(new Written(part, signs.get(i), chord.get(0)));
    }
  }

  private static Sound part(Sound s, Sign sign, boolean first, boolean last) {
    Sound part = s.part(sign.length());
    part.tied = first ? s.tied : !s.isRest();
    part.ties = last ? s.ties : !s.isRest();
    part.tupletStarts = first && s.tupletStarts;
    part.tupletStops = last && s.tupletStops;
    part.hidden = s.hidden;
    part.apart = last && s.apart;
    if (first) {
      part.signs.addAll(s.signs);
      part.slursStart = s.slursStart;
      part.slursStop = s.slursStop;
    }
    return part;
  }

  private static List<Sign> signs(Fraction length) {
    List<Sign> all = new ArrayList<>();
    Fraction left = length;
    while (left.compareTo(Fraction.ZERO) > 0) {
      Optional<Sign> next = longest(left);
      if (next.isEmpty()) {
        break;
      }
      all.add(next.get());
      left = left.subtract(next.get().length());
    }
    // what has no sign, as a third of a quarter outside a tuplet, keeps its length without one
    return left.compareTo(Fraction.ZERO) > 0 ? List.of(new Sign(length, "", 0)) : all;
  }

  private static Optional<Sign> longest(Fraction most) {
    for (Map.Entry<Fraction, String> t : TYPES) {
      for (int dots = 2; dots >= 0; dots--) {
        Fraction dotted =
            t.getKey().multiplyBy(Fraction.getFraction((4 << dots) / 2 - 1, 1 << dots));
        if (dotted.compareTo(most) <= 0) {
          return Optional.of(new Sign(dotted, t.getValue(), dots));
        }
      }
    }
    return Optional.empty();
  }

  private XmlNode note(Sound s, Sign sign, int which) {
    XmlNode note = new XmlNode("note");
    if (s.hidden) {
      note.set("print-object", "no");
    }
    if (s.grace) {
      XmlNode grace = new XmlNode("grace");
      note.add(s.slashed ? grace.set("slash", "yes") : grace);
    }
    if (which > 0) {
      note.add(new XmlNode("chord"));
    }
    note.add(s.isRest() ? new XmlNode("rest") : XmlPitch.write(s.pitches.get(which)));
    if (!s.grace) {
      note.add(
          XmlNode.of(
              "duration", sign.length().multiplyBy(Fraction.getFraction(s.normal, s.actual))));
    }
    ends(s, "tie", note);
    note.add(XmlNode.of("voice", voice));
    if (!sign.type().isEmpty()) {
      note.add(XmlNode.of("type", sign.type()));
    }
    for (int d = 0; d < sign.dots(); d++) {
      note.add(new XmlNode("dot"));
    }
    if (s.actual != s.normal) {
      note.add(
          new XmlNode("time-modification")
              .add(XmlNode.of("actual-notes", s.actual))
              .add(XmlNode.of("normal-notes", s.normal)));
    }
    XmlNode notations = notations(s, which);
    if (!notations.children().isEmpty()) {
      note.add(notations);
    }
    return note;
  }

  private static void ends(Sound s, String name, XmlNode into) {
    if (s.tied) {
      into.add(new XmlNode(name).set("type", "stop"));
    }
    if (s.ties) {
      into.add(new XmlNode(name).set("type", "start"));
    }
  }

  private XmlNode notations(Sound s, int which) {
    XmlNode all = new XmlNode("notations");
    ends(s, "tied", all);
    if (which > 0) {
      return all;
    }
    for (int i = 0; i < s.slursStop && openSlurs > 0; i++) {
      all.add(new XmlNode("slur").set("type", "stop").set("number", String.valueOf(openSlurs--)));
    }
    for (int i = 0; i < s.slursStart; i++) {
      all.add(new XmlNode("slur").set("type", "start").set("number", String.valueOf(++openSlurs)));
    }
    if (s.tupletStarts) {
      all.add(new XmlNode("tuplet").set("type", "start").set("number", "1"));
    }
    if (s.tupletStops) {
      all.add(new XmlNode("tuplet").set("type", "stop").set("number", "1"));
    }
    Decorations.put(s.signs, all);
    return all;
  }

  /** Joins by beams what stands together in the text. */
  void beam() {
    int from = 0;
    while (from < written.size()) {
      int to = from;
      while (to < written.size() && written.get(to).beamed()) {
        to++;
        if (written.get(to - 1).sound().apart) {
          break;
        }
      }
      if (to - from > 1) {
        group(written.subList(from, to));
      }
      from = Math.max(to, from + 1);
    }
  }

  private static void group(List<Written> group) {
    for (int i = 0; i < group.size(); i++) {
      int own = group.get(i).sign().beams();
      int before = i == 0 ? 0 : group.get(i - 1).sign().beams();
      int after = i == group.size() - 1 ? 0 : group.get(i + 1).sign().beams();
      List<XmlNode> beams = new ArrayList<>();
      for (int level = 1; level <= own; level++) {
        String state =
            before >= level
                ? after >= level ? "continue" : "end"
                : after >= level ? "begin" : i == 0 ? "forward hook" : "backward hook";
        beams.add(XmlNode.of("beam", state).set("number", String.valueOf(level)));
      }
      List<XmlNode> children = group.get(i).node().children();
      int at = children.size();
      while (at > 0 && children.get(at - 1).is("notations")) {
        at--;
      }
      children.addAll(at, beams);
    }
  }
}
