package sempre.core.instrument;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.Refusal;
import sempre.core.pitch.Pitch;

public class CatalogueTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  public Object[][] instruments() {
    return CATALOGUE.ids().stream().map(id -> new Object[] {id}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "instruments")
  public void everyFileHasTheFormOfItsSchema(String id) throws IOException {
    var schema =
        SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(resource("/catalogue/instrument.schema.json"), InputFormat.JSON);
    // with anchors expanded and what it takes over from another, as the reader sees it
    Object yaml = InstrumentReader.whole(id, Catalogue.text(id), Catalogue::text);
    var problems =
        schema.validate(
            new tools.jackson.databind.json.JsonMapper().writeValueAsString(yaml),
            InputFormat.JSON);
    assertEquals(problems.stream().map(Object::toString).collect(Collectors.joining("; ")), "");
  }

  @Test(dataProvider = "instruments")
  public void everyInstrumentKeepsTheInvariants(String id) {
    assertEquals(Invariants.problems(CATALOGUE.instrument(id)), List.of());
  }

  @Test(dataProvider = "instruments")
  public void everyEntrySaysWhereItComesFrom(String id) {
    for (Entry e : CATALOGUE.instrument(id).entries()) {
      assertTrue(
          e.source().matches("computed|published: .+|common practice, no source|from memory"),
          e.written() + " " + e.source());
    }
  }

  /** Common practice, no source: what a teacher of the instrument says. */
  @DataProvider
  public Object[][] facts() {
    return new Object[][] {
      {"flute", "Bb4", "T 1 | 1 Eb"},
      {"flute", "Bb4", "Tb 1 | Eb"},
      {"flute", "Bb4", "T 1 | Bb Eb"},
      {"flute", "D6", "T 2 3 | Eb"},
      {"flute", "Eb6", "T 1 2 3 G# | 1 2 3 Eb"},
      {"flute", "Bb6", "T | 1 tr1"},
      {"flute", "B6", "T 1 3 | tr2"},
      {"flute", "C7", "1 2 3 G# | 1"},
      {"flute", "C7", "1 2 3 G# | 1 giz"},
      {"flute", "C6", "1 2 3 | 1 3"},
      {"flute", "C#5", "| 2 3 Eb"},
      {"flute", "F#6", "T 1 3 | 3 C#"},
      {"alto-sax", "Bb4", "1 2 | sBb"},
      {"alto-sax", "Bb4", "1 bis |"},
      {"alto-sax", "Bb4", "1 | 1"},
      {"alto-sax", "C#5", "|"},
      {"alto-sax", "C#5", "O 3 |"},
      {"alto-sax", "F#6", "O f 2 | sBb"},
      {"alto-sax", "F6", "O f 2 |"},
      {"alto-sax", "F6", "O pD pEb pF | sE"},
      {"alto-sax", "Bb5", "1 2 3 Bb | 1 2 3 C"},
      {"alto-sax", "F5", "1 2 3 Bb | 1 2 3 C"},
      {"trumpet", "Bb3", "1"},
      {"trumpet", "F4", "1"},
      {"trumpet", "Bb4", "1"},
      {"trumpet", "A3", "1 2"},
      {"trumpet", "A4", "1 2"},
      {"trumpet", "A4", "3"},
      {"trombone", "Bb2", "p1"},
      {"trombone", "A2", "p2"},
      {"trombone", "Ab2", "p3"},
      {"trombone", "G2", "p4"},
      {"trombone", "C3", "p6"},
      {"trombone", "F3", "p1"},
      {"trombone", "F3", "p6"},
      {"trombone", "Bb3", "p5"},
      {"trombone", "C3", "F p1"},
    };
  }

  @Test(dataProvider = "facts")
  public void theTradesFingeringsAreThere(String id, String note, String fingering) {
    List<String> known =
        CATALOGUE.instrument(id).entriesOf(Pitch.parse(note)).stream()
            .map(Entry::fingering)
            .toList();
    assertTrue(known.contains(fingering), id + " " + note + ": " + known);
  }

  /**
   * Common practice, no source: each high note of the flute is a low one with one thing changed.
   */
  @Test
  public void theFlutesThirdOctaveComesFromTheFirst() {
    assertChanged("E4", "E6", "3"); // without the left third finger
    assertChanged("F4", "F6", "2"); // without the left second
    assertChanged("F#4", "F#6", "2");
    assertChanged("G4", "G6", "T"); // without the thumb
    assertChanged("Ab4", "Ab6", "T 1");
    assertChanged("F4", "A6", "1 3");
  }

  private static void assertChanged(String low, String high, String withoutOnTheLeft) {
    Keywork k = CATALOGUE.instrument("flute").keywork();
    List<String> gone = List.of(withoutOnTheLeft.split(" "));
    List<Hold> left =
        standard("flute", low).holds().stream()
            .filter(h -> !(h.control().left() && gone.contains(h.token())))
            .toList();
    assertEquals(standard("flute", high), k.fingering(left), high);
  }

  private static Fingering standard(String id, String note) {
    return CATALOGUE.instrument(id).entriesOf(Pitch.parse(note)).get(0).pattern().plain();
  }

  /** The lever may be held where the A or the F key closes its hole anyway, and only there. */
  @Test
  public void theThumbIsFreeWhereItsLeverIsNotHeard() {
    Instrument flute = CATALOGUE.instrument("flute");
    for (Entry e : flute.entries()) {
      boolean choice = e.pattern().text().contains("T/Tb");
      Fingering f = e.pattern().plain();
      boolean closed =
          f.holds().stream()
              .anyMatch(
                  h ->
                      h.control().left() && h.token().equals("2")
                          || !h.control().left() && h.token().equals("1"));
      if (choice) {
        assertTrue(f.holds("T") && closed, e.written() + " " + f);
      } else if (f.holds("T")) {
        assertTrue(!closed || e.label().equals("one-and-one-b-flat"), e.written() + " " + f);
      }
    }
  }

  @DataProvider
  public Object[][] broken() {
    return new Object[][] {
      {"T 1 2 | Eb", "T 1 9 | Eb", "error.no-key-left {typed=9"},
      {"T 1 2 | Eb", "T Tb 1 2 | Eb", "error.one-finger {finger=LT, tokens=[T, Tb]}"},
      {"T 1 2 | Eb", "1 T 2 | Eb", "canonical=T 1 2 | Eb"},
      {"{note: A4", "{note: B8", "A4 has no standard"},
      {"requires: {foot: B}", "requires: {foot: C}", "only an instrument with foot=B has"},
      {"requires: {foot: B}", "requires: {knee: B}", "unknown option knee"},
      {"requires: {foot: B}", "requires: {foot: X}", "requires foot=X, which can't be"},
      {"- {note: A5", "- {note: A4", "A4 has T 1 2 | Eb twice"},
      {
        "fingering: \"T 1 2 | Eb \", role: standard",
        "fingering: \"T 1 2 | 3 Eb\", role: standard",
        "A5 T 1 2 | 3 Eb does not go with A4 T 1 2 | Eb"
      },
      {
        "except: {}",
        "except: {A5: no reason at all}",
        "A5 is listed as an exception, but it goes with"
      },
      {"role: standard, label: low A", "role: alternate, label: low A", "A4 has no standard"},
      {"role: standard, label: low A", "role: usual, label: low A", "error.no-such {typed=usual"},
      {"voice: flute", "voice: kazoo", "error.no-such {typed=kazoo"},
      {"transposition: [0, 0]", "transposition: [0]", "error.yaml-short {typed=[0], n=2"},
      {"transposition: [0, 0]", "transposition: [0, up]", "error.yaml-number {typed=up"},
      {"[T, LT, thumb]", "[T, thumb]", "error.no-such {typed=thumb"},
    };
  }

  /** A flute of three notes; each break of it is found and said. */
  private static final String SMALL =
      """
      id: small
      name: Small flute
      family: woodwind
      clef: treble
      transposition: [0, 0]
      blown: {voice: flute}
      range: {from: A4, to: A4, firstYears: [A4, A4], school: [A4, A4]}
      options: {foot: {label: foot, values: [C, B], default: C}}
      keywork:
        kind: hands
        home: "1 2 3 | 1 2 3"
        left: [[T, LT, thumb], [Tb, LT, lever], ["1", L1, one], ["2", L2, two]]
        right: [["3", R3, three], [Eb, R4, E flat], [B, R4, B foot, {foot: B}]]
      registers: [{from: A4, to: A4, except: {}}]
      notes:
        - {note: A4, ways: [{fingering: "T 1 2 | Eb", role: standard, label: low A, source: from memory}]}
        - {note: A5, ways: [{fingering: "T 1 2 | Eb", role: standard, label: high A, source: from memory}]}
        - {note: B3, ways: [{fingering: "T 1 | B", role: standard, label: low B, requires: {foot: B}, source: from memory}]}
      """;

  @Test
  public void theSmallFluteIsSound() {
    assertEquals(InstrumentReader.read("small", SMALL).entries().size(), 3);
  }

  @Test(dataProvider = "broken")
  public void everyInvariantIsChecked(String from, String to, String said) {
    String yaml =
        SMALL
            .replace("high A", "up A")
            .replace(
                "\"T 1 2 | Eb\", role: standard, label: up A",
                "\"T 1 2 | Eb \", role: standard, label: up A");
    // the marked octave is tidied again unless it is what shall break
    String edited = yaml.contains(from) ? replaceFirst(yaml, from, to) : yaml;
    edited = edited.replace("\"T 1 2 | Eb \"", "\"T 1 2 | Eb\"");
    String text = edited;
    CatalogueException e =
        expectThrows(CatalogueException.class, () -> InstrumentReader.read("small", text));
    assertTrue(e.getMessage().contains(said), e.getMessage());
  }

  private static String replaceFirst(String text, String from, String to) {
    int at = text.indexOf(from);
    return text.substring(0, at) + to + text.substring(at + from.length());
  }

  @Test
  public void aKeyWrittenTwiceInYamlIsRefused() {
    CatalogueException e =
        expectThrows(
            CatalogueException.class, () -> InstrumentReader.read("small", SMALL + "id: again\n"));
    assertTrue(e.getMessage().contains("duplicate key id"), e.getMessage());
  }

  @Test
  public void aSetUpHasOnlyWhatItsInstrumentHas() {
    Instrument flute = CATALOGUE.instrument("flute");
    Pitch lowB = Pitch.parse("B3");
    assertTrue(Setup.of(flute, Map.of()).ways(lowB).isEmpty());
    assertTrue(!Setup.of(flute, Map.of("foot", "B")).ways(lowB).isEmpty());
    assertEquals(Setup.of(flute, Map.of("foot", "B")).lowest(), lowB);
  }

  @Test
  public void wrongOptionsAreRefusedWithWhatThereIs() {
    Instrument flute = CATALOGUE.instrument("flute");
    String none =
        expectThrows(Refusal.class, () -> Setup.of(flute, Map.of("wings", "true"))).getMessage();
    assertTrue(
        none.contains("{instrument=flute, typed=wings, there=[foot, splitE, openHole"), none);
    String value =
        expectThrows(Refusal.class, () -> Setup.of(flute, Map.of("foot", "D"))).getMessage();
    assertTrue(value.contains("{option=foot, typed=D, there=[C, B]}"), value);
  }

  @Test
  public void aReaderTakesAnyOrderAndAWriterPrintsTheCanonicalOne() {
    Keywork sax = CATALOGUE.instrument("alto-sax").keywork();
    assertEquals(sax.read("2 O f |").text(), "O f 2 |");
    assertEquals(sax.read("pF pEb O pD | sE").text(), "O pD pEb pF | sE");
    assertEquals(sax.pattern("bis 1|").text(), "1 bis |");
    assertEquals(sax.pattern("1 (bis) 2 3 |").text(), "1 2 3 (bis) |");
    assertEquals(CATALOGUE.instrument("trumpet").keywork().read("0").text(), "0");
    assertEquals(CATALOGUE.instrument("trombone").keywork().read("p2- F").text(), "F p2-");
  }

  @Test
  public void badFingeringsAreRefusedWithASentence() {
    Keywork flute = CATALOGUE.instrument("flute").keywork();
    for (String bad : List.of("T 1 2", "T 1 | 1 | 2", "T 9 |", "T T |", "| C# Eb")) {
      expectThrows(Refusal.class, () -> flute.read(bad));
    }
    Keywork trombone = CATALOGUE.instrument("trombone").keywork();
    for (String bad : List.of("", "p8", "F", "p1 p2")) {
      expectThrows(Refusal.class, () -> trombone.read(bad));
    }
  }

  @Test
  public void freeControlsAreExpandedButNeverClash() {
    Entry g4 = CATALOGUE.instrument("alto-sax").entriesOf(Pitch.parse("F4")).get(0);
    List<String> all =
        g4.pattern().expand(CATALOGUE.instrument("alto-sax").keywork()).stream()
            .map(Fingering::text)
            .collect(Collectors.toList());
    assertEquals(all, List.of("1 2 3 | 1", "1 bis 2 3 | 1", "1 2 3 G# | 1", "1 bis 2 3 G# | 1"));
  }

  private static String resource(String name) throws IOException {
    try (var in = CatalogueTest.class.getResourceAsStream(name)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }
}
