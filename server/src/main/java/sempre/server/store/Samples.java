package sempre.server.store;

import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Component;

/** What in this school came with the sample school. */
@Component
public class Samples {
  /** What came. */
  public enum Kind {
    GROUP,
    STUDENT,
    PIECE,
    AUDITION
  }

  public void add(Db.Tx tx, Kind kind, long id) {
    tx.run("insert into sample (kind, id) values (?, ?)", kind.name(), id);
  }

  /** What came of a kind, also what has gone since. */
  public Set<Long> of(Db.Tx tx, Kind kind) {
    return new TreeSet<>(
        tx.list("select id from sample where kind = ?", r -> r.id("id"), kind.name()));
  }

  /** Whether any of it came and was not taken away. */
  public boolean any(Db.Tx tx) {
    return tx.count("sample") > 0;
  }

  /** Nothing of it counts as sample any more. */
  public void forget(Db.Tx tx) {
    tx.run("delete from sample");
  }
}
