package sempre.core.acoustics;

import sempre.core.pitch.Pitch;

/**
 * One computed way to play one note on a brass instrument.
 *
 * @param written the note on the player's page
 * @param fingering in the notation: {@code 1 2}, {@code p6}, {@code F p2-}
 * @param partial which partial sounds
 * @param cents deviation from equal temperament as the lengths give it
 * @param correctable whether a valve slide or the main slide can mend that on a long note
 * @param standard whether it is the standard of its note
 * @param attachment whether it needs the attachment's longer tube
 * @param note a sentence on the computation; may be empty
 */
public record BrassNote(
    Pitch written,
    String fingering,
    int partial,
    double cents,
    boolean correctable,
    boolean standard,
    boolean attachment,
    String note) {
  /** The same, as the standard of its note or as an alternate. */
  public BrassNote asStandard(boolean is) {
    return new BrassNote(written, fingering, partial, cents, correctable, is, attachment, note);
  }
}
