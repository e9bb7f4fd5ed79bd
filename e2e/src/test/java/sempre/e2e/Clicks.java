package sempre.e2e;

import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;

/** When the sounds of a page begin, by the clock of its sound card. */
final class Clicks {
  private static final String LISTEN =
      "window.clicks = []; const start = OscillatorNode.prototype.start;"
          + " OscillatorNode.prototype.start = function (at) {"
          + " window.clicks.push([at ?? this.context.currentTime, this.context.currentTime,"
          + " this.frequency.value]); return start.call(this, at); };";

  /**
   * One sound.
   *
   * @param at when it begins, in seconds
   * @param now what the clock showed when it was given to it
   * @param hertz its frequency
   */
  record Click(double at, double now, double hertz) {}

  private Clicks() {}

  /** From now on, in pages that are opened; before one goes there. */
  static void listen(Page page) {
    page.addInitScript(LISTEN);
  }

  static List<Click> heard(Page page) {
    List<Click> all = new ArrayList<>();
    for (Object o : (List<?>) page.evaluate("() => window.clicks")) {
      List<?> c = (List<?>) o;
      all.add(new Click(number(c.get(0)), number(c.get(1)), number(c.get(2))));
    }
    return all;
  }

  private static double number(Object o) {
    return ((Number) o).doubleValue();
  }

  /** How far the farthest click is from where it belongs, in milliseconds. */
  static double farthest(List<Click> clicks, double period) {
    double most = 0;
    for (int i = 0; i < clicks.size(); i++) {
      most = Math.max(most, Math.abs(clicks.get(i).at() - clicks.get(0).at() - i * period));
    }
    return 1_000 * most;
  }

  /**
   * How late the latest click was given to the clock, in milliseconds; 0 where all were in time.
   */
  static double late(List<Click> clicks) {
    return 1_000 * clicks.stream().mapToDouble(c -> Math.max(0, c.now() - c.at())).max().orElse(0);
  }
}
