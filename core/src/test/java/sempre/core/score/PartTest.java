package sempre.core.score;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;

public class PartTest {
  private static final Transposition ALTO = new Transposition(-5, -9);
  private static final Transposition TRUMPET = new Transposition(-1, -2);

  private static Part part(String name, Transposition t, int fifths, String... notes) {
    KeySignature key = new KeySignature(fifths);
    List<Note> list =
        java.util.stream.IntStream.range(0, notes.length)
            .mapToObj(
                i ->
                    new Note(
                        "n" + i,
                        List.of(),
                        0,
                        1 + i,
                        i,
                        1,
                        Pitch.parse(notes[i]),
                        false,
                        false,
                        Dynamic.MF,
                        100,
                        key,
                        Ornament.NONE,
                        false,
                        false,
                        ""))
            .toList();
    return new Part(
        "P1",
        name,
        t,
        List.of(new Bar(0, "1", 0, notes.length, key, 4, 4)),
        list.isEmpty() ? List.of() : List.of(new Line(1, "1", list)),
        List.of());
  }

  private static List<String> pitches(Part p) {
    return p.topLine().orElseThrow().notes().stream().map(n -> n.pitch().toString()).toList();
  }

  @Test
  public void aTrumpetPageReadByAnAltoSoundsTheSame() {
    Part trumpet = part("Trumpet", TRUMPET, 0, "C4", "E4", "F#4");
    Part alto = trumpet.readBy(ALTO);
    assertEquals(pitches(alto), List.of("G4", "B4", "C#5"));
    assertEquals(alto.key().fifths(), 1);
    for (int i = 0; i < 3; i++) {
      assertEquals(
          ALTO.sounding(alto.topLine().orElseThrow().notes().get(i).pitch()).midi(),
          TRUMPET.sounding(trumpet.topLine().orElseThrow().notes().get(i).pitch()).midi());
    }
  }

  @Test
  public void aKeyOfTooManySharpsIsFoldedAndItsNotesWithIt() {
    // concert B major (5 sharps) is G sharp major for the alto saxophone: 8 sharps, so A flat
    Part alto = part("Flute", Transposition.CONCERT, 5, "B4", "D#5", "F#5").readBy(ALTO);
    assertEquals(alto.key().fifths(), -4);
    assertEquals(pitches(alto), List.of("Ab5", "C6", "Eb6"));
  }

  @Test
  public void theSamePageIsLeftAsItIs() {
    Part p = part("Trumpet", TRUMPET, 0, "C4");
    assertEquals(p.readBy(TRUMPET), p);
    assertEquals(p.inOctave(0), p);
    assertEquals(pitches(p.inOctave(-1)), List.of("C3"));
  }

  @DataProvider
  public Object[][] names() {
    return new Object[][] {
      {"Alto Sax 1", "alto-sax", true}, {"Alto Saxophone", "alto-sax", true},
      {"Tenor Sax", "alto-sax", false}, {"Trumpet in Bb", "trumpet", true},
      {"FLUTE", "flute", true}, {"Music", "flute", false}
    };
  }

  @Test(dataProvider = "names")
  public void aPartIsKnownByItsName(String name, String id, boolean is) {
    assertEquals(
        PartChoice.names(part(name, TRUMPET, 0, "C4"), Catalogue.standard().instrument(id)), is);
  }

  @Test
  public void partsOfSeveralChairsAreSharedOutByTheSeats() {
    Part first = part("Clarinet 1", TRUMPET, 0, "C5");
    Part second = part("Clarinet 2", TRUMPET, 0, "E4");
    Score score =
        new Score("", false, List.of(part("Flute", TRUMPET, 0, "C5"), first, second), List.of());
    var clarinet = Catalogue.standard().instrument("clarinet");
    assertTrue(PartChoice.hasChairs(score, clarinet));
    List<Part> three =
        List.of(0, 1, 2).stream()
            .map(i -> PartChoice.ofChair(score, clarinet, i, 3).orElseThrow().part())
            .toList();
    assertEquals(three, List.of(first, first, second));
    // one alone plays the first
    assertEquals(PartChoice.ofChair(score, clarinet, 0, 1).orElseThrow().part(), first);
  }

  @Test
  public void thoseWhoShareAPartShareItsLinesTheUpperToTheFirst() {
    Part upper = part("Clarinet", TRUMPET, 0, "C5");
    Line lower = part("Clarinet", TRUMPET, 0, "E4").topLine().orElseThrow();
    Part divided =
        new Part(
            "P1",
            "Clarinet",
            TRUMPET,
            upper.bars(),
            List.of(upper.topLine().orElseThrow(), lower),
            List.of());
    var clarinet = Catalogue.standard().instrument("clarinet");
    Score one = new Score("", false, List.of(divided), List.of());
    assertTrue(PartChoice.isShared(one, clarinet));
    assertEquals(lines(one, 4), List.of(0, 0, 1, 1));
    assertEquals(lines(one, 1), List.of(0));
    // two have a part each, and of a part that divides its only player has the upper line
    Score two =
        new Score("", false, List.of(divided, part("Clarinet 2", TRUMPET, 0, "C4")), List.of());
    assertEquals(lines(two, 2), List.of(0, 0));
    assertEquals(lines(two, 4), List.of(0, 1, 0, 0));
  }

  private static List<Integer> lines(Score score, int players) {
    var clarinet = Catalogue.standard().instrument("clarinet");
    return java.util.stream.IntStream.range(0, players)
        .mapToObj(i -> PartChoice.ofChair(score, clarinet, i, players).orElseThrow().line())
        .toList();
  }

  private static Part divided(String name) {
    Part upper = part(name, TRUMPET, 0, "C5");
    Line lower = part(name, TRUMPET, 0, "E4").topLine().orElseThrow();
    return new Part(
        "P1",
        name,
        TRUMPET,
        upper.bars(),
        List.of(upper.topLine().orElseThrow(), lower),
        List.of());
  }

  /** Score, instrument, part of the player; the part and the line that are read. */
  @DataProvider
  public Object[][] players() {
    return new Object[][] {
      {"Clarinet 1|Clarinet 2", "clarinet", 1, "Clarinet 1", 0},
      {"Clarinet 1|Clarinet 2", "clarinet", 2, "Clarinet 2", 0},
      // a third has nothing of its own: the lowest there is
      {"Clarinet 1|Clarinet 2", "clarinet", 3, "Clarinet 2", 1},
      {"Clarinet in B♭ 2|Clarinet in B♭ 1", "clarinet", 1, "Clarinet in B♭ 1", 0},
      {"1st Trumpet|2nd Trumpet|3rd Trumpet", "trumpet", 3, "3rd Trumpet", 0},
      {"Horn I & III|Horn II & IV", "horn", 3, "Horn I & III", 1},
      {"Horn I & III|Horn II & IV", "horn", 2, "Horn II & IV", 0},
      // on one staff the second player has the lower notes
      {"Clarinet", "clarinet", 1, "Clarinet", 0},
      {"Clarinet", "clarinet", 2, "Clarinet", 1},
      {"Clarinet", "clarinet", 3, "Clarinet", 1},
      {"2 Flutes", "flute", 2, "2 Flutes", 1},
      {"Flute|Flute", "flute", 2, "Flute", 0},
      // who has no part reads the same part of the instrument beside
      {"Trumpet 1|Trumpet 2", "cornet", 2, "Trumpet 2", 0},
    };
  }

  @Test(dataProvider = "players")
  public void whoPlaysAPartReadsThatPart(
      String parts, String instrument, int number, String reads, int line) {
    Score score =
        new Score(
            "",
            false,
            java.util.Arrays.stream(parts.split("\\|")).map(PartTest::divided).toList(),
            List.of());
    PartChoice.Seat seat =
        PartChoice.ofPart(score, Catalogue.standard().instrument(instrument), number, 0, 1)
            .orElseThrow();
    assertEquals(seat.part().name(), reads);
    assertEquals(seat.line(), line);
  }

  @DataProvider
  public Object[][] numbers() {
    return new Object[][] {
      {"Fl. 1", "[1]"},
      {"Cl. 2", "[2]"},
      {"Clarinet 3", "[3]"},
      {"2nd Trumpet", "[2]"},
      {"Horn II", "[2]"},
      {"Horn in F 3", "[3]"},
      {"Clarinet in Bb 2", "[2]"},
      {"B♭ Clarinet 1", "[1]"},
      {"1. Klarinette", "[1]"},
      {"Zweite Trompete", "[2]"},
      {"2ª Trompeta", "[2]"},
      {"Clarinete segundo", "[2]"},
      {"3ème Clarinette", "[3]"},
      {"Flauto secondo", "[2]"},
      {"Flute 1 & 2", "[1, 2]"},
      {"Horn 1/3", "[1, 3]"},
      {"Clarinets 1-3", "[1, 2, 3]"},
      {"3 Clarinets", "[1, 2, 3]"},
      {"E♭ Clarinet", "[]"},
      {"Clarinet in A", "[]"},
      {"Trombone 12", "[]"},
      {"Flute", "[]"},
      {"", "[]"},
    };
  }

  @Test(dataProvider = "numbers")
  public void aNameSaysWhichPartItIs(String name, String parts) {
    assertEquals(PartNumbers.of(name).toString(), parts);
  }

  @Test
  public void thoseOfOnePartShareItsLines() {
    Score score = new Score("", false, List.of(divided("Cl. 1"), divided("Cl. 2")), List.of());
    var clarinet = Catalogue.standard().instrument("clarinet");
    List<Integer> lines =
        java.util.stream.IntStream.range(0, 4)
            .mapToObj(i -> PartChoice.ofPart(score, clarinet, 2, i, 4).orElseThrow().line())
            .toList();
    assertEquals(lines, List.of(0, 0, 1, 1));
  }

  @DataProvider
  public Object[][] nearest() {
    return new Object[][] {
      {"cornet", "Trumpet"},
      {"baritone", "Euphonium"},
      {"bass-trombone", "Trombone"},
      {"recorder-soprano", "Flute"},
      {"piccolo", "Flute"}
    };
  }

  /** Timpani come first in the score and lie nearest to nobody. */
  @Test(dataProvider = "nearest")
  public void whoHasNoPartReadsTheMusicallyNextNeverTheTimpani(String id, String from) {
    Score score =
        new Score(
            "",
            false,
            List.of(
                part("Timpani", Transposition.CONCERT, 0, "C3", "G2"),
                part("Flute", Transposition.CONCERT, 0, "C5", "G5"),
                part("Alto Sax", ALTO, 0, "A4", "E5"),
                part("Trumpet", TRUMPET, 0, "D4", "A4"),
                part("Trombone", Transposition.CONCERT, 0, "C3", "G3"),
                part("Euphonium", Transposition.CONCERT, 0, "C3", "G3")),
            List.of());
    assertEquals(
        PartChoice.best(score, Catalogue.standard().instrument(id)).orElseThrow().name(), from);
  }

  private static PartChoice.Reading read(Part p, String id, PartChoice.Pages pages) {
    return PartChoice.read(p, Catalogue.standard().setup(id, Map.of()), pages);
  }

  @Test
  public void howThePagesAreMeantDecidesWhatIsRead() {
    Part trumpet = part("Trumpet", TRUMPET, 0, "C4", "G4");
    assertEquals(
        pitches(read(trumpet, "trumpet", PartChoice.Pages.AS_SAID).part()), List.of("C4", "G4"));
    assertEquals(
        pitches(read(trumpet, "trumpet", PartChoice.Pages.CONCERT).part()), List.of("D4", "A4"));
    assertEquals(
        pitches(read(trumpet, "flute", PartChoice.Pages.AS_WRITTEN).part()), List.of("C4", "G4"));
  }

  @Test
  public void aPageThatNamesItsPlayerIsTheOwnOneUnlessItIsInC() {
    Part own = part("Trumpet", Transposition.CONCERT, 0, "C4");
    assertEquals(pitches(read(own, "trumpet", PartChoice.Pages.AS_SAID).part()), List.of("C4"));
    Part inC = part("Trumpet in C", Transposition.CONCERT, 0, "C4");
    assertEquals(pitches(read(inC, "trumpet", PartChoice.Pages.AS_SAID).part()), List.of("D4"));
  }

  @Test
  public void anotherPlayersPartComesInTheOctaveThatLiesBest() {
    PartChoice.Reading r =
        read(
            part("Flute", Transposition.CONCERT, 0, "C6", "E6"),
            "trombone",
            PartChoice.Pages.AS_SAID);
    assertEquals(pitches(r.part()), List.of("C3", "E3"));
    assertEquals(r.remark().orElseThrow().with().get("octaves"), 3);
    assertEquals(r.remark().orElseThrow().with().get("lower"), 1);
    // a first-year horn does not climb where a flute begins
    assertEquals(
        pitches(
            read(
                    part("Flute", Transposition.CONCERT, 0, "Bb4", "F5"),
                    "horn",
                    PartChoice.Pages.AS_SAID)
                .part()),
        List.of("F4", "C5"));
    // what leaves the instrument goes before what is only uncomfortable
    assertEquals(
        pitches(
            read(
                    part("Flute", Transposition.CONCERT, 0, "C4", "C7"),
                    "flute",
                    PartChoice.Pages.AS_SAID)
                .part()),
        List.of("C4", "C7"));
  }

  @Test
  public void theBestPartIsTheNamedOneThenOneInTheSameKeyThenTheFirst() {
    var sax = Catalogue.standard().instrument("alto-sax");
    Part empty = part("Alto Sax", ALTO, 0);
    Part flute = part("Flute", Transposition.CONCERT, 0, "C5");
    Part other = part("Horn in E flat", ALTO, 0, "C5");
    Part named = part("Alto Sax 2", ALTO, 0, "D5");
    assertEquals(best(sax, empty, flute, other, named), "Alto Sax 2");
    assertEquals(best(sax, empty, flute, other), "Horn in E flat");
    assertEquals(best(sax, empty, flute), "Flute");
    assertTrue(PartChoice.best(new Score("", false, List.of(empty), List.of()), sax).isEmpty());
  }

  @Test
  public void whoPlaysByNamesReadsTheBellsBeforeAnyOther() {
    var percussion = Catalogue.standard().instrument("percussion");
    var flutes = Catalogue.standard().instrument("flute");
    Part flute = part("Flute", Transposition.CONCERT, 0, "C5");
    Part bells = part("Bells", Transposition.CONCERT, 0, "D5");
    assertEquals(best(percussion, flute, bells), "Bells");
    assertEquals(best(percussion, flute), "Flute");
    assertEquals(best(flutes, bells, flute), "Flute");
  }

  private static String best(sempre.core.instrument.Instrument i, Part... parts) {
    return PartChoice.best(new Score("", false, List.of(parts), List.of()), i)
        .map(Part::name)
        .orElse("");
  }
}
