package sempre.core.instrument;

import java.util.List;

/** The catalogue's data break one of its own rules; every problem is a sentence. */
public class CatalogueException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private final transient List<String> problems;

  public CatalogueException(String file, List<String> problems) {
    super(file + ": " + String.join("; ", problems));
    this.problems = List.copyOf(problems);
  }

  public List<String> problems() {
    return problems;
  }
}
