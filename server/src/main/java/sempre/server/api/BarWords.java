package sempre.server.api;

import java.util.List;
import sempre.core.score.Bar;

/** Bars by their printed numbers, in words. */
public final class BarWords {
  private BarWords() {}

  /** Such as {@code bars 3–4}, or {@code bar 3}. */
  public static String of(List<Bar> bars, int from, int to) {
    return Speech.say(
        "study.bars",
        "from",
        from == to ? "same" : bars.get(from).number(),
        "to",
        bars.get(to).number());
  }
}
