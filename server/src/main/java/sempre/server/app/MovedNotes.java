package sempre.server.app;

import com.github.difflib.DiffUtils;
import com.github.difflib.patch.AbstractDelta;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.score.Score;

/** Which note of a changed piece is which of the piece as it was before. */
final class MovedNotes {
  private MovedNotes() {}

  /** What makes two notes the same one: how it is written and how long it is. */
  private record Same(String pitch, double quarters, boolean grace) {
    static Same of(Note n) {
      return new Same(n.pitch().toString(), n.quarters(), n.grace());
    }
  }

  /**
   * Old ids to new ones, of the notes whose id is another or that are there no more (empty). Lines
   * are held against each other in their order, and what is least changed is taken (Myers, 1986).
   */
  static Map<String, Optional<String>> between(Score before, Score after) {
    Map<String, Optional<String>> moved = new LinkedHashMap<>();
    for (Part part : before.parts()) {
      Optional<Part> now = after.part(part.id());
      for (int i = 0; i < part.lines().size(); i++) {
        List<Note> old = part.lines().get(i).notes();
        int line = i;
        List<Note> anew =
            now.filter(p -> line < p.lines().size())
                .map(p -> p.lines().get(line).notes())
                .orElse(List.of());
        line(old, anew, moved);
      }
    }
    moved.entrySet().removeIf(e -> e.getValue().filter(e.getKey()::equals).isPresent());
    return moved;
  }

  private static void line(List<Note> old, List<Note> anew, Map<String, Optional<String>> moved) {
    List<Same> a = old.stream().map(Same::of).toList();
    List<Same> b = anew.stream().map(Same::of).toList();
    int at = 0;
    int ahead = 0;
    List<AbstractDelta<Same>> changes = new ArrayList<>(DiffUtils.diff(a, b).getDeltas());
    for (AbstractDelta<Same> c : changes) {
      int until = c.getSource().getPosition();
      for (; at < until; at++) {
        moved.put(old.get(at).id(), Optional.of(anew.get(at + ahead).id()));
      }
      for (; at < until + c.getSource().size(); at++) {
        moved.put(old.get(at).id(), Optional.empty());
      }
      ahead += c.getTarget().size() - c.getSource().size();
    }
    for (; at < old.size(); at++) {
      moved.put(old.get(at).id(), Optional.of(anew.get(at + ahead).id()));
    }
  }
}
