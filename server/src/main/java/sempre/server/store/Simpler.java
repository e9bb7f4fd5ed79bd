package sempre.server.store;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.pitch.Transposition;

/** Simpler parts that are kept for students. */
@Component
public class Simpler {
  /**
   * What a student plays instead of a written part.
   *
   * @param partId the part it was made from
   * @param changes note id to how far the note is moved on the page; empty where it is left out
   */
  public record Kept(String partId, Map<String, Optional<Transposition>> changes) {
    public Kept {
      changes = Map.copyOf(changes);
    }
  }

  /** The part of a piece, and one change in it, where there is one. */
  private record Changed(
      long piece, String part, Optional<String> note, Optional<Transposition> move) {}

  /** What is kept for one piece. */
  public Optional<Kept> of(Db.Tx tx, long studentId, long pieceId) {
    return Optional.ofNullable(of(tx, studentId).get(pieceId));
  }

  /** All that is kept for a student, by piece. */
  public Map<Long, Kept> of(Db.Tx tx, long studentId) {
    List<Changed> rows =
        tx.list(
            """
            select p.piece_id, p.part_id, n.note_id, n.letters, n.semitones from simpler_part p
            left join simpler_note n
              on n.student_id = p.student_id and n.piece_id = p.piece_id
            where p.student_id = ? order by p.piece_id, n.note_id
            """,
            r ->
                new Changed(
                    r.id("piece_id"),
                    r.text("part_id"),
                    r.optionalText("note_id"),
                    r.optionalNumber("letters")
                        .map(letters -> new Transposition(letters, r.number("semitones")))),
            studentId);
    Map<Long, Map<String, Optional<Transposition>>> changes = new LinkedHashMap<>();
    Map<Long, Kept> all = new LinkedHashMap<>();
    for (Changed r : rows) {
      Map<String, Optional<Transposition>> of =
          changes.computeIfAbsent(r.piece(), k -> new LinkedHashMap<>());
      r.note().ifPresent(note -> of.put(note, r.move()));
    }
    rows.forEach(r -> all.put(r.piece(), new Kept(r.part(), changes.get(r.piece()))));
    return all;
  }

  /** Keeps a simpler part in place of the one that was kept. */
  public void keep(Db.Tx tx, long studentId, long pieceId, Kept kept) {
    // two teachers who keep one at once do so one after the other; the last one stands
    tx.lock("select id from student where id = ? for update", studentId);
    forget(tx, studentId, pieceId);
    tx.run(
        "insert into simpler_part (student_id, piece_id, part_id) values (?, ?, ?)",
        studentId,
        pieceId,
        kept.partId());
    for (Map.Entry<String, Optional<Transposition>> e : kept.changes().entrySet()) {
      tx.run(
          """
          insert into simpler_note (student_id, piece_id, note_id, letters, semitones)
          values (?, ?, ?, ?, ?)
          """,
          studentId,
          pieceId,
          e.getKey(),
          e.getValue().map(Transposition::letters).orElse(null),
          e.getValue().map(Transposition::semitones).orElse(null));
    }
  }

  /** The student plays the written part again. */
  public int forget(Db.Tx tx, long studentId, long pieceId) {
    return tx.run(
        "delete from simpler_part where student_id = ? and piece_id = ?", studentId, pieceId);
  }
}
