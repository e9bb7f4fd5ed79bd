package sempre.server.app;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.stereotype.Component;
import sempre.core.Judgement;
import sempre.core.instrument.Stage;
import sempre.core.learning.Standing;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.practice.Breaths;
import sempre.core.teaching.Ways;
import sempre.server.store.Choices;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** One part for one player, put together from what is stored. */
@Component
public class Stands {
  /** About 80 MB of the heap when it is full of different pieces. */
  private static final long MOST_ELEMENTS = 500_000;

  private static final int LEAST = 500;

  private final Shelf shelf;
  private final People people;
  private final Choices choices;
  private final Players players;
  private final Memo<Optional<Loaded>> worked;

  public Stands(Shelf shelf, People people, Choices choices, Players players, Clock clock) {
    // a page holds the file that it was read from
    this.worked =
        new Memo<>(
            MOST_ELEMENTS,
            l -> LEAST + l.map(x -> x.page().music().file().root().size()).orElse(0),
            clock);
    this.shelf = shelf;
    this.people = people;
    this.choices = choices;
    this.players = players;
  }

  /** What a student reads of a piece, and where the student stands. */
  public record Loaded(
      People.Student student,
      Shelf.Piece piece,
      Players.Page page,
      Standing standing,
      Player player,
      Map<String, String> locks,
      AtomicReference<Plan> planned) {
    /**
     * The plan, worked out once.
     *
     * @throws OddPiece where it can't be worked out
     */
    public Plan plan() {
      // who asks meanwhile waits for it: the stand and the sheet of a part are asked for at once
      synchronized (planned) {
        Plan known = planned.get();
        if (known == null) {
          known = OddPiece.guard(piece, student, () -> Planner.plan(page.line(), player, locks));
          planned.set(known);
        }
        return known;
      }
    }
  }

  public Loaded load(Db.Tx tx, long studentId, long pieceId) {
    return load(tx, players.student(tx, studentId), players.piece(tx, pieceId));
  }

  private Loaded load(Db.Tx tx, People.Student s, Shelf.Piece p) {
    return find(tx, s, p).orElseThrow(() -> new NotThere("gone.no-notes"));
  }

  /** What a student reads; empty where the piece has no notes with a pitch. */
  public Optional<Loaded> find(Db.Tx tx, long studentId, long pieceId) {
    return find(tx, players.student(tx, studentId), players.piece(tx, pieceId));
  }

  private Optional<Loaded> find(Db.Tx tx, People.Student s, Shelf.Piece p) {
    return worked.of(tx, s.id(), p.id(), () -> OddPiece.guard(p, s, () -> work(tx, s, p)));
  }

  private Optional<Loaded> work(Db.Tx tx, People.Student s, Shelf.Piece p) {
    Optional<Players.Page> found = players.page(tx, s, p);
    if (found.isEmpty()) {
      return Optional.empty();
    }
    Players.Page page = found.get();
    Standing standing = players.standing(tx, s.id());
    Player player = players.player(tx, s, standing);
    return Optional.of(
        new Loaded(
            s,
            p,
            page,
            standing,
            player,
            Players.standing(shelf.locks(tx, s.id(), p.id()), page.line(), player.setup()),
            new AtomicReference<>()));
  }

  /**
   * What stands beside a plan.
   *
   * @param history whether choices can be taken back, or made again
   * @param ways what the student's teacher does whatever the instrument
   */
  public record Beside(Choices.Ways history, Stage stage, Map<String, String> ways) {
    /** For how many seconds the student may play on, as {@link Breaths#seconds} says. */
    public double breath(Loaded l) {
      return Breaths.seconds(
          l.player().setup().instrument(),
          stage,
          Ways.breathPercent(ways).orElse(Judgement.Breathing.USUAL_PERCENT));
    }

    /** The breaths that are marked on the page, where the teacher wants any. */
    public List<Breaths.Breath> breaths(Loaded l) {
      return Ways.breathPercent(ways).isEmpty()
          ? List.of()
          : Breaths.of(l.page().line(), l.page().reading().part().bars(), breath(l));
    }
  }

  public Beside beside(Db.Tx tx, Loaded l) {
    return new Beside(
        choices.ways(tx, l.student().id(), l.piece().id()),
        stage(tx, l.student()),
        players.ways(tx, l.student()));
  }

  /** The stage of a student's most advanced group; school for one who is in none. */
  private Stage stage(Db.Tx tx, People.Student s) {
    Optional<Stage> furthest = Optional.empty();
    for (long id : people.groupsOf(tx, s.id())) {
      Stage of = people.group(tx, id).orElseThrow().stage();
      furthest = furthest.filter(f -> f.compareTo(of) >= 0).or(() -> Optional.of(of));
    }
    return furthest.orElse(Stage.SCHOOL);
  }

  /** The others in the student's groups who read the same page on the same instrument. */
  public List<Loaded> section(Db.Tx tx, Loaded l) {
    List<Loaded> section = new ArrayList<>();
    List<Long> groups = people.groupsOf(tx, l.student().id());
    for (People.Student s : people.students(tx)) {
      if (s.id() != l.student().id()
          && s.instrument().equals(l.student().instrument())
          && people.groupsOf(tx, s.id()).stream().anyMatch(groups::contains)) {
        try {
          Loaded other = load(tx, s, l.piece());
          if (other.page().reading().source().equals(l.page().reading().source())
              && other.page().voice() == l.page().voice()) {
            section.add(other);
          }
        } catch (OddPiece e) {
          // who can't read it does not play it with the others
        }
      }
    }
    return section;
  }
}
