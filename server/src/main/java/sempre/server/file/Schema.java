package sempre.server.file;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.LoggerContext;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.flywaydb.core.Flyway;
import org.slf4j.LoggerFactory;

/** Which form the tables of a file have, and how it is brought to the newest. */
final class Schema {
  /** The newest form; a test holds it against the migrations. */
  static final int NEWEST = 22;

  /** The form from which on a school has an id. */
  static final int NAMED = 20;

  // the first form as it was before decision 6; as Flyway counts it
  private static final int FIRST_FORM = -615531188;
  private static final int FIRST_FORM_NOW = 1779937587;

  private Schema() {}

  /** The form of a file's tables; 0 where there is none yet. */
  static int version(Connection c) throws SQLException {
    try (Statement s = c.createStatement();
        ResultSet there =
            s.executeQuery(
                "select 1 from information_schema.tables"
                    + " where table_name = 'flyway_schema_history'")) {
      if (!there.next()) {
        return 0;
      }
    }
    String sql =
        "select max(cast(\"version\" as integer)) from \"flyway_schema_history\" where \"success\"";
    try (Statement s = c.createStatement();
        ResultSet r = s.executeQuery(sql)) {
      return r.next() ? r.getInt(1) : 0;
    }
  }

  /** Gives a school another id, because its data come from elsewhere. */
  static void rename(Connection c) throws SQLException {
    try (Statement s = c.createStatement()) {
      s.execute("update school set id = cast(random_uuid() as varchar(36))");
    }
  }

  /** Makes a file in a form as it once was. */
  static void migrateTo(Path file, int form) {
    quiet();
    Flyway.configure()
        .dataSource(H2File.url(file), "sa", "")
        .locations("classpath:db/migration")
        .target(String.valueOf(form))
        .load()
        .migrate();
  }

  /** Brings a file to the newest form; one that is not there is made. */
  static void migrate(Path file) throws SQLException {
    quiet();
    try (Connection c = H2File.open(file)) {
      if (version(c) > 0) {
        mendFirst(c);
      }
      Flyway.configure()
          .dataSource(H2File.url(file), "sa", "")
          .locations("classpath:db/migration")
          .load()
          .migrate();
    }
  }

  /** What goes wrong is told in a sentence; this may come before logging is set up. */
  private static void quiet() {
    if (LoggerFactory.getILoggerFactory() instanceof LoggerContext context) {
      context.getLogger("org.flywaydb").setLevel(Level.OFF);
    }
  }

  /**
   * The first form had a check constraint for grades; the others have a table (decision 6). Data of
   * the first form are brought to what its script says today.
   */
  private static void mendFirst(Connection c) throws SQLException {
    try (Statement s = c.createStatement()) {
      int first =
          s.executeUpdate(
              "update \"flyway_schema_history\" set \"checksum\" = "
                  + FIRST_FORM_NOW
                  + " where \"version\" = '1' and \"checksum\" = "
                  + FIRST_FORM);
      if (first == 0) {
        return;
      }
      try (Statement t = c.createStatement();
          ResultSet r =
              t.executeQuery(
                  "select constraint_name from information_schema.table_constraints"
                      + " where table_name = 'HEARD' and constraint_type = 'CHECK'")) {
        while (r.next()) {
          s.execute("alter table heard drop constraint \"" + r.getString(1) + "\"");
        }
      }
      s.execute("create table grade (name varchar(10) primary key)");
      s.execute("insert into grade (name) values ('SECURE'), ('SHAKY'), ('NOT_YET')");
      s.execute("alter table heard add foreign key (grade) references grade (name)");
    }
  }
}
