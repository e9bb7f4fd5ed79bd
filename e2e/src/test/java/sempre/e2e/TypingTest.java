package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
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
    assertThat(text).hasValue(typed);
    assertThat(page.getByLabel("Title")).hasValue("Skiff");
    assertThat(page.getByLabel("As written for")).hasValue("flute");

    // the last bar is another: it is changed in its place, and put back
    text.press("End");
    text.press("Backspace");
    text.pressSequentially("B");
    page.getByLabel("Title").fill("Skiffs");
    button(page, "Keep the change").click();
    assertThat(page.getByText("The piece is changed.")).isVisible();
    page.getByText("as it was before").click();
    assertThat(page.getByLabel("Title")).hasValue("Skiff");
    assertThat(text).hasValue(typed);
    page.getByText("to the piece").click();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Skiff")))
        .isVisible();
    page.navigate(browsing.at("/shelf"));
    assertThat(
            page.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName("Skiff").setExact(true)))
        .hasCount(1);
    page.close();
  }

  private static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
  }

  /** A clarinet's page in one flat: keys of the computer, of the screen, and of a MIDI keyboard. */
  @Test
  public void notesComeByKeysAsOneWouldTypeThem() {
    Page page = browsing.page();
    page.addInitScript(
        """
        const keyboard = { name: 'Quay 49', state: 'connected', onmidimessage: null };
        const inputs = new Map([['1', keyboard]]);
        navigator.requestMIDIAccess = async () => ({ inputs, onstatechange: null });
        globalThis.play = (...data) => keyboard.onmidimessage({ data });
        """);
    page.navigate(browsing.at("/shelf/typed"));
    Locator text = page.getByLabel("Notes", new Page.GetByLabelOptions().setExact(true));
    page.getByLabel("As written for").selectOption("clarinet");
    page.getByLabel("Key signature").selectOption("F");
    // they are there from the start
    page.getByLabel("Notes by keys").focus();
    // the clarinet's lowest note is E3: the first C above it is C4
    for (String key : "8 a s U . d 0 ArrowRight a | . 4".split(" ")) {
      page.keyboard().press(key);
    }
    assertThat(text).hasValue("8C4 D4 Bb4 8.E4 r C5 | ");
    button(page, "B♭4").click();
    button(page, "F♯5").click();
    page.getByText("use a MIDI keyboard").click();
    assertThat(page.getByText("Listening to Quay 49; it plays what is written.")).isVisible();
    page.evaluate("() => { play(0x90, 71, 64); play(0x90, 71, 0); play(0x80, 71, 0); }");
    assertThat(text).hasValue("8C4 D4 Bb4 8.E4 r C5 | 4Bb4 F#5 =B4");
    page.keyboard().press("Backspace");
    assertThat(text).hasValue("8C4 D4 Bb4 8.E4 r C5 | 4Bb4 F#5 ");
    page.keyboard().press("Control+z");
    assertThat(text).hasValue("8C4 D4 Bb4 8.E4 r C5 | 4Bb4 F#5 =B4");
    assertThat(page.getByLabel("2 bars of music")).isVisible();
    page.getByLabel("Notes by keys").focus();
    text.fill("");
    page.close();
  }

  /** What sounds comes in where it can be put right, and goes out again. */
  @Test
  public void aMidiFileIsOpenedWhereItCanBePutRight() {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf"));
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Two Gulls").setExact(true))
        .click();
    Download saved = page.waitForDownload(() -> page.getByText("Save as MIDI").click());
    assertEquals(saved.suggestedFilename(), "Two Gulls.mid");
    page.navigate(browsing.at("/shelf"));
    page.locator("#piece-file").setInputFiles(saved.path());
    assertThat(page.getByLabel("8 bars of music")).isVisible();
    assertThat(page.getByLabel("What can’t be read")).hasCount(0);
    page.getByLabel("Notes", new Page.GetByLabelOptions().setExact(true)).fill("");
    page.close();
  }

  @Test
  public void aScaleIsMadeForEveryoneAndStandsWhereItIsTyped() {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf"));
    page.getByText("Make a scale or chord").click();
    page.getByLabel("For", new Page.GetByLabelOptions().setExact(true))
        .selectOption("Quay Concert Band, everyone");
    page.getByLabel("Played").selectOption("in thirds");
    button(page, "Write it").click();
    Locator text = page.getByLabel("Notes", new Page.GetByLabelOptions().setExact(true));
    assertThat(text)
        .hasValue(Pattern.compile("X:1\\nT:B♭ major, in thirds\\n[\\s\\S]*transpose=-9[\\s\\S]*"));
    assertThat(page.getByLabel("Title")).hasValue("B♭ major, in thirds");
    assertThat(page.getByLabel("3 bars of music")).isVisible();
    assertThat(page.getByLabel("What can’t be read")).hasCount(0);
    text.fill("");
    page.close();
  }

  private static byte[] leaves() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (PDDocument pdf = new PDDocument()) {
      pdf.addPage(new PDPage());
      pdf.addPage(new PDPage());
      pdf.save(out);
    }
    return out.toByteArray();
  }

  /** A scan of a page is no music: it lies beside the field, and is kept where that is wanted. */
  @Test
  public void aPageOfTheBookLiesBesideTheFieldAndIsKept() throws IOException {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf"));
    page.locator("#piece-file")
        .setInputFiles(new FilePayload("page.pdf", "application/pdf", leaves()));
    // no error, no further click: the page to type it from
    assertThat(page.getByText("1 of 2")).isVisible();
    page.getByLabel("The leaf after").click();
    assertThat(page.getByText("2 of 2")).isVisible();
    // the power goes: the page lies there again
    page.reload();
    assertThat(page.getByText("1 of 2")).isVisible();
    page.getByText("Keep the page with the piece").click();
    page.getByLabel("Notes", new Page.GetByLabelOptions().setExact(true)).fill("4C D E F");
    page.getByLabel("Title").fill("From paper");
    button(page, "Put on the shelf").click();
    assertThat(page.getByText("It is on the shelf.")).isVisible();
    page.getByText("put the page away").click();
    assertThat(page.getByText("1 of 2")).hasCount(0);
    page.getByText("to the shelf").click();
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("From paper").setExact(true))
        .click();
    page.getByText("change what was typed").click();
    assertThat(page.getByText("1 of 2")).isVisible();
    page.close();
  }

  @Test
  public void whatCantBeReadIsToldByItsColumnAndFound() {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf/typed"));
    Locator text = page.getByLabel("Notes", new Page.GetByLabelOptions().setExact(true));
    text.fill("4C D\n\n4E T G");
    page.getByText("line 3, column 4").click();
    assertThat(text).isFocused();
    assertEquals(page.evaluate("() => document.activeElement.selectionStart"), 9);
    page.keyboard().type("r");
    assertThat(page.getByLabel("What can’t be read")).hasCount(0);
    // the power goes: it is there again
    page.reload();
    assertThat(text).hasValue("4C D\n\n4E r G");
    text.fill("");
    page.close();
  }

  /** What stands in the field is nobody's to replace: a file or a group's scale says so. */
  @Test
  public void whatIsTypedIsNotLostToAFileOrAScale() {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf/typed"));
    Locator text = page.getByLabel("Notes", new Page.GetByLabelOptions().setExact(true));
    text.fill("4C D E F");
    page.getByText("make a scale or chord").click();
    page.getByLabel("For", new Page.GetByLabelOptions().setExact(true))
        .selectOption("Quay Concert Band, everyone");
    button(page, "Write it").click();
    assertThat(page.getByText("Something is typed already")).isVisible();
    assertThat(text).hasValue("4C D E F");
    page.navigate(browsing.at("/shelf"));
    page.locator("#piece-file")
        .setInputFiles(
            new FilePayload(
                "one.abc",
                "text/plain",
                "X:1\nT:Wherry\nK:G\nGABc|\n".getBytes(StandardCharsets.UTF_8)));
    assertThat(page.getByText("Something is typed already")).isVisible();
    page.navigate(browsing.at("/shelf/typed"));
    assertThat(text).hasValue("4C D E F");
    text.fill("");
    page.close();
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
    page.close();
  }
}
