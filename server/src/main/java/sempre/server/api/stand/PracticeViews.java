package sempre.server.api.stand;

import java.util.List;
import sempre.core.practice.Another;
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
   * @param ladder how far it is
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
      LadderView ladder,
      String xml) {}

  /**
   * How far a bit is on its way to its tempo; tempos in quarters a minute.
   *
   * @param start where it begins
   * @param goal what is aimed at now
   * @param full its tempo
   * @param now at which it is played next
   * @param clean clean runs in a row at that tempo
   * @param needed how many of these it takes
   * @param secured the quickest that was clean so often; 0 for none
   * @param expected the day on which it may be there, or empty
   * @param plateau where it gets no further
   */
  public record LadderView(
      int start,
      int goal,
      int full,
      int now,
      int clean,
      int needed,
      int secured,
      String expected,
      List<PlateauView> plateau,
      List<LadderDay> days,
      List<RunView> runs) {}

  /**
   * From a bar to the end of a phrase.
   *
   * @param bit place of the bit in which it begins, from 0
   * @param bar number of the bar
   */
  public record CutView(int bit, String bar, String first, String last) {}

  /**
   * Places to start at.
   *
   * @param order places among the cuts, one after the other; so many are enough for one sitting
   * @param add what is added to the face of a die to get the place of a cut, from 1
   */
  public record StartsView(long seed, List<CutView> cuts, List<Integer> order, int add) {}

  /** A day of practice, and the quickest secured tempo after it; 0 for none. */
  public record LadderDay(String day, int secured) {}

  /** A run; {@code ago} says its day in words. */
  public record RunView(long id, String day, String ago, int quarters, boolean clean) {}

  /**
   * That it gets no further.
   *
   * @param days on how many days it was practised since
   * @param fingering which other fingering may be tried, or empty
   */
  public record PlateauView(String since, int days, Another.Kind another, String fingering) {}

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
