package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.fail;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.SlideRule;
import sempre.core.motion.Move;
import sempre.core.motion.Moves;
import sempre.core.pitch.Pitch;
import sempre.core.score.Phrase;

/** What must stay the same when a phrase is turned round or put in another octave. Computed. */
public class SymmetryTest {
  private static Setup setup(String id) {
    return Catalogue.standard().setup(id, Map.of());
  }

  @DataProvider
  public Object[][] instruments() {
    return Catalogue.standard().instruments().stream()
        .map(i -> new Object[] {i.id()})
        .toArray(Object[][]::new);
  }

  @DataProvider
  public Object[][] brass() {
    return Catalogue.standard().instruments().stream()
        .filter(i -> i.family().equals("brass"))
        .map(i -> new Object[] {i.id()})
        .toArray(Object[][]::new);
  }

  /** Fingers that move one way move the other way back; only slides may be one-way. */
  @Test(dataProvider = "instruments")
  public void theWayBackCostsWhatTheWayThereDoes(String id) {
    Setup s = setup(id);
    Random random = new Random(41);
    for (int t = 0; t < 250; t++) {
      List<Setup.Way> a = anyWays(s, random);
      List<Setup.Way> b = anyWays(s, random);
      Setup.Way x = a.get(random.nextInt(a.size()));
      Setup.Way y = b.get(random.nextInt(b.size()));
      Move there = Moves.between(s, x, y);
      Move back = Moves.between(s, y, x);
      assertEquals(there.fingers(), back.fingers());
      assertEquals(there.contrary(), back.contrary());
      assertEquals(there.partials(), back.partials());
      assertEquals(there.registers(), back.registers());
      if (there.fingerSlips() != back.fingerSlips()) {
        fail(id + " " + x + " " + y);
      }
      Effort out = Effort.of(there);
      Effort in = Effort.of(back);
      assertEquals(out.outward(), -in.outward());
      boolean sameWays = ways(there).equals(ways(back));
      for (Weight w : Weight.values()) {
        boolean slides = w == Weight.ROLL || w == Weight.SLIDE || w == Weight.NO_SLIDE;
        if (!slides || sameWays) {
          if (Math.abs(out.times(w) - in.times(w)) > 1e-9) {
            fail(w + " " + id + " " + x + " " + y);
          }
        }
      }
    }
  }

  private static List<SlideRule.Way> ways(Move m) {
    return m.slides().stream().map(Move.FingerSlide::way).sorted().toList();
  }

  private static List<Setup.Way> anyWays(Setup s, Random random) {
    int low = s.lowest().midi();
    List<Setup.Way> ways = List.of();
    while (ways.isEmpty()) {
      ways = s.ways(Pitch.usual(low + random.nextInt(s.highest().midi() - low + 1)));
    }
    return ways;
  }

  /** Of even notes, tongued, on an instrument without rules for the note before or behind. */
  @Test
  public void aPhraseTurnedRoundCostsTheSameOnValves() {
    for (String id : List.of("trumpet", "euphonium", "tuba")) {
      Setup s = setup(id);
      Random random = new Random(43);
      for (int t = 0; t < 100; t++) {
        List<String> notes = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
          notes.add(anyWays(s, random).get(0).entry().written() + "/8");
        }
        double there = cost(s, notes);
        java.util.Collections.reverse(notes);
        assertEquals(cost(s, notes), there, 0.05, id + " " + notes);
      }
    }
  }

  private static double cost(Setup s, List<String> notes) {
    String phrase = "tempo=100: " + String.join(" ", notes);
    return Planner.cost(Phrase.of(phrase).line(), Player.able(s));
  }

  /**
   * Twice the partial number on the same tube is the octave: whatever plays a note on an even
   * partial plays the note an octave lower on half of it, as much in tune.
   */
  @Test(dataProvider = "brass")
  public void theSameTubeGivesTheOctave(String id) {
    Instrument i = Catalogue.standard().instrument(id);
    List<Map<String, String>> forms = new ArrayList<>(List.of(Map.of()));
    i.options().forEach(o -> o.values().forEach(v -> forms.add(Map.of(o.name(), v))));
    int compared = 0;
    for (Map<String, String> options : forms) {
      Setup s = Setup.of(i, options);
      for (int midi = s.lowest().midi() + 12; midi <= s.highest().midi(); midi++) {
        for (Setup.Way high : s.ways(Pitch.usual(midi))) {
          int partial = high.entry().partial().orElse(0);
          if (partial % 2 != 0 || partial == 0) {
            continue;
          }
          for (Setup.Way low : s.ways(Pitch.usual(midi - 12))) {
            if (low.fingering().equals(high.fingering())) {
              compared++;
              assertEquals(low.entry().partial().orElse(0) * 2, partial, id + " " + high);
              assertEquals(low.entry().cents().orElse(0), high.entry().cents().orElse(0), 1e-6, id);
            }
          }
        }
      }
    }
    assertTrue(compared > 10, id + ": " + compared);
  }
}
