package sempre.server.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import sempre.core.Saying;

/**
 * A backup of every day on which Sempre runs, in the folder of the data. Each is opened and checked
 * before it counts, and kept for {@value #DAYS} days, as is what a restore or an upgrade replaced;
 * nothing is deleted before there is a newer one.
 */
public final class Daily implements AutoCloseable {
  /** How many days a daily backup is kept. */
  public static final int DAYS = 14;

  private static final Logger LOG = LoggerFactory.getLogger(Daily.class);
  private static final int FIRST_SECONDS = 60;
  private static final int EVERY_SECONDS = 3600;

  private final School school;
  private final Maker maker;
  private final Clock clock;
  private final ScheduledExecutorService timer =
      Executors.newSingleThreadScheduledExecutor(
          r -> {
            Thread t = new Thread(r, "daily backup");
            t.setDaemon(true);
            return t;
          });
  private volatile Optional<Saying> trouble = Optional.empty();

  /** Makes a backup as a file of its own. */
  public interface Maker {
    Path make() throws IOException, SQLException;
  }

  /**
   * @param maker makes a backup while nobody changes anything
   */
  public Daily(School school, Maker maker, Clock clock) {
    this.maker = maker;
    this.school = school;
    this.clock = clock;
  }

  /** Looks every hour whether the day has its backup, for the first time after a minute. */
  public void start() {
    timer.scheduleWithFixedDelay(this::look, FIRST_SECONDS, EVERY_SECONDS, TimeUnit.SECONDS);
  }

  /** Makes the backup of the day if there is none yet. */
  void look() {
    LocalDate today = LocalDate.now(clock);
    if (!Files.exists(Backup.of(school.folder(), today))) {
      make(today);
    }
  }

  private synchronized void make(LocalDate today) {
    try {
      Path made = maker.make();
      Path place = Backup.of(school.folder(), today);
      Files600.replace(made, place);
      // seen to be good where it is, before older ones go
      Backup.check(place, place.getParent());
      for (Path old : Backup.before(school.folder(), today.minusDays(DAYS - 1L))) {
        Files.delete(old);
      }
      trouble = Optional.empty();
    } catch (IOException | SQLException | RuntimeException e) {
      LOG.warn("today's backup could not be made; it is tried again in an hour", e);
      trouble = Optional.of(Saying.of("backup.today", "why", Trouble.of(e)));
    }
  }

  /** Why there is no backup of today; empty where that is as it should be. */
  public Optional<Saying> trouble() {
    return trouble;
  }

  @Override
  public void close() {
    timer.shutdownNow();
  }
}
