package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A part in bits to practise; bars and notes are read off the pages. */
public class PracticeApiTest extends DemoTestBase {
  private static final Pattern ID = Pattern.compile("<note[^>]* id=\"([^\"]+)\"");

  private JsonNode practice(long student, long piece) {
    return get("/api/stand/" + student + "/" + piece + "/practice");
  }

  private static List<String> texts(JsonNode list) {
    List<String> all = new ArrayList<>();
    list.forEach(n -> all.add(n.asString()));
    return all;
  }

  private static List<String> ids(String xml) {
    List<String> all = new ArrayList<>();
    Matcher m = ID.matcher(xml);
    while (m.find()) {
      all.add(m.group(1));
    }
    return all;
  }

  /** Undertow comes in phrases of two bars, each with a half note at its end. */
  @Test
  public void anEtudeIsCutWhereItsPhrasesEnd() {
    JsonNode bits = practice(student("Noor"), piece("Undertow")).get("bits");
    List<String> bars = new ArrayList<>();
    bits.forEach(b -> bars.add(b.get("fromBar").asString() + "-" + b.get("toBar").asString()));
    assertThat(bars).containsExactly("1-2", "3-4", "5-6", "7-8", "9-11");
    assertThat(bits.get(0).get("end").asString()).isEqualTo("LONG_NOTE");
    JsonNode first = bits.get(0).get("catches").get(0);
    // from C to D all but one finger of the left hand and the whole right hand change over
    assertThat(first.get("shown").asString()).isEqualTo("C5 to D5");
    assertThat(first.get("sentence").asString()).contains("go down while others come up");
    assertThat(first.get("rounds").get(0).get("first").asInt()).isEqualTo(1);
    assertThat(first.get("rounds").get(0).get("last").asInt()).isEqualTo(2);
  }

  @Test
  public void everyNoteOfEveryStudentsPartIsInOneBitAndStandsOnItsPage() {
    int parts = 0;
    for (String name : List.of("Noor", "Mateo", "Ayşe", "Tomasz", "Ioane", "Nokomis")) {
      long student = student(name);
      for (String title : List.of("Undertow", "Quay Parade", "The Harbour Wall", "Spray")) {
        long piece = piece(title);
        Map<String, JsonNode> notes = new LinkedHashMap<>();
        get("/api/stand/" + student + "/" + piece + "/plan")
            .get("notes")
            .forEach(n -> notes.put(n.get("id").asString(), n));
        List<String> inBits = new ArrayList<>();
        for (JsonNode b : practice(student, piece).get("bits")) {
          List<String> own = texts(b.get("notes"));
          inBits.addAll(own);
          String landing = b.get("landing").asString();
          List<String> drawn = ids(b.get("xml").asString());
          assertThat(drawn).as(name + ", " + title).containsAll(own);
          if (!landing.isEmpty()) {
            assertThat(drawn).contains(landing);
          }
          assertThat(b.get("startPercent").asInt()).isBetween(35, 75);
          for (JsonNode led : b.get("led")) {
            JsonNode steps = led.get("steps");
            JsonNode last = steps.get(steps.size() - 1);
            JsonNode note = notes.get(led.get("noteId").asString());
            // the last step is the note, fingered as on the page and sounding alike
            assertThat(last.get("written").asString()).isEqualTo(note.get("written").asString());
            assertThat(last.get("fingering").asString())
                .isEqualTo(note.get("fingering").asString());
            assertThat(last.get("soundingMidi").asInt())
                .isEqualTo(note.get("soundingMidi").asInt());
          }
        }
        assertThat(inBits).containsExactlyElementsOf(notes.keySet());
        parts++;
      }
    }
    assertThat(parts).isEqualTo(24);
  }

  /** The break of a clarinet: the page of the bit begins in the second bar, with clef and key. */
  @Test
  public void aBitHasClefAndKeyThoughItsBarsSayNone() {
    String xml =
        practice(student("Noor"), piece("Undertow")).get("bits").get(1).get("xml").asString();
    assertThat(xml).contains("<fifths>-2</fifths>").contains("<sign>G</sign>");
    assertThat(xml).contains("<time print-object=\"no\">");
    assertThat(xml)
        .contains("number=\"3\"")
        .contains("number=\"4\"")
        .doesNotContain("number=\"5\"");
  }

  @Test
  public void aPartWithoutNotesThatCanBePractisedSaysSo() {
    assertThat(mvc.get().uri("/api/stand/" + student("Noor") + "/999999/practice").exchange())
        .hasStatus(404);
  }

  private static String run(JsonNode bit, int quarters, boolean clean, String mark) {
    JsonNode notes = bit.get("notes");
    return """
        {"first": "%s", "last": "%s", "quarters": %d, "clean": %s, "mark": "%s"}
        """
        .formatted(
            notes.get(0).asString(), notes.get(notes.size() - 1).asString(), quarters, clean, mark);
  }

  /** Spray for a trombone: three clean runs are a step, one sent twice counts once. */
  @Test
  public void cleanRunsLeadUpTheLadderAndMayBeTakenBack() {
    long student = student("Tomasz");
    long piece = piece("Spray");
    JsonNode bit = practice(student, piece).get("bits").get(1);
    JsonNode before = bit.get("ladder");
    int now = before.get("now").asInt();
    int full = before.get("full").asInt();
    assertThat(now).isEqualTo(before.get("start").asInt());
    assertThat(before.get("goal").asInt()).isEqualTo((int) Math.rint(full * 0.75));
    String path = "/api/stand/" + student + "/" + piece + "/runs";
    for (int i : new int[] {1, 2, 2}) {
      assertThat(post(path, run(bit, now, true, "spray-" + i))).hasStatusOk();
    }
    JsonNode two = practice(student, piece).get("bits").get(1).get("ladder");
    assertThat(two.get("clean").asInt()).isEqualTo(2);
    assertThat(two.get("now").asInt()).isEqualTo(now);
    JsonNode three = body(post(path, run(bit, now, true, "spray-3"))).get(1);
    assertThat(three.get("secured").asInt()).isEqualTo(now);
    assertThat(three.get("now").asInt()).isGreaterThan(now);
    // the other bits are where they were
    assertThat(practice(student, piece).get("bits").get(0).get("ladder").get("runs")).isEmpty();

    long last = three.get("runs").get(2).get("id").asLong();
    assertThat(mvc.delete().uri(path + "/" + last).exchange()).hasStatusOk();
    JsonNode back = practice(student, piece).get("bits").get(1).get("ladder");
    assertThat(back.get("now").asInt()).isEqualTo(now);
    assertThat(back.get("secured").asInt()).isZero();
    var again = mvc.delete().uri(path + "/" + last).exchange();
    assertThat(again).hasStatus(404);
  }

  @Test
  public void aRunThatCannotBeIsRefusedInASentence() {
    long student = student("Noor");
    long piece = piece("Undertow");
    JsonNode bit = practice(student, piece).get("bits").get(0);
    String path = "/api/stand/" + student + "/" + piece + "/runs";
    assertThat(post(path, run(bit, 0, true, "x1"))).hasStatus(400);
    String other = run(bit, 60, true, "x2").replace(bit.get("notes").get(0).asString(), "n-99999");
    var gone = post(path, other);
    assertThat(gone).hasStatus(404);
    assertThat(gone).bodyText().contains("open it again");
  }

  private void house(String name, String school) {
    assertThat(put("/api/styles/all/" + name, "{\"school\": \"" + school + "\"}")).hasStatusOk();
  }

  /** The teacher's rule: one clean run, and a tenth of the tempo quicker. */
  @Test
  public void theRuleIsTheTeachersOrTheStudents() {
    long student = student("Ioane");
    long piece = piece("Spray");
    JsonNode bit = practice(student, piece).get("bits").get(0);
    int now = bit.get("ladder").get("now").asInt();
    int full = bit.get("ladder").get("full").asInt();
    assertThat(bit.get("ladder").get("needed").asInt()).isEqualTo(3);
    house("runs", "runs-1");
    house("step", "step-10");
    try {
      String path = "/api/stand/" + student + "/" + piece + "/runs";
      JsonNode one = body(post(path, run(bit, now, true, "rule-1"))).get(0);
      assertThat(one.get("needed").asInt()).isEqualTo(1);
      assertThat(one.get("now").asInt())
          .isEqualTo(Math.min(one.get("goal").asInt(), now + (int) Math.rint(full * 0.1)));
    } finally {
      house("runs", "runs-3");
      house("step", "step-5");
    }
  }

  private static String bar(JsonNode starts, int n) {
    return starts.get("cuts").get(starts.get("order").get(n).asInt()).get("bar").asString();
  }

  /** Two who say the same number start in the same bars; a bar leads to the end of its phrase. */
  @Test
  public void placesToStartAtAreDrawnWithANumber() {
    long noor = student("Noor");
    long piece = piece("Undertow");
    String path = "/api/stand/" + noor + "/" + piece + "/starts?seed=";
    JsonNode drawn = get(path + 417);
    assertThat(get(path + 417)).isEqualTo(drawn);
    assertThat(get(path + 418).get("order")).isNotEqualTo(drawn.get("order"));
    assertThat(drawn.get("order").size()).isEqualTo(6);
    assertThat(drawn.get("cuts").size()).isEqualTo(11);
    JsonNode third = drawn.get("cuts").get(2);
    assertThat(third.get("bar").asString()).isEqualTo("3");
    assertThat(third.get("bit").asInt()).isEqualTo(1);
    JsonNode bit = practice(noor, piece).get("bits").get(1).get("notes");
    assertThat(third.get("first").asString()).isEqualTo(bit.get(0).asString());
    assertThat(third.get("last").asString()).isEqualTo(bit.get(bit.size() - 1).asString());
    // a trumpet of the same band hears the same number
    JsonNode trumpet = get("/api/stand/" + student("Ayşe") + "/" + piece + "/starts?seed=417");
    for (int i = 0; i < 6; i++) {
      assertThat(bar(trumpet, i)).isEqualTo(bar(drawn, i));
    }
    // where nobody said one, one is proposed
    assertThat(get(path + "417&propose=true").get("seed").asInt()).isBetween(100, 999);
    assertThat(mvc.get().uri(path + "aloud").exchange()).hasStatus(400);
  }

  /** Who practised says so where everyone's part is listed; the others say nothing. */
  @Test
  public void theTeacherSeesHowFarEachIsWithWhatIsGiven() {
    long student = student("Yuna");
    JsonNode given = body(mvc.get().uri("/api/stand/" + student + "/" + piece("Spray")).exchange());
    long assignment = given.get("given").get(0).get("assignmentId").asLong();
    String parts = "/api/assignments/" + assignment;
    assertThat(get(parts).get("parts").get(0).get("practice").asString()).isEmpty();
    JsonNode bits = practice(student, piece("Spray")).get("bits");
    JsonNode last = bits.get(bits.size() - 1);
    int full = last.get("ladder").get("full").asInt();
    String path = "/api/stand/" + student + "/" + piece("Spray") + "/runs";
    for (int i = 0; i < 3; i++) {
      post(path, run(last, full, true, "yuna-" + i));
    }
    assertThat(get(parts).get("parts").get(0).get("practice").asString())
        .isEqualTo("1 of 2 bits clean at the tempo");
  }
}
