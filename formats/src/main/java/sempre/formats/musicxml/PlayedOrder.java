package sempre.formats.musicxml;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import sempre.formats.xml.XmlNode;

/**
 * The order in which bars are played: repeats, endings, da capo, dal segno, fine and coda, as the
 * MusicXML 4.0 specification gives them. After a da capo or dal segno repeats are not taken again
 * (common practice, no source).
 */
final class PlayedOrder {
  private static final int MOST = 20;

  /** {@code 1}, {@code 1.}, {@code 1, 2}, {@code 1-3}. */
  private static final Pattern NUMBERS = Pattern.compile("(\\d{1,3})(?:\\s*[-–]\\s*(\\d{1,3}))?");

  private PlayedOrder() {}

  static List<Integer> of(List<XmlNode> measures) {
    int n = measures.size();
    boolean[] forward = new boolean[n];
    int[] times = new int[n];
    List<Set<Integer>> endings = new ArrayList<>();
    Map<String, Integer> segno = new HashMap<>();
    Map<String, Integer> coda = new HashMap<>();
    String[] dalSegno = new String[n];
    String[] toCoda = new String[n];
    boolean[] daCapo = new boolean[n];
    boolean[] fine = new boolean[n];
    Set<Integer> running = Set.of();
    for (int i = 0; i < n; i++) {
      boolean ends = false;
      for (XmlNode b : measures.get(i).children("barline")) {
        for (XmlNode e : b.children("ending")) {
          if (e.attribute("type").equals("start")) {
            running = numbers(e.attribute("number"));
          } else {
            ends = true;
          }
        }
        for (XmlNode r : b.children("repeat")) {
          if (r.attribute("direction").equals("forward")) {
            forward[i] = true;
          } else {
            // some programs write it at the left of the bar that comes behind it
            int bar = i > 0 && b.attribute("location").equals("left") ? i - 1 : i;
            times[bar] = Math.max(2, MusicXmlReader.integer(r.attribute("times"), 2));
          }
        }
      }
      endings.add(running);
      if (ends) {
        running = Set.of();
      }
      for (XmlNode s : measures.get(i).descendants("sound")) {
        if (!s.attribute("segno").isEmpty()) {
          segno.putIfAbsent(s.attribute("segno"), i);
        }
        if (!s.attribute("coda").isEmpty()) {
          coda.putIfAbsent(s.attribute("coda"), i);
        }
        dalSegno[i] = either(dalSegno[i], s.attribute("dalsegno"));
        toCoda[i] = either(toCoda[i], s.attribute("tocoda"));
        daCapo[i] |= s.attribute("dacapo").equals("yes");
        fine[i] |= !s.attribute("fine").isEmpty();
      }
    }
    new JumpWords(measures).put(segno, coda, dalSegno, toCoda, daCapo, fine);
    Set<Integer> everyEnding = new HashSet<>();
    endings.forEach(everyEnding::addAll);
    boolean[] otherFollows = new boolean[n + 1];
    for (int i = n - 1; i >= 0; i--) {
      otherFollows[i] =
          otherFollows[i + 1] || !endings.get(i).isEmpty() && !endings.get(i).contains(1);
    }
    List<Integer> order = new ArrayList<>();
    int[] passed = new int[n];
    int start = 0;
    int pass = 1;
    boolean jumped = false;
    int i = 0;
    while (i < n && order.size() < n * MOST) {
      if (forward[i] && start != i) {
        start = i;
        pass = 1;
      }
      boolean last = jumped && endings.get(i).contains(1) && otherFollows[i];
      if (!endings.get(i).isEmpty() && (last || !jumped && !endings.get(i).contains(pass))) {
        i++;
        continue;
      }
      order.add(i);
      if (jumped && fine[i]) {
        break;
      }
      if (jumped && toCoda[i] != null && coda.containsKey(toCoda[i])) {
        i = coda.get(toCoda[i]);
        continue;
      }
      if (!jumped
          && times[i] > 0
          && passed[i] < repeats(endings.get(i), everyEnding.contains(pass + 1), times[i])) {
        passed[i]++;
        pass++;
        i = start;
        continue;
      }
      if (times[i] > 0) {
        start = i + 1;
        pass = 1;
      }
      if (!jumped && daCapo[i]) {
        jumped = true;
        i = 0;
        continue;
      }
      if (!jumped && dalSegno[i] != null && segno.containsKey(dalSegno[i])) {
        jumped = true;
        i = segno.get(dalSegno[i]);
        continue;
      }
      i++;
    }
    return order;
  }

  /** How often the repeat at a bar leads back: with endings as often as a later pass has one. */
  private static int repeats(Set<Integer> here, boolean laterHasOne, int times) {
    if (here.isEmpty()) {
      return times - 1;
    }
    return laterHasOne ? here.size() : 0;
  }

  private static String either(String a, String b) {
    return b.isEmpty() ? a : b;
  }

  private static Set<Integer> numbers(String text) {
    Set<Integer> numbers = new HashSet<>();
    Matcher m = NUMBERS.matcher(text);
    while (m.find()) {
      int from = Integer.parseInt(m.group(1));
      int to = m.group(2) == null ? from : Integer.parseInt(m.group(2));
      for (int n = from; n <= Math.min(to, from + MOST); n++) {
        numbers.add(n);
      }
    }
    return numbers;
  }
}
