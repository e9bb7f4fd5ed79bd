package sempre.server.app;

import java.time.Duration;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;
import sempre.core.Deadline;
import sempre.core.Limit;
import sempre.core.planning.Player;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/**
 * Works out ahead what pieces ask of the players there are, in a thread that gives way to all
 * others: changes between two fingerings are computed once for each set-up, and the first who looks
 * at who can play what should not wait for that.
 */
@Component
public class WorkingAhead implements DisposableBean {
  private static final Duration LONGEST = Duration.ofSeconds(Limit.SECONDS.most());

  /** Whoever opens Sempre looks at a list first, and that is not to share the processor. */
  private static final long AFTER_MS = 4_000;

  private static final Logger LOG = LoggerFactory.getLogger(WorkingAhead.class);

  private final Db db;
  private final People people;
  private final Shelf shelf;
  private final Players players;
  private final PieceDemands demands;
  private final CountDownLatch closing = new CountDownLatch(1);

  public WorkingAhead(Db db, People people, Shelf shelf, Players players, PieceDemands demands) {
    this.db = db;
    this.people = people;
    this.shelf = shelf;
    this.players = players;
    this.demands = demands;
  }

  @Override
  public void destroy() {
    closing.countDown();
  }

  /** Begins after a moment, and returns at once. */
  public void start() {
    Thread thread = new Thread(this::run, "ahead");
    thread.setDaemon(true);
    thread.setPriority(Thread.MIN_PRIORITY);
    thread.start();
  }

  private void run() {
    try {
      if (closing.await(AFTER_MS, TimeUnit.MILLISECONDS)) {
        return;
      }
      List<People.Student> students = db.inTransaction(people::students);
      List<Shelf.Piece> pieces = db.inTransaction(shelf::pieces);
      for (People.Student s : students) {
        db.inTransaction(tx -> one(tx, s, pieces));
      }
    } catch (RuntimeException e) {
      // somebody changes the school meanwhile, or it is closed: what is asked for is worked out
      // then
      LOG.debug("nothing more is worked out ahead", e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private boolean closed() {
    return closing.getCount() == 0;
  }

  private boolean one(Db.Tx tx, People.Student s, List<Shelf.Piece> pieces) {
    Player player = players.player(tx, s, players.standing(tx, s, List.of()));
    PieceDemands.Reads reads = demands.reads(tx, s).asWritten();
    for (Shelf.Piece p : pieces) {
      if (closed()) {
        return false;
      }
      Deadline.begin(LONGEST, this::closed);
      try {
        demands.of(tx, s, player, p, reads);
      } catch (OddPiece | Limit.Exceeded e) {
        LOG.debug("it says so itself where it is asked for", e);
      } finally {
        Deadline.over();
      }
    }
    return true;
  }
}
