package sempre.core.learning;

import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import sempre.core.Refusal;

/**
 * What grades are worth in a gradebook, as a school has it.
 *
 * @param absent what each thing that was asked is worth to who wasn't there; empty where it counts
 *     for nothing and against nobody
 */
public record Points(int secure, int shaky, int notYet, OptionalInt absent) {
  /** Common practice, no source. */
  public static final Points USUAL = new Points(3, 2, 1, OptionalInt.of(0));

  private static final int MOST = 100;
  private static final Pattern WRITTEN =
      Pattern.compile("(\\d{1,3}) (\\d{1,3}) (\\d{1,3}) (\\d{1,3}|-)");

  /**
   * Points that fall with the grade.
   *
   * @throws Refusal where a better grade has fewer, or one has more than 100
   */
  public Points {
    boolean falls = secure >= shaky && shaky >= notYet && notYet >= 0 && secure > 0;
    if (!falls
        || secure > MOST
        || absent.isPresent() && (absent.getAsInt() < 0 || absent.getAsInt() > secure)) {
      throw new Refusal("ask.points", "most", MOST);
    }
  }

  public int of(Grade grade) {
    return switch (grade) {
      case SECURE -> secure;
      case SHAKY -> shaky;
      case NOT_YET -> notYet;
    };
  }

  /** As it is kept: {@code 3 2 1 0}, the last - where absence doesn't count. */
  public String text() {
    return String.join(
        " ",
        String.valueOf(secure),
        String.valueOf(shaky),
        String.valueOf(notYet),
        absent.isPresent() ? String.valueOf(absent.getAsInt()) : "-");
  }

  /** What {@link #text} wrote; the usual ones for anything else. */
  public static Points read(String text) {
    Matcher m = WRITTEN.matcher(text);
    return m.matches()
        ? new Points(
            Integer.parseInt(m.group(1)),
            Integer.parseInt(m.group(2)),
            Integer.parseInt(m.group(3)),
            m.group(4).equals("-")
                ? OptionalInt.empty()
                : OptionalInt.of(Integer.parseInt(m.group(4))))
        : USUAL;
  }
}
