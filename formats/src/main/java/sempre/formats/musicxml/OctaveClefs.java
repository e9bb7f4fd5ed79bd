package sempre.formats.musicxml;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import sempre.core.pitch.Transposition;
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
    boolean first = true;
    for (XmlNode a : part.descendants("attributes")) {
      if (first || a.has("transpose")) {
        Transposition said =
            a.child("transpose").map(MusicXmlReader::transposition).orElse(Transposition.CONCERT);
        Transposes.put(
            a, new Transposition(said.letters() + 7 * octave, said.semitones() + 12 * octave));
      }
      first = false;
    }
  }

  private static String read(XmlNode pitch, int octave) {
    String sounds = pitch.textOf("octave");
    return sounds.matches("\\d") ? String.valueOf(Integer.parseInt(sounds) - octave) : "";
  }
}
