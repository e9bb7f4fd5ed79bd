package sempre.core.instrument;

import static sempre.core.instrument.Yaml.each;
import static sempre.core.instrument.Yaml.text;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.snakeyaml.engine.v2.api.Dump;
import org.snakeyaml.engine.v2.api.DumpSettings;
import org.snakeyaml.engine.v2.common.FlowStyle;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.pitch.Pitch;

/**
 * What a teacher has changed of one instrument's table: fingerings added, hidden, or made the
 * standard of the house, and the class's own words for some. Nothing of the catalogue is lost by
 * it: without the house it is as it was.
 *
 * @param instrument catalogue id
 * @param own fingerings added, in the order in which they came
 * @param hidden fingerings not to be offered
 * @param standards fingerings taken as the standard of their note
 * @param words the class's own words for a fingering: a phrase or a picture it knows
 */
public record House(
    String instrument,
    List<Entry> own,
    Set<Key> hidden,
    Set<Key> standards,
    Map<Key, String> words) {
  /** The source that a teacher's own fingerings name. */
  public static final String SOURCE = "the teacher";

  /** Longest label and longest own words, in letters. */
  public static final int LONGEST = 120;

  /**
   * One fingering of one note.
   *
   * @param midi MIDI number of the written note, so that it does not matter how it is spelled
   * @param fingering plain canonical text
   */
  public record Key(int midi, String fingering) implements Comparable<Key> {
    public static Key of(Entry e) {
      return new Key(e.written().midi(), e.fingering());
    }

    @Override
    public int compareTo(Key other) {
      int byMidi = Integer.compare(midi, other.midi);
      return byMidi != 0 ? byMidi : fingering.compareTo(other.fingering);
    }
  }

  public House {
    own = List.copyOf(own);
    hidden = java.util.Collections.unmodifiableSet(new TreeSet<>(hidden));
    standards = java.util.Collections.unmodifiableSet(new TreeSet<>(standards));
    words = java.util.Collections.unmodifiableMap(new TreeMap<>(words));
  }

  /** A house that changes nothing. */
  public static House none(String instrument) {
    return new House(instrument, List.of(), Set.of(), Set.of(), Map.of());
  }

  public boolean changesNothing() {
    return own.isEmpty() && hidden.isEmpty() && standards.isEmpty() && words.isEmpty();
  }

  /**
   * A teacher's own fingering, checked as the catalogue's are.
   *
   * @param role alternate, trill or special
   * @throws Refusal with one sentence that says what to change
   */
  public Entry checked(
      Instrument i, Pitch written, String fingering, Role role, String label, String note) {
    Pattern pattern = i.keywork().pattern(fingering);
    for (Fingering f : pattern.expand(i.keywork())) {
      i.keywork()
          .clash(f.holds())
          .ifPresent(
              c -> {
                throw new Refusal(Saying.of("error.clash", "typed", fingering, "why", c));
              });
    }
    String name = label.strip();
    if (name.isEmpty() || name.length() > LONGEST) {
      throw new Refusal("error.fingering-name", "most", LONGEST);
    }
    if (role == Role.STANDARD || role == Role.REACH) {
      throw new Refusal("error.own-role");
    }
    if (i.entriesOf(written).isEmpty()) {
      throw new Refusal("error.own-note", "instrument", i, "note", written);
    }
    Map<String, String> needs = new TreeMap<>();
    pattern.plain().holds().forEach(h -> needs.putAll(h.control().requires()));
    Entry entry =
        new Entry(
            written,
            pattern,
            role,
            name,
            Set.of(),
            java.util.OptionalDouble.empty(),
            Optional.empty(),
            java.util.OptionalInt.empty(),
            needs,
            Map.of(),
            List.of(),
            SOURCE,
            note.strip(),
            "",
            false,
            List.of());
    Key key = Key.of(entry);
    if (i.entries().stream().anyMatch(e -> Key.of(e).equals(key))) {
      throw new Refusal("error.in-catalogue", "note", written, "fingering", entry.fingering());
    }
    if (own.stream().anyMatch(e -> Key.of(e).equals(key))) {
      throw new Refusal("error.own-already", "note", written, "fingering", entry.fingering());
    }
    return entry;
  }

  /**
   * What the tone holes say against a fingering; a fork may be right all the same.
   *
   * @param lacking what the register needs and is not held; empty when nothing
   * @param sounds what the first open hole sounds instead; empty when something is lacking
   * @param forked whether holes closed further down lower it a little
   */
  public record Doubt(Optional<Hold> lacking, Optional<Pitch> sounds, boolean forked) {}

  /**
   * The doubt about a fingering; empty when its first open hole explains it or none reaches so far.
   */
  public static Optional<Doubt> doubt(Instrument i, Entry e) {
    Optional<Bore> bore = i.bore();
    Optional<Bore.Register> register = bore.flatMap(b -> b.register(e.written()));
    if (register.isEmpty()) {
      return Optional.empty();
    }
    Optional<Integer> midi = bore.get().midi(e.pattern().plain().holds(), register.get());
    if (midi.isEmpty()) {
      Hold lacking = register.get().with().get(0);
      return Optional.of(new Doubt(Optional.of(lacking), Optional.empty(), false));
    }
    boolean forked = bore.get().forked(e.pattern().plain().holds());
    return midi.get() == e.written().midi()
        ? Optional.empty()
        : Optional.of(new Doubt(Optional.empty(), Optional.of(Pitch.usual(midi.get())), forked));
  }

  /** The instrument as this house plays it, with these options chosen. */
  public Instrument applied(Instrument i, Map<String, String> options) {
    if (changesNothing()) {
      return i;
    }
    Map<Integer, List<Entry>> byNote = new TreeMap<>();
    i.entries().stream()
        .filter(e -> e.fits(options))
        .forEach(e -> byNote.computeIfAbsent(e.written().midi(), m -> new ArrayList<>()).add(e));
    own.stream()
        .filter(e -> e.fits(options) && byNote.containsKey(e.written().midi()))
        .forEach(e -> byNote.get(e.written().midi()).add(e));
    List<Entry> all = new ArrayList<>();
    byNote.values().forEach(ways -> ofHouse(ways).forEach(e -> all.add(inItsWords(e))));
    return i.withEntries(all);
  }

  /** Whether it can be planned anywhere, not in trills only. */
  public static boolean usual(Entry e) {
    return e.role() != Role.SPECIAL && e.role() != Role.TRILL;
  }

  /** Whether a note has a fingering left that can be planned when this one is hidden as well. */
  public boolean mayHide(Key key, List<Entry> ofNote) {
    return hidden.contains(key)
        || ofNote.stream()
            .filter(House::usual)
            .map(Key::of)
            .anyMatch(k -> !k.equals(key) && !hidden.contains(k));
  }

  private Entry inItsWords(Entry e) {
    String said = words.get(Key.of(e));
    return said == null ? e : e.saying(said);
  }

  private List<Entry> ofHouse(List<Entry> ways) {
    List<Entry> shown =
        new ArrayList<>(ways.stream().filter(e -> !hidden.contains(Key.of(e))).toList());
    if (shown.stream().noneMatch(House::usual)) {
      return ways; // a note is never left without any fingering that can be planned
    }
    Optional<Entry> chosen = shown.stream().filter(e -> standards.contains(Key.of(e))).findFirst();
    boolean none = shown.stream().noneMatch(e -> e.role() == Role.STANDARD);
    Optional<Entry> standard =
        chosen.or(() -> none ? shown.stream().filter(House::usual).findFirst() : Optional.empty());
    standard.ifPresent(
        s ->
            shown.replaceAll(
                e ->
                    e == s
                        ? e.as(Role.STANDARD)
                        : e.role() == Role.STANDARD ? e.as(Role.ALTERNATE) : e));
    return shown;
  }

  /** The house's changes as YAML, own fingerings in the catalogue's form. */
  public String yaml() {
    Map<String, Object> root = new LinkedHashMap<>();
    root.put("instrument", instrument);
    Map<Integer, Map<String, Object>> notes = new LinkedHashMap<>();
    for (Entry e : own) {
      Map<String, Object> way = new LinkedHashMap<>();
      way.put("fingering", e.pattern().text());
      way.put("role", e.role().word());
      way.put("label", e.label());
      if (!e.requires().isEmpty()) {
        way.put("requires", new LinkedHashMap<>(e.requires()));
      }
      way.put("source", e.source());
      if (!e.note().isEmpty()) {
        way.put("note", e.note());
      }
      Map<String, Object> note =
          notes.computeIfAbsent(
              e.written().midi(),
              m -> {
                Map<String, Object> fresh = new LinkedHashMap<>();
                fresh.put("note", e.written().toString());
                fresh.put("ways", new ArrayList<>());
                return fresh;
              });
      @SuppressWarnings("unchecked")
      List<Object> ways = (List<Object>) note.get("ways");
      ways.add(way);
    }
    root.put("notes", new ArrayList<Object>(notes.values()));
    root.put("hidden", keys(hidden));
    root.put("standards", keys(standards));
    List<Object> said = new ArrayList<>();
    words.forEach(
        (k, w) -> {
          Map<String, Object> m = key(k);
          m.put("words", w);
          said.add(m);
        });
    root.put("words", said);
    return new Dump(DumpSettings.builder().setDefaultFlowStyle(FlowStyle.BLOCK).build())
        .dumpToString(root);
  }

  private static List<Object> keys(Set<Key> keys) {
    List<Object> list = new ArrayList<>();
    keys.forEach(k -> list.add(key(k)));
    return list;
  }

  private static Map<String, Object> key(Key k) {
    Map<String, Object> m = new LinkedHashMap<>();
    m.put("note", Pitch.usual(k.midi()).toString());
    m.put("fingering", k.fingering());
    return m;
  }

  /**
   * Reads what {@link #yaml} writes.
   *
   * @param i the instrument as the catalogue has it
   * @throws CatalogueException with every problem found
   */
  public static House read(String file, String yaml, Instrument i) {
    Map<String, Object> root = Yaml.fromOutside(file, yaml);
    List<Saying> problems = new ArrayList<>();
    House house = none(i.id());
    try {
      for (String key : root.keySet()) {
        if (!List.of("instrument", "notes", "hidden", "standards", "words").contains(key)) {
          problems.add(Saying.of("error.not-here", "key", key));
        }
      }
      if (!text(root, "instrument").equals(i.id())) {
        problems.add(
            Saying.of(
                "error.other-instrument", "typed", text(root, "instrument"), "instrument", i.id()));
      }
      List<Entry> own = new ArrayList<>();
      each(
          root,
          "notes",
          problems,
          note -> each(note, "ways", problems, way -> own.add(own(i, own, note, way))));
      Map<Key, String> words = new TreeMap<>();
      each(root, "words", problems, m -> words.put(known(i, own, m), text(m, "words")));
      Set<Key> hidden = new TreeSet<>();
      each(root, "hidden", problems, m -> hidden.add(known(i, own, m)));
      Set<Key> standards = new TreeSet<>();
      each(root, "standards", problems, m -> standards.add(known(i, own, m)));
      house = new House(i.id(), own, hidden, standards, words);
    } catch (Refusal e) {
      problems.add(e.saying());
    }
    if (!problems.isEmpty()) {
      throw new CatalogueException(file, problems);
    }
    return house;
  }

  private static Entry own(
      Instrument i, List<Entry> soFar, Map<String, Object> note, Map<String, Object> way) {
    return new House(i.id(), soFar, Set.of(), Set.of(), Map.of())
        .checked(
            i,
            Pitch.parse(text(note, "note")),
            text(way, "fingering"),
            Role.named(text(way, "role", "alternate")),
            text(way, "label"),
            text(way, "note", ""));
  }

  private static Key known(Instrument i, List<Entry> own, Map<String, Object> m) {
    Pitch note = Pitch.parse(text(m, "note"));
    Key key = new Key(note.midi(), i.keywork().pattern(text(m, "fingering")).plain().text());
    if (Stream.concat(i.entries().stream(), own.stream()).noneMatch(e -> Key.of(e).equals(key))) {
      throw new Refusal("error.no-fingering", "note", note, "fingering", key.fingering());
    }
    return key;
  }
}
