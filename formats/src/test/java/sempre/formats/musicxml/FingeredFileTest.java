package sempre.formats.musicxml;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static sempre.formats.musicxml.Xmls.bytes;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.audiveris.proxymusic.Notations;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.Technical;
import org.audiveris.proxymusic.util.Marshalling;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Keywork;
import sempre.core.pitch.Transposition;
import sempre.core.score.Part;
import sempre.formats.xml.Xml;
import sempre.formats.xml.XmlNode;

public class FingeredFileTest {
  /** Two parts, with much that is none of our business and must not be lost. */
  private static final String SCORE =
      """
      <?xml version="1.0" encoding="UTF-8"?>
      <score-partwise version="4.0">
        <work><work-title>  Two lines </work-title></work>
        <identification><creator type="composer">Nobody</creator></identification>
        <defaults><scaling><millimeters>7</millimeters><tenths>40</tenths></scaling></defaults>
        <credit page="1"><credit-words font-size="20"> Two lines</credit-words></credit>
        <part-list>
          <score-part id="P1"><part-name>Flute</part-name><score-instrument id="I1"><instrument-name>Flute</instrument-name></score-instrument></score-part>
          <score-part id="P2"><part-name>Oboe</part-name></score-part>
        </part-list>
        <part id="P1">
          <measure number="1" width="200">
            <print new-system="yes"/>
            <attributes><divisions>2</divisions><key><fifths>-2</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line></clef></attributes>
            <direction placement="above"><direction-type><words> dolce</words></direction-type></direction>
            <note id="a1" default-x="80"><pitch><step>B</step><alter>-1</alter><octave>4</octave></pitch><duration>2</duration><voice>1</voice><type>quarter</type><stem>down</stem><notations><slur type="start" number="1"/><technical><fingering>9</fingering><up-bow/></technical></notations><lyric><text>la</text></lyric></note>
            <note id="a2"><pitch><step>C</step><octave>5</octave></pitch><duration>2</duration><voice>1</voice><type>quarter</type><notations><slur type="stop" number="1"/></notations></note>
            <note id="a3"><pitch><step>D</step><octave>5</octave></pitch><duration>4</duration><voice>1</voice><type>half</type><beam number="1">begin</beam></note>
          </measure>
        </part>
        <part id="P2">
          <measure number="1"><note id="b1"><rest measure="yes"/><duration>8</duration></note></measure>
        </part>
      </score-partwise>
      """;

  private static final FingeredFile.Reader FLUTE =
      new FingeredFile.Reader("Flute", Transposition.CONCERT);

  private static FingeredFile.Mark mark(String instrument, String fingering) {
    Keywork k = Catalogue.standard().instrument(instrument).keywork();
    return FingeredFile.Mark.of(k.read(fingering), k);
  }

  private static MusicXmlFile file() {
    return MusicXmlFile.of(bytes(SCORE));
  }

  private static byte[] fingered() {
    return FingeredFile.of(
        file(),
        "P1",
        Transposition.CONCERT,
        "treble",
        FLUTE,
        Map.of("a1", mark("flute", "Tb 1 | Eb"), "a3", mark("flute", "T 2 3 | 1 2 3")));
  }

  private static String flat(XmlNode n, boolean withoutFingerings) {
    if (withoutFingerings && (n.is("fingering") || n.is("hole"))) {
      return "";
    }
    StringBuilder s = new StringBuilder();
    for (XmlNode c : n.children()) {
      s.append(flat(c, withoutFingerings));
    }
    boolean hollow = n.children().isEmpty() ? n.text().isEmpty() : s.length() == 0;
    if (withoutFingerings && hollow && (n.is("technical") || n.is("notations"))) {
      return "";
    }
    return "<"
        + n.name()
        + n.attributes()
        + ">"
        + (n.children().isEmpty() ? n.rawText() : s)
        + "</>";
  }

  @Test
  public void nothingOfTheFileChangesButTheFingeringsOfThePart() {
    XmlNode before = file().root();
    XmlNode after = Xml.read(fingered());
    assertEquals(flat(after, true), flat(before, true));
    List<String> texts = new ArrayList<>();
    after.descendants("fingering").forEach(f -> texts.add(f.text()));
    assertEquals(texts, List.of("Tb 1 | Eb", "T 2 3 | 1 2 3"), "the old one is replaced");
    assertTrue(flat(after, false).contains("<up-bow"), "other technical marks stay");
  }

  @Test
  public void whatIsWrittenKeepsTheSchema() throws Exception {
    PlayerPageTest.validate(fingered());
    PlayerPageTest.validate(
        FingeredFile.of(
            file(),
            "P1",
            new Transposition(5, 9),
            "treble",
            new FingeredFile.Reader("Alto saxophone", new Transposition(-5, -9)),
            Map.of("a1", mark("alto-sax", "1 2 3 |"))));
  }

  /** The independent reader: the binding library of another project. */
  @Test
  public void anotherReaderFindsTheFingerings() throws Exception {
    ScorePartwise score =
        (ScorePartwise) Marshalling.unmarshal(new ByteArrayInputStream(fingered()));
    List<String> found = new ArrayList<>();
    for (Object o : score.getPart().get(0).getMeasure().get(0).getNoteOrBackupOrForward()) {
      if (o instanceof org.audiveris.proxymusic.Note n) {
        for (Notations x : n.getNotations()) {
          for (Object t : x.getTiedOrSlurOrTuplet()) {
            if (t instanceof Technical technical) {
              technical
                  .getUpBowOrDownBowOrHarmonic()
                  .forEach(
                      e -> {
                        if (e.getValue() instanceof org.audiveris.proxymusic.Fingering f) {
                          found.add(f.getValue());
                        }
                      });
            }
          }
        }
      }
    }
    assertEquals(found, List.of("Tb 1 | Eb", "T 2 3 | 1 2 3"));
  }

  @Test
  public void aMovedPageSoundsAsBeforeOnThePlayersInstrument() {
    byte[] xml =
        FingeredFile.of(
            file(),
            "P1",
            new Transposition(8, 14),
            "treble",
            new FingeredFile.Reader("Tenor saxophone", new Transposition(-8, -14)),
            Map.of("a1", mark("tenor-sax", "O 2 |")));
    Part part = MusicXmlReader.read(xml).parts().get(0);
    assertEquals(part.name(), "Tenor saxophone");
    assertEquals(part.transposition(), new Transposition(-8, -14));
    assertEquals(
        part.topLine().orElseThrow().notes().stream()
            .map(n -> part.transposition().sounding(n.pitch()).toString())
            .toList(),
        List.of("Bb4", "C5", "D5"));
    assertEquals(part.topLine().orElseThrow().notes().get(0).printed(), "O 2 |");
  }

  @Test
  public void aCompressedFileIsReadAgain() {
    byte[] mxl = FingeredFile.compressed(fingered());
    assertEquals(MusicXmlReader.read(mxl).parts().size(), 2);
    assertFalse(new String(mxl, StandardCharsets.ISO_8859_1).contains("<score-partwise"));
  }

  @Test
  public void theHolesOfAWoodwindAreWrittenFromTheMouthpieceDown() {
    assertEquals(holes("recorder-soprano", "hT 1 2 | 1 2"), "half yes yes no yes yes no no");
    assertEquals(holes("flute", "T 2 3 | 1 2 3"), "yes no yes yes yes yes yes");
    assertEquals(holes("clarinet", "A | 1 2 3"), "no no no no yes yes yes");
    assertEquals(holes("trumpet", "1 2"), "");
    assertEquals(holes("trombone", "p3"), "");
    List<String> written = new ArrayList<>();
    for (XmlNode hole : Xml.read(fingered()).descendants("hole")) {
      written.add(hole.child("hole-closed").orElseThrow().text());
    }
    assertEquals(written.subList(7, 14), List.of("yes", "no", "yes", "yes", "yes", "yes", "yes"));
  }

  private static String holes(String instrument, String fingering) {
    return String.join(
        " ", mark(instrument, fingering).holes().stream().map(FingeredFile.Hole::closed).toList());
  }

  @Test
  public void positionsAreWrittenWithoutTheirLetter() {
    assertEquals(FingeredFile.text("F p2-"), "F 2-");
    assertEquals(FingeredFile.text("p6"), "6");
    assertEquals(FingeredFile.text("O pD pEb | sE"), "O pD pEb | sE");
    assertEquals(FingeredFile.text("1 2"), "1 2");
  }
}
