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
import java.util.Optional;
import java.util.function.Function;
import org.audiveris.proxymusic.ScorePartwise;
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

  private static FingeredFile.Reader flute() {
    return new FingeredFile.Reader(
        "P1",
        "",
        Transposition.CONCERT,
        Transposition.CONCERT,
        "treble",
        Map.of("a1", mark("flute", "Tb 1 | Eb"), "a3", mark("flute", "T 2 3 | 1 2 3")));
  }

  /** The first part moved to the page of a saxophone that sounds so much lower. */
  private static FingeredFile.Reader sax(
      String name, int letters, int semitones, String fingering) {
    return new FingeredFile.Reader(
        "P1",
        name,
        new Transposition(-letters, -semitones),
        new Transposition(letters, semitones),
        "treble",
        Map.of("a1", mark("tenor-sax", fingering)));
  }

  private static FingeredFile.Mark mark(String instrument, String fingering) {
    Keywork k = Catalogue.standard().instrument(instrument).keywork();
    return FingeredFile.Mark.of(k.read(fingering), k);
  }

  private static MusicXmlFile file() {
    return MusicXmlFile.of(bytes(SCORE));
  }

  private static byte[] fingered(FingeredFile.As as) {
    return FingeredFile.score(file(), List.of(flute()), as);
  }

  private static List<String> under(XmlNode part) {
    return part.descendants("lyric").stream()
        .filter(FingeredFile::ours)
        .map(l -> l.attribute("number") + " " + l.textOf("text"))
        .toList();
  }

  private static String flat(XmlNode n, boolean withoutFingerings) {
    if (withoutFingerings
        && (n.is("fingering") || n.is("hole") || n.is("other-technical") || FingeredFile.ours(n))) {
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
    for (FingeredFile.As as : FingeredFile.As.values()) {
      XmlNode before = file().root();
      XmlNode after = Xml.read(fingered(as));
      assertEquals(flat(after, true), flat(before, true));
      assertFalse(flat(after, false).contains(">9<"), "the old one is replaced");
      assertTrue(flat(after, false).contains("<up-bow"), "other technical marks stay");
    }
  }

  /** Under the words that stand there, the left hand over the right. */
  @Test
  public void handsStandInTwoLinesUnderTheNotes() {
    XmlNode after = Xml.read(fingered(FingeredFile.As.WORDS));
    assertEquals(under(after), List.of("2 Tb\u202f1", "3 Eb", "2 T\u202f23", "3 123"));
    assertEquals(after.descendants("fingering"), List.of());
    // written again, they stand there once
    byte[] again =
        FingeredFile.score(
            MusicXmlFile.of(fingered(FingeredFile.As.WORDS)),
            List.of(flute()),
            FingeredFile.As.WORDS);
    assertEquals(under(Xml.read(again)), under(after));
    assertEquals(mark("clarinet", "|").lines(), List.of("\u2013", "\u2013"));
    assertEquals(mark("oboe", "h1 2 3 | C").lines(), List.of("h1\u202f23", "C"));
    assertEquals(mark("trumpet", "1 2").lines(), List.of("12"));
    assertEquals(mark("horn", "T 1 2").lines(), List.of("T\u202f12"));
    assertEquals(mark("trombone", "F p2-").lines(), List.of("F\u202f2-"));
  }

  @Test
  public void underAChordTheWordsStandUnderItsFirstNote() {
    String chord =
        "<note id=\"a4\"><chord/><pitch><step>F</step><octave>5</octave></pitch><duration>4</duration><voice>1</voice><type>half</type></note>";
    MusicXmlFile file =
        MusicXmlFile.of(
            bytes(
                SCORE.replace(
                    "<beam number=\"1\">begin</beam></note>",
                    "<beam number=\"1\">begin</beam></note>" + chord)));
    FingeredFile.Reader top =
        new FingeredFile.Reader(
            "P1",
            "",
            Transposition.CONCERT,
            Transposition.CONCERT,
            "treble",
            Map.of("a4", mark("flute", "T 1 3 | 1 Eb")));
    byte[] xml = FingeredFile.alone(file, top, FingeredFile.As.WORDS);
    List<XmlNode> notes = Xml.read(xml).descendants("note");
    assertEquals(under(notes.get(2)).size(), 2);
    assertEquals(under(notes.get(3)).size(), 0);
    List<sempre.core.score.Note> read =
        MusicXmlReader.read(xml).parts().get(0).topLine().orElseThrow().notes();
    assertEquals(
        read.get(2).pitch().toString() + " " + read.get(2).printed(),
        "F5 T\u202f1\u202f3 | 1\u202fEb".replace("1\u202f3", "13"));
  }

  /** A number is a mark of its own: what reads “1 2” as one takes the 2 for a length. */
  @Test
  public void marksAreNumbersOrTheWholeNotation() {
    assertEquals(marks("trumpet", "1 2"), "fingering 1, fingering 2");
    assertEquals(marks("horn", "T 1"), "fingering T, fingering 1");
    assertEquals(marks("trombone", "p4"), "fingering 4");
    assertEquals(marks("trombone", "p2-"), "other-technical 2-");
    assertEquals(marks("oboe", "O2 1 2 |").replaceAll(", hole.*", ""), "other-technical O2 1 2 |");
  }

  private static String marks(String instrument, String fingering) {
    FingeredFile.Reader reader =
        new FingeredFile.Reader(
            "P1",
            "",
            Transposition.CONCERT,
            Transposition.CONCERT,
            "treble",
            Map.of("a2", mark(instrument, fingering)));
    XmlNode root = Xml.read(FingeredFile.alone(file(), reader, FingeredFile.As.MARKS));
    assertEquals(root.descendants("part").size(), 1, "the part alone");
    return root.descendants("note").get(1).descendants("technical").get(0).children().stream()
        .map(x -> x.name() + " " + x.text())
        .collect(java.util.stream.Collectors.joining(", "));
  }

  @Test
  public void whatIsWrittenKeepsTheSchema() throws Exception {
    FingeredFile.Reader tenor = sax("Tenor saxophone", 8, 14, "O 2 |");
    for (FingeredFile.As as : FingeredFile.As.values()) {
      PlayerPageTest.validate(fingered(as));
      PlayerPageTest.validate(FingeredFile.alone(file(), tenor, as));
      PlayerPageTest.validate(FingeredFile.score(file(), List.of(flute(), tenor), as));
    }
  }

  /** The independent reader: the binding library of another project. */
  @Test
  public void anotherReaderFindsTheFingerings() throws Exception {
    ScorePartwise score =
        (ScorePartwise)
            Marshalling.unmarshal(new ByteArrayInputStream(fingered(FingeredFile.As.WORDS)));
    List<String> found = new ArrayList<>();
    for (Object o : score.getPart().get(0).getMeasure().get(0).getNoteOrBackupOrForward()) {
      if (o instanceof org.audiveris.proxymusic.Note n) {
        for (org.audiveris.proxymusic.Lyric l : n.getLyric()) {
          for (Object t : l.getElisionAndSyllabicAndText()) {
            if (t instanceof org.audiveris.proxymusic.TextElementData text
                && "fingering".equals(l.getName())) {
              found.add(text.getValue());
            }
          }
        }
      }
    }
    assertEquals(found, List.of("Tb\u202f1", "Eb", "T\u202f23", "123"));
  }

  @Test
  public void aMovedPageSoundsAsBeforeOnThePlayersInstrument() {
    FingeredFile.Reader tenor = sax("Tenor saxophone", 8, 14, "O 2 |");
    for (FingeredFile.As as : FingeredFile.As.values()) {
      Part part = MusicXmlReader.read(FingeredFile.alone(file(), tenor, as)).parts().get(0);
      assertEquals(part.name(), "Tenor saxophone");
      assertEquals(part.transposition(), new Transposition(-8, -14));
      assertEquals(
          part.topLine().orElseThrow().notes().stream()
              .map(n -> part.transposition().sounding(n.pitch()).toString())
              .toList(),
          List.of("Bb4", "C5", "D5"));
      String printed = part.topLine().orElseThrow().notes().get(0).printed();
      assertEquals(printed.replace('\u202f', ' ').replace("\u2013", "").strip(), "O 2 |");
    }
  }

  /** Two players of one part: a staff for each in its place, and every id only once. */
  @Test
  public void inTheFullScoreEachPlayerHasAStaff() {
    byte[] xml =
        FingeredFile.score(
            file(),
            List.of(flute(), sax("Tenor saxophone", 8, 14, "O 2 |")),
            FingeredFile.As.WORDS);
    assertEquals(
        MusicXmlReader.read(xml).parts().stream().map(Part::name).toList(),
        List.of("Flute", "Tenor saxophone", "Oboe"));
    List<String> ids = new ArrayList<>();
    ids(Xml.read(xml), ids);
    assertEquals(ids.size(), new java.util.HashSet<>(ids).size() + 3, "a score-part and its part");
  }

  /** Who plays a simpler part stands in the score with it, and the others with theirs. */
  @Test
  public void aPlayerWithAPartOfTheirOwnHasItInTheScore() {
    MusicXmlFile simpler =
        MusicXmlFile.of(bytes(SCORE.replace("<step>C</step>", "<step>B</step>")));
    FingeredFile.Reader own =
        new FingeredFile.Reader(
            "P1",
            "Flute (Two)",
            Transposition.CONCERT,
            Transposition.CONCERT,
            "treble",
            Map.of(),
            Optional.of(simpler));
    List<String> second =
        MusicXmlReader.read(
                FingeredFile.score(file(), List.of(flute(), own), FingeredFile.As.WORDS))
            .parts()
            .stream()
            .flatMap(p -> p.topLine().stream())
            .map(l -> l.notes().get(1).pitch().toString())
            .toList();
    assertEquals(second, List.of("C5", "B5"));
  }

  /** One page of a concert score is moved: every part still sounds as it did. */
  @Test
  public void aConcertScoreWithAMovedPageSoundsAsBefore() {
    String down = "<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose>";
    MusicXmlFile concert =
        MusicXmlFile.of(
            bytes(
                SCORE
                    .replace("</scaling>", "</scaling><concert-score/>")
                    .replace("</clef></attributes>", "</clef>" + down + "</attributes>")
                    .replace(
                        "<note id=\"b1\"><rest measure=\"yes\"/>",
                        "<attributes><divisions>2</divisions>"
                            + down
                            + "</attributes><note id=\"b1\"><pitch><step>G</step><octave>4</octave></pitch>")));
    FingeredFile.Reader clarinet =
        new FingeredFile.Reader(
            "P1",
            "Clarinet",
            new Transposition(-1, -2),
            new Transposition(1, 2),
            "treble",
            Map.of());
    Function<MusicXmlFile, List<String>> sounds =
        f ->
            MusicXmlReader.read(f).parts().stream()
                .map(
                    p ->
                        p.transposition()
                            .sounding(p.topLine().orElseThrow().notes().get(0).pitch())
                            .toString())
                .toList();
    assertEquals(sounds.apply(concert), List.of("Bb4", "G4"));
    byte[] moved = FingeredFile.score(concert, List.of(clarinet), FingeredFile.As.WORDS);
    assertEquals(sounds.apply(MusicXmlFile.of(moved)), List.of("Bb4", "G4"));
  }

  private static void ids(XmlNode n, List<String> all) {
    if (!n.attribute("id").isEmpty()) {
      all.add(n.attribute("id"));
    }
    n.children().forEach(c -> ids(c, all));
  }

  @Test
  public void aCompressedFileIsReadAgain() {
    byte[] mxl = FingeredFile.compressed(fingered(FingeredFile.As.WORDS));
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
    for (XmlNode hole : Xml.read(fingered(FingeredFile.As.MARKS)).descendants("hole")) {
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
