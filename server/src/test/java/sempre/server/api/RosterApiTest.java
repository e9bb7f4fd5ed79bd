package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Groups and students by list and by hand: coming, a second instrument, leaving, being erased. */
public class RosterApiTest extends DemoTestBase {
  private final JsonMapper mapper = new JsonMapper();
  private Set<Long> students;
  private Set<Long> groups;
  private int round;

  @BeforeMethod
  void before() {
    students = ids("students");
    groups = ids("groups");
    round++;
  }

  /** The other tests count the demo's people. */
  @AfterMethod(alwaysRun = true)
  void leave() {
    for (String list : new String[] {"students", "gone"}) {
      for (long id : ids(list)) {
        if (!students.contains(id)) {
          mvc.delete().uri("/api/students/" + id).exchange();
        }
      }
    }
    for (long id : ids("groups")) {
      if (!groups.contains(id)) {
        mvc.put().uri("/api/removals/GROUP/" + id).exchange();
      }
    }
  }

  private Set<Long> ids(String list) {
    Set<Long> ids = new HashSet<>();
    get("/api/people").get(list).forEach(s -> ids.add(s.get("id").asLong()));
    return ids;
  }

  private String list(String text, String group) {
    ObjectNode body = mapper.createObjectNode();
    body.put("text", text).put("group", group).putArray("meanings");
    body.putObject("stages").put(band(), "FIRST_YEARS");
    return body.toString();
  }

  private String band() {
    return "Listed band " + round;
  }

  private JsonNode named(String list, String given) {
    for (JsonNode s : get("/api/people").get(list)) {
      boolean known = (list.equals("groups") ? groups : students).contains(s.get("id").asLong());
      JsonNode name = s.has("givenName") ? s.get("givenName") : s.get("name");
      if (!known && name.asString().equals(given)) {
        return s;
      }
    }
    return null;
  }

  private static List<String> states(JsonNode look) {
    List<String> states = new ArrayList<>();
    look.get("rows").forEach(r -> states.add(r.get("state").asString()));
    return states;
  }

  @Test
  public void aListIsLookedAtBeforeAnythingIsKept() {
    String text =
        "Name,Instrument,Group\nAda Quill,flute," + band() + "\nBen Reed,sax,\nCem Bell,tuba,\n";
    JsonNode look = body(post("/api/roster/look", list(text, band())));
    assertThat(states(look)).containsExactly("NEW", "WRONG", "NEW");
    assertThat(look.get("ready").asInt()).isEqualTo(2);
    assertThat(look.get("rows").get(1).get("problems").get(0).asString()).contains("say which");
    assertThat(look.get("rows").get(2).get("group").asString()).isEqualTo(band());
    assertThat(ids("students")).isEqualTo(students);
    JsonNode done = body(post("/api/roster", list(text, band())));
    assertThat(done.get("done").asString()).isEqualTo("2 students are set up, and a new group.");
    assertThat(named("students", "Ada").get("initial").asString()).isEqualTo("Q");
    assertThat(named("students", "Ada").get("groups")).hasSize(1);
    assertThat(named("students", "Ben")).isNull();
    JsonNode again = body(post("/api/roster/look", list(text, band())));
    assertThat(states(again)).containsExactly("THERE", "WRONG", "THERE");
    assertThat(post("/api/roster", list(text, band()))).hasStatus(400);
  }

  private static String with(String list, String more) {
    return list.substring(0, list.length() - 1) + "," + more + "}";
  }

  @Test
  public void aNewGroupAsksHowFarItHasGot() {
    String text = "Name,Instrument\nAda Quill,flute\n";
    String body =
        "{\"text\":\""
            + text.replace("\n", "\\n")
            + "\",\"meanings\":[],\"group\":\""
            + band()
            + "\"}";
    assertThat(body(post("/api/roster/look", body)).get("groups").get(0).asString())
        .isEqualTo(band());
    MvcTestResult unsaid = post("/api/roster", body);
    assertThat(unsaid).hasStatus(400);
    assertThat(body(unsaid).get("detail").asString()).contains("how far " + band() + " has got");
    assertThat(named("students", "Ada")).as("nothing is kept").isNull();
    String said = with(body, "\"stages\":{\"" + band() + "\":\"SCHOOL\"}");
    assertThat(post("/api/roster", said)).hasStatusOk();
    for (JsonNode g : get("/api/people").get("groups")) {
      if (g.get("name").asString().equals(band())) {
        assertThat(g.get("stage").asString()).isEqualTo("SCHOOL");
      }
    }
  }

  @Test
  public void twoChildrenOfOneNameAreTwoAlsoWhenTheListComesAgain() {
    String text = "Name,Instrument,Seat,Plays\nEmma Smith,flute,2b,F5\nEmma Stone,flute,1a,\n";
    assertThat(post("/api/roster", list(text, band()))).hasStatusOk();
    List<String> names = new ArrayList<>();
    for (JsonNode s : get("/api/people").get("students")) {
      if (s.get("givenName").asString().equals("Emma")) {
        names.add(s.get("name").asString() + " " + s.get("seat").asString());
      }
    }
    assertThat(names).containsExactlyInAnyOrder("Emma Sm. 2b", "Emma St. 1a");
    JsonNode again = body(post("/api/roster/look", list(text, band())));
    assertThat(states(again)).containsExactly("THERE", "THERE");
    // the seat orders the group's pages
    long group = 0;
    for (JsonNode g : get("/api/people").get("groups")) {
      group = g.get("name").asString().equals(band()) ? g.get("id").asLong() : group;
    }
    assertThat(
            get("/api/groups/" + group + "/readiness")
                .get("students")
                .get(0)
                .get("name")
                .asString())
        .isEqualTo("Emma St.");
    assertThat(put("/api/styles/all/order", "{\"school\":\"name\"}")).hasStatusOk();
    try {
      assertThat(
              get("/api/groups/" + group + "/readiness")
                  .get("students")
                  .get(0)
                  .get("name")
                  .asString())
          .isEqualTo("Emma Sm.");
    } finally {
      put("/api/styles/all/order", "{\"school\":\"section\"}");
    }
    // what is played already: from the lowest of the first years, D4, by half steps to F5
    JsonNode map = get("/api/students/" + emma("2b") + "/heard");
    assertThat(map.get("marks")).hasSize(16);
  }

  private long emma(String seat) {
    for (JsonNode s : get("/api/people").get("students")) {
      if (s.get("seat").asString().equals(seat)) {
        return s.get("id").asLong();
      }
    }
    throw new AssertionError(seat);
  }

  @Test
  public void aMisspeltInstrumentIsTakenAsTheOneThatIsMeant() {
    String text = "Name,Instrument\nAda Quill,Trombome\n";
    JsonNode row = body(post("/api/roster/look", list(text, ""))).get("rows").get(0);
    assertThat(row.get("state").asString()).isEqualTo("WRONG");
    assertThat(row.get("meant").get(0).get("value").asString()).isEqualTo("trombone");
    String said = with(list(text, ""), "\"called\":{\"Trombome\":\"trombone\"}");
    assertThat(states(body(post("/api/roster/look", said)))).containsExactly("NEW");
  }

  @Test
  public void aWholeGroupPlaysAlready() {
    String text = "Name,Instrument\nAda Quill,clarinet\nBen Reed,clarinet\nCem Bell,tuba\n";
    String name = band();
    assertThat(post("/api/roster", list(text, name))).hasStatusOk();
    long group = named("groups", name).get("id").asLong();
    String path = "/api/groups/" + group + "/plays";
    JsonNode sections = get(path).get("sections");
    assertThat(sections.get(0).get("instrument").asString()).isEqualTo("clarinet");
    assertThat(sections.get(0).get("students")).hasSize(2);
    JsonNode low = sections.get(0).get("notes").get(0);
    assertThat(low.get("written").asString()).isEqualTo("E3");
    assertThat(low.get("sound").asInt()).as("E sounds D").isEqualTo(2);
    JsonNode done =
        body(
            post(
                path,
                "{\"sections\":[{\"instrument\":\"clarinet\",\"notes\":[\"C4\",\"D4\",\"E4\"]}]}"));
    assertThat(done.get("marks").asInt()).isEqualTo(6);
    assertThat(get(path).get("sections").get(0).get("notes").get(8).get("has").asInt())
        .as("C4")
        .isEqualTo(2);
    // what is there already is not written down again
    assertThat(
            body(post(
                    path,
                    "{\"sections\":[{\"instrument\":\"clarinet\",\"notes\":[\"C4\",\"F4\"]}]}"))
                .get("marks")
                .asInt())
        .isEqualTo(2);
    // the last of the two is taken back in one go; what was there before it stays
    JsonNode last = batch("PLAYS", group);
    assertThat(last.get("what").asString())
        .isEqualTo("%s: 2 notes marked as already played, 2 students".formatted(name));
    String back = "/api/batches/" + last.get("id").asLong() + "/back";
    assertThat(body(post(back, "")).get("done").asString())
        .isEqualTo("2 grades were taken back for 2 students.");
    assertThat(has(path, "F4")).isZero();
    assertThat(has(path, "C4")).isEqualTo(2);
    assertThat(post(back, "")).as("taken back twice").hasStatus(404);
    // what was taken back by hand before is not taken back a second time
    JsonNode first = batch("PLAYS", group);
    long ada = named("students", "Ada").get("id").asLong();
    long c = 0;
    for (JsonNode h : get("/api/students/" + ada + "/heard").get("heard")) {
      c = h.get("written").asString().equals("C4") ? h.get("id").asLong() : c;
    }
    assertThat(post("/api/students/" + ada + "/heard/undo", "{\"ids\":[" + c + "]}")).hasStatusOk();
    assertThat(post("/api/batches/" + first.get("id").asLong() + "/back", "")).hasStatusOk();
    assertThat(has(path, "C4")).isZero();
    assertThat(batch("PLAYS", group)).as("nothing is left to take back").isNull();
  }

  /** How many of the first section have a note. */
  private int has(String path, String written) {
    for (JsonNode n : get(path).get("sections").get(0).get("notes")) {
      if (n.get("written").asString().equals(written)) {
        return n.get("has").asInt();
      }
    }
    throw new AssertionError(written);
  }

  /** The last that can be taken back, of a group or, with 0, of none. */
  private JsonNode batch(String kind, long group) {
    for (JsonNode b : get("/api/batches")) {
      if (b.get("kind").asString().equals(kind) && b.get("group").asLong() == group) {
        return b;
      }
    }
    return null;
  }

  /**
   * Who was here before stays, out of the group again; who came with the list is put back later.
   */
  @Test
  public void anImportIsTakenBackInOneGo() {
    String name = band();
    long here = add("Hal", "flute", 0, "");
    String text = "Name,Instrument\nHal Q,flute\nNia Oak,oboe\nOwen Pike,tuba\n";
    assertThat(post("/api/roster", list(text, name))).hasStatusOk();
    long group = named("groups", name).get("id").asLong();
    assertThat(named("groups", name).get("students")).hasSize(3);
    JsonNode batch = batch("ROSTER", 0);
    assertThat(body(post("/api/batches/" + batch.get("id").asLong() + "/back", "")).get("done"))
        .asString()
        .contains("imported students were removed");
    assertThat(named("groups", name)).isNull();
    assertThat(named("students", "Nia")).isNull();
    assertThat(named("students", "Hal").get("groups")).isEmpty();
    assertThat(named("students", "Hal").get("id").asLong()).isEqualTo(here);
    // put back under Removed, each is in its group again
    long nia = named("gone", "Nia").get("id").asLong();
    assertThat(mvc.delete().uri("/api/removals/STUDENT/" + nia)).hasStatusOk();
    assertThat(mvc.delete().uri("/api/removals/GROUP/" + group)).hasStatusOk();
    assertThat(named("groups", name).get("students")).hasSize(1);
  }

  @Test
  public void columnsAreMatchedByHandAndBadListsRefused() {
    String text = "\"Who\",\"What\"\nAda,flute\n";
    String body =
        "{\"text\":\"Who;What\\nAda;flute\",\"group\":\"\",\"meanings\":[\"FIRST_NAME\",\"INSTRUMENT\"]}";
    JsonNode look = body(post("/api/roster/look", body));
    assertThat(states(look)).containsExactly("WRONG", "NEW");
    assertThat(post("/api/roster/look", list("", ""))).hasStatus(400);
    assertThat(post("/api/roster/look", list(text + "\"", ""))).hasStatus(400);
  }

  private long add(String given, String instrument, long person, String groupIds) {
    return body(post(
            "/api/students",
            "{\"givenName\":\""
                + given
                + "\",\"initial\":\"Q\",\"instrument\":\""
                + instrument
                + "\",\"options\":{},\"avoid\":[],\"style\":{},\"groups\":["
                + groupIds
                + "],\"person\":"
                + person
                + "}"))
        .get("id")
        .asLong();
  }

  @Test
  public void oneStudentPlaysTwoInstrumentsUnderOneName() {
    long flute = add("Dov", "flute", 0, "");
    long piccolo = add("Dov", "piccolo", flute, "");
    JsonNode s = named("students", "Dov");
    assertThat(s.get("others")).hasSize(1);
    assertThat(
            put(
                "/api/students/" + piccolo,
                "{\"givenName\":\"Dova\",\"initial\":\"Q\",\"instrument\":\"piccolo\",\"options\":{},"
                    + "\"avoid\":[],\"style\":{},\"groups\":[],\"person\":"
                    + flute
                    + "}"))
        .hasStatusOk();
    assertThat(named("students", "Dov")).as("the name goes for both").isNull();
    // what is heard of one instrument is not heard of the other
    assertThat(post("/api/students/" + flute + "/heard/range", "{\"from\":\"G4\",\"to\":\"A4\"}"))
        .hasStatusOk();
    assertThat(get("/api/students/" + flute + "/heard").get("marks")).hasSize(3);
    assertThat(get("/api/students/" + piccolo + "/heard").get("marks")).isEmpty();
    // the first instrument goes, the second stays
    assertThat(mvc.delete().uri("/api/students/" + flute + "?all=false")).hasStatusOk();
    JsonNode left = named("students", "Dova");
    assertThat(left.get("person").asLong()).isEqualTo(piccolo);
    assertThat(left.get("others")).isEmpty();
  }

  @Test
  public void whoLeavesIsKeptAndComesBackAsBefore() {
    long group =
        body(post(
                "/api/groups",
                "{\"name\":\"" + band() + "\",\"stage\":\"SCHOOL\",\"year\":\"Year 6\"}"))
            .get("id")
            .asLong();
    long id = add("Eli", "oboe", 0, String.valueOf(group));
    assertThat(post("/api/students/" + id + "/heard/range", "{\"from\":\"G4\",\"to\":\"A4\"}"))
        .hasStatusOk();
    assertThat(mvc.put().uri("/api/removals/STUDENT/" + id)).hasStatus2xxSuccessful();
    assertThat(named("students", "Eli")).isNull();
    assertThat(named("gone", "Eli").get("left").asString()).isEqualTo("today");
    for (JsonNode g : get("/api/people").get("groups")) {
      if (g.get("id").asLong() == group) {
        assertThat(g.get("students")).isEmpty();
        assertThat(g.get("stageWords").asString()).isEqualTo("school");
        assertThat(g.get("year").asString()).isEqualTo("Year 6");
      }
    }
    assertThat(get("/api/students/" + id + "/heard").get("marks")).hasSize(3);
    assertThat(mvc.delete().uri("/api/removals/STUDENT/" + id)).hasStatus2xxSuccessful();
    assertThat(named("students", "Eli").get("groups")).hasSize(1);
  }

  @Test
  public void erasingSaysWhatItErasedAndLeavesNothing() {
    long flute = add("Fay", "flute", 0, "");
    add("Fay", "alto-flute", flute, "");
    assertThat(post("/api/students/" + flute + "/heard/range", "{\"from\":\"G4\",\"to\":\"A4\"}"))
        .hasStatusOk();
    String said =
        body(mvc.delete().uri("/api/students/" + flute).exchange()).get("done").asString();
    assertThat(said)
        .startsWith("Fay Q. is erased for good: 2 instruments, 3 things heard, 0 kept fingerings,");
    for (String table :
        List.of("student", "heard", "fingering_lock", "reading", "band_student", "choice_step")) {
      long rows =
          db.inTransaction(
              tx ->
                  tx.count(
                      table
                          + " where "
                          + (table.equals("student") ? "person" : "student_id")
                          + " = ?",
                      flute));
      assertThat(rows).as(table).isZero();
    }
    assertThat(mvc.delete().uri("/api/students/" + flute)).hasStatus(404);
  }

  @Test
  public void aGroupsStageIsOneOfThree() {
    assertThat(
            post("/api/groups", "{\"name\":\"" + band() + "\",\"stage\":\"expert\",\"year\":\"\"}"))
        .hasStatus(400);
  }
}
