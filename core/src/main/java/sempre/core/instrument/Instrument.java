package sempre.core.instrument;

import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
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
 * @param lowest lowest written note that every such instrument has
 * @param highest highest written note of a high-school player
 * @param gaps notes that an instrument with certain options lacks
 * @param options what may differ from one to the next
 * @param styles points on which teachers differ
 * @param keywork its controls
 * @param slideRules which slides of a finger are possible
 * @param octaves pairs of registers that share their fingerings
 * @param slide the slide's lengths, on a trombone
 * @param entries every fingering, notes rising, the standard of a note first
 */
public record Instrument(
    String id,
    String name,
    String family,
    Transposition transposition,
    String clef,
    Pitch lowest,
    Pitch highest,
    List<Gap> gaps,
    List<Option> options,
    List<Style> styles,
    Keywork keywork,
    List<SlideRule> slideRules,
    List<OctavePair> octaves,
    Optional<Slide> slide,
    List<Entry> entries) {

  /**
   * Notes whose octave has the same fingering, or the same with one control more.
   *
   * @param from lowest written note of the lower register
   * @param to highest written note of the lower register
   * @param add tokens that the upper octave adds on the left; may be empty
   * @param except upper notes that differ, each with the reason
   */
  public record OctavePair(Pitch from, Pitch to, List<String> add, Map<Pitch, String> except) {}

  /** A note within the range that an instrument with all of these option values does not have. */
  public record Gap(Pitch note, Map<String, String> when) {}

  public Instrument {
    gaps = List.copyOf(gaps);
    options = List.copyOf(options);
    styles = List.copyOf(styles);
    slideRules = List.copyOf(slideRules);
    octaves = List.copyOf(octaves);
    entries = List.copyOf(entries);
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
   * @throws IllegalArgumentException with a sentence naming what there is
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
                          new IllegalArgumentException(
                              "the "
                                  + name().toLowerCase(Locale.ROOT)
                                  + " has no option '"
                                  + name
                                  + "'; it has "
                                  + names(options.stream().map(Option::name).toList())));
          if (!option.values().contains(value)) {
            throw new IllegalArgumentException(
                "option "
                    + name
                    + " can't be '"
                    + value
                    + "'; it is "
                    + String.join(" or ", option.values()));
          }
          map.put(name, value);
        });
    return map;
  }

  /**
   * Completes and checks style values.
   *
   * @throws IllegalArgumentException with a sentence naming what there is
   */
  public Map<String, String> stylesWith(Map<String, String> chosen) {
    Map<String, String> map = new LinkedHashMap<>();
    styles.forEach(s -> map.put(s.name(), s.standard()));
    chosen.forEach(
        (name, value) -> {
          Style style =
              styles.stream()
                  .filter(s -> s.name().equals(name))
                  .findFirst()
                  .orElseThrow(
                      () ->
                          new IllegalArgumentException(
                              "the "
                                  + name().toLowerCase(Locale.ROOT)
                                  + " has no style '"
                                  + name
                                  + "'; it has "
                                  + names(styles.stream().map(Style::name).toList())));
          if (!style.schools().containsKey(value)) {
            throw new IllegalArgumentException(
                "style "
                    + name
                    + " can't be '"
                    + value
                    + "'; it is "
                    + String.join(" or ", style.values()));
          }
          map.put(name, value);
        });
    return map;
  }

  private static String names(Collection<String> names) {
    return names.isEmpty() ? "none" : String.join(", ", names);
  }
}
