package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A playing check of a whole group. */
public class ClassChecksApiTest extends DemoTestBase {
  private final List<Long> students = new ArrayList<>();
  private long group;
  private long flute;
  private long alto;
  private int round;
  private int presses;

  @BeforeMethod
  void band() {
    group =
        body(post("/api/groups", "{\"name\":\"Checked band " + ++round + "\"}")).get("id").asLong();
    flute = player("Ida", "flute");
    alto = player("Ben", "alto-sax");
  }

  /** The other tests count the demo's people. */
  @AfterMethod(alwaysRun = true)
  void leave() {
    students.forEach(s -> mvc.delete().uri("/api/students/" + s).exchange());
    students.clear();
    mvc.put().uri("/api/removals/GROUP/" + group).exchange();
  }

  private long player(String name, String instrument) {
    long id =
        body(post(
                "/api/students",
                "{\"givenName\":\""
                    + name
                    + "\",\"initial\":\"\",\"instrument\":\""
                    + instrument
                    + "\",\"groups\":["
                    + group
                    + "]}"))
            .get("id")
            .asLong();
    students.add(id);
    return id;
  }

  private static String sounds(String names) {
    return java.util.Arrays.stream(names.split(" "))
        .map(n -> "{\"kind\":\"SOUND\",\"what\":\"" + n + "\",\"pieceId\":0,\"row\":1}")
        .collect(java.util.stream.Collectors.joining(","));
  }

  /** What each would be asked, by instrument: {@code flute: B♭4 C5}. */
  private String looked(long of, String items) {
    StringBuilder all = new StringBuilder();
    for (JsonNode r :
        body(post("/api/groups/" + of + "/checks/look", "{\"items\":[" + items + "]}"))) {
      all.append(r.get("student").get("instrument").asString()).append(':');
      for (JsonNode c : r.get("cells")) {
        for (JsonNode n : c.get("notes")) {
          all.append(' ').append(n.get("written").asString());
        }
      }
      all.append('\n');
    }
    return all.toString();
  }

  private void plays(long student, String from, String to) {
    assertThat(
            post(
                "/api/students/" + student + "/heard/range",
                "{\"from\":\"" + from + "\",\"to\":\"" + to + "\"}"))
        .hasStatusOk();
  }

  private static String item(String kind, String what, long piece) {
    return "{\"kind\":\"" + kind + "\",\"what\":\"" + what + "\",\"pieceId\":" + piece + "}";
  }

  private long begin(String... items) {
    MvcTestResult r =
        post("/api/groups/" + group + "/checks", "{\"items\":[" + String.join(",", items) + "]}");
    assertThat(r).hasStatusOk();
    return body(r).get("id").asLong();
  }

  private MvcTestResult grade(
      long check, long student, int item, String grade, String mark, String by) {
    return mvc.post()
        .uri("/api/checks/" + check + "/grades")
        .header(WhoMarks.HEADER, by)
        .contentType(MediaType.APPLICATION_JSON)
        .content(
            "{\"studentId\":"
                + student
                + ",\"item\":"
                + item
                + ",\"grade\":\""
                + grade
                + "\",\"remark\":\"\",\"mark\":\""
                + mark
                + "\"}")
        .exchange();
  }

  private MvcTestResult grade(long check, long student, int item, String grade) {
    return grade(check, student, item, grade, "press" + ++presses, "Frau%20M%C3%BChl");
  }

  private JsonNode cell(long check, long student, int item) {
    for (JsonNode r : get("/api/checks/" + check).get("rows")) {
      if (r.get("student").get("id").asLong() == student) {
        return r.get("cells").get(item);
      }
    }
    throw new AssertionError("no row");
  }

  private int heard(long student) {
    return get("/api/students/" + student + "/heard").get("heard").size();
  }

  @Test
  public void everyPlayerIsAskedInTheOwnNotes() {
    long check =
        begin(
            item("SOUND", "Ab4", 0),
            item("SCALE", "Bb major", 0),
            item("FINGERING", "flute Bb4 T 1 | 1 Eb", 0),
            item("BARS", "1-2", piece("The Harbour Wall")));
    assertThat(cell(check, flute, 0).get("notes").asString()).isEqualTo("A♭4");
    assertThat(cell(check, alto, 0).get("notes").asString()).isEqualTo("F5");
    assertThat(cell(check, flute, 1).get("notes").asString()).isEqualTo("B♭4 to B♭5");
    assertThat(cell(check, flute, 2).get("label").asString()).isEqualTo("one-and-one B flat");
    assertThat(cell(check, alto, 2).get("asked").asBoolean()).isFalse();
    assertThat(cell(check, flute, 3).get("notes").asString()).isNotEmpty();
    assertThat(grade(check, alto, 2, "SECURE")).hasStatus(400);
  }

  /**
   * The row of the placeholder, for students who have what a first year has; worked out by hand.
   */
  @Test
  public void aRowIsAskedInTheOctaveThatEachHasAndKeepsItsDirection() {
    long trumpet = player("Tom", "trumpet");
    player("Cleo", "clarinet");
    player("Tess", "tenor-sax");
    plays(flute, "D5", "F5");
    plays(trumpet, "A3", "F4");
    assertThat(looked(group, sounds("Bb C D Eb F")).lines())
        .containsExactlyInAnyOrder(
            "alto-sax: G4 A4 B4 C5 D5",
            "clarinet: C4 D4 E4 F4 G4",
            "flute: Bb4 C5 D5 Eb5 F5",
            "tenor-sax: C5 D5 E5 F5 G5",
            "trumpet: C4 D4 E4 F4 G4");
    assertThat(looked(group, sounds("Bb3 C4 D4"))).contains("trumpet: C4 D4 E4");
    assertThat(looked(group, sounds("Bb4 C5 D5"))).contains("trumpet: C5 D5 E5");
    // what was asked stays asked, whatever is marked meanwhile
    long check = begin(sounds("Bb C D Eb F"));
    assertThat(cell(check, flute, 2).get("notes").asString()).isEqualTo("D5");
    grade(check, flute, 2, "NOT_YET");
    plays(flute, "D4", "F4");
    assertThat(cell(check, flute, 3).get("notes").asString()).isEqualTo("E♭5");
    assertThat(get("/api/students/" + flute + "/heard").get("heard").toString())
        .contains("\"written\":\"D5\"")
        .contains("NOT_YET");
  }

  @Test
  public void aNoteIsMovedBeforeTheCheckBeginsForOneStudent() {
    plays(flute, "D5", "F5");
    String look = looked(group, sounds("D"));
    assertThat(look).contains("flute: D5");
    String asked = "{\"items\":[%s],\"asked\":[{\"studentId\":%d,\"item\":0,\"written\":\"%s\"}]}";
    MvcTestResult r =
        post("/api/groups/" + group + "/checks", String.format(asked, sounds("D"), flute, "D4"));
    assertThat(r).hasStatusOk();
    long check = body(r).get("id").asLong();
    assertThat(cell(check, flute, 0).get("notes").asString()).isEqualTo("D4");
    assertThat(cell(check, alto, 0).get("notes").asString()).isEqualTo("B4");
    MvcTestResult wrong =
        post("/api/groups/" + group + "/checks", String.format(asked, sounds("D"), flute, "E4"));
    assertThat(wrong).hasStatus(400);
    assertThat(body(wrong).get("detail").asString())
        .contains("Ida can’t be asked E4 for it; there is: D4, D5 and D6");
  }

  /** Who comes into the group later is asked by the rule, and it is settled with the first mark. */
  @Test
  public void whoComesLaterIsAskedByTheRule() {
    long check = begin(sounds("Bb C"));
    long late = player("Lou", "trumpet");
    assertThat(cell(check, late, 0).get("notes").asString()).isEqualTo("C4");
    grade(check, late, 0, "SECURE");
    assertThat(cell(check, late, 0).get("grade").asString()).isEqualTo("SECURE");
    assertThat(cell(check, late, 1).get("notes").asString()).isEqualTo("D4");
  }

  @Test
  public void aCheckThatIsNotFinishedIsOffered() {
    long check = begin(item("SOUND", "Bb", 0));
    assertThat(get("/api/checks/open").get(0).get("id").asLong()).isEqualTo(check);
    String today = get("/api/today").get("groups").toString();
    assertThat(today).contains("\"open\":[{\"id\":" + check);
    post("/api/checks/" + check + "/finish", "true");
    assertThat(get("/api/checks/open").toString()).doesNotContain("\"id\":" + check + ",");
  }

  /** The pages agree on who needs a sound: what is asked, who has it, what is in the way. */
  @Test
  public void thePagesCountTheSameStudents() {
    for (String name : List.of("First-year band", "Quay Concert Band")) {
      long id = group(name);
      JsonNode map = get("/api/groups/" + id + "/map");
      JsonNode blocks = get("/api/groups/" + id + "/readiness").get("blocks");
      JsonNode suggested = get("/api/groups/" + id + "/checks/suggested");
      int compared = 0;
      for (JsonNode s : suggested) {
        String sound = s.get("shown").asString();
        JsonNode has = named(map.get("notes"), "shown", sound);
        int newFor = people(has.get("newFor"));
        int octave = people(has.get("otherOctave"));
        String why = s.get("why").asString();
        assertThat(why.contains("new for " + newFor) || newFor == 0).as(sound + why).isTrue();
        assertThat(why.contains("octave for " + octave) || octave == 0).as(sound + why).isTrue();
        JsonNode block = named(blocks, "shown", sound);
        if (block != null) {
          assertThat(block.get("newFor").asInt()).isEqualTo(newFor);
          assertThat(block.get("otherOctave").asInt()).isEqualTo(octave);
          assertThat(block.get("parts").asInt()).isGreaterThanOrEqualTo(newFor + octave);
          compared++;
        }
        // each of those is asked in the octave that is lacking: the lesson is the same
        String asked = looked(id, item("SOUND", s.get("what").asString(), 0));
        for (JsonNode r :
            get("/api/groups/"
                    + id
                    + "/lesson?pitch="
                    + s.get("what").asString().split(" ")[0].replace("#", "♯"))
                .get("rows")) {
          assertThat(asked)
              .as(sound)
              .contains(r.get("instrument").asString() + ": " + r.get("written").asString());
        }
      }
      assertThat(compared).as(name).isPositive();
    }
  }

  private static JsonNode named(JsonNode list, String field, String name) {
    for (JsonNode n : list) {
      if (n.get(field).asString().equals(name)) {
        return n;
      }
    }
    return null;
  }

  private static int people(JsonNode names) {
    return names.asString().isEmpty() ? 0 : names.asString().split(", | and ").length;
  }

  @Test
  public void oneKeyWritesDownEveryNoteOfTheItemAndSaysByWhom() {
    long check = begin(item("SCALE", "Bb major", 0));
    assertThat(grade(check, flute, 0, "SHAKY")).hasStatusOk();
    JsonNode record = get("/api/students/" + flute + "/heard");
    assertThat(record.get("marks")).hasSize(8);
    assertThat(record.get("heard").get(0).get("by").asString()).isEqualTo("Frau Mühl");
    assertThat(cell(check, flute, 0).get("grade").asString()).isEqualTo("SHAKY");
  }

  @Test
  public void aGradeForSomeNotesOfAScaleLeavesTheOthersSecure() {
    long check = begin(item("SCALE", "Bb major", 0));
    String body =
        "{\"studentId\":%d,\"item\":0,\"grade\":\"NOT_YET\",\"remark\":\"\",\"mark\":\"%s\",\"notes\":[\"%s\"]}";
    assertThat(post("/api/checks/" + check + "/grades", String.format(body, flute, "some", "Eb5")))
        .hasStatusOk();
    JsonNode marks = get("/api/students/" + flute + "/heard").get("marks");
    assertThat(marks).hasSize(8);
    marks.forEach(
        m ->
            assertThat(m.get("grade").asString())
                .isEqualTo(m.get("written").asString().equals("Eb5") ? "NOT_YET" : "SECURE"));
    assertThat(cell(check, flute, 0).get("grade").asString()).isEqualTo("NOT_YET");
    assertThat(post("/api/checks/" + check + "/grades", String.format(body, flute, "none", "C9")))
        .hasStatus(400);
    assertThat(post("/api/checks/" + check + "/undo", "{\"studentId\":" + flute + ",\"item\":0}"))
        .hasStatusOk();
    assertThat(get("/api/students/" + flute + "/heard").get("marks")).isEmpty();
  }

  @Test
  public void aPressThatIsSentTwiceIsWrittenDownOnce() {
    long check = begin(item("SOUND", "Bb4", 0));
    assertThat(grade(check, flute, 0, "SECURE", "same", "")).hasStatusOk();
    assertThat(grade(check, flute, 0, "SECURE", "same", "")).hasStatusOk();
    assertThat(heard(flute)).isEqualTo(1);
  }

  @Test
  public void aLaterGradeCountsAndUndoBringsTheEarlierBack() {
    long check = begin(item("SOUND", "Bb4", 0));
    grade(check, flute, 0, "NOT_YET");
    grade(check, flute, 0, "SECURE");
    assertThat(cell(check, flute, 0).get("grade").asString()).isEqualTo("SECURE");
    String undo = "{\"studentId\":" + flute + ",\"item\":0}";
    assertThat(body(post("/api/checks/" + check + "/undo", undo)).get("grade").asString())
        .isEqualTo("NOT_YET");
    assertThat(body(post("/api/checks/" + check + "/undo", undo)).get("grade").asString())
        .isEqualTo("OPEN");
    assertThat(heard(flute)).as("what was heard stays written down").isEqualTo(2);
    assertThat(get("/api/students/" + flute + "/heard").get("marks")).isEmpty();
  }

  @Test
  public void theAbsentAreSkippedUntilTheyAreMarked() {
    long check = begin(item("SOUND", "Bb4", 0));
    String is = "{\"studentId\":" + alto + ",\"absent\":true}";
    assertThat(post("/api/checks/" + check + "/absent", is)).hasStatus2xxSuccessful();
    assertThat(get("/api/checks/" + check).toString()).contains("\"absent\":true");
    grade(check, alto, 0, "SECURE");
    assertThat(get("/api/checks/" + check).toString()).doesNotContain("\"absent\":true");
  }

  @Test
  public void twoTeachersMarkAtTheSameTimeAndNothingIsLost() throws Exception {
    for (int i = 0; i < 8; i++) {
      player("Kid" + (char) ('A' + i), i % 2 == 0 ? "trumpet" : "clarinet");
    }
    long check = begin(item("SOUND", "Bb4", 0), item("SOUND", "C5", 0), item("SOUND", "D5", 0));
    List<Callable<Integer>> marks = new ArrayList<>();
    for (long s : students) {
      for (int i = 0; i < 3; i++) {
        int place = i;
        // both teachers mark every cell
        for (String by : List.of("One", "Two")) {
          marks.add(
              () ->
                  grade(check, s, place, "SECURE", by + s + "-" + place, by)
                      .getResponse()
                      .getStatus());
        }
      }
    }
    var pool = Executors.newFixedThreadPool(6);
    try {
      for (var f : pool.invokeAll(marks)) {
        assertThat(f.get()).isEqualTo(200);
      }
    } finally {
      pool.shutdown();
    }
    for (long s : students) {
      assertThat(heard(s)).isEqualTo(6);
      for (int i = 0; i < 3; i++) {
        assertThat(cell(check, s, i).get("grade").asString()).isEqualTo("SECURE");
      }
    }
  }

  @Test
  public void whatIsNeededNextIsSuggested() {
    long demo = 0;
    for (JsonNode g : get("/api/people").get("groups")) {
      demo = g.get("name").asString().equals("First-year band") ? g.get("id").asLong() : demo;
    }
    JsonNode list = get("/api/groups/" + demo + "/checks/suggested");
    assertThat(list).isNotEmpty();
    assertThat(list.toString())
        .as("A flat is new for everyone in Lantern Round")
        .contains("\"what\":\"Ab next\"")
        .contains("new for 12");
  }

  @DataProvider
  public Object[][] wrong() {
    return new Object[][] {
      {"", "choose what is asked"},
      {item("SOUND", "H4", 0), "H4"},
      {item("SCALE", "Bb lydian", 0), "major, minor, chromatic"},
      {item("BARS", "x", 1), "are no bars"},
      {item("BARS", "6-3", 1), "swap them"},
      {
        item("DANCE", "Bb4", 0), "‘dance’ is none of what there is: sound, scale, fingering or bars"
      },
    };
  }

  @Test(dataProvider = "wrong")
  public void whatCantBeAskedIsRefusedWithASentence(String items, String said) {
    MvcTestResult r = post("/api/groups/" + group + "/checks", "{\"items\":[" + items + "]}");
    assertThat(r).hasStatus(400);
    assertThat(body(r).get("detail").asString().toLowerCase(java.util.Locale.ROOT))
        .contains(said.toLowerCase(java.util.Locale.ROOT));
    assertThat(get("/api/groups/" + group + "/checks")).isEmpty();
  }

  @Test
  public void aFinishedCheckIsListedAndCanGoOn() {
    long check = begin(item("SOUND", "Bb", 0));
    assertThat(post("/api/checks/" + check + "/finish", "true")).hasStatus2xxSuccessful();
    JsonNode list = get("/api/groups/" + group + "/checks");
    assertThat(list.get(0).get("finished").asBoolean()).isTrue();
    assertThat(list.get(0).get("items").get(0).get("shown").asString()).isEqualTo("B♭");
    assertThat(post("/api/checks/" + check + "/finish", "false")).hasStatus2xxSuccessful();
    assertThat(get("/api/checks/" + check).get("finished").asBoolean()).isFalse();
    assertThat(mvc.get().uri("/api/checks/999999")).hasStatus(404);
  }

  private MvcTestResult sent(long check, String grade, String mark, String header, String value) {
    return mvc.post()
        .uri("/api/checks/" + check + "/grades")
        .header(header, value)
        .contentType(MediaType.APPLICATION_JSON)
        .content(
            "{\"studentId\":%d,\"item\":0,\"grade\":\"%s\",\"mark\":\"%s\"}"
                .formatted(flute, grade, mark))
        .exchange();
  }

  /** A grade that waited in a browser comes after a later one and is still the earlier one. */
  @Test
  public void theGradeThatWasPressedLastCounts() {
    long check = begin(item("SOUND", "Bb4", 0));
    assertThat(sent(check, "SECURE", "later", "Sempre-Age", "1000")).hasStatusOk();
    MvcTestResult waited = sent(check, "NOT_YET", "earlier", "Sempre-Age", "259200000");
    assertThat(body(waited).get("grade").asString()).isEqualTo("SECURE");
    JsonNode record = get("/api/students/" + flute + "/heard");
    assertThat(record.get("marks").get(0).get("grade").asString()).isEqualTo("SECURE");
    // three days ago, and not today
    assertThat(record.toString()).contains("3 days ago");
    // longer than two weeks is not believed
    MvcTestResult old = sent(check, "SHAKY", "old", "Sempre-Age", "9999999999");
    assertThat(body(old).get("grade").asString()).isEqualTo("SHAKY");
  }

  /** After a restore the same numbers are other students. */
  @Test
  public void aGradeForAnotherSchoolIsNotWrittenDown() {
    long check = begin(item("SOUND", "Bb4", 0));
    String own =
        mvc.get().uri("/api/checks/" + check).exchange().getResponse().getHeader("Sempre-School");
    assertThat(own).hasSize(36);
    assertThat(sent(check, "SECURE", "one", "Sempre-School", "another")).hasStatus(409);
    assertThat(get("/api/students/" + flute + "/heard").get("marks")).isEmpty();
    assertThat(sent(check, "SECURE", "one", "Sempre-School", own)).hasStatusOk();
  }
}
