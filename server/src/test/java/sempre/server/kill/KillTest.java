package sempre.server.kill;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import org.testng.annotations.AfterClass;
import org.testng.annotations.Test;
import sempre.server.file.Backup;
import sempre.server.file.School;
import sempre.server.file.Unpacking;

/**
 * The running application is killed at any moment and started again. {@code ./sempre bench kill}
 * does so a hundred times, and says how long the starts took; here it is a few.
 */
public class KillTest {
  private static final int KILLS = Integer.getInteger("sempre.kills", 3);
  private static final int CLIENTS = 6;
  private static final int STUDENTS = 8;
  private static final long LONGEST_MILLIS = 1_500;
  private static final Pattern REMARK = Pattern.compile("\"remark\":\"(k\\d+-\\d+-\\d+)\"");
  private static final List<String> SCHEMAS =
      List.of("v1-2cf4931", "v2a-34cc0aa", "v5-408fa87", "v8-464eb3f", "v11-25e0c8c");

  private static final Clock CLOCK = Clock.systemDefaultZone();

  private final Random random = new Random(KILLS);

  @AfterClass(alwaysRun = true)
  void howLongTheStartsTook() {
    List<Long> all = Running.STARTS.stream().sorted().toList();
    if (!all.isEmpty()) {
      System.out.printf(
          Locale.ROOT,
          "%d starts until the first answer: median %d ms, longest %d ms%n",
          all.size(),
          all.get(all.size() / 2),
          all.get(all.size() - 1));
    }
  }

  /** Two in five. */
  @Test
  public void everyMarkThatWasAnsweredIsThereOnceAfterAKill() throws Exception {
    Path data = Files.createTempDirectory("sempre-kill");
    Running app = Running.start(data).ready();
    List<Long> students = setUp(app);
    long check = beginCheck(app);
    int answered = 0;
    for (int kill = 0; kill < Math.max(1, KILLS * 2 / 5); kill++) {
      Map<String, String> sent = new ConcurrentHashMap<>();
      Map<String, Boolean> acknowledged = new ConcurrentHashMap<>();
      writeUntilKilled(app, kill, students, check, sent, acknowledged);
      answered += acknowledged.size();
      app = Running.start(data).ready();
      Map<String, Integer> there = remarks(app, students);
      for (String mark : acknowledged.keySet()) {
        assertThat(there.getOrDefault(mark, 0)).as("answered: " + mark).isEqualTo(1);
      }
      // the browser sends again what it has no answer for
      for (Map.Entry<String, String> s : sent.entrySet()) {
        if (!acknowledged.containsKey(s.getKey())) {
          String[] to = s.getValue().split(" ", 2);
          assertThat(app.send("POST", to[0], to[1]).statusCode()).isEqualTo(200);
        }
      }
      there = remarks(app, students);
      for (String mark : sent.keySet()) {
        assertThat(there.getOrDefault(mark, 0)).as("sent: " + mark).isEqualTo(1);
      }
      pagesAnswer(app, students, check);
    }
    app.stop();
    System.out.println("killed while marks were written: " + answered + " answered, none lost");
    assertThat(answered).isPositive();
  }

  /** One in five, of any older form. */
  @Test
  public void anUpgradeThatIsKilledAtAnyMomentOpensAfterwards() throws Exception {
    for (int kill = 0; kill < Math.max(1, KILLS / 5); kill++) {
      String schema = SCHEMAS.get(random.nextInt(SCHEMAS.size()));
      Path data = school(Files.createTempDirectory("sempre-upgrade"), schema);
      killWhileStarting(data);
      Running app = Running.start(data).ready();
      assertThat(app.send("GET", "/api/people", "").body()).as(schema).contains("Ida", "Ben");
      assertThat(app.send("GET", "/api/students/1/heard", "").body()).contains("SECURE");
      app.stop();
    }
  }

  /** One in five. */
  @Test
  public void aFirstStartThatIsKilledAtAnyMomentIsBegunAgain() throws Exception {
    for (int kill = 0; kill < Math.max(1, KILLS / 5); kill++) {
      Path data = Files.createTempDirectory("sempre-first").resolve("school");
      killWhileStarting(data);
      Running app = Running.start(data).ready();
      setUp(app);
      app.stop();
    }
  }

  /** A command that writes; all that it touches is there before. */
  private enum Writes {
    BACKUP,
    RESTORE,
    UNPACK
  }

  /** One in five, of each command in turn. */
  @Test
  public void aCommandThatIsKilledAtAnyMomentHasDoneAllOrNothing() throws Exception {
    for (int kill = 0; kill < Math.max(Writes.values().length, KILLS / 5); kill++) {
      Writes writes = Writes.values()[kill % Writes.values().length];
      Path here = Files.createTempDirectory("sempre-command");
      Path data = school(here.resolve("school"), SCHEMAS.get(random.nextInt(SCHEMAS.size())));
      Path file = here.resolve("empty.zip");
      School.open(here.resolve("empty"), CLOCK).close();
      if (writes == Writes.UNPACK) {
        try (School empty = School.open(here.resolve("empty"), CLOCK)) {
          empty.handOver();
          Files.move(empty.archive(CLOCK), file);
        }
      } else {
        Backup.make(here.resolve("empty"), file, CLOCK);
      }
      List<String> words =
          writes == Writes.BACKUP
              ? List.of("backup", file.toString(), "--force", "--data", data.toString())
              : List.of(
                  writes.name().toLowerCase(Locale.ROOT),
                  file.toString(),
                  "--data",
                  data.toString());
      Files.deleteIfExists(data.resolve("sempre.lock"));
      Process command = Running.command(words);
      while (!Files.exists(data.resolve("sempre.lock")) && command.isAlive()) {
        Thread.sleep(2);
      }
      Thread.sleep(random.nextInt((int) LONGEST_MILLIS));
      command.destroyForcibly().waitFor();
      if (writes == Writes.BACKUP) {
        // the one of before, or the new one, whole
        assertThat(Backup.check(file, here).students()).isIn(0L, 2L);
        assertThat(students(data)).isEqualTo(2);
        Backup.make(data, file, CLOCK);
        assertThat(Backup.check(file, here).students()).isEqualTo(2);
      } else {
        long there = students(data);
        assertThat(there).isIn(0L, 2L);
        if (there == 0) {
          assertThat(keptStudents(data)).containsOnly(2L);
        }
        // begun again it is done, and nothing half made is left
        if (writes == Writes.RESTORE) {
          Backup.restore(file, data, CLOCK);
        } else {
          Unpacking.unpack(file, data, CLOCK);
        }
        assertThat(students(data)).isZero();
        assertThat(keptStudents(data)).contains(2L);
      }
      assertThat(leftOver(data)).isEmpty();
    }
  }

  /** A school of an older form, with two students. */
  private static Path school(Path data, String schema) throws IOException {
    Files.createDirectories(data);
    try (InputStream in =
        new GZIPInputStream(
            KillTest.class.getResourceAsStream("/schemas/" + schema + ".mv.db.gz"))) {
      Files.copy(in, data.resolve("sempre.mv.db"));
    }
    return data;
  }

  /** How many students a school has when it is opened. */
  private static long students(Path data) throws Exception {
    try (School school = School.open(data, CLOCK);
        Connection c = DriverManager.getConnection(school.url(), "sa", "");
        ResultSet r = c.createStatement().executeQuery("select count(*) from student")) {
      r.next();
      return r.getLong(1);
    }
  }

  /** How many students stand in each of the files that were kept. */
  private static List<Long> keptStudents(Path data) throws IOException {
    List<Long> all = new ArrayList<>();
    try (Stream<Path> files = Files.list(data.resolve("backups"))) {
      for (Path f : files.filter(f -> f.getFileName().toString().startsWith("before-")).toList()) {
        all.add(Backup.check(f, data).students());
      }
    }
    return all;
  }

  private static List<Path> leftOver(Path data) throws IOException {
    try (Stream<Path> files = Files.walk(data)) {
      return files
          .filter(f -> f.getFileName().toString().matches("sempre\\.new\\..*|\\..+"))
          .toList();
    }
  }

  /** Kills it some time after it has begun to write in the folder, mostly before it is ready. */
  private void killWhileStarting(Path data) throws Exception {
    Running app = Running.start(data);
    while (!Files.exists(data.resolve("sempre.lock"))) {
      Thread.sleep(2);
    }
    Thread.sleep(random.nextInt((int) LONGEST_MILLIS));
    app.kill();
  }

  private static List<Long> setUp(Running app) throws Exception {
    long group =
        id(
            app.send(
                "POST",
                "/api/groups",
                "{\"name\":\"Monday band\",\"stage\":\"SCHOOL\",\"year\":\"\",\"days\":[]}"));
    List<Long> students = new ArrayList<>();
    for (int i = 0; i < STUDENTS; i++) {
      students.add(
          id(
              app.send(
                  "POST",
                  "/api/students",
                  ("{\"givenName\":\"Ida\",\"initial\":\"%c\",\"instrument\":\"flute\",\"options\":{},"
                          + "\"avoid\":[],\"style\":{},\"groups\":[%d],\"person\":0,\"seat\":\"\"}")
                      .formatted('A' + i, group))));
    }
    return students;
  }

  private static long beginCheck(Running app) throws Exception {
    return id(
        app.send(
            "POST",
            "/api/groups/1/checks",
            "{\"items\":[{\"kind\":\"SOUND\",\"what\":\"G\",\"pieceId\":0,\"row\":0}],\"asked\":[]}"));
  }

  private static long id(HttpResponse<String> answer) {
    assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
    Matcher m = Pattern.compile("\"id\":(\\d+)").matcher(answer.body());
    assertThat(m.find()).isTrue();
    return Long.parseLong(m.group(1));
  }

  private void writeUntilKilled(
      Running app,
      int kill,
      List<Long> students,
      long check,
      Map<String, String> sent,
      Map<String, Boolean> acknowledged)
      throws Exception {
    AtomicBoolean over = new AtomicBoolean();
    AtomicInteger number = new AtomicInteger();
    ExecutorService clients = Executors.newFixedThreadPool(CLIENTS);
    List<Future<?>> all = new ArrayList<>();
    for (int c = 0; c < CLIENTS; c++) {
      int client = c;
      all.add(
          clients.submit(
              () -> {
                while (!over.get()) {
                  String mark = "k" + kill + "-" + client + "-" + number.incrementAndGet();
                  long student = students.get(number.get() % students.size());
                  String request =
                      client % 2 == 0 ? heard(student, mark) : grade(check, student, mark);
                  sent.put(mark, request);
                  String[] to = request.split(" ", 2);
                  try {
                    if (app.send("POST", to[0], to[1]).statusCode() == 200) {
                      acknowledged.put(mark, true);
                    }
                  } catch (IOException e) {
                    // it is killed
                    return null;
                  }
                }
                return null;
              }));
    }
    Thread.sleep(200 + random.nextInt((int) LONGEST_MILLIS));
    app.kill();
    over.set(true);
    for (Future<?> f : all) {
      f.get();
    }
    clients.shutdown();
  }

  private static String heard(long student, String mark) {
    return "/api/students/"
        + student
        + ("/heard [{\"written\":\"G4\",\"fingering\":\"T 1 2 3 | Eb\",\"grade\":\"SECURE\",\"pieceId\":0,"
                + "\"bars\":\"\",\"remark\":\"%s\",\"mark\":\"%s\"}]")
            .formatted(mark, mark);
  }

  private static String grade(long check, long student, String mark) {
    return "/api/checks/"
        + check
        + ("/grades {\"studentId\":%d,\"item\":0,\"grade\":\"SHAKY\",\"remark\":\"%s\",\"mark\":\"%s\","
                + "\"notes\":[]}")
            .formatted(student, mark, mark);
  }

  /** How often each remark stands in the records. */
  private static Map<String, Integer> remarks(Running app, List<Long> students) throws Exception {
    Map<String, Integer> there = new HashMap<>();
    for (long s : students) {
      HttpResponse<String> record = app.send("GET", "/api/students/" + s + "/heard", "");
      assertThat(record.statusCode()).isEqualTo(200);
      Matcher m = REMARK.matcher(record.body());
      while (m.find()) {
        there.merge(m.group(1), 1, Integer::sum);
      }
    }
    return there;
  }

  private static void pagesAnswer(Running app, List<Long> students, long check) throws Exception {
    List<String> pages =
        new ArrayList<>(
            List.of(
                "/api/people",
                "/api/groups/1/map",
                "/api/groups/1/readiness",
                "/api/checks/" + check));
    students.forEach(s -> pages.add("/api/students/" + s + "/map"));
    for (String p : pages) {
      assertThat(app.send("GET", p, "").statusCode()).as(p).isEqualTo(200);
    }
  }
}
