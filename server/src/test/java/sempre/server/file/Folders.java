package sempre.server.file;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.GZIPInputStream;

/** Folders with a school in them, as the tests of this package want them. */
final class Folders {
  static final Clock NOON = Clock.fixed(Instant.parse("2026-11-26T12:00:00Z"), ZoneOffset.UTC);

  /** What landed first and last of the schemas that are kept. */
  static final String NEWEST = "v11-25e0c8c";

  private Folders() {}

  static Path empty() throws IOException {
    return Files.createTempDirectory("sempre-file");
  }

  /** A folder with the data that an older Sempre left. */
  static Path of(String schema) throws IOException {
    Path dir = empty();
    try (InputStream in =
        new GZIPInputStream(
            Folders.class.getResourceAsStream("/schemas/" + schema + ".mv.db.gz"))) {
      Files.copy(in, dir.resolve("sempre.mv.db"));
    }
    return dir;
  }

  /** Opens a school, asks and closes it. */
  static List<String> ask(Path dir, String sql) throws SQLException {
    try (School school = School.open(dir, NOON);
        Connection c = H2File.openThere(school.folder().file())) {
      return ask(c, sql);
    }
  }

  static List<String> ask(Connection c, String sql) throws SQLException {
    List<String> rows = new ArrayList<>();
    try (Statement s = c.createStatement();
        ResultSet r = s.executeQuery(sql)) {
      while (r.next()) {
        rows.add(r.getString(1));
      }
    }
    return rows;
  }

  static void run(Connection c, String sql) throws SQLException {
    try (Statement s = c.createStatement()) {
      s.execute(sql);
    }
  }

  static List<String> names(Path dir) throws IOException {
    try (var files = Files.list(dir)) {
      return files.map(f -> f.getFileName().toString()).sorted().toList();
    }
  }

  /** What is said where data can't be used, in English. */
  static String refusal(org.assertj.core.api.ThrowableAssert.ThrowingCallable call) {
    Throwable e = org.assertj.core.api.Assertions.catchThrowable(call);
    org.assertj.core.api.Assertions.assertThat(e).isInstanceOf(UnusableException.class);
    return sempre.words.Words.ENGLISH.say(((UnusableException) e).saying());
  }
}
