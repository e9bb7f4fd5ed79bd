package sempre.formats.abc;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Limit;
import sempre.core.pitch.Transposition;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.score.Score;
import sempre.formats.Said;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.formats.xml.Xml;

public class AbcReaderTest {
  private static final String HEAD = "X:1\nT:Ebb\nM:4/4\nL:1/8\nQ:1/4=96\nK:C\n";

  private static AbcReader.Tune tune(String abc) {
    List<AbcReader.Tune> all = AbcReader.file(abc);
    assertEquals(all.size(), 1, abc);
    return all.get(0);
  }

  private static AbcReader.Tune typed(String line) {
    return AbcReader.read(line, new AbcReader.Said("C", "4/4", "", AbcReader.Page.CONCERT, false))
        .get(0);
  }

  private static String notes(AbcReader.Tune t) {
    return MusicXmlReader.read(t.xml()).parts().get(0).topLine().orElseThrow().notes().stream()
        .map(n -> n.pitch() + "/" + n.quarters())
        .map(n -> n.replaceAll("\\.0$", ""))
        .collect(Collectors.joining(" "));
  }

  private static List<String> problems(AbcReader.Tune t) {
    return t.problems().stream()
        .map(p -> p.line() + ":" + p.column() + " " + Said.of(p.saying()))
        .toList();
  }

  /** Pitches, lengths and rhythm as the standard describes them (ABC 2.1, 4.1 to 4.4, 4.13). */
  @DataProvider
  public Object[][] music() {
    return new Object[][] {
      // the octaves of section 4.1
      {"L:1/4\nC, D C c c' b' C,,|", "C3/1 D4/1 C4/1 C5/1 C6/1 B6/1 C2/1"},
      // note lengths, section 4.3
      {"A/2 A/ A A2 A3 A4 A6 A7 A8|", "A4/0.25 A4/0.25 A4/0.5 A4/1 A4/1.5 A4/2 A4/3 A4/3.5 A4/4"},
      {"A// A3/4 A3/2|", "A4/0.125 A4/0.375 A4/0.75"},
      // broken rhythm, section 4.4
      {"a>b c<d e>>f g<<a|", "A5/0.75 B5/0.25 C5/0.25 D5/0.75 E5/0.875 F5/0.125 G5/0.125 A5/0.875"},
      // tuplets, section 4.13
      {
        "(3abc (3a2b2c2|",
        "A5/0.3333333333333333 B5/0.3333333333333333 C5/0.3333333333333333"
            + " A5/0.6666666666666666 B5/0.6666666666666666 C5/0.6666666666666666"
      },
      {
        "(2ab (4abca (3:2:2G4A2|",
        "A5/0.75 B5/0.75 A5/0.375 B5/0.375 C5/0.375 A5/0.375"
            + " G4/1.3333333333333333 A4/0.6666666666666666"
      },
      // accidentals count to the end of their bar, section 4.2, in every octave, 11.3
      {"^F F f =f F|F|", "F#4/0.5 F#4/0.5 F#5/0.5 F5/0.5 F4/0.5 F4/0.5"},
      {"__B _A ^^c|", "Bbb4/0.5 Ab4/0.5 C##5/0.5"},
      // ties, section 4.11; the second note is none of its own
      {"c4-c4|d2-|d2 e|", "C5/4 D5/2 E5/0.5"},
      // a chord, of which the top is played; its length is that of its first note, 4.17
      {"[CEG]2 [C2E2G2] [CE]|", "G4/1 G4/1 E4/0.5"},
      // inline fields, section 3.2
      {"F [K:G] F [L:1/4] F|", "F4/0.5 F#4/0.5 F#4/1"},
      {"z2 A x A [V:1] A|", "A4/0.5 A4/0.5 A4/0.5"},
    };
  }

  @Test(dataProvider = "music")
  public void whatIsWrittenSoundsAsTheStandardSays(String abc, String notes) {
    assertEquals(notes(tune(HEAD + abc)).replace("##", "x"), notes.replace("##", "x"));
  }

  /** Section 4.6 lists the keys with the same signature. */
  @DataProvider
  public Object[][] keys() {
    return new Object[][] {
      {"C#", 7},
      {"A#m", 7},
      {"G#Mix", 7},
      {"D#Dor", 7},
      {"E#Phr", 7},
      {"F#Lyd", 7},
      {"B#Loc", 7},
      {"G", 1},
      {"Em", 1},
      {"DMix", 1},
      {"ADor", 1},
      {"BPhr", 1},
      {"CLyd", 1},
      {"F#Loc", 1},
      {"C", 0},
      {"A minor", 0},
      {"G mixolydian", 0},
      {"D dor", 0},
      {"none", 0},
      {"HP", 0},
      {"Bb", -2},
      {"Gm", -2},
      {"FMix", -2},
      {"Cb", -7},
      {"Abm", -7},
      {"Hp", 2},
      {"Gmaj clef=bass", 1},
      {"D exp _b _e ^f", 0},
    };
  }

  @Test(dataProvider = "keys")
  public void keysAndModesHaveTheirSignature(String key, int fifths) {
    AbcReader.Tune t = tune("X:1\nK:" + key + "\nCDEF|");
    assertEquals(problems(t), List.of());
    assertEquals(MusicXmlReader.read(t.xml()).parts().get(0).key().fifths(), fifths);
  }

  @Test
  public void lettersThatAKeyAltersBesidesAreAltered() {
    assertEquals(notes(tune("X:1\nL:1/4\nK:D exp _b _e ^f\nB e F c|")), "Bb4/1 Eb5/1 F#4/1 C5/1");
    assertEquals(notes(tune("X:1\nL:1/4\nK:Am ^g\ng G f|")), "G#5/1 G#4/1 F5/1");
  }

  @Test
  public void repeatsAndEndingsArePlayedAsTheyStand() {
    Score score = MusicXmlReader.read(tune(HEAD + "C8|:D8|1 E8:|2 F8|:G8::A8:|").xml());
    List<Note> n = score.parts().get(0).topLine().orElseThrow().notes();
    // bar by bar; each has one note
    assertEquals(
        score.parts().get(0).played().order(6).stream()
            .map(b -> n.get(b).pitch().letter().name())
            .collect(Collectors.joining()),
        "CDEDFGGAA");
  }

  @Test
  public void slursSignsWordsAndTempoAreThere() {
    AbcReader.Tune t =
        tune(HEAD + "!p!(CD) .E !fermata!F \"Gm\"G \"^slowly\"A TB {cd}e|!D.C.alfine!c8|]");
    String xml = new String(t.xml(), java.nio.charset.StandardCharsets.UTF_8);
    for (String is :
        List.of(
            "<p/>",
            "<staccato/>",
            "<fermata/>",
            "<trill-mark/>",
            "<kind>minor</kind>",
            "<words>slowly</words>",
            "<words>D.C. al Fine</words>",
            "<grace/>",
            "<per-minute>96</per-minute>",
            "<work-title>Ebb</work-title>")) {
      assertTrue(xml.contains(is), is);
    }
    Score s = MusicXmlReader.read(t.xml());
    List<Note> n = s.parts().get(0).topLine().orElseThrow().notes();
    assertEquals(n.stream().filter(Note::slurToNext).count(), 1);
    assertEquals(n.get(0).tempo(), 96.0);
    assertEquals(problems(t), List.of());
  }

  @Test
  public void whatStandsTogetherIsBeamedAndLongNotesAreTied() {
    String xml = new String(tune(HEAD + "CD E/F/G A5B|").xml());
    assertEquals(
        java.util.regex.Pattern.compile("<beam number=\"(\\d)\">([a-z ]+)<")
            .matcher(xml)
            .results()
            .map(m -> m.group(1) + m.group(2))
            .toList(),
        List.of(
            "1begin", "1end", "1begin", "2begin", "1continue", "2end", "1end", "1begin", "1end"));
    assertEquals(notes(tune(HEAD + "A5B3|")), "A4/2.5 B4/1.5");
  }

  @Test
  public void voicesAreParts() {
    Score s =
        MusicXmlReader.read(
            tune("X:1\nM:4/4\nL:1/4\nV:1 name=\"Flute\"\nV:2 clef=bass name=\"Trombone\"\nK:G\n"
                    + "V:1\ng4|a4|\nV:2\nG,4|F,4|")
                .xml());
    assertEquals(s.parts().stream().map(Part::name).toList(), List.of("Flute", "Trombone"));
    assertEquals(s.parts().get(1).topLine().orElseThrow().notes().get(1).pitch().toString(), "F#3");
  }

  /** Section 7.4: what stands behind the sign sounds together with the bar so far. */
  @Test
  public void whatIsLaidOverABarSoundsTogetherWithIt() {
    AbcReader.Tune t = tune("X:1\nM:4/4\nL:1/4\nK:C\ncdef & G4|gabc'|c2d2- & ^F2G2|d4|\n");
    assertEquals(problems(t), List.of());
    Part part = MusicXmlReader.read(t.xml()).parts().get(0);
    assertEquals(part.bars().size(), 4);
    assertEquals(
        part.lines().stream()
            .map(
                l ->
                    l.notes().stream()
                        .map(n -> n.pitch() + "@" + n.onset())
                        .collect(Collectors.joining(" ")))
            .toList(),
        List.of(
            "C5@0.0 D5@1.0 E5@2.0 F5@3.0 G5@4.0 A5@5.0 B5@6.0 C6@7.0 C5@8.0 D5@10.0",
            // who reads below plays what all play, where there is one voice
            "G4@0.0 G5@4.0 A5@5.0 B5@6.0 C6@7.0 F#4@8.0 G4@10.0 D5@12.0"));
    assertEquals(part.topLine().orElseThrow().notes().get(9).quarters(), 6.0, "tied over the bar");
    // one that is too long, or left empty, is told like any bar
    assertEquals(problems(tune("X:1\nM:4/4\nL:1/4\nK:C\ncdefg & G4|c4|\n")).size(), 1);
  }

  @Test
  public void severalTunesOfAFileAreSeveralPieces() {
    List<AbcReader.Tune> all =
        AbcReader.file("%abc-2.1\nfree text\n\nX:1\nT:One\nK:C\nC|\n\nX:2\nT:Two\nK:F\nB|\n");
    assertEquals(all.stream().map(t -> t.number() + t.title()).toList(), List.of("1One", "2Two"));
    assertEquals(notes(all.get(1)), "Bb4/0.5");
  }

  @Test
  public void aLengthInTheShortFormStaysAndBarsComeFromTheMetre() {
    assertEquals(
        notes(typed("4C D E F 8G A B c 4.d 8e 2f")),
        "C4/1 D4/1 E4/1 F4/1 G4/0.5 A4/0.5 B4/0.5 C5/0.5 D5/1.5 E5/0.5 F5/2");
    assertEquals(
        MusicXmlReader.read(typed("4C D E F 8G A B c 4.d 8e 2f").xml())
            .parts()
            .get(0)
            .bars()
            .size(),
        3);
  }

  @Test
  public void beamsInTheShortFormGoByTheBeat() {
    String xml = new String(typed("8C D E F 4G 8A z").xml());
    assertEquals(
        java.util.regex.Pattern.compile("<beam number=\"1\">([a-z ]+)<")
            .matcher(xml)
            .results()
            .map(m -> m.group(1))
            .toList(),
        List.of("begin", "end", "begin", "end"));
  }

  @Test
  public void exercisesThatArePastedHaveTheirNumbers() {
    List<AbcReader.Tune> all =
        AbcReader.read(
            "12. 4C D E F\n13) 2G A\n\n2c d",
            new AbcReader.Said(
                "F",
                "4/4",
                "1/4=80",
                new AbcReader.Page("Trumpet", new Transposition(-1, -2), "treble"),
                false));
    assertEquals(all.stream().map(AbcReader.Tune::number).toList(), List.of("12", "13", ""));
    Part p = MusicXmlReader.read(all.get(0).xml()).parts().get(0);
    assertEquals(p.name(), "Trumpet");
    assertEquals(p.transposition().semitones(), -2);
    assertEquals(p.key().fifths(), -1);
    assertEquals(p.topLine().orElseThrow().notes().get(0).tempo(), 80.0);
  }

  /** Four primes near a thousand have no measure in common that can be counted. */
  @Test
  public void lengthsThatCantBeCountedTogetherAreToldAndCostNoOtherBar() {
    for (AbcReader.Tune t :
        List.of(
            typed("8C D E/997 F/991 G/983 E/977 | A"),
            tune(HEAD + "C D E/997 F/991 G/983 E/977 | A|"))) {
      assertTrue(
          problems(t).stream().anyMatch(p -> p.contains("so long or so short")),
          problems(t).toString());
      String notes = notes(t);
      assertTrue(notes.startsWith("C4/0.5 D4/0.5"), notes);
      assertTrue(notes.endsWith("A4/0.5"), notes);
    }
  }

  /** While it is typed it is not written and read again; what is kept is the same music. */
  @Test
  public void aTuneIsTheSameMusicAsTheFileItIsKeptAs() {
    for (String abc :
        List.of(
            HEAD + "\"Am\"(A>B) {d}c2 !f!^c4|:[CE]8:|",
            HEAD + "V:1\nC4 D4|E8|\nV:2 clef=bass\nC,8|D,8|",
            "X:1\nT:A & B <C>\nK:G\n(3GAB c2 d4|w: la ly & low")) {
      AbcReader.Tune t = tune(abc);
      assertEquals(MusicXmlReader.read(t.file()), MusicXmlReader.read(t.xml()));
      assertEquals(
          Xml.write(t.file().root()), Xml.write(MusicXmlFile.of(t.xml()).root()), "ids and all");
    }
  }

  @Test(
      expectedExceptions = Limit.Exceeded.class,
      description = "a text that could be kept and not be read again is refused while it is typed")
  public void moreTextThanAFileHoldsIsRefused() {
    typed("4C " + "% a remark ".repeat(Limit.TEXT_LETTERS.most() / 10));
  }

  /** An accidental of what is typed from print counts in its own octave, as printed. */
  @Test
  public void whatIsTypedFromPrintIsReadAsPrint() {
    assertEquals(notes(typed("4^C c C z")), "C#4/1 C5/1 C#4/1");
  }

  @DataProvider
  public Object[][] slips() {
    return new Object[][] {
      {"4C D E", "no"},
      {"8 C D E F G A B c | 4C D E F | 2.C 4D |", "no"},
      {"4C D r F |", "no"},
      {"4C D F# G |", "1:7 ‘#’ stands before the letter, as ^: ^F for F sharp"},
      {"4C ? E F G |", "1:4 ‘?’ is no sign"},
      {"4C D E F | 4C D E | 4C D E F |", "1:13 Measure 2 has 3 quarter notes, not 4"},
      {"4C D \"E F", "1:6 the quotation mark is not closed"},
      {"4C D !fortissimo!E", "1:6 ‘fortissimo’ is no sign at a note"},
      {"[CE 4F", "1:1 the chord is not closed"},
      {"C0 D", "1:1 no note is so long or so short"},
      {"4(3:0:1C D E F", "1:2"},
    };
  }

  @Test(dataProvider = "slips")
  public void whatCantBeReadIsToldByItsColumn(String line, String said) {
    List<String> all = problems(typed(line));
    if (said.equals("no")) {
      assertEquals(all, List.of());
    } else {
      assertTrue(all.stream().anyMatch(p -> p.startsWith(said)), all.toString());
    }
  }
}
