package sempre.server.api.audition;

import java.util.List;
import sempre.core.audition.Criterion;
import sempre.core.audition.Prepared;
import sempre.server.api.Refs;

/** What the screen is sent: plain values, every field always there. */
public final class AuditionViews {
  private AuditionViews() {}

  /**
   * One in the list.
   *
   * @param day as a date
   * @param left how long it is until then, in words
   * @param over whether it was before today
   */
  public record AuditionRef(
      long id,
      String name,
      String day,
      String dayWords,
      String left,
      boolean over,
      int candidates) {}

  /** What one thing that is judged weighs. */
  public record JudgedWeight(Criterion criterion, int weight) {}

  /**
   * How far a candidate is with one thing.
   *
   * @param state empty for what nobody can work out
   * @param link where it is practised; empty where there is none
   */
  public record PreparedView(List<Prepared.State> state, String sentence, String link) {}

  /**
   * A student who plays what is asked.
   *
   * @param cells by what is asked; none for who does not go there
   * @param ready how many of them are ready
   * @param counted how many can be: of what is read at sight nobody knows
   */
  public record CandidateView(
      Refs.StudentRef student,
      boolean candidate,
      List<PreparedView> cells,
      int ready,
      int counted) {}

  /** Those of one instrument, and what is asked of them, in words. */
  public record AuditionSection(
      String instrument, String name, List<String> asked, List<CandidateView> students) {}

  /**
   * A mock audition.
   *
   * @param judges who are expected
   * @param handedIn how many of these have handed in
   */
  public record MockRef(long id, String student, String day, long seed, int judges, int handedIn) {}

  /**
   * All of an audition.
   *
   * @param requirements as they were brought
   */
  public record AuditionView(
      AuditionRef audition,
      boolean removed,
      String requirements,
      List<JudgedWeight> weights,
      List<AuditionSection> sections,
      List<MockRef> mocks) {}

  /**
   * One thing that is heard.
   *
   * @param link where it stands; empty where there is nothing to see
   */
  public record MockHeard(String what, String link) {}

  /** Points of one thing that is judged; -1 while none are given. */
  public record JudgedPoint(Criterion criterion, int weight, int points) {}

  /** Who judges, and how far the sheet is; nothing of what is on it. */
  public record JudgeView(String judge, boolean begun, boolean handedIn, boolean leftOut) {}

  /**
   * A mock audition as one judge has it.
   *
   * @param judge who has begun a sheet on this device; empty where nobody has
   */
  public record MockView(
      long id,
      AuditionRef audition,
      Refs.StudentRef student,
      String day,
      long seed,
      String judge,
      List<MockHeard> heard,
      List<JudgedPoint> points,
      String remark,
      boolean handedIn,
      List<JudgeView> judges) {}

  /**
   * One thing that was judged.
   *
   * @param mean points, of ten
   * @param cost how much of the whole was lost by it, in percent
   */
  public record ResultLine(Criterion criterion, double mean, int least, int most, double cost) {}

  /** What one judge gave in all, in percent, and wrote. */
  public record JudgeTotal(String judge, double total, String remark) {}

  /**
   * What the judges say together.
   *
   * @param mean of the totals, in percent
   * @param spread between the highest and the lowest, in percent
   * @param lines what cost most first
   * @param leftOut judges whose sheets do not count
   */
  public record ResultView(
      double mean,
      double spread,
      List<ResultLine> lines,
      List<JudgeTotal> judges,
      List<String> leftOut) {}
}
