package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import sempre.server.ServerTestBase;
import sempre.server.demo.DemoSchool;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The tables of the instruments, and what a teacher changes of them, over HTTP and H2. */
public class NotesApiTest extends ServerTestBase {
  private static final JsonMapper MAPPER = new JsonMapper();

  @Autowired private DemoSchool demo;
  @Autowired private sempre.server.store.Db db;

  @BeforeClass
  void fill() throws Exception {
    springTestContextPrepareTestInstance();
    demo.prepare();
  }

  @AfterMethod(alwaysRun = true)
  void asItWas() {
    for (String id : new String[] {"flute", "trumpet"}) {
      yaml(id, "instrument: " + id);
    }
  }

  private JsonNode body(MvcTestResult r) {
    return MAPPER.readTree(
        new String(r.getResponse().getContentAsByteArray(), StandardCharsets.UTF_8));
  }

  private JsonNode get(String path, Object... values) {
    MvcTestResult r = mvc.get().uri(path, values).exchange();
    assertThat(r).as(path).hasStatusOk();
    return body(r);
  }

  private MvcTestResult yaml(String instrument, String text) {
    return mvc.put()
        .uri("/api/notes/" + instrument + "/own.yaml")
        .contentType(MediaType.TEXT_PLAIN)
        .content(text)
        .exchange();
  }

  private MvcTestResult own(String note, String fingering, String label) {
    return mvc.post()
        .uri("/api/notes/flute/own")
        .contentType(MediaType.APPLICATION_JSON)
        .content(
            """
            {"note": "%s", "fingering": "%s", "role": "alternate", "label": "%s",
             "words": "the harbour", "remark": "covered and dark"}"""
                .formatted(note, fingering, label))
        .exchange();
  }

  private MvcTestResult choose(
      String note, String fingering, boolean hidden, boolean house, String words) {
    return mvc.put()
        .uri("/api/notes/flute/choices")
        .contentType(MediaType.APPLICATION_JSON)
        .content(
            """
            {"note": "%s", "fingering": "%s", "hidden": %s, "house": %s, "words": "%s"}"""
                .formatted(note, fingering, hidden, house, words))
        .exchange();
  }

  private JsonNode note(String instrument, String written) {
    for (JsonNode n : get("/api/notes/" + instrument).get("notes")) {
      if (n.get("written").asString().equals(written)) {
        return n;
      }
    }
    throw new AssertionError(written);
  }

  private JsonNode way(String instrument, String written, String fingering) {
    for (JsonNode w : note(instrument, written).get("ways")) {
      if (w.get("fingering").asString().equals(fingering)) {
        return w;
      }
    }
    throw new AssertionError(written + " " + fingering);
  }

  @Test
  public void everyInstrumentsTableCanBeRead() {
    for (JsonNode i : get("/api/instruments")) {
      JsonNode table = get("/api/notes/" + i.get("id").asString());
      assertThat(table.get("notes")).hasSizeGreaterThan(20);
      assertThat(table.get("stages")).hasSize(3);
      for (JsonNode n : table.get("notes")) {
        assertThat(n.get("ways")).as(i.get("id") + " " + n.get("written")).isNotEmpty();
      }
    }
  }

  @Test
  public void aTableFollowsTheOptions() {
    JsonNode c = get("/api/notes/tuba?set=pitch=CC");
    assertThat(c.get("notes").get(0).get("written").asString()).isEqualTo("C1");
    assertThat(get("/api/notes/tuba").get("notes").get(0).get("written").asString())
        .isEqualTo("Bb0");
    assertThat(mvc.get().uri("/api/notes/tuba?set=pitch=Z").exchange()).hasStatus(400);
    assertThat(mvc.get().uri("/api/notes/kazoo").exchange()).hasStatus(400);
  }

  @Test
  public void twoFingeringsAreCompared() {
    JsonNode m =
        get(
            "/api/notes/flute/move?fromNote=Ab5&from={a}&toNote=Bb5&to={b}",
            "T 1 2 3 G# | Eb",
            "T 1 | 1 Eb");
    assertThat(m.get("down").get(0).asString()).isEqualTo("right first finger");
    assertThat(m.get("up")).hasSize(3);
    assertThat(m.get("contrary").asBoolean()).isTrue();
    assertThat(m.get("slips").toString()).contains("B5");
  }

  @Test
  public void theSameNoteTwoWaysSaysWhatChangesInPitch() {
    JsonNode m = get("/api/notes/trumpet/move?fromNote=A4&from={a}&toNote=A4&to=3", "1 2");
    assertThat(m.get("pitch").asString()).isEqualTo("The same note, the second 11 cents lower.");
  }

  @Test
  public void troubleAndANewNoteAreAnswered() {
    JsonNode causes = get("/api/notes/trumpet/trouble?expected=Bb4&heard=F4");
    assertThat(causes.get(0).get("text").asString()).contains("too slack");
    assertThat(mvc.get().uri("/api/notes/trumpet/trouble?expected=Bb4&heard=Bb4").exchange())
        .hasStatus(400);
    JsonNode band = get("/api/newnote?pitch=Ab4&stage=SCHOOL");
    assertThat(band).hasSize(35);
    assertThat(mvc.get().uri("/api/newnote?pitch=H4&stage=SCHOOL").exchange()).hasStatus(400);
  }

  @Test
  public void anOwnFingeringIsAddedPlannedAndTakenOut() {
    MvcTestResult added = own("A4", "T 1 2 | 3 Eb", "covered A");
    assertThat(added).hasStatusOk();
    assertThat(body(added).get("doubt").asString()).isEmpty();
    JsonNode w = way("flute", "A4", "T 1 2 | 3 Eb");
    assertThat(w.get("own").asBoolean()).isTrue();
    assertThat(w.get("words").asString()).isEqualTo("the harbour");
    assertThat(choose("A4", "T 1 2 | 3 Eb", false, true, "the harbour")).hasStatus2xxSuccessful();
    assertThat(standPlan().toString()).contains("covered A, \u201cthe harbour\u201d");
    long id =
        body(mvc.get().uri("/api/notes/flute/own?note=A4&fingering={f}", "T 1 2 | 3 Eb").exchange())
            .get("id")
            .asLong();
    assertThat(mvc.put().uri("/api/removals/FINGERING/" + id)).hasStatus2xxSuccessful();
    assertThat(standPlan().toString()).doesNotContain("covered A");
    assertThat(note("flute", "A4").get("ways")).hasSize(1);
  }

  /** The demo's first flute reads a piece with an A4 in it. */
  private JsonNode standPlan() {
    for (JsonNode p : get("/api/pieces")) {
      long piece = p.get("piece").get("id").asLong();
      MvcTestResult r = mvc.get().uri("/api/stand/1/" + piece).exchange();
      if (r.getResponse().getStatus() == 200
          && body(r).get("plan").toString().contains("\"written\":\"A4\"")) {
        return body(r).get("plan");
      }
    }
    throw new AssertionError("no piece with an A4");
  }

  @Test
  public void badFingeringsAreRefusedWithASentence() {
    MvcTestResult r = own("A4", "T 1 2 | 9", "nine");
    assertThat(r).hasStatus(400);
    assertThat(body(r).get("detail").asString()).contains("There is no ‘9’ on the right");
    assertThat(own("A4", "T 1 2 | Eb", "again")).hasStatus(400);
    assertThat(own("A4", "T 1 2 | 3 Eb", "")).hasStatus(400);
    assertThat(own("A4", "T 1 3 | Eb", "fork")).hasStatusOk();
    assertThat(own("A4", "T 1 3 | Eb", "fork")).hasStatus(400);
    assertThat(choose("A4", "T | 2", true, false, "")).hasStatus(404);
  }

  @Test
  public void hidingCanBeUndoneAndTheLastFingeringStays() {
    assertThat(choose("Bb4", "T 1 | Bb Eb", true, false, "")).hasStatus2xxSuccessful();
    assertThat(way("flute", "Bb4", "T 1 | Bb Eb").get("hidden").asBoolean()).isTrue();
    assertThat(get("/api/notes/flute").get("changed").asBoolean()).isTrue();
    assertThat(choose("Bb4", "T 1 | Bb Eb", false, false, "")).hasStatus2xxSuccessful();
    assertThat(get("/api/notes/flute").get("changed").asBoolean()).isFalse();
    MvcTestResult last = choose("A4", "T 1 2 | Eb", true, false, "");
    assertThat(last).hasStatus(400);
    assertThat(body(last).get("detail").asString()).contains("the last fingering");
  }

  @Test
  public void theHousesStandardMovesFromOneToAnother() {
    assertThat(choose("Bb4", "Tb 1 | Eb", false, true, "")).hasStatus2xxSuccessful();
    assertThat(choose("A#4", "T 1 | Bb Eb", false, true, "")).hasStatus2xxSuccessful();
    assertThat(way("flute", "Bb4", "Tb 1 | Eb").get("house").asBoolean()).isFalse();
    assertThat(note("flute", "Bb4").get("ways").get(0).get("fingering").asString())
        .isEqualTo("T 1 | Bb Eb");
    assertThat(way("flute", "Bb4", "T 1 | 1 Eb").get("role").asString()).isEqualTo("ALTERNATE");
  }

  @Test
  public void whatIsKeptInAFileComesBack() {
    own("A4", "T 1 2 | 3 Eb", "covered A");
    choose("Bb4", "T 1 | Bb Eb", true, false, "");
    MvcTestResult file = mvc.get().uri("/api/notes/flute/own.yaml").exchange();
    String text = new String(file.getResponse().getContentAsByteArray(), StandardCharsets.UTF_8);
    assertThat(text).contains("instrument: flute", "covered A", "the harbour");
    assertThat(yaml("flute", "instrument: flute")).hasStatus2xxSuccessful();
    assertThat(get("/api/notes/flute").get("changed").asBoolean()).isFalse();
    assertThat(yaml("flute", text)).hasStatus2xxSuccessful();
    assertThat(way("flute", "A4", "T 1 2 | 3 Eb").get("words").asString()).isEqualTo("the harbour");
    assertThat(way("flute", "Bb4", "T 1 | Bb Eb").get("hidden").asBoolean()).isTrue();
    MvcTestResult bad =
        yaml("flute", "instrument: flute\nhidden: [{note: A4, fingering: \"T |\"}]");
    assertThat(bad).hasStatus(422);
    assertThat(body(bad).get("detail").asString()).contains("A4 has no fingering ‘T |’");
    assertThat(way("flute", "Bb4", "T 1 | Bb Eb").get("hidden").asBoolean())
        .as("a refused file changes nothing")
        .isTrue();
  }

  /** A lock on a fingering that is hidden afterwards must not keep the part from opening. */
  @Test
  public void aLockOnWhatIsHiddenIsPassedOver() {
    JsonNode plan = standPlan();
    String id = "";
    for (JsonNode n : plan.get("notes")) {
      if (n.get("written").asString().equals("A4")) {
        id = n.get("id").asString();
      }
    }
    own("A4", "T 1 2 | 3 Eb", "covered A");
    long piece = 0;
    for (JsonNode p : get("/api/pieces")) {
      long candidate = p.get("piece").get("id").asLong();
      MvcTestResult r =
          mvc.post()
              .uri("/api/stand/1/" + candidate + "/choices")
              .contentType(MediaType.APPLICATION_JSON)
              .content(
                  "{\"noteId\": \""
                      + id
                      + "\", \"fingering\": \"T 1 2 | 3 Eb\", \"where\": \"NOTE\","
                      + " \"section\": false}")
              .exchange();
      if (r.getResponse().getStatus() == 200) {
        piece = candidate;
        break;
      }
    }
    assertThat(piece).isPositive();
    assertThat(choose("A4", "T 1 2 | 3 Eb", true, false, "")).hasStatus2xxSuccessful();
    JsonNode again = get("/api/stand/1/" + piece + "/plan");
    assertThat(again.toString()).doesNotContain("T 1 2 | 3 Eb");
  }

  @Test
  public void aRuleIsToldWithItsCircumstance() {
    assertThat(way("flute", "Bb4", "Tb 1 | Eb").get("rules").toString())
        .contains("take it in a key with flats: ", "never next to B4 or B5: ");
    assertThat(way("bassoon", "F#2", "w 1 2 3 | 1 2 3 fF#").get("rules").toString())
        .contains("take it next to B♭2 or B♭3: ");
  }

  @Test
  public void aTableSaysWhichNotesAreMissingAndWhy() {
    JsonNode gaps = get("/api/notes/recorder-soprano").get("gaps");
    assertThat(gaps.get(0).get("shown").asString()).isEqualTo("C♯6");
    assertThat(gaps.get(0).get("because").asString()).contains("bell closed");
    assertThat(get("/api/notes/oboe").get("gaps")).isEmpty();
    assertThat(get("/api/notes/oboe?set=lowBb=false").get("gaps")).hasSize(1);
    MvcTestResult r =
        mvc.get()
            .uri("/api/notes/recorder-soprano/trouble?expected={n}&heard=C6", "C#6")
            .exchange();
    assertThat(r).hasStatus(400);
    assertThat(body(r).get("detail").asString())
        .startsWith("C♯6 is not there: it speaks only with");
  }

  /** As when a later catalogue has the fingering itself, or a key is called otherwise. */
  @Test
  public void anOwnFingeringThatNoLongerFitsDoesNotKeepAPageFromOpening() {
    String insert =
        "insert into own_fingering (instrument, written, midi, fingering, role, label)"
            + " values ('flute', ?, ?, ?, 'ALTERNATE', 'old')";
    int rows =
        db.inTransaction(
            tx ->
                tx.run(insert, "A4", 69, "T 1 2 | Eb") + tx.run(insert, "A4", 69, "T 1 2 | knee"));
    assertThat(rows).isEqualTo(2);
    assertThat(note("flute", "A4").get("ways")).hasSize(1);
    assertThat(standPlan().get("notes")).isNotEmpty();
    assertThat(mvc.get().uri("/api/today").exchange()).hasStatusOk();
  }

  @Test
  public void writtenAndSoundingNamesAndTimesComeWithEachNote() {
    JsonNode notes = standPlan().get("notes");
    double last = -1;
    for (JsonNode n : notes) {
      assertThat(n.get("at").asDouble()).isGreaterThan(last);
      last = n.get("at").asDouble();
      assertThat(n.get("soundingMidi").asInt())
          .as("a flute")
          .isEqualTo(n.get("writtenMidi").asInt());
      assertThat(n.get("quarter").asDouble()).isPositive();
    }
    assertThat(notes.get(0).get("at").asDouble()).isNotNegative();
  }

  @Test
  public void theTrillsOfANoteGoToBothNeighboursAbove() {
    JsonNode c = get("/api/notes/flute/trills?lower=C5");
    assertThat(c).hasSize(2);
    JsonNode whole = c.get(1).get(0);
    assertThat(whole.get("upper").get("written").asString()).isEqualTo("D5");
    assertThat(whole.get("quality").asString()).isEqualTo("GOOD");
    assertThat(whole.get("moving")).hasSize(1);
    assertThat(whole.get("moving").get(0).get("name").asString()).contains("first trill key");
    assertThat(whole.get("moving").get(0).get("lower").asBoolean()).isFalse();
    assertThat(whole.get("moving").get(0).get("upper").asBoolean()).isTrue();
    JsonNode none = get("/api/notes/oboe/trills?lower=D6").get(1).get(0);
    assertThat(none.get("quality").asString()).isEqualTo("NONE");
    assertThat(none.get("words").asString()).contains("no good trill", "slow turns");
    assertThat(get("/api/notes/flute/trills?lower=C7")).as("nothing lies above").isEmpty();
  }

  /** Half a thumb hole is meant, not the whole one: that must be closed there. */
  @Test
  public void whatMustNotBeHeldIsNamedAsItIsHeld() {
    JsonNode recorder = get("/api/notes/recorder-soprano").get("wrong").get(0);
    assertThat(recorder.get("controls").asString()).isEqualTo("half of the thumb hole");
    JsonNode bassoon = get("/api/notes/bassoon").get("wrong").get(0);
    assertThat(bassoon.get("controls").asString()).isEqualTo("the whisper key");
    assertThat(get("/api/notes/clarinet").get("free").get(0).get("controls").asString())
        .isEqualTo("the fourth hole, the fifth hole and the sixth hole");
  }
}
