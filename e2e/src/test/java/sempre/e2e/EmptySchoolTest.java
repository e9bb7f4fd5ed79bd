package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.testng.annotations.Test;

/**
 * A school that begins: every empty list says what to do next; a lost server loses nothing typed.
 */
public class EmptySchoolTest {
  @Test
  public void theFirstStepsAreSaid() {
    try (Browsing browsing = new Browsing(false)) {
      Page page = browsing.page();
      page.navigate(browsing.at("/"));
      assertThat(page.getByText("Set up a group and its students")).isVisible();
      assertThat(page.getByLabel("First steps").getByRole(AriaRole.LISTITEM)).hasCount(4);
      page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Set up a group")).click();
      page.getByLabel("A new group").fill("Beginners");
      page.getByText("Set it up").click();
      assertThat(page.getByText("Beginners is set up.")).isVisible();
      assertThat(page.getByText("Nobody yet: add a student.")).isVisible();
      page.navigate(browsing.at("/shelf"));
      assertThat(page.getByText("The shelf is empty.")).isVisible();
      page.getByText("add Pebbles (8 pieces)").click();
      assertThat(page.getByText("8 pieces of Pebbles are on the shelf now.")).isVisible();
      assertThat(page.getByText("8 bars · sounds with one sharp · G5 to B5").first()).isVisible();
      page.navigate(browsing.at("/"));
      assertThat(page.getByLabel("First steps").getByText("done")).hasCount(1);
      page.navigate(browsing.at("/stand"));
      assertThat(page.getByText("No part is on the stand")).isVisible();

      page.navigate(browsing.at("/people"));
      page.getByLabel("A new group").fill("Second band");
      browsing.stop();
      page.getByText("Set it up").click();
      assertThat(page.getByText("Sempre does not answer.").first()).isVisible();
      assertThat(page.getByLabel("A new group")).hasValue("Second band");
    }
  }

  @Test
  public void theSampleSchoolComesInOneClickAndGoesAsAWhole() {
    try (Browsing browsing = new Browsing(false)) {
      Page page = browsing.page();
      page.navigate(browsing.at("/"));
      page.getByText("Bring the sample school").click();
      assertThat(page.getByText("The sample school is here: ")).isVisible();
      assertThat(page.getByText("Quay Concert Band").first()).isVisible();
      assertThat(page.getByText("everyone in it is made up")).isVisible();

      // a student of one's own in one of its groups stays, and so does the group
      page.navigate(browsing.at("/people"));
      page.getByRole(
              AriaRole.BUTTON, new Page.GetByRoleOptions().setName("add a student to Recorder"))
          .click();
      page.getByLabel("First name").fill("Wren");
      page.getByRole(AriaRole.DIALOG)
          .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Save"))
          .click();
      assertThat(page.getByText("Wren").first()).isVisible();
      page.navigate(browsing.at("/"));
      page.getByText("Take the sample school away").click();
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take it away")).click();
      assertThat(page.getByText("Recorder class 3 stays")).isVisible();
      assertThat(page.getByText("Quay Concert Band")).hasCount(0);
      page.navigate(browsing.at("/people"));
      assertThat(page.getByText("Wren").first()).isVisible();
      assertThat(page.getByText("Noor A.")).hasCount(0);
      page.navigate(browsing.at("/shelf"));
      assertThat(page.getByText("Tall Grass").first()).isVisible();
      assertThat(page.getByText("Quay Parade")).hasCount(0);
    }
  }
}
