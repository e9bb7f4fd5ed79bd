package sempre.core.instrument;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Parse;
import org.snakeyaml.engine.v2.constructor.StandardConstructor;
import org.snakeyaml.engine.v2.events.CollectionStartEvent;
import org.snakeyaml.engine.v2.events.Event;
import org.snakeyaml.engine.v2.events.ScalarEvent;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import org.snakeyaml.engine.v2.nodes.MappingNode;
import org.snakeyaml.engine.v2.nodes.Node;
import org.snakeyaml.engine.v2.nodes.SequenceNode;
import sempre.core.Limit;
import sempre.core.Refusal;
import sempre.core.Saying;

/**
 * Plain access to what a YAML reader returns: mappings, sequences, scalars. What is wrong with one
 * is told with its line and, where it is a field of something, its key.
 */
final class Yaml {
  private static final int SHOWN = 60;

  private Yaml() {}

  /** Something with a line of its own, from 1. */
  private interface Placed {
    int line();
  }

  private static final class Mapping extends LinkedHashMap<Object, Object> implements Placed {
    private static final long serialVersionUID = 1L;
    private final int line;

    private Mapping(int line) {
      this.line = line;
    }

    @Override
    public int line() {
      return line;
    }
  }

  private static final class Sequence extends ArrayList<Object> implements Placed {
    private static final long serialVersionUID = 1L;
    private final int line;

    private Sequence(int line) {
      this.line = line;
    }

    @Override
    public int line() {
      return line;
    }
  }

  /** The plain mappings and sequences, each with its line. */
  private static final class WithLines extends StandardConstructor {
    private WithLines(LoadSettings settings) {
      super(settings);
    }

    @Override
    protected Map<Object, Object> constructMapping(MappingNode node) {
      Mapping map = new Mapping(line(node));
      constructMapping2ndStep(node, map);
      return map;
    }

    @Override
    protected List<Object> constructSequence(SequenceNode node) {
      Sequence all = new Sequence(line(node));
      constructSequenceStep2(node, all);
      return all;
    }

    private static int line(Node node) {
      return node.getStartMark().map(m -> m.getLine() + 1).orElse(0);
    }
  }

  /**
   * Reads the mappings of a field.
   *
   * @param problems where what can't be read is told, each with its line
   */
  static void each(
      Map<String, Object> in,
      String key,
      List<Saying> problems,
      Consumer<Map<String, Object>> reading) {
    all(in, key, problems, o -> reading.accept(map(o)));
  }

  /** Reads the rows of a field, each a sequence. */
  static void rows(
      Map<String, Object> in, String key, List<Saying> problems, Consumer<List<Object>> reading) {
    all(in, key, problems, o -> reading.accept(list(o)));
  }

  private static void all(
      Map<String, Object> in, String key, List<Saying> problems, Consumer<Object> reading) {
    List<Object> found = List.of();
    try {
      found = list(in.get(key));
    } catch (Refusal e) {
      problems.add(Saying.of("error.at", "where", key, "why", e.saying()));
    }
    for (Object o : found) {
      try {
        reading.accept(o);
      } catch (Refusal e) {
        problems.add(
            o instanceof Placed p
                ? Saying.of("error.yaml-line", "line", p.line(), "why", e.saying())
                : e.saying());
      }
    }
  }

  /**
   * Reads a text whose root is a mapping.
   *
   * @throws CatalogueException when it is no YAML, or the root is something else
   */
  static Map<String, Object> root(String file, String text) {
    LoadSettings settings = LoadSettings.builder().setLabel(file).build();
    Object loaded;
    try {
      loaded = new Load(settings, new WithLines(settings)).loadFromString(text);
    } catch (YamlEngineException e) {
      throw new CatalogueException(file, List.of(problem(e)));
    }
    if (!(loaded instanceof Map)) {
      throw new CatalogueException(file, List.of(Saying.of("error.yaml-root")));
    }
    return map(loaded);
  }

  /**
   * Reads a text that comes from outside: nothing in it is expanded or made into an object.
   *
   * @throws CatalogueException when it is no YAML, nests too deep, or uses anchors or tags
   */
  static Map<String, Object> fromOutside(String file, String text) {
    try {
      Limit.YAML_LETTERS.check(text.length());
      int depth = 0;
      for (Event e : new Parse(LoadSettings.builder().setLabel(file).build()).parseString(text)) {
        switch (e.getEventId()) {
          case MappingStart, SequenceStart -> Limit.YAML_DEPTH.check(++depth);
          case MappingEnd, SequenceEnd -> depth--;
          case Alias -> throw new Refusal("error.yaml-plain");
          default -> {
            // scalars and where a document begins and ends
          }
        }
        if (e instanceof CollectionStartEvent c && c.getTag().isPresent()
            || e instanceof ScalarEvent s && s.getTag().isPresent()) {
          throw new Refusal("error.yaml-plain");
        }
      }
    } catch (YamlEngineException | Refusal e) {
      throw new CatalogueException(file, List.of(problem(e)));
    }
    return root(file, text);
  }

  /** What the reader says of a text that is no YAML stays in its words. */
  private static Saying problem(RuntimeException e) {
    return e instanceof YamlEngineException
        ? Saying.of("error.yaml", "text", String.valueOf(e.getMessage()))
        : Refusal.of(e);
  }

  /** A mapping with its keys as text; nothing at all is an empty one. */
  static Map<String, Object> map(Object o) {
    Map<String, Object> copy = new LinkedHashMap<>();
    if (o instanceof Map<?, ?> m) {
      m.forEach((k, v) -> copy.put(String.valueOf(k), v));
    } else if (o != null) {
      throw new Refusal("error.yaml-mapping", "typed", shown(o));
    }
    return copy;
  }

  /** The same without lines, for what goes on in another file. */
  static Map<String, Object> unplaced(Map<String, Object> map) {
    Map<String, Object> copy = new LinkedHashMap<>();
    map.forEach((k, v) -> copy.put(k, unplaced(v)));
    return copy;
  }

  private static Object unplaced(Object o) {
    return o instanceof Mapping m
        ? unplaced(map(m))
        : o instanceof Sequence s ? new ArrayList<>(s.stream().map(Yaml::unplaced).toList()) : o;
  }

  /** A sequence; nothing at all is an empty one. */
  @SuppressWarnings("unchecked")
  static List<Object> list(Object o) {
    if (o != null && !(o instanceof List)) {
      throw new Refusal("error.yaml-list", "typed", shown(o));
    }
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
   * @throws Refusal naming the key
   */
  static String text(Map<String, Object> map, String key) {
    Object value = map.get(key);
    if (value == null) {
      throw new Refusal("error.yaml-missing", "key", key, "in", shown(map));
    }
    return String.valueOf(value);
  }

  static String text(Map<String, Object> map, String key, String otherwise) {
    return String.valueOf(map.getOrDefault(key, otherwise));
  }

  static int number(Object o) {
    if (o instanceof Number n) {
      return n.intValue();
    }
    throw new Refusal("error.yaml-number", "typed", shown(o));
  }

  /** A number by which something is counted, which a key of a mapping is read as text. */
  static int counted(String key) {
    if (key.matches("\\d{1,4}")) {
      return Integer.parseInt(key);
    }
    throw new Refusal("error.yaml-number", "typed", key);
  }

  /** A number that may have a fraction. */
  static double decimal(Object o) {
    if (o instanceof Number n) {
      return n.doubleValue();
    }
    throw new Refusal("error.yaml-number", "typed", shown(o));
  }

  /**
   * One of a list that must be so long.
   *
   * @param at from 0
   */
  static Object item(List<Object> list, int at) {
    if (at >= list.size()) {
      throw new Refusal("error.yaml-short", "typed", shown(list), "n", at + 1);
    }
    return list.get(at);
  }

  /**
   * One of some words that there are.
   *
   * @param text as it stands in the file, such as {@code nextTo}
   * @throws Refusal naming them
   */
  static <E extends Enum<E>> E choice(Class<E> of, String text) {
    for (E e : of.getEnumConstants()) {
      if (joined(e).equalsIgnoreCase(text)) {
        return e;
      }
    }
    List<String> there =
        Arrays.stream(of.getEnumConstants()).map(e -> e.name().toLowerCase(Locale.ROOT)).toList();
    throw new Refusal("error.no-such", "typed", text, "there", there);
  }

  /** {@code NEXT_TO} as {@code NEXTTO}: in a file such words are joined. */
  private static String joined(Enum<?> e) {
    return e.name()
        .chars()
        .filter(c -> c != '_')
        .mapToObj(Character::toString)
        .collect(Collectors.joining());
  }

  private static String shown(Object o) {
    String text = String.valueOf(o);
    return text.length() > SHOWN ? text.substring(0, SHOWN) + "…" : text;
  }
}
