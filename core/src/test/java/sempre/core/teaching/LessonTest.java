package sempre.core.teaching;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

public class LessonTest {
  /** One who has these notes with their standard fingerings. */
  private static Player knowing(String id, String... notes) {
    Setup setup = Setup.of(Catalogue.standard().instrument(id), Map.of());
    Set<String> known = new HashSet<>();
    for (String n : notes) {
      Pitch p = Pitch.parse(n);
      known.add(Player.Known.key(p, setup.ways(p).get(0).entry().fingering()));
    }
    return Player.of(setup, Map.of(), Set.of(), Optional.of(new Player.Known(known)));
  }

  /** Common practice, no source: teach by the nearest note, what moves and what stays. */
  @DataProvider
  public Object[][] nearest() {
    return new Object[][] {
      {
        "flute",
        "Ab4",
        "G4 B4",
        "As for G4: add the G sharp key (left little finger); all else stays."
      },
      {
        "recorder-soprano",
        "C6",
        "B4",
        "As for B4: add the left second finger; lift the left first finger; all else stays."
      },
      {"flute", "F4", "E4", "As for E4: lift the right second finger; all else stays."},
      {"trumpet", "Ab3", "C4 G4", null},
      {"trumpet", "Bb4", "C4 G4", "The same as for G4: only air and lips change."},
      {
        "trombone",
        "C4",
        "Bb3",
        "As for B♭3: the slide goes out from first position to third position."
      },
      {"clarinet", "D4", "D4", null},
    };
  }

  @Test(dataProvider = "nearest")
  public void aNewNoteIsTaughtByTheNearestOneThePlayerHas(
      String id, String concert, String has, String sentence) {
    Lesson l =
        Lesson.of(Pitch.parse(concert), knowing(id, has.split(" ")), Stage.SCHOOL).orElseThrow();
    assertTrue(l.from().isPresent(), id);
    if (sentence != null) {
      assertEquals(l.from().get().sentence(), sentence);
    }
  }

  @Test
  public void aFingerThatGoesFromKeyToKeyIsNamedWithBoth() {
    Setup flute = Setup.of(Catalogue.standard().instrument("flute"), Map.of());
    Pitch a = Pitch.parse("A4");
    Player thumb =
        Player.of(
            flute,
            Map.of("bFlat", "thumb"),
            Set.of(),
            Optional.of(
                new Player.Known(
                    Set.of(Player.Known.key(a, flute.ways(a).get(0).entry().fingering())))));
    Lesson l = Lesson.of(Pitch.parse("Bb4"), thumb, Stage.SCHOOL).orElseThrow();
    assertEquals(l.entry().label(), "thumb B flat");
    assertEquals(
        l.from().orElseThrow().sentence(),
        "As for A4: lift the left second finger; the left thumb goes from the thumb key to the"
            + " thumb B flat lever; all else stays.");
  }

  @Test
  public void whoHasNothingYetIsComparedWithNothing() {
    Lesson l = Lesson.of(Pitch.parse("Bb4"), knowing("flute"), Stage.FIRST_YEARS).orElseThrow();
    assertTrue(l.from().isEmpty());
    assertFalse(l.has());
    assertFalse(l.air().isEmpty());
  }

  /** Common practice, no source: B flat 4 on a trumpet gives F4 with slack lips. */
  @Test
  public void whatComesOutInsteadIsSaidWithItsMend() {
    Lesson l =
        Lesson.of(Pitch.parse("Ab4"), knowing("trumpet", "C4", "G4"), Stage.SCHOOL).orElseThrow();
    assertEquals(l.written(), Pitch.parse("Bb4"));
    Lesson.Mistake f =
        l.mistakes().stream()
            .filter(m -> m.written().equals(Pitch.parse("F4")))
            .findFirst()
            .orElseThrow();
    assertTrue(f.why().contains("slack"), f.why());
    assertFalse(f.mend().isEmpty());
  }

  /** Common practice, no source: beginners of every instrument meet a pitch in the middle. */
  @Test
  public void aLowInstrumentDoesNotClimbForAPitchNamedInTheMiddle() {
    for (String id : List.of("baritone-sax", "bass-clarinet", "tuba", "bassoon")) {
      Setup s = Setup.of(Catalogue.standard().instrument(id), Map.of());
      Lesson l = Lesson.of(Pitch.parse("Ab4"), Player.able(s), Stage.SCHOOL).orElseThrow();
      assertTrue(
          s.instrument().compass(Map.of()).of(Stage.FIRST_YEARS).has(l.written()),
          id + " " + l.written());
    }
  }

  /** Common practice, no source; thought through by which holes close. */
  @Test
  public void aWrongFingerIsToldWhereNoOtherRegisterSounds() {
    Lesson open = Lesson.written(Pitch.parse("G4"), knowing("clarinet", "F#4")).orElseThrow();
    assertEquals(open.mistakes().get(0).written().toString(), "F#4");
    assertTrue(
        open.mistakes().get(0).why().contains("left first finger is down too"), open.toString());
    Lesson fork = Lesson.written(Pitch.parse("Bb4"), knowing("recorder-soprano")).orElseThrow();
    assertTrue(
        fork.mistakes().stream()
            .anyMatch(
                m ->
                    m.written().toString().equals("B4")
                        && m.why().equals("the fingers below the open hole are forgotten")),
        fork.mistakes().toString());
  }

  @Test
  public void aNoteHigherThanAllThatWasHeardCarriesItsCaution() {
    Player low = knowing("trumpet", "C4", "D4");
    assertTrue(
        Lesson.of(Pitch.parse("F4"), low, Stage.SCHOOL).orElseThrow().caution().contains("lips"));
    Player high = knowing("trumpet", "C4", "C5");
    assertEquals(Lesson.of(Pitch.parse("F4"), high, Stage.SCHOOL).orElseThrow().caution(), "");
    Player has = knowing("trumpet", "G4");
    Lesson known = Lesson.of(Pitch.parse("F4"), has, Stage.SCHOOL).orElseThrow();
    assertTrue(known.has());
    assertEquals(known.caution(), "");
  }

  @Test
  public void higherRegistersAreBlownFaster() {
    for (Instrument i : Catalogue.standard().instruments()) {
      Setup s = Setup.of(i, Map.of());
      String low = Blowing.words(i, s.ways(s.lowest()).get(0).entry());
      String high = Blowing.words(i, s.ways(s.highest()).get(0).entry());
      assertFalse(low.equals(high), i.id() + ": " + low);
    }
  }

  @Test
  public void everyInstrumentHasALessonOnEverySoundOfItsSchoolRange() {
    List<String> silent = new ArrayList<>();
    for (Instrument i : Catalogue.standard().instruments()) {
      Player p = Player.able(Setup.of(i, Map.of()));
      for (int midi = 60; midi < 72; midi++) {
        Optional<Lesson> l = Lesson.of(Pitch.usual(midi), p, Stage.SCHOOL);
        assertTrue(l.isPresent(), i.id() + " " + midi);
        if (l.get().mistakes().isEmpty()) {
          silent.add(i.id() + " " + l.get().written());
        }
        assertEquals(
            Math.floorMod(i.transposition().sounding(l.get().written()).midi(), 12),
            midi % 12,
            i.id());
      }
    }
    assertEquals(silent.toString(), "[]", "it is said what comes out instead");
  }
}
