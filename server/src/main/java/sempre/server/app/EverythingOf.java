package sempre.server.app;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.server.store.Db;
import sempre.server.store.KeptOf;
import sempre.server.store.People;

/** Everything that is kept of one student, for a parent or the student who asks. */
@Component
public class EverythingOf {
  private final Db db;
  private final Players players;
  private final KeptOf kept;

  EverythingOf(Db db, Players players, KeptOf kept) {
    this.db = db;
    this.players = players;
    this.kept = kept;
  }

  /** What is kept, by what it is. */
  public record Everything(
      People.Student student,
      List<KeptOf.Heard> heard,
      List<KeptOf.RudimentHeard> rudiments,
      List<KeptOf.Run> runs,
      Optional<KeptOf.Week> week,
      List<KeptOf.Off> off,
      List<KeptOf.Sheet> sheets,
      List<KeptOf.Named> others) {}

  public Everything of(long studentId) {
    return db.inTransaction(
        tx ->
            new Everything(
                players.student(tx, studentId),
                kept.heard(tx, studentId),
                kept.rudiments(tx, studentId),
                kept.runs(tx, studentId),
                kept.week(tx, studentId),
                kept.off(tx, studentId),
                kept.sheets(tx, studentId),
                kept.others(tx, studentId)));
  }
}
