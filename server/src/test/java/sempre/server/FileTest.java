package sempre.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.LocalDate;
import org.springframework.context.ConfigurableApplicationContext;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import sempre.core.Refusal;
import sempre.core.score.PartChoice;
import sempre.server.file.Daily;
import sempre.server.store.Db;
import sempre.server.store.Shelf;

/** The application on a file of its own, as a school runs it. */
public class FileTest {
  private final HttpClient http = HttpClient.newHttpClient();
  private Path dir;
  private ConfigurableApplicationContext running;

  @BeforeMethod
  void start() throws IOException {
    dir = Files.createTempDirectory("sempre-run");
    running = Server.start(dir, 0, false);
  }

  @AfterMethod(alwaysRun = true)
  void stop() {
    running.close();
  }

  private HttpResponse<String> send(String method, String path, String json) throws Exception {
    return http.send(
        HttpRequest.newBuilder(URI.create("http://localhost:" + Server.port(running) + path))
            .header("Content-Type", "application/json")
            .method(
                method, json.isEmpty() ? BodyPublishers.noBody() : BodyPublishers.ofString(json))
            .build(),
        BodyHandlers.ofString());
  }

  private String student(String remark) throws Exception {
    HttpResponse<String> added =
        send(
            "POST",
            "/api/students",
            "{\"givenName\":\"Ida\",\"initial\":\"K\",\"instrument\":\"flute\",\"options\":{},"
                + "\"avoid\":[],\"style\":{},\"groups\":[],\"person\":0,\"seat\":\"\"}");
    String id = added.body().replaceAll("\\D", "");
    assertThat(mark(id, remark).statusCode()).isEqualTo(200);
    return id;
  }

  private HttpResponse<String> mark(String id, String remark) throws Exception {
    return send(
        "POST",
        "/api/students/" + id + "/heard",
        "[{\"written\":\"G4\",\"fingering\":\"T 1 2 3 | Eb\",\"grade\":\"SECURE\",\"pieceId\":0,"
            + "\"bars\":\"\",\"remark\":\""
            + remark
            + "\",\"mark\":\"\"}]");
  }

  /** Does something with the data beside the application. */
  private void inData(String sql) throws SQLException {
    String url = "jdbc:h2:file:" + dir.resolve("sempre") + ";IFEXISTS=TRUE";
    try (Connection c = DriverManager.getConnection(url, "sa", "");
        Statement s = c.createStatement()) {
      s.execute(sql);
    }
  }

  private boolean inFile(String words) throws IOException {
    byte[] file = Files.readAllBytes(dir.resolve("sempre.mv.db"));
    return new String(file, StandardCharsets.ISO_8859_1).contains(words);
  }

  @Test
  public void whatIsErasedLeavesTheFileWhileItRunsAndThatIsSaid() throws Exception {
    String id = student("Zyzzyremark");
    String other = student("Staying");
    byte[] piece =
        "<score-partwise><part-list/><part id='P1'/></score-partwise>"
            .repeat(9_000)
            .getBytes(StandardCharsets.UTF_8);
    Db db = running.getBean(Db.class);
    long kept =
        db.inTransaction(
            tx ->
                new Shelf()
                    .add(
                        tx,
                        new Shelf.Piece(
                            0,
                            "Tune",
                            "",
                            "",
                            "",
                            "a.xml",
                            PartChoice.Pages.AS_SAID,
                            Instant.now()),
                        piece));
    assertThat(inFile("Zyzzyremark")).isTrue();
    assertThat(send("DELETE", "/api/students/" + id, "").statusCode()).isEqualTo(200);
    for (int i = 0; i < 200 && !today().contains("no longer stands in the data file"); i++) {
      Thread.sleep(50);
    }
    assertThat(today()).contains("no longer stands in the data file");
    assertThat(inFile("Zyzzyremark")).isFalse();
    assertThat(inFile("Staying")).as("words can be found in it").isTrue();
    // the others are there, and it goes on
    assertThat(send("GET", "/api/students/" + other + "/heard", "").body()).contains("Staying");
    byte[] content = running.getBean(Db.class).inTransaction(tx -> new Shelf().content(tx, kept));
    assertThat(content).isEqualTo(piece);
    assertThat(mark(other, "Afterwards").statusCode()).isEqualTo(200);
    running.close();
    assertThat(inFile("Zyzzyremark")).isFalse();
    running = Server.start(dir, 0, false);
    assertThat(send("GET", "/api/students/" + other + "/heard", "").body())
        .contains("Staying", "Afterwards");
  }

  /** On wish what is erased leaves the backups on this computer too, and one of today is there. */
  @Test
  public void whatIsErasedLeavesTheBackupsTooWhereThatIsWanted() throws Exception {
    String id = student("Zyzzyremark");
    running.getBean(Daily.class).close();
    Path old = dir.resolve("backups/daily-2020-01-01.zip");
    Files.createDirectories(old.getParent());
    Files.writeString(old, "Zyzzyremark");
    Files.writeString(dir.resolve("backups/before-form-20-2020-01-01-120000.mv.db"), "Zyzzyremark");
    assertThat(send("DELETE", "/api/students/" + id + "?backups=true", "").statusCode())
        .isEqualTo(200);
    for (int i = 0; i < 200 && !today().contains("and its backups"); i++) {
      Thread.sleep(50);
    }
    assertThat(today()).contains("and its backups");
    try (var left = Files.list(old.getParent())) {
      assertThat(left.map(f -> f.getFileName().toString()).toList())
          .singleElement()
          .asString()
          .isEqualTo("daily-" + LocalDate.now() + ".zip");
    }
  }

  private String today() throws Exception {
    return send("GET", "/api/today", "").body();
  }

  /** Without accounts it would show every student to whoever can reach it. */
  @Test
  public void itDoesNotListenWhereOthersCouldReachIt() throws Exception {
    Path other = Files.createTempDirectory("sempre-run");
    System.setProperty("server.address", "0.0.0.0");
    try {
      assertThatThrownBy(() -> Server.start(other, 0, false))
          .isInstanceOf(Refusal.class)
          .hasMessageContaining("wrong.listens");
    } finally {
      System.clearProperty("server.address");
    }
  }

  @Test
  public void whatWasErasedBeforeASuddenEndIsTakenOutAtTheNextStart() throws Exception {
    student("Zyzzyremark");
    running.close();
    // as a kill leaves it that comes between the erasing and the writing anew
    Files.writeString(dir.resolve("sempre.erased"), "");
    running = Server.start(dir, 0, false);
    assertThat(dir.resolve("sempre.erased")).doesNotExist();
    assertThat(today()).contains("\"notices\":[]");
  }

  @Test
  public void aBackupIsFetchedFromTheRunningApplication() throws Exception {
    student("Kept");
    HttpResponse<byte[]> zip =
        http.send(
            HttpRequest.newBuilder(
                    URI.create("http://localhost:" + Server.port(running) + "/api/backup"))
                .build(),
            BodyHandlers.ofByteArray());
    assertThat(zip.statusCode()).isEqualTo(200);
    assertThat(zip.headers().firstValue("Cache-Control")).hasValue("no-store");
    assertThat(new String(zip.body(), 0, 2, StandardCharsets.US_ASCII)).isEqualTo("PK");
    try (var left = Files.list(dir.resolve("backups"))) {
      assertThat(left).as("nothing is left behind").isEmpty();
    }
  }

  @Test
  public void aFileThatWasLostUnderItIsOpenedAgain() throws Exception {
    String id = student("Before");
    // as a full disk does it: the database closes itself
    inData("shutdown immediately");
    assertThat(send("GET", "/api/students/" + id + "/heard", "").statusCode()).isEqualTo(200);
    assertThat(mark(id, "After").statusCode()).isEqualTo(200);
    assertThat(send("GET", "/api/students/" + id + "/heard", "").body())
        .contains("Before", "After");
  }

  @Test
  public void aClockThatWasSetBackMakesNoNewerGradeTheOlderOne() throws Exception {
    String id = student("in the future");
    inData("update heard set at = dateadd(day, 400, at)");
    HttpResponse<String> added =
        send(
            "POST",
            "/api/students/" + id + "/heard",
            "[{\"written\":\"G4\",\"fingering\":\"T 1 2 3 | Eb\",\"grade\":\"NOT_YET\",\"pieceId\":0,"
                + "\"bars\":\"\",\"remark\":\"\",\"mark\":\"\"}]");
    assertThat(added.statusCode()).isEqualTo(200);
    assertThat(send("GET", "/api/students/" + id + "/heard", "").body())
        .containsPattern("\"marks\":\\[[^\\]]*NOT_YET");
  }
}
