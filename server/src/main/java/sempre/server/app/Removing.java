package sempre.server.app;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Removals;
import sempre.server.store.Removals.Kind;

/** Removes things so that they can be put back, with what goes with them. */
@Component
public class Removing {
  private final Db db;
  private final Removals removals;
  private final People people;
  private final Players players;
  private final AssignedLocks locks;
  private final Assignments assignments;
  private final Library library;
  private final Clock clock;

  Removing(
      Db db,
      Removals removals,
      People people,
      Players players,
      AssignedLocks locks,
      Assignments assignments,
      Library library,
      Clock clock) {
    this.db = db;
    this.removals = removals;
    this.people = people;
    this.players = players;
    this.locks = locks;
    this.assignments = assignments;
    this.library = library;
    this.clock = clock;
  }

  /** A thing that was removed, and how much went with it, by what it is. */
  public record Gone(Removals.Removed removed, Map<String, Integer> with) {}

  /** Everything that was removed and can be put back, the last first. */
  public List<Gone> all() {
    return db.inTransaction(
        tx ->
            removals.all(tx).stream()
                .map(r -> new Gone(r, removals.with(tx, r.kind(), r.id())))
                .toList());
  }

  /** How much would go with a thing, by what it is. */
  public Map<String, Integer> with(Kind kind, long id) {
    return db.inTransaction(tx -> removals.with(tx, kind, id));
  }

  /** Removes a thing, with what goes with it. */
  public void remove(Kind kind, long id) {
    db.run(
        tx -> {
          if (kind == Kind.STUDENT) {
            leave(tx, id, Optional.of(LocalDate.now(clock)));
            return;
          }
          if (kind == Kind.ASSIGNMENT) {
            locks.release(tx, assignments.one(tx, id));
          }
          found(removals.set(tx, kind, id, Optional.of(clock.instant())));
        });
    if (kind == Kind.PIECE) {
      library.forget(id);
    }
  }

  /** Puts a thing back, with what went with it. */
  public void putBack(Kind kind, long id) {
    db.run(
        tx -> {
          if (kind == Kind.STUDENT) {
            leave(tx, id, Optional.empty());
            return;
          }
          found(removals.set(tx, kind, id, Optional.empty()));
          if (kind == Kind.ASSIGNMENT) {
            locks.again(tx, assignments.one(tx, id));
          }
        });
  }

  private void leave(Db.Tx tx, long id, Optional<LocalDate> day) {
    people.setLeft(tx, players.student(tx, id).person(), day);
  }

  private static void found(int rows) {
    if (rows == 0) {
      throw new NotThere("gone.removed");
    }
  }
}
