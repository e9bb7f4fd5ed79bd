package sempre.server.app;

import org.springframework.stereotype.Component;
import sempre.server.store.Db;
import sempre.server.store.SchoolIds;

/** Which school's data these are. */
@Component
public class TheSchool {
  private final Db db;
  private final SchoolIds ids;

  TheSchool(Db db, SchoolIds ids) {
    this.db = db;
    this.ids = ids;
  }

  /** Its id: another one after a backup was restored or an archive unpacked. */
  public String id() {
    return db.inTransaction(ids::own);
  }
}
