package sempre.server.file;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Types;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.QuoteMode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Everything a school has as an archive of open files, and back: a table each as CSV (RFC 4180),
 * the pieces as the music files they came as, and {@code datapackage.json}, which says what each
 * column is (Data Package, Frictionless Standards). Any program that reads tables can use it
 * without Sempre; another Sempre makes the same school of it ({@link Unpacking}). Values are exact:
 * a name that begins with {@code =} stays so, and a spreadsheet may take it for a formula.
 */
public final class OpenArchive {
  static final String DESCRIPTION = "datapackage.json";
  static final String FORM = "sempre-form";
  private static final String HISTORY = "flyway_schema_history";
  private static final int LONGEST_NAME = 80;
  static final JsonMapper JSON = new JsonMapper();

  /** Quotes tell an empty text from nothing. */
  static final CSVFormat CSV =
      CSVFormat.RFC4180.builder().setQuoteMode(QuoteMode.ALL_NON_NULL).setNullString("").get();

  /** A column: its name and what JDBC calls its type. */
  record Column(String name, int type) {
    boolean isFile() {
      return type == Types.BLOB;
    }

    /** Its type in a Table Schema. */
    String described() {
      return switch (type) {
        case Types.BIGINT, Types.INTEGER -> "integer";
        case Types.BOOLEAN -> "boolean";
        case Types.DATE -> "date";
        case Types.TIMESTAMP_WITH_TIMEZONE -> "datetime";
        default -> "string";
      };
    }
  }

  private OpenArchive() {}

  /** Writes an archive of data that are open; nobody changes them meanwhile. */
  public static void write(Connection c, OutputStream out, Clock clock)
      throws SQLException, IOException {
    List<Map<String, Object>> resources = new ArrayList<>();
    try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
      for (String table : tables(c)) {
        resources.add(table(c, table, zip));
      }
      Map<String, Object> all = new LinkedHashMap<>();
      all.put("profile", "tabular-data-package");
      all.put("name", "sempre-school");
      all.put("created", OffsetDateTime.now(clock).toString());
      all.put(FORM, Schema.version(c));
      all.put("resources", resources);
      zip.putNextEntry(new ZipEntry(DESCRIPTION));
      zip.write(JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(all));
      zip.closeEntry();
    }
  }

  static List<String> tables(Connection c) throws SQLException {
    List<String> all = new ArrayList<>();
    try (Statement s = c.createStatement();
        ResultSet r =
            s.executeQuery(
                "select lower(table_name) from information_schema.tables"
                    + " where table_schema = 'PUBLIC' and table_type = 'BASE TABLE'"
                    + " order by 1")) {
      while (r.next()) {
        if (!r.getString(1).equals(HISTORY)) {
          all.add(r.getString(1));
        }
      }
    }
    return all;
  }

  static List<Column> columns(Connection c, String table) throws SQLException {
    List<Column> all = new ArrayList<>();
    try (Statement s = c.createStatement();
        ResultSet r = s.executeQuery("select * from " + table + " where false")) {
      ResultSetMetaData m = r.getMetaData();
      for (int i = 1; i <= m.getColumnCount(); i++) {
        all.add(new Column(m.getColumnName(i).toLowerCase(Locale.ROOT), m.getColumnType(i)));
      }
    }
    return all;
  }

  private static Map<String, Object> table(Connection c, String table, ZipOutputStream zip)
      throws SQLException, IOException {
    List<Column> columns = columns(c, table);
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (Writer writer = new OutputStreamWriter(bytes, StandardCharsets.UTF_8);
        CSVPrinter csv = new CSVPrinter(writer, CSV);
        Statement s = c.createStatement();
        ResultSet r = s.executeQuery("select * from " + table + " order by 1")) {
      csv.printRecord(columns.stream().map(Column::name).toList());
      while (r.next()) {
        List<String> row = new ArrayList<>();
        for (Column k : columns) {
          row.add(k.isFile() ? file(r, k, table, zip) : text(r, k));
        }
        csv.printRecord(row);
      }
    }
    String path = "tables/" + table + ".csv";
    zip.putNextEntry(new ZipEntry(path));
    zip.write(bytes.toByteArray());
    zip.closeEntry();
    return Map.of(
        "name",
        table.replace('_', '-'),
        "path",
        path,
        "profile",
        "tabular-data-resource",
        "schema",
        Map.of(
            "fields",
            columns.stream().map(k -> Map.of("name", k.name(), "type", k.described())).toList()));
  }

  private static String text(ResultSet r, Column k) throws SQLException {
    Object value =
        switch (k.type()) {
          case Types.DATE -> r.getObject(k.name(), LocalDate.class);
          case Types.TIMESTAMP_WITH_TIMEZONE -> r.getObject(k.name(), OffsetDateTime.class);
          default -> r.getObject(k.name());
        };
    return value == null ? null : value.toString();
  }

  /** A file of its own; in the table stands where it is. */
  private static String file(ResultSet r, Column k, String table, ZipOutputStream zip)
      throws SQLException, IOException {
    byte[] content = r.getBytes(k.name());
    if (content == null) {
      return null;
    }
    boolean piece = table.equals("piece");
    String called = piece ? r.getString("file_name") : r.getString("name");
    String plain = called.replaceAll("[^\\p{L}\\p{N}. -]", "_");
    String path =
        (piece ? "pieces/" : "pages/")
            + r.getLong(piece ? "id" : "piece_id")
            + " "
            + plain.substring(Math.max(0, plain.length() - LONGEST_NAME));
    zip.putNextEntry(new ZipEntry(path));
    zip.write(content);
    zip.closeEntry();
    return path;
  }
}
