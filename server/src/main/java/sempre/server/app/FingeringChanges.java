package sempre.server.app;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;
import sempre.core.planning.Plan;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** What is fingered otherwise in the parts that are assigned, after something has changed. */
@Component
public class FingeringChanges {
  private final Db db;
  private final Stands stands;
  private final Assignments assignments;

  FingeringChanges(Db db, Stands stands, Assignments assignments) {
    this.db = db;
    this.stands = stands;
    this.assignments = assignments;
  }

  /**
   * A part in which something is fingered otherwise.
   *
   * @param now the part as it is now
   */
  public record Changed(Stands.Loaded now, List<Plan.Refingered> notes) {}

  /**
   * Does something and says what becomes of the assigned parts of these students. They are planned
   * before and after it, while nobody waits.
   */
  public List<Changed> of(List<People.Student> who, Consumer<Db.Tx> step) {
    Map<Stands.Loaded, Plan> before = db.inTransaction(tx -> plans(tx, who));
    db.run(step);
    List<Changed> all = new ArrayList<>();
    before.forEach(
        (part, plan) -> {
          Stands.Loaded now =
              db.inTransaction(tx -> stands.load(tx, part.student().id(), part.piece().id()));
          List<Plan.Refingered> notes = now.plan().since(plan);
          if (!notes.isEmpty()) {
            all.add(new Changed(now, notes));
          }
        });
    return all;
  }

  /** Parts with their plans, as they are now. */
  private Map<Stands.Loaded, Plan> plans(Db.Tx tx, List<People.Student> who) {
    Map<Stands.Loaded, Plan> plans = new LinkedHashMap<>();
    for (People.Student s : who) {
      for (Shelf.Piece p : assignments.pieces(tx, s.id())) {
        try {
          stands.find(tx, s.id(), p.id()).ifPresent(l -> plans.put(l, l.plan()));
        } catch (OddPiece e) {
          // it was not worked out before either
        }
      }
    }
    return plans;
  }
}
