package sempre.core.instrument;

import java.util.List;
import java.util.Map;
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
 * @param label plain words
 * @param purposes what an alternate is good for
 * @param cents deviation from equal temperament in cents, where it is known; positive is sharp
 * @param correctable whether the player can correct that on a long note (a valve slide, the slide)
 * @param partial number of the partial, on brass
 * @param requires option values that the instrument must have
 * @param style the house style that prefers this fingering: name to value
 * @param rules when it is welcome or wrong
 * @param source where it comes from
 * @param note a sentence on what it rests on or what to watch; may be empty
 */
public record Entry(
    Pitch written,
    Pattern pattern,
    Role role,
    String label,
    Set<Purpose> purposes,
    OptionalDouble cents,
    boolean correctable,
    OptionalInt partial,
    Map<String, String> requires,
    Map<String, String> style,
    List<Rule> rules,
    String source,
    String note) {
  public Entry {
    purposes = java.util.Collections.unmodifiableSet(new java.util.LinkedHashSet<>(purposes));
    requires = java.util.Collections.unmodifiableMap(new java.util.TreeMap<>(requires));
    style = Map.copyOf(style);
    rules = List.copyOf(rules);
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
    return copy(other, role, label, purposes, rules);
  }

  /** The same in another role. */
  Entry as(Role other) {
    return copy(pattern, other, label, purposes, rules);
  }

  /** The same as the standard of its note, with no reason and no rule, since there is no other. */
  Entry asOnlyStandard() {
    return copy(pattern, Role.STANDARD, label, Set.of(), List.of());
  }

  /** The same under another label. */
  Entry labelled(String other) {
    return copy(pattern, role, other, purposes, rules);
  }

  private Entry copy(Pattern p, Role r, String l, Set<Purpose> good, List<Rule> when) {
    return new Entry(
        written, p, r, l, good, cents, correctable, partial, requires, style, when, source, note);
  }
}
