package sempre.core;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What can be argued about stands where it can be found. */
public class JudgementTest {
  private static final Pattern COMMENT = Pattern.compile("(?s)/\\*.*?\\*/|//[^\\n]*");

  /** A fraction: 0.4, 1.75; not 2.0, which is only the type of a number. */
  private static final Pattern FRACTION = Pattern.compile("(?<![\\w.\"])\\d+\\.\\d*[1-9]\\d*");

  @DataProvider
  public Object[][] packages() {
    return new Object[][] {
      {"planning"},
      {"motion"},
      {"search"},
      {"learning"},
      {"teaching"},
      {"practice"},
      {"material"},
      {"agenda"},
      {"audition"}
    };
  }

  @Test(dataProvider = "packages")
  public void aFractionThatWeighsOrLimitsStandsInOneOfTwoFiles(String name) throws IOException {
    try (Stream<Path> files = Files.list(Path.of("src/main/java/sempre/core", name))) {
      List<String> found =
          files
              .filter(f -> !f.endsWith("Weight.java"))
              .sorted()
              .flatMap(JudgementTest::fractions)
              .toList();
      assertEquals(found, List.of(), "move these to Judgement or Weight");
    }
  }

  private static Stream<String> fractions(Path file) {
    try {
      String code = COMMENT.matcher(Files.readString(file)).replaceAll("");
      return FRACTION.matcher(code).results().map(m -> file.getFileName() + ": " + m.group());
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }
}
