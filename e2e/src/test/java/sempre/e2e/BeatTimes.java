package sempre.e2e;

import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Locale;

/**
 * How steadily the metronome beats over some minutes, by the clock of the sound card. {@code
 * ./sempre bench beat}
 */
public final class BeatTimes {
  private static final int MINUTES = 3;
  private static final int TEMPO = 132;

  private BeatTimes() {}

  public static void main(String[] args) {
    try (Browsing browsing = new Browsing(true)) {
      Page page = browsing.page();
      Clicks.listen(page);
      page.navigate(browsing.at("/tools?tempo=" + TEMPO));
      page.getByLabel("Beats a minute").waitFor();
      page.keyboard().press(" ");
      page.waitForTimeout(MINUTES * 60_000);
      page.keyboard().press(" ");
      List<Clicks.Click> clicks = Clicks.heard(page);
      System.out.printf(
          Locale.ROOT,
          "%d clicks at %d a minute: the farthest %.6f ms from its place, the latest given to the"
              + " clock %.1f ms after it%n",
          clicks.size(),
          TEMPO,
          Clicks.farthest(clicks, 60.0 / TEMPO),
          Clicks.late(clicks));
    } finally {
      Browsing.done();
    }
  }
}
