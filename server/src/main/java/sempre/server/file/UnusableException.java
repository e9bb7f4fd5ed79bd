package sempre.server.file;

import sempre.core.Refusal;
import sempre.core.Saying;

/** A school's data can't be used as they lie there; what is said tells why and what to do. */
public final class UnusableException extends Refusal {
  private static final long serialVersionUID = 1L;

  /**
   * Data that can't be used.
   *
   * @param with what the sentence takes, names and values in turn
   */
  UnusableException(String key, Object... with) {
    super(key, with);
  }

  UnusableException(Saying saying) {
    super(saying);
  }

  UnusableException(Saying saying, Throwable cause) {
    super(saying, cause);
  }
}
