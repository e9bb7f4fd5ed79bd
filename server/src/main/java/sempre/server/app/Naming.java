package sempre.server.app;

import java.util.List;
import org.springframework.stereotype.Component;
import sempre.server.store.AdultNames;
import sempre.server.store.Db;

/** Names of teachers and judges: who is kept, and erasing one. */
@Component
public class Naming {
  private final Db db;
  private final AdultNames names;
  private final Erasing erasing;

  Naming(Db db, AdultNames names, Erasing erasing) {
    this.db = db;
    this.names = names;
    this.erasing = erasing;
  }

  /**
   * @param plain what stands where nobody said a name
   */
  public List<AdultNames.Name> all(String plain) {
    return db.inTransaction(tx -> names.all(tx, plain));
  }

  /** Erases a name everywhere, in the data file too; what it stood with stays. */
  public void erase(String name, String plain) {
    if (db.inTransaction(tx -> names.erase(tx, name, plain)) == 0) {
      throw new NotThere("gone.name");
    }
    erasing.again(false);
  }
}
