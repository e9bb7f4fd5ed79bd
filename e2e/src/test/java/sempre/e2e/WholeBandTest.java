package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.io.InputStream;
import org.testng.annotations.Test;

/**
 * A band of 32 as its director's list has it, and a score with first to third parts, bells, snare
 * and bass drum: from the list and the file to a sheet for each.
 */
public class WholeBandTest {
  private static final double MINUTES = 240_000;

  /** All names are made up; the parts stand in the instruments, as lists have them. */
  private static String list() {
    StringBuilder list = new StringBuilder("Name,Instrument,Chair,Group\n");
    String[] names = {
      "Ava", "Leo", "Mia", "Noah", "Zoe", "Ela", "Gus", "Max", "Ivy", "Tod", "Ian", "Kit", "Lou",
      "Ned", "Oda", "Pia", "Quin", "Rae", "Sol", "Tess", "Uma", "Vic", "Wes", "Xan", "Yara", "Zed",
      "Bo", "Cy", "Dee", "Eve", "Fox", "Gil"
    };
    String[] plays = {
      "Fl. 1",
      "Fl. 1",
      "Fl. 2",
      "Oboe",
      "Bsn",
      "Cl. 1",
      "Cl. 1",
      "Cl. 2",
      "Cl. 2",
      "Clarinet 3",
      "Clarinet 3",
      "Clarinet 3",
      "B. Cl.",
      "A. Sax 1",
      "A. Sax 2",
      "Tenor Sax",
      "Bari Sax",
      "Tpt. 1",
      "Tpt. 1",
      "2nd Trumpet",
      "2nd Trumpet",
      "Horn I",
      "Horn II",
      "Trombone 1",
      "Trombone 2",
      "Euphonium",
      "Tuba",
      "Tuba",
      "Bells",
      "Snare Drum",
      "Percussion 2",
      "Perc. 3"
    };
    for (int i = 0; i < plays.length; i++) {
      list.append(names[i]).append(" Marsh,").append(plays[i]).append(",,Pier Band\n");
    }
    return list.toString();
  }

  private static byte[] score() {
    try (InputStream in = WholeBandTest.class.getResourceAsStream("/pier-lights.musicxml")) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  @Test
  public void fromAListAndAScoreToASheetForEach() {
    try (Browsing browsing = new Browsing(false)) {
      Page page = browsing.page();
      page.navigate(browsing.at("/people/many"));
      page.getByLabel("The list").fill(list());
      page.getByText("Look at it").click();
      assertThat(page.locator("tr.new")).hasCount(32);
      page.getByLabel("Pier Band is new: how far has it got?").selectOption("SCHOOL");
      page.getByText("Set up 32 students").click();
      assertThat(page).hasURL(browsing.at("/people"));
      assertThat(page.getByText("Clarinet 3")).hasCount(3);

      page.navigate(browsing.at("/shelf"));
      page.setInputFiles(
          "input[type=file]", new FilePayload("pier-lights.musicxml", "application/xml", score()));
      page.getByText("Keep it on the shelf").click();
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("give Pier Lights"))
          .click();
      page.getByText("Give it", new Page.GetByTextOptions().setExact(true)).click();
      assertThat(page.locator("h1")).hasText("Pier Lights");
      assertThat(page.locator("tbody tr:not(.section)")).hasCount(32);
      assertThat(row(page, "Eve M.")).containsText("Rhythm and sticking: Snare Drum");
      assertThat(row(page, "Fox M.")).containsText("Rhythm and sticking: Bass Drum");

      aHandIsChosenAndStays(page, browsing);
      aRudimentIsHeard(page, browsing);
      everyoneHasASheet(page, browsing);
      assertEquals(browsing.errors, java.util.List.of());
    }
  }

  private static Locator row(Page page, String name) {
    return page.locator("tbody tr").filter(new Locator.FilterOptions().setHasText(name));
  }

  private static void aHandIsChosenAndStays(Page page, Browsing browsing) {
    row(page, "Eve M.").getByText("on the stand").click();
    assertThat(page.getByText("Natural sticking:")).isVisible();
    Locator hands = page.locator("svg.lanes .name");
    assertThat(hands.first()).hasText("R");
    assertThat(page.locator("svg.engraved").first()).isVisible();
    // the fourth stroke of the first bar is an eighth behind the beat
    page.keyboard().press("ArrowRight");
    page.keyboard().press("ArrowRight");
    page.keyboard().press("ArrowRight");
    assertThat(page.locator("aside")).containsText("this one is a left");
    page.keyboard().press("r");
    assertThat(page.locator("aside")).containsText("You chose this hand.");
    page.reload();
    assertThat(hands.nth(3)).hasText("R");
    page.getByLabel("Reads").selectOption("Bass Drum");
    assertThat(page.getByText("No sticking: this part has one mallet")).isVisible();
    page.getByLabel("Reads").selectOption("Snare Drum");
    assertThat(hands.nth(3)).hasText("R");
  }

  private static void aRudimentIsHeard(Page page, Browsing browsing) {
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Eve M.")).click();
    assertThat(page.locator("h2").getByText("Rudiments")).isVisible();
    page.getByLabel("Tempo of single paradiddle").fill("96");
    row(page, "single paradiddle").getByText("secure").click();
    assertThat(row(page, "single paradiddle")).containsText("Clean at 96");
    page.reload();
    assertThat(row(page, "single paradiddle")).containsText("Clean at 96");
    row(page, "single paradiddle").getByText("take back").click();
    assertThat(row(page, "single paradiddle")).containsText("Not heard yet.");
    page.goBack();
    page.goBack();
  }

  private static void everyoneHasASheet(Page page, Browsing browsing) {
    page.navigate(browsing.at("/"));
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("All parts")).click();
    assertThat(page.locator("h1")).hasText("Pier Lights");
    page.keyboard().press("v");
    Locator sheets = page.locator("article.on-paper");
    page.waitForFunction(
        "() => document.documentElement.dataset.printable === 'yes'",
        null,
        new Page.WaitForFunctionOptions().setTimeout(MINUTES));
    assertThat(sheets).hasCount(32);
    for (String head :
        new String[] {"Lou M.", "clarinet 3", "trumpet 2", "percussion 2", "mallet percussion"}) {
      assertThat(sheets.filter(new Locator.FilterOptions().setHasText(head)).first()).isVisible();
    }
    // the hand that was chosen stands on paper
    assertThat(
            sheets
                .filter(new Locator.FilterOptions().setHasText("Eve M."))
                .locator("svg .fingering")
                .nth(3))
        .hasText("R");
  }
}
