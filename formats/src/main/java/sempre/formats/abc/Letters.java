package sempre.formats.abc;

import java.util.Locale;
import sempre.core.pitch.Pitch;

/** A pitch as ABC has it (2.1, section 4.1): C to B from middle C, marks for other octaves. */
final class Letters {
  private static final int MIDDLE = 4;

  private Letters() {}

  /**
   * A pitch.
   *
   * @param signed whether its sign stands before it, a natural sign too
   */
  static String of(Pitch p, boolean signed) {
    String sign =
        switch (p.alter()) {
          case -2 -> "__";
          case -1 -> "_";
          case 1 -> "^";
          case 2 -> "^^";
          default -> "=";
        };
    boolean high = p.octave() > MIDDLE;
    String letter = p.letter().name();
    return (signed ? sign : "")
        + (high ? letter.toLowerCase(Locale.ROOT) : letter)
        + (high ? "'".repeat(p.octave() - MIDDLE - 1) : ",".repeat(MIDDLE - p.octave()));
  }
}
