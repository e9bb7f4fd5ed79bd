package sempre.server.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.server.file.DataFolder;
import sempre.server.file.School;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** {@code print}: sheets as a PDF file, by a browser without a window. */
@Command(
    name = "print",
    description =
        "Prints a piece's parts into one PDF file, a bookmark for each player; or a page of the"
            + " application, such as /people/3. Needs Chromium on this machine.",
    mixinStandardHelpOptions = true)
final class PrintCommand implements Callable<Integer> {
  /** A page that says so, or one with nothing left to come. */
  private static final String READY =
      "document.documentElement.dataset.printable === 'yes' ||"
          + " (document.readyState === 'complete' &&"
          + " document.documentElement.dataset.printable === undefined &&"
          + " !!document.querySelector('h1') && !document.querySelector('[class*=skeleton]'))";

  private static final long SECONDS = 90;
  private static final Path DEMO = Path.of(".sempre", "demo");

  @Spec CommandSpec spec;

  @Parameters(index = "0", paramLabel = "PIECE", description = "title of a piece, or a page's path")
  String what;

  @Parameters(index = "1", paramLabel = "OUT", description = "the file to write, such as parts.pdf")
  Path file;

  @Option(names = "--group", paramLabel = "NAME", description = "the group that has the piece")
  String group = "";

  @Option(names = "--student", paramLabel = "NAME", description = "one student's part alone")
  String student = "";

  @Option(names = "--paper", description = "A4 or LETTER (default A4)")
  String paper = "A4";

  @Option(names = "--demo", description = "of the demo data")
  boolean demo;

  @Option(names = "--browser", paramLabel = "FILE", description = "the browser's own program")
  Optional<Path> program = Optional.empty();

  @Mixin DataOption data;
  @Mixin LanguageOption words;

  @Override
  public Integer call() throws IOException {
    String format = paper.toUpperCase(Locale.ROOT);
    if (!List.of("A4", "LETTER").contains(format)) {
      throw new Refusal("cli.paper", "typed", paper);
    }
    Path dir = file.toAbsolutePath().getParent();
    if (!Files.isDirectory(dir)) {
      throw new Refusal("cli.no-folder", "folder", dir.toString());
    }
    Path folder = demo ? DEMO : data.folder;
    if (!demo && !School.isIn(folder)) {
      throw new Refusal("cli.no-school", "folder", folder.toString());
    }
    OptionalInt running = DataFolder.runningOn(folder);
    try (Browser browser = Browser.start(program)) {
      if (running.isPresent()) {
        print(browser, running.getAsInt(), format);
      } else {
        // the browser starts meanwhile
        try (Launch.Quiet sempre = Launch.quietly(folder, demo)) {
          print(browser, sempre.port(), format);
        }
      }
    }
    return 0;
  }

  private void print(Browser browser, int port, String format) throws IOException {
    if (port == 0) {
      throw new Refusal("cli.starting");
    }
    String address = "http://localhost:" + port;
    String path = what.startsWith("/") ? what : path(address);
    String asked = "print&paper=" + format;
    if (spec.commandLine().getParseResult().hasMatchedOption("--lang")) {
      asked += "&lang=" + words.language().code();
    }
    browser.open(address + path + (path.contains("?") ? "&" : "?") + asked, READY, SECONDS);
    Files.write(file, browser.pdf());
    PrintWriter out = spec.commandLine().getOut();
    out.println(words.words().say(Saying.of("cli.wrote", "file", file.toString())));
    out.flush();
  }

  /** Where the sheets of a piece are: one student's, or those of everyone to whom it is given. */
  private String path(String address) throws IOException {
    if (!student.isEmpty()) {
      long id = id(get(address, "/api/people").path("students"), "name", student);
      List<JsonNode> pieces = new ArrayList<>();
      get(address, "/api/pieces").forEach(p -> pieces.add(p.path("piece")));
      return "/sheet/" + id + "/" + id(pieces, "title", what);
    }
    for (JsonNode g : get(address, "/api/today").path("groups")) {
      for (JsonNode n : g.path("next")) {
        if (n.path("piece").path("title").asString().equalsIgnoreCase(what)
            && (group.isEmpty() || g.path("name").asString().equalsIgnoreCase(group))) {
          return "/parts/" + n.path("assignmentId").asLong();
        }
      }
    }
    throw new Refusal("cli.not-given", "piece", what);
  }

  private static long id(Iterable<JsonNode> all, String key, String name) {
    for (JsonNode n : all) {
      String is = n.path(key).asString();
      if (is.equalsIgnoreCase(name) || is.replaceAll(" \\p{Lu}\\.$", "").equalsIgnoreCase(name)) {
        return n.path("id").asLong();
      }
    }
    throw new Refusal("cli.nobody", "name", name);
  }

  private static JsonNode get(String address, String path) throws IOException {
    try {
      return new JsonMapper()
          .readTree(
              HttpClient.newHttpClient()
                  .send(
                      HttpRequest.newBuilder(URI.create(address + path)).build(),
                      BodyHandlers.ofString(StandardCharsets.UTF_8))
                  .body());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }
}
