package sempre.core.making;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;

/** Scales and chords are spelled and laid out as a teacher writes them on the board. */
public class MakerTest {
  private static final int BAR = 48;

  private static Setup setup(String instrument) {
    return Setup.of(Catalogue.standard().instrument(instrument), Map.of());
  }

  private static Exercise made(Maker.Wish wish, String tonic, String instrument, Stage stage) {
    return Maker.of(wish, Pitch.parse(tonic), setup(instrument), stage).orElseThrow();
  }

  private static Maker.Wish wish(Mode mode, Figure figure, int octaves) {
    return new Maker.Wish(mode, figure, Rhythm.EIGHTHS, Articulation.TONGUED, octaves, BAR);
  }

  private static List<String> names(Exercise e) {
    return e.tones().stream().map(t -> t.pitch().toString()).toList();
  }

  private static List<String> notes(String text) {
    return List.of(text.split(" "));
  }

  /** Against tonal (npm, MIT), which names the notes of 12 scales and 9 chords on six tonics. */
  @Test
  public void scalesAndChordsAreSpelledAsTonalSpellsThem() throws IOException {
    int lines = 0;
    try (InputStream in = MakerTest.class.getResourceAsStream("tonal.txt")) {
      for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList()) {
        String[] words = line.split(" ");
        if (line.startsWith("#")) {
          continue;
        }
        Mode mode = Mode.valueOf(words[0]);
        Pitch tonic = Pitch.parse(words[1] + "4");
        List<String> expected = Arrays.asList(words).subList(2, words.length);
        assertEquals(mode.size(), expected.size(), line);
        for (int i = 0; i < expected.size(); i++) {
          String name = mode.note(tonic, i, false).toString().replace("x", "##");
          assertEquals(name.substring(0, name.length() - 1), expected.get(i), line);
        }
        lines++;
      }
    }
    assertEquals(lines, 126);
  }

  @DataProvider
  public Object[][] modes() {
    return Arrays.stream(Mode.values()).map(m -> new Object[] {m}).toArray(Object[][]::new);
  }

  /** Up and down, every octave has the same notes, and no note is higher than the next. */
  @Test(dataProvider = "modes")
  public void anOctaveIsTwelveHalfStepsAndNoStepGoesBack(Mode mode) {
    Pitch tonic = Pitch.parse("D4");
    for (boolean down : new boolean[] {false, true}) {
      assertEquals(mode.note(tonic, mode.size(), down), Pitch.parse("D5"));
      for (int i = -mode.size(); i < mode.size(); i++) {
        int step = mode.note(tonic, i + 1, down).midi() - mode.note(tonic, i, down).midi();
        assertTrue(step >= 1 && step <= (mode.isChord() ? 6 : 3), mode + " " + i);
      }
    }
  }

  @Test
  public void aScaleGoesUpAndDownOnceAndEndsOnItsTonicWhichFillsTheBar() {
    Exercise e = made(wish(Mode.MAJOR, Figure.STEPS, 1), "D4", "trumpet", Stage.SCHOOL);
    assertEquals(names(e), notes("D4 E4 F#4 G4 A4 B4 C#5 D5 C#5 B4 A4 G4 F#4 E4 D4"));
    assertEquals(e.key().fifths(), 2);
    // fourteen eighths and a quarter are two bars
    assertEquals(e.tones().get(14).ticks(), 12);
  }

  @Test
  public void melodicMinorComesDownOtherwiseThanItGoesUp() {
    Exercise e = made(wish(Mode.MELODIC_MINOR, Figure.STEPS, 1), "A4", "flute", Stage.SCHOOL);
    assertEquals(names(e), notes("A4 B4 C5 D5 E5 F#5 G#5 A5 G5 F5 E5 D5 C5 B4 A4"));
    assertEquals(e.key().fifths(), 0);
  }

  @Test
  public void theChromaticScaleHasSharpsUpAndFlatsDown() {
    Exercise e = made(wish(Mode.CHROMATIC, Figure.STEPS, 1), "C4", "clarinet", Stage.SCHOOL);
    assertEquals(
        names(e).subList(0, 15), notes("C4 C#4 D4 D#4 E4 F4 F#4 G4 G#4 A4 A#4 B4 C5 B4 Bb4"));
  }

  @Test
  public void thirdsAndChordsAreMadeOfTheScalesOwnNotes() {
    assertEquals(
        names(made(wish(Mode.MAJOR, Figure.THIRDS, 1), "F4", "flute", Stage.SCHOOL)),
        notes("F4 A4 G4 Bb4 A4 C5 Bb4 D5 C5 E5 D5 F5" + " F5 D5 E5 C5 D5 Bb4 C5 A4 Bb4 G4 A4 F4"));
    assertEquals(
        names(made(wish(Mode.MAJOR, Figure.TRIADS, 1), "F4", "flute", Stage.SCHOOL)).subList(0, 6),
        notes("F4 A4 C5 G4 Bb4 D5"));
    assertEquals(
        names(made(wish(Mode.DOMINANT_SEVENTH, Figure.STEPS, 1), "G4", "flute", Stage.SCHOOL)),
        notes("G4 B4 D5 F5 G5 F5 D5 B4 G4"));
  }

  /** A clarinet of the first years has E3 to C5: F is the lowest tonic, the rest goes round it. */
  @Test
  public void theWholeRangeGoesFromTheLowestTonicUpDownAndBack() {
    Setup clarinet = setup("clarinet");
    var range = clarinet.instrument().compass(clarinet.options()).of(Stage.FIRST_YEARS);
    Exercise e = made(wish(Mode.MAJOR, Figure.STEPS, 0), "F4", "clarinet", Stage.FIRST_YEARS);
    assertEquals(e.tonic(), Pitch.parse("F3"));
    assertEquals(names(e).get(0), "F3");
    assertEquals(names(e).get(e.tones().size() - 1), "F3");
    assertTrue(e.tones().stream().allMatch(t -> range.has(t.pitch())));
    assertTrue(e.highest().midi() > range.to().midi() - 3);
    assertTrue(e.lowest().midi() < range.from().midi() + 3);
  }

  @Test
  public void aKeyOfMoreThanSevenSignsIsWrittenAsItsOther() {
    assertEquals(Mode.MAJOR.spelled(Pitch.parse("G#4")), Pitch.parse("Ab4"));
    assertEquals(Mode.NATURAL_MINOR.spelled(Pitch.parse("Db4")), Pitch.parse("C#4"));
    assertEquals(Mode.MAJOR.spelled(Pitch.parse("C#4")), Pitch.parse("C#4"));
  }

  @Test
  public void slursGoByTheBarOrByTheirGroups() {
    Maker.Wish bars =
        new Maker.Wish(Mode.MAJOR, Figure.STEPS, Rhythm.QUARTERS, Articulation.SLURRED, 1, BAR);
    Exercise e = made(bars, "C4", "flute", Stage.SCHOOL);
    assertEquals(
        e.tones().stream().map(t -> t.slurs() ? "~" : "|").toList(),
        notes("~ ~ ~ | ~ ~ ~ | ~ ~ ~ | ~ ~ |"));
    Maker.Wish groups =
        new Maker.Wish(
            Mode.MAJOR, Figure.STEPS, Rhythm.SIXTEENTHS, Articulation.SLUR_TWO_TONGUE_TWO, 1, BAR);
    assertEquals(
        made(groups, "C4", "flute", Stage.SCHOOL).tones().stream()
            .map(t -> t.slurs() ? "~" : "|")
            .toList(),
        notes("~ | | | ~ | | | ~ | | | ~ | |"));
  }

  @DataProvider
  public Object[][] instruments() {
    return Catalogue.standard().instruments().stream()
        .map(i -> new Object[] {i})
        .toArray(Object[][]::new);
  }

  /** Nothing is asked of a player that the instrument has no fingering for. */
  @Test(dataProvider = "instruments")
  public void whatIsMadeCanBePlayed(Instrument i) {
    Setup setup = Setup.of(i, Map.of());
    int made = 0;
    for (Mode mode : Mode.values()) {
      for (Figure figure : Figure.values()) {
        for (int octaves = 0; octaves <= 2; octaves++) {
          for (String tonic : List.of("C4", "Eb4", "F#4", "B4")) {
            var e = Maker.of(wish(mode, figure, octaves), Pitch.parse(tonic), setup, Stage.SCHOOL);
            if (e.isPresent()) {
              made++;
              assertFalse(e.get().tones().stream().anyMatch(t -> setup.ways(t.pitch()).isEmpty()));
              assertEquals(e.get().tones().stream().mapToInt(Exercise.Tone::ticks).sum() % BAR, 0);
            }
          }
        }
      }
    }
    assertTrue(made > Mode.values().length);
  }
}
