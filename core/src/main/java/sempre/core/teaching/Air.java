package sempre.core.teaching;

import sempre.core.instrument.Blown;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;
import sempre.core.pitch.Pitch;

/**
 * Air and lips for a note (common practice, no source): on brass the way from what the player has
 * counts, not the number of the partial; on a woodwind the register of the note.
 *
 * @param voice what makes the sound
 * @param way how it differs from the note that the player comes from
 * @param register of the note by its air, from 0 up; 0 on brass
 */
public record Air(Blown.Voice voice, Way way, int register) {
  /** How the air differs from that of a note the player has. */
  public enum Way {
    /** There is no note to come from. */
    FIRST,
    /** The same partial or register. */
    SAME,
    UP,
    DOWN
  }

  static Air first(Instrument i, Pitch written) {
    return new Air(i.blown().voice(), Way.FIRST, i.blown().register(written));
  }

  /**
   * @param from the fingering of the note that the player has
   * @param to that of the new one
   * @param highest whether it lies above all that the player has
   */
  static Air of(Instrument i, Entry from, Entry to, boolean highest) {
    Blown b = i.blown();
    int register = b.register(to.written());
    int apart =
        b.voice() == Blown.Voice.BRASS
            ? to.partial().orElse(0) - from.partial().orElse(0)
            : register - b.register(from.written());
    // two sides of a horn count their partials apart: then the notes decide
    boolean across =
        b.voice() == Blown.Voice.BRASS
            && Integer.signum(apart) * Integer.signum(to.written().midi() - from.written().midi())
                < 0;
    int way = across ? to.written().midi() - from.written().midi() : apart;
    if (highest && way <= 0 && b.voice() == Blown.Voice.BRASS) {
      way = 1;
    }
    return new Air(b.voice(), way == 0 ? Way.SAME : way > 0 ? Way.UP : Way.DOWN, register);
  }
}
