package sempre.server.api.people;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.pitch.Pitch;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.AssignedLocks;
import sempre.server.app.Assignments;
import sempre.server.app.Library;
import sempre.server.app.NotThere;
import sempre.server.app.Players;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Removals;

/** What is removed: what goes with it, and how it comes back. */
@RestController
@RequestMapping("/api/removals")
public class RemovalsController {
  private final Db db;
  private final Removals removals;
  private final People people;
  private final Players players;
  private final AssignedLocks locks;
  private final Assignments given;
  private final Library library;
  private final Clock clock;

  public RemovalsController(
      Db db,
      Removals removals,
      People people,
      Players players,
      AssignedLocks locks,
      Assignments given,
      Library library,
      Clock clock) {
    this.db = db;
    this.removals = removals;
    this.people = people;
    this.players = players;
    this.locks = locks;
    this.given = given;
    this.library = library;
    this.clock = clock;
  }

  /** Everything that was removed and can be put back, the last first. */
  @GetMapping
  public List<PeopleViews.RemovedView> all() {
    return db.inTransaction(
        tx -> {
          LocalDate today = LocalDate.now(clock);
          List<PeopleViews.RemovedView> views = new ArrayList<>();
          for (Removals.Removed r : removals.all(tx)) {
            views.add(
                new PeopleViews.RemovedView(
                    r.kind(),
                    r.id(),
                    r.kind() == Removals.Kind.FINGERING
                        ? Speech.words().note(Pitch.parse(r.name()))
                        : r.name(),
                    r.kind() == Removals.Kind.STUDENT
                        ? Speech.words().instrument(r.about()).orElse(r.about())
                        : r.about(),
                    r.at().map(d -> Speech.words().ago(d, today)).orElse(""),
                    with(tx, r.kind(), r.id())));
          }
          return views;
        });
  }

  /** What would go with a thing, in words. */
  @GetMapping("/{kind}/{id}")
  public List<String> with(@PathVariable Removals.Kind kind, @PathVariable long id) {
    return db.inTransaction(tx -> with(tx, kind, id));
  }

  /** Removes a thing, with what goes with it. */
  @PutMapping("/{kind}/{id}")
  public Refs.Id remove(@PathVariable Removals.Kind kind, @PathVariable long id) {
    db.inTransaction(
        tx -> {
          switch (kind) {
            case STUDENT -> leave(tx, id, Optional.of(LocalDate.now(clock)));
            case ASSIGNMENT -> {
              locks.release(tx, given.one(tx, id));
              removals.set(tx, kind, id, Optional.of(clock.instant()));
            }
            default -> found(removals.set(tx, kind, id, Optional.of(clock.instant())));
          }
          return id;
        });
    if (kind == Removals.Kind.PIECE) {
      library.forget(id);
    }
    return new Refs.Id(id);
  }

  /** Puts a thing back, with what went with it. */
  @DeleteMapping("/{kind}/{id}")
  public Refs.Id putBack(@PathVariable Removals.Kind kind, @PathVariable long id) {
    db.inTransaction(
        tx -> {
          switch (kind) {
            case STUDENT -> leave(tx, id, Optional.empty());
            case ASSIGNMENT -> {
              found(removals.set(tx, kind, id, Optional.empty()));
              locks.again(tx, given.one(tx, id));
            }
            default -> found(removals.set(tx, kind, id, Optional.empty()));
          }
          return id;
        });
    return new Refs.Id(id);
  }

  private void leave(Db.Tx tx, long id, Optional<LocalDate> day) {
    people.setLeft(tx, players.student(tx, id).person(), day);
  }

  private static void found(int rows) {
    if (rows == 0) {
      throw new NotThere("gone.removed");
    }
  }

  private List<String> with(Db.Tx tx, Removals.Kind kind, long id) {
    List<String> words = new ArrayList<>();
    for (Map.Entry<String, Integer> e : removals.with(tx, kind, id).entrySet()) {
      words.add(Speech.say("with." + e.getKey(), "n", e.getValue()));
    }
    return words;
  }
}
