package sempre.formats.musicxml;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static sempre.formats.musicxml.Xmls.bytes;
import static sempre.formats.musicxml.Xmls.notations;
import static sempre.formats.musicxml.Xmls.note;
import static sempre.formats.musicxml.Xmls.part;

import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javax.xml.XMLConstants;
import javax.xml.transform.stream.StreamSource;
import javax.xml.validation.SchemaFactory;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.util.Marshalling;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Transposition;
import sempre.core.score.Bars;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.formats.Said;
import sempre.formats.xml.Xml;
import sempre.formats.xml.XmlNode;

public class PlayerPageTest {
  private static final Transposition TO_ALTO = new Transposition(5, 9);

  private static final String CONCERT =
      part(
          "Flute",
          "<attributes><key><fifths>-2</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time>"
              + "<clef><sign>G</sign><line>2</line></clef></attributes>"
              + note("B", -1, 4, "<type>quarter</type>")
              + note("B", 0, 4, "<type>quarter</type>", "<accidental>natural</accidental>")
              + note(
                  "C",
                  0,
                  5,
                  "<type>quarter</type>",
                  notations("<technical><fingering>1</fingering></technical>"))
              + note("B", -1, 4, "<type>quarter</type>", "<accidental>flat</accidental>"));

  private static String page(Transposition move) {
    return new String(
        PlayerPage.of(MusicXmlFile.of(bytes(CONCERT)), "P1", move, "treble"),
        StandardCharsets.UTF_8);
  }

  /** A breath of ours stands at its note, whatever else does; the file itself stays as it is. */
  @Test
  public void breathMarksAreSetOnThePageAndNotInTheFile() {
    MusicXmlFile file =
        MusicXmlFile.of(
            bytes(
                part(
                    "Flute",
                    note("C", 0, 5, "<type>quarter</type>", notations("<fermata/>"))
                        + note("D", 0, 5, "<type>quarter</type>")
                        + note("E", 0, 5, "<type>quarter</type>"))));
    List<String> ids =
        file.root().descendants("note").stream().map(n -> n.attribute("id")).toList();
    byte[] before = PlayerPage.of(file, "P1", Transposition.CONCERT, "treble");
    byte[] page =
        PlayerPage.of(file, "P1", Transposition.CONCERT, "treble", Set.of(ids.get(0), ids.get(1)));
    List<Boolean> marked =
        Xml.read(page).descendants("note").stream()
            .map(
                n ->
                    n.descendants("breath-mark").size() == 1 && n.children("notations").size() == 1)
            .toList();
    assertEquals(marked, List.of(true, true, false));
    assertTrue(Xml.read(page).descendants("note").get(0).descendants("fermata").size() == 1);
    assertEquals(PlayerPage.of(file, "P1", Transposition.CONCERT, "treble"), before);
  }

  /** Stretches have clef and key at their beginning, and a bar in common is in both. */
  @Test
  public void stretchesOfAPageStandByThemselves() {
    String whole = "<type>whole</type>";
    String file =
        part(
            "Flute",
            "<attributes><key><fifths>-2</fifths></key><time><beats>4</beats><beat-type>4"
                + "</beat-type></time><clef><sign>G</sign><line>2</line></clef></attributes>"
                + note("B", -1, 4, whole),
            note("C", 0, 5, whole),
            note("D", 0, 5, whole),
            "<attributes><key><fifths>1</fifths></key></attributes>" + note("F", 1, 5, whole),
            note("G", 0, 5, whole));
    List<XmlNode> pages =
        PlayerPage.stretches(
                MusicXmlFile.of(bytes(file)),
                "P1",
                Transposition.CONCERT,
                "treble",
                Set.of(),
                List.of(new Bars(0, 1), new Bars(1, 2), new Bars(4, 9)))
            .stream()
            .map(Xml::read)
            .toList();
    assertEquals(
        pages.stream()
            .map(p -> p.descendants("measure").stream().map(m -> m.attribute("number")).toList())
            .toList(),
        List.of(List.of("1", "2"), List.of("2", "3"), List.of("5")));
    assertEquals(
        pages.stream().map(p -> p.descendants("fifths").get(0).text()).toList(),
        List.of("-2", "-2", "1"),
        "the key in force");
    for (XmlNode p : pages) {
      assertEquals(p.descendants("clef").size(), 1);
    }
    assertEquals(pages.get(1).descendants("time").get(0).attribute("print-object"), "no");
  }

  /** Concert B flat over D is G over B for the alto; who wrote it stays on the page. */
  @Test
  public void chordSignsGoAlongAndTheComposerStays() {
    String file =
        part(
                "Flute",
                "<attributes><key><fifths>-2</fifths></key></attributes><harmony><root><root-step>B"
                    + "</root-step><root-alter>-1</root-alter></root><kind>major</kind><bass>"
                    + "<bass-step>D</bass-step></bass></harmony>"
                    + note("B", -1, 4))
            .replace(
                "<part-list>",
                "<identification><creator type='composer'>M. Quill</creator></identification>"
                    + "<part-list>");
    String moved =
        new String(
            PlayerPage.of(MusicXmlFile.of(bytes(file)), "P1", TO_ALTO, "treble"),
            StandardCharsets.UTF_8);
    assertTrue(moved.contains("<root-step>G</root-step>"), moved);
    assertFalse(moved.contains("root-alter"), moved);
    assertTrue(moved.contains("<bass-step>B</bass-step>"), moved);
    assertTrue(moved.contains("M. Quill"), moved);
  }

  @Test
  public void thePageSoundsTheSameOnAnotherInstrument() {
    Part moved = MusicXmlReader.read(bytes(page(TO_ALTO))).parts().get(0);
    assertEquals(
        moved.topLine().orElseThrow().notes().stream().map(n -> n.pitch().toString()).toList(),
        List.of("G5", "G#5", "A5", "G5"));
    assertEquals(moved.key().fifths(), 1);
  }

  @Test
  public void accidentalsAreSetAnewAndOldFingeringsTakenOut() {
    String xml = page(TO_ALTO);
    assertTrue(xml.contains("<accidental>sharp</accidental>"));
    assertTrue(xml.contains("<accidental>natural</accidental>"));
    assertFalse(xml.contains("<accidental>flat"));
    assertFalse(xml.contains("<fingering>"));
  }

  @Test
  public void idsOfThePageAreThoseOfThePlan() {
    var file = MusicXmlFile.of(bytes(CONCERT));
    List<String> ids =
        MusicXmlReader.read(file).parts().get(0).topLine().orElseThrow().notes().stream()
            .map(Note::id)
            .toList();
    for (String id : ids) {
      assertTrue(page(TO_ALTO).contains("id=\"" + id + "\""), id);
    }
  }

  /** Published: the MusicXML 4.0 schema of the W3C, as the independent reader's jar carries it. */
  @Test
  public void thePageIsValidMusicXml() throws Exception {
    validate(bytes(page(TO_ALTO)));
    validate(bytes(page(Transposition.CONCERT)));
  }

  /** Fails with what the schema says when a document is not valid MusicXML 4.0. */
  static void validate(byte[] xml) throws Exception {
    SchemaFactory factory = SchemaFactory.newInstance(XMLConstants.W3C_XML_SCHEMA_NS_URI);
    factory.setResourceResolver(
        (type, namespace, publicId, systemId, base) -> new LocalSchema(systemId));
    try (InputStream xsd =
        ScorePartwise.class.getResourceAsStream("/META-INF/jaxb/xsd/musicxml.xsd")) {
      factory
          .newSchema(new StreamSource(xsd))
          .newValidator()
          .validate(new StreamSource(new ByteArrayInputStream(xml)));
    }
  }

  /** The independent reader: ProxyMusic finds the same notes in the same file. */
  @Test
  public void anIndependentReaderFindsTheSameNotes() throws Exception {
    byte[] xml = bytes(page(TO_ALTO));
    ScorePartwise score = (ScorePartwise) Marshalling.unmarshal(new ByteArrayInputStream(xml));
    List<String> theirs =
        score.getPart().get(0).getMeasure().stream()
            .flatMap(m -> m.getNoteOrBackupOrForward().stream())
            .filter(org.audiveris.proxymusic.Note.class::isInstance)
            .map(o -> ((org.audiveris.proxymusic.Note) o).getPitch())
            .map(
                p ->
                    p.getStep().value()
                        + (p.getAlter() == null ? "" : p.getAlter().intValue() > 0 ? "#" : "b")
                        + p.getOctave())
            .toList();
    assertEquals(
        theirs,
        MusicXmlReader.read(xml).parts().get(0).topLine().orElseThrow().notes().stream()
            .map(n -> n.pitch().toString())
            .toList());
  }

  @Test
  public void aPlayerGetsTheOwnPartOrAnotherOneTransposedToTheOctaveThatFits() {
    var score = MusicXmlReader.read(bytes(CONCERT));
    Setup alto = Catalogue.standard().setup("alto-sax", Map.of());
    PartChoice.Reading r =
        PartChoice.read(
            PartChoice.best(score, alto.instrument()).orElseThrow(),
            alto,
            PartChoice.Pages.AS_SAID);
    assertEquals(r.move(), TO_ALTO);
    assertTrue(Said.of(r.remark().orElseThrow()).contains("transposed to this page"));
    Setup trombone = Catalogue.standard().setup("trombone", Map.of());
    PartChoice.Reading low =
        PartChoice.read(score.parts().get(0), trombone, PartChoice.Pages.AS_SAID);
    assertEquals(low.move(), new Transposition(-7, -12));
    assertTrue(Said.of(low.remark().orElseThrow()).contains("an octave lower"));
    Setup flute = Catalogue.standard().setup("flute", Map.of());
    assertEquals(
        PartChoice.read(score.parts().get(0), flute, PartChoice.Pages.AS_SAID).move(),
        Transposition.CONCERT);
  }

  /** The two schemas that the MusicXML schema imports, as far as it needs them. */
  private record LocalSchema(String systemId) implements org.w3c.dom.ls.LSInput {
    private static final String XML =
        """
        <xs:schema xmlns:xs='http://www.w3.org/2001/XMLSchema' targetNamespace='http://www.w3.org/XML/1998/namespace'>
          <xs:attribute name='lang' type='xs:language'/>
          <xs:attribute name='space' type='xs:NCName'/>
        </xs:schema>
        """;
    private static final String XLINK =
        """
        <xs:schema xmlns:xs='http://www.w3.org/2001/XMLSchema' targetNamespace='http://www.w3.org/1999/xlink'>
          <xs:attribute name='href' type='xs:anyURI'/>
          <xs:attribute name='type' type='xs:string'/>
          <xs:attribute name='role' type='xs:string'/>
          <xs:attribute name='title' type='xs:string'/>
          <xs:attribute name='show' type='xs:string'/>
          <xs:attribute name='actuate' type='xs:string'/>
        </xs:schema>
        """;

    @Override
    public String getStringData() {
      return systemId.contains("xlink") ? XLINK : XML;
    }

    @Override
    public String getSystemId() {
      return systemId;
    }

    @Override
    public java.io.Reader getCharacterStream() {
      return null;
    }

    @Override
    public void setCharacterStream(java.io.Reader r) {}

    @Override
    public InputStream getByteStream() {
      return null;
    }

    @Override
    public void setByteStream(InputStream i) {}

    @Override
    public void setStringData(String s) {}

    @Override
    public void setSystemId(String s) {}

    @Override
    public String getPublicId() {
      return null;
    }

    @Override
    public void setPublicId(String s) {}

    @Override
    public String getBaseURI() {
      return null;
    }

    @Override
    public void setBaseURI(String s) {}

    @Override
    public String getEncoding() {
      return null;
    }

    @Override
    public void setEncoding(String s) {}

    @Override
    public boolean getCertifiedText() {
      return false;
    }

    @Override
    public void setCertifiedText(boolean b) {}
  }
}
