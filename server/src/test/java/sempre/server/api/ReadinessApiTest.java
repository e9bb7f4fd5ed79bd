package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.Set;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Everyone against everything, and the reasons behind each cell. */
public class ReadinessApiTest extends DemoTestBase {
  private JsonNode matrix(String what) {
    return get("/api/groups/" + group("Quay Concert Band") + "/readiness?what=" + what);
  }

  @Test
  public void theMatrixHoldsEveryStudentAgainstEveryPiece() {
    JsonNode shelf = matrix("shelf");
    assertThat(shelf.get("pieces").size()).isGreaterThanOrEqualTo(51);
    assertThat(shelf.get("students")).hasSize(17);
    assertThat(shelf.get("rows")).hasSize(17);
    shelf.get("rows").forEach(r -> assertThat(r.size()).isEqualTo(shelf.get("pieces").size()));
    assertThat(matrix("assigned").get("pieces")).hasSize(3);
  }

  @Test
  public void everyCellAgreesWithItsReasons() {
    JsonNode m = matrix("shelf");
    for (int r = 0; r < m.get("students").size(); r++) {
      long student = m.get("students").get(r).get("id").asLong();
      for (int p = r % 4; p < m.get("pieces").size(); p += 4) {
        JsonNode cell = m.get("rows").get(r).get(p);
        JsonNode why =
            get(
                "/api/students/"
                    + student
                    + "/readiness/"
                    + m.get("pieces").get(p).get("id").asLong()
                    + "?groupId="
                    + group("Quay Concert Band"));
        assertThat(why.get("lacking").size()).isEqualTo(cell.get("lacking").asInt());
        if (cell.get("state").asString().equals("READY")) {
          assertThat(why.get("hard")).isEmpty();
        }
      }
    }
  }

  @Test
  public void whatIsInTheWayIsCountedOnceAPartAndWhatIsAloneFirst() {
    JsonNode m = matrix("shelf");
    int lacking = 0;
    for (JsonNode row : m.get("rows")) {
      for (JsonNode c : row) {
        lacking += c.get("lacking").asInt() > 0 ? 1 : 0;
      }
    }
    int alone = Integer.MAX_VALUE;
    for (JsonNode b : m.get("blocks")) {
      assertThat(b.get("parts").asInt()).isLessThanOrEqualTo(lacking);
      assertThat(b.get("alone").asInt())
          .isLessThanOrEqualTo(Math.min(alone, b.get("parts").asInt()));
      alone = b.get("alone").asInt();
    }
  }

  @Test
  public void aCheckChangesTheRowOfTheStudent() {
    long student = student("Linh");
    long piece = piece("Fog Horn and Fiddle");
    String path = "/api/students/" + student + "/readiness/" + piece;
    int before = get(path).get("lacking").size();
    assertThat(before).isPositive();
    String written = get(path).get("lacking").get(0).get("written").asString();
    String fingering = "";
    for (JsonNode n : get("/api/stand/" + student + "/" + piece + "/plan").get("notes")) {
      fingering =
          n.get("written").asString().equals(written) ? n.get("fingering").asString() : fingering;
    }
    String heard =
        "[{\"written\":\""
            + written
            + "\",\"fingering\":\""
            + fingering
            + "\",\"grade\":\"SECURE\",\"pieceId\":0,\"bars\":\"\",\"remark\":\"\"}]";
    JsonNode ids = body(post("/api/students/" + student + "/heard", heard));
    assertThat(get(path).get("lacking").size()).isEqualTo(before - 1);
    assertThat(
            post(
                "/api/students/" + student + "/heard/undo",
                "{\"ids\":[" + ids.get(0).asLong() + "]}"))
        .hasStatusOk();
    assertThat(get(path).get("lacking").size()).isEqualTo(before);
    assertThat(mvc.get().uri("/api/groups/9999/readiness")).hasStatus(404);
  }

  /** Rows are kept by student, and a piece that goes or comes changes no student. */
  @Test
  public void aPieceThatGoesFromTheShelfGoesFromEveryRow() {
    JsonNode before = matrix("shelf");
    String gone = "/api/removals/PIECE/" + piece("Signal Lamp");
    assertThat(mvc.put().uri(gone)).hasStatus2xxSuccessful();
    try {
      JsonNode less = matrix("shelf");
      assertThat(less.get("pieces")).hasSize(before.get("pieces").size() - 1);
      less.get("rows").forEach(r -> assertThat(r).hasSameSizeAs(less.get("pieces")));
    } finally {
      assertThat(mvc.delete().uri(gone)).hasStatus2xxSuccessful();
    }
    JsonNode again = matrix("shelf");
    assertThat(again.get("pieces")).hasSameSizeAs(before.get("pieces"));
    again.get("rows").forEach(r -> assertThat(r).hasSameSizeAs(again.get("pieces")));
  }

  @Test
  public void theGroupsNextPieceBringsEachNamedStudentOneNote() {
    JsonNode m = matrix("shelf");
    JsonNode next = m.get("next").get(0);
    int column = -1;
    for (int p = 0; p < m.get("pieces").size(); p++) {
      if (m.get("pieces").get(p).get("id").equals(next.get("piece").get("id"))) {
        column = p;
      }
    }
    int one = 0;
    for (JsonNode row : m.get("rows")) {
      one += row.get(column).get("lacking").asInt() == 1 ? 1 : 0;
    }
    assertThat(next.get("one")).hasSize(one);
  }

  @Test
  public void theWayToAPieceBringsOneNoteAtATimeByTheDay() {
    long student = student("Noor");
    String by = java.time.LocalDate.now().plusDays(30).toString();
    String path = "/api/students/" + student + "/way/";
    JsonNode way = get(path + piece("Fog Horn and Fiddle") + "?by=" + by);
    assertThat(way.get("steps").size()).isGreaterThan(1);
    Set<String> notes = new HashSet<>();
    way.get("steps").forEach(s -> assertThat(notes.add(s.get("shown").asString())).isTrue());
    assertThat(way.get("sentence").asString()).startsWith("Then the piece");
    assertThat(mvc.get().uri(path + piece("Fog Horn and Fiddle") + "?by=2020-01-01"))
        .hasStatus(400);
    JsonNode next = get("/api/students/" + student + "/next");
    assertThat(next).isNotEmpty();
    int most = next.get(0).get("pieces").size();
    next.forEach(n -> assertThat(n.get("pieces").size()).isLessThanOrEqualTo(most));
  }
}
