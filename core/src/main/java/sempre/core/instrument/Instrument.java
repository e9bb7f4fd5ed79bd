package sempre.core.instrument;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.stream.Collectors;
import sempre.core.Refusal;
import sempre.core.acoustics.Slide;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;

/**
 * One kind of instrument and everything the catalogue knows of it.
 *
 * @param id as on the command line, {@code alto-sax}
 * @param name in words, {@code Alto saxophone}
 * @param family woodwind or brass
 * @param transposition from the player's page to what sounds
 * @param clef {@code treble} or {@code bass}
 * @param blown how it is blown
 * @param midi the program of General MIDI that it sounds with, from 0; empty for drums
 * @param compasses its written notes by stage; the last holds for whatever the others do not
 * @param gaps notes within the compass that it lacks, always or with certain options
 * @param options what may differ from one to the next
 * @param styles points on which teachers differ
 * @param keywork its controls
 * @param slideRules which slides of a finger are possible
 * @param choiceRules when the second of two equivalents ({@code T/Tb}) is not taken
 * @param trills fingerings that are for trills
 * @param order in which a class learns its first notes; empty where that is only up and down
 * @param stopped how a stopped note is fingered; empty where the hand is not in the bell
 * @param registers registers that share their fingerings
 * @param free what may be held without being heard, by range
 * @param wrong what must not be held, by range
 * @param bore its tone holes, on a woodwind
 * @param slide the slide's lengths, on a trombone
 * @param entries every fingering, notes rising, the standard of a note first
 */
public record Instrument(
    String id,
    String name,
    String family,
    Transposition transposition,
    String clef,
    Blown blown,
    OptionalInt midi,
    List<Compass> compasses,
    List<Gap> gaps,
    List<Option> options,
    List<Style> styles,
    Keywork keywork,
    List<SlideRule> slideRules,
    List<Rule> choiceRules,
    List<TrillFingering> trills,
    Optional<Stopped> stopped,
    List<Pitch> order,
    List<RegisterPair> registers,
    List<Freedom> free,
    List<Freedom> wrong,
    Optional<Bore> bore,
    Optional<Slide> slide,
    List<Entry> entries) {

  /**
   * A note within the compass that an instrument with all of these option values lacks, and why.
   */
  public record Gap(Pitch note, Map<String, String> when, String because) {}

  /** Whether its players find each note by its name, so that there is nothing to finger. */
  public boolean byName() {
    return keywork.kind() == Keywork.Kind.NONE;
  }

  /** Whether its players read rhythm and sticking, and no pitches. */
  public boolean unpitched() {
    return blown.voice() == Blown.Voice.DRUM;
  }

  public Instrument {
    compasses = List.copyOf(compasses);
    gaps = List.copyOf(gaps);
    options = List.copyOf(options);
    styles = List.copyOf(styles);
    slideRules = List.copyOf(slideRules);
    choiceRules = List.copyOf(choiceRules);
    trills = List.copyOf(trills);
    order = List.copyOf(order);
    registers = List.copyOf(registers);
    free = List.copyOf(free);
    wrong = List.copyOf(wrong);
    entries = List.copyOf(entries);
  }

  /** The same instrument with other entries, as when a teacher adds some. */
  public Instrument withEntries(List<Entry> others) {
    return new Instrument(
        id,
        name,
        family,
        transposition,
        clef,
        blown,
        midi,
        compasses,
        gaps,
        options,
        styles,
        keywork,
        slideRules,
        choiceRules,
        trills,
        stopped,
        order,
        registers,
        free,
        wrong,
        bore,
        slide,
        others);
  }

  /** The compass of an instrument with these options. */
  public Compass compass(Map<String, String> chosen) {
    return compasses.stream()
        .filter(c -> chosen.entrySet().containsAll(c.when().entrySet()))
        .findFirst()
        .orElseThrow();
  }

  /**
   * Why an instrument with these options lacks a note within its compass; empty when it does not.
   */
  public Optional<String> lacks(Pitch written, Map<String, String> chosen) {
    return gaps.stream()
        .filter(g -> g.note().soundsAs(written))
        .filter(g -> chosen.entrySet().containsAll(g.when().entrySet()))
        .map(Gap::because)
        .findFirst();
  }

  /** Lowest written note with the usual options. */
  public Pitch lowest() {
    return compass(usualOptions()).lowest();
  }

  /** Highest written note with the usual options. */
  public Pitch highest() {
    return compass(usualOptions()).highest();
  }

  /** The entries by MIDI number of the written note, rising. */
  public NavigableMap<Integer, List<Entry>> byNote() {
    return entries.stream()
        .collect(Collectors.groupingBy(e -> e.written().midi(), TreeMap::new, Collectors.toList()));
  }

  /** All entries of one written note, however it is spelled; the standard first. */
  public List<Entry> entriesOf(Pitch written) {
    return entries.stream()
        .filter(e -> e.written().soundsAs(written))
        .sorted(Comparator.comparing(e -> e.role() != Role.STANDARD))
        .toList();
  }

  /** The option values of an instrument of which nothing is known. */
  public Map<String, String> usualOptions() {
    Map<String, String> map = new LinkedHashMap<>();
    options.forEach(o -> map.put(o.name(), o.standard()));
    return map;
  }

  /**
   * Completes and checks option values.
   *
   * @throws Refusal with a sentence naming what there is
   */
  public Map<String, String> optionsWith(Map<String, String> chosen) {
    Map<String, String> map = new LinkedHashMap<>(usualOptions());
    chosen.forEach(
        (name, value) -> {
          Option option =
              options.stream()
                  .filter(o -> o.name().equals(name))
                  .findFirst()
                  .orElseThrow(
                      () ->
                          new Refusal(
                              "error.no-option",
                              "instrument",
                              this,
                              "typed",
                              name,
                              "there",
                              options.stream().map(Option::name).toList()));
          if (!option.values().contains(value)) {
            throw new Refusal(
                "error.option-value", "option", name, "typed", value, "there", option.values());
          }
          map.put(name, value);
        });
    return map;
  }

  /**
   * Completes and checks style values.
   *
   * @throws Refusal with a sentence naming what there is
   */
  public Map<String, String> stylesWith(Map<String, String> chosen) {
    Map<String, String> map = new LinkedHashMap<>();
    styles.forEach(s -> map.put(s.name(), s.standard()));
    chosen.forEach(
        (name, value) -> {
          Style style = style(name);
          if (!style.schools().containsKey(value)) {
            throw new Refusal(
                "error.style-value",
                "style",
                name,
                "typed",
                value,
                "there",
                List.copyOf(style.values()));
          }
          map.put(name, value);
        });
    return map;
  }

  /**
   * A matter in which schools differ, by its name.
   *
   * @throws Refusal with a sentence naming what there is
   */
  public Style style(String name) {
    return styles.stream()
        .filter(s -> s.name().equals(name))
        .findFirst()
        .orElseThrow(
            () ->
                new Refusal(
                    "error.no-style",
                    "instrument",
                    this,
                    "typed",
                    name,
                    "there",
                    styles.stream().map(Style::name).toList()));
  }

  /** Its id: the whole table is too long to be read. */
  @Override
  public String toString() {
    return id;
  }

  /** All that a hand may not reach: every control, and half of those holes that are halved. */
  public List<Hold> reachable() {
    List<Hold> all = new ArrayList<>();
    keywork.controls().forEach(c -> all.add(new Hold(c, Hold.Way.FULL)));
    entries.stream()
        .flatMap(e -> e.pattern().slots().stream().flatMap(List::stream))
        .filter(h -> h.way() == Hold.Way.HALF)
        .distinct()
        .sorted(Comparator.comparingInt(h -> h.control().order()))
        .forEach(all::add);
    return all;
  }
}
