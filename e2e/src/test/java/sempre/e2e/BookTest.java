package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** A whole book: brought in at once, looked through, saved as an archive and brought in again. */
public class BookTest {
  private Browsing browsing;

  @BeforeClass
  void start() {
    browsing = new Browsing(true);
  }

  @AfterClass(alwaysRun = true)
  void stop() {
    browsing.close();
  }

  private static byte[] archive(String... namesAndTexts) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      for (int i = 0; i < namesAndTexts.length; i += 2) {
        zip.putNextEntry(new ZipEntry(namesAndTexts[i]));
        zip.write(namesAndTexts[i + 1].getBytes(StandardCharsets.UTF_8));
      }
    }
    return out.toByteArray();
  }

  private static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
  }

  private static void choose(Page page, FilePayload file) {
    button(page, "Bring in a whole book").click();
    page.getByLabel("Files or an archive").setInputFiles(file);
  }

  @Test
  public void aBookComesInAtOnceWithAReportAndGoesOutAsAnArchive() throws IOException {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf"));
    choose(
        page,
        new FilePayload(
            "Moorings.zip",
            "application/zip",
            archive(
                "Moorings/10 Lugger.abc", "X:1\nT:Lugger\nK:C\nefgf|e4|\n",
                "Moorings/p3 2 Wherry.abc", "X:1\nT:Wherry\nK:C\ncdcd|c4|\n",
                "Moorings/11 Torn.xml", "<score-partwise><part-list>",
                "Moorings/cover.pdf", "%PDF",
                "__MACOSX/Moorings/10 Lugger.abc", "x")));
    assertThat(page.getByText("3 files of music; one file is no music:")).isVisible();
    assertThat(page.getByText("Moorings/cover.pdf")).isVisible();
    button(page, "Bring in all 3").click();
    assertThat(page.getByText("2 exercises were put on the shelf; one file could not be read."))
        .isVisible();
    assertThat(page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName("11 Torn.xml")))
        .isVisible();
    page.getByText("What Moorings brings, exercise by exercise").click();
    Locator rows = page.locator("table.rows tbody tr");
    assertThat(rows).hasCount(2);
    assertThat(rows.first()).containsText("Wherry page 3");
    assertThat(rows.first()).containsText("C5 D5");
    assertThat(rows.nth(1)).containsText("E5 F5 G5");
    page.getByText("Show the map of the book").click();
    assertThat(page.locator("table.map tbody tr").first()).isVisible();
    Download saved = page.waitForDownload(() -> page.getByText("Save the book").click());
    assertEquals(saved.suggestedFilename(), "Moorings.zip");
    page.navigate(browsing.at("/shelf"));
    choose(
        page,
        new FilePayload(
            "other.zip", "application/zip", java.nio.file.Files.readAllBytes(saved.path())));
    assertThat(page.getByLabel("Name of the book")).hasValue("Moorings");
    button(page, "Bring in all 2").click();
    assertThat(page.getByText("Nothing new was put on the shelf; 2 were there already."))
        .isVisible();
    page.close();
  }

  /** The order of the book beside what a group has. */
  @Test
  public void aBookIsHeldAgainstAGroupsStanding() {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf/book/Tidemarks"));
    page.getByLabel("Against the standing of").selectOption("First-year band");
    assertThat(page.getByText("Next by the book:")).containsText(" of 12 ready");
    assertThat(page.locator("table.rows tbody tr").first()).containsText("12 of 12 ready");
    page.getByLabel("As read by").selectOption("Horn");
    assertThat(page.getByText("In passing: B♭3 once; introduced in 13")).isVisible();
    page.close();
  }

  /** Several files that are dropped together are no piece but the beginning of a book. */
  @Test
  public void severalFilesAreDroppedTogether() {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf"));
    var files =
        page.evaluateHandle(
            """
            () => {
              const all = new DataTransfer();
              for (const n of ['2 Skiff.abc', '10 Sloop.abc'])
                all.items.add(new File(['X:1\\nT:' + n.slice(2) + '\\nK:C\\ncdef|g4|\\n'], n));
              return all;
            }
            """);
    page.locator(".drop").dispatchEvent("drop", Map.of("dataTransfer", files));
    assertThat(page.getByText("2 files of music")).isVisible();
    button(page, "Bring in all 2").click();
    assertThat(page.getByText("Give the book a name.")).isVisible();
    page.getByLabel("Name of the book").fill("Dropped");
    button(page, "Bring in all 2").click();
    assertThat(page.getByText("2 exercises were put on the shelf.")).isVisible();
    page.close();
  }

  /** What is stopped leaves what is there; the rest is told as not begun. */
  @Test
  public void bringingInIsStoppedInTheMiddle() throws IOException {
    Page page = browsing.page();
    page.navigate(browsing.at("/shelf"));
    String[] files = new String[120];
    for (int i = 0; i < files.length; i += 2) {
      files[i] = i / 2 + ".abc";
      files[i + 1] = "X:1\nT:T" + i + "\nK:C\ncdef|g4|\n";
    }
    choose(page, new FilePayload("Many.zip", "application/zip", archive(files)));
    button(page, "Bring in all 60").click();
    button(page, "Cancel").click();
    assertThat(page.getByText("were not begun")).isVisible();
    page.close();
  }
}
