package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.testng.annotations.Test;
import sempre.core.Refusal;

/** Which passages hold, by how much, and what they say of the weights. */
public class VerdictTest {
  private static final String HOLDS =
      "oboe ; tempo=100: D4/8 *F4/8 D4/8 ; 1 2 3 | 1 3 ; the third finger stays";

  @Test
  public void whatARivalCostsMoreIsTheSumOfItsWeightsAndWhatThePlanSays() {
    Passage p = Passage.of(HOLDS);
    Verdict v = Verdict.of(p);
    Map<String, Double> told =
        Planner.plan(p.phrase().line(), p.player()).notes().get(1).alternatives().stream()
            .collect(Collectors.toMap(a -> a.way().entry().fingering(), Plan.Alternative::extra));
    assertEquals(v.rivals().size(), told.size());
    for (Verdict.Rival r : v.rivals()) {
      assertEquals(r.extra(), told.get(r.fingering()), 1e-9);
      double sum = r.more().values().stream().mapToDouble(Double::doubleValue).sum();
      assertEquals(sum, r.extra(), 0.01, r.fingering());
    }
    assertEquals(
        v.margin().getAsDouble(),
        told.values().stream().mapToDouble(Double::doubleValue).min().getAsDouble(),
        1e-9);
  }

  @Test
  public void aPassageThatDoesNotHoldFallsShortByWhatItsFingeringCostsMore() {
    Verdict v = Verdict.of(Passage.of(HOLDS.replace("1 2 3 | 1 3", "1 2 3 | 1 2 F")));
    assertFalse(v.holds());
    assertTrue(v.margin().getAsDouble() < -10, "the third finger can't slide: " + v.margin());
    assertTrue(v.deciding().get(Weight.NO_SLIDE) > 10);
  }

  @Test
  public void aWeightIsBoundByThePassageThatNeedsIt() {
    Verdict v = Verdict.of(Passage.of(HOLDS));
    Map<Weight, Verdict.Span> spans =
        Verdict.spans(List.of(v), 0.25).stream()
            .collect(Collectors.toMap(Verdict.Span::weight, Function.identity()));
    assertEquals(spans.size(), Weight.values().length);
    spans.values().forEach(s -> assertTrue(s.least() <= s.weight().size(), s.toString()));
    spans.values().forEach(s -> assertTrue(s.most() >= s.weight().size(), s.toString()));
    assertTrue(spans.get(Weight.UNLEARNED).floats(), "nothing is unlearned here");
    assertFalse(spans.get(Weight.ALTERNATE).floats(), "forked F is an alternate");
  }

  @Test
  public void aWeightIsPinnedBetweenItsLeastAndTheDoubleOfThat() {
    Optional<Passage> some = Optional.of(Passage.of(HOLDS));
    assertTrue(new Verdict.Span(Weight.STYLE, 0.7, 1.4, some, some).pinned());
    assertFalse(new Verdict.Span(Weight.STYLE, 0.7, 1.41, some, some).pinned());
    assertFalse(new Verdict.Span(Weight.STYLE, 0, 1, Optional.empty(), some).pinned());
    assertFalse(new Verdict.Span(Weight.STYLE, 0, 1, Optional.empty(), some).floats());
  }

  @Test
  public void aLineThatIsNoPassageIsNamed() {
    for (String bad :
        List.of("flute ; : A4/8 ; T 1 2 | Eb", "flute ; A4/8 ; x ; y", "flute ; : A4 ; x ; y")) {
      expectThrows(Refusal.class, () -> Passage.of(bad));
    }
  }
}
