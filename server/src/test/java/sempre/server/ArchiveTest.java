package sempre.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.context.ConfigurableApplicationContext;
import org.testng.annotations.Test;
import sempre.server.file.Unpacking;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The demo school goes out as open files and comes back elsewhere as the same school. */
public class ArchiveTest {
  private static final JsonMapper JSON = new JsonMapper();
  private static final int FEW = 2;
  private static final int SOME = 3;

  private final HttpClient http = HttpClient.newHttpClient();

  private HttpResponse<byte[]> ask(int port, String path) throws Exception {
    return http.send(
        HttpRequest.newBuilder(URI.create("http://localhost:" + port + path)).build(),
        BodyHandlers.ofByteArray());
  }

  private JsonNode json(int port, String path) throws Exception {
    return JSON.readTree(ask(port, path).body());
  }

  private static List<String> few(JsonNode list, String... way) {
    List<String> ids = new ArrayList<>();
    for (JsonNode n : list) {
      JsonNode at = n;
      for (String w : way) {
        at = at.path(w);
      }
      ids.add(at.asString());
    }
    return ids;
  }

  /** Every question that can be asked, for some students, groups and pieces, or a few of each. */
  private List<String> questions(int port) throws Exception {
    JsonNode people = json(port, "/api/people");
    List<String> students = few(people.get("students"), "id");
    List<String> groups = few(people.get("groups"), "id");
    List<String> pieces = few(json(port, "/api/pieces"), "piece", "id");
    List<String> all = new ArrayList<>();
    for (var path : json(port, "/v3/api-docs").get("paths").properties()) {
      if (!path.getValue().has("get") || path.getKey().matches(".*(backup|\\.zip|midi)")) {
        continue;
      }
      String p = path.getKey();
      if (p.startsWith("/api/stand/{studentId}/{pieceId}")) {
        for (String s : students.subList(0, FEW)) {
          for (String piece : pieces.subList(0, FEW)) {
            all.add(
                asked(
                    p.replace("{studentId}", s)
                        .replace("{pieceId}", piece)
                        .replace("{study}", "key-1-MAJOR-STEPS")));
          }
        }
        continue;
      }
      List<String> ids =
          p.contains("/pieces/") ? pieces : p.contains("/groups/") ? groups : students;
      List<String> some = ids.subList(0, Math.min(SOME, ids.size()));
      for (String id : p.contains("{") ? some : List.of("")) {
        all.add(
            asked(
                p.replaceFirst("\\{(id|studentId|pieceId|groupId)}", id)
                    .replace("{instrument}", "flute")
                    .replaceAll("\\{\\w+}", "1")));
      }
    }
    return all;
  }

  /** With what a question has to say besides. */
  private static String asked(String path) {
    return path.endsWith("/starts")
        ? path + "?seed=417"
        : path.endsWith("/sight") ? path + "?level=EIGHTHS&leap=7&bars=8&seed=417" : path;
  }

  private Map<String, String> answers(int port) throws Exception {
    Map<String, String> all = new LinkedHashMap<>();
    for (String q : questions(port)) {
      HttpResponse<byte[]> a = ask(port, q);
      all.put(q, a.statusCode() + " " + new String(a.body(), StandardCharsets.UTF_8));
    }
    return all;
  }

  @Test
  public void everyAnswerIsTheSameBeforeAndAfter() throws Exception {
    Path here = Files.createTempDirectory("sempre-here");
    Path there = Files.createTempDirectory("sempre-there");
    Path archive = there.resolveSibling(there.getFileName() + ".zip");
    Map<String, String> before;
    try (ConfigurableApplicationContext running = Server.start(here, 0, true)) {
      before = answers(Server.port(running));
      Files.write(archive, ask(Server.port(running), "/api/school.zip").body());
    }
    assertThat(before.values().stream().filter(a -> a.startsWith("200"))).hasSizeGreaterThan(120);
    Unpacking.unpack(archive, there, Clock.systemDefaultZone());
    try (ConfigurableApplicationContext running = Server.start(there, 0, false)) {
      Map<String, String> after = answers(Server.port(running));
      assertThat(after.keySet()).isEqualTo(before.keySet());
      before.forEach((q, a) -> assertThat(after.get(q)).as(q).isEqualTo(a));
    }
  }
}
