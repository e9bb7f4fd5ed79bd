package sempre.server.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.springframework.boot.web.server.PortInUseException;
import org.springframework.context.ConfigurableApplicationContext;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.instrument.Catalogue;
import sempre.server.Server;
import sempre.server.Settings;
import sempre.words.Words;

/** Starts the web application; the only class of this package that knows it. */
final class Launch {
  private Launch() {}

  static void start(Path data, int port, boolean demo, PrintWriter out, Words words) {
    if (port < 0 || port > 65535) {
      throw new Refusal("cli.port");
    }
    // the first page needs them, and opening the data uses one processor
    CompletableFuture.runAsync(Catalogue.standard()::instruments);
    ConfigurableApplicationContext context;
    try {
      context = Server.start(data, port, demo);
    } catch (RuntimeException e) {
      throw new Refusal(cause(e, port), e);
    }
    String address = "http://localhost:" + Server.port(context) + "/";
    if (Settings.now().rehearse()) {
      rehearse(address);
      context.close();
      System.exit(0);
    }
    Server.said(context).stream().map(words::sentence).forEach(out::println);
    out.println(words.say("cli.ready", Map.of("address", address)));
    out.println(words.say("cli.stop"));
    out.flush();
    Server.workAhead(context);
  }

  /** The application for one command, on a free port; closed with it. */
  record Quiet(int port, Runnable stop) implements AutoCloseable {
    @Override
    public void close() {
      stop.run();
    }
  }

  /** Starts the application for one command; nothing is said of it. */
  static Quiet quietly(Path data, boolean demo) {
    try {
      ConfigurableApplicationContext context = Server.start(data, 0, demo);
      return new Quiet(Server.port(context), context::close);
    } catch (RuntimeException e) {
      throw new Refusal(cause(e, 0), e);
    }
  }

  /** Why it did not start, in one sentence. */
  private static Saying cause(Throwable e, int port) {
    for (Throwable t = e; t != null; t = t.getCause()) {
      if (t instanceof Refusal r) {
        return r.saying();
      }
      if (t instanceof PortInUseException) {
        return Saying.of("cli.port-taken", "port", String.valueOf(port));
      }
    }
    return Saying.of("cli.not-started", "why", String.valueOf(e.getMessage()));
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
