package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Simpler parts, from the proposal to what the student sees. */
public class SimplerApiTest extends DemoTestBase {
  private static String path(long student, long piece) {
    return "/api/stand/" + student + "/" + piece + "/simpler";
  }

  private static String decided(JsonNode notes) {
    StringBuilder s = new StringBuilder();
    for (JsonNode n : notes) {
      s.append(s.length() == 0 ? "" : ",")
          .append("{\"noteId\":\"")
          .append(n.get("id").asString())
          .append("\",\"becomes\":\"")
          .append(n.get("becomes").asString())
          .append("\"}");
    }
    return "{\"decided\":[" + s + "],\"about\":\"\"}";
  }

  /** After a change of tempo both parts are still together: D5 sounds at 4 s in both. */
  @Test
  public void bothPartsSoundTogetherAfterAChangeOfTempo() {
    StringBuilder notes = new StringBuilder();
    for (int i = 0; i < 4; i++) {
      notes.append(
          "<note><pitch><step>C</step><octave>5</octave></pitch><duration>1</duration></note>");
    }
    String xml =
        "<score-partwise version='4.0'><part-list><score-part id='P1'><part-name>Flute</part-name>"
            + "</score-part></part-list><part id='P1'><measure number='1'><attributes><divisions>1"
            + "</divisions></attributes><sound tempo='60'/>"
            + notes
            + "</measure><measure number='2'><sound tempo='120'/>"
            + notes.toString().replace("<step>C", "<step>D")
            + "</measure></part></score-partwise>";
    long piece =
        body(upload(
                "/api/pieces?title=Two tempi",
                "two.musicxml",
                xml.getBytes(java.nio.charset.StandardCharsets.UTF_8)))
            .get("id")
            .asLong();
    try {
      long student = student("Linh");
      Map<String, Double> stand = new HashMap<>();
      get("/api/stand/" + student + "/" + piece)
          .get("plan")
          .get("notes")
          .forEach(n -> stand.put(n.get("id").asString(), n.get("at").asDouble()));
      assertThat(stand.values()).contains(0.0, 3.0, 4.0, 4.5, 5.5).hasSize(8);
      for (JsonNode n : get(path(student, piece)).get("notes")) {
        assertThat(n.get("at").asDouble()).isEqualTo(stand.get(n.get("id").asString()));
      }
    } finally {
      mvc.put().uri("/api/removals/PIECE/" + piece).exchange();
    }
  }

  @Test
  public void whatIsKeptIsWhatTheStudentSeesEverywhereAndNobodyElse() {
    long piece = piece("Quay Parade");
    long student = student("Nokomis");
    JsonNode before = get("/api/stand/" + student + "/" + piece);
    JsonNode proposed = get(path(student, piece));
    assertThat(proposed.get("kept").asBoolean()).isFalse();
    assertThat(proposed.get("harmony").asBoolean()).isTrue();
    Map<String, String> becomes = new HashMap<>();
    int rests = 0;
    for (JsonNode n : proposed.get("notes")) {
      becomes.put(n.get("id").asString(), n.get("becomes").asString());
      rests += n.get("becomes").asString().isEmpty() ? 1 : 0;
      if (n.get("has").asBoolean() && n.get("how").asString().equals("AS_WRITTEN")) {
        assertThat(n.get("becomes")).isEqualTo(n.get("note").get("written"));
      }
    }
    assertThat(put(path(student, piece), decided(proposed.get("notes")))).hasStatusOk();
    try {
      JsonNode after = get("/api/stand/" + student + "/" + piece);
      assertThat(after.get("simpler").asString()).isNotEmpty();
      assertThat(after.get("plan").get("notes")).hasSize(becomes.size() - rests);
      for (JsonNode n : after.get("plan").get("notes")) {
        assertThat(n.get("written").asString()).isEqualTo(becomes.get(n.get("id").asString()));
      }
      assertThat(after.get("xml")).isNotEqualTo(before.get("xml"));
      JsonNode why = get("/api/students/" + student + "/readiness/" + piece + "?groupId=2");
      assertThat(why.get("simpler").asBoolean()).isTrue();
      assertThat(why.get("lacking")).as("what is written is still lacking").isNotEmpty();
      assertThat(get(path(student, piece)).get("kept").asBoolean()).isTrue();
      MvcTestResult file =
          mvc.get().uri("/api/stand/" + student + "/" + piece + "/part.musicxml").exchange();
      assertThat(file).hasStatusOk();
      JsonNode other = get("/api/stand/" + student("Luca") + "/" + piece);
      assertThat(other.get("simpler").asString()).isEmpty();
    } finally {
      assertThat(mvc.delete().uri(path(student, piece))).hasStatus2xxSuccessful();
    }
    assertThat(get("/api/stand/" + student + "/" + piece).get("xml")).isEqualTo(before.get("xml"));
  }

  @Test
  public void aDecisionStandsAndWhatElseThereIsIsPriced() {
    long piece = piece("Quay Parade");
    long student = student("Nokomis");
    JsonNode proposed = get(path(student, piece));
    JsonNode note = null;
    for (JsonNode n : proposed.get("notes")) {
      note = note == null && !n.get("has").asBoolean() ? n : note;
    }
    String id = note.get("id").asString();
    JsonNode looked = body(post(path(student, piece), "{\"decided\":[],\"about\":\"" + id + "\"}"));
    assertThat(looked.get("options").size()).isGreaterThan(1);
    double least = looked.get("measure").asDouble();
    for (JsonNode o : looked.get("options")) {
      if (o.get("has").asBoolean()) {
        assertThat(o.get("measure").asDouble()).isGreaterThanOrEqualTo(least);
      }
    }
    String keep =
        "{\"decided\":[{\"noteId\":\""
            + id
            + "\",\"becomes\":\""
            + note.get("note").get("written").asString()
            + "\"}],\"about\":\"\"}";
    for (JsonNode n : body(post(path(student, piece), keep)).get("notes")) {
      if (n.get("id").asString().equals(id)) {
        assertThat(n.get("how").asString()).isEqualTo("AS_WRITTEN");
      }
    }
    String wrong = "{\"decided\":[{\"noteId\":\"" + id + "\",\"becomes\":\"C9\"}],\"about\":\"\"}";
    assertThat(post(path(student, piece), wrong)).hasStatus(400);
    assertThat(
            post(
                path(student, piece),
                "{\"decided\":[{\"noteId\":\"x\",\"becomes\":\"\"}],\"about\":\"\"}"))
        .hasStatus(400);
  }

  @Test
  public void twoTeachersWhoKeepOneAtOnceKeepOne() throws Exception {
    long piece = piece("Quay Parade");
    long student = student("Nokomis");
    JsonNode notes = get(path(student, piece)).get("notes");
    ExecutorService two = Executors.newFixedThreadPool(4);
    Callable<Integer> keep =
        () -> put(path(student, piece), decided(notes)).getResponse().getStatus();
    for (Future<Integer> f : two.invokeAll(List.of(keep, keep, keep, keep))) {
      assertThat(f.get()).isEqualTo(200);
    }
    two.shutdown();
    JsonNode kept = get(path(student, piece));
    assertThat(kept.get("kept").asBoolean()).isTrue();
    for (int i = 0; i < notes.size(); i++) {
      assertThat(kept.get("notes").get(i).get("becomes")).isEqualTo(notes.get(i).get("becomes"));
    }
    assertThat(mvc.delete().uri(path(student, piece))).hasStatus2xxSuccessful();
  }

  @Test
  public void allBelowAStageGetOneAndWhoeverHasTheNotesDoesNot() {
    long group = group("First-year band");
    long piece = piece("Half-Tide Rock");
    String path = "/api/groups/" + group + "/simpler/" + piece;
    JsonNode before = get(path);
    assertThat(before).hasSize(12);
    JsonNode made = body(post(path, "{\"below\":\"SCHOOL\"}"));
    assertThat(made).isNotEmpty();
    try {
      // whoever reads another player's part goes on reading the one it was made of
      for (JsonNode m : made) {
        JsonNode stand = get("/api/stand/" + m.get("student").get("id").asLong() + "/" + piece);
        assertThat(stand.get("simpler").asString()).as(m.toString()).isNotEmpty();
      }
      for (JsonNode row : get(path)) {
        boolean has = false;
        for (JsonNode m : made) {
          has |= m.get("student").get("id").equals(row.get("student").get("id"));
        }
        assertThat(row.get("kept").asBoolean()).isEqualTo(has);
        if (!has) {
          assertThat(row.get("lacking")).isEmpty();
        }
      }
      assertThat(body(post(path, "{\"below\":\"SCHOOL\"}"))).as("once").isEmpty();
    } finally {
      for (JsonNode m : made) {
        mvc.delete().uri(path(m.get("student").get("id").asLong(), piece)).exchange();
      }
    }
    assertThat(post(path, "{\"below\":\"wizard\"}")).hasStatus(400);
    assertThat(mvc.get().uri("/api/groups/999/simpler/" + piece)).hasStatus(404);
  }

  private JsonNode inGroup(JsonNode today, String group, String title, String name) {
    for (JsonNode g : today.get("groups")) {
      for (JsonNode n : g.get("next")) {
        for (JsonNode p : n.get("players")) {
          if (g.get("name").asString().equals(group)
              && n.get("piece").get("title").asString().equals(title)
              && p.get("student").get("name").asString().startsWith(name)) {
            return p;
          }
        }
      }
    }
    throw new AssertionError(name);
  }

  /**
   * Simpler parts for a whole group make nobody ready for what is written, on no page; and all of
   * them are taken back in one go, but for the one that a teacher has changed since.
   */
  @Test
  public void aSimplerPartIsCountedApartAndAllAreTakenBackInOneGo() {
    String band = "Quay Concert Band";
    long piece = piece("Quay Parade");
    JsonNode before = get("/api/today");
    String stands = inGroup(before, band, "Quay Parade", "Nokomis").get("state").asString();
    assertThat(stands).isEqualTo("LACKS");
    String path = "/api/groups/" + group(band) + "/simpler/" + piece;
    JsonNode made = body(post(path, "{\"below\":\"ADVANCED\"}"));
    assertThat(made.size()).isGreaterThan(3);
    JsonNode now = inGroup(get("/api/today"), band, "Quay Parade", "Nokomis");
    assertThat(now.get("simpler").asBoolean()).isTrue();
    assertThat(now.get("state").asString()).isEqualTo("LACKS");
    assertThat(now.get("sentence").asString())
        .startsWith("plays a simpler part; as written, not yet: ");
    JsonNode first = made.get(0).get("student");
    long own = first.get("id").asLong();
    assertThat(put(path(own, piece), decided(get(path(own, piece)).get("notes")))).hasStatusOk();
    JsonNode batch = get("/api/batches").get(0);
    assertThat(batch.get("kind").asString()).isEqualTo("SIMPLER");
    assertThat(batch.get("piece").asLong()).isEqualTo(piece);
    assertThat(post("/api/batches/" + batch.get("id").asLong() + "/back", "")).hasStatusOk();
    try {
      for (JsonNode m : made) {
        long id = m.get("student").get("id").asLong();
        assertThat(get(path(id, piece)).get("kept").asBoolean()).isEqualTo(id == own);
      }
    } finally {
      assertThat(mvc.delete().uri(path(own, piece))).hasStatus2xxSuccessful();
    }
    assertThat(get("/api/today").get("groups")).isEqualTo(before.get("groups"));
  }
}
