package sempre.core.teaching;

/**
 * One thing that may have gone wrong when another note sounds than the one that was fingered.
 *
 * @param kind what sort of thing
 * @param text one sentence: what happens
 * @param remedy one sentence: what to try
 * @param held what is then really held, in the notation; empty when the hands are right
 */
public record Cause(Kind kind, String text, String remedy, String held) {
  /** Sorts of causes, the likelier first (the order is common practice, no source). */
  public enum Kind {
    FINGER("a finger"),
    LEAK("a leak"),
    BRUSHED("a brushed key"),
    WRONG_KEY("a wrong key"),
    VALVE("a valve"),
    SLIDE("the slide"),
    REGISTER("the register"),
    PARTIAL("the partial"),
    OCTAVE("the octave"),
    TRANSPOSITION("the transposition"),
    KEY_SIGNATURE("the key signature");

    private final String words;

    Kind(String words) {
      this.words = words;
    }

    /** In a word or two. */
    public String words() {
      return words;
    }
  }
}
