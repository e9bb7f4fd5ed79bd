package sempre.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.servlet.FilterChain;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import sempre.core.Saying;
import sempre.server.store.Db;
import sempre.server.store.H2;
import sempre.server.store.People;

public class AnswersTest {
  private static final int MANY = 12;

  private Db db;
  private List<Saying> notices;
  private Answers answers;
  private final AtomicInteger worked = new AtomicInteger();
  private ExecutorService threads;

  @BeforeMethod
  void fresh() {
    db = H2.fresh();
    notices = new ArrayList<>();
    answers = new Answers(db, () -> notices, Clock.systemUTC(), 0);
    worked.set(0);
    threads = Executors.newFixedThreadPool(MANY);
  }

  @AfterMethod
  void stop() {
    threads.shutdownNow();
  }

  private static MockHttpServletRequest get(String address) {
    return new MockHttpServletRequest("GET", address);
  }

  private String ask(MockHttpServletRequest request, FilterChain chain) throws Exception {
    MockHttpServletResponse response = new MockHttpServletResponse();
    answers.doFilter(request, response, chain);
    return response.getStatus() + " " + response.getContentAsString();
  }

  private FilterChain says(int status) {
    return (request, response) -> {
      HttpServletResponse r = (HttpServletResponse) response;
      r.setStatus(status);
      r.setContentType("application/json");
      r.getWriter().write("answer " + worked.incrementAndGet());
    };
  }

  @Test
  public void anAnswerIsKeptUntilSomethingIsStoredOrIsToBeKnown() throws Exception {
    assertThat(ask(get("/api/today"), says(200))).isEqualTo("200 answer 1");
    assertThat(ask(get("/api/today"), says(200))).isEqualTo("200 answer 1");
    assertThat(ask(get("/api/people"), says(200))).isEqualTo("200 answer 2");
    db.inTransaction(tx -> new People().addGroup(tx, "Monday band"));
    assertThat(ask(get("/api/today"), says(200))).isEqualTo("200 answer 3");
    notices.add(Saying.of("backup.today"));
    assertThat(ask(get("/api/today"), says(200))).isEqualTo("200 answer 4");
  }

  @Test
  public void errorsChangesFilesAndBackupsAreNeverKept() throws Exception {
    assertThat(ask(get("/api/today"), says(500))).isEqualTo("500 answer 1");
    assertThat(ask(get("/api/today"), says(200))).isEqualTo("200 answer 2");
    MockHttpServletRequest post = new MockHttpServletRequest("POST", "/api/today");
    assertThat(ask(post, says(200))).isEqualTo("200 answer 3");
    for (String address : List.of("/api/backup", "/api/stand/1/2/part.musicxml")) {
      String first = ask(get(address), says(200));
      assertThat(ask(get(address), says(200))).isNotEqualTo(first);
    }
  }

  @Test
  public void whatManyAskForAtOnceIsWorkedOutOnce() throws Exception {
    CountDownLatch working = new CountDownLatch(1);
    CountDownLatch go = new CountDownLatch(1);
    FilterChain slow =
        (request, response) -> {
          working.countDown();
          await(go);
          says(200).doFilter(request, response);
        };
    List<Future<String>> all = new ArrayList<>();
    all.add(threads.submit(() -> ask(get("/api/today"), slow)));
    working.await();
    for (int i = 1; i < MANY; i++) {
      all.add(threads.submit(() -> ask(get("/api/today"), slow)));
    }
    go.countDown();
    for (Future<String> f : all) {
      assertThat(f.get()).isEqualTo("200 answer 1");
    }
  }

  @Test
  public void whoFindsNoRoomIsToldWhenToComeAgainAndNothingWasDone() throws Exception {
    CountDownLatch go = new CountDownLatch(1);
    CountDownLatch full = new CountDownLatch(2);
    FilterChain slow =
        (request, response) -> {
          full.countDown();
          await(go);
        };
    List<Future<String>> all = new ArrayList<>();
    for (int i = 0; i < 2; i++) {
      all.add(threads.submit(() -> ask(upload(), slow)));
    }
    full.await();
    MockHttpServletResponse third = new MockHttpServletResponse();
    answers.doFilter(upload(), third, says(200));
    assertThat(third.getStatus()).isEqualTo(503);
    assertThat(third.getHeader("Retry-After")).isEqualTo("2");
    assertThat(third.getContentAsString()).contains("nothing was changed. Try again.");
    assertThat(worked.get()).isZero();
    go.countDown();
    for (Future<String> f : all) {
      f.get();
    }
    assertThat(ask(upload(), says(200))).isEqualTo("200 answer 1");
  }

  private static MockHttpServletRequest upload() {
    MockHttpServletRequest upload = new MockHttpServletRequest("POST", "/api/pieces/look");
    upload.setContentType("multipart/form-data; boundary=x");
    return upload;
  }

  private static void await(CountDownLatch latch) {
    try {
      latch.await();
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }
}
