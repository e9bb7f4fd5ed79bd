package sempre.core.agenda;

import java.time.LocalDate;
import java.util.List;

/**
 * A piece with the day on which it is due.
 *
 * @param due it is practised up to the day before
 * @param bits in page order; empty where it has no notes
 */
public record Goal(LocalDate due, List<Stretch> bits) {
  public Goal {
    bits = List.copyOf(bits);
  }
}
