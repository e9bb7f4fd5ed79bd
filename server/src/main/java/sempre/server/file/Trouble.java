package sempre.server.file;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.LongSupplier;
import sempre.core.Saying;

/** What ails a disk or a file, in a few words. */
public final class Trouble {
  /** With less room than this nothing can be written. */
  private static final long LEAST_BYTES = 64 * 1024L;

  /** The folders that this process has open. */
  private static final Set<Path> FOLDERS = ConcurrentHashMap.newKeySet();

  private Trouble() {}

  /** A folder is written to from here on. */
  static void watch(Path folder) {
    FOLDERS.add(folder);
  }

  /** A folder is let go. */
  static void forget(Path folder) {
    FOLDERS.remove(folder);
  }

  /**
   * Whether there is no room left on the disk. The system says so in its own language; so where
   * something could not be written, the disk itself is asked too.
   */
  public static boolean noRoom(Throwable e) {
    return noRoom(e, Trouble::room);
  }

  /**
   * @param room how many bytes can still be written
   */
  static boolean noRoom(Throwable e, LongSupplier room) {
    boolean disk = false;
    for (Throwable t = e; t != null; t = t.getCause()) {
      String m = String.valueOf(t.getMessage()).toLowerCase(Locale.ROOT);
      if (m.contains("no space left") || m.contains("not enough space on the disk")) {
        return true;
      }
      disk |= t instanceof IOException || t instanceof UncheckedIOException;
    }
    return disk && room.getAsLong() < LEAST_BYTES;
  }

  private static long room() {
    return FOLDERS.stream()
        .mapToLong(f -> f.toFile().getUsableSpace())
        .min()
        .orElse(Long.MAX_VALUE);
  }

  /** Whether the disk, or the file, can't be written any more. */
  public static boolean readOnly(Throwable e) {
    for (Throwable t = e; t != null; t = t.getCause()) {
      String m = String.valueOf(t.getMessage()).toLowerCase(Locale.ROOT);
      if (m.contains("read-only") || m.contains("read only") || m.contains("permission denied")) {
        return true;
      }
    }
    return false;
  }

  static Saying of(Throwable e) {
    if (noRoom(e)) {
      return Saying.of("data.full");
    }
    if (e instanceof AccessDeniedException) {
      return Saying.of("data.not-yours");
    }
    if (e instanceof FileSystemException f && f.getReason() != null) {
      return Saying.of("error.other", "text", f.getReason().toLowerCase(Locale.ROOT));
    }
    Throwable root = e;
    while (root.getCause() != null) {
      root = root.getCause();
    }
    if (root.getMessage() == null) {
      return Saying.of("data.no-reason");
    }
    return Saying.of("error.other", "text", root.getMessage().replaceAll("\\s*\\R.*", ""));
  }
}
