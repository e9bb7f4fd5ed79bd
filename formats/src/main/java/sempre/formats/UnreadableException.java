package sempre.formats;

import sempre.core.Refusal;
import sempre.core.Saying;

/** A file that can't be read; what is said tells what to change. */
public class UnreadableException extends Refusal {
  private static final long serialVersionUID = 1L;

  /**
   * A file that can't be read.
   *
   * @param with what the sentence takes, names and values in turn
   */
  public UnreadableException(String key, Object... with) {
    super(key, with);
  }

  public UnreadableException(Saying saying, Throwable cause) {
    super(saying, cause);
  }
}
