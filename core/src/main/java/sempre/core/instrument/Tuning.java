package sempre.core.instrument;

/**
 * What brings a fingering that is out of tune by its lengths into tune on a long note.
 *
 * @param by the option of a valve slide ({@code thirdSlide}), or {@code slide}, {@code bell} (the
 *     hand in the bell) or {@code lips}
 * @param cm how far a valve slide is drawn for it, in centimetres (computed from the tube's
 *     length); 0 for what is not drawn
 */
public record Tuning(String by, double cm) {
  /** What is always there. */
  public static final String LIPS = "lips";
}
