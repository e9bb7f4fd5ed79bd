package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.SelectOption;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.regex.Pattern;
import java.util.zip.ZipFile;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Simpler parts, pieces given with everyone's part, and the keys of the first screen. */
public class GivingTest {
  /** A practised user presses two keys a second (common practice, no source). */
  private static final double SECONDS_A_KEY = 0.5;

  private Browsing browsing;

  @BeforeClass
  void open() {
    browsing = new Browsing(true);
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browsing.close();
  }

  private Page at(String path) {
    browsing.errors.clear();
    Page page = browsing.page();
    page.navigate(browsing.at(path));
    page.locator("h1").first().waitFor();
    return page;
  }

  @Test
  public void aPieceIsFoundAndLookedAtBeforeItIsGiven() {
    Page page = at("/shelf");
    Locator row = page.locator("li", new Page.LocatorOptions().setHasText("Two Gulls"));
    assertThat(row).containsText("8 bars · 4 parts · sounds with 2 flats");
    assertThat(row).containsText(Pattern.compile("\\d+ of 12 ready"));
    page.getByRole(AriaRole.SEARCHBOX).fill("tidemarks gulls");
    assertThat(page.locator("section li")).hasCount(1);
    page.locator("a.title").click();
    assertThat(page.locator(".music svg").first()).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Alto saxophone")).click();
    assertThat(page.getByLabel("As read by")).hasValue("alto-sax");
    page.getByText("Give it").first().click();
    assertThat(page.getByRole(AriaRole.DIALOG).first()).containsText("Give Two Gulls");
  }

  /** A flute and an alto saxophone with one key signature, and nothing said of transposing. */
  private static final String CONCERT =
      "<score-partwise version='4.0'><work><work-title>Skerry Light</work-title></work><part-list>"
          + "<score-part id='F'><part-name>Flute</part-name></score-part>"
          + "<score-part id='A'><part-name>Alto Saxophone</part-name></score-part></part-list>"
          + concertPart("F", 4, 5)
          + concertPart("A", 3, 4)
          + "</score-partwise>";

  /** Concert B flat and C in a part. */
  private static String concertPart(String id, int low, int high) {
    String note = "<duration>2</duration><type>half</type></note>";
    return "<part id='"
        + id
        + "'><measure number='1'><attributes><divisions>1</divisions><key><fifths>-2</fifths></key>"
        + "<clef><sign>G</sign><line>2</line></clef></attributes>"
        + "<note><pitch><step>B</step><alter>-1</alter><octave>"
        + low
        + "</octave></pitch>"
        + note
        + "<note><pitch><step>C</step><octave>"
        + high
        + "</octave></pitch>"
        + note
        + "</measure></part>";
  }

  @Test
  public void pagesThatLookLikeConcertPitchAreAskedAboutWithWhatEachWouldRead() {
    Page page = at("/shelf");
    page.setInputFiles(
        "input[type=file]",
        new FilePayload(
            "skerry.musicxml", "application/xml", CONCERT.getBytes(StandardCharsets.UTF_8)));
    Locator asked =
        page.getByRole(
            AriaRole.GROUP, new Page.GetByRoleOptions().setName("In which pitch are the pages?"));
    assertThat(asked).containsText("Alto Saxophone has the same key signature as Flute (2 flats)");
    assertThat(
            asked.getByRole(
                AriaRole.RADIO, new Locator.GetByRoleOptions().setName("all in concert pitch")))
        .isChecked();
    assertThat(asked.locator("svg.engraved")).hasCount(2);
    asked
        .getByRole(
            AriaRole.RADIO,
            new Locator.GetByRoleOptions().setName("everyone plays what stands there"))
        .check();
    assertThat(page.getByLabel("How the pages are meant")).hasValue("AS_WRITTEN");
    asked
        .getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName("all in concert pitch"))
        .check();
    page.getByText("Keep it on the shelf").click();
    assertThat(page.getByText("Skerry Light is on the shelf.")).isVisible();
    page.locator("a.title", new Page.LocatorOptions().setHasText("Skerry Light")).click();
    Locator alto =
        page.locator("tbody tr")
            .filter(
                new Locator.FilterOptions()
                    .setHas(
                        page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Alto saxophone").setExact(true))));
    // concert B flat and C are its G and A
    assertThat(alto).containsText("one sharp");
    assertThat(alto).containsText("G4 to A4");
    assertEquals(String.join("; ", browsing.errors), "");
  }

  @Test
  public void manyPiecesAreGivenAndRemovedAtOnce() {
    Page page = at("/shelf");
    page.getByRole(AriaRole.SEARCHBOX).fill("pebbles");
    page.getByLabel("choose Deep Pool").check();
    page.getByLabel("choose Two Lanterns").check();
    page.getByText("Give …").click();
    Locator dialog = page.getByRole(AriaRole.DIALOG).first();
    assertThat(dialog).containsText("Give 2 pieces");
    dialog
        .getByLabel("To", new Locator.GetByLabelOptions().setExact(true))
        .selectOption(new SelectOption().setLabel("Recorder class 3"));
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Give it")).click();
    assertThat(page.getByText("Given: Deep Pool and Two Lanterns")).isVisible();
    Locator pool = page.locator("li", new Page.LocatorOptions().setHasText("Deep Pool"));
    assertThat(pool).containsText("given to Recorder class 3");

    page.getByLabel("choose Deep Pool").check();
    page.getByLabel("choose Two Lanterns").check();
    page.getByText("Remove …", new Page.GetByTextOptions().setExact(true)).click();
    page.getByRole(AriaRole.DIALOG)
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Remove").setExact(true))
        .click();
    assertThat(page.getByText("2 pieces").first()).isVisible();
    assertThat(pool).hasCount(0);
    page.navigate(browsing.at("/removed"));
    assertThat(page.getByText("Two Lanterns").first()).isVisible();
    assertEquals(String.join("; ", browsing.errors), "");
  }

  @Test
  public void theStandOpensOnWhatWasLastUsedOrOffersTodaysParts() {
    Page page = at("/stand");
    page.getByLabel("First-year band")
        .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Noor A."))
        .first()
        .click();
    page.locator("section.drawn svg.lanes text").first().waitFor();
    String part = page.url();
    page.navigate(browsing.at("/stand"));
    page.waitForURL(part);
    page.navigate(browsing.at("/ear"));
    page.waitForURL(part.replace("/stand/", "/ear/"));
  }

  /** A piece may have been taken off the shelf since it was last on the stand. */
  @Test
  public void aPartThatIsGoneIsForgotten() {
    Page page = at("/shelf");
    page.evaluate("localStorage.setItem('sempre-last', '{\"student\":1,\"piece\":9999}')");
    page.navigate(browsing.at("/stand"));
    assertThat(page.getByRole(AriaRole.ALERT).first()).isVisible();
    page.getByRole(AriaRole.NAVIGATION)
        .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Stand"))
        .click();
    assertThat(page.getByText("No part is on the stand")).isVisible();
    browsing.errors.clear();
  }

  @Test
  public void aSimplerPartIsSeenBesideTheWrittenOneEditedKeptAndPlayed() {
    Page page = at("/shelf");
    page.navigate(browsing.at("/simpler/{Nokomis}/{Quay Parade}"));
    assertThat(page.getByText(Pattern.compile("\\d+ of \\d+ notes changed"))).isVisible();
    assertThat(page.locator("svg.engraved").first()).isVisible();
    Locator note = page.getByLabel("The chosen note");
    assertThat(note).containsText("is not there yet");
    assertTrue(page.locator(".mark.changed").count() > 0);
    // another note is taken for the first one that is changed
    String before = note.locator("li.now").textContent();
    page.keyboard().press("ArrowDown");
    if (note.locator("li.looked.now").count() > 0) {
      page.keyboard().press("ArrowDown");
    }
    page.keyboard().press("Enter");
    assertThat(note.locator("li.now")).not().hasText(before);
    page.keyboard().press("k");
    assertThat(page.getByText("plays the simpler part from now on")).isVisible();
    page.getByText("the part on the stand").click();
    assertThat(page.getByText("Plays a simpler part, not the written one.")).isVisible();
    page.getByText("Its simpler part").click();
    page.getByText("Back to the written part").click();
    assertThat(page.getByText("plays the part as written")).isVisible();
    assertEquals(String.join("; ", browsing.errors), "");
  }

  /**
   * A new exercise, from the file to thirty fingered and explained parts on the page. Keys and
   * clicks are counted at half a second each, and the time that the page is waited for is added.
   */
  @Test
  public void aNewExerciseReachesThirtyPlayersWithinAMinute() {
    Page page = at("/");
    browsing.thirty(page);
    String file =
        "<score-partwise><work><work-title>Skerry</work-title></work><part-list><score-part id='P1'>"
            + "<part-name>Trumpet</part-name></score-part></part-list><part id='P1'>"
            + bars()
            + "</part></score-partwise>";
    int keys = 0;
    long begin = System.nanoTime();
    page.keyboard().press("g");
    page.keyboard().press("l");
    assertThat(page.locator("h1")).hasText("Shelf");
    page.setInputFiles(
        "input[type=file]",
        new FilePayload(
            "skerry.musicxml", "application/xml", file.getBytes(StandardCharsets.UTF_8)));
    keys += 2 + 12; // and the file is found in the system's own dialog
    assertThat(page.getByText("skerry.musicxml holds 8 bars")).isVisible();
    assertThat(page.locator("#keep-piece")).isFocused();
    page.keyboard().press("Enter");
    assertThat(page.getByText("Skerry is on the shelf.")).isVisible();
    assertThat(page.locator("li.chosen")).containsText("Skerry");
    page.locator("body").press("Enter");
    Locator dialog = page.locator(".bx--modal.is-visible");
    assertThat(dialog.locator("#give-to")).isFocused();
    page.keyboard().type("Thirty");
    page.keyboard().press("Tab");
    page.keyboard().press("Enter");
    keys += 3 + "Thirty".length() + 1;
    assertThat(page.locator("h1")).hasText("Skerry");
    assertThat(page.locator("tbody tr:not(.section)")).hasCount(30);
    page.keyboard().press("v");
    keys++;
    assertThat(page.locator("article svg.engraved").nth(30)).isAttached();
    assertThat(page.locator("article")).hasCount(30);
    assertThat(page.getByText(Pattern.compile("^Engraving"))).hasCount(0);
    double waited = (System.nanoTime() - begin) / 1e9;
    // every part says what is new in it
    assertThat(page.locator("article li").getByText("a new note").first()).isVisible();
    double needed = keys * SECONDS_A_KEY + waited;
    assertTrue(needed < 60, keys + " keys and " + waited + " s of waiting");
    assertEquals(String.join("; ", browsing.errors), "");
  }

  private static String bars() {
    StringBuilder bars = new StringBuilder();
    String[] steps = {"C", "D", "E", "F"};
    for (int b = 1; b <= 8; b++) {
      bars.append("<measure number='").append(b).append("'>");
      if (b == 1) {
        bars.append(
            "<attributes><divisions>1</divisions><key><fifths>0</fifths></key><time><beats>4</beats>"
                + "<beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line></clef>"
                + "<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose></attributes>"
                + "<sound tempo='92'/>");
      }
      for (String s : steps) {
        bars.append("<note><pitch><step>")
            .append(s)
            .append(
                "</step><octave>4</octave></pitch><duration>1</duration><type>quarter</type></note>");
      }
      bars.append("</measure>");
    }
    return bars.toString();
  }

  @Test
  public void aSectionGetsSomeBarsAndAllIsSavedLockedAndTakenBack() throws Exception {
    Page page = at("/shelf");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("give Net Menders"))
        .click();
    page.locator("#give-to")
        .selectOption(
            new com.microsoft.playwright.options.SelectOption()
                .setLabel("Quay Concert Band: Clarinet"));
    page.getByLabel("Bars, or all").fill("3-99");
    page.getByText("Give it", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("There is no bar 99; the part has bars 1 to 8.")).isVisible();
    browsing.errors.clear();
    page.getByLabel("Bars, or all").fill("3-6");
    page.getByLabel("Tempo, or as written").fill("72");
    page.getByLabel("A sentence for them, or none").fill("Long bows of air.");
    page.getByText("Give it", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("bars 3–6, at 72")).isVisible();
    assertThat(page.getByText("for Quay Concert Band, clarinet")).isVisible();
    assertThat(page.locator("tbody tr")).hasCount(2);
    page.getByText("Save as MusicXML").click();
    page.getByLabel("Written").selectOption("marks");
    Download score = page.waitForDownload(() -> page.getByText("Save one score").click());
    assertTrue(Files.readString(score.path()).contains("<part-name>Clarinet"));
    Download zip = page.waitForDownload(() -> page.getByText("Save a file for each").click());
    page.keyboard().press("Escape");
    try (ZipFile files = new ZipFile(zip.path().toFile())) {
      assertEquals(files.size(), 2);
    }
    assertTrue(Files.size(zip.path()) > 500);
    page.getByLabel("Fingerings", new Page.GetByLabelOptions().setExact(true))
        .selectOption("locked");
    assertThat(page.getByText("Every fingering is locked as it is planned now.")).isVisible();
    page.getByText("on the stand").first().click();
    assertThat(page.getByText("Long bows of air.")).isVisible();
    assertThat(page.getByText("bars 3 to 6")).isVisible();
    page.goBack();
    page.getByText("Remove …").click();
    page.getByText("Remove", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("It is not given to")).isVisible();
    page.getByText("Put back").click();
    assertThat(page.getByText("bars 3–6, at 72")).isVisible();
    assertEquals(String.join("; ", browsing.errors), "");
  }

  @Test
  public void theFirstScreenSaysWhatToSayAndOneKeyLeadsOn() {
    Page page = at("/");
    Locator groups = page.locator("section[id^=group-]");
    assertThat(groups.first()).isVisible();
    assertTrue(groups.count() >= 4);
    // the first group that is shown whole says something to somebody
    assertThat(groups.first().locator("td.say").first()).not().isEmpty();
    String first = groups.first().locator("h2").textContent().strip();
    page.keyboard().press("c");
    assertThat(page.locator("h1")).containsText(first);
    page.goBack();
    groups.first().waitFor();
    page.keyboard().press("n");
    assertThat(page.locator("h1")).containsText("Everyone plays");
    page.navigate(browsing.at("/"));
    groups.first().waitFor();
    page.keyboard().press("ArrowDown");
    assertThat(page.locator("section.chosen h2")).not().hasText(first);
    page.keyboard().press("a");
    assertThat(
            page.getByRole(
                AriaRole.BUTTON,
                new Page.GetByRoleOptions().setName(Pattern.compile("^Print all parts"))))
        .isVisible();
    page.goBack();
    groups.first().waitFor();
    page.keyboard().press("w");
    assertThat(page.getByLabel("The matrix")).isVisible();
    assertEquals(String.join("; ", browsing.errors), "");
  }

  @Test
  public void simplerPartsAreMadeForAllBelowAStage() {
    Page page = at("/shelf");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("give Half-Tide Rock"))
        .click();
    page.locator("#give-to")
        .selectOption(
            new com.microsoft.playwright.options.SelectOption().setLabel("First-year band"));
    page.getByText("Give it", new Page.GetByTextOptions().setExact(true)).click();
    page.getByText("Make them").click();
    assertThat(page.getByText(Pattern.compile("simpler parts? made\\."))).isVisible();
    assertThat(page.getByText("simpler part", new Page.GetByTextOptions().setExact(true)).first())
        .isVisible();
    assertThat(page.getByText("make it simpler")).hasCount(0);
    assertEquals(String.join("; ", browsing.errors), "");
  }
}
