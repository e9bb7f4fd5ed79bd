package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import org.springframework.test.web.servlet.assertj.MockMvcTester;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Every answer is in the words of the page that asks. */
public class SpokenApiTest extends DemoTestBase {
  private JsonNode today(MockMvcTester.MockMvcRequestBuilder ask) throws Exception {
    return body(ask.exchange());
  }

  @Test
  public void thePageSaysTheLanguageThenTheTeachersChoiceThenTheBrowser() throws Exception {
    String path = "/api/people";
    assertThat(stage(today(mvc.get().uri(path)))).isEqualTo("the first years");
    assertThat(
            stage(
                today(mvc.get().uri(path).header("Accept-Language", "fr, es-MX;q=0.8, en;q=0.5"))))
        .isEqualTo("los primeros años");
    assertThat(
            stage(
                today(
                    mvc.get()
                        .uri(path)
                        .header("Accept-Language", "en")
                        .cookie(new jakarta.servlet.http.Cookie("sempre-language", "es")))))
        .isEqualTo("los primeros años");
    assertThat(
            stage(
                today(
                    mvc.get()
                        .uri(path)
                        .header("Sempre-Language", "en")
                        .cookie(new jakarta.servlet.http.Cookie("sempre-language", "es")))))
        .isEqualTo("the first years");
    assertThat(stage(today(mvc.get().uri(path).header("Accept-Language", ";;q=x"))))
        .isEqualTo("the first years");
  }

  private static String stage(JsonNode people) {
    return people.get("groups").get(0).get("stageWords").asString();
  }

  /** What is kept for the next who asks is not given to who reads another language. */
  @Test
  public void whatIsWorkedOutOnceIsToldToEachInTheirOwnWords() throws Exception {
    for (String path :
        new String[] {"/api/people", "/api/today", "/api/groups/2/readiness?what=assigned"}) {
      String en = today(mvc.get().uri(path)).toString();
      String es = today(mvc.get().uri(path).header("Sempre-Language", "es")).toString();
      String doReMi = today(mvc.get().uri(path).header("Sempre-Names", "syllables")).toString();
      assertThat(en).contains("Trumpet").doesNotContain("Trompeta");
      assertThat(es).as(path).contains("Trompeta").doesNotContain("Trumpet");
      assertThat(doReMi).as(path).contains("Trumpet");
      if (!path.equals("/api/people")) {
        assertThat(doReMi).as(path).containsPattern("\\b(sol|fa|la|si)[♭♯]?\\b");
      }
    }
  }

  @Test
  public void anErrorIsInTheSameLanguage() throws Exception {
    var answer =
        mvc.get().uri("/api/newnote?pitch=H4&stage=SCHOOL").header("Sempre-Language", "es");
    assertThat(body(answer.exchange()).get("detail").asString())
        .startsWith("«H4» no es una nota; escribe letra, alteración y octava");
    var ask =
        mvc.post()
            .uri("/api/groups")
            .header("Sempre-Language", "es")
            .contentType("application/json")
            .content("{\"name\":\"\"}");
    assertThat(body(ask.exchange()).get("detail").asString()).isEqualTo("Pon un nombre al grupo.");
  }

  /** A sheet is in the language its student reads; the screen stays in the teacher's. */
  @Test
  public void aStudentsSheetIsInTheLanguageOfTheStudent() throws Exception {
    JsonNode next = null;
    for (JsonNode g : get("/api/today").get("groups")) {
      for (JsonNode n : g.get("next")) {
        if (next == null && !n.get("players").isEmpty()) {
          next = n;
        }
      }
    }
    long student = next.get("players").get(0).get("student").get("id").asLong();
    String stand = "/api/stand/" + student + "/" + next.get("piece").get("id").asLong();
    assertThat(put("/api/styles/all/sheet", "{\"school\":\"es\"}")).hasStatusOk();
    try {
      assertThat(get(stand).get("language").asString()).isEqualTo("EN");
      JsonNode sheet = today(mvc.get().uri(stand).header("Sempre-Sheet", "yes"));
      assertThat(sheet.get("language").asString()).isEqualTo("ES");
      assertThat(sheet.get("plan").get("notes").toString()).contains("\"label\":\"");
      JsonNode named =
          today(
              mvc.get()
                  .uri(stand)
                  .header("Sempre-Sheet", "yes")
                  .header("Sempre-Names", "syllables"));
      assertThat(named.get("plan").get("notes").get(0).get("shown").asString())
          .matches("(do|re|mi|fa|sol|la|si)[♭♯]?\\d");
    } finally {
      put("/api/styles/all/sheet", "{\"school\":\"screen\"}");
    }
  }
}
