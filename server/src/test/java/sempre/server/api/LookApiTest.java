package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What is on the shelf, looked at before it is given; the figures are read off the pages. */
public class LookApiTest extends DemoTestBase {
  private JsonNode row(JsonNode look, String instrument) {
    for (JsonNode r : look.get("rows")) {
      if (r.get("instrument").asString().equals(instrument)) {
        return r;
      }
    }
    throw new AssertionError(instrument);
  }

  @Test
  public void aPieceIsToldByLengthKeyAndRangeAsItSounds() {
    long gulls = piece("Two Gulls");
    for (JsonNode f : get("/api/pieces/facts")) {
      if (f.get("id").asLong() == gulls) {
        assertThat(f.get("bars").asInt()).isEqualTo(8);
        assertThat(f.get("key").asString()).isEqualTo("2 flats");
        // from the trombone's lowest note to the flute's highest
        assertThat(f.get("range").asString()).isEqualTo("B♭2 to F5");
        return;
      }
    }
    throw new AssertionError("not there");
  }

  @Test
  public void everyInstrumentOfAGroupSaysHowItReadsAPiece() {
    JsonNode look =
        get("/api/pieces/" + piece("Two Gulls") + "/readings?group=" + group("First-year band"));
    assertThat(row(look, "flute").get("key").asString()).isEqualTo("2 flats");
    assertThat(row(look, "clarinet").get("range").asString()).isEqualTo("C4 to G4");
    assertThat(row(look, "alto-sax").get("key").asString()).isEqualTo("one sharp");
    assertThat(row(look, "horn").get("remark").asString()).contains("Alto Sax");
    assertThat(row(look, "horn").get("beyond").asInt()).isZero();
    for (JsonNode r : look.get("rows")) {
      assertThat(r.get("hard")).hasSize(8);
      assertThat(r.get("bars")).hasSize(8);
      r.get("hard").forEach(h -> assertThat(h.asDouble()).isBetween(0.0, 1.0));
    }
  }

  @Test
  public void aStudentsNotesAreToldWeekByWeekAndEndWithWhatIsThereNow() {
    long noor = student("Noor");
    JsonNode weeks = get("/api/students/" + noor + "/growth");
    assertThat(weeks.size()).isGreaterThan(2);
    JsonNode last = weeks.get(weeks.size() - 1);
    int secure = 0;
    for (JsonNode n : get("/api/students/" + noor + "/map").get("notes")) {
      secure += n.get("state").asString().equals("SECURE") ? 1 : 0;
    }
    // the map also says what fades, which was secure once
    assertThat(last.get("secure").asInt()).isGreaterThanOrEqualTo(secure).isPositive();
  }

  @Test
  public void aGroupsNotesOverTheWeeksAreThoseOfItsStudentsAddedUp() {
    long group = group("First-year band");
    int sum = 0;
    int asked = 0;
    int players = 0;
    for (JsonNode s : get("/api/people").get("students")) {
      for (JsonNode g : s.get("groups")) {
        if (g.asLong() == group && s.get("instrument").asString().equals("clarinet")) {
          JsonNode weeks = get("/api/students/" + s.get("id").asLong() + "/growth");
          sum += weeks.get(weeks.size() - 1).get("secure").asInt();
          for (JsonNode w : weeks) {
            asked += w.get("asked").asInt();
          }
          players++;
        }
      }
    }
    JsonNode together = get("/api/groups/" + group + "/growth?instrument=clarinet");
    assertThat(together.get("players").asInt()).isEqualTo(players).isGreaterThan(1);
    JsonNode weeks = together.get("weeks");
    assertThat(weeks.get(weeks.size() - 1).get("secure").asInt()).isEqualTo(sum);
    int marks = 0;
    for (JsonNode w : weeks) {
      marks += w.get("asked").asInt();
    }
    assertThat(marks).isEqualTo(asked).isPositive();
  }

  /** Read off the pages: concert B flat, C and D, then E flat, for a clarinet a step higher. */
  @Test
  public void aBookTellsWhichNotesAreNewExerciseByExercise() {
    JsonNode book = get("/api/book?name=Tidemarks&instrument=clarinet");
    assertThat(book.get(0).get("piece").get("title").asString())
        .isEqualTo("First Light on the Slip");
    assertThat(book.get(0).get("fresh").toString()).isEqualTo("[\"C4\",\"D4\",\"E4\"]");
    assertThat(book.get(1).get("fresh").toString()).isEqualTo("[\"F4\"]");
    assertThat(book.get(1).get("soFar").asInt()).isEqualTo(4);
    assertThat(mvc.get().uri("/api/book?name=Nothing&instrument=clarinet").exchange())
        .hasStatus(404);
  }

  @Test
  public void aSheetSaysHowFarThePlayerSoundsFromTheFlutes() {
    long rock = piece("Half-Tide Rock");
    assertThat(get("/api/stand/" + student("Mei") + "/" + rock + "/sheet").get("remark").asString())
        .isEqualTo("Sounds an octave lower than ‘Flute’.");
  }

  @Test
  public void whatLiesBeyondTheStageIsCounted() {
    JsonNode look =
        get("/api/pieces/" + piece("Spray") + "/readings?group=" + group("First-year band"));
    // up to A6, and the first years of the flute end before
    assertThat(row(look, "flute").get("beyond").asInt()).isPositive();
  }

  @Test
  public void aPageIsEngravedAsTheInstrumentReadsIt() {
    String xml =
        get("/api/pieces/" + piece("Two Gulls") + "/readings/alto-sax").get("xml").asString();
    assertThat(xml).contains("<fifths>1</fifths>").doesNotContain("<fifths>-2</fifths>");
  }

  @Test
  public void theBandsScaleStandsInEachKey() {
    JsonNode scale = get("/api/scale?concert=Bb&kind=MAJOR&group=" + group("First-year band"));
    assertThat(scale.get("group").asString()).isEqualTo("First-year band");
    for (JsonNode r : scale.get("rows")) {
      assertThat(r.get("notes")).hasSize(8);
      if (r.get("id").asString().equals("alto-sax")) {
        assertThat(r.get("notes").get(0).get("written").asString()).isEqualTo("G4");
      }
    }
  }

  @Test
  public void aStarterBookIsOnTheDemosShelfAlreadyAndComesOnce() {
    for (JsonNode b : get("/api/starters")) {
      assertThat(b.get("missing").asInt()).isZero();
      assertThat(b.get("pieces").asInt()).isPositive();
    }
    int before = get("/api/pieces").size();
    assertThat(post("/api/starters", "{\"book\":\"Pebbles\"}")).hasStatusOk();
    assertThat(get("/api/pieces").size()).isEqualTo(before);
    assertThat(post("/api/starters", "{\"book\":\"Nothing\"}")).hasStatus(400);
  }
}
