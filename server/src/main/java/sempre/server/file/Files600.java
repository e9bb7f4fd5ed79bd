package sempre.server.file;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;

/** Files that belong to their owner alone and are on the disk when a method returns. */
final class Files600 {
  private Files600() {}

  /**
   * Makes a folder for its owner alone, where the file system knows owners; one that is there
   * stays.
   */
  static void folder(Path dir) throws IOException {
    if (!Files.isDirectory(dir)) {
      Files.createDirectories(dir);
      permit(dir, "rwx------");
    }
  }

  /** Leaves a file to its owner alone, where the file system knows owners. */
  static void file(Path file) throws IOException {
    permit(file, "rw-------");
  }

  private static void permit(Path path, String to) throws IOException {
    PosixFileAttributeView view = Files.getFileAttributeView(path, PosixFileAttributeView.class);
    try {
      if (view != null) {
        view.setPermissions(PosixFilePermissions.fromString(to));
      }
    } catch (FileSystemException e) {
      // a memory stick knows no owners; whether it can be written is seen when it is
    }
  }

  /** Copies a file; the copy is on the disk when this returns. */
  static void copy(Path from, Path to) throws IOException {
    Files.copy(from, to, StandardCopyOption.REPLACE_EXISTING);
    file(to);
    force(to);
  }

  /**
   * Puts a file in the place of another in one step: at any moment there is the one or the other.
   */
  static void replace(Path by, Path file) throws IOException {
    file(by);
    force(by);
    Files.move(by, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    folderForce(file.toAbsolutePath().getParent());
  }

  private static void force(Path file) throws IOException {
    try (FileChannel c = FileChannel.open(file, StandardOpenOption.WRITE)) {
      c.force(true);
    }
  }

  /** The entry of a folder is written down too, where a system lets one ask for it. */
  private static void folderForce(Path dir) {
    try (FileChannel c = FileChannel.open(dir, StandardOpenOption.READ)) {
      c.force(true);
    } catch (IOException e) {
      // Windows does not open folders; the move itself was one step all the same
    }
  }
}
