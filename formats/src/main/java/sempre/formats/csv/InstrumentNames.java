package sempre.formats.csv;

import java.text.Normalizer;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.commons.text.similarity.LevenshteinDistance;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.pitch.Pitch;

/** Finds an instrument by what people call it in lists (common practice, no source). */
public final class InstrumentNames {
  /** Names in use besides the catalogue's own, to its id. */
  private static final Map<String, String> CALLED = new LinkedHashMap<>();

  /** Names that may mean several instruments. */
  private static final Map<String, String> UNCLEAR =
      Map.of(
          "sax", "soprano, alto, tenor or baritone saxophone",
          "saxophone", "soprano, alto, tenor or baritone saxophone",
          "low brass", "trombone, baritone, euphonium or tuba",
          "brass", "trumpet, horn, trombone, baritone, euphonium or tuba",
          "woodwind", "flute, oboe, bassoon, clarinet or saxophone");

  static {
    call("flute", "c flute", "concert flute", "fl", "flt");
    call("piccolo", "picc");
    call("oboe", "ob");
    call("english-horn", "cor anglais");
    call("bassoon", "bsn", "fagott");
    call("clarinet", "b flat clarinet", "clarinet in b flat", "soprano clarinet", "cl", "clar");
    call("e-flat-clarinet", "clarinet in e flat");
    call("alto-clarinet", "e flat alto clarinet");
    call("bass-clarinet", "b flat bass clarinet", "b cl", "bass cl");
    call("soprano-sax", "soprano sax", "sop sax");
    call("alto-sax", "alto sax", "alto", "a sax", "asax");
    call("tenor-sax", "tenor sax", "tenor", "t sax", "tsax");
    call("baritone-sax", "baritone sax", "bari sax", "bari saxophone", "b sax", "bsax");
    call("recorder-soprano", "recorder", "descant recorder", "soprano recorder", "blockflote");
    call("recorder-alto", "alto recorder", "treble recorder");
    call("trumpet", "b flat trumpet", "trumpet in b flat", "tpt", "trp");
    call("cornet", "b flat cornet");
    call("flugelhorn", "flugel", "flugel horn");
    call("horn", "french horn", "f horn", "horn in f", "hn");
    call("trombone", "tenor trombone", "tbn", "bone");
    call("bass-trombone", "b tbn");
    call("euphonium", "euph", "euphonium bc");
    call("euphonium-tc", "euphonium tc", "euph tc");
    call("baritone", "baritone horn", "baritone bc");
    call("baritone-tc", "baritone tc", "baritone horn tc");
    call("tuba", "b flat tuba", "bb flat tuba", "tba");
    for (Instrument i : Catalogue.standard().instruments()) {
      call(i.id(), plain(i.name()), i.id().replace('-', ' '));
    }
  }

  private InstrumentNames() {}

  private static void call(String id, String... names) {
    for (String n : names) {
      CALLED.put(n, id);
    }
  }

  /** Small letters without accents and signs; a part's number at the end is left out. */
  static String plain(String text) {
    return Normalizer.normalize(text, Normalizer.Form.NFD)
        .replaceAll("\\p{M}", "")
        .toLowerCase(Locale.ROOT)
        .replace("♭", " flat")
        .replaceAll("\\bbbb\\b", "bb flat")
        .replaceAll("\\bbb\\b(?! flat)", "b flat")
        .replaceAll("\\beb\\b(?! flat)", "e flat")
        .replaceAll("[^a-z0-9 ]", " ")
        .replaceAll("\\s+", " ")
        .strip()
        .replaceAll("( (1|2|3|4|i|ii|iii|iv|1st|2nd|3rd|4th))$|^(1st|2nd|3rd|4th) ", "");
  }

  /** The instrument of a name; empty when it is none or may be several. */
  public static Optional<Instrument> find(String name) {
    String plain = plain(name);
    return Optional.ofNullable(CALLED.get(plain))
        .map(id -> Catalogue.standard().instrument(id))
        .or(() -> inItsKey(plain));
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

  /** What is wrong with a name that {@link #find} did not find, as a clause. */
  public static String problem(String name) {
    String plain = plain(name);
    if (plain.isEmpty()) {
      return "no instrument";
    }
    String several = UNCLEAR.get(plain);
    if (several != null) {
      return "'" + name.strip() + "' may be " + several + ": say which";
    }
    List<Instrument> meant = meant(name);
    return "'"
        + name.strip()
        + "' is no instrument that Sempre knows"
        + (meant.isEmpty()
            ? ""
            : meant.stream()
                .map(m -> m.name().toLowerCase(Locale.ENGLISH))
                .collect(Collectors.joining(", ", "; meant is perhaps: ", "")));
  }
}
