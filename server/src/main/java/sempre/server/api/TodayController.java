package sempre.server.api;

import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.learning.Check;
import sempre.core.learning.Readiness;
import sempre.core.learning.Standing;
import sempre.server.store.Checks;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** What each group plays next, who has all its notes, and who lacks which. */
@RestController
@RequestMapping("/api/today")
class TodayController {
  private final Db db;
  private final People people;
  private final Shelf shelf;
  private final Checks checks;
  private final Players players;
  private final Library library;
  private final Clock clock;

  TodayController(
      Db db,
      People people,
      Shelf shelf,
      Checks checks,
      Players players,
      Library library,
      Clock clock) {
    this.db = db;
    this.people = people;
    this.shelf = shelf;
    this.checks = checks;
    this.players = players;
    this.library = library;
    this.clock = clock;
  }

  @GetMapping
  Views.Today today() {
    return db.inTransaction(
        tx -> {
          LocalDate today = LocalDate.now(clock);
          Map<Long, List<Check>> heard = checks.all(tx);
          List<Views.GroupToday> groups = new ArrayList<>();
          for (People.Group g : people.groups(tx)) {
            List<People.Student> students = people.students(tx, g.id());
            List<Views.NextView> next = new ArrayList<>();
            for (Shelf.Assignment a : shelf.assignments(tx, g.id())) {
              next.add(next(tx, a, students, heard, today));
            }
            groups.add(new Views.GroupToday(g.id(), g.name(), students.size(), next));
          }
          return new Views.Today(today.toString(), groups, shelf.pieces(tx).size());
        });
  }

  private Views.NextView next(
      Db.Tx tx,
      Shelf.Assignment a,
      List<People.Student> students,
      Map<Long, List<Check>> heard,
      LocalDate today)
      throws SQLException {
    Shelf.Piece piece = players.piece(tx, a.pieceId());
    List<Views.ReadyView> ready = new ArrayList<>();
    for (People.Student s : students) {
      Standing standing = players.standing(tx, s, heard.getOrDefault(s.id(), List.of()));
      ready.add(ready(tx, s, piece, standing));
    }
    return new Views.NextView(
        a.id(),
        Names.piece(piece),
        a.due().toString(),
        Names.day(a.due(), today),
        a.sentence(),
        ready);
  }

  private Views.ReadyView ready(Db.Tx tx, People.Student s, Shelf.Piece piece, Standing standing)
      throws SQLException {
    Optional<Players.Page> page =
        players.page(tx, s, piece, library.music(tx, s.id(), piece.id()).score());
    if (page.isEmpty()) {
      return new Views.ReadyView(
          Names.student(s),
          "none",
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          "Nothing to finger: the piece has no notes with a pitch.");
    }
    Readiness r = Readiness.of(page.get().line(), players.setup(tx, s), standing);
    String state =
        !r.beyond().isEmpty() || !r.lacking().isEmpty()
            ? "lacks"
            : !r.shaky().isEmpty() ? "shaky" : !r.faded().isEmpty() ? "faded" : "ready";
    return new Views.ReadyView(
        Names.student(s),
        state,
        Names.notes(r.lacking()),
        Names.notes(r.shaky()),
        Names.notes(r.faded()),
        Names.notes(r.beyond()),
        sentence(r));
  }

  private static String sentence(Readiness r) {
    List<String> parts = new ArrayList<>();
    if (!r.beyond().isEmpty()) {
      parts.add(Names.list(r.beyond()) + " is beyond this instrument");
    }
    if (!r.lacking().isEmpty()) {
      parts.add("not yet: " + Names.list(r.lacking()));
    }
    if (!r.shaky().isEmpty()) {
      parts.add("shaky: " + Names.list(r.shaky()));
    }
    if (!r.faded().isEmpty()) {
      parts.add("not heard for long: " + Names.list(r.faded()));
    }
    return parts.isEmpty() ? "has all the notes" : String.join("; ", parts);
  }
}
