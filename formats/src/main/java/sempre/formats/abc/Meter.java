package sempre.formats.abc;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.lang3.math.Fraction;
import sempre.formats.xml.XmlNode;

/**
 * A metre as an {@code M:} field says it (ABC 2.1, section 4.6).
 *
 * @param beats as they are printed, such as {@code 2+3}
 * @param type the note that is counted
 * @param symbol {@code common} or {@code cut}, or none
 */
record Meter(String beats, int type, String symbol) {
  static final Meter COMMON = new Meter("4", 4, "");

  private static final int MOST = 64;
  private static final Pattern METER =
      Pattern.compile("\\(?(\\d{1,2}(?:\\+\\d{1,2}){0,8})\\)?/(\\d{1,2})");

  /** Reads a metre; empty where it is none, or says that there is none. */
  static Optional<Meter> of(String text) {
    String plain = text.replace(" ", "");
    if (plain.equals("C")) {
      return Optional.of(new Meter("4", 4, "common"));
    }
    if (plain.equals("C|")) {
      return Optional.of(new Meter("2", 2, "cut"));
    }
    Matcher m = METER.matcher(plain);
    if (!m.matches()) {
      return Optional.empty();
    }
    int type = Integer.parseInt(m.group(2));
    Meter meter = new Meter(m.group(1), type, "");
    boolean sound = type > 0 && type <= MOST && Integer.bitCount(type) == 1 && meter.sum() > 0;
    return sound ? Optional.of(meter) : Optional.empty();
  }

  private int sum() {
    int sum = 0;
    for (String b : beats.split("\\+")) {
      sum += Integer.parseInt(b);
    }
    return sum;
  }

  /** How long a bar is, in quarters. */
  Fraction quarters() {
    return Fraction.getFraction(4 * sum(), type);
  }

  /** Whether its beats are of three parts. */
  boolean compound() {
    return type == 8 && sum() % 3 == 0 && sum() > 3;
  }

  /** The unit note length that goes with it. */
  Fraction unit() {
    return Voice.usual(quarters());
  }

  XmlNode node() {
    XmlNode time = new XmlNode("time");
    if (!symbol.isEmpty()) {
      time.set("symbol", symbol);
    }
    return time.add(XmlNode.of("beats", beats)).add(XmlNode.of("beat-type", type));
  }
}
