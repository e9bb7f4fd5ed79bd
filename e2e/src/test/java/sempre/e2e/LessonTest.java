package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What happens in a lesson: finding, choosing, marking, and a server that goes away meanwhile. */
public class LessonTest {
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
    if (path.startsWith("/stand") || path.startsWith("/ear")) {
      page.locator("section.drawn svg.lanes text").first().waitFor();
    }
    return page;
  }

  @Test
  public void aLostServerLosesNoGradeAndNoRemark() {
    Page page = at("/ear/{Ayşe}/{The Harbour Wall}");
    page.keyboard().press("1");
    assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("secure");
    browsing.stop();
    page.keyboard().press("r");
    page.keyboard().type("tongue too far forward");
    page.keyboard().press("Enter");
    page.keyboard().press("2");
    assertThat(page.getByRole(AriaRole.ALERT).first())
        .containsText("What was marked waits here and is sent again.");
    browsing.restart();
    assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("shaky");
    page.navigate(browsing.at("/people/{Ayşe}"));
    assertThat(page.getByText("tongue too far forward").first()).isVisible();
  }

  /** Nobody has to find the page again on which it was pressed. */
  @Test
  public void whatWaitsIsSentFromAnyPage() {
    Page page = at("/ear/{Ayşe}/{The Harbour Wall}");
    browsing.stop();
    page.keyboard().press("1");
    assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("waits here");
    browsing.restart();
    page.navigate(browsing.at("/people"));
    assertThat(page.getByText("is waiting to be saved")).hasCount(0);
    page.navigate(browsing.at("/people/{Ayşe}"));
    assertThat(page.locator("tbody tr").first()).containsText("today");
    assertThat(page.locator("tbody tr").first()).containsText("secure");
  }

  /** After a restore the same numbers are other students: nothing is written into their records. */
  @Test
  public void aGradePressedForOneSchoolIsNeverWrittenIntoAnother() {
    Page page = at("/ear/{Ayşe}/{The Harbour Wall}");
    browsing.otherSchool();
    page.keyboard().press("r");
    page.keyboard().type("from before");
    page.keyboard().press("Enter");
    page.keyboard().press("1");
    assertThat(page.getByText("Nothing on this page can be saved.")).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Reload the page")).click();
    Locator held = page.getByText("One entry on this device belongs to another school’s data.");
    assertThat(held).isVisible();
    page.getByText("Show entries").click();
    assertThat(page.getByText("from before")).isVisible();
    page.navigate(browsing.at("/people/{Ayşe}"));
    assertThat(page.locator("table")).not().containsText("from before");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Discard entries")).click();
    assertThat(held).hasCount(0);
    page.reload();
    page.locator("h1").first().waitFor();
    assertThat(held).hasCount(0);
  }

  @Test
  public void aGradeTakenBackStaysInTheRecordCrossedOut() {
    Page page = at("/ear/{Ayşe}/{The Harbour Wall}");
    page.keyboard().press("3");
    assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("not yet");
    page.navigate(browsing.at("/people/{Ayşe}"));
    Locator row = page.locator("tbody tr").first();
    assertThat(row).containsText("today");
    row.getByRole(AriaRole.BUTTON).click();
    assertThat(page.locator("tbody tr").first()).hasClass(Pattern.compile("undone"));
    assertThat(page.locator("tbody tr").first()).containsText("taken back");
  }

  @Test
  public void aNameIsFoundWithoutItsAccents() {
    Page page = at("/");
    page.keyboard().press("/");
    page.keyboard().type("ayse harbour");
    assertThat(page.locator("dialog li.at")).containsText("Ayşe K.");
    page.keyboard().press("Enter");
    assertThat(page.locator("h1")).hasText("The Harbour Wall");
    page.keyboard().press("/");
    page.keyboard().type("nobody of this name");
    assertThat(page.getByText("Nothing found for “nobody of this name”")).isVisible();
    page.keyboard().press("Escape");
    assertThat(page.locator("dialog")).hasCount(0);
  }

  @Test
  public void anotherPartIsReadTransposedAndThatIsSaid() {
    Page page = at("/stand/{Noor}/{The Harbour Wall}");
    page.getByLabel("Reads")
        .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("Trombone"));
    assertThat(page.getByText("Read from the part ‘Trombone’")).isVisible();
    assertThat(page.getByText("higher, where it fits")).isVisible();
  }

  @Test
  public void theHouseStyleIsTakenWhenAPartIsOpened() {
    Page page = at("/people");
    page.getByLabel("Flute: B flat", new Page.GetByLabelOptions().setExact(true))
        .selectOption("lever");
    assertThat(page.getByText("The house style is changed")).isVisible();
    page.navigate(browsing.at("/stand/{Linh}/{Low Water}"));
    page.locator("section.drawn svg.lanes text").first().waitFor();
    page.keyboard().press("Home");
    assertThat(page.getByLabel("The chosen note").locator("h2")).hasText("side lever B flat");
  }

  @Test
  public void lightAndDarkAreKept() {
    Page page = at("/");
    page.getByText("Dark", new Page.GetByTextOptions().setExact(true)).click();
    assertEquals(page.locator("html").getAttribute("theme"), "g100");
    page.reload();
    assertEquals(page.locator("html").getAttribute("theme"), "g100");
    page.getByText("Light", new Page.GetByTextOptions().setExact(true)).click();
    assertEquals(page.locator("html").getAttribute("theme"), "white");
  }

  @Test
  public void aFileIsDroppedOnTheShelf() {
    Page page = at("/shelf");
    page.evaluate(
        """
        () => {
          const transfer = new DataTransfer();
          transfer.items.add(new File(['not music'], 'letter.txt', { type: 'text/plain' }));
          document.querySelector('.drop').dispatchEvent(
            new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }));
        }
        """);
    assertThat(page.getByRole(AriaRole.ALERT).first())
        .containsText("letter.txt: The file is not MusicXML; export the piece as MusicXML");
  }

  @Test
  public void arrowsWalkThroughNotesAndAlternatives() {
    Page page = at("/stand/{Linh}/{Half-Tide Rock}");
    Locator panel = page.getByLabel("The chosen note");
    page.keyboard().press("Home");
    String first = panel.textContent();
    page.keyboard().press("ArrowLeft");
    assertEquals(panel.textContent(), first, "the first note is the end of the way");
    page.keyboard().press("ArrowDown");
    assertThat(panel.locator("li.looked")).hasCount(1);
    page.keyboard().press("ArrowUp");
    assertThat(panel.locator("li.looked")).hasCount(0);
    page.keyboard().press("End");
    assertThat(panel).containsText("bar 8");
  }

  /** Marking a short part of seven notes takes one key a note, or one key for all. */
  @Test
  public void aCheckTakesOneKeyANote() {
    Page page = at("/ear/{Mateo}/{The Harbour Wall}");
    int notes = page.locator("ol.strip li").count();
    for (int i = 0; i < notes - 2; i++) {
      page.keyboard().press("1");
    }
    page.keyboard().press("a");
    assertThat(page.getByText("the 0 left are secure")).isVisible();
    page.keyboard().press("Enter");
    assertThat(page.getByText("Written down: " + notes + " of " + notes + " notes")).isVisible();
    page.getByText("Take all of it back").click();
    assertThat(page.getByText("Nothing was written down yet")).isVisible();
  }

  @Test
  public void pagesSayWhatTheyMayLoadAndAssetsAreKept() {
    Page page = browsing.page();
    var response = page.navigate(browsing.at("/stand/{Noor}/{The Harbour Wall}"));
    String policy = response.headerValue("content-security-policy");
    assertTrue(policy.contains("default-src 'self'") && !policy.contains("http"), policy);
    page.locator("section.drawn svg.lanes text").first().waitFor();
    String script =
        (String) page.evaluate("() => document.querySelector('script[type=module]').src");
    var asset = page.request().get(script);
    assertTrue(asset.headers().get("cache-control").contains("immutable"));
    assertEquals(asset.headers().get("content-encoding"), "gzip");
    assertEquals(page.request().get(browsing.at("/no/such/place")).status(), 404);
    assertEquals(browsing.foreign, List.of());
  }

  @Test
  public void anotherWayThroughIsTakenWhole() {
    Page page = at("/stand/{Noor}/{Half-Tide Rock}");
    assertThat(page.getByText("Hardest changes")).isVisible();
    assertThat(page.getByText("Worth teaching next")).isVisible();
    Locator way =
        page.locator("aside section li")
            .filter(new Locator.FilterOptions().setHasText("Take it"))
            .first();
    String label =
        way.locator("p").nth(1).textContent().replaceAll(".*: | instead of.*", "").strip();
    way.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take it")).click();
    assertThat(page.getByLabel("The chosen note").locator("h2")).hasText(label);
    assertThat(page.getByText("Kept: let it go")).isVisible();
  }

  @Test
  public void everyChoiceIsUndoneAndDoneAgain() {
    Page page = at("/stand/{Linh}/{Fog Horn and Fiddle}");
    Locator aside = page.getByLabel("The chosen note");
    page.keyboard().press("Home");
    for (int i = 0; i < 5; i++) {
      page.keyboard().press("ArrowRight");
    }
    assertThat(aside.locator("h2")).hasText("thumb B flat");
    page.keyboard().press("ArrowDown");
    page.keyboard().press("Enter");
    assertThat(aside.getByText("Kept: let it go")).isVisible();
    String taken = aside.locator("h2").textContent();
    page.keyboard().press("u");
    assertThat(aside.locator("h2")).hasText("thumb B flat");
    assertThat(aside.getByText("Taken back.")).isVisible();
    assertThat(aside.getByText("Keep it")).isVisible();
    page.keyboard().press("r");
    assertThat(aside.locator("h2")).hasText(taken);
    assertThat(aside.getByText("Kept: let it go")).isVisible();
    page.keyboard().press("u");
    assertThat(aside.locator("h2")).hasText("thumb B flat");
  }

  @Test
  public void aPartIsSavedForOtherPrograms() throws IOException {
    Page page = at("/stand/{Linh}/{Fog Horn and Fiddle}");
    page.getByText("Print, save").click();
    page.getByLabel("Which fingerings").selectOption("all");
    Runnable save = () -> page.getByText("Save as MusicXML").click();
    var file = page.waitForDownload(save);
    assertEquals(file.suggestedFilename(), "Fog Horn and Fiddle - Flute.musicxml");
    page.getByText("Student’s name in the file name").click();
    String named = page.waitForDownload(save).suggestedFilename();
    assertTrue(named.matches("Fog Horn and Fiddle - Flute - Linh \\w+\\.musicxml"), named);
    String alone = Files.readString(file.path());
    assertTrue(alone.contains("<lyric number=\"1\" name=\"fingering\""), "words under the notes");
    page.getByLabel("Written").selectOption("marks");
    page.getByLabel("In the file", new Page.GetByLabelOptions().setExact(true))
        .selectOption("score");
    String score = Files.readString(page.waitForDownload(save).path());
    assertTrue(score.contains("<hole-closed>") && score.length() > 3 * alone.length());
  }

  @Test
  public void aPartIsPlayedFromTheBarsChosenAndFollowed() {
    Page page = at("/stand/{Linh}/{Fog Horn and Fiddle}");
    // the space bar opens what has the focus, and does not play meanwhile
    page.locator(".play summary").focus();
    page.keyboard().press("Space");
    assertThat(page.getByLabel("Tempo")).isVisible();
    assertThat(page.locator(".go")).containsText("Play");
    page.getByLabel("Tempo").fill("110");
    page.getByLabel("Tempo").press("Enter");
    page.getByLabel("to bar").selectOption("1");
    page.getByLabel("From bar").selectOption("0");
    page.locator(".play summary").click();
    page.locator("h1").click();
    String before = page.locator(".cursor").getAttribute("style");
    page.keyboard().press("Space");
    assertThat(page.locator(".go")).containsText("Stop");
    // the marked note moves on with the music, and the chosen one stays where it was
    page.waitForFunction(
        "before => document.querySelector('.cursor')?.getAttribute('style') !== before", before);
    String chosen = page.getByLabel("The chosen note").locator(".pitch").textContent();
    assertEquals(chosen, "F♯5");
    // two bars at this tempo last under five seconds; then it ends by itself
    assertThat(page.locator(".go")).containsText("Play");
    assertThat(page.locator(".cursor")).hasAttribute("style", before);
    page.locator(".play summary").click();
    page.getByText("Round and round").click();
    assertThat(page.getByLabel("Round and round")).isChecked();
    page.keyboard().press("Escape");
    page.locator("h1").click();
    page.keyboard().press("Space");
    assertThat(page.locator(".go")).containsText("Stop");
    page.waitForFunction(
        "before => document.querySelector('.cursor')?.getAttribute('style') !== before", before);
    String played = page.locator(".cursor").getAttribute("style");
    // the marked note goes on, comes back to where it was, and goes on again
    for (String there : new String[] {"!==", "===", "!=="}) {
      page.waitForFunction(
          "played => document.querySelector('.cursor')?.getAttribute('style') " + there + " played",
          played);
    }
    assertThat(page.locator(".go")).containsText("Stop");
    page.keyboard().press("Space");
    assertThat(page.locator(".go")).containsText("Play");
    assertEquals(browsing.errors, List.of());
  }
}
