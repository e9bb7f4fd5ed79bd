package sempre.server.file;

import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.springframework.util.FileSystemUtils;
import sempre.core.Saying;

/**
 * A backup: a zip archive with the data file in it. It counts as one when it was taken out and
 * opened, and agrees with itself.
 */
public final class Backup {
  private static final String DAILY = "daily-";
  static final String SUFFIX = ".zip";

  /** Begins the names of folders in which a backup is made or looked at. */
  private static final String OWN = ".sempre-backup";

  private static final Duration LEFT_OVER = Duration.ofHours(1);

  private static final Comparator<Path> ORDER = Comparator.comparing(Backup::dayOf);
  private static final Pattern MADE =
      Pattern.compile(
          "(?:" + DAILY + "|before-.*-)(\\d{4}-\\d\\d-\\d\\d)(?:-\\d{6}(?:-\\d+)?)?\\..*");

  private Backup() {}

  /**
   * What a backup was found to hold.
   *
   * @param form the form of its tables
   */
  public record Holds(int form, long students, long grades, long pieces) {
    static Holds of(int form, Map<String, Long> rows) {
      return new Holds(
          form,
          rows.getOrDefault("STUDENT", 0L),
          rows.getOrDefault("HEARD", 0L),
          rows.getOrDefault("PIECE", 0L));
    }
  }

  /**
   * A backup that was put in place.
   *
   * @param kept where the data that were there are kept; empty where there were none
   */
  public record Restored(Optional<Path> kept, Holds holds) {}

  /**
   * Writes a backup of data that are open, also while others write to them.
   *
   * @param file where to; what is there is replaced once the new one is seen to be good
   */
  public static void make(Connection c, Path file) throws SQLException, IOException {
    Path dir = ownFolder(file.toAbsolutePath().getParent());
    try {
      Path copied = dir.resolve("copy.zip");
      try (Statement s = c.createStatement()) {
        s.execute("backup to '" + copied.toString().replace("'", "''") + "'");
      }
      Path data = dir.resolve("check" + H2File.SUFFIX);
      BackupZip.takeOut(copied, data);
      Look look = look(data, file);
      Path made = dir.resolve("made.zip");
      BackupZip.write(data, look.form(), look.rows(), made);
      take(made, file);
    } finally {
      FileSystemUtils.deleteRecursively(dir);
    }
  }

  /**
   * A folder beside a backup for what is half made. One that a kill left there before holds names
   * of students, and goes; whoever works in one now began it less than an hour ago.
   */
  private static Path ownFolder(Path in) throws IOException {
    Instant longAgo = Instant.now().minus(LEFT_OVER);
    try (DirectoryStream<Path> left = Files.newDirectoryStream(in, OWN + "*")) {
      for (Path p : left) {
        if (Files.getLastModifiedTime(p).toInstant().isBefore(longAgo)) {
          FileSystemUtils.deleteRecursively(p);
        }
      }
    }
    return Files.createTempDirectory(in, OWN);
  }

  /** Puts a backup into its place, once it is seen to be good. */
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
   * @throws UnusableException where it does not
   */
  public static Holds check(Path backup, Path room) throws IOException {
    Path dir = ownFolder(room);
    try {
      return takeOut(backup, dir.resolve("check" + H2File.SUFFIX));
    } finally {
      FileSystemUtils.deleteRecursively(dir);
    }
  }

  /** Takes the data file out of a backup, or copies one that is no archive, and looks at it. */
  private static Holds takeOut(Path backup, Path to) throws IOException {
    if (!Files.isRegularFile(backup)) {
      throw new UnusableException("backup.no-file", "file", backup.toString());
    }
    Optional<BackupZip.Description> said = Optional.empty();
    if (H2File.looksRight(backup)) {
      Files600.copy(backup, to);
    } else {
      try {
        said = BackupZip.takeOut(backup, to);
      } catch (java.util.zip.ZipException e) {
        throw new UnusableException(
            Saying.of("backup.none-or-damaged", "file", backup.toString()), e);
      }
    }
    Look look = look(to, backup);
    if (said.isPresent()
        && (said.get().form() != look.form() || !said.get().rows().equals(look.rows()))) {
      throw new UnusableException("backup.other-rows", "file", backup.toString());
    }
    return look.holds();
  }

  /** What is in a data file. */
  private record Look(int form, Map<String, Long> rows) {
    Holds holds() {
      return Holds.of(form, rows);
    }
  }

  /**
   * Opens a data file, which is not changed, once nothing in it would be run.
   *
   * @param backup what it came from, for the sentences
   * @throws UnusableException where it can't be used
   */
  private static Look look(Path data, Path backup) throws IOException {
    try {
      Contents.refuseForeign(data, backup);
      try (Connection c = H2File.openToRead(data)) {
        int form = Schema.version(c);
        if (form == 0 || form > Schema.NEWEST) {
          throw new UnusableException(
              form == 0 ? "backup.no-school" : "backup.newer", "file", backup.toString());
        }
        List<String> faults = Soundness.faults(c);
        if (!faults.isEmpty()) {
          throw new UnusableException(
              "backup.damaged", "file", backup.toString(), "why", faults.get(0));
        }
        return new Look(form, Soundness.counts(c));
      }
    } catch (SQLException | IOException e) {
      throw new UnusableException(
          Saying.of("backup.cant-open", "file", backup.toString(), "why", Trouble.of(e)), e);
    }
  }

  /** Puts a backup in the place of a folder's data, which are kept. */
  public static Restored restore(Path backup, Path folder, Clock clock) {
    try (DataFolder held = DataFolder.hold(folder)) {
      try {
        held.sweep();
        Holds holds = takeOut(backup, held.next());
        return place(held, holds, "before-restore", clock);
      } finally {
        held.sweep();
      }
    } catch (IOException e) {
      throw new UnusableException(Saying.of("backup.not-placed", "why", Trouble.of(e)), e);
    }
  }

  /**
   * Puts the new file of a folder in the place of its data, as a school of its own: what waits in a
   * browser for the one before is not written into this one.
   */
  static Restored place(DataFolder held, Holds holds, String why, Clock clock) throws IOException {
    try (Connection c = H2File.openThere(held.next())) {
      if (Schema.version(c) >= Schema.NAMED) {
        Schema.rename(c);
      }
    } catch (SQLException e) {
      throw new IOException(e);
    }
    Optional<Path> kept =
        Files.exists(held.file()) ? Optional.of(School.keep(held, why, clock)) : Optional.empty();
    Files600.replace(held.next(), held.file());
    return new Restored(kept, holds);
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
