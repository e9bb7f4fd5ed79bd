package sempre.core.learning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.fail;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.pitch.Pitch;
import sempre.core.planning.HardMove;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.score.Phrase;

/** What a teacher says first to a student before a piece. */
public class NextThingTest {
  private static final Instant NOW = Instant.parse("2026-11-27T10:00:00Z");
  private static final Player FLUTE = Player.able(Catalogue.standard().setup("flute", Map.of()));

  private final List<Check> heard = new ArrayList<>();

  /** The thing said to one of whom these were heard: {@code "D5 SECURE 3"}, the days ago. */
  private NextThing said(String line, List<HardMove> hard, String... heard) {
    this.heard.clear();
    for (String h : heard) {
      String[] words = h.split(" ");
      Pitch p = Pitch.parse(words[0]);
      this.heard.add(
          new Check(
              this.heard.size() + 1,
              NOW.minus(Duration.ofDays(Long.parseLong(words[2]))),
              "teacher",
              p,
              FLUTE.usual(p).orElseThrow().entry().fingering(),
              Grade.valueOf(words[1]),
              OptionalLong.empty(),
              "",
              "",
              OptionalLong.empty()));
    }
    Standing standing = Standing.of(this.heard, NOW, Duration.ofDays(30));
    Line notes = Phrase.of(line).line();
    return NextThing.of(Readiness.of(notes, FLUTE, standing), notes, standing, () -> hard);
  }

  @Test
  public void theNewNoteThatComesMostOftenIsSaidFirst() {
    assertEquals(
        said("tempo=60: D5/4 E5/4 G5/4 E5/4", List.of(), "D5 SHAKY 1"),
        new NextThing.Learn(Pitch.parse("E5")));
    assertEquals(
        said("tempo=60: G5/4 E5/4", List.of()),
        new NextThing.Learn(Pitch.parse("E5")),
        "of two that come as often the lower");
  }

  @Test
  public void aNewNoteStandsBeforeOneThatTheInstrumentLacks() {
    assertEquals(said("tempo=60: D3/4 D5/4", List.of()), new NextThing.Learn(Pitch.parse("D5")));
    assertEquals(
        said("tempo=60: D3/4 D5/4", List.of(), "D5 SHAKY 1"),
        new NextThing.Beyond(Pitch.parse("D3")));
  }

  @Test
  public void aShakyNoteStandsBeforeAHardChangeAndThatBeforeWhatHasFaded() {
    Line line = Phrase.of("tempo=60: D5/4 E5/4").line();
    HardMove hard = new HardMove(line.notes().get(0), line.notes().get(1), 0.9);
    assertEquals(
        said("tempo=60: D5/4 E5/4", List.of(hard), "D5 SECURE 1", "E5 SHAKY 1"),
        new NextThing.PlayAgain(Pitch.parse("E5")));
    assertEquals(
        said("tempo=60: D5/4 E5/4", List.of(hard), "D5 SECURE 1", "E5 SECURE 400"),
        new NextThing.Slowly(hard));
    NextThing faded = said("tempo=60: D5/4 E5/4", List.of(), "D5 SECURE 1", "E5 SECURE 400");
    if (!(faded instanceof NextThing.HearAgain again)) {
      fail(faded.toString());
      return;
    }
    assertEquals(again.note(), Pitch.parse("E5"));
    assertEquals(again.last().map(Standing.Mark::at), Optional.of(NOW.minus(Duration.ofDays(400))));
  }

  @Test
  public void whoHasItAllIsToldNothing() {
    assertEquals(
        said("tempo=60: D5/4 E5/4", List.of(), "D5 SECURE 1", "E5 SECURE 2"),
        new NextThing.Nothing());
  }
}
