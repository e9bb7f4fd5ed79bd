package sempre.server.api.people;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.DayOfWeek;
import java.util.List;
import java.util.Map;
import sempre.core.instrument.Stage;
import sempre.formats.csv.Roster;
import sempre.formats.csv.RosterMatch;
import sempre.server.api.Refs;
import sempre.server.store.Batches;
import sempre.server.store.Removals;

/** What the screen is sent: plain values, every field always there. */
public final class PeopleViews {
  private PeopleViews() {}

  public record StyleView(
      String name, String label, List<Refs.SchoolView> schools, String standard) {}

  /** Something that a hand may not reach; {@code place} names it with its side. */
  public record ControlView(String place, String name, String finger) {}

  /**
   * An instrument for setting up a student.
   *
   * @param sounds semitones from a written note to the one that sounds
   */
  public record InstrumentView(
      String id,
      String name,
      String range,
      List<Refs.OptionView> options,
      List<StyleView> styles,
      List<ControlView> controls,
      List<Refs.NoteName> notes,
      int sounds) {}

  public record StudentView(
      @JsonUnwrapped NamedView named,
      @JsonUnwrapped SetUpView setUp,
      List<Long> groups,
      String seat,
      int part,
      List<Refs.StudentRef> others,
      String left,
      int secure,
      int shaky) {}

  /** A student by name; {@code person} is the first row of the same person. */
  public record NamedView(long id, String givenName, String initial, String name, long person) {}

  /** A student's instrument, what the hand can't reach, and where the style differs. */
  public record SetUpView(
      String instrument,
      String instrumentName,
      String instrumentInside,
      Map<String, String> options,
      List<String> avoid,
      List<String> avoidNames,
      List<String> unsure,
      Map<String, String> style) {}

  public record GroupView(
      long id,
      String name,
      Stage stage,
      String stageWords,
      String year,
      List<DayOfWeek> days,
      List<Long> students) {}

  /** Groups and students; {@code gone} has left and is still kept. */
  public record PeopleView(
      List<GroupView> groups, List<StudentView> students, List<StudentView> gone) {}

  /** A column of a list of students. */
  public record RosterColumn(String heading, Roster.Meaning meaning, List<String> samples) {}

  /**
   * Who a row of a list is.
   *
   * @param name as the student would be called here
   * @param longer whether the initial is longer than usual to tell two children apart
   * @param sameAs the earlier row of the same name; 0 for none
   */
  public record RosterName(String name, String initial, boolean longer, int sameAs) {}

  /**
   * What a row of a list says of the instrument.
   *
   * @param called the instrument as the list has it
   * @param meant instruments that may be meant by that, where it is none
   * @param plays the range that is played already
   * @param more options and what the hand can't reach
   */
  public record RosterInstrument(
      String called, String instrument, List<Refs.SchoolView> meant, String plays, String more) {}

  /** A row of a list; {@code state} is what becomes of it. */
  public record RosterRow(
      int line,
      RosterMatch.State state,
      @JsonUnwrapped RosterName who,
      @JsonUnwrapped RosterInstrument plays,
      String group,
      String seat,
      int part,
      List<String> problems) {}

  public record MeaningView(Roster.Meaning value, String label) {}

  /** A list of students before it is taken; {@code groups}: those that are set up with it. */
  public record RosterView(
      List<RosterColumn> columns,
      List<MeaningView> meanings,
      List<RosterRow> rows,
      List<String> groups,
      int ready) {}

  public record RosterDone(int added, int groups, String done) {}

  /**
   * One note of a section's range.
   *
   * @param sound pitch class of what sounds, 0 (C) to 11 (B)
   * @param stage the first stage that has it
   * @param has how many of the section have it
   */
  public record PlaysNote(String written, String shown, int sound, Refs.Reached stage, int has) {}

  /** What a section may play already. */
  public record PlaysSection(
      String instrument,
      String name,
      String clef,
      List<Refs.StudentRef> students,
      List<PlaysNote> notes) {}

  public record PlaysView(String group, Stage stage, List<PlaysSection> sections) {}

  /** How many notes were marked, and for how many students. */
  public record PlaysDone(int marks, int students) {}

  /**
   * Something that was done for many at once and can be taken back in one go.
   *
   * @param group where it was done for one; 0 for none
   * @param piece of simpler parts; 0 for none
   * @param what in words
   */
  public record BatchView(
      long id, Batches.Kind kind, long group, long piece, String what, String when) {}

  /**
   * Something that was removed.
   *
   * @param about what tells it from others of its name; may be empty
   * @param with what went with it, in words
   */
  public record RemovedView(
      Removals.Kind kind, long id, String name, String about, String when, List<String> with) {}
}
