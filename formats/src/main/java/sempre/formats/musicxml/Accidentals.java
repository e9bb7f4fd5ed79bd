package sempre.formats.musicxml;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Letter;
import sempre.formats.xml.XmlNode;

/** Which accidentals are written where notes were moved: those that are not in force already. */
public final class Accidentals {
  /** What stands before an accidental, by the schema. */
  private static final List<String> BEFORE =
      List.of("pitch", "chord", "grace", "duration", "tie", "voice", "type", "dot");

  private final Map<String, Integer> inBar = new HashMap<>();
  private KeySignature key = KeySignature.NATURAL;

  /** Something in a bar that counts from then on, in the divisions of the file. */
  private record Event(double at, Runnable what) {}

  /** The key signature in which the bars stand that follow. */
  public void key(KeySignature now) {
    key = now;
  }

  /** The key signature of a bar that is left as it is. */
  void keyOf(XmlNode measure) {
    measure.children("attributes").forEach(this::key);
  }

  private void key(XmlNode attributes) {
    attributes
        .child("key")
        .filter(k -> k.has("fifths"))
        .ifPresent(
            k -> key = KeySignature.NATURAL.plus(MusicXmlReader.integer(k.textOf("fifths"), 0)));
  }

  /**
   * Writes the accidentals of a bar, in place of those it had: in the order in which its notes
   * sound, whichever of several voices stands first in the file, on each staff for itself.
   */
  public void bar(XmlNode measure) {
    inBar.clear();
    List<Event> events = new ArrayList<>();
    double cursor = 0;
    double chordStart = 0;
    for (XmlNode e : measure.children()) {
      switch (e.name()) {
        case "attributes" -> events.add(new Event(cursor, () -> key(e)));
        case "backup" -> cursor -= lasts(e);
        case "forward" -> cursor += lasts(e);
        case "note" -> {
          double start = e.has("chord") ? chordStart : cursor;
          e.child("pitch").ifPresent(p -> events.add(new Event(start, () -> write(e, p))));
          if (!e.has("chord")) {
            chordStart = cursor;
            cursor += e.has("grace") ? 0 : lasts(e);
          }
        }
        default -> {
          // nothing else takes time or has a pitch
        }
      }
    }
    events.sort(Comparator.comparingDouble(Event::at));
    events.forEach(e -> e.what().run());
  }

  private static double lasts(XmlNode e) {
    return MusicXmlReader.decimal(e.textOf("duration")).orElse(0);
  }

  /** A pitch may lie beyond what a file can say: it was moved there. */
  private void write(XmlNode note, XmlNode pitch) {
    List<XmlNode> children = note.children();
    children.removeIf(c -> c.is("accidental"));
    boolean tied = note.children("tie").stream().anyMatch(t -> t.attribute("type").equals("stop"));
    if (tied) {
      // it holds for the note it is tied to, and for none after it
      return;
    }
    String place = note.textOf("staff") + "/" + pitch.textOf("step") + pitch.textOf("octave");
    int alter = (int) Math.rint(XmlPitch.alter(pitch));
    int inForce = inBar.getOrDefault(place, key.alterOf(Letter.valueOf(pitch.textOf("step"))));
    inBar.put(place, alter);
    if (inForce == alter) {
      return;
    }
    String word =
        switch (alter) {
          case -2 -> "flat-flat";
          case -1 -> "flat";
          case 1 -> "sharp";
          case 2 -> "double-sharp";
          default -> "natural";
        };
    int at = 0;
    for (int i = 0; i < children.size(); i++) {
      at = BEFORE.contains(children.get(i).name()) ? i + 1 : at;
    }
    List<XmlNode> rest = new ArrayList<>(children.subList(at, children.size()));
    children.subList(at, children.size()).clear();
    children.add(XmlNode.of("accidental", word));
    children.addAll(rest);
  }
}
