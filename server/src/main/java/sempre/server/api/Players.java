package sempre.server.api;

import java.sql.SQLException;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.learning.Check;
import sempre.core.learning.Standing;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.server.store.Checks;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/**
 * Puts together what the core wants to know of a student: set-up, style, standing, the page read.
 */
@Component
class Players {
  private final People people;
  private final Shelf shelf;
  private final Checks checks;
  private final Clock clock;

  Players(People people, Shelf shelf, Checks checks, Clock clock) {
    this.people = people;
    this.shelf = shelf;
    this.checks = checks;
    this.clock = clock;
  }

  /** What a student reads of a piece. */
  record Page(PartChoice.Reading reading, Line line, int voice) {}

  People.Student student(Db.Tx tx, long id) throws SQLException {
    return people
        .student(tx, id)
        .orElseThrow(() -> new Errors.NotThere("This student is not here any more."));
  }

  Shelf.Piece piece(Db.Tx tx, long id) throws SQLException {
    return shelf
        .piece(tx, id)
        .orElseThrow(() -> new Errors.NotThere("This piece is not on the shelf any more."));
  }

  static Setup setup(People.Student s) {
    Instrument instrument = Catalogue.standard().instrument(s.instrument());
    return Setup.of(instrument, s.options());
  }

  Standing standing(List<Check> list) {
    return Standing.of(list, clock.instant());
  }

  Standing standing(Db.Tx tx, long studentId) throws SQLException {
    return standing(checks.of(tx, studentId));
  }

  Player player(Db.Tx tx, People.Student s, Standing standing) throws SQLException {
    Map<String, String> style = new LinkedHashMap<>(people.houseStyle(tx, s.instrument()));
    style.putAll(s.style());
    return Player.of(setup(s), style, s.avoid(), Optional.of(standing.known()));
  }

  /** The page a student reads; empty when the piece holds no notes with a pitch. */
  Optional<Page> page(Db.Tx tx, People.Student s, Shelf.Piece piece, Score score)
      throws SQLException {
    Optional<Shelf.Chosen> chosen = shelf.chosen(tx, s.id(), piece.id());
    Setup setup = setup(s);
    Optional<Part> part =
        chosen
            .flatMap(c -> score.part(c.partId()))
            .filter(p -> p.topLine().isPresent())
            .or(() -> PartChoice.best(score, setup.instrument()));
    int voice = chosen.map(Shelf.Chosen::voice).orElse(1);
    return part.map(p -> PartChoice.read(p, setup, piece.pages()))
        .map(
            r -> {
              List<Line> lines =
                  r.part().lines().stream().filter(l -> !l.notes().isEmpty()).toList();
              int v = Math.max(1, Math.min(voice, lines.size()));
              return new Page(r, lines.get(v - 1), v);
            });
  }
}
