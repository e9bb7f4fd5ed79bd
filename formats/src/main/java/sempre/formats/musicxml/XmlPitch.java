package sempre.formats.musicxml;

import sempre.core.Refusal;
import sempre.core.pitch.Letter;
import sempre.core.pitch.Pitch;
import sempre.formats.xml.XmlNode;

/** The {@code <pitch>} element, there and back. */
public final class XmlPitch {
  private XmlPitch() {}

  /**
   * Reads an element; what lies between the half steps is the nearest one.
   *
   * @throws Refusal where it is no pitch
   */
  public static Pitch read(XmlNode pitch) {
    String step = pitch.textOf("step");
    if (!step.matches("[A-G]")) {
      throw new Refusal("file.step", "typed", step);
    }
    String octave = pitch.textOf("octave");
    if (!octave.matches("\\d")) {
      throw new Refusal("file.octave", "typed", octave);
    }
    return new Pitch(Letter.valueOf(step), (int) Math.rint(alter(pitch)), Integer.parseInt(octave));
  }

  /** How far it is altered, in half steps; it may lie between them. */
  static double alter(XmlNode pitch) {
    return PartReader.number(pitch.textOf("alter"));
  }

  public static XmlNode write(Pitch p) {
    XmlNode pitch = new XmlNode("pitch").add(XmlNode.of("step", p.letter()));
    if (p.alter() != 0) {
      pitch.add(XmlNode.of("alter", p.alter()));
    }
    return pitch.add(XmlNode.of("octave", p.octave()));
  }
}
