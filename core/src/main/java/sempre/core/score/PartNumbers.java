package sempre.core.score;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Which parts of a section a name names: {@code Clarinet 2}, {@code 2nd Trumpet}, {@code Horn II},
 * {@code 1. Klarinette}, {@code Flute 1 & 2} (common practice, no source).
 */
public final class PartNumbers {
  /** A section has so many parts at most; a higher number is something else. */
  public static final int MOST = 6;

  private static final List<String> ROMAN = List.of("I", "II", "III", "IV");

  private static final Map<String, Integer> WORDS =
      Map.ofEntries(
          Map.entry("first", 1),
          Map.entry("second", 2),
          Map.entry("third", 3),
          Map.entry("fourth", 4),
          Map.entry("erste", 1),
          Map.entry("zweite", 2),
          Map.entry("dritte", 3),
          Map.entry("vierte", 4),
          Map.entry("primer", 1),
          Map.entry("primera", 1),
          Map.entry("segunda", 2),
          Map.entry("segundo", 2),
          Map.entry("tercer", 3),
          Map.entry("tercera", 3),
          Map.entry("cuarta", 4),
          Map.entry("cuarto", 4),
          Map.entry("primo", 1),
          Map.entry("secondo", 2),
          Map.entry("terzo", 3),
          Map.entry("premier", 1),
          Map.entry("première", 1),
          Map.entry("deuxième", 2),
          Map.entry("troisième", 3));

  private static final Pattern NUMBER =
      Pattern.compile(
          "(?<![\\p{L}\\p{N}])(?:(\\d{1,2})(?:st|nd|rd|th|er|re|ère|e|ème|eme|º|ª|°)?|(\\p{L}+))"
              + "(?![\\p{L}\\p{N}])");
  private static final Pattern RANGE = Pattern.compile("(\\d)\\s*[-–]\\s*(\\d)");

  /** {@code 2 Flutes} stand on one staff: the first and the second. */
  private static final Pattern COUNTED = Pattern.compile("^\\s*(\\d)\\s+\\p{L}.*s\\s*$");

  private PartNumbers() {}

  /** The parts that are named, the first first; empty where none is. */
  public static SortedSet<Integer> of(String name) {
    SortedSet<Integer> parts = new TreeSet<>();
    Matcher counted = COUNTED.matcher(name);
    if (counted.matches()) {
      add(parts, 1, Integer.parseInt(counted.group(1)));
      return parts;
    }
    Matcher range = RANGE.matcher(name);
    if (range.find()) {
      add(parts, Integer.parseInt(range.group(1)), Integer.parseInt(range.group(2)));
      return parts;
    }
    Matcher m = NUMBER.matcher(name);
    while (m.find()) {
      int part =
          m.group(1) != null
              ? Integer.parseInt(m.group(1))
              : ROMAN.contains(m.group(2))
                  ? ROMAN.indexOf(m.group(2)) + 1
                  : WORDS.getOrDefault(m.group(2).toLowerCase(Locale.ROOT), 0);
      add(parts, part, part);
    }
    return parts;
  }

  private static void add(SortedSet<Integer> parts, int from, int to) {
    if (from >= 1 && to <= MOST) {
      for (int p = from; p <= to; p++) {
        parts.add(p);
      }
    }
  }
}
