package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.zip.ZipInputStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.core.score.Note;
import sempre.formats.musicxml.MusicXmlReader;
import tools.jackson.databind.JsonNode;

/** Giving a piece, and what becomes of it for each player. */
public class AssignmentsApiTest extends DemoTestBase {
  private String body(
      long group, long student, String section, String bars, int tempo, boolean locked) {
    return "{\"groupId\":"
        + group
        + ",\"studentId\":"
        + student
        + ",\"section\":\""
        + section
        + "\",\"due\":\""
        + LocalDate.now().plusDays(5)
        + "\",\"sentence\":\"Slow first.\",\"bars\":\""
        + bars
        + "\",\"tempo\":"
        + tempo
        + ",\"locked\":"
        + locked
        + "}";
  }

  private long give(long piece, String body) {
    return body(post("/api/pieces/" + piece + "/assign", body)).get("id").asLong();
  }

  private void takeBack(long id) {
    assertThat(mvc.put().uri("/api/removals/ASSIGNMENT/" + id)).hasStatus2xxSuccessful();
  }

  private static String clarinet(String id, String step, int octave) {
    return "<part id='"
        + id
        + "'><measure number='1'><attributes><divisions>1</divisions><transpose><diatonic>-1"
        + "</diatonic><chromatic>-2</chromatic></transpose></attributes><note><pitch><step>"
        + step
        + "</step><octave>"
        + octave
        + "</octave></pitch><duration>4</duration></note></measure></part>";
  }

  /** A piece of two parts, the first with G4 and the second with E4; its id. */
  private long twoClarinets(String title, String called) {
    String file =
        "<score-partwise version='4.0'><part-list><score-part id='A'><part-name>"
            + called
            + "1</part-name></score-part><score-part id='B'><part-name>"
            + called
            + "2</part-name></score-part></part-list>"
            + clarinet("A", "G", 4)
            + clarinet("B", "E", 4)
            + "</score-partwise>";
    return body(upload(
            "/api/pieces?title=" + title, "two.musicxml", file.getBytes(StandardCharsets.UTF_8)))
        .get("id")
        .asLong();
  }

  /** The first seat reads the first part, the second the second, and the sheet says which it is. */
  @Test
  public void partsOfAnInstrumentGoToTheSeatsOfItsSection() {
    long piece = twoClarinets("Two Clarinets", "Clarinet ");
    for (String[] of :
        new String[][] {{"Hana", "Clarinet 1", "G4"}, {"Bilal", "Clarinet 2", "E4"}}) {
      String stand = "/api/stand/" + student(of[0]) + "/" + piece;
      assertThat(get(stand).get("plan").get("notes").get(0).get("written").asString())
          .isEqualTo(of[2]);
      assertThat(get(stand + "/sheet").get("remark").asString())
          .isEqualTo("Your part: " + of[1] + ".");
      assertThat(
              mvc.get()
                  .uri(stand + "/part.musicxml?named=true")
                  .exchange()
                  .getResponse()
                  .getHeader("Content-Disposition"))
          .contains("Two%20Clarinets%20-%20" + of[1].replace(" ", "%20") + "%20-%20" + of[0]);
    }
    assertThat(mvc.put().uri("/api/removals/PIECE/" + piece)).hasStatus2xxSuccessful();
  }

  /** Hana sits before Bilal; what they play is what is said. */
  @Test
  public void whoPlaysTheSecondPartReadsItAndIsGivenIt() {
    long piece = piece("Two Boats");
    long group = group("First-year band");
    long[] clarinets = {student("Hana"), student("Bilal")};
    long two = twoClarinets("Two Parts", "Clarinet in Bb ");
    parts(group, clarinets, 2, 1);
    try {
      assertThat(written(clarinets[0], two)).isEqualTo("E4");
      assertThat(written(clarinets[1], two)).isEqualTo("G4");
      JsonNode given =
          get("/api/assignments/" + give(piece, body(group, 0, "clarinet 2", "", 0, false)));
      assertThat(given.get("parts")).hasSize(1);
      assertThat(given.get("parts").get(0).get("student").get("id").asLong())
          .isEqualTo(clarinets[0]);
      assertThat(given.get("parts").get(0).get("student").get("plays").asString())
          .isEqualTo("Clarinet 2");
      assertThat(given.get("givenTo").asString()).isEqualTo("First-year band, clarinet 2");
      takeBack(given.get("id").asLong());
      assertThat(
              post("/api/pieces/" + piece + "/assign", body(group, 0, "clarinet 3", "", 0, false)))
          .as("nobody plays it")
          .hasStatus(400);
      assertThat(put("/api/groups/" + group + "/parts", "{\"parts\":{\"" + clarinets[0] + "\":7}}"))
          .hasStatus(400);
      // without a part the seats count again
      parts(group, clarinets, 0, 0);
      assertThat(written(clarinets[0], two)).isEqualTo("G4");
    } finally {
      parts(group, clarinets, 1, 2);
      mvc.put().uri("/api/removals/PIECE/" + two).exchange();
    }
  }

  private String written(long student, long piece) {
    return get("/api/stand/" + student + "/" + piece)
        .get("plan")
        .get("notes")
        .get(0)
        .get("written")
        .asString();
  }

  private void parts(long group, long[] students, int first, int second) {
    assertThat(
            put(
                "/api/groups/" + group + "/parts",
                "{\"parts\":{\""
                    + students[0]
                    + "\":"
                    + first
                    + ",\""
                    + students[1]
                    + "\":"
                    + second
                    + "}}"))
        .hasStatusOk();
  }

  @Test
  public void everyoneInTheGroupGetsTheOwnPart() throws Exception {
    long piece = piece("Two Boats");
    long id = give(piece, body(group("Quay Concert Band"), 0, "", "", 0, false));
    JsonNode a = get("/api/assignments/" + id);
    assertThat(a.get("parts")).hasSize(17);
    Set<Long> students = new HashSet<>();
    a.get("parts").forEach(p -> students.add(p.get("student").get("id").asLong()));
    assertThat(students).hasSize(17);
    // one file each, all sounding together: every part as long as the others
    byte[] zip =
        mvc.get()
            .uri("/api/assignments/" + id + "/parts.zip?which=all")
            .exchange()
            .getResponse()
            .getContentAsByteArray();
    List<String> files = new ArrayList<>();
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
      for (var e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
        files.add(e.getName());
        // a player of bars has no fingering to be written in
        boolean fingered = !e.getName().contains("Mallet");
        List<Note> notes =
            MusicXmlReader.read(in.readAllBytes()).parts().stream()
                .flatMap(p -> p.topLine().stream())
                .filter(l -> l.notes().stream().anyMatch(n -> n.printed().isEmpty() != fingered))
                .findFirst()
                .orElseThrow()
                .notes();
        assertThat(notes)
            .as(e.getName())
            .allSatisfy(n -> assertThat(n.printed().isEmpty()).isEqualTo(!fingered));
        assertThat(notes.get(notes.size() - 1).end()).isEqualTo(32.0);
      }
    }
    assertThat(files)
        .hasSize(17)
        .doesNotHaveDuplicates()
        .contains("Two Boats - Oboe.musicxml")
        // a file name goes wherever the file goes
        .noneMatch(f -> f.contains("Olu"));
    byte[] named =
        mvc.get()
            .uri("/api/assignments/" + id + "/parts.zip?named=true")
            .exchange()
            .getResponse()
            .getContentAsByteArray();
    assertThat(new String(named, StandardCharsets.ISO_8859_1))
        .containsPattern("Two Boats - Oboe - Olu \\w+\\.musicxml");
    // all of them in one score, those who play the same from one staff
    byte[] score =
        mvc.get()
            .uri("/api/assignments/" + id + "/score.musicxml")
            .exchange()
            .getResponse()
            .getContentAsByteArray();
    List<String> staves =
        MusicXmlReader.read(score).parts().stream().map(sempre.core.score.Part::name).toList();
    assertThat(staves).anyMatch(n -> n.matches("Oboe \\(Olu .*\\)")).doesNotContain("Oboe");
    assertThat(
            staves.stream().filter(n -> n.endsWith(")")).mapToInt(n -> n.split(", ").length).sum())
        .as("everyone has a place")
        .isEqualTo(17);
    takeBack(id);
    assertThat(mvc.get().uri("/api/assignments/" + id)).hasStatus(404);
  }

  @Test
  public void aSectionIsThoseWhoPlayTheInstrumentAndOneStudentIsOne() {
    long piece = piece("Cormorant");
    long section = give(piece, body(group("Quay Concert Band"), 0, "clarinet", "1-4", 72, false));
    JsonNode a = get("/api/assignments/" + section);
    assertThat(a.get("givenTo").asString()).isEqualTo("Quay Concert Band, clarinet");
    assertThat(a.get("what").asString()).isEqualTo("bars 1–4, at 72");
    a.get("parts")
        .forEach(
            p -> assertThat(p.get("student").get("instrument").asString()).isEqualTo("clarinet"));
    assertThat(a.get("parts")).hasSize(2);
    long one = give(piece, body(0, student("Linh"), "", "", 0, false));
    assertThat(get("/api/assignments/" + one).get("parts")).hasSize(1);
    // each finds it on the stand, and nobody else does
    assertThat(get("/api/stand/" + student("Rafael") + "/" + piece).get("given")).hasSize(1);
    assertThat(get("/api/stand/" + student("Linh") + "/" + piece).get("given")).hasSize(1);
    assertThat(get("/api/stand/" + student("Kwame") + "/" + piece).get("given")).isEmpty();
    takeBack(section);
    takeBack(one);
  }

  @Test
  public void onlyTheBarsThatAreGivenCount() {
    long piece = piece("Fog Horn and Fiddle");
    long student = student("Saoirse");
    long all = give(piece, body(0, student, "", "", 0, false));
    long some = give(piece, body(0, student, "", "1-2", 0, false));
    int lackingAll = get("/api/assignments/" + all).get("parts").get(0).get("lacking").size();
    int lackingSome = get("/api/assignments/" + some).get("parts").get(0).get("lacking").size();
    assertThat(lackingSome).isLessThan(lackingAll);
    takeBack(all);
    takeBack(some);
  }

  @Test
  public void whatIsLockedStaysWhenTheStudentLearnsAndIsLetGoAgain() {
    long piece = piece("Signal Lamp");
    long student = student("Dmitri");
    String plan = "/api/stand/" + student + "/" + piece + "/plan";
    JsonNode before = get(plan).get("notes");
    long id = give(piece, body(0, student, "", "1-4", 0, true));
    int locked = 0;
    for (JsonNode n : get(plan).get("notes")) {
      assertThat(n.get("locked").asBoolean()).isEqualTo(n.get("bar").asInt() < 4);
      locked += n.get("locked").asBoolean() ? 1 : 0;
    }
    assertThat(locked).isPositive();
    for (int i = 0; i < before.size(); i++) {
      assertThat(get(plan).get("notes").get(i).get("fingering"))
          .isEqualTo(before.get(i).get("fingering"));
    }
    JsonNode open = body(put("/api/assignments/" + id + "/locked", "{\"locked\":false}"));
    assertThat(open.get("locked").asBoolean()).isFalse();
    get(plan).get("notes").forEach(n -> assertThat(n.get("locked").asBoolean()).isFalse());
    takeBack(id);
  }

  @Test
  public void whatTheTeacherChoseBeforeIsNotLetGoWithTheLock() {
    long piece = piece("Signal Lamp");
    long student = student("Dmitri");
    String plan = "/api/stand/" + student + "/" + piece + "/plan";
    JsonNode note = get(plan).get("notes").get(0);
    String own =
        "{\"noteId\":\""
            + note.get("id").asString()
            + "\",\"fingering\":\""
            + note.get("fingering").asString()
            + "\",\"where\":\"NOTE\",\"section\":false}";
    assertThat(post("/api/stand/" + student + "/" + piece + "/choices", own)).hasStatusOk();
    long id = give(piece, body(0, student, "", "", 0, true));
    assertThat(put("/api/assignments/" + id + "/locked", "{\"locked\":false}")).hasStatusOk();
    assertThat(get(plan).get("notes").get(0).get("locked").asBoolean()).isTrue();
    assertThat(get(plan).get("notes").get(1).get("locked").asBoolean()).isFalse();
    for (int i = 0; i < 3; i++) {
      post("/api/stand/" + student + "/" + piece + "/choices/undo", "");
    }
    takeBack(id);
  }

  @Test
  public void whatIsGivenAgainOrTakenBackLetsGoWhatItHadLocked() {
    long piece = piece("Signal Lamp");
    long student = student("Luca");
    String plan = "/api/stand/" + student + "/" + piece + "/plan";
    give(piece, body(0, student, "", "", 0, true));
    long again = give(piece, body(0, student, "", "", 0, false));
    get(plan).get("notes").forEach(n -> assertThat(n.get("locked").asBoolean()).isFalse());
    assertThat(put("/api/assignments/" + again + "/locked", "{\"locked\":true}")).hasStatusOk();
    get(plan).get("notes").forEach(n -> assertThat(n.get("locked").asBoolean()).isTrue());
    takeBack(again);
    get(plan).get("notes").forEach(n -> assertThat(n.get("locked").asBoolean()).isFalse());
    assertThat(mvc.put().uri("/api/removals/ASSIGNMENT/" + again)).hasStatus(404);
  }

  @DataProvider
  public Object[][] wrong() {
    return new Object[][] {
      {1, "", "40-50", 0, "no bar 40"},
      {1, "", "6-2", 0, "runs backwards"},
      {1, "", "here", 0, "no bar here"},
      {1, "oboe", "", 0, "obody in this group"},
      {1, "", "", 5, "20 to 300"},
      {1, "", "", 900, "20 to 300"},
    };
  }

  @Test(dataProvider = "wrong")
  public void whatCannotBeGivenIsRefusedWithASentence(
      int group, String section, String bars, int tempo, String says) {
    var r =
        post(
            "/api/pieces/" + piece("Ebb") + "/assign", body(group, 0, section, bars, tempo, false));
    assertThat(r).hasStatus(400);
    assertThat(body(r).get("detail").asString()).contains(says);
  }

  @Test
  public void twoTeachersWhoGiveTheSameAtOnceGiveItOnce() throws Exception {
    long piece = piece("Ebb");
    String body = body(group("Quay Concert Band"), 0, "", "", 0, true);
    ExecutorService two = Executors.newFixedThreadPool(2);
    Callable<Integer> give =
        () -> post("/api/pieces/" + piece + "/assign", body).getResponse().getStatus();
    List<Future<Integer>> done = two.invokeAll(List.of(give, give, give, give));
    two.shutdown();
    for (Future<Integer> f : done) {
      assertThat(f.get()).isEqualTo(200);
    }
    List<Long> ids = new ArrayList<>();
    for (JsonNode g : get("/api/today").get("groups")) {
      for (JsonNode n : g.get("next")) {
        if (n.get("piece").get("id").asLong() == piece) {
          ids.add(n.get("assignmentId").asLong());
        }
      }
    }
    assertThat(ids).hasSize(1);
    put("/api/assignments/" + ids.get(0) + "/locked", "{\"locked\":false}");
    takeBack(ids.get(0));
  }
}
