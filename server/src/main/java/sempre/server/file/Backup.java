package sempre.server.file;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import sempre.core.Saying;

/**
 * A backup: a zip archive with the data file in it. It counts as one when it was taken out and
 * opened, and agrees with itself.
 */
public final class Backup {
  private static final String DAILY = "daily-";
  static final String SUFFIX = ".zip";

  private static final Comparator<Path> ORDER = Comparator.comparing(Backup::dayOf);
  private static final Pattern MADE =
      Pattern.compile("(?:" + DAILY + "|before-.*-)(\\d{4}-\\d\\d-\\d\\d)(?:-\\d{6})?\\..*");

  private Backup() {}

  /**
   * Writes a backup of data that are open, also while others write to them.
   *
   * @param file where to; what is there is replaced once the new one is seen to be good
   */
  public static void make(Connection c, Path file) throws SQLException, IOException {
    Path dir = file.toAbsolutePath().getParent();
    Path part = dir.resolve("." + file.getFileName() + ".part");
    try {
      Files.deleteIfExists(part);
      try (Statement s = c.createStatement()) {
        s.execute("backup to '" + part.toString().replace("'", "''") + "'");
      }
      take(part, file);
    } finally {
      Files.deleteIfExists(part);
    }
  }

  /** Puts a backup that was fetched into its place, once it is seen to be good. */
  public static void take(Path part, Path file) throws IOException {
    Files600.file(part);
    check(part, file.toAbsolutePath().getParent());
    Files600.replace(part, file);
  }

  /** Backs up a folder that no Sempre has open. */
  public static void make(Path folder, Path file, Clock clock) {
    try (School school = School.open(folder, clock);
        Connection c = H2File.openThere(school.folder().file())) {
      make(c, file);
    } catch (SQLException | IOException e) {
      throw new UnusableException(Saying.of("backup.not-written", "why", Trouble.of(e)), e);
    }
  }

  /**
   * Takes a backup out, opens it and looks whether it agrees with itself.
   *
   * @param room a folder with room for what is taken out
   * @return the form of its tables
   * @throws UnusableException where it does not
   */
  public static int check(Path backup, Path room) throws IOException {
    Path dir = Files.createTempDirectory(room, ".check");
    Path file = dir.resolve("check" + H2File.SUFFIX);
    try {
      takeOut(backup, file);
      try (Connection c = H2File.openThere(file)) {
        List<String> faults = Soundness.faults(c);
        if (!faults.isEmpty()) {
          throw new UnusableException(
              "backup.damaged", "file", backup.toString(), "why", faults.get(0));
        }
        int version = Schema.version(c);
        if (version == 0 || version > Schema.NEWEST) {
          throw new UnusableException(
              version == 0 ? "backup.no-school" : "backup.newer", "file", backup.toString());
        }
        return version;
      } catch (SQLException e) {
        throw new UnusableException(
            Saying.of("backup.cant-open", "file", backup.toString(), "why", Trouble.of(e)), e);
      }
    } finally {
      Files.deleteIfExists(file);
      Files.deleteIfExists(dir);
    }
  }

  /** Takes the data file out of a backup, or copies one that is no archive. */
  private static void takeOut(Path backup, Path to) throws IOException {
    if (!Files.isRegularFile(backup)) {
      throw new UnusableException("backup.no-file", "file", backup.toString());
    }
    if (H2File.looksRight(backup)) {
      Files600.copy(backup, to);
      return;
    }
    try (ZipFile zip = new ZipFile(backup.toFile())) {
      ZipEntry entry =
          zip.stream()
              .filter(e -> e.getName().endsWith(H2File.SUFFIX))
              .findFirst()
              .orElseThrow(() -> new UnusableException("backup.none", "file", backup.toString()));
      try (InputStream in = zip.getInputStream(entry)) {
        Files.copy(in, to);
      }
      Files600.file(to);
    } catch (java.util.zip.ZipException e) {
      throw new UnusableException(
          Saying.of("backup.none-or-damaged", "file", backup.toString()), e);
    }
  }

  /**
   * Puts a backup in the place of a folder's data, which are kept.
   *
   * @return where the data that were there are kept; empty where there were none
   */
  public static Optional<Path> restore(Path backup, Path folder, Clock clock) {
    try (DataFolder held = DataFolder.hold(folder)) {
      check(backup, held.file().getParent());
      held.sweep();
      takeOut(backup, held.next());
      Optional<Path> kept =
          Files.exists(held.file())
              ? Optional.of(School.keep(held, "before-restore", clock))
              : Optional.empty();
      Files600.replace(held.next(), held.file());
      return kept;
    } catch (IOException e) {
      throw new UnusableException(Saying.of("backup.not-placed", "why", Trouble.of(e)), e);
    }
  }

  /** The newest daily backup in a folder. */
  static Optional<Path> newest(DataFolder folder) {
    return all(folder).filter(f -> f.getFileName().toString().startsWith(DAILY)).max(ORDER);
  }

  /** The backups and kept files of the days before one. */
  static List<Path> before(DataFolder folder, LocalDate day) {
    return all(folder).filter(f -> dayOf(f).compareTo(day.toString()) < 0).sorted(ORDER).toList();
  }

  private static Stream<Path> all(DataFolder folder) {
    try (Stream<Path> files = Files.list(folder.backups())) {
      return files.filter(f -> !dayOf(f).isEmpty()).toList().stream();
    } catch (IOException e) {
      return Stream.empty();
    }
  }

  private static String dayOf(Path file) {
    Matcher day = MADE.matcher(file.getFileName().toString());
    return day.matches() ? day.group(1) : "";
  }

  /** The place of a day's backup. */
  static Path of(DataFolder folder, LocalDate day) {
    return folder.backups().resolve(DAILY + day + SUFFIX);
  }
}
