package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.LocalDate;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** From what an audition asks to what two judges say, each at a screen of their own. */
public class AuditionTest {
  private static final List<String> JUDGED =
      List.of(
          "Notes", "Rhythm", "Evenness", "Intonation", "Tone", "Accents", "Expression", "Tempo");

  private Browsing browsing;

  @BeforeClass
  void open() {
    browsing = new Browsing(true);
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browsing.close();
  }

  private static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
  }

  /** Begins a sheet and gives as many points for everything but one. */
  private static void judges(Page page, String name, int points, String but, int fewer) {
    button(page, "Start " + name + "’s sheet").click();
    assertThat(page.getByText("Sheet of " + name)).isVisible();
    for (String what : JUDGED) {
      Locator row =
          page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(what).setExact(true));
      String given = String.valueOf(what.equals(but) ? fewer : points);
      Locator point =
          row.getByRole(
              AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(given).setExact(true));
      point.click();
      assertThat(point).hasAttribute("aria-pressed", "true");
    }
  }

  @Test
  public void twoJudgesOnTwoScreensAndWhatCostMost() {
    Page page = browsing.page();
    page.navigate(browsing.at("/"));
    page.getByLabel("Practice today").getByText("Breakwater Youth Winds").click();
    assertThat(page.getByText("in 28 days")).isVisible();
    Locator emeka =
        page.locator("section").filter(new Locator.FilterOptions().setHasText("Bassoon"));
    assertThat(emeka.getByText("1 of 4 ready")).isVisible();
    assertThat(emeka.locator("tbody tr").nth(1)).containsText("ready");
    button(page, "Mock audition with Emeka O.").click();
    page.waitForURL(Pattern.compile("/people/mock/\\d+"));
    assertThat(page.locator("ol li")).hasCount(4);
    assertThat(page.locator("ol li").first()).containsText(Pattern.compile("Undertow, bars \\d"));

    page.getByLabel("Judges’ names").fill("Ada, Ben, ben");
    button(page, "Save judges").click();
    judges(page, "Ada", 8, "Intonation", 4);
    Page other = browsing.page();
    // whatever was chosen on a device, all judges have the same at sight before them
    other.navigate(browsing.at("/people/{Emeka}/sight?level=SIXTEENTHS&leap=12&bars=16"));
    assertThat(other.getByLabel("Rhythms")).hasValue("SIXTEENTHS");
    other.navigate(page.url());
    other.locator("ol a").last().click();
    assertThat(other.getByLabel("Rhythms")).hasValue("DOTTED");
    assertThat(other.getByLabel("Length")).hasValue("8");
    other.goBack();
    assertThat(other.getByText("Ada is still judging")).isVisible();
    assertThat(other.getByText("Ben hasn’t started")).isVisible();
    assertThat(other.locator("[aria-pressed=true]")).hasCount(0);
    judges(other, "Ben", 9, "Intonation", 3);
    button(page, "Hand in").click();
    assertThat(page.getByText("Handed in. It can’t be changed now.")).isVisible();
    // not before the other has
    button(page, "Show the result").click();
    assertThat(page.getByText("1 of 2 judges have handed in")).isVisible();
    other.getByLabel("For the player").fill("A warm low register.");
    button(other, "Hand in").click();
    assertThat(other.getByText("Handed in. It can’t be changed now.")).isVisible();
    button(page, "Show the result").click();
    Locator result = page.getByLabel("Result");
    // weights 16: 80 − 2 × 4 / 16 × 10 and 90 − 2 × 6 / 16 × 10
    assertThat(result).containsText("78.8 %");
    assertThat(result).containsText("The judges are 7.5 % apart.");
    assertThat(result).containsText("Intonation cost most: 8.1 % of the whole.");
    assertThat(result).containsText("A warm low register.");
    other.close();
    page.close();
  }

  /** What can't be read says in which row, and nothing that was typed is lost. */
  @Test
  public void anAuditionIsSetUpFromATable() {
    Page page = browsing.page();
    page.navigate(browsing.at("/people"));
    page.getByText("Auditions").click();
    button(page, "Set up an audition").click();
    page.getByLabel("Name").fill("Spring seating");
    page.getByLabel("Day").fill(LocalDate.now().plusDays(30).toString());
    Locator table = page.getByLabel("What is asked, a row for each thing");
    table.fill("instrument,kind,tonic,scale,tempo\ntrumpet,scale,Bb,majro,80\n");
    button(page, "Save").click();
    assertThat(page.locator(".trouble")).containsText("Row 2: ‘majro’ is none of the words");
    assertThat(page.getByLabel("Name")).hasValue("Spring seating");
    table.fill("instrument,kind,tonic,scale,tempo\ntrumpet,scale,Bb,major,80\n");
    button(page, "Save").click();
    page.waitForURL(Pattern.compile("/people/audition/\\d+"));
    assertThat(page.getByText("Nobody goes there yet. Tick who does.")).isVisible();
    page.getByText("Saoirse D.").click();
    assertThat(page.locator("tbody")).containsText("B♭ major");
    button(page, "Take it away").click();
    assertThat(page.getByText("It is taken away.")).isVisible();
    button(page, "Put it back").click();
    assertThat(page.getByText("It is taken away.")).hasCount(0);
    page.close();
  }
}
