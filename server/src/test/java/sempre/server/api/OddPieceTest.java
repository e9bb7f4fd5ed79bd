package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.Test;
import sempre.core.score.PartChoice;
import sempre.server.store.Shelf;
import tools.jackson.databind.JsonNode;

/** One piece that can't be worked out is a sentence in its row; every other page is as before. */
public class OddPieceTest extends DemoTestBase {
  private static final String GROUP = "Quay Concert Band";

  @Autowired private Shelf shelf;

  private static byte[] score(String attributes, String... notes) {
    StringBuilder all = new StringBuilder();
    for (String n : notes) {
      String[] p = n.split(" ");
      all.append("<note><pitch><step>").append(p[0]).append("</step>");
      all.append("<alter>").append(p[1]).append("</alter><octave>").append(p[2]);
      all.append("</octave></pitch><duration>1</duration>").append(p.length > 3 ? p[3] : "");
      all.append("</note>");
    }
    return ("<score-partwise><work><work-title>Odd One</work-title></work><part-list>"
            + "<score-part id='P1'><part-name>Flute</part-name></score-part></part-list>"
            + "<part id='P1'><measure number='1'><attributes><divisions>1</divisions>"
            + attributes
            + "</attributes>"
            + all
            + "</measure></part></score-partwise>")
        .getBytes(StandardCharsets.UTF_8);
  }

  /** Every page of a group and of its students, and their statuses other than 200. */
  private List<String> broken(long group, long piece) {
    List<String> pages =
        new ArrayList<>(
            List.of(
                "/api/today",
                "/api/groups/" + group + "/readiness",
                "/api/groups/" + group + "/readiness?what=shelf",
                "/api/groups/" + group + "/map",
                "/api/groups/" + group + "/lesson?pitch=Bb",
                "/api/groups/" + group + "/checks/suggested",
                "/api/groups/" + group + "/simpler/" + piece,
                "/api/pieces"));
    for (JsonNode s : get("/api/people").get("students")) {
      long id = s.get("id").asLong();
      pages.add("/api/students/" + id + "/next");
      pages.add("/api/students/" + id + "/map");
      pages.add("/api/students/" + id + "/teach");
      pages.add("/api/stand/" + id + "/" + piece("Half-Tide Rock"));
      pages.add("/api/students/" + id + "/way/" + piece("Half-Tide Rock") + "?by=2099-01-01");
    }
    List<String> broken = new ArrayList<>();
    for (String p : pages) {
      MvcTestResult r = mvc.get().uri(p).exchange();
      if (r.getResponse().getStatus() != 200) {
        broken.add(p + " " + r.getResponse().getStatus() + " " + body(r));
      }
    }
    return broken;
  }

  private long give(long piece, long group) {
    JsonNode given =
        body(
            post(
                "/api/pieces/" + piece + "/assign",
                "{\"groupId\":%d,\"studentId\":0,\"section\":\"\",\"due\":\"2026-01-01\",\"sentence\":\"\",\"bars\":\"\",\"tempo\":0,\"locked\":false}"
                    .formatted(group)));
    return given.get("id").asLong();
  }

  private long keep(byte[] file) {
    return db.inTransaction(
        tx ->
            shelf.add(
                tx,
                new Shelf.Piece(
                    0,
                    "Odd One",
                    "",
                    "",
                    "",
                    "odd.musicxml",
                    PartChoice.Pages.values()[0],
                    Instant.now()),
                file));
  }

  @Test
  public void aPieceThatIsKeptAndCantBeReadIsASentenceInItsRow() {
    // an older version took files that this one refuses
    long group = group(GROUP);
    long piece =
        keep(score("<transpose><chromatic>1000000</chromatic></transpose>", "C 0 4", "E 0 4"));
    long given =
        db.inTransaction(tx -> shelf.assign(tx, group, piece, LocalDate.of(2026, 1, 1), ""));
    try {
      assertThat(broken(group, piece)).isEmpty();
      JsonNode next = null;
      for (JsonNode g : get("/api/today").get("groups")) {
        for (JsonNode n : g.get("next")) {
          next = n.get("assignmentId").asLong() == given ? n : next;
        }
      }
      JsonNode first = next.get("players").get(0);
      assertThat(first.get("state").asString()).isEqualTo("ODD");
      assertThat(first.get("sentence").asString())
          .startsWith("‘Odd One’ can’t be worked out for ")
          .contains("bar 1: the <transpose> is more than 48 half steps")
          .endsWith("; correct it there.");
      JsonNode all = get("/api/assignments/" + given);
      assertThat(all.get("parts")).isEmpty();
      assertThat(all.get("without").get(0).asString()).contains("‘Odd One’ can’t be worked out");
      assertThat(mvc.get().uri("/api/stand/" + student("Noor") + "/" + piece).exchange())
          .hasStatus(422)
          .bodyJson()
          .extractingPath("$.detail")
          .asString()
          .contains("‘Odd One’ can’t be worked out for Noor");
    } finally {
      mvc.put().uri("/api/removals/ASSIGNMENT/" + given).exchange();
      mvc.put().uri("/api/removals/PIECE/" + piece).exchange();
    }
  }

  @Test
  public void aVeryLowOrHighNoteIsBeyondSomeAndBreaksNoPage() {
    long group = group(GROUP);
    for (String note :
        List.of(
            "A 0 0",
            "B -1 0",
            "E 0 1",
            "C 0 8",
            "B 2 9",
            "B 0 9 <notations><ornaments><trill-mark/></ornaments></notations>")) {
      byte[] file = score("", "C 0 4", "E 0 4", note, "G 0 4");
      assertThat(upload("/api/pieces/look", "odd.musicxml", file)).as(note).hasStatusOk();
      long piece = keep(file);
      long given = give(piece, group);
      try {
        assertThat(broken(group, piece)).as(note).isEmpty();
        assertThat(get("/api/today").toString()).as(note).doesNotContain("can't be worked out");
        assertThat(get("/api/groups/" + group + "/simpler/" + piece).toString())
            .as(note)
            .doesNotContain("can't be worked out");
        for (JsonNode s : get("/api/people").get("students")) {
          String stand = "/api/stand/" + s.get("id").asLong() + "/" + piece;
          assertThat(mvc.get().uri(stand).exchange()).as(note + " " + stand).hasStatusOk();
          assertThat(mvc.get().uri(stand + "/advice").exchange()).as(note + stand).hasStatusOk();
        }
        assertThat(get("/api/assignments/" + given).get("parts")).isNotEmpty();
      } finally {
        mvc.put().uri("/api/removals/ASSIGNMENT/" + given).exchange();
        mvc.put().uri("/api/removals/PIECE/" + piece).exchange();
      }
    }
  }
}
