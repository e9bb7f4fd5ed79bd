package sempre.words;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The core finds facts; words are made here. */
public class CoreIsSilentTest {
  private static final Pattern COMMENT = Pattern.compile("(?s)/\\*.*?\\*/|//[^\\n]*");
  private static final Pattern LITERAL = Pattern.compile("\"((?:[^\"\\\\]|\\\\.)*)\"");

  /** What is wrong with the catalogue's own data is told to those who write it, as it is found. */
  private static final Set<String> FOR_WRITERS =
      Set.of(
          "Invariants.java",
          "BrassReader.java",
          "InstrumentReader.java",
          "Option.java",
          "Setup.java",
          "Catalogue.java");

  /** Keys and signs of files, none of them read by a person. */
  private static final Set<String> KEYS =
      Set.of(
          " next", // what a class is asked, as it is stored
          "left ", // keys that a table lists as lacking
          "right ",
          "the teacher", // source of an own fingering, named by words
          "(?i).*\\\\b(in C|C (trumpet|instrument)s?)\\\\b.*"); // a part's name in a file

  /** Files of data may be tidied; sentences never. */
  private static final Set<String> TIDIES = Set.of("House.java");

  @DataProvider
  public Object[][] packages() {
    return new Object[][] {
      {"planning"},
      {"motion"},
      {"teaching"},
      {"acoustics"},
      {"learning"},
      {"pitch"},
      {"score"},
      {"instrument"}
    };
  }

  /** Two words with a space between are a sentence, or a part of one. */
  @Test(dataProvider = "packages")
  public void noSentenceAndNoFragmentIsMadeInTheCore(String name) throws IOException {
    List<String> said = new ArrayList<>();
    int files = 0;
    try (Stream<Path> all = Files.walk(Path.of("../core/src/main/java/sempre/core/" + name))) {
      for (Path p : all.filter(f -> f.toString().endsWith(".java")).toList()) {
        String file = p.getFileName().toString();
        files++;
        if (FOR_WRITERS.contains(file)) {
          continue;
        }
        String code = COMMENT.matcher(Files.readString(p)).replaceAll("");
        Matcher m = LITERAL.matcher(code);
        while (m.find()) {
          if (m.group(1).matches(".*\\p{L}{2,} .*|.* \\p{L}{2,}.*") && !KEYS.contains(m.group(1))) {
            said.add(p.getFileName() + ": " + m.group(1));
          }
        }
        if (!TIDIES.contains(file)
            && (code.contains(".replace(") || code.contains("replaceAll("))) {
          said.add(p.getFileName() + " replaces in text");
        }
      }
    }
    assertEquals(String.join("\n", said), "");
    assertEquals(files > 1, true, name);
  }
}
