package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A gradebook of a term, against numbers that were counted by hand. */
public class GradebookApiTest extends DemoTestBase {
  private static final String SHEET = "{\"items\":[%s]}";

  private long check(long group, String... sounds) {
    StringBuilder items = new StringBuilder();
    for (String s : sounds) {
      items
          .append(items.isEmpty() ? "" : ",")
          .append("{\"kind\":\"SOUND\",\"what\":\"")
          .append(s)
          .append("\",\"pieceId\":0}");
    }
    return body(post("/api/groups/" + group + "/checks", SHEET.formatted(items)))
        .get("id")
        .asLong();
  }

  /** Writes grades down item by item: s, h (shaky), n (not yet); - for what wasn't heard. */
  private void grades(long check, String student, String grades) {
    long id = student(student);
    for (int i = 0; i < grades.length(); i++) {
      char c = grades.charAt(i);
      if (c != '-') {
        String grade = c == 's' ? "SECURE" : c == 'h' ? "SHAKY" : "NOT_YET";
        assertThat(
                post(
                    "/api/checks/" + check + "/grades",
                    "{\"studentId\":"
                        + id
                        + ",\"item\":"
                        + i
                        + ",\"grade\":\""
                        + grade
                        + "\",\"remark\":\"\",\"notes\":[],\"mark\":\""
                        + check
                        + "-"
                        + student
                        + i
                        + c
                        + "\"}"))
            .hasStatusOk();
      }
    }
  }

  /** A term has two days of tests: the first is moved to three weeks ago. */
  private void made(long check, int daysAgo) {
    db.run(
        tx ->
            tx.run(
                "update class_check set made = dateadd(day, ?, made) where id = ?",
                -daysAgo,
                check));
  }

  private static JsonNode row(JsonNode book, String name) {
    for (JsonNode r : book.get("rows")) {
      if (r.get("student").get("name").asString().equals(name)) {
        return r;
      }
    }
    throw new AssertionError(name);
  }

  private static String numbers(JsonNode row) {
    StringBuilder all = new StringBuilder();
    row.get("cells")
        .forEach(
            c ->
                all.append(
                    !c.get("heard").asBoolean()
                        ? "none "
                        : c.get("points").asInt() + "/" + c.get("of").asInt() + " "));
    return all
        + "= "
        + row.get("points").asInt()
        + "/"
        + row.get("of").asInt()
        + " "
        + row.get("percent").asInt()
        + " %";
  }

  @Test
  public void aTermAddsUp() {
    long group = group("First-year band");
    long first = check(group, "Bb", "C", "D");
    long second = check(group, "F", "Eb");
    long third = check(group, "G");
    made(first, 21);
    // the second and the third were on one day
    grades(first, "Noor", "shn");
    grades(second, "Noor", "ss");
    grades(third, "Noor", "h");
    grades(first, "Mateo", "s--");
    grades(second, "Mateo", "nn");
    post(
        "/api/checks/" + first + "/absent",
        "{\"studentId\":" + student("Ayşe") + ",\"absent\":true}");
    grades(second, "Ayşe", "sh");
    String path = "/api/groups/" + group + "/gradebook";
    String range = "?from=" + LocalDate.now().minusDays(30) + "&to=" + LocalDate.now();

    JsonNode book = get(path + range);
    assertThat(book.get("days")).hasSize(2);
    // 3 + 2 + 1 of 9; 3 + 3 + 2 of 9; 14 of 18 are 78 %
    assertThat(numbers(row(book, "Noor A."))).isEqualTo("6/9 8/9 = 14/18 78 %");
    // one thing was heard of three: 3 of 3; twice not yet: 2 of 6; 5 of 9 are 56 %
    assertThat(numbers(row(book, "Mateo R."))).isEqualTo("3/3 2/6 = 5/9 56 %");
    // who was absent has 0 of 9; 3 + 2 of 6; 5 of 15 are 33 %
    assertThat(numbers(row(book, "Ayşe K."))).isEqualTo("0/9 5/6 = 5/15 33 %");
    assertThat(numbers(row(book, "Zola M."))).isEqualTo("none none = 0/0 -1 %");

    String csv =
        new String(
            mvc.get().uri(path + ".csv" + range).exchange().getResponse().getContentAsByteArray(),
            StandardCharsets.UTF_8);
    assertThat(csv)
        .contains(
            "student,section," + LocalDate.now().minusDays(21) + "," + LocalDate.now() + ",points")
        .contains("Noor A.,Flute,6,8,14,18,78");

    // the school counts otherwise, and absence not at all
    assertThat(put("/api/points", "{\"secure\":10,\"shaky\":7,\"notYet\":4,\"absent\":-1}"))
        .hasStatusOk();
    try {
      book = get(path + range);
      assertThat(numbers(row(book, "Noor A."))).isEqualTo("21/30 27/30 = 48/60 80 %");
      assertThat(numbers(row(book, "Ayşe K."))).isEqualTo("0/0 17/20 = 17/20 85 %");
      assertThat(put("/api/points", "{\"secure\":1,\"shaky\":7,\"notYet\":4,\"absent\":0}"))
          .hasStatus(400);
      assertThat(get(path + range).get("worth").get("secure").asInt()).isEqualTo(10);
    } finally {
      put("/api/points", "{\"secure\":3,\"shaky\":2,\"notYet\":1,\"absent\":0}");
    }
    assertThat(mvc.get().uri(path + "?from=2026-10-02&to=2026-10-01").exchange()).hasStatus(400);
  }

  @Test
  public void aGradeTakenBackCountsNoMore() {
    long group = group("Private pupils");
    long check = check(group, "Bb");
    grades(check, "Yuna", "n");
    String path = "/api/groups/" + group + "/gradebook";
    assertThat(numbers(row(get(path), "Yuna C."))).endsWith("1/3 = 1/3 33 %");
    grades(check, "Yuna", "s");
    assertThat(numbers(row(get(path), "Yuna C."))).as("the last counts").endsWith("3/3 100 %");
    post(
        "/api/checks/" + check + "/undo",
        "{\"studentId\":" + student("Yuna") + ",\"item\":0,\"mark\":\"\"}");
    assertThat(numbers(row(get(path), "Yuna C."))).endsWith("1/3 33 %");
  }
}
