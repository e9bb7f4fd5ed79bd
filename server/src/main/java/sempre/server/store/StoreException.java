package sempre.server.store;

import java.sql.SQLException;

/** The database did not do what it was asked. */
public class StoreException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public StoreException(SQLException cause) {
    super(cause.getMessage(), cause);
  }

  /** Whether a row of the same name was there already (SQLState 23505). */
  public boolean duplicate() {
    return getCause() instanceof SQLException e && "23505".equals(e.getSQLState());
  }
}
