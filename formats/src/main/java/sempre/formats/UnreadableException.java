package sempre.formats;

/** A file that can't be read; the message is one sentence that says what to change. */
public class UnreadableException extends IllegalArgumentException {
  private static final long serialVersionUID = 1L;

  public UnreadableException(String sentence) {
    super(sentence);
  }

  public UnreadableException(String sentence, Throwable cause) {
    super(sentence, cause);
  }
}
