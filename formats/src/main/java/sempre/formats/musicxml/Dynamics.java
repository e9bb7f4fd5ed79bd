package sempre.formats.musicxml;

import java.util.List;
import java.util.TreeMap;
import sempre.core.score.Dynamic;
import sempre.formats.xml.XmlNode;

/** The dynamic in force; a hairpin counts as one step at its end, unless a mark stands there. */
final class Dynamics {
  private final TreeMap<Double, Dynamic> marks = new TreeMap<>();

  Dynamics(List<Direction> directions, int staff, double[] starts) {
    String hairpin = "";
    for (Direction m : directions) {
      if (!m.isFor(staff)) {
        continue;
      }
      double at = m.at(starts);
      for (XmlNode d : m.node().descendants("dynamics")) {
        for (XmlNode mark : d.children()) {
          read(mark.name(), at);
        }
      }
      for (XmlNode w : m.node().descendants("wedge")) {
        String type = w.attribute("type");
        if (type.equals("stop") && !hairpin.isEmpty()) {
          Dynamic reached = in(at).step(hairpin.equals("crescendo") ? 1 : -1);
          marks.putIfAbsent(at, reached);
          hairpin = "";
        } else if (type.equals("crescendo") || type.equals("diminuendo")) {
          hairpin = type;
        }
      }
    }
  }

  private void read(String mark, double at) {
    switch (mark) {
      case "pp", "ppp", "pppp", "ppppp", "pppppp" -> marks.put(at, Dynamic.PP);
      case "p", "fp", "sfp" -> marks.put(at, Dynamic.P);
      case "mp" -> marks.put(at, Dynamic.MP);
      case "mf" -> marks.put(at, Dynamic.MF);
      case "f" -> marks.put(at, Dynamic.F);
      case "ff", "fff", "ffff", "fffff", "ffffff" -> marks.put(at, Dynamic.FF);
      default -> {
        // sf, rf and the like accent one note; the dynamic stays
      }
    }
  }

  private Dynamic in(double at) {
    var e = marks.floorEntry(at + 1e-6);
    return e == null ? Dynamic.MF : e.getValue();
  }

  Dynamic at(double onset, XmlNode note) {
    for (XmlNode d : note.descendants("dynamics")) {
      for (XmlNode mark : d.children()) {
        read(mark.name(), onset);
      }
    }
    return in(onset);
  }
}
