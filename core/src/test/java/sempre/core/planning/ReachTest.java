package sempre.core.planning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Control;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.score.Line;
import sempre.core.score.Note;

/** What a hand does not reach: named by hand, and never a note lost for it. */
public class ReachTest {
  private static Setup setup(String id, String... options) {
    Map<String, String> chosen =
        Stream.of(options).map(o -> o.split("=")).collect(Collectors.toMap(o -> o[0], o -> o[1]));
    return Catalogue.standard().setup(id, chosen);
  }

  private static Player avoiding(Setup setup, String... places) {
    return Player.of(setup, Map.of(), Set.of(places), Optional.empty());
  }

  private static String usual(Player p, String note) {
    return p.usual(Pitch.parse(note)).map(w -> w.entry().fingering()).orElse("none");
  }

  @Test
  public void aControlIsNamedByItsHandWhereBothHaveOneOfThatName() {
    Setup clarinet = setup("clarinet");
    assertEquals(usual(Player.able(clarinet), "F3"), "T 1 2 3 | 1 2 3 F");
    assertEquals(usual(avoiding(clarinet, "F@R"), "F3"), "T 1 2 3 F | 1 2 3");
    assertEquals(usual(avoiding(clarinet, "F@L"), "F3"), "T 1 2 3 | 1 2 3 F");
    assertEquals(usual(avoiding(clarinet, "F"), "F3"), "none", "bare, it is both hands'");
    assertEquals(avoiding(clarinet, "F").avoid(), Set.of("F@L", "F@R"));
    // the left first finger alone: the right one still plays F
    assertEquals(usual(avoiding(setup("alto-sax"), "1@L"), "B4"), "none");
    assertEquals(usual(avoiding(setup("alto-sax"), "1@R"), "B4"), "1 |");
  }

  @Test
  public void aBareNameMeansWhatTheInstrumentHas() {
    assertEquals(avoiding(setup("oboe", "leftF=false"), "F").avoid(), Set.of("F@R"));
    assertEquals(avoiding(setup("oboe", "leftF=true"), "F").avoid(), Set.of("F@L", "F@R"));
    assertEquals(avoiding(setup("bassoon"), "fAb").avoid(), Set.of("fAb"));
    assertEquals(avoiding(setup("bassoon"), "fAb@R").avoid(), Set.of("fAb"));
    assertEquals(avoiding(setup("trombone"), "p7").avoid(), Set.of("p7"));
    assertEquals(avoiding(setup("alto-sax"), "hF#").avoid(), Set.of("hF#"), "a key, no half hole");
  }

  @Test
  public void halfAHoleIsNamedByItself() {
    Setup recorder = setup("recorder-soprano");
    Player noHalf = avoiding(recorder, "hT@L");
    assertEquals(usual(noHalf, "E5"), "none", "the thumb can't half open");
    assertEquals(usual(noHalf, "E4"), usual(Player.able(recorder), "E4"));
    Player noDouble = avoiding(recorder, "h4@R");
    assertEquals(usual(noDouble, "C#4"), "none");
    assertEquals(usual(noDouble, "C4"), usual(Player.able(recorder), "C4"));
    assertEquals(avoiding(setup("oboe"), "h1@L").avoid(), Set.of("h1@L"));
  }

  @DataProvider
  public Object[][] wrong() {
    return new Object[][] {
      {"flute", "Q", "error.no-control {typed=Q"},
      {"bassoon", "fAb@L", "error.no-control {typed=fAb@L, there=[w, "},
      {"clarinet", "F@X", "F@L"},
      {"trombone", "p8", "p7"},
    };
  }

  @Test(dataProvider = "wrong")
  public void anUnknownNameIsRefusedWithWhatThereIs(String id, String place, String said) {
    String message = expectThrows(Refusal.class, () -> avoiding(setup(id), place)).getMessage();
    assertTrue(message.contains(said), message);
  }

  @DataProvider
  public Object[][] instruments() {
    return Catalogue.standard().instruments().stream()
        .filter(i -> !i.byName())
        .map(i -> new Object[] {i})
        .toArray(Object[][]::new);
  }

  /** Names of everything a hand may not reach, half holes too. */
  private static List<String> places(Instrument i) {
    return i.reachable().stream().map(i.keywork()::place).toList();
  }

  @Test(dataProvider = "instruments")
  public void noNoteEverVanishesFromAPlan(Instrument i) {
    Setup setup = Setup.of(i, Map.of());
    Random random = new Random(i.id().hashCode());
    List<String> places = places(i);
    for (int t = 0; t < 60; t++) {
      String[] some =
          random
              .ints(1 + random.nextInt(4), 0, places.size())
              .distinct()
              .mapToObj(places::get)
              .toArray(String[]::new);
      Line line = PlannerTest.random(setup, random, 24);
      Plan plan = Planner.plan(line, avoiding(setup, Set.of(some).toArray(String[]::new)));
      List<String> found = new ArrayList<>();
      plan.notes().forEach(n -> found.add(n.note().id()));
      plan.outOfRange().forEach(n -> found.add(n.id()));
      plan.unreachable().forEach(n -> found.add(n.id()));
      assertEquals(
          found.stream().sorted().toList(),
          line.notes().stream().map(Note::id).sorted().toList(),
          i.id() + " " + List.of(some));
    }
  }

  /** What a trill fingering sounds like is no substitute for a note that is held. */
  @Test(dataProvider = "instruments")
  public void aTrillFingeringStandsInOnlyWhereNothingElseIsLeft(Instrument i) {
    Setup setup = Setup.of(i, Map.of());
    for (String place : places(i)) {
      Player p = avoiding(setup, place);
      for (int midi = setup.lowest().midi(); midi <= setup.highest().midi(); midi++) {
        Pitch note = Pitch.usual(midi);
        Optional<Setup.Way> way = p.usual(note);
        if (way.isEmpty() || way.get().entry().role() != Role.TRILL) {
          continue;
        }
        assertTrue(
            setup.ways(note).stream()
                .filter(w -> w.entry().role() != Role.SPECIAL && p.reaches(w))
                .map(Setup.Way::entry)
                .map(Entry::role)
                .allMatch(r -> r == Role.TRILL),
            i.id() + " without " + place + ": " + note + " " + way.get().fingering().text());
      }
    }
  }

  @Test(dataProvider = "instruments")
  public void everyControlHasOneNameThatIsReadBack(Instrument i) {
    Set<String> names = new java.util.HashSet<>();
    for (Control c : i.keywork().controls()) {
      String place = i.keywork().place(c);
      assertTrue(names.add(place), i.id() + " " + place);
      assertEquals(i.keywork().places(place, Map.of()), Set.of(place));
    }
    assertFalse(names.isEmpty());
  }
}
