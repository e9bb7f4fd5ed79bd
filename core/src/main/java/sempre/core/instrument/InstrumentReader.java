package sempre.core.instrument;

import static sempre.core.instrument.Yaml.choice;
import static sempre.core.instrument.Yaml.decimal;
import static sempre.core.instrument.Yaml.each;
import static sempre.core.instrument.Yaml.item;
import static sempre.core.instrument.Yaml.list;
import static sempre.core.instrument.Yaml.map;
import static sempre.core.instrument.Yaml.number;
import static sempre.core.instrument.Yaml.rows;
import static sempre.core.instrument.Yaml.strings;
import static sempre.core.instrument.Yaml.text;
import static sempre.core.instrument.Yaml.words;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.acoustics.Slide;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;

/**
 * Reads one instrument of the catalogue from YAML. The JSON Schema beside the data says the form.
 */
public final class InstrumentReader {
  private final String file;
  private final Map<String, Object> root;
  private final String source;
  private final Map<String, String> fixed;

  /** Side and token of the controls that another of the family has and this one lacks. */
  private final Set<String> lacking = new LinkedHashSet<>();

  private final List<Saying> problems = new ArrayList<>();

  private InstrumentReader(String file, Map<String, Object> root) {
    this.file = file;
    this.root = root;
    this.source = text(root, "source", "");
    this.fixed = strings(root.get("fixed"));
    this.lacking.addAll(words(root.get("without")));
  }

  /**
   * Reads and checks an instrument, which may be told by its likeness to one of the catalogue.
   *
   * @param file a name for messages
   * @throws CatalogueException with every problem found
   */
  public static Instrument read(String file, String yaml) {
    return read(file, yaml, Catalogue::text);
  }

  /**
   * Reads and checks an instrument.
   *
   * @param others the YAML text of another instrument by its id, for {@code like}
   * @throws CatalogueException with every problem found
   */
  static Instrument read(String file, String yaml, Function<String, String> others) {
    Instrument instrument = unchecked(file, yaml, others);
    List<String> broken = Invariants.problems(instrument);
    if (!broken.isEmpty()) {
      throw new CatalogueException(file, told(broken));
    }
    return instrument;
  }

  /**
   * Reads an instrument whose {@link Invariants} hold already: those that ship are checked by the
   * tests, and each start would pay for it again.
   */
  static Instrument unchecked(String file, String yaml, Function<String, String> others) {
    return new InstrumentReader(file, whole(file, yaml, others)).instrument();
  }

  /** The whole description, with what it takes over from the instrument it is like. */
  static Map<String, Object> whole(String file, String yaml, Function<String, String> others) {
    Map<String, Object> own = Yaml.root(file, yaml);
    if (!own.containsKey("like")) {
      return own;
    }
    String other = text(own, "like");
    try {
      return Likeness.whole(own, Yaml.unplaced(whole(other, others.apply(other), others)));
    } catch (Refusal e) {
      throw new CatalogueException(file, List.of(e.saying()));
    }
  }

  private OptionalInt midi() {
    Object midi = root.get("midi");
    return midi instanceof Integer program ? OptionalInt.of(program) : OptionalInt.empty();
  }

  private Instrument instrument() {
    try {
      Keywork keywork = keywork();
      List<Object> move = list(root.get("transposition"));
      List<Compass> compasses = compasses();
      List<Option> options = options();
      Optional<Slide> slide = Optional.empty();
      List<Entry> entries = new ArrayList<>();
      if (keywork.kind() == Keywork.Kind.HANDS) {
        entries.addAll(written(keywork));
      } else if (keywork.kind() == Keywork.Kind.NONE) {
        entries.addAll(named(compasses, keywork));
      } else {
        List<Rule> rules = rules("alternateRules");
        BrassReader brass =
            new BrassReader(
                map(root.get("tube")),
                keywork,
                options,
                rules,
                new Transposition(number(item(move, 0)), number(item(move, 1))));
        if (keywork.kind() == Keywork.Kind.SLIDE) {
          slide = Optional.of(brass.slide());
        }
        entries.addAll(brass.entries(compasses));
      }
      List<Freedom> free = freedoms("free", keywork);
      entries.replaceAll(e -> withFree(e, free, keywork));
      entries.sort(
          Comparator.comparingInt((Entry e) -> e.written().midi()).thenComparing(Entry::role));
      Instrument instrument =
          new Instrument(
              text(root, "id"),
              text(root, "name"),
              text(root, "family"),
              new Transposition(number(item(move, 0)), number(item(move, 1))),
              text(root, "clef"),
              blown(),
              midi(),
              compasses,
              gaps(),
              options,
              styles(),
              keywork,
              slideRules(),
              rules("choiceRules"),
              trills(keywork),
              stopped(),
              words(root.get("order")).stream().map(Pitch::parse).toList(),
              registers(keywork),
              free,
              freedoms("wrong", keywork),
              bore(keywork),
              slide,
              entries);
      if (!problems.isEmpty()) {
        throw new CatalogueException(file, problems);
      }
      return instrument;
    } catch (Refusal e) {
      problems.add(e.saying());
      throw new CatalogueException(file, problems);
    }
  }

  /** What is wrong with the catalogue is told to those who write it, as it is found. */
  private static List<Saying> told(List<String> problems) {
    return problems.stream().map(p -> Saying.of("error.other", "text", p)).toList();
  }

  private Keywork keywork() {
    Map<String, Object> k = map(root.get("keywork"));
    Keywork.Kind kind = choice(Keywork.Kind.class, text(k, "kind"));
    String away = text(k, "away", "|");
    // where the fingers rest must be told: there a finger is named, elsewhere its key
    String home = kind == Keywork.Kind.HANDS ? text(k, "home") : "|";
    String holes = text(k, "holes", "|");
    Map<String, Object> inKeys = map(k.get("holesInKeys"));
    List<Control> controls = new ArrayList<>();
    for (String side : List.of("left", "right")) {
      rows(
          k,
          side,
          problems,
          row -> {
            Map<String, String> needs =
                row.size() > 3 ? strings(item(row, 3)) : new LinkedHashMap<>();
            String key = side + " " + item(row, 0);
            if (lacks(needs) || lacking.contains(key)) {
              lacking.add(key);
              return;
            }
            needs.keySet().removeAll(fixed.keySet());
            Finger finger = choice(Finger.class, String.valueOf(item(row, 1)));
            controls.add(
                new Control(
                    String.valueOf(item(row, 0)),
                    side.equals("left"),
                    finger,
                    String.valueOf(item(row, 2)),
                    controls.size(),
                    finger.place() || named(away, key),
                    named(home, key),
                    named(holes, key),
                    named(text(inKeys, "keys", "|"), key) ? strings(inKeys.get("when")) : Map.of(),
                    needs));
          });
    }
    List<Set<String>> together = new ArrayList<>();
    for (Object o : list(k.get("together"))) {
      together.add(new LinkedHashSet<>(words(o)));
    }
    return new Keywork(kind, controls, together);
  }

  /** Whether a text in the notation names a control, told by its side and token. */
  private static boolean named(String text, String key) {
    String[] sides = text.split("\\|", -1);
    String side = sides[key.startsWith("left ") ? 0 : sides.length - 1];
    return List.of(side.strip().split("\\s+")).contains(key.substring(key.indexOf(' ') + 1));
  }

  private Blown blown() {
    Map<String, Object> b = map(root.get("blown"));
    return new Blown(
        choice(Blown.Voice.class, text(b, "voice")),
        words(b.get("from")).stream().map(Pitch::parse).toList(),
        breath());
  }

  private Map<Stage, Integer> breath() {
    Map<Stage, Integer> breath = new EnumMap<>(Stage.class);
    map(root.get("breath")).forEach((stage, s) -> breath.put(Stage.of(stage), number(s)));
    return breath;
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
                  new Option(
                      name,
                      values,
                      String.valueOf(m.get("default")),
                      text(m, "label"),
                      values.stream().map(v -> called(strings(m.get("words")), v)).toList()));
            });
    return options;
  }

  /** Whether something asks for another form of a fixed option than this instrument's only one. */
  private boolean lacks(Map<String, String> needs) {
    return needs.entrySet().stream()
        .anyMatch(
            e -> fixed.containsKey(e.getKey()) && !fixed.get(e.getKey()).equals(e.getValue()));
  }

  private List<Compass> compasses() {
    Map<String, Object> usual = map(root.get("range"));
    List<Compass> all = new ArrayList<>();
    each(
        usual,
        "makes",
        problems,
        m -> {
          Map<String, Object> whole = new LinkedHashMap<>(usual);
          whole.putAll(m);
          all.add(compass(strings(m.get("when")), whole));
        });
    all.add(compass(Map.of(), usual));
    return all;
  }

  private static Compass compass(Map<String, String> when, Map<String, Object> m) {
    Map<Stage, Compass.Range> stages = new EnumMap<>(Stage.class);
    Compass.Range all = new Compass.Range(Pitch.parse(text(m, "from")), Pitch.parse(text(m, "to")));
    for (Stage stage : Stage.values()) {
      List<Object> ends = list(m.get(stage.word()));
      stages.put(stage, ends.isEmpty() ? all : new Compass.Range(pitch(ends, 0), pitch(ends, 1)));
    }
    return new Compass(when, stages);
  }

  private List<Instrument.Gap> gaps() {
    List<Instrument.Gap> gaps = new ArrayList<>();
    each(
        map(root.get("range")),
        "gaps",
        problems,
        m -> {
          gaps.add(
              new Instrument.Gap(
                  Pitch.parse(text(m, "note")), strings(m.get("when")), text(m, "because")));
        });
    return gaps;
  }

  private static String called(Map<String, String> words, String value) {
    return words.getOrDefault(value, value);
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
    each(
        root,
        "slides",
        problems,
        m -> {
          Finger finger = choice(Finger.class, text(m, "finger"));
          SlideRule.Way way = choice(SlideRule.Way.class, text(m, "way"));
          String from = text(m, "from");
          String to = text(m, "to");
          Map<String, String> needs = strings(m.get("requires"));
          if (lacks(needs)) {
            return;
          }
          needs.keySet().removeAll(fixed.keySet());
          rules.add(new SlideRule(finger, from, to, way, needs));
          if (Boolean.TRUE.equals(m.get("both"))) {
            rules.add(new SlideRule(finger, to, from, way, needs));
          }
        });
    return rules;
  }

  private List<RegisterPair> registers(Keywork keywork) {
    List<RegisterPair> pairs = new ArrayList<>();
    each(
        root,
        "registers",
        problems,
        m -> {
          Map<Pitch, String> except = new TreeMap<>();
          map(m.get("except")).forEach((n, why) -> except.put(Pitch.parse(n), String.valueOf(why)));
          pairs.add(
              new RegisterPair(
                  Pitch.parse(text(m, "from")),
                  Pitch.parse(text(m, "to")),
                  number(m.getOrDefault("up", 12)),
                  keywork.holds(text(m, "add", "|")),
                  keywork.holds(text(m, "drop", "|")),
                  keywork.holds(text(m, "halve", "|")),
                  except));
        });
    return pairs;
  }

  private List<Freedom> freedoms(String key, Keywork keywork) {
    List<Freedom> all = new ArrayList<>();
    each(
        root,
        key,
        problems,
        m -> {
          all.add(
              new Freedom(
                  Pitch.parse(text(m, "from")),
                  Pitch.parse(text(m, "to")),
                  keywork.holds(text(m, "hold")),
                  keywork.holds(text(m, "over", "|")),
                  text(m, "because"),
                  text(m, "source", source)));
        });
    return all;
  }

  /** The entry with the controls that its note leaves free, as far as their fingers are. */
  private static Entry withFree(Entry e, List<Freedom> free, Keywork keywork) {
    Pattern pattern = e.pattern();
    for (Freedom f : free) {
      if (f.covers(e.written()) && e.role() != Role.SPECIAL) {
        pattern = keywork.withFree(pattern, f);
      }
    }
    return pattern == e.pattern() ? e : e.with(pattern);
  }

  private Optional<Bore> bore(Keywork keywork) {
    if (!root.containsKey("bore")) {
      return Optional.empty();
    }
    Map<String, Object> b = map(root.get("bore"));
    List<Bore.Hole> holes = new ArrayList<>();
    each(
        b,
        "holes",
        problems,
        m -> {
          List<Hold> opens = keywork.known(text(m, "opens", "|"));
          if (m.containsKey("opens") && opens.isEmpty()) {
            return; // opened only by keys that this instrument lacks
          }
          holes.add(
              new Bore.Hole(
                  Pitch.parse(text(m, "note")), opens, keywork.known(text(m, "closes", "|"))));
        });
    List<Bore.Register> registers = new ArrayList<>();
    each(
        b,
        "registers",
        problems,
        m -> {
          registers.add(
              new Bore.Register(
                  Pitch.parse(text(m, "from")),
                  Pitch.parse(text(m, "to")),
                  keywork.holds(text(m, "with", "|")),
                  number(m.getOrDefault("up", 0))));
        });
    return Optional.of(
        new Bore(holes, Pitch.parse(text(b, "end")), registers, strings(b.get("cross"))));
  }

  /** Rows of lower note, upper note, quality, the two fingerings, and what else there is to say. */
  private List<TrillFingering> trills(Keywork keywork) {
    List<TrillFingering> all = new ArrayList<>();
    rows(
        root,
        "trills",
        problems,
        row -> {
          Map<String, Object> more = row.size() > 5 ? map(item(row, 5)) : Map.of();
          Map<String, String> needs = strings(more.get("requires"));
          String from = String.valueOf(item(row, 3));
          String to = String.valueOf(item(row, 4));
          if (lacks(needs) || keywork.lacks(from, lacking) || keywork.lacks(to, lacking)) {
            return;
          }
          needs.keySet().removeAll(fixed.keySet());
          all.add(
              new TrillFingering(
                  pitch(row, 0),
                  pitch(row, 1),
                  choice(TrillFingering.Quality.class, String.valueOf(item(row, 2))),
                  canonical(from, keywork),
                  canonical(to, keywork),
                  needs,
                  text(more, "because", ""),
                  text(more, "source", source.isEmpty() ? "common practice, no source" : source)));
        });
    return all;
  }

  private Optional<Stopped> stopped() {
    if (!root.containsKey("stopped")) {
      return Optional.empty();
    }
    Map<String, Object> s = map(root.get("stopped"));
    return Optional.of(
        new Stopped(number(s.get("down")), new LinkedHashSet<>(words(s.get("without")))));
  }

  private static Fingering canonical(String text, Keywork keywork) {
    Fingering f = keywork.read(text);
    if (!f.text().equals(text)) {
      throw new Refusal("error.not-canonical", "typed", text, "canonical", f.text());
    }
    return f;
  }

  private List<Entry> written(Keywork keywork) {
    List<Entry> entries = new ArrayList<>();
    each(
        root,
        "notes",
        problems,
        note -> {
          Pitch written = Pitch.parse(text(note, "note"));
          each(
              note,
              "ways",
              problems,
              way -> {
                if (!lacks(strings(way.get("requires")))
                    && !keywork.lacks(text(way, "fingering"), lacking)) {
                  entries.add(entry(written, way, keywork));
                }
              });
        });
    return entries;
  }

  private static Pitch pitch(List<Object> notes, int at) {
    return Pitch.parse(String.valueOf(item(notes, at)));
  }

  /** One entry for each note of an instrument without fingerings; it says which bar it is. */
  private List<Entry> named(List<Compass> compasses, Keywork keywork) {
    Compass compass = compasses.get(compasses.size() - 1);
    List<Entry> entries = new ArrayList<>();
    for (int midi = compass.lowest().midi(); midi <= compass.highest().midi(); midi++) {
      entries.add(
          Entry.byName(
              Pitch.usual(midi),
              keywork.pattern(Keywork.BY_NAME),
              BARS.get(Math.floorMod(midi, BARS.size())),
              source));
    }
    return entries;
  }

  /** Where the bars of an octave lie, from C up, as the keys of a piano do (computed). */
  private static final List<String> BARS =
      List.of(
          "bar-natural",
          "bar-first-of-two",
          "bar-natural",
          "bar-second-of-two",
          "bar-natural",
          "bar-natural",
          "bar-first-of-three",
          "bar-natural",
          "bar-second-of-three",
          "bar-natural",
          "bar-third-of-three",
          "bar-natural");

  private Entry entry(Pitch written, Map<String, Object> way, Keywork keywork) {
    String given = text(way, "fingering");
    Pattern pattern = keywork.pattern(given);
    if (!pattern.text().equals(given)) {
      throw new Refusal("error.not-canonical", "typed", given, "canonical", pattern.text());
    }
    Set<Purpose> purposes = new LinkedHashSet<>();
    for (Object p : list(way.get("purposes"))) {
      purposes.add(choice(Purpose.class, String.valueOf(p)));
    }
    List<Rule> rules = new ArrayList<>();
    list(way.get("rules")).forEach(r -> rules.add(rule(map(r))));
    Object cents = way.get("cents");
    Map<String, String> requires = strings(way.get("requires"));
    requires.keySet().removeAll(fixed.keySet());
    return new Entry(
        written,
        pattern,
        choice(Role.class, text(way, "role")),
        text(way, "label"),
        purposes,
        cents == null ? OptionalDouble.empty() : OptionalDouble.of(decimal(cents)),
        Optional.empty(),
        OptionalInt.empty(),
        requires,
        strings(way.get("style")),
        rules,
        text(way, "source", source),
        text(way, "note", ""),
        "",
        false,
        keywork.holds(text(way, "touch", "|")));
  }

  private List<Rule> rules(String key) {
    List<Rule> rules = new ArrayList<>();
    each(root, key, problems, m -> rules.add(rule(m)));
    return rules;
  }

  static Rule rule(Map<String, Object> m) {
    return new Rule(
        choice(Rule.When.class, text(m, "when")),
        Boolean.TRUE.equals(m.get("not")),
        words(m.get("notes")).stream().map(Pitch::parse).toList(),
        words(m.get("beyond")).stream().map(Pitch::parse).toList(),
        Boolean.TRUE.equals(m.get("slurred")),
        strings(m.get("style")),
        choice(Rule.Verdict.class, text(m, "is")),
        choice(Purpose.class, text(m, "purpose", "facility")),
        text(m, "because"));
  }
}
