package sempre.formats.abc;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import sempre.formats.xml.XmlNode;

/**
 * What stands at a note by a name between exclamation marks, or a letter (ABC 2.1, section 4.14).
 */
final class Decorations {
  /** Letters that stand for a name. */
  static final Map<Character, String> LETTERS =
      Map.ofEntries(
          Map.entry('.', "staccato"),
          Map.entry('~', "roll"),
          Map.entry('H', "fermata"),
          Map.entry('L', "accent"),
          Map.entry('M', "lowermordent"),
          Map.entry('O', "coda"),
          Map.entry('P', "uppermordent"),
          Map.entry('S', "segno"),
          Map.entry('T', "trill"),
          Map.entry('u', "upbow"),
          Map.entry('v', "downbow"));

  private record Element(String group, String name) {}

  private static final Map<String, Element> AT_NOTES =
      Map.ofEntries(
          Map.entry("staccato", new Element("articulations", "staccato")),
          Map.entry("accent", new Element("articulations", "accent")),
          Map.entry(">", new Element("articulations", "accent")),
          Map.entry("emphasis", new Element("articulations", "accent")),
          Map.entry("tenuto", new Element("articulations", "tenuto")),
          Map.entry("wedge", new Element("articulations", "staccatissimo")),
          Map.entry("breath", new Element("articulations", "breath-mark")),
          Map.entry("trill", new Element("ornaments", "trill-mark")),
          Map.entry("roll", new Element("ornaments", "turn")),
          Map.entry("turn", new Element("ornaments", "turn")),
          Map.entry("invertedturn", new Element("ornaments", "inverted-turn")),
          Map.entry("lowermordent", new Element("ornaments", "mordent")),
          Map.entry("mordent", new Element("ornaments", "mordent")),
          Map.entry("uppermordent", new Element("ornaments", "inverted-mordent")),
          Map.entry("pralltriller", new Element("ornaments", "inverted-mordent")),
          Map.entry("upbow", new Element("technical", "up-bow")),
          Map.entry("downbow", new Element("technical", "down-bow")),
          Map.entry("open", new Element("technical", "open-string")),
          Map.entry("+", new Element("technical", "stopped")),
          Map.entry("plus", new Element("technical", "stopped")));

  private static final List<String> GROUPS = List.of("ornaments", "technical", "articulations");

  private static final List<String> DYNAMICS =
      List.of("pppp", "ppp", "pp", "p", "mp", "mf", "f", "ff", "fff", "ffff", "sfz");

  /** What is written over a bar, in the words of the language of music. */
  private static final Map<String, String> WORDS =
      Map.ofEntries(
          Map.entry("D.C.", "D.C."),
          Map.entry("D.S.", "D.S."),
          Map.entry("dacapo", "D.C."),
          Map.entry("dacoda", "To Coda"),
          Map.entry("fine", "Fine"),
          Map.entry("D.C.alfine", "D.C. al Fine"),
          Map.entry("D.C.alcoda", "D.C. al Coda"),
          Map.entry("D.S.alfine", "D.S. al Fine"),
          Map.entry("D.S.alcoda", "D.S. al Coda"));

  private Decorations() {}

  /** How what stands at a note in a music file is typed; empty where ABC has no sign for it. */
  static Optional<String> sign(String element) {
    if (element.equals("fermata")) {
      return Optional.of("!fermata!");
    }
    // of several names the first by the alphabet, so that it is always the same
    return AT_NOTES.entrySet().stream()
        .filter(e -> e.getValue().name().equals(element))
        .map(Map.Entry::getKey)
        .filter(name -> name.matches("[a-z]+"))
        .min(Comparator.naturalOrder())
        .map(name -> "!" + name + "!");
  }

  /** Writes those that stand at notes. */
  static void put(List<String> signs, XmlNode notations) {
    for (String group : GROUPS) {
      XmlNode all = new XmlNode(group);
      for (String s : signs) {
        Element e = AT_NOTES.get(s);
        if (e != null && e.group().equals(group)) {
          all.add(new XmlNode(e.name()));
        }
        if (group.equals("technical") && s.matches("[0-5]")) {
          all.add(XmlNode.of("fingering", s));
        }
      }
      if (!all.children().isEmpty()) {
        notations.add(all);
      }
    }
    if (signs.contains("fermata") || signs.contains("invertedfermata")) {
      notations.add(new XmlNode("fermata"));
    }
  }

  /** What a sign says over or under the staff, where it is one that stands there. */
  static Optional<XmlNode> direction(String sign) {
    if (DYNAMICS.contains(sign)) {
      return Optional.of(of("below", new XmlNode("dynamics").add(new XmlNode(sign))));
    }
    if (WORDS.containsKey(sign)) {
      return Optional.of(of("above", XmlNode.of("words", WORDS.get(sign))));
    }
    return switch (sign) {
      case "segno", "coda" -> Optional.of(of("above", new XmlNode(sign)));
      case "crescendo(", "<(" -> Optional.of(wedge("crescendo"));
      case "diminuendo(", ">(" -> Optional.of(wedge("diminuendo"));
      case "crescendo)", "<)", "diminuendo)", ">)" -> Optional.of(wedge("stop"));
      default -> Optional.empty();
    };
  }

  /** Whether a sign is known. */
  static boolean known(String sign) {
    return AT_NOTES.containsKey(sign)
        || direction(sign).isPresent()
        || sign.matches("[0-5]|(inverted)?fermata");
  }

  private static XmlNode wedge(String type) {
    return of("below", new XmlNode("wedge").set("type", type));
  }

  static XmlNode of(String placement, XmlNode what) {
    return new XmlNode("direction")
        .set("placement", placement)
        .add(new XmlNode("direction-type").add(what));
  }
}
