package sempre.server.app;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import sempre.core.Saying;
import sempre.server.file.Daily;
import sempre.server.file.School;
import sempre.server.file.Trouble;
import sempre.server.store.Db;

/** What was erased is taken out of the file too, in the background, and that is said when done. */
@Component
public class Erasing implements DisposableBean {
  private static final Logger LOG = LoggerFactory.getLogger(Erasing.class);
  private static final Duration SAID = Duration.ofHours(12);

  private record Said(Saying saying, Instant at) {}

  private final ObjectProvider<School> schools;
  private final Db db;
  private final Clock clock;
  private final ExecutorService background =
      Executors.newSingleThreadExecutor(
          r -> {
            Thread t = new Thread(r, "erased");
            t.setDaemon(true);
            return t;
          });
  private volatile Said said;

  public Erasing(ObjectProvider<School> schools, Db db, Clock clock) {
    this.schools = schools;
    this.db = db;
    this.clock = clock;
  }

  /**
   * Something was erased.
   *
   * @param backups whether it is to leave the daily backups and kept files too
   */
  public void again(boolean backups) {
    School school = schools.getIfAvailable();
    if (school == null) {
      // a database of its own keeps its own file
      return;
    }
    try {
      school.erased();
    } catch (IOException e) {
      LOG.warn("what was erased can't be noted", e);
    }
    background.submit(() -> rewrite(school, backups));
  }

  private void rewrite(School school, boolean backups) {
    Saying saying;
    try {
      boolean done = db.aside(school::rewrite);
      if (done && backups) {
        db.inTurn(
            () -> {
              school.renewBackups(clock);
              return done;
            });
      }
      saying =
          done
              ? Saying.of(
                  backups ? "erased.gone-everywhere" : "erased.gone",
                  "time",
                  LocalTime.now(clock).truncatedTo(ChronoUnit.MINUTES).toString(),
                  "n",
                  Daily.DAYS)
              : Saying.of("erased.still");
    } catch (IOException | RuntimeException e) {
      LOG.warn("what was erased is taken out at the next start", e);
      saying = Saying.of(Trouble.noRoom(e) ? "erased.still-full" : "erased.still");
    }
    said = new Said(saying, clock.instant());
  }

  /** What is to be known of it, for half a day. */
  public Optional<Saying> said() {
    Said s = said;
    return s == null || s.at().plus(SAID).isBefore(clock.instant())
        ? Optional.empty()
        : Optional.of(s.saying());
  }

  @Override
  public void destroy() {
    background.shutdown();
  }
}
