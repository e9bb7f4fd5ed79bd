package sempre.formats.musicxml;

import java.util.List;
import java.util.Set;
import sempre.core.drums.Hand;
import sempre.core.pitch.Transposition;
import sempre.formats.xml.Xml;
import sempre.formats.xml.XmlNode;

/** A part without pitches as MusicXML for engraving; hands are left out, they are set anew. */
public final class DrumPage {
  private static final Set<String> MARKS = Set.of("fingering", "other-technical");

  private DrumPage() {}

  /** The page of one part, with the ids of its strokes. */
  public static byte[] of(MusicXmlFile file, String partId) {
    return Xml.write(without(PlayerPage.root(file, partId, Transposition.CONCERT, "treble")));
  }

  private static XmlNode without(XmlNode node) {
    if (node.children().isEmpty()) {
      return node;
    }
    XmlNode copy = node.shell();
    for (XmlNode c : node.children()) {
      boolean hand =
          MARKS.contains(c.name()) && named(c.text()) || c.is("lyric") && named(c.textOf("text"));
      List<XmlNode> inside = c.children();
      boolean only =
          (c.is("technical") || c.is("notations"))
              && !inside.isEmpty()
              && without(c).children().isEmpty();
      if (!hand && !only) {
        copy.add(without(c));
      }
    }
    return copy;
  }

  private static boolean named(String text) {
    return Hand.named(text).isPresent();
  }
}
