package sempre.server.store;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Options and styles as text in one column: {@code foot=B splitE=true}; no value holds a space. */
final class Pairs {
  private Pairs() {}

  static String write(Map<String, String> map) {
    return map.entrySet().stream()
        .map(e -> e.getKey() + "=" + e.getValue())
        .collect(Collectors.joining(" "));
  }

  static Map<String, String> read(String text) {
    Map<String, String> map = new LinkedHashMap<>();
    for (String pair : text.strip().split("\\s+")) {
      int eq = pair.indexOf('=');
      if (eq > 0) {
        map.put(pair.substring(0, eq), pair.substring(eq + 1));
      }
    }
    return map;
  }

  static Set<String> words(String text) {
    Set<String> words = new LinkedHashSet<>();
    for (String w : text.strip().split("\\s+")) {
      if (!w.isEmpty()) {
        words.add(w);
      }
    }
    return words;
  }
}
