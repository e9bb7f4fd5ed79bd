package sempre.server.file;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Types;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.h2.api.ErrorCode;
import sempre.core.Saying;
import sempre.server.file.OpenArchive.Column;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/**
 * Makes a school of an archive of open files. Nothing in it is believed: every table of its form
 * has to be there, every value has to be of its column's kind and within its size, a name of the
 * catalogue has to be in it, and a row that names another is refused where that is not there. What
 * is refused names the table and the line, and nothing is changed.
 */
public final class Unpacking {
  private static final int TABLE_MEGABYTES = 64;
  private static final int FILE_MEGABYTES = 26;
  private static final int DESCRIPTION_MEGABYTES = 4;
  private static final int MOST_ENTRIES = 50_000;
  private static final int MEGABYTE = 1024 * 1024;

  /** The same in every school; the first program had it otherwise (Schema.mendFirst). */
  private static final String GRADES = "grade";

  private final Connection c;
  private final ZipFile zip;
  private final Path archive;

  private Unpacking(Connection c, ZipFile zip, Path archive) {
    this.c = c;
    this.zip = zip;
    this.archive = archive;
  }

  /**
   * Makes the school of an archive in a folder; data that are there are kept.
   *
   * @throws UnusableException where it is no such archive, or is damaged; then nothing is changed
   */
  public static Backup.Restored unpack(Path archive, Path folder, Clock clock) {
    if (!Files.isRegularFile(archive)) {
      throw new UnusableException("backup.no-file", "file", archive.toString());
    }
    try (DataFolder held = DataFolder.hold(folder);
        ZipFile zip = new ZipFile(archive.toFile(), StandardCharsets.UTF_8)) {
      try {
        held.sweep();
        Backup.Holds holds = fill(zip, held.next(), archive);
        return Backup.place(held, holds, "before-unpacking", clock);
      } finally {
        held.sweep();
      }
    } catch (SQLException | IOException | JacksonException | IllegalArgumentException e) {
      throw new UnusableException(
          Saying.of("archive.damaged", "file", archive.toString(), "why", Trouble.of(e)), e);
    }
  }

  private static Backup.Holds fill(ZipFile zip, Path file, Path archive)
      throws SQLException, IOException {
    ZipEntry description = zip.getEntry(OpenArchive.DESCRIPTION);
    if (description == null) {
      throw new UnusableException("archive.none", "file", archive.toString());
    }
    if (zip.size() > MOST_ENTRIES) {
      throw new UnusableException(
          "archive.many", "file", archive.toString(), "n", zip.size(), "most", MOST_ENTRIES);
    }
    JsonNode all;
    try (InputStream in = part(zip, description, DESCRIPTION_MEGABYTES)) {
      all = OpenArchive.JSON.readTree(in);
    }
    int form = all.path(OpenArchive.FORM).asInt(0);
    if (form < 1) {
      throw new UnusableException("archive.none", "file", archive.toString());
    }
    if (form > Schema.NEWEST) {
      throw new UnusableException("backup.newer", "file", archive.toString());
    }
    // as old as the archive is, then brought on as any data are
    Schema.migrateTo(file, form);
    try (Connection c = H2File.openThere(file)) {
      new Unpacking(c, zip, archive).load(all.path("resources"));
      List<String> faults = Soundness.faults(c);
      if (!faults.isEmpty()) {
        throw new UnusableException(
            "archive.damaged", "file", archive.toString(), "why", faults.get(0));
      }
    }
    Schema.migrate(file);
    try (Connection c = H2File.openThere(file)) {
      return Backup.Holds.of(Schema.version(c), Soundness.counts(c));
    }
  }

  /** Tables before those whose rows name theirs, so that each row finds what it names. */
  private void load(JsonNode resources) throws SQLException, IOException {
    Set<String> tables = new LinkedHashSet<>(OpenArchive.tables(c));
    Map<String, String> paths = new HashMap<>();
    for (JsonNode r : resources) {
      String path = r.path("path").asString("");
      String table = path.replaceFirst("^tables/", "").replaceFirst("\\.csv$", "");
      if (!tables.contains(table) || paths.put(table, path) != null) {
        throw damaged(path);
      }
    }
    List<String> order = inOrder(tables);
    for (String table : order) {
      if (paths.containsKey(table)) {
        // what a new school begins with is in the archive too
        run("delete from " + table);
        table(table, paths.get(table));
      } else if (!table.equals(GRADES)) {
        throw damaged("tables/" + table + ".csv");
      }
    }
  }

  private List<String> inOrder(Set<String> tables) throws SQLException {
    Map<String, Set<String>> names = new HashMap<>();
    try (Statement s = c.createStatement();
        ResultSet r =
            s.executeQuery(
                "select lower(k.table_name), lower(u.table_name)"
                    + " from information_schema.referential_constraints f"
                    + " join information_schema.table_constraints k"
                    + " on k.constraint_name = f.constraint_name"
                    + " join information_schema.table_constraints u"
                    + " on u.constraint_name = f.unique_constraint_name")) {
      while (r.next()) {
        names.computeIfAbsent(r.getString(1), t -> new HashSet<>()).add(r.getString(2));
      }
    }
    Set<String> order = new LinkedHashSet<>();
    while (order.size() < tables.size()) {
      tables.stream()
          .filter(t -> !order.contains(t))
          .filter(
              t ->
                  names.getOrDefault(t, Set.of()).stream()
                      .allMatch(n -> n.equals(t) || order.contains(n)))
          .toList()
          .forEach(order::add);
    }
    return List.copyOf(order);
  }

  private void run(String sql) throws SQLException {
    try (Statement s = c.createStatement()) {
      s.execute(sql);
    }
  }

  private void table(String table, String path) throws SQLException, IOException {
    ZipEntry entry = zip.getEntry(path);
    if (entry == null) {
      throw damaged(path);
    }
    Map<String, Column> known = new HashMap<>();
    OpenArchive.columns(c, table).forEach(k -> known.put(k.name(), k));
    try (Reader reader =
            new InputStreamReader(
                part(zip, entry, TABLE_MEGABYTES), StandardCharsets.UTF_8.newDecoder());
        CSVParser csv =
            CSVParser.parse(
                reader, OpenArchive.CSV.builder().setHeader().setSkipHeaderRecord(true).get())) {
      List<Column> columns = new ArrayList<>();
      for (String name : csv.getHeaderNames()) {
        Column k = known.get(name);
        if (k == null) {
          throw damaged(path + ": " + name);
        }
        columns.add(k);
      }
      rows(table, columns, csv, path);
    } catch (CharacterCodingException e) {
      throw new UnusableException(
          Saying.of(
              "archive.table",
              "file",
              archive.toString(),
              "table",
              path,
              "why",
              Saying.of("archive.letters")),
          e);
    }
    if (hasIdentity(table)) {
      try (Statement s = c.createStatement();
          ResultSet r = s.executeQuery("select coalesce(max(id), 0) + 1 from " + table)) {
        r.next();
        run("alter table " + table + " alter column id restart with " + r.getLong(1));
      }
    }
  }

  private boolean hasIdentity(String table) throws SQLException {
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

  private void rows(String table, List<Column> columns, CSVParser csv, String path)
      throws SQLException, IOException {
    String sql =
        "insert into "
            + table
            + " ("
            + String.join(", ", columns.stream().map(Column::name).toList())
            + ")"
            + (hasIdentity(table) ? " overriding system value" : "")
            + " values ("
            + String.join(", ", columns.stream().map(k -> "?").toList())
            + ")";
    long line = 0;
    try (PreparedStatement s = c.prepareStatement(sql)) {
      var rows = csv.iterator();
      while (true) {
        line = csv.getCurrentLineNumber() + 1;
        if (!rows.hasNext()) {
          return;
        }
        row(s, table, columns, rows.next());
      }
    } catch (Odd e) {
      throw refused(path, line, e.why);
    } catch (SQLException e) {
      throw refused(path, line, odd(e));
    } catch (UncheckedIOException e) {
      throw refused(path, line, odd(e.getCause()));
    } catch (IllegalStateException e) {
      throw refused(path, line, odd(e));
    }
  }

  private static Saying odd(Exception e) {
    return e instanceof CharacterCodingException
        ? Saying.of("archive.letters")
        : Saying.of("archive.quotes");
  }

  private static Saying odd(SQLException e) {
    return switch (e.getErrorCode()) {
      case ErrorCode.REFERENTIAL_INTEGRITY_VIOLATED_PARENT_MISSING_1 -> Saying.of("archive.parent");
      case ErrorCode.DUPLICATE_KEY_1 -> Saying.of("archive.twice");
      case ErrorCode.NULL_NOT_ALLOWED -> Saying.of("archive.empty");
      case ErrorCode.VALUE_TOO_LONG_2 -> Saying.of("archive.long");
      default -> Trouble.of(e);
    };
  }

  private UnusableException refused(String path, long line, Saying why) {
    return new UnusableException(
        Saying.of(
            "archive.row", "file", archive.toString(), "table", path, "line", line, "why", why));
  }

  private UnusableException damaged(String what) {
    return new UnusableException("archive.damaged", "file", archive.toString(), "why", what);
  }

  /** A value that can't be what it is said to be. */
  private static final class Odd extends Exception {
    private static final long serialVersionUID = 1L;
    private final transient Saying why;

    Odd(String key, Object... with) {
      this.why = Saying.of(key, with);
    }
  }

  private void row(PreparedStatement s, String table, List<Column> columns, CSVRecord row)
      throws SQLException, IOException, Odd {
    if (row.size() != columns.size()) {
      throw new Odd("archive.width", "n", row.size(), "wanted", columns.size());
    }
    Map<String, String> texts = new HashMap<>();
    for (int i = 0; i < columns.size(); i++) {
      Column k = columns.get(i);
      texts.put(k.name(), Optional.ofNullable(row.get(i)).orElse(""));
      s.setObject(i + 1, row.get(i) == null ? null : value(table, k, row.get(i), texts));
    }
    Optional<String> unknown = KnownNames.unknown(table, texts);
    if (unknown.isPresent()) {
      String column = unknown.get();
      throw new Odd("archive.value", "column", column, "value", texts.get(column));
    }
    s.executeUpdate();
  }

  private Object value(String table, Column k, String text, Map<String, String> row)
      throws IOException, Odd {
    try {
      return switch (k.type()) {
        case Types.BIGINT, Types.INTEGER -> Long.valueOf(text);
        case Types.BOOLEAN -> bool(text);
        case Types.DATE -> LocalDate.parse(text);
        case Types.TIMESTAMP_WITH_TIMEZONE -> OffsetDateTime.parse(text);
        case Types.BLOB -> file(table, text, row);
        default -> text;
      };
    } catch (NumberFormatException | DateTimeException e) {
      throw new Odd("archive.value", "column", k.name(), "value", text);
    }
  }

  private static boolean bool(String text) {
    return switch (text.toLowerCase(Locale.ROOT)) {
      case "true" -> true;
      case "false" -> false;
      default -> throw new NumberFormatException(text);
    };
  }

  private byte[] file(String table, String name, Map<String, String> row) throws IOException, Odd {
    ZipEntry entry = zip.getEntry(name);
    if (entry == null) {
      throw new Odd("archive.no-entry", "entry", name);
    }
    byte[] content;
    try (InputStream in = part(zip, entry, FILE_MEGABYTES)) {
      content = in.readAllBytes();
    }
    // a page is shown as what it says it is; that has to be what it is
    if (table.equals("piece_page")
        && !PageType.of(content).map(PageType::type).equals(Optional.of(row.get("type")))) {
      throw new Odd("archive.no-page", "entry", name);
    }
    return content;
  }

  /** An entry, as it was put in, and no larger than it may be. */
  private static InputStream part(ZipFile zip, ZipEntry entry, int megabytes) throws IOException {
    return new FilterInputStream(ZipPart.whole(zip, entry)) {
      private long left = (long) megabytes * MEGABYTE;

      @Override
      public int read() throws IOException {
        int b = super.read();
        return taken(b, b < 0 ? 0 : 1);
      }

      @Override
      public int read(byte[] into, int from, int most) throws IOException {
        int n = super.read(into, from, most);
        return taken(n, Math.max(0, n));
      }

      private int taken(int result, int bytes) {
        left -= bytes;
        if (left < 0) {
          throw new UnusableException("archive.large", "entry", entry.getName(), "most", megabytes);
        }
        return result;
      }
    };
  }
}
