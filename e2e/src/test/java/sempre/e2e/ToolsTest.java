package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import java.util.List;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The metronome and the drone, by the clock of the sound card. */
public class ToolsTest {
  private Browsing browsing;
  private Page page;

  @BeforeClass
  void open() {
    browsing = new Browsing(true);
    page = browsing.page();
    Clicks.listen(page);
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browsing.close();
  }

  @Test
  public void theMetronomeBeatsWhereItShouldAlsoWhenItIsSetAnew() {
    page.navigate(browsing.at("/tools?tempo=150"));
    assertThat(page.getByLabel("Beats a minute")).hasValue("150");
    page.keyboard().press(" ");
    page.waitForFunction("() => window.clicks.length >= 20");
    List<Clicks.Click> clicks = Clicks.heard(page);
    assertTrue(Clicks.farthest(clicks, 0.4) < 1, "ms: " + Clicks.farthest(clicks, 0.4));
    // the first of four is higher
    for (int i = 0; i < clicks.size(); i++) {
      assertEquals(clicks.get(i).hertz(), i % 4 == 0 ? 1800.0 : 1200.0, "click " + i);
    }
    // quicker: the click that was due comes when it was due
    page.keyboard().press("+");
    int before = Clicks.heard(page).size();
    page.waitForFunction("n => window.clicks.length > n + 4", before);
    List<Clicks.Click> later = Clicks.heard(page);
    double due = later.get(before).at() - later.get(before - 1).at();
    assertEquals(due, 0.4, 0.001);
    assertEquals(later.get(before + 2).at() - later.get(before + 1).at(), 60 / 151.0, 0.001);
    page.keyboard().press(" ");
    int stopped = Clicks.heard(page).size();
    page.waitForTimeout(600);
    assertEquals(Clicks.heard(page).size(), stopped);
  }

  /**
   * B flat below middle C at 440 Hz has 233.08 Hz, at 442 Hz 234.14; with its fifth half as much
   * more.
   */
  @Test(dependsOnMethods = "theMetronomeBeatsWhereItShouldAlsoWhenItIsSetAnew")
  public void theDroneHoldsTheNoteThatIsChosen() {
    int before = Clicks.heard(page).size();
    page.keyboard().press("o");
    page.waitForFunction("n => window.clicks.length === n + 2", before);
    List<Clicks.Click> held = Clicks.heard(page);
    assertEquals(held.get(before).hertz(), 233.08, 0.01);
    assertEquals(held.get(before + 1).hertz(), 466.16, 0.01);
    page.getByText("with its fifth").click();
    page.waitForFunction("n => window.clicks.length === n + 5", before);
    assertEquals(Clicks.heard(page).get(before + 3).hertz(), 349.62, 0.01);
    page.getByLabel("A4, in Hz").fill("442");
    page.getByLabel("A4, in Hz").press("Tab");
    page.waitForFunction("n => window.clicks.length === n + 8", before);
    assertEquals(Clicks.heard(page).get(before + 5).hertz(), 234.14, 0.01);
    page.keyboard().press("o");
  }
}
