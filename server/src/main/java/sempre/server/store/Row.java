package sempre.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * One row of what the database answers, read by the names of its columns. A column that may be
 * empty is read as an {@link Optional}; to read an empty one otherwise is a {@link StoreException}.
 */
public final class Row {
  private final ResultSet row;

  Row(ResultSet row) {
    this.row = row;
  }

  private <T> Optional<T> read(String column, Class<T> type) {
    try {
      return Optional.ofNullable(row.getObject(column, type));
    } catch (SQLException e) {
      throw new StoreException(e);
    }
  }

  private <T> T there(String column, Class<T> type) {
    return read(column, type)
        .orElseThrow(() -> new StoreException(new SQLException(column + " is empty")));
  }

  public long id(String column) {
    return there(column, Long.class);
  }

  /** The id of another row, where one is named. */
  public OptionalLong optionalId(String column) {
    return read(column, Long.class).map(OptionalLong::of).orElse(OptionalLong.empty());
  }

  public int number(String column) {
    return there(column, Integer.class);
  }

  public Optional<Integer> optionalNumber(String column) {
    return read(column, Integer.class);
  }

  public boolean is(String column) {
    return there(column, Boolean.class);
  }

  public String text(String column) {
    return there(column, String.class);
  }

  public Optional<String> optionalText(String column) {
    return read(column, String.class);
  }

  /** One of the names of an enumeration. */
  public <E extends Enum<E>> E one(String column, Class<E> of) {
    return Enum.valueOf(of, text(column));
  }

  public LocalDate day(String column) {
    return there(column, LocalDate.class);
  }

  public Instant moment(String column) {
    return there(column, OffsetDateTime.class).toInstant();
  }

  public Optional<Instant> optionalMoment(String column) {
    return read(column, OffsetDateTime.class).map(OffsetDateTime::toInstant);
  }

  public byte[] bytes(String column) {
    return there(column, byte[].class);
  }
}
