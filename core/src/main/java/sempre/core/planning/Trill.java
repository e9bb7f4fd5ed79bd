package sempre.core.planning;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Setup;
import sempre.core.instrument.TrillFingering.Quality;
import sempre.core.motion.Move;

/**
 * One way to play a trill on a particular instrument: two states of the hands, between which one or
 * two fingers go, or none where the lips do it.
 *
 * @param lower what is held on the lower note
 * @param upper what is held on the upper one
 * @param quality how well it goes
 * @param source where it comes from: the catalogue, or {@code computed} from two fingerings of it
 * @param because key of the reason why the holes give these notes; may be empty
 * @param move from the lower to the upper note
 */
public record Trill(
    Setup.Way lower, Setup.Way upper, Quality quality, String source, String because, Move move) {

  /** The controls that move. */
  public List<Hold> moving() {
    List<Hold> a = lower.fingering().holds();
    List<Hold> b = upper.fingering().holds();
    return Stream.concat(
            a.stream().filter(h -> !b.contains(h)), b.stream().filter(h -> !a.contains(h)))
        .toList();
  }

  /** Whether the lips go from partial to partial on the same valves or in the same position. */
  public boolean byLips() {
    return moving().isEmpty();
  }

  /** What an instrument must have for it, beyond what all of its kind have. */
  public Map<String, String> requires() {
    Map<String, String> needs = new TreeMap<>(lower.entry().requires());
    needs.putAll(upper.entry().requires());
    return needs;
  }
}
