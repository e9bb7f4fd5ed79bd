package sempre.core.audition;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import sempre.core.Refusal;

/**
 * What several judges, blind to each other, say together. All shares are in percent of what there
 * is to be had.
 *
 * @param mean of the judges' totals
 * @param totals of each judge, in their order
 * @param spread between the highest and the lowest total
 * @param lines by criterion, what cost most first
 */
public record Judged(double mean, List<Double> totals, double spread, List<Line> lines) {
  private static final double ALL = 100;

  public Judged {
    totals = List.copyOf(totals);
    lines = List.copyOf(lines);
  }

  /**
   * One criterion.
   *
   * @param mean points of the judges, 0 to {@link Criterion#MOST}
   * @param least the fewest points
   * @param most the most points
   * @param cost how much of the whole was lost by it
   */
  public record Line(Criterion criterion, double mean, int least, int most, double cost) {}

  /**
   * Adds the sheets up.
   *
   * @param weights of each criterion; what is not there weighs nothing
   * @param sheets points of each judge, 0 to {@link Criterion#MOST}, for each that weighs something
   * @throws Refusal where there is no sheet, or nothing weighs anything
   */
  public static Judged of(Map<Criterion, Integer> weights, List<Map<Criterion, Integer>> sheets) {
    int weight = weights.values().stream().mapToInt(w -> w).sum();
    if (weight <= 0) {
      throw new Refusal("audition.no-weights");
    }
    if (sheets.isEmpty()) {
      throw new Refusal("audition.no-sheets");
    }
    double point = ALL / (weight * Criterion.MOST);
    List<Double> totals = new ArrayList<>();
    Map<Criterion, Line> lines = new EnumMap<>(Criterion.class);
    for (Map<Criterion, Integer> sheet : sheets) {
      double total = 0;
      for (Criterion c : Criterion.values()) {
        total += weights.getOrDefault(c, 0) * sheet.getOrDefault(c, 0) * point;
      }
      totals.add(total);
    }
    for (Criterion c : Criterion.values()) {
      int w = weights.getOrDefault(c, 0);
      if (w > 0) {
        var points = sheets.stream().mapToInt(s -> s.getOrDefault(c, 0)).summaryStatistics();
        lines.put(
            c,
            new Line(
                c,
                points.getAverage(),
                points.getMin(),
                points.getMax(),
                w * (Criterion.MOST - points.getAverage()) * point));
      }
    }
    var all = totals.stream().mapToDouble(t -> t).summaryStatistics();
    return new Judged(
        all.getAverage(),
        totals,
        all.getMax() - all.getMin(),
        lines.values().stream().sorted(Comparator.comparingDouble((Line l) -> -l.cost())).toList());
  }
}
