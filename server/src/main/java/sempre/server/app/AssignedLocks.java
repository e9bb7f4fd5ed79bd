package sempre.server.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import sempre.core.planning.Plan;
import sempre.core.score.Bars;
import sempre.server.store.Choices;
import sempre.server.store.Db;
import sempre.server.store.Shelf;

/** Fingerings that an assignment keeps as they were when it was given. */
@Component
public class AssignedLocks {
  private final Shelf shelf;
  private final Choices choices;

  public AssignedLocks(Shelf shelf, Choices choices) {
    this.shelf = shelf;
    this.choices = choices;
  }

  /** Locks every fingering of some parts as it is planned, where nothing is kept yet. */
  public void lock(Db.Tx tx, Shelf.Assignment a, List<Stands.Loaded> parts) {
    for (Stands.Loaded l : parts) {
      Bars bars = Assignments.bars(a, l.page().reading().part());
      List<Choices.Change> changes = new ArrayList<>();
      Map<String, String> now = shelf.locks(tx, l.student().id(), a.pieceId());
      for (Plan.PlannedNote n : l.plan().notes()) {
        String before = now.getOrDefault(n.note().id(), "");
        if (bars.has(n.note()) && before.isEmpty()) {
          String fingering = n.way().fingering().text();
          changes.add(
              new Choices.Change(
                  Choices.What.LOCK, l.student().id(), n.note().id(), before, fingering));
          shelf.addLocked(tx, a.id(), new Shelf.Locked(l.student().id(), n.note().id(), fingering));
        }
      }
      if (!changes.isEmpty()) {
        choices.take(tx, l.student().id(), a.pieceId(), changes);
      }
    }
  }

  /** Lets go what an assignment has locked and nobody has chosen otherwise since. */
  public void release(Db.Tx tx, Shelf.Assignment a) {
    change(tx, a, false);
  }

  /** Locks again what an assignment had locked and nobody has chosen otherwise since. */
  public void again(Db.Tx tx, Shelf.Assignment a) {
    change(tx, a, true);
  }

  private void change(Db.Tx tx, Shelf.Assignment a, boolean lock) {
    Map<Long, List<Shelf.Locked>> byStudent =
        shelf.locked(tx, a.id()).stream().collect(Collectors.groupingBy(Shelf.Locked::studentId));
    for (Map.Entry<Long, List<Shelf.Locked>> e : byStudent.entrySet()) {
      Map<String, String> now = shelf.locks(tx, e.getKey(), a.pieceId());
      List<Choices.Change> changes =
          e.getValue().stream()
              .filter(
                  l ->
                      lock
                          ? !now.containsKey(l.noteId())
                          : l.fingering().equals(now.get(l.noteId())))
              .map(
                  l ->
                      new Choices.Change(
                          Choices.What.LOCK,
                          l.studentId(),
                          l.noteId(),
                          lock ? "" : l.fingering(),
                          lock ? l.fingering() : ""))
              .toList();
      if (!changes.isEmpty()) {
        choices.take(tx, e.getKey(), a.pieceId(), changes);
      }
    }
  }
}
