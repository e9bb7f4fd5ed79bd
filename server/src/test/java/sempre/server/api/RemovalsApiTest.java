package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What is removed says what goes with it, is listed, and comes back whole. */
public class RemovalsApiTest extends DemoTestBase {
  private JsonNode removed(String kind, String name) {
    for (JsonNode r : get("/api/removals")) {
      if (r.get("kind").asString().equals(kind) && r.get("name").asString().equals(name)) {
        return r;
      }
    }
    return null;
  }

  private void remove(String kind, long id) {
    assertThat(mvc.put().uri("/api/removals/" + kind + "/" + id)).hasStatus2xxSuccessful();
  }

  private void putBack(String kind, long id) {
    assertThat(mvc.delete().uri("/api/removals/" + kind + "/" + id)).hasStatus2xxSuccessful();
  }

  @Test
  public void aPieceGoesWithItsAssignmentsAndComesBackWithThem() {
    long piece = piece("The Harbour Wall");
    assertThat(get("/api/removals/PIECE/" + piece).toString()).contains("1 assignment");
    String before = get("/api/today").toString();
    assertThat(before).contains("The Harbour Wall");
    remove("PIECE", piece);
    assertThat(get("/api/today").toString()).doesNotContain("The Harbour Wall");
    assertThat(removed("PIECE", "The Harbour Wall").get("with").toString())
        .contains("1 assignment");
    assertThat(removed("PIECE", "The Harbour Wall").get("when").asString()).isEqualTo("today");
    putBack("PIECE", piece);
    assertThat(get("/api/today").toString()).isEqualTo(before);
    assertThat(removed("PIECE", "The Harbour Wall")).isNull();
  }

  @Test
  public void aGroupComesBackWithThoseWhoWereInIt() {
    long band = group("First-year band");
    assertThat(get("/api/removals/GROUP/" + band).toString()).contains("12 students in it");
    JsonNode before = get("/api/groups/" + band + "/map");
    remove("GROUP", band);
    assertThat(mvc.get().uri("/api/groups/" + band + "/map")).hasStatus(404);
    // one of them is set up anew meanwhile, which must not lose the place in the group
    long noor = student("Noor");
    JsonNode s = null;
    for (JsonNode x : get("/api/people").get("students")) {
      s = x.get("id").asLong() == noor ? x : s;
    }
    assertThat(s.get("groups")).isEmpty();
    assertThat(
            put(
                "/api/students/" + noor,
                "{\"givenName\":\"Noor\",\"initial\":\"A\",\"instrument\":\"flute\",\"options\":{},"
                    + "\"avoid\":[],\"style\":{},\"groups\":[],\"person\":"
                    + s.get("person").asLong()
                    + ",\"seat\":\"1\"}"))
        .hasStatusOk();
    putBack("GROUP", band);
    assertThat(get("/api/groups/" + band + "/map")).isEqualTo(before);
  }

  @Test
  public void aStudentWhoLeavesIsListedAndComesBack() {
    long ayse = student("Ayşe");
    assertThat(get("/api/removals/STUDENT/" + ayse).toString()).contains("mark");
    int marks = get("/api/students/" + ayse + "/heard").get("heard").size();
    remove("STUDENT", ayse);
    assertThat(removed("STUDENT", "Ayşe K.").get("about").asString()).isEqualTo("Trumpet");
    putBack("STUDENT", ayse);
    assertThat(get("/api/students/" + ayse + "/heard").get("heard")).hasSize(marks);
    assertThat(removed("STUDENT", "Ayşe K.")).isNull();
  }

  @Test
  public void anAssignmentComesBackWithWhatItHadLocked() {
    long piece = piece("The Harbour Wall");
    long linh = student("Linh");
    long id =
        body(post(
                "/api/pieces/" + piece + "/assign",
                "{\"groupId\":0,\"studentId\":"
                    + linh
                    + ",\"section\":\"\",\"due\":\"2030-01-01\",\"sentence\":\"\",\"bars\":\"\","
                    + "\"tempo\":0,\"locked\":true}"))
            .get("id")
            .asLong();
    String locked = "\"locked\":true";
    String stand = "/api/stand/" + linh + "/" + piece;
    int before = count(get(stand).get("plan").toString(), locked);
    assertThat(before).isPositive();
    remove("ASSIGNMENT", id);
    assertThat(mvc.get().uri("/api/assignments/" + id)).hasStatus(404);
    assertThat(count(get(stand).get("plan").toString(), locked)).isZero();
    putBack("ASSIGNMENT", id);
    assertThat(get("/api/assignments/" + id).get("locked").asBoolean()).isTrue();
    assertThat(count(get(stand).get("plan").toString(), locked)).isEqualTo(before);
    remove("ASSIGNMENT", id);
  }

  private static int count(String text, String part) {
    return text.split(java.util.regex.Pattern.quote(part), -1).length - 1;
  }

  @Test
  public void anOwnFingeringComesBackWithTheClassesWords() {
    assertThat(
            post(
                "/api/notes/oboe/own",
                "{\"note\":\"C5\",\"fingering\":\"O1 1 |\",\"role\":\"special\","
                    + "\"label\":\"the lighthouse\",\"words\":\"lamp up\",\"remark\":\"\"}"))
        .hasStatusOk();
    String at = "/api/notes/oboe/own?note=C5&fingering=O1 1 |";
    long id = get(at).get("id").asLong();
    assertThat(get("/api/notes/oboe").toString()).contains("lamp up");
    // three marks, of which one was taken back and one is spelled otherwise
    String heard = "/api/students/" + student("Olu") + "/heard";
    String mark = "{\"written\":\"%s\",\"fingering\":\"O1 1 |\",\"grade\":\"SECURE\"}";
    String marks = mark.formatted("C5") + "," + mark.formatted("C5") + "," + mark.formatted("B#4");
    JsonNode ids = body(post(heard, "[" + marks + "]"));
    assertThat(ids).hasSize(3);
    assertThat(post(heard + "/undo", "{\"ids\":[" + ids.get(1) + "]}")).hasStatusOk();
    assertThat(post(heard + "/undo", "{\"ids\":[null]}")).hasStatus(400);
    assertThat(get("/api/removals/FINGERING/" + id).toString()).isEqualTo("[\"2 marks\"]");
    remove("FINGERING", id);
    assertThat(get("/api/notes/oboe").toString()).doesNotContain("lamp up", "the lighthouse");
    assertThat(mvc.get().uri(at)).hasStatus(404);
    assertThat(removed("FINGERING", "C5").get("about").asString()).isEqualTo("the lighthouse");
    putBack("FINGERING", id);
    assertThat(get("/api/notes/oboe").toString()).contains("lamp up", "the lighthouse");
    remove("FINGERING", id);
  }

  @Test
  public void whatIsNotThereIsSaid() {
    assertThat(mvc.put().uri("/api/removals/GROUP/9999")).hasStatus(404);
    assertThat(mvc.put().uri("/api/removals/STUDENT/9999")).hasStatus(404);
    assertThat(mvc.get().uri("/api/removals/KAZOO/1")).hasStatus(400);
  }
}
