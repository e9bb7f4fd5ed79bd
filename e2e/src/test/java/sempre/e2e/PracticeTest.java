package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Media;
import java.time.LocalDate;
import java.util.regex.Pattern;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** A part is practised bit by bit, with the keyboard alone, and handed out on paper. */
public class PracticeTest {
  private Browsing browsing;
  private Page page;

  @BeforeClass
  void open() {
    browsing = new Browsing(true);
    page = browsing.page();
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browsing.close();
  }

  /** A button by its words, before or behind which its key may stand. */
  private Locator button(String words) {
    Pattern name = Pattern.compile("^(\\d ?)?" + words + "( n)?$");
    return page.locator(".bits > li.open")
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
  }

  private static void pressed(Locator button, boolean is) {
    assertThat(button).hasAttribute("aria-pressed", String.valueOf(is));
  }

  @Test
  public void aBitIsBuiltUpStepByStepAndWhatCatchesIsGoneRound() {
    page.navigate(browsing.at("/stand/{Noor}/{Undertow}"));
    page.getByText("Practise in bits").click();
    Locator bits = page.locator(".bits > li");
    assertThat(bits).hasCount(5);
    page.locator(".bits svg.engraved").nth(4).waitFor();
    assertThat(bits.first()).hasClass(Pattern.compile("open"));
    // the notes of other bits are drawn faintly, those of this one are not
    assertEquals(bits.first().locator("g.note[style*='opacity']").count(), 0);

    // each note by itself, round and round: the mark comes back to the first note
    page.keyboard().press("3");
    pressed(button("Notes, no rhythm"), true);
    Locator mark = bits.first().locator("rect.sounds");
    mark.waitFor();
    String first = mark.getAttribute("x");
    page.waitForFunction(
        "x => { const m = document.querySelector('.bits rect.sounds');"
            + " return m && m.getAttribute('x') !== x }",
        first);
    page.keyboard().press("3");
    pressed(button("Notes, no rhythm"), false);

    // what catches: two notes, with every n one more
    page.keyboard().press("n");
    pressed(button("2 notes"), true);
    page.keyboard().press("n");
    pressed(button("3 notes"), true);
    page.keyboard().press(" ");
    pressed(button("3 notes"), false);
    page.keyboard().press(" ");
    pressed(button("3 notes"), true);

    // quicker by five percent, and the next bit, which begins at its own tempo
    Locator tempo = page.getByLabel(Pattern.compile("Tempo in %"));
    int start = Integer.parseInt(tempo.inputValue());
    assertTrue(start < 75, "C to D under a slur needs time: " + start);
    page.keyboard().press("+");
    assertThat(tempo).hasValue(String.valueOf(start + 5));
    pressed(button("3 notes"), false);
    page.keyboard().press("ArrowDown");
    assertThat(bits.nth(1)).hasClass(Pattern.compile("open"));
    assertThat(tempo).hasValue("75");
    assertThat(page.getByText("The way to F♯5")).isVisible();
    page.keyboard().press("ArrowUp");
    assertThat(tempo).hasValue(String.valueOf(start + 5));

    // the last bit leads nowhere
    for (int i = 0; i < 4; i++) {
      page.keyboard().press("ArrowDown");
    }
    assertThat(bits.nth(4)).hasClass(Pattern.compile("open"));
    assertThat(button("As written, slowly")).isVisible();
    assertThat(button("On into bit 6")).hasCount(0);
  }

  /** What is given to a group goes out as bits for all of them at once. */
  @Test
  public void everyoneGetsTheirBitsOnPaper() {
    Page parts = browsing.page();
    parts.navigate(browsing.at("/parts/{given The Harbour Wall}"));
    parts.locator("table.sheet tbody tr th[scope=row]").first().waitFor();
    int players = parts.locator("table.sheet tbody tr th[scope=row]").count();
    assertTrue(players > 3);
    parts.getByText("The bits on paper").click();
    parts.waitForFunction("() => document.documentElement.dataset.printable === 'yes'");
    Locator sheets = parts.locator("article");
    assertThat(sheets).hasCount(players);
    assertThat(sheets.first()).containsText("The Harbour Wall, bit by bit");
    assertEquals(parts.locator("article .meanwhile").count(), 0);
    assertEquals(parts.locator("article section").count(), parts.locator("article .boxes").count());
    parts.keyboard().press("Escape");
    parts.waitForURL(Pattern.compile("/parts/\\d+$"));
    parts.close();
  }

  /** A flute of the first years has air for two bars of the etude, and breathes at their end. */
  @Test
  public void breathsAreMarkedInThePartAndToldAtTheirNote() {
    Page stand = browsing.page();
    stand.navigate(browsing.at("/stand/{Noor}/{Undertow}"));
    stand.locator("section.drawn svg.lanes text").first().waitFor();
    assertTrue(stand.locator("g.breath").count() >= 3, "commas over the staff");
    stand.keyboard().press("Home");
    for (int i = 0; i < 10; i++) {
      stand.keyboard().press("ArrowRight");
    }
    assertThat(stand.getByText("Breathe after it; the note may be a little shorter.")).isVisible();
    stand.close();
  }

  @Test(dependsOnMethods = "aBitIsBuiltUpStepByStepAndWhatCatchesIsGoneRound")
  public void theBitsAreHandedOutOnPaper() {
    page.keyboard().press("p");
    page.waitForURL(Pattern.compile("/paper$"));
    page.waitForFunction("() => document.documentElement.dataset.printable === 'yes'");
    Locator sheet = page.locator("article");
    assertThat(sheet).containsText("Undertow, bit by bit");
    assertThat(sheet).containsText("Go round: C D · B♭ C D · B♭ C D E♭");
    assertThat(sheet.locator("section")).hasCount(5);
    assertEquals(sheet.locator("section").first().locator(".boxes i").count(), 5);
    assertEquals(sheet.locator("section").last().locator(".boxes i").count(), 4);
    page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
    assertThat(page.getByRole(AriaRole.BUTTON)).not().isVisible();
    // nothing lies beside the sheet, and fingerings have 9 pt
    Object narrow =
        page.evaluate(
            "() => { const a = document.querySelector('article').getBoundingClientRect();"
                + " return [...document.querySelectorAll('article svg')]"
                + ".every(s => s.getBoundingClientRect().right <= a.right + 1) }");
    assertEquals(narrow, true);
    Object least =
        page.evaluate(
            "() => Math.min(...[...document.querySelectorAll('article .line > svg text')]"
                + ".map(t => parseFloat(t.getAttribute('font-size'))"
                + " * t.ownerSVGElement.getBoundingClientRect().width"
                + " / t.ownerSVGElement.viewBox.baseVal.width))");
    assertTrue(((Number) least).doubleValue() >= 11.9, "9 pt are 12 px: " + least);
    page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.SCREEN));
    page.keyboard().press("s");
    assertThat(page.locator(".bits > li")).hasCount(5);
  }

  /** Three clean runs are a step up the ladder; the last is taken back, and they are two. */
  @Test(dependsOnMethods = "theBitsAreHandedOutOnPaper")
  public void aCleanRunIsMarkedWithOneKeyAndStaysAfterAReload() {
    page.keyboard().press("ArrowDown");
    Locator ladder = page.locator(".bits > li.open .ladder");
    assertThat(ladder).containsText("0 of 3 clean runs in a row");
    String now = ladder.locator("p").first().innerText();
    for (int i = 1; i <= 2; i++) {
      page.keyboard().press("c");
      assertThat(ladder).containsText(i + " of 3 clean runs in a row");
    }
    page.keyboard().press("c");
    assertThat(ladder).containsText("Clean at");
    assertThat(ladder).containsText("0 of 3 clean runs in a row");
    assertThat(ladder.locator("p").first()).not().hasText(now);
    assertThat(ladder.locator("svg circle")).hasCount(1);
    page.reload();
    page.locator(".bits > li .head").nth(1).click();
    assertThat(ladder).containsText("Clean at");
    page.keyboard().press("z");
    assertThat(ladder).containsText("2 of 3 clean runs in a row");
    page.keyboard().press("m");
    assertThat(ladder).containsText("0 of 3 clean runs in a row");
    assertThat(ladder.locator("svg path.missed")).hasCount(1);
  }

  /** The school's network goes while a run is marked: it waits, over a reload too, and is sent. */
  @Test(dependsOnMethods = "aCleanRunIsMarkedWithOneKeyAndStaysAfterAReload")
  public void aRunThatFindsNoAnswerWaitsAndIsSentAgain() {
    Locator ladder = page.locator(".bits > li.open .ladder");
    page.route("**/runs", Route::abort);
    page.context().setOffline(true);
    page.waitForRequest("**/runs", () -> page.keyboard().press("c"));
    assertThat(ladder).containsText("0 of 3 clean runs in a row");
    Locator waits = page.getByText("What was marked waits here and is sent again.");
    assertThat(waits).isVisible();
    page.context().setOffline(false);
    page.reload();
    page.locator(".bits > li .head").nth(1).click();
    assertThat(waits).isVisible();
    page.unroute("**/runs");
    assertThat(ladder).containsText("1 of 3 clean runs in a row");
    assertThat(waits).hasCount(0);
    page.keyboard().press("z");
    assertThat(ladder).containsText("0 of 3 clean runs in a row");
  }

  /**
   * Six places for a flute of the first years; each is played once and marked, then comes the next.
   */
  @Test(dependsOnMethods = "aRunThatFindsNoAnswerWaitsAndIsSentAgain")
  public void theDiceSayWhereToStart() {
    page.keyboard().press("d");
    Locator dice = page.getByLabel("Start anywhere");
    assertThat(dice).containsText("Start 1 of 6");
    // the same number, the same bars
    Locator number = dice.getByLabel("The number of these dice");
    number.fill("417");
    number.press("Enter");
    assertThat(dice).containsText("Start 1 of 6");
    dice.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Throw")).click();
    assertThat(dice).containsText(Pattern.compile("bar \\d+", Pattern.CASE_INSENSITIVE));
    page.keyboard().press(" ");
    page.locator(".bits > li.open rect.sounds").waitFor();
    page.keyboard().press(" ");
    page.keyboard().press("m");
    assertThat(dice).containsText("Start 2 of 6");
    // three that were not clean are enough
    for (int i = 0; i < 2; i++) {
      page.keyboard().press("d");
      assertThat(dice).not().containsText("Start " + (i + 2) + " of");
      page.keyboard().press("m");
    }
    assertThat(dice).containsText("Enough for now");
    dice.getByText("Put the dice away").click();
    assertThat(dice).hasCount(0);
    page.locator(".bits > li .head").nth(1).click();
  }

  /** From the second bit: seen, heard, printed, and put on the shelf as a piece like any other. */
  @Test(dependsOnMethods = "theDiceSayWhereToStart")
  public void exercisesAreMadeFromThePiece() {
    page.getByText("This bit in other ways").click();
    Locator open = page.locator("li.open");
    assertThat(open).containsText("long – short");
    open.locator("svg.engraved").waitFor();
    assertThat(open.locator(".line > svg text").first()).isVisible();
    page.keyboard().press(" ");
    open.locator("rect.sounds").waitFor();
    page.keyboard().press(" ");
    assertThat(open.locator("rect.sounds")).hasCount(0);
    page.keyboard().press("x");
    page.keyboard().press("ArrowDown");
    assertThat(open).containsText("short – long");
    page.keyboard().press("x");
    assertThat(page.getByText("2 exercises on paper")).isVisible();

    page.keyboard().press("p");
    page.waitForFunction("() => document.documentElement.dataset.printable === 'yes'");
    Locator sheet = page.locator("article");
    assertThat(sheet.locator("section")).hasCount(2);
    assertThat(sheet).containsText("Bars 3–4, long – short");
    page.keyboard().press("s");

    // new notes are told; the thumb's B flat is what this school plays, and goes without saying
    assertThat(open).containsText("B♭5, thumb B flat");
    assertThat(open).not().containsText("B♭4, thumb B flat");
    open.getByText("Put it on the shelf").click();
    page.waitForURL(Pattern.compile("/stand/"));
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
        .containsText("Undertow: B♭ major");
    page.locator("svg.lanes text").first().waitFor();
  }

  /** No fingering is seen before it is asked for; the same number is the same piece. */
  @Test
  public void musicIsReadAtSightAndFingeredAfterwards() {
    Page sight = browsing.page();
    sight.navigate(browsing.at("/people/{Noor}/sight?number=417"));
    Locator music = sight.locator(".music");
    music.locator("svg.engraved").first().waitFor();
    assertThat(music.locator(".line > svg text")).hasCount(0);
    int notes = music.locator("g.note").count();
    sight.keyboard().press("f");
    assertThat(music.locator(".line > svg text").first()).isVisible();
    String fingerings = music.locator(".line > svg").first().textContent();
    sight.keyboard().press("n");
    assertThat(sight.getByLabel("Number")).not().hasValue("417");
    // the next one stands there bare again
    assertThat(music.locator(".line > svg text")).hasCount(0);
    sight.getByLabel("Number").fill("417");
    sight.getByLabel("Number").press("Tab");
    assertThat(music.locator("g.note")).hasCount(notes);
    sight.getByText("Fingerings").click();
    assertThat(music.locator(".line > svg").first()).hasText(fingerings);
    sight.close();
  }

  /** A plan goes by the days that are chosen, is ticked by what is played, and stands on paper. */
  @Test
  public void theDaysUpToTheDateArePlanned() {
    Page plan = browsing.page();
    plan.navigate(browsing.at("/people/{Yuna}/agenda"));
    Locator days = plan.locator(".days > li");
    assertThat(days).hasCount(14);
    // on every day, so that this holds on a Sunday too
    Locator sunday =
        plan.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Days with practice"))
            .getByText("Sun");
    sunday.click();
    plan.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Keep these days")).click();
    assertThat(plan.getByText("Kept. The plan goes by these days.")).isVisible();
    Locator today = days.first().locator("ul > li");
    assertThat(today).hasCount(3);
    String what = today.first().innerText();

    // what it asks for is opened, played and marked
    today.first().getByRole(AriaRole.LINK).click();
    Locator ladder = plan.locator(".bits > li.open .ladder");
    assertThat(ladder).containsText("clean runs in a row");
    assertThat(plan.locator(".bits > li.open .head"))
        .containsText(what.replaceAll("(?s).*bit (\\d+) .*", "$1"));
    plan.keyboard().press("m");
    assertThat(ladder.getByText("today")).isVisible();
    plan.navigate(browsing.at("/people/{Yuna}/agenda"));
    assertThat(today.first()).containsText("played today");
    assertThat(today.nth(1)).not().containsText("played today");

    // two days off from tomorrow on
    String tomorrow = LocalDate.now().plusDays(1).toString();
    plan.getByLabel("From").fill(tomorrow);
    plan.getByLabel("What for (may be empty)").fill("Class trip");
    plan.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add days off")).click();
    assertThat(days.nth(1)).containsText("no practice: Class trip");

    plan.keyboard().press("p");
    plan.waitForFunction("() => document.documentElement.dataset.printable === 'yes'");
    Locator sheet = plan.locator("article");
    assertThat(sheet.locator("section")).hasCount(14);
    assertThat(sheet.locator("section").nth(1)).containsText("Class trip");
    assertEquals(sheet.locator("section").first().locator("i").count(), 3);

    plan.navigate(browsing.at("/"));
    Locator told = plan.getByLabel("Practice today");
    assertThat(told.locator(".who")).hasCount(3);
    assertThat(told.locator(".who").filter(new Locator.FilterOptions().setHasText("Yuna")))
        .containsText("played today");
    plan.close();
  }
}
