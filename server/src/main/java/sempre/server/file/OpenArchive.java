package sempre.server.file;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Reader;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
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
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.csv.QuoteMode;
import sempre.core.Saying;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Everything a school has as an archive of open files, and back: a table each as CSV (RFC 4180),
 * the pieces as the music files they came as, and {@code datapackage.json}, which says what each
 * column is (Data Package, Frictionless Standards). Any program that reads tables can use it
 * without Sempre; another Sempre makes the same school of it.
 */
public final class OpenArchive {
  private static final String DESCRIPTION = "datapackage.json";
  private static final String FORM = "sempre-form";
  private static final String HISTORY = "flyway_schema_history";
  private static final int LONGEST_NAME = 80;
  private static final JsonMapper JSON = new JsonMapper();

  /** Quotes tell an empty text from nothing. */
  private static final CSVFormat CSV =
      CSVFormat.RFC4180.builder().setQuoteMode(QuoteMode.ALL_NON_NULL).setNullString("").get();

  /** A column: its name and what JDBC calls its type. */
  private record Column(String name, int type) {
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

  private static List<String> tables(Connection c) throws SQLException {
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

  private static List<Column> columns(Connection c, String table) throws SQLException {
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

  /**
   * Makes the school of an archive in a folder; data that are there are kept.
   *
   * @return where the data that were there are kept; empty where there were none
   * @throws UnusableException where it is no such archive, or is damaged
   */
  public static Optional<Path> unpack(Path archive, Path folder, Clock clock) {
    if (!Files.isRegularFile(archive)) {
      throw new UnusableException("backup.no-file", "file", archive.toString());
    }
    try (DataFolder held = DataFolder.hold(folder);
        ZipFile zip = new ZipFile(archive.toFile(), StandardCharsets.UTF_8)) {
      held.sweep();
      fill(zip, held.next(), archive);
      Optional<Path> kept =
          Files.exists(held.file())
              ? Optional.of(School.keep(held, "before-unpacking", clock))
              : Optional.empty();
      Files600.replace(held.next(), held.file());
      return kept;
    } catch (SQLException | IOException | JacksonException | IllegalArgumentException e) {
      throw new UnusableException(
          Saying.of("archive.damaged", "file", archive.toString(), "why", Trouble.of(e)), e);
    }
  }

  private static void fill(ZipFile zip, Path file, Path archive) throws SQLException, IOException {
    ZipEntry description = zip.getEntry(DESCRIPTION);
    if (description == null) {
      throw new UnusableException("archive.none", "file", archive.toString());
    }
    JsonNode all;
    try (InputStream in = zip.getInputStream(description)) {
      all = JSON.readTree(in);
    }
    int form = all.path(FORM).asInt(0);
    if (form < 1) {
      throw new UnusableException("archive.none", "file", archive.toString());
    }
    if (form > Schema.NEWEST) {
      throw new UnusableException("backup.newer", "file", archive.toString());
    }
    // as old as the archive is, then brought on as any data are
    Schema.migrateTo(file, form);
    try (Connection c = H2File.openThere(file)) {
      run(c, "set referential_integrity false");
      for (JsonNode r : all.path("resources")) {
        load(c, zip, r.path("path").asString(""), archive);
      }
      run(c, "set referential_integrity true");
      List<String> faults = Soundness.faults(c);
      if (!faults.isEmpty()) {
        throw new UnusableException(
            "archive.damaged", "file", archive.toString(), "why", faults.get(0));
      }
    }
    Schema.migrate(file);
  }

  private static void run(Connection c, String sql) throws SQLException {
    try (Statement s = c.createStatement()) {
      s.execute(sql);
    }
  }

  private static void load(Connection c, ZipFile zip, String path, Path archive)
      throws SQLException, IOException {
    String table = path.replaceFirst("^tables/", "").replaceFirst("\\.csv$", "");
    ZipEntry entry = zip.getEntry(path);
    if (!tables(c).contains(table) || entry == null) {
      throw new UnusableException("archive.damaged", "file", archive.toString(), "why", path);
    }
    // what a new school begins with stands in the archive too
    run(c, "delete from " + table);
    Map<String, Column> known = new LinkedHashMap<>();
    columns(c, table).forEach(k -> known.put(k.name(), k));
    try (Reader reader = new InputStreamReader(zip.getInputStream(entry), StandardCharsets.UTF_8);
        CSVParser csv =
            CSVParser.parse(reader, CSV.builder().setHeader().setSkipHeaderRecord(true).get())) {
      List<Column> columns = new ArrayList<>();
      for (String name : csv.getHeaderNames()) {
        Column k = known.get(name);
        if (k == null) {
          throw new UnusableException(
              "archive.damaged", "file", archive.toString(), "why", path + ": " + name);
        }
        columns.add(k);
      }
      rows(c, table, columns, csv, zip);
    }
    if (hasIdentity(c, table)) {
      try (Statement s = c.createStatement();
          ResultSet r = s.executeQuery("select coalesce(max(id), 0) + 1 from " + table)) {
        r.next();
        run(c, "alter table " + table + " alter column id restart with " + r.getLong(1));
      }
    }
  }

  private static boolean hasIdentity(Connection c, String table) throws SQLException {
    try (PreparedStatement s =
        c.prepareStatement(
            "select 1 from information_schema.columns where lower(table_name) = ?"
                + " and lower(column_name) = 'id' and is_identity = 'YES'")) {
      s.setString(1, table);
      try (ResultSet r = s.executeQuery()) {
        return r.next();
      }
    }
  }

  private static void rows(
      Connection c, String table, List<Column> columns, CSVParser csv, ZipFile zip)
      throws SQLException, IOException {
    String sql =
        "insert into "
            + table
            + " ("
            + String.join(", ", columns.stream().map(Column::name).toList())
            + ")"
            + (hasIdentity(c, table) ? " overriding system value" : "")
            + " values ("
            + String.join(", ", columns.stream().map(k -> "?").toList())
            + ")";
    try (PreparedStatement s = c.prepareStatement(sql)) {
      for (CSVRecord row : csv) {
        for (int i = 0; i < columns.size(); i++) {
          s.setObject(i + 1, value(columns.get(i), row.get(i), zip));
        }
        s.executeUpdate();
      }
    }
  }

  private static Object value(Column k, String text, ZipFile zip) throws IOException {
    if (text == null) {
      return null;
    }
    return switch (k.type()) {
      case Types.BIGINT, Types.INTEGER -> Long.valueOf(text);
      case Types.BOOLEAN -> Boolean.valueOf(text);
      case Types.DATE -> LocalDate.parse(text);
      case Types.TIMESTAMP_WITH_TIMEZONE -> OffsetDateTime.parse(text);
      case Types.BLOB -> {
        ZipEntry entry = zip.getEntry(text);
        if (entry == null) {
          throw new IOException(text);
        }
        try (InputStream in = zip.getInputStream(entry)) {
          yield in.readAllBytes();
        }
      }
      default -> text;
    };
  }
}
