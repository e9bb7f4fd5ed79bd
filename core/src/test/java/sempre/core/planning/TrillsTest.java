package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.TrillFingering.Quality;
import sempre.core.pitch.Pitch;
import sempre.core.score.Phrase;

/** What moves in a trill, and how well it goes. */
public class TrillsTest {
  private static Setup setup(String id) {
    return Catalogue.standard().setup(id, Map.of());
  }

  private static List<Trill> trills(Setup setup, int lower, int width) {
    return Trills.of(setup, Pitch.usual(lower), Pitch.usual(lower + width));
  }

  @DataProvider
  public Object[][] agreed() throws IOException {
    return Reference.rows("trills.txt").stream()
        .map(l -> new Object[] {l})
        .toArray(Object[][]::new);
  }

  /** The check from outside: what independent writers agree on is our first answer. */
  @Test(dataProvider = "agreed")
  public void theFirstTrillIsWhatIndependentWritersAgreeOn(String[] row) throws IOException {
    Set<String> settled = new HashSet<>();
    Reference.rows("trills-settled.txt").forEach(l -> settled.add(l[0]));
    String key = row[0] + " " + row[1] + " " + row[2];
    String expected = row[3] + " -> " + row[4] + " " + row[5];
    List<Trill> all = Trills.of(setup(row[0]), Pitch.parse(row[1]), Pitch.parse(row[2]));
    String first = all.isEmpty() ? "none" : told(all.get(0));
    assertEquals(!first.equals(expected), settled.contains(key), key + ": " + first);
  }

  private static String told(Trill t) {
    return t.lower().fingering().text()
        + " -> "
        + t.upper().fingering().text()
        + " "
        + t.quality().name().toLowerCase();
  }

  @Test
  public void inAGoodTrillFewFingersMoveAllTheSameWay() {
    int good = 0;
    for (Instrument i : Catalogue.standard().instruments()) {
      Setup s = Setup.of(i, Map.of());
      for (int m = s.lowest().midi(); m <= s.highest().midi(); m++) {
        for (int width = 1; width <= 2; width++) {
          for (Trill t : trills(s, m, width)) {
            String where = i.id() + " " + Pitch.usual(m) + " " + told(t);
            assertTrue(t.move().fingers() <= 3, where);
            if (t.quality() == Quality.GOOD) {
              assertFalse(t.move().contrary(), where);
              assertTrue(t.move().fingers() <= 2, where);
              good++;
            }
          }
        }
      }
    }
    assertTrue(good > 900, good + " good trills");
  }

  @Test
  public void theBetterOnesComeFirst() {
    for (Instrument i : Catalogue.standard().instruments()) {
      Setup s = Setup.of(i, Map.of());
      for (int m = s.lowest().midi(); m < s.highest().midi(); m++) {
        List<Quality> order = trills(s, m, 1).stream().map(Trill::quality).toList();
        assertEquals(order, order.stream().sorted().toList(), i.id() + " " + Pitch.usual(m));
      }
    }
  }

  /** The school range, by the holes or by knowledge: nearly every step can be trilled. */
  @Test
  public void mostStepsOfTheSchoolRangeHaveATrill() {
    Map<String, Integer> without = new HashMap<>();
    for (Instrument i : Catalogue.standard().instruments()) {
      if (!i.family().equals("woodwind")) {
        continue;
      }
      Setup s = Setup.of(i, Map.of());
      var range = i.compass(s.options()).of(sempre.core.instrument.Stage.SCHOOL);
      int none = 0;
      for (int m = range.from().midi(); m < range.to().midi(); m++) {
        none += trills(s, m, 1).isEmpty() ? 1 : 0;
        none += m + 2 <= range.to().midi() && trills(s, m, 2).isEmpty() ? 1 : 0;
      }
      without.put(i.id(), none);
    }
    without.forEach((id, n) -> assertTrue(n <= 12, id + " lacks " + n));
  }

  @Test
  public void aValveTrillStaysOnOnePartialAndALipTrillOnItsValves() {
    for (String id : List.of("trumpet", "horn", "euphonium", "tuba")) {
      Setup s = setup(id);
      for (int m = s.lowest().midi(); m < s.highest().midi(); m++) {
        for (int width = 1; width <= 2; width++) {
          for (Trill t : trills(s, m, width)) {
            int low = t.lower().entry().partial().orElseThrow();
            int high = t.upper().entry().partial().orElseThrow();
            if (t.byLips()) {
              assertTrue(low >= 8 && high == low + 1, id + " " + told(t));
            } else if (t.quality() == Quality.GOOD) {
              assertEquals(high, low, id + " " + told(t));
              assertEquals(t.moving().size(), 1, id + " " + told(t));
            }
          }
        }
      }
    }
  }

  @Test
  public void onTheSlideThereIsATrillByTheLipsOrNone() {
    Setup s = setup("trombone");
    for (int m = s.lowest().midi(); m < s.highest().midi(); m++) {
      for (int width = 1; width <= 2; width++) {
        trills(s, m, width).forEach(t -> assertTrue(t.byLips(), told(t)));
      }
    }
  }

  @Test
  public void theHouseHasItsWordOnBothSidesOfATrill() {
    Phrase p = Phrase.of("key=-2 tempo=72: A4/4 *Bb4/2~ A4/4");
    Setup sax = setup("alto-sax");
    List<String> lowers = new ArrayList<>();
    for (String school : List.of("side", "bis")) {
      Player player = Player.of(sax, Map.of("bFlat", school), Set.of(), Optional.empty());
      lowers.add(Planner.plan(p.line(), player).notes().get(1).way().entry().fingering());
    }
    assertEquals(lowers, List.of("1 2 | sBb", "1 bis |"));
    Phrase upper = Phrase.of("key=-1 tempo=72: G4/4 *A4/2~ G4/4");
    Player bis = Player.of(sax, Map.of("bFlat", "bis"), Set.of(), Optional.empty());
    assertEquals(
        Planner.plan(upper.line(), bis)
            .notes()
            .get(1)
            .ornament()
            .flatMap(Ornamented::trill)
            .orElseThrow()
            .upper()
            .entry()
            .fingering(),
        "1 bis |");
  }

  @Test
  public void whatTheHandDoesNotReachIsInNoTrill() {
    Setup flute = setup("flute");
    Player player = Player.of(flute, Map.of(), Set.of("tr1"), Optional.empty());
    assertFalse(Trills.of(flute, Pitch.parse("C5"), Pitch.parse("D5")).isEmpty());
    assertTrue(
        Trills.of(player, Pitch.parse("C5"), Pitch.parse("D5")).stream()
            .flatMap(t -> t.moving().stream())
            .noneMatch(h -> h.token().equals("tr1")));
  }

  @Test
  public void whatIsForTrillsOnlyIsNoFingeringOfItsNote() {
    Setup flute = setup("flute");
    int note = Pitch.parse("F4").midi();
    Set<String> shown =
        flute.ways(note).stream().map(w -> w.fingering().text()).collect(Collectors.toSet());
    Set<String> every =
        flute.everyWay(note).stream().map(w -> w.fingering().text()).collect(Collectors.toSet());
    assertFalse(shown.contains("T 1 2 3 | 1 3 Eb"));
    assertTrue(every.contains("T 1 2 3 | 1 3 Eb"));
    assertTrue(
        Planner.plan(Phrase.of(": E4/4 *F4/4 G4/4").line(), Player.able(flute))
            .notes()
            .get(1)
            .alternatives()
            .stream()
            .noneMatch(a -> a.way().fingering().text().equals("T 1 2 3 | 1 3 Eb")));
  }

  @Test
  public void aNoteTakesAnotherFormWhereTheTrillNeedsIt() {
    Setup recorder = setup("recorder-soprano");
    Player player = Player.able(recorder);
    String plain = at(Planner.plan(Phrase.of("tempo=72: A4/4 *B4/2 A4/4").line(), player));
    String trilled = at(Planner.plan(Phrase.of("tempo=72: A4/4 *B4/2~ A4/4").line(), player));
    assertEquals(List.of(plain, trilled), List.of("T 1 |", "T 2 3 |"));
  }

  private static String at(Plan plan) {
    return plan.notes().get(1).way().bare().text();
  }
}
