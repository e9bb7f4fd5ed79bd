package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.UnsupportedEncodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.pitch.Transposition;
import sempre.formats.abc.AbcReader;
import tools.jackson.databind.JsonNode;

/** Music that is typed is fingered while it grows, and comes back as it was typed. */
public class TypedApiTest extends DemoTestBase {
  private static final String CHOICE =
      """
      {"noteId": "%s", "fingering": "p6", "where": "NOTE", "section": false}""";

  private static String music(String text, String instrument) {
    return """
        {"text": "%s", "key": "F", "meter": "4/4", "tempo": "1/4=90", "instrument": "%s",
         "perLine": 4}"""
        .formatted(text, instrument);
  }

  private JsonNode look(String text, String instrument) {
    return body(post("/api/typed/look", music(text, instrument)));
  }

  private JsonNode keep(String text, String instrument, String title, String number) {
    return body(
        post(
            "/api/typed",
            """
            {"music": %s, "title": "%s", "book": "Own", "number": "%s"}"""
                .formatted(music(text, instrument), title, number)));
  }

  @Test
  public void aLineIsFingeredForItsInstrumentWithWhatCantBeReadBesideIt() {
    JsonNode tune = look("4C4 D E F 8G A B ? C 2C", "trumpet").get(0);
    // in one flat: B flat is the first valve, C open; a trumpet sounds a whole tone lower
    assertThat(tune.get("notes").get(6).get("shown").asString()).isEqualTo("B♭4");
    assertThat(tune.get("notes").get(6).get("fingering").asString()).isEqualTo("1");
    assertThat(tune.get("notes").get(6).get("soundingMidi").asInt()).isEqualTo(68);
    assertThat(tune.get("notes").get(8).get("at").asDouble()).isEqualTo(4.0);
    assertThat(tune.get("bars").asInt()).isEqualTo(2);
    JsonNode problem = tune.get("problems").get(0);
    assertThat(problem.get("column").asInt()).isEqualTo(18);
    assertThat(problem.get("sentence").asString()).contains("‘?’ is no sign");
  }

  /** A sign that no keyboard has breaks nothing, wherever it is pasted. */
  @Test
  public void signsThatNoPageHasBreakNothing() {
    for (String sign : List.of("\\u0000", "\\u0001", "\\u001b", "\\ufffe", "\\ud800")) {
      for (String text : List.of("4C D" + sign + "E F", "X:1\\nT:Tune" + sign + "\\nK:C\\nCDEF|")) {
        assertThat(post("/api/typed/look", music(text, "flute"))).as(sign).hasStatusOk();
      }
      assertThat(
              post(
                  "/api/typed",
                  """
                  {"music": %s, "title": "A%sb", "book": "B%s", "number": ""}"""
                      .formatted(music("4C D E" + sign + " F", "flute"), sign, sign)))
          .as(sign)
          .hasStatusOk();
    }
  }

  @Test
  public void nothingTypedYetIsNoTuneAndNoPiece() {
    assertThat(look("", "flute")).isEmpty();
    assertThat(look("12.", "flute").size()).isBetween(0, 1);
    assertThat(
            post(
                "/api/typed",
                "{\"music\": "
                    + music("", "flute")
                    + ", \"title\": \"\", \"book\": \"\", \"number\": \"\"}"))
        .hasStatus(400)
        .bodyText()
        .contains("Nothing is typed yet");
  }

  @Test
  public void whatWasTypedComesBackToTheSameMusic() {
    long id =
        keep("8(C D) 4.E 8Fb r4 | 2C#5- C#", "clarinet", "Ripple", "7").get(0).get("id").asLong();
    JsonNode readings = get("/api/pieces/" + id + "/readings");
    String typed = readings.get("typed").asString();
    assertThat(typed).isEqualTo("K:F\nM:4/4\nQ:1/4=90\n8(C D) 4.E 8Fb r4 | 2C#5- C#");
    String before = look("8(C D) 4.E 8Fb r4 | 2C#5- C#", "clarinet").get(0).get("lines").toString();
    String again = look(typed.replace("\n", "\\n"), "clarinet").get(0).get("lines").toString();
    assertThat(again.replaceAll("<identification>.*?</identification>", ""))
        .isEqualTo(before.replaceAll("<identification>.*?</identification>", ""));
  }

  /** How teachers write it on the board; what is doubtful is said with what it becomes. */
  @Test
  public void namesAreReadAsTeachersWriteThem() {
    JsonNode tune = look("Bb C D Eb | F B A G", "flute").get(0);
    List<String> shown = new ArrayList<>();
    tune.get("notes").forEach(n -> shown.add(n.get("shown").asString()));
    assertThat(shown).containsExactly("B♭4", "C5", "D5", "E♭5", "F5", "B♭5", "A5", "G5");
    assertThat(tune.get("problems")).isEmpty();
    List<String> remarks = new ArrayList<>();
    tune.get("remarks").forEach(r -> remarks.add(r.get("sentence").asString()));
    assertThat(remarks)
        .containsExactly(
            "Read as quarter notes. Type 8 before the first note for eighths.",
            "“B” is read as B♭5, by the key signature. For the natural, type “B=”.");
    // names as the program itself writes them
    JsonNode own = look("B♭4 C5 D5", "flute").get(0);
    assertThat(own.get("notes").get(0).get("shown").asString()).isEqualTo("B♭4");
  }

  /** A piece that was typed when letters were ABC is opened to the same notes. */
  @Test
  public void whatWasTypedBeforeAsAbcIsReadAsBefore() {
    byte[] xml =
        AbcReader.read(
                "8(DE) (FG) (AB) (cd)",
                new AbcReader.Said(
                    "D",
                    "4/4",
                    "",
                    new AbcReader.Page("Trumpet", new Transposition(-1, -2), "treble"),
                    false))
            .get(0)
            .xml();
    long id = body(upload("/api/pieces?title=Before", "b.musicxml", xml)).get("id").asLong();
    String text = get("/api/typed/" + id).get("text").asString();
    assertThat(text).startsWith("%abc\n").endsWith("8(DE) (FG) (AB) (cd)");
    JsonNode notes = look(text.replace("\n", "\\n"), "trumpet").get(0).get("notes");
    assertThat(notes.get(7).get("shown").asString()).isEqualTo("D5");
  }

  /** Six bars in lines of four; a tie leads over the fourth bar line, so the fifth bar stays. */
  @Test
  public void aLineEndsWhereNothingLeadsOverItsBarLine() {
    JsonNode lines = look("1C|1D|1E|1F-|1F|1G|", "flute").get(0).get("lines");
    assertThat(lines).hasSize(2);
    assertThat(lines.get(0).asString().split("<measure ")).hasSize(6);
    assertThat(lines.get(1).asString())
        .contains("<fifths>-1</fifths>")
        .contains("<time print-object=\"no\">");
  }

  @Test
  public void aPieceOfTheShelfGoesOutAsAbcAndIsReadAgain() throws UnsupportedEncodingException {
    var answer = mvc.get().uri("/api/pieces/" + piece("Two Gulls") + "/abc").exchange();
    assertThat(answer).hasStatusOk();
    String abc = answer.getResponse().getContentAsString(StandardCharsets.UTF_8);
    assertThat(abc).startsWith("X:5\nT:Two Gulls\n").contains("name=\"Flute\"");
    JsonNode tune = look(abc.replace("\"", "\\\"").replace("\n", "\\n"), "flute").get(0);
    assertThat(tune.get("bars").asInt()).isEqualTo(8);
    assertThat(tune.get("problems")).isEmpty();
  }

  @Test
  public void whereOneOfSeveralLacksATitleNoneIsKept() {
    int before = get("/api/pieces").size();
    String two = "X:1\\nT:Wherry\\nK:C\\nCDEF|\\n\\nX:2\\nK:C\\nGABc|\\n";
    assertThat(
            post(
                "/api/typed",
                "{\"music\": "
                    + music(two, "flute")
                    + ", \"title\": \"\", \"book\": \"\", \"number\": \"\"}"))
        .hasStatus(400);
    assertThat(get("/api/pieces").size()).isEqualTo(before);
    assertThat(keep(two, "flute", "Lugger", "")).hasSize(2);
  }

  @Test
  public void severalExercisesAreSeveralPiecesByTheirNumbers() {
    JsonNode ids = keep("12. 4C D E F\\n13. 4G A B c", "flute", "Ladder", "");
    assertThat(ids).hasSize(2);
    JsonNode second =
        get("/api/pieces/" + ids.get(1).get("id").asLong() + "/readings").get("piece");
    assertThat(second.get("title").asString()).isEqualTo("Ladder 13");
    assertThat(second.get("number").asString()).isEqualTo("13");
  }

  private String fingering(JsonNode stand, String note) {
    for (JsonNode n : stand.get("plan").get("notes")) {
      if (n.get("id").asString().equals(note)) {
        return n.get("fingering").asString() + (n.get("locked").asBoolean() ? " kept" : "");
      }
    }
    return "";
  }

  /** A bar is set in before: what was kept for a note goes with it, and stays at no other. */
  @Test
  public void aChangedPieceKeepsItsIdAndWhatWasKeptForNotesThatAreStillThere() {
    String piece =
        """
        {"music": %s, "title": "Ferry", "book": "Own", "number": "9"}""";
    long id = keep("4=C D E F|=C D E F", "trombone", "Ferry", "9").get(0).get("id").asLong();
    long who = student("Ioane");
    String part = "/api/stand/" + who + "/" + id;
    String note = get(part).get("plan").get("notes").get(4).get("id").asString();
    assertThat(post(part + "/choices", CHOICE.formatted(note))).hasStatusOk();
    assertThat(fingering(get(part), note)).endsWith("kept");
    String more = music("4F F F F|=C D E F|=C D E F", "trombone");
    JsonNode changed = body(put("/api/typed/" + id, piece.formatted(more)));
    assertThat(changed.get("gone").asInt()).isZero();
    String moved = get(part).get("plan").get("notes").get(8).get("id").asString();
    assertThat(fingering(get(part), note)).doesNotEndWith("kept");
    assertThat(fingering(get(part), moved)).endsWith("kept");
    assertThat(get("/api/typed/" + id).get("text").asString()).endsWith("|=C D E F|=C D E F");
    assertThat(get("/api/typed/" + id).get("instrument").asString()).isEqualTo("trombone");

    String less = music("4F F F F|=C D E F", "trombone");
    changed = body(put("/api/typed/" + id, piece.formatted(less)));
    assertThat(changed.get("sentence").asString()).contains("one fingering");
    assertThat(put("/api/typed/" + id, piece.formatted(music("1. c\\n2. d", "trombone"))))
        .hasStatus(400)
        .bodyText()
        .contains("This is one piece");
  }

  @Test
  public void whatCameAsAFileIsNotTypedAnew() {
    assertThat(mvc.get().uri("/api/typed/" + piece("Two Gulls")).exchange())
        .hasStatus(400)
        .bodyText()
        .contains("was not typed here");
  }

  @Test
  public void thePageOfABookIsKeptWithWhatWasTypedFromIt() {
    long id = keep("4C D E F", "flute", "Page", "").get(0).get("id").asLong();
    String path = "/api/pieces/" + id + "/page";
    assertThat(mvc.get().uri(path).exchange()).hasStatus(404);
    byte[] picture = "\u0089PNG\r\n\u001a\n and more".getBytes(StandardCharsets.ISO_8859_1);
    // what it is counts, not what it is called
    assertThat(page(path, "page.png", "text/html", picture)).hasStatusOk();
    assertThat(get("/api/typed/" + id).get("page").asBoolean()).isTrue();
    assertThat(mvc.get().uri(path).exchange())
        .hasStatusOk()
        .hasContentType("image/png")
        .body()
        .isEqualTo(picture);
    byte[] script = "<script>alert(1)</script>".getBytes(StandardCharsets.UTF_8);
    assertThat(page(path, "page.png", "image/png", script)).hasStatus(400);
    assertThat(mvc.delete().uri(path).exchange()).hasStatusOk();
    assertThat(mvc.get().uri(path).exchange()).hasStatus(404);
  }

  private MvcTestResult page(String path, String name, String type, byte[] content) {
    return mvc.put()
        .uri(path)
        .multipart()
        .with(
            r -> {
              r.setMethod("PUT");
              return r;
            })
        .file(new MockMultipartFile("file", name, type, content))
        .exchange();
  }

  /** A demo piece goes out as MIDI, and comes in again as a tune with the same bars and notes. */
  @Test
  public void aPieceGoesOutAsMidiAndIsReadAgain() throws UnsupportedEncodingException {
    MvcTestResult answer = mvc.get().uri("/api/pieces/" + piece("Two Gulls") + "/midi").exchange();
    assertThat(answer).hasStatusOk().hasContentType("audio/midi");
    JsonNode typed =
        body(
            upload(
                "/api/typed/midi", "Two Gulls.mid", answer.getResponse().getContentAsByteArray()));
    String text = typed.get("text").asString();
    assertThat(text).startsWith("X:1\nT:Two Gulls\nM:").contains("name=\"Flute\"");
    JsonNode tune = look(text.replace("\"", "\\\"").replace("\n", "\\n"), "flute").get(0);
    assertThat(tune.get("problems")).isEmpty();
    assertThat(tune.get("bars").asInt()).isEqualTo(8);
    assertThat(upload("/api/typed/midi", "x.mid", new byte[] {1, 2, 3}))
        .hasStatus(400)
        .bodyText()
        .contains("save it anew as a standard MIDI file");
  }

  @DataProvider
  public Object[][] instruments() {
    return Catalogue.standard().instruments().stream()
        .map(i -> new Object[] {i})
        .toArray(Object[][]::new);
  }

  /** What is typed for an instrument is that instrument's own part, and stands as it was typed. */
  @Test(dataProvider = "instruments")
  public void anInstrumentReadsWhatWasTypedForIt(Instrument i) {
    assertThat(Catalogue.standard().named(i.name())).contains(i.id());
    JsonNode tune = look("4=C5 =D5", i.id()).get(0);
    assertThat(tune.get("lines").get(0).asString()).contains("<step>C</step><octave>5</octave>");
  }
}
