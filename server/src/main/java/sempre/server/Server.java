package sempre.server;

import java.nio.file.Path;

public final class Server {
  private Server() {}

  public static void start(Path data, int port, boolean demo) {}
}
