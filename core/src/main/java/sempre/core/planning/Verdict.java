package sempre.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What became of a reference passage, and by how much: its margin is what the best way with another
 * fingering of a note asked about costs more (less than nothing where the passage does not hold).
 *
 * @param passage which
 * @param answer what is planned
 * @param holds whether that is what is expected
 * @param margin by how much, in the planner's unit; empty where there is nothing to choose from
 * @param deciding what the nearest rival pays more (or less) by weight, in the planner's unit
 * @param rivals every rival of every note asked about
 */
public record Verdict(
    Passage passage,
    List<String> answer,
    boolean holds,
    OptionalDouble margin,
    Map<Weight, Double> deciding,
    List<Rival> rivals) {
  public Verdict {
    answer = List.copyOf(answer);
    rivals = List.copyOf(rivals);
  }

  /**
   * Another fingering than the one planned.
   *
   * @param fingering of the note asked about
   * @param extra what the whole way through it costs more
   * @param more the same by weight; their sum
   */
  public record Rival(String fingering, double extra, Map<Weight, Double> more) {}

  /** Judges one passage. */
  public static Verdict of(Passage p) {
    List<String> answer = p.answer();
    boolean holds = p.holds(answer);
    List<Rival> rivals = new ArrayList<>();
    for (int i : p.phrase().asked()) {
      rivals.addAll(Planner.rivals(p.phrase().line(), p.player(), "n" + i));
    }
    Optional<Rival> nearest =
        rivals.stream()
            .filter(r -> holds || p.names(r.fingering()))
            .min(Comparator.comparingDouble(Rival::extra));
    OptionalDouble margin =
        nearest
            .map(r -> OptionalDouble.of(holds ? r.extra() : -r.extra()))
            .orElse(OptionalDouble.empty());
    Map<Weight, Double> deciding = new EnumMap<>(Weight.class);
    nearest.ifPresent(r -> deciding.putAll(r.more()));
    return new Verdict(p, answer, holds, margin, deciding, rivals);
  }

  /**
   * How far one weight may be moved, all others staying, before a passage that holds no longer
   * does.
   *
   * @param weight which
   * @param least smallest size at which all hold by the margin that was asked for
   * @param most largest one; infinite where nothing stands against it
   * @param below the passage that keeps it from being smaller
   * @param above the one that keeps it from being larger
   */
  public record Span(
      Weight weight, double least, double most, Optional<Passage> below, Optional<Passage> above) {
    /** A weight is pinned where the passages leave it no more than the double of its least size. */
    public boolean pinned() {
      return least > 0 && most <= 2 * least;
    }

    /** Whether no passage says anything about it. */
    public boolean floats() {
      return below.isEmpty() && above.isEmpty();
    }
  }

  /**
   * The span of every weight over some passages. The rivals of each are taken as they are at the
   * present sizes, so that a passage is one linear inequality for each of them; passages that do
   * not hold by the margin now say nothing.
   *
   * @param margin by how much every passage is to hold
   */
  public static List<Span> spans(List<Verdict> all, double margin) {
    List<Span> spans = new ArrayList<>();
    for (Weight w : Weight.values()) {
      double least = 0;
      double most = Double.POSITIVE_INFINITY;
      Optional<Passage> below = Optional.empty();
      Optional<Passage> above = Optional.empty();
      for (Verdict v : all) {
        for (Rival r : v.rivals()) {
          double own = r.more().getOrDefault(w, 0.0);
          if (!v.holds() || own == 0 || r.extra() < margin) {
            continue;
          }
          // the size at which what is left of this rival's extra is just the margin
          double bound = w.size() * (own - (r.extra() - margin)) / own;
          if (own > 0 && bound > least) {
            least = bound;
            below = Optional.of(v.passage());
          } else if (own < 0 && bound < most) {
            most = bound;
            above = Optional.of(v.passage());
          }
        }
      }
      spans.add(new Span(w, least, most, below, above));
    }
    return spans;
  }
}
