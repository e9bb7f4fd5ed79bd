package sempre.server.cli;

import java.io.BufferedInputStream;
import java.io.BufferedReader;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import sempre.core.Refusal;
import sempre.core.Saying;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A Chromium without a window, told what to do over its own DevTools protocol (published by the
 * Chromium project): it opens a page, says when it stands there, and prints it.
 */
final class Browser implements AutoCloseable {
  private static final List<String> NAMES = List.of("chromium", "chromium-browser", "chrome");
  private static final Pattern LISTENS = Pattern.compile("DevTools listening on (ws://\\S+)");
  private static final long STARTS_SECONDS = 30;
  private static final long ANSWERS_SECONDS = 60;
  private static final long LOOK_MILLIS = 50;

  /**
   * The browser reads its third and writes its fourth file, which a process of Java's cannot set; a
   * shell makes them of the first two. So no port is open to which others could talk.
   */
  private static final List<String> PIPED =
      List.of("/bin/sh", "-c", "exec \"$0\" \"$@\" 3<&0 4>&1 </dev/null >/dev/null 2>&1");

  /** Where there is no such shell, it is a port of this machine. */
  private static final boolean PIPES = Files.isExecutable(Path.of(PIPED.get(0)));

  private final Path file;
  private final Process process;
  private final Path profile;
  private WebSocket socket;
  private final AtomicInteger count = new AtomicInteger();
  private final Map<Integer, CompletableFuture<JsonNode>> waiting = new ConcurrentHashMap<>();
  private final JsonMapper json = new JsonMapper();
  private final CompletableFuture<String> listens = new CompletableFuture<>();
  private volatile boolean ended;
  private String session = "";

  /**
   * Starts one.
   *
   * @param program the browser's own file; empty for the one that is on the path
   * @throws Refusal where there is none, or it does not start
   */
  static Browser start(Optional<Path> program) throws IOException {
    Path file = program.or(Browser::onPath).orElseThrow(() -> new Refusal("cli.no-browser"));
    return new Browser(file);
  }

  private static Optional<Path> onPath() {
    String path = Optional.ofNullable(System.getenv("PATH")).orElse("");
    return Stream.of(path.split(File.pathSeparator))
        .flatMap(dir -> NAMES.stream().map(n -> Path.of(dir, n)))
        .filter(Files::isExecutable)
        .findFirst();
  }

  private Browser(Path file) throws IOException {
    this.file = file;
    profile = Files.createTempDirectory("sempre-print");
    List<String> command = new ArrayList<>(PIPES ? PIPED : List.of());
    command.addAll(
        List.of(
            file.toString(),
            "--headless=new",
            PIPES ? "--remote-debugging-pipe" : "--remote-debugging-port=0",
            "--user-data-dir=" + profile,
            "--no-first-run",
            "--disable-gpu",
            "--disable-extensions",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "about:blank"));
    if ("root".equals(System.getProperty("user.name"))) {
      // Chromium refuses its sandbox to root; what it opens are Sempre's own pages
      command.add(command.size() - 1, "--no-sandbox");
    }
    try {
      process = new ProcessBuilder(command).redirectErrorStream(!PIPES).start();
    } catch (IOException e) {
      throw new Refusal(
          Saying.of("cli.browser", "file", file.toString(), "why", e.getMessage()), e);
    }
    Thread reading = new Thread(PIPES ? this::readPipe : this::read, "browser");
    reading.setDaemon(true);
    reading.start();
  }

  /** Waits until it has started. */
  private void connect() {
    if (!session.isEmpty()) {
      return;
    }
    if (PIPES) {
      started();
    } else {
      socket =
          done(
              HttpClient.newHttpClient()
                  .newWebSocketBuilder()
                  .buildAsync(URI.create(address()), new Answers()));
    }
    String target =
        ask("Target.createTarget", Map.of("url", "about:blank")).path("targetId").asString();
    session =
        ask("Target.attachToTarget", Map.of("targetId", target, "flatten", true))
            .path("sessionId")
            .asString();
  }

  /** One that can't start says nothing at all. */
  private void started() {
    try {
      ask("Browser.getVersion", Map.of());
    } catch (IllegalStateException e) {
      close();
      throw new Refusal(
          Saying.of("cli.browser", "file", file.toString(), "why", String.valueOf(e.getMessage())),
          e);
    }
  }

  /** Reads its answers, each with a zero behind it. */
  private void readPipe() {
    try (InputStream in = new BufferedInputStream(process.getInputStream())) {
      ByteArrayOutputStream answer = new ByteArrayOutputStream();
      for (int b = in.read(); b >= 0; b = in.read()) {
        if (b == 0) {
          answered(answer.toString(StandardCharsets.UTF_8));
          answer.reset();
        } else {
          answer.write(b);
        }
      }
    } catch (IOException e) {
      // it has ended, which is said below
    }
    ended = true;
    waiting.values().forEach(w -> w.completeExceptionally(new IOException("it ended")));
  }

  private void answered(String text) {
    JsonNode answer = json.readTree(text);
    Optional.ofNullable(waiting.remove(answer.path("id").asInt(-1)))
        .ifPresent(w -> w.complete(answer));
  }

  private void send(String message) {
    if (!PIPES) {
      socket.sendText(message, true);
      return;
    }
    try {
      OutputStream out = process.getOutputStream();
      out.write(message.getBytes(StandardCharsets.UTF_8));
      out.write(0);
      out.flush();
    } catch (IOException e) {
      throw new IllegalStateException("it ended", e);
    }
  }

  /** Reads where it listens, as it says itself. */
  private void read() {
    try (BufferedReader out =
        new BufferedReader(
            new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
      for (String l = out.readLine(); l != null; l = out.readLine()) {
        Matcher m = LISTENS.matcher(l);
        if (m.find()) {
          listens.complete(m.group(1));
        }
      }
    } catch (IOException e) {
      listens.completeExceptionally(e);
    }
    listens.completeExceptionally(new IOException("it ended"));
  }

  private String address() {
    try {
      return listens.get(STARTS_SECONDS, TimeUnit.SECONDS);
    } catch (ExecutionException | TimeoutException e) {
      close();
      throw new Refusal(
          Saying.of("cli.browser", "file", file.toString(), "why", String.valueOf(e.getMessage())),
          e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /**
   * Opens a page and waits until it stands there.
   *
   * @param ready a script that is true then
   * @param seconds after so many it is printed no more
   * @throws Refusal where it does not come to stand
   */
  void open(String address, String ready, long seconds) {
    connect();
    ask("Page.navigate", Map.of("url", address));
    long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(seconds);
    while (!evaluate(ready)) {
      if (System.nanoTime() > until) {
        throw new Refusal("cli.page", "address", address);
      }
      try {
        Thread.sleep(LOOK_MILLIS);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        throw new IllegalStateException(e);
      }
    }
  }

  private boolean evaluate(String script) {
    return ask("Runtime.evaluate", Map.of("expression", script, "returnByValue", true))
        .path("result")
        .path("value")
        .asBoolean(false);
  }

  /** The page as a PDF file on the paper that it names itself, with its headings as bookmarks. */
  byte[] pdf() {
    JsonNode printed =
        ask(
            "Page.printToPDF",
            Map.of(
                "preferCSSPageSize",
                true,
                "generateTaggedPDF",
                true,
                "generateDocumentOutline",
                true));
    return Base64.getDecoder().decode(printed.path("data").asString());
  }

  private JsonNode ask(String method, Map<String, Object> params) {
    int id = count.incrementAndGet();
    CompletableFuture<JsonNode> answer = new CompletableFuture<>();
    waiting.put(id, answer);
    Map<String, Object> asked = new LinkedHashMap<>();
    asked.put("id", id);
    asked.put("method", method);
    asked.put("params", params);
    if (!session.isEmpty()) {
      asked.put("sessionId", session);
    }
    send(json.writeValueAsString(asked));
    if (ended) {
      answer.completeExceptionally(new IOException("it ended"));
    }
    JsonNode found = done(answer);
    if (found.has("error")) {
      throw new IllegalStateException(method + ": " + found.get("error"));
    }
    return found.path("result");
  }

  private static <T> T done(CompletableFuture<T> what) {
    try {
      return what.get(ANSWERS_SECONDS, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    } catch (ExecutionException | TimeoutException e) {
      throw new IllegalStateException("the browser gave no answer", e);
    }
  }

  /** Puts its answers together, which come in pieces, and hands each to who waits for it. */
  private final class Answers implements WebSocket.Listener {
    private final StringBuilder text = new StringBuilder();

    @Override
    public CompletionStage<?> onText(WebSocket from, CharSequence data, boolean last) {
      text.append(data);
      if (last) {
        answered(text.toString());
        text.setLength(0);
      }
      from.request(1);
      return null;
    }
  }

  @Override
  public void close() {
    process.destroy();
    try {
      if (!process.waitFor(2, TimeUnit.SECONDS)) {
        process.destroyForcibly();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    try (Stream<Path> all = Files.walk(profile)) {
      all.sorted(Comparator.reverseOrder()).forEach(f -> f.toFile().delete());
    } catch (IOException | UncheckedIOException e) {
      // a file of the browser's that it writes while it ends; the system clears its folder
    }
  }
}
