package sempre.formats.musicxml;

import java.util.List;
import java.util.Set;
import sempre.core.pitch.Transposition;
import sempre.formats.xml.XmlNode;

/** Writes {@code <transpose>} where MusicXML 4.0 has it. */
public final class Transposes {
  /** What stands behind it in {@code <attributes>}. */
  private static final Set<String> BEHIND = Set.of("for-part", "directive", "measure-style");

  private Transposes() {}

  /** Says a transposition in attributes, in place of what they said. */
  public static void put(XmlNode attributes, Transposition t) {
    List<XmlNode> children = attributes.children();
    children.removeIf(c -> c.is("transpose"));
    int at = 0;
    while (at < children.size() && !BEHIND.contains(children.get(at).name())) {
      at++;
    }
    children.add(at, element(t));
  }

  private static XmlNode element(Transposition t) {
    int octaves = t.semitones() / 12;
    XmlNode transpose =
        new XmlNode("transpose")
            .add(XmlNode.of("diatonic", t.letters() - 7 * octaves))
            .add(XmlNode.of("chromatic", t.semitones() - 12 * octaves));
    return octaves == 0 ? transpose : transpose.add(XmlNode.of("octave-change", octaves));
  }
}
