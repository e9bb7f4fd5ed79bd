package sempre.e2e;

import com.microsoft.playwright.Page;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * How long it takes until a part of 32 bars of eighths stands on the stand, in milliseconds from
 * the click: its first three lines, and all of them. {@code ./sempre bench stand}
 */
public final class StandTimes {
  private static final int BARS = 32;
  private static final int PARTS = 6;

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
