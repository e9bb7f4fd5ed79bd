package sempre.server.app;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import sempre.server.store.Batches;
import sempre.server.store.Batches.Batch;
import sempre.server.store.Batches.Item;
import sempre.server.store.Checks;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Removals;
import sempre.server.store.Simpler;

/**
 * What was done for many at once is taken back in one go, also days later. What a teacher changed
 * by hand since then stays: only what the batch itself wrote goes.
 */
@Component
public class TakingBack {
  private final Db db;
  private final Batches batches;
  private final Checks checks;
  private final People people;
  private final Players players;
  private final Simpler simpler;
  private final Removals removals;
  private final Clock clock;

  TakingBack(
      Db db,
      Batches batches,
      Checks checks,
      People people,
      Players players,
      Simpler simpler,
      Removals removals,
      Clock clock) {
    this.db = db;
    this.batches = batches;
    this.checks = checks;
    this.people = people;
    this.players = players;
    this.simpler = simpler;
    this.removals = removals;
    this.clock = clock;
  }

  /** What can be taken back, the last first. */
  public List<Batch> all() {
    return db.inTransaction(batches::all);
  }

  /**
   * Takes one back.
   *
   * @param by who takes it back
   * @return what it was
   * @throws NotThere where it was taken back already, or nothing is left of it
   */
  public Batch takeBack(long id, String by) {
    return db.inTransaction(
        tx -> {
          Instant now = clock.instant();
          Batch b = batches.one(tx, id).orElseThrow(() -> new NotThere("gone.batch"));
          if (!batches.takeBack(tx, id, now)) {
            throw new NotThere("gone.batch");
          }
          List<Item> items = batches.items(tx, id);
          switch (b.kind()) {
            case PLAYS -> entries(tx, items, by, now);
            case ROSTER -> students(tx, items, now);
            case SIMPLER -> parts(tx, items, b.piece());
          }
          return b;
        });
  }

  private void entries(Db.Tx tx, List<Item> items, String by, Instant now) {
    for (Item i : items) {
      long student = i.student().orElseThrow();
      long entry = i.heard().orElseThrow();
      checks
          .one(tx, student, entry)
          .filter(c -> !checks.undone(tx, entry))
          .ifPresent(c -> checks.add(tx, student, c.takenBack(now, by)));
    }
  }

  private void parts(Db.Tx tx, List<Item> items, long piece) {
    items.forEach(i -> simpler.forget(tx, i.student().orElseThrow(), piece));
  }

  /** Who was added is removed, who joined leaves the group, a group that stays empty is removed. */
  private void students(Db.Tx tx, List<Item> items, Instant now) {
    Set<Long> added = new HashSet<>();
    for (Item i : items) {
      if (i.student().isPresent() && i.group().isEmpty()) {
        long id = i.student().getAsLong();
        added.add(id);
        Optional<LocalDate> today = Optional.of(LocalDate.now(clock));
        people.setLeft(tx, players.student(tx, id).person(), today);
      }
    }
    for (Item i : items) {
      if (i.student().isPresent() && i.group().isPresent()) {
        long id = i.student().getAsLong();
        // who is put back later is in the group again
        if (!added.contains(id)) {
          List<Long> groups = new ArrayList<>(people.groupsOf(tx, id));
          groups.remove(i.group().getAsLong());
          people.setGroups(tx, id, groups);
        }
      }
    }
    for (Item i : items) {
      if (i.student().isEmpty() && i.group().isPresent()) {
        long group = i.group().getAsLong();
        if (people.students(tx, group).isEmpty()) {
          removals.set(tx, Removals.Kind.GROUP, group, Optional.of(now));
        }
      }
    }
  }
}
