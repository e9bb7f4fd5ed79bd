package sempre.server.app;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.learning.Demand;
import sempre.core.learning.LessonDays;
import sempre.core.learning.NextSteps;
import sempre.core.learning.Standing;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/**
 * The shortest way to a piece, one new note at a time, spread evenly over the lessons there are.
 */
@Component
public class WayTo {
  private final Db db;
  private final People people;
  private final Shelf shelf;
  private final Players players;
  private final PieceDemands demands;
  private final Clock clock;

  WayTo(Db db, People people, Shelf shelf, Players players, PieceDemands demands, Clock clock) {
    this.db = db;
    this.people = people;
    this.shelf = shelf;
    this.players = players;
    this.demands = demands;
    this.clock = clock;
  }

  /** One new note; {@code piece} is one that brings it and nothing else new. */
  public record Step(LocalDate day, Pitch note, Optional<Shelf.Piece> piece) {}

  /**
   * A way.
   *
   * @param asked what the goal asks
   * @param last the notes that the goal itself brings
   */
  public record Way(Shelf.Piece goal, Demand asked, List<Step> steps, List<Pitch> last) {}

  /**
   * Finds it.
   *
   * @param by the day on which the piece shall be begun; not in the past
   */
  public Way of(long studentId, long pieceId, LocalDate by) {
    return db.inTransaction(
        tx -> {
          LocalDate today = LocalDate.now(clock);
          if (by.isBefore(today)) {
            throw new Refusal("way.past");
          }
          People.Student s = players.student(tx, studentId);
          Standing standing = players.standing(tx, studentId);
          Player player = players.player(tx, s, standing);
          PieceDemands.Reads reads = demands.reads(tx, s).asWritten();
          Shelf.Piece goal = players.piece(tx, pieceId);
          Demand asked =
              demands
                  .of(tx, s, player, goal, reads)
                  .orElseThrow(() -> new NotThere("gone.no-part", "student", s.name()));
          List<Shelf.Piece> pieces = new ArrayList<>();
          List<Demand> exercises = new ArrayList<>();
          for (Shelf.Piece p : shelf.pieces(tx)) {
            try {
              Optional<Demand> d = demands.of(tx, s, player, p, reads);
              if (p.id() != pieceId && d.isPresent()) {
                pieces.add(p);
                exercises.add(d.get());
              }
            } catch (OddPiece e) {
              // no step on the way
            }
          }
          BitSet has = standing.has();
          List<Integer> order =
              player.setup().instrument().order().stream().map(Pitch::midi).toList();
          List<NextSteps.Step> way = NextSteps.wayTo(has, asked, exercises, order);
          List<LocalDate> days = lessons(tx, studentId).spread(today, by, way.size());
          List<Step> steps = new ArrayList<>();
          for (NextSteps.Step step : way) {
            has.set(step.midi());
            steps.add(
                new Step(
                    days.get(steps.size()),
                    written(player, step.midi()),
                    step.part().stream().mapToObj(pieces::get).findFirst()));
          }
          return new Way(
              goal,
              asked,
              steps,
              asked.lacking(has).stream().mapToObj(m -> written(player, m)).toList());
        });
  }

  /** The days on which any of a student's groups meets. */
  private LessonDays lessons(Db.Tx tx, long studentId) {
    Set<DayOfWeek> days = new HashSet<>();
    for (long id : people.groupsOf(tx, studentId)) {
      people.group(tx, id).ifPresent(g -> days.addAll(g.days()));
    }
    return new LessonDays(days);
  }

  private static Pitch written(Player player, int midi) {
    return player.setup().ways(midi).get(0).entry().written();
  }
}
