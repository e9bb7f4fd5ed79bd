package sempre.formats.musicxml;

import java.util.Map;
import sempre.formats.xml.XmlNode;

/** How long a note is by its sign, for files that leave its duration out. */
final class NoteLength {
  /** Quarters by the names of MusicXML 4.0 (note-type-value). */
  private static final Map<String, Double> QUARTERS =
      Map.ofEntries(
          Map.entry("maxima", 32.0),
          Map.entry("long", 16.0),
          Map.entry("breve", 8.0),
          Map.entry("whole", 4.0),
          Map.entry("half", 2.0),
          Map.entry("quarter", 1.0),
          Map.entry("eighth", 0.5),
          Map.entry("16th", 0.25),
          Map.entry("32nd", 0.125),
          Map.entry("64th", 0.0625),
          Map.entry("128th", 0.03125));

  private NoteLength() {}

  /** In quarters, with dots and in its tuplet; 0 where the sign is not known. */
  static double quarters(XmlNode note) {
    double length = QUARTERS.getOrDefault(note.textOf("type"), 0.0);
    double dot = length / 2;
    for (int i = 0; i < note.children("dot").size(); i++) {
      length += dot;
      dot /= 2;
    }
    double in = note.child("time-modification").map(t -> part(t, "normal-notes")).orElse(1.0);
    double of = note.child("time-modification").map(t -> part(t, "actual-notes")).orElse(1.0);
    return length * in / of;
  }

  private static double part(XmlNode tuplet, String name) {
    return Math.max(1, MusicXmlReader.integer(tuplet.textOf(name), 1));
  }
}
