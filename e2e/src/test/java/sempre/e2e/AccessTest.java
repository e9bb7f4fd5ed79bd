package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.LoadState;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every view for everyone: read by a machine, enlarged, on a phone, pressed with a thumb. */
public class AccessTest {
  private static final List<String> RULES = List.of("wcag2a", "wcag2aa", "wcag21aa", "wcag22aa");

  private Browsing browsing;

  /** One for all views, so that what they have in common is fetched and translated once. */
  private Page page;

  @BeforeClass
  void open() {
    browsing = new Browsing(true);
    page = browsing.page();
    page.navigate(browsing.at("/people/{Yuna}"));
    String student = page.url().replaceAll("\\D*\\d+\\D+(\\d+)$", "$1");
    browsing.made(
        page, "/api/auditions/1/mocks", "{\"studentId\": " + student + ", \"seed\": 417}");
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browsing.close();
  }

  /**
   * What differs from light to dark, and from a desk to a phone; sizes are measured besides. Asked
   * where a page has colors that no other has.
   */
  private static final List<String> DARK = List.of("color-contrast", "scrollable-region-focusable");

  private static final Pattern OWN_COLORS =
      Pattern.compile(
          "/|/stand/.*Harbour.*|/ear/.*|/shelf|/shelf/typed.*|/shelf/book.*|/practice/[^/]*/[^/]*"
              + "|/people|/people/\\{Noor}|/people/group/[^/]*(/grid|/note.*)?|/people/mock.*"
              + "|/people/\\{Yuna}/agenda|/notes/.*|/tools|/help/stand");

  /** Every kind of page that there is. */
  private static final List<String> VIEWS =
      List.of(
          "/",
          "/stand",
          "/stand/{Noor}/{The Harbour Wall}",
          "/stand/{Ioane}/{Fog Horn and Fiddle}",
          "/ear/{Mateo}/{The Harbour Wall}",
          "/ear/class/{First-year band}",
          "/shelf",
          "/shelf/typed?make=1",
          "/shelf/{Two Gulls}",
          "/shelf/book/Tidemarks?map=1",
          "/parts/{given Fog Horn and Fiddle}",
          "/sheet/{Noor}/{The Harbour Wall}",
          "/simpler/{Nokomis}/{Quay Parade}",
          "/practice/{Noor}/{Undertow}",
          "/practice/{Noor}/{Undertow}/paper",
          "/people/{Noor}/sight",
          "/people/auditions",
          "/people/audition/1",
          "/people/mock/1",
          "/people/{Yuna}/agenda",
          "/people/{Yuna}/agenda/paper",
          "/tools",
          "/practice/{Mateo}/{The Harbour Wall}/tuner",
          "/practice/{Noor}/{Undertow}/material",
          "/practice/{Noor}/{Undertow}/material/paper",
          "/people",
          "/people/group/{First-year band}/grades",
          "/people/many",
          "/people/{Noor}",
          "/people/{Noor}/report",
          "/people/group/{First-year band}",
          "/people/group/{First-year band}/pieces",
          "/people/group/{First-year band}/plays",
          "/people/group/{First-year band}/grid",
          "/people/group/{First-year band}/note/Bb4",
          "/notes/clarinet",
          "/notes/across/Bb4",
          "/chart/flute?student={Noor}",
          "/scale?group={First-year band}",
          "/help/stand",
          "/help/terms",
          "/removed");

  @DataProvider
  public Object[][] views() {
    return VIEWS.stream().map(v -> new Object[] {v}).toArray(Object[][]::new);
  }

  /** The script that asks, by its makers. */
  private static final String AXE = axe();

  private static String axe() {
    try (InputStream in = AxeBuilder.class.getResourceAsStream("/axe.min.js")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * On a desk the rules of the standards, and that who speaks to a computer may say what the button
   * says; on a phone what changes with the screen. What is well is not listed, which takes long.
   */
  private static Map<String, Object> rules(boolean desk) {
    Map<String, Object> only = Map.of("type", desk ? "tag" : "rule", "values", desk ? RULES : DARK);
    return desk
        ? Map.of(
            "runOnly",
            only,
            "resultTypes",
            List.of("violations"),
            "rules",
            Map.of("label-content-name-mismatch", Map.of("enabled", true)))
        : Map.of("runOnly", only, "resultTypes", List.of("violations"));
  }

  /** What is against the rules in the page as it stands; the script is read once a page. */
  private List<?> against(boolean desk) {
    if (page.evaluate("() => typeof window.axe").equals("undefined")) {
      page.evaluate(AXE);
    }
    return (List<?>)
        page.evaluate(
            """
            async options => (await axe.run(document, options)).violations
                .map(v => v.id + ': ' + v.nodes[0].html)
            """,
            rules(desk));
  }

  private void open(Page page, String path) {
    page.navigate(browsing.at(path));
    page.locator("h1").first().waitFor();
    if (path.matches("/(stand|ear)/\\{.*")) {
      page.locator("section.drawn svg.lanes text").first().waitFor();
    }
    page.waitForLoadState(LoadState.NETWORKIDLE);
  }

  /** Music is drawn again for another width, a moment after it is known. */
  private static final String SETTLED =
      """
      async () => {
        await Promise.allSettled(document.getAnimations().map(a => a.finished));
        const wait = ms => new Promise(done => setTimeout(done, ms));
        await wait(60);
        while (document.documentElement.hasAttribute('data-drawing')) await wait(20);
      }
      """;

  /**
   * Light and dark, on a desk and on a phone, with a mouse and with a thumb; nothing is cut off
   * however much it is enlarged.
   */
  @Test(dataProvider = "views")
  public void everyViewIsAccessibleAndKeepsToItself(String path) {
    browsing.errors.clear();
    page.setViewportSize(1280, 800);
    open(page, path);
    // words only, no value that was meant to become some
    assertThat(page.locator("body")).not().containsText(Pattern.compile("\\[object|undefined|NaN"));
    List<String> wrong = new ArrayList<>();
    // light on a desk, dark on a phone
    for (int width : List.of(1280, 390)) {
      page.setViewportSize(width, 844);
      page.evaluate(
          "t => document.documentElement.setAttribute('theme', t)",
          width == 1280 ? "white" : "g100");
      // colors that fade over are measured when they have come to rest, staves when they are drawn
      page.evaluate(SETTLED);
      // names and roles are those of one document; colors and sizes change with the screen
      if (width == 1280 || OWN_COLORS.matcher(path).matches()) {
        against(width == 1280).forEach(v -> wrong.add(width + " " + v));
      }
    }
    // the desk's screen as it is, and at 200 and at 400 per cent
    for (int width : List.of(1280, 640, 320)) {
      page.setViewportSize(width, width == 1280 ? 800 : width * 4 / 5);
      measure(page, width, 24, wrong);
    }
    touched(wrong);
    assertEquals(wrong.toString(), "[]");
    assertEquals(browsing.foreign, List.of(), "no page asks another host for anything");
    assertEquals(browsing.errors.toString(), "[]");
  }

  /**
   * What one presses and is too small: lower than so many px, or narrower than 24. A link in the
   * middle of a sentence is as high as its line (WCAG 2.2, 2.5.8, has the same exception).
   */
  private static final String SMALL =
      """
      least => {
        const small = [];
        const all = 'a[href], button, input, select, summary, [role=button], [tabindex="0"]';
        for (const e of document.querySelectorAll(all)) {
          if (e.closest('.bx--visually-hidden, .skip, [aria-hidden=true], svg') || e.disabled)
            continue;
          const label = e.matches('[type=checkbox], [type=radio]')
            ? e.closest('label') ?? document.querySelector(`label[for="${e.id}"]`) : null;
          const box = (label ?? e).getBoundingClientRect();
          if (box.width <= 1 || box.height <= 1) continue;
          const style = getComputedStyle(label ?? e);
          if (style.visibility === 'hidden') continue;
          const around = [...e.parentElement.childNodes];
          if (style.display.startsWith('inline')
              && e.parentElement.matches('p, li, td, dd, span')
              && around.some(n => n.nodeType === 3 && n.textContent.trim().length > 1)) continue;
          if (box.height < least - 0.5 || box.width < 23.5)
            small.push(`${e.tagName} ${(e.textContent || e.name || e.type).trim().slice(0, 30)}`
                + ` ${Math.round(box.width)}x${Math.round(box.height)}`);
        }
        return small.slice(0, 4).join('; ');
      }
      """;

  /** What is wider than the screen, and what is too small to be pressed. */
  private static void measure(Page page, int width, int least, List<String> wrong) {
    // what follows the width of the screen has a moment to do so
    Object over =
        page.evaluate(
            """
            async w => {
              const over = () => document.documentElement.scrollWidth - w;
              for (let i = 0; i < 20 && over() > 0; i++) await new Promise(r => setTimeout(r, 100));
              return over();
            }
            """,
            width);
    if (((Number) over).intValue() > 0) {
      wrong.add(over + " px too wide for " + width);
    }
    String small = (String) page.evaluate(SMALL, least);
    if (!small.isEmpty()) {
      wrong.add("too small at " + width + ": " + small);
    }
  }

  /** Where a hand holds the screen, a thumb meets what it presses: 44 px. */
  private void touched(List<String> wrong) {
    CDPSession screen = page.context().newCDPSession(page);
    touch(screen, true);
    page.waitForFunction("() => matchMedia('(hover: none) and (pointer: coarse)').matches");
    for (int width : List.of(768, 1024, 390)) {
      page.setViewportSize(width, width == 390 ? 844 : width == 768 ? 1024 : 768);
      measure(page, width, 44, wrong);
    }
    touch(screen, false);
    screen.detach();
  }

  private static void touch(CDPSession screen, boolean touched) {
    JsonObject how = new JsonObject();
    how.addProperty("enabled", touched);
    screen.send("Emulation.setTouchEmulationEnabled", how);
  }
}
