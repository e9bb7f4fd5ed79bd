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
import sempre.core.instrument.Hold;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

public class LessonTest {
  /** One who has these notes with their standard fingerings. */
  private static Player knowing(String id, String... notes) {
    Setup setup = Catalogue.standard().setup(id, Map.of());
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
    return Lesson.written(written, player, Stage.SCHOOL).orElseThrow();
  }

  /** Common practice, no source: teach by the note from which least has to be thought of. */
  @DataProvider
  public Object[][] nearest() {
    return new Object[][] {
      {"flute", "Ab4", "G4 B4", "G4 add G#"},
      {"recorder-soprano", "C6", "B4", "B4 add 2 lift 1"},
      {"flute", "F4", "E4", "E4 lift 2"},
      {"trumpet", "Ab3", "C4 G4", null},
      {"trumpet", "Bb4", "C4 G4", "G4 same"},
      {"trombone", "C4", "Bb3", "Bb3 slide"},
      // the twelfth below and the register key, the octave below and the octave key
      {"clarinet", "A4", "E3 G4", "E3 add R"},
      {"alto-sax", "F4", "D4 C5 A4", "D4 add O"},
    };
  }

  private static String told(Lesson.Comparison c) {
    StringBuilder text = new StringBuilder(c.from().written().toString());
    if (c.same()) {
      text.append(" same");
    }
    c.travel().ifPresent(t -> text.append(" slide"));
    if (!c.added().isEmpty()) {
      text.append(" add ").append(tokens(c.added()));
    }
    if (!c.lifted().isEmpty()) {
      text.append(" lift ").append(tokens(c.lifted()));
    }
    c.shifts()
        .forEach(s -> text.append(" ").append(tokens(s.from())).append(">").append(tokens(s.to())));
    return text.toString();
  }

  private static String tokens(List<Hold> holds) {
    return String.join(" ", holds.stream().map(Hold::token).toList());
  }

  @Test(dataProvider = "nearest")
  public void aNewNoteIsTaughtByTheNearestOneThePlayerHas(
      String id, String concert, String has, String told) {
    Lesson l = lesson(concert, knowing(id, has.split(" ")));
    assertTrue(l.from().isPresent(), id);
    if (told != null) {
      assertEquals(told(l.from().get()), told);
    }
  }

  @Test
  public void aFingerThatGoesFromKeyToKeyIsNamedWithBoth() {
    Setup flute = Catalogue.standard().setup("flute", Map.of());
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
    assertEquals(l.entry().label(), "thumb-b-flat");
    assertEquals(told(l.from().orElseThrow()), "A4 lift 2 T>Tb");
  }

  @Test
  public void whoHasNothingYetIsComparedWithNothing() {
    Lesson l = lesson("Bb4", knowing("flute"));
    assertTrue(l.from().isEmpty());
    assertFalse(l.has());
    assertEquals(l.air().way(), Air.Way.FIRST);
  }

  /** Common practice, no source: the main mistakes of beginners, instrument by instrument. */
  @DataProvider
  public Object[][] mistakes() {
    return new Object[][] {
      {"flute", "D5", "A4 C5", Fault.MustBeUp.class, "D4"},
      {"flute", "Eb5", "D5", Fault.MustBeUp.class, "Eb4"},
      {"recorder-soprano", "E4", "G4 A4", Fault.ThumbOpen.class, "E5"},
      {"recorder-soprano", "C5", "B4 A4", Fault.Swapped.class, "B4"},
      {"recorder-soprano", "C4", "D4 E4", Fault.HalfOpen.class, "C#4"},
      {"clarinet", "Bb4", "A4 G4", Fault.RegisterKeyUp.class, "A4"},
      {"clarinet", "B4", "E3 A4", Fault.RegisterKeyUp.class, "E3"},
      {"bassoon", "G3", "F3 G2", Fault.Covered.class, "G2"},
      {"bassoon", "A3", "A2 F3", Fault.MustBeUp.class, "A2"},
      {"oboe", "D5", "C5 D4", Fault.Covered.class, "D4"},
      {"trumpet", "Bb4", "F4 G4", Fault.Partial.class, "F4"},
      {"trombone", "F3", "Bb2 Bb3", Fault.Partial.class, "Bb2"},
      {"alto-sax", "D5", "D4 C5", Fault.RegisterKeyUp.class, "D4"},
    };
  }

  @Test(dataProvider = "mistakes")
  public void theMainMistakesStandInTheLesson(
      String id, String note, String has, Class<? extends Fault> fault, String heard) {
    Lesson l =
        Lesson.written(Pitch.parse(note), knowing(id, has.split(" ")), Stage.SCHOOL).orElseThrow();
    assertTrue(
        l.mistakes().stream()
            .anyMatch(
                m ->
                    fault.isInstance(m.fault())
                        && m.heard().filter(p -> p.soundsAs(Pitch.parse(heard))).isPresent()),
        l.mistakes().toString());
  }

  /** A key that is brushed is the commonest fault of a beginner on the saxophone. */
  @Test
  public void whereLittleElseGoesWrongAKeyIsBrushed() {
    Lesson l =
        Lesson.written(Pitch.parse("C#5"), knowing("alto-sax", "C5"), Stage.SCHOOL).orElseThrow();
    assertTrue(
        l.mistakes().stream().anyMatch(m -> m.fault().kind() == Fault.Kind.BRUSHED),
        l.mistakes().toString());
  }

  /** The way from what the player has counts: a higher partial is firmer, a lower one looser. */
  @Test
  public void airAndLipsFollowTheWayFromWhatThePlayerHas() {
    assertEquals(lesson("Bb4", knowing("trumpet", "C4", "G4")).air().way(), Air.Way.UP);
    assertEquals(lesson("Bb3", knowing("trumpet", "G4", "C5")).air().way(), Air.Way.DOWN);
    assertEquals(lesson("A3", knowing("trumpet", "C4")).air().way(), Air.Way.SAME);
    // a new high note is never easy, even where the partial is the same
    assertEquals(lesson("C5", knowing("trumpet", "C4", "C5")).air().way(), Air.Way.UP);
    assertEquals(lesson("D6", knowing("flute", "G5")).air().register(), 2);
  }

  @Test
  public void aCautionStandsOnlyAboveTheRangeOfTheStage() {
    Player player = knowing("trumpet", "C4", "D5");
    Pitch high = Pitch.parse("E5");
    assertEquals(
        Lesson.written(high, player, Stage.FIRST_YEARS).orElseThrow().caution(),
        Optional.of(Caution.HIGH_LIPS));
    assertEquals(
        Lesson.written(high, player, Stage.SCHOOL).orElseThrow().caution(), Optional.empty());
    Player has = knowing("trumpet", "E5");
    assertEquals(
        Lesson.written(high, has, Stage.FIRST_YEARS).orElseThrow().caution(), Optional.empty());
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

  /**
   * The trumpet's B and C in the middle are the fourth partial, with the second valve and without
   * (computed).
   */
  @Test
  public void onOnePartialOnlyTheHighestNoteAsksForMore() {
    assertEquals(lesson("Bb4", knowing("trumpet", "B4")).air().way(), Air.Way.UP, "the highest");
    assertEquals(lesson("A4", knowing("trumpet", "C5")).air().way(), Air.Way.SAME);
    assertEquals(lesson("F4", knowing("trumpet", "C5")).air().way(), Air.Way.DOWN);
    assertEquals(lesson("Bb4", knowing("trumpet", "G4", "D5")).air().way(), Air.Way.UP);
  }

  /** Common practice, no source: a note that is shaky itself explains no other one. */
  @Test
  public void aNewNoteIsComparedWithASecureOneAndNeverWithAShakyOne() {
    Player secure = knowing("tenor-sax", "C4", "E4", "F4", "G4", "A4");
    Pitch d = Pitch.parse("D4");
    assertEquals(
        Lesson.written(d, secure, Stage.SCHOOL).orElseThrow().from().orElseThrow().from().written(),
        Pitch.parse("C4"));
    Set<String> all = secure.known().orElseThrow().fingerings();
    String c = all.stream().filter(k -> k.startsWith("60 ")).findFirst().orElseThrow();
    Set<String> rest = new HashSet<>(all);
    rest.remove(c);
    Player shaky = secure.knowing(Optional.of(new Player.Known(all, rest)));
    assertEquals(
        Lesson.written(d, shaky, Stage.SCHOOL).orElseThrow().from().orElseThrow().from().written(),
        Pitch.parse("E4"));
    Player nothing = secure.knowing(Optional.of(new Player.Known(all, Set.of())));
    assertTrue(Lesson.written(d, nothing, Stage.SCHOOL).orElseThrow().from().isEmpty());
  }
}
