package sempre.core.score;

/**
 * How a note is played beside its pitch and length.
 *
 * @param sound open, stopped with the hand, or with the mute
 * @param glissando whether it glides on to the next note
 */
public record Manner(Sound sound, boolean glissando) {
  /** What is in the bell. */
  public enum Sound {
    OPEN,
    /** Closed with the hand, on the horn. */
    STOPPED,
    MUTED
  }

  /** Open, from note to note. */
  public static final Manner PLAIN = new Manner(Sound.OPEN, false);

  public boolean stopped() {
    return sound == Sound.STOPPED;
  }

  public boolean muted() {
    return sound == Sound.MUTED;
  }
}
