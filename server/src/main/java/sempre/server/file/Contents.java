package sempre.server.file;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.h2.mvstore.MVMap;
import org.h2.mvstore.MVStore;
import org.h2.mvstore.MVStoreException;
import org.h2.mvstore.WriteBuffer;
import org.h2.mvstore.db.RowDataType;
import org.h2.mvstore.tx.VersionedValueType;
import org.h2.mvstore.type.BasicDataType;
import org.h2.mvstore.type.DataType;
import org.h2.mvstore.type.LongDataType;
import org.h2.mvstore.type.MetaType;
import org.h2.mvstore.type.StringDataType;
import org.h2.result.RowFactory;
import org.h2.result.SearchRow;
import org.h2.table.Column;
import org.h2.value.CompareMode;
import org.h2.value.TypeInfo;
import org.h2.value.VersionedValue;

/**
 * What a data file says it is made of: the statements from which H2 sets up its tables when it
 * opens the file. H2 runs them then, and views, aliases, triggers, linked tables and defaults among
 * them can do whatever the user can. So they are read here without H2's engine, and a file that has
 * any that Sempre's migrations did not write is refused before it is opened.
 */
final class Contents {
  /** The statements of all forms, as {@link #of} puts them; a test holds them to the migrations. */
  private static final String KNOWN = "/db/contents.txt";

  private static final int COLUMNS = 4;
  private static final int STATEMENT = 3;
  private static final int SHOWN = 80;
  private static final String OWN_CLASSES = "org.h2.";

  private Contents() {}

  /**
   * The first thing in a file that is not Sempre's, shortened.
   *
   * @throws IOException where the file can't be read
   */
  static Optional<String> foreign(Path file) throws IOException {
    SortedSet<String> all = of(file);
    all.removeAll(known());
    return all.stream().findFirst().map(s -> s.substring(0, Math.min(SHOWN, s.length())));
  }

  /**
   * Refuses a file with anything in it that is not Sempre's.
   *
   * @param file what is read
   * @param name how it is called in the sentence
   */
  static void refuseForeign(Path file, Path name) throws IOException {
    Optional<String> foreign = foreign(file);
    if (foreign.isPresent()) {
      throw new UnusableException("data.foreign", "file", name.toString(), "what", foreign.get());
    }
  }

  /** A file's statements, without what differs from school to school. */
  static SortedSet<String> of(Path file) throws IOException {
    SortedSet<String> all = new TreeSet<>();
    MVStore store = null;
    try {
      store = new MVStore.Builder().fileName(file.toString()).readOnly().open();
      if (store.hasMap("_")) {
        store
            .openMap(
                "_",
                new MVMap.Builder<String, DataType<?>>()
                    .keyType(StringDataType.INSTANCE)
                    .valueType(new OwnTypes()))
            .values()
            .forEach(t -> {});
      }
      for (VersionedValue<SearchRow> row : store.openMap("table.0", statements()).values()) {
        add(row.getCurrentValue(), all);
        add(row.getCommittedValue(), all);
      }
      return all;
    } catch (MVStoreException | IllegalArgumentException | ClassCastException e) {
      throw new IOException(e.getMessage(), e);
    } finally {
      if (store != null) {
        store.closeImmediately();
      }
    }
  }

  private static void add(SearchRow row, Set<String> all) {
    if (row != null) {
      all.add(plain(row.getValue(STATEMENT).getString()));
    }
  }

  /** Without the names that H2 makes up, and without numbers and passwords. */
  private static String plain(String sql) {
    return sql.replaceAll("\\s+", " ")
        .replaceAll("\"SYSTEM_SEQUENCE_\\w+\"", "\"SEQUENCE\"")
        .replaceAll("\"((PRIMARY|UNIQUE)_KEY|(CONSTRAINT|UNIQUE)_INDEX|CONSTRAINT)_\\w+\"", "\"\"")
        .replaceAll("(START|RESTART) WITH \\d+ ?", "")
        .replaceAll("SALT '\\p{XDigit}*' HASH '\\p{XDigit}*'", "SALT '' HASH ''")
        .replaceAll("^SET CREATE_BUILD \\d+$", "SET CREATE_BUILD")
        .replaceAll("\\) INDEX \"PUBLIC\"\\.\"\\w*\"", ")")
        .replaceAll(" NOCHECK$", "");
  }

  private static Set<String> known() {
    try (BufferedReader in =
        new BufferedReader(
            new InputStreamReader(
                Contents.class.getResourceAsStream(KNOWN), StandardCharsets.UTF_8))) {
      return in.lines().collect(Collectors.toSet());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** H2's table of statements: id, head, type and text. */
  private static MVMap.Builder<Long, VersionedValue<SearchRow>> statements() {
    CompareMode mode = CompareMode.getInstance(null, 0);
    Column[] columns = new Column[COLUMNS];
    for (int i = 0; i < COLUMNS; i++) {
      columns[i] = new Column("", i == STATEMENT ? TypeInfo.TYPE_VARCHAR : TypeInfo.TYPE_INTEGER);
    }
    RowDataType rows = new RowDataType(null, mode, null, new int[COLUMNS], null, COLUMNS, false);
    rows.setRowFactory(
        RowFactory.getRowFactory().createRowFactory(null, mode, null, columns, null, false));
    return new MVMap.Builder<Long, VersionedValue<SearchRow>>()
        .keyType(LongDataType.INSTANCE)
        .valueType(new VersionedValueType<SearchRow, Object>(rows));
  }

  /**
   * Reads how the file says its rows are to be read. It names classes, which H2 makes instances of;
   * only H2's own are looked at.
   */
  private static final class OwnTypes extends BasicDataType<DataType<?>> {
    private final MetaType<Object> types = new MetaType<>(null, null);

    @Override
    public DataType<?> read(ByteBuffer from) {
      ByteBuffer ahead = from.duplicate();
      int length = org.h2.mvstore.DataUtils.readVarInt(ahead);
      String name = org.h2.mvstore.DataUtils.readString(ahead, length);
      if (!name.startsWith(OWN_CLASSES)) {
        throw new IllegalArgumentException(name);
      }
      return types.read(from);
    }

    @Override
    public int getMemory(DataType<?> type) {
      return 0;
    }

    @Override
    public void write(WriteBuffer to, DataType<?> type) {
      throw new UnsupportedOperationException();
    }

    @Override
    public DataType<?>[] createStorage(int size) {
      return new DataType<?>[size];
    }
  }
}
