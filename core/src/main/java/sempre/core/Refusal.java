package sempre.core;

/** Something that was given can't be taken; what is said tells what to change. */
public class Refusal extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private final transient Saying saying;

  public Refusal(Saying saying) {
    super(saying.toString());
    this.saying = saying;
  }

  public Refusal(Saying saying, Throwable cause) {
    super(saying.toString(), cause);
    this.saying = saying;
  }

  /**
   * A refusal.
   *
   * @param with what its sentence takes, names and values in turn
   */
  public Refusal(String key, Object... with) {
    this(Saying.of(key, with));
  }

  public Saying saying() {
    return saying;
  }

  /** What an error says; one that is no refusal has only its own text. */
  public static Saying of(RuntimeException e) {
    return e instanceof Refusal r
        ? r.saying
        : Saying.of("error.other", "text", String.valueOf(e.getMessage()));
  }
}
