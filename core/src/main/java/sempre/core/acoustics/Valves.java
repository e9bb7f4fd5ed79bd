package sempre.core.acoustics;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import sempre.core.Judgement.Brass;
import sempre.core.pitch.Pitch;

/**
 * Valve fingerings from the lengths of the tubes. Each valve's tube is cut to lower the open tube
 * by its own semitones; two valves together add two such lengths, which is less than the longer
 * tube would need, so that combinations come out sharp. A compensating instrument leads the air
 * through extra lengths whenever its compensating valve is down, cut for the tube that this valve
 * has made longer (published: D. J. Blaikley's patent of 1874), so that those combinations are as
 * true as on the open tube.
 *
 * <p>Rules (computed, save where marked): a combination is usable where it lies within {@value
 * Judgement.Brass#LIMIT_CENTS} cents of the note, after a valve slide has been drawn where there is
 * one; the standard is the combination with the least added tube; of two with the same semitones
 * that with more valves is the standard (1-2 before 3: common practice, no source), unless the
 * fourth valve stands in for it (common practice, no source).
 *
 * @param fundamental written pitch of the open tube's first partial
 * @param valves token to semitones, in order
 * @param partials which partials are used
 * @param drawn combination to what corrects it: the option of a valve slide, {@code bell} or {@code
 *     lips}
 * @param instead combination to the one that is taken before it, where both are there
 * @param longWays for four valves without compensation: semitones below the second partial to the
 *     combinations that are taken for them, the usual one first. They lie up to a half step sharp
 *     and are lipped or pulled down (common practice, no source; the cents are computed)
 * @param compensator token of the compensating valve; empty when there is none
 */
public record Valves(
    Pitch fundamental,
    Map<String, Integer> valves,
    Partials partials,
    Map<String, String> drawn,
    Map<String, String> instead,
    Map<Integer, List<String>> longWays,
    String compensator) {

  private static final String LIPS = "lips";

  /**
   * The partials of a tube that are used.
   *
   * @param lowest lowest partial used
   * @param highest highest partial used
   * @param unused partials between that are not used: the seventh lies 31 cents low, and a valve
   *     can't raise
   * @param shy partials that are alternates only: the fifth lies 14 cents low, and where another
   *     combination is at hand players take that (common practice, no source)
   */
  public record Partials(int lowest, int highest, Set<Integer> unused, Set<Integer> shy) {
    public Partials {
      unused = Set.copyOf(unused);
      shy = Set.copyOf(shy);
    }
  }

  public Valves {
    valves = Collections.unmodifiableMap(new LinkedHashMap<>(valves));
    drawn = Map.copyOf(drawn);
    instead = Map.copyOf(instead);
    longWays = Collections.unmodifiableMap(new TreeMap<>(longWays));
  }

  /** How far a combination lowers the open tube in cents, by its length. */
  public double centsDown(List<String> combination) {
    boolean compensated = combination.contains(compensator);
    double added =
        combination.stream()
            .filter(v -> !(compensated && v.equals(compensator)))
            .mapToDouble(v -> Tube.addedFor(valves.get(v)))
            .sum();
    double longer = compensated ? 1 + Tube.addedFor(valves.get(compensator)) : 1;
    return Harmonics.cents(longer * (1 + added));
  }

  private record Way(
      List<String> combination, int semitones, int partial, double cents, boolean longWay) {
    String text() {
      return combination.isEmpty() ? "0" : String.join(" ", combination);
    }
  }

  /** All usable fingerings of the notes in a range, notes rising, the standard of each first. */
  public List<BrassNote> notes(Pitch from, Pitch to) {
    Map<Integer, List<Way>> byMidi = new TreeMap<>();
    for (List<String> combination : combinations()) {
      int semitones = combination.stream().mapToInt(valves::get).sum();
      for (int p = partials.lowest(); p <= partials.highest(); p++) {
        int midi = fundamental.midi() + Harmonics.semitones(p) - semitones;
        if (partials.unused().contains(p) || midi < from.midi() || midi > to.midi()) {
          continue;
        }
        double cents = Harmonics.deviation(p) + 100.0 * semitones - centsDown(combination);
        boolean mended = drawn.containsKey(String.join(" ", combination));
        if (Math.abs(mended ? Harmonics.deviation(p) : cents) <= Brass.LIMIT_CENTS) {
          byMidi
              .computeIfAbsent(midi, m -> new ArrayList<>())
              .add(new Way(combination, semitones, p, cents, false));
        }
      }
    }
    longWays.forEach(
        (semitones, texts) -> {
          int midi = fundamental.midi() + Harmonics.semitones(2) - semitones;
          if (midi >= from.midi() && midi <= to.midi()) {
            byMidi.put(midi, texts.stream().map(t -> longWay(t, semitones)).toList());
          }
        });
    List<BrassNote> all = new ArrayList<>();
    byMidi.forEach(
        (midi, found) -> {
          List<Way> ways = new ArrayList<>(found);
          boolean order = ways.stream().noneMatch(Way::longWay);
          boolean shy = ways.stream().anyMatch(w -> partials.shy().contains(w.partial()));
          Comparator<Way> shortest =
              Comparator.comparingInt((Way w) -> rank(w, shy))
                  .thenComparingInt(Way::semitones)
                  .thenComparing(w -> -w.combination().size())
                  .thenComparing(Way::text);
          List<Way> unsorted = List.copyOf(ways);
          ways.sort(order ? shortest : Comparator.comparingInt(unsorted::indexOf));
          Way first = standard(ways);
          ways.remove(first);
          ways.add(0, first);
          for (Way w : ways) {
            all.add(
                new BrassNote(
                    Pitch.usual(midi),
                    w.text(),
                    w.partial(),
                    w.cents(),
                    w.longWay() ? LIPS : drawn.getOrDefault(w.text(), ""),
                    w == first,
                    false));
          }
        });
    return all;
  }

  /** A shy partial gives way to another combination, but not to one that has to be drawn. */
  private int rank(Way w, boolean shyThere) {
    if (partials.shy().contains(w.partial())) {
      return 1;
    }
    return shyThere && drawn.containsKey(w.text()) ? 2 : 0;
  }

  private Way longWay(String text, int semitones) {
    List<String> combination = List.of(text.split(" "));
    double cents = 100.0 * semitones - centsDown(combination);
    return new Way(combination, semitones, 2, cents, true);
  }

  private Way standard(List<Way> ways) {
    Way first = ways.get(0);
    String better = instead.getOrDefault(first.text(), "");
    return ways.stream()
        .filter(w -> w.partial() == first.partial() && w.text().equals(better))
        .findFirst()
        .orElse(first);
  }

  private List<List<String>> combinations() {
    List<String> names = List.copyOf(valves.keySet());
    List<List<String>> all = new ArrayList<>();
    for (int bits = 0; bits < 1 << names.size(); bits++) {
      int b = bits;
      all.add(
          names.stream()
              .filter(n -> (b >> names.indexOf(n) & 1) == 1)
              .collect(Collectors.toList()));
    }
    return all;
  }
}
