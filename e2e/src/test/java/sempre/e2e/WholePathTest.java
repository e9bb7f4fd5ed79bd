package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** A teacher's way through the application, in a real browser. */
public class WholePathTest {
  private static final String TUNE =
      "<score-partwise><work><work-title>Gannet Point</work-title></work><part-list>"
          + "<score-part id='P1'><part-name>Flute</part-name></score-part></part-list><part id='P1'>"
          + "<measure number='1'><attributes><divisions>1</divisions><key><fifths>-2</fifths></key>"
          + "<time><beats>4</beats><beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line></clef></attributes>"
          + "<sound tempo='120'/>"
          + quarter("F", 0, 4)
          + quarter("B", -1, 4)
          + quarter("C", 0, 5)
          + quarter("B", -1, 4)
          + "</measure></part></score-partwise>";

  private static String quarter(String step, int alter, int octave) {
    return "<note><pitch><step>"
        + step
        + "</step>"
        + (alter == 0 ? "" : "<alter>" + alter + "</alter>")
        + "<octave>"
        + octave
        + "</octave></pitch><duration>1</duration><type>quarter</type></note>";
  }

  private Browsing browsing;

  @BeforeClass
  void open() {
    browsing = new Browsing(true);
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browsing.close();
  }

  private Page stand(String student, String piece) {
    Page page = browsing.page();
    page.navigate(browsing.at("/"));
    page.keyboard().press("/");
    page.keyboard().type(student + " " + piece);
    // the row that is wanted, and not one from before all lists had come
    page.locator("dialog li.at")
        .filter(new Locator.FilterOptions().setHasText(student))
        .filter(new Locator.FilterOptions().setHasText(piece))
        .waitFor();
    page.keyboard().press("Enter");
    page.locator("svg.engraved").first().waitFor();
    return page;
  }

  @Test
  public void fromTodayToALockedAlternateAndAMarkThatOutlivesARestart() {
    Page page = browsing.page();
    page.navigate(browsing.at("/"));
    assertThat(
            page.getByRole(
                AriaRole.HEADING, new Page.GetByRoleOptions().setName("First-year band")))
        .isVisible();
    assertThat(page.getByText("lack notes").first()).isVisible();

    // a file is brought in, seen, kept and given
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Shelf").setExact(true))
        .click();
    page.setInputFiles(
        "input[type=file]",
        new FilePayload(
            "gannet.musicxml", "application/xml", TUNE.getBytes(StandardCharsets.UTF_8)));
    assertThat(page.getByText("gannet.musicxml holds 1 bar")).isVisible();
    assertThat(page.getByText("F4 to C5")).isVisible();
    page.getByText("Keep it on the shelf").click();
    assertThat(page.getByText("Gannet Point is on the shelf.")).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("give Gannet Point"))
        .click();
    page.getByText("Give it", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.locator("h1")).hasText("Gannet Point");
    assertThat(page.getByText("for First-year band")).isVisible();
    assertThat(page.locator("tbody tr:not(.section)")).hasCount(12);

    // the part of one student; the plan changes when an alternate is locked
    page = stand("Noor", "gannet");
    Locator panel = page.getByLabel("The chosen note");
    page.keyboard().press("Home");
    page.keyboard().press("ArrowRight");
    assertThat(panel).containsText("B♭4");
    assertThat(panel).containsText("humb B flat");
    String before = page.locator("svg.lanes text.name").allTextContents().toString();
    page.keyboard().press("ArrowDown");
    page.keyboard().press("Enter");
    assertThat(panel).containsText("Your teacher has chosen");
    assertNotEquals(page.locator("svg.lanes text.name").allTextContents().toString(), before);
    String locked = panel.locator("h2").textContent();

    // a playing check by keyboard alone
    page.keyboard().press("h");
    page.getByText("Hearing Noor A.").waitFor();
    page.locator("svg.engraved").first().waitFor();
    page.keyboard().press("r");
    page.keyboard().type("a little late");
    page.keyboard().press("Enter");
    page.keyboard().press("2");
    assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("F4: shaky");
    page.keyboard().press("1");
    page.keyboard().press("3");
    page.keyboard().press("u");
    assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("taken back");
    page.keyboard().press("a");
    page.keyboard().press("Enter");
    assertThat(page.getByText(Pattern.compile("Written down: (\\d) of \\1 notes"))).isVisible();
    assertThat(page.getByText("a little late")).isVisible();

    // all of it is still there after a restart
    browsing.restart();
    page = stand("Noor", "gannet");
    page.keyboard().press("Home");
    assertThat(page.getByLabel("The chosen note")).containsText("shaky when last heard");
    page.keyboard().press("ArrowRight");
    assertThat(page.getByLabel("The chosen note")).containsText("Your teacher has chosen");
    assertEquals(page.getByLabel("The chosen note").locator("h2").textContent(), locked);
    page.keyboard().press("k");
    assertThat(page.getByLabel("The chosen note")).not().containsText("Your teacher has chosen");
  }

  @Test
  public void lanesStandUnderTheirNotes() {
    Page page = stand("Linh", "signal");
    Object off =
        page.evaluate(
            """
            () => {
              const line = document.querySelector('section.line.drawn');
              const heads = [...line.querySelectorAll('g.note .notehead use')].map(h => {
                const b = h.getBoundingClientRect();
                return b.x + b.width / 2;
              });
              const names = [...line.querySelectorAll('svg.lanes text.name')].map(t => {
                const b = t.getBoundingClientRect();
                return b.x + b.width / 2;
              });
              return Math.max(...names.map(n => Math.min(...heads.map(h => Math.abs(h - n)))));
            }
            """);
    assertTrue(((Number) off).doubleValue() < 1.5, "a name is " + off + " px from its note");
    assertTrue(page.locator("rect.bar").count() > 10);
  }

  @Test
  public void aClickOnANoteChoosesIt() {
    Page page = stand("Saoirse", "fog");
    page.locator("section.line.drawn").first().locator("text.name").nth(3).click();
    assertThat(page.getByLabel("The chosen note")).containsText("beat 2.5");
  }

  @Test
  public void aBadBarIsToldABadFileIsRefusedAndNothingIsLost() {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf"));
    byte[] slip = TUNE.replace("<step>C<", "<step>Q<").getBytes(StandardCharsets.UTF_8);
    page.setInputFiles("input[type=file]", new FilePayload("slip.xml", "application/xml", slip));
    assertThat(page.getByText("the note’s <step> ‘Q’ is not A to G; left empty here").first())
        .isVisible();
    byte[] cut = Arrays.copyOf(slip, slip.length / 2);
    page.setInputFiles("input[type=file]", new FilePayload("cut.xml", "application/xml", cut));
    assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("it ends in the middle");
    assertThat(page.getByText("Half-Tide Rock").first()).isVisible();
  }

  @Test
  public void aPieceTakenOffTheShelfIsPutBack() {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf"));
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("remove … Two Gulls"))
        .click();
    page.getByText("Cancel", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.locator("a.title").getByText("Two Gulls")).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("remove … Two Gulls"))
        .click();
    page.getByText("Remove", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("Two Gulls is removed.")).isVisible();
    assertThat(page.locator("a.title").getByText("Two Gulls")).hasCount(0);
    page.getByText("What was removed").click();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Put back")).click();
    assertThat(page.getByText("Two Gulls is back.")).isVisible();
  }

  @Test
  public void aStudentIsSetUpAndErased() {
    Page page = browsing.page();
    page.navigate(browsing.at("/people"));
    page.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions().setName("add a student to First-year band"))
        .click();
    page.getByText("Save", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("Give the student’s first name").first()).isVisible();
    page.getByLabel("First name").fill("Ottilie");
    page.getByText("Save", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("Ottilie is set up.")).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("set up Ottilie")).click();
    page.getByText("Erase this student …").click();
    page.getByText("Erase for good").click();
    assertThat(page.getByText("Ottilie is erased for good: 1 instrument, 0 things heard"))
        .isVisible();
  }

  @Test
  public void helpIsThereForEachPlaceWithItsPictureInBothLanguages() {
    Page page = browsing.page();
    page.navigate(browsing.at("/parts/{given Fog Horn and Fiddle}"));
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Help")).click();
    assertThat(page.locator("h1")).hasText("On paper");
    for (String place : List.of("today", "stand", "ear", "shelf", "notes", "people", "paper")) {
      for (String language : List.of("en", "es")) {
        page.navigate(browsing.at("/help/" + place + "?lang=" + language));
        Locator picture = page.locator("figure img");
        assertThat(picture).hasAttribute("src", Pattern.compile(place + "-" + language));
        page.waitForCondition(() -> (boolean) picture.evaluate("i => i.naturalWidth === 1280"));
        assertThat(page.locator("ol li").nth(3)).isVisible();
      }
    }
  }

  @Test
  public void everythingIsReachedByKeyboardWithAVisibleFocus() {
    Page page = browsing.page();
    page.navigate(browsing.at("/"));
    page.locator("table").first().waitFor();
    page.keyboard().press("Tab");
    assertThat(page.locator(":focus")).hasText("To the page");
    for (String place : List.of("Today", "Stand", "Ear", "Shelf", "Notes", "People")) {
      page.keyboard().press("Tab");
      assertThat(page.locator(":focus")).hasText(place);
      String outline =
          (String) page.evaluate("() => getComputedStyle(document.activeElement).outlineStyle");
      assertEquals(outline, "solid");
    }
    page.keyboard().press("g");
    page.keyboard().press("l");
    assertThat(page.locator("h1")).hasText("Shelf");
    page.keyboard().press("?");
    Locator list = page.getByLabel("Keys").filter(new Locator.FilterOptions().setVisible(true));
    assertThat(list.getByText("the piece above, the piece below").first()).isVisible();
    // letters can be switched off for those who dictate or lean on the keys; the choice is kept
    list.getByText("Letters, digits and signs as keys").first().click();
    page.keyboard().press("Escape");
    page.reload();
    assertThat(page.locator("h1")).hasText("Shelf");
    page.keyboard().press("?");
    page.keyboard().press("g");
    page.keyboard().press("n");
    assertThat(page.locator("h1")).hasText("Shelf");
    assertThat(page.getByText("the piece above, the piece below")).not().isVisible();
  }
}
