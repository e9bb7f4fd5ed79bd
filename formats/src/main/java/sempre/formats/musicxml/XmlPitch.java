package sempre.formats.musicxml;

import sempre.core.pitch.Letter;
import sempre.core.pitch.Pitch;
import sempre.formats.xml.XmlNode;

/** The {@code <pitch>} element, there and back. */
public final class XmlPitch {
  private XmlPitch() {}

  /** Reads an element of a file that was read before, so that its letter is known to be one. */
  static Pitch read(XmlNode pitch) {
    return new Pitch(
        Letter.valueOf(pitch.textOf("step")),
        MusicXmlReader.integer(pitch.textOf("alter"), 0),
        MusicXmlReader.integer(pitch.textOf("octave"), 4));
  }

  public static XmlNode write(Pitch p) {
    XmlNode pitch = new XmlNode("pitch").add(XmlNode.of("step", p.letter()));
    if (p.alter() != 0) {
      pitch.add(XmlNode.of("alter", p.alter()));
    }
    return pitch.add(XmlNode.of("octave", p.octave()));
  }
}
