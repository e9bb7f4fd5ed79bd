package sempre.formats.musicxml;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.score.Ornament;
import sempre.formats.xml.XmlNode;

/**
 * Reads what is played around a note: the {@code ornaments} element of MusicXML 4.0, and the breath
 * marks and caesuras of {@code articulations}.
 */
final class Ornaments {
  private static final Map<String, Ornament.Kind> SIGNS = new LinkedHashMap<>();

  static {
    SIGNS.put("trill-mark", Ornament.Kind.TRILL);
    SIGNS.put("shake", Ornament.Kind.TRILL);
    // in MusicXML the mordent has the vertical line and goes down; the inverted one goes up
    SIGNS.put("mordent", Ornament.Kind.MORDENT);
    SIGNS.put("inverted-mordent", Ornament.Kind.UPPER_MORDENT);
    SIGNS.put("turn", Ornament.Kind.TURN);
    SIGNS.put("delayed-turn", Ornament.Kind.TURN);
    SIGNS.put("vertical-turn", Ornament.Kind.TURN);
    SIGNS.put("inverted-turn", Ornament.Kind.INVERTED_TURN);
    SIGNS.put("delayed-inverted-turn", Ornament.Kind.INVERTED_TURN);
    SIGNS.put("inverted-vertical-turn", Ornament.Kind.INVERTED_TURN);
  }

  private static final Map<String, Integer> ALTERS =
      Map.of(
          "flat-flat",
          -2,
          "double-flat",
          -2,
          "flat",
          -1,
          "natural",
          0,
          "sharp",
          1,
          "double-sharp",
          2,
          "sharp-sharp",
          2);

  private Ornaments() {}

  static Ornament of(XmlNode note, Pitch pitch, KeySignature key) {
    for (XmlNode all : note.descendants("ornaments")) {
      for (XmlNode sign : all.children()) {
        Ornament.Kind kind = SIGNS.get(sign.name());
        if (kind != null) {
          boolean down = kind == Ornament.Kind.MORDENT;
          return Ornament.of(
              kind, pitch, key, accidental(all, true, down), accidental(all, false, down));
        }
        if (sign.is("tremolo") && sign.attribute("type").equals("start")) {
          return Ornament.of(Ornament.Kind.TREMOLO, pitch, key, Optional.empty(), Optional.empty());
        }
      }
    }
    return Ornament.NONE;
  }

  /**
   * The accidental over or under the sign.
   *
   * @param down whether one without a place belongs under it
   */
  private static Optional<Integer> accidental(XmlNode ornaments, boolean above, boolean down) {
    return ornaments.children("accidental-mark").stream()
        .filter(
            m ->
                m.attribute("placement").isEmpty()
                    ? above != down
                    : above == m.attribute("placement").equals("above"))
        .map(m -> ALTERS.get(m.text()))
        .filter(java.util.Objects::nonNull)
        .findFirst();
  }

  /** Whether one breathes, or stops, after this note. */
  static boolean breath(XmlNode note) {
    return !note.descendants("breath-mark").isEmpty() || !note.descendants("caesura").isEmpty();
  }
}
