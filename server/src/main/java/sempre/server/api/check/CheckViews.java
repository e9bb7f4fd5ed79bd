package sempre.server.api.check;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.LocalDate;
import java.util.List;
import sempre.core.learning.Grade;
import sempre.core.learning.Placing;
import sempre.server.api.Refs;
import sempre.server.store.ClassChecks;

/** What the screen is sent: plain values, every field always there. */
public final class CheckViews {
  private CheckViews() {}

  /** Something worth asking a class, and why. */
  public record SuggestedView(ClassChecks.Kind kind, String what, String shown, String why) {}

  /**
   * One thing that is asked.
   *
   * @param shown a note or the first of a scale; empty for bars
   * @param words what else there is to say of it: which scale, which fingering, which bars
   */
  public record AskedView(String shown, String words) {}

  /** A check of a group in a list. */
  public record ClassCheckRef(
      long id, long groupId, String group, String when, boolean finished, List<AskedView> items) {}

  /**
   * What one student was asked and how it was.
   *
   * @param asked whether it is for this student at all
   * @param notes on the student's page
   * @param fingering of one note; empty for several
   * @param mark the press of the key that the grade was given with
   */
  public record ClassCell(
      boolean asked,
      String notes,
      List<Refs.NoteName> each,
      String fingering,
      String label,
      Refs.Heard grade,
      String by,
      String remark,
      String mark) {}

  public record ClassRow(
      Refs.StudentRef student, String clef, boolean absent, List<ClassCell> cells) {}

  /**
   * What one student would be asked.
   *
   * @param asked whether it is for this student at all
   * @param written the note it begins with; empty where it has no octave to be chosen
   * @param why of the octave; SAID where there is none to be chosen
   * @param beyond whether it lies outside the range of the group's stage
   * @param notes on the student's page
   * @param octaves where it may be asked instead, rising
   */
  public record AskedCell(
      boolean asked,
      String written,
      Placing.Why why,
      boolean beyond,
      List<Refs.NoteName> notes,
      List<Refs.NoteName> octaves) {}

  public record AskedRow(Refs.StudentRef student, String clef, List<AskedCell> cells) {}

  /** A playing check of a group. */
  public record ClassCheckView(
      long id,
      long groupId,
      String group,
      String when,
      List<AskedView> items,
      List<ClassRow> rows,
      boolean finished) {}

  /** One entry of what was heard. */
  public record HeardView(
      long id,
      @JsonUnwrapped NoteHeard note,
      String date,
      String at,
      String by,
      Grade grade,
      String remark,
      boolean undone) {}

  /** A note with its fingering, and where it was heard. */
  public record NoteHeard(
      String written, String shown, String fingering, String piece, String bars) {}

  /** How one note with one fingering stands. */
  public record MarkView(
      String written,
      String shown,
      String fingering,
      String label,
      Grade grade,
      boolean faded,
      String when) {}

  /** A student's record; {@code rule} says how the marks come about. */
  public record RecordView(
      Refs.StudentRef student, List<MarkView> marks, List<HeardView> heard, String rule) {}

  /** A report on one student, in sentences; {@code to} is its last day. */
  public record ReportView(
      Refs.StudentRef student, LocalDate to, List<String> sentences, List<String> next) {}
}
