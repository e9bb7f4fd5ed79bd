package sempre.formats.musicxml;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import sempre.core.score.Bars;
import sempre.formats.xml.Xml;
import sempre.formats.xml.XmlNode;

/**
 * Cuts the page of one part into lines that can be engraved each by itself. A line of a whole page
 * ends only where no tie, slur, hairpin or ending leads over its bar line.
 */
final class PageLines {
  /** What stands at the beginning of each line; the metre is known there, and not printed. */
  private static final List<String> STANDING = List.of("divisions", "key", "time", "clef");

  private static final Set<String> SPANNING =
      Set.of("tied", "slur", "wedge", "octave-shift", "dashes", "bracket", "ending");

  private final XmlNode page;
  private final Map<String, XmlNode> standing = new LinkedHashMap<>();
  private final List<byte[]> lines = new ArrayList<>();
  private List<XmlNode> bars = new ArrayList<>();
  private int open;

  private PageLines(XmlNode page) {
    this.page = page;
  }

  /**
   * The lines of a page.
   *
   * @param root of a page of one part, as {@link PlayerPage} makes it
   * @param perLine bars of a line, where none has to be longer
   */
  static List<byte[]> of(XmlNode root, int perLine) {
    PageLines all = new PageLines(root);
    for (XmlNode measure : root.children("part").get(0).children("measure")) {
      all.bar(measure);
      if (all.bars.size() >= perLine && all.open <= 0) {
        all.line();
      }
    }
    if (!all.bars.isEmpty()) {
      all.line();
    }
    return all.lines;
  }

  /**
   * Some stretches of a page, each by itself; they may have bars in common.
   *
   * @param root of a page of one part, as {@link PlayerPage} makes it
   */
  static List<byte[]> stretches(XmlNode root, List<Bars> stretches) {
    List<XmlNode> measures = root.children("part").get(0).children("measure");
    PageLines all = new PageLines(root);
    List<XmlNode> begins = new ArrayList<>();
    for (XmlNode measure : measures) {
      begins.add(all.begins());
      all.read(measure);
    }
    for (Bars b : stretches) {
      for (int i = b.from(); i <= Math.min(b.to(), measures.size() - 1); i++) {
        XmlNode measure = measures.get(i).shell();
        if (i == b.from() && i > 0) {
          measure.add(begins.get(i));
        }
        measures.get(i).children().forEach(measure::add);
        all.bars.add(measure);
      }
      all.line();
    }
    return all.lines;
  }

  /** What a bar has to say that begins a line. */
  private XmlNode begins() {
    XmlNode begins = new XmlNode("attributes");
    standing.values().forEach(begins::add);
    return begins;
  }

  private void read(XmlNode measure) {
    for (XmlNode a : measure.children("attributes")) {
      for (String name : STANDING) {
        a.child(name).ifPresent(n -> standing.put(name, stands(n)));
      }
    }
  }

  private void bar(XmlNode measure) {
    if (bars.isEmpty() && !lines.isEmpty()) {
      measure.children().add(0, begins());
    }
    read(measure);
    for (XmlNode s : measure.descendants(SPANNING)) {
      open +=
          switch (s.attribute("type")) {
            case "start", "crescendo", "diminuendo", "up", "down" -> 1;
            case "stop", "discontinue" -> -1;
            default -> 0;
          };
    }
    bars.add(measure);
  }

  private static XmlNode stands(XmlNode said) {
    if (!said.is("time")) {
      return said;
    }
    XmlNode hidden = new XmlNode("time").set("print-object", "no");
    said.children().forEach(hidden::add);
    return hidden;
  }

  private void line() {
    XmlNode root = new XmlNode("score-partwise").set("version", "4.0");
    page.children("part-list").forEach(root::add);
    XmlNode part = new XmlNode("part").set("id", page.children("part").get(0).attribute("id"));
    bars.forEach(part::add);
    lines.add(Xml.write(root.add(part)));
    bars = new ArrayList<>();
    open = 0;
  }
}
