package sempre.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Supplier;
import org.testng.annotations.AfterClass;
import org.testng.annotations.Test;

/** What several send at the same moment is done once; nobody is refused for being second. */
public class OnceTest extends DemoTestBase {
  private static final int ROUNDS = 30;
  private static final int TOGETHER = 4;

  private final ExecutorService threads = Executors.newFixedThreadPool(TOGETHER);

  @AfterClass
  void stop() {
    threads.shutdownNow();
  }

  /** The statuses of the same request, sent by several at the same moment. */
  private List<Integer> together(Supplier<Integer> request) throws Exception {
    CyclicBarrier start = new CyclicBarrier(TOGETHER);
    List<Future<Integer>> answers = new ArrayList<>();
    for (int i = 0; i < TOGETHER; i++) {
      answers.add(
          threads.submit(
              () -> {
                start.await();
                return request.get();
              }));
    }
    List<Integer> statuses = new ArrayList<>();
    for (Future<Integer> a : answers) {
      statuses.add(a.get());
    }
    return statuses;
  }

  private void allDone(String path, String json) throws Exception {
    assertThat(together(() -> post(path, json).getResponse().getStatus()))
        .as(path + " " + json)
        .containsOnly(200);
  }

  private int count(String sql, Object... arguments) {
    return db.inTransaction(tx -> tx.count(sql, arguments));
  }

  @Test
  public void oneMarkSentByManyAtOnceIsWrittenDownOnceAndTakenBackOnce() throws Exception {
    long group = group("Quay Concert Band");
    long check =
        body(post(
                "/api/groups/" + group + "/checks",
                "{\"items\":[{\"kind\":\"SOUND\",\"what\":\"Bb next\",\"pieceId\":0}],"
                    + "\"asked\":[]}"))
            .get("id")
            .asLong();
    long student = get("/api/checks/" + check).get("rows").get(0).get("student").get("id").asLong();
    for (int i = 0; i < ROUNDS; i++) {
      String mark = "once-" + i;
      allDone(
          "/api/checks/" + check + "/grades",
          "{\"studentId\":%d,\"item\":0,\"grade\":\"SECURE\",\"remark\":\"\",\"mark\":\"%s\",\"notes\":[]}"
              .formatted(student, mark));
      assertThat(count("heard where mark = ?", mark)).as(mark).isEqualTo(1);
    }
    for (int i = ROUNDS - 1; i >= 0; i--) {
      String mark = "once-" + i;
      allDone(
          "/api/checks/" + check + "/undo",
          "{\"studentId\":%d,\"item\":0,\"mark\":\"%s\"}".formatted(student, mark));
      assertThat(count("heard u join heard h on h.id = u.undoes where h.check_id = ?", check))
          .as("taken back: " + mark + " and those after it")
          .isEqualTo(ROUNDS - i);
    }
  }

  @Test
  public void aMarkOfOneStudentToo() throws Exception {
    long student = student("Noor");
    long before = count("heard where student_id = ?", student);
    String written =
        get("/api/students/" + student + "/heard").get("marks").get(0).get("written").asString();
    String fingering =
        get("/api/students/" + student + "/heard").get("marks").get(0).get("fingering").asString();
    for (int i = 0; i < ROUNDS; i++) {
      allDone(
          "/api/students/" + student + "/heard",
          ("[{\"written\":\"%s\",\"fingering\":\"%s\",\"grade\":\"SHAKY\",\"pieceId\":0,\"bars\":\"\","
                  + "\"remark\":\"\",\"mark\":\"press-%d\"}]")
              .formatted(written, fingering, i));
    }
    assertThat(count("heard where student_id = ?", student) - before).isEqualTo(ROUNDS);
    long last =
        db.inTransaction(
            tx ->
                tx.one(
                        "select max(id) as id from heard where student_id = ?",
                        r -> r.id("id"),
                        student)
                    .orElseThrow());
    allDone("/api/students/" + student + "/heard/undo", "{\"ids\":[" + last + "]}");
    assertThat(count("heard where undoes = ?", last)).isEqualTo(1);
  }

  @Test
  public void choosingAPartOrBeingAbsentAtTheSameMomentIsNoConflict() throws Exception {
    long student = student("Noor");
    String reading = "/api/stand/" + student + "/" + piece("Half-Tide Rock") + "/reading";
    for (int i = 0; i < ROUNDS; i++) {
      assertThat(
              together(
                  () -> put(reading, "{\"partId\":\"P1\",\"voice\":1}").getResponse().getStatus()))
          .containsOnly(200);
    }
    long check =
        body(post(
                "/api/groups/" + group("Quay Concert Band") + "/checks",
                "{\"items\":[{\"kind\":\"SOUND\",\"what\":\"C next\",\"pieceId\":0}],"
                    + "\"asked\":[]}"))
            .get("id")
            .asLong();
    for (int i = 0; i < ROUNDS; i++) {
      allDone(
          "/api/checks/" + check + "/absent",
          "{\"studentId\":%d,\"absent\":%s}".formatted(student, i % 2 == 0));
    }
    assertThat(count("class_absent where check_id = ?", check)).isZero();
  }
}
