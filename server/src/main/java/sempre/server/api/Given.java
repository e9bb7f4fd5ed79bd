package sempre.server.api;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.score.Bars;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** What is given to whom: to a group, to a section of it, or to one student. */
@Component
class Given {
  private static final Comparator<Shelf.Assignment> BY_DAY =
      Comparator.comparing(Shelf.Assignment::due).thenComparing(Shelf.Assignment::id);

  private final People people;
  private final Shelf shelf;
  private final Players players;

  Given(People people, Shelf shelf, Players players) {
    this.people = people;
    this.shelf = shelf;
    this.players = players;
  }

  Shelf.Assignment one(Db.Tx tx, long id) {
    return shelf.assignment(tx, id).orElseThrow(() -> new Errors.NotThere("gone.given"));
  }

  /** Whether somebody of a group plays it. */
  static boolean plays(Shelf.Assignment a, People.Student s) {
    return a.studentId() == s.id()
        || a.studentId() == 0 && (a.section().isEmpty() || a.section().equals(s.instrument()));
  }

  /** Who plays it, by name. */
  List<People.Student> to(Db.Tx tx, Shelf.Assignment a) {
    return a.studentId() != 0
        ? List.of(players.student(tx, a.studentId()))
        : people.students(tx, a.groupId()).stream().filter(s -> plays(a, s)).toList();
  }

  /** All that a group's players have to play, also those alone, by the day. */
  List<Shelf.Assignment> ofGroup(Db.Tx tx, long groupId, List<People.Student> students) {
    List<Shelf.Assignment> all = new ArrayList<>(shelf.assignments(tx, groupId));
    for (People.Student s : students) {
      all.addAll(shelf.assignmentsOf(tx, s.id()));
    }
    all.sort(BY_DAY);
    return all;
  }

  /** All that a student has to play, by the day. */
  List<Shelf.Assignment> of(Db.Tx tx, People.Student s) {
    List<Shelf.Assignment> all = new ArrayList<>(shelf.assignmentsOf(tx, s.id()));
    for (long group : people.groupsOf(tx, s.id())) {
      shelf.assignments(tx, group).stream().filter(a -> plays(a, s)).forEach(all::add);
    }
    all.sort(BY_DAY);
    return all;
  }

  /** What of each piece is given first. */
  static Map<Long, Shelf.Assignment> byPiece(List<Shelf.Assignment> given) {
    Map<Long, Shelf.Assignment> first = new LinkedHashMap<>();
    given.forEach(a -> first.putIfAbsent(a.pieceId(), a));
    return first;
  }

  /** The pieces among what is given, each once, in that order. */
  List<Shelf.Piece> pieces(Db.Tx tx, List<Shelf.Assignment> given) {
    Map<Long, Shelf.Piece> pieces = new LinkedHashMap<>();
    for (Shelf.Assignment a : given) {
      pieces.put(a.pieceId(), players.piece(tx, a.pieceId()));
    }
    return List.copyOf(pieces.values());
  }

  /** To whom it is given, in words. */
  String words(Db.Tx tx, Shelf.Assignment a) {
    if (a.studentId() != 0) {
      return players.student(tx, a.studentId()).name();
    }
    String group = people.group(tx, a.groupId()).map(People.Group::name).orElse("");
    return a.section().isEmpty()
        ? group
        : group
            + ", "
            + Catalogue.standard()
                .find(a.section())
                .map(Speech.words()::instrumentInside)
                .orElse(a.section());
  }

  /** The bars that are given, in a part; all of it where the part numbers its bars otherwise. */
  static Bars bars(Shelf.Assignment a, Part part) {
    try {
      return Bars.of(part, a.bars());
    } catch (Refusal e) {
      return Bars.of(part, "");
    }
  }

  /** The notes of a page that are given. */
  static Line line(Shelf.Assignment a, Players.Page page) {
    return bars(a, page.reading().part()).of(page.line());
  }

  /** Bars and tempo in words, such as {@code bars 9–16, at 84}; empty for all as written. */
  static String what(Shelf.Assignment a) {
    String bars =
        a.bars().isEmpty()
            ? ""
            : Speech.say(
                a.bars().matches("\\w+") ? "bar" : "bars",
                "bars",
                a.bars().replaceAll("\\s*-\\s*", "–"));
    if (a.tempo() == 0) {
      return bars;
    }
    return bars.isEmpty()
        ? Speech.say("tempo", "tempo", a.tempo())
        : Speech.say("bars.tempo", "bars", bars, "tempo", a.tempo());
  }
}
