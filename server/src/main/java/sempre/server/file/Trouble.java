package sempre.server.file;

import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.util.Locale;

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

  static String of(Throwable e) {
    if (noRoom(e)) {
      return "the disk is full";
    }
    if (e instanceof AccessDeniedException) {
      return "it belongs to somebody else";
    }
    if (e instanceof FileSystemException f && f.getReason() != null) {
      return f.getReason().toLowerCase(Locale.ROOT);
    }
    Throwable root = e;
    while (root.getCause() != null) {
      root = root.getCause();
    }
    return String.valueOf(root.getMessage()).replaceAll("\\s*\\R.*", "");
  }
}
