package sempre.core.making;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.making.SightReading.Level;
import sempre.core.making.SightReading.Wish;
import sempre.core.pitch.Pitch;

/** What is made to be read at sight keeps to what the player has, over thousands of numbers. */
public class SightReadingTest {
  private static final int SEEDS = 1_000;

  private static List<Pitch> notes(String text) {
    return Arrays.stream(text.split(" ")).map(Pitch::parse).toList();
  }

  @DataProvider
  public Object[][] players() {
    return new Object[][] {
      {"a recorder's first three notes", "G4 A4 B4", Level.QUARTERS_AND_HALVES, 5, 4},
      {"the first five of a band", "Bb4 C5 D5 Eb5 F5", Level.EIGHTHS, 7, 8},
      {
        "a clarinet of the second year",
        "E3 F3 F#3 G3 A3 Bb3 B3 C4 C#4 D4 Eb4 E4 F4 F#4 G4 A4 Bb4 B4 C5 D5",
        Level.DOTTED,
        8,
        8
      },
      {
        "a flute that has all",
        "C4 C#4 D4 Eb4 E4 F4 F#4 G4 Ab4 A4 Bb4 B4 C5 C#5 D5 Eb5 E5 F5 F#5 G5 Ab5 A5 Bb5 B5 C6",
        Level.SIXTEENTHS,
        12,
        16
      },
    };
  }

  @Test(dataProvider = "players")
  public void itHasOnlyNotesThatThereAreEndsOnTheTonicAndLeapsNoFarther(
      String who, String has, Level level, int leap, int bars) {
    Set<Integer> allowed = new HashSet<>();
    notes(has).forEach(p -> allowed.add(p.midi()));
    Set<List<Exercise.Tone>> met = new HashSet<>();
    int steps = 0;
    int moves = 0;
    for (int seed = 0; seed < SEEDS; seed++) {
      SightReading.Piece piece =
          SightReading.of(new Wish(notes(has), level, leap, bars, seed)).orElseThrow();
      Exercise e = piece.music();
      String where = who + ", " + seed;
      List<Exercise.Tone> tones = e.tones();
      int length = tones.stream().mapToInt(Exercise.Tone::ticks).sum();
      assertEquals(length, bars * e.bar(), where);
      Exercise.Tone last = tones.get(tones.size() - 1);
      assertEquals(last.pitch().letter(), e.tonic().letter(), where);
      assertEquals(last.pitch().alter(), e.tonic().alter(), where);
      assertEquals(last.ticks(), e.bar(), where);
      for (int i = 0; i < tones.size(); i++) {
        Pitch p = tones.get(i).pitch();
        assertTrue(allowed.contains(p.midi()), where + " " + p);
        assertEquals(p.alter(), e.key().alterOf(p.letter()), where + " " + p + " is in the key");
        if (i > 0) {
          int wide = Math.abs(p.midi() - tones.get(i - 1).pitch().midi());
          assertTrue(wide <= leap, where + " leap " + wide);
          moves++;
          steps += wide <= 2 ? 1 : 0;
        }
      }
      met.add(tones);
    }
    assertTrue(met.size() > 0.99 * SEEDS || has.length() < 10, met.size() + " are different");
    assertTrue(steps > 0.4 * moves, "it sings: " + steps + " steps of " + moves);
  }

  /**
   * Eight bars: the fourth ends on a note of the dominant, the last comes from beside the tonic.
   */
  @Test
  public void aPhraseAsksAndTheNextAnswers() {
    int led = 0;
    for (int seed = 0; seed < 300; seed++) {
      Exercise e =
          SightReading.of(new Wish(notes("G4 A4 B4 C5 D5 E5 F#5 G5"), Level.EIGHTHS, 8, 8, seed))
              .orElseThrow()
              .music();
      int at = 0;
      List<Exercise.Tone> tones = e.tones();
      for (int i = 0; i < tones.size(); i++) {
        at += tones.get(i).ticks();
        if (at == 4 * e.bar()) {
          int degree = tones.get(i).pitch().letter().ordinal() - e.tonic().letter().ordinal();
          assertTrue(Set.of(4, 6, 1).contains(Math.floorMod(degree, 7)), seed + ": " + degree);
        }
      }
      int before =
          Math.abs(
              tones.get(tones.size() - 2).pitch().midi()
                  - tones.get(tones.size() - 1).pitch().midi());
      led += before == 1 || before == 2 ? 1 : 0;
    }
    assertTrue(led > 280, "by a step to the tonic: " + led + " of 300");
  }

  @Test
  public void theSameNumberIsTheSamePieceAndTooFewNotesAreNone() {
    Wish wish = new Wish(notes("C4 D4 E4 F4 G4"), Level.EIGHTHS, 7, 8, 417);
    assertEquals(SightReading.of(wish), SightReading.of(wish));
    assertTrue(SightReading.of(new Wish(notes("C4 D4"), Level.EIGHTHS, 7, 8, 1)).isEmpty());
    // with a hole between them there is no scale
    assertTrue(SightReading.of(new Wish(notes("C4 F#4 B4"), Level.EIGHTHS, 12, 8, 1)).isEmpty());
  }

  /**
   * The file that another program counts: web/src/lib/sight.test.ts asks tonal (npm, MIT) for the
   * intervals and the tonic of each.
   */
  @Test
  public void whatAnotherProgramCountsIsWhatIsMadeHere() throws IOException {
    List<String> lines = new ArrayList<>();
    for (int seed = 0; seed < 200; seed++) {
      Wish wish =
          new Wish(notes("D4 E4 F#4 G4 A4 B4 C5 C#5 D5 E5 F#5 G5"), Level.DOTTED, 9, 8, seed);
      SightReading.Piece p = SightReading.of(wish).orElseThrow();
      lines.add(
          p.music().tonic().spokenName().replace('♯', '#').replace('♭', 'b')
              + (p.minor() ? " minor" : " major")
              + ": "
              + String.join(
                  " ", p.music().tones().stream().map(t -> t.pitch().toString()).toList()));
    }
    Path file = Path.of("src/test/resources/sempre/core/making/sight.txt");
    if (System.getProperty("sight.write") != null) {
      Files.write(file, lines, StandardCharsets.UTF_8);
    }
    assertEquals(Files.readAllLines(file, StandardCharsets.UTF_8), lines);
  }
}
