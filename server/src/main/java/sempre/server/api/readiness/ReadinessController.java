package sempre.server.api.readiness;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.Refusal;
import sempre.core.instrument.Stage;
import sempre.core.learning.Demand;
import sempre.core.learning.GroupSounds;
import sempre.core.learning.Learner;
import sempre.core.learning.LessonDays;
import sempre.core.learning.Matrix;
import sempre.core.learning.Needs;
import sempre.core.learning.NextSteps;
import sempre.core.learning.Readiness;
import sempre.core.learning.Standing;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.core.planning.HardMove;
import sempre.core.planning.Player;
import sempre.core.planning.Worth;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.server.api.Errors;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.Assignments;
import sempre.server.app.Learners;
import sempre.server.app.Memo;
import sempre.server.app.NotThere;
import sempre.server.app.OddPiece;
import sempre.server.app.PieceDemands;
import sempre.server.app.Players;
import sempre.server.app.Stands;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;
import sempre.words.Words;

/** Everyone of a group against everything that is assigned or on the shelf. */
@RestController
@RequestMapping("/api")
public class ReadinessController {
  private static final int BLOCKS = 6;
  private static final int MOST = 1_000;

  private final Db db;
  private final People people;
  private final Shelf shelf;
  private final Players players;
  private final PieceDemands demands;
  private final Stands stands;
  private final Learners learners;
  private final Assignments given;
  private final Clock clock;
  private final Memo<Row> worked;

  /**
   * A row of the matrix.
   *
   * @param odd why a cell can't be worked out
   * @param learner with the parts that stand in the columns
   */
  private record Row(List<Matrix.Cell> cells, Map<Matrix.Cell, String> odd, Learner learner) {}

  private record What(long group, boolean assigned, Words words) {}

  public ReadinessController(
      Db db,
      People people,
      Shelf shelf,
      Players players,
      PieceDemands demands,
      Stands stands,
      Learners learners,
      Assignments given,
      Clock clock) {
    this.given = given;
    this.learners = learners;
    this.clock = clock;
    this.worked = new Memo<>(MOST, clock);
    this.db = db;
    this.people = people;
    this.shelf = shelf;
    this.players = players;
    this.demands = demands;
    this.stands = stands;
  }

  /**
   * @param what {@code assigned}: what the group plays next; {@code shelf}: everything
   */
  @GetMapping("/groups/{id}/readiness")
  public ReadinessViews.MatrixView matrix(
      @PathVariable long id, @RequestParam(defaultValue = "assigned") String what) {
    return db.inTransaction(
        tx -> {
          People.Group g = people.group(tx, id).orElseThrow(() -> new NotThere("gone.group"));
          List<Shelf.Piece> pieces = new ArrayList<>();
          boolean assigned = !what.equals("shelf");
          if (!assigned) {
            pieces.addAll(shelf.pieces(tx));
          } else {
            pieces.addAll(given.pieces(tx, given.ofGroup(tx, id, people.students(tx, id))));
          }
          return view(tx, g, pieces, assigned);
        });
  }

  private ReadinessViews.MatrixView view(
      Db.Tx tx, People.Group g, List<Shelf.Piece> pieces, boolean assigned) {
    Stage stage = Stage.of(g.stage());
    List<Learners.Known> known = learners.ofGroup(tx, g.id());
    List<List<Matrix.Cell>> rows = new ArrayList<>();
    Map<Matrix.Cell, String> odd = new IdentityHashMap<>();
    List<Learner> all = new ArrayList<>();
    for (Learners.Known k : known) {
      Row row =
          worked.of(
              tx,
              k.student().id(),
              new What(g.id(), assigned, Speech.words()),
              () -> row(tx, k, stage, pieces, assigned));
      rows.add(row.cells());
      odd.putAll(row.odd());
      all.add(row.learner());
    }
    return new ReadinessViews.MatrixView(
        g.name(),
        Speech.words().stage(Stage.of(g.stage())),
        known.stream().map(k -> Refs.StudentRef.of(k.student())).toList(),
        pieces.stream().map(Refs.PieceRef::of).toList(),
        rows.stream()
            .map(
                r ->
                    r.stream()
                        .map(
                            c ->
                                new ReadinessViews.MatrixCell(
                                    c.state(), c.lacking(), c.hard(), odd.getOrDefault(c, "")))
                        .toList())
            .toList(),
        GroupSounds.of(all).sounds().stream()
            .filter(s -> s.needing() > 0)
            .sorted(
                Comparator.comparingInt(GroupSounds.Sound::alone)
                    .thenComparingInt(GroupSounds.Sound::parts)
                    .reversed())
            .limit(BLOCKS)
            .map(
                s ->
                    new ReadinessViews.BlockView(
                        Speech.words().note(NoteName.of(Pitch.usual(s.pitchClass()))),
                        s.newFor().size(),
                        s.otherOctave().size(),
                        s.parts(),
                        s.alone()))
            .toList(),
        NextSteps.forGroup(rows, pieces.size()).stream()
            .map(
                n ->
                    new ReadinessViews.GroupNextView(
                        Refs.PieceRef.of(pieces.get(n.part())),
                        n.ready(),
                        n.one().stream().map(r -> known.get(r).student().name()).toList()))
            .toList());
  }

  /** One row, from what the pieces ask of the student's set-up. */
  private Row row(
      Db.Tx tx, Learners.Known k, Stage stage, List<Shelf.Piece> pieces, boolean assigned) {
    Map<Long, Shelf.Assignment> bars = assigned ? Assignments.byPiece(k.next()) : Map.of();
    Learner learner = k.learner();
    PieceDemands.Asker asker =
        new PieceDemands.Asker(k.student(), learner.player(), demands.reads(tx, k.student()), bars);
    demands.prepare(tx, List.of(asker), pieces);
    Matrix.Row row = Matrix.Row.of(learner.standing(), stage);
    List<Matrix.Cell> cells = new ArrayList<>();
    Map<Matrix.Cell, String> odd = new IdentityHashMap<>();
    List<BitSet> notes = new ArrayList<>();
    for (Shelf.Piece p : pieces) {
      try {
        Optional<Demand> d = demands.of(tx, asker, p);
        cells.add(d.map(x -> Matrix.cell(row, x)).orElse(Matrix.Cell.NONE));
        d.ifPresent(x -> notes.add(x.notes()));
      } catch (OddPiece e) {
        Matrix.Cell none =
            new Matrix.Cell(
                Matrix.Cell.NONE.state(), Matrix.Cell.NONE.lacking(), Matrix.Cell.NONE.hard());
        odd.put(none, Errors.sentence(e));
        cells.add(none);
      }
    }
    return new Row(
        cells,
        odd,
        assigned ? learner : new Learner(learner.player(), learner.standing(), notes, Map.of()));
  }

  /**
   * Why one student can or can't play one piece.
   *
   * @param what {@code assigned}: the bars that are given; {@code shelf}: all of it
   */
  @GetMapping("/students/{studentId}/readiness/{pieceId}")
  public ReadinessViews.CellView cell(
      @PathVariable long studentId,
      @PathVariable long pieceId,
      @RequestParam(defaultValue = "0") long groupId,
      @RequestParam(defaultValue = "shelf") String what) {
    return db.inTransaction(
        tx -> {
          Stands.Loaded l = stands.load(tx, studentId, pieceId);
          Stage stage =
              people.group(tx, groupId).map(g -> Stage.of(g.stage())).orElse(Stage.SCHOOL);
          Optional<Shelf.Assignment> a =
              what.equals("shelf")
                  ? Optional.empty()
                  : Optional.ofNullable(
                      Assignments.byPiece(given.of(tx, l.student())).get(pieceId));
          Line line = a.map(x -> Assignments.line(x, l.page())).orElse(l.page().line());
          Readiness r = Readiness.of(line, l.player(), l.standing());
          Demand d = Demand.of(line, l.player().knowing(Optional.empty()));
          Part part = l.page().reading().part();
          Map<String, ReadinessViews.HardCell> hard = new LinkedHashMap<>();
          for (HardMove m : d.tooHard(stage)) {
            String name = Speech.say("range", "from", m.from().pitch(), "to", m.to().pitch());
            hard.putIfAbsent(
                name,
                new ReadinessViews.HardCell(
                    name,
                    part.bars().get(m.to().bar()).number(),
                    Math.round(m.difficulty() * 100) / 100.0));
          }
          List<ReadinessViews.WorthCell> worth = new ArrayList<>();
          for (Worth w : Worth.of(line, l.player())) {
            worth.add(
                new ReadinessViews.WorthCell(
                    Speech.words().note(w.entry().written()),
                    Speech.words().label(w.entry()),
                    bars(w, part)));
          }
          return new ReadinessViews.CellView(
              Refs.StudentRef.of(l.student()),
              Refs.PieceRef.of(l.piece()),
              Refs.NoteName.of(r.lacking()),
              Refs.NoteName.of(r.shaky()),
              Refs.NoteName.of(r.faded()),
              Refs.NoteName.of(d.beyond()),
              List.copyOf(hard.values()),
              worth);
        });
  }

  /** The notes that most of a student's assigned pieces need and that are not there yet. */
  @GetMapping("/students/{studentId}/next")
  public List<ReadinessViews.NextNoteView> next(@PathVariable long studentId) {
    return db.inTransaction(
        tx -> {
          Learners.Known k = learners.of(tx, players.student(tx, studentId));
          List<ReadinessViews.NextNoteView> notes = new ArrayList<>();
          for (Needs.Need n : k.learner().needs().notes()) {
            if (n.state() == Needs.State.LACKING) {
              List<Shelf.Assignment> in = n.parts().stream().map(k.next()::get).toList();
              notes.add(
                  new ReadinessViews.NextNoteView(
                      n.written().toString(),
                      Speech.words().note(n.written()),
                      given.pieces(tx, in).stream().map(Refs.PieceRef::of).toList()));
            }
          }
          notes.sort(Comparator.comparingInt(n -> -n.pieces().size()));
          return notes;
        });
  }

  /**
   * The shortest way to a piece, one new note at a time, spread evenly over the lessons there are.
   *
   * @param by the day on which the piece shall be begun; not in the past
   */
  @GetMapping("/students/{studentId}/way/{pieceId}")
  public ReadinessViews.WayToView way(
      @PathVariable long studentId, @PathVariable long pieceId, @RequestParam LocalDate by) {
    LocalDate today = LocalDate.now(clock);
    if (by.isBefore(today)) {
      throw new Refusal("way.past");
    }
    return db.inTransaction(
        tx -> {
          People.Student s = players.student(tx, studentId);
          Standing standing = players.standing(tx, studentId);
          Player player = players.player(tx, s, standing);
          PieceDemands.Reads reads = demands.reads(tx, s);
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
          BitSet has = Matrix.Row.of(standing, Stage.ADVANCED).has();
          List<Integer> order =
              player.setup().instrument().order().stream().map(Pitch::midi).toList();
          List<NextSteps.Step> way = NextSteps.wayTo(has, asked, exercises, order);
          List<LocalDate> days = lessons(tx, studentId).spread(today, by, way.size());
          List<ReadinessViews.WayStep> steps = new ArrayList<>();
          for (int i = 0; i < way.size(); i++) {
            NextSteps.Step step = way.get(i);
            has.set(step.midi());
            steps.add(
                new ReadinessViews.WayStep(
                    Speech.words().due(days.get(i), today),
                    name(player, step.midi()),
                    step.part().isPresent()
                        ? List.of(Refs.PieceRef.of(pieces.get(step.part().getAsInt())))
                        : List.of()));
          }
          List<String> last = asked.lacking(has).stream().mapToObj(m -> name(player, m)).toList();
          return new ReadinessViews.WayToView(
              Refs.PieceRef.of(goal),
              said(asked, last, steps.isEmpty(), Speech.words().due(by, today)),
              steps);
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

  private static String name(Player player, int midi) {
    return Speech.words().note(player.setup().ways(midi).get(0).entry().written());
  }

  private static String said(Demand asked, List<String> last, boolean now, String day) {
    if (!asked.beyond().isEmpty()) {
      return Speech.say("way.beyond", "notes", List.copyOf(asked.beyond()));
    }
    return Speech.say(
        now ? "way.now" : "way.then",
        "day",
        day,
        "n",
        last.size(),
        "notes",
        Speech.words().and(last));
  }

  private static List<String> bars(Worth w, Part part) {
    return w.notes().stream().map(n -> part.bars().get(n.bar()).number()).distinct().toList();
  }
}
