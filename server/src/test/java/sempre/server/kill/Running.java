package sempre.server.kill;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** The application in a process of its own, which can be killed. */
final class Running {
  private static final int START_SECONDS = 120;

  /**
   * Where the built application is; the classes that are tested are started where there is none.
   */
  private static final String BUILT = System.getProperty("sempre.app");

  /** How long each start took until it answered, in ms. */
  static final List<Long> STARTS = Collections.synchronizedList(new ArrayList<>());

  private final long begun = System.nanoTime();
  private final HttpClient http =
      HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
  private final Process process;
  private final int port;
  private final Path log;

  private Running(Process process, int port, Path log) {
    this.process = process;
    this.port = port;
    this.log = log;
  }

  /** Starts it on a folder; it may not be ready yet. */
  static Running start(Path data) throws IOException {
    int port;
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    Path log = Files.createTempFile("sempre-kill", ".log");
    List<String> serve =
        List.of("serve", "--port", String.valueOf(port), "--data", data.toString());
    return new Running(begin(serve, log), port, log);
  }

  /** A command in a process of its own. */
  static Process command(List<String> words) throws IOException {
    return begin(words, Files.createTempFile("sempre-kill", ".log"));
  }

  private static Process begin(List<String> words, Path log) throws IOException {
    List<String> all =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx768m",
                "-XX:TieredStopAtLevel=1"));
    if (BUILT == null) {
      all.addAll(List.of("-cp", System.getProperty("java.class.path"), "sempre.server.Main"));
    } else {
      all.addAll(
          List.of("-XX:SharedArchiveFile=" + BUILT + "/web.jsa", "-jar", BUILT + "/app.jar"));
    }
    all.addAll(words);
    return new ProcessBuilder(all).redirectErrorStream(true).redirectOutput(log.toFile()).start();
  }

  /** Waits until it answers. */
  Running ready() throws IOException, InterruptedException {
    long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(START_SECONDS);
    while (System.nanoTime() < end && process.isAlive()) {
      try {
        if (send("GET", "/api/today", "").statusCode() == 200) {
          STARTS.add(TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - begun));
          return this;
        }
      } catch (IOException e) {
        // not yet
      }
      Thread.sleep(20);
    }
    throw new AssertionError("it does not start: " + Files.readString(log));
  }

  HttpResponse<String> send(String method, String path, String json)
      throws IOException, InterruptedException {
    return http.send(
        HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
            .timeout(Duration.ofSeconds(30))
            .header("Content-Type", "application/json")
            .method(
                method, json.isEmpty() ? BodyPublishers.noBody() : BodyPublishers.ofString(json))
            .build(),
        BodyHandlers.ofString());
  }

  /** SIGKILL: it gets no chance to end anything. */
  void kill() throws InterruptedException {
    process.destroyForcibly().waitFor();
  }

  void stop() throws InterruptedException {
    process.destroy();
    if (!process.waitFor(20, TimeUnit.SECONDS)) {
      kill();
    }
  }
}
