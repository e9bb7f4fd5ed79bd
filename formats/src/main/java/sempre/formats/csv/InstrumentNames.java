package sempre.formats.csv;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;

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
        .replaceAll("\\bbb\\b(?= )", "b flat")
        .replaceAll("\\beb\\b(?= )", "e flat")
        .replaceAll("[^a-z0-9 ]", " ")
        .replaceAll("\\s+", " ")
        .strip()
        .replaceAll("( (1|2|3|4|i|ii|iii|iv|1st|2nd|3rd|4th))$|^(1st|2nd|3rd|4th) ", "");
  }

  /** The instrument of a name; empty when it is none or may be several. */
  public static Optional<Instrument> find(String name) {
    return Optional.ofNullable(CALLED.get(plain(name)))
        .map(id -> Catalogue.standard().instrument(id));
  }

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
    List<String> near = new ArrayList<>();
    for (Instrument i : Catalogue.standard().instruments()) {
      String own = plain(i.name());
      if (own.startsWith(plain)
          || plain.length() > 3 && own.contains(plain)
          || plain.contains(own)) {
        near.add(i.name().toLowerCase(Locale.ENGLISH));
      }
    }
    return "'"
        + name.strip()
        + "' is no instrument that Sempre knows"
        + (near.isEmpty()
            ? ""
            : near.stream().limit(4).collect(Collectors.joining(", ", "; meant is perhaps: ", "")));
  }
}
