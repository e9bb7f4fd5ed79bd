package sempre.formats.musicxml;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;
import static sempre.formats.musicxml.Xmls.bytes;
import static sempre.formats.musicxml.Xmls.note;
import static sempre.formats.musicxml.Xmls.part;
import static sempre.formats.musicxml.Xmls.zip;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Refusal;
import sempre.core.score.Note;
import sempre.core.score.Score;
import sempre.formats.Said;

/**
 * Files as they come from desks: what has one meaning is mended and said, the rest is a sentence.
 */
public class BrokenFileTest {
  private static final String MUSIC = note("C", 0, 5);

  private static String declared(String encoding, String rest) {
    return "<?xml version='1.0' encoding='" + encoding + "'?>" + rest;
  }

  private static byte[] join(byte[]... parts) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    Arrays.stream(parts).forEach(out::writeBytes);
    return out.toByteArray();
  }

  @DataProvider
  public Object[][] encodings() {
    String flute = part("Flöte", MUSIC);
    byte[] mark = {(byte) 0xEF, (byte) 0xBB, (byte) 0xBF};
    return new Object[][] {
      {bytes(flute), ""},
      {join(mark, bytes(declared("ISO-8859-1", flute))), ""},
      {declared("UTF-16", flute).getBytes(StandardCharsets.UTF_16LE), ""},
      {declared("UTF-16", flute).getBytes(Charset.forName("UTF-32BE")), ""},
      {declared("ISO-8859-1", flute).getBytes(StandardCharsets.ISO_8859_1), ""},
      {declared("x-MacRoman", flute).getBytes(Charset.forName("x-MacRoman")), ""},
      {
        bytes(declared("ISO-8859-1", flute)), "says that its letters are ISO-8859-1; they are UTF-8"
      },
      {bytes(declared("UTF-16", flute)), "says that its letters are UTF-16; they are UTF-8"},
      {declared("UTF-8", flute).getBytes(StandardCharsets.ISO_8859_1), "an old encoding"},
      {flute.getBytes(Charset.forName("windows-1252")), "an old encoding"},
      {bytes("\n\n  \n" + declared("UTF-8", flute)), "lines before the document"},
      {bytes(part("Fl&ouml;te", MUSIC)), "as HTML writes it"},
      {bytes(part("Fl\u0007öte", MUSIC)), "can’t be seen"},
    };
  }

  @Test(dataProvider = "encodings")
  public void lettersAreReadAsTheyAreWhateverTheFileSays(byte[] file, String said) {
    Score s = MusicXmlReader.read(file);
    assertEquals(s.parts().get(0).name(), "Flöte");
    List<String> all = Said.of(MusicXmlFile.of(file).mended());
    assertTrue(said.isEmpty() ? all.isEmpty() : all.toString().contains(said), all.toString());
    assertTrue(Said.of(s.remarks()).containsAll(all));
  }

  @Test
  public void aLoneAmpersandIsItselfAndTextsThatAreNoneStay() {
    Score s =
        MusicXmlReader.read(
            bytes(
                "<!-- Fog & Co -->"
                    + part("Fog & Horn &amp; <![CDATA[A & B &eacute;]]> &#233; R&D", MUSIC)));
    assertEquals(s.parts().get(0).name(), "Fog & Horn & A & B &eacute; é R&D");
    assertTrue(Said.of(s.remarks()).toString().contains("2 & that stood alone are"));
  }

  @DataProvider
  public Object[][] xml() {
    String sound = part("Flute", MUSIC);
    return new Object[][] {
      {
        "<score-partwise>\n<part id='P1'>\n<measure>\n</part>",
        "line 4: ",
        "</part> stands where <measure> is still open"
      },
      {sound.substring(0, sound.length() / 2), "line 1: ", "ends in the middle"},
      {"\n\n<score-partwise>\n<part id=P1>", "line 4: ", "a sign in it that XML has not"},
      {"<score-partwise><work>&nosuchname;</work></score-partwise>", "line 1: ", "&nosuchname;"},
    };
  }

  @Test(dataProvider = "xml")
  public void whereTheXmlIsBrokenTheLineIsSaid(String file, String line, String why) {
    Refusal e = expectThrows(Refusal.class, () -> MusicXmlReader.read(bytes(file)));
    assertTrue(Said.of(e).toLowerCase().contains(line), Said.of(e));
    assertTrue(Said.of(e).contains(why), Said.of(e));
  }

  @DataProvider
  public Object[][] slips() {
    String good = note("C", 0, 5);
    return new Object[][] {
      {note("H", 0, 5), "part ‘Flute’, bar 2: the note’s <step> ‘H’ is not A to G; left empty"},
      {good.replace(">2<", ">two<"), "bar 2: ‘two’ should be a number; left empty"},
      {good.replace(">2<", ">-2<"), "bar 2: the <duration> ‘-2’ is below 0; left empty"},
      {note("C", 5, 5), "bar 2: a note has at most two sharps or flats, not 5; left empty"},
      {good.replace("<octave>5<", "<octave>50<"), "bar 2: the note’s <octave> ‘50’ is not 0 to 9"},
    };
  }

  @Test(dataProvider = "slips")
  public void aSlipCostsItsBarAndNotThePiece(String wrong, String said) {
    MusicXmlFile file = MusicXmlFile.of(bytes(part("Flute", MUSIC, MUSIC + wrong, MUSIC)));
    Score s = MusicXmlReader.read(file);
    assertTrue(Said.of(s.remarks()).toString().contains(said), Said.of(s.remarks()).toString());
    List<Note> notes = s.parts().get(0).topLine().orElseThrow().notes();
    assertEquals(notes.stream().map(Note::bar).toList(), List.of(0, 2));
    // the bar is as long as its metre, four quarters, and the page is sound for who draws it
    assertEquals(s.parts().get(0).bars().get(1).quarters(), 4.0);
    assertFalse(file.root().descendants("step").stream().anyMatch(x -> x.text().equals("H")));
  }

  @Test
  public void wrongKeysDivisionsAndLengthsCostNoNote() {
    String key = "<attributes><key><fifths>-2</fifths></key></attributes>";
    String odd =
        "<attributes><divisions>0</divisions><key><fifths>99</fifths></key></attributes>"
            + note("D", 0, 5);
    String tooLong = note(96, "E", 0, 5, "<type>quarter</type>");
    Score s = MusicXmlReader.read(bytes(part("Flute", key + MUSIC, odd, tooLong + tooLong)));
    List<Note> notes = s.parts().get(0).topLine().orElseThrow().notes();
    assertEquals(notes.stream().map(Note::quarters).toList(), List.of(1.0, 1.0, 1.0, 1.0));
    assertEquals(notes.get(1).key().fifths(), -2);
    String said = Said.of(s.remarks()).toString();
    assertTrue(
        said.contains("bar 2: There is no key")
            || said.contains("bar 2: there is no key signature of ‘99’ fifths"),
        said);
    assertTrue(said.contains("<divisions> ‘0’ is no number above 0"), said);
    assertTrue(said.contains("bar 3: a note is at least twice as long"), said);
  }

  @Test
  public void signsForBarsAreBarsAndSlashesAreNone() {
    String one =
        "<attributes><measure-style><measure-repeat type='start'>1</measure-repeat></measure-style></attributes>";
    String two = one.replace(">1<", ">2<");
    String stop = one.replace("start", "stop");
    String rest = "<note><rest measure='yes'/><duration>8</duration></note>";
    String d = note("D", 0, 5);
    Score s =
        MusicXmlReader.read(
            bytes(
                part(
                    "Flute",
                    MUSIC,
                    one + rest,
                    rest,
                    stop + d,
                    two + rest,
                    rest,
                    stop + note("E", 0, 5))));
    List<Note> notes = s.parts().get(0).topLine().orElseThrow().notes();
    assertEquals(
        notes.stream().map(n -> n.pitch() + " " + n.bar()).toList(),
        List.of("C5 0", "C5 1", "C5 2", "D5 3", "C5 4", "D5 5", "E5 6"));
    assertEquals(notes.stream().map(Note::id).distinct().count(), notes.size());
    assertTrue(Said.of(s.remarks()).toString().contains("4 bars that are only repeat signs"));
    String slash = "<attributes><measure-style><slash type='start'/></measure-style></attributes>";
    Score slashed =
        MusicXmlReader.read(
            bytes(part("Flute", MUSIC, slash + d + d, slash.replace("start", "stop") + d)));
    assertEquals(slashed.parts().get(0).topLine().orElseThrow().notes().size(), 2);
    assertTrue(Said.of(slashed.parts().get(0).remarks()).toString().contains("2 slashes"));
  }

  @Test
  public void aTieLeadsOverAGraceNote() {
    String grace =
        "<note><grace/><pitch><step>F</step><octave>5</octave></pitch><voice>1</voice></note>";
    List<Note> n =
        MusicXmlReader.read(
                bytes(
                    part(
                        "Flute",
                        note("G", 0, 4, "<tie type='start'/>")
                            + grace
                            + note("G", 0, 4, "<tie type='stop'/>"))))
            .parts()
            .get(0)
            .topLine()
            .orElseThrow()
            .notes();
    assertEquals(
        n.stream().map(x -> x.pitch() + " " + x.quarters()).toList(), List.of("G4 2.0", "F5 0.0"));
  }

  private static byte[] container(String... rootFiles) {
    StringBuilder s = new StringBuilder("<container><rootfiles>");
    for (String r : rootFiles) {
      s.append("<rootfile ").append(r).append("/>");
    }
    return bytes(s.append("</rootfiles></container>").toString());
  }

  @DataProvider
  public Object[][] archives() throws IOException {
    byte[] music = bytes(part("Flute", MUSIC));
    byte[] pdf = bytes("%PDF-1.7 …");
    return new Object[][] {
      // a picture of it comes first, and is said to be a root as well
      {
        zip(
            "score.pdf", pdf,
            "META-INF/container.xml",
                container(
                    "full-path='score.pdf' media-type='application/pdf'",
                    "full-path='score.xml' media-type='application/vnd.recordare.musicxml+xml'"),
            "score.xml", music)
      },
      // what systems leave in folders
      {
        zip(
            "__MACOSX/._score.xml",
            new byte[] {0, 5, 22, 7},
            ".DS_Store",
            pdf,
            "a/._b.xml",
            pdf,
            "a/b.xml",
            music)
      },
      // the container is broken, or names a file that is written otherwise
      {zip("META-INF/container.xml", bytes("<container><"), "b.musicxml", music)},
      {
        zip(
            "META-INF/container.xml",
            container("full-path='.\\\\music\\\\b.xml'"),
            "music/b.xml",
            music)
      },
      {latinNames(music)},
      {streamed(music)},
    };
  }

  /** Packed by a program that writes names in the bytes of its own country. */
  private static byte[] latinNames(byte[] music) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.ISO_8859_1)) {
      zip.putNextEntry(new ZipEntry("META-INF/container.xml"));
      zip.write(container("full-path='Übung.xml'"));
      zip.putNextEntry(new ZipEntry("Übung.xml"));
      zip.write(music);
    }
    return out.toByteArray();
  }

  /** Packed while it was sent, and not pressed: lengths stand behind the content. */
  private static byte[] streamed(byte[] music) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipArchiveOutputStream zip = new ZipArchiveOutputStream(out)) {
      ZipArchiveEntry e = new ZipArchiveEntry("score.xml");
      zip.putArchiveEntry(e);
      zip.write(music);
      zip.closeArchiveEntry();
    }
    return out.toByteArray();
  }

  @Test(dataProvider = "archives")
  public void anArchiveIsReadWhoeverPackedIt(byte[] file) {
    assertEquals(MusicXmlReader.read(file).parts().get(0).name(), "Flute");
  }

  @Test
  public void archivesOfSeveralPiecesOrWithAPasswordAreSaid() {
    byte[] music = bytes(part("Flute", MUSIC));
    byte[] locked = zip("a.xml", music);
    // bit 0 of the flags in both headers says that an entry is locked (APPNOTE 4.4.4)
    int central = new String(locked, StandardCharsets.ISO_8859_1).indexOf("PK\u0001\u0002");
    locked[6] |= 1;
    locked[central + 8] |= 1;
    assertSaid(locked, "has a password");
    assertSaid(zip("a.xml", music, "b.xml", music), "holds 2 pieces (a.xml and b.xml …)");
    assertSaid(Arrays.copyOf(zip("a.xml", music), 60), "is damaged");
  }

  @DataProvider
  public Object[][] foreign() {
    return new Object[][] {
      {bytes("%PDF-1.7\n…"), "this is a PDF"},
      {new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10}, "this is a picture"},
      {new byte[] {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF, (byte) 0xE0}, "this is a picture"},
      {bytes("\0\0\0\u0018ftypheic\0\0\0\0"), "this is a picture"},
      {bytes("MThd\0\0\0\6\0\1"), "this is a MIDI file"},
      {bytes("RIFF\0\0\0\0WAVE"), "this is a recording"},
      {bytes("\u000FSIBELIUS\0\0"), "choose Export, then MusicXML"},
      {bytes("<museScore version='4.0'/>"), "choose Export, then MusicXML"},
      {zip("a.mscx", bytes("<museScore/>"), "x.png", new byte[9]), "choose Export, then MusicXML"},
      {bytes("<mei xmlns='http://www.music-encoding.org/ns/mei'/>"), "this is MEI"},
      {bytes("<!DOCTYPE html><html><body/></html>"), "a page from the web"},
      {zip("word/document.xml", new byte[9]), "a document of a program for writing texts"},
      {bytes("\\version \"2.24\"\n{ c'4 }"), "for a program that engraves"},
      {zip("one.mxl", zip("a.xml", bytes("<a/>"))), "in this archive are others"},
      {bytes("X:1\nT:Ebb\nK:C\nCDEF|"), "a file of tunes in ABC"},
    };
  }

  /** Each kind of file that a teacher may have has its own sentence, which says what to do. */
  @Test(dataProvider = "foreign")
  public void aFileOfAnotherKindIsToldByWhatItIs(byte[] file, String said) {
    assertSaid(file, said);
  }

  private static void assertSaid(byte[] file, String said) {
    Refusal e = expectThrows(Refusal.class, () -> MusicXmlReader.read(file));
    assertTrue(Said.of(e).contains(said), Said.of(e));
  }
}
