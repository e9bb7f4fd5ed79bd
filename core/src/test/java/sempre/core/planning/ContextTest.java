package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Purpose;
import sempre.core.instrument.Rule;
import sempre.core.pitch.Pitch;
import sempre.core.score.Phrase;
import sempre.core.score.Succession;

/** Every circumstance that a rule of the catalogue can name, met and just missed. */
public class ContextTest {
  @DataProvider
  public Object[][] circumstances() {
    return new Object[][] {
      {"FLAT_KEY", "", "key=-1: *Bb4/4", true},
      {"FLAT_KEY", "", "key=0: *Bb4/4", false},
      {"CHROMATIC", "", ": A4/8 *Bb4/8 B4/8", true},
      {"CHROMATIC", "", ": B4/8 *Bb4/8 A4/8", true},
      {"CHROMATIC", "", ": A4/8 *Bb4/8 A4/8", false},
      {"CHROMATIC", "", ": A4/8 *Bb4/8 C5/8", false},
      {"CHROMATIC", "", ": A4/8 *Bb4/8", false},
      {"ALTERNATION", "", ": D4/16 *E4/16 D4/16 E4/16", true},
      {"ALTERNATION", "", ": D4/16 E4/16 D4/16 *E4/16", true},
      {"ALTERNATION", "", ": D4/8 *E4/8 D4/8 E4/8", false},
      {"ALTERNATION", "", ": D4/16 *E4/16 D4/16 F4/16", false},
      {"ALTERNATION", "", ": D4/8 *D4/8 D4/8 D4/8", false},
      {"ALTERNATION", "", "tempo=60: D4/8 *E4/8 D4/8 E4/8", false},
      {"ALTERNATION", "", "tempo=60: D4/4 *E4/4~ D4/4 E4/4", true},
      {"LEAP_UP", "", ": C5/8 *F5/8", true},
      {"LEAP_UP", "", ": C5/8 *E5/8", false},
      {"LEAP_UP", "", ": C6/8 *F5/8", false},
      {"LEAP_UP", "", "tempo=60: C5/8 r/2 *F5/8", false},
      {"SOFT_ENTRY", "", "dynamic=p: *C5/4", true},
      {"SOFT_ENTRY", "", "dynamic=p: B4/4 r/4 *C5/4", true},
      {"SOFT_ENTRY", "", "dynamic=p: B4/4 *C5/4", false},
      {"SOFT_ENTRY", "", "dynamic=mf: r/4 *C5/4", false},
      {"SOFT_ENTRY", "", "dynamic=p: r/4 *C5/16 B4/16", false},
      {"SOFT_ENTRY", "", "dynamic=p: r/4 C5/4 *C5/4", true},
      {"ENTRY", "", ": r/4 *C5/4", true},
      {"ENTRY", "", ": B4/4 *C5/4", false},
      {"PASSING", "", ": B4/16 *C5/16", true},
      {"PASSING", "", "tempo=60: B4/8 *C5/8", false},
      {"SOFT", "", "dynamic=p: ( B4/16 *C5/16 D5/16 )", false},
      {"LOUD", "", "dynamic=f: ( B4/16 *C5/16 D5/16 )", false},
      {"BETWEEN", "B4", ": B4/8 *C5/8 B4/8", true},
      {"BETWEEN", "B4", ": B4/8 *C5/8 D5/8", false},
      {"NEXT_TO", "B4", ": C5/8 *C5/8 C5/8 B4/8", true},
      {"SOFT", "", "dynamic=pp: B4/4 *C5/4", true},
      {"SOFT", "", "dynamic=mp: *C5/4", false},
      {"LOUD", "", "dynamic=f: *C5/4", true},
      {"LOUD", "", "dynamic=mf: *C5/4", false},
      {"LONG", "", "tempo=60: *C5/4", true},
      {"LONG", "", "tempo=120: *C5/4", false},
      {"AFTER", "B4", ": B4/8 *C5/8 D5/8", true},
      {"AFTER", "B4", ": D5/8 *C5/8 B4/8", false},
      {"BEFORE", "B4", ": D5/8 *C5/8 B4/8", true},
      {"BEFORE", "B4", ": B4/8 *C5/8 D5/8", false},
      {"NEXT_TO", "B4", ": D5/8 *C5/8 B4/8", true},
      {"NEXT_TO", "B4", ": B4/8 *C5/8 D5/8", true},
      {"NEXT_TO", "B4", ": A4/8 *C5/8 D5/8", false},
      {"NEXT_TO", "Cb5", ": B4/8 *C5/8 D5/8", true},
      {"NEXT_TO", "B4", "tempo=60: B4/8 r/2 *C5/8", false},
      {"NEXT_TO", "B4", "tempo=60: B4/8, *C5/8", false},
      {"NEXT_TO", "B4", "tempo=60: B4/8! *C5/8", true},
      {"SOFT_ENTRY", "", "dynamic=p: B4/4, *C5/4", true},
      {"LONG", "", "tempo=120: *C5/8!", true},
      {"ALTERNATION", "", ": D4/8 *E4/8~ D4/8", true},
    };
  }

  private static Rule rule(String when, String notes, boolean not, boolean slurred) {
    List<Pitch> pitches =
        notes.isEmpty() ? List.of() : Arrays.stream(notes.split(" ")).map(Pitch::parse).toList();
    return new Rule(
        Rule.When.valueOf(when),
        not,
        pitches,
        List.of(),
        slurred,
        Map.of(),
        Rule.Verdict.GOOD,
        Purpose.FACILITY,
        "x");
  }

  private static Context context(String phrase) {
    Phrase p = Phrase.of(phrase);
    return Context.of(p.line().notes(), Succession.asPrinted(p.line().notes()), Map.of())
        .get(p.first());
  }

  @Test(dataProvider = "circumstances")
  public void aCircumstanceIsMetOrJustMissed(
      String when, String notes, String phrase, boolean met) {
    assertEquals(context(phrase).holds(rule(when, notes, false, false)), met);
    assertEquals(context(phrase).holds(rule(when, notes, true, false)), !met, "turned round");
  }

  @Test
  public void aRuleForASlurNeedsTheSlur() {
    Rule slurred = rule("AFTER", "A6", false, true);
    assertTrue(context(": ( A6/8 *E6/8 ) D6/8").holds(slurred));
    assertFalse(context(": A6/8 *E6/8 D6/8").holds(slurred));
    assertFalse(context(": A6/8 ( *E6/8 D6/8 )").holds(slurred));
  }

  @Test
  public void hasteGrowsAsTheTimeShrinksWithinItsBounds() {
    double last = 0;
    for (int value : new int[] {1, 2, 4, 8, 16, 32}) {
      Phrase p = Phrase.of("tempo=100: C5/" + value + " D5/4");
      double haste =
          Effort.Pace.between(p.line().notes().get(0), p.line().notes().get(1))
              .factor(Weight.Scale.ARM);
      assertTrue(haste >= last && haste >= Weight.LEAST_HASTE && haste <= Weight.MOST_HASTE);
      last = haste;
    }
    assertTrue(last > 2, "a thirty-second at 100 is hasty");
  }

  @Test
  public void theTongueForgivesAndARestFrees() {
    var slurred = Phrase.of(": ( C5/8 D5/8 )").line().notes();
    var tongued = Phrase.of(": C5/8 D5/8").line().notes();
    var rested = Phrase.of(": C5/8 r/2 D5/8").line().notes();
    Effort.Pace slur = Effort.Pace.between(slurred.get(0), slurred.get(1));
    Effort.Pace tongue = Effort.Pace.between(tongued.get(0), tongued.get(1));
    Effort.Pace rest = Effort.Pace.between(rested.get(0), rested.get(1));
    assertEquals(slur.factor(Weight.Scale.TIME), slur.factor(Weight.Scale.ARM));
    assertEquals(
        tongue.factor(Weight.Scale.TIME),
        Weight.TONGUED_FACTOR * tongue.factor(Weight.Scale.ARM),
        1e-12);
    assertEquals(
        tongue.factor(Weight.Scale.NEVER),
        slur.factor(Weight.Scale.NEVER),
        1e-12,
        "what is not done, not under the tongue");
    assertEquals(tongue.factor(Weight.Scale.SLUR), 0.0);
    assertEquals(slur.factor(Weight.Scale.SLUR), 1.0);
    var breathed = Phrase.of(": ( C5/8, D5/8 )").line().notes();
    Effort.Pace breath = Effort.Pace.between(breathed.get(0), breathed.get(1));
    for (Weight.Scale scale : Weight.Scale.values()) {
      assertEquals(rest.factor(scale), 0.0, "nothing is paid over a long rest: " + scale);
      assertEquals(breath.factor(scale), 0.0, "nor over a breath: " + scale);
    }
    var held = Phrase.of("tempo=100: ( C5/8! D5/8 )").line().notes();
    Effort.Pace fermata = Effort.Pace.between(held.get(0), held.get(1));
    assertEquals(fermata.seconds(), Weight.FERMATA * held.get(0).seconds(), 1e-12);
  }

  @Test
  public void difficultyIsAScaleFromNothingToOne() {
    assertEquals(Effort.difficulty(0), 0.0);
    assertEquals(Effort.difficulty(Weight.HARD), 0.632, 0.001);
    assertTrue(Effort.difficulty(100) < 1);
    assertTrue(Effort.difficulty(2) < Effort.difficulty(3));
  }
}
