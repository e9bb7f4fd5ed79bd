package sempre.server.store;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;

/** What was done for many at once, and what it wrote, so that it can be taken back in one go. */
@Component
public class Batches {
  /** What was done. */
  public enum Kind {
    /** what a group plays already */
    PLAYS,
    /** a list of students */
    ROSTER,
    /** simpler parts for a whole group */
    SIMPLER
  }

  /**
   * Something that was done for many and still has something to take back.
   *
   * @param group where it was done for one; 0 for none
   * @param piece of simpler parts; 0 for none
   * @param about names of the group and the piece, where there are any
   * @param students how many it concerns
   * @param items how much it wrote
   */
  public record Batch(
      long id,
      Kind kind,
      long group,
      long piece,
      String about,
      Instant at,
      int students,
      int items) {}

  /** One thing that a batch wrote; what is empty does not belong to it. */
  public record Item(OptionalLong heard, OptionalLong student, OptionalLong group) {}

  /** Begins one; what it wrote is added. */
  public long begin(Db.Tx tx, Kind kind, OptionalLong group, OptionalLong piece, Instant at) {
    return tx.insert(
        "insert into batch (kind, band_id, piece_id, done_at) values (?, ?, ?, ?)",
        kind.name(),
        orNull(group),
        orNull(piece),
        at.atOffset(ZoneOffset.UTC));
  }

  public void heard(Db.Tx tx, long batch, long student, long entry) {
    add(tx, batch, entry, student, null);
  }

  public void student(Db.Tx tx, long batch, long student) {
    add(tx, batch, null, student, null);
  }

  public void joined(Db.Tx tx, long batch, long student, long group) {
    add(tx, batch, null, student, group);
  }

  public void group(Db.Tx tx, long batch, long group) {
    add(tx, batch, null, null, group);
  }

  private static void add(Db.Tx tx, long batch, Long entry, Long student, Long group) {
    tx.run(
        "insert into batch_item (batch_id, heard_id, student_id, band_id) values (?, ?, ?, ?)",
        batch,
        entry,
        student,
        group);
  }

  /** A simpler part is the teacher's own from now on: no batch takes it back. */
  public void ownPart(Db.Tx tx, long student, long piece) {
    tx.run(
        """
        delete from batch_item where student_id = ?
          and batch_id in (select id from batch where kind = 'SIMPLER' and piece_id = ?)
        """,
        student,
        piece);
  }

  private static final String BATCH =
      """
      select b.id, b.kind, b.band_id, b.piece_id, b.done_at,
        coalesce(g.name, '') as band_name, coalesce(p.title, '') as title,
        count(distinct i.student_id) as students, count(*) as items
      from batch b
      join batch_item i on i.batch_id = b.id
      left join band g on g.id = b.band_id
      left join piece p on p.id = b.piece_id
      where b.taken_back_at is null %s
      group by b.id, b.kind, b.band_id, b.piece_id, b.done_at, g.name, p.title
      order by b.id desc
      """;

  /** Those that can be taken back, the last first. */
  public List<Batch> all(Db.Tx tx) {
    return tx.list(BATCH.formatted(""), Batches::batch);
  }

  /** One that can be taken back. */
  public Optional<Batch> one(Db.Tx tx, long id) {
    return tx.one(BATCH.formatted("and b.id = ?"), Batches::batch, id);
  }

  private static Batch batch(Row r) {
    String group = r.text("band_name");
    String title = r.text("title");
    return new Batch(
        r.id("id"),
        r.one("kind", Kind.class),
        r.optionalId("band_id").orElse(0),
        r.optionalId("piece_id").orElse(0),
        group.isEmpty() || title.isEmpty() ? group + title : title + ", " + group,
        r.moment("done_at"),
        r.number("students"),
        r.number("items"));
  }

  public List<Item> items(Db.Tx tx, long id) {
    return tx.list(
        "select heard_id, student_id, band_id from batch_item where batch_id = ?",
        r ->
            new Item(r.optionalId("heard_id"), r.optionalId("student_id"), r.optionalId("band_id")),
        id);
  }

  /** Whether it was not taken back before; who says so at the same moment waits for the other. */
  public boolean takeBack(Db.Tx tx, long id, Instant at) {
    return tx.run(
            "update batch set taken_back_at = ? where id = ? and taken_back_at is null",
            at.atOffset(ZoneOffset.UTC),
            id)
        > 0;
  }

  private static Long orNull(OptionalLong id) {
    return id.isPresent() ? id.getAsLong() : null;
  }
}
