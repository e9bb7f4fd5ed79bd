package sempre.server.file;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import sempre.core.Saying;

/**
 * A school's data, ready to be used: held, in the newest form and in agreement with themselves.
 * Whatever has to be changed for that is done on a copy that then takes the place of the data in
 * one step; what was there before is kept. So an end at any moment leaves data that open.
 */
public final class School implements AutoCloseable {
  private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyy-MM-dd-HHmmss");

  /** After every day of a backup's name. */
  private static final LocalDate LAST = LocalDate.of(9999, 12, 31);

  private final DataFolder folder;
  private final List<Saying> said;
  private Connection connection;

  private School(DataFolder folder, List<Saying> said, Connection connection) {
    this.folder = folder;
    this.said = List.copyOf(said);
    this.connection = connection;
  }

  /**
   * Opens the data in a folder, or makes an empty school there.
   *
   * @throws UnusableException with what to do where that can't be
   */
  public static School open(Path dir, Clock clock) {
    DataFolder folder = DataFolder.hold(dir);
    try {
      List<Saying> said = new ArrayList<>();
      folder.sweep();
      if (!Files.exists(folder.file())) {
        Schema.migrate(folder.next());
        Files600.replace(folder.next(), folder.file());
      } else {
        ready(folder, said, clock);
      }
      if (Files.exists(folder.erased())) {
        rewrite(folder);
      }
      Files600.file(folder.file());
      return new School(folder, said, H2File.openThere(folder.file()));
    } catch (SQLException | IOException e) {
      letGo(folder);
      throw new UnusableException(sentence(folder, e), e);
    } catch (RuntimeException e) {
      letGo(folder);
      throw e instanceof UnusableException u ? u : new UnusableException(sentence(folder, e), e);
    }
  }

  private static void letGo(DataFolder folder) {
    try {
      folder.sweep();
    } catch (IOException e) {
      // what is half made stays; the next start takes it away
    }
    folder.release();
  }

  private static void ready(DataFolder folder, List<Saying> said, Clock clock)
      throws SQLException, IOException {
    Path file = folder.file();
    if (Files.size(file) == 0) {
      throw new UnusableException("data.empty", "file", file.toString(), "way", wayOut(folder));
    }
    if (!Files.isWritable(file)) {
      throw new UnusableException("data.not-writable", "file", file.toString());
    }
    if (!H2File.looksRight(file)) {
      throw new UnusableException("data.not-ours", "file", file.toString(), "way", wayOut(folder));
    }
    int version;
    List<String> faults;
    Contents.refuseForeign(file, file);
    try (Connection c = H2File.openToRead(file)) {
      version = Schema.version(c);
      if (version > Schema.NEWEST) {
        throw new UnusableException("data.newer", "folder", String.valueOf(file.getParent()));
      }
      faults = Soundness.faults(c);
    }
    if (!faults.isEmpty()) {
      rebuild(folder, said, clock);
    }
    if (version < Schema.NEWEST) {
      Files600.copy(file, folder.next());
      Schema.migrate(folder.next());
      keep(folder, "before-form-" + Schema.NEWEST, clock);
      Files600.replace(folder.next(), file);
    }
  }

  private static void rebuild(DataFolder folder, List<Saying> said, Clock clock)
      throws SQLException, IOException {
    List<String> left = Soundness.rebuild(folder.file(), folder.next());
    if (!left.isEmpty()) {
      throw new UnusableException(
          "data.damaged",
          "file",
          folder.file().toString(),
          "why",
          left.get(0),
          "way",
          wayOut(folder));
    }
    Path kept = keep(folder, "before-repair", clock);
    Files600.replace(folder.next(), folder.file());
    said.add(Saying.of("data.mended", "file", kept.toString()));
  }

  /** Keeps the data as they are, under a name that says why. */
  static Path keep(DataFolder folder, String why, Clock clock) throws IOException {
    Files600.folder(folder.backups());
    String name = why + "-" + LocalDateTime.now(clock).format(STAMP);
    Path kept = folder.backups().resolve(name + H2File.SUFFIX);
    // what was kept within the same second stays
    for (int n = 2; Files.exists(kept); n++) {
      kept = folder.backups().resolve(name + "-" + n + H2File.SUFFIX);
    }
    // half a copy never has the name of a whole one
    Path copy = folder.backups().resolve("." + UUID.randomUUID() + H2File.SUFFIX);
    Files600.copy(folder.file(), copy);
    Files600.replace(copy, kept);
    return kept;
  }

  private static Saying sentence(DataFolder folder, Exception e) {
    String dir = String.valueOf(folder.file().getParent());
    if (Trouble.noRoom(e)) {
      return Saying.of("data.no-room", "folder", dir);
    }
    if (String.valueOf(e.getMessage()).contains("may be already in use")) {
      return Saying.of("data.open", "folder", dir);
    }
    return Saying.of(
        "data.cant-open",
        "file",
        folder.file().toString(),
        "why",
        Trouble.of(e),
        "way",
        wayOut(folder));
  }

  private static Saying wayOut(DataFolder folder) {
    return Backup.newest(folder)
        .map(b -> Saying.of("data.last-backup", "file", b.toString()))
        .orElse(Saying.of("data.restore"));
  }

  /** Whether there is a school in a folder. */
  public static boolean isIn(Path dir) {
    return Files.exists(dir.resolve(DataFolder.NAME + H2File.SUFFIX));
  }

  /** What the user is to know of the opening. */
  public List<Saying> said() {
    return said;
  }

  /**
   * Notes that something was erased whose words still stand in the file; if it is not written anew
   * before, the next start does.
   */
  public void erased() throws IOException {
    Files.writeString(folder.erased(), "");
  }

  /**
   * Writes the file anew, with nothing in it but what there is. Nobody may have it open.
   *
   * @throws UnusableException where the new one does not agree with itself; then nothing is changed
   */
  public synchronized void rewrite() throws IOException {
    try {
      try (Connection c = H2File.openThere(folder.file());
          Statement s = c.createStatement()) {
        // whoever else had it open in this process has let go, and now the file is let go too
        s.execute("shutdown");
      }
      rewrite(folder);
    } catch (SQLException e) {
      throw new IOException(e);
    }
  }

  private static void rewrite(DataFolder folder) throws IOException, SQLException {
    folder.sweep();
    List<String> faults = Soundness.rebuild(folder.file(), folder.next());
    if (!faults.isEmpty()) {
      throw new UnusableException("data.not-anew", "why", faults.get(0));
    }
    Files600.replace(folder.next(), folder.file());
    Files.deleteIfExists(folder.erased());
  }

  /**
   * Makes a backup of the running school.
   *
   * @return a file of its own, to be moved or deleted by who asked
   */
  public synchronized Path backup() throws IOException {
    Files600.folder(folder.backups());
    Path file = folder.backups().resolve("." + UUID.randomUUID() + Backup.SUFFIX);
    try (Connection c = H2File.openThere(folder.file())) {
      Backup.make(c, file);
    } catch (SQLException e) {
      throw new IOException(e);
    }
    return file;
  }

  /**
   * Makes today's backup anew and deletes all others, with what a restore or an upgrade replaced:
   * what was erased is in none of them any more.
   */
  public synchronized void renewBackups(Clock clock) throws IOException {
    Path today = Backup.of(folder, LocalDate.now(clock));
    Files600.replace(backup(), today);
    for (Path old : Backup.before(folder, LAST)) {
      if (!old.equals(today)) {
        Files.delete(old);
      }
    }
  }

  /**
   * Writes the running school as an archive of open files.
   *
   * @return a file of its own, to be moved or deleted by who asked
   */
  public synchronized Path archive(Clock clock) throws IOException {
    Files600.folder(folder.backups());
    Path file = folder.backups().resolve("." + UUID.randomUUID() + Backup.SUFFIX);
    Files.createFile(file);
    Files600.file(file);
    try (Connection c = H2File.openThere(folder.file());
        OutputStream out = Files.newOutputStream(file)) {
      OpenArchive.write(c, out, clock);
    } catch (SQLException e) {
      throw new IOException(e);
    }
    return file;
  }

  /** The address of the data. */
  public String url() {
    return H2File.url(folder.file());
  }

  /** The folder of the data. */
  public DataFolder folder() {
    return folder;
  }

  /** The application has its own connections from here on. */
  public void handOver() {
    try {
      if (connection != null) {
        connection.close();
        connection = null;
      }
    } catch (SQLException e) {
      throw new UnusableException(sentence(folder, e), e);
    }
  }

  /** After a good end. */
  @Override
  public void close() {
    handOver();
    folder.close();
  }
}
