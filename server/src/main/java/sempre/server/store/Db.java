package sempre.server.store;

import com.zaxxer.hikari.HikariDataSource;
import com.zaxxer.hikari.HikariPoolMXBean;
import java.io.IOException;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Consumer;
import java.util.function.Function;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;
import sempre.core.Deadline;
import sempre.server.Settings;

/** Plain JDBC: prepared statements, one transaction for what a request changes. */
@Component
public class Db {
  private static final int TRIES = 5;
  private static final int LET_GO_TRIES = 200;
  private static final long LET_GO_MILLIS = 25;
  private static final long TURN_SECONDS = 10;

  private final DataSource source;
  private final Revisions revisions = new Revisions();

  /**
   * Changes are made one after the other. What H2 writes down while another transaction is in the
   * middle of its changes may hold a part of them after a kill (seen: a mark without its press, an
   * index without its row); with one at a time there is no other.
   */
  private final ReentrantLock turn = new ReentrantLock(true);

  private final boolean alone;

  @Autowired
  Db(DataSource source, Settings settings) {
    this(source, settings.shared());
  }

  /**
   * @param shared whether another Sempre may change the same data, so that nothing that was worked
   *     out from them can be kept
   */
  public Db(DataSource source, boolean shared) {
    this.source = source;
    this.alone = !shared;
  }

  /** Data that nobody else changes. */
  public Db(DataSource source) {
    this(source, false);
  }

  /** Something done with the file of the data. */
  public interface FileWork<T> {
    T run() throws IOException;
  }

  /** Something done with the file that gives nothing back. */
  public interface FileChange {
    void run() throws IOException;
  }

  /**
   * Does something while nobody has a connection: who asks for one meanwhile waits.
   *
   * @return whether it was done; not where others did not let go in time, or there is no pool
   */
  public boolean aside(FileChange work) throws IOException {
    Optional<HikariPoolMXBean> pooled = pool();
    if (pooled.isEmpty()) {
      return false;
    }
    HikariPoolMXBean pool = pooled.get();
    takeTurn(turn);
    pool.suspendPool();
    try {
      for (int tries = LET_GO_TRIES; pool.getTotalConnections() > 0; tries--) {
        if (tries == 0) {
          return false;
        }
        pool.softEvictConnections();
        Thread.sleep(LET_GO_MILLIS);
      }
      work.run();
      return true;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    } finally {
      pool.resumePool();
      turn.unlock();
    }
  }

  /** Does something with the file while nobody changes anything. */
  public <T> T inTurn(FileWork<T> work) throws IOException {
    takeTurn(turn);
    try {
      return work.run();
    } finally {
      turn.unlock();
    }
  }

  private static void takeTurn(ReentrantLock turn) {
    try {
      if (!turn.tryLock(TURN_SECONDS, TimeUnit.SECONDS)) {
        throw busy(new SQLTransientConnectionException("others change something for long"));
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw busy(new SQLTransientConnectionException(e));
    }
  }

  private static StoreException busy(SQLTransientConnectionException why) {
    return new StoreException(why);
  }

  /**
   * What is stored of a student and of all that is not marks, as it is at one moment; another one
   * when something of it has changed.
   */
  public record Revision(long rest, long heard) {}

  /**
   * What is stored, as it is at one moment; another number when anything has changed. Empty where
   * that is not known.
   */
  public OptionalLong revision() {
    return alone ? OptionalLong.of(revisions.all()) : OptionalLong.empty();
  }

  /**
   * Runs work in one transaction: all of it is kept, or, when it throws, none. Work that met
   * another's is done anew on what that one left, so two that do the same at the same moment come
   * out as one after the other.
   */
  public <T> T inTransaction(Function<Tx, T> work) {
    for (int left = TRIES; ; left--) {
      try {
        return once(work);
      } catch (StoreException e) {
        if (e.lost()) {
          renew();
        }
        boolean again = e.met() || e.lost() && e.nothingKept();
        if (left <= 1 || !again) {
          throw e;
        }
      }
    }
  }

  /** The same for work that gives nothing back. */
  public void run(Consumer<Tx> work) {
    inTransaction(
        tx -> {
          work.accept(tx);
          return true;
        });
  }

  private <T> T once(Function<Tx, T> work) {
    try (Tx tx = new Tx(source, turn, alone ? Optional.of(revisions) : Optional.empty())) {
      T result = work.apply(tx);
      tx.commit();
      return result;
    }
  }

  /**
   * Lets all connections go: where a disk was full the database has closed itself, and opens again
   * with the next one.
   */
  private void renew() {
    pool().ifPresent(HikariPoolMXBean::softEvictConnections);
  }

  private Optional<HikariPoolMXBean> pool() {
    try {
      return source.isWrapperFor(HikariDataSource.class)
          ? Optional.of(source.unwrap(HikariDataSource.class).getHikariPoolMXBean())
          : Optional.empty();
    } catch (SQLException e) {
      throw new StoreException(e);
    }
  }

  /**
   * Work on the data. Nothing is held while something is worked out: up to the first change each
   * question borrows a connection for itself alone. From the first change, or lock, on there is one
   * connection to the end, and one transaction. That sees what one transaction from the beginning
   * would see, since every question reads what is committed when it is asked (READ COMMITTED).
   */
  public static final class Tx implements AutoCloseable {
    private final DataSource source;
    private final ReentrantLock turn;
    private final Optional<Revisions> revisions;
    private final Set<Long> heard = new HashSet<>();
    private boolean more;
    private boolean committing;
    private Connection connection;

    private Tx(DataSource source, ReentrantLock turn, Optional<Revisions> revisions) {
      this.source = source;
      this.turn = turn;
      this.revisions = revisions;
    }

    /**
     * As what a student's things are stored; empty once this work has changed something, since what
     * it sees then is nobody else's yet, and where it is not known.
     */
    public Optional<Revision> revision(long student) {
      return connection == null ? revisions.map(r -> r.of(student)) : Optional.empty();
    }

    /** Something was written down of a student. */
    void heard(long student) {
      heard.add(student);
    }

    /** What is asked of the database. */
    private interface Asked<T> {
      T ask() throws SQLException;
    }

    /** The one place where an error of the database becomes ours. */
    private <T> T ask(Asked<T> asked) {
      Deadline.check();
      try {
        return asked.ask();
      } catch (SQLException e) {
        throw new StoreException(e, committing);
      }
    }

    /** Holds a row against others until the end. */
    public void lock(String sql, Object... arguments) {
      ask(() -> list(change(), sql, r -> r.id("id"), arguments));
    }

    private Connection change(String sql) throws SQLException {
      more |= Revisions.changesMore(sql);
      return change();
    }

    private Connection change() throws SQLException {
      if (connection == null) {
        takeTurn(turn);
        try {
          connection = source.getConnection();
          connection.setAutoCommit(false);
        } finally {
          if (connection == null) {
            turn.unlock();
          }
        }
      }
      return connection;
    }

    private void commit() {
      committing = true;
      if (connection != null) {
        ask(
            () -> {
              connection.commit();
              return true;
            });
        revisions.ifPresent(r -> r.changed(more, heard));
      }
    }

    /** Ends it; what was not committed is taken back. */
    @Override
    public void close() {
      if (connection != null) {
        try (Connection c = connection) {
          connection = null;
          c.rollback();
        } catch (SQLException e) {
          throw new StoreException(e, committing);
        } finally {
          turn.unlock();
        }
      }
    }

    /**
     * Asks for rows.
     *
     * @param arguments for each question mark of the statement in turn; null where none is meant
     */
    public <T> List<T> list(String sql, Function<Row, T> read, Object... arguments) {
      return ask(
          () -> {
            if (connection != null) {
              return list(connection, sql, read, arguments);
            }
            try (Connection c = source.getConnection()) {
              return list(c, sql, read, arguments);
            }
          });
    }

    private static <T> List<T> list(
        Connection c, String sql, Function<Row, T> read, Object... arguments) throws SQLException {
      try (PreparedStatement s = prepare(c, sql, arguments);
          ResultSet r = s.executeQuery()) {
        List<T> found = new ArrayList<>();
        Row row = new Row(r);
        while (r.next()) {
          found.add(read.apply(row));
        }
        return found;
      }
    }

    public <T> Optional<T> one(String sql, Function<Row, T> read, Object... arguments) {
      return list(sql, read, arguments).stream().findFirst();
    }

    /** How many rows there are of something, as it stands behind {@code from}. */
    public int count(String of, Object... arguments) {
      return one("select count(*) as n from " + of, r -> r.number("n"), arguments).orElse(0);
    }

    /** Runs a statement; returns how many rows it touched. */
    public int run(String sql, Object... arguments) {
      return ask(
          () -> {
            try (PreparedStatement s = prepare(change(sql), sql, arguments)) {
              return s.executeUpdate();
            }
          });
    }

    /** Inserts a row; returns its id. */
    public long insert(String sql, Object... arguments) {
      return ask(
          () -> {
            try (PreparedStatement s =
                change(sql).prepareStatement(sql, Statement.RETURN_GENERATED_KEYS)) {
              fill(s, arguments);
              s.executeUpdate();
              try (ResultSet keys = s.getGeneratedKeys()) {
                keys.next();
                return keys.getLong(1);
              }
            }
          });
    }

    private static PreparedStatement prepare(Connection c, String sql, Object... arguments)
        throws SQLException {
      PreparedStatement s = c.prepareStatement(sql);
      try {
        fill(s, arguments);
        return s;
      } catch (SQLException e) {
        s.close();
        throw e;
      }
    }

    private static void fill(PreparedStatement s, Object... arguments) throws SQLException {
      for (int i = 0; i < arguments.length; i++) {
        s.setObject(i + 1, arguments[i]);
      }
    }
  }
}
