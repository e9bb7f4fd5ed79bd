package sempre.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.server.demo.DemoSchool;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Requests made from the description of the API, half of them spoilt: no answer is an error of the
 * server's, none takes long, none names a class. Seeded, so that what it finds it finds again.
 */
@SpringBootTest(classes = Server.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
@Import(DemoSchool.class)
public class FuzzTest extends AbstractTestNGSpringContextTests {
  private static final long SEED = 20261126;
  private static final int EACH = 12;
  private static final int THREADS = 2;
  private static final long SLOW_MILLIS = 20_000;
  private static final int INTERNAL = 500;
  private static final JsonMapper MAPPER = new JsonMapper();
  private static final Pattern CLASS =
      Pattern.compile(
          "\\b(java|javax|jakarta|org|com|tools|sempre)(\\.[a-z0-9]+)+\\.[A-Z]\\w+|\\[[A-Z]@|\\w+Exception");
  private static final String DATABASE = "jdbc:h2:mem:" + UUID.randomUUID() + ";DB_CLOSE_DELAY=-1";

  @Autowired private DemoSchool demo;
  @LocalServerPort private int port;

  private final List<Operation> operations = new ArrayList<>();
  private JsonNode schemas;

  @DynamicPropertySource
  static void settings(DynamicPropertyRegistry registry) {
    registry.add("spring.datasource.url", () -> DATABASE);
  }

  private record Operation(String method, String path, JsonNode described) {}

  private record Answer(int status, String type, String body, long millis) {}

  @BeforeClass
  void describe() throws Exception {
    springTestContextPrepareTestInstance();
    demo.prepare();
    JsonNode api = MAPPER.readTree(Files.readString(Path.of("..", "web", "openapi.json")));
    schemas = api.get("components").get("schemas");
    for (Map.Entry<String, JsonNode> path : api.get("paths").properties()) {
      for (Map.Entry<String, JsonNode> way : path.getValue().properties()) {
        operations.add(
            new Operation(
                way.getKey().toUpperCase(java.util.Locale.ROOT), path.getKey(), way.getValue()));
      }
    }
  }

  @Test
  public void noRequestMakesAnErrorOfTheServersOrTakesLongOrNamesAClass() throws Exception {
    assertThat(operations).hasSizeGreaterThan(70);
    List<Callable<String>> all = new ArrayList<>();
    for (Operation o : operations) {
      for (int i = 0; i < EACH; i++) {
        long seed = SEED + 31L * all.size();
        all.add(() -> fault(request(o, new Random(seed))));
      }
    }
    for (String odd : oddLines()) {
      all.add(() -> fault(odd.getBytes(StandardCharsets.ISO_8859_1)));
    }
    ExecutorService threads = Executors.newFixedThreadPool(THREADS);
    Map<String, String> faults = new TreeMap<>();
    try {
      for (Future<String> f : threads.invokeAll(all, 10, TimeUnit.MINUTES)) {
        String fault = f.get();
        if (!fault.isEmpty()) {
          // one of each kind is enough to see what is wrong
          faults.putIfAbsent(fault.replaceAll("\\d+", "N").lines().findFirst().orElse(""), fault);
        }
      }
    } finally {
      threads.shutdownNow();
    }
    assertThat(faults.values()).isEmpty();
    for (String page : List.of("/api/today", "/api/people", "/api/pieces", "/api/removals")) {
      assertThat(send(("GET " + page + head()).getBytes(StandardCharsets.UTF_8)).status())
          .as("afterwards " + page)
          .isEqualTo(200);
    }
  }

  @DataProvider
  Object[][] odd() {
    String json = "Content-Type: application/json\r\n";
    String chunks = "fffff\r\n" + "x".repeat(0xfffff) + "\r\n";
    String student =
        "{\"givenName\":\"Ida\",\"initial\":\"\",\"instrument\":\"flute\",\"options\":{},\"avoid\":[],"
            + "\"style\":{},\"groups\":[99999],\"person\":0,\"seat\":\"\"}";
    return new Object[][] {
      {"GET /error", "", "", 404},
      {"GET /api/today?x=%zz", "", "", 400},
      {"GET /api/students/99999999999999999999/map", "", "", 400},
      {"GET /api/students/99999/map", "", "", 404},
      {"BREW /api/today", "", "", 405},
      {"POST /api/groups", json + "Origin: null\r\n", "{}", 403},
      {"POST /api/groups", json + "Content-Length: 300000000\r\n", "", 413},
      {
        "PUT /api/notes/flute/own.yaml",
        "Content-Type: text/plain\r\nTransfer-Encoding: chunked\r\n",
        chunks + chunks + chunks + "0\r\n\r\n",
        413
      },
      {"POST /api/students/1/heard", json, "[null]", 400},
      {"POST /api/students/1/heard/undo", json, "{\"ids\":[null]}", 400},
      {"POST /api/students", json, student, 404},
      {"POST /api/groups", "Content-Type: */*\r\n", "{}", 415},
      {"POST /api/groups", "Content-Type: nonsense\r\n", "{}", 415},
      {"GET /api/students/1/sight?level=EIGHTHS&leap=x&leap=y&bars=8&seed=1", "", "", 400},
      {"POST /api/pieces/look", "Content-Type: multipart/form-data\r\n", "--x", 400},
      {"PUT /api/notes/flute/own.yaml", "Content-Type: text/plain\r\n", "a: &a [*a]", 422},
    };
  }

  @Test(dataProvider = "odd")
  public void anOddRequestIsToldForWhatItIs(String line, String head, String body, int status)
      throws IOException {
    boolean own = head.contains("Content-Length") || head.contains("chunked");
    Answer a =
        send(
            (line
                    + " HTTP/1.1\r\nHost: localhost:"
                    + port
                    + "\r\nConnection: close\r\n"
                    + head
                    + (own ? "" : "Content-Length: " + body.length() + "\r\n")
                    + "\r\n"
                    + body)
                .getBytes(StandardCharsets.UTF_8));
    assertThat(a.status()).as(a.body()).isEqualTo(status);
    assertThat(a.type()).startsWith("application/problem+json");
    assertThat(a.body()).contains("\"detail\":\"");
  }

  private List<String> oddLines() {
    return List.of(
        "GET /error" + head(),
        "POST /error" + head(),
        "GET /api/today?x=%zz" + head(),
        "GET /api/today?x=%" + head(),
        "GET /api/groups/1/lesson?pitch=%ff%fe" + head(),
        "GET /api/groups/1/lesson?pitch=" + head(),
        "GET /api/%2e%2e/%00" + head(),
        "GET /api/to<day" + head(),
        "BREW /api/today" + head(),
        "GET /api/students/99999999999999999999/map" + head(),
        "POST /api/groups HTTP/1.1\r\nHost: localhost:"
            + port
            + "\r\nOrigin: null\r\n"
            + "Content-Type: application/json\r\nContent-Length: 2\r\n\r\n{}",
        "POST /api/pieces/look HTTP/1.1\r\nHost: localhost:"
            + port
            + "\r\nContent-Type: multipart/form-data; boundary=x\r\nContent-Length: 9\r\n\r\n--x\r\nCont",
        "POST /api/pieces/look HTTP/1.1\r\nHost: localhost:"
            + port
            + "\r\nContent-Type: multipart/form-data\r\nContent-Length: 3\r\n\r\n--x",
        "POST /api/groups HTTP/1.1\r\nHost: localhost:"
            + port
            + "\r\nContent-Type: application/json\r\nTransfer-Encoding: odd\r\n\r\n",
        "POST /api/groups HTTP/1.1\r\nHost: localhost:"
            + port
            + "\r\nContent-Type: application/json\r\nContent-Length: 300000000\r\n\r\n{}",
        "POST /api/groups HTTP/1.1\r\nHost: localhost:"
            + port
            + "\r\nConnection: close\r\nContent-Type: text/xml\r\nContent-Length: 4\r\n\r\n<a/>");
  }

  private String head() {
    return " HTTP/1.1\r\nHost: localhost:" + port + "\r\nConnection: close\r\n\r\n";
  }

  /** What is wrong with the answer to a request; empty when nothing is. */
  private String fault(byte[] request) throws IOException {
    Answer a = send(request);
    String shown =
        new String(request, StandardCharsets.UTF_8)
            .replaceAll("(?s)(.{400}).*", "$1…")
            .replace("\r\n", " ⏎ ");
    if (a.status() >= INTERNAL && a.status() != 501) {
      return a.status() + " for " + shown + "\n" + a.body();
    }
    if (a.millis() > SLOW_MILLIS) {
      return "took " + a.millis() + " ms: " + shown;
    }
    if (a.status() >= 400 && CLASS.matcher(a.body()).find()) {
      return a.status() + " names a class: " + a.body() + "\n" + shown;
    }
    if (a.status() >= 400 && !a.type().startsWith("application/problem+json")) {
      return a.status() + " is " + a.type() + " for " + shown + "\n" + a.body();
    }
    return "";
  }

  private Answer send(byte[] request) throws IOException {
    long start = System.nanoTime();
    try (Socket socket = new Socket("localhost", port)) {
      socket.setSoTimeout(30_000);
      OutputStream out = socket.getOutputStream();
      out.write(request);
      out.flush();
      socket.shutdownOutput();
      String text = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      long millis = (System.nanoTime() - start) / 1_000_000;
      int body = text.indexOf("\r\n\r\n");
      String head = body < 0 ? text : text.substring(0, body);
      String type =
          head.lines()
              .filter(l -> l.toLowerCase(java.util.Locale.ROOT).startsWith("content-type:"))
              .map(l -> l.substring(13).strip())
              .findFirst()
              .orElse("");
      return new Answer(
          head.isEmpty() ? 0 : Integer.parseInt(head.split(" ")[1]),
          type,
          body < 0 ? "" : text.substring(body + 4),
          millis);
    }
  }

  private byte[] request(Operation o, Random random) throws IOException {
    StringBuilder query = new StringBuilder();
    String path = o.path();
    if (o.described().has("parameters")) {
      for (JsonNode p : o.described().get("parameters")) {
        String name = p.get("name").asString();
        String value = URLEncoder.encode(parameter(name, random), StandardCharsets.UTF_8);
        if (random.nextInt(30) == 0) {
          value = List.of("%", "%zz", "%c3%28", "%00").get(random.nextInt(4));
        }
        if (p.get("in").asString().equals("path")) {
          path = path.replace("{" + name + "}", value);
        } else if (random.nextInt(5) > 0) {
          query.append(query.isEmpty() ? "?" : "&").append(name).append('=').append(value);
        }
      }
    }
    byte[] body = {};
    String type = "application/json";
    if (o.described().has("requestBody")) {
      Map.Entry<String, JsonNode> content =
          o.described().get("requestBody").get("content").properties().iterator().next();
      type = content.getKey();
      if (type.equals("multipart/form-data")) {
        type += "; boundary=fuzz";
        body = upload(random);
      } else if (type.equals("text/plain")) {
        body = yaml(random).getBytes(StandardCharsets.UTF_8);
      } else {
        type = "application/json";
        body = json(content.getValue().get("schema"), random).getBytes(StandardCharsets.UTF_8);
      }
    }
    ByteArrayOutputStream all = new ByteArrayOutputStream();
    String head =
        o.method()
            + " "
            + path
            + query
            + " HTTP/1.1\r\nHost: localhost:"
            + port
            + "\r\nConnection: close\r\n"
            + (random.nextInt(20) == 0 ? "Origin: null\r\n" : "")
            + (random.nextInt(20) == 0 ? "Sempre-By: %zz%\r\n" : "")
            + (random.nextInt(20) == 0 ? "Accept: image/png\r\n" : "")
            + "Content-Type: "
            + type
            + "\r\nContent-Length: "
            + body.length
            + "\r\n\r\n";
    all.write(head.getBytes(StandardCharsets.ISO_8859_1));
    all.write(body);
    return all.toByteArray();
  }

  private static <T> T one(Random random, List<T> of) {
    return of.get(random.nextInt(of.size()));
  }

  private static String parameter(String name, Random random) {
    if (random.nextInt(6) == 0) {
      return one(
          random,
          List.of(
              "", "x", "-1", "0", "99999999999999999999", "1.5", "a".repeat(3_000), "\u0000", "♭"));
    }
    return switch (name) {
      case "instrument" -> one(random, List.of("flute", "trombone", "bassoon", "all", "kazoo"));
      case "kind" -> one(random, List.of("PIECE", "GROUP", "STUDENT", "ASSIGNMENT", "FINGERING"));
      case "by" -> one(random, List.of("2099-01-01", "2020-01-01", "2026-13-45"));
      case "pitch", "written", "note", "from", "to", "heard", "meant" ->
          one(random, List.of("Bb", "Bb4", "C", "B##9", "H", "Ab next"));
      case "what" -> one(random, List.of("shelf", "assigned", "other"));
      case "name" -> one(random, List.of("order", "names", "halfLife", "Bb", "x"));
      default -> String.valueOf(random.nextInt(60));
    };
  }

  /** A body from its description, then perhaps spoilt. */
  private String json(JsonNode schema, Random random) {
    JsonNode made = make(schema, random, 0);
    String text = MAPPER.writeValueAsString(made);
    return switch (random.nextInt(25)) {
      case 0 -> text.substring(0, text.length() / 2);
      case 1 -> "[".repeat(5_000);
      case 2 -> "null";
      case 3 -> "";
      case 4 -> text.replace("\"", "'");
      default -> text;
    };
  }

  private JsonNode make(JsonNode schema, Random random, int depth) {
    if (random.nextInt(14) == 0) {
      return one(
          random,
          List.of(
              MAPPER.nullNode(),
              MAPPER.createArrayNode().addNull(),
              MAPPER.createObjectNode().putNull("x"),
              MAPPER.getNodeFactory().numberNode(-1),
              MAPPER.getNodeFactory().numberNode(Long.MAX_VALUE),
              MAPPER.getNodeFactory().stringNode("a".repeat(500)),
              MAPPER.getNodeFactory().stringNode("\u0000‮<b>"),
              MAPPER.getNodeFactory().booleanNode(true)));
    }
    if (schema.has("$ref")) {
      return make(schemas.get(schema.get("$ref").asString().replaceAll(".*/", "")), random, depth);
    }
    if (schema.has("enum")) {
      JsonNode e = schema.get("enum");
      return e.get(random.nextInt(e.size()));
    }
    String type = schema.has("type") ? schema.get("type").asString() : "object";
    return switch (type) {
      case "array" -> {
        ArrayNode a = MAPPER.createArrayNode();
        for (int i = random.nextInt(4); i > 0 && depth < 6; i--) {
          a.add(make(schema.get("items"), random, depth + 1));
        }
        yield a;
      }
      case "integer", "number" -> MAPPER.getNodeFactory().numberNode(random.nextInt(40));
      case "boolean" -> MAPPER.getNodeFactory().booleanNode(random.nextBoolean());
      case "string" ->
          MAPPER
              .getNodeFactory()
              .stringNode(
                  schema.has("format") && schema.get("format").asString().equals("date")
                      ? "2026-12-0" + random.nextInt(10)
                      : one(random, WORDS));
      default -> {
        ObjectNode o = MAPPER.createObjectNode();
        if (schema.has("properties")) {
          for (Map.Entry<String, JsonNode> p : schema.get("properties").properties()) {
            if (random.nextInt(12) > 0) {
              o.set(p.getKey(), make(p.getValue(), random, depth + 1));
            }
          }
        } else if (schema.has("additionalProperties")) {
          for (int i = random.nextInt(3); i > 0; i--) {
            o.set(one(random, WORDS), make(schema.get("additionalProperties"), random, depth + 1));
          }
        }
        yield o;
      }
    };
  }

  private static final List<String> WORDS =
      List.of(
          "Bb4",
          "Bb",
          "C",
          "G4",
          "T 1 | 1 Eb",
          "1 2",
          "p1",
          "flute",
          "trombone",
          "SOUND",
          "SCALE",
          "BARS",
          "FINGERING",
          "1-4",
          "99999-1",
          "SECURE",
          "FIRST_YEARS",
          "SCHOOL",
          "Quay",
          "Ida",
          "",
          "name,instrument\nAda,flute\n",
          "alternate",
          "piece",
          "MON",
          "names",
          "german",
          "#♯♭",
          "B##9",
          "0",
          "-1",
          "next",
          "p1b1n1",
          "P1",
          "daCapo",
          "Bb major",
          "Bb next");

  private static byte[] upload(Random random) {
    String file =
        one(
            random,
            List.of(
                "",
                "Dear teacher",
                "<score-partwise/>",
                "<score-partwise><part-list><score-part id='P1'><part-name>Salt & Pepper</part-name>"
                    + "</score-part></part-list><part id='P1'/></score-partwise>",
                "<score-partwise><part-list/><part id='P1'><measure number='1'><attributes>"
                    + "<divisions>0</divisions></attributes></measure></part></score-partwise>",
                "<a>".repeat(3_000),
                "PK\u0003\u0004broken"));
    String text =
        "--fuzz\r\nContent-Disposition: form-data; name=\""
            + (random.nextInt(8) == 0 ? "other" : "file")
            + "\"; filename=\"a.musicxml\"\r\n\r\n"
            + file
            + "\r\n--fuzz"
            + (random.nextInt(8) == 0 ? "" : "--\r\n");
    return text.getBytes(StandardCharsets.ISO_8859_1);
  }

  private static String yaml(Random random) {
    return one(
        random,
        List.of(
            "",
            "instrument: flute\n",
            "instrument: flute\nnotes: 3\n",
            "instrument: flute\nnotes: [null]\n",
            "instrument: flute\nhidden: [{note: 3, fingering: [1]}]\n",
            "a: &a [*a]\n",
            "a: !!binary aGVsbG8=\n",
            "[".repeat(2_000),
            "\t\u0001",
            "instrument: flute\nnotes: [{note: Bb4, ways: [{fingering: x, label: y}]}]\n"));
  }
}
