package sempre.server.api.readiness;

import java.util.ArrayList;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.planning.Player;
import sempre.core.planning.Worth;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.Assignments;
import sempre.server.app.OddPiece;
import sempre.server.app.Players;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** What is worth teaching a student next, over all that the student's groups play. */
@RestController
@RequestMapping("/api/students/{studentId}/teach")
public class TeachController {
  private final Db db;
  private final Assignments assignments;
  private final Players players;

  public TeachController(Db db, Assignments assignments, Players players) {
    this.db = db;
    this.assignments = assignments;
    this.players = players;
  }

  private record Assigned(Shelf.Piece piece, Part part, Line line) {}

  @GetMapping
  public List<ReadinessViews.TeachView> teach(@PathVariable long studentId) {
    return db.inTransaction(
        tx -> {
          People.Student s = players.student(tx, studentId);
          Player player = players.player(tx, s, players.standing(tx, studentId));
          List<Assigned> assigned = assigned(tx, s);
          List<Line> lines = assigned.stream().map(Assigned::line).toList();
          return Worth.over(lines, player).stream().map(t -> view(t, assigned)).toList();
        });
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

  private static ReadinessViews.TeachView view(Worth.Total t, List<Assigned> assigned) {
    List<ReadinessViews.PaysView> pieces = new ArrayList<>();
    t.parts()
        .forEach(
            (i, w) -> {
              Assigned a = assigned.get(i);
              pieces.add(
                  new ReadinessViews.PaysView(
                      Refs.PieceRef.of(a.piece()),
                      w.notes().stream()
                          .map(n -> a.part().bars().get(n.bar()).number())
                          .distinct()
                          .toList(),
                      w.notes().size()));
            });
    return new ReadinessViews.TeachView(
        Speech.words().note(t.entry().written()),
        t.entry().fingering(),
        Speech.words().label(t.entry()),
        Math.round(t.saves() * 10) / 10.0,
        pieces);
  }
}
