package sempre.core.score;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import sempre.core.Saying;

/**
 * A piece of music as it was read.
 *
 * @param title as in the file, or empty
 * @param concert whether all parts stand in concert pitch on the page
 * @param parts in page order
 * @param remarks what holds for the whole file, one sentence each
 * @param chords chords written over the music, in order; most files have none
 */
public record Score(
    String title, boolean concert, List<Part> parts, List<Saying> remarks, List<Chord> chords) {
  public Score {
    chords = List.copyOf(chords);
    parts = List.copyOf(parts);
    remarks = List.copyOf(remarks);
  }

  /** A score without chords written over it. */
  public Score(String title, boolean concert, List<Part> parts, List<Saying> remarks) {
    this(title, concert, parts, remarks, List.of());
  }

  /** The same with one sentence more on the whole file. */
  public Score remarked(Saying remark) {
    List<Saying> all = new ArrayList<>(remarks);
    all.add(remark);
    return new Score(title, concert, parts, all, chords);
  }

  public Optional<Part> part(String id) {
    return parts.stream().filter(p -> p.id().equals(id)).findFirst();
  }
}
