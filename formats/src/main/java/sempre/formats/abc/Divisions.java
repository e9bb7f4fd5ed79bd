package sempre.formats.abc;

import org.apache.commons.lang3.math.Fraction;
import sempre.formats.xml.XmlNode;

/** Turns fractions of a quarter into whole divisions of it. */
final class Divisions {
  /** Enough for what notes have; rarer fractions are rounded. */
  private static final int MOST = 40_320;

  private Divisions() {}

  /** A part whose durations are whole numbers of its divisions. */
  static XmlNode whole(XmlNode part) {
    int divisions = 1;
    for (XmlNode d : part.descendants("duration")) {
      int denominator = Fraction.getFraction(d.text()).getDenominator();
      int all = divisions / gcd(divisions, denominator) * denominator;
      divisions = all > 0 && all <= MOST ? all : divisions;
    }
    for (XmlNode d : part.descendants("duration")) {
      d.text(String.valueOf(Math.round(Fraction.getFraction(d.text()).doubleValue() * divisions)));
    }
    for (XmlNode d : part.descendants("divisions")) {
      d.text(String.valueOf(divisions));
    }
    return part;
  }

  private static int gcd(int a, int b) {
    return b == 0 ? a : gcd(b, a % b);
  }
}
