package sempre.server.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Path;
import org.springframework.boot.web.server.PortInUseException;
import org.springframework.context.ConfigurableApplicationContext;
import sempre.server.Server;
import sempre.server.file.UnusableException;

/** Starts the web application; the only class of this package that knows it. */
final class Launch {
  private Launch() {}

  static void start(Path data, int port, boolean demo, PrintWriter out) {
    if (port < 0 || port > 65535) {
      throw new IllegalArgumentException("--port must lie between 0 and 65535");
    }
    ConfigurableApplicationContext context;
    try {
      context = Server.start(data, port, demo);
    } catch (RuntimeException e) {
      throw new IllegalArgumentException(cause(e, port), e);
    }
    String address = "http://localhost:" + Server.port(context) + "/";
    if (Boolean.getBoolean("sempre.rehearse")) {
      rehearse(address);
      context.close();
      System.exit(0);
    }
    Server.said(context).forEach(out::println);
    out.println("Sempre is ready: " + address);
    out.println("Stop it with Ctrl+C.");
    out.flush();
    Server.ahead(context);
  }

  /** Why it did not start, in one sentence. */
  private static String cause(Throwable e, int port) {
    for (Throwable t = e; t != null; t = t.getCause()) {
      if (t instanceof UnusableException) {
        return t.getMessage();
      }
      if (t instanceof PortInUseException) {
        return "port " + port + " is taken; choose another with --port";
      }
    }
    return "Sempre could not start: " + e.getMessage();
  }

  /** Walks the usual way once, so that the classes it loads can be kept for a quicker start. */
  private static void rehearse(String address) {
    HttpClient client = HttpClient.newHttpClient();
    for (String path :
        new String[] {
          "", "api/today", "api/pieces", "api/people", "api/stand/1/5", "api/instruments"
        }) {
      try {
        client.send(
            HttpRequest.newBuilder(URI.create(address + path)).build(), BodyHandlers.ofString());
      } catch (IOException e) {
        return;
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        return;
      }
    }
  }
}
