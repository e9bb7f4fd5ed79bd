package sempre.server.app;

import sempre.core.Refusal;

/** Something that is asked for is not there, or not any more. */
public final class NotThere extends Refusal {
  private static final long serialVersionUID = 1L;

  /**
   * Something is missing.
   *
   * @param with what its sentence takes, names and values in turn
   */
  public NotThere(String key, Object... with) {
    super(key, with);
  }
}
