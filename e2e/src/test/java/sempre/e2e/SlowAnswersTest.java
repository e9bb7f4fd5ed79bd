package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/**
 * What is clicked is what happens while answers take 2 s and then 300 ms, so that a later one would
 * come first, and while none comes at all.
 */
public class SlowAnswersTest {
  /**
   * Answers to addresses that fit are held back, each as long as its turn says; the last length
   * stays. Kept over a reload.
   */
  private static final String HELD_BACK =
      "const real = window.fetch; let turn = 0;"
          + " window.late = (which, ...ms) => { turn = 0; sessionStorage.setItem('late',"
          + " JSON.stringify({ which, ms })); };"
          + " window.fetch = async (...asked) => {"
          + " const { which, ms } = JSON.parse(sessionStorage.getItem('late') || '{}');"
          + " if (!which || !new RegExp(which).test(asked[0].url ?? asked[0]))"
          + "   return real(...asked);"
          + " const wait = ms[Math.min(turn++, ms.length - 1)];"
          + " if (wait < 0) throw new TypeError('no answer');"
          + " const answer = await real(...asked);"
          + " await new Promise(done => setTimeout(done, wait)); return answer; };";

  private static final int NEVER = -1;

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

  private Page at(String path) {
    page = browsing.page();
    page.addInitScript(HELD_BACK);
    page.navigate(browsing.at(path));
    return page;
  }

  private void late(String which, int... ms) {
    page.evaluate(
        "([which, ms]) => window.late(which, ...ms)",
        List.of(which, IntStream.of(ms).boxed().toList()));
  }

  private Locator button(String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
  }

  /** A teacher types faster than the lists come, and one piece is assigned twice. */
  @Test
  public void findGoesWhereItsRowSays() {
    at("/");
    assignsHalfTideRock("1-4", "2099-05-01");
    assignsHalfTideRock("5-8", "2099-05-02");
    late("/api/(today|people|pieces|instruments)$", 2000, 300);
    page.keyboard().press("/");
    page.keyboard().type("noor half");
    Locator rows = page.locator("#finds li");
    assertThat(rows).hasCount(2);
    assertThat(rows.first()).containsText("1–4");
    assertThat(rows.last()).containsText("5–8");
    rows.last().getByRole(AriaRole.BUTTON).click();
    page.waitForURL(Pattern.compile(Pattern.quote(browsing.at("/stand/{Noor}/{Half-Tide Rock}"))));
    assertThat(page.locator("h1")).containsText("Half-Tide Rock");

    // Enter before anything has come goes where it leads once that is known
    late("/api/(today|people|pieces|instruments)$", 300, 2000);
    page.keyboard().press("/");
    page.keyboard().type("linh p");
    page.keyboard().press("Enter");
    page.waitForURL(
        Pattern.compile(Pattern.quote(browsing.at("/stand/{Linh}/")) + "\\d+|/people/"));

    // nothing comes: that is said, and places and tools are found all the same
    late("/api/(today|people|pieces|instruments)$", NEVER);
    page.keyboard().press("/");
    page.keyboard().type("metronome");
    assertThat(page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.ALERT)).isVisible();
    page.keyboard().press("Enter");
    page.waitForURL("**/tools#metronome");
  }

  private void assignsHalfTideRock(String bars, String due) {
    browsing.sent(
        page,
        "/api/pieces/{Half-Tide Rock}/assign",
        "{\"groupId\":"
            + browsing.id("First-year band")
            + ",\"studentId\":0,\"section\":\"\",\"sentence\":\"\",\"bars\":\""
            + bars
            + "\",\"tempo\":0,\"locked\":false,\"due\":\""
            + due
            + "\"}");
  }

  /** Six quick presses keep six fingerings, in their order; one that gets no answer lets go. */
  @Test
  public void everyPressOnTheStandCounts() {
    at("/stand/{Linh}/{Kelp and Foam}");
    page.locator("section.drawn svg.lanes text").first().waitFor();
    Locator aside = page.getByLabel("The chosen note");
    aside.getByText("Ways of playing").waitFor();
    Locator kept = page.locator("path.lock");
    assertThat(kept).hasCount(0);
    AtomicInteger sent = new AtomicInteger();
    page.onRequestFinished(r -> sent.addAndGet(r.url().contains("/choices") ? 1 : 0));
    late("/choices", 2000, 300);
    page.keyboard().press("Home");
    for (int i = 0; i < 6; i++) {
      page.keyboard().press("k");
      page.keyboard().press("ArrowRight");
    }
    // at once, before any answer
    assertEquals(kept.count(), 6);
    page.keyboard().press("u");
    page.keyboard().press("u");
    page.waitForCondition(() -> kept.count() == 4);
    page.waitForCondition(() -> sent.get() == 8);
    late("/choices", NEVER);
    page.reload();
    assertThat(kept).hasCount(4);

    page.keyboard().press("End");
    page.keyboard().press("k");
    assertThat(aside.getByRole(AriaRole.ALERT).or(page.getByRole(AriaRole.ALERT)).first())
        .isVisible();
    assertThat(kept).hasCount(4);
  }

  /** Points in several things at once; what gets no answer waits over a reload. */
  @Test
  public void aJudgesPointsDoNotOverwriteEachOther() {
    at("/");
    page.getByLabel("Practice today").getByText("Breakwater Youth Winds").click();
    button("Mock audition with Emeka O.").click();
    page.waitForURL(Pattern.compile("/people/mock/\\d+"));
    page.getByLabel("Judges’ names").fill("Ada");
    button("Save judges").click();
    button("Start Ada’s sheet").click();
    assertThat(page.getByText("Sheet of Ada")).isVisible();
    late("/mocks/.*/sheet", 2000, 300);
    List<String> judged = List.of("Notes", "Rhythm", "Evenness", "Intonation", "Tone");
    for (int i = 0; i < judged.size(); i++) {
      point(judged.get(i), 4 + i).click();
      assertThat(point(judged.get(i), 4 + i)).hasAttribute("aria-pressed", "true");
    }
    // corrected while the first answer is still on its way
    point("Notes", 10).click();
    late("/mocks/.*/sheet", NEVER);
    point("Tempo", 3).click();
    assertThat(page.getByText("waits here")).isVisible();
    late("", 0);
    page.reload();
    assertThat(point("Notes", 10)).hasAttribute("aria-pressed", "true");
    for (int i = 1; i < judged.size(); i++) {
      assertThat(point(judged.get(i), 4 + i)).hasAttribute("aria-pressed", "true");
    }
    assertThat(point("Tempo", 3)).hasAttribute("aria-pressed", "true");
    assertThat(page.getByText("waits here")).hasCount(0);
  }

  private Locator point(String what, int points) {
    return page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(what).setExact(true))
        .getByRole(
            AriaRole.BUTTON,
            new Locator.GetByRoleOptions().setName(String.valueOf(points)).setExact(true));
  }

  /** The dice of one student are not thrown for the next. */
  @Test
  public void aLateAnswerDoesNotLandAtTheNextStudent() {
    at("/practice/{Noor}/{Undertow}");
    page.locator(".bits svg.engraved").first().waitFor();
    late("/starts", 2000, 300);
    page.keyboard().press("d");
    page.keyboard().press("/");
    page.keyboard().type("linh p");
    page.locator("#finds li").first().waitFor();
    page.keyboard().press("Enter");
    page.waitForURL(Pattern.compile("/(people|stand)/"));
    page.waitForTimeout(2_300);
    assertEquals(
        page.evaluate("Object.keys(sessionStorage).filter(k => k.startsWith('starts-')).length"),
        0);
    assertThat(page.getByLabel("Start anywhere")).hasCount(0);

    page.navigate(browsing.at("/practice/{Noor}/{Undertow}"));
    page.locator(".bits svg.engraved").first().waitFor();
    late("/starts", NEVER);
    page.waitForCondition(
        () -> {
          page.keyboard().press("d");
          return page.getByRole(AriaRole.ALERT).count() > 0;
        });
    assertThat(page.getByLabel("Start anywhere")).hasCount(0);
  }

  /**
   * Saving the table leaves the keys to the test; an absence that was not written down is not
   * shown.
   */
  @Test
  public void aPlayingTestIsFinishedAfterItsTableWasSaved() {
    at("/");
    long check =
        browsing.made(
            page,
            "/api/groups/{First-year band}/checks",
            "{\"items\":[{\"kind\":\"SOUND\",\"what\":\"Bb\",\"pieceId\":0}]}");
    page.navigate(browsing.at("/ear/check/" + check));
    assertThat(page.getByText("12 marks to go")).isVisible();
    late("/absent", NEVER);
    page.keyboard().press("x");
    assertThat(page.getByRole(AriaRole.ALERT).first()).isVisible();
    assertThat(page.locator("tr.absent")).hasCount(0);
    late("/(absent|grades|finish)", 2000, 300);
    page.keyboard().press("Home");
    page.keyboard().press("x");
    page.keyboard().press("1");
    page.keyboard().press("1");
    assertThat(page.locator("tr.absent")).hasCount(1);
    page.waitForDownload(() -> button("Save for a spreadsheet").click());
    List<String> saved = new ArrayList<>();
    page.onDownload(d -> saved.add(d.suggestedFilename()));
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Summary")).containsText("Absent:");
    assertEquals(saved, List.of());
  }

  /** The dialog gives the focus back to the row it was opened from; Enter in its menu gives. */
  @Test
  public void theAssigningDialogKnowsEnterAndGivesTheFocusBack() {
    at("/shelf");
    Locator give = button("give Ferry Bell");
    give.focus();
    page.keyboard().press("Enter");
    assertThat(page.locator("#give-to")).isVisible();
    page.keyboard().press("Escape");
    assertThat(page.locator("#give-to")).not().isVisible();
    assertThat(give).isFocused();
    late("/assign$", 2000);
    page.keyboard().press("Enter");
    page.locator("#give-to").focus();
    page.keyboard().press("Enter");
    page.keyboard().press("Enter");
    assertThat(page).hasURL(Pattern.compile("/parts/\\d+"));
  }

  /** What is written down for a whole group is taken back after a reload with one press, once. */
  @Test
  public void whatWasDoneForManyIsTakenBackAfterAReload() {
    at("/people/group/{First-year band}/plays");
    Locator horns = page.getByLabel("Horn", new Page.GetByLabelOptions().setExact(true));
    page.getByLabel("Up to a note, in steps of").selectOption("Bb");
    horns.getByLabel("From").selectOption("C4");
    horns.getByLabel("Up to").selectOption("A4");
    late("/plays", 2000, 300);
    Locator write =
        page.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions().setName(Pattern.compile("Write down \\d+ notes")));
    write.click();
    assertThat(page.getByText(Pattern.compile("\\d+ notes are written down as secure")))
        .isVisible();
    page.reload();
    Locator back = button("Take it all back");
    assertThat(back).hasCount(1);
    late("/back$", NEVER);
    back.click();
    assertThat(page.getByRole(AriaRole.ALERT).first()).isVisible();
    late("/back$", 2000);
    back.click();
    assertThat(back).isDisabled();
    assertThat(page.getByText(Pattern.compile("\\d+ grades were taken back for"))).isVisible();
    assertThat(back).hasCount(0);
  }

  /** Printed too early, a sheet says so and holds no empty staves. */
  @Test
  public void aSheetPrintedTooEarlySaysSo() throws IOException {
    at("/");
    List<Route> held = new ArrayList<>();
    page.route(Pattern.compile("worker"), held::add);
    page.navigate(browsing.at("/sheet/{Noor}/{Half-Tide Rock}"));
    assertThat(page.locator("main h1").or(page.locator("main h2")).first()).isVisible();
    assertTrue(printed().contains("still being drawn"), printed());
    page.unroute(Pattern.compile("worker"));
    held.forEach(Route::resume);
    page.waitForSelector("html[data-printable=yes]");
    assertFalse(printed().contains("still being drawn"), printed());
    assertTrue(printed().contains("Half-Tide Rock"), printed());
  }

  /**
   * Notes are looked through faster than they come: the page is that of the last, under one name.
   */
  @Test
  public void theNewNoteShownIsTheOneChosenLast() {
    at("/people/group/{First-year band}/note/Bb");
    Locator heading = page.locator("h1");
    assertThat(heading).hasText("Everyone plays B♭");
    late("/lesson", 2000, 300);
    Locator chosen = page.getByLabel("Concert pitch");
    chosen.selectOption("C");
    chosen.selectOption("D");
    assertThat(heading).hasText("Everyone plays D");
    page.waitForTimeout(2_000);
    assertThat(heading).hasText("Everyone plays D");
    late("/lesson", NEVER);
    chosen.selectOption("C");
    assertThat(page.getByRole(AriaRole.ALERT).first()).isVisible();
    late("", 0);
    page.navigate(browsing.at("/people/group/{First-year band}/note/Db"));
    assertThat(heading).hasText("Everyone plays C♯");
  }

  /** What was shaky when it was last heard explains no other note. */
  @Test
  public void aNewNoteIsExplainedByASecureOne() {
    at("/");
    browsing.sent(
        page,
        "/api/roster",
        "{\"text\":\"Name,Instrument\\nZed,tenor sax\\n\",\"meanings\":[],\"group\":\"Solo\","
            + "\"stages\":{\"Solo\":\"FIRST_YEARS\"}}");
    heard("C4", "1 2 3 | 1 2 3 C", "SECURE");
    heard("E4", "1 2 3 | 1 2", "SECURE");
    late("/lesson", 300);
    page.navigate(browsing.at("/people/group/{Solo}/note/C"));
    Locator tenor = page.locator("article").first();
    assertThat(tenor).containsText("As for C: lift the low C key");
    heard("C4", "1 2 3 | 1 2 3 C", "SHAKY");
    late("/lesson", 2000);
    page.reload();
    assertThat(tenor).containsText("As for E: add the right third finger");
  }

  private void heard(String written, String fingering, String grade) {
    browsing.sent(
        page,
        "/api/students/{Zed}/heard",
        "[{\"mark\":\"\",\"pieceId\":0,\"bars\":\"\",\"remark\":\"\",\"written\":\""
            + written
            + "\",\"fingering\":\""
            + fingering
            + "\",\"grade\":\""
            + grade
            + "\"}]");
  }

  /** The piano below the field needs the instrument's range, and it may come while one types. */
  @Test
  public void lettersStayInTheirFieldWhenThePianoComes() {
    at("/shelf");
    late("/api/instruments$", 400);
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Type a piece")).click();
    Locator text = page.getByLabel("Notes", new Page.GetByLabelOptions().setExact(true));
    String typed = "8cdedcBAG|ABcdefed|cBABcdcB|AGFGABcd";
    text.pressSequentially(typed, new Locator.PressSequentiallyOptions().setDelay(25));
    assertThat(page.locator("[role=group] [aria-pressed]").first()).isVisible();
    assertThat(text).hasValue(typed);
    assertThat(text).isFocused();
  }

  /**
   * This school plays thumb B flat in flat keys, which goes without saying; what departs is told.
   */
  @Test
  public void whatTheSchoolPlaysIsTheUsualOneOnASheet() {
    at("/");
    late("/api", 2000, 300);
    page.navigate(browsing.at("/sheet/{Linh}/{Fog Horn and Fiddle}"));
    page.waitForSelector("html[data-printable=yes]");
    Locator sheet = page.locator("article").first();
    assertThat(sheet).containsText("one-and-one B flat, bar 5");
    assertThat(sheet).not().containsText("thumb B flat, bar");
  }

  private String printed() throws IOException {
    try (PDDocument pdf =
        Loader.loadPDF(page.pdf(new Page.PdfOptions().setPreferCSSPageSize(true)))) {
      return new PDFTextStripper().getText(pdf);
    }
  }

  /** Who plays a simpler part is counted apart, however late the pages come. */
  @Test(dependsOnMethods = {"findGoesWhereItsRowSays", "aSheetPrintedTooEarlySaysSo"})
  public void readyCountsTheMusicAsItIsWritten() {
    at("/shelf");
    late("/(assign$|simpler/)", 2000, 300);
    button("give Half-Tide Rock").click();
    page.locator("#give-to")
        .selectOption(
            new com.microsoft.playwright.options.SelectOption().setLabel("First-year band"));
    // due before whatever else is
    page.locator("#due").fill(LocalDate.now().toString());
    page.getByText("Give it", new Page.GetByTextOptions().setExact(true)).click();
    page.getByText("Make them").click();
    assertThat(page.getByText(Pattern.compile("simpler parts? made\\."))).isVisible();
    page.navigate(browsing.at("/"));
    late("/api", 2000, 300);
    page.reload();
    assertThat(page.getByText(Pattern.compile("plays? a simpler part; as written")).first())
        .isVisible();
  }
}
