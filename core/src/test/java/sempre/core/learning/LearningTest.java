package sempre.core.learning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.score.Dynamic;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Ornament;

public class LearningTest {
  private static final Instant NOW = Instant.parse("2026-03-02T10:00:00Z");

  private static Check heard(long id, int daysAgo, String note, String fingering, Grade grade) {
    return new Check(
        id,
        NOW.minus(daysAgo, ChronoUnit.DAYS),
        "teacher",
        Pitch.parse(note),
        fingering,
        grade,
        OptionalLong.empty(),
        "",
        "",
        OptionalLong.empty());
  }

  private static Check undo(long id, Check of) {
    return new Check(
        id,
        NOW,
        "teacher",
        of.written(),
        of.fingering(),
        of.grade(),
        OptionalLong.empty(),
        "",
        "",
        OptionalLong.of(of.id()));
  }

  @Test
  public void theLastThingHeardCounts() {
    Standing s =
        Standing.of(
            List.of(heard(2, 3, "G4", "0", Grade.SHAKY), heard(1, 9, "G4", "0", Grade.SECURE)),
            NOW);
    assertEquals(s.of(Pitch.parse("G4"), "0").orElseThrow().grade(), Grade.SHAKY);
  }

  @Test
  public void whatIsTakenBackDoesNotCountButNothingIsErased() {
    Check wrong = heard(2, 1, "G4", "0", Grade.NOT_YET);
    List<Check> all = List.of(heard(1, 9, "G4", "0", Grade.SECURE), wrong, undo(3, wrong));
    assertEquals(
        Standing.of(all, NOW).of(Pitch.parse("G4"), "0").orElseThrow().grade(), Grade.SECURE);
    assertEquals(all.size(), 3);
  }

  @Test
  public void afterSixWeeksANoteIsNotHeardForLong() {
    Standing s =
        Standing.of(
            List.of(heard(1, 41, "G4", "0", Grade.SECURE), heard(2, 43, "C4", "0", Grade.SECURE)),
            NOW);
    assertFalse(s.best(Pitch.parse("G4")).orElseThrow().faded());
    assertTrue(s.best(Pitch.parse("C4")).orElseThrow().faded());
  }

  @Test
  public void whatWasHeardOftenFadesLaterAndTheTeacherSetsHowFast() {
    List<Check> once = List.of(heard(1, 50, "G4", "0", Grade.SECURE));
    List<Check> often =
        List.of(
            heard(1, 50, "G4", "0", Grade.SECURE),
            heard(2, 52, "G4", "0", Grade.SECURE),
            heard(3, 55, "G4", "0", Grade.SECURE));
    Pitch g = Pitch.parse("G4");
    assertTrue(Standing.of(once, NOW).best(g).orElseThrow().faded());
    assertFalse(Standing.of(often, NOW).best(g).orElseThrow().faded());
    java.time.Duration slow = java.time.Duration.ofDays(42);
    java.time.Duration quick = java.time.Duration.ofDays(7);
    assertFalse(Standing.of(once, NOW, slow).best(g).orElseThrow().faded());
    assertTrue(Standing.of(often, NOW, quick).best(g).orElseThrow().faded());
    // another grade begins anew: what was secure long ago does not hold up what shook since
    List<Check> shook =
        List.of(
            heard(1, 90, "G4", "0", Grade.SECURE),
            heard(2, 88, "G4", "0", Grade.SECURE),
            heard(3, 50, "G4", "0", Grade.SHAKY));
    assertTrue(Standing.of(shook, NOW).best(g).orElseThrow().faded());
  }

  @Test
  public void standardsAndAlternatesStandApart() {
    Standing s =
        Standing.of(
            List.of(
                heard(1, 5, "Bb4", "T 1 | 1 Eb", Grade.SECURE),
                heard(2, 4, "Bb4", "Tb 1 | Eb", Grade.NOT_YET)),
            NOW);
    assertEquals(s.best(Pitch.parse("A#4")).orElseThrow().fingering(), "T 1 | 1 Eb");
    assertTrue(s.known().has(Pitch.parse("Bb4"), "T 1 | 1 Eb"));
    assertFalse(s.known().has(Pitch.parse("Bb4"), "Tb 1 | Eb"), "not yet is not learned");
  }

  @Test
  public void readinessSaysWhatLacksWhatShakesAndWhatIsBeyond() {
    Player trumpet = Player.able(Catalogue.standard().setup("trumpet", Map.of()));
    Standing s =
        Standing.of(
            List.of(
                heard(1, 5, "C4", "0", Grade.SECURE),
                heard(2, 5, "D4", "1 3", Grade.SHAKY),
                heard(3, 60, "E4", "1 2", Grade.SECURE),
                heard(4, 2, "F4", "1", Grade.NOT_YET)),
            NOW);
    Readiness r = Readiness.of(line("C4", "D4", "E4", "F4", "G4", "C3", "D4"), trumpet, s);
    assertEquals(r.lacking().toString(), "[F4, G4]");
    assertEquals(r.shaky().toString(), "[D4]");
    assertEquals(r.faded().toString(), "[E4]");
    assertEquals(r.beyond().toString(), "[C3]");
    assertFalse(r.ready());
    assertTrue(Readiness.of(line("C4", "D4"), trumpet, s).ready(), "shaky is playable");
  }

  private static Line line(String... notes) {
    return new Line(
        1,
        "1",
        java.util.Arrays.stream(notes)
            .map(
                n ->
                    new Note(
                        n,
                        List.of(),
                        0,
                        1,
                        0,
                        1,
                        Pitch.parse(n),
                        false,
                        false,
                        Dynamic.MF,
                        100,
                        KeySignature.NATURAL,
                        Ornament.NONE,
                        false,
                        false,
                        ""))
            .toList());
  }

  @Test
  public void theMapKeepsStandardsAndAlternatesApartAndSaysWhatIsNext() {
    Setup flute = Catalogue.standard().setup("flute", Map.of());
    Standing s =
        Standing.of(
            List.of(
                heard(1, 5, "G4", "T 1 2 3 | Eb", Grade.SECURE),
                heard(2, 5, "A4", "T 1 2 | Eb", Grade.SHAKY),
                heard(3, 60, "B4", "T 1 | Eb", Grade.SECURE),
                heard(4, 5, "Bb4", "Tb 1 | Eb", Grade.SECURE),
                heard(5, 5, "C5", "1 | Eb", Grade.NOT_YET)),
            NOW);
    NoteMap map = NoteMap.of(flute, s, java.util.Set.of(71, 72, 74));
    Map<String, NoteMap.Place> by = new java.util.HashMap<>();
    map.places().forEach(p -> by.put(p.written().toString(), p));
    assertEquals(by.get("G4").standard(), NoteMap.State.HAS);
    assertEquals(by.get("A4").any(), NoteMap.State.SHAKY);
    assertEquals(by.get("B4").any(), NoteMap.State.FADED);
    assertFalse(by.get("B4").next(), "it is there, if long ago");
    assertEquals(by.get("C5").any(), NoteMap.State.TRIED);
    assertTrue(by.get("C5").next());
    assertTrue(by.get("D5").next());
    assertEquals(by.get("E5").standard(), NoteMap.State.OPEN);
    assertFalse(by.get("E5").next());
    NoteMap.Place bFlat = by.get("Bb4");
    assertEquals(bFlat.any(), NoteMap.State.HAS);
    assertEquals(bFlat.standard().there() ? 0 : 1, bFlat.alternates().size());
    assertEquals(map.places().get(0).written(), flute.lowest());
    for (int i = 1; i < map.places().size(); i++) {
      assertTrue(map.places().get(i).written().midi() > map.places().get(i - 1).written().midi());
    }
  }
}
