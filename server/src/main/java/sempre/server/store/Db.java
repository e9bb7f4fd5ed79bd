package sempre.server.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.sql.DataSource;
import org.springframework.stereotype.Component;

/** Plain JDBC: prepared statements on one connection, one transaction a request. */
@Component
public class Db {
  private final DataSource source;

  public Db(DataSource source) {
    this.source = source;
  }

  /** Reads one row. */
  public interface Row<T> {
    T read(ResultSet row) throws SQLException;
  }

  /** Something done within a transaction. */
  public interface Work<T> {
    T run(Tx tx) throws SQLException;
  }

  /** Runs work in one transaction: all of it is kept, or, when it throws, none. */
  public <T> T inTransaction(Work<T> work) {
    try (Connection c = source.getConnection()) {
      c.setAutoCommit(false);
      try {
        T result = work.run(new Tx(c));
        c.commit();
        return result;
      } catch (SQLException | RuntimeException e) {
        c.rollback();
        throw e;
      }
    } catch (SQLException e) {
      throw new StoreException(e);
    }
  }

  /** One open transaction. */
  public static final class Tx {
    private final Connection connection;

    private Tx(Connection connection) {
      this.connection = connection;
    }

    public <T> List<T> list(String sql, Row<T> row, Object... arguments) throws SQLException {
      try (PreparedStatement s = prepare(sql, arguments);
          ResultSet r = s.executeQuery()) {
        List<T> found = new ArrayList<>();
        while (r.next()) {
          found.add(row.read(r));
        }
        return found;
      }
    }

    public <T> Optional<T> one(String sql, Row<T> row, Object... arguments) throws SQLException {
      return list(sql, row, arguments).stream().findFirst();
    }

    /** Runs a statement; returns how many rows it touched. */
    public int run(String sql, Object... arguments) throws SQLException {
      try (PreparedStatement s = prepare(sql, arguments)) {
        return s.executeUpdate();
      }
    }

    /** Inserts a row; returns its id. */
    public long insert(String sql, Object... arguments) throws SQLException {
      try (PreparedStatement s =
          connection.prepareStatement(sql, Statement.RETURN_GENERATED_KEYS)) {
        fill(s, arguments);
        s.executeUpdate();
        try (ResultSet keys = s.getGeneratedKeys()) {
          keys.next();
          return keys.getLong(1);
        }
      }
    }

    private PreparedStatement prepare(String sql, Object... arguments) throws SQLException {
      PreparedStatement s = connection.prepareStatement(sql);
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
