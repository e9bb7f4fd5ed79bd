package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A player of bars belongs to the group: reads, is checked and gets the new note as all do. */
public class ByNameApiTest extends DemoTestBase {
  private long student;
  private long piece;
  private long group;

  @BeforeClass(dependsOnMethods = "fill")
  void find() {
    group = group("Quay Concert Band");
    piece = piece("Fog Horn and Fiddle");
    student = student("Ivo");
  }

  @Test
  public void thePartIsReadInConcertPitchByItsNames() {
    JsonNode plan = get("/api/stand/" + student + "/" + piece + "/plan");
    assertThat(plan.get("cost").asDouble()).isZero();
    assertThat(plan.get("notes")).isNotEmpty();
    for (JsonNode n : plan.get("notes")) {
      assertThat(n.get("fingering").asString()).isEqualTo("-");
      assertThat(n.get("soundingMidi").asInt()).isEqualTo(n.get("writtenMidi").asInt());
      assertThat(n.get("shown").asString()).isNotEmpty();
    }
  }

  /** Written for nobody else's test: a note that none of the demo's pieces has. */
  @Test
  public void whatIsHeardIsHadFromThenOn() {
    MvcTestResult heard =
        post(
            "/api/students/" + student + "/heard",
            "[{\"written\":\"B6\",\"fingering\":\"-\",\"grade\":\"SECURE\",\"pieceId\":0,"
                + "\"bars\":\"\",\"remark\":\"\",\"mark\":\"bar-1\"}]");
    assertThat(heard).hasStatus2xxSuccessful();
    List<String> has = new ArrayList<>();
    get("/api/students/" + student + "/heard")
        .get("marks")
        .forEach(m -> has.add(m.get("written").asString() + " " + m.get("fingering").asString()));
    assertThat(has).contains("B6 -");
  }

  @Test
  public void theNewNoteOfTheGroupIsABarToFind() {
    for (JsonNode r : get("/api/groups/" + group + "/lesson?pitch=Gb").get("rows")) {
      if (r.get("instrument").asString().equals("mallets")) {
        assertThat(r.get("compared").asString())
            .isEqualTo(
                "There is nothing to finger: find the bar in the upper row, first of three.");
        assertThat(r.get("air").asString()).contains("wrist");
        assertThat(r.get("caution").asString()).isEmpty();
        return;
      }
    }
    throw new AssertionError("no row for the mallets");
  }

  @Test
  public void aCheckOfTheGroupAsksTheSameSound() {
    String look =
        new String(
            post(
                    "/api/groups/" + group + "/checks/look",
                    "{\"items\":[{\"kind\":\"SOUND\",\"what\":\"Bb\",\"pieceId\":0}]}")
                .getResponse()
                .getContentAsByteArray(),
            StandardCharsets.UTF_8);
    assertThat(look).contains("mallet");
  }

  @Test
  public void thePartThatIsSavedHasNothingWrittenIn() {
    String xml =
        new String(
            mvc.get()
                .uri("/api/stand/" + student + "/" + piece + "/part.musicxml?which=all")
                .exchange()
                .getResponse()
                .getContentAsByteArray(),
            StandardCharsets.UTF_8);
    assertThat(xml).contains("<note").doesNotContain("fingering");
  }
}
