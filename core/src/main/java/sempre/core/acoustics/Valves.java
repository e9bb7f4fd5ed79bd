package sempre.core.acoustics;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import sempre.core.pitch.Pitch;

/**
 * Valve fingerings from the lengths of the tubes. Each valve's tube is cut to lower the open tube
 * by its own semitones; two valves together add two such lengths, which is less than the longer
 * tube would need, so that combinations come out sharp.
 *
 * <p>Rules (computed, save where marked): a combination is usable where it lies within {@value
 * #LIMIT_CENTS} cents of the note, after a valve slide has been drawn where there is one; the
 * standard is the combination with the least added tube; of two with the same semitones that with
 * more valves is the standard (1-2 before 3: common practice, no source).
 *
 * @param fundamental written pitch of the open tube's first partial
 * @param valves token to semitones, in order
 * @param lowest lowest partial used
 * @param highest highest partial used
 * @param unused partials that are not used: the seventh lies 31 cents low, and a valve can't raise
 * @param drawn combination to the option of the valve slide that corrects it
 */
public record Valves(
    Pitch fundamental,
    Map<String, Integer> valves,
    int lowest,
    int highest,
    Set<Integer> unused,
    Map<String, String> drawn) {
  /** How far from equal temperament a combination may lie, in cents. */
  public static final double LIMIT_CENTS = 35;

  public Valves {
    valves = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(valves));
    unused = Set.copyOf(unused);
    drawn = Map.copyOf(drawn);
  }

  /** How far a combination lowers the open tube in cents, by its length. */
  public double centsDown(List<String> combination) {
    double added = combination.stream().mapToDouble(v -> Tube.addedFor(valves.get(v))).sum();
    return Harmonics.cents(1 + added);
  }

  /** All usable fingerings of the notes in a range, notes rising, the standard of each first. */
  public List<BrassNote> notes(Pitch from, Pitch to) {
    record Way(List<String> combination, int semitones, int partial, double cents) {}
    Map<Integer, List<Way>> byMidi = new TreeMap<>();
    for (List<String> combination : combinations()) {
      int semitones = combination.stream().mapToInt(valves::get).sum();
      for (int p = lowest; p <= highest; p++) {
        int midi = fundamental.midi() + Harmonics.semitones(p) - semitones;
        if (unused.contains(p) || midi < from.midi() || midi > to.midi()) {
          continue;
        }
        double cents = Harmonics.deviation(p) + 100.0 * semitones - centsDown(combination);
        boolean mended = drawn.containsKey(String.join(" ", combination));
        if (Math.abs(mended ? Harmonics.deviation(p) : cents) <= LIMIT_CENTS) {
          byMidi
              .computeIfAbsent(midi, m -> new ArrayList<>())
              .add(new Way(combination, semitones, p, cents));
        }
      }
    }
    List<BrassNote> all = new ArrayList<>();
    byMidi.forEach(
        (midi, ways) -> {
          ways.sort(
              Comparator.comparingInt(Way::semitones)
                  .thenComparing(w -> -w.combination().size())
                  .thenComparing(w -> String.join(" ", w.combination())));
          for (Way w : ways) {
            String text = w.combination().isEmpty() ? "0" : String.join(" ", w.combination());
            String slide = drawn.getOrDefault(String.join(" ", w.combination()), "");
            all.add(
                new BrassNote(
                    Pitch.usual(midi),
                    text,
                    w.partial(),
                    w.cents(),
                    !slide.isEmpty(),
                    w == ways.get(0),
                    "",
                    why(w.partial(), w.cents(), slide)));
          }
        });
    return all;
  }

  private static String why(int partial, double cents, String slide) {
    String pitch =
        Math.abs(cents) < 5
            ? "in tune by its lengths"
            : Math.round(Math.abs(cents))
                + " cents "
                + (cents > 0 ? "sharp" : "flat")
                + " by its lengths";
    return "partial "
        + partial
        + ", "
        + pitch
        + (slide.isEmpty() || cents < 5 ? "" : "; draw the valve slide");
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
