package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.UnsupportedEncodingException;
import java.nio.charset.StandardCharsets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import tools.jackson.databind.JsonNode;

/** Music that is typed is fingered while it grows, and comes back as it was typed. */
public class TypedApiTest extends DemoTestBase {
  private static String music(String text, String instrument) {
    return """
        {"text": "%s", "key": "F", "meter": "4/4", "tempo": "1/4=90", "instrument": "%s"}"""
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
    String before = look("8(C D) 4.E 8_F z4 | ^c2- c", "clarinet").get(0).get("xml").asString();
    String again = look(typed.replace("\n", "\\n"), "clarinet").get(0).get("xml").asString();
    assertThat(again.replaceAll("<identification>.*?</identification>", ""))
        .isEqualTo(before.replaceAll("<identification>.*?</identification>", ""));
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
    assertThat(tune.get("xml").asString()).contains("<step>C</step><octave>5</octave>");
  }
}
