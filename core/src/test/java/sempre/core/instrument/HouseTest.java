package sempre.core.instrument;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotSame;
import static org.testng.Assert.assertSame;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Refusal;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Dynamic;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Ornament;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

public class HouseTest {
  private static final Instrument FLUTE = Catalogue.standard().instrument("flute");
  private static final Pitch B_FLAT = Pitch.parse("Bb4");

  private static House.Key key(String note, String fingering) {
    return new House.Key(Pitch.parse(note).midi(), fingering);
  }

  private static Entry own(String note, String fingering, String label) {
    return House.none("flute")
        .checked(FLUTE, Pitch.parse(note), fingering, Role.ALTERNATE, label, "");
  }

  private static House with(
      List<Entry> own, Set<House.Key> hidden, Set<House.Key> standards, Map<House.Key, String> w) {
    return new House("flute", own, hidden, standards, w);
  }

  private static List<String> fingerings(House house, String note) {
    return Setup.of(FLUTE, Map.of(), house).ways(Pitch.parse(note)).stream()
        .map(w -> w.entry().fingering())
        .distinct()
        .toList();
  }

  private static String planned(House house, String note) {
    Line line =
        new Line(
            1,
            "1",
            List.of(
                new Note(
                    "n1",
                    List.of(),
                    0,
                    1,
                    0,
                    1,
                    Pitch.parse(note),
                    false,
                    false,
                    Dynamic.MF,
                    90,
                    new KeySignature(0),
                    Ornament.NONE,
                    false,
                    false,
                    "")));
    Plan plan = Planner.plan(line, Player.able(Setup.of(FLUTE, Map.of(), house)));
    return plan.notes().get(0).way().entry().fingering();
  }

  @DataProvider
  public Object[][] wrong() {
    return new Object[][] {
      {"A4", "T 1 2 | 9", "error.no-key-right {typed=9"},
      {"A4", "T Tb 1 2 | Eb", "error.one-finger {finger=LT, tokens=[T, Tb]}"},
      {"A4", "T 1 2 | Eb", "error.in-catalogue {note=A4, fingering=T 1 2 | Eb}"},
      {"C3", "T 1 2 | Eb", "error.own-note {instrument=flute, note=C3}"},
      {"A4", "T 1 2", "error.one-stroke"},
    };
  }

  @Test(dataProvider = "wrong")
  public void anOwnFingeringIsCheckedAsTheCataloguesAre(String note, String text, String said) {
    String message = expectThrows(Refusal.class, () -> own(note, text, "mine")).getMessage();
    assertTrue(message.contains(said), message);
  }

  @Test
  public void anOwnFingeringNeedsANameAndIsNotTheStandardByItself() {
    assertTrue(
        expectThrows(Refusal.class, () -> own("A4", "T 1 2 | 3 Eb", " "))
            .getMessage()
            .contains("error.fingering-name"));
    assertTrue(
        expectThrows(
                Refusal.class,
                () ->
                    House.none("flute")
                        .checked(
                            FLUTE, Pitch.parse("A4"), "T 1 2 | 3 Eb", Role.STANDARD, "mine", ""))
            .getMessage()
            .contains("error.own-role"));
    House house = with(List.of(own("A4", "T 1 2 | 3 Eb", "mine")), Set.of(), Set.of(), Map.of());
    assertTrue(
        expectThrows(
                Refusal.class,
                () ->
                    house.checked(
                        FLUTE, Pitch.parse("A4"), "Eb 3 | 2 1 T", Role.TRILL, "again", ""))
            .getMessage()
            .contains("error.no-key-left {typed=Eb"));
    assertTrue(
        expectThrows(
                Refusal.class,
                () ->
                    house.checked(
                        FLUTE, Pitch.parse("A4"), "2 1 T | Eb 3", Role.TRILL, "again", ""))
            .getMessage()
            .contains("error.own-already"));
  }

  @Test
  public void aKeyThatNotEveryFluteHasIsRequiredByItself() {
    Entry e = own("G4", "T 1 2 3 | giz", "with the B foot");
    assertEquals(e.requires(), Map.of("foot", "B"));
    House house = with(List.of(e), Set.of(), Set.of(), Map.of());
    assertFalse(fingerings(house, "G4").contains("T 1 2 3 | giz"));
    assertTrue(
        Setup.of(FLUTE, Map.of("foot", "B"), house).ways(Pitch.parse("G4")).stream()
            .anyMatch(w -> w.entry().fingering().equals("T 1 2 3 | giz")));
  }

  /** By the bore's first open hole; a fork may be right all the same, so it is only said. */
  @Test
  public void theHolesDoubtAFingeringThatOpensAnother() {
    assertEquals(House.doubt(FLUTE, own("A4", "T 1 2 | 3 Eb", "mine")), java.util.Optional.empty());
    House.Doubt doubt = House.doubt(FLUTE, own("A4", "T 1 3 | Eb", "mine")).orElseThrow();
    assertEquals(doubt.sounds().orElseThrow().toString(), "B4");
    assertTrue(doubt.forked());
  }

  @Test
  public void whatIsAddedIsPlannedOnlyInThisHouse() {
    House house =
        with(
            List.of(own("A4", "T 1 2 | 3 Eb", "covered A")),
            Set.of(),
            Set.of(key("A4", "T 1 2 | 3 Eb")),
            Map.of());
    assertEquals(planned(house, "A4"), "T 1 2 | 3 Eb");
    assertEquals(planned(House.none("flute"), "A4"), "T 1 2 | Eb");
  }

  @Test
  public void aHiddenFingeringIsGoneAndComesBack() {
    House hidden = with(List.of(), Set.of(key("Bb4", "T 1 | Bb Eb")), Set.of(), Map.of());
    assertEquals(fingerings(hidden, "Bb4"), List.of("T 1 | 1 Eb", "Tb 1 | Eb"));
    assertEquals(
        fingerings(House.none("flute"), "Bb4"), List.of("T 1 | 1 Eb", "Tb 1 | Eb", "T 1 | Bb Eb"));
  }

  @Test
  public void theHousesStandardTakesThePlaceOfTheCatalogues() {
    House house = with(List.of(), Set.of(), Set.of(key("A#4", "Tb 1 | Eb")), Map.of());
    Setup setup = Setup.of(FLUTE, Map.of(), house);
    assertEquals(
        setup.ways(B_FLAT).stream()
            .filter(w -> w.entry().role() == Role.STANDARD)
            .map(w -> w.entry().label())
            .distinct()
            .toList(),
        List.of("thumb-b-flat"));
    assertEquals(
        setup.ways(B_FLAT).stream()
            .filter(w -> w.entry().label().equals("one-and-one-b-flat"))
            .findFirst()
            .orElseThrow()
            .entry()
            .role(),
        Role.ALTERNATE);
  }

  @Test
  public void whereTheStandardIsHiddenTheNextTakesItsPlaceAndTheLastStays() {
    House first = with(List.of(), Set.of(key("Bb4", "T 1 | 1 Eb")), Set.of(), Map.of());
    assertEquals(
        Setup.of(FLUTE, Map.of(), first).ways(B_FLAT).get(0).entry().role(), Role.STANDARD);
    House all = with(List.of(), Set.of(key("A4", "T 1 2 | Eb")), Set.of(), Map.of());
    assertEquals(fingerings(all, "A4"), List.of("T 1 2 | Eb"), "a note is never left without");
  }

  @Test
  public void theClassesWordsStandBesideTheName() {
    House house =
        with(List.of(), Set.of(), Set.of(), Map.of(key("Bb4", "Tb 1 | Eb"), "the lighthouse"));
    assertTrue(
        Setup.of(FLUTE, Map.of(), house).ways(B_FLAT).stream()
            .anyMatch(
                w ->
                    w.entry().label().equals("thumb-b-flat")
                        && w.entry().said().equals("the lighthouse")));
  }

  @Test
  public void nothingChangedIsTheCatalogueItself() {
    Catalogue all = Catalogue.standard();
    Setup usual = all.setup("flute", Map.of());
    assertSame(all.setup("flute", Map.of(), House.none("flute")), usual);
    assertSame(all.setup("flute", Map.of("foot", "C")), usual);
    assertNotSame(all.setup("flute", Map.of("foot", "B")), usual);
  }

  @Test
  public void whatIsExportedComesBackTheSame() {
    House house =
        with(
            List.of(
                own("A4", "T 1 2 | 3 Eb", "covered A"),
                own("C5", "1 | 3 Eb", "covered \"C\": dark, #1"),
                own("G4", "T 1 2 3 | giz", "with the B foot")),
            Set.of(key("Bb4", "T 1 | Bb Eb")),
            Set.of(key("A4", "T 1 2 | 3 Eb")),
            Map.of(key("Bb4", "Tb 1 | Eb"), "the lighthouse: “far”"));
    assertEquals(House.read("own.yaml", house.yaml(), FLUTE), house);
    assertEquals(House.read("own.yaml", House.none("flute").yaml(), FLUTE), House.none("flute"));
  }

  /** Own fingerings are exported in the form of the catalogue: its schema accepts them. */
  @Test
  public void theExportedNotesHaveTheCataloguesForm() throws java.io.IOException {
    House house =
        with(
            List.of(own("A4", "T 1 2 | 3 Eb", "covered A"), own("G4", "T 1 2 3 | giz", "with B")),
            Set.of(),
            Set.of(),
            Map.of());
    JsonMapper json = new JsonMapper();
    ObjectNode schema;
    try (var in = getClass().getResourceAsStream("/catalogue/instrument.schema.json")) {
      schema = (ObjectNode) json.readTree(in);
    }
    // the notes alone are judged: a house has no range and no keys of its own
    schema.remove("required");
    Object notes = Yaml.root("own.yaml", house.yaml()).get("notes");
    var judge =
        SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(schema.toString(), InputFormat.JSON);
    assertEquals(
        judge.validate(json.writeValueAsString(Map.of("notes", notes)), InputFormat.JSON).stream()
            .map(Object::toString)
            .toList(),
        List.of());
    String spoiled = json.writeValueAsString(Map.of("notes", notes)).replace("label", "lable");
    assertFalse(judge.validate(spoiled, InputFormat.JSON).isEmpty(), "it does judge");
  }

  @Test
  public void aTrillIsNotMadeTheStandardBecauseTheStandardIsHidden() {
    House hidden = with(List.of(), Set.of(key("F#4", "T 1 2 3 | 3 Eb")), Set.of(), Map.of());
    Setup setup = Setup.of(FLUTE, Map.of(), hidden);
    assertEquals(setup.ways(Pitch.parse("F#4")).get(0).entry().label(), "third-finger-f-sharp");
  }

  @Test
  public void theTeachersSourceIsNeverTheCatalogues() {
    for (Instrument i : Catalogue.standard().instruments()) {
      assertTrue(i.entries().stream().noneMatch(e -> e.source().equals(House.SOURCE)), i.id());
    }
  }

  @DataProvider
  public Object[][] broken() {
    return new Object[][] {
      {"instrument: oboe", "error.other-instrument {typed=oboe, instrument=flute}"},
      {
        "instrument: flute\nhidden: [{note: A4, fingering: \"T 1 | Eb\"}]",
        "error.no-fingering {note=A4, fingering=T 1 | Eb}"
      },
      {
        "instrument: flute\nnotes: [{note: A4, ways: [{fingering: \"T 9 | Eb\", label: nine}]}]",
        "error.no-key-left {typed=9"
      },
      {"instrument: flute\nspells: []", "error.not-here {key=spells}"},
      {"instrument: flute\nnotes: 3", "error.at {where=notes, why=error.yaml-list {typed=3}}"},
      {
        "instrument: flute\nhidden:\n  - note: A4\n    fingering: T 1 2 | Eb\n  - note: H4",
        "error.yaml-line {line=5, why=error.no-pitch"
      },
      {"[1, 2]", "error.yaml-root"},
      {"hidden: []", "error.yaml-missing {key=instrument"},
    };
  }

  @Test(dataProvider = "broken")
  public void aBrokenFileIsRefusedWithWhatIsWrong(String yaml, String said) {
    CatalogueException e =
        expectThrows(CatalogueException.class, () -> House.read("own.yaml", yaml, FLUTE));
    assertTrue(e.getMessage().contains(said), e.getMessage());
  }
}
