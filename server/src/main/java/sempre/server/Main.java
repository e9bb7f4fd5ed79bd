package sempre.server;

import java.io.ObjectInputFilter;
import sempre.server.cli.Cli;

/** The one entry: every command of {@code ./sempre}. */
public final class Main {
  private Main() {}

  public static void main(String[] args) {
    // no data file, request or archive makes Java objects of its bytes
    ObjectInputFilter.Config.setSerialFilter(ObjectInputFilter.Config.createFilter("!*"));
    int status = Cli.run(args);
    // The web application keeps running on its own threads.
    if (status != Cli.STAYS) {
      System.out.flush();
      System.exit(status);
    }
  }
}
