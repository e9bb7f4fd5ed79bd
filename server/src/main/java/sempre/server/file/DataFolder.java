package sempre.server.file;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.OptionalInt;
import org.springframework.util.FileSystemUtils;
import sempre.core.Saying;

/**
 * The folder of a school's data, held by one Sempre at a time: the data file, what is made beside
 * it before it takes its place, and the backups.
 */
public final class DataFolder implements AutoCloseable {
  static final String NAME = "sempre";

  private final Path dir;
  private final FileChannel channel;

  private DataFolder(Path dir, FileChannel channel) {
    this.dir = dir;
    this.channel = channel;
  }

  /**
   * Takes a folder for this process; it is made if it is not there.
   *
   * @throws UnusableException where another Sempre has it or nothing can be written there
   */
  public static DataFolder hold(Path folder) {
    Path dir = folder.toAbsolutePath().normalize();
    if (dir.toString().contains(";")) {
      throw new UnusableException("data.semicolon", "folder", dir.toString());
    }
    FileChannel channel = null;
    try {
      Files600.folder(dir);
      channel =
          FileChannel.open(
              dir.resolve(NAME + ".lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
      // held until the channel is closed, also by a kill
      if (tryLock(channel) == null) {
        channel.close();
        throw new UnusableException("data.other-sempre", "folder", folder.toString());
      }
      Trouble.watch(dir);
      return new DataFolder(dir, channel);
    } catch (IOException e) {
      close(channel);
      throw new UnusableException(
          Saying.of("data.nothing-written", "folder", dir.toString(), "why", Trouble.of(e)), e);
    }
  }

  private static FileLock tryLock(FileChannel channel) throws IOException {
    try {
      return channel.tryLock();
    } catch (OverlappingFileLockException e) {
      // by this very process
      return null;
    }
  }

  private static void close(FileChannel channel) {
    try {
      if (channel != null) {
        channel.close();
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The data. */
  public Path file() {
    return dir.resolve(NAME + H2File.SUFFIX);
  }

  /** What is made before it takes the place of the data. */
  Path next() {
    return dir.resolve(NAME + ".new" + H2File.SUFFIX);
  }

  /** There while something that was erased still stands in the file. */
  Path erased() {
    return dir.resolve(NAME + ".erased");
  }

  /** Where backups and what was replaced are kept. */
  public Path backups() {
    return dir.resolve("backups");
  }

  /** Takes away what a sudden end has left half made. */
  void sweep() throws IOException {
    sweep(dir, NAME + ".new.*");
    if (Files.isDirectory(backups())) {
      sweep(backups(), ".*");
    }
  }

  private static void sweep(Path in, String names) throws IOException {
    try (var left = Files.newDirectoryStream(in, names)) {
      for (Path p : left) {
        FileSystemUtils.deleteRecursively(p);
      }
    }
  }

  /** Says that the application is running, and where. */
  public void running(int port) {
    try {
      Path file = portFile(dir);
      Files.writeString(file, Integer.toString(port));
      Files600.file(file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The port on which a Sempre has this folder open; empty where none has. */
  public static OptionalInt runningOn(Path folder) {
    Path dir = folder.toAbsolutePath().normalize();
    if (!Files.isDirectory(dir)) {
      return OptionalInt.empty();
    }
    try (FileChannel c =
        FileChannel.open(
            dir.resolve(NAME + ".lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE)) {
      FileLock free = tryLock(c);
      if (free != null) {
        return OptionalInt.empty();
      }
      return OptionalInt.of(Integer.parseInt(Files.readString(portFile(dir)).strip()));
    } catch (NoSuchFileException | NumberFormatException e) {
      // it is just starting
      return OptionalInt.of(0);
    } catch (IOException e) {
      return OptionalInt.empty();
    }
  }

  private static Path portFile(Path dir) {
    return dir.resolve(NAME + ".port");
  }

  /** Lets the folder go as it is. */
  void release() {
    Trouble.forget(dir);
    close(channel);
  }

  /** Lets the folder go, after a good end. */
  @Override
  public void close() {
    try {
      Files.deleteIfExists(portFile(dir));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } finally {
      release();
    }
  }
}
