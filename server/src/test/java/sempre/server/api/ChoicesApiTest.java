package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What a teacher keeps on the stand, how far it reaches, and how it is taken back. */
public class ChoicesApiTest extends DemoTestBase {
  private static final String SIDE = "1 2 | sBb";
  private static final String BIS = "1 bis |";
  private static final String ONE_AND_ONE = "1 | 1";

  private final List<Long> players = new ArrayList<>();
  private int bands;
  private long group;
  private long piece;
  private long ida;
  private long ben;
  private long zoe;

  /**
   * B flat four times in a flat key, twice in the same figure; three players of two instruments.
   */
  @BeforeMethod
  void band() {
    StringBuilder notes = new StringBuilder();
    String figure = "G A Bb A G F";
    for (String n : (figure + " " + figure + " D Bb C Bb").split(" ")) {
      int octave = n.equals("G") || n.equals("A") || n.startsWith("B") || n.equals("F") ? 4 : 5;
      notes
          .append("<note><pitch><step>")
          .append(n.charAt(0))
          .append("</step>")
          .append(n.endsWith("b") ? "<alter>-1</alter>" : "")
          .append("<octave>")
          .append(octave)
          .append("</octave></pitch><duration>1</duration><type>quarter</type></note>");
    }
    String xml =
        "<score-partwise version='4.0'><part-list><score-part id='P1'><part-name>Alto Saxophone"
            + "</part-name></score-part></part-list><part id='P1'><measure number='1'><attributes>"
            + "<divisions>1</divisions><key><fifths>-1</fifths></key><time><beats>16</beats>"
            + "<beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line></clef>"
            + "<transpose><diatonic>-5</diatonic><chromatic>-9</chromatic></transpose>"
            + "</attributes>"
            + notes
            + "</measure></part></score-partwise>";
    piece =
        chosen(
                upload(
                    "/api/pieces?title=Bell",
                    "bell.musicxml",
                    xml.getBytes(StandardCharsets.UTF_8)))
            .get("id")
            .asLong();
    group = chosen(post("/api/groups", "{\"name\":\"Saxes " + ++bands + "\"}")).get("id").asLong();
    ida = player("Ida", "alto-sax", "{}", group);
    ben = player("Ben", "alto-sax", "{}", group);
    zoe = player("Zoe", "tenor-sax", "{}", group);
  }

  /** The other tests count the demo's people. */
  @AfterMethod(alwaysRun = true)
  void leave() {
    for (long p : players) {
      mvc.delete().uri("/api/students/" + p).exchange();
    }
    players.clear();
    mvc.put().uri("/api/removals/GROUP/" + group).exchange();
    mvc.put().uri("/api/removals/PIECE/" + piece).exchange();
  }

  private long player(String name, String instrument, String options, long group) {
    long id =
        chosen(
                post(
                    "/api/students",
                    "{\"givenName\":\""
                        + name
                        + "\",\"initial\":\"\",\"instrument\":\""
                        + instrument
                        + "\",\"options\":"
                        + options
                        + ",\"avoid\":[],\"style\":{},\"groups\":["
                        + group
                        + "]}"))
            .get("id")
            .asLong();
    players.add(id);
    return id;
  }

  private String stand(long student) {
    return "/api/stand/" + student + "/" + piece;
  }

  private JsonNode chosen(MvcTestResult r) {
    assertThat(r).hasStatusOk();
    return body(r);
  }

  private JsonNode keep(String noteId, String fingering, String where, boolean section) {
    return chosen(send(noteId, fingering, where, section));
  }

  private MvcTestResult send(String noteId, String fingering, String where, boolean section) {
    return post(
        stand(ida) + "/choices",
        "{\"noteId\":\""
            + noteId
            + "\",\"fingering\":\""
            + fingering
            + "\",\"where\":\""
            + where
            + "\",\"section\":"
            + section
            + "}");
  }

  private List<JsonNode> flats(JsonNode plan) {
    List<JsonNode> flats = new ArrayList<>();
    for (JsonNode n : plan.get("notes")) {
      if (n.get("written").asString().equals("Bb4")) {
        flats.add(n);
      }
    }
    return flats;
  }

  /** Which of the four B flats are kept, as {@code x} and {@code -}. */
  private String kept(JsonNode plan) {
    StringBuilder s = new StringBuilder();
    flats(plan).forEach(n -> s.append(n.get("locked").asBoolean() ? 'x' : '-'));
    return s.toString();
  }

  private JsonNode plan(long student) {
    return get(stand(student) + "/plan");
  }

  private String flat(int i) {
    return flats(plan(ida)).get(i).get("id").asString();
  }

  @Test
  public void aNoteIsKeptAndLetGo() {
    JsonNode c = keep(flat(1), ONE_AND_ONE, "NOTE", false);
    assertThat(c.get("sentence").asString()).isEqualTo("Kept.");
    assertThat(kept(c.get("plan"))).isEqualTo("-x--");
    assertThat(c.get("changes")).hasSize(1);
    assertThat(c.get("changes").get(0).get("wasFingering").asString()).isEqualTo(SIDE);
    assertThat(c.get("changes").get(0).get("fingering").asString()).isEqualTo(ONE_AND_ONE);
    assertThat(kept(plan(ida))).isEqualTo("-x--");
    JsonNode gone = keep(flat(1), "", "NOTE", false);
    assertThat(gone.get("sentence").asString()).isEqualTo("Let go.");
    assertThat(kept(plan(ida))).isEqualTo("----");
  }

  @Test
  public void aPitchIsKeptThroughoutThePart() {
    JsonNode c = keep(flat(0), ONE_AND_ONE, "PITCH", false);
    assertThat(c.get("sentence").asString()).isEqualTo("Kept on 4 notes.");
    assertThat(kept(c.get("plan"))).isEqualTo("xxxx");
  }

  @Test
  public void aFigureIsKeptWhereverItComesBack() {
    assertThat(flats(plan(ida)).get(0).get("figure").asInt()).isEqualTo(2);
    assertThat(flats(plan(ida)).get(2).get("figure").asInt()).isEqualTo(1);
    JsonNode c = keep(flat(1), ONE_AND_ONE, "FIGURE", false);
    assertThat(kept(c.get("plan"))).isEqualTo("xx--");
    assertThat(kept(keep(flat(2), ONE_AND_ONE, "FIGURE", false).get("plan"))).isEqualTo("xxx-");
  }

  @Test
  public void aSectionGetsItTooAndNobodyElse() {
    JsonNode section = get(stand(ida)).get("section");
    assertThat(section).hasSize(1);
    JsonNode c = keep(flat(0), BIS, "PITCH", true);
    assertThat(c.get("sentence").asString()).isEqualTo("Kept on 4 notes, for Ben too.");
    assertThat(kept(plan(ben))).isEqualTo("xxxx");
    assertThat(plan(zoe).toString()).doesNotContain("\"locked\":true");
    chosen(post(stand(ida) + "/choices/undo", "{}"));
    assertThat(kept(plan(ben))).isEqualTo("----");
    assertThat(kept(plan(ida))).isEqualTo("----");
  }

  @Test
  public void theWholeSectionIsNamed() {
    player("Old", "alto-sax", "{\"frontF\":\"false\",\"highFsharp\":\"false\"}", group);
    JsonNode section = get(stand(ida)).get("section");
    assertThat(section).hasSize(2);
    assertThat(keep(flat(0), BIS, "NOTE", true).get("sentence").asString())
        .isEqualTo("Kept, for Ben and Old too.");
  }

  @Test
  public void aFingeringThatTheNoteDoesNotHaveIsRefusedAndNothingKept() {
    assertThat(send(flat(0), "1 2 | 3", "NOTE", false)).hasStatus(400);
    assertThat(send("nothing", BIS, "NOTE", false)).hasStatus(404);
    assertThat(kept(plan(ida))).isEqualTo("----");
    assertThat(plan(ida).get("canUndo").asBoolean()).isFalse();
  }

  @Test
  public void everyStepIsTakenBackAndDoneAgainInOrderAlsoLater() {
    keep(flat(0), ONE_AND_ONE, "NOTE", false);
    keep(flat(1), BIS, "NOTE", false);
    chosen(
        post(
            stand(ida) + "/choices/all",
            "{\"all\":[{\"noteId\":\""
                + flat(2)
                + "\",\"fingering\":\"1 | 1\"},{\"noteId\":\""
                + flat(3)
                + "\",\"fingering\":\"1 | 1\"}]}"));
    assertThat(kept(plan(ida))).isEqualTo("xxxx");
    for (String left : new String[] {"xx--", "x---", "----"}) {
      JsonNode c = chosen(post(stand(ida) + "/choices/undo", "{}"));
      assertThat(c.get("sentence").asString()).isEqualTo("Taken back.");
      assertThat(kept(plan(ida))).isEqualTo(left);
    }
    assertThat(plan(ida).get("canUndo").asBoolean()).isFalse();
    assertThat(chosen(post(stand(ida) + "/choices/undo", "{}")).get("sentence").asString())
        .isEqualTo("There is nothing to take back.");
    for (String left : new String[] {"x---", "xx--"}) {
      chosen(post(stand(ida) + "/choices/redo", "{}"));
      assertThat(kept(plan(ida))).isEqualTo(left);
    }
    keep(flat(3), BIS, "NOTE", false);
    assertThat(plan(ida).get("canRedo").asBoolean())
        .as("a new choice ends what was undone")
        .isFalse();
  }

  @Test
  public void whatSomebodyChoseSinceIsNotTakenBack() {
    keep(flat(0), BIS, "NOTE", true);
    assertThat(
            post(
                stand(ben) + "/choices",
                "{\"noteId\":\""
                    + flat(0)
                    + "\",\"fingering\":\"1 | 1\",\"where\":\"NOTE\",\"section\":false}"))
        .hasStatusOk();
    chosen(post(stand(ida) + "/choices/undo", "{}"));
    assertThat(kept(plan(ida))).isEqualTo("----");
    assertThat(flats(plan(ben)).get(0).get("fingering").asString()).isEqualTo(ONE_AND_ONE);
  }

  @Test
  public void aStyleReplansWhatIsNotKeptAndShowsBeforeAndAfter() {
    keep(flat(0), ONE_AND_ONE, "NOTE", false);
    JsonNode before = get(stand(ida) + "/advice").get("styles");
    JsonNode bFlat = null;
    for (JsonNode s : before) {
      bFlat = s.get("name").asString().equals("bFlat") ? s : bFlat;
    }
    assertThat(bFlat.get("chosen").asString()).isEqualTo("side key");
    JsonNode offered = bFlat.get("others").get(0).get("other").get("changes");
    JsonNode c =
        chosen(
            post(
                stand(ida) + "/choices/style",
                "{\"name\":\"bFlat\",\"school\":\"bis\",\"house\":false}"));
    assertThat(c.get("changes")).as("what was shown before comes").isEqualTo(offered);
    assertThat(c.get("changes")).hasSize(3);
    List<JsonNode> flats = flats(c.get("plan"));
    assertThat(flats.get(0).get("fingering").asString()).as("kept").isEqualTo(ONE_AND_ONE);
    assertThat(flats.get(1).get("fingering").asString()).isEqualTo(BIS);
    assertThat(flats.get(3).get("fingering").asString()).as("to C nothing slides").isEqualTo(BIS);
    assertThat(flats(plan(ben)).get(1).get("fingering").asString()).isEqualTo(SIDE);
    chosen(post(stand(ida) + "/choices/undo", "{}"));
    assertThat(flats(plan(ida)).get(1).get("fingering").asString()).isEqualTo(SIDE);
  }

  @Test
  public void aHouseStyleIsForAllWhoPlayTheInstrument() {
    JsonNode zoes = plan(zoe);
    chosen(
        post(
            stand(ida) + "/choices/style",
            "{\"name\":\"bFlat\",\"school\":\"bis\",\"house\":true}"));
    assertThat(flats(plan(ben)).get(1).get("fingering").asString()).isEqualTo(BIS);
    assertThat(plan(zoe)).as("another instrument").isEqualTo(zoes);
    chosen(post(stand(ida) + "/choices/undo", "{}"));
    assertThat(flats(plan(ben)).get(1).get("fingering").asString()).isEqualTo(SIDE);
    assertThat(
            post(
                stand(ida) + "/choices/style",
                "{\"name\":\"bFlat\",\"school\":\"nose\",\"house\":false}"))
        .hasStatus(400);
  }

  @Test
  public void erasingAStudentErasesTheStepsToo() {
    keep(flat(0), BIS, "NOTE", true);
    assertThat(mvc.delete().uri("/api/students/" + ben)).hasStatusOk();
    chosen(post(stand(ida) + "/choices/undo", "{}"));
    assertThat(mvc.delete().uri("/api/students/" + ida)).hasStatusOk();
    long left =
        db.inTransaction(tx -> tx.count("choice_change where student_id in (?, ?)", ida, ben));
    assertThat(left).isZero();
  }

  @Test
  public void whatATeacherDoesWhateverTheInstrumentHoldsForAllButWhoDiffers() {
    assertThat(get(stand(ida)).get("ways").get("names").asString()).isEqualTo("letters");
    assertThat(put("/api/styles/all/names", "{\"school\":\"syllables\"}")).hasStatusOk();
    assertThat(get(stand(ida)).get("ways").get("names").asString()).isEqualTo("syllables");
    assertThat(
            put(
                "/api/students/" + ben,
                "{\"givenName\":\"Ben\",\"initial\":\"\",\"instrument\":\"alto-sax\",\"options\":{},"
                    + "\"avoid\":[],\"style\":{\"names\":\"letters\",\"bFlat\":\"bis\"},\"groups\":["
                    + group
                    + "]}"))
        .hasStatusOk();
    assertThat(get(stand(ben)).get("ways").get("names").asString()).isEqualTo("letters");
    assertThat(flats(plan(ben)).get(1).get("fingering").asString()).isEqualTo(BIS);
    assertThat(put("/api/styles/all/names", "{\"school\":\"numbers\"}")).hasStatus(400);
    assertThat(put("/api/styles/all/nose", "{\"school\":\"long\"}")).hasStatus(400);
    assertThat(put("/api/styles/all/names", "{\"school\":\"letters\"}")).hasStatusOk();
  }

  @Test
  public void aTableNamesItsChromaticNotesAsTheTeacherDoes() {
    assertThat(get("/api/notes/alto-sax").toString()).contains("\"written\":\"Bb4\"");
    assertThat(put("/api/styles/all/chromatic", "{\"school\":\"sharps\"}")).hasStatusOk();
    String sharps = get("/api/notes/alto-sax").toString();
    assertThat(sharps).contains("\"written\":\"A#4\"").doesNotContain("\"written\":\"Bb4\"");
    assertThat(put("/api/styles/all/chromatic", "{\"school\":\"usual\"}")).hasStatusOk();
  }

  /** What is kept can be kept otherwise: the other fingerings are still offered. */
  @Test
  public void alternativesStayAfterAFingeringIsKept() {
    JsonNode before = flatNote(0);
    int offered = before.get("alternatives").size();
    assertThat(offered).isGreaterThan(1);
    keep(flat(0), BIS, "NOTE", false);
    JsonNode kept = flatNote(0);
    assertThat(kept.get("locked").asBoolean()).isTrue();
    assertThat(kept.get("alternatives")).hasSize(offered);
    assertThat(kept.get("alternatives").toString())
        .contains("\"fingering\":" + before.get("fingering"));
  }

  private JsonNode flatNote(int at) {
    String id = flat(at);
    for (JsonNode n : get(stand(ida)).get("plan").get("notes")) {
      if (n.get("id").asString().equals(id)) {
        return n;
      }
    }
    throw new AssertionError(id);
  }

  /** A style that gives way says where, and why. */
  @Test
  public void aStyleThatIsOutvotedSaysWhereAndWhy() {
    String style = "{\"name\":\"bFlat\",\"school\":\"bis\",\"house\":false}";
    JsonNode c = chosen(post(stand(ida) + "/choices/style", style));
    JsonNode advice = get(stand(ida) + "/advice").get("styles").get(0);
    assertThat(advice.get("name").asString()).isEqualTo("bFlat");
    JsonNode outvoted = advice.get("outvoted");
    int styled = 0;
    for (JsonNode n : c.get("plan").get("notes")) {
      boolean flat = n.get("written").asString().equals("Bb4");
      boolean taken = n.get("fingering").asString().equals(BIS);
      boolean told = outvoted.toString().contains("\"noteId\":" + n.get("id"));
      assertThat(told).as(n.toString()).isEqualTo(flat && !taken);
      styled += flat ? 1 : 0;
    }
    assertThat(styled).isPositive();
    outvoted.forEach(o -> assertThat(o.get("why").asString()).isNotBlank());
    // what another way of playing would give way to is said before it is chosen
    for (JsonNode s : get(stand(ben) + "/advice").get("styles")) {
      for (JsonNode other : s.get("others")) {
        assertThat(other.get("outvoted").isArray()).isTrue();
      }
    }
  }
}
