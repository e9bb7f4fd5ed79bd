package sempre.server.file;

import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.util.Locale;
import sempre.core.Saying;

/** What ails a disk or a file, in a few words. */
public final class Trouble {
  private Trouble() {}

  /** Whether there is no room left on the disk. */
  public static boolean noRoom(Throwable e) {
    for (Throwable t = e; t != null; t = t.getCause()) {
      String m = String.valueOf(t.getMessage()).toLowerCase(Locale.ROOT);
      if (m.contains("no space left") || m.contains("not enough space on the disk")) {
        return true;
      }
    }
    return false;
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
