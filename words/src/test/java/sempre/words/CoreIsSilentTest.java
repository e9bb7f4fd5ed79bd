package sempre.words;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The core finds facts; words are made here. What is left there are the errors of bad input. */
public class CoreIsSilentTest {
  private static final Pattern COMMENT = Pattern.compile("(?s)/\\*.*?\\*/|//[^\\n]*");
  private static final Pattern THROWN =
      Pattern.compile("(?s)(throw new|-> ?new|return new) \\w+Exception\\(.*?\\)\\s*;");
  private static final Pattern LITERAL = Pattern.compile("\"((?:[^\"\\\\]|\\\\.)*)\"");

  @DataProvider
  public Object[][] packages() {
    return new Object[][] {{"planning"}, {"motion"}, {"teaching"}, {"acoustics"}};
  }

  /** Two words with a space between are a sentence, or a part of one. */
  @Test(dataProvider = "packages")
  public void noSentenceAndNoFragmentIsMadeInTheCore(String name) throws IOException {
    List<String> said = new ArrayList<>();
    int files = 0;
    try (Stream<Path> all = Files.walk(Path.of("../core/src/main/java/sempre/core/" + name))) {
      for (Path p : all.filter(f -> f.toString().endsWith(".java")).toList()) {
        files++;
        String code = COMMENT.matcher(Files.readString(p)).replaceAll("");
        code = THROWN.matcher(code).replaceAll("");
        Matcher m = LITERAL.matcher(code);
        while (m.find()) {
          if (m.group(1).matches(".*\\p{L}{2,} .*|.* \\p{L}{2,}.*")) {
            said.add(p.getFileName() + ": " + m.group(1));
          }
        }
        if (code.contains(".replace(") || code.contains("replaceAll(")) {
          said.add(p.getFileName() + " replaces in text");
        }
      }
    }
    assertEquals(said, List.of());
    assertEquals(files > 1, true, name);
  }
}
