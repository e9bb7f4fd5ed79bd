package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import sempre.server.cli.Cli;

/** What comes out of the printer, measured in the file that the browser prints. */
public class PaperTest {
  /** Where what is written under a note is smaller, nobody reads it from a stand. */
  private static final float SMALLEST_PT = 9;

  private static final float A_SHADE = 1f / 72;

  private Browsing browsing;
  private Page page;

  @BeforeClass
  void start() {
    browsing = new Browsing(true);
  }

  @AfterMethod(alwaysRun = true)
  void leave() {
    if (page != null) {
      page.close();
    }
  }

  @AfterClass(alwaysRun = true)
  void stop() {
    browsing.close();
  }

  private void open(String path) {
    page = browsing.page();
    page.navigate(browsing.at(path));
  }

  /** As somebody prints who has seen that all is drawn. */
  private PDDocument printed() throws IOException {
    page.waitForFunction("() => !document.documentElement.hasAttribute('data-drawing')");
    return Loader.loadPDF(page.pdf(new Page.PdfOptions().setPreferCSSPageSize(true)));
  }

  private void untilDrawn() {
    assertThat(page.locator("html")).hasAttribute("data-printable", "yes");
    assertThat(page.locator("article svg.engraved").first()).isVisible();
  }

  private static String text(PDDocument pdf, int at) throws IOException {
    PDFTextStripper stripper = new PDFTextStripper();
    stripper.setStartPage(at + 1);
    stripper.setEndPage(at + 1);
    return stripper.getText(pdf).replaceAll("\\s+", " ");
  }

  /** Every piece of text with its size on paper, in points. */
  private static List<String> smallerThan(PDDocument pdf, float least) throws IOException {
    List<String> small = new ArrayList<>();
    new PDFTextStripper() {
      @Override
      protected void writeString(String text, List<TextPosition> places) {
        for (TextPosition p : places) {
          if (p.getFontSizeInPt() < least - A_SHADE && !p.getUnicode().isBlank()) {
            small.add(p.getUnicode() + " " + p.getFontSizeInPt());
          }
        }
      }
    }.getText(pdf);
    return small;
  }

  private static void allFontsAreInside(PDDocument pdf) throws IOException {
    for (PDPage p : pdf.getPages()) {
      for (COSName name : p.getResources().getFontNames()) {
        assertTrue(p.getResources().getFont(name).isEmbedded(), name.getName());
      }
    }
  }

  /** How much of a page is dark, and how much neither dark nor white. */
  private static double[] ink(PDDocument pdf, int at) throws IOException {
    BufferedImage image = new PDFRenderer(pdf).renderImageWithDPI(at, 72);
    int dark = 0;
    int grey = 0;
    for (int y = 0; y < image.getHeight(); y++) {
      for (int x = 0; x < image.getWidth(); x++) {
        int green = image.getRGB(x, y) >> 8 & 0xff;
        dark += green < 90 ? 1 : 0;
        grey += green >= 90 && green < 230 ? 1 : 0;
      }
    }
    double all = image.getWidth() * image.getHeight();
    return new double[] {dark / all, grey / all};
  }

  @Test
  public void aPartIsOneSheetThatCanBeReadFromAStand() throws IOException {
    open("/sheet/{Noor}/{The Harbour Wall}");
    paper("A4");
    untilDrawn();
    try (PDDocument pdf = printed()) {
      assertEquals(pdf.getNumberOfPages(), 1);
      assertEquals(Math.round(pdf.getPage(0).getMediaBox().getWidth()), 595);
      String text = text(pdf, 0);
      assertTrue(text.contains("The Harbour Wall") && text.contains("Noor A."), text);
      assertTrue(text.contains("As for F: lift the right first finger"), text);
      assertTrue(text.contains("in a box: new for you"), text);
      // nothing of the screen is on it
      assertTrue(!text.contains("back to the stand") && !text.contains("Today"), text);
      assertEquals(smallerThan(pdf, SMALLEST_PT).toString(), "[]");
      allFontsAreInside(pdf);
    }
  }

  @Test
  public void aDarkScreenPrintsDarkOnWhite() throws IOException {
    open("/sheet/{Noor}/{The Harbour Wall}");
    untilDrawn();
    paper("A4");
    untilDrawn();
    double[] light;
    try (PDDocument pdf = printed()) {
      light = ink(pdf, 0);
    }
    for (String path :
        List.of(
            "/sheet/{Noor}/{The Harbour Wall}", "/stand/{Noor}/{The Harbour Wall}", "/people")) {
      page.navigate(browsing.at(path));
      page.locator("h1").first().waitFor();
      page.getByText("Dark", new Page.GetByTextOptions().setExact(true)).click();
      if (path.startsWith("/sheet")) {
        untilDrawn();
      } else if (path.startsWith("/stand")) {
        page.locator(".line.drawn").nth(1).waitFor();
      }
      try (PDDocument pdf = printed()) {
        double[] dark = ink(pdf, 0);
        assertTrue(dark[0] > 0.003, path + " has ink that is dark: " + dark[0]);
        assertTrue(dark[0] < 0.2, path + " is on white: " + dark[0]);
        if (path.startsWith("/sheet")) {
          assertEquals(dark[0], light[0], light[0] / 100, "the same sheet");
          assertEquals(dark[1], light[1], light[1] / 100, "the same sheet");
        }
      }
      page.getByText("Light", new Page.GetByTextOptions().setExact(true)).click();
    }
  }

  @Test
  public void aClassHasAPageEachAndNoBlankOne() throws IOException {
    open("/parts/{given The Harbour Wall}");
    Locator rows = page.locator("tbody tr:not(.section)");
    rows.first().waitFor();
    int players = rows.count();
    page.keyboard().press("v");
    assertThat(page.locator("article")).hasCount(players);
    assertThat(page.locator(".progress")).hasCount(0);
    try (PDDocument pdf = printed()) {
      assertEquals(pdf.getNumberOfPages(), players);
      for (int i = 0; i < players; i++) {
        String text = text(pdf, i);
        String name = rows.nth(i).locator("a").first().textContent();
        assertTrue(text.contains(name), "page " + (i + 1) + " is for " + name + ": " + text);
      }
    }
  }

  @Test
  public void itIsPrintedOnLetterToo() throws IOException {
    open("/sheet/{Noor}/{The Harbour Wall}");
    paper("LETTER");
    untilDrawn();
    try (PDDocument pdf = printed()) {
      assertEquals(pdf.getNumberOfPages(), 1);
      assertEquals(Math.round(pdf.getPage(0).getMediaBox().getWidth()), 612);
      assertEquals(Math.round(pdf.getPage(0).getMediaBox().getHeight()), 792);
    }
    paper("A4");
  }

  /** Computed in the page: what is written under and over the notes of a line, as it stands. */
  @Test
  public void nothingTouchesUnderTheNotesHoweverMuchIsWritten() {
    open("/sheet/{Linh}/{Fog Horn and Fiddle}");
    unfold();
    page.getByLabel("Fingerings under the notes").selectOption("all");
    page.getByLabel("Names over the notes").selectOption("all");
    for (String staff : List.of("8", "7")) {
      page.getByLabel("Height of a staff").selectOption(staff);
      untilDrawn();
      page.waitForTimeout(700);
      Object touching =
          page.evaluate(
              """
              () => [...document.querySelectorAll('article .line svg')].flatMap((svg) => {
                const boxes = [...svg.querySelectorAll('text.name, text.fingering')].map((t) => {
                  const { x, y, width, height } = t.getBBox();
                  return { text: t.textContent, x, y: y + height * 0.2, right: x + width,
                    bottom: y + height * 0.8 };
                });
                return boxes.flatMap((a, i) =>
                  boxes.slice(i + 1)
                    .filter((b) => a.x < b.right && b.x < a.right && a.y < b.bottom && b.y < a.bottom)
                    .map((b) => a.text + ' ' + b.text));
              })
              """);
      assertEquals(touching, List.of(), staff);
    }
  }

  @Test
  public void aChartHasEveryNoteOfItsStageOnce() throws IOException {
    open("/chart/trumpet?stage=FIRST_YEARS");
    page.getByLabel("Paper").selectOption("A4");
    assertThat(page.locator("html")).hasAttribute("data-printable", "yes");
    // A3 to D5 by half steps: computed from the range of the first years in the catalogue
    assertThat(page.locator(".cells > li")).hasCount(18);
    assertThat(page.locator(".cells svg.engraved")).hasCount(18);
    try (PDDocument pdf = printed()) {
      assertEquals(pdf.getNumberOfPages(), 1);
      String text = text(pdf, 0);
      assertTrue(text.contains("Trumpet: fingerings, up to the first years"), text);
      assertTrue(text.contains("valves second and third"), text);
      allFontsAreInside(pdf);
    }
    page.getByLabel("As", new Page.GetByLabelOptions().setExact(true)).selectOption("poster");
    assertThat(page.locator("html")).hasAttribute("data-printable", "yes");
    try (PDDocument pdf = printed()) {
      assertEquals(pdf.getNumberOfPages(), 1);
      assertEquals(Math.round(pdf.getPage(0).getMediaBox().getWidth()), 842, "A3");
    }
    page.getByLabel("As", new Page.GetByLabelOptions().setExact(true)).selectOption("page");
  }

  @Test
  public void aStudentsChartHasWhatIsThereAndWhatComesNext() {
    open("/chart/flute?student={Noor}");
    Locator cells = page.locator(".cells > li");
    assertThat(cells.filter(new Locator.FilterOptions().setHasText("G5"))).containsText("next");
    assertThat(
            cells.filter(new Locator.FilterOptions().setHasText("C5")).first().getByLabel("secure"))
        .isVisible();
    page.getByLabel("Notes", new Page.GetByLabelOptions().setExact(true)).selectOption("SCHOOL");
    assertTrue(cells.count() > 20);
  }

  /** What is pressed on the screen stays there; what is read is on the paper. */
  @Test
  public void whatIsLookedAtAndTheBandsScalePrintWithTheirInstruments() throws IOException {
    open("/shelf/{Two Gulls}?group={First-year band}");
    page.locator(".music svg").first().waitFor();
    try (PDDocument pdf = printed()) {
      assertEquals(pdf.getNumberOfPages(), 1);
      String text = text(pdf, 0);
      assertTrue(text.contains("Tenor saxophone") && text.contains("C5 to G5"), text);
      assertTrue(!text.contains("Give it") && !text.contains("As read by"), text);
    }
    open("/scale?group={First-year band}");
    page.locator("ol svg").first().waitFor();
    try (PDDocument pdf = printed()) {
      String text = text(pdf, 0);
      // concert B flat is C for the clarinets
      assertTrue(text.contains("Flute") && text.contains("reads C"), text);
      assertTrue(pdf.getPage(0).getMediaBox().getWidth() > 700, "it lies");
    }
  }

  /** Print settings stand folded until they are wanted. */
  private void unfold() {
    if (page.locator("details.fold[open]").count() == 0) {
      page.getByText("Print settings").click();
    }
  }

  private void paper(String size) {
    unfold();
    page.getByLabel("Paper").selectOption(size);
  }

  @Test
  public void aGridHasEveryoneOfAGroupAndCanBeLeftBlank() throws IOException {
    open("/people/group/{First-year band}/grid");
    assertThat(page.locator("tbody tr")).hasCount(12);
    int marks = page.locator("tbody svg").count();
    assertTrue(marks > 40, marks + " marks");
    try (PDDocument pdf = printed()) {
      String text = text(pdf, 0);
      assertTrue(text.contains("Noor A.") && text.contains("First-year band"), text);
      assertTrue(pdf.getPage(0).getMediaBox().getWidth() > 700, "it lies");
    }
    page.getByText("blank, to mark by hand").click();
    assertThat(page.locator("tbody svg")).hasCount(0);
    var file = page.waitForDownload(() -> page.getByText("Save for a spreadsheet").click());
    List<String> rows = Files.readAllLines(file.path());
    // the same marks, a row each, and those that come next
    assertTrue(rows.size() > marks, rows.size() + " rows for " + marks + " marks");
    assertTrue(rows.contains("Flute,Noor A.,,1,B♭4,B♭4,secure,"), rows.toString());
  }

  @Test
  public void aReportSaysWhatOneStudentHasLearnedAndNothingOfOthers() throws IOException {
    open("/people/{Noor}/report");
    assertThat(page.locator("article")).containsText("Noor has learned");
    assertThat(page.locator("article")).containsText("G5, for The Harbour Wall");
    page.getByLabel("Your own sentence").fill("A good term.");
    try (PDDocument pdf = printed()) {
      assertEquals(pdf.getNumberOfPages(), 1);
      String text = text(pdf, 0);
      assertTrue(text.contains("A good term."), text);
      for (String other : List.of("Priya", "Hana", "Zola", "Your own sentence")) {
        assertTrue(!text.contains(other), other);
      }
    }
    // nothing is reported of a time that is still to come
    page.getByLabel("Since").fill("2099-01-01");
    assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("choose an earlier one");
  }

  private static String command(String... args) {
    StringWriter out = new StringWriter();
    int status = Cli.run(args, new PrintWriter(out, true), new PrintWriter(out, true));
    return status + " " + out;
  }

  @Test
  public void theCommandLinePrintsAClassWithABookmarkForEachPlayer() throws IOException {
    Path out = Files.createTempDirectory("print").resolve("parts.pdf");
    String said =
        command("print", "fog horn and fiddle", out.toString(), "--data", browsing.data.toString());
    assertEquals(said.strip(), "0 wrote " + out);
    try (PDDocument pdf = Loader.loadPDF(out.toFile())) {
      List<String> marks = new ArrayList<>();
      pdf.getDocumentCatalog()
          .getDocumentOutline()
          .children()
          .forEach(i -> marks.add(i.getTitle()));
      open("/parts/{given Fog Horn and Fiddle}");
      Locator rows = page.locator("tbody tr");
      rows.first().waitFor();
      List<String> names = rows.locator("a[href^='/people/']").allTextContents();
      assertEquals(marks.size(), names.size(), marks.toString());
      for (int i = 0; i < names.size(); i++) {
        assertTrue(marks.get(i).contains(names.get(i)), marks.get(i));
      }
      allFontsAreInside(pdf);
      assertEquals(smallerThan(pdf, SMALLEST_PT).toString(), "[]");
    }
  }

  @Test
  public void whatCantBePrintedIsSaidWithWhatToDo() {
    String data = browsing.data.toString();
    assertTrue(
        command("print", "No Such Piece", "x.pdf", "--data", data)
            .contains("no group has ‘No Such Piece’ to play"));
    assertTrue(
        command("print", "Quay Parade", "x.pdf", "--data", data, "--student", "Nobody")
            .contains("nobody and nothing is called ‘Nobody’"));
    assertTrue(
        command("print", "Quay Parade", "x.pdf", "--data", data, "--browser", "/no/such")
            .contains("the browser /no/such did not start"));
    assertTrue(
        command("print", "Quay Parade", "x.pdf", "--data", data, "--paper", "A9")
            .contains("there is no paper ‘A9’"));
    assertTrue(
        command("print", "Quay Parade", "x.pdf", "--data", "/no/such/school")
            .contains("there is no school in /no/such/school"));
  }
}
