package sempre.core.teaching;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import sempre.core.Judgement;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.core.planning.Reason;

/**
 * How a note of a plan is in tune by its fingering, what mends it, and which other fingerings are
 * higher or lower.
 *
 * @param sounding the note as it sounds
 * @param cents as the fingering is by itself, positive is sharp; empty where the catalogue says
 *     nothing of it
 * @param mended what brings it down where it is sharp
 * @param others in tune otherwise, each with its own cents; the nearest to none first
 */
public record InTune(
    Pitch written,
    Pitch sounding,
    Setup.Way way,
    OptionalDouble cents,
    Optional<Reason.Tuned> mended,
    List<Other> others) {
  public InTune {
    others = List.copyOf(others);
  }

  /** Another fingering of the same note. */
  public record Other(Setup.Way way, double cents) {}

  /** Each note of a plan with each of its fingerings, once, rising. */
  public static List<InTune> of(Plan plan, Player player) {
    Map<String, InTune> all = new LinkedHashMap<>();
    plan.notes().stream()
        .sorted(Comparator.comparingInt(n -> n.note().pitch().midi()))
        .forEach(
            n ->
                all.computeIfAbsent(
                    n.note().pitch().midi() + " " + n.way().bare().text(),
                    k -> of(n.note().pitch(), n.sounding(), n.way(), player)));
    return List.copyOf(all.values());
  }

  private static InTune of(Pitch written, Pitch sounding, Setup.Way way, Player player) {
    Entry e = way.entry();
    return new InTune(
        written,
        sounding,
        way,
        e.cents(),
        e.cents().orElse(0) >= Judgement.Tuned.LEANS_CENTS
            ? Reason.Tuned.of(e, player.setup().options())
            : Optional.empty(),
        others(written, way, player)
            .sorted(Comparator.comparingDouble(o -> Math.abs(o.cents())))
            .toList());
  }

  /** Those of which it is known how they are in tune, and not as this one is. */
  private static Stream<Other> others(Pitch written, Setup.Way way, Player player) {
    double own = way.entry().cents().orElse(0);
    return player.setup().ways(written).stream()
        .filter(w -> w.first() && w.held().isEmpty() && player.reaches(w))
        .filter(w -> w.entry().role() == Role.STANDARD || w.entry().role() == Role.ALTERNATE)
        .filter(w -> !w.bare().text().equals(way.bare().text()))
        .filter(w -> w.entry().cents().isPresent())
        .map(w -> new Other(w, w.entry().cents().getAsDouble()))
        .filter(o -> Math.abs(o.cents() - own) >= Judgement.Tuned.LEANS_CENTS);
  }
}
