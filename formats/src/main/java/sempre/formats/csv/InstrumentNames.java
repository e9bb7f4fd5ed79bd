package sempre.formats.csv;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.text.similarity.LevenshteinDistance;
import sempre.core.Saying;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.pitch.Pitch;

/** Finds an instrument by what people call it in lists (common practice, no source). */
public final class InstrumentNames {
  /** What scores and lists call an instrument, to its id. */
  private static final Map<String, String> CALLED = new LinkedHashMap<>();

  /** Names that may mean several instruments. */
  private static final Map<String, List<String>> UNCLEAR = new LinkedHashMap<>();

  private static final List<String> SAXOPHONES =
      List.of("soprano-sax", "alto-sax", "tenor-sax", "baritone-sax");
  private static final List<String> LOW_BRASS =
      List.of("trombone", "baritone", "euphonium", "tuba");

  static {
    CALLED.putAll(Catalogue.called());
    for (String sax : List.of("sax", "saxophone", "saxo", "saxofon")) {
      UNCLEAR.put(sax, SAXOPHONES);
    }
    UNCLEAR.put("low brass", LOW_BRASS);
    List<String> brass = new ArrayList<>(List.of("trumpet", "horn"));
    brass.addAll(LOW_BRASS);
    UNCLEAR.put("brass", brass);
    UNCLEAR.put("viento metal", brass);
    List<String> woodwind = new ArrayList<>(List.of("flute", "oboe", "bassoon", "clarinet"));
    woodwind.addAll(SAXOPHONES);
    UNCLEAR.put("woodwind", woodwind);
    UNCLEAR.put("viento madera", woodwind);
    for (Instrument i : Catalogue.standard().instruments()) {
      CALLED.put(plain(i.name()), i.id());
    }
  }

  private InstrumentNames() {}

  /** Small letters without accents and signs; a part's number at the end is left out. */
  static String plain(String text) {
    return Catalogue.plain(text)
        .replaceAll("( (1|2|3|4|i|ii|iii|iv|1st|2nd|3rd|4th))$|^(1st|2nd|3rd|4th) ", "");
  }

  /** The instrument of a name; empty when it is none or may be several. */
  public static Optional<Instrument> find(String name) {
    String plain = plain(name);
    return Optional.ofNullable(CALLED.get(plain))
        .map(id -> Catalogue.standard().instrument(id))
        .or(() -> inItsKey(plain));
  }

  private static final Pattern BESIDE = Pattern.compile("[/+&]|\\b(?:and|y|und|et)\\b");

  /** "Clarinet, bass" is no clarinet: a size that the instrument found does not have. */
  private static final Map<Pattern, Pattern> SIZES =
      Map.of(
          Pattern.compile("\\b(?:bass|basso|basse|bajo|baixo)\\b"),
          Pattern.compile("bass|tuba|euphonium|baritone|percussion"),
          Pattern.compile("\\b(?:contra|contrabass|contrabajo|contrebasse|contrabbasso)\\b"),
          Pattern.compile("contrabass|tuba"),
          Pattern.compile("\\b(?:alto|contralto)\\b"),
          Pattern.compile("alto"),
          Pattern.compile("\\b(?:tenor|tenore)\\b"),
          Pattern.compile("tenor|alto-horn|trombone"),
          Pattern.compile("\\b(?:soprano|sopranino)\\b"),
          Pattern.compile("soprano|e-flat-clarinet"));

  private static boolean hasItsSize(String plain, String id) {
    return SIZES.entrySet().stream()
        .allMatch(s -> !s.getKey().matcher(plain).find() || s.getValue().matcher(id).find());
  }

  /**
   * The instrument of a name, also by what scores call it in other languages. Where a name holds
   * two instruments, it is not known which is meant.
   */
  public static Optional<Instrument> read(String name) {
    Optional<Instrument> known = find(name);
    if (known.isPresent() || UNCLEAR.containsKey(plain(name))) {
      return known;
    }
    List<String> ids =
        BESIDE
            .splitAsStream(name)
            .flatMap(part -> Catalogue.standard().named(part).stream())
            .distinct()
            .toList();
    return ids.size() == 1 && hasItsSize(plain(name), ids.get(0))
        ? Optional.of(Catalogue.standard().instrument(ids.get(0)))
        : Optional.empty();
  }

  private static final Pattern KEY =
      Pattern.compile("(?:in )?([a-g])( flat)? (.+)|(.+?) (?:in )?([a-g])( flat)?");

  /** An instrument named with the key that it is in anyway: tenor saxophone in B flat. */
  private static Optional<Instrument> inItsKey(String plain) {
    Matcher m = KEY.matcher(plain);
    if (!m.matches()) {
      return Optional.empty();
    }
    boolean first = m.group(1) != null;
    String key =
        (first ? m.group(1) : m.group(5)).toUpperCase(Locale.ROOT)
            + ((first ? m.group(2) : m.group(6)) == null ? "" : "♭");
    String said = (first ? m.group(1) : m.group(5)) + (key.length() > 1 ? " flat " : " ");
    String rest = first ? m.group(3) : m.group(4);
    Optional<Instrument> own =
        Optional.ofNullable(CALLED.get(said + rest)).map(id -> Catalogue.standard().instrument(id));
    if (own.isPresent()) {
      return own;
    }
    return Optional.ofNullable(CALLED.get(rest))
        .map(id -> Catalogue.standard().instrument(id))
        .filter(i -> i.transposition().sounding(Pitch.parse("C5")).spokenName().equals(key));
  }

  /** A word that is written so is meant as another: so many letters may differ. */
  private static final int MISSPELT = 2;

  /** Instruments that may be meant by a name that is none, the likeliest first; at most four. */
  public static List<Instrument> meant(String name) {
    String plain = plain(name);
    if (plain.isEmpty() || UNCLEAR.containsKey(plain)) {
      return List.of();
    }
    Map<String, Integer> near = misspelt(plain);
    for (Instrument i : Catalogue.standard().instruments()) {
      String own = plain(i.name());
      if (own.startsWith(plain)
          || plain.length() > 3 && own.contains(plain)
          || plain.contains(own)) {
        near.merge(i.id(), MISSPELT + 1, Math::min);
      }
    }
    return near.entrySet().stream()
        .sorted(Map.Entry.comparingByValue())
        .limit(MEANT)
        .map(e -> Catalogue.standard().instrument(e.getKey()))
        .toList();
  }

  private static final int MEANT = 4;

  /** Whether a name is an instrument's, rightly written or nearly so. */
  static boolean nearly(String name) {
    return find(name).isPresent() || !misspelt(plain(name)).isEmpty();
  }

  /** Instruments whose name differs in a letter or two, and in how many. */
  private static Map<String, Integer> misspelt(String plain) {
    Map<String, Integer> near = new LinkedHashMap<>();
    LevenshteinDistance distance = new LevenshteinDistance(MISSPELT);
    CALLED.forEach(
        (called, id) -> {
          int apart = called.length() > SHORT ? distance.apply(plain, called) : -1;
          if (apart >= 0) {
            near.merge(id, apart, Math::min);
          }
        });
    return near;
  }

  /** Shorter names than this are too much alike to be meant for one another. */
  private static final int SHORT = 3;

  /** What is wrong with a name that {@link #find} did not find. */
  public static Saying problem(String name) {
    String plain = plain(name);
    if (plain.isEmpty()) {
      return Saying.of("list.no-instrument");
    }
    List<String> several = UNCLEAR.get(plain);
    if (several != null) {
      return Saying.of(
          "list.which-instrument", "typed", name.strip(), "there", instruments(several));
    }
    if (Catalogue.lacks(plain)) {
      return Saying.of("list.lacking-instrument", "typed", name.strip());
    }
    List<Instrument> meant = meant(name);
    return meant.isEmpty()
        ? Saying.of("list.unknown-instrument", "typed", name.strip())
        : Saying.of("list.meant-instrument", "typed", name.strip(), "there", meant);
  }

  private static List<Instrument> instruments(List<String> ids) {
    return ids.stream().map(id -> Catalogue.standard().instrument(id)).toList();
  }
}
