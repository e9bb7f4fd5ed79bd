package sempre.formats.musicxml;

import static org.testng.Assert.assertEquals;
import static sempre.formats.musicxml.Xmls.bytes;
import static sempre.formats.musicxml.Xmls.note;
import static sempre.formats.musicxml.Xmls.part;

import java.util.List;
import org.testng.annotations.Test;
import sempre.core.pitch.Transposition;
import sempre.formats.xml.Xml;
import sempre.formats.xml.XmlNode;

/** What is printed before the notes of a page, by the rules of notation. */
public class AccidentalsTest {
  private static final Transposition TONE_UP = new Transposition(1, 2);

  private static List<String> printed(Transposition move, String... bars) {
    XmlNode root =
        Xml.read(PlayerPage.of(MusicXmlFile.of(bytes(part("Flute", bars))), "P1", move, "treble"));
    return root.descendants("note").stream()
        .filter(n -> n.has("pitch"))
        .map(n -> n.child("pitch").get().textOf("step") + " " + n.textOf("accidental"))
        .toList();
  }

  private static String voice(int number, String note) {
    return note.replace("</duration>", "</duration><voice>" + number + "</voice>");
  }

  @Test
  public void anAccidentalHoldsToTheEndOfItsBarByTimeNotByTheOrderOfTheFile() {
    // the second voice has the F sharp first, though it stands behind the first voice
    String bar =
        "<attributes><key><fifths>0</fifths></key></attributes>"
            + voice(1, note(2, "C", 0, 5))
            + voice(1, note(2, "E", 1, 4))
            + "<backup><duration>4</duration></backup>"
            + voice(2, note(2, "E", 1, 4))
            + voice(2, note(2, "D", 0, 4));
    // a tone up, in two sharps: D, F double sharp; F double sharp, E
    assertEquals(printed(TONE_UP, bar), List.of("D ", "F ", "F double-sharp", "E "));
  }

  @Test
  public void whatATieHoldsHoldsForNoNoteAfterIt() {
    assertEquals(
        printed(
            TONE_UP,
            note("B", -1, 4) + note("E", 0, 4, "<tie type='start'/>"),
            note("E", 0, 4, "<tie type='stop'/>") + note("E", 0, 4) + note("E", 0, 4)),
        List.of("C ", "F sharp", "F ", "F sharp", "F "));
  }

  @Test
  public void eachStaffHasItsOwn() {
    String upper = note("F", 1, 4).replace("</note>", "<staff>1</staff></note>");
    String lower = upper.replace("<staff>1", "<staff>2");
    assertEquals(
        printed(
            Transposition.CONCERT,
            upper + "<backup><duration>2</duration></backup>" + lower + upper),
        List.of("F sharp", "F sharp", "F "));
  }

  @Test
  public void aPageWithoutAnyIsGivenThoseThatItNeeds() {
    assertEquals(
        printed(Transposition.CONCERT, note("F", 2, 5) + note("F", 0, 5) + note("G", 0, 5)),
        List.of("F double-sharp", "F natural", "G "));
  }

  @Test
  public void aStaffThatIsNeverPrintedIsNotOnThePage() {
    String two =
        "<attributes><staves>2</staves><clef number='1'><sign>G</sign></clef><clef number='2'><sign>F</sign></clef>"
            + "<staff-details number='1' print-object='no'/></attributes>"
            + note("C", 0, 4).replace("</note>", "<staff>1</staff></note>")
            + "<backup><duration>2</duration></backup>"
            + note("D", 0, 3).replace("</note>", "<staff>2</staff></note>");
    MusicXmlFile file = MusicXmlFile.of(bytes(part("Flute", two)));
    assertEquals(
        MusicXmlReader.read(file).parts().get(0).lines().stream()
            .map(l -> l.staff() + " " + l.notes().get(0).pitch())
            .toList(),
        List.of("1 D3"));
    assertEquals(file.root().descendants("staves").get(0).text(), "1");
    assertEquals(
        file.root().descendants("clef").stream()
            .map(c -> c.attribute("number") + c.textOf("sign"))
            .toList(),
        List.of("1F"));
  }
}
