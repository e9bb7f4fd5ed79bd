package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.LoadState;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
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
    page.locator("dialog li.at").getByText(Pattern.compile(student)).waitFor();
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
  public void aBadFileIsRefusedWithBarAndCauseAndNothingIsLost() {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf"));
    byte[] bad = TUNE.replace("<step>C<", "<step>Q<").getBytes(StandardCharsets.UTF_8);
    page.setInputFiles("input[type=file]", new FilePayload("bad.xml", "application/xml", bad));
    assertThat(page.getByRole(AriaRole.ALERT).first())
        .containsText("bar 1: the note’s <step> ‘Q’ is not A to G");
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

  /** Every kind of page that there is. */
  private static final List<String> VIEWS =
      List.of(
          "/",
          "/stand",
          "/stand/{Noor}/{The Harbour Wall}",
          "/stand/{Ioane}/{Fog Horn and Fiddle}",
          "/ear/{Mateo}/{The Harbour Wall}",
          "/ear/class/{First-year band}",
          "/shelf",
          "/shelf/{Two Gulls}",
          "/shelf/book/Tidemarks",
          "/parts/{given Fog Horn and Fiddle}",
          "/sheet/{Noor}/{The Harbour Wall}",
          "/simpler/{Nokomis}/{Quay Parade}",
          "/people",
          "/people/many",
          "/people/{Noor}",
          "/people/{Noor}/report",
          "/people/group/{First-year band}",
          "/people/group/{First-year band}/pieces",
          "/people/group/{First-year band}/plays",
          "/people/group/{First-year band}/grid",
          "/people/group/{First-year band}/note/Bb4",
          "/notes/clarinet",
          "/notes/across/Bb4",
          "/chart/flute?student={Noor}",
          "/scale?group={First-year band}",
          "/help/stand",
          "/help/terms",
          "/removed");

  @DataProvider
  public Object[][] views() {
    return VIEWS.stream().map(v -> new Object[] {v}).toArray(Object[][]::new);
  }

  private void open(Page page, String path) {
    page.navigate(browsing.at(path));
    page.locator("h1").first().waitFor();
    if (path.matches("/(stand|ear)/\\{.*")) {
      page.locator("section.drawn svg.lanes text").first().waitFor();
    }
    page.waitForLoadState(LoadState.NETWORKIDLE);
  }

  /** Light and dark, on a desk and on a phone; nothing is cut off however much it is enlarged. */
  @Test(dataProvider = "views")
  public void everyViewIsAccessibleAndKeepsToItself(String path) {
    browsing.errors.clear();
    Page page = browsing.page();
    open(page, path);
    // words only, no value that was meant to become some
    assertThat(page.locator("body")).not().containsText(Pattern.compile("\\[object|undefined|NaN"));
    List<String> wrong = new ArrayList<>();
    for (int width : List.of(1280, 390)) {
      page.setViewportSize(width, 844);
      for (String theme : List.of("white", "g100")) {
        page.evaluate("t => document.documentElement.setAttribute('theme', t)", theme);
        // colours that fade over are measured when they have come to rest
        page.evaluate("() => Promise.allSettled(document.getAnimations().map(a => a.finished))");
        new AxeBuilder(page)
            .withTags(List.of("wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"))
            .analyze()
            .getViolations()
            .forEach(
                v ->
                    wrong.add(
                        width
                            + " "
                            + theme
                            + " "
                            + v.getId()
                            + ": "
                            + v.getNodes().get(0).getHtml()));
      }
    }
    // the desk's screen as it is, and at 200 and at 400 per cent
    for (int width : List.of(1280, 640, 320)) {
      page.setViewportSize(width, width == 1280 ? 800 : width * 4 / 5);
      measure(page, width, 24, wrong);
    }
    assertEquals(wrong.toString(), "[]");
    assertEquals(browsing.foreign, List.of(), "no page asks another host for anything");
    assertEquals(browsing.errors.toString(), "[]");
    page.context().close();
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

  /**
   * What one presses and is too small: lower than so many px, or narrower than 24. A link in the
   * middle of a sentence is as high as its line (WCAG 2.2, 2.5.8, has the same exception).
   */
  private static final String SMALL =
      """
      least => {
        const small = [];
        const all = 'a[href], button, input, select, summary, [role=button], [tabindex="0"]';
        for (const e of document.querySelectorAll(all)) {
          if (e.closest('.bx--visually-hidden, .skip, [aria-hidden=true], svg') || e.disabled)
            continue;
          const label = e.matches('[type=checkbox], [type=radio]')
            ? e.closest('label') ?? document.querySelector(`label[for="${e.id}"]`) : null;
          const box = (label ?? e).getBoundingClientRect();
          if (box.width <= 1 || box.height <= 1) continue;
          const style = getComputedStyle(label ?? e);
          if (style.visibility === 'hidden') continue;
          const around = [...e.parentElement.childNodes];
          if (style.display.startsWith('inline')
              && e.parentElement.matches('p, li, td, dd, span')
              && around.some(n => n.nodeType === 3 && n.textContent.trim().length > 1)) continue;
          if (box.height < least - 0.5 || box.width < 23.5)
            small.push(`${e.tagName} ${(e.textContent || e.name || e.type).trim().slice(0, 30)}`
                + ` ${Math.round(box.width)}x${Math.round(box.height)}`);
        }
        return small.slice(0, 4).join('; ');
      }
      """;

  /** What is wider than the screen, and what is too small to be pressed. */
  private static void measure(Page page, int width, int least, List<String> wrong) {
    Object over = page.evaluate("w => document.documentElement.scrollWidth - w", width);
    if (((Number) over).intValue() > 0) {
      wrong.add(over + " px too wide for " + width);
    }
    String small = (String) page.evaluate(SMALL, least);
    if (!small.isEmpty()) {
      wrong.add("too small at " + width + ": " + small);
    }
  }

  /** Where a hand holds the screen, a thumb meets what it presses: 44 px. */
  @Test
  public void onTabletsAndAPhoneNothingIsCutOffOrTooSmallForAThumb() {
    Page page = browsing.touched(768, 1024);
    List<String> all = new ArrayList<>();
    for (String path : VIEWS) {
      page.setViewportSize(768, 1024);
      open(page, path);
      List<String> wrong = new ArrayList<>();
      measure(page, 768, 44, wrong);
      for (int width : List.of(1024, 390)) {
        page.setViewportSize(width, width == 390 ? 844 : 768);
        measure(page, width, 44, wrong);
      }
      wrong.forEach(w -> all.add(path + ": " + w));
    }
    assertEquals(String.join("\n", all), "");
  }
}
