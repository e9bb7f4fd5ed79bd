package sempre.formats.musicxml;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import sempre.formats.xml.XmlNode;

/** Which slurs are open, from note to note. */
final class Slurs {
  private final Set<String> open = new HashSet<>();

  /** Whether the notes that begin together are slurred to what follows. */
  boolean goOn(List<XmlNode> together) {
    Set<String> starting = new HashSet<>();
    for (XmlNode note : together) {
      for (XmlNode s : note.descendants("slur")) {
        String number = s.attribute("number").isEmpty() ? "1" : s.attribute("number");
        if (s.attribute("type").equals("stop")) {
          open.remove(number);
        } else if (s.attribute("type").equals("start")) {
          starting.add(number);
        }
      }
    }
    open.addAll(starting);
    return !open.isEmpty();
  }
}
