package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.Test;
import sempre.server.store.Db;

/** Who asks what is kept of a student gets all of it, in words. */
public class EverythingApiTest extends DemoTestBase {
  @Autowired private Db db;

  private String text(long student, String language) throws Exception {
    MvcTestResult r =
        mvc.get()
            .uri("/api/students/" + student + "/everything.txt")
            .header("Sempre-Language", language)
            .exchange();
    assertThat(r).hasStatusOk();
    assertThat(r.getResponse().getHeader("Content-Disposition")).doesNotContain("Ida");
    return r.getResponse().getContentAsString();
  }

  @Test
  public void aParentReadsAllThatIsKept() throws Exception {
    long id =
        body(post(
                "/api/students",
                "{\"givenName\":\"Ida\",\"initial\":\"K\",\"instrument\":\"flute\",\"seat\":\"2\"}"))
            .get("id")
            .asLong();
    String mark =
        """
        [{"written": "%s", "fingering": "T 1 2 3 | Eb", "grade": "%s", "pieceId": 0, "bars": "",
          "remark": "%s", "mark": ""}]""";
    assertThat(post("/api/students/" + id + "/heard", mark.formatted("G4", "SHAKY", "thin tone")))
        .hasStatusOk();
    assertThat(
            put(
                "/api/students/" + id + "/agenda",
                "{\"minutes\": 20, \"practice\": [\"MONDAY\"], \"lessons\": [\"FRIDAY\"]}"))
        .hasStatusOk();
    String english = text(id, "en");
    assertThat(english)
        .contains("Everything Sempre keeps about Ida K.", "Flute", "thin tone", "shaky")
        .contains("practices Monday, 20 minutes a day", "lessons Friday")
        .doesNotContain("null", "{", "SHAKY");
    assertThat(text(id, "es")).contains("Todo lo que Sempre guarda de Ida K.", "insegura");
    assertThat(mvc.delete().uri("/api/students/" + id).exchange()).hasStatusOk();
    assertThat(mvc.get().uri("/api/students/" + id + "/everything.txt")).hasStatus(404);
  }

  /** Every student of the demo, with all there is: nothing is left a code or a gap. */
  @Test
  public void everybodysIsReadable() throws Exception {
    for (var s : get("/api/people").get("students")) {
      assertThat(text(s.get("id").asLong(), "en"))
          .contains(s.get("givenName").asString())
          .doesNotContain("null", "everything.", "NOT_YET", "{", "MON");
    }
  }

  /** A teacher's name goes; the grade stays. */
  @Test
  public void aTeachersNameIsErasedAndTheGradeStays() throws Exception {
    long id =
        body(post(
                "/api/students",
                "{\"givenName\":\"Ida\",\"initial\":\"L\",\"instrument\":\"flute\"}"))
            .get("id")
            .asLong();
    mvc.post()
        .uri("/api/students/" + id + "/heard")
        .header(WhoMarks.HEADER, "Zyzzy")
        .contentType("application/json")
        .content(
            """
            [{"written": "G4", "fingering": "T 1 2 3 | Eb", "grade": "SECURE", "pieceId": 0,
              "bars": "", "remark": "", "mark": ""}]""")
        .exchange();
    assertThat(text(id, "en")).contains("Zyzzy");
    assertThat(get("/api/names").toString()).contains("Zyzzy").doesNotContain("\"teacher\"");
    assertThat(put("/api/names/erased", "{\"name\": \"Zyzzy\"}")).hasStatusOk();
    assertThat(get("/api/names").toString()).doesNotContain("Zyzzy");
    assertThat(text(id, "en")).doesNotContain("Zyzzy").contains("secure");
    assertThat(put("/api/names/erased", "{\"name\": \"Zyzzy\"}")).hasStatus(404);
    assertThat(mvc.delete().uri("/api/students/" + id).exchange()).hasStatusOk();
  }

  /** A new table about students has to be told too. */
  @Test
  public void noTableAboutStudentsIsForgotten() {
    List<String> tables =
        db.inTransaction(
            tx ->
                tx.list(
                    """
                    select lower(table_name) as t from information_schema.columns
                    where table_schema = 'PUBLIC' and column_name = 'STUDENT_ID' order by 1
                    """,
                    r -> r.text("t")));
    assertThat(tables)
        .containsExactly(
            "assignment",
            // which fingerings an assignment has locked: they are told as kept fingerings
            "assignment_lock",
            "audition_candidate",
            "band_student",
            // what is listed to be taken back in one go is told where it stands
            "batch_item",
            // the change of a step, and the note that is asked in a playing test
            "choice_change",
            "choice_step",
            "class_absent",
            "class_asked",
            "day_off",
            "fingering_lock",
            "heard",
            "mock_audition",
            "practice_days",
            "practice_run",
            // names of presses, without a meaning of their own
            "press",
            "reading",
            "rudiment_heard",
            "simpler_note",
            "simpler_part");
  }
}
