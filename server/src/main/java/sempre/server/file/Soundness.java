package sempre.server.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Whether a data file agrees with itself. A sudden end can leave an index that names a row which is
 * not there, lacks one that is, or a counter that has gone back; then reading some students fails
 * for good, or a mark is there and not seen.
 */
final class Soundness {
  private Soundness() {}

  /** What is wrong, a few words each; empty where nothing is. */
  static List<String> faults(Connection c) throws SQLException {
    List<String> faults = new ArrayList<>();
    for (Map.Entry<String, String> table : tables(c).entrySet()) {
      String from = table.getValue() + " from " + quoted(table.getKey());
      Rows rows;
      try {
        rows = read(c, "select " + from);
      } catch (SQLException e) {
        faults.add(table.getKey() + ": " + Trouble.of(e));
        continue;
      }
      for (Map.Entry<String, String> index : indexes(c, table.getKey()).entrySet()) {
        // sorted by its columns the index itself is walked, from one end to the other
        String walk = " use index (" + quoted(index.getKey()) + ") order by " + index.getValue();
        try {
          if (!read(c, "select " + from + walk).equals(rows)) {
            faults.add(table.getKey() + ": index " + index.getKey() + " has other rows");
          }
        } catch (SQLException e) {
          faults.add(table.getKey() + ": index " + index.getKey() + ": " + Trouble.of(e));
        }
      }
    }
    for (Map.Entry<String, Long> counter : countersBehind(c).entrySet()) {
      faults.add(counter.getKey() + ": its counter has gone back");
    }
    return faults;
  }

  /**
   * Writes what can be read of one file into a new one, whose indexes are made anew from the rows.
   *
   * @return what is still wrong in the new one; empty where nothing is
   */
  static List<String> rebuild(Path from, Path to) throws SQLException, IOException {
    Path script = to.resolveSibling(to.getFileName() + ".sql");
    try {
      try (Connection c = H2File.openToRead(from);
          Statement s = c.createStatement()) {
        s.execute("script to '" + path(script) + "' compression gzip");
      }
      try (Connection c = H2File.open(to);
          Statement s = c.createStatement()) {
        s.execute("runscript from '" + path(script) + "' compression gzip");
        for (Map.Entry<String, Long> counter : countersBehind(c).entrySet()) {
          s.execute(
              "alter table "
                  + quoted(counter.getKey())
                  + " alter column id restart with "
                  + (counter.getValue() + 1));
        }
        List<String> faults = faults(c);
        // what it took to write it is let go
        s.execute("shutdown compact");
        return faults;
      }
    } finally {
      Files.deleteIfExists(script);
    }
  }

  /** How many rows each table has. */
  static Map<String, Long> counts(Connection c) throws SQLException {
    Map<String, Long> counts = new TreeMap<>();
    for (String table : tables(c).keySet()) {
      try (Statement s = c.createStatement();
          ResultSet r = s.executeQuery("select count(*) from " + quoted(table))) {
        r.next();
        counts.put(table, r.getLong(1));
      }
    }
    return counts;
  }

  private static String path(Path file) {
    return file.toAbsolutePath().toString().replace("'", "''");
  }

  /** How many rows, and a sum over what stands in them. */
  private record Rows(long count, long sum) {}

  private static Rows read(Connection c, String sql) throws SQLException {
    long count = 0;
    long sum = 0;
    try (Statement s = c.createStatement();
        ResultSet r = s.executeQuery(sql)) {
      int columns = r.getMetaData().getColumnCount();
      while (r.next()) {
        long row = 17;
        for (int i = 1; i <= columns; i++) {
          row = 1_000_003 * row + String.valueOf(r.getString(i)).hashCode();
        }
        count++;
        sum += row;
      }
    }
    return new Rows(count, sum);
  }

  /** The tables with their columns; of what may be megabytes the length. */
  private static Map<String, String> tables(Connection c) throws SQLException {
    Map<String, String> tables = new LinkedHashMap<>();
    String sql =
        "select table_name, column_name, data_type from information_schema.columns"
            + " where table_schema = 'PUBLIC' order by table_name, ordinal_position";
    try (Statement s = c.createStatement();
        ResultSet r = s.executeQuery(sql)) {
      while (r.next()) {
        String column = quoted(r.getString(2));
        tables.merge(
            r.getString(1),
            r.getString(3).contains("LARGE OBJECT") ? "octet_length(" + column + ")" : column,
            (a, b) -> a + ", " + b);
      }
    }
    return tables;
  }

  private static Map<String, String> indexes(Connection c, String table) throws SQLException {
    Map<String, String> indexes = new LinkedHashMap<>();
    String sql =
        "select index_name, column_name from information_schema.index_columns"
            + " where table_schema = 'PUBLIC' and table_name = '"
            + table.replace("'", "''")
            + "' order by index_name, ordinal_position";
    try (Statement s = c.createStatement();
        ResultSet r = s.executeQuery(sql)) {
      while (r.next()) {
        indexes.merge(r.getString(1), quoted(r.getString(2)), (a, b) -> a + ", " + b);
      }
    }
    return indexes;
  }

  /** Tables that would give an id a second time, with the highest id there is. */
  private static Map<String, Long> countersBehind(Connection c) throws SQLException {
    Map<String, Long> behind = new LinkedHashMap<>();
    String sql =
        "select table_name, identity_base from information_schema.columns"
            + " where table_schema = 'PUBLIC' and column_name = 'ID' and is_identity = 'YES'";
    Map<String, Long> next = new LinkedHashMap<>();
    try (Statement s = c.createStatement();
        ResultSet r = s.executeQuery(sql)) {
      while (r.next()) {
        next.put(r.getString(1), r.getLong(2));
      }
    }
    for (Map.Entry<String, Long> e : next.entrySet()) {
      try (Statement s = c.createStatement();
          ResultSet r = s.executeQuery("select max(id) from " + quoted(e.getKey()))) {
        if (r.next() && r.getLong(1) >= e.getValue()) {
          behind.put(e.getKey(), r.getLong(1));
        }
      }
    }
    return behind;
  }

  private static String quoted(String name) {
    return '"' + name.replace("\"", "\"\"") + '"';
  }
}
