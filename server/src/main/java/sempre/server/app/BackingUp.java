package sempre.server.app;

import java.io.IOException;
import java.nio.file.Path;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import sempre.server.file.School;
import sempre.server.store.Db;

/** A backup of the running school. */
@Component
public class BackingUp {
  private final ObjectProvider<School> schools;
  private final Db db;

  BackingUp(ObjectProvider<School> schools, Db db) {
    this.schools = schools;
    this.db = db;
  }

  /**
   * Makes one while nobody changes anything.
   *
   * @return a file that the caller deletes
   * @throws NotThere where the data lie in no folder of this machine
   */
  public Path backup() throws IOException {
    School school = schools.getIfAvailable();
    if (school == null) {
      throw new NotThere("gone.backup");
    }
    return db.inTurn(school::backup);
  }
}
