package sempre.formats.musicxml;

import java.text.Normalizer;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What words over the music say of the tempo, where no number stands with them (common practice, no
 * source). Whole words count, and only in a short phrase: an instruction that happens to hold one
 * is none.
 */
final class TempoWords {
  /** What becomes of the tempo. */
  sealed interface Change {
    /** A tempo, in quarter notes a minute; {@code typed} where a number stands there. */
    record To(double quarters, boolean typed) implements Change {}

    /** Faster or slower than now, so many times. */
    record Times(double factor) implements Change {}

    /** The last tempo that was marked: a tempo. */
    record Back() implements Change {}

    /** The first tempo of the piece: tempo primo. */
    record First() implements Change {}
  }

  /** A tempo that is neither quick nor slow; modifiers move towards it or away from it. */
  private static final double MIDDLE = 100;

  private static final int MOST_WORDS = 6;
  private static final double SLOWEST = 20;
  private static final double FASTEST = 400;

  private static final Map<Pattern, Double> PHRASES = new LinkedHashMap<>();
  private static final Map<Pattern, Double> WORDS = new LinkedHashMap<>();
  private static final Map<String, Double> NOTES =
      Map.ofEntries(
          Map.entry("\u2669", 1.0),
          Map.entry("\uECA5", 1.0),
          Map.entry("quarter", 1.0),
          Map.entry("crotchet", 1.0),
          Map.entry("q", 1.0),
          Map.entry("\u266A", 0.5),
          Map.entry("\uECA7", 0.5),
          Map.entry("eighth", 0.5),
          Map.entry("quaver", 0.5),
          Map.entry("e", 0.5),
          Map.entry("\uECA3", 2.0),
          Map.entry("half", 2.0),
          Map.entry("minim", 2.0),
          Map.entry("h", 2.0),
          Map.entry("\uD834\uDD5E", 2.0),
          Map.entry("\uD834\uDD5F", 1.0),
          Map.entry("\uD834\uDD60", 0.5));

  static {
    put(PHRASES, "slow march|marcia funebre|funeral march", 60.0);
    put(PHRASES, "quick march", 120.0);
    put(PHRASES, "tempo di marcia|alla marcia|march tempo", 112.0);
    put(PHRASES, "tempo di valse|tempo di valzer|waltz tempo", 150.0);
    put(PHRASES, "moderately fast|moderate fast|massig schnell|assez vite", 116.0);
    put(PHRASES, "moderately slow|massig langsam|assez lent", 76.0);
    put(WORDS, "prestissimo", 190.0);
    put(WORDS, "presto", 176.0);
    put(WORDS, "vivacissimo|vif", 160.0);
    put(WORDS, "vivace|vivo", 152.0);
    put(WORDS, "allegrissimo", 150.0);
    put(WORDS, "bright", 138.0);
    put(WORDS, "fast|quick|brisk|schnell|vite|rapido", 132.0);
    put(WORDS, "allegro|lively|lebhaft|anime|animado", 126.0);
    put(WORDS, "allegretto|march|marsch|marcia", 112.0);
    put(WORDS, "moderato|moderate|moderately|medium|massig|modere|moderado", 104.0);
    put(WORDS, "steady", 100.0);
    put(WORDS, "andantino", 88.0);
    put(WORDS, "flowing|relaxed", 84.0);
    put(WORDS, "andante", 80.0);
    put(WORDS, "gently", 76.0);
    put(WORDS, "adagietto", 72.0);
    put(WORDS, "adagio", 66.0);
    put(WORDS, "larghetto", 63.0);
    put(WORDS, "slow|slowly|langsam|despacio", 60.0);
    put(WORDS, "lento|lent", 56.0);
    put(WORDS, "largo|broad", 50.0);
    put(WORDS, "grave", 44.0);
  }

  private static final Pattern TYPED =
      Pattern.compile(
          "(?:(?<note>[\\u2669\\u266A\\uECA3\\uECA5\\uECA7]|\\uD834[\\uDD5E-\\uDD60]"
              + "|\\b(?:quarter|crotchet|eighth|quaver|half|minim|[qeh])\\b)\\s*(?:note)?\\s*"
              + "(?<dot>[.\\uECB7])?|\\bm\\.?\\s?m\\.?|\\btempo\\b|^)"
              + "\\s*[=:]\\s*(?:c\\.?|ca\\.?|circa)?\\s*(?<number>\\d{2,3}(?:\\.\\d{1,2})?)\\b");
  private static final Pattern BACK =
      Pattern.compile("\\b(a tempo|im zeitmass|au mouvement|im tempo)\\b");
  private static final Pattern FIRST =
      Pattern.compile("\\b(tempo (i|1|1o|primo)|primo tempo|erstes tempo|first tempo)\\b");
  private static final Pattern DOUBLE =
      Pattern.compile("\\b(doppio movimento|twice as fast|double time)\\b");
  private static final Pattern HALF = Pattern.compile("\\b(half time|half as fast)\\b");
  private static final Pattern FASTER =
      Pattern.compile(
          "\\b(piu (mosso|vivo|allegro|animato)|faster|quicker|schneller|plus vite)\\b");
  private static final Pattern SLOWER =
      Pattern.compile(
          "\\b(meno (mosso|vivo|allegro)|piu lento|slower|broader|langsamer|plus lent|moins vite)\\b");
  private static final Pattern LITTLE =
      Pattern.compile("\\b(poco|a little|a bit|slightly|etwas|un peu|un poco)\\b");
  private static final Pattern MUCH =
      Pattern.compile("\\b(molto|assai|very|much|sehr|tres|muy|con brio|con fuoco)\\b");
  private static final Pattern NOT_TOO =
      Pattern.compile("\\b(non troppo|non tanto|not too|nicht zu|pas trop|no demasiado)\\b");

  /** A month has a day or a year beside it. */
  private static final Pattern DATE = Pattern.compile("\\d+\\.? march|march \\d+");

  private TempoWords() {}

  private static void put(Map<Pattern, Double> words, String any, double quarters) {
    words.put(Pattern.compile("\\b(" + any + ")\\b"), quarters);
  }

  /** What the words say of the tempo; empty where they say nothing of it. */
  static Optional<Change> of(String words) {
    String text =
        Normalizer.normalize(words, Normalizer.Form.NFD)
            .replaceAll("\\p{M}+", "")
            .toLowerCase(Locale.ROOT)
            .replace("\u00DF", "ss")
            .strip();
    Matcher typed = TYPED.matcher(text);
    if (typed.find()) {
      double note = typed.group("note") == null ? 1 : NOTES.getOrDefault(typed.group("note"), 1.0);
      double tempo =
          Double.parseDouble(typed.group("number")) * note * (typed.group("dot") == null ? 1 : 1.5);
      return tempo < SLOWEST || tempo > FASTEST
          ? Optional.empty()
          : Optional.of(new Change.To(tempo, true));
    }
    String plain = text.replaceAll("[^\\p{L}\\p{N}]+", " ").strip();
    if (plain.split(" ").length > MOST_WORDS || DATE.matcher(plain).find()) {
      return Optional.empty();
    }
    if (FIRST.matcher(plain).find()) {
      return Optional.of(new Change.First());
    }
    if (BACK.matcher(plain).find()) {
      return Optional.of(new Change.Back());
    }
    return relative(plain).or(() -> absolute(plain));
  }

  private static Optional<Change> relative(String plain) {
    if (DOUBLE.matcher(plain).find()) {
      return Optional.of(new Change.Times(2));
    }
    if (HALF.matcher(plain).find()) {
      return Optional.of(new Change.Times(0.5));
    }
    double step = LITTLE.matcher(plain).find() ? 0.08 : MUCH.matcher(plain).find() ? 0.3 : 0.15;
    if (FASTER.matcher(plain).find()) {
      return Optional.of(new Change.Times(1 + step));
    }
    return SLOWER.matcher(plain).find()
        ? Optional.of(new Change.Times(1 - step))
        : Optional.empty();
  }

  private static Optional<Change> absolute(String plain) {
    return known(PHRASES, plain)
        .or(() -> known(WORDS, plain))
        .map(
            base -> {
              double from = base - MIDDLE;
              if (NOT_TOO.matcher(plain).find()) {
                return MIDDLE + from * 2 / 3;
              }
              if (MUCH.matcher(plain).find()) {
                return base + Math.signum(from) * base * 0.12;
              }
              return LITTLE.matcher(plain).find() ? MIDDLE + from * 3 / 4 : base;
            })
        .map(t -> new Change.To(Math.round(t), false));
  }

  /** The tempo of the word that comes first. */
  private static Optional<Double> known(Map<Pattern, Double> words, String plain) {
    Optional<Double> found = Optional.empty();
    int first = Integer.MAX_VALUE;
    for (Map.Entry<Pattern, Double> e : words.entrySet()) {
      Matcher m = e.getKey().matcher(plain);
      if (m.find() && m.start() < first) {
        first = m.start();
        found = Optional.of(e.getValue());
      }
    }
    return found;
  }
}
