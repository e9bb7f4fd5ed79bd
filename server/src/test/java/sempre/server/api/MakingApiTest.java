package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A scale is made for an instrument, a student or a group, and goes where music is typed. */
public class MakingApiTest extends DemoTestBase {
  private static final String TRUMPET = "\"kind\": \"INSTRUMENT\", \"id\": \"trumpet\"";

  private MvcTestResult make(String whom, String mode, int octaves, String tonic) {
    return post(
        "/api/making",
        """
        {"whom": {%s, "stage": ""}, "tonic": "%s", "meter": "4/4", "tempo": "80",
         "how": {"mode": "%s", "figure": "STEPS", "rhythm": "EIGHTHS",
                 "articulation": "SLUR_TWO", "octaves": %d}}"""
            .formatted(whom, tonic, mode, octaves));
  }

  private JsonNode look(JsonNode made, String instrument) {
    String text = made.get("text").asString().replace("\"", "\\\"").replace("\n", "\\n");
    return body(
        post(
            "/api/typed/look",
            """
            {"text": "%s", "key": "%s", "meter": "4/4", "tempo": "1/4=80", "instrument": "%s",
             "perLine": 4}"""
                .formatted(text, made.get("key").asString(), instrument)));
  }

  @Test
  public void aScaleForAnInstrumentIsALineThatIsTyped() {
    JsonNode made = body(make(TRUMPET, "MAJOR", 1, "D"));
    assertThat(made.get("title").asString()).isEqualTo("D major");
    assertThat(made.get("text").asString())
        .isEqualTo("8(D4E) (F#G) (AB) (C#D) | (C#B) (AG) (F#E) 4D |]");
    assertThat(made.get("key").asString()).isEqualTo("D");
    JsonNode tune = look(made, "trumpet").get(0);
    assertThat(tune.get("problems")).isEmpty();
    assertThat(tune.get("notes")).hasSize(15);
    // D on a trumpet is 1 and 3
    assertThat(tune.get("notes").get(0).get("fingering").asString()).isEqualTo("1 3");
  }

  /** In concert B flat: the clarinet's C, the alto's G, the horn's F, each on its own page. */
  @Test
  public void aGroupReadsOneScaleEachOnItsOwnPage() {
    String group = "\"kind\": \"GROUP\", \"id\": " + group("Quay Concert Band");
    JsonNode made = body(make(group, "MAJOR", 1, "Bb"));
    String text = made.get("text").asString();
    assertThat(text).startsWith("X:1\nT:B♭ major\nM:4/4\nQ:1/4=80\nK:none\nV:1 name=");
    assertThat(text)
        .containsPattern("name=\"[^\"]*[Cc]larinet[^\"]*\" clef=treble transpose=-2\n\\[K:C] ")
        .containsPattern("transpose=-9\n\\[K:G] ")
        .containsPattern("name=\"[^\"]*[Hh]orn[^\"]*\" clef=treble transpose=-7\n\\[K:F] ");
    JsonNode tune = look(made, "clarinet").get(0);
    assertThat(tune.get("problems")).isEmpty();
    long id =
        body(post(
                "/api/typed",
                """
                {"music": {"text": "%s", "key": "C", "meter": "4/4", "tempo": "",
                 "instrument": "flute", "perLine": 4}, "title": "", "book": "", "number": ""}"""
                    .formatted(text.replace("\"", "\\\"").replace("\n", "\\n"))))
            .get(0)
            .get("id")
            .asLong();
    int own = 0;
    for (JsonNode row : get("/api/pieces/" + id + "/readings").get("rows")) {
      if (text.contains("name=\"" + row.get("name").asString() + "\"")) {
        // nothing was done to the page: it is the own part
        assertThat(row.get("remark").asString()).as(row.toString()).isEmpty();
        own++;
      }
    }
    assertThat(own).isGreaterThan(10);
  }

  @Test
  public void whatNobodyCanPlayIsRefusedWithWhatCanBeDone() {
    assertThat(make(TRUMPET, "MAJOR", 4, "D"))
        .hasStatus(400)
        .bodyText()
        .contains("take fewer, or the whole range");
    assertThat(make(TRUMPET, "MAJOR", 1, "H")).hasStatus(400);
    assertThat(make("\"kind\": \"STUDENT\", \"id\": 99999", "MAJOR", 1, "D")).hasStatus(404);
  }

  @Test
  public void everythingThatCanBeChosenHasItsWords() {
    JsonNode choices = get("/api/making");
    assertThat(choices.get("modes")).hasSize(22);
    assertThat(choices.get("figures").get(5).get("words").asString()).isEqualTo("in thirds");
  }
}
