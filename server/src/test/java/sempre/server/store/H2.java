package sempre.server.store;

import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.h2.jdbcx.JdbcDataSource;

/** A database of its own in memory, migrated, without the rest of the application. */
public final class H2 {
  private H2() {}

  public static Db fresh() {
    JdbcDataSource source = new JdbcDataSource();
    source.setURL("jdbc:h2:mem:" + UUID.randomUUID() + ";DB_CLOSE_DELAY=-1");
    source.setUser("sa");
    Flyway.configure().dataSource(source).load().migrate();
    return new Db(source);
  }
}
