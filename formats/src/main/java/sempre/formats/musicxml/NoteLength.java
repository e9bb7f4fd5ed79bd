package sempre.formats.musicxml;

import java.util.Map;
import java.util.Optional;
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

  /** A sign by its name, in quarters. */
  static Optional<Double> of(String name) {
    return Optional.ofNullable(QUARTERS.get(name));
  }

  /** A length with so many dots. */
  static double dotted(double length, int dots) {
    return length * (2 - Math.pow(0.5, dots));
  }

  /** In quarters, with dots and in its tuplet; 0 where the sign is not known. */
  static double quarters(XmlNode note) {
    double length = dotted(of(note.textOf("type")).orElse(0.0), note.children("dot").size());
    double in = note.child("time-modification").map(t -> part(t, "normal-notes")).orElse(1.0);
    double of = note.child("time-modification").map(t -> part(t, "actual-notes")).orElse(1.0);
    return length * in / of;
  }

  private static double part(XmlNode tuplet, String name) {
    return Math.max(1, MusicXmlReader.integer(tuplet.textOf(name), 1));
  }
}
