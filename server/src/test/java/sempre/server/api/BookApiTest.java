package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.springframework.mock.web.MockMultipartFile;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A book is brought in file by file, looked through, and goes out as one archive. */
public class BookApiTest extends DemoTestBase {
  private static final String TUNES =
      "X:1\nT:Wherry\nM:4/4\nL:1/4\nK:C\ncdef|ggg2|\n\n"
          + "X:2\nT:Lugger\nM:3/4\nL:1/4\nK:F\nfg^f|fga|\n\n"
          + "X:3\nT:Ketch\nM:3/4\nL:1/4\nK:F\n^fg^f|^fg2|\n";

  private JsonNode bring(String book, String name, String content) {
    return body(
        upload("/api/book/pieces?book=" + book, name, content.getBytes(StandardCharsets.UTF_8)));
  }

  private static Map<String, byte[]> entries(byte[] archive) throws IOException {
    Map<String, byte[]> all = new TreeMap<>();
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(archive))) {
      for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
        all.put(e.getName(), in.readAllBytes());
      }
    }
    return all;
  }

  @Test
  public void aFileOfTunesBecomesExercisesOnceAndIsLookedThrough() {
    JsonNode brought = bring("Moorings", "p12 tunes.abc", TUNES);
    assertThat(brought).hasSize(3);
    assertThat(brought.get(1).get("title").asString()).isEqualTo("Lugger");
    assertThat(brought.get(1).get("number").asString()).isEqualTo("2");
    assertThat(brought.get(1).get("page").asString()).isEqualTo("12");
    assertThat(brought.get(1).get("again").asBoolean()).isFalse();
    JsonNode again = bring("Moorings", "p12 tunes.abc", TUNES);
    assertThat(again.get(2).get("again").asBoolean()).isTrue();
    assertThat(again.get(2).get("id").asLong()).isEqualTo(brought.get(2).get("id").asLong());

    JsonNode book = get("/api/book?name=Moorings&instrument=flute");
    assertThat(book).hasSize(3);
    JsonNode lugger = book.get(1);
    assertThat(lugger.get("piece").get("page").asString()).isEqualTo("12");
    assertThat(lugger.get("fresh").toString()).isEqualTo("[\"F♯5\",\"A5\"]");
    assertThat(lugger.get("others").toString()).isEqualTo("[\"one flat\",\"3/4\"]");
    assertThat(lugger.get("early").toString()).isEqualTo("[\"F♯5 once; introduced in 3\"]");
  }

  @Test
  public void whatCantBeReadIsToldAndNothingIsKept() {
    assertThat(upload("/api/book/pieces?book=Wrecks", "1.xml", "<none/>".getBytes()))
        .hasStatus(422);
    assertThat(upload("/api/book/pieces?book=Wrecks", "1.abc", "%".getBytes()))
        .hasStatus4xxClientError();
    assertThat(mvc.get().uri("/api/book?name=Wrecks&instrument=flute")).hasStatus(404);
    assertThat(mvc.get().uri("/api/book.zip?name=Wrecks")).hasStatus(404);
  }

  /** Out as an archive and in again elsewhere: the same music at the same places. */
  @Test
  public void aBookGoesOutAndComesInAsItWas() throws IOException {
    long first =
        bring("Slipway", "7 Dinghy.abc", "X:1\nT:Dinghy\nL:1/4\nK:C\nCDEF|\n")
            .get(0)
            .get("id")
            .asLong();
    bring("Slipway", "8 Punt.abc", "X:1\nT:Punt\nL:1/4\nK:C\nEDCC|\n");
    byte[] picture = "\u0089PNG\r\n\u001a\n".getBytes(StandardCharsets.ISO_8859_1);
    assertThat(
            mvc.put()
                .uri("/api/pieces/" + first + "/page")
                .multipart()
                .file(new MockMultipartFile("file", "leaf 3.png", "image/png", picture)))
        .hasStatusOk();
    Map<String, byte[]> all =
        entries(
            mvc.get()
                .uri("/api/book.zip?name=Slipway")
                .exchange()
                .getResponse()
                .getContentAsByteArray());
    JsonNode description = new JsonMapper().readTree(all.get("book.json"));
    assertThat(description.get("title").asString()).isEqualTo("Slipway");
    assertThat(description.get("exercises")).hasSize(2);
    JsonNode dinghy = description.get("exercises").get(0);
    assertThat(dinghy.get("number").asString()).isEqualTo("7");
    assertThat(all.get(dinghy.get("picture").asString())).isEqualTo(picture);
    assertThat(dinghy.get("pictureType").asString()).isEqualTo("image/png");
    JsonNode elsewhere =
        body(
            upload(
                "/api/book/pieces?book=Slipway two&number=7&title=Dinghy&pages="
                    + dinghy.get("pages").asString(),
                "Dinghy.musicxml",
                all.get(dinghy.get("music").asString())));
    byte[] there =
        mvc.get()
            .uri("/api/pieces/" + elsewhere.get(0).get("id").asLong() + "/file")
            .exchange()
            .getResponse()
            .getContentAsByteArray();
    assertThat(there).isEqualTo(all.get(dinghy.get("music").asString()));
    assertThat(elsewhere.get(0).get("number").asString()).isEqualTo("7");
  }

  @Test
  public void theMapIsThatOfTheSchoolsInstruments() {
    JsonNode readers = get("/api/book/readers");
    assertThat(readers.toString()).contains("\"flute\"").doesNotContain("\"cornet\"");
  }
}
