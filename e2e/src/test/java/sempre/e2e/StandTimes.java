package sempre.e2e;

import com.microsoft.playwright.Page;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * How long it takes until a part of 32 bars of eighths stands on the stand, in milliseconds from
 * the click: its first three lines, and all of them; then how long it takes from a key that is
 * pressed at the end of 16 typed bars of eighths until they are engraved and fingered anew, the
 * middle of many and the longest. {@code ./sempre bench stand}
 */
public final class StandTimes {
  private static final int BARS = 32;
  private static final int PARTS = 6;
  private static final int TYPED_BARS = 16;
  private static final int WARM = 24;
  private static final int KEYS = 48;

  private StandTimes() {}

  public static void main(String[] args) {
    try (Browsing browsing = new Browsing(true)) {
      Page page = browsing.keepingPage();
      page.navigate(browsing.at("/"));
      long student =
          browsing.made(
              page,
              "/api/students",
              "{\"givenName\":\"Pia\",\"initial\":\"\",\"instrument\":\"flute\",\"options\":{},"
                  + "\"avoid\":[],\"style\":{},\"groups\":[]}");
      long[] pieces = new long[PARTS];
      for (int i = 0; i < PARTS; i++) {
        pieces[i] = browsing.brought(page, "Part " + i, eighths(i));
      }
      page.navigate(browsing.at("/"));
      page.waitForFunction("() => navigator.serviceWorker.controller");
      page.waitForTimeout(5_000);
      tell("first part of a visit", opened(page, student, pieces[0]));
      for (int i = 1; i < PARTS; i++) {
        tell("another part, never opened", opened(page, student, pieces[i]));
      }
      for (int i = 0; i < 3; i++) {
        tell("opened again", opened(page, student, pieces[i]));
      }
      page.navigate(browsing.at("/"));
      page.waitForTimeout(5_000);
      for (int i = 0; i < 3; i++) {
        tell("opened on an earlier visit", opened(page, student, pieces[i]));
      }
      tell("a key while typing", typed(browsing, page));
    } finally {
      Browsing.done();
    }
  }

  private static void tell(String what, List<?> times) {
    System.out.printf(
        Locale.ROOT,
        "%-28s %5.0f %5.0f%n",
        what,
        ((Number) times.get(0)).doubleValue(),
        ((Number) times.get(1)).doubleValue());
  }

  private static List<?> opened(Page page, long student, long piece) {
    List<?> times =
        (List<?>)
            page.evaluate(
                "async path => {"
                    + " history.pushState({}, '', path);"
                    + " const start = performance.now();"
                    + " dispatchEvent(new PopStateEvent('popstate'));"
                    + " return await new Promise(done => { let first = 0;"
                    + " const look = () => { const n = document.querySelectorAll('.line.drawn').length;"
                    + " if (n >= 3 && !first) first = performance.now() - start;"
                    + " if (n > 10) done([first, performance.now() - start]);"
                    + " else requestAnimationFrame(look) }; look() }) }",
                "/stand/" + student + "/" + piece);
    page.waitForTimeout(1_500);
    page.evaluate(
        "() => { history.pushState({}, '', '/'); dispatchEvent(new PopStateEvent('popstate')) }");
    page.waitForTimeout(1_500);
    return times;
  }

  private static List<?> typed(Browsing browsing, Page page) {
    page.navigate(browsing.at("/shelf/typed"));
    page.fill("textarea", "8" + "C D E F G A B c ".repeat(TYPED_BARS - 1));
    page.waitForTimeout(2_000);
    page.focus("textarea");
    page.keyboard().press("Control+End");
    page.evaluate(
        "() => { window.times = []; let key = 0, drawn = 0;"
            + " addEventListener('keydown', () => {"
            + " if (drawn) times.push(drawn - key); drawn = 0; key = performance.now() }, true);"
            + " new MutationObserver(all => {"
            + " if (all.some(m => [...m.addedNodes].some(n => n.nodeType === 1"
            + " && (n.matches('svg.engraved') || n.querySelector('svg.engraved')))))"
            + " drawn = performance.now() })"
            + ".observe(document.body, { childList: true, subtree: true }) }");
    for (int i = 0; i < WARM + KEYS; i++) {
      page.keyboard().press("defgABd".substring(i % 7, i % 7 + 1));
      page.waitForTimeout(400);
    }
    return (List<?>)
        page.evaluate(
            "warm => { const t = times.slice(warm).sort((a, b) => a - b);"
                + " return [t[t.length >> 1], t.at(-1)] }",
            WARM);
  }

  private static byte[] eighths(int seed) {
    Random random = new Random(seed);
    StringBuilder bars = new StringBuilder();
    int at = 14;
    for (int b = 1; b <= BARS; b++) {
      bars.append("<measure number='").append(b).append("'>");
      if (b == 1) {
        bars.append(
            "<attributes><divisions>2</divisions><time><beats>4</beats><beat-type>4</beat-type>"
                + "</time><clef><sign>G</sign><line>2</line></clef></attributes>");
      }
      for (int i = 0; i < 8; i++) {
        at = Math.max(8, Math.min(20, at + random.nextInt(5) - 2));
        bars.append("<note><pitch><step>")
            .append("CDEFGAB".charAt(at % 7))
            .append("</step><octave>")
            .append(3 + at / 7)
            .append("</octave></pitch><duration>1</duration><type>eighth</type></note>");
      }
      bars.append("</measure>");
    }
    return ("<score-partwise version='4.0'><part-list><score-part id='P1'><part-name>Flute"
            + "</part-name></score-part></part-list><part id='P1'>"
            + bars
            + "</part></score-partwise>")
        .getBytes(StandardCharsets.UTF_8);
  }
}
