package sempre.server.file;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;

/** One file of H2 and how it is opened. */
public final class H2File {
  static final String SUFFIX = ".mv.db";
  private static final String HEAD = "H:2,";
  // the head stands in the file twice, a block each
  private static final int BLOCK = 4096;

  static {
    // no Java class that a file names is looked up, but the one with which H2 writes files out
    // itself
    System.setProperty("h2.allowedClasses", "org.h2.command.dml.ScriptCommand");
  }

  private H2File() {}

  /**
   * The address of a data file. A commit returns when it is in the file (WRITE_DELAY=0): what was
   * answered is there after a kill. Nothing of the data is written to a trace beside it.
   */
  public static String url(Path file) {
    String name = file.toAbsolutePath().toString();
    return lasting(
        "jdbc:h2:file:"
            + name.substring(0, name.length() - SUFFIX.length())
            + ";DB_CLOSE_ON_EXIT=FALSE;TRACE_LEVEL_FILE=0");
  }

  /**
   * An address of the user's own: what is committed is in the file there too, unless it says
   * otherwise.
   */
  public static String lasting(String url) {
    String u = url.toUpperCase(java.util.Locale.ROOT);
    return u.startsWith("JDBC:H2:") && !u.startsWith("JDBC:H2:MEM") && !u.contains("WRITE_DELAY")
        ? url + ";WRITE_DELAY=0"
        : url;
  }

  static Connection open(Path file) throws SQLException {
    return DriverManager.getConnection(url(file), "sa", "");
  }

  /** Opens a file that must be there already. */
  static Connection openThere(Path file) throws SQLException {
    return DriverManager.getConnection(url(file) + ";IFEXISTS=TRUE", "sa", "");
  }

  /** Opens a file to read it; not a byte of it is changed. */
  static Connection openToRead(Path file) throws SQLException {
    return DriverManager.getConnection(url(file) + ";IFEXISTS=TRUE;ACCESS_MODE_DATA=r", "sa", "");
  }

  /** Whether a file begins as H2's do. */
  static boolean looksRight(Path file) throws IOException {
    try (InputStream in = Files.newInputStream(file)) {
      String head = new String(in.readNBytes(2 * BLOCK), StandardCharsets.ISO_8859_1);
      return head.contains(HEAD);
    }
  }
}
