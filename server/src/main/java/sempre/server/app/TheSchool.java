package sempre.server.app;

import org.springframework.stereotype.Component;
import sempre.server.store.Db;

/** Which school's data these are. */
@Component
public class TheSchool {
  private final Db db;

  TheSchool(Db db) {
    this.db = db;
  }

  /** Its id: another one after a backup was restored or an archive unpacked. */
  public String id() {
    return db.inTransaction(tx -> tx.one("select id from school", r -> r.text("id")).orElse(""));
  }
}
