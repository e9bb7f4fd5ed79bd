package sempre.core.audition;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import org.testng.annotations.Test;
import sempre.core.Refusal;
import sempre.core.instrument.Compass;
import sempre.core.making.Figure;
import sempre.core.making.Mode;
import sempre.core.making.SightReading;
import sempre.core.pitch.Pitch;

/** What judges say together, and what is drawn for them; worked by hand in docs/practice.md. */
public class JudgedTest {
  /**
   * Weights 3, 2 and 1 are 6, so 60 points are all. The first judge gives 8, 6 and 10: 24 + 12 + 10
   * = 46, 76.7 %. The second gives 9, 4 and 10: 27 + 8 + 10 = 45, 75 %. Notes lack 1.5 × 3 = 4.5
   * points, intonation 5 × 2 = 10: 16.7 %.
   */
  @Test
  public void pointsAreWeighedAndWhatCostMostComesFirst() {
    Map<Criterion, Integer> weights =
        Map.of(Criterion.NOTES, 3, Criterion.INTONATION, 2, Criterion.TEMPO, 1);
    Judged v =
        Judged.of(
            weights,
            List.of(
                Map.of(Criterion.NOTES, 8, Criterion.INTONATION, 6, Criterion.TEMPO, 10),
                Map.of(Criterion.NOTES, 9, Criterion.INTONATION, 4, Criterion.TEMPO, 10)));
    assertEquals(v.totals().get(0), 46 / 0.6, 1e-9);
    assertEquals(v.totals().get(1), 75.0, 1e-9);
    assertEquals(v.mean(), (46 + 45) / 1.2, 1e-9);
    assertEquals(v.spread(), 1 / 0.6, 1e-9);
    assertEquals(
        v.lines().stream().map(Judged.Line::criterion).toList(),
        List.of(Criterion.INTONATION, Criterion.NOTES, Criterion.TEMPO));
    Judged.Line worst = v.lines().get(0);
    assertEquals(worst.cost(), 10 / 0.6, 1e-9);
    assertEquals(worst.least() + "–" + worst.most(), "4–6");
    // all that was lost and all that was had are the whole
    double lost = v.lines().stream().mapToDouble(Judged.Line::cost).sum();
    assertEquals(lost + v.mean(), 100.0, 1e-9);
  }

  @Test
  public void withoutSheetsOrWeightsThereIsNothingToSay() {
    assertEquals(
        expectThrows(Refusal.class, () -> Judged.of(Map.of(Criterion.NOTES, 1), List.of()))
            .saying()
            .key(),
        "audition.no-sheets");
    assertEquals(
        expectThrows(Refusal.class, () -> Judged.of(Map.of(), List.of(Map.of()))).saying().key(),
        "audition.no-weights");
  }

  private static final List<Requirement> ASKED =
      List.of(
          new Requirement.Sight("flute", SightReading.Level.DOTTED),
          scale(Mode.MAJOR),
          scale(Mode.CHROMATIC),
          new Requirement.Etude("flute", "Spray", "", OptionalInt.empty()),
          scale(Mode.MELODIC_MINOR));

  private static Requirement scale(Mode mode) {
    return new Requirement.Scale(
        "flute",
        Pitch.parse("D4"),
        mode,
        new Compass.Range(Pitch.parse("D4"), Pitch.parse("D6")),
        60,
        Figure.STEPS);
  }

  /** Over a thousand numbers: eight bars that are in the etude, one scale, always the chromatic. */
  @Test
  public void anythingMayBeAskedAndTheSameNumberAsksTheSame() {
    Set<Integer> begun = new HashSet<>();
    Set<Integer> scales = new HashSet<>();
    for (long seed = 0; seed < 1000; seed++) {
      List<Cuts.Cut> cuts = Cuts.of(ASKED, e -> 20, seed);
      assertEquals(cuts, Cuts.of(ASKED, e -> 20, seed));
      assertEquals(cuts.size(), 4);
      Cuts.Cut etude = cuts.get(0);
      assertEquals(etude.asked(), 3);
      assertEquals(etude.bars(), 8);
      assertTrue(etude.from() >= 0 && etude.from() + etude.bars() <= 20);
      begun.add(etude.from());
      scales.add(cuts.get(1).asked());
      assertEquals(cuts.get(2).asked(), 2);
      assertEquals(cuts.get(3).asked(), 0);
    }
    assertEquals(begun.size(), 13, "every bar from which eight are left");
    assertEquals(scales, Set.of(1, 4));
    // an etude that is shorter is heard whole, and one that is not there is left out
    assertEquals(Cuts.of(ASKED, e -> 5, 7).get(0), new Cuts.Cut(3, 0, 5));
    assertEquals(Cuts.of(ASKED, e -> 0, 7).size(), 3);
  }
}
