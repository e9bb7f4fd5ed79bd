package sempre.server.api.lesson;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import sempre.core.instrument.Keywork;
import sempre.core.learning.NoteMap;
import sempre.core.learning.Placing;
import sempre.core.pitch.Pitch;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.hand.HandViews;

/** What the screen is sent: plain values, every field always there. */
public final class LessonViews {
  private LessonViews() {}

  /** An alternate fingering on the map of notes. */
  public record MapAlternate(String label, String fingering, NoteMap.State state) {}

  /** A note on the page and as it sounds. */
  public record PageNote(
      int midi, String written, String shown, String sounding, String soundingShown) {
    static PageNote of(Pitch written, Pitch sounding) {
      Pitch page = Speech.alone(written);
      Pitch sounds = Speech.alone(sounding);
      return new PageNote(
          page.midi(),
          page.toString(),
          Speech.words().note(page),
          sounds.toString(),
          Speech.words().note(sounds));
    }
  }

  /**
   * How many have a note.
   *
   * @param has how many have it, shakily or not (by sound: in some octave); {@code of} how many
   *     there are
   * @param newFor by sound: who needs it next and has it in no octave
   * @param otherOctave by sound: who has it and needs it next in another octave
   */
  public record HowMany(
      int has, int shaky, int of, String lacking, String newFor, String otherOctave) {
    static final HowMany NONE = new HowMany(0, 0, 0, "", "", "");
  }

  /**
   * One note of a map: how it stands with one student, or how many have it.
   *
   * @param state of a student with the standard fingering; OPEN on a group's map
   */
  public record MapNote(
      @JsonUnwrapped PageNote note,
      Refs.Reached stage,
      NoteMap.State state,
      List<MapAlternate> alternates,
      boolean next,
      @JsonUnwrapped HowMany count) {}

  public record SectionView(String instrument, String name, int players) {}

  /** A map of notes; {@code instrument} is empty where it goes by sound. */
  public record MapView(
      String title,
      String instrument,
      String clef,
      List<MapNote> notes,
      List<SectionView> sections) {}

  public record MistakeView(String shown, String why, String mend) {}

  /**
   * Why a note is met in its octave.
   *
   * @param why the rule that chose it
   * @param piece that brings it there; empty for none
   * @param had other octaves of it that are there already
   * @param beyond whether it lies outside the range of the group's stage
   */
  public record OctaveView(
      Placing.Why why, String piece, List<Refs.NoteName> had, boolean beyond) {}

  /** Who learns it; {@code has} have it already. */
  public record LearnersView(
      List<String> students, List<String> has, String instrument, String name) {}

  /** A note on the page, as it sounds, and in which octaves it may be learned. */
  public record NewNoteView(
      String written,
      String shown,
      String sounding,
      String clef,
      List<Refs.NoteName> octaves,
      OctaveView octave) {}

  /** A fingering as it is drawn. */
  public record DrawnView(
      String fingering,
      String label,
      Keywork.Kind kind,
      List<HandViews.KeyView> keys,
      List<HandViews.HeldView> held,
      List<Double> guides,
      double slideCm) {}

  /** A new note as some players of one instrument learn it. */
  public record LessonRow(
      @JsonUnwrapped LearnersView who,
      @JsonUnwrapped NewNoteView note,
      @JsonUnwrapped DrawnView drawn,
      String compared,
      List<MistakeView> mistakes,
      String air,
      String caution) {}

  /** One concert pitch for a whole group; {@code without} is not taught it, and why. */
  public record LessonView(
      String group, String pitch, String shown, List<LessonRow> rows, List<String> without) {}

  /** A note of a section; {@code next}: somebody needs it next. */
  public record GridNote(Refs.NoteName note, Refs.Reached stage, boolean next) {}

  /** A student, with how each note of the section stands. */
  public record GridRow(Refs.StudentRef student, String seat, List<NoteMap.State> states) {}

  public record GridSection(
      String instrument, String name, List<GridNote> notes, List<GridRow> rows) {}

  /** A group by sections: everyone, and every note. */
  public record GridView(String group, List<GridSection> sections) {}
}
