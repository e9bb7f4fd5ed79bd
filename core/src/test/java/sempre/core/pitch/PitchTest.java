package sempre.core.pitch;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Refusal;

public class PitchTest {
  /** MIDI numbers as the MIDI 1.0 specification has them: middle C is 60, the tuning A is 69. */
  @DataProvider
  public Object[][] midi() {
    return new Object[][] {
      {"C4", 60},
      {"A4", 69},
      {"B#4", 72},
      {"Cb5", 71},
      {"Fx4", 67},
      {"Ebb4", 62},
      {"C-1", 0},
      {"F♯3", 54},
      {"B♭3", 58}
    };
  }

  @Test(dataProvider = "midi")
  public void aSpelledPitchHasItsMidiNumber(String text, int midi) {
    assertEquals(Pitch.parse(text).midi(), midi);
  }

  @Test
  public void writesWhatItReads() {
    for (String text : new String[] {"Bb4", "F#5", "Cb5", "B#4", "Fx4", "Ebb4", "G3"}) {
      assertEquals(Pitch.parse(text).toString(), text);
    }
  }

  @Test
  public void enharmonicPitchesSoundAlikeButAreNotEqual() {
    assertTrue(Pitch.parse("C#5").soundsAs(Pitch.parse("Db5")));
    assertFalse(Pitch.parse("C#5").equals(Pitch.parse("Db5")));
  }

  @Test
  public void whatIsNoNoteIsRefusedWithAnExample() {
    for (String text : new String[] {"", "H4", "Bb", "4B", "Bbbb4", "C99"}) {
      Exception e = expect(() -> Pitch.parse(text));
      assertTrue(
          e.getMessage().contains("error.no-pitch") || e.getMessage().contains("error.octave"),
          e.getMessage());
    }
  }

  /** Common practice, no source: concert A flat on nine players' pages. */
  @DataProvider
  public Object[][] concertAFlat() {
    return new Object[][] {
      {"flute", new Transposition(0, 0), "Ab4"},
      {"clarinet, tenor saxophone an octave up, trumpet", new Transposition(-1, -2), "Bb4"},
      {"alto saxophone", new Transposition(-5, -9), "F5"},
      {"horn", new Transposition(-4, -7), "Eb5"},
    };
  }

  @Test(dataProvider = "concertAFlat")
  public void oneConcertPitchStandsOnEachPageAsItShould(
      String who, Transposition transposition, String written) {
    Pitch concert = Pitch.parse("Ab4");
    assertEquals(transposition.written(concert).toString(), written, who);
    assertEquals(transposition.sounding(Pitch.parse(written)), concert, who);
  }

  @Test
  public void aTranspositionMovesTheKeyByItsFifths() {
    // concert B flat is C for the trumpet and G for the alto saxophone
    KeySignature concert = new KeySignature(-2);
    assertEquals(concert.plus(-new Transposition(-1, -2).fifths()).fifths(), 0);
    assertEquals(concert.plus(-new Transposition(-5, -9).fifths()).fifths(), 1);
    assertEquals(new Transposition(7, 12).fifths(), 0);
  }

  @Test
  public void aKeySignatureAltersItsLettersInOrder() {
    KeySignature threeFlats = new KeySignature(-3);
    assertEquals(threeFlats.alterOf(Letter.B), -1);
    assertEquals(threeFlats.alterOf(Letter.E), -1);
    assertEquals(threeFlats.alterOf(Letter.A), -1);
    assertEquals(threeFlats.alterOf(Letter.D), 0);
    assertEquals(new KeySignature(1).alterOf(Letter.F), 1);
    assertEquals(new KeySignature(1).alterOf(Letter.C), 0);
    assertEquals(new KeySignature(6).plus(3).fifths(), -3);
    assertThrows(Refusal.class, () -> new KeySignature(8));
  }

  /** Keys have at most seven sharps or flats, and none is written with more than six here. */
  @DataProvider
  public Object[][] spellings() {
    return new Object[][] {
      {"D#5", "Eb5"}, {"G#4", "Ab4"}, {"A#3", "Bb3"}, {"E#4", "F4"}, {"B#3", "C4"}, {"Cb5", "B4"},
      {"Fb4", "E4"}, {"F#4", "F#4"}, {"Gb4", "Gb4"}, {"C#5", "Db5"}, {"Db5", "Db5"}, {"Bb4", "Bb4"}
    };
  }

  @Test(dataProvider = "spellings")
  public void aNoteIsSpelledAsTheTonicOfAKey(String given, String spelled) {
    assertEquals(Pitch.parse(given).inAKey(), Pitch.parse(spelled));
    assertEquals(Pitch.parse(given).midi(), Pitch.parse(spelled).midi());
  }

  @Test
  public void aNameHasAnOctaveOnlyWhereOneIsSaid() {
    assertEquals(NoteName.parse("b♭").toString(), "Bb");
    assertEquals(NoteName.parse("Bb3").displayName(), "B♭3");
    assertEquals(NoteName.parse("F#").octave(), java.util.OptionalInt.empty());
    assertEquals(NoteName.of(Pitch.parse("Eb5")).toString(), "Eb");
    assertTrue(
        expect(() -> NoteName.parse("H")).getMessage().contains("error.no-note-name {typed=H}"));
  }

  /** A row goes to the nearest note of a name: never farther than a fourth, by the letters. */
  @Test
  public void aNameLiesNextToTheNoteBeforeIt() {
    assertEquals(NoteName.parse("C").nearestTo(Pitch.parse("Bb4")), Pitch.parse("C5"));
    assertEquals(NoteName.parse("Bb").nearestTo(Pitch.parse("C5")), Pitch.parse("Bb4"));
    assertEquals(NoteName.parse("F").nearestTo(Pitch.parse("Bb4")), Pitch.parse("F4"));
    assertEquals(NoteName.parse("F").nearestTo(Pitch.parse("C4")), Pitch.parse("F4"));
    assertEquals(NoteName.parse("G").nearestTo(Pitch.parse("C4")), Pitch.parse("G3"));
    assertEquals(NoteName.parse("F#").nearestTo(Pitch.parse("F4")), Pitch.parse("F#4"));
  }

  private static Exception expect(Runnable action) {
    try {
      action.run();
    } catch (Refusal e) {
      return e;
    }
    throw new AssertionError("nothing was refused");
  }
}
