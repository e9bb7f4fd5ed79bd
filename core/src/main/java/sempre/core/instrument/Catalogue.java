package sempre.core.instrument;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The instruments that Sempre knows, each read from its YAML file when first asked for and checked
 * by the {@link Invariants}.
 */
public final class Catalogue {
  private static final Catalogue STANDARD = new Catalogue();

  /** Catalogue ids in score order. */
  private static final List<String> IDS =
      file("instruments.txt").lines().filter(l -> !l.isBlank() && !l.startsWith("#")).toList();

  private final Map<String, Instrument> read = new ConcurrentHashMap<>();

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
   * @throws IllegalArgumentException naming the ids there are
   */
  public Instrument instrument(String id) {
    if (!has(id)) {
      throw new IllegalArgumentException(
          "there is no instrument '" + id + "'; there is: " + String.join(", ", IDS));
    }
    return read.computeIfAbsent(id, Catalogue::load);
  }

  /** The instrument of this id, if there is one. */
  public Optional<Instrument> find(String id) {
    return has(id) ? Optional.of(instrument(id)) : Optional.empty();
  }

  private static Instrument load(String id) {
    return InstrumentReader.read(id + ".yaml", text(id));
  }

  /** The YAML text of an instrument. */
  static String text(String id) {
    return file(id + ".yaml");
  }

  private static String file(String name) {
    String path = "/catalogue/" + name;
    try (InputStream in = Catalogue.class.getResourceAsStream(path)) {
      if (in == null) {
        throw new IllegalArgumentException(path + " is missing");
      }
      return new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
