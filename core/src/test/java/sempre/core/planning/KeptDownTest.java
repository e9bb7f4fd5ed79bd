package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Setup;
import sempre.core.score.Phrase;

/** What a plan keeps down where it is not heard (common practice, no source). */
public class KeptDownTest {
  private static Plan plan(String instrument, String phrase) {
    Setup setup = Catalogue.standard().setup(instrument, Map.of());
    return Planner.plan(Phrase.of(phrase).line(), Player.able(setup));
  }

  private static String said(KeptDown k) {
    return k.from().note().id()
        + "-"
        + k.to().note().id()
        + " "
        + k.why()
        + k.holds().stream().map(h -> " " + h.finger() + ":" + h.token()).toList();
  }

  @DataProvider
  public Object[][] held() {
    return new Object[][] {
      {"clarinet", "tempo=100: ( G4/8 A4/8 Bb4/8 D5/8 )", "n0-n2 PREPARED[ R1:1,  R2:2,  R3:3]"},
      {"clarinet", "tempo=100: ( D5/8 A4/8 G4/8 )", "n1-n2 LEFT[ R1:1,  R2:2,  R3:3]"},
      {"clarinet", "tempo=100: ( E5/8 Bb4/8 E5/8 )", "n1-n1 BETWEEN[ R1:1,  R2:2]"},
      {"clarinet", "tempo=100: ( D5/8 B4/8 C5/8 D5/8 )", "n1-n1 PREPARED[ R4:F]"},
      {"oboe", "tempo=100: ( G5/8 A5/8 Bb5/8 G5/8 )", "n1-n2 BETWEEN[ LT:O1]"},
      {"alto-sax", "key=-3 tempo=100: ( Ab4/8 F4/8 Ab4/8 )", "n1-n1 BETWEEN[ L4:G#]"},
    };
  }

  @Test(dataProvider = "held")
  public void whatIsKeptDownIsSaidWithItsReason(String instrument, String phrase, String said) {
    List<String> all =
        plan(instrument, phrase).keptDown().stream().map(KeptDownTest::said).toList();
    assertTrue(all.contains(said), all.toString());
  }

  @Test
  public void overTheBreakTheWholeRightHandIsThereBeforeTheNote() {
    Plan p = plan("clarinet", "tempo=100: ( A4/8 B4/8 )");
    assertEquals(
        p.notes().get(0).held().stream().map(Hold::token).toList(), List.of("1", "2", "3"));
    // the right hand has nothing left to do
    assertTrue(p.moves().get(0).move().down().stream().allMatch(f -> f.left()));
  }

  @DataProvider
  public Object[][] needless() {
    return new Object[][] {
      {"clarinet", "tempo=100: ( E4/8 G4/8 A4/8 E4/8 )"},
      {"oboe", "tempo=100: ( C5/8 A5/8 C5/8 )"},
      {"alto-sax", "tempo=100: ( G4/8 F4/8 E4/8 )"},
      {"trumpet", "tempo=100: ( C4/8 E4/8 G4/8 )"},
    };
  }

  @Test(dataProvider = "needless")
  public void nothingIsHeldForNothing(String instrument, String phrase) {
    assertEquals(plan(instrument, phrase).keptDown(), List.of());
  }

  /** Computed: what is held is silent, the next note gets it, and no key is moved for nothing. */
  @Test
  public void everyHoldStartsOrEndsAtANoteThatHasIt() {
    String run = "";
    for (String n : "G4 A4 Bb4 B4 C5 A4 D5 G4 E5 Ab4 F5 A4 B4 Bb4 C#5 G4 C5".split(" ")) {
      run += " " + n + "/16";
    }
    for (String instrument : List.of("clarinet", "bass-clarinet", "alto-sax", "oboe")) {
      Plan p = plan(instrument, "tempo=90: (" + run + " )");
      for (KeptDown k : p.keptDown()) {
        int from = p.notes().indexOf(k.from());
        int to = p.notes().indexOf(k.to());
        for (Hold h : k.holds()) {
          boolean before =
              from > 0 && p.notes().get(from - 1).way().fingering().holds().contains(h);
          boolean behind =
              to + 1 < p.notes().size()
                  && p.notes().get(to + 1).way().fingering().holds().contains(h);
          assertTrue(before || behind, instrument + " " + said(k));
        }
      }
    }
  }
}
