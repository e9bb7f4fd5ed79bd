package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** One concert pitch for a whole group. */
public class LessonApiTest extends DemoTestBase {
  /** Common practice, no source: the unison example of the trade. */
  @Test
  public void everyoneOfTheGroupHasTheOwnNoteAndNobodyElseIsThere() {
    JsonNode l = get("/api/groups/" + group("First-year band") + "/lesson?pitch=Ab");
    assertThat(l.get("shown").asString()).isEqualTo("A♭");
    Set<String> written = new HashSet<>();
    int students = 0;
    for (JsonNode r : l.get("rows")) {
      written.add(
          r.get("instrument").asString() + " " + r.get("shown").asString().replaceAll("\\d", ""));
      students += r.get("students").size();
      assertThat(r.get("compared").asString()).isNotEmpty();
      assertThat(r.get("air").asString()).isNotEmpty();
      assertThat(r.get("keys")).isNotEmpty();
    }
    assertThat(written)
        .containsExactlyInAnyOrder(
            "flute A♭",
            "clarinet B♭",
            "alto-sax F",
            "tenor-sax B♭",
            "trumpet B♭",
            "horn E♭",
            "trombone A♭",
            "euphonium A♭");
    assertThat(students + l.get("without").size()).isEqualTo(12);
  }

  @Test
  public void eachIsComparedWithANoteOfTheOwn() {
    JsonNode l = get("/api/groups/" + group("Quay Concert Band") + "/lesson?pitch=Gb");
    for (JsonNode r : l.get("rows")) {
      String compared = r.get("compared").asString();
      if (!r.get("fingering").asString().equals("-")) {
        assertThat(compared).matches("(As for|The same as for) .*");
      }
      assertThat(r.get("mistakes")).isNotEmpty();
      r.get("mistakes").forEach(m -> assertThat(m.get("mend").asString()).isNotEmpty());
    }
  }

  @Test
  public void theNoteIsTaughtInTheOctaveInWhichTheNextPieceBringsIt() {
    // Linh has F sharp in the lower octave; what is given next brings the upper one
    String named = "";
    for (JsonNode r :
        get("/api/groups/" + group("Quay Concert Band") + "/lesson?pitch=Gb").get("rows")) {
      for (JsonNode s : r.get("students")) {
        named = s.asString().equals("Linh P.") ? r.get("shown").asString() : named;
      }
    }
    assertThat(named).isEqualTo("F♯5");
  }

  /** A typed octave counts for everyone; whom it leads beyond the stage is told. */
  @Test
  public void aTypedOctaveThatLeadsBeyondTheStageIsTold() {
    List<String> beyond = new ArrayList<>();
    for (JsonNode r :
        get("/api/groups/" + group("Quay Concert Band") + "/lesson?pitch=Ab4").get("rows")) {
      if (r.get("octave").get("beyond").asBoolean()) {
        assertThat(r.get("octave").get("why").asString()).isEqualTo("SAID");
        beyond.add(r.get("instrument").asString() + " " + r.get("written").asString());
      }
    }
    // in the bass clef school goes to F4 or G4; the tuba has no A flat 4 and is moved into its
    // school range
    assertThat(beyond).containsExactlyInAnyOrder("bassoon Ab4", "euphonium Ab4", "trombone Ab4");
  }

  @Test
  public void aPitchThatIsNoneIsRefused() {
    String path = "/api/groups/" + group("First-year band") + "/lesson?pitch=";
    assertThat(mvc.get().uri(path + "H")).hasStatus(400);
    assertThat(mvc.get().uri("/api/groups/9999/lesson?pitch=Bb4")).hasStatus(404);
  }

  /** D flat and C sharp are one pitch; a school that prefers flats has D flat on every page. */
  @Test
  public void onePitchHasOneNameOnTheMapInTheLessonAndInTests() {
    String band = "/api/groups/" + group("Quay Concert Band");
    try {
      for (String way : List.of("usual", "flats", "sharps")) {
        assertThat(put("/api/styles/all/chromatic", "{\"school\":\"" + way + "\"}")).hasStatusOk();
        String name = way.equals("flats") ? "D♭" : "C♯";
        assertThat(get(band + "/lesson?pitch=Db").get("shown").asString()).isEqualTo(name);
        assertThat(get(band + "/lesson?pitch=C♯").get("shown").asString()).isEqualTo(name);
        List<String> map = new ArrayList<>();
        get(band + "/map").get("notes").forEach(n -> map.add(n.get("shown").asString()));
        assertThat(map).contains(name).hasSize(12);
        String flute = "";
        for (JsonNode r : get(band + "/lesson?pitch=Db").get("rows")) {
          flute =
              r.get("instrument").asString().equals("flute") ? r.get("shown").asString() : flute;
        }
        assertThat(flute).startsWith(name);
        List<String> own = new ArrayList<>();
        get(band + "/map?instrument=flute")
            .get("notes")
            .forEach(n -> own.add(n.get("shown").asString()));
        assertThat(own).contains(flute);
      }
    } finally {
      assertThat(put("/api/styles/all/chromatic", "{\"school\":\"usual\"}")).hasStatusOk();
    }
  }
}
