package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;
import sempre.core.making.Exercise;
import sempre.core.making.Rhythm;
import sempre.core.material.About;
import sempre.core.material.Study;
import sempre.core.score.Note;
import sempre.server.app.Materials;
import tools.jackson.databind.JsonNode;

/** What is made from a part is music like any other. */
public class MaterialApiTest extends DemoTestBase {
  @Autowired private Materials materials;

  private JsonNode material(long student, long piece) {
    return get("/api/stand/" + student + "/" + piece + "/material");
  }

  private long kept(String path) {
    return body(post(path, "")).get("id").asLong();
  }

  private static JsonNode study(JsonNode material, String id) {
    for (JsonNode s : material.get("studies")) {
      if (s.get("id").asString().equals(id)) {
        return s;
      }
    }
    throw new AssertionError(id);
  }

  /**
   * What was made is what is read off the page: pitches, lengths, slurs, places, and the fingers.
   */
  @Test
  public void everyExerciseOfEveryStudentReadsAsItWasMade() {
    int read = 0;
    Set<Class<?>> kinds = new HashSet<>();
    for (String name : List.of("Noor", "Mateo", "Ayşe", "Tomasz", "Ioane", "Nokomis")) {
      for (String title : List.of("Undertow", "Spray")) {
        Materials.Made all = materials.made(student(name), piece(title));
        for (Study s : all.studies()) {
          Materials.Written w = materials.written(all, s.id());
          String where = name + ", " + title + ", " + s.id();
          List<Note> notes = w.page().line().notes();
          List<Exercise.Tone> tones = s.music().tones();
          assertThat(notes.stream().map(Note::pitch).toList())
              .as(where)
              .isEqualTo(tones.stream().map(Exercise.Tone::pitch).toList());
          List<Note> made = s.line().notes();
          double first = notes.get(0).onset() - made.get(0).onset();
          for (int i = 0; i < notes.size(); i++) {
            assertThat(notes.get(i).quarters() * Rhythm.QUARTER)
                .as(where + " " + i)
                .isCloseTo(tones.get(i).ticks(), org.assertj.core.data.Offset.offset(0.01));
            assertThat(notes.get(i).slurToNext()).as(where).isEqualTo(tones.get(i).slurs());
            assertThat(notes.get(i).onset() - made.get(i).onset())
                .as(where + " " + i)
                .isCloseTo(first, org.assertj.core.data.Offset.offset(0.01));
          }
          assertThat(w.page().plan().notes()).as(where).hasSameSizeAs(notes);
          notes.forEach(n -> assertThat(w.page().xml()).contains("id=\"" + n.id() + "\""));
          assertThat(w.page().xml()).doesNotContain("metronome");
          s.fingered()
              .forEach(
                  (i, f) ->
                      assertThat(w.page().plan().notes().get(i).way().bare().text())
                          .as(where)
                          .isEqualTo(f));
          kinds.add(s.about().getClass());
          read++;
        }
      }
    }
    assertThat(read).isGreaterThan(300);
    assertThat(kinds)
        .contains(
            About.Scale.class,
            About.Chromatic.class,
            About.Alternate.class,
            About.Passage.class,
            About.LongNotes.class,
            About.Registers.class,
            About.Partials.class);
  }

  @Test
  public void thePassagesAreThoseOfTheBits() {
    long noor = student("Noor");
    JsonNode m = material(noor, piece("Undertow"));
    List<String> bits = new ArrayList<>();
    m.get("bits")
        .forEach(b -> bits.add(b.get("fromBar").asString() + "-" + b.get("toBar").asString()));
    assertThat(bits).containsExactly("1-2", "3-4", "5-6", "7-8", "9-11");
    assertThat(study(m, "bit-2-BACKWARDS").get("bit").asInt()).isEqualTo(2);
    assertThat(study(m, "bit-2-BACKWARDS").get("title").asString())
        .isEqualTo("backwards, in eighths");
    assertThat(m.get("caution").asString()).contains("doctor");
  }

  /** On the shelf it is planned, drawn and printed as what came in a file; once however often. */
  @Test
  public void anExerciseOnTheShelfIsAPieceWithTheFingeringItIsFor() {
    long noor = student("Noor");
    long undertow = piece("Undertow");
    JsonNode alternate = null;
    for (JsonNode s : material(noor, undertow).get("studies")) {
      alternate = s.get("group").asString().equals("ALTERNATES") ? s : alternate;
    }
    String path =
        "/api/stand/" + noor + "/" + undertow + "/material/" + alternate.get("id").asString();
    long id = kept(path);
    assertThat(kept(path)).isEqualTo(id);
    JsonNode stand = get("/api/stand/" + noor + "/" + id);
    assertThat(stand.get("piece").get("title").asString())
        .isEqualTo("Undertow: " + alternate.get("title").asString());
    List<String> locked = new ArrayList<>();
    List<String> wanted = new ArrayList<>();
    stand
        .get("plan")
        .get("notes")
        .forEach(
            n -> {
              if (n.get("locked").asBoolean()) {
                locked.add(n.get("fingering").asString());
              }
            });
    Study study =
        materials.made(noor, undertow).studies().stream()
            .filter(s -> path.endsWith("/" + s.id()))
            .findFirst()
            .orElseThrow();
    wanted.addAll(study.fingered().values());
    assertThat(locked).hasSameSizeAs(wanted).containsOnly(wanted.get(0));
  }

  @Test
  public void anExerciseThatIsNotMadeAnyMoreSaysWhatToDo() {
    var answer =
        mvc.get()
            .uri("/api/stand/" + student("Noor") + "/" + piece("Undertow") + "/material/bit-99-X")
            .exchange();
    assertThat(answer).hasStatus(404);
    assertThat(answer).bodyText().contains("open the list again");
  }
}
