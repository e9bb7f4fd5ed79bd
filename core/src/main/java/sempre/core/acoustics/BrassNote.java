package sempre.core.acoustics;

import sempre.core.pitch.Pitch;

/**
 * One computed way to play one note on a brass instrument.
 *
 * @param written the note on the player's page
 * @param fingering in the notation: {@code 1 2}, {@code p6}, {@code F p2-}
 * @param partial which partial sounds
 * @param cents deviation from equal temperament as the lengths give it
 * @param mendedBy what can mend that on a long note: the option of a valve slide, {@code slide},
 *     {@code bell} or {@code lips}; empty when nothing need
 * @param standard whether it is the standard of its note
 * @param attachment whether it needs the attachment's longer tube
 */
public record BrassNote(
    Pitch written,
    String fingering,
    int partial,
    double cents,
    String mendedBy,
    boolean standard,
    boolean attachment) {
  /** Whether a player can bring it into tune on a long note. */
  public boolean correctable() {
    return !mendedBy.isEmpty();
  }

  /** The same, as the standard of its note or as an alternate. */
  public BrassNote asStandard(boolean is) {
    return new BrassNote(written, fingering, partial, cents, mendedBy, is, attachment);
  }
}
