package sempre.core.teaching;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Bars;
import sempre.core.score.Phrase;

/** What stands under the music that a player is handed. */
public class HandoutTest {
  private static final Bars ALL = new Bars(0, 99);

  private static List<String> told(Handout h) {
    return h.told().stream()
        .map(t -> t.first().note().pitch() + " " + t.why() + " " + t.bars())
        .toList();
  }

  private static Handout of(
      String instrument, String phrase, String known, Map<String, String> locks, Bars bars) {
    Setup setup = Catalogue.standard().setup(instrument, Map.of());
    Set<String> keys = new HashSet<>();
    for (String n : known.split(" ")) {
      Pitch p = Pitch.parse(n);
      keys.add(Player.Known.key(p, setup.ways(p).get(0).entry().fingering()));
    }
    Player player = Player.of(setup, Map.of(), Set.of(), Optional.of(new Player.Known(keys)));
    return Handout.of(
        Planner.plan(Phrase.of("tempo=100: " + phrase).line(), player, locks),
        bars,
        player,
        Stage.SCHOOL);
  }

  @Test
  public void eachNewNoteIsToldOnceWithItsBars() {
    Handout h = of("trumpet", "C4/4 D4/4 E4/4 G4/4 D4/4 C4/2 D4/4 D4/1", "C4 E4 G4", Map.of(), ALL);
    assertEquals(told(h), List.of("D4 NEW_NOTE [0, 1, 2]"));
    Lesson lesson = h.told().get(0).lesson().orElseThrow();
    assertEquals(lesson.written(), Pitch.parse("D4"));
    assertTrue(lesson.from().isPresent(), "it is learned from a note that is there");
  }

  @Test
  public void whatIsNotGivenIsNotTold() {
    Handout h = of("trumpet", "C4/1 D4/1 E4/1 F4/1", "C4", Map.of(), new Bars(1, 2));
    assertEquals(told(h), List.of("D4 NEW_NOTE [1]", "E4 NEW_NOTE [2]"));
  }

  @Test
  public void theStandardFingeringOfANoteThatIsThereGoesWithoutSaying() {
    assertEquals(told(of("trumpet", "C4/1 G4/1", "C4 G4", Map.of(), ALL)), List.of());
  }

  @Test
  public void whatTheTeacherChoseIsToldAndMoreSoWhereItWasNotLearned() {
    Handout h = of("trumpet", "C4/2 E4/2 E4/2 C4/2", "C4 E4", Map.of("n1", "3", "n2", "1 2"), ALL);
    assertEquals(told(h), List.of("E4 NEW_FINGERING [0]", "E4 CHOSEN [1]"));
    assertTrue(h.told().stream().allMatch(t -> t.lesson().isEmpty()));
  }

  /** Two spellings of one note are one fingering on paper. */
  @Test
  public void aNoteInTwoSpellingsIsToldOnce() {
    Handout h = of("trumpet", "C4/2 Eb4/2 D#4/2 E4/2", "C4 E4", Map.of(), ALL);
    assertEquals(told(h), List.of("Eb4 NEW_NOTE [0, 1]"));
  }

  /** Common practice, no source: F sharp goes to the other thumb where B flat is beside it. */
  @Test
  public void aReasonThatHoldsAtOnePlaceSaysWhere() {
    String both = "Bb3/4 F#3/4 Bb3/2 A3/4 G3/4 F#3/4 Bb3/4";
    Handout.Told t = of("bassoon", both, "Bb3 A3 G3 F#3", Map.of(), ALL).told().get(0);
    assertEquals(t.first().note().pitch(), Pitch.parse("F#3"));
    assertEquals(t.bars(), List.of(0, 1));
    assertEquals(t.only(), Optional.of(0));
    Handout.Told alike =
        of("bassoon", "Bb3/4 F#3/4 Bb3/2 Bb3/4 F#3/4 Bb3/2", "Bb3 F#3", Map.of(), ALL)
            .told()
            .get(0);
    assertEquals(alike.bars(), List.of(0, 1));
    assertEquals(alike.only(), Optional.empty(), "the same reason in both bars");
  }

  /** The school plays B flat with the thumb in flat keys: what departs from that is told. */
  @Test
  public void whatTheSchoolsStylePlaysGoesWithoutSaying() {
    Setup setup = Catalogue.standard().setup("flute", Map.of());
    String plain = "F4/4 G4/4 A4/4 Bb4/4 A4/4 G4/4 F4/2";
    String besideB = "B4/4 Bb4/4 B4/4 G4/4";
    Player thumb = Player.of(setup, Map.of("bFlat", "thumb"), Set.of(), Optional.empty());
    assertEquals(told(sheet("key=-1 tempo=100: " + plain, thumb)).toString(), "[]");
    // where the key has no flats the thumb belongs on the other side in this school too
    assertEquals(told(sheet("key=0 tempo=100: " + plain, thumb)).toString(), "[]");
    assertEquals(
        told(sheet("key=-1 tempo=100: " + besideB, thumb)).toString(), "[Bb4 UNUSUAL [0]]");
    Player lever = Player.of(setup, Map.of("bFlat", "lever"), Set.of(), Optional.empty());
    assertEquals(told(sheet("key=0 tempo=100: " + plain, lever)).toString(), "[]");
  }

  private static Handout sheet(String phrase, Player player) {
    return Handout.of(Planner.plan(Phrase.of(phrase).line(), player), ALL, player, Stage.SCHOOL);
  }
}
