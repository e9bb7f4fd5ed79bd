package sempre.server.cli;

import java.io.PrintWriter;
import java.nio.file.Path;

/** Starts the web application; the only class of this package that knows it. */
final class Launch {
  private Launch() {}

  static void start(Path data, int port, boolean demo, PrintWriter out) {
    sempre.server.Server.start(data, port, demo);
    out.println("Sempre is ready: http://localhost:" + port + "/");
    out.println("Stop it with Ctrl+C.");
    out.flush();
  }
}
