package sempre.core.learning;

import java.util.BitSet;
import java.util.List;
import java.util.Map;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

/**
 * A player with what was heard and what comes next.
 *
 * @param player who plays, knowing what the standing says
 * @param standing what was heard
 * @param parts the written notes of the next parts, as {@link Needs#notes} takes them, the next
 *     first
 * @param spelled notes as these parts spell them, by MIDI number
 */
public record Learner(
    Player player, Standing standing, List<BitSet> parts, Map<Integer, Pitch> spelled) {
  public Learner {
    parts = List.copyOf(parts);
    spelled = Map.copyOf(spelled);
  }

  /** What the next parts bring that is not there. */
  public Needs needs() {
    return Needs.of(parts, spelled, standing);
  }
}
