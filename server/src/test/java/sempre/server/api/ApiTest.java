package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What the interface asks, over the demo school. */
public class ApiTest extends DemoTestBase {
  @Test
  public void theDemoHasFourGroupsThirtyNineStudentsAndThreeBooks() {
    JsonNode today = get("/api/today");
    assertThat(today.get("groups")).hasSize(4);
    assertThat(get("/api/people").get("students")).hasSize(39);
    assertThat(get("/api/pieces")).hasSizeGreaterThanOrEqualTo(51);
    for (JsonNode g : today.get("groups")) {
      if (g.get("name").asString().equals("First-year band")) {
        assertThat(g.get("next").get(0).get("players")).hasSize(12);
      }
    }
  }

  /** What is given to a group is due on a day on which it meets. */
  @Test
  public void theDemosGroupsAreDueOnDaysOnWhichTheyMeet() {
    for (JsonNode g : get("/api/people").get("groups")) {
      List<String> days = new ArrayList<>();
      g.get("days").forEach(d -> days.add(d.asString()));
      for (JsonNode t : get("/api/today").get("groups")) {
        if (t.get("id").asLong() == g.get("id").asLong() && !days.isEmpty()) {
          for (JsonNode n : t.get("next")) {
            if (n.get("givenTo").asString().isEmpty()) {
              assertThat(days)
                  .as(g.get("name").asString())
                  .contains(
                      java.time.LocalDate.parse(n.get("due").asString()).getDayOfWeek().name());
            }
          }
        }
      }
    }
  }

  @Test
  public void anAddressThatLeadsNowhereIsAProblemUnderTheApiAndThePageElsewhere() {
    MvcTestResult api = mvc.get().uri("/api/nothing/here").exchange();
    assertThat(api).hasStatus(404);
    assertThat(api.getResponse().getContentType()).isEqualTo("application/problem+json");
    assertThat(body(api).get("detail").asString()).startsWith("There is nothing at this address");
    MvcTestResult page =
        mvc.get().uri("/nothing/here").header("Accept", "text/html,*/*").exchange();
    assertThat(page).hasStatus(404);
    boolean built = ApiTest.class.getResource("/static/index.html") != null;
    assertThat(page.getResponse().getContentType())
        .as("the interface's own page, where it is built")
        .startsWith(built ? "text/html" : "application/problem+json");
  }

  @Test
  public void aSecondPreparationAddsNothing() {
    int before = get("/api/pieces").size();
    demo.prepare();
    assertThat(get("/api/pieces").size()).isEqualTo(before);
  }

  @Test
  public void thePartComesWithItsPlanLanesAndIdsThatMatchThePage() {
    JsonNode stand = get("/api/stand/" + student("Noor") + "/" + piece("Half-Tide Rock"));
    assertThat(stand.get("lanes")).hasSize(9);
    for (JsonNode n : stand.get("plan").get("notes")) {
      assertThat(stand.get("xml").asString()).contains("id=\"" + n.get("id").asString() + "\"");
    }
  }

  @Test
  public void eachInstrumentReadsItsOwnPage() {
    long piece = piece("The Harbour Wall");
    assertThat(first(student("Noor"), piece)).isEqualTo("Bb4");
    assertThat(first(student("Ayşe"), piece)).isEqualTo("C4");
    assertThat(first(student("Mateo"), piece)).isEqualTo("G4");
    assertThat(first(student("Tomasz"), piece)).isEqualTo("Bb2");
  }

  private String first(long student, long piece) {
    return get("/api/stand/" + student + "/" + piece)
        .get("plan")
        .get("notes")
        .get(0)
        .get("written")
        .asString();
  }

  @Test
  public void whatIsHeardChangesTheStandingAndIsTakenBackByAFurtherEntry() throws Exception {
    long id = student("Ayşe");
    String heard = "/api/students/" + id + "/heard";
    int before = rows(id);
    MvcTestResult r =
        post(
            heard,
            "[{\"written\":\"A4\",\"fingering\":\"1 2\",\"grade\":\"SECURE\",\"pieceId\":"
                + piece("The Harbour Wall")
                + ",\"bars\":\"3\",\"remark\":\"first time\"}]");
    assertThat(r).hasStatusOk();
    long entry = body(r).get(0).asLong();
    assertThat(mark(heard, "A4")).isEqualTo("SECURE");
    assertThat(get(heard).get("heard").get(0).get("remark").asString()).isEqualTo("first time");
    assertThat(post(heard + "/undo", "{\"ids\":[" + entry + "]}")).hasStatusOk();
    assertThat(mark(heard, "A4")).isEmpty();
    assertThat(post(heard + "/undo", "{\"ids\":[" + entry + "]}")).hasStatusOk();
    assertThat(rows(id)).as("two entries were added, none changed").isEqualTo(before + 2);
  }

  private int rows(long student) {
    return db.inTransaction(tx -> tx.count("heard where student_id = ?", student));
  }

  private String mark(String heard, String note) {
    for (JsonNode m : get(heard).get("marks")) {
      if (m.get("written").asString().equals(note)) {
        return m.get("grade").asString();
      }
    }
    return "";
  }

  @DataProvider
  public Object[][] badChecks() {
    return new Object[][] {
      {
        "[{\"written\":\"A4\",\"fingering\":\"1 3\",\"grade\":\"SECURE\"}]",
        "has no fingering ‘1 3’"
      },
      {"[{\"written\":\"H4\",\"fingering\":\"1 2\",\"grade\":\"SECURE\"}]", "is not a note"},
    };
  }

  @Test(dataProvider = "badChecks")
  public void whatCantHaveBeenHeardIsRefused(String json, String said) {
    MvcTestResult r = post("/api/students/" + student("Ayşe") + "/heard", json);
    assertThat(r).hasStatus(400);
    assertThat(body(r).get("detail").asString()).contains(said);
  }

  @Test
  public void aFileIsShownBeforeItIsKeptAndComesBackAsItWas() throws Exception {
    byte[] file =
        ("<score-partwise><work><work-title>Test Tune</work-title></work><part-list><score-part id='P1'>"
                + "<part-name>Flute</part-name></score-part></part-list><part id='P1'><measure number='1'>"
                + "<note><pitch><step>G</step><octave>4</octave></pitch><duration>1</duration></note>"
                + "</measure></part></score-partwise>")
            .getBytes(StandardCharsets.UTF_8);
    int before = get("/api/pieces").size();
    MvcTestResult look = upload("/api/pieces/look", "tune.musicxml", file);
    assertThat(body(look).get("title").asString()).isEqualTo("Test Tune");
    assertThat(body(look).get("parts").get(0).get("range").asString()).isEqualTo("G4 to G4");
    assertThat(get("/api/pieces").size()).as("looking keeps nothing").isEqualTo(before);
    MvcTestResult kept = upload("/api/pieces?title=Test Tune", "tune.musicxml", file);
    long id = body(kept).get("id").asLong();
    assertThat(
            mvc.get()
                .uri("/api/pieces/" + id + "/file")
                .exchange()
                .getResponse()
                .getContentAsByteArray())
        .isEqualTo(file);
    assertThat(
            post(
                "/api/pieces/" + id + "/assign",
                "{\"groupId\":1,\"due\":\"2030-01-01\",\"sentence\":\"\"}"))
        .hasStatusOk();
    assertThat(mvc.put().uri("/api/removals/PIECE/" + id)).hasStatus2xxSuccessful();
    assertThat(mvc.get().uri("/api/stand/1/" + id)).hasStatus(404);
    assertThat(mvc.delete().uri("/api/removals/PIECE/" + id)).hasStatus2xxSuccessful();
    assertThat(mvc.get().uri("/api/stand/1/" + id)).hasStatusOk();
    assertThat(mvc.put().uri("/api/removals/PIECE/" + id)).hasStatus2xxSuccessful();
  }

  @Test
  public void aBadBarIsToldAndABadFileIsRefusedWithLineAndCause() {
    byte[] file =
        ("<score-partwise><part-list/><part id='P1'><measure number='7'><note><pitch><step>X</step>"
                + "<octave>4</octave></pitch></note></measure></part></score-partwise>")
            .getBytes(StandardCharsets.UTF_8);
    MvcTestResult r = upload("/api/pieces/look", "bad.xml", file);
    assertThat(r).hasStatusOk();
    assertThat(body(r).get("remarks").toString()).contains("bar 7").contains("‘X’ is not A to G");
    MvcTestResult cut = upload("/api/pieces/look", "cut.xml", Arrays.copyOf(file, 60));
    assertThat(cut).hasStatus(422);
    assertThat(body(cut).get("detail").asString())
        .contains("Line 1")
        .contains("ends in the middle");
  }

  @Test
  public void studentsAreSetUpCheckedChangedAndErasedForGood() {
    String bad = "{\"givenName\":\" \",\"initial\":\"X\",\"instrument\":\"flute\"}";
    MvcTestResult refused = post("/api/students", bad);
    assertThat(refused).hasStatus(400);
    assertThat(body(refused).get("detail").asString()).contains("first name");
    assertThat(post("/api/students", bad.replace("\" \"", "\"Ida\"").replace("flute", "kazoo")))
        .hasStatus(400);
    MvcTestResult r =
        post(
            "/api/students",
            "{\"givenName\":\"Ida\",\"initial\":\"Q.\",\"instrument\":\"flute\",\"options\":{\"foot\":\"B\"},"
                + "\"avoid\":[\"B\"],\"style\":{\"bFlat\":\"lever\"},\"groups\":[1]}");
    long id = body(r).get("id").asLong();
    MvcTestResult range =
        post("/api/students/" + id + "/heard/range", "{\"from\":\"G4\",\"to\":\"B4\"}");
    assertThat(body(range)).hasSize(5);
    assertThat(post("/api/students/" + id + "/heard/range", "{\"from\":\"B4\",\"to\":\"G4\"}"))
        .hasStatus(400);
    assertThat(rows(id)).isEqualTo(5);
    assertThat(
            put(
                "/api/students/" + id,
                "{\"givenName\":\"Ida\",\"initial\":\"Q\",\"instrument\":\"trumpet\",\"groups\":[]}"))
        .hasStatusOk();
    assertThat(mvc.delete().uri("/api/students/" + id)).hasStatusOk();
    assertThat(rows(id)).isZero();
    assertThat(mvc.get().uri("/api/students/" + id + "/heard")).hasStatus(404);
  }

  @Test
  public void aGroupNeedsANameOfItsOwn() {
    assertThat(post("/api/groups", "{\"name\":\"\"}")).hasStatus(400);
    MvcTestResult twice = post("/api/groups", "{\"name\":\"First-year band\"}");
    assertThat(twice).hasStatus(409);
    assertThat(body(twice).get("detail").asString()).contains("taken already");
  }

  @Test
  public void aDissolvedGroupComesBackWithItsStudentsAndPieces() {
    long id = group("Quay Concert Band");
    JsonNode before = get("/api/today").get("groups");
    assertThat(mvc.put().uri("/api/removals/GROUP/" + id)).hasStatus2xxSuccessful();
    assertThat(get("/api/today").get("groups")).hasSize(3);
    assertThat(mvc.delete().uri("/api/removals/GROUP/" + id)).hasStatus2xxSuccessful();
    assertThat(get("/api/today").get("groups")).isEqualTo(before);
  }

  @Test
  public void theHouseStyleReplansAndAWrongOneIsRefused() {
    String stand = "/api/stand/" + student("Linh") + "/" + piece("Low Water");
    assertThat(label(stand)).isEqualTo("thumb B flat");
    assertThat(put("/api/styles/flute/bFlat", "{\"school\":\"lever\"}")).hasStatusOk();
    assertThat(label(stand)).isEqualTo("side lever B flat");
    assertThat(put("/api/styles/flute/bFlat", "{\"school\":\"nose\"}")).hasStatus(400);
    assertThat(put("/api/styles/flute/bFlat", "{\"school\":\"thumb\"}")).hasStatusOk();
    assertThat(get("/api/styles").at("/flute/bFlat").asString()).isEqualTo("thumb");
    assertThat(put("/api/styles/flute/bFlat", "{\"school\":\"\"}")).hasStatusOk();
    assertThat(get("/api/styles").get("flute")).isEmpty();
    assertThat(put("/api/styles/flute/nose", "{\"school\":\"\"}")).hasStatus(400);
    assertThat(put("/api/styles/all/names", "{\"school\":\"\"}")).hasStatus(400);
  }

  private String label(String stand) {
    return get(stand).get("plan").get("notes").get(0).get("label").asString();
  }

  @Test
  public void manyTeachersMarkingAtOnceLoseNothing() throws Exception {
    long id = student("Saoirse");
    int before = rows(id);
    try (var pool = new Pool(4)) {
      pool.run(
          IntStream.range(0, 24)
              .<Callable<Integer>>mapToObj(
                  i ->
                      () ->
                          post(
                                  "/api/students/" + id + "/heard",
                                  "[{\"written\":\"C5\",\"fingering\":\"0\",\"grade\":\"SHAKY\"}]")
                              .getResponse()
                              .getStatus())
              .toList());
    }
    assertThat(rows(id)).isEqualTo(before + 24);
  }

  private record Pool(java.util.concurrent.ExecutorService service) implements AutoCloseable {
    Pool(int threads) {
      this(Executors.newFixedThreadPool(threads));
    }

    void run(java.util.List<Callable<Integer>> calls) throws Exception {
      for (var f : service.invokeAll(calls)) {
        assertThat(f.get()).isEqualTo(200);
      }
    }

    @Override
    public void close() {
      service.shutdown();
    }
  }

  /** What was kept before the hands were told apart counts for both, and is shown for review. */
  @Test
  public void aReachWithoutAHandIsShownUntilItIsSaid() {
    long mei = student("Mei");
    assertThat(personOf(mei).get("avoid").toString()).isEqualTo("[\"slv@R\"]");
    assertThat(personOf(mei).get("unsure")).isEmpty();
    db.inTransaction(tx -> tx.run("update student set avoid = 'slv' where id = ?", mei));
    JsonNode old = personOf(mei);
    assertThat(old.get("avoid").toString()).isEqualTo("[\"slv@L\",\"slv@R\"]");
    assertThat(old.get("unsure").toString()).isEqualTo("[\"slv@L\",\"slv@R\"]");
    assertThat(
            put(
                "/api/students/" + mei,
                "{\"givenName\":\"Mei\",\"initial\":\"L\",\"instrument\":\"clarinet\",\"options\":{},"
                    + "\"avoid\":[\"slv@R\"],\"style\":{},\"groups\":"
                    + old.get("groups")
                    + ",\"person\":"
                    + old.get("person").asLong()
                    + ",\"seat\":\"2\"}"))
        .hasStatusOk();
    assertThat(personOf(mei).get("unsure")).isEmpty();
  }

  private JsonNode personOf(long id) {
    for (JsonNode s : get("/api/people").get("students")) {
      if (s.get("id").asLong() == id) {
        return s;
      }
    }
    throw new AssertionError("no student " + id);
  }

  @Test
  public void anotherSiteIsKeptOut() {
    assertThat(
            mvc.post()
                .uri("/api/groups")
                .header("Origin", "http://elsewhere.example")
                .contentType(MediaType.APPLICATION_JSON)
                .content("{\"name\":\"X\"}"))
        .hasStatus(403);
    assertThat(mvc.get().uri("http://elsewhere.example/api/people")).hasStatus(403);
    assertThat(mvc.get().uri("/api/people"))
        .headers()
        .hasValue("X-Content-Type-Options", "nosniff");
  }

  /** What a request says of itself is not believed: the line it comes by tells where it is from. */
  @Test
  public void anotherMachineIsKeptOutWhateverItSays() {
    assertThat(
            mvc.get()
                .uri("/api/people")
                .header("Host", "localhost")
                .with(
                    r -> {
                      r.setRemoteAddr("192.0.2.2");
                      return r;
                    }))
        .hasStatus(403);
    for (String site : List.of("cross-site", "same-site")) {
      assertThat(mvc.get().uri("/api/backup").header("Sec-Fetch-Site", site)).hasStatus(403);
    }
    assertThat(mvc.get().uri("/api/people").header("Sec-Fetch-Site", "same-origin")).hasStatusOk();
    // a link or a bookmark elsewhere may still open the page
    assertThat(mvc.get().uri("/people").header("Sec-Fetch-Site", "cross-site")).hasStatusOk();
  }

  /** An answer of the API is data, whatever was brought; and refusals say as much as answers. */
  @Test
  public void everyAnswerSaysWhatABrowserMayDoWithIt() {
    for (String address :
        List.of("/api/people", "/api/nothing", "http://elsewhere.example/api/people")) {
      assertThat(mvc.get().uri(address))
          .headers()
          .hasValue(
              "Content-Security-Policy", "sandbox; default-src 'none'; frame-ancestors 'none'")
          .hasValue("Cross-Origin-Opener-Policy", "same-origin")
          .hasValue("Cross-Origin-Resource-Policy", "same-origin")
          .hasValue("Cache-Control", "no-store")
          .containsHeader("Permissions-Policy");
    }
    assertThat(mvc.get().uri("/people"))
        .headers()
        .hasHeaderSatisfying(
            "Content-Security-Policy",
            v -> assertThat(v.get(0)).contains("script-src 'self'", "frame-ancestors 'none'"));
  }

  @Test
  public void everyDemoExerciseIsPlannedForEveryStudent() {
    int i = 0;
    JsonNode pieces = get("/api/pieces");
    for (JsonNode s : get("/api/people").get("students")) {
      // every third piece for each, another third for the next
      for (int n = i++ % 3; n < pieces.size(); n += 3) {
        JsonNode p = pieces.get(n);
        if (!p.get("piece").get("book").asString().equals("Tidemarks")) {
          continue; // recorders and etudes are for one instrument
        }
        JsonNode plan =
            get("/api/stand/" + s.get("id").asLong() + "/" + p.get("piece").get("id").asLong())
                .get("plan");
        for (JsonNode m : plan.get("missing")) {
          // only the seventh position, which one small hand does not reach
          assertThat(s.get("avoid")).as(m.toString()).isNotEmpty();
          assertThat(m.get("sentence").asString()).startsWith("This hand reaches no fingering of ");
        }
        assertThat(plan.get("notes").size()).isPositive();
      }
    }
  }

  @Test
  public void aPartsAdviceNamesWhatIsHardWhatToTeachAndHowElseItGoes() {
    JsonNode a = get("/api/stand/5/" + piece("Fog Horn and Fiddle") + "/advice");
    assertThat(a.get("hardest")).hasSizeBetween(1, 5);
    JsonNode first = a.get("hardest").get(0);
    assertThat(first.get("practise").asString()).contains("to and fro", "round them");
    double last = 1;
    for (JsonNode h : a.get("hardest")) {
      assertThat(h.get("difficulty").asDouble()).isLessThanOrEqualTo(last);
      last = h.get("difficulty").asDouble();
    }
    JsonNode worth = a.get("worth").get(0);
    assertThat(worth.get("label").asString()).isEqualTo("one-and-one B flat");
    assertThat(worth.get("needed").asBoolean()).isTrue();
    assertThat(worth.get("bars").get(0).asString()).isEqualTo("5");
    assertThat(a.get("others").size()).isLessThanOrEqualTo(3);
    double extra = 0;
    for (JsonNode o : a.get("others")) {
      assertThat(o.get("extra").asDouble()).isGreaterThanOrEqualTo(extra);
      // one worse note is no other way through
      assertThat(o.get("changes")).hasSizeGreaterThan(1);
      extra = o.get("extra").asDouble();
    }
  }

  @Test
  public void aPartIsSavedWithItsFingerings() {
    String path = "/api/stand/5/" + piece("Fog Horn and Fiddle") + "/part.musicxml";
    MvcTestResult all = mvc.get().uri(path + "?which=all").exchange();
    assertThat(all).hasStatusOk();
    String said = all.getResponse().getHeader("Content-Disposition");
    assertThat(said).contains(".musicxml");
    assertThat(
            mvc.get()
                .uri(path + "?named=true")
                .exchange()
                .getResponse()
                .getHeader("Content-Disposition"))
        .as("a child's name only on wish")
        .hasSizeGreaterThan(said.length());
    MvcTestResult few = mvc.get().uri(path).exchange();
    long every = count(all, "<lyric ");
    long changed = count(few, "<lyric ");
    assertThat(changed).isPositive().isLessThan(every);
    assertThat(count(all, "<note ")).isEqualTo(count(few, "<note "));
    assertThat(parts(all)).as("the part alone").isEqualTo(1);
    assertThat(parts(mvc.get().uri(path + "?score=true").exchange())).isGreaterThan(1);
    MvcTestResult marks = mvc.get().uri(path + "?which=all&as=marks").exchange();
    assertThat(count(marks, "<lyric ")).isZero();
    assertThat(count(marks, "<hole>")).isPositive();
    assertThat(mvc.get().uri(path + "?which=some").exchange()).hasStatus(400);
    assertThat(mvc.get().uri(path + "?as=some").exchange()).hasStatus(400);
  }

  private static int parts(MvcTestResult r) {
    return sempre.formats.musicxml.MusicXmlReader.read(r.getResponse().getContentAsByteArray())
        .parts()
        .size();
  }

  private static long count(MvcTestResult r, String what) {
    String text = new String(r.getResponse().getContentAsByteArray(), StandardCharsets.UTF_8);
    return text.split(java.util.regex.Pattern.quote(what), -1).length - 1L;
  }
}
