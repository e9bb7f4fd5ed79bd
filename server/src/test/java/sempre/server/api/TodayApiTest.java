package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashSet;
import java.util.Set;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The first screen. */
public class TodayApiTest extends DemoTestBase {
  private JsonNode group(JsonNode today, String name) {
    for (JsonNode g : today.get("groups")) {
      if (g.get("name").asString().equals(name)) {
        return g;
      }
    }
    throw new AssertionError(name);
  }

  @Test
  public void everyPlayerIsReadyOrIsToldOneThing() {
    for (JsonNode g : get("/api/today").get("groups")) {
      Set<Long> told = new HashSet<>();
      for (JsonNode s : g.get("say")) {
        told.add(s.get("student").get("id").asLong());
        boolean ready = s.get("state").asString().equals("READY");
        assertThat(s.get("sentence").asString().isEmpty()).isEqualTo(ready);
        assertThat(s.get("shown").asString().isEmpty()).isEqualTo(ready);
      }
      assertThat(told).hasSize(g.get("students").asInt());
    }
  }

  @Test
  public void aNewNoteIsToldByOneTheStudentHasAndAShakyOneByItsMend() {
    JsonNode first = group(get("/api/today"), "First-year band");
    int compared = 0;
    for (JsonNode s : first.get("say")) {
      if (s.get("state").asString().equals("LACKS")) {
        assertThat(s.get("lead").asString()).isEqualTo("New:");
        compared += s.get("sentence").asString().matches("(As for|The same as for) .*") ? 1 : 0;
      } else if (s.get("state").asString().equals("SHAKY")) {
        assertThat(s.get("sentence").asString()).matches("(If .* comes out: .*|Slowly, .*)");
      }
    }
    assertThat(compared).isPositive();
  }

  @Test
  public void groupsThatMeetTodayComeFirst() {
    JsonNode groups = get("/api/today").get("groups");
    boolean later = false;
    String day = LocalDate.now().getDayOfWeek().name();
    for (JsonNode g : groups) {
      boolean today = g.get("today").asBoolean();
      assertThat(today && later).isFalse();
      later |= !today;
    }
    JsonNode people = get("/api/people");
    for (JsonNode g : people.get("groups")) {
      boolean meets = false;
      for (JsonNode d : g.get("days")) {
        meets |= d.asString().equals(day);
      }
      assertThat(group(get("/api/today"), g.get("name").asString()).get("today").asBoolean())
          .isEqualTo(meets);
    }
  }

  @Test
  public void aGroupWithoutDaysIsThereEveryDayAndItsDaysAreKept() {
    long id =
        body(post("/api/groups", "{\"name\":\"Fridays\",\"days\":[\"FRIDAY\"]}"))
            .get("id")
            .asLong();
    assertThat(group(get("/api/people"), "Fridays").get("days").get(0).asString())
        .isEqualTo("FRIDAY");
    assertThat(put("/api/groups/" + id, "{\"name\":\"Fridays\",\"days\":[]}")).hasStatusOk();
    assertThat(group(get("/api/today"), "Fridays").get("when").asString()).isEqualTo("today");
    assertThat(mvc.put().uri("/api/removals/GROUP/" + id)).hasStatus2xxSuccessful();
  }
}
