package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** An audition from its table to the verdict of two judges. */
public class AuditionApiTest extends DemoTestBase {
  private static final String TABLE =
      """
      instrument,kind,title,bars,tonic,scale,from,to,tempo,pattern,level
      flute,etude,spray,,,,,,80,,
      flute,etude,No Such Piece,,,,,,80,,
      flute,scale,,,Bb,major,Bb4,C6,60,,
      flute,chromatic,,,,,Bb3,C6,60,,
      flute,sight,,,,,,,,,eighths
      """;

  private long student;
  private long audition;

  private static String body(String name, LocalDate day, String table) {
    return new JsonMapper()
        .createObjectNode()
        .put("name", name)
        .put("day", day == null ? null : day.toString())
        .put("requirements", table)
        .toString();
  }

  @BeforeClass(dependsOnMethods = "fill")
  void setUp() {
    student = student("Yuna");
    MvcTestResult added =
        post("/api/auditions", body("Winds", LocalDate.now().plusDays(28), TABLE));
    assertThat(added).hasStatusOk();
    audition = body(added).get("id").asLong();
  }

  private JsonNode flutes(JsonNode view) {
    return view.get("sections").get(0);
  }

  @Test
  public void whoGoesThereSeesWhatIsReadyAndWhy() {
    String path = "/api/auditions/" + audition;
    assertThat(get(path).get("audition").get("left").asString()).isEqualTo("in 28 days");
    JsonNode nobody = flutes(get(path)).get("students");
    assertThat(nobody.valueStream().allMatch(s -> s.get("cells").isEmpty())).isTrue();
    MvcTestResult r = put(path + "/candidates", "{\"students\": [" + student + "]}");
    assertThat(r).hasStatusOk();
    JsonNode section = flutes(body(r));
    assertThat(section.get("asked").get(0).asString()).isEqualTo("Spray, at 80");
    assertThat(section.get("asked").get(2).asString()).isEqualTo("B♭ major, B♭4 to C6, at 60");
    JsonNode yuna = section.get("students").get(0);
    assertThat(yuna.get("candidate").asBoolean()).isTrue();
    List<String> states = new ArrayList<>();
    yuna.get("cells").forEach(c -> states.add(c.get("state").toString()));
    // A6 of Spray was last heard as not yet; B flat 3 is below her flute, also with its B foot
    assertThat(yuna.get("cells").get(0).get("sentence").asString()).isEqualTo("A6");
    assertThat(states.get(0)).isEqualTo("[\"NOTES\"]");
    assertThat(yuna.get("cells").get(1).get("sentence").asString())
        .isEqualTo("‘No Such Piece’ is not on the shelf");
    assertThat(states.get(2)).isEqualTo("[\"READY\"]");
    assertThat(states.get(3)).isEqualTo("[\"BEYOND\"]");
    assertThat(yuna.get("cells").get(3).get("sentence").asString()).isEqualTo("B♭3");
    assertThat(states.get(4)).isEqualTo("[]");
    assertThat(yuna.get("ready").asInt()).isEqualTo(1);
    // what is read at sight is never ready, so it does not count
    assertThat(yuna.get("counted").asInt()).isEqualTo(4);
  }

  private static String sheet(String judge, String device, int points, boolean handedIn) {
    StringBuilder all = new StringBuilder();
    for (String c :
        List.of(
            "NOTES",
            "RHYTHM",
            "EVENNESS",
            "INTONATION",
            "TONE",
            "ACCENTS",
            "EXPRESSION",
            "TEMPO")) {
      int p = c.equals("TONE") ? points - 4 : points;
      all.append(all.isEmpty() ? "" : ", ").append("\"" + c + "\": " + p);
    }
    return """
        {"judge": "%s", "device": "%s", "points": {%s}, "remark": "", "handedIn": %s}
        """
        .formatted(judge, device, all, handedIn);
  }

  /** Two judges on two devices: neither sees the other's points before both have handed in. */
  @Test(dependsOnMethods = "whoGoesThereSeesWhatIsReadyAndWhy")
  public void judgesAreBlindToEachOther() {
    MvcTestResult made =
        post(
            "/api/auditions/" + audition + "/mocks",
            "{\"studentId\": %d, \"seed\": 417}".formatted(student));
    String mock = "/api/mocks/" + body(made).get("id").asLong();
    JsonNode heard = get(mock).get("heard");
    // eight bars of Spray, one scale, the chromatic scale, something at sight; what is not there is
    // not
    // heard
    assertThat(heard).hasSize(4);
    assertThat(heard.get(0).get("what").asString()).matches("Spray, bars \\d+–\\d+, at 80");
    assertThat(heard.get(3).get("link").asString())
        .isEqualTo("/people/" + student + "/sight?level=EIGHTHS&leap=7&bars=8&number=417");

    assertThat(put(mock + "/sheet", sheet("Ada", "one", 8, false)))
        .as("nobody judges who is not expected")
        .hasStatus(400);
    judges(mock, "Ada", "Ben", "ada ", "Cy");
    // before all have begun one can still be left off the list; whoever has begun stays
    assertThat(put(mock + "/sheet", sheet("ADA", "one", 8, false))).hasStatusOk();
    JsonNode listed = judges(mock, "Ben");
    assertThat(listed.get("judges").get(0).get("judge").asString()).isEqualTo("Ada");
    assertThat(listed.get("judges")).hasSize(2);
    assertThat(listed.get("judges").get(1).get("begun").asBoolean()).isFalse();
    JsonNode other = body(put(mock + "/sheet", sheet("Ben", "two", 9, false)));
    assertThat(other.get("judge").asString()).isEqualTo("Ben");
    assertThat(other.get("points").get(0).get("points").asInt()).isEqualTo(9);
    assertThat(other.get("judges")).hasSize(2);
    // a third device sees no points, and nobody writes on another's sheet
    JsonNode third = get(mock + "?device=three");
    assertThat(third.get("judge").asString()).isEmpty();
    assertThat(third.get("points").get(0).get("points").asInt()).isEqualTo(-1);
    assertThat(put(mock + "/sheet", sheet("Ada", "two", 1, false))).hasStatus(400);

    assertThat(put(mock + "/sheet", sheet("ada", "one", 8, true))).hasStatusOk();
    MvcTestResult early = mvc.get().uri(mock + "/result").exchange();
    assertThat(early).hasStatus(400);
    assertThat(body(early).get("detail").asString())
        .isEqualTo("1 of 2 judges have handed in; the result is there when all have.");
    assertThat(put(mock + "/sheet", sheet("Ada", "one", 10, false)))
        .as("handed in is handed in")
        .hasStatus(400);
    assertThat(put(mock + "/sheet", sheet("Ben", "two", 9, true))).hasStatusOk();
    assertThat(put(mock + "/judges", "{\"judges\": [\"Dee\"]}"))
        .as("the result is there: who has seen it judges no more")
        .hasStatus(400);
    JsonNode result = get(mock + "/result");
    // the weights are 16; tone weighs 2 and has 4 less: 80 − 5 and 90 − 5
    assertThat(result.get("judges").get(0).get("total").asDouble()).isEqualTo(75);
    assertThat(result.get("judges").get(1).get("total").asDouble()).isEqualTo(85);
    assertThat(result.get("mean").asDouble()).isEqualTo(80);
    assertThat(result.get("spread").asDouble()).isEqualTo(10);
    // tone lacks 5.5 of ten twice: 11 of 160
    assertThat(result.get("lines").get(0).get("criterion").asString()).isEqualTo("TONE");
    assertThat(result.get("lines").get(0).get("cost").asDouble()).isEqualTo(6.9);
    // what was handed in stays; it can be left out, which is shown, and counted again
    for (boolean out : new boolean[] {true, false}) {
      assertThat(put(mock + "/left-out", "{\"judge\": \"BEN\", \"leftOut\": " + out + "}"))
          .hasStatusOk();
      JsonNode after = get(mock + "/result");
      assertThat(after.get("mean").asDouble()).isEqualTo(out ? 75 : 80);
      assertThat(after.get("leftOut")).hasSize(out ? 1 : 0);
      assertThat(put(mock + "/sheet", sheet("Ben", "two", 1, true))).hasStatus(400);
    }
  }

  private JsonNode judges(String mock, String... names) {
    String list = "\"" + String.join("\", \"", names) + "\"";
    MvcTestResult r = put(mock + "/judges", "{\"judges\": [" + list + "]}");
    assertThat(r).hasStatusOk();
    return body(r);
  }

  /** Of two criteria that are touched at once, neither request knows of the other. */
  @Test(dependsOnMethods = "judgesAreBlindToEachOther")
  public void onlyWhatWasTouchedIsWritten() {
    MvcTestResult made =
        post(
            "/api/auditions/" + audition + "/mocks",
            "{\"studentId\": %d, \"seed\": 6}".formatted(student));
    String path = "/api/mocks/" + body(made).get("id").asLong() + "/sheet";
    judges(path.replace("/sheet", ""), "Eve");
    String touch = "{\"judge\": \"Eve\", \"device\": \"one\", %s, \"handedIn\": false}";
    assertThat(put(path, touch.formatted("\"points\": {\"NOTES\": 8}"))).hasStatusOk();
    assertThat(put(path, touch.formatted("\"remark\": \"lovely tone\""))).hasStatusOk();
    assertThat(put(path, touch.formatted("\"points\": {\"NOTES\": 7}"))).hasStatusOk();
    JsonNode all = body(put(path, touch.formatted("\"points\": {\"RHYTHM\": 5}")));
    assertThat(all.get("points").get(0).get("points").asInt()).isEqualTo(7);
    assertThat(all.get("points").get(1).get("points").asInt()).isEqualTo(5);
    assertThat(all.get("remark").asString()).isEqualTo("lovely tone");
  }

  @Test(dependsOnMethods = "judgesAreBlindToEachOther")
  public void aJudgeWhoLeftIsLeftOutAndASheetIsHandedInWhole() {
    MvcTestResult made =
        post(
            "/api/auditions/" + audition + "/mocks",
            "{\"studentId\": %d, \"seed\": 5}".formatted(student));
    String mock = "/api/mocks/" + body(made).get("id").asLong();
    String empty =
        """
        {"judge": "Cleo", "device": "one", "points": {}, "remark": "", "handedIn": true}
        """;
    judges(mock, "Cleo", "Dara");
    MvcTestResult r = put(mock + "/sheet", empty);
    assertThat(r).hasStatus(400);
    assertThat(body(r).get("detail").asString()).startsWith("8 points are missing");
    assertThat(put(mock + "/sheet", sheet("Cleo", "one", 10, false))).hasStatusOk();
    assertThat(put(mock + "/sheet", sheet("Dara", "two", 11, false))).hasStatus(400);
    // Dara does not come
    assertThat(put(mock + "/left-out", "{\"judge\": \"Dara\", \"leftOut\": true}")).hasStatusOk();
    assertThat(put(mock + "/sheet", sheet("Cleo", "one", 10, true))).hasStatusOk();
    JsonNode result = get(mock + "/result");
    assertThat(result.get("judges")).hasSize(1);
    assertThat(result.get("leftOut").get(0).asString()).isEqualTo("Dara");
    assertThat(put(mock + "/left-out", "{\"judge\": \"Nobody\", \"leftOut\": true}"))
        .hasStatus(400);
  }

  @Test
  public void whatCantBeSetUpSaysWhatToChange() {
    LocalDate day = LocalDate.now().plusDays(9);
    refused(body("", day, TABLE), "Give the audition a name");
    refused(body("Winds", null, TABLE), "Choose a day");
    refused(
        body("Winds", LocalDate.now().minusDays(1), TABLE), "choose a day that is still to come");
    refused(body("Winds", day, "instrument,kind\nflute,dance\n"), "Row 2: ‘dance’");
    refused(body("Winds", day, ""), "There is no column ‘instrument’");
    MvcTestResult nothing =
        post(
            "/api/auditions/" + audition + "/mocks",
            "{\"studentId\": %d, \"seed\": 5}".formatted(student("Ioane")));
    assertThat(nothing).hasStatus(400);
    assertThat(body(nothing).get("detail").asString()).contains("Nothing is asked");
  }

  private void refused(String json, String part) {
    MvcTestResult r = post("/api/auditions", json);
    assertThat(r).hasStatus4xxClientError();
    assertThat(body(r).get("detail").asString()).contains(part);
  }

  @Test(
      dependsOnMethods = {
        "aJudgeWhoLeftIsLeftOutAndASheetIsHandedInWhole",
        "onlyWhatWasTouchedIsWritten"
      })
  public void oneThatIsTakenAwayIsPutBack() {
    String path = "/api/auditions/" + audition;
    assertThat(put(path + "/removed", "{\"removed\": true}")).hasStatusOk();
    assertThat(get("/api/auditions")).isEmpty();
    assertThat(get(path).get("removed").asBoolean()).isTrue();
    assertThat(put(path + "/removed", "{\"removed\": false}")).hasStatusOk();
    assertThat(get("/api/auditions")).hasSize(1);
    assertThat(get(path).get("mocks")).hasSize(3);
    MvcTestResult file = mvc.get().uri(path + "/requirements.csv").exchange();
    assertThat(file).hasStatusOk().bodyText().isEqualToNormalizingNewlines(TABLE);
    // and away again, so that other tests find the school as it was
    assertThat(put(path + "/removed", "{\"removed\": true}")).hasStatusOk();
  }
}
