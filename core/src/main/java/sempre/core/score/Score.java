package sempre.core.score;

import java.util.List;
import java.util.Optional;

/**
 * A piece of music as it was read.
 *
 * @param title as in the file, or empty
 * @param concert whether all parts stand in concert pitch on the page
 * @param parts in page order
 * @param remarks what holds for the whole file, one sentence each
 */
public record Score(String title, boolean concert, List<Part> parts, List<String> remarks) {
  public Score {
    parts = List.copyOf(parts);
    remarks = List.copyOf(remarks);
  }

  public Optional<Part> part(String id) {
    return parts.stream().filter(p -> p.id().equals(id)).findFirst();
  }
}
