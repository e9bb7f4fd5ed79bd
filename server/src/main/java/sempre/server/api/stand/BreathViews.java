package sempre.server.api.stand;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import sempre.core.practice.Breaths;
import sempre.core.score.Note;

/** Breaths that are marked on a page beside those that are printed. */
final class BreathViews {
  private BreathViews() {}

  static List<StandViews.BreathView> of(List<Breaths.Breath> breaths) {
    return breaths.stream()
        .map(
            b ->
                new StandViews.BreathView(
                    b.after().id(), b.where(), Math.round(b.seconds() * 10) / 10.0))
        .toList();
  }

  /** The ids of the notes behind which the marks stand: of tied ones the last. */
  static Set<String> marks(List<Breaths.Breath> breaths) {
    return breaths.stream().map(b -> last(b.after())).collect(Collectors.toSet());
  }

  private static String last(Note n) {
    return n.tied().isEmpty() ? n.id() : n.tied().get(n.tied().size() - 1);
  }
}
