package sempre.server.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.server.file.School;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

public class CliTest {
  private record Answer(int status, String out, String err) {
    JsonNode json() {
      return new JsonMapper().readTree(out);
    }
  }

  private static final String PIECE =
      """
      <score-partwise><part-list><score-part id='P1'><part-name>Flute</part-name></score-part>
      <score-part id='P2'><part-name>Drums</part-name></score-part></part-list>
      <part id='P1'>
        <measure number='1'><attributes><divisions>1</divisions><key><fifths>-2</fifths></key></attributes>
          <note><pitch><step>A</step><octave>4</octave></pitch><duration>1</duration></note>
          <note><pitch><step>B</step><alter>-1</alter><octave>4</octave></pitch><duration>1</duration></note>
          <note><pitch><step>C</step><octave>5</octave></pitch><duration>2</duration></note></measure>
        <measure number='2'>
          <note><pitch><step>B</step><alter>-1</alter><octave>4</octave></pitch><duration>1</duration></note>
          <note><pitch><step>B</step><octave>4</octave></pitch><duration>3</duration></note></measure>
      </part>
      <part id='P2'><measure number='1'><note><unpitched/><duration>4</duration></note></measure></part>
      </score-partwise>
      """;

  /** A trill to the whole step above, in a key that makes B flat of the note above. */
  private static final String TRILLED =
      """
      <score-partwise><part-list><score-part id='P1'><part-name>Oboe</part-name></score-part>
      <score-part id='P2'><part-name>Flute</part-name></score-part></part-list>
      <part id='P1'><measure number='1'><attributes><divisions>1</divisions></attributes>
        <note><pitch><step>D</step><octave>5</octave></pitch><duration>4</duration></note></measure></part>
      <part id='P2'><measure number='1'>
        <attributes><divisions>1</divisions><key><fifths>-1</fifths></key></attributes>
        <note><pitch><step>A</step><octave>4</octave></pitch><duration>4</duration>
          <notations><ornaments><trill-mark/></ornaments></notations></note></measure></part>
      </score-partwise>
      """;

  private Path folder;

  @BeforeClass
  void files() throws IOException {
    folder = Files.createTempDirectory("sempre-cli");
    Files.writeString(folder.resolve("piece.musicxml"), PIECE);
    Files.writeString(folder.resolve("knows.csv"), "note,fingering\nA4,\nC5,\nBb4,T 1 | 1 Eb\n");
    Files.writeString(folder.resolve("empty.musicxml"), "");
    Files.createDirectory(folder.resolve("bare"));
    Files.writeString(
        folder.resolve("passages.txt"),
        """
        # the third finger can't slide to the F key
        oboe ; tempo=100: D4/8 *F4/8 D4/8 ; 1 2 3 | 1 3 ; forked next to D
        oboe ; tempo=100: D4/8 *F4/8 D4/8 ; 1 2 3 | 1 2 F ; what it is not
        """);
    Path several = Files.createDirectory(folder.resolve("several"));
    Files.writeString(several.resolve("a.musicxml"), PIECE);
    Files.writeString(several.resolve("b.xml"), "");
    Files.writeString(several.resolve("c.xml"), TRILLED);
    Files.writeString(folder.resolve("letter.txt"), "Dear teacher");
  }

  @AfterClass
  void tidy() throws IOException {
    try (var files = Files.walk(folder)) {
      files.sorted(java.util.Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
    }
  }

  private Answer run(String... args) {
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    String[] filled = new String[args.length];
    for (int i = 0; i < args.length; i++) {
      filled[i] = args[i].replace("DIR", folder.toString());
    }
    int status = Cli.run(filled, new PrintWriter(out, true), new PrintWriter(err, true));
    return new Answer(status, out.toString(), err.toString());
  }

  @Test
  public void instrumentsAreListedForAPersonAndForAMachine() {
    assertThat(run("instruments").out()).contains("alto-sax", "sounds a major sixth lower");
    JsonNode all = run("instruments", "--json").json();
    assertThat(all).hasSize(35);
    JsonNode flute = all.get(1);
    assertThat(flute.get("options").get(0).get("name").asString()).isEqualTo("foot");
    assertThat(flute.get("stages").get("firstYears").get("to").asString()).isEqualTo("D6");
  }

  @Test
  public void aFileIsConvertedWithTheFingeringsInIt() throws Exception {
    Answer a = run("convert", "DIR/piece.musicxml", "DIR/out.mxl", "--instrument", "flute");
    assertThat(a.err()).isEmpty();
    assertThat(a.out()).contains("wrote");
    String again =
        run("assign", "DIR/out.mxl", "--instrument", "flute", "--json").json().toString();
    assertThat(again)
        .isEqualTo(
            run("assign", "DIR/piece.musicxml", "--instrument", "flute", "--json")
                .json()
                .toString());
    assertThat(run("convert", "DIR/piece.musicxml", "DIR/out.mxl").err())
        .contains("is there already");
    assertThat(run("convert", "DIR/piece.musicxml", "DIR/out.pdf").err())
        .contains("names no format");
    assertThat(run("convert", "DIR/out.mxl", "DIR/plain.xml").status()).isZero();
    assertThat(java.nio.file.Files.readString(folder.resolve("plain.xml")))
        .contains("name=\"fingering\"")
        .contains("<part-name>Drums");
    run(
        "convert",
        "DIR/piece.musicxml",
        "DIR/own.xml",
        "--instrument",
        "trumpet",
        "--part",
        "P1",
        "--own-pages",
        "--alone",
        "--marks");
    assertThat(java.nio.file.Files.readString(folder.resolve("own.xml")))
        .contains("<fingering>")
        .doesNotContain("<part-name>Drums");
  }

  @Test
  public void musicIsConvertedToAbcAndMidiAndReadFromBoth() throws Exception {
    String notes = fingerings("DIR/piece.musicxml");
    for (String ending : List.of("abc", "mid")) {
      String other = "DIR/other." + ending;
      assertThat(run("convert", "DIR/piece.musicxml", other).status()).isZero();
      assertThat(fingerings(other)).as(ending).isEqualTo(notes);
      assertThat(run("convert", other, "DIR/" + ending + ".musicxml").status()).isZero();
      assertThat(fingerings("DIR/" + ending + ".musicxml")).as(ending).isEqualTo(notes);
    }
    java.nio.file.Files.writeString(
        folder.resolve("two.abc"), "X:1\nK:C\nCDEF|\n\nX:2\nK:C\nGABc|\n");
    assertThat(run("assign", "DIR/two.abc", "--instrument", "flute").err())
        .contains("this file has 2 tunes");
  }

  private String fingerings(String file) throws Exception {
    StringBuilder all = new StringBuilder();
    run("assign", file, "--instrument", "flute", "--json")
        .json()
        .get("notes")
        .forEach(
            n -> all.append(n.get("written")).append(n.get("fingering")).append(n.get("quarters")));
    return all.toString();
  }

  @Test
  public void troubleNamesCausesAndWhatToTry() {
    Answer a = run("trouble", "trumpet", "Bb4", "F4");
    assertThat(a.status()).isZero();
    assertThat(a.out())
        .contains("1. The valves are right, but the next partial below", "Try: Sing or buzz");
    JsonNode first = run("trouble", "clarinet", "B4", "E3", "--json").json().get(0);
    assertThat(first.get("kind").asString()).isEqualTo("the register");
    assertThat(first.get("held").asString()).isEqualTo("T 1 2 3 E | 1 2 3");
    Answer none = run("trouble", "flute", "Ab5", "E6");
    assertThat(none.status()).isEqualTo(1);
    assertThat(none.out()).contains("Nothing simple explains E6");
    assertThat(run("trouble", "flute", "A4", "A4").status()).isEqualTo(2);
  }

  @Test
  public void withoutWhatWasHeardTroubleListsWhatCanBeWrongWithTheSound() {
    JsonNode all = run("trouble", "recorder-soprano", "G4", "--json").json();
    assertThat(all).hasSizeGreaterThan(4);
    assertThat(all.get(0).get("text").asString()).isEqualTo("No sound comes.");
    assertThat(all.toString()).doesNotContain("valve").doesNotContain("reed");
  }

  @Test
  public void sentencesAndNamesOfNotesComeInTheLanguageAndNamingAskedFor() {
    Answer es = run("trouble", "clarinet", "Bb4", "A4", "--lang", "es", "--names", "syllables");
    assertThat(es.out()).contains("No está pulsada la llave de registro.", "Prueba: ");
    Answer label = run("fingerings", "flute", "Bb4", "--lang", "es", "--names", "syllables");
    assertThat(label.out()).contains("si bemol del pulgar", "práctica común, sin fuente");
    assertThat(run("fingerings", "flute", "Bb4", "--names", "german").out()).contains("thumb B ");
    Answer none = run("fingerings", "flute", "Bb4", "--lang", "xx");
    assertThat(none.status()).isEqualTo(2);
    assertThat(none.err()).contains("no language ‘xx’; there is: en and es");
    assertThat(run("fingerings", "flute", "Bb4", "--names", "numbers").err())
        .contains("letters, german and syllables");
  }

  @Test
  public void theHelpOfEveryCommandIsThereInBothLanguages() {
    String english = "\\b(the|of|or|not given|what|this|only|written)\\b";
    for (String command :
        new String[] {
          "instruments",
          "fingerings",
          "move",
          "assign",
          "convert",
          "newnote",
          "trouble",
          "serve",
          "demo",
          "backup",
          "restore"
        }) {
      assertThat(run(command, "--help").out()).as(command).containsPattern(english);
      assertThat(run(command, "--help", "--lang", "es").out())
          .as(command)
          .contains("Uso: sempre " + command, "Muestra esta ayuda")
          .doesNotContainPattern(english);
    }
  }

  @Test
  public void aNewNoteIsTakenAcrossTheBand() {
    JsonNode band = run("newnote", "Ab4", "--json").json();
    assertThat(band).hasSize(35);
    for (JsonNode n : band) {
      assertThat(n.get("fingering").asString()).isNotEmpty();
      if (n.get("instrument").asString().equals("tuba")) {
        assertThat(n.get("written").asString()).isEqualTo("Ab2");
        assertThat(n.get("octave").asString()).isEqualTo("2 octaves down, to fit the instrument");
        assertThat(n.get("wrongNotes").get(0).get("written").asString()).isEqualTo("Eb2");
      }
    }
    assertThat(run("newnote", "Bb5", "--stage", "firstYears", "--instrument", "trumpet").out())
        .contains("C5 (an octave down)");
    assertThat(run("newnote", "Bb5", "--stage", "wizard").err()).contains("no stage ‘wizard’");
  }

  @Test
  public void valveInstrumentsShowOneMakeAtATime() {
    assertThat(run("fingerings", "tuba", "C2").out()).contains("fourth valve").doesNotContain("CC");
    assertThat(run("fingerings", "tuba", "C2", "--set", "pitch=CC").out()).contains("open");
    assertThat(run("fingerings", "horn", "Ab4").out())
        .contains("B flat side, valves second and third");
  }

  @Test
  public void fingeringsOfANoteComeWithRoleAndSource() {
    JsonNode n = run("fingerings", "flute", "A#4", "--json").json().get(0);
    assertThat(n.get("written").asString()).isEqualTo("Bb4");
    assertThat(n.get("fingerings")).hasSize(3);
    assertThat(n.get("fingerings").get(0).get("fingering").asString()).isEqualTo("T 1 | 1 Eb");
    assertThat(n.get("fingerings").get(0).get("role").asString()).isEqualTo("standard");
    JsonNode sax = run("fingerings", "alto-sax", "G4", "--json").json().get(0);
    assertThat(sax.get("sounding").asString()).isEqualTo("Bb3");
    assertThat(sax.get("fingerings").get(0).get("free").get(0).asString()).isEqualTo("bis");
    assertThat(sax.get("fingerings").get(0).get("fingering").asString()).isEqualTo("1 2 3 |");
  }

  @Test
  public void optionsNarrowTheListToThatInstrument() {
    assertThat(run("fingerings", "flute", "B3").out()).contains("foot=B");
    Answer none = run("fingerings", "flute", "B3", "--set", "foot=C");
    assertThat(none.status()).isEqualTo(2);
    assertThat(none.err()).contains("has no B3 with these options");
  }

  @Test
  public void aMoveNamesFingersAndSlips() {
    JsonNode m = run("move", "flute", "T 1 2 3 G# | Eb", "T 1 | 1 Eb", "--json").json();
    assertThat(m.get("contrary").asBoolean()).isTrue();
    assertThat(m.get("slips").get(0).get("note").asString()).isEqualTo("B4");
    assertThat(m.get("slips").get(0).get("late").get(0).asString()).isEqualTo("R1");
    JsonNode slide = run("move", "trombone", "p1", "p6", "--json").json().get("slide");
    assertThat(slide.get("cm").asDouble()).isBetween(48.5, 49.8);
  }

  @Test
  public void assignFingersEveryNoteAndSaysWhy() {
    JsonNode plan = run("assign", "DIR/piece.musicxml", "--instrument", "flute", "--json").json();
    assertThat(plan.get("notes")).hasSize(5);
    assertThat(plan.get("moves")).hasSize(4);
    JsonNode thumb = plan.get("notes").get(1);
    assertThat(thumb.get("fingering").asString()).isEqualTo("Tb 1 | Eb");
    JsonNode one = plan.get("notes").get(3);
    assertThat(one.get("fingering").asString()).isEqualTo("T 1 | 1 Eb");
    assertThat(one.get("bar").asString()).isEqualTo("2");
    assertThat(one.get("reasons").get(0).get("because").asString()).isEqualTo("next");
    assertThat(one.get("alternatives").get(0).get("extra").asDouble()).isPositive();
    assertThat(run("assign", "DIR/piece.musicxml", "--instrument", "flute").out())
        .contains("One-and-one B flat, and not thumb B flat: the thumb must not slide");
  }

  @Test
  public void assignTakesBarsConcertStyleReachAndKnowledge() {
    List<String> base = List.of("assign", "DIR/piece.musicxml", "--instrument");
    assertThat(json(base, "flute", "--bars", "2").get("notes")).hasSize(2);
    assertThat(json(base, "alto-sax", "--concert").get("notes").get(0).get("written").asString())
        .isEqualTo("F#5");
    assertThat(
            json(base, "flute", "--style", "bFlat=lever")
                .get("notes")
                .get(3)
                .get("fingering")
                .asString())
        .isEqualTo("T 1 | Bb Eb");
    assertThat(json(base, "flute", "--avoid", "Tb").get("notes").get(1).get("fingering").asString())
        .isEqualTo("T 1 | 1 Eb");
    JsonNode known = json(base, "flute", "--knows", "DIR/knows.csv");
    assertThat(known.get("newNotes").get(0).asString()).isEqualTo("B4");
    assertThat(known.get("notes").get(1).get("fingering").asString()).isEqualTo("T 1 | 1 Eb");
    assertThat(json(base, "trombone").get("outOfRange").get(0).asString()).isEqualTo("C5");
  }

  private JsonNode json(List<String> base, String... more) {
    List<String> all = new java.util.ArrayList<>(base);
    all.addAll(List.of(more));
    all.add("--json");
    Answer a = run(all.toArray(String[]::new));
    assertThat(a.err()).isEmpty();
    return a.json();
  }

  @Test
  public void theSameQuestionGetsTheSameAnswerByteForByte() {
    String[] question = {"assign", "DIR/piece.musicxml", "--instrument", "flute", "--json"};
    assertThat(run(question).out()).isEqualTo(run(question).out());
  }

  @DataProvider
  public Object[][] bad() {
    return new Object[][] {
      {"fingerings kazoo", "there is no instrument ‘kazoo’; there is: piccolo, flute"},
      {"fingerings flute H4", "‘H4’ is not a note"},
      {"fingerings flute C2", "it goes from C4 to C7"},
      {"fingerings flute --set wings=2", "no option ‘wings’"},
      {"fingerings flute --set foot=D", "it is C or B"},
      {"move|flute|T 1 9 | Eb|T 1 | Eb", "there is no ‘9’ on the left"},
      {"move|flute|T 1|T 1 | Eb", "needs one |"},
      {"move|flute|T Tb 1 | Eb|T 1 | Eb", "can’t hold T and Tb at once"},
      {"assign DIR/none.xml --instrument flute", "there is no file"},
      {"assign DIR/bare --instrument flute", "there are no MusicXML files in"},
      {"trill flute C4 E4", "from C4 to E4 it is 4 half steps"},
      {"judge DIR/none.txt", "there is no file"},
      {"judge DIR/letter.txt", "a passage has four fields"},
      {"trill flute C1 D1", "has no C1"},
      {"assign DIR/empty.musicxml --instrument flute", "the file is empty"},
      {"assign DIR/letter.txt --instrument flute", "not MusicXML"},
      {"assign DIR/piece.musicxml", "missing: --instrument=ID; see"},
      {
        "assign DIR/piece.musicxml --instrument flute --part P9",
        "there is no part ‘P9’; there is: P1 (Flute)"
      },
      {"assign DIR/piece.musicxml --instrument flute --part P2", "has no notes with a pitch"},
      {"assign DIR/piece.musicxml --instrument flute --bars 9", "there is no bar 9"},
      {"assign DIR/piece.musicxml --instrument flute --bars 2-1", "runs backwards"},
      {
        "assign DIR/piece.musicxml --instrument flute --style bFlat=nose",
        "it is thumb, oneAndOne or lever"
      },
      {"assign DIR/piece.musicxml --instrument flute --avoid Q", "there is no control ‘Q’"},
      {
        "assign DIR/piece.musicxml --instrument flute --knows DIR/letter.txt",
        "row 1: ‘Dear teacher’ is not a note"
      },
      {"serenade", "serenade is not understood"},
    };
  }

  @Test
  public void aTrillIsAnsweredTheBetterFirst() {
    JsonNode all = run("trill", "flute", "A4", "Bb4", "--json").json();
    assertThat(all.get(0).get("lower").asString()).isEqualTo("Tb 1 2 | Eb");
    assertThat(all.get(0).get("upper").asString()).isEqualTo("Tb 1 | Eb");
    assertThat(all.get(0).get("moves").toString()).isEqualTo("[\"2@L\"]");
    assertThat(all.get(0).get("quality").asString()).isEqualTo("good");
    List<String> qualities = all.findValuesAsString("quality");
    List<String> order = List.of("good", "fair", "poor");
    assertThat(qualities.stream().map(order::indexOf)).isSorted();
    assertThat(run("trill", "flute", "A4", "Bb4").out()).contains("good", "left second finger");
  }

  @Test
  public void whereThereIsNoGoodTrillItSaysWhatToDoInstead() {
    Answer a = run("trill", "oboe", "D6", "E6");
    assertThat(a.status()).isEqualTo(1);
    assertThat(a.out()).contains("no good trill from D6 to E6", "a few slow turns");
    assertThat(run("trill", "trombone", "Bb2", "C3").out()).contains("on the slide");
    assertThat(run("trill", "oboe", "D6", "E6", "--json").out().strip()).isEqualTo("[ ]");
  }

  @Test
  public void aKeyThatAnotherInstrumentHasIsNamedWithItsTrill() {
    JsonNode all = run("trill", "bassoon", "D3", "Eb3", "--json").json();
    assertThat(all.get(0).get("upper").asString()).isEqualTo("w 1 2 | trEb");
    assertThat(all.get(0).get("requires").get("trillKeys").asString()).isEqualTo("true");
    assertThat(run("trill", "bassoon", "D3", "Eb3", "--set", "trillKeys=false").status())
        .as("this one has none")
        .isEqualTo(1);
  }

  @Test
  public void passagesAreJudgedWithTheirMarginAndTheWeights() {
    Answer a = run("judge", "DIR/passages.txt", "--all");
    assertThat(a.status()).as("one does not hold").isEqualTo(1);
    assertThat(a.out()).contains("1 of 2 passages hold", "no slide", "say nothing about it");
    JsonNode judged = run("judge", "DIR/passages.txt", "--json").json();
    assertThat(judged.get("passages").get(0).get("holds").asBoolean()).isTrue();
    assertThat(judged.get("passages").get(0).get("margin").asDouble()).isPositive();
    assertThat(judged.get("passages").get(1).get("margin").asDouble()).isNegative();
    assertThat(judged.get("weights").get(0).get("weight").asString()).isEqualTo("finger");
  }

  @Test
  public void severalFilesAreAnsweredInOneStartALineEach() throws Exception {
    Answer a = run("assign", "DIR/several", "--instrument", "flute", "--json");
    List<String> lines = a.out().strip().lines().toList();
    assertThat(lines).hasSize(3);
    assertThat(a.status()).as("one could not be read").isEqualTo(2);
    assertThat(lines.get(0)).contains("\"file\"", "a.musicxml", "\"notes\"");
    assertThat(lines.get(1)).contains("b.xml", "\"error\"", "the file is empty");
    JsonNode trilled = new tools.jackson.databind.json.JsonMapper().readTree(lines.get(2));
    assertThat(trilled.get("part").asString()).as("the flute's own part").isEqualTo("Flute");
    JsonNode note = trilled.get("notes").get(0);
    assertThat(note.get("fingering").asString()).isEqualTo("Tb 1 2 | Eb");
    JsonNode trill = note.get("trill");
    assertThat(trill.get("with").asString()).isEqualTo("Bb4");
    assertThat(trill.get("fingering").asString()).isEqualTo("Tb 1 | Eb");
    assertThat(trill.get("moves").toString()).isEqualTo("[\"2@L\"]");
    assertThat(trill.get("quality").asString()).isEqualTo("good");
  }

  @Test(dataProvider = "bad")
  public void badInputGetsOneLineThatSaysWhatToChange(String command, String said) {
    Answer a = run(command.contains("|") ? moveArguments(command) : command.split(" "));
    assertThat(a.status()).isEqualTo(2);
    assertThat(a.err()).contains(said);
    assertThat(a.err().strip().lines()).hasSize(1);
    assertThat(a.err()).doesNotContain("Exception");
  }

  /** Fingerings hold strokes themselves: the arguments of the three bad moves by hand. */
  private static String[] moveArguments(String command) {
    Map<String, String[]> moves =
        Map.of(
            "move|flute|T 1 9 | Eb|T 1 | Eb",
                new String[] {"move", "flute", "T 1 9 | Eb", "T 1 | Eb"},
            "move|flute|T 1|T 1 | Eb", new String[] {"move", "flute", "T 1", "T 1 | Eb"},
            "move|flute|T Tb 1 | Eb|T 1 | Eb",
                new String[] {"move", "flute", "T Tb 1 | Eb", "T 1 | Eb"});
    return moves.get(command);
  }

  @Test
  public void everyCommandHasHelp() {
    for (String command :
        List.of("instruments", "fingerings", "move", "assign", "trill", "serve", "demo")) {
      Answer a = run(command, "--help");
      assertThat(a.status()).isZero();
      assertThat(a.out()).contains("Usage: sempre " + command);
    }
  }

  @Test
  public void aBackupIsMadeRestoredAndNeverWrittenOverAnything() {
    assertThat(run("backup", "DIR/b.zip", "--data", "DIR/none").err())
        .contains("there is no school in")
        .contains("name its folder with --data");
    School.open(folder.resolve("school"), Clock.systemUTC()).close();
    Answer made = run("backup", "DIR/b.zip", "--data", "DIR/school");
    assertThat(made.out()).contains("The backup is in").contains("and opens.");
    Answer again = run("backup", "DIR/b.zip", "--data", "DIR/school");
    assertThat(again.status()).isEqualTo(2);
    assertThat(again.err()).contains("is there already; choose another name, or add --force");
    assertThat(run("backup", "DIR/b.zip", "--force", "--data", "DIR/school").status()).isZero();
    assertThat(run("restore", "DIR/letter.txt", "--data", "DIR/school").err())
        .contains("is no backup of Sempre’s");
    assertThat(run("restore", "DIR/b.zip", "--data", "DIR/school").out())
        .contains("The data from before is in ");
    assertThat(run("restore", "DIR/b.zip", "--data", "DIR/other").status()).isZero();
    assertThat(School.isIn(folder.resolve("other"))).isTrue();
  }
}
