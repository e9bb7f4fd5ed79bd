package sempre.core.instrument;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import sempre.core.Refusal;

/**
 * The instruments that Sempre knows, each read from its YAML file when first asked for. That the
 * {@link Invariants} hold for them is checked by the tests.
 */
public final class Catalogue {
  private static final Catalogue STANDARD = new Catalogue();

  /** Catalogue ids in score order. */
  private static final List<String> IDS;

  /** So many names of parts are remembered at most. */
  private static final int MOST_NAMES = 2000;

  /** What is an instrument, but none of these. */
  private static final String NONE = "|";

  /** What lists of students say, and no score. */
  private static final String LISTS = "~";

  /** What parts are called by, to the id. */
  private static final Map<String, String> CALLED = new LinkedHashMap<>();

  /** What only lists of students call an instrument by, to the id. */
  private static final Map<String, String> LISTED = new LinkedHashMap<>();

  static {
    List<String> ids = new ArrayList<>();
    file("instruments.txt")
        .lines()
        .filter(l -> !l.isBlank() && !l.startsWith("#"))
        .forEach(
            l -> {
              if (l.startsWith(NONE)) {
                for (String name : l.substring(NONE.length()).split(",")) {
                  CALLED.put(name.strip(), NONE);
                }
                return;
              }
              String id = l.substring(0, l.indexOf(':'));
              if (l.startsWith(LISTS)) {
                for (String name : l.substring(l.indexOf(':') + 1).split(",")) {
                  LISTED.put(name.strip(), id.substring(LISTS.length()).strip());
                }
                return;
              }
              ids.add(id);
              CALLED.put(id.replace('-', ' '), id);
              for (String name : l.substring(l.indexOf(':') + 1).split(",")) {
                CALLED.put(name.strip(), id);
              }
            });
    IDS = List.copyOf(ids);
  }

  private final Map<String, Instrument> read = new ConcurrentHashMap<>();

  /** Names of parts that were asked for, and whose they are; scores repeat the same few. */
  private final Map<String, Optional<String>> names = new ConcurrentHashMap<>();

  private final Map<Chosen, Setup> setups = new ConcurrentHashMap<>();

  /**
   * Which set-up.
   *
   * @param options every one of the instrument, with its value
   */
  private record Chosen(String id, Map<String, String> options) {}

  private Catalogue() {}

  /** The catalogue that ships with Sempre. */
  public static Catalogue standard() {
    return STANDARD;
  }

  /** Ids of all instruments, in score order. */
  public List<String> ids() {
    return IDS;
  }

  /** All instruments, in score order. */
  public List<Instrument> instruments() {
    return IDS.stream().map(this::instrument).toList();
  }

  /** Whether there is one of this id. */
  public boolean has(String id) {
    return IDS.contains(id);
  }

  /**
   * An instrument by its id.
   *
   * @throws Refusal naming the ids there are
   */
  public Instrument instrument(String id) {
    if (!has(id)) {
      throw new Refusal("error.no-such-instrument", "typed", id, "there", IDS);
    }
    return read.computeIfAbsent(id, Catalogue::load);
  }

  /**
   * The set-up of an instrument; the same object for the same options.
   *
   * @param chosen option to value; what is not named is as usual
   * @throws Refusal when the instrument, an option or a value is unknown
   */
  public Setup setup(String id, Map<String, String> chosen) {
    Instrument i = instrument(id);
    return setups.computeIfAbsent(
        new Chosen(id, Map.copyOf(i.optionsWith(chosen))), c -> Setup.of(i, chosen));
  }

  /** Lets go of every set-up and of all that was derived from them. */
  void forget() {
    setups.clear();
  }

  /**
   * The set-up of an instrument as a house plays it. It is not kept where the house changes
   * something: who asks often keeps it.
   *
   * @throws Refusal when the instrument, an option or a value is unknown
   */
  public Setup setup(String id, Map<String, String> chosen, House house) {
    return house.changesNothing() ? setup(id, chosen) : Setup.of(instrument(id), chosen, house);
  }

  /**
   * The id of the instrument that a part is named after: {@code Bass Clarinet 1}, {@code Horn in
   * F}. Of several names that it holds the longest counts, so that an English horn is no horn.
   */
  public Optional<String> named(String part) {
    if (names.size() >= MOST_NAMES) {
      names.clear();
    }
    return names.computeIfAbsent(part, Catalogue::byName);
  }

  /** Every name of an instrument, as {@link #plain} makes it, to the id of the instrument. */
  public static Map<String, String> called() {
    Map<String, String> called = new LinkedHashMap<>(CALLED);
    called.values().removeIf(NONE::equals);
    called.putAll(LISTED);
    return called;
  }

  /** Whether a name, as {@link #plain} makes it, is that of an instrument that Sempre lacks. */
  public static boolean lacks(String plain) {
    return NONE.equals(CALLED.get(plain));
  }

  private static Optional<String> byName(String part) {
    String name = " " + plain(part) + " ";
    return CALLED.entrySet().stream()
        .filter(e -> holds(name, e.getKey()))
        .max(Comparator.comparingInt(e -> e.getKey().length()))
        .map(Map.Entry::getValue)
        .filter(id -> !id.equals(NONE));
  }

  /** A part's name in small letters without accents, signs and points; E♭ and Eb as "e flat". */
  public static String plain(String name) {
    return Normalizer.normalize(name, Normalizer.Form.NFD)
        .replaceAll("\\p{M}", "")
        .toLowerCase(Locale.ROOT)
        .replace("♭", " flat ")
        .replaceAll("\\b(bb|[abeg])b\\b", "$1 flat")
        .replaceAll("[^\\p{L}\\p{N}]+", " ")
        .replaceAll("([a-z])(\\d)", "$1 $2")
        .strip();
  }

  /** Whether a name holds a word or words, not as a part of a longer word; a plural counts. */
  private static boolean holds(String name, String words) {
    for (int at = name.indexOf(words); at >= 0; at = name.indexOf(words, at + 1)) {
      int end = at + words.length();
      boolean plural = name.charAt(end) == 's' && !Character.isLetter(name.charAt(end + 1));
      if (!Character.isLetter(name.charAt(at - 1))
          && (plural || !Character.isLetter(name.charAt(end)))) {
        return true;
      }
    }
    return false;
  }

  /** The instrument of this id, if there is one. */
  public Optional<Instrument> find(String id) {
    return has(id) ? Optional.of(instrument(id)) : Optional.empty();
  }

  private static Instrument load(String id) {
    return InstrumentReader.unchecked(id + ".yaml", text(id), Catalogue::text);
  }

  /** The YAML text of an instrument. */
  static String text(String id) {
    return file(id + ".yaml");
  }

  private static String file(String name) {
    String path = "/catalogue/" + name;
    try (InputStream in = Catalogue.class.getResourceAsStream(path)) {
      if (in == null) {
        throw new Refusal("error.other", "text", path + " is missing");
      }
      return new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
