package sempre.server.store;

import org.springframework.stereotype.Component;

/** Which school's data these are. */
@Component
public class SchoolIds {
  /** The school's id: another one after a backup was restored or an archive unpacked. */
  public String own(Db.Tx tx) {
    return tx.one("select id from school", r -> r.text("id")).orElse("");
  }
}
