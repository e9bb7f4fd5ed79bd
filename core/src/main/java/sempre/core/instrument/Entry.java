package sempre.core.instrument;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import sempre.core.pitch.Pitch;

/**
 * One fingering of one written note, with all that the catalogue says of it.
 *
 * @param written the note on this instrument's page
 * @param pattern the fingering, with choices and free controls
 * @param role standard, alternate, trill, special or reach
 * @param label key of its name in words; a teacher's own fingering has the name as typed; empty on
 *     brass, where the valves or the position are the name
 * @param purposes what an alternate is good for
 * @param cents deviation from equal temperament in cents, where it is known; positive is sharp
 * @param tuning what corrects that on a long note (a valve slide, the slide, the lips)
 * @param partial number of the partial, on brass
 * @param requires option values that the instrument must have
 * @param style the house style that prefers this fingering: name to value
 * @param rules when it is welcome or wrong
 * @param source where it comes from
 * @param note key of a remark on what it rests on or what to watch, or as the teacher typed it; may
 *     be empty
 * @param said the class's own words for it; may be empty
 * @param asUsual whether it is as usual as the standard, so that only its neighbours decide
 * @param touched controls that are only touched at the start of the note and let go at once, so
 *     that no finger has to come from them or go to them in the change
 */
public record Entry(
    Pitch written,
    Pattern pattern,
    Role role,
    String label,
    Set<Purpose> purposes,
    OptionalDouble cents,
    Optional<Tuning> tuning,
    OptionalInt partial,
    Map<String, String> requires,
    Map<String, String> style,
    List<Rule> rules,
    String source,
    String note,
    String said,
    boolean asUsual,
    List<Hold> touched) {
  public Entry {
    purposes = java.util.Collections.unmodifiableSet(new java.util.LinkedHashSet<>(purposes));
    requires = java.util.Collections.unmodifiableMap(new java.util.TreeMap<>(requires));
    style = Map.copyOf(style);
    rules = List.copyOf(rules);
    touched = List.copyOf(touched);
  }

  /** Whether an instrument with these options can play it. */
  public boolean fits(Map<String, String> options) {
    return requires.entrySet().stream().allMatch(e -> e.getValue().equals(options.get(e.getKey())));
  }

  public String fingering() {
    return pattern.plain().text();
  }

  /** The same with another pattern. */
  Entry with(Pattern other) {
    return copy(other, role, purposes, rules);
  }

  /** The same in another role. */
  Entry as(Role other) {
    return copy(pattern, other, purposes, rules);
  }

  /** The same as the standard of its note, with no reason and no rule, since there is no other. */
  Entry asOnlyStandard() {
    return copy(pattern, Role.STANDARD, Set.of(), List.of());
  }

  /** The same with the class's own words. */
  Entry saying(String words) {
    return new Entry(
        written, pattern, role, label, purposes, cents, tuning, partial, requires, style, rules,
        source, note, words, asUsual, touched);
  }

  /** Whether the player can correct its pitch on a long note. */
  public boolean correctable() {
    return tuning.isPresent();
  }

  /** Key of the name of a fingering that is for trills only. */
  public static final String TRILL_LABEL = "trill-fingering";

  /** A fingering that is held in a trill and nowhere else. */
  static Entry forTrills(Pitch written, Pattern pattern, TrillFingering t) {
    return new Entry(
        written,
        pattern,
        Role.TRILL,
        TRILL_LABEL,
        Set.of(Purpose.FACILITY),
        OptionalDouble.empty(),
        Optional.empty(),
        OptionalInt.empty(),
        t.requires(),
        Map.of(),
        List.of(),
        t.source(),
        "",
        "",
        false,
        List.of());
  }

  /** A note of an instrument without fingerings. */
  static Entry byName(Pitch written, Pattern pattern, String label, String source) {
    return new Entry(
        written,
        pattern,
        Role.STANDARD,
        label,
        Set.of(),
        OptionalDouble.empty(),
        Optional.empty(),
        OptionalInt.empty(),
        Map.of(),
        Map.of(),
        List.of(),
        source,
        "",
        "",
        false,
        List.of());
  }

  /** Whether a teacher has added it, so that its name and remark are as typed. */
  public boolean own() {
    return source.equals(House.SOURCE);
  }

  private Entry copy(Pattern p, Role r, Set<Purpose> good, List<Rule> when) {
    return new Entry(
        written, p, r, label, good, cents, tuning, partial, requires, style, when, source, note,
        said, asUsual, touched);
  }
}
