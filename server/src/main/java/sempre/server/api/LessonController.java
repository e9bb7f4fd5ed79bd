package sempre.server.api;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.core.learning.Readiness;
import sempre.core.learning.Standing;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.teaching.Lesson;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** One concert pitch for a whole group, on one page. */
@RestController
@RequestMapping("/api/groups/{groupId}/lesson")
class LessonController {
  private final Db db;
  private final People people;
  private final Players players;
  private final Given given;

  LessonController(Db db, People people, Players players, Given given) {
    this.given = given;
    this.db = db;
    this.people = people;
    this.players = players;
  }

  /** Players who learn it just the same, who stand together on the page. */
  private record Same(String instrument, Lesson lesson) {}

  private record Learner(String name, Player player) {}

  @GetMapping
  Views.LessonView lesson(@PathVariable long groupId, @RequestParam String pitch) {
    Pitch concert = Pitch.parse(pitch);
    return db.inTransaction(
        tx -> {
          People.Group g =
              people
                  .group(tx, groupId)
                  .orElseThrow(() -> new Errors.NotThere("This group is not here any more."));
          Map<Same, List<Learner>> rows = new LinkedHashMap<>();
          List<String> without = new ArrayList<>();
          for (People.Student s : people.students(tx, groupId)) {
            Player player = players.player(tx, s, players.standing(tx, s.id()));
            Optional<Lesson> l =
                needed(tx, s, player, concert)
                    .flatMap(p -> Lesson.written(p, player))
                    .or(() -> Lesson.of(concert, player, Stage.of(g.stage())));
            if (l.isEmpty()) {
              without.add(
                  s.name()
                      + ": no octave of it lies in the range of "
                      + Stage.of(g.stage()).inWords());
            } else {
              rows.computeIfAbsent(new Same(s.instrument(), l.get()), k -> new ArrayList<>())
                  .add(new Learner(s.name(), player));
            }
          }
          String name = concert.displayName();
          return new Views.LessonView(
              g.name(),
              concert.toString(),
              name.substring(0, name.length() - 1),
              rows.entrySet().stream()
                  .map(e -> row(e.getKey().lesson(), e.getValue()))
                  .sorted(Comparator.comparing(Views.LessonRow::name))
                  .toList(),
              without);
        });
  }

  /** The note of this sound that the student's next pieces bring and the student lacks. */
  private Optional<Pitch> needed(Db.Tx tx, People.Student s, Player player, Pitch concert)
      throws SQLException {
    Standing standing = players.standing(tx, s.id());
    for (Shelf.Assignment a : given.of(tx, s)) {
      Shelf.Piece piece = players.piece(tx, a.pieceId());
      Optional<Players.Page> page = players.page(tx, s, piece);
      if (page.isPresent()) {
        Optional<Pitch> note =
            Readiness.of(Given.line(a, page.get()), player.setup(), standing).lacking().stream()
                .filter(
                    p ->
                        player.setup().instrument().transposition().sounding(p).pitchClass()
                            == concert.pitchClass())
                .findFirst();
        if (note.isPresent()) {
          return note;
        }
      }
    }
    return Optional.empty();
  }

  private static Views.LessonRow row(Lesson l, List<Learner> learners) {
    Player player = learners.get(0).player();
    Instrument i = player.setup().instrument();
    List<String> names = learners.stream().map(Learner::name).toList();
    return new Views.LessonRow(
        names,
        l.has() ? names : List.of(),
        i.id(),
        i.name(),
        l.written().toString(),
        l.written().displayName(),
        Tables.octave(l.octaves()),
        l.entry().fingering(),
        l.entry().label(),
        i.keywork().kind().name().toLowerCase(java.util.Locale.ROOT),
        Tables.keys(i, player.setup().options()),
        l.hold().holds().stream().map(h -> Tables.held(h, false)).toList(),
        Lanes.guides(i),
        i.slide().map(s -> s.centimetres(l.hold().text())).orElse(0.0),
        l.from()
            .map(Lesson.From::sentence)
            .orElse("The first note: nothing to compare it with yet."),
        l.mistakes().stream()
            .map(m -> new Views.MistakeView(m.written().displayName(), m.why(), m.mend()))
            .toList(),
        l.air(),
        l.caution());
  }
}
