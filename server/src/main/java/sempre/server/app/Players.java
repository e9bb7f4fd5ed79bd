package sempre.server.app;

import java.time.Clock;
import java.time.Duration;
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
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.core.teaching.Ways;
import sempre.server.store.Checks;
import sempre.server.store.Db;
import sempre.server.store.Houses;
import sempre.server.store.People;
import sempre.server.store.Shelf;
import sempre.server.store.Simpler;

/**
 * Puts together what the core wants to know of a student: set-up, style, standing, the page read.
 */
@Component
public class Players {
  private final People people;
  private final Shelf shelf;
  private final Checks checks;
  private final Houses houses;
  private final Simpler simpler;
  private final Library library;
  private final Clock clock;

  public Players(
      People people,
      Shelf shelf,
      Checks checks,
      Houses houses,
      Simpler simpler,
      Library library,
      Clock clock) {
    this.library = library;
    this.simpler = simpler;
    this.people = people;
    this.shelf = shelf;
    this.checks = checks;
    this.houses = houses;
    this.clock = clock;
  }

  /**
   * What a student reads of a piece.
   *
   * @param simpler the simpler part that is kept of this part
   */
  public record Page(
      Library.Music music,
      PartChoice.Reading reading,
      Line line,
      int voice,
      Optional<Simpler.Kept> simpler) {}

  public People.Student student(Db.Tx tx, long id) {
    return people.student(tx, id).orElseThrow(() -> new NotThere("gone.student"));
  }

  public Shelf.Piece piece(Db.Tx tx, long id) {
    return shelf.piece(tx, id).orElseThrow(() -> new NotThere("gone.piece"));
  }

  /** Whether a student reads rhythm and sticking, and no pitches. */
  public static boolean drums(People.Student s) {
    return Catalogue.standard().find(s.instrument()).map(Instrument::unpitched).orElse(false);
  }

  /** Which of a score of drum parts falls to a student. */
  Optional<PartChoice.Seat> ofDrums(Db.Tx tx, People.Student s, Score drums) {
    return ofChair(tx, s, drums, Catalogue.standard().instrument(s.instrument()));
  }

  /** The student's instrument, as the house plays it. */
  public Setup setup(Db.Tx tx, People.Student s) {
    return houses.setup(tx, s.instrument(), s.options());
  }

  /**
   * The locks that still stand: one may name a fingering that was since hidden, taken out, or lost
   * with an option of the instrument.
   */
  public static Map<String, String> standing(Map<String, String> locks, Line line, Setup setup) {
    Map<String, String> valid = new LinkedHashMap<>();
    for (Note n : line.notes()) {
      String lock = locks.get(n.id());
      if (lock != null
          && setup.ways(n.pitch()).stream()
              .anyMatch(
                  w -> w.entry().fingering().equals(lock) || w.fingering().text().equals(lock))) {
        valid.put(n.id(), lock);
      }
    }
    return valid;
  }

  /** How a student stands who was heard like this. */
  public Standing standing(Db.Tx tx, People.Student s, List<Check> list) {
    return Standing.of(list, clock.instant(), halfLife(tx, s));
  }

  public Standing standing(Db.Tx tx, long studentId) {
    return standing(tx, student(tx, studentId), checks.of(tx, studentId));
  }

  /** In which time what was heard of a student fades by half. */
  public Duration halfLife(Db.Tx tx, People.Student s) {
    return Duration.ofDays(Long.parseLong(ways(tx, s).get(Ways.HALF_LIFE)));
  }

  public Player player(Db.Tx tx, People.Student s, Standing standing) {
    Map<String, String> style = new LinkedHashMap<>(people.houseStyle(tx, s.instrument()));
    style.putAll(Ways.without(s.style()));
    return Player.of(setup(tx, s), style, s.avoid(), Optional.of(standing.known()));
  }

  /** What a student's teacher does whatever the instrument, and where the student differs. */
  public Map<String, String> ways(Db.Tx tx, People.Student s) {
    Map<String, String> ways = new LinkedHashMap<>(people.houseStyle(tx, People.EVERYONE));
    ways.putAll(s.style());
    return Ways.with(ways);
  }

  /**
   * The page a student plays, simpler where that is kept; empty without notes with a pitch.
   *
   * @throws OddPiece where the piece can't be read for this student
   */
  public Optional<Page> page(Db.Tx tx, People.Student s, Shelf.Piece piece) {
    Optional<Simpler.Kept> kept = simpler.of(tx, s.id(), piece.id());
    return OddPiece.guard(
        piece, s, () -> page(tx, s, piece, library.music(tx, piece.id(), kept), kept));
  }

  /** The page as it is written, also where the student plays a simpler one. */
  public Optional<Page> written(Db.Tx tx, People.Student s, Shelf.Piece piece) {
    return OddPiece.guard(
        piece,
        s,
        () ->
            page(tx, s, piece, library.music(tx, piece.id()), simpler.of(tx, s.id(), piece.id())));
  }

  /**
   * First, second and third parts, and the lines of one, go to who plays them; where that is not
   * said, to a section by its seats.
   */
  private Optional<PartChoice.Seat> ofChair(
      Db.Tx tx, People.Student s, Score score, Instrument instrument) {
    if (s.part() == 0 && !PartChoice.isShared(score, instrument)) {
      return Optional.empty();
    }
    List<Long> groups = people.groupsOf(tx, s.id());
    if (s.part() > 0 && groups.isEmpty()) {
      return PartChoice.ofPart(score, instrument, s.part(), 0, 1);
    }
    return groups.stream()
        .findFirst()
        .flatMap(
            group -> {
              List<Long> seats = people.section(tx, group, s.instrument(), s.part());
              int place = seats.indexOf(s.id());
              if (place < 0) {
                return Optional.empty();
              }
              return s.part() > 0
                  ? PartChoice.ofPart(score, instrument, s.part(), place, seats.size())
                  : PartChoice.ofChair(score, instrument, place, seats.size());
            });
  }

  private Optional<Page> page(
      Db.Tx tx,
      People.Student s,
      Shelf.Piece piece,
      Library.Music music,
      Optional<Simpler.Kept> kept) {
    if (drums(s)) {
      return Optional.empty();
    }
    Optional<Shelf.Chosen> chosen = shelf.chosen(tx, s.id(), piece.id());
    Setup setup = setup(tx, s);
    Optional<PartChoice.Seat> seat = ofChair(tx, s, music.score(), setup.instrument());
    Optional<Part> part =
        chosen
            .map(Shelf.Chosen::partId)
            // a simpler part was made of one part, and stays with it
            .or(() -> kept.map(Simpler.Kept::partId))
            .flatMap(music.score()::part)
            .filter(p -> p.topLine().isPresent())
            .or(() -> seat.map(PartChoice.Seat::part))
            .or(() -> PartChoice.best(music.score(), setup.instrument()));
    int voice =
        chosen
            .map(Shelf.Chosen::voice)
            .or(
                () ->
                    seat.filter(c -> part.filter(c.part()::equals).isPresent())
                        .map(c -> c.line() + 1))
            .orElse(1);
    return part.map(p -> PartChoice.read(music.score(), p, setup, piece.pages()))
        .map(
            r -> {
              List<Line> lines =
                  r.part().lines().stream().filter(l -> !l.notes().isEmpty()).toList();
              int v = Math.max(1, Math.min(voice, lines.size()));
              Line line = Ways.repeated(lines.get(v - 1), ways(tx, s));
              return new Page(music, r, line, v, kept.filter(k -> k.partId().equals(r.source())));
            });
  }
}
