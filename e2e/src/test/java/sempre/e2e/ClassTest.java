package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.LoadState;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What a teacher does with a whole class. */
public class ClassTest {
  private Browsing browsing;

  @BeforeMethod
  void open() {
    browsing = new Browsing(true);
  }

  @AfterMethod(alwaysRun = true)
  void close() {
    browsing.close();
  }

  private Page at(String path) {
    Page page = browsing.page();
    page.navigate(browsing.at(path));
    page.locator("h1").first().waitFor();
    return page;
  }

  @Test
  public void aListIsPastedMendedAndTaken() {
    Page page = at("/people/many");
    page.getByLabel("The list")
        .fill("Name;Instrument;Group\nAda Quill;flute;Recorder class\nOdo Reed;sax;\n");
    page.getByText("Look at it").click();
    assertThat(page.locator("tbody tr")).hasCount(2);
    assertThat(page.locator("tr.wrong")).containsText("say which");
    // a new group asks how far it has got before anything is set up
    page.getByLabel("Recorder class is new: how far has it got?").selectOption("FIRST_YEARS");
    page.getByText("Set up one student").click();
    assertThat(page.getByText("1 student is set up, and a new group.")).isVisible();
    // what could not be taken is mended in place, and the other is known to be here
    String left = page.getByLabel("The list").inputValue();
    page.getByLabel("The list").fill(left.replace(";sax", ";alto sax"));
    page.getByText("Look at it").click();
    assertThat(page.locator("tr.there")).containsText("here already");
    page.getByText("Set up one student").click();
    // nothing is left to be mended: People says what came of it, and takes it back
    assertThat(page).hasURL(browsing.at("/people"));
    assertThat(page.getByText("1 student is set up.")).isVisible();
    assertThat(page.getByText("Ada Q.").first()).isVisible();
    assertThat(page.getByText("Odo R.").first()).isVisible();
    page.getByText("Take it all back").click();
    assertThat(page.getByText("1 imported student was removed.")).isVisible();
    assertThat(
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("set up Odo R.")))
        .hasCount(0);
    assertEquals(browsing.errors, List.of());
  }

  /** A list as a teacher keeps it; all names are made up. */
  @Test
  public void aMessyListKeepsWhoPlaysWhichPart() {
    String list =
        """
        Name,Instrument,Chair,Group
        Ava Stone,Fl. 1,1,First-year band
        Leo Birch,Cl. 2,1,First-year band
        Mia Reed,Clarinet 3,1,First-year band
        Noah Lake,Tpt. 2,,First-year band
        Zoe Hill,Trombone 2,,First-year band
        Ela Ost,EH,,First-year band
        Gus Day,Glock,,First-year band
        Max Pine,Sousaphone,,First-year band
        Ivy Moor,Perc. (bells),,First-year band
        Tod Fell,Snare / Perc,,First-year band
        Ian West,String Bass,,First-year band
        """;
    Page page = at("/people/many");
    page.getByLabel("The list").fill(list);
    page.getByText("Look at it").click();
    assertThat(page.locator("tr.new")).hasCount(10);
    assertThat(page.locator("tr.wrong")).containsText("String Bass");
    page.getByText("Set up 10 students").click();
    page.getByText("To the people").click();
    for (String row :
        new String[] {"Leo B. Clarinet 2", "Mia R. Clarinet 3", "Noah L. Trumpet 2"}) {
      assertThat(page.locator("li").filter(new Locator.FilterOptions().setHasText(row)).first())
          .isVisible();
    }
    // Hana 1, Bilal and Leo 2, Mia 3: one list sets them all
    page.getByText("parts …").first().click();
    page.getByLabel("Part of Mia R.").selectOption("1st");
    page.getByLabel("Part of Ava S.").selectOption("not said");
    page.getByText("Save", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("2 parts changed.")).isVisible();
    assertThat(
            page.locator("section")
                .first()
                .locator("li")
                .filter(new Locator.FilterOptions().setHasText("Clarinet"))
                .locator(".name"))
        .containsText(new String[] {"Hana S.", "Mia R.", "Leo B.", "Bilal N."});
    assertEquals(browsing.errors, List.of());
  }

  @Test
  public void aFilesColumnsAreMatched() {
    Page page = at("/people/many");
    page.locator("input[type=file]")
        .setInputFiles(
            new FilePayload(
                "class.csv",
                "text/csv",
                "Who,Tool,Born\nAda,oboe,2014\nBen,horn,2013\n".getBytes(StandardCharsets.UTF_8)));
    assertThat(page.locator("tbody tr")).hasCount(3);
    page.getByLabel("Column 1").selectOption("FIRST_NAME");
    assertThat(page.locator("tr.new")).hasCount(2);
    page.getByLabel("Column 3").selectOption("NOTHING");
    page.getByText("Set up 2 students").click();
    assertThat(page.getByText("2 students are set up.")).isVisible();
  }

  @Test
  public void aSecondInstrumentLeavingComingBackAndBeingErased() {
    Page page = at("/people");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("set up Linh P.")).click();
    page.getByText("Plays another instrument too …").click();
    page.locator(".bx--modal.is-visible")
        .getByLabel("Instrument", new Locator.GetByLabelOptions().setExact(true))
        .selectOption("piccolo");
    page.getByText("Save", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("Flute, also piccolo").first()).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("set up Linh P."))
        .first()
        .click();
    page.getByText("Has left …").click();
    Locator ask = page.locator(".bx--modal.is-visible");
    assertThat(ask).containsText("With it:");
    assertThat(ask).containsText("marks");
    ask.getByText("Remove", new Locator.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("Linh P. is removed.")).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("is back Linh P."))
        .first()
        .click();
    assertThat(page.getByText("Linh P. is back, as before.")).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("set up Linh P."))
        .first()
        .click();
    page.getByText("Erase this student …").click();
    // the question has the focus, so that Escape still closes the dialog
    page.keyboard().press("Escape");
    assertThat(page.locator(".bx--modal.is-visible")).hasCount(0);
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("set up Linh P."))
        .first()
        .click();
    page.getByText("Erase this student …").click();
    page.getByText("Erase for good").click();
    assertThat(page.getByText("Linh P. is erased for good: 2 instruments")).isVisible();
  }

  @Test
  public void aGroupHasItsStageAndSchoolYear() {
    Page page = at("/people");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("set up First-year band"))
        .click();
    page.getByLabel("How far it has got").selectOption("SCHOOL");
    page.getByLabel("School year, in your own words").fill("Year 6");
    page.getByText("Save", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("school, Year 6")).isVisible();
  }

  private long made(Page page, String path, String json) {
    return browsing.made(page, path, json);
  }

  /** A group of thirty on ten instruments, and a check of five sounding notes. */
  private long checkOfThirty(Page page) {
    browsing.thirty(page);
    return check(page, "Bb C D Eb F");
  }

  /** A check of the first group on one note. */
  private long checkOfBFlat(Page page) {
    return made(
        page,
        "/api/groups/{First-year band}/checks",
        "{\"items\":[{\"kind\":\"SOUND\",\"what\":\"Bb\",\"pieceId\":0}]}");
  }

  /** A check of the thirty. */
  private long check(Page page, String sounds) {
    String people = page.request().get(browsing.at("/api/people")).text();
    String group = people.replaceAll(".*\"id\":(\\d+),\"name\":\"Thirty\".*", "$1");
    StringBuilder items = new StringBuilder();
    for (String n : sounds.split(" ")) {
      items
          .append(items.isEmpty() ? "" : ",")
          .append("{\"kind\":\"SOUND\",\"what\":\"")
          .append(n)
          .append("\",\"pieceId\":0,\"row\":1}");
    }
    return made(page, "/api/groups/" + group + "/checks", "{\"items\":[" + items + "]}");
  }

  /**
   * Thirty students and five notes are 150 marks and 150 keys: 0.8 seconds for each in two minutes.
   * Where all that is left of a student is secure it is one key.
   */
  @Test
  public void thirtyStudentsAndFiveNotesTakeOneKeyAMark() {
    Page page = browsing.page();
    long check = checkOfThirty(page);
    page.navigate(browsing.at("/ear/check/" + check));
    assertThat(page.getByText("150 marks to go")).isVisible();
    int keys = 0;
    for (int student = 0; student < 30; student++) {
      for (int note = 0; note < 5; note++) {
        page.keyboard().press(student % 7 == 3 && note == 2 ? "2" : "1");
        keys++;
      }
    }
    assertThat(page.getByText("everyone who is here is marked").first()).isVisible();
    assertEquals(keys, 150);
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Summary").locator("li")).hasCount(4);
    page.navigate(browsing.at("/ear/check/" + check(page, "G A Bb C D")));
    assertThat(page.getByText("150 marks to go")).isVisible();
    for (int student = 0; student < 30; student++) {
      page.keyboard().press("a");
    }
    assertThat(page.getByText("everyone who is here is marked").first()).isVisible();
    assertEquals(browsing.errors, List.of());
  }

  @Test
  public void norDoesAPartThatIsHeardByItself() {
    Page page = at("/ear/{Ayşe}/{The Harbour Wall}");
    assertThat(page.getByText("Hearing Ayşe")).isVisible();
    browsing.stop();
    page.keyboard().press("1");
    page.keyboard().press("2");
    assertThat(page.getByText("What was marked waits here")).isVisible();
    Page again = page.context().newPage();
    page.close();
    browsing.restart();
    again.navigate(browsing.at("/ear/{Ayşe}/{The Harbour Wall}"));
    assertThat(again.locator(".strip svg")).hasCount(2);
    again.keyboard().press("Enter");
    again.getByText("Take all of it back").click();
    assertThat(again.getByText("All taken back")).isVisible();
    again.keyboard().press("Escape");
    assertThat(again.locator(".strip svg")).hasCount(0);
  }

  @Test
  public void aLostServerAndAClosedTabLoseNoMark() {
    Page page = browsing.page();
    long check =
        made(
            page,
            "/api/groups/{First-year band}/checks",
            "{\"items\":[{\"kind\":\"SOUND\",\"what\":\"Bb\",\"pieceId\":0},"
                + "{\"kind\":\"SOUND\",\"what\":\"C\",\"pieceId\":0}]}");
    page.navigate(browsing.at("/ear/check/" + check));
    assertThat(page.getByText("24 marks to go")).isVisible();
    page.keyboard().press("1");
    page.keyboard().press("2");
    assertThat(page.getByText("22 marks to go")).isVisible();
    assertThat(page.getByText("on the way")).hasCount(0);
    browsing.stop();
    page.keyboard().press("1");
    page.keyboard().press("3");
    page.keyboard().press("1");
    assertThat(page.getByText("What was marked waits here")).isVisible();
    assertThat(page.getByText("3 on the way")).isVisible();
    Page again = page.context().newPage();
    page.close();
    browsing.restart();
    again.navigate(browsing.at("/ear/check/" + check));
    assertThat(again.getByText("19 marks to go")).isVisible();
    assertThat(again.getByText("on the way")).hasCount(0);
    again.reload();
    assertThat(again.getByText("19 marks to go")).isVisible();
  }

  @Test
  public void twoTeachersSeeEachOthersMarks() {
    Page one = browsing.page();
    long check = checkOfBFlat(one);
    Page two = browsing.page();
    one.navigate(browsing.at("/ear/check/" + check));
    two.navigate(browsing.at("/ear/check/" + check));
    one.getByLabel("Marked by").fill("Frau Mühl");
    one.getByLabel("Marked by").press("Tab");
    assertThat(two.getByText("12 marks to go")).isVisible();
    one.locator("h1").click();
    one.keyboard().press("2");
    assertThat(two.getByText("11 marks to go")).isVisible();
    two.keyboard().press("ArrowUp");
    assertThat(two.getByLabel("Now asked")).containsText("shaky, marked by Frau Mühl");
  }

  @Test
  public void whatWasAskedForBeforeAMarkDoesNotTakeTheMarkAway() {
    Page page = browsing.page();
    long check = checkOfBFlat(page);
    page.navigate(browsing.at("/ear/check/" + check));
    assertThat(page.getByLabel("Now asked")).isVisible();
    List<Runnable> late = new ArrayList<>();
    page.route(
        "**/api/checks/" + check,
        route -> {
          var before = route.fetch();
          late.add(() -> route.fulfill(new Route.FulfillOptions().setResponse(before)));
        });
    page.waitForCondition(() -> !late.isEmpty());
    page.unroute("**/api/checks/" + check);
    page.waitForResponse("**/absent", () -> page.keyboard().press("x"));
    page.waitForResponse("**/api/checks/" + check, late.get(0)::run);
    page.evaluate("() => new Promise(done => setTimeout(done, 300))");
    assertThat(page.locator("tr.absent")).hasCount(1);
  }

  @Test
  public void whoeverIsAbsentIsNotTheOneGradedNextHoweverSlowTheAnswer() {
    Page page = browsing.page();
    long check = checkOfBFlat(page);
    page.navigate(browsing.at("/ear/check/" + check));
    assertThat(page.getByText("12 marks to go")).isVisible();
    List<Route> held = new ArrayList<>();
    page.route("**/absent", held::add);
    page.waitForLoadState(LoadState.NETWORKIDLE);
    page.keyboard().press("x");
    page.keyboard().press("1");
    page.waitForCondition(() -> !held.isEmpty());
    held.get(0).resume();
    assertThat(page.getByText("10 marks to go")).isVisible();
    assertThat(page.locator("tr.absent")).hasCount(1);
  }

  @Test
  public void aCheckIsChosenWalkedNoteByNoteAndFinished() {
    Page page = at("/");
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Playing check"))
        .first()
        .click();
    page.locator(".chip").first().click();
    page.getByLabel("Concert pitches").fill("F, H");
    page.getByText("Add the notes").click();
    assertThat(page.getByText("‘H’ is no note").first()).isVisible();
    page.getByLabel("Concert pitches").fill("F");
    page.getByText("Add the notes").click();
    page.getByText("Add the scale").click();
    page.getByLabel("A few bars of")
        .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("Ferry Bell"));
    page.getByLabel("Bars", new Page.GetByLabelOptions().setExact(true)).fill("1-2");
    page.getByText("Add the bars").click();
    assertThat(page.getByLabel("What is asked").locator(".items li")).hasCount(4);
    page.getByText("Begin", new Page.GetByTextOptions().setExact(true)).click();
    Locator now = page.getByLabel("Now asked");
    String first = now.locator("h2").textContent();
    page.keyboard().press("o");
    page.keyboard().press("1");
    assertThat(now.locator("h2")).not().hasText(first);
    page.keyboard().press("x");
    assertThat(page.locator("tr.absent")).hasCount(1);
    page.keyboard().press("r");
    page.keyboard().type("thumb late");
    page.keyboard().press("Enter");
    page.keyboard().press("3");
    page.keyboard().press("u");
    assertThat(now.getByText("taken back")).isVisible();
    page.keyboard().press("2");
    // of several notes it is asked which
    if (page.getByLabel("Which of them").count() > 0) {
      page.keyboard().press("Enter");
    }
    page.keyboard().press("Enter");
    Locator summary = page.getByLabel("Summary");
    assertThat(summary).containsText("shaky");
    assertThat(summary).containsText("Absent:");
    assertEquals(browsing.errors, List.of());
  }

  @Test
  public void theMapShowsWhatAStudentHasAndANoteItsHistory() {
    Page page = at("/people/{Linh}");
    Locator map = page.getByLabel("The range");
    assertThat(map.getByLabel(Pattern.compile("^A4, secure$"))).isVisible();
    assertThat(map.getByLabel(Pattern.compile("^B4, shaky$"))).isVisible();
    assertThat(map.getByLabel(Pattern.compile("^B♭4, secure, .*thumb B flat secure"))).isVisible();
    assertThat(map.getByLabel(Pattern.compile("^F♯5, next, never heard$"))).isVisible();
    page.getByText("fades by half in 3 weeks").first().waitFor();
    Locator b =
        page.locator(".marks > li").filter(new Locator.FilterOptions().setHasText("B4")).first();
    b.locator("button.row").click();
    Locator history = page.getByLabel("What was heard of B4");
    assertThat(history.locator("li")).hasCount(1);
    assertThat(history).containsText("shaky, in Half-Tide Rock");
    assertThat(history).containsText("by the teacher");
    // a wrong grade is mended by a further entry
    b.locator(".now button").first().click();
    assertThat(history.locator("li")).hasCount(2);
    assertThat(map.getByLabel(Pattern.compile("^B4, secure$"))).isVisible();
    assertEquals(browsing.errors, List.of());
  }

  @Test
  public void aGroupsMapCountsBySoundAndASectionsByItsPage() {
    Page page = at("/people/group/{Quay Concert Band}");
    Locator map = page.getByLabel("The range");
    assertThat(map.locator("button")).hasCount(12);
    assertThat(map.getByLabel(Pattern.compile("^F♯, \\d+ of 17 have it, needed next"))).isVisible();
    assertThat(page.getByText(Pattern.compile("of 17 have it in some octave; new for .*")).first())
        .isVisible();
    page.getByLabel("Whose").selectOption("alto-sax");
    assertThat(map.getByLabel(Pattern.compile("^D5, 1 of 1 have it"))).isVisible();
    page.getByLabel("Names").selectOption("sounding");
    assertThat(map.getByLabel(Pattern.compile("^F4, 1 of 1 have it"))).isVisible();
  }

  @Test
  public void theTeacherSetsHowFastWhatWasHeardFades() {
    Page page = at("/people");
    page.getByLabel("Everyone: ask again about a note after").selectOption("7");
    assertThat(page.getByText("The house style is changed")).isVisible();
    page.navigate(browsing.at("/people/{Linh}"));
    assertThat(page.getByText("fades by half in a week")).isVisible();
    assertThat(page.getByLabel("The range").getByLabel(Pattern.compile("^A4, not heard for long")))
        .isVisible();
  }

  @Test
  public void theMatrixIsWalkedByKeysAndOpensOnItsReasons() {
    Page page = at("/people/group/{Quay Concert Band}/pieces");
    Locator matrix = page.getByLabel("The matrix");
    assertThat(matrix.locator("tbody tr")).hasCount(17);
    page.getByLabel("What", new Page.GetByLabelOptions().setExact(true)).selectOption("shelf");
    assertThat(matrix.locator("thead th.piece")).hasCount(51);
    for (int i = 0; i < 3; i++) {
      page.keyboard().press("ArrowRight");
    }
    Locator why = page.getByLabel("Why", new Page.GetByLabelOptions().setExact(true));
    page.locator("h1").click();
    for (int i = 0; i < 3; i++) {
      page.keyboard().press("ArrowRight");
    }
    assertThat(why.locator(".verdict")).isVisible();
    matrix.getByLabel(Pattern.compile("Ioane T., Fog Horn and Fiddle: .*lacks 3 notes")).click();
    assertThat(why).containsText("Not yet: F♯3, B3, C4");
    String last = matrix.locator("thead th.piece").last().textContent();
    page.getByLabel("Order").selectOption("blocked");
    assertThat(matrix.locator("thead th.piece").last()).not().hasText(last);
    assertThat(page.getByText("In the way, as concert pitches:")).isVisible();
    assertEquals(browsing.errors, List.of());
  }

  @Test
  public void aNewNoteIsTaughtToTheWholeBandOnOnePage() {
    Page page = at("/people/group/{Quay Concert Band}/note/next");
    // opened without a pitch it is the note that most need next
    String most = page.locator(".next button").first().textContent();
    assertThat(page.locator("h1")).hasText("Everyone plays " + most);
    assertThat(page.locator("article").nth(10)).isVisible();
    page.getByLabel("Concert pitch").selectOption("F#");
    assertThat(page.locator("h1")).hasText("Everyone plays F♯");
    Locator flute =
        page.locator("article").filter(new Locator.FilterOptions().setHasText("Linh P."));
    assertThat(flute).containsText("Linh P.");
    assertThat(flute).containsText("As for");
    assertThat(flute).containsText("sounds F♯");
    assertThat(flute.getByLabel("Octave for Flute")).isVisible();
    assertThat(flute.locator(".picture svg")).isVisible();
    // one pitch, one name, however it is asked for
    page.navigate(browsing.at("/people/group/{Quay Concert Band}/note/Gb"));
    assertThat(page.locator("h1")).hasText("Everyone plays F♯");
    assertEquals(browsing.errors, List.of());
  }

  @Test
  public void whatIsNextIsSaidForTheGroupAndTheStudent() {
    Page page = at("/people/group/{First-year band}/pieces");
    page.getByLabel("What", new Page.GetByLabelOptions().setExact(true)).selectOption("shelf");
    assertThat(page.getByText("Next for the group:")).isVisible();
    page.navigate(browsing.at("/people/{Noor}"));
    assertThat(page.getByText("Next notes")).isVisible();
    page.getByLabel("Piece", new Page.GetByLabelOptions().setExact(true)).selectOption("12");
    page.getByText("Show the way").click();
    Locator way = page.getByLabel("The way to Fog Horn and Fiddle");
    assertThat(way).containsText("Then the piece");
    assertThat(way.locator("li").first()).containsText(Pattern.compile("with|by itself"));
    assertEquals(browsing.errors, List.of());
  }

  /**
   * The placeholder itself, typed for the first-year band: each is asked in the octave that lies at
   * hand, as a row; the note on the staff is seen before the check begins, and can be moved.
   */
  @Test
  public void whatIsAskedIsSeenOnTheStaffAndMovedBeforeTheCheckBegins() {
    Page page = at("/ear/class/{First-year band}");
    page.getByLabel("Concert pitches").fill("Bb C D Eb F");
    page.getByText("Add the notes").click();
    Locator trumpets = page.getByLabel("Trumpet: Ayşe K., Zola M.");
    assertThat(trumpets.getByLabel("Trumpet, as written: C4 D4 E4 F4 G4")).isVisible();
    assertThat(page.getByLabel("Flute, as written: B♭4 C5 D5 E♭5 F5")).isVisible();
    assertThat(page.getByLabel("Clarinet, as written: C4 D4 E4 F4 G4")).isVisible();
    assertThat(page.getByLabel("Tenor saxophone, as written: C5 D5 E5 F5 G5")).isVisible();
    assertThat(trumpets.locator("svg.engraved")).isVisible();
    // one of the two trumpets is asked the C an octave higher
    trumpets.getByText("one by one").click();
    Locator zola = page.getByLabel("Trumpet: Zola M.", new Page.GetByLabelOptions().setExact(true));
    zola.getByText("C4", new Locator.GetByTextOptions().setExact(true)).click();
    zola.getByText("octave up").click();
    assertThat(zola.getByLabel("Trumpet, as written: C5 D4 E4 F4 G4")).isVisible();
    page.getByText("Begin", new Page.GetByTextOptions().setExact(true)).click();
    // the spoken name of a cell says the written note
    assertThat(page.getByLabel("Zola M., B♭, C5", new Page.GetByLabelOptions().setExact(true)))
        .isVisible();
    assertThat(page.getByLabel("Ayşe K., B♭, C4", new Page.GetByLabelOptions().setExact(true)))
        .isVisible();
    assertThat(page.getByLabel("Priya V., E♭, E♭5", new Page.GetByLabelOptions().setExact(true)))
        .isVisible();
    // an unfinished check is offered on Today and in Ear
    page.navigate(browsing.at("/"));
    assertThat(page.getByText("Go on with the playing check: B♭, C, D, E♭, F")).isVisible();
    page.navigate(browsing.at("/ear"));
    page.getByText("First-year band: B♭, C, D, E♭, F").click();
    assertThat(page.getByText("60 marks to go")).isVisible();
    assertEquals(browsing.errors, List.of());
    assertEquals(browsing.failed, List.of());
  }

  /** On a tablet the grades lie under the thumb, in sight whatever student is marked. */
  @Test
  public void onATabletTheGradesAreInReachAndTheSummaryIsSeen() {
    Page page = browsing.page(768, 1024, false);
    long check = checkOfThirty(page);
    page.navigate(browsing.at("/ear/check/" + check));
    Locator grades = page.locator(".grades button");
    for (int student = 0; student < 30; student++) {
      for (Locator g : grades.all()) {
        var box = g.boundingBox();
        assertTrue(box.height >= 44 && box.width >= 44, "a grade is too small: " + box.height);
        assertTrue(box.y + box.height <= 1024 && box.y > 512, "not under the thumb: " + box.y);
      }
      page.getByText(Pattern.compile("rest of .*: secure$")).click();
    }
    assertThat(page.getByText("everyone who is here is marked").first()).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("finish")).click();
    assertThat(page.getByText("Everything that was asked is secure.")).isInViewport();
    assertEquals(browsing.errors, List.of());
    assertEquals(browsing.failed, List.of());
  }

  /** The pages agree: what is asked, who has it, what is in the way, the new note. */
  @Test
  public void thePagesSayTheSameOfASound() {
    Page page = at("/ear/class/{First-year band}");
    Locator chip =
        page.locator(".chip").filter(new Locator.FilterOptions().setHasText("G new for"));
    String why = chip.locator(".small").textContent();
    int newFor = Integer.parseInt(why.replaceAll(".*new for (\\d+).*", "$1"));
    int octave = Integer.parseInt(why.replaceAll(".*octave for (\\d+).*", "$1"));
    page.navigate(browsing.at("/people/group/{First-year band}"));
    Locator has =
        page.locator("li").filter(new Locator.FilterOptions().setHasText(Pattern.compile("^G ")));
    assertThat(has).containsText("have it in some octave");
    String said = has.textContent();
    assertEquals(names(said.replaceAll("(?s).*new for (.*?);.*", "$1")), newFor, said);
    assertEquals(names(said.replaceAll("(?s).*octave for (.*?)\\s*$", "$1")), octave, said);
    page.navigate(browsing.at("/people/group/{First-year band}/pieces"));
    assertThat(page.getByText("In the way, as concert pitches:"))
        .containsText(
            Pattern.compile("G\\s+new for " + newFor + ", in another octave for " + octave));
    page.navigate(browsing.at("/people/group/{First-year band}/note/G"));
    assertThat(page.locator(".next")).containsText(why);
  }

  private static int names(String list) {
    return list.split(", | and ").length;
  }

  @Test
  public void aWholeGroupPlaysAlreadyUpToANote() {
    Page page = at("/people/group/{First-year band}/plays");
    Locator horns = page.getByLabel("Horn", new Page.GetByLabelOptions().setExact(true));
    page.getByLabel("Up to a note, in steps of").selectOption("Bb");
    // a scale begins at its tonic, which is written F on the horn; this band began lower
    assertThat(horns.getByLabel("From")).hasValue("F4");
    horns.getByLabel("From").selectOption("C4");
    horns.getByLabel("Up to").selectOption("A4");
    // concert B flat major on the horn's page: B4 natural and F sharp are not among it
    assertThat(horns.locator("button[aria-pressed=true]")).not().hasCount(0);
    assertThat(horns.locator("button:text-is('F♯4')")).hasAttribute("aria-pressed", "false");
    page.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions()
                .setName(Pattern.compile("Write down (one note|\\d+ notes)")))
        .click();
    assertThat(page.getByText(Pattern.compile("\\d+ notes are written down as secure")))
        .isVisible();
    page.reload();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take it all back"))
        .click();
    assertThat(page.getByText(Pattern.compile("\\d+ grades were taken back for"))).isVisible();
    assertEquals(browsing.errors, List.of());
  }

  /** With syllables, what people typed stays as it is, in what is shown and in what is kept. */
  @Test
  public void namesThatPeopleTypedAreNeverTouchedBySyllables() {
    Page page = browsing.page();
    made(
        page,
        "/api/groups",
        "{\"name\":\"Class B2\",\"stage\":\"SCHOOL\",\"year\":\"A1\",\"days\":[]}");
    page.navigate(browsing.at("/people"));
    page.getByLabel("Everyone: note names").selectOption("syllables");
    assertThat(page.getByText("The house style is changed")).isVisible();
    page.reload();
    assertThat(page.locator("h2").filter(new Locator.FilterOptions().setHasText("Class B2")))
        .isVisible();
    assertThat(page.getByText("school, A1")).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("set up Class B2")).click();
    page.getByText("Save", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("Class B2 is set up.")).isVisible();
    String kept = page.request().get(browsing.at("/api/people")).text();
    assertTrue(kept.contains("\"Class B2\"") && kept.contains("\"A1\""), kept);
    // and where syllables are shown they can be typed
    page.navigate(browsing.at("/ear/class/{First-year band}"));
    page.getByLabel("Concert pitches").fill("sib do re mib fa");
    page.getByText("Add the notes").click();
    assertThat(page.getByLabel("Trumpet, as written: do4 re4 mi4 fa4 sol4")).isVisible();
    page.keyboard().press("Escape");
    page.locator("h1").click();
    page.keyboard().press("/");
    page.locator("dialog input").fill("horn sol4");
    page.locator("dialog li")
        .filter(new Locator.FilterOptions().setHasText("Horn sol4"))
        .first()
        .click();
    assertThat(page).hasURL(Pattern.compile("/notes/(english-)?horn/G4"));
  }

  /** A slow answer to an older question does not overwrite the newer one. */
  @Test
  public void aLateAnswerDoesNotOverwriteANewerQuestion() {
    Page page = at("/people/group/{Quay Concert Band}/pieces");
    Locator matrix = page.getByLabel("The matrix");
    assertThat(matrix.locator("thead th.piece")).hasCount(3);
    List<com.microsoft.playwright.Route> slow = new java.util.ArrayList<>();
    page.route("**/readiness?what=shelf", slow::add);
    Locator what = page.getByLabel("What", new Page.GetByLabelOptions().setExact(true));
    what.selectOption("shelf");
    page.waitForCondition(() -> !slow.isEmpty());
    page.waitForResponse("**/readiness?what=assigned", () -> what.selectOption("assigned"));
    // only now the older question is answered
    page.waitForResponse("**/readiness?what=shelf", () -> slow.get(0).resume());
    // what it would change is drawn with the next frame
    page.evaluate("() => new Promise(r => requestAnimationFrame(() => requestAnimationFrame(r)))");
    assertThat(matrix.locator("thead th.piece")).hasCount(3);
  }

  /** What is removed says what goes with it and is put back later, from a list. */
  @Test
  public void whatIsRemovedIsPutBackFromAList() {
    Page page = at("/people");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("remove … First-year band"))
        .click();
    Locator ask = page.locator(".bx--modal.is-visible");
    assertThat(ask).containsText("12 students in it");
    assertThat(ask).containsText("2 assignments");
    // one click never removes
    assertThat(page.locator("h2").filter(new Locator.FilterOptions().setHasText("First-year band")))
        .isVisible();
    ask.getByText("Remove", new Locator.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("First-year band is removed.")).isVisible();
    page.navigate(browsing.at("/shelf"));
    page.waitForLoadState(LoadState.NETWORKIDLE);
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("remove … Quay Parade"))
        .click();
    page.locator(".bx--modal.is-visible")
        .getByText("Remove", new Locator.GetByTextOptions().setExact(true))
        .click();
    assertThat(page.getByText("Quay Parade is removed.")).isVisible();
    page.getByText("What was removed").click();
    assertThat(page.locator("h1")).hasText("Removed");
    for (String name : List.of("First-year band", "Quay Parade")) {
      page.locator("li")
          .filter(new Locator.FilterOptions().setHasText(name))
          .getByRole(AriaRole.BUTTON)
          .click();
      assertThat(page.getByText(name + " is back")).isVisible();
    }
    page.navigate(browsing.at("/people/group/{First-year band}/pieces"));
    assertThat(page.getByLabel("The matrix").locator("tbody tr")).hasCount(12);
    page.navigate(browsing.at("/shelf"));
    assertThat(page.getByText("Quay Parade").first()).isVisible();
    assertEquals(browsing.errors, List.of());
    assertEquals(browsing.failed.toString(), "[]");
  }

  /** What a hand does not reach is ticked by hand: the left key, not the right one of its name. */
  @Test
  public void reachIsTickedByHandAndTheFingeringFollows() {
    Page page = at("/people");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("set up Hana S.")).click();
    Locator dialog = page.locator(".bx--modal.is-visible");
    dialog.getByText("The hand does not reach").click();
    dialog.getByText("F / C key", new Locator.GetByTextOptions().setExact(true)).click();
    page.getByText("Save", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("Hana is set up.")).isVisible();
    String people = page.request().get(browsing.at("/api/people")).text();
    assertTrue(people.contains("\"avoid\":[\"F@R\"]"), people);
    assertThat(page.getByText("does not reach the F / C key").first()).isVisible();
  }

  @Test
  public void everyPageHasItsTitleAndAnUnknownAddressItsPage() {
    Page page = browsing.page();
    for (String[] p :
        new String[][] {
          {"/", "Today · Sempre"},
          {"/ear/class/{First-year band}", "Playing check: First-year band · Sempre"},
          {
            "/people/group/{Quay Concert Band}/pieces",
            "Who can play what: Quay Concert Band · Sempre"
          },
          {"/people/{Linh}", "Linh P. · Sempre"},
          {"/notes/horn/G4", "Horn, G4 · Sempre"},
          {"/removed", "Removed · Sempre"},
          {"/people/nobody/here/at/all", "Nothing at this address · Sempre"},
        }) {
      page.navigate(browsing.at(p[0]));
      assertThat(page).hasTitle(p[1]);
    }
    page.navigate(browsing.at("/nothing"));
    assertThat(page.locator("h1")).hasText("There is nothing at this address");
  }
}
