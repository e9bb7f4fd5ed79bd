package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** An exercise is typed as fast as it is read from the book. */
public class TypingTest {
  private Browsing browsing;

  @BeforeClass
  void open() {
    browsing = new Browsing(true);
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browsing.close();
  }

  private static Locator fingerings(Page page) {
    return page.locator(".music svg text").filter(new Locator.FilterOptions().setHasText("E♭"));
  }

  /** Eight bars of eighths; what is pressed beside the notes themselves is at most 60 keys. */
  @Test
  public void anExerciseIsTypedEngravedFingeredAndKept() {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf"));
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Type a piece")).click();
    Locator text = page.getByLabel("Notes", new Page.GetByLabelOptions().setExact(true));
    String bars = "cdedcBAG|ABcdefed|cBABcdcB|AGFGABcd|edcdedcB|ABcBAGFG|ABcdcBAG|FGABcccc";
    String typed = "8" + bars;
    int notes = typed.replaceAll("[^A-Ga-g]", "").length();
    assertEquals(notes, 64);
    text.pressSequentially(typed);
    page.getByLabel("Title").pressSequentially("Skiff");
    int beside = typed.length() - notes + "Skiff".length() + 2;
    assertTrue(beside <= 60, beside + " keys beside the notes");
    assertThat(page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("8 bars of music")))
        .isVisible();
    assertThat(fingerings(page).first()).isVisible();
    assertThat(page.getByLabel("What can’t be read")).hasCount(0);
    text.press("Control+Enter");
    assertThat(page.getByText("It is on the shelf.")).isVisible();
    assertThat(text).hasValue("");
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("to the shelf")).click();
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Skiff").setExact(true))
        .click();
    page.getByText("change what was typed").click();
    assertThat(text).hasValue(Pattern.compile("K:Bb\nM:4/4\nQ:1/4=96\n8cdedcBAG\\|.*"));
    assertThat(page.getByLabel("Title")).hasValue("Skiff");
    page.context().close();
  }

  @Test
  public void whatCantBeReadIsToldByItsColumnAndFound() {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf/typed"));
    Locator text = page.getByLabel("Notes", new Page.GetByLabelOptions().setExact(true));
    text.fill("4C D\n\n4E h G");
    page.getByText("line 3, column 4").click();
    assertThat(text).isFocused();
    assertEquals(page.evaluate("() => document.activeElement.selectionStart"), 9);
    page.keyboard().type("z");
    assertThat(page.getByLabel("What can’t be read")).hasCount(0);
    // the power goes: it is there again
    page.reload();
    assertThat(text).hasValue("4C D\n\n4E z G");
    text.fill("");
    page.context().close();
  }

  @Test
  public void aFileOfTunesIsOpenedWhereItCanBePutRight() {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf"));
    page.locator("#piece-file")
        .setInputFiles(
            new FilePayload(
                "two.abc",
                "text/plain",
                "X:1\nT:Wherry\nK:G\nGABc|\n\nX:2\nT:Lugger\nK:F\nFGAB|\n"
                    .getBytes(StandardCharsets.UTF_8)));
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("2 · Lugger")))
        .isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Put on the shelf"))
        .click();
    assertThat(page.getByText("2 pieces are on the shelf.")).isVisible();
    page.context().close();
  }
}
