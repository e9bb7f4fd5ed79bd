package sempre.server.api.stand;

import java.util.List;
import sempre.core.practice.Bit;
import sempre.server.api.Refs;

/** A part in bits, as the interface is sent it; its notes are told by their ids. */
public final class PracticeViews {
  private PracticeViews() {}

  /** Places of the first and the last note among what is played of a bit. */
  public record RoundView(int first, int last) {}

  /**
   * Two notes that catch.
   *
   * @param sentence what is hard about it
   * @param rounds first they by themselves, at last the whole bit
   */
  public record CatchView(
      String fromId, String toId, String shown, String sentence, List<RoundView> rounds) {}

  /** One note of the way to another, with its usual fingering. */
  public record StepView(
      String written,
      String shown,
      String fingering,
      String label,
      int writtenMidi,
      int soundingMidi) {}

  /** A hard note, and the notes over which one comes to it; the last step is the note itself. */
  public record LedView(String noteId, String shown, List<StepView> steps) {}

  /**
   * A stretch that is practised by itself.
   *
   * @param notes its own, in page order
   * @param landing the note of the next bit on which it is played to its end, or empty
   * @param fromBar number of its first bar
   * @param toBar number of its last
   * @param joins the change to the next bit, where it catches
   * @param startPercent of the tempo: how slowly to begin, so that nothing catches
   * @param xml its bars, for engraving; other notes may stand in them
   */
  public record BitView(
      List<String> notes,
      String landing,
      String fromBar,
      String toBar,
      Bit.End end,
      List<CatchView> catches,
      List<LedView> led,
      List<CatchView> joins,
      int startPercent,
      String xml) {}

  /**
   * A part in bits.
   *
   * @param clef of the player's page
   * @param caution what to watch where a note lies above those of the player's stage, or empty
   */
  public record PracticeView(
      Refs.StudentRef student,
      Refs.PieceRef piece,
      String clef,
      List<BitView> bits,
      String caution) {}
}
