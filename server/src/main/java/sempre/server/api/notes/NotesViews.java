package sempre.server.api.notes;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import java.util.Map;
import java.util.Set;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Purpose;
import sempre.core.instrument.Role;
import sempre.core.instrument.Stage;
import sempre.server.api.Refs;
import sempre.server.api.hand.HandViews;

/** What the screen is sent: plain values, every field always there. */
public final class NotesViews {
  private NotesViews() {}

  /** One fingering in an instrument's table. */
  public record WayView(
      String fingering,
      String free,
      Role role,
      String label,
      @JsonUnwrapped UseView use,
      List<HandViews.HeldView> held,
      double slideCm,
      @JsonUnwrapped HouseView house) {}

  /** What a fingering is good for, and where that is from. */
  public record UseView(
      Set<Purpose> purposes,
      List<String> rules,
      double cents,
      boolean centsKnown,
      int partial,
      String requires,
      String source,
      String note) {}

  /** What the teacher has made of a fingering. */
  public record HouseView(boolean own, boolean hidden, boolean house, String words) {}

  /** One note of an instrument's table. */
  public record TableNote(
      String written,
      String shown,
      String sounding,
      String soundingShown,
      int midi,
      Refs.Reached stage,
      List<WayView> ways) {}

  /** A note that the instrument lacks within its range, and why. */
  public record GapView(String shown, String because) {}

  /** What may or must not be held over a range of notes. */
  public record FreedomView(
      Refs.NoteName from, Refs.NoteName to, String controls, String because, String source) {}

  public record StageView(Stage stage, String words, Refs.NoteName from, Refs.NoteName to) {}

  /** One instrument's whole table. */
  public record TableView(
      @JsonUnwrapped PlayedView instrument,
      List<Refs.OptionView> options,
      Map<String, String> chosen,
      List<StageView> stages,
      List<TableNote> notes,
      @JsonUnwrapped RulesView rules,
      boolean changed) {}

  /** The instrument of a table; letters and half steps say how it transposes. */
  public record PlayedView(
      String id,
      String name,
      String clef,
      int letters,
      int semitones,
      String transposition,
      Keywork.Kind kind,
      List<HandViews.KeyView> keys,
      List<Double> slideGuides) {}

  /** One scale for the band; {@code without} names the instruments that play no octave of it. */
  public record ScaleView(String group, List<ScaleRow> rows, List<String> without) {}

  public record ScaleRow(@JsonUnwrapped PlayedView instrument, List<ScaleNote> notes) {}

  /** A note of a scale; {@code beyond} where the players' stage does not have it. */
  public record ScaleNote(
      String written,
      String shown,
      String label,
      List<HandViews.HeldView> held,
      double slideCm,
      boolean beyond) {}

  /** What holds over ranges of notes. */
  public record RulesView(List<FreedomView> free, List<FreedomView> wrong, List<GapView> gaps) {}

  /** What happens between two fingerings. */
  public record CompareView(
      @JsonUnwrapped HandViews.MotionView motion,
      List<String> stay,
      double difficulty,
      String pitch,
      String sentence) {}

  public record CauseView(String kind, String text, String remedy, String held) {}

  /** What can be wrong with a sound that is no other note. */
  public record SymptomView(String text, String remedy) {}

  /** One instrument's share of a concert pitch. */
  public record AcrossView(
      String instrument,
      String name,
      String written,
      String shown,
      String octave,
      String fingering,
      String label,
      List<String> others,
      List<WrongNoteView> wrong) {}

  public record WrongNoteView(String shown, String why) {}
}
