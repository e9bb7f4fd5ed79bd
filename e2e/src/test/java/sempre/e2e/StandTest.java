package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Media;
import com.microsoft.playwright.options.SelectOption;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** One part for one player: how far a choice reaches, what else there is, and why. */
public class StandTest {
  /** A flute part with four B flats, and the player's other parts. */
  private static final String FLUTE = "/stand/{Linh}/{Fog Horn and Fiddle}";

  private Browsing browsing;
  private Page page;

  @BeforeClass
  void open() {
    browsing = new Browsing(true);
  }

  @AfterMethod(alwaysRun = true)
  void leave() {
    if (page != null) {
      page.close();
    }
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browsing.close();
  }

  private Locator at(String path) {
    page = browsing.page();
    page.navigate(browsing.at(path));
    page.locator("section.drawn svg.lanes text").first().waitFor();
    page.getByText("Ways of playing").waitFor();
    return page.getByLabel("The chosen note");
  }

  /** Goes to the first note of this name. */
  private void go(Locator aside, String note) {
    page.keyboard().press("Home");
    while (!aside.locator(".pitch").textContent().equals(note)) {
      page.keyboard().press("ArrowRight");
    }
  }

  private int kept() {
    return page.locator("path.lock").count();
  }

  @Test
  public void aChoiceCountsForEveryNoteOfItsPitchAndIsUndoneAfterAReload() {
    Locator aside = at("/stand/{Linh}/{Kelp and Foam}");
    go(aside, "B♭5");
    aside.getByLabel("A choice counts for").selectOption("PITCH");
    page.locator("h1").click();
    page.keyboard().press("k");
    assertThat(aside.getByText("Kept on 4 notes.")).isVisible();
    assertEquals(kept(), 4);
    page.reload();
    assertThat(page.locator("path.lock")).hasCount(4);
    page.keyboard().press("u");
    assertThat(page.locator("path.lock")).hasCount(0);
    page.keyboard().press("r");
    assertThat(page.locator("path.lock")).hasCount(4);
    page.keyboard().press("u");
    assertThat(page.locator("path.lock")).hasCount(0);
    assertEquals(browsing.errors, List.of());
  }

  @Test
  public void whatElseThereIsStandsOnThePageOnlyWhereItDiffers() {
    Locator aside = at("/stand/{Noor}/{Fog Horn and Fiddle}");
    int all = page.locator("svg.lanes text.name").count();
    aside.getByText("Compare on the page").first().click();
    assertThat(page.getByText("Only the notes that differ are named.")).isVisible();
    assertThat(page.locator("text.instead").first()).isVisible();
    assertTrue(page.locator("svg.lanes text.name").count() < all);
    page.locator("h1").click();
    page.keyboard().press("Escape");
    assertThat(page.locator("text.instead")).hasCount(0);
    assertThat(page.locator("svg.lanes text.name")).hasCount(all);
  }

  @Test
  public void anotherSchoolIsShownBeforeItIsTakenAndTakenBack() {
    Locator aside = at(FLUTE);
    Locator lever =
        aside
            .locator("details")
            .filter(new Locator.FilterOptions().setHasText("side lever"))
            .last();
    lever.locator("summary").click();
    assertThat(lever).containsText("instead of");
    lever.getByText("For this student").click();
    assertThat(aside.getByRole(AriaRole.STATUS)).containsText("plays it this way from now on.");
    assertThat(aside.getByRole(AriaRole.STATUS)).containsText("instead of");
    assertThat(aside.getByText("this student’s own way")).isVisible();
    page.locator("h1").click();
    page.keyboard().press("u");
    assertThat(aside.getByRole(AriaRole.STATUS)).containsText("Taken back.");
    assertThat(aside.getByText("this student’s own way")).hasCount(0);
  }

  @Test
  public void barsAreChosenByKeysAndPlayed() {
    Locator aside = at(FLUTE);
    page.keyboard().press("Home");
    page.keyboard().press("Shift+ArrowRight");
    assertThat(aside.getByRole(AriaRole.STATUS)).hasText("Bar 1 chosen.");
    page.keyboard().press("Shift+ArrowRight");
    assertThat(aside.getByRole(AriaRole.STATUS)).hasText("Bars 1 to 2 chosen.");
    assertThat(page.locator("rect.selected")).hasCount(1);
    assertThat(page.locator(".play summary")).containsText("bars 1 to 2");
    page.keyboard().press("Shift+ArrowLeft");
    assertThat(page.locator(".play summary")).containsText("bars 1 to 1");
    page.keyboard().press("Escape");
    assertThat(page.locator("rect.selected")).hasCount(0);
  }

  @Test
  public void whatSoundsIsShownByItsLetterAndAsAPicture() {
    at("/stand/{Linh}/{Kelp and Foam}");
    page.keyboard().press(" ");
    Locator now = page.locator(".sounds");
    assertThat(now.locator(".letter")).hasText(Pattern.compile("[A-G][♯♭]?"));
    assertThat(now.locator("svg").first()).isVisible();
    page.keyboard().press(" ");
    assertThat(now).hasCount(0);
  }

  /** For who hears the page read: one place that Tab comes to, and a sentence for each note. */
  @Test
  public void thePageIsReachedByTabAndReadAsSentences() {
    at(FLUTE);
    Locator notes = page.getByRole(AriaRole.LISTBOX);
    for (int i = 0; i < 60 && !(boolean) notes.evaluate("n => n === document.activeElement"); i++) {
      page.keyboard().press("Tab");
    }
    assertThat(notes).isFocused();
    page.keyboard().press("Home");
    page.keyboard().press("ArrowRight");
    Locator second = notes.getByRole(AriaRole.OPTION).nth(1);
    assertThat(second).hasAttribute("aria-selected", "true");
    assertThat(notes).hasAttribute("aria-activedescendant", second.getAttribute("id"));
    assertThat(notes.getByRole(AriaRole.OPTION).first())
        .hasText(Pattern.compile("bar 1, beat 1: [A-G]( flat| sharp)? ?\\d, .+"));
  }

  @Test
  public void aBarIsExplainedNoteByNote() {
    Locator aside = at(FLUTE);
    page.keyboard().press("Home");
    page.keyboard().press("e");
    Locator bar = aside.getByLabel("This bar explained");
    assertThat(bar.locator("h2")).hasText("Bar 1");
    assertThat(bar).containsText("Most work:");
    bar.locator("li button").last().click();
    page.keyboard().press("e");
    assertThat(aside).containsText("bar 1, beat");
    assertThat(bar).hasCount(0);
  }

  @Test
  public void aChangePointedAtShowsBothHandsTheTimeAndWhatSlipsOut() {
    at("/stand/{Kwame}/{Fog Horn and Fiddle}");
    assertThat(page.locator(".pointed")).hasCount(0);
    page.locator("rect.point").first().hover();
    Locator shown = page.locator(".pointed");
    assertThat(shown).containsText(" to ");
    assertThat(shown).containsText(Pattern.compile("in \\d\\.\\d seconds"));
    assertThat(shown.locator("svg text.of")).hasCount(2);
    assertThat(shown)
        .containsText(Pattern.compile("may slip out .*; it (is|is hardly|stands) (heard|out)\\."));
    page.locator("h1").hover();
    assertThat(shown).hasCount(0);
  }

  @Test
  public void aTrillShowsTheFingerThatMovesUnderTheNoteAndBesideIt() {
    Locator aside = at("/stand/{Linh}/{Spray}");
    assertThat(page.locator("path.shake")).hasCount(1);
    page.keyboard().press("Home");
    while (!aside.textContent().contains("Trill")) {
      page.keyboard().press("ArrowRight");
    }
    assertThat(aside).containsText("Trill C♯6 to D6");
    assertThat(aside).containsText("first trill key");
    assertThat(aside).containsText("Only the right second finger moves.");
  }

  @Test
  public void onPaperATrillIsToldUnderTheMusic() {
    at("/stand/{Linh}/{Spray}");
    Locator told = page.locator("li").filter(new Locator.FilterOptions().setHasText("Trill C♯6"));
    assertThat(told).isHidden();
    page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
    assertThat(told).isVisible();
    assertThat(told)
        .containsText("bar 10: the first trill key. Only the right second finger moves.");
  }

  /** Mallets: nothing to finger, to keep or to take instead. */
  @Test
  public void whoPlaysByNamesHasTheNamesUnderTheNotesAndSeesWhereTheBarLies() {
    page = browsing.page();
    page.navigate(browsing.at("/stand/{Ivo}/{Fog Horn and Fiddle}"));
    Locator names = page.locator("section.drawn svg.lanes text.name");
    names.first().waitFor();
    assertThat(names.first()).hasText("C");
    assertThat(names.nth(5)).hasText("B♭");
    Locator aside = page.getByLabel("The chosen note");
    assertThat(aside.getByRole(AriaRole.HEADING).first()).containsText("bar in the lower row");
    assertThat(aside.locator("svg rect.struck")).hasCount(1);
    assertThat(aside.getByText("Instead")).hasCount(0);
    assertThat(aside.getByRole(AriaRole.BUTTON)).hasCount(0);
  }

  /** Waits until the page is engraved in its size: it stays as high as it is for a second. */
  private void steady() {
    page.evaluate(
        "async () => { let since = Date.now(), high = 0; while (Date.now() - since < 1000) {"
            + " const now = document.documentElement.scrollHeight;"
            + " const coming = document.querySelector('section.line:not(.drawn)');"
            + " if (now !== high || coming) { high = now; since = Date.now() }"
            + " await new Promise(r => setTimeout(r, 50)) } }");
  }

  @Test
  public void onlyThePageIsReadAndTurnedByKeysAndTaps() {
    Locator panel = at(FLUTE);
    page.setViewportSize(1024, 560);
    for (int i = 0; i < 3; i++) {
      page.keyboard().press("+");
    }
    page.keyboard().press("m");
    assertThat(page.getByRole(AriaRole.NAVIGATION)).isHidden();
    assertThat(panel).isHidden();
    steady();
    page.keyboard().press("PageDown");
    page.waitForFunction("() => scrollY > 100");
    // a line begins the page
    page.waitForFunction(
        "() => [...document.querySelectorAll('section.line')].some("
            + "l => Math.abs(l.getBoundingClientRect().top - 4) < 2)");
    page.keyboard().press("PageUp");
    page.waitForFunction("() => scrollY < 60");
    // at the beginning there is nothing before it
    double top = ((Number) page.evaluate("scrollY")).doubleValue();
    page.keyboard().press("PageUp");
    assertEquals(((Number) page.evaluate("scrollY")).doubleValue(), top);
    page.mouse().click(900, 300);
    page.waitForFunction("() => scrollY > 100");
    page.keyboard().press("Escape");
    assertThat(page.getByRole(AriaRole.NAVIGATION)).isVisible();
  }

  @Test
  public void theLegendNamesTheMarksThatAreThereAndThePanelStaysClosed() {
    Locator panel = at(FLUTE);
    page.getByText("What the marks mean").click();
    assertThat(page.getByText("a finger is down, as long as the bar")).isVisible();
    assertThat(page.getByText("where the slide is")).hasCount(0);
    page.keyboard().press("Escape");
    page.keyboard().press("d");
    assertThat(panel).isHidden();
    page.reload();
    page.locator("section.drawn svg.lanes text").first().waitFor();
    assertThat(panel).isHidden();
    page.getByText("open the panel").click();
    assertThat(panel).isVisible();
  }

  /** Fingerings, names and lanes grow with the music. */
  @Test
  public void largerMusicHasLargerFingerings() {
    at(FLUTE);
    Locator name = page.locator("section.drawn svg.lanes text.name").first();
    double before = name.boundingBox().height;
    page.keyboard().press("+");
    page.keyboard().press("+");
    page.waitForFunction(
        "h => document.querySelector('section.drawn svg.lanes text.name')"
            + ".getBoundingClientRect().height > 1.3 * h",
        before);
  }

  @Test
  public void thePageGrowsAndShrinks() {
    at(FLUTE);
    int lines = page.locator("section.line.drawn").count();
    for (int i = 0; i < 3; i++) {
      page.keyboard().press("+");
    }
    page.waitForFunction("n => document.querySelectorAll('section.line.drawn').length > n", lines);
    page.keyboard().press("0");
    page.waitForFunction(
        "n => document.querySelectorAll('section.line.drawn').length === n", lines);
  }

  @Test
  public void aStudentsPageSaysWhatIsWorthTeachingNextAndWhere() {
    page = browsing.page();
    page.navigate(browsing.at("/people/{Linh}"));
    Locator row = page.locator(".teach li").first();
    assertThat(row).containsText(Pattern.compile("bars?\\s+\\d"));
    row.locator("a").first().click();
    assertThat(page).hasURL(Pattern.compile("/stand/\\d+/\\d+"));
  }

  @Test
  public void notesAreNamedAndPlayedAsTheTeacherDoes() {
    page = browsing.page();
    page.navigate(browsing.at("/people"));
    String[][] ways = {
      {"Everyone: note names", "syllables", "letters"},
      {"Everyone: name black-key notes", "sharps", "usual"},
      {"Everyone: playback starts at", "marked", "clean"},
      {"Everyone: finger pictures", "facing", "player"},
    };
    for (String[] w : ways) {
      choose(w[0], w[1]);
      assertThat(page.getByText("The house style is changed")).isVisible();
    }
    try {
      everythingIsSaidAsChosen();
    } finally {
      page.navigate(browsing.at("/people"));
      for (String[] w : ways) {
        choose(w[0], w[2]);
      }
    }
  }

  /** Chooses a way of the house, and waits until it is kept. */
  private void choose(String way, String value) {
    page.waitForResponse(
        "**/api/styles/**",
        () ->
            page.getByLabel(way, new Page.GetByLabelOptions().setExact(true)).selectOption(value));
  }

  private void everythingIsSaidAsChosen() {
    page.navigate(browsing.at("/notes/flute/Bb4"));
    assertThat(page.locator("h2.pitch")).hasText("la♯4");
    assertThat(page.locator("div.bar")).containsText("facing the player");
    page.navigate(browsing.at(FLUTE));
    page.locator("section.drawn svg.lanes text").first().waitFor();
    assertThat(page.locator(".play summary")).hasText("100 %");
    Locator aside = page.getByLabel("The chosen note");
    go(aside, "si♭4");
    assertThat(aside).containsText(Pattern.compile("(re|mi|fa|sol|la|si|do)[♭♯]?5"));
    // the sentences and the names of fingerings say them too
    assertThat(aside.locator("h2")).containsText("si flat");
    // what goes back to the server keeps its letters
    page.navigate(browsing.at("/ear/class/{First-year band}"));
    page.locator(".chip").filter(new Locator.FilterOptions().setHasText("G")).first().click();
    page.getByText("Begin", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page).hasURL(Pattern.compile("/ear/check/\\d+"));
    assertThat(page.getByLabel("Now asked"))
        .containsText(Pattern.compile("(do|re|mi|fa|sol|la|si)[♭♯]?\\d"));
    page.navigate(browsing.at("/people/group/{First-year band}/note/Bb"));
    assertThat(page.locator("h1")).hasText("Everyone plays la♯");
    Locator first = page.locator("article").first();
    assertThat(first)
        .containsText(Pattern.compile("As for (low |high )?(do|re|mi|fa|sol|la|si)\\b"));
    assertThat(first).containsText(Pattern.compile("sounds la♯\\d"));
  }

  @Test
  public void aChangeOfTheHouseStyleSaysWhatBecomesOfTheAssignedParts() {
    page = browsing.page();
    page.navigate(browsing.at("/people"));
    Locator flute = page.getByLabel("Flute: B flat", new Page.GetByLabelOptions().setExact(true));
    flute.selectOption("lever");
    Locator effects = page.getByLabel("Fingered otherwise now");
    assertThat(effects).containsText("Linh P., Fog Horn and Fiddle");
    assertThat(effects).containsText("instead of thumb B flat");
    flute.selectOption("thumb");
    assertThat(effects).containsText("instead of side lever B flat");
    // decided for the thumb, the plan takes no lever; taken back, it may
    page.waitForResponse(
        r -> r.request().method().equals("PUT") && r.url().contains("/api/styles/"),
        () -> flute.selectOption(new SelectOption().setLabel("usually thumb in flat keys")));
    page.reload();
    assertThat(flute).hasValue("");
  }

  /** Sixteen notes of a flute in each bar, most of them new. */
  private static byte[] sixteenths() {
    StringBuilder s =
        new StringBuilder(
            "<score-partwise version='4.0'><part-list><score-part id='P1'>"
                + "<part-name>Flute</part-name></score-part></part-list><part id='P1'>"
                + "<measure number='1'><attributes><divisions>4</divisions></attributes>");
    for (String note : "D5 E5 F5 G5 A5 B5 C6 D6 E6 F6 G6 F6 E6 D6 C6 B5".split(" ")) {
      s.append("<note><pitch><step>" + note.charAt(0) + "</step><octave>" + note.charAt(1))
          .append("</octave></pitch><duration>1</duration><type>16th</type></note>");
    }
    return s.append("</measure></part></score-partwise>").toString().getBytes();
  }

  @Test
  public void fingeringsOfSixteenthsTouchNoneOther() {
    page = browsing.page();
    long piece = browsing.brought(page, "Spindrift", sixteenths());
    at("/stand/{Linh}/" + piece);
    // the boxes of all names of a line, in px: none meets another
    Object touching =
        page.evaluate(
            """
            () => [...document.querySelectorAll('svg.lanes')].flatMap((lanes) => {
              const boxes = [...lanes.querySelectorAll('text.name, rect.new')].map((e) => [
                e,
                e.getBBox()
              ]);
              const meet = (a, b) =>
                a.x < b.x + b.width && b.x < a.x + a.width &&
                a.y < b.y + b.height && b.y < a.y + a.height;
              const middle = (b) => b.x + b.width / 2;
              return boxes.flatMap(([e, a], i) =>
                boxes.slice(i + 1)
                  // the two rows of a name, and its own frame, stand over the same place
                  .filter(([, b]) => Math.abs(middle(a) - middle(b)) > 1 && meet(a, b))
                  .map(() => e.textContent)
              );
            })""");
    assertEquals(touching, List.of());
    assertTrue(page.locator("svg.lanes rect.new").count() > 8);
  }
}
