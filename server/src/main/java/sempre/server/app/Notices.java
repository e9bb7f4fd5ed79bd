package sempre.server.app;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import sempre.core.Saying;
import sempre.server.file.Daily;
import sempre.server.file.School;

/**
 * What a teacher is to know of the data themselves: that they were mended, that a backup failed.
 */
@Component
public class Notices {
  private final ObjectProvider<School> schools;
  private final ObjectProvider<Daily> dailies;
  private final Erasing erased;

  public Notices(ObjectProvider<School> schools, ObjectProvider<Daily> dailies, Erasing erased) {
    this.erased = erased;
    this.schools = schools;
    this.dailies = dailies;
  }

  /** What there is to tell; empty when all is well. */
  public List<Saying> all() {
    return Stream.of(
            schools.stream().flatMap(s -> s.said().stream()),
            dailies.stream().map(Daily::trouble).flatMap(Optional::stream),
            erased.said().stream())
        .flatMap(s -> s)
        .toList();
  }
}
