package sempre.formats.musicxml;

import java.util.HashSet;
import java.util.Set;
import java.util.stream.Stream;
import sempre.core.drums.DrumPart;
import sempre.core.drums.Hand;
import sempre.core.pitch.Letter;
import sempre.core.pitch.Pitch;
import sempre.core.score.Part;
import sempre.formats.xml.XmlNode;

/** What a page says of strokes without pitch. */
final class DrumStrokes {
  /** The middle of a staff, where a stroke stands of which no place is said. */
  private static final Pitch MIDDLE = Pitch.parse("B4");

  private DrumStrokes() {}

  static DrumPart of(Part part, XmlNode node) {
    Set<String> together = new HashSet<>();
    Set<String> rolls = new HashSet<>();
    for (XmlNode measure : node.children("measure")) {
      String first = "";
      for (XmlNode n : measure.children("note")) {
        if (!n.has("unpitched")) {
          continue;
        }
        if (!n.has("chord")) {
          first = n.attribute("id");
        } else {
          together.add(first);
        }
        if (!n.descendants("tremolo").isEmpty()) {
          rolls.add(n.attribute("id"));
        }
      }
    }
    return new DrumPart(part, together, rolls);
  }

  /** The place on the staff as a note of the treble clef would stand there. */
  static Pitch place(XmlNode unpitched) {
    String step = unpitched.textOf("display-step").strip();
    if (!step.matches("[A-G]")) {
      return MIDDLE;
    }
    int octave = MusicXmlReader.integer(unpitched.textOf("display-octave"), 4);
    return new Pitch(Letter.valueOf(step), 0, Math.max(0, Math.min(octave, 9)));
  }

  /** The hand that stands at a stroke, as a fingering, a mark or a word below; else empty. */
  static String stick(XmlNode note) {
    return Stream.of("fingering", "other-technical", "text")
        .flatMap(name -> note.descendants(name).stream())
        .map(n -> Hand.named(n.text()))
        .flatMap(h -> h.stream())
        .map(Hand::name)
        .findFirst()
        .orElse("");
  }
}
