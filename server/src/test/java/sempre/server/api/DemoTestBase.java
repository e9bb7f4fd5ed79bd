package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.BeforeClass;
import sempre.server.ServerTestBase;
import sempre.server.demo.DemoSchool;
import sempre.server.store.Db;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The real HTTP layer over a real H2, filled with the demo school. */
abstract class DemoTestBase extends ServerTestBase {
  private static final JsonMapper MAPPER = new JsonMapper();

  @Autowired protected DemoSchool demo;
  @Autowired protected Db db;

  @BeforeClass
  void fill() throws Exception {
    springTestContextPrepareTestInstance();
    demo.prepare();
  }

  protected JsonNode body(MvcTestResult r) {
    return MAPPER.readTree(
        new String(r.getResponse().getContentAsByteArray(), StandardCharsets.UTF_8));
  }

  protected JsonNode get(String path) {
    MvcTestResult r = mvc.get().uri(path).exchange();
    assertThat(r).as(path).hasStatusOk();
    return body(r);
  }

  protected MvcTestResult post(String path, String json) {
    return mvc.post().uri(path).contentType(MediaType.APPLICATION_JSON).content(json).exchange();
  }

  protected MvcTestResult put(String path, String json) {
    return mvc.put().uri(path).contentType(MediaType.APPLICATION_JSON).content(json).exchange();
  }

  protected long student(String name) {
    for (JsonNode s : get("/api/people").get("students")) {
      if (s.get("givenName").asString().equals(name)) {
        return s.get("id").asLong();
      }
    }
    throw new AssertionError(name);
  }

  protected long piece(String title) {
    for (JsonNode p : get("/api/pieces")) {
      if (p.get("piece").get("title").asString().equals(title)) {
        return p.get("piece").get("id").asLong();
      }
    }
    throw new AssertionError(title);
  }

  protected MvcTestResult upload(String path, String name, byte[] content) {
    return mvc.post()
        .uri(path)
        .multipart()
        .file(new MockMultipartFile("file", name, null, content))
        .exchange();
  }

  protected long group(String name) {
    for (JsonNode g : get("/api/people").get("groups")) {
      if (g.get("name").asString().equals(name)) {
        return g.get("id").asLong();
      }
    }
    throw new AssertionError(name);
  }
}
