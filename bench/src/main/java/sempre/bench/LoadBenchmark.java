package sempre.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The screens of a school day, asked by 1, 10 and 50 at once of the running application with its
 * demo data. Every client waits for its answer and asks at once for another screen. With marks one
 * request in five is a grade of a playing check, which makes what was worked out for that student
 * out of date.
 */
public final class LoadBenchmark {
  private static final int[] CLIENTS = {1, 10, 50};
  private static final int SECONDS = 20;
  private static final Pattern ID = Pattern.compile("\"id\":(\\d+)");

  private final String base;
  private final HttpClient http =
      HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();

  private LoadBenchmark(String base) {
    this.base = base;
  }

  /** {@code LoadBenchmark APP.JAR [SECONDS]}. */
  public static void main(String[] args) throws Exception {
    Path data = Files.createTempDirectory("sempre-load");
    int port = 8497;
    Process app =
        new ProcessBuilder(
                "java",
                "-Xmx768m",
                "-XX:TieredStopAtLevel=1",
                "-jar",
                args[0],
                "demo",
                "--port",
                String.valueOf(port),
                "--data",
                data.toString())
            .redirectErrorStream(true)
            .redirectOutput(data.resolve("log").toFile())
            .start();
    try {
      LoadBenchmark load = new LoadBenchmark("http://localhost:" + port);
      load.await();
      load.run(args.length > 1 ? Integer.parseInt(args[1]) : SECONDS);
    } finally {
      app.destroy();
      app.waitFor();
    }
  }

  private void await() throws InterruptedException {
    for (int i = 0; i < 600; i++) {
      try {
        if (get("/api/people").statusCode() == 200) {
          return;
        }
      } catch (IOException e) {
        // not yet
      }
      Thread.sleep(200);
    }
    throw new IllegalStateException("the application does not start");
  }

  private HttpResponse<String> get(String path) throws IOException, InterruptedException {
    return http.send(
        HttpRequest.newBuilder(URI.create(base + path)).timeout(Duration.ofSeconds(30)).build(),
        BodyHandlers.ofString());
  }

  private HttpResponse<String> post(String path, String json)
      throws IOException, InterruptedException {
    return http.send(
        HttpRequest.newBuilder(URI.create(base + path))
            .timeout(Duration.ofSeconds(30))
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString(json))
            .build(),
        BodyHandlers.ofString());
  }

  private static List<Long> ids(String json) {
    List<Long> ids = new ArrayList<>();
    Matcher m = ID.matcher(json);
    while (m.find()) {
      ids.add(Long.parseLong(m.group(1)));
    }
    return ids;
  }

  private static String part(String json, String key) {
    return json.substring(json.indexOf('"' + key + '"'));
  }

  private void run(int seconds) throws Exception {
    String people = get("/api/people").body();
    List<Long> students = ids(part(people, "students"));
    String today = get("/api/today").body();
    List<String> assignments = new ArrayList<>();
    Matcher a = Pattern.compile("\"assignmentId\":(\\d+)").matcher(today);
    while (a.find()) {
      assignments.add(a.group(1));
    }
    List<Long> pieces = ids(get("/api/pieces").body());
    long check =
        ids(post(
                    "/api/groups/1/checks",
                    "{\"items\":[{\"kind\":\"SOUND\",\"what\":\"Bb next\",\"pieceId\":0,\"row\":0}],"
                        + "\"asked\":[]}")
                .body())
            .get(0);
    List<Long> group = new ArrayList<>();
    Matcher s =
        Pattern.compile("\"student\":\\{\"id\":(\\d+)").matcher(get("/api/checks/" + check).body());
    while (s.find()) {
      group.add(Long.parseLong(s.group(1)));
    }
    long student = students.get(0);
    List<String> screens =
        List.of(
            "/api/today",
            "/api/groups/1/map",
            "/api/groups/1/lesson?pitch=Bb",
            "/api/assignments/" + assignments.get(0),
            "/api/groups/1/readiness",
            "/api/groups/1/readiness?what=shelf",
            "/api/groups/1/checks/suggested",
            "/api/people",
            "/api/pieces",
            "/api/checks/" + check,
            "/api/students/" + student + "/heard",
            "/api/students/" + student + "/map",
            "/api/stand/" + student + "/" + pieces.get(0));
    for (String screen : screens) {
      for (int i = 0; i < 30; i++) {
        get(screen);
      }
      long[] alone = new long[20];
      for (int i = 0; i < alone.length; i++) {
        long start = System.nanoTime();
        get(screen);
        alone[i] = System.nanoTime() - start;
      }
      Arrays.sort(alone);
      System.out.printf("alone %-40s p50 %4d ms%n", screen, alone[alone.length / 2] / 1_000_000);
    }
    for (boolean marks : new boolean[] {false, true}) {
      for (int clients : CLIENTS) {
        measure(clients, seconds, screens, marks ? group : List.of(), check);
      }
    }
  }

  private void measure(
      int clients, int seconds, List<String> screens, List<Long> graded, long check)
      throws Exception {
    long end = System.nanoTime() + seconds * 1_000_000_000L;
    AtomicInteger failed = new AtomicInteger();
    ExecutorService threads = Executors.newFixedThreadPool(clients);
    List<Future<List<Long>>> all = new ArrayList<>();
    for (int c = 0; c < clients; c++) {
      Random random = new Random(c);
      all.add(
          threads.submit(
              () -> {
                List<Long> times = new ArrayList<>();
                while (System.nanoTime() < end) {
                  long start = System.nanoTime();
                  HttpResponse<String> r =
                      !graded.isEmpty() && random.nextInt(5) == 0
                          ? post(
                              "/api/checks/" + check + "/grades",
                              "{\"studentId\":%d,\"item\":0,\"grade\":\"SECURE\",\"remark\":\"\",\"mark\":\"%x\",\"notes\":[]}"
                                  .formatted(
                                      graded.get(random.nextInt(graded.size())), random.nextLong()))
                          : get(screens.get(random.nextInt(screens.size())));
                  times.add(System.nanoTime() - start);
                  if (r.statusCode() != 200) {
                    failed.incrementAndGet();
                  }
                }
                return times;
              }));
    }
    List<Long> times = new ArrayList<>();
    for (Future<List<Long>> f : all) {
      times.addAll(f.get());
    }
    threads.shutdown();
    long[] sorted = times.stream().mapToLong(Long::longValue).sorted().toArray();
    System.out.printf(
        "%2d clients%s: %5.0f a second, p50 %4d ms, p99 %4d ms, longest %5d ms, failed %d of %d%n",
        clients,
        graded.isEmpty() ? "           " : " with marks",
        sorted.length / (double) seconds,
        sorted[sorted.length / 2] / 1_000_000,
        sorted[(int) (sorted.length * 0.99)] / 1_000_000,
        sorted[sorted.length - 1] / 1_000_000,
        failed.get(),
        sorted.length);
  }
}
