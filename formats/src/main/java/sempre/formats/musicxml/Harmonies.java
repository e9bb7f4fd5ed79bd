package sempre.formats.musicxml;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Letter;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;
import sempre.core.score.Part;
import sempre.formats.xml.XmlNode;

/** Reads {@code <harmony>}: a chord sign over the music. */
final class Harmonies {
  private static final int OCTAVE = 12;

  /** Semitones above the root, by the names of MusicXML 4.0's {@code kind-value}. */
  private static final Map<String, List<Integer>> KINDS =
      Map.ofEntries(
          Map.entry("major", List.of(0, 4, 7)),
          Map.entry("minor", List.of(0, 3, 7)),
          Map.entry("augmented", List.of(0, 4, 8)),
          Map.entry("diminished", List.of(0, 3, 6)),
          Map.entry("dominant", List.of(0, 4, 7, 10)),
          Map.entry("major-seventh", List.of(0, 4, 7, 11)),
          Map.entry("minor-seventh", List.of(0, 3, 7, 10)),
          Map.entry("diminished-seventh", List.of(0, 3, 6, 9)),
          Map.entry("augmented-seventh", List.of(0, 4, 8, 10)),
          Map.entry("half-diminished", List.of(0, 3, 6, 10)),
          Map.entry("major-minor", List.of(0, 3, 7, 11)),
          Map.entry("major-sixth", List.of(0, 4, 7, 9)),
          Map.entry("minor-sixth", List.of(0, 3, 7, 9)),
          Map.entry("dominant-ninth", List.of(0, 2, 4, 7, 10)),
          Map.entry("major-ninth", List.of(0, 2, 4, 7, 11)),
          Map.entry("minor-ninth", List.of(0, 2, 3, 7, 10)),
          Map.entry("suspended-second", List.of(0, 2, 7)),
          Map.entry("suspended-fourth", List.of(0, 5, 7)),
          Map.entry("power", List.of(0, 7)));

  /** Elements that name a note. */
  private static final Set<String> NAMED = Set.of("root", "bass");

  private static final String STEP = "-step";
  private static final String ALTER = "-alter";

  private Harmonies() {}

  /**
   * A chord sign on a page that is moved: root and bass go along, spelled as the notes are.
   *
   * @param key the signature on the page as it was
   */
  static XmlNode moved(XmlNode harmony, KeySignature key, Transposition move) {
    XmlNode copy = harmony.shell();
    for (XmlNode c : harmony.children()) {
      copy.add(NAMED.contains(c.name()) ? named(c, key, move) : c);
    }
    return copy;
  }

  private static XmlNode named(XmlNode name, KeySignature key, Transposition move) {
    String step = name.textOf(name.name() + STEP);
    if (!step.matches("[A-G]")) {
      return name;
    }
    int alter = MusicXmlReader.integer(name.textOf(name.name() + ALTER), 0);
    Pitch moved =
        Part.moved(new Pitch(Letter.valueOf(step), alter, Pitch.MIDDLE_OCTAVE), key, move);
    XmlNode copy = name.shell().add(XmlNode.of(name.name() + STEP, moved.letter()));
    return moved.alter() == 0 ? copy : copy.add(XmlNode.of(name.name() + ALTER, moved.alter()));
  }

  /**
   * The pitch classes of a chord sign, as they sound; none for "no chord" and for kinds that are
   * not known here.
   *
   * @param transposition semitones from the page to what sounds
   */
  static Set<Integer> classes(XmlNode harmony, int transposition) {
    Set<Integer> classes = new TreeSet<>();
    List<Integer> above = KINDS.get(harmony.textOf("kind"));
    XmlNode root = harmony.child("root").orElse(new XmlNode("root"));
    if (above == null || !root.textOf("root-step").matches("[A-G]")) {
      return classes;
    }
    int base =
        Letter.valueOf(root.textOf("root-step")).semitones()
            + MusicXmlReader.integer(root.textOf("root-alter"), 0)
            + transposition;
    above.forEach(a -> classes.add(Math.floorMod(base + a, OCTAVE)));
    return classes;
  }
}
