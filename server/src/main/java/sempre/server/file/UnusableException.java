package sempre.server.file;

/** A school's data can't be used as they lie there; the sentence says why and what to do. */
public final class UnusableException extends IllegalArgumentException {
  private static final long serialVersionUID = 1L;

  UnusableException(String sentence) {
    super(sentence);
  }

  UnusableException(String sentence, Throwable cause) {
    super(sentence, cause);
  }
}
