package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

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
      page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Set up a group")).click();
      page.getByLabel("A new group").fill("Beginners");
      page.getByText("Set it up").click();
      assertThat(page.getByText("Beginners is set up.")).isVisible();
      assertThat(page.getByText("Nobody yet: add a student.")).isVisible();
      page.navigate(browsing.at("/shelf"));
      assertThat(page.getByText("The shelf is empty.")).isVisible();
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
}
