package sempre.server.app;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.score.Bars;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** What is given to whom: to a group, to a section of it, or to one student. */
@Component
public class Assignments {
  private static final Comparator<Shelf.Assignment> BY_DAY =
      Comparator.comparing(Shelf.Assignment::due).thenComparing(Shelf.Assignment::id);

  private final People people;
  private final Shelf shelf;
  private final Players players;

  public Assignments(People people, Shelf shelf, Players players) {
    this.people = people;
    this.shelf = shelf;
    this.players = players;
  }

  public Shelf.Assignment one(Db.Tx tx, long id) {
    return shelf.assignment(tx, id).orElseThrow(() -> new NotThere("gone.given"));
  }

  /**
   * To whom something is given.
   *
   * @param name of the group or the student
   * @param section the instrument of those of a group to whom alone it is given, with the part of
   *     one
   */
  public record Whom(String name, Optional<String> section) {}

  public Whom whom(Db.Tx tx, Shelf.To to) {
    return new Whom(
        to instanceof Shelf.To.Student s
            ? players.student(tx, s.id()).name()
            : people.group(tx, to.groupId().orElseThrow()).map(People.Group::name).orElse(""),
        to.section());
  }

  /** Who plays it, by name. */
  public List<People.Student> to(Db.Tx tx, Shelf.Assignment a) {
    return a.to() instanceof Shelf.To.Student s
        ? List.of(players.student(tx, s.id()))
        : people.students(tx, a.to().groupId().orElseThrow()).stream().filter(a.to()::has).toList();
  }

  /** All that a group's players have to play, also those alone, by the day. */
  public List<Shelf.Assignment> ofGroup(Db.Tx tx, long groupId, List<People.Student> students) {
    List<Shelf.Assignment> all = new ArrayList<>(shelf.assignments(tx, groupId));
    for (People.Student s : students) {
      all.addAll(shelf.assignmentsOf(tx, s.id()));
    }
    all.sort(BY_DAY);
    return all;
  }

  /** All that a student has to play, by the day. */
  public List<Shelf.Assignment> of(Db.Tx tx, People.Student s) {
    List<Shelf.Assignment> all = new ArrayList<>(shelf.assignmentsOf(tx, s.id()));
    for (long group : people.groupsOf(tx, s.id())) {
      shelf.assignments(tx, group).stream().filter(a -> a.to().has(s)).forEach(all::add);
    }
    all.sort(BY_DAY);
    return all;
  }

  /** What of each piece is given first. */
  public static Map<Long, Shelf.Assignment> byPiece(List<Shelf.Assignment> given) {
    Map<Long, Shelf.Assignment> first = new LinkedHashMap<>();
    given.forEach(a -> first.putIfAbsent(a.pieceId(), a));
    return first;
  }

  /** The pieces among what is given, each once, in that order. */
  public List<Shelf.Piece> pieces(Db.Tx tx, List<Shelf.Assignment> given) {
    Map<Long, Shelf.Piece> pieces = new LinkedHashMap<>();
    for (Shelf.Assignment a : given) {
      pieces.put(a.pieceId(), players.piece(tx, a.pieceId()));
    }
    return List.copyOf(pieces.values());
  }

  /** The pieces that a student has to play, each once. */
  public List<Shelf.Piece> pieces(Db.Tx tx, long studentId) {
    return pieces(tx, of(tx, players.student(tx, studentId)));
  }

  /** The bars that are given, in a part; all of it where the part numbers its bars otherwise. */
  public static Bars bars(Shelf.Assignment a, Part part) {
    try {
      return Bars.of(part, a.bars());
    } catch (Refusal e) {
      return Bars.of(part, "");
    }
  }

  /** The notes of a page that are given. */
  public static Line line(Shelf.Assignment a, Players.Page page) {
    return bars(a, page.reading().part()).of(page.line());
  }
}
