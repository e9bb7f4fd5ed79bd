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

  /** One concert pitch, in the octave of the school years that is nearest to it. */
  private static Lesson lesson(String concert, Player player) {
    Pitch written =
        NewNote.of(Pitch.parse(concert), player.setup(), Stage.SCHOOL).orElseThrow().written();
    return Lesson.written(written, player).orElseThrow();
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
    Lesson l = lesson(concert, knowing(id, has.split(" ")));
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
    Lesson l = lesson("Bb4", thumb);
    assertEquals(l.entry().label(), "thumb B flat");
    assertEquals(
        l.from().orElseThrow().sentence(),
        "As for A4: lift the left second finger; the left thumb goes from the thumb key to the"
            + " thumb B flat lever; all else stays.");
  }

  @Test
  public void whoHasNothingYetIsComparedWithNothing() {
    Lesson l = lesson("Bb4", knowing("flute"));
    assertTrue(l.from().isEmpty());
    assertFalse(l.has());
    assertFalse(l.air().isEmpty());
  }

  /** Common practice, no source: B flat 4 on a trumpet gives F4 with slack lips. */
  @Test
  public void whatComesOutInsteadIsSaidWithItsMend() {
    Lesson l = lesson("Ab4", knowing("trumpet", "C4", "G4"));
    assertEquals(l.written(), Pitch.parse("Bb4"));
    Lesson.Mistake f =
        l.mistakes().stream()
            .filter(m -> m.written().equals(Pitch.parse("F4")))
            .findFirst()
            .orElseThrow();
    assertTrue(f.why().contains("slack"), f.why());
    assertFalse(f.mend().isEmpty());
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
    assertTrue(lesson("F4", low).caution().contains("lips"));
    Player high = knowing("trumpet", "C4", "C5");
    assertEquals(lesson("F4", high).caution(), "");
    Player has = knowing("trumpet", "G4");
    Lesson known = lesson("F4", has);
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
        Lesson l = lesson(Pitch.usual(midi).toString(), p);
        if (l.mistakes().isEmpty()) {
          silent.add(i.id() + " " + l.written());
        }
        assertEquals(
            Math.floorMod(i.transposition().sounding(l.written()).midi(), 12), midi % 12, i.id());
      }
    }
    assertEquals(silent.toString(), "[]", "it is said what comes out instead");
  }
}
