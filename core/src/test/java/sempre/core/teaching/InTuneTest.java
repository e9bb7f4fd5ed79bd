package sempre.core.teaching;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.testng.annotations.Test;
import sempre.core.Judgement;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.score.Phrase;

/** How the fingerings of a plan are in tune. */
public class InTuneTest {
  private static Map<String, InTune> of(
      String instrument, Map<String, String> options, String notes) {
    Player player = Player.able(Catalogue.standard().setup(instrument, options));
    Line line = Phrase.of("tempo=80: " + notes).line();
    Map<String, InTune> all = new HashMap<>();
    InTune.of(Planner.plan(line, player), player)
        .forEach(n -> all.put(n.written() + " " + n.way().bare().text(), n));
    return all;
  }

  /**
   * Valve 1 makes the tube 12.246 % longer (a whole tone), valve 3 18.921 % (a tone and a half);
   * both together 31.167 %, which is 4.697 half steps and not 5: 30.3 cents sharp. The third
   * partial is 1.955 cents above equal temperament.
   */
  @Test
  public void oneAndThreeOnATrumpetAreSharpByTheirLengths() {
    double longer = Math.pow(2, 2 / 12.0) + Math.pow(2, 3 / 12.0) - 1;
    double sharp =
        500 - 1200 * Math.log(longer) / Math.log(2) + 1200 * Math.log(1.5) / Math.log(2) - 700;
    InTune d = of("trumpet", Map.of(), "D4/4 D4/2").get("D4 1 3");
    assertEquals(d.cents().orElseThrow(), sharp, 0.06);
    assertEquals(d.mended().orElseThrow().by(), "thirdSlide");
    assertTrue(d.mended().orElseThrow().cm().orElseThrow() > 1.5);
    assertEquals(d.sounding().toString(), "C4");
    // where the slide can't be drawn there are the lips
    InTune fixed = of("trumpet", Map.of("thirdSlide", "false"), "D4/4").get("D4 1 3");
    assertEquals(fixed.mended().orElseThrow().by(), "lips");
    assertEquals(fixed.mended().orElseThrow().cm(), OptionalDouble.empty());
  }

  /** E4 is 1-2 or 3: the two valves together are 11 cents sharper than the third alone. */
  @Test
  public void whatIsMoreInTuneIsNamedFirst() {
    InTune e = of("trumpet", Map.of(), "E4/4").get("E4 1 2");
    assertEquals(e.others().get(0).way().bare().text(), "3");
    assertTrue(Math.abs(e.others().get(0).cents()) < Math.abs(e.cents().orElseThrow()));
  }

  /** What nobody knows is not claimed, and what is told as another differs by what can be heard. */
  @Test
  public void onlyWhatIsKnownIsTold() {
    int known = 0;
    for (Instrument i : Catalogue.standard().instruments()) {
      Player player = Player.able(Catalogue.standard().setup(i.id(), Map.of()));
      StringBuilder line = new StringBuilder("tempo=80:");
      for (int m = player.setup().lowest().midi(); m <= player.setup().highest().midi(); m++) {
        line.append(' ').append(sempre.core.pitch.Pitch.usual(m)).append("/4");
      }
      List<InTune> all = InTune.of(Planner.plan(Phrase.of(line.toString()).line(), player), player);
      for (InTune n : all) {
        assertEquals(n.cents(), n.way().entry().cents());
        for (InTune.Other o : n.others()) {
          assertEquals(o.cents(), o.way().entry().cents().orElseThrow());
          assertTrue(
              Math.abs(o.cents() - n.cents().orElse(0)) >= Judgement.Tuned.LEANS_CENTS,
              i.id() + " " + n.written());
          known++;
        }
      }
    }
    assertTrue(known > 100, "others that are told: " + known);
  }
}
