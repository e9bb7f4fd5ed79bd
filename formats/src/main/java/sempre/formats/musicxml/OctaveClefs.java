package sempre.formats.musicxml;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import sempre.formats.xml.XmlNode;

/**
 * A part under a clef with an 8 has its pitches as they sound ({@code clef-octave-change}, MusicXML
 * 4.0), while its player reads what stands on the staff. It is put as others are: pitches as they
 * are read, and the octave in the transposition.
 */
final class OctaveClefs {
  private static final String CHANGE = "clef-octave-change";

  private OctaveClefs() {}

  /** Puts a part so, where all of its clefs say the same octave; others stay as they are. */
  static void plain(XmlNode part) {
    List<XmlNode> clefs = part.descendants("clef");
    Set<Integer> octaves =
        clefs.stream()
            .map(c -> MusicXmlReader.integer(c.textOf(CHANGE), 0))
            .collect(Collectors.toSet());
    if (octaves.size() != 1 || octaves.contains(0)) {
      return;
    }
    int octave = octaves.iterator().next();
    List<XmlNode> pitches = part.descendants("pitch");
    if (pitches.stream().anyMatch(p -> !read(p, octave).matches("\\d"))) {
      // what can't be read is told where it is read
      return;
    }
    clefs.forEach(c -> c.children().removeIf(x -> x.is(CHANGE)));
    pitches.forEach(p -> p.child("octave").ifPresent(o -> o.text(read(p, octave))));
    List<XmlNode> said = part.descendants("transpose");
    if (said.isEmpty()) {
      part.descendants("attributes").stream()
          .findFirst()
          .ifPresent(
              a ->
                  a.add(
                      new XmlNode("transpose")
                          .add(XmlNode.of("chromatic", 0))
                          .add(XmlNode.of("octave-change", octave))));
    }
    for (XmlNode t : said) {
      int more = octave + MusicXmlReader.integer(t.textOf("octave-change"), 0);
      t.children().removeIf(x -> x.is("octave-change"));
      t.add(XmlNode.of("octave-change", more));
    }
  }

  private static String read(XmlNode pitch, int octave) {
    String sounds = pitch.textOf("octave");
    return sounds.matches("\\d") ? String.valueOf(Integer.parseInt(sounds) - octave) : "";
  }
}
