package sempre.formats.musicxml;

import java.util.TreeMap;
import java.util.regex.Pattern;
import sempre.core.score.Manner;
import sempre.formats.xml.XmlNode;

/**
 * How the notes of a line are played beside pitch and length: the {@code stopped}, {@code
 * glissando} and {@code slide} elements of MusicXML 4.0, and the words over the music that put a
 * mute in or take it out, stop the bell or open it (common practice, no source).
 */
final class Manners {
  private static final double NEAR = 1e-6;

  private static final Pattern OUT =
      Pattern.compile(
          "\\b(senza sord|mutes? (out|off)|no mute|without mute|unmuted|open|ohne d(ä|ae)mpfer|offen"
              + "|sans sourdine|ouvert|sin sordina|naturale)",
          Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

  private static final Pattern MUTE =
      Pattern.compile(
          "\\b(con sord|muted|with mute|(straight|cup|harmon|bucket|plunger) mute|mute\\b|mit d(ä|ae)mpfer"
              + "|ged(ä|ae)mpft|avec sourdine|sourdine|con sordina)",
          Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

  private static final Pattern STOP =
      Pattern.compile(
          "\\b(stopped|gestopft|bouch(é|e)|chiuso|tapado)",
          Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

  private final TreeMap<Double, Manner.Sound> from = new TreeMap<>();

  /** Takes in a word over the music. */
  void say(double onset, String words) {
    if (OUT.matcher(words).find()) {
      from.put(onset, Manner.Sound.OPEN);
    } else if (STOP.matcher(words).find()) {
      from.put(onset, Manner.Sound.STOPPED);
    } else if (MUTE.matcher(words).find()) {
      from.put(onset, Manner.Sound.MUTED);
    }
  }

  /** How a note is played that begins here, in quarters from the start. */
  Manner at(double onset, XmlNode note) {
    var said = from.floorEntry(onset + NEAR);
    Manner.Sound sound = said == null ? Manner.Sound.OPEN : said.getValue();
    boolean stopped = !note.descendants("stopped").isEmpty();
    return new Manner(stopped ? Manner.Sound.STOPPED : sound, glides(note));
  }

  /** Whether a glissando or a slide begins at a note. */
  static boolean glides(XmlNode note) {
    return begins(note, "glissando") || begins(note, "slide");
  }

  private static boolean begins(XmlNode note, String element) {
    return note.descendants(element).stream().anyMatch(g -> g.attribute("type").equals("start"));
  }
}
