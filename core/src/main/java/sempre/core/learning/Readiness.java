package sempre.core.learning;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.score.Note;

/**
 * How one student stands to one piece.
 *
 * @param lacking notes of the piece not heard yet or last heard as not yet, rising
 * @param shaky notes last heard as shaky, rising
 * @param faded notes not heard for long, rising
 * @param beyond notes that the instrument or the hand does not have, rising
 */
public record Readiness(
    List<Pitch> lacking, List<Pitch> shaky, List<Pitch> faded, List<Pitch> beyond) {

  /** Compares the notes of a line with what the student has, whatever the fingering. */
  public static Readiness of(Line line, Player player, Standing standing) {
    List<Pitch> lacking = new ArrayList<>();
    List<Pitch> shaky = new ArrayList<>();
    List<Pitch> faded = new ArrayList<>();
    List<Pitch> beyond = new ArrayList<>();
    TreeSet<Pitch> notes = new TreeSet<>(java.util.Comparator.comparingInt(Pitch::midi));
    line.notes().stream().map(Note::pitch).forEach(notes::add);
    for (Pitch p : notes) {
      if (player.usual(p).isEmpty()) {
        beyond.add(p);
        continue;
      }
      var best = standing.best(p);
      if (best.isEmpty() || !best.get().grade().has()) {
        lacking.add(p);
      } else if (best.get().grade() == Grade.SHAKY) {
        shaky.add(p);
      } else if (best.get().faded()) {
        faded.add(p);
      }
    }
    return new Readiness(lacking, shaky, faded, beyond);
  }

  /** Whether all notes are there. */
  public boolean ready() {
    return lacking.isEmpty() && beyond.isEmpty();
  }
}
