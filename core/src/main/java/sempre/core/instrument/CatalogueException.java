package sempre.core.instrument;

import java.util.List;
import sempre.core.Refusal;
import sempre.core.Saying;

/** The catalogue's data, or a house's, break one of the rules; every problem is told. */
public class CatalogueException extends Refusal {
  private static final long serialVersionUID = 1L;

  private final transient List<Saying> problems;

  public CatalogueException(String file, List<Saying> problems) {
    super("error.file", "file", file, "problems", List.copyOf(problems));
    this.problems = List.copyOf(problems);
  }

  public List<Saying> problems() {
    return problems;
  }
}
