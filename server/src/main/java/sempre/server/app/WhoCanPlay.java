package sempre.server.app;

import java.time.Clock;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Stage;
import sempre.core.learning.Demand;
import sempre.core.learning.GroupSounds;
import sempre.core.learning.Learner;
import sempre.core.learning.Matrix;
import sempre.core.learning.NextSteps;
import sempre.core.learning.Readiness;
import sempre.core.planning.HardMove;
import sempre.core.planning.Worth;
import sempre.core.score.Line;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** Everyone of a group against everything that is assigned or on the shelf, and why. */
@Component
public class WhoCanPlay {
  private static final int BLOCKS = 6;
  private static final int MOST = 1_000;

  private final Db db;
  private final People people;
  private final Shelf shelf;
  private final PieceDemands demands;
  private final Stands stands;
  private final Players players;
  private final Learners learners;
  private final Assignments assignments;
  private final Memo<Row> memo;

  WhoCanPlay(
      Db db,
      People people,
      Shelf shelf,
      PieceDemands demands,
      Stands stands,
      Players players,
      Learners learners,
      Assignments assignments,
      Clock clock) {
    this.db = db;
    this.people = people;
    this.shelf = shelf;
    this.demands = demands;
    this.stands = stands;
    this.players = players;
    this.learners = learners;
    this.assignments = assignments;
    this.memo = new Memo<>(MOST, clock);
  }

  /** Which pieces are asked about, and how much of them. */
  public enum Which {
    /** The bars that are assigned. */
    ASSIGNED,
    /** All of everything on the shelf. */
    SHELF
  }

  /**
   * One student and one piece.
   *
   * @param odd why it can't be worked out; then the cell is {@link Matrix.Cell#NONE}
   */
  public record Cell(Matrix.Cell cell, Optional<OddPiece> odd) {}

  /**
   * One student.
   *
   * @param learner with the parts that stand in the columns
   */
  public record Row(People.Student student, List<Cell> cells, Learner learner) {}

  /**
   * A whole group.
   *
   * @param blocks the sounds that keep most parts from being played, the worst first
   * @param next what the group can play soonest
   */
  public record Table(
      People.Group group,
      List<Shelf.Piece> pieces,
      List<Row> rows,
      List<GroupSounds.Sound> blocks,
      Optional<NextSteps.GroupNext> next) {}

  /** How everyone of a group stands to each piece. */
  public Table table(long groupId, Which which) {
    return db.inTransaction(
        tx -> {
          People.Group g = people.group(tx, groupId).orElseThrow(() -> new NotThere("gone.group"));
          List<Shelf.Piece> pieces =
              which == Which.SHELF
                  ? shelf.pieces(tx)
                  : assignments.pieces(
                      tx, assignments.ofGroup(tx, groupId, people.students(tx, groupId)));
          // a piece that comes or goes changes no student, but every row
          List<Long> columns = pieces.stream().map(Shelf.Piece::id).toList();
          List<Row> rows = new ArrayList<>();
          for (Learners.Known k : learners.ofGroup(tx, groupId)) {
            rows.add(
                memo.of(
                    tx,
                    k.student().id(),
                    List.of(groupId, which, columns),
                    () -> row(tx, k, g.stage(), pieces, which)));
          }
          return new Table(
              g,
              pieces,
              rows,
              GroupSounds.of(rows.stream().map(Row::learner).toList()).blocking(BLOCKS),
              NextSteps.forGroup(
                  rows.stream().map(r -> r.cells().stream().map(Cell::cell).toList()).toList(),
                  pieces.size()));
        });
  }

  /** One row, from what the pieces ask of the student's set-up. */
  private Row row(Db.Tx tx, Learners.Known k, Stage stage, List<Shelf.Piece> pieces, Which which) {
    boolean assigned = which == Which.ASSIGNED;
    Learner learner = k.learner();
    PieceDemands.Asker asker =
        new PieceDemands.Asker(
            k.student(),
            learner.player(),
            demands.reads(tx, k.student()).asWritten(),
            assigned ? Assignments.byPiece(k.next()) : Map.of());
    demands.prepare(tx, List.of(asker), pieces);
    Matrix.Row row = Matrix.Row.of(learner.standing(), stage);
    List<Cell> cells = new ArrayList<>();
    List<BitSet> notes = new ArrayList<>();
    for (Shelf.Piece p : pieces) {
      try {
        Optional<Demand> d = demands.of(tx, asker, p);
        cells.add(new Cell(Matrix.cell(row, d), Optional.empty()));
        d.ifPresent(x -> notes.add(x.notes()));
      } catch (OddPiece e) {
        cells.add(new Cell(Matrix.Cell.NONE, Optional.of(e)));
      }
    }
    return new Row(
        k.student(),
        cells,
        assigned ? learner : new Learner(learner.player(), learner.standing(), notes, Map.of()));
  }

  /**
   * Why one student can or can't play one piece as it is written.
   *
   * @param page as it is written, also where the student plays a simpler part
   * @param hard changes that are too hard for the group's stage, each pair of notes once
   * @param worth fingerings that make it easier
   */
  public record Why(
      Stands.Loaded part,
      Players.Page page,
      Readiness readiness,
      Demand demand,
      List<HardMove> hard,
      List<Worth> worth) {}

  public Why why(long studentId, long pieceId, long groupId, Which which) {
    return db.inTransaction(
        tx -> {
          Stands.Loaded l = stands.load(tx, studentId, pieceId);
          Stage stage = people.group(tx, groupId).map(g -> g.stage()).orElse(Stage.SCHOOL);
          Optional<Shelf.Assignment> given =
              which == Which.SHELF
                  ? Optional.empty()
                  : Optional.ofNullable(
                      Assignments.byPiece(assignments.of(tx, l.student())).get(pieceId));
          Players.Page page =
              l.page().simpler().isPresent()
                  ? players.written(tx, l.student(), l.piece()).orElse(l.page())
                  : l.page();
          Line line = given.map(a -> Assignments.line(a, page)).orElse(page.line());
          Demand d = Demand.of(line, l.player().knowing(Optional.empty()));
          Map<List<Object>, HardMove> hard = new LinkedHashMap<>();
          d.tooHard(stage)
              .forEach(m -> hard.putIfAbsent(List.of(m.from().pitch(), m.to().pitch()), m));
          return new Why(
              l,
              page,
              Readiness.of(line, l.player(), l.standing()),
              d,
              List.copyOf(hard.values()),
              Worth.of(line, l.player()));
        });
  }
}
