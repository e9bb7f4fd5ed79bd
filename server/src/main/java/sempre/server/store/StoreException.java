package sempre.server.store;

import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.Set;
import sempre.server.file.Trouble;

/** The database did not do what it was asked. */
public class StoreException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private static final String DUPLICATE = "23505";
  private static final Set<String> NO_SUCH_ROW = Set.of("23506", "23503");
  private static final String TOO_LONG = "22001";
  // a deadlock, a lock that was not let go in time, a row that another has changed meanwhile
  private static final Set<String> MET = Set.of("40001", "HYT00", "90131");

  // the file could not be written or read, and the database has closed itself for that
  private static final Set<String> LOST =
      Set.of("90028", "90031", "90030", "90098", "90121", "90007", "90067", "08003", "08006");

  private final boolean committing;

  public StoreException(SQLException cause) {
    this(cause, false);
  }

  /**
   * @param committing whether it happened while the work was made lasting, so that it may or may
   *     not be in the file
   */
  StoreException(SQLException cause, boolean committing) {
    super(cause.getMessage(), cause);
    this.committing = committing;
  }

  private String state() {
    return String.valueOf(((SQLException) getCause()).getSQLState());
  }

  /** Whether a row of the same name was there already. */
  public boolean duplicate() {
    return state().equals(DUPLICATE);
  }

  /** Whether a row that was named is not there, or not any more. */
  public boolean noSuchRow() {
    return NO_SUCH_ROW.contains(state());
  }

  /** Whether a text is longer than there is room for. */
  public boolean tooLong() {
    return state().equals(TOO_LONG);
  }

  /** Whether there is no room left on the disk. */
  public boolean noRoom() {
    return Trouble.noRoom(this);
  }

  /** Whether the file can't be written any more. */
  public boolean readOnly() {
    return Trouble.readOnly(this);
  }

  /** Whether there was no connection free for long. */
  public boolean busy() {
    return getCause() instanceof SQLTransientConnectionException || MET.contains(state());
  }

  /** Whether the connections that there are have come to nothing. */
  boolean lost() {
    return LOST.contains(state()) || noRoom();
  }

  /** Whether it is certain that nothing was kept. */
  boolean nothingKept() {
    return !committing;
  }

  /** Whether another did the same or held the same row at the same moment. */
  boolean met() {
    return duplicate() || MET.contains(state());
  }
}
