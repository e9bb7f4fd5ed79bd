package sempre.server.app;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.drums.DrumPart;
import sempre.core.drums.Hand;
import sempre.core.drums.Sticking;
import sempre.core.score.PartChoice;
import sempre.core.score.Score;
import sempre.core.teaching.Ways;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** What who plays drums reads of a piece: a part without pitches, with a hand at each stroke. */
@Component
public class Drums {
  private final Db db;
  private final Shelf shelf;
  private final Players players;
  private final Library library;
  private final Assignments assignments;

  Drums(Db db, Shelf shelf, Players players, Library library, Assignments assignments) {
    this.db = db;
    this.shelf = shelf;
    this.players = players;
    this.library = library;
    this.assignments = assignments;
  }

  /**
   * A part on the stand of who plays drums.
   *
   * @param parts all without pitches that the piece has
   * @param strokes with their hands; empty where sticking isn't asked
   * @param ways what the student's teacher does whatever the instrument
   * @param given what of this piece the student has to play
   */
  public record Seen(
      People.Student student,
      Shelf.Piece piece,
      Library.Music music,
      List<DrumPart> parts,
      DrumPart part,
      List<Sticking.Stroke> strokes,
      Map<String, String> ways,
      List<Shelf.Assignment> given) {}

  /**
   * What a student reads.
   *
   * @throws NotThere where the student plays no drums, or the piece has none
   */
  public Seen seen(long studentId, long pieceId) {
    return db.inTransaction(
        tx -> {
          People.Student s = players.student(tx, studentId);
          Shelf.Piece p = players.piece(tx, pieceId);
          List<DrumPart> parts = library.drums(tx, pieceId);
          DrumPart part = part(tx, s, p).orElseThrow(() -> new NotThere("gone.no-drums"));
          Map<String, String> ways = players.ways(tx, s);
          return new Seen(
              s,
              p,
              library.music(tx, pieceId),
              parts,
              part,
              Sticking.of(part, said(tx, s, p), way(ways)),
              ways,
              assignments.of(tx, s).stream().filter(a -> a.pieceId() == pieceId).toList());
        });
  }

  private static Sticking.Way way(Map<String, String> ways) {
    return "alternating".equals(ways.get(Ways.STICKING))
        ? Sticking.Way.ALTERNATING
        : Sticking.Way.NATURAL;
  }

  private Map<String, Hand> said(Db.Tx tx, People.Student s, Shelf.Piece p) {
    Map<String, Hand> said = new LinkedHashMap<>();
    shelf
        .locks(tx, s.id(), p.id())
        .forEach((note, hand) -> Hand.named(hand).ifPresent(h -> said.put(note, h)));
    return said;
  }

  /**
   * The part of a student who plays drums: the one that the teacher has chosen, else the one that
   * falls to the student as in any section; empty where the piece has none.
   */
  public Optional<DrumPart> part(Db.Tx tx, People.Student s, Shelf.Piece piece) {
    if (!Players.drums(s)) {
      return Optional.empty();
    }
    return OddPiece.guard(
        piece,
        s,
        () -> {
          List<DrumPart> parts = library.drums(tx, piece.id());
          Score score =
              new Score(
                  piece.title(),
                  false,
                  parts.stream().map(DrumPart::part).toList(),
                  List.of(),
                  List.of());
          Optional<String> id =
              shelf
                  .chosen(tx, s.id(), piece.id())
                  .map(Shelf.Chosen::partId)
                  .filter(c -> score.part(c).isPresent())
                  .or(
                      () ->
                          players.ofDrums(tx, s, score).map(PartChoice.Seat::part).map(p -> p.id()))
                  .or(() -> parts.stream().findFirst().map(p -> p.part().id()));
          return parts.stream()
              .filter(p -> id.filter(p.part().id()::equals).isPresent())
              .findFirst();
        });
  }

  /** Another part of the piece is read. */
  public void read(long studentId, long pieceId, String partId) {
    db.run(
        tx -> {
          People.Student s = players.student(tx, studentId);
          Shelf.Piece p = players.piece(tx, pieceId);
          library.drums(tx, pieceId).stream()
              .filter(d -> d.part().id().equals(partId))
              .findFirst()
              .orElseThrow(() -> new NotThere("gone.no-drums"));
          shelf.choose(tx, s.id(), p.id(), new Shelf.Chosen(partId, 1));
        });
  }

  /**
   * The hand of a stroke as the teacher wants it.
   *
   * @param hand empty lets go what was chosen
   * @throws NotThere where the part has no such stroke
   */
  public void stick(long studentId, long pieceId, String noteId, Optional<Hand> hand) {
    Seen seen = seen(studentId, pieceId);
    if (seen.strokes().stream().noneMatch(s -> s.note().id().equals(noteId))) {
      throw new NotThere("gone.stroke");
    }
    db.run(
        tx ->
            hand.ifPresentOrElse(
                h -> shelf.lock(tx, studentId, pieceId, noteId, h.name()),
                () -> shelf.unlock(tx, studentId, pieceId, noteId)));
  }
}
