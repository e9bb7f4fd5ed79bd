package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Who plays drums reads rhythm and sticking, and is asked for no pitch anywhere. */
public class DrumsApiTest extends DemoTestBase {
  private static final String SCORE =
      "<score-partwise><part-list>"
          + "<score-part id='F'><part-name>Flute</part-name></score-part>"
          + "<score-part id='S'><part-name>Snare Drum</part-name></score-part>"
          + "<score-part id='B'><part-name>Bass Drum</part-name></score-part></part-list>"
          + "<part id='F'><measure><attributes><divisions>2</divisions></attributes>"
          + "<note><pitch><step>F</step><octave>5</octave></pitch><duration>8</duration></note>"
          + "</measure></part>"
          + "<part id='S'><measure><attributes><divisions>2</divisions></attributes>"
          + stroke("C", 5, 1).repeat(4)
          + stroke("C", 5, 2).repeat(2)
          + "</measure></part>"
          + "<part id='B'><measure><attributes><divisions>2</divisions></attributes>"
          + stroke("F", 4, 4).repeat(2)
          + "</measure></part></score-partwise>";

  private static String stroke(String step, int octave, int length) {
    return "<note><unpitched><display-step>"
        + step
        + "</display-step><display-octave>"
        + octave
        + "</display-octave></unpitched><duration>"
        + length
        + "</duration><voice>1</voice></note>";
  }

  private long group;
  private long piece;
  private final List<Long> drummers = new ArrayList<>();

  @BeforeClass
  public void aBandWithDrums() {
    group = group("First-year band");
    piece =
        body(upload(
                "/api/pieces?title=Two Drums",
                "drums.musicxml",
                SCORE.getBytes(StandardCharsets.UTF_8)))
            .get("id")
            .asLong();
    for (String name : new String[] {"Zuri", "Otis"}) {
      drummers.add(
          body(post(
                  "/api/students",
                  "{\"avoid\":[],\"givenName\":\""
                      + name
                      + "\",\"groups\":["
                      + group
                      + "],\"initial\":\"K\",\"instrument\":\"percussion\",\"options\":{},"
                      + "\"part\":0,\"person\":0,\"seat\":\""
                      + (drummers.size() + 1)
                      + "\",\"style\":{}}"))
              .get("id")
              .asLong());
    }
  }

  @AfterClass(alwaysRun = true)
  public void theyAreGone() {
    drummers.forEach(d -> mvc.put().uri("/api/removals/STUDENT/" + d).exchange());
    mvc.put().uri("/api/removals/PIECE/" + piece).exchange();
  }

  private String path(int drummer) {
    return "/api/drums/" + drummers.get(drummer) + "/" + piece;
  }

  private static String hands(JsonNode view) {
    List<String> hands = new ArrayList<>();
    view.get("strokes").forEach(s -> hands.add(s.get("text").asString()));
    return String.join(" ", hands);
  }

  @Test
  public void partsGoToTheSeatsAndEachStrokeHasItsHand() {
    JsonNode snare = get(path(0));
    assertThat(snare.get("part").asString()).isEqualTo("Snare Drum");
    assertThat(hands(snare)).isEqualTo("R L R L R R");
    assertThat(snare.get("xml").asString()).contains("<unpitched>").doesNotContain("<pitch>");
    assertThat(get(path(1)).get("part").asString()).isEqualTo("Bass Drum");
    assertThat(hands(get(path(1))).strip()).isEmpty();
  }

  @Test
  public void theTeachersHandIsKeptAndLetGo() {
    String note = get(path(0)).get("strokes").get(1).get("id").asString();
    String body = "{\"noteId\":\"" + note + "\",\"hand\":\"%s\"}";
    assertThat(hands(body(put(path(0) + "/stick", body.formatted("R"))))).isEqualTo("R R R L R R");
    assertThat(get(path(0)).get("strokes").get(1).get("said").asBoolean()).isTrue();
    assertThat(hands(body(put(path(0) + "/stick", body.formatted(""))))).isEqualTo("R L R L R R");
    assertThat(put(path(0) + "/stick", "{\"noteId\":\"none\",\"hand\":\"R\"}")).hasStatus(404);
    assertThat(put(path(0) + "/stick", body.formatted("X"))).as("a slip keeps all").hasStatus(400);
    assertThat(put(path(1) + "/stick", body.formatted("R")))
        .as("a bass drum has one mallet")
        .hasStatus(404);
  }

  @Test
  public void aHouseMayAlternate() {
    assertThat(put("/api/styles/all/sticking", "{\"school\":\"alternating\"}")).hasStatusOk();
    try {
      assertThat(hands(get(path(0)))).isEqualTo("R L R L R L");
    } finally {
      put("/api/styles/all/sticking", "{\"school\":\"natural\"}");
    }
  }

  @Test
  public void nobodyAsksThemForAPitch() {
    String name = "Zuri K.";
    assertThat(get("/api/groups/" + group + "/lesson?pitch=Bb").toString()).doesNotContain(name);
    assertThat(get("/api/groups/" + group + "/grid").toString()).doesNotContain(name);
    assertThat(
            body(post(
                    "/api/groups/" + group + "/checks/look",
                    "{\"items\":[{\"kind\":\"SOUND\",\"what\":\"Bb\",\"pieceId\":0}]}"))
                .toString())
        .doesNotContain(name);
  }

  @Test
  public void onTodayTheyReadTheirPartAndAreToldWhereThereIsNone() {
    long given =
        body(post(
                "/api/pieces/" + piece + "/assign",
                "{\"groupId\":"
                    + group
                    + ",\"studentId\":0,\"section\":\"\",\"due\":\""
                    + LocalDate.now().plusDays(9)
                    + "\",\"sentence\":\"\",\"bars\":\"\",\"tempo\":0,\"locked\":false}"))
            .get("id")
            .asLong();
    JsonNode view = get("/api/assignments/" + given);
    assertThat(view.get("drums")).hasSize(2);
    assertThat(view.get("drums").get(0).get("sentence").asString())
        .isEqualTo("Rhythm and sticking: Snare Drum");
    assertThat(get("/api/today").toString())
        .contains("Rhythm and sticking: Bass Drum")
        .contains("No part: this piece has no drum part.");
    long flutes = piece("The Harbour Wall");
    assertThat(mvc.get().uri("/api/drums/" + drummers.get(0) + "/" + flutes)).hasStatus(404);
    mvc.put().uri("/api/removals/ASSIGNMENT/" + given).exchange();
  }

  @Test
  public void aRudimentIsHeardOnceHoweverOftenItIsSent() {
    String rudiments = "/api/students/" + drummers.get(0) + "/rudiments";
    String heard = "{\"rudiment\":\"FLAM_TAP\",\"tempo\":%d,\"grade\":\"%s\",\"mark\":\"%s\"}";
    post(rudiments, heard.formatted(80, "SECURE", "a"));
    post(rudiments, heard.formatted(80, "SECURE", "a"));
    post(rudiments, heard.formatted(92, "SHAKY", "b"));
    JsonNode flamTap = rudiment(get(rudiments));
    assertThat(flamTap.get("clean").asInt()).isEqualTo(80);
    assertThat(flamTap.get("sentence").asString())
        .startsWith("Shaky at 92")
        .endsWith("Clean up to 80.");
    assertThat(post(rudiments, heard.formatted(5, "SECURE", "c"))).hasStatus(400);
    assertThat(mvc.delete().uri(rudiments + "/" + flamTap.get("last").asLong())).hasStatusOk();
    assertThat(rudiment(get(rudiments)).get("sentence").asString()).startsWith("Clean at 80");
    assertThat(
            mvc.get()
                .uri("/api/students/" + drummers.get(0) + "/everything.txt")
                .exchange()
                .getResponse()
                .getContentAsByteArray())
        .asString(StandardCharsets.UTF_8)
        .contains("flam tap, ♩ = 92");
  }

  private static JsonNode rudiment(JsonNode all) {
    for (JsonNode r : all) {
      if (r.get("rudiment").asString().equals("FLAM_TAP")) {
        return r;
      }
    }
    throw new AssertionError("not in " + all);
  }
}
