package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import sempre.server.cli.Cli;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A part with a repeat is planned and timed as it is played, or as it is printed where asked. */
public class RepeatsApiTest extends DemoTestBase {
  private long piece;
  private long tom;

  /** Eighths from the first position; the E before the repeat is in the seventh. */
  @BeforeMethod
  void part() {
    StringBuilder notes = new StringBuilder();
    for (String n : "A# C D C A# C D E".split(" ")) {
      notes
          .append("<note><pitch><step>")
          .append(n.charAt(0))
          .append("</step>")
          .append(n.endsWith("#") ? "<alter>1</alter>" : "")
          .append("<octave>")
          .append(n.startsWith("C") || n.startsWith("D") ? 3 : 2)
          .append("</octave></pitch><duration>1</duration><type>eighth</type></note>");
    }
    String xml =
        "<score-partwise version='4.0'><part-list><score-part id='P1'><part-name>Trombone"
            + "</part-name></score-part></part-list><part id='P1'><measure number='1'><attributes>"
            + "<divisions>2</divisions><time><beats>4</beats><beat-type>4</beat-type></time>"
            + "<clef><sign>F</sign><line>4</line></clef></attributes><sound tempo='120'/>"
            + notes
            + "<barline location='right'><repeat direction='backward'/></barline></measure>"
            + "<measure number='2'><note><pitch><step>D</step><octave>3</octave></pitch>"
            + "<duration>8</duration><type>whole</type></note></measure></part></score-partwise>";
    piece =
        done(upload(
                "/api/pieces?title=Round", "round.musicxml", xml.getBytes(StandardCharsets.UTF_8)))
            .get("id")
            .asLong();
    tom =
        done(post(
                "/api/students",
                "{\"givenName\":\"Tom\",\"initial\":\"\",\"instrument\":\"trombone\","
                    + "\"options\":{},\"avoid\":[],\"style\":{},\"groups\":[]}"))
            .get("id")
            .asLong();
  }

  /** The other tests count the demo's people. */
  @AfterMethod(alwaysRun = true)
  void leave() {
    mvc.delete().uri("/api/students/" + tom).exchange();
    mvc.put().uri("/api/removals/PIECE/" + piece).exchange();
  }

  @Test
  public void theCommandLineGivesTheSamePlan() throws IOException {
    Path dir = Files.createTempDirectory("plan");
    Path file = dir.resolve("round.musicxml");
    Path knows = Files.writeString(dir.resolve("knows.csv"), "note,fingering\n");
    MvcTestResult kept = mvc.get().uri("/api/pieces/" + piece + "/file").exchange();
    Files.write(file, kept.getResponse().getContentAsByteArray());
    StringWriter out = new StringWriter();
    int status =
        Cli.run(
            new String[] {
              "assign",
              file.toString(),
              "--instrument",
              "trombone",
              "--json",
              "--knows",
              knows.toString()
            },
            new PrintWriter(out, true),
            new PrintWriter(out, true));
    assertThat(status).as(out.toString()).isZero();
    assertThat(get("/api/stand/" + tom + "/" + piece + "/plan.json"))
        .isEqualTo(new JsonMapper().readTree(out.toString()));
  }

  private JsonNode done(MvcTestResult r) {
    assertThat(r).hasStatusOk();
    return body(r);
  }

  private List<String> over(JsonNode stand) {
    List<String> all = new ArrayList<>();
    List<String> ids = new ArrayList<>();
    stand.get("plan").get("notes").forEach(n -> ids.add(n.get("id").asString()));
    for (JsonNode m : stand.get("plan").get("moves")) {
      if (!m.get("way").asString().equals("ON")) {
        all.add(
            ids.indexOf(m.get("fromId").asString())
                + " "
                + m.get("way").asString()
                + " "
                + ids.indexOf(m.get("toId").asString()));
      }
    }
    return all;
  }

  @Test
  public void theWayBackIsPlannedToldAndTimed() {
    JsonNode stand = get("/api/stand/" + tom + "/" + piece);
    assertThat(over(stand)).containsExactly("7 BACK 0");
    assertThat(stand.get("played").toString())
        .isEqualTo("[{\"from\":0,\"to\":0,\"held\":[]},{\"from\":0,\"to\":1,\"held\":[]}]");
    assertThat(stand.get("times").toString())
        .isEqualTo(
            "[{\"at\":0.0,\"seconds\":2.0,\"beat\":0.5},{\"at\":2.0,\"seconds\":2.0,\"beat\":0.5}]");
    JsonNode hardest = get("/api/stand/" + tom + "/" + piece + "/advice").get("hardest");
    List<String> shown = new ArrayList<>();
    hardest.forEach(
        h -> shown.add(h.get("barNumber").asString() + ": " + h.get("shown").asString()));
    assertThat(shown)
        .as("the way back is among the hardest")
        .contains("1: E2 to A♯2, back in bar 1");
  }

  @Test
  public void whoPlaysAsPrintedHasNoWayBack() {
    JsonNode played = get("/api/stand/" + tom + "/" + piece);
    assertThat(
            put(
                "/api/students/" + tom,
                "{\"givenName\":\"Tom\",\"initial\":\"\",\"instrument\":\"trombone\","
                    + "\"options\":{},\"avoid\":[],\"style\":{\"repeats\":\"printed\"},"
                    + "\"groups\":[]}"))
        .hasStatus2xxSuccessful();
    JsonNode printed = get("/api/stand/" + tom + "/" + piece);
    assertThat(over(printed)).isEmpty();
    assertThat(printed.get("played").size()).isZero();
    assertThat(printed.get("plan").get("cost").asDouble())
        .isLessThan(played.get("plan").get("cost").asDouble());
  }
}
