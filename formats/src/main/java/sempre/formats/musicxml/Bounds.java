package sempre.formats.musicxml;

import java.util.HashSet;
import java.util.Set;
import sempre.core.Limit;
import sempre.formats.xml.XmlNode;

/** How much a file may hold, counted before anything is made of it. */
final class Bounds {
  private Bounds() {}

  /**
   * Counts parts, bars, notes, voices and words.
   *
   * @throws Limit.Exceeded where there are more than are taken
   */
  static void check(XmlNode root) {
    Limit.PARTS.check(root.children("part").size());
    Set<String> words = new HashSet<>();
    for (XmlNode part : root.children("part")) {
      Limit.BARS.check(part.children("measure").size());
      int notes = 0;
      for (XmlNode measure : part.children("measure")) {
        Set<String> voices = new HashSet<>();
        for (XmlNode n : measure.children()) {
          if (n.name().equals("note")) {
            Limit.NOTES.check(++notes);
            voices.add(n.textOf("voice"));
          } else if (n.name().equals("direction")) {
            for (XmlNode type : n.children("direction-type")) {
              type.children("words").forEach(w -> words.add(w.text()));
            }
          }
        }
        Limit.VOICES.check(voices.size());
        Limit.WORDS.check(words.size());
      }
    }
  }
}
