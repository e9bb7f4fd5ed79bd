package sempre.server.app;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.server.store.Db;
import sempre.server.store.People;

/** What the house does whatever the instrument. */
@Component
public class HouseWays {
  private final Db db;
  private final People people;

  HouseWays(Db db, People people) {
    this.db = db;
    this.people = people;
  }

  /** The ways that were decided; with those of a student in which the student differs. */
  public Map<String, String> of(Optional<Long> studentId) {
    return db.inTransaction(
        tx -> {
          Map<String, String> ways = new LinkedHashMap<>(people.houseStyle(tx, People.EVERYONE));
          studentId.flatMap(id -> people.student(tx, id)).ifPresent(s -> ways.putAll(s.style()));
          return ways;
        });
  }
}
