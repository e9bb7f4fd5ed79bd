package sempre.core.score;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import sempre.core.Refusal;

/**
 * Bars by the numbers that are printed over them, whatever part they are in; a part that numbers
 * its bars otherwise has none of them.
 *
 * @param first the first one
 * @param last the last one, not before the first
 */
public record BarNumbers(int first, int last) {
  private static final Pattern TEXT = Pattern.compile("(\\d{1,4})(?:\\s*-\\s*(\\d{1,4}))?");
  private static final Pattern NUMBER = Pattern.compile("\\d{1,9}");

  /**
   * Reads {@code 3-6} or {@code 3}.
   *
   * @throws Refusal with a sentence that says what to change
   */
  public static BarNumbers parse(String text) {
    Matcher m = TEXT.matcher(text.strip());
    if (!m.matches()) {
      throw new Refusal("check.bars", "typed", text);
    }
    int first = Integer.parseInt(m.group(1));
    int last = m.group(2) == null ? first : Integer.parseInt(m.group(2));
    if (last < first) {
      throw new Refusal("check.bars-backwards");
    }
    return new BarNumbers(first, last);
  }

  /** Whether a bar is among them. */
  public boolean has(Bar bar) {
    if (!NUMBER.matcher(bar.number()).matches()) {
      return false;
    }
    int number = Integer.parseInt(bar.number());
    return number >= first && number <= last;
  }
}
