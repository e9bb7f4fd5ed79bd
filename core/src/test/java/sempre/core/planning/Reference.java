package sempre.core.planning;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** Tables of what independent writers agree on, to hold the catalogue against. */
final class Reference {
  private Reference() {}

  /** The rows of a file, their columns parted by a semicolon; what starts with # is a remark. */
  static List<String[]> rows(String file) throws IOException {
    try (var in = Reference.class.getResourceAsStream("/" + file)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8)
          .lines()
          .filter(l -> !l.isBlank() && !l.startsWith("#"))
          .map(l -> l.split(" ; "))
          .toList();
    }
  }
}
