package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.UnsupportedEncodingException;
import java.nio.charset.StandardCharsets;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
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
    JsonNode tune = look("4C D E F 8G A B ? c 2c", "trumpet").get(0);
    // in one flat: B flat is the first valve, C open; a trumpet sounds a whole tone lower
    assertThat(tune.get("notes").get(6).get("shown").asString()).isEqualTo("B♭4");
    assertThat(tune.get("notes").get(6).get("fingering").asString()).isEqualTo("1");
    assertThat(tune.get("notes").get(6).get("soundingMidi").asInt()).isEqualTo(68);
    assertThat(tune.get("notes").get(8).get("at").asDouble()).isEqualTo(4.0);
    assertThat(tune.get("bars").asInt()).isEqualTo(2);
    JsonNode problem = tune.get("problems").get(0);
    assertThat(problem.get("column").asInt()).isEqualTo(17);
    assertThat(problem.get("sentence").asString()).contains("‘?’ is no sign");
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
        keep("8(C D) 4.E 8_F z4 | ^c2- c", "clarinet", "Ripple", "7").get(0).get("id").asLong();
    JsonNode readings = get("/api/pieces/" + id + "/readings");
    String typed = readings.get("typed").asString();
    assertThat(typed).isEqualTo("K:F\nM:4/4\nQ:1/4=90\n8(C D) 4.E 8_F z4 | ^c2- c");
    String before = look("8(C D) 4.E 8_F z4 | ^c2- c", "clarinet").get(0).get("lines").toString();
    String again = look(typed.replace("\n", "\\n"), "clarinet").get(0).get("lines").toString();
    assertThat(again.replaceAll("<identification>.*?</identification>", ""))
        .isEqualTo(before.replaceAll("<identification>.*?</identification>", ""));
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
    byte[] picture = {(byte) 0x89, 'P', 'N', 'G'};
    assertThat(page(path, "page.png", "image/png", picture)).hasStatusOk();
    assertThat(get("/api/typed/" + id).get("page").asBoolean()).isTrue();
    assertThat(mvc.get().uri(path).exchange())
        .hasStatusOk()
        .hasContentType("image/png")
        .body()
        .isEqualTo(picture);
    assertThat(page(path, "page.html", "text/html", picture)).hasStatus(400);
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
    JsonNode tune = look("4=c =d", i.id()).get(0);
    assertThat(tune.get("lines").get(0).asString()).contains("<step>C</step><octave>5</octave>");
  }
}
