package sempre.server.api.today;

import java.util.List;
import sempre.server.api.Refs;
import sempre.server.api.check.CheckViews;
import sempre.server.demo.SampleSchool;

/** What the screen is sent: plain values, every field always there. */
public final class TodayViews {
  private TodayViews() {}

  /**
   * How one student stands to one piece as it is written.
   *
   * @param simpler whether the student plays a simpler part of it
   */
  public record ReadyView(
      Refs.StudentRef student,
      boolean simpler,
      Refs.Ready state,
      List<Refs.NoteName> lacking,
      List<Refs.NoteName> shaky,
      List<Refs.NoteName> faded,
      List<Refs.NoteName> beyond,
      String sentence) {}

  /** What a group plays next. */
  public record NextView(
      long assignmentId,
      Refs.PieceRef piece,
      String givenTo,
      String due,
      String dueWords,
      String what,
      String message,
      List<ReadyView> players) {}

  /**
   * What to say to one student about what that student plays next.
   *
   * @param shown the note or the bar it is about; empty when there is nothing to say
   */
  public record SayView(
      Refs.StudentRef student,
      long assignmentId,
      Refs.Ready state,
      String shown,
      String lead,
      String sentence) {}

  /** A note that is needed next and was not heard for long, and of whom. */
  public record FadedView(String shown, List<String> students) {}

  /** A group on the first screen; {@code open}: checks that were begun and not finished. */
  public record GroupToday(
      long id,
      String name,
      int students,
      boolean today,
      String when,
      List<NextView> next,
      List<SayView> say,
      List<FadedView> faded,
      List<CheckViews.ClassCheckRef> open) {}

  /**
   * The first screen.
   *
   * @param notices what is to be known of the data, a sentence each; none when all is well
   */
  public record Today(
      String date,
      List<GroupToday> groups,
      int pieces,
      boolean heard,
      SampleSchool.State sample,
      List<String> notices) {}
}
