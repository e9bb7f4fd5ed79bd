package sempre.formats.fuzz;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.testng.annotations.Test;

/**
 * Jazzer lets libFuzzer make files out of those of the corpus, guided by which code they reach. A
 * few hundred stand in every test, the same files of the same code; {@code
 * -Dsempre.fuzz.runs=10000000} makes so many, and others each time.
 */
public class FuzzReadersTest {
  private static final Path CORPUS = Path.of("src/test/corpus");
  private static final int RUNS = 300;

  /** Most of it is reading those of the corpus with all classes instrumented. */
  private static final int ENDS_SECONDS = 180;

  /**
   * One file may take so long, on a machine that has other work to do, and all may take so much
   * memory; more is a fault.
   */
  private static final List<String> BOUNDS =
      List.of("-timeout=60", "-rss_limit_mb=1500", "-max_len=8192");

  /** Of what the fuzzer said the end tells why; before it stand the hundreds of classes it read. */
  private static final int END = 4000;

  @Test
  public void everyFileOfTheCorpusIsReadOrRefused() throws IOException {
    try (Stream<Path> files = Files.list(CORPUS)) {
      for (Path f : files.sorted().toList()) {
        EveryReader.fuzzerTestOneInput(Files.readAllBytes(f));
      }
    }
  }

  @Test
  public void noFileMakesAReaderFailHangOrGrow() throws IOException, InterruptedException {
    String runs = System.getProperty("sempre.fuzz.runs", "");
    Path found = Files.createDirectories(Path.of("target/fuzz/found"));
    Path log = Path.of("target/fuzz/log.txt");
    List<String> command =
        Stream.of(
                List.of(
                    Path.of(System.getProperty("java.home"), "bin/java").toString(),
                    "-Xmx600m",
                    "-XX:+UseSerialGC",
                    "-cp",
                    System.getProperty(
                        "surefire.test.class.path", System.getProperty("java.class.path")),
                    "com.code_intelligence.jazzer.Jazzer",
                    "--target_class=" + EveryReader.class.getName(),
                    "--instrumentation_includes=sempre.formats.**:sempre.core.instrument.Yaml",
                    // a thousand names that are compared guide to nothing and cost most of the time
                    "--instrumentation_excludes=sempre.formats.csv.InstrumentNames",
                    // what it has no business with: it starts no process and asks no network
                    "--disabled_hooks=com.code_intelligence.jazzer.sanitizers.**",
                    "--reproducer_path=target/fuzz",
                    "-artifact_prefix=target/fuzz/"),
                BOUNDS,
                runs.isEmpty() ? List.of("-seed=1", "-runs=" + RUNS) : List.of("-runs=" + runs),
                List.of(found.toString(), CORPUS.toString()))
            .flatMap(List::stream)
            .toList();
    Process fuzzer =
        new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(log.toFile()).start();
    boolean ended =
        fuzzer.waitFor(
            runs.isEmpty() ? ENDS_SECONDS : TimeUnit.DAYS.toSeconds(1), TimeUnit.SECONDS);
    fuzzer.destroyForcibly();
    String all = Files.readString(log, StandardCharsets.UTF_8);
    String said = all.substring(Math.max(0, all.length() - END));
    assertTrue(ended, "the fuzzer did not end\n" + said);
    assertEquals(fuzzer.exitValue(), 0, said);
    assertTrue(all.contains("DONE"), said);
  }
}
