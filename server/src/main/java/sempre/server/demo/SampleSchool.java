package sempre.server.demo;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.server.app.Erasing;
import sempre.server.app.Library;
import sempre.server.store.AuditionStore;
import sempre.server.store.Checks;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Removals;
import sempre.server.store.Samples;
import sempre.server.store.Shelf;

/**
 * The made-up school in a teacher's own Sempre, to try things with: it comes into a school that has
 * nothing yet, and is taken away as a whole.
 */
@Component
public class SampleSchool {
  private final Db db;
  private final People people;
  private final Shelf shelf;
  private final Checks checks;
  private final Samples samples;
  private final Removals removals;
  private final Library library;
  private final Erasing erasing;
  private final PracticeLogs logs;
  private final AuditionStore auditions;
  private final Clock clock;

  SampleSchool(
      Db db,
      People people,
      Shelf shelf,
      Checks checks,
      Samples samples,
      Removals removals,
      Library library,
      Erasing erasing,
      PracticeLogs logs,
      AuditionStore auditions,
      Clock clock) {
    this.db = db;
    this.people = people;
    this.shelf = shelf;
    this.checks = checks;
    this.samples = samples;
    this.removals = removals;
    this.library = library;
    this.erasing = erasing;
    this.logs = logs;
    this.auditions = auditions;
    this.clock = clock;
  }

  /** How a school stands to it. */
  public enum State {
    /** There is nothing yet: it may come. */
    OFFERED,
    THERE,
    /** There is something of one's own, and nothing of it. */
    NONE
  }

  public State state() {
    return db.inTransaction(this::state);
  }

  private State state(Db.Tx tx) {
    if (samples.any(tx)) {
      return State.THERE;
    }
    boolean empty =
        people.groups(tx).isEmpty() && people.students(tx).isEmpty() && shelf.pieces(tx).isEmpty();
    return empty ? State.OFFERED : State.NONE;
  }

  /**
   * Brings it.
   *
   * @return how many students came
   * @throws Refusal where there is something already
   */
  public int bring() {
    int came = fill();
    logs.write();
    db.run(tx -> auditions.all(tx).forEach(a -> samples.add(tx, Samples.Kind.AUDITION, a.id())));
    return came;
  }

  private int fill() {
    return db.inTransaction(
        tx -> {
          if (state(tx) != State.OFFERED) {
            throw new Refusal("sample.not-empty");
          }
          new DemoSchool(db, people, shelf, checks, clock).fill(tx);
          people.groups(tx).forEach(g -> samples.add(tx, Samples.Kind.GROUP, g.id()));
          people.students(tx).forEach(s -> samples.add(tx, Samples.Kind.STUDENT, s.id()));
          shelf.pieces(tx).forEach(p -> samples.add(tx, Samples.Kind.PIECE, p.id()));
          return people.students(tx).size();
        });
  }

  /**
   * Takes it away: its students for good; its groups where none of the school's own students are in
   * them, and its pieces where they are given to none of those, so that they can be put back.
   *
   * @return names of the groups that stay
   * @throws Refusal where it is not there
   */
  public List<String> takeAway() {
    List<String> staying =
        db.inTransaction(
            tx -> {
              if (!samples.any(tx)) {
                throw new Refusal("sample.not-there");
              }
              samples.of(tx, Samples.Kind.STUDENT).forEach(id -> people.erase(tx, id));
              samples.of(tx, Samples.Kind.AUDITION).forEach(id -> auditions.erase(tx, id));
              Set<Long> came = samples.of(tx, Samples.Kind.GROUP);
              List<People.Group> kept =
                  people.groups(tx).stream()
                      .filter(g -> came.contains(g.id()))
                      .filter(g -> !people.students(tx, g.id()).isEmpty())
                      .toList();
              came.stream()
                  .filter(id -> kept.stream().noneMatch(g -> g.id() == id))
                  .forEach(id -> remove(tx, Removals.Kind.GROUP, id));
              List<Long> used =
                  shelf.assignments(tx).stream().map(Shelf.Assignment::pieceId).toList();
              samples.of(tx, Samples.Kind.PIECE).stream()
                  .filter(id -> !used.contains(id))
                  .forEach(
                      id -> {
                        remove(tx, Removals.Kind.PIECE, id);
                        library.forget(id);
                      });
              samples.forget(tx);
              return kept.stream().map(People.Group::name).toList();
            });
    erasing.again(false);
    return staying;
  }

  private void remove(Db.Tx tx, Removals.Kind kind, long id) {
    removals.set(tx, kind, id, Optional.of(clock.instant()));
  }
}
