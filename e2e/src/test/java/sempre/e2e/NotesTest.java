package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The place of the instruments: read a note, compare, ask what went wrong, extend the table. */
public class NotesTest {
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
    Page page = browsing.page();
    page.navigate(browsing.at(path));
    page.locator(".range .engraved").first().waitFor();
    return page;
  }

  private static Locator cards(Page page) {
    return page.locator(".ways article");
  }

  @Test
  public void theWholeRangeStandsOnAStaffAndIsWalkedByKeys() {
    Page page = at("/notes/flute/Bb4");
    assertThat(page.locator(".range button")).hasCount(37);
    assertThat(page.locator(".pitch")).hasText("B♭4");
    assertThat(cards(page)).hasCount(3);
    page.keyboard().press("ArrowRight");
    assertThat(page.locator(".pitch")).hasText("B4");
    page.keyboard().press("ArrowLeft");
    page.keyboard().press("ArrowDown");
    assertThat(page.locator("article.chosen .label")).hasText("thumb B flat");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^C7")))
        .click();
    assertThat(page.locator(".pitch")).hasText("C7");
  }

  @Test
  public void aPictureSaysWhatIsHeldAndTurnsWithTheEyes() {
    Page page = at("/notes/alto-sax/Bb4");
    assertThat(
            page.getByRole(
                AriaRole.IMG, new Page.GetByRoleOptions().setName("B key, A key, side B flat key")))
        .isVisible();
    Locator palm = page.locator("article").first().locator("g.up", has(page, "palm D key"));
    Locator second = page.locator("article").first().locator("g.down", has(page, "A key"));
    assertTrue(
        middle(palm) < middle(second), "the palm of the left hand lies to the player's left");
    page.keyboard().press("f");
    assertThat(page.getByText("facing the player").first()).isVisible();
    assertTrue(middle(palm) > middle(second), "mirrored");
    page.keyboard().press("i");
    assertThat(page.locator("article").first().locator("rect.shape").first()).isVisible();
    page.keyboard().press("i");
    assertThat(page.locator("article").first().locator("path.body").first()).isVisible();
    page.keyboard().press("w");
    assertThat(page.locator(".pitch")).hasText("D♭4");
    page.keyboard().press("f");
    page.keyboard().press("w");
  }

  private static double middle(Locator l) {
    return l.boundingBox().x + l.boundingBox().width / 2;
  }

  private static Locator.LocatorOptions has(Page page, String title) {
    return new Locator.LocatorOptions()
        .setHas(page.locator("title", new Page.LocatorOptions().setHasText(title)));
  }

  @Test
  public void twoFingeringsAreComparedByKeys() {
    Page page = at("/notes/flute/Ab5");
    page.keyboard().press("c");
    page.keyboard().press("ArrowRight");
    page.keyboard().press("ArrowRight");
    Locator aside = page.locator("aside");
    assertThat(aside).containsText("left second finger, left third finger, left little finger");
    assertThat(aside).containsText("B5: the right first finger late");
    assertThat(aside).containsText("Some go down while others come up.");
    assertThat(cards(page).first()).containsText("compared from A♭5");
    assertThat(cards(page)).hasCount(4);
  }

  @Test
  public void twoNeighbouringNotesShowTheirTrill() {
    Page page = at("/notes/clarinet/A4");
    Locator trills = page.locator(".trills");
    assertThat(trills.locator("h2")).hasText("Trills from A4");
    Locator half = trills.locator(".pair").first();
    assertThat(half.locator("h3")).hasText("to B♭4");
    assertThat(half).containsText("third side key");
    assertThat(half).containsText("Good");
    assertThat(half.locator("td .held")).hasCount(1);
    String first = half.locator("figcaption").last().innerText();
    half.locator("button").click();
    assertThat(half.locator("figcaption").last()).not().hasText(first);
    page.navigate(page.url().replace("clarinet/A4", "oboe/D6"));
    assertThat(page.locator(".trills")).containsText("no good trill from D6 to E6");
  }

  @Test
  public void theLadderShowsTheSameValvesOnOtherNotes() {
    Page page = at("/notes/trumpet/Bb4");
    Locator rungs = page.locator("aside ol li");
    assertThat(rungs).hasCount(6);
    assertThat(page.locator("aside li.here")).containsText("B♭4");
    assertThat(page.locator("aside li").filter(text("D5"))).containsText("14 cents flat");
    rungs.filter(text("F4")).getByRole(AriaRole.BUTTON).click();
    assertThat(page.locator(".pitch")).hasText("F4");
  }

  private static Locator.FilterOptions text(String text) {
    return new Locator.FilterOptions().setHasText(text);
  }

  @Test
  public void whatElseSoundsIsExplained() {
    Page page = at("/notes/clarinet/B4");
    page.getByLabel("B4 is fingered, and what sounds is").selectOption("E3");
    assertThat(page.locator("aside")).containsText("The register key is not pressed.");
    assertThat(page.locator("aside")).containsText("Try: Press the register key");
    page.getByLabel("B4 is fingered, and what sounds is").selectOption("itself");
    assertThat(page.locator("aside")).containsText("The note squeaks.");
  }

  @Test
  public void theTableIsFilteredByPurpose() {
    Page page = at("/notes/flute/C6");
    assertThat(cards(page)).hasCount(2);
    page.getByLabel("Show what is for").selectOption("DYNAMICS");
    assertThat(cards(page)).hasCount(1);
    assertThat(cards(page)).containsText("sharp, so for soft entries only");
    page.keyboard().press("ArrowRight");
    assertThat(page.locator(".pitch")).hasText("F♯6");
    page.getByLabel("Show what is for").selectOption("REACH");
    assertThat(page.getByText("No fingering of this note is for that.")).isVisible();
    page.getByText("Show everything").click();
    assertThat(cards(page)).hasCount(4);
  }

  @Test
  public void anOwnFingeringIsPressedOnThePictureGivenWordsAndTakenOutAgain() {
    Page page = at("/notes/flute/A4");
    page.keyboard().press("a");
    Locator form = page.locator("form", new Page.LocatorOptions().setHasText("Your own"));
    form.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("D key").setExact(true))
        .click();
    assertThat(page.getByLabel("The fingering")).hasValue("T 1 2 | Eb 3");
    form.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add it")).click();
    assertThat(form.getByRole(AriaRole.ALERT)).containsText("name");
    page.getByLabel("What you call it").fill("covered A");
    page.getByLabel("The class's own words (may be empty)").fill("the lighthouse");
    form.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add it")).click();
    assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("covered A is added to A4.");
    Locator card = cards(page).filter(text("covered A"));
    assertThat(card).containsText("“the lighthouse”");
    card.locator(".pick").click();
    press(page, "Make it the standard here");
    assertThat(cards(page).first()).containsText("covered A");
    assertThat(cards(page).first()).containsText("standard of this house");
    page.getByText("Put it back").click();
    assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("as it was");
    cards(page).filter(text("covered A")).locator(".pick").click();
    press(page, "Remove it …");
    page.getByText("Remove", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(cards(page)).hasCount(1);
    page.navigate(browsing.at("/removed"));
    press(page, "Put back");
    assertThat(page.getByText("A4 is back")).isVisible();
    page.navigate(browsing.at("/notes/flute/A4"));
    assertThat(cards(page)).hasCount(2);
    assertThat(cards(page).filter(text("covered A"))).containsText("“the lighthouse”");
  }

  private static void press(Page page, String name) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name)).click();
  }

  @Test
  public void whatIsChangedGoesOutToAFileAndComesIn() throws IOException {
    Page page = at("/notes/oboe/F4");
    cards(page).filter(text("Forked F")).first().locator(".pick").click();
    press(page, "Hide it");
    assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("hidden");
    Download file = page.waitForDownload(() -> page.getByText("keep them in a file").click());
    String yaml = Files.readString(file.path());
    assertTrue(yaml.contains("instrument: oboe") && yaml.contains("1 2 3 | 1 3"), yaml);
    page.getByText("Put it back").click();
    assertThat(page.getByText("Nothing is changed")).isVisible();
    page.locator("input[type=file]")
        .setInputFiles(
            new FilePayload("oboe-own.yaml", "text/yaml", yaml.getBytes(StandardCharsets.UTF_8)));
    assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("oboe-own.yaml is read");
    assertThat(cards(page).filter(text("Hidden"))).hasCount(1);
    page.locator("input[type=file]")
        .setInputFiles(
            new FilePayload(
                "bad.yaml", "text/yaml", "instrument: flute".getBytes(StandardCharsets.UTF_8)));
    assertThat(page.locator("footer").getByRole(AriaRole.ALERT))
        .containsText("it is for the instrument ‘flute’, not oboe");
  }

  @Test
  public void oneConcertPitchIsShownAcrossTheBand() {
    Page page = at("/notes/trumpet/Bb4");
    page.getByText("this pitch across the band").click();
    assertThat(page.locator("h1")).hasText("Concert A♭4 across the band");
    assertThat(page.locator("tbody tr")).hasCount(35);
    assertThat(page.locator("tbody tr").filter(text("Tuba"))).containsText("two octaves down");
    page.getByLabel("Concert pitch").selectOption("F#4");
    assertThat(page.locator("h1")).hasText("Concert F♯4 across the band");
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Bassoon")).click();
    assertThat(page.locator(".pitch")).hasText("F♯3");
  }

  @Test
  public void aNoteIsFoundFromAnywhereByTypingIt() {
    Page page = browsing.page();
    page.navigate(browsing.at("/"));
    page.locator("h1").first().waitFor();
    page.keyboard().press("/");
    page.keyboard().type("horn c5");
    page.getByText("its fingerings").first().waitFor();
    page.getByText(Pattern.compile("^Horn C5")).first().click();
    assertThat(page.locator(".pitch")).hasText("C5");
    assertThat(page.locator("h1")).hasText("Horn");
  }

  @Test
  public void aTableIsAccessibleInBothLightsAndAsksNobodyElse() {
    browsing.errors.clear(); // what other tests refused on purpose
    for (boolean dark : new boolean[] {false, true}) {
      Page page = browsing.page(1280, 800, dark);
      page.navigate(browsing.at(dark ? "/notes/trombone/C3" : "/notes/bassoon/Bb2"));
      page.locator(".range .engraved").first().waitFor();
      var problems = new AxeBuilder(page).setLegacyMode(true).analyze().getViolations();
      assertEquals(
          problems.stream()
              .map(v -> v.getId() + " " + v.getNodes().get(0).getHtml())
              .collect(java.util.stream.Collectors.joining("; ")),
          "",
          dark ? "dark" : "light");
      page.close();
    }
    assertEquals(browsing.errors, List.of());
    assertEquals(browsing.foreign, List.of());
  }

  /** For a projector: one fingering fills the wall, and the arrows lead to the next. */
  @Test
  public void oneFingeringFillsTheWall() {
    Page page = at("/notes/clarinet/A4");
    assertThat(page.locator(".pitch")).hasText("A4");
    page.keyboard().press("v");
    Locator wall =
        page.getByRole(AriaRole.DIALOG, new Page.GetByRoleOptions().setName("Projector view"));
    assertThat(wall.locator(".shown")).hasText("A4");
    assertThat(wall.locator(".label")).isVisible();
    double high = wall.locator(".shown").boundingBox().height;
    assertTrue(high > 100, "read from the last row: " + high);
    page.keyboard().press("ArrowRight");
    assertThat(wall.locator(".shown")).hasText("B\u266d4");
    page.keyboard().press("Escape");
    assertThat(wall).hasCount(0);
    assertThat(page.locator(".pitch")).hasText("A4");
  }
}
