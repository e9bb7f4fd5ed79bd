package sempre.formats.abc;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;

/** Music as teachers write it on the board. */
public class PlainLettersTest {
  private static List<AbcReader.Tune> read(
      String text, String key, String instrument, boolean german) {
    Instrument i = Catalogue.standard().instrument(instrument);
    Setup setup = Setup.of(i, Map.of());
    var first = i.compass(setup.options()).of(Stage.FIRST_YEARS);
    return PlainLetters.read(
        text,
        new AbcReader.Said(
            key, "4/4", "", new AbcReader.Page(i.name(), i.transposition(), i.clef()), false),
        new PlainLetters.Reach(
            first.from().midi(), first.to().midi(), setup.lowest().midi(), setup.highest().midi()),
        german);
  }

  private static AbcReader.Tune one(String text, String key, String instrument) {
    return read(text, key, instrument, false).get(0);
  }

  private static List<Note> notes(AbcReader.Tune t) {
    Part part = MusicXmlReader.read(MusicXmlFile.of(t.xml())).parts().get(0);
    return part.topLine().orElseThrow().notes();
  }

  /** Pitches with their lengths in quarters. */
  private static String heard(AbcReader.Tune t) {
    return notes(t).stream()
        .map(n -> n.pitch() + (n.quarters() == 1 ? "" : "/" + n.quarters()))
        .collect(Collectors.joining(" "));
  }

  private static List<String> keys(List<Problem> all) {
    return all.stream().map(p -> p.saying().key()).toList();
  }

  @DataProvider
  Object[][] asTeachersWrite() {
    return new Object[][] {
      // names, with accidentals behind them; the length is a quarter until one is said
      {"Bb C D Eb F", "Bb", "trumpet", "Bb3 C4 D4 Eb4 F4"},
      {"Bb C D Eb F", "C", "flute", "Bb4 C5 D5 Eb5 F5"},
      {"bb c d eb f", "Bb", "flute", "Bb4 C5 D5 Eb5 F5"},
      {"B♭ C D E♭", "C", "tuba", "Bb1 C2 D2 Eb2"},
      {"4C D 8E F", "C", "trumpet", "C4 D4 E4/0.5 F4/0.5"},
      {"4H C D", "C", "recorder-soprano", "B4 C5 D5"},
      // octaves as the program itself writes them, and leaps
      {"Bb4 C5 D5", "C", "flute", "Bb4 C5 D5"},
      {"F#4 G4", "C", "clarinet", "F#4 G4"},
      {"C4 G C' G, C", "C", "trumpet", "C4 G3 C5 G3 C4"},
      {"C E G C5", "C", "trumpet", "C4 E4 G4 C5"},
      // capitals and small letters are one, whatever stands before
      {"C d E f G", "C", "trumpet", "C4 D4 E4 F4 G4"},
      {"gabc", "C", "recorder-soprano", "G4 A4 B4 C5"},
      {"do re mi fa sol", "C", "trumpet", "C4 D4 E4 F4 G4"},
      {"sib do re mib", "C", "flute", "Bb4 C5 D5 Eb5"},
      // a name says itself: a B behind a B flat is one by the key alone
      {"Bb A B C | B Bb A G", "C", "flute", "Bb4 A4 B4 C5 B4 Bb4 A4 G4"},
      {"B A B= Bb", "F", "flute", "Bb4 A4 B4 Bb4"},
      // rests, ties, slurs with a length, triplets, chords
      {"4C r D r", "C", "trumpet", "C4 D4"},
      {"(4C D) (3EFG", "C", "trumpet", "C4 D4 E4/0.667 F4/0.667 G4/0.667"},
      {"2[CEG] [DF]", "C", "trumpet", "G4/2.0 F4/2.0"},
    };
  }

  @Test(dataProvider = "asTeachersWrite")
  public void isReadAsItIsMeant(String text, String key, String instrument, String heard) {
    String found = heard(one(text, key, instrument)).replaceAll("0\\.66\\d+", "0.667");
    assertEquals(found, heard, text);
  }

  @Test
  public void germanNamesAreReadWhereTheyAreUsed() {
    assertEquals(heard(read("B A H C", "C", "flute", true).get(0)), "Bb4 A4 B4 C5");
    AbcReader.Tune t = read("4H A B", "C", "flute", true).get(0);
    String kept = PlainLetters.typed(t.root()).orElseThrow();
    // whoever opens it later, with whatever names, has the same notes
    assertEquals(heard(read(kept, "C", "flute", false).get(0)), heard(t));
    assertEquals(
        heard(read(PlainLetters.named("A B C", true), "C", "flute", true).get(0)), "A4 B4 C5");
  }

  @Test
  public void withoutALengthTheOneIsTakenThatFillsTheMeasures() {
    AbcReader.Tune eighths = one("C D E F G A B C | C B A G F E D C |", "C", "trumpet");
    assertTrue(notes(eighths).stream().allMatch(n -> n.quarters() == 0.5));
    assertEquals(keys(eighths.remarks()), List.of("letters.length"));
    assertEquals(eighths.remarks().get(0).saying().with().get("length"), "8");
    AbcReader.Tune halves = one("|: C D | E C :|", "C", "trumpet");
    assertTrue(notes(halves).stream().allMatch(n -> n.quarters() == 2));
    assertTrue(halves.problems().isEmpty());
    assertTrue(one("4C D E F | G1 |", "C", "trumpet").remarks().size() < 2);
    assertEquals(keys(one("8C D", "C", "trumpet").remarks()), List.of());
  }

  @Test
  public void whatIsDoubtfulIsSaidWithWhatItBecomes() {
    assertTrue(keys(one("4Bb A B", "Bb", "flute").remarks()).contains("letters.by-key"));
    assertTrue(keys(one("4ab c", "C", "flute").remarks()).contains("letters.flat"));
    assertTrue(keys(one("4H", "C", "flute").remarks()).contains("letters.h"));
    AbcReader.Tune far = one("4C2 D", "C", "flute");
    assertTrue(keys(far.remarks()).contains("letters.far"));
    assertEquals(far.remarks().get(0).saying().with().get("length"), "2C");
    AbcReader.Tune odd = one("4C T D", "C", "flute");
    assertEquals(keys(odd.problems()), List.of("letters.no-note"));
    assertEquals(odd.problems().get(0).column(), 4);
    assertEquals(heard(odd), "C5 D5");
    assertEquals(keys(one("4Bb C D Eb F", "Bb", "flute").remarks()), List.of());
  }

  @Test
  public void measuresThatDoNotFitAreToldInOneSentence() {
    AbcReader.Tune t = one("4C D E F | G A B | C D | E F G A | B C |", "C", "trumpet");
    assertEquals(keys(t.problems()), List.of("abc.bars"));
    assertEquals(t.problems().get(0).saying().with().get("bars"), List.of(2, 3, 5));
    assertEquals(t.problems().get(0).column(), 12);
    assertEquals(keys(one("4C D E | C D E F |", "C", "trumpet").problems()), List.of());
    assertEquals(keys(one("4C D E F G | C D E F |", "C", "trumpet").problems()).size(), 1);
  }

  @Test
  public void severalExercisesStandUnderEachOther() {
    List<AbcReader.Tune> all = read("1. Bb C D Eb\n2. 8C D E F\n\nF# G", "C", "flute", false);
    assertEquals(all.stream().map(AbcReader.Tune::number).toList(), List.of("1", "2", ""));
    assertEquals(all.stream().map(AbcReader.Tune::text).toList().get(1), "8C D E F");
    assertEquals(heard(all.get(2)), "F#5 G5");
    assertEquals(all.get(2).remarks().get(0).line(), 4);
  }

  @Test
  public void abcStaysAbcByItsHeader() {
    assertFalse(PlainLetters.is("X:1\nT:Reel\nK:D\nA2 fg"));
    assertFalse(PlainLetters.is("%abc\nCDEF cdef"));
    assertFalse(PlainLetters.is("T:Reel\nL:1/8\nK:D\nabc"));
    assertTrue(PlainLetters.is("K:Bb\nM:4/4\nBb C D Eb"));
    assertTrue(PlainLetters.is("1. Bb C D\n2. C D"));
    // the text is kept with what stood beside it, and is read again to the same
    AbcReader.Tune t = one("Bb C D Eb | =E2 F#4 r Bb |", "Eb", "flute");
    String kept = PlainLetters.typed(t.root()).orElseThrow();
    assertEquals(heard(one(kept, "C", "flute")), heard(t));
  }

  /** Whatever is typed becomes music or is told: nothing stops the reading. */
  @Test
  public void nothingThatIsTypedStopsTheReading() {
    String signs = "ABCDEFGHabcdefgh#b♭♯=_^0123456789|:()[]{}-.,'\"!/<>&~rzxTLM %\n";
    java.util.Random random = new java.util.Random(34);
    for (int i = 0; i < 700; i++) {
      StringBuilder text = new StringBuilder();
      int n = random.nextInt(40);
      for (int k = 0; k < n; k++) {
        text.append(signs.charAt(random.nextInt(signs.length())));
      }
      if (PlainLetters.is(text.toString())) {
        for (AbcReader.Tune t : read(text.toString(), "Bb", "clarinet", i % 2 == 0)) {
          t.problems().forEach(p -> assertTrue(p.line() > 0 && p.column() > 0, text.toString()));
          MusicXmlReader.read(MusicXmlFile.of(t.xml()));
        }
      }
    }
  }
}
