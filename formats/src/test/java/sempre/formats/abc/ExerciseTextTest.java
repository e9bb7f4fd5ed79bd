package sempre.formats.abc;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.making.Articulation;
import sempre.core.making.Exercise;
import sempre.core.making.Figure;
import sempre.core.making.Maker;
import sempre.core.making.Mode;
import sempre.core.making.Rhythm;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.musicxml.MusicXmlReader;

/** An exercise that is made is typed as a teacher would type it, and reads back to its notes. */
public class ExerciseTextTest {
  private static final int BAR = 48;

  private static Exercise made(Mode mode, Figure figure, Rhythm rhythm, Articulation how, int bar) {
    Setup trumpet = Setup.of(Catalogue.standard().instrument("trumpet"), Map.of());
    return Maker.of(
            new Maker.Wish(mode, figure, rhythm, how, 1, bar),
            Pitch.parse("D4"),
            trumpet,
            Stage.SCHOOL)
        .orElseThrow();
  }

  private static String typed(Mode mode, Rhythm rhythm, Articulation how) {
    return ExerciseText.of(made(mode, Figure.STEPS, rhythm, how, BAR));
  }

  @Test
  public void aScaleIsTypedShortly() {
    assertEquals(
        typed(Mode.MAJOR, Rhythm.EIGHTHS, Articulation.SLUR_TWO),
        "8(D4E) (F#G) (AB) (C#D) | (C#B) (AG) (F#E) 4D |]");
    assertEquals(
        typed(Mode.MELODIC_MINOR, Rhythm.LONG_SHORT, Articulation.STACCATO).split(" \\| ")[0],
        "8.!staccato!D4 16!staccato!E 8.!staccato!F 16!staccato!G"
            + " 8.!staccato!A 16!staccato!=B 8.!staccato!C# 16!staccato!D");
    // the last note of a triplet is held on to the end of the bar
    assertEquals(
        typed(Mode.MAJOR, Rhythm.TRIPLETS, Articulation.TONGUED),
        "8(3D4EF# (3GAB (3C#DC# (3BAG | (3F#ED- 2.D |]");
  }

  /** All figures and all articulations in all rhythms, in bars of four, three and two beats. */
  @Test
  public void whatIsTypedReadsBackToTheSameNotes() {
    int read = 0;
    for (Rhythm rhythm : Rhythm.values()) {
      for (int bar : new int[] {48, 36, 24}) {
        for (Figure figure : Figure.values()) {
          readsBack(made(Mode.HARMONIC_MINOR, figure, rhythm, Articulation.SLURRED, bar), bar);
          read++;
        }
        for (Articulation how : Articulation.values()) {
          readsBack(made(Mode.CHROMATIC, Figure.STEPS, rhythm, how, bar), bar);
          read++;
        }
      }
    }
    assertEquals(read, 12 * 3 * (10 + 10));
  }

  @Test
  public void upbeatsAndRestsStandWhereTheyWereMade() {
    Pitch g = Pitch.parse("G4");
    Exercise e =
        new Exercise(
            g,
            KeySignature.NATURAL,
            48,
            12,
            List.of(
                new Exercise.Tone(g, 6, true, ""),
                new Exercise.Tone(Pitch.parse("A4"), 6, false, ""),
                new Exercise.Tone(Pitch.parse("B4"), 12, false, "", 12),
                new Exercise.Tone(Pitch.parse("C5"), 18, false, "staccato", 6)));
    Part part = readsBack(e, 48);
    assertEquals(part.bars().get(0).quarters(), 1, 0.01);
    List<Note> notes = part.topLine().orElseThrow().notes();
    assertEquals(notes.get(2).onset(), 1, 0.01);
    assertEquals(notes.get(3).onset(), 3, 0.01);
    assertEquals(notes.get(3).bar(), 1);
  }

  private static Part readsBack(Exercise e, int bar) {
    Instrument trumpet = Catalogue.standard().instrument("trumpet");
    String text = ExerciseText.of(e, bar == BAR);
    AbcReader.Tune tune =
        PlainLetters.read(
                text,
                new AbcReader.Said(
                    ExerciseText.key(e.key()),
                    bar / Rhythm.QUARTER + "/4",
                    "",
                    new AbcReader.Page(trumpet.name(), trumpet.transposition(), trumpet.clef()),
                    false),
                new PlainLetters.Reach(60, 72, 54, 84),
                bar == BAR)
            .get(0);
    assertTrue(tune.problems().isEmpty(), text);
    Part part = MusicXmlReader.read(MusicXmlFile.of(tune.xml())).parts().get(0);
    List<Note> notes = part.topLine().orElseThrow().notes();
    assertEquals(
        notes.stream().map(Note::pitch).toList(),
        e.tones().stream().map(Exercise.Tone::pitch).toList(),
        text);
    for (int i = 0; i < notes.size(); i++) {
      String where = i + ": " + text;
      double ticks = notes.get(i).quarters() * Rhythm.QUARTER;
      assertEquals(ticks, e.tones().get(i).ticks(), 0.01, where);
      assertEquals(notes.get(i).slurToNext(), e.tones().get(i).slurs(), where);
    }
    return part;
  }
}
