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
}
