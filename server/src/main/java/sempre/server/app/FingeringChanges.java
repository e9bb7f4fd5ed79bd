package sempre.server.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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
    List<Stands.Loaded> before = db.inTransaction(tx -> planned(tx, who));
    db.run(step);
    return before.stream().flatMap(part -> changed(part).stream()).toList();
  }

  /** Empty where nothing is fingered otherwise; what is done stays done where that is not known. */
  private Optional<Changed> changed(Stands.Loaded before) {
    try {
      return db.inTransaction(tx -> stands.find(tx, before.student().id(), before.piece().id()))
          .map(now -> new Changed(now, now.plan().since(before.plan())))
          .filter(c -> !c.notes().isEmpty());
    } catch (OddPiece | NotThere e) {
      return Optional.empty();
    }
  }

  /** The parts that can be planned, with their plans as they are now. */
  private List<Stands.Loaded> planned(Db.Tx tx, List<People.Student> who) {
    List<Stands.Loaded> parts = new ArrayList<>();
    for (People.Student s : who) {
      for (Shelf.Piece p : assignments.pieces(tx, s.id())) {
        try {
          stands
              .find(tx, s.id(), p.id())
              .ifPresent(
                  l -> {
                    l.plan();
                    parts.add(l);
                  });
        } catch (OddPiece e) {
          // it was not worked out before either
        }
      }
    }
    return parts;
  }
}
