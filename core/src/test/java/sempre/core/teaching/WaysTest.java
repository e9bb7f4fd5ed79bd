package sempre.core.teaching;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.Map;
import org.testng.annotations.Test;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.pitch.Pitch;

public class WaysTest {
  @Test
  public void whatIsNotChosenIsTheUsualWay() {
    assertEquals(
        Ways.with(Map.of("tempo", "marked", "bFlat", "side", "order", "section")),
        Map.ofEntries(
            Map.entry("names", "letters"),
            Map.entry("chromatic", "usual"),
            Map.entry("tempo", "marked"),
            Map.entry("repeats", "played"),
            Map.entry("halfLife", "21"),
            Map.entry("eyes", "player"),
            Map.entry("breath", "breath-usual"),
            Map.entry("runs", "runs-3"),
            Map.entry("step", "step-5"),
            Map.entry("back", "back-2"),
            Map.entry("order", "section"),
            Map.entry("sticking", "natural"),
            Map.entry("sheet", "screen")));
    assertEquals(Ways.without(Map.of("tempo", "marked", "bFlat", "side")), Map.of("bFlat", "side"));
  }

  @Test
  public void aChromaticNoteIsSpelledAsTheTeacherDoes() {
    assertEquals(Ways.spelled(Pitch.parse("Bb4"), "sharps"), Pitch.parse("A#4"));
    assertEquals(Ways.spelled(Pitch.parse("F#4"), "flats"), Pitch.parse("Gb4"));
    assertEquals(Ways.spelled(Pitch.parse("F#4"), "usual"), Pitch.parse("F#4"));
    for (int midi = 40; midi < 90; midi++) {
      Pitch p = Pitch.usual(midi);
      for (String way : new String[] {"usual", "sharps", "flats"}) {
        assertEquals(Ways.spelled(p, way).midi(), midi, "it stays the same note");
      }
    }
  }

  @Test
  public void whatThereIsNotIsRefusedWithWhatThereIs() {
    Ways.check("eyes", "facing");
    String noStyle = expectThrows(Refusal.class, () -> Ways.check("nose", "long")).getMessage();
    assertTrue(noStyle.contains("names, chromatic, tempo, repeats, halfLife, eyes"), noStyle);
    String noSchool = expectThrows(Refusal.class, () -> Ways.check("eyes", "shut")).getMessage();
    assertTrue(noSchool.contains("player, facing"), noSchool);
  }

  @Test
  public void noInstrumentHasAStyleOfTheSameName() {
    for (var i : Catalogue.standard().instruments()) {
      i.styles().forEach(s -> assertTrue(!Ways.has(s.name()), i.id() + " " + s.name()));
    }
  }
}
