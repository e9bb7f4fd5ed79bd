package sempre.e2e;

import com.google.gson.JsonObject;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import com.microsoft.playwright.options.ServiceWorkerPolicy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.DirectoryNotEmptyException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.LongStream;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.util.FileSystemUtils;
import sempre.server.Server;
import sempre.server.app.Library;
import sempre.server.store.Db;

/** The application with the demo school, and a Chromium in front of it. */
final class Browsing implements AutoCloseable {
  /** A server on the demo school that no test uses now. */
  private record Idle(Path data, ConfigurableApplicationContext server) {}

  private static final Deque<Idle> IDLE = new ArrayDeque<>();

  /** Browsers' profiles that no test uses now, by what they were made for. */
  private static final Map<String, Deque<BrowserContext>> PROFILES = new HashMap<>();

  /** Chromium without what only a window needs; it takes half the time. */
  private static final Path SHELL = Path.of("/usr/bin/chromium-headless-shell");

  /** Numbers of pieces that a test may have come to. */
  private static final int PIECES = 500;

  /** The browser's database of what was engraved before. */
  private static final String ENGRAVED = "sempre-engraved";

  final Path data;
  private static Playwright playwright;
  private static Browser browser;
  private static Path filled;
  private static long demoPieces;
  private final boolean demo;
  private final Map<BrowserContext, String> contexts = new LinkedHashMap<>();
  private ConfigurableApplicationContext server;
  private String address;
  private int port;

  /** What pages asked of other hosts, and what went wrong in them. */
  final List<String> foreign = Collections.synchronizedList(new ArrayList<>());

  final List<String> errors = Collections.synchronizedList(new ArrayList<>());

  /** Requests that change something and that the browser logs as failed. */
  final List<String> failed = Collections.synchronizedList(new ArrayList<>());

  /**
   * Starting a server and filling a browser's cache take most of a test's time. So both are used
   * again: the server on the demo school as it was at first, the browser with nothing kept but what
   * the interface is made of.
   */
  Browsing(boolean demo) {
    this.demo = demo;
    // a busy machine answers late; what never comes still fails
    PlaywrightAssertions.setDefaultAssertionTimeout(20_000);
    Idle idle = demo ? IDLE.poll() : null;
    try {
      data = idle == null ? Files.createTempDirectory("sempre-e2e") : idle.data();
      if (idle != null) {
        listening(idle.server());
        asAtFirst();
      } else {
        if (demo) {
          copyOfTheFilledSchool();
        }
        start(demo);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    if (browser == null) {
      launch();
    }
  }

  /** The demo school takes the place of what a test left, in the running server. */
  private void asAtFirst() throws IOException {
    Db db = server.getBean(Db.class);
    boolean done =
        db.aside(
            () -> {
              deleted(data.resolve("backups"));
              Files.deleteIfExists(data.resolve("sempre.erased"));
              Files.copy(filled, data.resolve("sempre.mv.db"), StandardCopyOption.REPLACE_EXISTING);
            });
    if (!done) {
      throw new IllegalStateException("somebody still has the data open");
    }
    // what was worked out from the data before counts no more; a new piece gets a number that one
    // of before had
    db.run(tx -> tx.run("update band set place = place"));
    Library library = server.getBean(Library.class);
    LongStream.rangeClosed(1, PIECES)
        .filter(id -> id > demoPieces || library.writing(id) > 0)
        .forEach(library::forget);
  }

  /** One browser for all tests; each page has a context of its own, as if nobody had been there. */
  private static void launch() {
    playwright =
        Playwright.create(
            new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    browser =
        playwright
            .chromium()
            .launch(
                new BrowserType.LaunchOptions()
                    .setExecutablePath(Files.exists(SHELL) ? SHELL : Path.of("/usr/bin/chromium"))
                    .setArgs(
                        List.of(
                            "--no-sandbox",
                            "--disable-gpu",
                            "--disable-quic",
                            "--no-first-run",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync")));
  }

  /** Closes the browser, so that a program that is no test can end. */
  static void done() {
    playwright.close();
  }

  /** The demo school is filled once and copied for each who wants it. */
  private void copyOfTheFilledSchool() {
    try {
      if (filled == null) {
        Path folder = Files.createTempDirectory("sempre-e2e-school");
        try (ConfigurableApplicationContext made = Server.start(folder, 0, true)) {
          demoPieces =
              made.getBean(Db.class)
                  .inTransaction(
                      tx -> tx.one("select max(id) as most from piece", r -> r.id("most")))
                  .orElseThrow();
        }
        filled = folder.resolve("sempre.mv.db");
      }
      Files.copy(filled, data.resolve("sempre.mv.db"));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void start(boolean demo) {
    listening(Server.start(data, port, demo));
  }

  private void listening(ConfigurableApplicationContext running) {
    server = running;
    port = Server.port(server);
    address = "http://localhost:" + port;
  }

  /** Stops the server and starts it again on the same data, under the same address. */
  void restart() {
    server.close();
    start(true);
  }

  void stop() {
    server.close();
  }

  /** As if another school's backup had been restored under the same address. */
  void otherSchool() {
    server
        .getBean(Db.class)
        .run(tx -> tx.run("update school set id = cast(random_uuid() as varchar(36))"));
  }

  /** One in which nothing is kept from test to test: each answer is the server's own. */
  Page page(int width, int height, boolean dark) {
    return page(
        width + "x" + height + dark,
        new Browser.NewContextOptions()
            .setViewportSize(width, height)
            .setColorScheme(dark ? ColorScheme.DARK : ColorScheme.LIGHT)
            .setServiceWorkers(ServiceWorkerPolicy.BLOCK));
  }

  /** One that keeps what the interface is made of, as a teacher's browser does. */
  Page keepingPage() {
    return page("", new Browser.NewContextOptions().setViewportSize(1280, 800));
  }

  private Page page(String kind, Browser.NewContextOptions options) {
    BrowserContext context =
        contexts.entrySet().stream()
            .filter(c -> !kind.isEmpty() && c.getValue().equals(kind))
            .map(Map.Entry::getKey)
            .filter(c -> c.pages().isEmpty())
            .findFirst()
            .orElseGet(() -> PROFILES.computeIfAbsent(kind, k -> new ArrayDeque<>()).poll());
    boolean used = context != null;
    if (!used) {
      context = browser.newContext(options);
    }
    contexts.put(context, kind);
    Page page = context.newPage();
    if (used) {
      nothingKept(page);
    }
    page.setDefaultTimeout(20_000);
    page.onRequest(
        r -> {
          if (!r.url().startsWith("http://localhost:")
              && !r.url().startsWith("data:")
              && !r.url().startsWith("blob:")) {
            foreign.add(r.url());
          }
        });
    page.onRequestFailed(
        r -> {
          // what is only read may be left behind when the page is left
          if (!r.method().equals("GET")) {
            failed.add(r.method() + " " + r.url() + " " + r.failure());
          }
        });
    page.onPageError(e -> errors.add(e));
    page.onConsoleMessage(
        m -> {
          if (m.type().equals("error")) {
            errors.add(m.text());
          }
        });
    return page;
  }

  /**
   * As if nobody had been there; only what the interface is made of, and lines that were engraved,
   * which say nothing of a school, are still there.
   */
  private void nothingKept(Page page) {
    // a browser answers for its databases only where a page of theirs is open
    page.navigate(address + "/notice.txt");
    CDPSession session = page.context().newCDPSession(page);
    JsonObject all = new JsonObject();
    all.addProperty("origin", address);
    all.addProperty("storageTypes", "cookies,local_storage,cache_storage");
    session.send("Storage.clearDataForOrigin", all);
    JsonObject of = new JsonObject();
    of.addProperty("securityOrigin", address);
    session
        .send("IndexedDB.requestDatabaseNames", of)
        .getAsJsonArray("databaseNames")
        .forEach(
            name -> {
              if (!name.getAsString().equals(ENGRAVED)) {
                JsonObject one = of.deepCopy();
                one.add("databaseName", name);
                session.send("IndexedDB.deleteDatabase", one);
              }
            });
    session.detach();
  }

  Page page() {
    return page(1280, 800, false);
  }

  private static final Pattern NAME = Pattern.compile("\\{([^}]+)}");
  private static final String GIVEN = "given ";

  /**
   * The address of a page or an answer.
   *
   * @param path with names of students, groups and pieces in braces in the place of their numbers:
   *     {@code /stand/{Noor}/{Half-Tide Rock}}
   */
  String at(String path) {
    return address + NAME.matcher(path).replaceAll(m -> String.valueOf(id(m.group(1))));
  }

  /**
   * The number of the student, group or piece of this name; after {@code given}, of what is given
   * of a piece.
   */
  long id(String name) {
    if (name.startsWith(GIVEN)) {
      String title = Pattern.quote(name.substring(GIVEN.length()));
      Matcher m =
          Pattern.compile("\"assignmentId\":(\\d+),\"piece\":\\{\"id\":\\d+,\"title\":\"" + title)
              .matcher(answer("/api/today"));
      if (m.find()) {
        return Long.parseLong(m.group(1));
      }
    }
    for (String list : List.of("/api/people", "/api/pieces")) {
      Matcher m =
          Pattern.compile(
                  "\"id\":(\\d+),\"(?:givenName|name|title)\":\"" + Pattern.quote(name) + "\"")
              .matcher(answer(list));
      if (m.find()) {
        return Long.parseLong(m.group(1));
      }
    }
    throw new AssertionError("nobody and nothing is called " + name);
  }

  private String answer(String path) {
    try {
      return HttpClient.newHttpClient()
          .send(
              HttpRequest.newBuilder(URI.create(address + path)).build(),
              HttpResponse.BodyHandlers.ofString())
          .body();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      throw new AssertionError(e);
    }
  }

  /** Sends JSON to the server and returns the id that it answers. */
  long made(Page page, String path, String json) {
    String answer = sent(page, path, json);
    return Long.parseLong(answer.replaceAll(".*\"id\":(\\d+).*", "$1").replaceAll("\\D", ""));
  }

  /** Puts music on the shelf and returns its id. */
  long brought(Page page, String title, byte[] xml) {
    var r =
        page.request()
            .post(
                at("/api/pieces?title=" + title.replace(' ', '+')),
                RequestOptions.create()
                    .setMultipart(
                        FormData.create()
                            .set("file", new FilePayload("music.musicxml", "text/xml", xml))));
    if (r.status() != 200) {
      throw new AssertionError(r.text());
    }
    return Long.parseLong(r.text().replaceAll("\\D", ""));
  }

  String sent(Page page, String path, String json) {
    var r =
        page.request()
            .post(
                at(path),
                RequestOptions.create()
                    .setHeader("Content-Type", "application/json")
                    .setData(json));
    if (r.status() != 200) {
      throw new AssertionError(path + ": " + r.text());
    }
    return r.text();
  }

  /** A group named Thirty, of thirty students on ten instruments. */
  void thirty(Page page) {
    String[] instruments = {
      "flute",
      "oboe",
      "clarinet",
      "alto sax",
      "tenor sax",
      "bassoon",
      "trumpet",
      "horn",
      "trombone",
      "tuba"
    };
    StringBuilder list = new StringBuilder("Name,Instrument\\n");
    for (int i = 0; i < 30; i++) {
      list.append("Kid").append(i).append(',').append(instruments[i % 10]).append("\\n");
    }
    sent(
        page,
        "/api/roster",
        "{\"text\":\""
            + list
            + "\",\"meanings\":[],\"group\":\"Thirty\",\"stages\":{\"Thirty\":\"FIRST_YEARS\"}}");
  }

  @Override
  public void close() {
    contexts.forEach(
        (context, kind) -> {
          if (kind.isEmpty()) {
            context.close();
          } else {
            List.copyOf(context.pages()).forEach(Page::close);
            PROFILES.get(kind).add(context);
          }
        });
    if (demo && server.isActive()) {
      IDLE.add(new Idle(data, server));
      return;
    }
    server.close();
    try {
      deleted(data);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Deletes a folder in which the day's backup may just be putting its own things away. */
  private static void deleted(Path folder) throws IOException {
    for (int left = 20; ; left--) {
      try {
        FileSystemUtils.deleteRecursively(folder);
        return;
      } catch (NoSuchFileException | DirectoryNotEmptyException e) {
        if (left == 0) {
          throw e;
        }
      }
    }
  }
}
