package sempre.server.app;

import java.time.Clock;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.learning.Learner;
import sempre.core.learning.Needs;
import sempre.core.learning.Standing;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** Students with what was heard of them and what is given to them, as the core wants it. */
@Component
public class Learners {
  private static final int MOST = 1_000;

  private final People people;
  private final Players players;
  private final Assignments given;

  private final Memo<Known> worked;

  public Learners(People people, Players players, Assignments given, Clock clock) {
    this.worked = new Memo<>(MOST, clock);
    this.people = people;
    this.players = players;
    this.given = given;
  }

  /**
   * A student.
   *
   * @param next what is given, in the order of the learner's parts
   */
  public record Known(People.Student student, Learner learner, List<Shelf.Assignment> next) {}

  /** A student with the bars that are given, by the day. */
  public Known of(Db.Tx tx, People.Student s) {
    return worked.of(tx, s.id(), "", () -> work(tx, s));
  }

  private Known work(Db.Tx tx, People.Student s) {
    Standing standing = players.standing(tx, s.id());
    Player player = players.player(tx, s, standing);
    List<Shelf.Assignment> next = new ArrayList<>();
    List<BitSet> parts = new ArrayList<>();
    Map<Integer, Pitch> spelled = new HashMap<>();
    for (Shelf.Assignment a : given.of(tx, s)) {
      Shelf.Piece piece = players.piece(tx, a.pieceId());
      try {
        Optional<Players.Page> page = players.page(tx, s, piece);
        if (page.isPresent()) {
          Line line = Assignments.line(a, page.get());
          parts.add(OddPiece.guard(piece, s, () -> Needs.notes(line, player)));
          next.add(a);
          line.notes().forEach(n -> spelled.putIfAbsent(n.pitch().midi(), n.pitch()));
        }
      } catch (OddPiece e) {
        // what it needs is not known; Today and who can play what say so in its row
      }
    }
    return new Known(s, new Learner(player, standing, parts, spelled), next);
  }

  /** Everyone of a group who reads pitches. */
  public List<Known> ofGroup(Db.Tx tx, long groupId) {
    List<Known> all = new ArrayList<>();
    for (People.Student s : people.students(tx, groupId)) {
      if (Players.drums(s)) {
        continue;
      }
      all.add(of(tx, s));
    }
    return all;
  }
}
