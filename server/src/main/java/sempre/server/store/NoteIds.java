package sempre.server.store;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What is kept of single notes of a piece, when the piece is changed and its notes move. */
@Component
public class NoteIds {
  /** The tables with a note in them: the column it stands in, and which of their rows are meant. */
  private record Kept(String table, String column, String ofPiece) {}

  private static final Kept LOCKS = new Kept("fingering_lock", "note_id", "piece_id = ?");
  private static final List<Kept> KEPT =
      List.of(
          LOCKS,
          new Kept("simpler_note", "note_id", "piece_id = ?"),
          new Kept("practice_run", "first_note", "piece_id = ?"),
          new Kept("practice_run", "last_note", "piece_id = ?"),
          new Kept(
              "assignment_lock",
              "note_id",
              "assignment_id in (select id from assignment where piece_id = ?)"),
          new Kept(
              "choice_change",
              "about",
              "what = 'LOCK' and step_id in (select id from choice_step where piece_id = ?)"));

  /** Stands before an id that has moved, until all have: one may take another's place. */
  private static final String MOVED = ">";

  /**
   * Moves what is kept to the notes' new ids.
   *
   * @param ids old id to new; empty for a note that is there no more, whose rows go
   * @return how many fingerings went that were kept for a student
   */
  public int move(Db.Tx tx, long pieceId, Map<String, Optional<String>> ids) {
    int gone = 0;
    for (Kept k : KEPT) {
      String where = " where " + k.column() + " = ? and " + k.ofPiece();
      for (Map.Entry<String, Optional<String>> e : ids.entrySet()) {
        if (e.getValue().isPresent()) {
          tx.run(
              "update " + k.table() + " set " + k.column() + " = ?" + where,
              MOVED + e.getValue().get(),
              e.getKey(),
              pieceId);
        } else {
          int rows = tx.run("delete from " + k.table() + where, e.getKey(), pieceId);
          gone += k.equals(LOCKS) ? rows : 0;
        }
      }
      String moved = " where " + k.column() + " like '" + MOVED + "%' and " + k.ofPiece();
      tx.run(
          "update %s set %s = substring(%s from 2)".formatted(k.table(), k.column(), k.column())
              + moved,
          pieceId);
    }
    return gone;
  }
}
