package sempre.formats.musicxml;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;

/** What a tempo word means when no number stands with it (common practice, no source). */
final class TempoWords {
  private static final Map<String, Double> QUARTERS = new LinkedHashMap<>();

  static {
    QUARTERS.put("prestissimo", 190.0);
    QUARTERS.put("presto", 176.0);
    QUARTERS.put("vivace", 152.0);
    QUARTERS.put("allegretto", 112.0);
    QUARTERS.put("allegro", 126.0);
    QUARTERS.put("moderato", 104.0);
    QUARTERS.put("andantino", 88.0);
    QUARTERS.put("andante", 80.0);
    QUARTERS.put("larghetto", 63.0);
    QUARTERS.put("adagio", 66.0);
    QUARTERS.put("lento", 56.0);
    QUARTERS.put("largo", 50.0);
    QUARTERS.put("grave", 44.0);
    QUARTERS.put("march", 112.0);
    QUARTERS.put("lively", 126.0);
    QUARTERS.put("fast", 132.0);
    QUARTERS.put("slow", 60.0);
  }

  private TempoWords() {}

  /** Quarter notes a minute, where the words hold one that is known. */
  static OptionalDouble quarters(String words) {
    String lower = words.toLowerCase(Locale.ROOT);
    return QUARTERS.entrySet().stream()
        .filter(e -> lower.contains(e.getKey()))
        .mapToDouble(Map.Entry::getValue)
        .findFirst();
  }
}
