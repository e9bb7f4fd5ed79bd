package sempre.core.instrument;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;
import sempre.core.acoustics.BrassNote;
import sempre.core.acoustics.Slide;
import sempre.core.acoustics.Tube;
import sempre.core.acoustics.Valves;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;

/**
 * Reads one instrument of the catalogue from YAML. The JSON Schema beside the data says the form.
 */
public final class InstrumentReader {
  private final String file;
  private final Map<String, Object> root;
  private final List<String> problems = new ArrayList<>();

  private InstrumentReader(String file, Map<String, Object> root) {
    this.file = file;
    this.root = root;
  }

  /**
   * Reads and checks an instrument.
   *
   * @param file a name for messages
   * @throws CatalogueException with every problem found
   */
  public static Instrument read(String file, String yaml) {
    Object loaded;
    try {
      loaded = new Load(LoadSettings.builder().setLabel(file).build()).loadFromString(yaml);
    } catch (RuntimeException e) {
      throw new CatalogueException(file, List.of(String.valueOf(e.getMessage())));
    }
    if (!(loaded instanceof Map)) {
      throw new CatalogueException(file, List.of("it is not a YAML mapping"));
    }
    return new InstrumentReader(file, map(loaded)).instrument();
  }

  private Instrument instrument() {
    try {
      Keywork keywork = keywork();
      Map<String, Object> range = map(root.get("range"));
      Pitch lowest = Pitch.parse(text(range, "from"));
      Pitch highest = Pitch.parse(text(range, "to"));
      List<Object> move = list(root.get("transposition"));
      Transposition transposition = new Transposition(number(move.get(0)), number(move.get(1)));
      Optional<Slide> slide = Optional.empty();
      List<Entry> entries = new ArrayList<>();
      if (keywork.kind() == Keywork.Kind.SLIDE) {
        slide = Optional.of(slide());
        entries.addAll(brass(slide.get().notes(lowest, highest), keywork));
      } else if (keywork.kind() == Keywork.Kind.VALVES) {
        entries.addAll(brass(valves(keywork).notes(lowest, highest), keywork));
      }
      entries.addAll(written(keywork));
      entries.sort(
          java.util.Comparator.comparingInt((Entry e) -> e.written().midi())
              .thenComparing(e -> e.role()));
      Instrument instrument =
          new Instrument(
              text(root, "id"),
              text(root, "name"),
              text(root, "family"),
              transposition,
              text(root, "clef"),
              lowest,
              highest,
              gaps(range),
              options(),
              styles(),
              keywork,
              slideRules(),
              octaves(),
              slide,
              entries);
      if (problems.isEmpty()) {
        problems.addAll(Invariants.problems(instrument));
      }
      if (!problems.isEmpty()) {
        throw new CatalogueException(file, problems);
      }
      return instrument;
    } catch (IllegalArgumentException | ClassCastException | NullPointerException e) {
      problems.add(String.valueOf(e.getMessage()));
      throw new CatalogueException(file, problems);
    }
  }

  private Keywork keywork() {
    Map<String, Object> k = map(root.get("keywork"));
    Keywork.Kind kind = Keywork.Kind.valueOf(text(k, "kind").toUpperCase(Locale.ROOT));
    List<Control> controls = new ArrayList<>();
    for (String side : List.of("left", "right")) {
      for (Object o : list(k.get(side))) {
        List<Object> row = list(o);
        controls.add(
            new Control(
                String.valueOf(row.get(0)),
                side.equals("left"),
                Finger.valueOf(String.valueOf(row.get(1))),
                String.valueOf(row.get(2)),
                controls.size(),
                row.size() > 3 ? strings(row.get(3)) : Map.of()));
      }
    }
    List<Set<String>> together = new ArrayList<>();
    for (Object o : list(k.get("together"))) {
      together.add(new LinkedHashSet<>(list(o).stream().map(String::valueOf).toList()));
    }
    return new Keywork(kind, controls, together);
  }

  private List<Option> options() {
    List<Option> options = new ArrayList<>();
    map(root.get("options"))
        .forEach(
            (name, o) -> {
              Map<String, Object> m = map(o);
              List<String> values =
                  m.containsKey("values")
                      ? list(m.get("values")).stream().map(String::valueOf).toList()
                      : List.of("true", "false");
              options.add(
                  new Option(name, values, String.valueOf(m.get("default")), text(m, "label")));
            });
    return options;
  }

  private static List<Instrument.Gap> gaps(Map<String, Object> range) {
    return list(range.get("gaps")).stream()
        .map(
            o -> new Instrument.Gap(Pitch.parse(text(map(o), "note")), strings(map(o).get("when"))))
        .toList();
  }

  private List<Style> styles() {
    List<Style> styles = new ArrayList<>();
    map(root.get("styles"))
        .forEach(
            (name, o) -> {
              Map<String, Object> m = map(o);
              styles.add(
                  new Style(name, text(m, "label"), strings(m.get("schools")), text(m, "default")));
            });
    return styles;
  }

  private List<SlideRule> slideRules() {
    List<SlideRule> rules = new ArrayList<>();
    for (Object o : list(root.get("slides"))) {
      Map<String, Object> m = map(o);
      Finger finger = Finger.valueOf(text(m, "finger"));
      SlideRule.Way way = SlideRule.Way.valueOf(text(m, "way").toUpperCase(Locale.ROOT));
      String from = text(m, "from");
      String to = text(m, "to");
      rules.add(new SlideRule(finger, from, to, way));
      if (Boolean.TRUE.equals(m.get("both"))) {
        rules.add(new SlideRule(finger, to, from, way));
      }
    }
    return rules;
  }

  private List<Instrument.OctavePair> octaves() {
    List<Instrument.OctavePair> pairs = new ArrayList<>();
    for (Object o : list(root.get("octaves"))) {
      Map<String, Object> m = map(o);
      Map<Pitch, String> except = new TreeMap<>();
      map(m.get("except")).forEach((n, why) -> except.put(Pitch.parse(n), String.valueOf(why)));
      pairs.add(
          new Instrument.OctavePair(
              Pitch.parse(text(m, "from")),
              Pitch.parse(text(m, "to")),
              list(m.get("add")).stream().map(String::valueOf).toList(),
              except));
    }
    return pairs;
  }

  private Valves valves(Keywork keywork) {
    Map<String, Object> tube = map(root.get("tube"));
    Map<String, Integer> semitones = new LinkedHashMap<>();
    map(tube.get("valves")).forEach((v, s) -> semitones.put(v, number(s)));
    for (String v : semitones.keySet()) {
      if (!keywork.knows(v)) {
        throw new IllegalArgumentException("tube.valves names '" + v + "', which is no valve");
      }
    }
    Set<Integer> unused = new LinkedHashSet<>();
    list(tube.get("unused")).forEach(n -> unused.add(number(n)));
    List<Object> partials = list(tube.get("partials"));
    return new Valves(
        Pitch.parse(text(tube, "fundamental")),
        semitones,
        number(partials.get(0)),
        number(partials.get(1)),
        unused,
        strings(tube.get("drawn")));
  }

  private Slide slide() {
    Map<String, Object> tube = map(root.get("tube"));
    List<Object> partials = list(tube.get("partials"));
    return new Slide(
        new Tube(Pitch.parse(text(tube, "fundamental"))),
        new Tube(Pitch.parse(text(tube, "attachment"))),
        number(partials.get(0)),
        number(partials.get(1)));
  }

  private List<Entry> brass(List<BrassNote> notes, Keywork keywork) {
    List<Rule> alternateRules = new ArrayList<>();
    list(root.get("alternateRules")).forEach(o -> alternateRules.add(rule(map(o))));
    Map<Integer, String> standardOf = new TreeMap<>();
    notes.stream()
        .filter(BrassNote::standard)
        .forEach(n -> standardOf.put(n.written().midi(), n.fingering()));
    List<Entry> entries = new ArrayList<>();
    for (BrassNote n : notes) {
      Pattern pattern = keywork.pattern(n.fingering());
      Role role = n.standard() ? Role.STANDARD : Role.ALTERNATE;
      entries.add(
          new Entry(
              n.written(),
              pattern,
              role,
              brassLabel(pattern.plain(), keywork),
              n.standard() ? Set.of() : Set.of(Purpose.FACILITY),
              OptionalDouble.of(Math.round(n.cents() * 10) / 10.0),
              n.correctable(),
              OptionalInt.of(n.partial()),
              n.option().isEmpty() ? Map.of() : Map.of(n.option(), "true"),
              Map.of(),
              n.standard() ? List.of() : alternateRules,
              "computed",
              n.note()));
    }
    return entries;
  }

  private static String brassLabel(Fingering f, Keywork keywork) {
    if (keywork.kind() == Keywork.Kind.VALVES) {
      if (f.holds().isEmpty()) {
        return "open";
      }
      List<String> names =
          f.holds().stream().map(h -> h.control().name().replace(" valve", "")).toList();
      return names.size() == 1
          ? names.get(0) + " valve"
          : String.join(", ", names.subList(0, names.size() - 1))
              + " and "
              + names.get(names.size() - 1);
    }
    Hold p = f.slidePosition().orElseThrow();
    String place =
        switch (p.way()) {
          case RAISED -> "a little above " + p.control().name();
          case LOWERED -> "a little below " + p.control().name();
          default -> p.control().name();
        };
    return f.holds().size() > 1 ? "F attachment, " + place : place;
  }

  private List<Entry> written(Keywork keywork) {
    List<Entry> entries = new ArrayList<>();
    for (Object o : list(root.get("notes"))) {
      Map<String, Object> note = map(o);
      Pitch written = Pitch.parse(text(note, "note"));
      for (Object w : list(note.get("ways"))) {
        Map<String, Object> way = map(w);
        try {
          entries.add(entry(written, way, keywork));
        } catch (IllegalArgumentException e) {
          problems.add(written + ": " + e.getMessage());
        }
      }
    }
    return entries;
  }

  private Entry entry(Pitch written, Map<String, Object> way, Keywork keywork) {
    String given = text(way, "fingering");
    Pattern pattern = keywork.pattern(given);
    if (!pattern.text().equals(given)) {
      throw new IllegalArgumentException(
          "'" + given + "' is not in canonical order; write '" + pattern.text() + "'");
    }
    Set<Purpose> purposes = new LinkedHashSet<>();
    for (Object p : list(way.get("purposes"))) {
      purposes.add(Purpose.valueOf(String.valueOf(p).toUpperCase(Locale.ROOT)));
    }
    List<Rule> rules = new ArrayList<>();
    list(way.get("rules")).forEach(r -> rules.add(rule(map(r))));
    Object cents = way.get("cents");
    return new Entry(
        written,
        pattern,
        Role.valueOf(text(way, "role").toUpperCase(Locale.ROOT)),
        text(way, "label"),
        purposes,
        cents == null ? OptionalDouble.empty() : OptionalDouble.of(((Number) cents).doubleValue()),
        false,
        OptionalInt.empty(),
        strings(way.get("requires")),
        strings(way.get("style")),
        rules,
        text(way, "source"),
        String.valueOf(way.getOrDefault("note", "")));
  }

  private static Rule rule(Map<String, Object> m) {
    return new Rule(
        Rule.When.valueOf(text(m, "when").replaceAll("([A-Z])", "_$1").toUpperCase(Locale.ROOT)),
        Boolean.TRUE.equals(m.get("not")),
        list(m.get("notes")).stream().map(n -> Pitch.parse(String.valueOf(n))).toList(),
        Boolean.TRUE.equals(m.get("slurred")),
        Rule.Verdict.valueOf(text(m, "is").toUpperCase(Locale.ROOT)),
        Purpose.valueOf(
            String.valueOf(m.getOrDefault("purpose", "facility")).toUpperCase(Locale.ROOT)),
        text(m, "because"));
  }

  @SuppressWarnings("unchecked")
  private static Map<String, Object> map(Object o) {
    if (o == null) {
      return Map.of();
    }
    Map<String, Object> copy = new LinkedHashMap<>();
    ((Map<Object, Object>) o).forEach((k, v) -> copy.put(String.valueOf(k), v));
    return copy;
  }

  @SuppressWarnings("unchecked")
  private static List<Object> list(Object o) {
    return o == null ? List.of() : (List<Object>) o;
  }

  private static Map<String, String> strings(Object o) {
    Map<String, String> map = new LinkedHashMap<>();
    map(o).forEach((k, v) -> map.put(k, String.valueOf(v)));
    return map;
  }

  private static String text(Map<String, Object> map, String key) {
    Object value = map.get(key);
    if (value == null) {
      throw new IllegalArgumentException("'" + key + "' is missing in " + map);
    }
    return String.valueOf(value);
  }

  private static int number(Object o) {
    return ((Number) o).intValue();
  }
}
