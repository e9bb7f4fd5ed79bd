package sempre.server.api.agenda;

import java.time.DayOfWeek;
import java.util.List;
import sempre.core.agenda.Task;
import sempre.server.api.Refs;
import sempre.words.Language;

/** What the screen is sent: plain values, every field always there. */
public final class AgendaViews {
  private AgendaViews() {}

  /**
   * What is done in one session.
   *
   * @param piece its title; empty where it is no piece's
   * @param bit place of the bit in the piece; -1 for all of it
   * @param what in words
   * @param why in words
   * @param done whether it was played today
   */
  public record TaskView(
      Task.Kind kind, long pieceId, String piece, int bit, String what, String why, boolean done) {}

  /**
   * A day.
   *
   * @param day as a date
   * @param shown in words
   * @param off what keeps one from practising; empty where nothing does
   * @param free whether it is a day off
   * @param hear what a lesson hears; a sentence, or empty
   */
  public record DayView(
      String day,
      String shown,
      DayOfWeek weekday,
      boolean free,
      String off,
      List<TaskView> tasks,
      boolean lesson,
      String hear) {}

  /**
   * Days without practice.
   *
   * @param everyone whether they are the whole school's
   */
  public record OffView(
      long id, String first, String last, String shown, String name, boolean everyone) {}

  /**
   * A piece on its way to the day on which it is due.
   *
   * @param bits how many it has
   * @param secure how many of these are clean at their tempo
   * @param late whether it is not secure in time
   * @param sentence how it comes out
   */
  public record GoalView(
      Refs.PieceRef piece,
      String what,
      String due,
      String dueWords,
      int bits,
      int secure,
      boolean late,
      String sentence) {}

  /**
   * The plan of a student.
   *
   * @param language of its sentences
   * @param said whether the days were chosen; else they are the usual ones
   * @param session minutes of one session
   * @param advice what to change where something is not secure in time; else empty
   * @param missed that days were missed; a sentence, or empty
   * @param over what was due before today and is not planned, a sentence each
   * @param nothing that nothing is due; a sentence, or empty
   */
  public record AgendaView(
      Language language,
      Refs.StudentRef student,
      boolean said,
      int minutes,
      int session,
      List<DayOfWeek> practice,
      List<DayOfWeek> lessons,
      List<OffView> off,
      List<GoalView> goals,
      List<DayView> days,
      String advice,
      String missed,
      List<String> over,
      String nothing) {}

  /**
   * What a student practises today.
   *
   * @param late what is not secure in time; a sentence, or empty
   */
  public record PracticeToday(Refs.StudentRef student, DayView day, String late, String missed) {}
}
