package sempre.server.store;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The teacher's choices on the stand, step by step, each of which can be taken back. */
@Component
public class Choices {
  /** What a change is about. */
  public enum What {
    /** The fingering of one note in one part. */
    LOCK,
    /** One style of one student. */
    STYLE,
    /** One house style of the student's instrument. */
    HOUSE
  }

  /**
   * One change.
   *
   * @param studentId whose part, or who plays the instrument of a house style
   * @param about a note's id, or a style's name
   * @param was what was kept before; empty when nothing was
   * @param becomes what is kept then
   */
  public record Change(What what, long studentId, String about, String was, String becomes) {
    Change back() {
      return new Change(what, studentId, about, becomes, was);
    }
  }

  /** Whether there is something to take back, or to do again. */
  public record Ways(boolean back, boolean again) {}

  private final Shelf shelf;
  private final People people;

  public Choices(Shelf shelf, People people) {
    this.shelf = shelf;
    this.people = people;
  }

  /** Does a step and remembers it for this part; what was taken back before can't be done again. */
  public void take(Db.Tx tx, long studentId, long pieceId, List<Change> changes) {
    tx.run(
        "delete from choice_step where student_id = ? and piece_id = ? and undone",
        studentId,
        pieceId);
    long step =
        tx.insert(
            "insert into choice_step (student_id, piece_id) values (?, ?)", studentId, pieceId);
    for (Change c : changes) {
      tx.run(
          """
          insert into choice_change (step_id, what, student_id, about, was, becomes)
          values (?, ?, ?, ?, ?, ?)
          """,
          step,
          c.what().name(),
          c.studentId(),
          c.about(),
          c.was(),
          c.becomes());
      apply(tx, pieceId, c);
    }
  }

  /**
   * Takes the last step back.
   *
   * @return its changes, back to front; empty when there is none
   */
  public List<Change> back(Db.Tx tx, long studentId, long pieceId) {
    return turn(tx, studentId, pieceId, false);
  }

  /** Does again what was taken back last. */
  public List<Change> again(Db.Tx tx, long studentId, long pieceId) {
    return turn(tx, studentId, pieceId, true);
  }

  private List<Change> turn(Db.Tx tx, long studentId, long pieceId, boolean again) {
    Optional<Long> step =
        tx.one(
            "select id from choice_step where student_id = ? and piece_id = ? and undone = ?"
                + (again ? " order by id limit 1" : " order by id desc limit 1"),
            r -> r.id("id"),
            studentId,
            pieceId,
            again);
    if (step.isEmpty()) {
      return List.of();
    }
    List<Change> changes =
        tx
            .list(
                """
                select what, student_id, about, was, becomes from choice_change
                where step_id = ? order by what, student_id, about
                """,
                r ->
                    new Change(
                        r.one("what", What.class),
                        r.id("student_id"),
                        r.text("about"),
                        r.text("was"),
                        r.text("becomes")),
                step.get())
            .stream()
            .map(c -> again ? c : c.back())
            .toList();
    for (Change c : changes) {
      // what somebody has chosen otherwise since stays as it is
      if (now(tx, pieceId, c).equals(c.was())) {
        apply(tx, pieceId, c);
      }
    }
    tx.run("update choice_step set undone = ? where id = ?", !again, step.get());
    return changes;
  }

  /** What can be taken back and done again in a part. */
  public Ways ways(Db.Tx tx, long studentId, long pieceId) {
    List<Boolean> steps =
        tx.list(
            "select distinct undone from choice_step where student_id = ? and piece_id = ?",
            r -> r.is("undone"),
            studentId,
            pieceId);
    return new Ways(steps.contains(false), steps.contains(true));
  }

  /** Forgets the steps of a part; they no longer fit when another part is read. */
  public void forget(Db.Tx tx, long studentId, long pieceId) {
    shelf.unlockAll(tx, studentId, pieceId);
    tx.run("delete from choice_step where student_id = ? and piece_id = ?", studentId, pieceId);
  }

  private String now(Db.Tx tx, long pieceId, Change c) {
    return switch (c.what()) {
      case LOCK -> shelf.locks(tx, c.studentId(), pieceId).getOrDefault(c.about(), "");
      case STYLE -> student(tx, c).style().getOrDefault(c.about(), "");
      case HOUSE -> people.houseStyle(tx, student(tx, c).instrument()).getOrDefault(c.about(), "");
    };
  }

  private People.Student student(Db.Tx tx, Change c) {
    return people.student(tx, c.studentId()).orElseThrow();
  }

  private void apply(Db.Tx tx, long pieceId, Change c) {
    boolean none = c.becomes().isEmpty();
    switch (c.what()) {
      case LOCK -> {
        if (none) {
          shelf.unlock(tx, c.studentId(), pieceId, c.about());
        } else {
          shelf.lock(tx, c.studentId(), pieceId, c.about(), c.becomes());
        }
      }
      case STYLE -> {
        Map<String, String> style = new LinkedHashMap<>(student(tx, c).style());
        style.remove(c.about());
        if (!none) {
          style.put(c.about(), c.becomes());
        }
        people.setStyle(tx, c.studentId(), style);
      }
      case HOUSE -> people.setHouseStyle(tx, student(tx, c).instrument(), c.about(), c.becomes());
    }
  }
}
