package sempre.core.teaching;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import sempre.core.instrument.Stage;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.core.planning.Reason;
import sempre.core.score.Bars;

/**
 * What stands under the music on a player's sheet: each fingering that does not go without saying,
 * once, in the order in which they come.
 */
public record Handout(List<Told> told) {
  public Handout {
    told = List.copyOf(told);
  }

  /** Why a fingering is told; what is said first weighs most. */
  public enum Why {
    /** The player has not learned the note. */
    NEW_NOTE,
    /** The player has the note, but not with this fingering. */
    NEW_FINGERING,
    /** The teacher has chosen it. */
    CHOSEN,
    /** It is neither what the school's style plays nor the standard one. */
    UNUSUAL
  }

  /**
   * One fingering of one note.
   *
   * @param first the first of its notes
   * @param bars the indexes of the bars in which it comes, each once
   * @param lesson how a new note is learned from one that the player has, with this fingering
   * @param reason why it is played so; of the first of its notes that has one
   * @param only the bar in which the reason holds, where its notes have different ones
   */
  public record Told(
      Plan.PlannedNote first,
      List<Integer> bars,
      Why why,
      Optional<Lesson> lesson,
      Optional<Reason> reason,
      Optional<Integer> only) {
    public Told {
      bars = List.copyOf(bars);
    }
  }

  private record Key(int midi, String fingering) {}

  /**
   * What is told of the bars that a player is given.
   *
   * @param stage what the player's group plays
   */
  public static Handout of(Plan plan, Bars bars, Player player, Stage stage) {
    Map<Key, List<Plan.PlannedNote>> same = new LinkedHashMap<>();
    for (Plan.PlannedNote n : plan.notes()) {
      if (bars.has(n.note()) && why(n, player).isPresent()) {
        same.computeIfAbsent(
                new Key(n.note().pitch().midi(), n.way().entry().fingering()),
                k -> new ArrayList<>())
            .add(n);
      }
    }
    return new Handout(same.values().stream().map(all -> told(all, player, stage)).toList());
  }

  private static Told told(List<Plan.PlannedNote> all, Player player, Stage stage) {
    Plan.PlannedNote first = all.get(0);
    Why why = all.stream().flatMap(n -> why(n, player).stream()).min(Enum::compareTo).orElseThrow();
    Optional<Lesson> lesson =
        why == Why.NEW_NOTE
            ? Lesson.written(first.note().pitch(), player, stage)
                .filter(l -> l.entry().fingering().equals(first.way().entry().fingering()))
                .filter(l -> l.from().isPresent())
            : Optional.empty();
    Optional<Plan.PlannedNote> reasoned =
        all.stream().filter(n -> !n.reasons().isEmpty()).findFirst();
    boolean everywhere = all.stream().map(Handout::reason).distinct().count() == 1;
    List<Integer> bars = all.stream().map(n -> n.note().bar()).distinct().toList();
    return new Told(
        first,
        bars,
        why,
        lesson,
        reasoned.flatMap(Handout::reason),
        everywhere || bars.size() == 1 ? Optional.empty() : reasoned.map(n -> n.note().bar()));
  }

  /** What weighs most for a fingering where it stands. */
  private static Optional<Reason> reason(Plan.PlannedNote n) {
    return n.reasons().stream().findFirst();
  }

  /** Why a note's fingering is told; empty where it goes without saying. */
  private static Optional<Why> why(Plan.PlannedNote n, Player player) {
    if (n.isNew()) {
      return Optional.of(Why.NEW_NOTE);
    }
    if (n.unlearned()) {
      return Optional.of(Why.NEW_FINGERING);
    }
    if (n.locked()) {
      return Optional.of(Why.CHOSEN);
    }
    return player.isUsual(n.note(), n.way().entry()) ? Optional.empty() : Optional.of(Why.UNUSUAL);
  }
}
