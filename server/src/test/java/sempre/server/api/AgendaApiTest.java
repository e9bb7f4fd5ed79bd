package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A plan of practice up to the day on which a piece is due. */
public class AgendaApiTest extends DemoTestBase {
  private static final String EVERY_DAY =
      "[\"MONDAY\",\"TUESDAY\",\"WEDNESDAY\",\"THURSDAY\",\"FRIDAY\",\"SATURDAY\",\"SUNDAY\"]";

  private String path;
  private long student;

  @BeforeClass(dependsOnMethods = "fill")
  void everyDay() {
    student = student("Yuna");
    path = "/api/students/" + student + "/agenda";
    assertThat(put(path, days(20, EVERY_DAY, "[]"))).hasStatusOk();
  }

  private static String days(int minutes, String practice, String lessons) {
    return "{\"minutes\": %d, \"practice\": %s, \"lessons\": %s}"
        .formatted(minutes, practice, lessons);
  }

  private static List<String> tasks(JsonNode day) {
    List<String> all = new ArrayList<>();
    day.get("tasks").forEach(t -> all.add(t.get("kind").asString() + " " + t.get("bit").asInt()));
    return all;
  }

  /** Spray has six bits; bars 9 to 12, the last two of them, are given first. */
  @Test
  public void whatIsDueFirstIsPlannedFirstAndEachBitOnce() {
    JsonNode plan = get(path);
    assertThat(plan.get("said").asBoolean()).isTrue();
    assertThat(plan.get("session").asInt()).isEqualTo(10);
    JsonNode goals = plan.get("goals");
    assertThat(goals).hasSize(2);
    assertThat(goals.get(0).get("what").asString()).isEqualTo("bars 9–12, at 80");
    assertThat(goals.get(0).get("bits").asInt()).isEqualTo(2);
    assertThat(goals.get(1).get("bits").asInt()).isEqualTo(4);
    JsonNode days = plan.get("days");
    assertThat(days.get(0).get("day").asString()).isEqualTo(LocalDate.now().toString());
    assertThat(days.get(days.size() - 1).get("day").asString())
        .isEqualTo(LocalDate.now().plusWeeks(4).minusDays(1).toString());
    for (JsonNode d : days) {
      assertThat(tasks(d)).doesNotHaveDuplicates().hasSizeBetween(1, 2);
    }
    JsonNode first = days.get(0).get("tasks").get(0);
    assertThat(first.get("what").asString()).startsWith("bit ").contains("bars ");
    assertThat(first.get("why").asString()).isNotEmpty();
  }

  /** What is played today is done, and the day's plan stays as it was; it is not told as missed. */
  @Test(dependsOnMethods = "whatIsDueFirstIsPlannedFirstAndEachBitOnce")
  public void whatIsPlayedIsDoneAndTheDaysPlanStays() {
    JsonNode before = get(path).get("days").get(0);
    long piece = before.get("tasks").get(0).get("pieceId").asLong();
    int bit = before.get("tasks").get(0).get("bit").asInt();
    JsonNode notes =
        get("/api/stand/" + student + "/" + piece + "/practice").get("bits").get(bit).get("notes");
    MvcTestResult run =
        post(
            "/api/stand/" + student + "/" + piece + "/runs",
            """
            {"first": "%s", "last": "%s", "quarters": 40, "clean": true, "mark": "agenda"}
            """
                .formatted(notes.get(0).asString(), notes.get(notes.size() - 1).asString()));
    assertThat(run).hasStatusOk();
    JsonNode after = get(path).get("days").get(0);
    assertThat(tasks(after)).isEqualTo(tasks(before));
    assertThat(after.get("tasks").get(0).get("done").asBoolean()).isTrue();
    assertThat(before.get("tasks").get(0).get("done").asBoolean()).isFalse();
    // and what is taken back is not done
    JsonNode kept = body(run).get(bit).get("runs").get(0);
    String back = "/api/stand/" + student + "/" + piece + "/runs/" + kept.get("id").asLong();
    assertThat(mvc.delete().uri(back).exchange()).hasStatusOk();
    assertThat(get(path).get("days").get(0)).isEqualTo(before);
  }

  /** A holiday takes its days out of the plan, for one or for everyone; then they come back. */
  @Test(dependsOnMethods = "whatIsPlayedIsDoneAndTheDaysPlanStays")
  public void daysOffAreLeftOutUntilTheyAreTakenAway() {
    LocalDate off = LocalDate.now().plusDays(2);
    String body =
        "{\"first\": \"%s\", \"last\": \"%s\", \"name\": \"Trip\", \"everyone\": %s}"
            .formatted(off, off.plusDays(1), true);
    JsonNode with = body(post("/api/students/" + student + "/off", body));
    // sent twice it is there once, by the name it was given last
    post("/api/students/" + student + "/off", body.replace("Trip", "Travel"));
    with = body(post("/api/students/" + student + "/off", body));
    assertThat(with.get("off")).hasSize(1);
    for (int d = 2; d < 4; d++) {
      assertThat(with.get("days").get(d).get("tasks")).isEmpty();
      assertThat(with.get("days").get(d).get("off").asString()).isEqualTo("Trip");
    }
    // another student has them too
    JsonNode other = get("/api/students/" + student("Noor") + "/agenda");
    assertThat(other.get("off")).hasSize(1);
    assertThat(other.get("said").asBoolean()).isFalse();
    long id = with.get("off").get(0).get("id").asLong();
    MvcTestResult gone = mvc.delete().uri("/api/students/" + student + "/off/" + id).exchange();
    assertThat(body(gone).get("off")).isEmpty();
    assertThat(body(gone).get("days").get(2).get("tasks")).isNotEmpty();
    assertThat(mvc.delete().uri("/api/students/" + student + "/off/" + id).exchange())
        .hasStatus(404);
  }

  @Test
  public void whatNoPlanCanBeMadeOfGetsASentence() {
    DayOfWeek today = LocalDate.now().getDayOfWeek();
    refused(
        put(path, days(0, "[\"" + today + "\"]", "[]")), "Practise from 5 to 120 minutes a day.");
    refused(put(path, days(20, "[]", "[]")), "Choose at least one day of the week to practise on.");
    String off = "/api/students/" + student + "/off";
    refused(post(off, "{\"name\": \"Trip\"}"), "Choose a day.");
    LocalDate past = LocalDate.now().minusDays(3);
    MvcTestResult over = post(off, "{\"first\": \"%s\", \"last\": \"%s\"}".formatted(past, past));
    assertThat(over).hasStatus(400);
    assertThat(body(over).get("detail").asString()).contains("choose days that are still to come");
    MvcTestResult back =
        post(off, "{\"first\": \"%s\", \"last\": \"%s\"}".formatted(past.plusDays(9), past));
    assertThat(body(back).get("detail").asString()).contains("before they begin");
    // nothing of it was kept
    assertThat(get(path).get("minutes").asInt()).isEqualTo(20);
    assertThat(get(path).get("off")).isEmpty();
  }

  private void refused(MvcTestResult r, String sentence) {
    assertThat(r).hasStatus(400);
    assertThat(body(r).get("detail").asString()).isEqualTo(sentence);
  }

  /** The calendar holds each day with practice and each day on which something is due. */
  @Test(dependsOnMethods = "daysOffAreLeftOutUntilTheyAreTakenAway")
  public void theCalendarHasEachDay() {
    MvcTestResult r = mvc.get().uri(path + ".ics").exchange();
    assertThat(r).hasStatusOk();
    assertThat(r.getResponse().getContentType()).startsWith("text/calendar");
    String file =
        new String(r.getResponse().getContentAsByteArray(), StandardCharsets.UTF_8)
            .replace("\r\n ", "");
    long days = get(path).get("days").valueStream().filter(d -> !d.get("tasks").isEmpty()).count();
    assertThat(file.split("BEGIN:VEVENT")).hasSize((int) days + 2 + 1);
    // a calendar may belong to others: whose it is, is in it on wish only
    assertThat(file + r.getResponse().getHeader("Content-Disposition")).doesNotContain("Yuna");
    MvcTestResult named = mvc.get().uri(path + ".ics?named=true").exchange();
    assertThat(named.getResponse().getHeader("Content-Disposition")).contains("Yuna");
    assertThat(file)
        .contains("SUMMARY:20 minutes: Spray")
        .contains("SUMMARY:Due: Spray")
        .contains("UID:practice-" + student + "-" + LocalDate.now() + "@sempre");
  }

  /** Only who has a plan is told of; who has none is not. */
  @Test(dependsOnMethods = "theCalendarHasEachDay")
  public void todayTellsOfThoseWhoHaveAPlan() {
    JsonNode all = get("/api/agendas");
    assertThat(all).hasSize(1);
    assertThat(all.get(0).get("student").get("name").asString()).startsWith("Yuna");
    assertThat(all.get(0).get("day").get("tasks")).hasSize(2);
    assertThat(mvc.delete().uri(path).exchange()).hasStatusOk();
    assertThat(get("/api/agendas")).isEmpty();
    assertThat(get(path).get("said").asBoolean()).isFalse();
    // without days that were chosen those of the stage hold, all but Sunday
    assertThat(get(path).get("practice")).hasSize(6);
  }

  private MvcTestResult give(long student, long piece, String due) {
    return post(
        "/api/pieces/" + piece + "/assign",
        """
        {"groupId": 0, "studentId": %d, "section": "", "due": "%s", "sentence": "", "bars": "",
         "tempo": 0, "locked": false}
        """
            .formatted(student, due));
  }

  private static final String SILENCE =
      """
      <?xml version="1.0" encoding="UTF-8"?>
      <score-partwise version="4.0"><part-list><score-part id="P1"><part-name>Tuba</part-name>
      </score-part></part-list><part id="P1"><measure number="1"><attributes><divisions>1</divisions>
      <time><beats>4</beats><beat-type>4</beat-type></time><clef><sign>F</sign><line>4</line></clef>
      </attributes><note><rest/><duration>4</duration></note></measure></part></score-partwise>
      """;

  @Test
  public void whereNothingIsDueThatIsSaid() {
    MvcTestResult added =
        post(
            "/api/students",
            """
            {"givenName": "Odd", "initial": "Q", "instrument": "tuba", "options": {}, "avoid": [],
             "style": {}, "groups": []}
            """);
    assertThat(added).hasStatusOk();
    JsonNode plan = get("/api/students/" + body(added).get("id").asLong() + "/agenda");
    assertThat(plan.get("nothing").asString()).startsWith("Nothing is due after today");
    assertThat(plan.get("days")).isEmpty();

    // what was due gets a sentence; a piece without notes, on its way to the shelf
    long tuba = body(added).get("id").asLong();
    String past = LocalDate.now().minusDays(2).toString();
    assertThat(give(tuba, piece("Two Gulls"), past)).hasStatusOk();
    MvcTestResult silent =
        upload(
            "/api/pieces?title=Silence",
            "silence.musicxml",
            SILENCE.getBytes(StandardCharsets.UTF_8));
    assertThat(silent).hasStatus(400);
    assertThat(body(silent).get("detail").asString())
        .contains("No part of this file has notes with a pitch");
    JsonNode told = get("/api/students/" + tuba + "/agenda");
    assertThat(told.get("over").get(0).asString()).startsWith("Two Gulls was due on");
    assertThat(told.get("goals")).isEmpty();
    assertThat(mvc.delete().uri("/api/students/" + tuba + "?all=true").exchange()).hasStatusOk();
  }
}
