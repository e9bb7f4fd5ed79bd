package sempre.formats.musicxml;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Pattern;
import sempre.formats.xml.XmlNode;

/**
 * Da capo, dal segno, fine and coda as they are printed, for files that do not say how they sound.
 * Signs of a kind that any bar has with a {@code <sound>} are left to that.
 */
final class JumpWords {
  /** What a sign is called that has no name. */
  private static final String SIGN = "sign";

  private static final Pattern DA_CAPO = Pattern.compile("^(d\\. ?c\\b|dc\\b|da capo\\b).*");
  private static final Pattern DAL_SEGNO = Pattern.compile("^(d\\. ?s\\b|ds\\b|dal segno\\b).*");
  private static final Pattern TO_CODA = Pattern.compile("^(to coda|al coda|alla coda)\\b.*");
  private static final Pattern FINE = Pattern.compile("^fine\\W*$");

  private final List<XmlNode> measures;

  JumpWords(List<XmlNode> measures) {
    this.measures = measures;
  }

  /** Adds to what was found in sounds, by bar. */
  void put(
      Map<String, Integer> segno,
      Map<String, Integer> coda,
      String[] dalSegno,
      String[] toCoda,
      boolean[] daCapo,
      boolean[] fine) {
    boolean jumps = said("dacapo") || said("dalsegno");
    boolean codas = said("coda") || said("tocoda");
    boolean fines = said("fine");
    List<Integer> signs = new ArrayList<>();
    for (int i = 0; i < measures.size(); i++) {
      XmlNode m = measures.get(i);
      if (segno.isEmpty() && !m.descendants("segno").isEmpty()) {
        segno.put(SIGN, i);
      }
      if (!m.descendants("coda").isEmpty()) {
        signs.add(i);
      }
      for (XmlNode w : m.descendants("words")) {
        String text = w.text().strip().toLowerCase(Locale.ROOT);
        if (!jumps) {
          daCapo[i] |= DA_CAPO.matcher(text).matches();
          dalSegno[i] = DAL_SEGNO.matcher(text).matches() ? first(segno) : dalSegno[i];
        }
        if (!codas && TO_CODA.matcher(text).matches()) {
          toCoda[i] = SIGN;
        }
        fine[i] |= !fines && FINE.matcher(text).matches();
      }
    }
    if (!codas && !signs.isEmpty()) {
      codas(signs, coda, toCoda);
    }
  }

  /** Of two signs of a coda the first leads to the second. */
  private static void codas(List<Integer> signs, Map<String, Integer> coda, String[] toCoda) {
    int last = signs.get(signs.size() - 1);
    if (Arrays.stream(toCoda).allMatch(Objects::isNull)) {
      if (signs.size() < 2) {
        return;
      }
      toCoda[signs.get(0)] = SIGN;
    }
    if (toCoda[last] == null) {
      coda.put(SIGN, last);
    }
  }

  private static String first(Map<String, Integer> segno) {
    return segno.keySet().stream().findFirst().orElse(SIGN);
  }

  private boolean said(String attribute) {
    return measures.stream()
        .flatMap(m -> m.descendants("sound").stream())
        .anyMatch(s -> !s.attribute(attribute).isEmpty());
  }
}
