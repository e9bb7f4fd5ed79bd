package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The map of notes: of one, of a section, of a group. */
public class MapApiTest extends DemoTestBase {
  @Test
  public void aStudentsMapIsTheWholeRangeOfTheOwnInstrument() {
    JsonNode map = get("/api/students/" + student("Linh") + "/map");
    assertThat(map.get("notes").get(0).get("written").asString()).as("a B foot").isEqualTo("B3");
    int next = 0;
    int has = 0;
    for (JsonNode n : map.get("notes")) {
      next += n.get("next").asBoolean() ? 1 : 0;
      has += n.get("state").asString().equals("HAS") ? 1 : 0;
      assertThat(n.get("next").asBoolean() && n.get("state").asString().equals("HAS")).isFalse();
    }
    assertThat(next).isPositive();
    assertThat(has).isPositive();
  }

  @Test
  public void aGroupsMapCountsEveryoneOnceAndNamesWhoLacksANote() {
    JsonNode map = get("/api/groups/" + group("Quay Concert Band") + "/map");
    assertThat(map.get("notes")).hasSize(12);
    for (JsonNode n : map.get("notes")) {
      assertThat(n.get("of").asInt()).isEqualTo(17);
      int lacking =
          n.get("lacking").asString().isEmpty()
              ? 0
              : n.get("lacking").asString().split(", | and ").length;
      assertThat(n.get("has").asInt() + lacking).isEqualTo(17);
      assertThat(n.get("shaky").asInt()).isLessThanOrEqualTo(n.get("has").asInt());
    }
    assertThat(map.get("sections").size()).isGreaterThan(10);
  }

  @Test
  public void aSectionsMapCountsThoseWhoPlayTheInstrument() {
    JsonNode map = get("/api/groups/" + group("First-year band") + "/map?instrument=trombone");
    assertThat(map.get("clef").asString()).isEqualTo("bass");
    assertThat(map.get("notes").get(0).get("of").asInt()).isEqualTo(2);
    assertThat(mvc.get().uri("/api/groups/9999/map")).hasStatus(404);
    assertThat(mvc.get().uri("/api/students/9999/map")).hasStatus(404);
  }

  @Test
  public void aGridListsAsTheGroupDoesWhoeverHasTheLowestNote() {
    List<String> listed = new ArrayList<>();
    for (JsonNode s : get("/api/groups/" + group("Quay Concert Band") + "/grid").get("sections")) {
      for (JsonNode r : s.get("rows")) {
        listed.add(r.get("student").get("name").asString());
        assertThat(r.get("states").size()).isEqualTo(s.get("notes").size());
      }
    }
    List<String> members = new ArrayList<>();
    JsonNode people = get("/api/people");
    for (JsonNode g : people.get("groups")) {
      if (g.get("name").asString().equals("Quay Concert Band")) {
        g.get("students")
            .forEach(
                id ->
                    people
                        .get("students")
                        .forEach(
                            s -> {
                              if (s.get("id").asLong() == id.asLong()) {
                                members.add(s.get("name").asString());
                              }
                            }));
      }
    }
    assertThat(listed).isEqualTo(members);
  }
}
