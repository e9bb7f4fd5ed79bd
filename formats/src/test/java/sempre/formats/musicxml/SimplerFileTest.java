package sempre.formats.musicxml;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static sempre.formats.musicxml.Xmls.bytes;
import static sempre.formats.musicxml.Xmls.notations;
import static sempre.formats.musicxml.Xmls.note;
import static sempre.formats.musicxml.Xmls.part;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;
import sempre.core.pitch.Transposition;
import sempre.core.score.Note;
import sempre.formats.xml.Xml;
import sempre.formats.xml.XmlNode;

public class SimplerFileTest {
  private static final Optional<Transposition> REST = Optional.empty();
  private static final Optional<Transposition> OCTAVE_DOWN =
      Optional.of(new Transposition(-7, -12));

  private static MusicXmlFile file(String... bars) {
    return MusicXmlFile.of(bytes(part("Flute", bars)));
  }

  private static List<Note> notes(MusicXmlFile f) {
    return MusicXmlReader.read(f).parts().get(0).topLine().orElseThrow().notes();
  }

  @Test
  public void aSlurIsPartedAtANoteThatIsLeftOut() {
    MusicXmlFile f =
        file(
            note("G", 0, 4, notations("<slur type='start' number='1'/>"))
                + note("A", 0, 4)
                + note("B", 0, 4, notations("<slur type='stop' number='1'/>"))
                + note("C", 0, 5));
    assertEquals(
        slurs(SimplerFile.of(f, "P1", Map.of("p1b1n1", REST))), List.of(true, false, false));
    assertEquals(
        slurs(SimplerFile.of(f, "P1", Map.of("p1b1n3", REST))), List.of(true, false, false));
    assertEquals(
        slurs(SimplerFile.of(f, "P1", Map.of("p1b1n2", REST))), List.of(false, false, false));
    assertEquals(
        slurs(SimplerFile.of(f, "P1", Map.of("p1b1n1", REST, "p1b1n2", REST))),
        List.of(false, false),
        "of a slur with one note left nothing is left");
    assertEquals(slurs(f), List.of(true, true, false, false), "the file itself stays as it was");
  }

  private static List<Boolean> slurs(MusicXmlFile f) {
    return notes(f).stream().map(Note::slurToNext).toList();
  }

  @Test
  public void aBeamIsPartedWhereANoteIsLeftOut() {
    String[] beams = {"begin", "continue", "continue", "end"};
    StringBuilder bar = new StringBuilder();
    for (String b : beams) {
      bar.append(note(1, "G", 0, 4, "<voice>1</voice><beam number='1'>" + b + "</beam>"));
    }
    MusicXmlFile f = SimplerFile.of(file(bar.toString()), "P1", Map.of("p1b1n2", REST));
    assertEquals(
        f.root().descendants("note").stream().map(n -> n.textOf("beam")).toList(),
        List.of("", "", "begin", "end"));
  }

  @Test
  public void aMovedNoteHasTheAccidentalItNeedsAndTheNextNoteTheOneItNeedsThen() {
    String sharp = "<accidental>sharp</accidental>";
    MusicXmlFile f =
        SimplerFile.of(
            file(note("F", 1, 5, sharp) + note("F", 1, 5) + note("F", 0, 4)),
            "P1",
            Map.of("p1b1n1", OCTAVE_DOWN));
    assertEquals(
        f.root().descendants("note").stream().map(n -> n.textOf("accidental")).toList(),
        List.of("sharp", "sharp", "natural"));
  }

  @Test
  public void aTiedNoteMovesAsAWhole() {
    MusicXmlFile f =
        SimplerFile.of(
            file(
                note("G", 0, 5, "<tie type='start'/>"),
                note("G", 0, 5, "<tie type='stop'/>") + note("A", 0, 4)),
            "P1",
            Map.of("p1b1n1", OCTAVE_DOWN, "p1b2n1", OCTAVE_DOWN));
    assertEquals(notes(f).get(0).pitch().toString(), "G4");
    assertEquals(notes(f).get(0).quarters(), 2.0);
  }

  @Test
  public void onTwoStavesEveryNoteOfTheLowerIsKnownByItsMark() {
    MusicXmlFile f = file(note("G", 0, 5) + note("A", 0, 4));
    MusicXmlFile changed = SimplerFile.of(f, "P1", Map.of("p1b1n1", OCTAVE_DOWN));
    XmlNode both =
        Xml.read(
            PlayerPage.both(
                f,
                changed,
                "P1",
                Transposition.CONCERT,
                "treble",
                java.util.List.of("Written", "Simpler")));
    assertEquals(
        both.descendants("note").stream().map(n -> n.attribute("id")).toList(),
        List.of("p1b1n1", "p1b1n2", "s-p1b1n1", "s-p1b1n2"));
    assertEquals(
        both.descendants("octave").stream().map(XmlNode::text).toList(),
        List.of("5", "4", "4", "4"));
    assertTrue(new String(Xml.write(both), StandardCharsets.UTF_8).contains("<part-name>Simpler"));
  }

  @Test
  public void chordSignsAreReadAsTheySound() {
    String sign = "<harmony><root><root-step>G</root-step></root><kind>dominant</kind></harmony>";
    String transpose =
        "<attributes><transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose></attributes>";
    String none = "<harmony><kind>none</kind></harmony>";
    var score =
        MusicXmlReader.read(
            bytes(part("Trumpet", transpose + sign + note("G", 0, 4) + none + note("A", 0, 4))));
    assertEquals(score.chords().get(0).classes(), Set.of(5, 9, 0, 3), "F7 sounds");
    assertEquals(score.chords().get(1).onset(), 1.0);
    assertFalse(score.chords().get(1).classes().contains(7));
    assertTrue(score.chords().get(1).classes().isEmpty());
  }
}
