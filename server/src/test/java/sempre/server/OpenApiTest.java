package sempre.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.testng.annotations.Test;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The interface is typed from the server's own description; a stale one fails here. */
@Import(OpenApiTest.AllRequired.class)
public class OpenApiTest extends ServerTestBase {
  private static final Path FILE = Path.of("../web/openapi.json");

  /** Every field of what the server sends is always there. */
  @TestConfiguration
  static class AllRequired {
    @Bean
    @SuppressWarnings({"rawtypes", "unchecked"}) // springdoc hands out raw schemas
    OpenApiCustomizer allRequired() {
      return api -> {
        api.setServers(null);
        api.getComponents()
            .getSchemas()
            .values()
            .forEach(
                s -> {
                  if (s.getProperties() != null) {
                    s.setRequired(new ArrayList<>(s.getProperties().keySet()));
                  }
                });
      };
    }
  }

  @Test
  public void theInterfaceIsTypedFromThisApi() throws Exception {
    String json = mvc.get().uri("/v3/api-docs").exchange().getResponse().getContentAsString();
    JsonMapper mapper =
        JsonMapper.builder()
            .enable(SerializationFeature.INDENT_OUTPUT)
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .build();
    String now = mapper.writeValueAsString(mapper.readValue(json, Object.class)) + "\n";
    if (System.getenv("OPENAPI_WRITE") != null) {
      Files.writeString(FILE, now);
    }
    assertThat(Files.readString(FILE))
        .as("web/openapi.json is stale; run ./sempre openapi and commit it")
        .isEqualTo(now);
  }

  /** Browsers log an answer without a body as aborted; each change says what it did. */
  @Test
  public void noAnswerIsEmpty() throws Exception {
    var api =
        new JsonMapper()
            .readTree(mvc.get().uri("/v3/api-docs").exchange().getResponse().getContentAsString());
    List<String> empty = new ArrayList<>();
    int answers = 0;
    for (var path : api.get("paths").properties()) {
      for (var way : path.getValue().properties()) {
        for (var answer : way.getValue().get("responses").properties()) {
          answers++;
          if (!answer.getValue().has("content")) {
            empty.add(way.getKey() + " " + path.getKey() + " " + answer.getKey());
          }
        }
      }
    }
    assertThat(answers).isGreaterThan(70);
    assertThat(empty).isEmpty();
  }
}
