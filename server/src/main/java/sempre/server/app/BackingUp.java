package sempre.server.app;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import sempre.server.file.School;
import sempre.server.store.Db;

/** A backup of the running school. */
@Component
public class BackingUp {
  private final ObjectProvider<School> schools;
  private final Db db;
  private final Clock clock;

  BackingUp(ObjectProvider<School> schools, Db db, Clock clock) {
    this.clock = clock;
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
    return db.inTurn(school()::backup);
  }

  /**
   * Writes an archive of open files while nobody changes anything.
   *
   * @return a file that the caller deletes
   * @throws NotThere where the data lie in no folder of this machine
   */
  public Path archive() throws IOException {
    School school = school();
    return db.inTurn(() -> school.archive(clock));
  }

  private School school() {
    School school = schools.getIfAvailable();
    if (school == null) {
      throw new NotThere("gone.backup");
    }
    return school;
  }
}
