package sempre.formats.musicxml;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static sempre.formats.musicxml.Xmls.bytes;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Transposition;
import sempre.core.score.PagePitch;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.PartChoice.Pages;
import sempre.core.score.Score;

/** In which pitch the pages of a file stand, said or not. Keys and notes are worked out by hand. */
public class PagePitchTest {
  /** A part of one bar: four quarters, its key, and what else stands at its beginning. */
  private record P(String name, int fifths, String more, String notes) {}

  private static String file(boolean concert, P... parts) {
    StringBuilder xml = new StringBuilder("<score-partwise version=\"4.0\">");
    if (concert) {
      xml.append("<defaults><concert-score/></defaults>");
    }
    xml.append("<part-list>");
    for (int i = 0; i < parts.length; i++) {
      xml.append("<score-part id=\"P").append(i).append("\"><part-name>");
      xml.append(parts[i].name()).append("</part-name></score-part>");
    }
    xml.append("</part-list>");
    for (int i = 0; i < parts.length; i++) {
      P p = parts[i];
      xml.append("<part id=\"P").append(i).append("\"><measure number=\"1\"><attributes>");
      xml.append("<divisions>1</divisions><key><fifths>").append(p.fifths());
      xml.append("</fifths></key>").append(p.more()).append("</attributes>");
      for (String n : p.notes().split(" ")) {
        xml.append("<note><pitch><step>").append(n.charAt(0)).append("</step>");
        if (n.contains("b")) {
          xml.append("<alter>-1</alter>");
        }
        xml.append("<octave>").append(n.charAt(n.length() - 1)).append("</octave></pitch>");
        xml.append("<duration>1</duration></note>");
      }
      xml.append("</measure></part>");
    }
    return xml.append("</score-partwise>").toString();
  }

  private static Score read(String file) {
    return MusicXmlReader.read(bytes(file));
  }

  /** What an instrument reads: key and notes. */
  private static String page(Score score, String instrument, Pages said) {
    Setup setup = Setup.of(Catalogue.standard().instrument(instrument), Map.of());
    Part part = PartChoice.best(score, setup.instrument()).orElseThrow();
    Part page = PartChoice.read(score, part, setup, said).part();
    return page.key().fifths()
        + ":"
        + page.topLine().orElseThrow().notes().stream().map(n -> " " + n.pitch()).toList();
  }

  private static final String LOW = "Bb3 C4 D4 F4";

  private static P[] band() {
    return new P[] {
      new P("Flute", -2, "", "Bb4 C5 D5 F5"),
      new P("Clarinet in Bb", -2, "", LOW),
      new P("Alto Saxophone", -2, "", LOW),
      new P("Horn in F", -2, "", LOW),
      new P("Trumpet", -2, "", LOW),
      new P("Trombone", -2, "", "Bb2 C3 D3 F3")
    };
  }

  @DataProvider
  public Object[][] readers() {
    // concert B flat, C, D, F as each instrument reads it: a step, a sixth and a fifth higher
    return new Object[][] {
      {"flute", "-2:[ Bb4,  C5,  D5,  F5]"},
      {"clarinet", "0:[ C4,  D4,  E4,  G4]"},
      {"alto-sax", "1:[ G4,  A4,  B4,  D5]"},
      {"horn", "-1:[ F4,  G4,  A4,  C5]"},
      {"trumpet", "0:[ C4,  D4,  E4,  G4]"},
      {"trombone", "-2:[ Bb2,  C3,  D3,  F3]"}
    };
  }

  @Test(dataProvider = "readers")
  public void inAConcertScoreEveryPlayerReadsTheOwnPage(String instrument, String page) {
    assertEquals(page(read(file(true, band())), instrument, Pages.AS_SAID), page);
  }

  @Test(dataProvider = "readers")
  public void aConcertScoreThatDoesNotSayItIsSeenByItsKeys(String instrument, String page) {
    Score score = read(file(false, band()));
    assertEquals(page(score, instrument, Pages.AS_SAID), page);
    assertTrue(
        score.remarks().stream().anyMatch(r -> r.key().equals("read.same-key")),
        score.remarks().toString());
  }

  @Test
  public void theTeacherMaySayOtherwise() {
    assertEquals(
        page(read(file(false, band())), "clarinet", Pages.AS_WRITTEN), "-2:[ Bb3,  C4,  D4,  F4]");
  }

  @Test
  public void pagesWithTheirOwnKeysStayTheirPlayers() {
    Score score =
        read(
            file(
                false,
                new P("Flute", -2, "", "Bb4 C5 D5 F5"),
                new P("Clarinet", 0, "", "C4 D4 E4 G4"),
                new P("Horn", 0, "", "F4 G4 A4 C5")));
    assertEquals(PagePitch.of(score).pages(), Pages.AS_SAID);
    assertEquals(page(score, "clarinet", Pages.AS_SAID), "0:[ C4,  D4,  E4,  G4]");
  }

  /** Horns and trumpets without a signature beside a flute in C say nothing, nor does one part. */
  @Test
  public void brassWithoutASignatureOrALonePartIsNoSign() {
    Score brass =
        read(file(false, new P("Flute", 0, "", "C5 D5 E5"), new P("Horn", 0, "", "G4 A4 B4")));
    assertEquals(PagePitch.of(brass).pages(), Pages.AS_SAID);
    Score lone = read(file(false, new P("Clarinet", -2, "", LOW)));
    assertEquals(PagePitch.of(lone).pages(), Pages.AS_SAID);
  }

  private static final String EIGHT =
      "<clef><sign>G</sign><line>2</line><clef-octave-change>%d</clef-octave-change></clef>";

  /** Under a clef with an 8 the pitches of a file are those that sound. */
  @Test
  public void aClefWithAnEightIsReadAsItStands() {
    Score score =
        read(file(false, new P("Soprano Recorder", 0, EIGHT.formatted(1), "G5 A5 B5 C6")));
    assertEquals(page(score, "recorder-soprano", Pages.AS_SAID), "0:[ G4,  A4,  B4,  C5]");
    assertEquals(page(score, "flute", Pages.AS_SAID), "0:[ G5,  A5,  B5,  C6]");
  }

  @Test
  public void aRecorderThatMayStandAsItSoundsIsAskedAbout() {
    Score high = read(file(false, new P("Soprano Recorder", 0, "", "G5 A5 B5 C6")));
    PagePitch asked = PagePitch.of(high);
    assertEquals(asked.pages(), Pages.AS_SAID);
    assertEquals(asked.because().orElseThrow().key(), "read.high-recorder");
    assertEquals(page(high, "recorder-soprano", Pages.CONCERT), "0:[ G4,  A4,  B4,  C5]");
    Score low = read(file(false, new P("Soprano Recorder", 0, "", "G4 A4 B4 C5")));
    assertEquals(PagePitch.of(low).because(), Optional.empty());
  }

  /** Written D4 to C7 is all that a piccolo reads; F7 can only be what sounds. */
  @Test
  public void aPageThatGoesBeyondItsInstrumentStandsAsItSounds() {
    Score score = read(file(false, new P("Piccolo", 0, "", "F6 C7 F7")));
    assertEquals(page(score, "piccolo", Pages.AS_SAID), "0:[ F5,  C6,  F6]");
  }

  @Test
  public void theBeginningOfAPageHasItsKeyAndSoManyBars() {
    byte[] beginning =
        PlayerPage.beginning(
            MusicXmlFile.of(bytes(file(false, band()))),
            "P1",
            new Transposition(1, 2),
            "treble",
            2);
    Part part = MusicXmlReader.read(beginning).parts().get(0);
    assertEquals(part.bars().size(), 1);
    assertEquals(part.key().fifths(), 0);
    assertEquals(
        List.of("C4", "D4", "E4", "G4"),
        part.topLine().orElseThrow().notes().stream().map(n -> n.pitch().toString()).toList());
  }
}
