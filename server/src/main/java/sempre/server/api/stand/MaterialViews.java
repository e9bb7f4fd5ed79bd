package sempre.server.api.stand;

import java.util.List;
import sempre.core.teaching.Handout;
import sempre.server.api.Refs;
import sempre.words.Language;

/** What is made from a part to be practised beside it, as the interface is sent it. */
public final class MaterialViews {
  private MaterialViews() {}

  /** Under what an exercise stands. */
  public enum Group {
    SCALES,
    CHORDS,
    PASSAGES,
    ALTERNATES,
    TONE
  }

  /**
   * An exercise.
   *
   * @param id names it among those of this part
   * @param bit number of the bit that it is made from; 0 for none
   * @param why what it is good for, or empty
   * @param from tempo to begin at, in quarters a minute; 0 where its notes say it
   * @param towards the tempo that it leads to
   */
  public record StudyView(
      String id, Group group, int bit, String title, String why, int from, int towards) {}

  /** A bit by its number, and the numbers of its bars. */
  public record BitRef(int number, String fromBar, String toBar, boolean catches) {}

  /**
   * All that is made from a part.
   *
   * @param low lowest note of the part that the player has
   * @param high highest
   * @param caution what to watch in long notes and slurs, or empty
   */
  public record MaterialView(
      Refs.StudentRef student,
      Refs.PieceRef piece,
      Language language,
      String low,
      String high,
      List<BitRef> bits,
      List<StudyView> studies,
      String caution) {}

  /** A note of an exercise; times in seconds at the tempo that it leads to. */
  public record StudyNote(
      String id,
      List<String> tied,
      int bar,
      String shown,
      String fingering,
      double at,
      double seconds,
      int writtenMidi,
      int soundingMidi) {}

  /** Why a note is fingered as it is. */
  public record WhyView(Handout.Why why, String shown, String label, String sentence) {}

  /**
   * An exercise, fingered.
   *
   * @param from tempo to begin at, in quarters a minute
   * @param xml for engraving
   */
  public record StudyMusic(
      String id,
      int from,
      int towards,
      String xml,
      List<StandViews.BarTime> times,
      List<StudyNote> notes,
      List<WhyView> told) {}
}
