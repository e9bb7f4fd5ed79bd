package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What a teacher does with a whole class. */
public class ClassTest {
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
    return page;
  }

  @Test
  public void aListIsPastedMendedAndTaken() {
    Page page = at("/people/many");
    page.getByLabel("The list")
        .fill("Name;Instrument;Group\nAda Quill;flute;Recorder class\nBen Reed;sax;\n");
    page.getByText("Look at it").click();
    assertThat(page.locator("tbody tr")).hasCount(2);
    assertThat(page.locator("tr.wrong")).containsText("say which");
    page.getByText("Set up one student").click();
    assertThat(page.getByText("1 student is set up, and a new group.")).isVisible();
    // what could not be taken is mended in place, and the other is known to be here
    String left = page.getByLabel("The list").inputValue();
    page.getByLabel("The list").fill(left.replace(";sax", ";alto sax"));
    page.getByText("Look at it").click();
    assertThat(page.locator("tr.there")).containsText("here already");
    page.getByText("Set up one student").click();
    page.getByText("To the people").click();
    assertThat(page.getByText("Ada Q.").first()).isVisible();
    assertThat(page.getByText("Ben R.").first()).isVisible();
    assertEquals(browsing.errors, List.of());
  }

  @Test
  public void aFilesColumnsAreMatched() {
    Page page = at("/people/many");
    page.locator("input[type=file]")
        .setInputFiles(
            new FilePayload(
                "class.csv",
                "text/csv",
                "Who,Plays,Born\nAda,oboe,2014\nBen,horn,2013\n".getBytes(StandardCharsets.UTF_8)));
    assertThat(page.locator("tbody tr")).hasCount(3);
    page.getByLabel("Column 1").selectOption("FIRST_NAME");
    assertThat(page.locator("tr.new")).hasCount(2);
    page.getByLabel("Column 3").selectOption("NOTHING");
    page.getByText("Set up 2 students").click();
    assertThat(page.getByText("2 students are set up.")).isVisible();
  }

  @Test
  public void aSecondInstrumentLeavingComingBackAndBeingErased() {
    Page page = at("/people");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("set up Linh P.")).click();
    page.getByText("Plays another instrument too …").click();
    page.locator(".bx--modal.is-visible")
        .getByLabel("Instrument", new Locator.GetByLabelOptions().setExact(true))
        .selectOption("piccolo");
    page.getByText("Keep", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("Flute, also piccolo").first()).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("set up Linh P."))
        .first()
        .click();
    page.getByText("Leaves, and is kept").click();
    assertThat(page.getByText("Linh P. has left; what was heard is kept below.")).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("is back Linh P."))
        .first()
        .click();
    assertThat(page.getByText("Linh P. is back, as before.")).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("set up Linh P."))
        .first()
        .click();
    page.getByText("Erase this student …").click();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Erase").setExact(true))
        .click();
    assertThat(page.getByText("Linh P. is erased for good: 2 instruments")).isVisible();
  }

  @Test
  public void aGroupHasItsStageAndSchoolYear() {
    Page page = at("/people");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("set up First-year band"))
        .click();
    page.getByLabel("How far it has got").selectOption("school");
    page.getByLabel("School year, in your own words").fill("Year 6");
    page.getByText("Keep", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("school, Year 6")).isVisible();
  }
}
