package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.Set;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Music to be read at sight, for each student of the demo. */
public class SightApiTest extends DemoTestBase {
  private static String path(long student, String level, int leap, int bars, int seed) {
    return "/api/students/%d/sight?level=%s&leap=%d&bars=%d&seed=%d"
        .formatted(student, level, leap, bars, seed);
  }

  /** Of what was heard, and nothing else; what stands on the page is fingered. */
  @Test
  public void everyStudentHasSomethingToReadThatHasNoNewNote() {
    int made = 0;
    int heard = 0;
    for (JsonNode s : get("/api/people").get("students")) {
      long id = s.get("id").asLong();
      Set<String> known = new HashSet<>();
      for (JsonNode m : get("/api/students/" + id + "/heard").get("marks")) {
        known.add(m.get("written").asString());
      }
      if (known.size() < 3) {
        continue;
      }
      JsonNode sight = get(path(id, "EIGHTHS", 7, 8, 417));
      String name = s.get("givenName").asString();
      assertThat(sight.get("music").get("notes").size()).as(name).isGreaterThan(8);
      for (JsonNode t : sight.get("music").get("told")) {
        assertThat(t.get("why").asString()).as(name).isNotEqualTo("NEW_NOTE");
      }
      for (JsonNode n : sight.get("music").get("notes")) {
        assertThat(n.get("fingering").asString()).as(name).isNotEmpty();
      }
      heard += sight.get("told").asString().contains("were heard of this student") ? 1 : 0;
      made++;
    }
    assertThat(made).isGreaterThan(25);
    assertThat(heard).isEqualTo(made);
  }

  @Test
  public void theSameNumberIsTheSamePieceAndOnTheShelfItIsOneLikeAnyOther() {
    long mateo = student("Mateo");
    String path = path(mateo, "EIGHTHS", 7, 8, 302);
    JsonNode one = get(path);
    assertThat(get(path)).isEqualTo(one);
    assertThat(get(path(mateo, "EIGHTHS", 7, 8, 303)).get("music").get("xml"))
        .isNotEqualTo(one.get("music").get("xml"));
    long id = body(post(path, "")).get("id").asLong();
    assertThat(body(post(path, "")).get("id").asLong()).isEqualTo(id);
    JsonNode stand = get("/api/stand/" + mateo + "/" + id);
    assertThat(stand.get("piece").get("title").asString()).isEqualTo("At sight, number 302");
    assertThat(stand.get("plan").get("notes").size())
        .isEqualTo(one.get("music").get("notes").size());
  }

  @Test
  public void whatCannotBeMadeIsSaidInASentence() {
    long mateo = student("Mateo");
    var odd = mvc.get().uri(path(mateo, "EIGHTHS", 7, 5, 1)).exchange();
    assertThat(odd).hasStatus(400);
    assertThat(odd).bodyText().contains("4, 8 or 16 bars");
    assertThat(mvc.get().uri(path(mateo, "FAST", 7, 8, 1)).exchange()).hasStatus(400);
    assertThat(mvc.get().uri(path(mateo, "EIGHTHS", 40, 8, 1)).exchange()).hasStatus(400);
  }
}
