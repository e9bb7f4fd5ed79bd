package sempre.server.app;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.springframework.stereotype.Component;
import sempre.core.learning.Needs;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.planning.Worth;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** What is worth teaching a student next, over all that the student has to play. */
@Component
public class WorthTeaching {
  private final Db db;
  private final Learners learners;
  private final Assignments assignments;
  private final Players players;

  WorthTeaching(Db db, Learners learners, Assignments assignments, Players players) {
    this.db = db;
    this.learners = learners;
    this.assignments = assignments;
    this.players = players;
  }

  /** A piece that the student has to play. */
  public record Assigned(Shelf.Piece piece, Part part, Line line) {}

  private record Work(Player player, List<Assigned> assigned) {}

  /**
   * A fingering that pays in a piece.
   *
   * @param bars their numbers, each once
   * @param times how often
   */
  public record Pays(Shelf.Piece piece, List<String> bars, int times) {}

  /** A fingering, with the pieces in which it pays. */
  public record Fingering(Worth.Total total, List<Pays> pays) {}

  /** The fingerings that would make what is assigned easier, the best first. */
  public List<Fingering> fingerings(long studentId) {
    Work work =
        db.inTransaction(
            tx -> {
              People.Student s = players.student(tx, studentId);
              return new Work(
                  players.player(tx, s, players.standing(tx, studentId)), assigned(tx, s));
            });
    List<Line> lines = work.assigned().stream().map(Assigned::line).toList();
    return Worth.over(lines, work.player()).stream()
        .map(t -> new Fingering(t, pays(t, work.assigned())))
        .toList();
  }

  private static List<Pays> pays(Worth.Total total, List<Assigned> assigned) {
    List<Pays> pays = new ArrayList<>();
    total
        .parts()
        .forEach(
            (i, w) -> {
              Assigned a = assigned.get(i);
              pays.add(
                  new Pays(
                      a.piece(),
                      w.notes().stream()
                          .map(n -> a.part().bars().get(n.bar()).number())
                          .distinct()
                          .toList(),
                      w.notes().size()));
            });
    return pays;
  }

  private List<Assigned> assigned(Db.Tx tx, People.Student s) {
    List<Assigned> all = new ArrayList<>();
    for (Shelf.Piece piece : assignments.pieces(tx, s.id())) {
      try {
        players
            .page(tx, s, piece)
            .ifPresent(p -> all.add(new Assigned(piece, p.reading().part(), p.line())));
      } catch (OddPiece e) {
        // nothing is taught for it
      }
    }
    return all;
  }

  /** A note, with the pieces that need it. */
  public record Note(Pitch written, List<Shelf.Piece> pieces) {}

  /** The notes that are not there yet, that of most of the assigned pieces first. */
  public List<Note> notes(long studentId) {
    return db.inTransaction(
        tx -> {
          Learners.Known k = learners.of(tx, players.student(tx, studentId));
          return k.learner().needs().notes().stream()
              .filter(n -> n.state() == Needs.State.LACKING)
              .map(
                  n ->
                      new Note(
                          n.written(),
                          assignments.pieces(tx, n.parts().stream().map(k.next()::get).toList())))
              .sorted(Comparator.comparingInt(n -> -n.pieces().size()))
              .toList();
        });
  }
}
