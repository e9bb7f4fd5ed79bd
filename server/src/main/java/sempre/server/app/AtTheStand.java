package sempre.server.app;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.springframework.stereotype.Component;
import sempre.core.practice.Bit;
import sempre.core.practice.Bits;
import sempre.core.score.Bars;
import sempre.core.score.Beside;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.teaching.Handout;
import sempre.server.store.Choices;
import sempre.server.store.Db;
import sempre.server.store.Shelf;

/** One part for one player, as it stands before them; planned after the reading is done. */
@Component
public class AtTheStand {
  private final Db db;
  private final Shelf shelf;
  private final Choices choices;
  private final Stands stands;
  private final Players players;
  private final Assignments assignments;

  AtTheStand(
      Db db,
      Shelf shelf,
      Choices choices,
      Stands stands,
      Players players,
      Assignments assignments) {
    this.db = db;
    this.shelf = shelf;
    this.choices = choices;
    this.stands = stands;
    this.players = players;
    this.assignments = assignments;
  }

  /** What a student reads, with what stands beside the plan. */
  public record Planned(Stands.Loaded part, Stands.Beside beside) {}

  /**
   * All that the stand shows.
   *
   * @param section the others in the student's groups who read the same
   * @param ways what the student's teacher does whatever the instrument
   * @param given what of this piece the student has to play
   */
  public record Seen(
      Planned planned,
      List<Stands.Loaded> section,
      Map<String, String> ways,
      List<Shelf.Assignment> given) {}

  public Seen seen(long studentId, long pieceId) {
    return db.inTransaction(
        tx -> {
          Stands.Loaded l = stands.load(tx, studentId, pieceId);
          return new Seen(
              new Planned(l, stands.beside(tx, l)),
              stands.section(tx, l),
              players.ways(tx, l.student()),
              given(tx, l));
        });
  }

  /** A part to be practised, with what is given of it. */
  public record Practised(Planned planned, List<Shelf.Assignment> given) {
    /** The slowest tempo that is given for a bar, in quarters a minute; empty at the marked one. */
    public OptionalInt tempo(Note first) {
      Part part = planned.part().page().reading().part();
      return given.stream()
          .filter(a -> a.tempo().isPresent() && Assignments.bars(a, part).has(first))
          .mapToInt(a -> a.tempo().getAsInt())
          .min();
    }

    /** The part in bits. */
    public List<Bit> bits() {
      Stands.Loaded l = planned.part();
      return Bits.of(
          l.plan(),
          l.page().line(),
          l.page().reading().part().bars(),
          l.player(),
          planned.beside().stage(),
          planned.beside().breath(l));
    }

    /** At which share of the marked tempo a bit is begun, in percent. */
    public int startPercent(Bit b) {
      OptionalInt tempo = tempo(b.first());
      return tempo.isPresent() ? b.startPercent(tempo.getAsInt()) : b.startPercent();
    }
  }

  public Practised practised(long studentId, long pieceId) {
    return db.inTransaction(
        tx -> {
          Stands.Loaded l = stands.load(tx, studentId, pieceId);
          return new Practised(new Planned(l, stands.beside(tx, l)), given(tx, l));
        });
  }

  private List<Shelf.Assignment> given(Db.Tx tx, Stands.Loaded l) {
    return assignments.of(tx, l.student()).stream()
        .filter(a -> a.pieceId() == l.piece().id())
        .toList();
  }

  public Planned planned(long studentId, long pieceId) {
    return db.inTransaction(
        tx -> {
          Stands.Loaded l = stands.load(tx, studentId, pieceId);
          return new Planned(l, stands.beside(tx, l));
        });
  }

  /**
   * A part with what stands under its music on paper.
   *
   * @param beside a part of the score that has the same notes in another octave
   */
  public record Handed(Stands.Loaded part, Handout handout, Optional<Beside> beside) {}

  /**
   * A part as it is handed out.
   *
   * @param assignment what is given of it; 0 for the whole part
   */
  public Handed handed(long studentId, long pieceId, long assignment) {
    Seen seen = seen(studentId, pieceId);
    Stands.Loaded l = seen.planned().part();
    Part part = l.page().reading().part();
    Bars bars =
        seen.given().stream()
            .filter(a -> a.id() == assignment)
            .findFirst()
            .map(a -> Assignments.bars(a, part))
            .orElseGet(() -> Bars.of(part, ""));
    return new Handed(
        l,
        Handout.of(l.plan(), bars, l.player(), seen.planned().beside().stage()),
        Beside.of(
            l.page().music().score(),
            l.page().reading(),
            l.page().line(),
            l.piece().pages(),
            bars));
  }

  public Stands.Beside beside(Stands.Loaded l) {
    return db.inTransaction(tx -> stands.beside(tx, l));
  }

  public Stands.Loaded part(long studentId, long pieceId) {
    return db.inTransaction(tx -> stands.load(tx, studentId, pieceId));
  }

  /**
   * Chooses which part and voice a student reads; the fingerings that were chosen for another go.
   */
  public void read(long studentId, long pieceId, Shelf.Chosen chosen) {
    db.run(
        tx -> {
          shelf.choose(tx, studentId, pieceId, chosen);
          choices.forget(tx, studentId, pieceId);
          // what can't be read is not kept
          stands.load(tx, studentId, pieceId);
        });
  }
}
