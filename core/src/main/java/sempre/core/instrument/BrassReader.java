package sempre.core.instrument;

import static sempre.core.instrument.Yaml.counted;
import static sempre.core.instrument.Yaml.item;
import static sempre.core.instrument.Yaml.list;
import static sempre.core.instrument.Yaml.map;
import static sempre.core.instrument.Yaml.maps;
import static sempre.core.instrument.Yaml.number;
import static sempre.core.instrument.Yaml.strings;
import static sempre.core.instrument.Yaml.text;
import static sempre.core.instrument.Yaml.words;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import sempre.core.Judgement.Brass;
import sempre.core.acoustics.BrassNote;
import sempre.core.acoustics.Slide;
import sempre.core.acoustics.Tube;
import sempre.core.acoustics.Valves;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;

/** The fingerings of a brass instrument, computed from what its file says of its tubes. */
final class BrassReader {
  private final Map<String, Object> tube;
  private final Keywork keywork;
  private final List<Option> options;
  private final List<Rule> alternateRules;
  private final Transposition transposition;

  BrassReader(
      Map<String, Object> tube,
      Keywork keywork,
      List<Option> options,
      List<Rule> alternateRules,
      Transposition transposition) {
    this.transposition = transposition;
    this.tube = tube;
    this.keywork = keywork;
    this.options = options;
    this.alternateRules = alternateRules;
  }

  Slide slide() {
    List<Object> partials = list(tube.get("partials"));
    return new Slide(
        new Tube(Pitch.parse(text(tube, "fundamental"))),
        attachments(),
        number(item(partials, 0)),
        number(item(partials, 1)));
  }

  /** What is held to the tube that makes; one without a list has the F attachment. */
  private Map<String, Tube> attachments() {
    Map<String, Tube> all = new LinkedHashMap<>();
    if (tube.containsKey("attachment")) {
      all.put("F", new Tube(Pitch.parse(text(tube, "attachment"))));
    }
    map(tube.get("attachments"))
        .forEach((held, pitch) -> all.put(held, new Tube(Pitch.parse(String.valueOf(pitch)))));
    return all;
  }

  /** One tube of an instrument: a double horn has two. */
  private record Side(Valves valves, String token, Range usual, Range also) {
    /** Whether players take this tube for a note where both have it. */
    boolean usual(Pitch note) {
      return usual.covers(note);
    }

    /**
     * Whether a note near the border may stay on this tube without a reason of its own; not with
     * valves that have to be corrected, nor on a shy partial.
     */
    boolean mayStay(BrassNote note) {
      return note.standard()
          && !note.correctable()
          && !valves.partials().shy().contains(note.partial())
          && !usual.covers(note.written())
          && also.covers(note.written());
    }
  }

  /** From one note to another, either of which may be left open. */
  private record Range(Optional<Pitch> from, Optional<Pitch> to) {
    boolean covers(Pitch note) {
      return from.map(p -> note.midi() >= p.midi()).orElse(true)
          && to.map(p -> note.midi() <= p.midi()).orElse(true);
    }

    static Range of(Map<String, Object> m, String from, String to) {
      return new Range(
          Optional.ofNullable(m.get(from)).map(p -> Pitch.parse(p.toString())),
          Optional.ofNullable(m.get(to)).map(p -> Pitch.parse(p.toString())));
    }
  }

  List<Entry> entries(List<Compass> compasses) {
    List<Entry> entries = new ArrayList<>();
    if (keywork.kind() == Keywork.Kind.SLIDE) {
      Compass widest = compasses.get(0);
      Optional<Control> attachment = keywork.find("F", false);
      Map<String, String> needs = attachment.map(Control::requires).orElse(Map.of());
      for (BrassNote n : slide().notes(widest.lowest(), widest.highest())) {
        entries.add(
            entry(
                n,
                n.fingering(),
                n.standard(),
                n.attachment() ? needs : Map.of(),
                alternateRules,
                Optional.empty()));
      }
      return entries;
    }
    for (Map<String, Object> make : makes()) {
      Map<String, String> when = strings(make.get("when"));
      Compass compass = compass(compasses, when);
      List<Side> sides = sides(make);
      Map<Integer, List<Entry>> byNote = new LinkedHashMap<>();
      for (Side side : sides) {
        for (BrassNote n : side.valves().notes(compass.lowest(), compass.highest())) {
          String text = side.token().isEmpty() ? n.fingering() : side.token() + " " + n.fingering();
          String fingering = text.replace(" 0", "");
          byNote
              .computeIfAbsent(n.written().midi(), m -> new ArrayList<>())
              .add(
                  entry(
                      n,
                      fingering,
                      n.standard() && side.usual(n.written()),
                      when,
                      side.mayStay(n) ? List.of() : alternateRules,
                      Optional.of(side.valves())));
        }
      }
      byNote.values().forEach(ways -> entries.addAll(withOneStandard(ways)));
    }
    return entries;
  }

  /** Where the usual side does not have a note, the other one's way to play it is the standard. */
  private static List<Entry> withOneStandard(List<Entry> ways) {
    if (ways.stream().noneMatch(e -> e.role() == Role.STANDARD)) {
      ways.set(0, ways.get(0).asOnlyStandard());
    }
    return ways;
  }

  /** Every make of the instrument: the file's makes, each at each of its pitches. */
  private List<Map<String, Object>> makes() {
    List<Map<String, Object>> makes = maps(tube.get("makes"));
    List<Map<String, Object>> pitches = maps(tube.get("pitches"));
    List<Map<String, Object>> all = new ArrayList<>();
    for (Map<String, Object> make : makes.isEmpty() ? List.of(Map.<String, Object>of()) : makes) {
      for (Map<String, Object> pitch :
          pitches.isEmpty() ? List.of(Map.<String, Object>of()) : pitches) {
        Map<String, Object> both = new LinkedHashMap<>(tube);
        both.putAll(pitch);
        both.putAll(make);
        Map<String, String> when = strings(pitch.get("when"));
        when.putAll(strings(make.get("when")));
        both.put("when", when);
        all.add(both);
      }
    }
    return all;
  }

  /** The compass of a make: that of the usual options, with this make's own. */
  private Compass compass(List<Compass> compasses, Map<String, String> when) {
    Map<String, String> chosen = new LinkedHashMap<>();
    options.forEach(o -> chosen.put(o.name(), o.standard()));
    chosen.putAll(when);
    return compasses.stream()
        .filter(c -> chosen.entrySet().containsAll(c.when().entrySet()))
        .findFirst()
        .orElseThrow();
  }

  private List<Side> sides(Map<String, Object> make) {
    List<Map<String, Object>> told = maps(make.get("sides"));
    List<Side> sides = new ArrayList<>();
    for (Map<String, Object> m : told.isEmpty() ? List.of(Map.<String, Object>of()) : told) {
      Map<String, Object> whole = new LinkedHashMap<>(make);
      whole.putAll(m);
      sides.add(
          new Side(
              valves(whole),
              text(whole, "hold", ""),
              Range.of(m, "usualFrom", "usualTo"),
              Range.of(m, "alsoFrom", "alsoTo")));
    }
    return sides;
  }

  private Valves valves(Map<String, Object> m) {
    Map<String, Integer> semitones = new LinkedHashMap<>();
    map(m.get("valves")).forEach((v, s) -> semitones.put(v, number(s)));
    for (String v : semitones.keySet()) {
      if (!keywork.knows(v)) {
        throw new IllegalArgumentException("tube.valves names '" + v + "', which is no valve");
      }
    }
    semitones.keySet().removeAll(words(m.get("without")));
    List<Object> partials = list(m.get("partials"));
    return new Valves(
        Pitch.parse(text(m, "fundamental")),
        semitones,
        new Valves.Partials(
            number(item(partials, 0)),
            number(item(partials, 1)),
            numbers(m, "unused"),
            numbers(m, "shy")),
        strings(m.get("drawn")),
        strings(m.get("instead")),
        longWays(m),
        text(m, "compensator", ""));
  }

  private static Map<Integer, List<String>> longWays(Map<String, Object> m) {
    Map<Integer, List<String>> ways = new LinkedHashMap<>();
    map(m.get("longWays"))
        .forEach((semitones, texts) -> ways.put(counted(semitones), words(texts)));
    return ways;
  }

  private static Set<Integer> numbers(Map<String, Object> m, String key) {
    Set<Integer> numbers = new LinkedHashSet<>();
    list(m.get(key)).forEach(n -> numbers.add(number(n)));
    return numbers;
  }

  private Entry entry(
      BrassNote n,
      String fingering,
      boolean standard,
      Map<String, String> requires,
      List<Rule> rules,
      Optional<Valves> valves) {
    Pattern pattern = keywork.pattern(fingering);
    return new Entry(
        n.written(),
        pattern,
        standard ? Role.STANDARD : Role.ALTERNATE,
        "",
        standard ? Set.of() : Set.of(Purpose.FACILITY),
        OptionalDouble.of(Math.round(n.cents() * 10) / 10.0),
        tuning(n, valves),
        OptionalInt.of(n.partial()),
        requires,
        Map.of(),
        standard ? List.of() : rules,
        "computed",
        "",
        "",
        !standard && asUsual(n),
        List.of());
  }

  /** Whether this is what the attachment is for: low notes near the player in place of far out. */
  private boolean asUsual(BrassNote n) {
    List<Object> positions = list(tube.get("near"));
    return n.attachment()
        && n.partial() <= Brass.NEAR_PARTIAL
        && positions.stream().anyMatch(p -> n.fingering().contains(String.valueOf(p)));
  }

  /**
   * How far a valve slide is drawn to lower a note by its cents, on the tube that its valves make.
   */
  private Optional<Tuning> tuning(BrassNote n, Optional<Valves> valves) {
    if (n.mendedBy().isEmpty()) {
      return Optional.empty();
    }
    boolean drawn = options.stream().anyMatch(o -> o.name().equals(n.mendedBy()));
    if (!drawn || valves.isEmpty() || n.cents() <= 0) {
      return Optional.of(new Tuning(n.mendedBy(), 0));
    }
    Tube open = new Tube(transposition.sounding(valves.get().fundamental()));
    List<String> combination = List.of(n.fingering().split(" "));
    double longer = Math.pow(2, valves.get().centsDown(combination) / 1200);
    return Optional.of(new Tuning(n.mendedBy(), longer * open.slideCentimetres(n.cents() / 100)));
  }
}
