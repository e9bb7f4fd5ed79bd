package sempre.core.instrument;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;
import sempre.core.Refusal;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.planning.Trills;
import sempre.core.score.Line;
import sempre.core.score.Phrase;
import sempre.core.teaching.Air;
import sempre.core.teaching.Cause;
import sempre.core.teaching.Fault;
import sempre.core.teaching.Lesson;
import sempre.core.teaching.Trouble;

/** A player of bars reads, learns and is heard as everyone; there is only nothing to finger. */
public class ByNameTest {
  private static final Setup MALLETS = Catalogue.standard().setup("mallets", Map.of());

  private static Line line(String music) {
    return Phrase.of(music).line();
  }

  @Test
  public void everyNoteIsPlayedAndNoChangeIsHard() {
    Plan plan =
        Planner.plan(line("tempo=160: *C4/16 ( G#5/16 D4/16 Bb5/16 ) F3/4"), Player.able(MALLETS));
    assertEquals(plan.cost(), 0.0);
    assertTrue(plan.moves().stream().allMatch(m -> m.difficulty() == 0));
    assertTrue(
        plan.notes().stream()
            .allMatch(
                n ->
                    n.way().bare().text().equals("-")
                        && n.alternatives().isEmpty()
                        && n.reasons().isEmpty()));
    assertEquals(plan.notes().get(1).sounding(), Pitch.parse("G#5"), "concert pitch");
  }

  @Test
  public void aNoteThatIsNotHadIsNewAsForEveryone() {
    Player player = Player.able(MALLETS).knowing(Optional.of(new Player.Known(Set.of())));
    Plan plan = Planner.plan(line(": *C5/4 D5/4"), player);
    assertEquals(plan.newNotes(), List.of(Pitch.parse("C5"), Pitch.parse("D5")));
  }

  @Test
  public void theBarIsFoundByItsPlaceInTwoRows() {
    // the black keys of a piano from C: two, then three
    Map<String, String> places =
        Map.of(
            "C4", "bar-natural",
            "C#4", "bar-first-of-two",
            "Eb4", "bar-second-of-two",
            "F#4", "bar-first-of-three",
            "Ab4", "bar-second-of-three",
            "Bb5", "bar-third-of-three",
            "B5", "bar-natural");
    places.forEach(
        (note, label) ->
            assertEquals(MALLETS.ways(Pitch.parse(note)).get(0).entry().label(), label, note));
  }

  @Test
  public void theLessonTellsOfTheBarBesideAndOfTheWrist() {
    Lesson l = Lesson.written(Pitch.parse("E5"), Player.able(MALLETS), Stage.SCHOOL).orElseThrow();
    assertEquals(l.air().voice(), Blown.Voice.STRUCK);
    assertEquals(l.air().way(), Air.Way.FIRST);
    assertEquals(l.caution(), Optional.empty());
    assertEquals(l.mistakes().size(), 1);
  }

  @Test
  public void besideABarLieThoseOfItsRowAndASemitoneAway() {
    Player able = Player.able(MALLETS);
    Map<String, String> beside = Map.of("D5", "C5 C#5 Eb5 E5", "Bb5", "Ab5 A5 B5 C#6");
    beside.forEach(
        (note, all) -> {
          for (int away = -4; away <= 4; away++) {
            Pitch heard = Pitch.usual(Pitch.parse(note).midi() + away);
            if (away != 0) {
              boolean told =
                  Trouble.causes(able, Pitch.parse(note), heard).stream()
                      .map(Cause::fault)
                      .anyMatch(Fault.BarBeside.class::isInstance);
              assertEquals(told, List.of(all.split(" ")).contains(heard.toString()), note + heard);
            }
          }
        });
  }

  @Test
  public void noSoundIsTheLipsFault() {
    assertEquals(Trouble.symptoms(MALLETS.instrument()), List.of());
  }

  @Test
  public void twoMalletsTrillAnyTwoBars() {
    assertEquals(
        Trills.of(MALLETS, Pitch.parse("E5"), Pitch.parse("F5")).get(0).quality(),
        TrillFingering.Quality.GOOD);
    assertEquals(Trills.of(MALLETS, Pitch.parse("F#5"), Pitch.parse("G#5")).size(), 1);
  }

  @Test
  public void aFingeringIsRefusedAndSaidWhy() {
    Refusal refused =
        expectThrows(Refusal.class, () -> MALLETS.instrument().keywork().read("T 1 | 2"));
    assertEquals(refused.saying().key(), "error.by-name");
  }
}
