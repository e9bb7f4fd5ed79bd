package sempre.core.instrument;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.pitch.Pitch;

/** Each invariant of registers, stages, bores, gaps and families, broken once and found. */
public class InvariantsTest {
  /** A pipe of three holes and a register key, sound from D4 to G4 and an octave higher. */
  private static final String PIPE =
      """
      id: pipe
      name: Small pipe
      family: woodwind
      clef: treble
      transposition: [0, 0]
      blown: {voice: flute}
      source: from memory
      range: {from: D4, to: E4, firstYears: [D4, D4], school: [D4, E4]}
      options: {longer: {label: longer, default: false}}
      keywork:
        kind: hands
        home: "1 2 3 | 1 2 3"
        left: [[O, LT, register key], ["1", L1, first hole], ["2", L2, second hole]]
        right: [["1", R1, third hole], [C, R4, low key, {longer: "true"}]]
      wrong:
        - {from: D4, to: E4, hold: "O |", because: it jumps an octave}
      free:
        - {from: E4, to: E4, hold: "| 1", because: the hole lies far below}
      registers:
        - {from: D4, to: E4, add: "O |"}
      bore:
        registers: [{from: D4, to: E4}, {from: D5, to: E5, with: "O |", up: 12}]
        holes:
          - {note: E4, closes: "2 |"}
          - {note: Eb4, closes: "1 |"}
        end: D4
        cross:
          "Eb4 2 | 1": a fork by its third hole
      notes:
        - {note: D4, ways: [{fingering: "1 2 |", role: standard, label: both}]}
        - {note: Eb4, ways: [{fingering: "2 |", role: standard, label: second}, {fingering: "2 | 1", role: alternate, label: fork}]}
        - {note: E4, ways: [{fingering: "1 |", role: standard, label: first}]}
        - {note: D5, ways: [{fingering: "O 1 2 |", role: standard, label: both over}]}
        - {note: Eb5, ways: [{fingering: "O 2 |", role: standard, label: second over}]}
        - {note: E5, ways: [{fingering: "O 1 |", role: standard, label: first over}]}
      """;

  private static String sound() {
    // the fork is explained by its first open hole, so it needs no listing
    return PIPE.replace("cross:\n    \"Eb4 2 | 1\": a fork by its third hole", "cross: {}");
  }

  @Test
  public void thePipeIsSound() {
    Instrument pipe = InstrumentReader.read("pipe", sound());
    assertEquals(pipe.entries().size(), 7);
    assertEquals(pipe.entriesOf(Pitch.parse("E4")).get(0).pattern().text(), "1 | (1)");
  }

  @DataProvider
  public Object[][] broken() {
    return new Object[][] {
      {"cross: {}", "cross: {\"Eb4 2 | 1\": a fork by its third hole}", "is listed as crossed"},
      {"cross: {}", "cross: {\"F4 1 |\": no such fingering at all}", "there is no F4 1 |"},
      {
        "\"2 |\", role: standard, label: second}",
        "\"1 |\", role: standard, label: second}",
        "Eb4 1 | opens the hole of E4 first"
      },
      {"\"O 2 |\"", "\"2 |\"", "opens the hole of another register first"},
      {"\"O 1 |\"", "\"O 1 | 1\"", "E5 O 1 | 1 does not go with E4 1 |, which gives O 1 |"},
      {
        "add: \"O |\"}",
        "add: \"O |\", except: {E5: no reason at all}}",
        "E5 is listed as an exception, but it goes with the note below"
      },
      {
        "{fingering: \"2 | 1\", role: alternate, label: fork}",
        "{fingering: \"O 2 | 1\", role: alternate, label: fork}",
        "holds what must not be held: it jumps an octave"
      },
      {"school: [D4, E4]", "school: [Eb4, E4]", "less than the one before it"},
      {
        "from: D4, to: E4, firstYears",
        "from: E4, to: D4, firstYears",
        "error.range {from=E4, to=D4}"
      },
      {"hold: \"| 1\"", "hold: \"| 7\"", "error.no-key-right {typed=7"},
      {
        "school: [D4, E4]}",
        "school: [D4, E4], gaps: [{note: D4, because: it has none here}]}",
        "D4 has 1 standards with {longer=false}, but is listed as a gap"
      },
    };
  }

  @Test(dataProvider = "broken")
  public void everyBreakIsFoundAndSaid(String from, String to, String said) {
    assertTrue(sound().contains(from), from);
    CatalogueException e =
        expectThrows(
            CatalogueException.class,
            () -> InstrumentReader.read("pipe", sound().replace(from, to)));
    assertTrue(e.getMessage().contains(said), e.getMessage());
  }

  @Test
  public void aGapNeedsNoStandard() {
    String without =
        sound()
            .replace("registers:\n  - {from: D4, to: E4, add: \"O |\"}", "registers: []")
            .replaceAll("(?m)^  - \\{note: D4.*\\n", "")
            .replace(
                "school: [D4, E4]}",
                "school: [D4, E4], gaps: [{note: D4, because: it has none here}]}");
    Instrument pipe = InstrumentReader.read("pipe", without);
    assertTrue(Setup.of(pipe, Map.of()).ways(Pitch.parse("D4")).isEmpty());
    assertEquals(pipe.gaps().get(0).because(), "it has none here");
  }

  private static Instrument like(String own) {
    return InstrumentReader.read("other", own, id -> sound());
  }

  @Test
  public void aLikenessTakesOverWhatItDoesNotSay() {
    Instrument o = like("{id: other, like: pipe, name: Other pipe}");
    assertEquals(o.id(), "other");
    assertEquals(o.name(), "Other pipe");
    assertEquals(
        o.entries().stream().map(Entry::fingering).toList(),
        InstrumentReader.read("pipe", sound()).entries().stream().map(Entry::fingering).toList());
  }

  /** Notes, ranges, registers, bores and what is free move together: a fourth up and spelled so. */
  @Test
  public void aMovedLikenessMovesEverythingThatIsANote() {
    Instrument o = like("{id: other, like: pipe, name: Other pipe, moved: [3, 5]}");
    assertEquals(o.lowest(), Pitch.parse("G4"));
    assertEquals(o.entriesOf(Pitch.parse("Ab4")).get(0).written(), Pitch.parse("Ab4"));
    assertEquals(o.registers().get(0).from(), Pitch.parse("G4"));
    assertEquals(o.bore().orElseThrow().end(), Pitch.parse("G4"));
    assertEquals(o.free().get(0).from(), Pitch.parse("A4"));
    assertEquals(o.compass(Map.of()).of(Stage.FIRST_YEARS).to(), Pitch.parse("G4"));
  }

  @Test
  public void aLikenessReplacesAddsAndDropsNotes() {
    Instrument o =
        like(
            """
            id: other
            like: pipe
            name: Other pipe
            range: {from: D4, to: Eb4, firstYears: [D4, D4], school: [D4, Eb4]}
            registers: []
            notes: [{note: D4, ways: [{fingering: "1 2 | 1", role: standard, label: all}]}]
            also: [{note: D#4, ways: [{fingering: "O 2 |", role: special, label: over}]}]
            drop: [E4, E5]
            """);
    assertEquals(o.entriesOf(Pitch.parse("D4")).get(0).fingering(), "1 2 | 1");
    assertEquals(o.entriesOf(Pitch.parse("Eb4")).size(), 3, "however the note is spelled");
    assertTrue(o.entriesOf(Pitch.parse("E4")).isEmpty());
  }

  @Test
  public void whatAnotherLacksTakesItsFingeringsWithIt() {
    String forkless = "{id: other, like: pipe, name: Other pipe, without: [right 1], free: []}";
    Instrument o = like(forkless);
    assertTrue(o.keywork().find("1", false).isEmpty());
    assertEquals(o.entriesOf(Pitch.parse("Eb4")).size(), 1);
    Instrument fixed =
        like("{id: other, like: pipe, name: Other pipe, fixed: {longer: \"false\"}, options: {}}");
    assertTrue(fixed.keywork().find("C", false).isEmpty(), "the key of the option");
    Instrument always =
        like("{id: other, like: pipe, name: Other pipe, fixed: {longer: \"true\"}, options: {}}");
    assertEquals(
        always.keywork().find("C", false).orElseThrow().requires(), Map.of(), "it is always there");
  }

  @Test
  public void aLikenessToNothingIsRefused() {
    CatalogueException e =
        expectThrows(
            CatalogueException.class,
            () -> InstrumentReader.read("x", "{id: x, like: kazoo, name: Kazoo}"));
    assertTrue(e.getMessage().contains("kazoo.yaml is missing"), e.getMessage());
  }

  /** Computed: the first open hole from the top says the note, whatever is closed below it. */
  @Test
  public void theFirstOpenHoleSaysTheNote() {
    Instrument sax = Catalogue.standard().instrument("alto-sax");
    Bore bore = sax.bore().orElseThrow();
    record Case(String held, String note, boolean forked) {}
    for (Case c :
        List.of(
            new Case("1 2 3 | 1 2 3", "D4", false),
            new Case("1 2 3 |", "G4", false),
            new Case("1 2 3 G# | 1", "F4", false),
            new Case("1 2 3 G# |", "G#4", false),
            new Case("1 3 |", "B4", true),
            new Case("1 2 3 pD | 1 2 3", "D5", true),
            new Case("|", "C#5", false))) {
      List<Hold> holds = sax.keywork().read(c.held()).holds();
      assertEquals(bore.lowNote(holds).midi(), Pitch.parse(c.note()).midi(), c.held());
      assertEquals(bore.forked(holds), c.forked(), c.held());
    }
  }

  @Test
  public void aRegisterNeedsItsKey() {
    Instrument clarinet = Catalogue.standard().instrument("clarinet");
    Bore bore = clarinet.bore().orElseThrow();
    Bore.Register clarion = bore.register(Pitch.parse("G5")).orElseThrow();
    assertEquals(clarion.up(), 19);
    List<Hold> low = clarinet.keywork().read("T 1 2 3 |").holds();
    assertTrue(bore.midi(low, clarion).isEmpty());
    List<Hold> high = clarinet.keywork().read("R T 1 2 3 |").holds();
    assertEquals((int) bore.midi(high, clarion).orElseThrow(), Pitch.parse("G5").midi());
    assertTrue(bore.register(Pitch.parse("E6")).isEmpty(), "the model ends at C6");
  }

  @Test
  public void anUpperRegisterAddsDropsAndHalves() {
    Instrument bassoon = Catalogue.standard().instrument("bassoon");
    Keywork k = bassoon.keywork();
    RegisterPair half = bassoon.registers().get(0);
    assertEquals(half.upper(k, k.read("w 1 2 3 | 1 2 3")).text(), "w h1 2 3 | 1 2 3");
    RegisterPair drop = bassoon.registers().get(1);
    assertEquals(drop.upper(k, k.read("w 1 2 3 | 1 2")).text(), "1 2 3 | 1 2");
    Keywork c = Catalogue.standard().instrument("clarinet").keywork();
    RegisterPair fifth = Catalogue.standard().instrument("clarinet").registers().get(1);
    assertEquals(fifth.upper(c, c.read("T 1 2 3 |")).text(), "R T 2 3 | Ab");
  }
}
