package sempre.server.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.drums.DrumPart;
import sempre.core.instrument.Entry;
import sempre.core.learning.Readiness;
import sempre.core.pitch.Pitch;
import sempre.core.score.Bars;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** Gives a piece to a group, a section or a student, and shows what becomes of it for each. */
@Component
public class Assigning {
  private static final int SLOWEST = 20;
  private static final int NAMED = 4;

  private final Db db;
  private final People people;
  private final Shelf shelf;
  private final Players players;
  private final Library library;
  private final Stands stands;
  private final Assignments assignments;
  private final AssignedLocks locks;
  private final Drums drums;

  Assigning(
      Db db,
      People people,
      Shelf shelf,
      Players players,
      Library library,
      Stands stands,
      Assignments assignments,
      AssignedLocks locks,
      Drums drums) {
    this.drums = drums;
    this.db = db;
    this.people = people;
    this.shelf = shelf;
    this.players = players;
    this.library = library;
    this.stands = stands;
    this.assignments = assignments;
    this.locks = locks;
  }

  /**
   * Gives a piece; the same bars for the same players are given once, with what was said last.
   *
   * @return the assignment's id
   * @throws Refusal where bars, tempo or section make no sense
   */
  public long assign(Shelf.Assignment a) {
    List<Stands.Loaded> planned = a.locked() ? planned(a) : List.of();
    return db.inTransaction(
        tx -> {
          check(tx, a);
          // what the same gift locked before is let go with it, and all is planned anew
          boolean anew = false;
          for (Shelf.Assignment before : shelf.same(tx, a)) {
            anew |= before.locked();
            locks.release(tx, before);
            shelf.removeAssignment(tx, before.id());
          }
          long id = shelf.assign(tx, a);
          if (a.locked()) {
            Shelf.Assignment made = assignments.one(tx, id);
            locks.lock(tx, made, anew ? parts(tx, made) : planned);
          }
          return id;
        });
  }

  /** The parts of all who have one, planned while nobody waits for it. */
  private List<Stands.Loaded> planned(Shelf.Assignment a) {
    List<Stands.Loaded> parts =
        db.inTransaction(
            tx -> {
              check(tx, a);
              return parts(tx, a);
            });
    parts.forEach(Stands.Loaded::plan);
    return parts;
  }

  private void check(Db.Tx tx, Shelf.Assignment a) {
    players.piece(tx, a.pieceId());
    if (a.to() instanceof Shelf.To.Student s) {
      players.student(tx, s.id());
    } else {
      people
          .group(tx, a.to().groupId().orElseThrow())
          .orElseThrow(() -> new NotThere("gone.group"));
    }
    if (a.tempo().isPresent() && a.tempo().getAsInt() < SLOWEST) {
      throw new Refusal("ask.tempo");
    }
    library.music(tx, a.pieceId()).score().parts().stream()
        .filter(p -> p.topLine().isPresent())
        .findFirst()
        .ifPresent(p -> Bars.of(p, a.bars()));
    if (a.to().section().isPresent() && assignments.to(tx, a).isEmpty()) {
      throw new Refusal("ask.section");
    }
  }

  /** Locks every fingering as it is planned now, or lets go what was locked by this. */
  public void lock(long id, boolean locked) {
    Shelf.Assignment given = db.inTransaction(tx -> assignments.one(tx, id));
    List<Stands.Loaded> parts = locked ? planned(given) : List.of();
    db.run(
        tx -> {
          Shelf.Assignment a = assignments.one(tx, id);
          if (locked && !a.locked()) {
            locks.lock(tx, a, parts);
          } else if (!locked && a.locked()) {
            locks.release(tx, a);
          }
          shelf.setLocked(tx, id, locked);
        });
  }

  /** The parts of all who have one. */
  public List<Stands.Loaded> parts(long id) {
    return db.inTransaction(tx -> parts(tx, assignments.one(tx, id)));
  }

  private List<Stands.Loaded> parts(Db.Tx tx, Shelf.Assignment a) {
    return all(tx, a).stream().flatMap(p -> p.part().stream()).toList();
  }

  /**
   * One of those to whom something is given.
   *
   * @param part what the student plays; empty where there is none, or where it is odd
   * @param drums what one reads who plays drums
   * @param written the page as it is written, where the student plays a simpler one
   */
  public record Of(
      People.Student student,
      Optional<Stands.Loaded> part,
      Optional<Players.Page> written,
      Optional<DrumPart> drums,
      Optional<OddPiece> odd) {}

  /** What is given, and everyone to whom it is given. */
  public record Sheet(
      Shelf.Assignment assignment, Assignments.Whom whom, Shelf.Piece piece, List<Of> all) {}

  public Sheet sheet(long id) {
    return db.inTransaction(
        tx -> {
          Shelf.Assignment a = assignments.one(tx, id);
          return new Sheet(
              a, assignments.whom(tx, a.to()), players.piece(tx, a.pieceId()), all(tx, a));
        });
  }

  private List<Of> all(Db.Tx tx, Shelf.Assignment a) {
    List<Of> all = new ArrayList<>();
    for (People.Student s : assignments.to(tx, a)) {
      try {
        Optional<Stands.Loaded> part = stands.find(tx, s.id(), a.pieceId());
        Optional<Players.Page> written =
            part.filter(l -> l.page().simpler().isPresent())
                .flatMap(l -> players.written(tx, s, l.piece()));
        all.add(
            new Of(
                s,
                part,
                written,
                drums.part(tx, s, players.piece(tx, a.pieceId())),
                Optional.empty()));
      } catch (OddPiece e) {
        all.add(new Of(s, Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(e)));
      }
    }
    return all;
  }

  /** A note with a fingering that is not its standard one. */
  public record Unusual(Pitch note, Entry entry) {}

  /**
   * How one student stands to what is given, as it is written.
   *
   * @param unusual a few notes that are fingered unusually there
   */
  public record Standing(Readiness readiness, List<Unusual> unusual) {}

  /**
   * How the player of a part stands to what is given of it.
   *
   * @param written the page as it is written, where the player has a simpler one
   */
  public static Standing standing(
      Shelf.Assignment a, Stands.Loaded l, Optional<Players.Page> written) {
    Bars bars = Assignments.bars(a, l.page().reading().part());
    return new Standing(
        Readiness.of(Assignments.line(a, written.orElse(l.page())), l.player(), l.standing()),
        l.plan().notes().stream()
            .filter(n -> bars.has(n.note()))
            .filter(n -> !l.player().isUsual(n.note(), n.way().entry()))
            .map(n -> new Unusual(n.note().pitch(), n.way().entry()))
            .distinct()
            .limit(NAMED)
            .toList());
  }
}
