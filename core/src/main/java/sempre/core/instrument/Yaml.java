package sempre.core.instrument;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;

/** Plain access to what a YAML reader returns: mappings, sequences, scalars. */
final class Yaml {
  private Yaml() {}

  /**
   * Reads a text whose root is a mapping.
   *
   * @throws CatalogueException when it is no YAML, or the root is something else
   */
  static Map<String, Object> root(String file, String text) {
    Object loaded;
    try {
      loaded = new Load(LoadSettings.builder().setLabel(file).build()).loadFromString(text);
    } catch (RuntimeException e) {
      throw new CatalogueException(file, List.of(String.valueOf(e.getMessage())));
    }
    if (!(loaded instanceof Map)) {
      throw new CatalogueException(file, List.of("it is not a YAML mapping"));
    }
    return map(loaded);
  }

  /** A mapping with its keys as text; nothing at all is an empty one. */
  @SuppressWarnings("unchecked")
  static Map<String, Object> map(Object o) {
    Map<String, Object> copy = new LinkedHashMap<>();
    if (o != null) {
      ((Map<Object, Object>) o).forEach((k, v) -> copy.put(String.valueOf(k), v));
    }
    return copy;
  }

  /** A sequence; nothing at all is an empty one. */
  @SuppressWarnings("unchecked")
  static List<Object> list(Object o) {
    return o == null ? List.of() : (List<Object>) o;
  }

  /** A sequence of mappings. */
  static List<Map<String, Object>> maps(Object o) {
    List<Map<String, Object>> maps = new ArrayList<>();
    list(o).forEach(m -> maps.add(map(m)));
    return maps;
  }

  /** A sequence of scalars as text. */
  static List<String> words(Object o) {
    return list(o).stream().map(String::valueOf).toList();
  }

  /** A mapping from text to text. */
  static Map<String, String> strings(Object o) {
    Map<String, String> map = new LinkedHashMap<>();
    map(o).forEach((k, v) -> map.put(k, String.valueOf(v)));
    return map;
  }

  /**
   * A value that must be there.
   *
   * @throws IllegalArgumentException naming the key
   */
  static String text(Map<String, Object> map, String key) {
    Object value = map.get(key);
    if (value == null) {
      throw new IllegalArgumentException("'" + key + "' is missing in " + map);
    }
    return String.valueOf(value);
  }

  static String text(Map<String, Object> map, String key, String otherwise) {
    return String.valueOf(map.getOrDefault(key, otherwise));
  }

  static int number(Object o) {
    return ((Number) o).intValue();
  }
}
