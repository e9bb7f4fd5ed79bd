package sempre.core.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import sempre.core.Judgement;
import sempre.core.planning.Plan;

/**
 * Another way to go at a bit that gets no further (common practice, no source).
 *
 * @param note whose fingering is another; empty in all other ways
 * @param fingering that it might have
 */
public record Another(
    Kind kind, Optional<Plan.PlannedNote> note, Optional<Plan.Alternative> fingering) {
  /** What is done. */
  public enum Kind {
    /** Two steps slower, for a day. */
    SLOWER,
    /** What catches is gone round. */
    ROUND,
    /** In dotted and other rhythms. */
    RHYTHMS,
    /** From its last note on. */
    BACKWARDS,
    /** One of the notes that catch is fingered otherwise. */
    FINGERING
  }

  private static Another of(Kind kind) {
    return new Another(kind, Optional.empty(), Optional.empty());
  }

  /**
   * The way that is tried today: each day without a gain the next of those that there are.
   *
   * @param days without a gain
   */
  public static Another of(Bit bit, Plan plan, int days) {
    List<Another> all = all(bit, plan);
    return all.get(Math.floorMod(days - Judgement.Ladders.PLATEAU_DAYS, all.size()));
  }

  /** All ways, the likeliest first. */
  static List<Another> all(Bit bit, Plan plan) {
    List<Another> all = new ArrayList<>();
    if (!bit.catches().isEmpty()) {
      all.add(of(Kind.ROUND));
    }
    all.add(of(Kind.RHYTHMS));
    bit.catches().stream()
        .flatMap(c -> fingering(c, plan).stream())
        .findFirst()
        .ifPresent(all::add);
    all.add(of(Kind.SLOWER));
    all.add(of(Kind.BACKWARDS));
    return all;
  }

  /** The fingering of one of two notes that would cost least beside the planned. */
  private static Optional<Another> fingering(Catch c, Plan plan) {
    Optional<Another> best = Optional.empty();
    double least = Double.POSITIVE_INFINITY;
    for (String id : List.of(c.change().from(), c.change().to())) {
      Plan.PlannedNote n = plan.note(id).orElseThrow();
      for (Plan.Alternative a : n.locked() ? List.<Plan.Alternative>of() : n.alternatives()) {
        if (!a.farOff() && a.extra() < least) {
          least = a.extra();
          best = Optional.of(new Another(Kind.FINGERING, Optional.of(n), Optional.of(a)));
        }
      }
    }
    return best;
  }
}
