package sempre.formats.musicxml;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.formats.xml.XmlNode;

/** Which accidentals are written where notes were moved: those that are not in force already. */
public final class Accidentals {
  /** What stands before an accidental, by the schema. */
  private static final List<String> BEFORE =
      List.of("pitch", "chord", "grace", "duration", "tie", "voice", "type", "dot");

  private final Map<String, Integer> inBar = new HashMap<>();
  private KeySignature key = KeySignature.NATURAL;

  public void key(KeySignature now) {
    key = now;
  }

  public void newBar() {
    inBar.clear();
  }

  /** Writes the accidental that a note needs, if any, in place of the one it had. */
  public void write(XmlNode note, Pitch pitch) {
    List<XmlNode> children = note.children();
    children.removeIf(c -> c.is("accidental"));
    String place = pitch.letter() + String.valueOf(pitch.octave());
    int inForce = inBar.getOrDefault(place, key.alterOf(pitch.letter()));
    inBar.put(place, pitch.alter());
    boolean tied = note.children("tie").stream().anyMatch(t -> t.attribute("type").equals("stop"));
    if (inForce == pitch.alter() || tied) {
      return;
    }
    String word =
        switch (pitch.alter()) {
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
