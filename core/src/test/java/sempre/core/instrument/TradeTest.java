package sempre.core.instrument;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.pitch.Pitch;

/** What teachers of each instrument say of it; common practice, no source, save where named. */
public class TradeTest {
  private static Instrument instrument(String id) {
    return Catalogue.standard().instrument(id);
  }

  private static List<Entry> ways(String id, String note) {
    return instrument(id).entriesOf(Pitch.parse(note));
  }

  @DataProvider
  public Object[][] alternates() {
    return new Object[][] {
      {"oboe", "F4", "1 2 3 | 1 3", Role.ALTERNATE, "forked"},
      {"oboe", "F5", "O1 1 2 3 F | 1 2", Role.ALTERNATE, "left F"},
      {"oboe", "Eb4", "1 2 3 Eb | 1 2 3", Role.ALTERNATE, "left E flat"},
      {"oboe", "Ab4", "1 2 3 | Ab", Role.ALTERNATE, "right A flat"},
      {"oboe", "C#6", "2 3 | 1 C", Role.STANDARD, "C sharp"},
      {"oboe", "E6", "O1 h1 2 3 | 2 3 Ab Eb", Role.STANDARD, "on the right"},
      {"oboe", "F6", "O1 h1 2 | 2 3 Ab Eb", Role.STANDARD, "as E6 without the third finger"},
      {"oboe", "F6", "O3 h1 2 G# |", Role.ALTERNATE, "short"},
      {"bassoon", "F#2", "w 1 2 3 | F# 1 2 3 F", Role.STANDARD, "back"},
      {"bassoon", "F#3", "w h1 2 3 | 1 2 3 fF#", Role.ALTERNATE, "front"},
      {"bassoon", "Ab2", "w 1 2 3 | Ab 1 2 3", Role.REACH, "thumb"},
      {"bassoon", "Eb3", "w 1 3 Eb |", Role.STANDARD, "one-handed"},
      {"bassoon", "Eb3", "w 1 3 | Bb 2", Role.ALTERNATE, "full"},
      {"bassoon", "Eb3", "w 1 3 Eb | Bb 1", Role.ALTERNATE, "muted"},
      {"bassoon", "Eb3", "w 1 3 |", Role.ALTERNATE, "in passing"},
      {"bassoon", "F#4", "2 3 | Bb 1 2", Role.ALTERNATE, "after B flat"},
      {"bassoon", "F#4", "2 | 1 2 F", Role.ALTERNATE, "short"},
      {"bassoon", "Ab4", "h1 2 3 Eb | Bb 1 2", Role.STANDARD, "closed, half-holed"},
      {"alto-sax", "F#6", "O f 2 | hF#", Role.ALTERNATE, "front F with the high F sharp key"},
      {"flute", "F#6", "T 1 3 | 2 Eb", Role.ALTERNATE, "middle finger"},
      {"bassoon", "Eb3", "w 1 3 | Bb 2", Role.ALTERNATE, "muted"},
      {"clarinet", "F#4", "T | s1 s2", Role.ALTERNATE, "two lower side keys"},
      {"clarinet", "B4", "R T 1 2 3 | 1 2 3 E", Role.ALTERNATE, "right little finger"},
      {"clarinet", "C5", "R T 1 2 3 F | 1 2 3", Role.ALTERNATE, "left little finger"},
      {"clarinet", "Eb6", "R T 2 3 | 1 slv Ab", Role.ALTERNATE, "sliver"},
      {"clarinet", "Eb6", "R T 2 3 | 2 Ab", Role.STANDARD, "right second finger"},
      {"tenor-sax", "Bb4", "1 bis |", Role.ALTERNATE, "bis"},
      {"soprano-sax", "F6", "O f 2 |", Role.ALTERNATE, "front F"},
      {"alto-sax", "G6", "O 1 3 | 1 sBb", Role.SPECIAL, "above the normal range"},
      {"recorder-soprano", "G#4", "T 1 2 | 1 2", Role.STANDARD, "as school classes have it"},
      {"recorder-soprano", "E5", "hT 1 2 3 | 1 2", Role.STANDARD, "low E, thumb half open"},
      {"recorder-soprano", "C5", "T 2 |", Role.STANDARD, "first finger up"},
      {"piccolo", "E6", "T 1 2 | 1 2 tr2 Eb", Role.ALTERNATE, "soft E"},
      {"horn", "Ab4", "T 2 3", Role.STANDARD, "B flat side"},
      {"horn", "Ab4", "2 3", Role.ALTERNATE, "F side"},
      {"baritone", "Ab3", "1", Role.STANDARD, "first valve"},
      {"bass-trombone", "C3", "F p1", Role.ALTERNATE, "the attachment"},
    };
  }

  @Test(dataProvider = "alternates")
  public void theCatalogueHas(String id, String note, String fingering, Role role, String what) {
    assertTrue(
        ways(id, note).stream().anyMatch(e -> e.fingering().equals(fingering) && e.role() == role),
        what + ": " + ways(id, note).stream().map(Entry::fingering).toList());
  }

  /**
   * Published: the MusicXML 4.0 tutorial and the W3C's examples write a transposing part with
   * {@code diatonic} and {@code chromatic} steps, the B flat clarinet as -1 and -2. The others: the
   * intervals of the General Information table "Transposing instruments" in any handbook of
   * orchestration (Rimsky-Korsakov, Principles of Orchestration, 1912), octaves included.
   */
  @DataProvider
  public Object[][] transpositions() {
    return new Object[][] {
      {"piccolo", "C5", "C6"},
      {"alto-flute", "C5", "G4"},
      {"bass-flute", "C5", "C4"},
      {"contrabass-clarinet", "C5", "Bb2"},
      {"trumpet-c", "C5", "C5"},
      {"mellophone", "C5", "F4"},
      {"alto-horn", "C5", "Eb4"},
      {"oboe", "C5", "C5"},
      {"english-horn", "C5", "F4"},
      {"bassoon", "C3", "C3"},
      {"e-flat-clarinet", "C5", "Eb5"},
      {"clarinet", "C5", "Bb4"},
      {"alto-clarinet", "C5", "Eb4"},
      {"bass-clarinet", "C5", "Bb3"},
      {"soprano-sax", "C5", "Bb4"},
      {"alto-sax", "C5", "Eb4"},
      {"tenor-sax", "C5", "Bb3"},
      {"baritone-sax", "C5", "Eb3"},
      {"recorder-soprano", "C5", "C6"},
      {"recorder-alto", "C5", "C5"},
      {"trumpet", "C5", "Bb4"},
      {"cornet", "C5", "Bb4"},
      {"flugelhorn", "C5", "Bb4"},
      {"horn", "C5", "F4"},
      {"euphonium", "C3", "C3"},
      {"euphonium-tc", "C5", "Bb3"},
      {"baritone-tc", "C5", "Bb3"},
      {"tuba", "C2", "C2"},
    };
  }

  @Test(dataProvider = "transpositions")
  public void aWrittenNoteSoundsAsTheHandbooksSay(String id, String written, String sounding) {
    assertEquals(
        instrument(id).transposition().sounding(Pitch.parse(written)), Pitch.parse(sounding));
  }

  /** One concert pitch in nine written notes. */
  @Test
  public void concertAFlatIsWrittenAsEachPlayerReadsIt() {
    Map<String, String> read =
        Map.of(
            "flute",
            "Ab",
            "clarinet",
            "Bb",
            "tenor-sax",
            "Bb",
            "trumpet",
            "Bb",
            "alto-sax",
            "F",
            "horn",
            "Eb",
            "trombone",
            "Ab",
            "baritone",
            "Ab",
            "tuba",
            "Ab");
    read.forEach(
        (id, name) -> {
          Pitch p = instrument(id).transposition().written(Pitch.parse("Ab4"));
          assertEquals(p.toString().replaceAll("\\d", ""), name, id);
        });
  }

  /** Published: a register key that opens a third of the way down gives the twelfth (Benade). */
  @Test
  public void theClarinetsUpperRegisterIsTheLowerOneWithTheRegisterKey() {
    for (Entry low : instrument("clarinet").entries()) {
      int midi = low.written().midi();
      if (midi > Pitch.parse("F4").midi() || low.role() == Role.TRILL) {
        continue;
      }
      String upper = "R " + low.fingering();
      assertTrue(
          instrument("clarinet").entriesOf(Pitch.usual(midi + 19)).stream()
              .anyMatch(e -> e.fingering().equals(upper)),
          low.written() + " " + upper);
    }
  }

  @Test
  public void littleFingerNotesOfTheClarinetComeLeftAndRight() {
    for (String note : List.of("E3", "F3", "F#3", "B4", "C5", "C#5")) {
      Set<Boolean> sides =
          ways("clarinet", note).stream()
              .filter(e -> e.role() != Role.TRILL)
              .flatMap(e -> e.pattern().plain().holds().stream())
              .filter(h -> h.finger() == Finger.L4 || h.finger() == Finger.R4)
              .map(h -> h.finger().left())
              .collect(Collectors.toCollection(TreeSet::new));
      assertEquals(sides, Set.of(true, false), note);
    }
  }

  @Test
  public void theRightHandMayStayDownOverTheThroatNotes() {
    for (String note : List.of("G4", "Ab4", "A4", "Bb4")) {
      Pattern p = ways("clarinet", note).get(0).pattern();
      assertEquals(
          p.free().stream().map(Hold::token).toList(),
          List.of("1", "2", "3", "F", "E", "F#"),
          note);
      // the little finger only with the whole hand down
      assertEquals(p.expand(instrument("clarinet").keywork()).size(), 8 + 3, note);
    }
    assertTrue(ways("clarinet", "F4").get(0).pattern().free().isEmpty());
  }

  @Test
  public void theWhisperKeyEndsWhereTheVentMustOpen() {
    Freedom whisper = instrument("bassoon").wrong().get(0);
    assertTrue(whisper.covers(Pitch.parse("A3")) && !whisper.covers(Pitch.parse("Ab3")));
    for (Entry e : instrument("bassoon").entries()) {
      boolean holds = e.pattern().plain().holds("w");
      if (e.written().midi() >= Pitch.parse("A3").midi()) {
        assertFalse(holds, e.written() + " " + e.fingering());
      } else if (e.written().midi() >= Pitch.parse("E2").midi()) {
        assertTrue(holds, e.written() + " " + e.fingering());
      }
    }
  }

  /** The alto recorder has the soprano's fingers a fourth higher, in both bores. */
  @Test
  public void theAltoRecorderIsTheSopranoAFourthUp() {
    for (Entry e : instrument("recorder-soprano").entries()) {
      Pitch up = e.written().plus(3, 5);
      assertTrue(
          ways("recorder-alto", up.toString()).stream()
              .anyMatch(
                  a -> a.fingering().equals(e.fingering()) && a.requires().equals(e.requires())),
          up + " " + e.fingering());
    }
  }

  /** Same valves, several notes: one combination sounds a harmonic series. */
  @Test
  public void oneCombinationSoundsItsPartials() {
    Setup trumpet = Setup.of(instrument("trumpet"), Map.of());
    List<String> first =
        trumpet.notesOf(instrument("trumpet").keywork().read("1")).stream()
            .map(Pitch::toString)
            .toList();
    assertEquals(first, List.of("Bb3", "F4", "Bb4", "D5", "F5", "Bb5"));
  }

  @Test
  public void theFourthValveStandsInForOneAndThree() {
    Setup four = Setup.of(instrument("euphonium"), Map.of());
    assertEquals(four.ways(Pitch.parse("C3")).get(0).entry().fingering(), "4");
    Setup three = Setup.of(instrument("euphonium"), Map.of("valves", "3"));
    assertEquals(three.ways(Pitch.parse("C3")).get(0).entry().fingering(), "1 3");
    assertTrue(
        three.ways(Pitch.parse("C3")).stream().noneMatch(w -> w.fingering().holds("4")),
        "three valves have no fourth");
  }

  @Test
  public void aTubaIsFingeredByItsLength() {
    Map<String, String> c = Map.of("BBb", "1 2", "CC", "1", "Eb", "1 2", "F", "1");
    Map<String, String> notes = Map.of("BBb", "G2", "CC", "Bb2", "Eb", "C3", "F", "Eb3");
    c.forEach(
        (pitch, fingering) -> {
          Setup tuba = Setup.of(instrument("tuba"), Map.of("pitch", pitch));
          Setup.Way way =
              tuba.ways(Pitch.parse(notes.get(pitch))).stream()
                  .filter(w -> w.entry().role() == Role.STANDARD)
                  .findFirst()
                  .orElseThrow();
          assertEquals(way.entry().fingering(), fingering, pitch + " " + notes.get(pitch));
        });
  }

  @Test
  public void aSingleHornHasOneSideOnly() {
    for (String system : List.of("singleF", "singleBb")) {
      Setup horn = Setup.of(instrument("horn"), Map.of("system", system));
      for (int m = horn.lowest().midi(); m <= horn.highest().midi(); m++) {
        assertTrue(
            horn.ways(Pitch.usual(m)).stream().noneMatch(w -> w.fingering().holds("T")), system);
      }
    }
    Setup flat = Setup.of(instrument("horn"), Map.of("system", "singleBb"));
    assertEquals(flat.ways(Pitch.parse("F4")).get(0).entry().fingering(), "0");
    Setup f = Setup.of(instrument("horn"), Map.of("system", "singleF"));
    assertEquals(f.ways(Pitch.parse("C5")).get(0).entry().fingering(), "0");
  }

  @Test
  public void stagesSayWhatIsBeyondAStudent() {
    Compass clarinet = instrument("clarinet").compass(Map.of());
    assertEquals(clarinet.stageOf(Pitch.parse("E5")).orElseThrow(), Stage.FIRST_YEARS);
    assertEquals(clarinet.stageOf(Pitch.parse("C6")).orElseThrow(), Stage.SCHOOL);
    assertEquals(clarinet.stageOf(Pitch.parse("F6")).orElseThrow(), Stage.ADVANCED);
    assertTrue(clarinet.stageOf(Pitch.parse("C7")).isEmpty());
    Compass oboe = instrument("oboe").compass(Map.of());
    assertTrue(oboe.of(Stage.SCHOOL).has(Pitch.parse("F6")), "high F in high school");
    assertFalse(oboe.of(Stage.SCHOOL).has(Pitch.parse("G6")), "high G in college");
    Instrument tuba = instrument("tuba");
    assertEquals(tuba.compass(tuba.optionsWith(Map.of("pitch", "F"))).highest(), Pitch.parse("F4"));
  }

  /** The low Bs and As that only some instruments have. */
  @Test
  public void optionsBringTheirNotes() {
    assertTrue(
        Setup.of(instrument("baritone-sax"), Map.of("lowA", "false"))
            .ways(Pitch.parse("A3"))
            .isEmpty());
    assertFalse(Setup.of(instrument("baritone-sax"), Map.of()).ways(Pitch.parse("A3")).isEmpty());
    assertTrue(
        Setup.of(instrument("oboe"), Map.of("lowBb", "false")).ways(Pitch.parse("Bb3")).isEmpty());
    assertTrue(Setup.of(instrument("bass-clarinet"), Map.of()).ways(Pitch.parse("C3")).isEmpty());
    assertFalse(
        Setup.of(instrument("bass-clarinet"), Map.of("lowC", "true"))
            .ways(Pitch.parse("C3"))
            .isEmpty());
    assertTrue(Setup.of(instrument("trombone"), Map.of()).ways(Pitch.parse("D2")).isEmpty());
    assertEquals(
        Setup.of(instrument("trombone"), Map.of("Fattachment", "true")).lowest(),
        Pitch.parse("C2"));
  }

  @Test
  public void noInstrumentHasFingersOfAnother() {
    for (Instrument i : Catalogue.standard().instruments()) {
      for (Entry e : i.entries()) {
        for (Hold h : e.pattern().plain().holds()) {
          assertTrue(i.keywork().controls().contains(h.control()), i.id() + " " + e.fingering());
        }
      }
    }
    assertTrue(instrument("piccolo").keywork().find("C#", false).isEmpty());
    assertTrue(instrument("english-horn").keywork().find("Bb", true).isEmpty());
    assertTrue(instrument("alto-clarinet").keywork().find("lC", false).isEmpty());
  }

  /** The interval by which each instrument sounds away from its page, as tonal writes intervals. */
  private static final Map<String, String> INTERVALS =
      Map.ofEntries(
          Map.entry("piccolo", "8P"),
          Map.entry("flute", "1P"),
          Map.entry("alto-flute", "-4P"),
          Map.entry("english-horn", "-5P"),
          Map.entry("horn", "-5P"),
          Map.entry("e-flat-clarinet", "3m"),
          Map.entry("clarinet", "-2M"),
          Map.entry("trumpet", "-2M"),
          Map.entry("alto-sax", "-6M"),
          Map.entry("alto-clarinet", "-6M"),
          Map.entry("alto-horn", "-6M"),
          Map.entry("mellophone", "-5P"),
          Map.entry("trumpet-c", "1P"),
          Map.entry("tenor-sax", "-9M"),
          Map.entry("euphonium-tc", "-9M"),
          Map.entry("baritone-sax", "-13M"));

  /**
   * Against a reference library: transpositions of every spelled note of three octaves by the music
   * theory library "tonal" 6.2.0 (npm, MIT; core/src/test/reference/tonal.mjs).
   */
  @Test
  public void transposedNotesAreSpelledAsAMusicTheoryLibrarySpellsThem() throws Exception {
    List<String[]> rows;
    try (var in = getClass().getResourceAsStream("/tonal-transpositions.csv")) {
      rows =
          new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8)
              .lines()
              .skip(1)
              .map(l -> l.split(","))
              .toList();
    }
    INTERVALS.forEach(
        (id, interval) -> {
          List<String[]> mine = rows.stream().filter(r -> r[0].equals(interval)).toList();
          assertEquals(mine.size(), 63, interval);
          for (String[] r : mine) {
            Pitch written = Pitch.parse(r[1]);
            assertEquals(written.midi(), Integer.parseInt(r[2]), r[1]);
            assertEquals(
                instrument(id).transposition().sounding(written),
                Pitch.parse(r[3]),
                id + " " + r[1]);
          }
        });
  }

  @DataProvider
  public Object[][] parts() {
    return new Object[][] {
      {"Bass Clarinet 1", "bass-clarinet"},
      {"B\u266d Clarinet 2", "clarinet"},
      {"Clarinet in Eb", "e-flat-clarinet"},
      {"Alto Clarinet in Eb", "alto-clarinet"},
      {"English Horn", "english-horn"},
      {"Horn in F", "horn"},
      {"French Horns", "horn"},
      {"Fl\u00fcgelhorn", "flugelhorn"},
      {"Baritone Saxophone", "baritone-sax"},
      {"Baritone T.C.", "baritone-tc"},
      {"Baritone", "baritone"},
      {"C Trumpet 1", "trumpet-c"},
      {"Trumpet in C", "trumpet-c"},
      {"Trumpet in Bb", "trumpet"},
      {"Tenor Horn", "alto-horn"},
      {"Mellophone", "mellophone"},
      {"Contrabass Clarinet", "contrabass-clarinet"},
      {"Bass Flute", "bass-flute"},
      {"Bass Trombone", "bass-trombone"},
      {"Trombones", "trombone"},
      {"Alto Flute", "alto-flute"},
      {"Alto Sax. 1", "alto-sax"},
      {"Alto Recorder", "recorder-alto"},
      {"Recorder", "recorder-soprano"},
      {"Tuba", "tuba"},
      {"Bells", "mallets"},
      {"Xylophone", "mallets"},
      {"Mallet Percussion", "mallets"},
      {"Percussion 2", "percussion"},
      {"Drum Set", "percussion"},
      {"Clarinetto in Sib 2", "clarinet"},
      {"Es-Klarinette", "e-flat-clarinet"},
      {"1. Klarinette in B", "clarinet"},
      {"Saxophone alto", "alto-sax"},
      {"Saxof\u00f3n tenor 2", "tenor-sax"},
      {"Saxofone bar\u00edtono", "baritone-sax"},
      {"Fl\u00fbte \u00e0 bec", "recorder-soprano"},
      {"Trompa en Fa", "horn"},
      {"Corno inglese", "english-horn"},
      {"Cor en fa", "horn"},
      {"Trompete (em Sib)", "trumpet"},
      {"Tenorhorn", "baritone-tc"},
      {"Horn in E\u266d", "alto-horn"},
      {"Euphonium T.C.", "euphonium-tc"},
      {"Euph. (B.C.)", "euphonium"},
      {"B. Cl.", "bass-clarinet"},
      {"Bb Bass Clarinet", "bass-clarinet"},
      {"A. Sx. / Alto Sax", "alto-sax"},
      {"Bongos", "none"},
      {"Clarinet in A", "none"},
      {"Klarinette in A 1", "none"},
      {"Contra Bassoon", "none"},
      {"Contrabassoon", "none"},
      {"Tenor Recorder", "none"},
      {"Bassblockfl\u00f6te", "none"},
      {"Bass Saxophone", "none"},
      {"Piccolo Trumpet", "none"},
      {"Trumpet in Eb", "none"},
      {"Alto Trombone", "none"},
      {"E\u266d Bass", "none"},
      {"Contralto Clarinet", "none"},
    };
  }

  @Test(dataProvider = "parts")
  public void aPartIsKnownByTheLongestNameItHolds(String part, String id) {
    assertEquals(Catalogue.standard().named(part).orElse("none"), id);
  }

  @Test
  public void aPartThatNamesNoInstrumentIsNobodys() {
    for (String part : List.of("Part 1", "Violin", "Timpani", "Clarion call", "")) {
      assertEquals(Catalogue.standard().named(part), java.util.Optional.empty(), part);
    }
  }

  /** The first years' range lies within an octave of the middle of the staff or its clef's. */
  @Test
  public void aBeginnersNotesLieAboutTheStaff() {
    for (Instrument i : Catalogue.standard().instruments()) {
      int line = Pitch.parse(i.clef().equals("bass") ? "D3" : "B4").midi();
      for (Map<String, String> options : Invariants.everyChoice(i.options())) {
        Compass.Range first = i.compass(options).of(Stage.FIRST_YEARS);
        assertTrue(first.from().midi() >= line - 22, i.id() + " from " + first.from());
        assertTrue(first.to().midi() <= line + 15, i.id() + " to " + first.to());
        assertTrue(first.to().midi() - first.from().midi() >= 11, i.id() + " is under an octave");
      }
    }
  }
}
