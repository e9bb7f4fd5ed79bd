package sempre.server.api.stand;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import sempre.core.drums.DrumPart;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Role;
import sempre.core.planning.Plan;
import sempre.core.practice.Breaths;
import sempre.core.teaching.Handout;
import sempre.core.teaching.SimplerPart;
import sempre.server.api.Refs;
import sempre.server.api.hand.HandViews;
import sempre.words.Language;

/** What the screen is sent: plain values, every field always there. */
public final class StandViews {
  private StandViews() {}

  /** What a finger holds during a note. */
  public record HoldView(String finger, String key, String keyName, boolean unheard) {}

  public record ReasonView(String purpose, String because, String text) {}

  public record AlternativeView(
      String fingering,
      String label,
      double extra,
      boolean farOff,
      String text,
      Role role,
      boolean learned) {}

  /** Where a note stands on the page. */
  public record PlaceView(
      String id, List<String> tied, int bar, String barNumber, double beat, String printed) {}

  /** A note as it is written and as it sounds. */
  public record PitchView(
      String written, String shown, String sounding, int writtenMidi, int soundingMidi) {}

  /** When a note sounds and for how long, and how long a quarter is there, in seconds. */
  public record TimeView(double at, double seconds, double quarter) {}

  /**
   * The fingering that is planned for a note, and how it stands with the student.
   *
   * @param usual whether it is what the school's style plays, or else the standard one
   */
  public record FingeredView(
      String fingering,
      String label,
      boolean usual,
      boolean isNew,
      boolean unlearned,
      boolean locked,
      Refs.Heard standing,
      boolean faded) {}

  /** What there is to say of a note. */
  public record SaidView(
      List<ReasonView> reasons,
      String caution,
      String ornament,
      List<HandViews.TrillView> trill,
      List<String> kept) {}

  /** One note of a planned part; {@code figure} is how often its figure comes. */
  public record NoteView(
      @JsonUnwrapped PlaceView place,
      @JsonUnwrapped PitchView pitch,
      @JsonUnwrapped TimeView time,
      @JsonUnwrapped FingeredView fingered,
      List<HoldView> holds,
      double slideCm,
      @JsonUnwrapped SaidView said,
      int figure,
      List<AlternativeView> alternatives) {}

  /** From which note to which a change leads, and whether a sign leads there. */
  public record BetweenView(String fromId, String toId, Plan.Way way) {}

  /** The change from one note to the next; the time is in seconds. */
  public record MoveView(
      @JsonUnwrapped BetweenView between,
      @JsonUnwrapped HandViews.MotionView motion,
      double difficulty,
      double seconds,
      String sentence,
      String happens) {}

  /** A note that can't be fingered, and why. */
  public record MissingView(String id, String shown, String barNumber, String sentence) {}

  public record PlanView(
      double cost,
      List<NoteView> notes,
      List<PictureView> pictures,
      List<MoveView> moves,
      List<Refs.NoteName> newNotes,
      List<MissingView> missing,
      boolean canUndo,
      boolean canRedo) {}

  /** A fingering as a picture; {@code slideCm} is how far out a slide is. */
  public record PictureView(String fingering, List<HandViews.HeldView> held, double slideCm) {}

  /** A fingering that is told on a sheet, once; {@code bars} by their numbers. */
  public record ToldView(
      Handout.Why why,
      String written,
      String shown,
      String label,
      List<String> bars,
      String sentence,
      @JsonUnwrapped PictureView picture) {}

  /** What stands under the music on paper; {@code remark} on what was done to the page. */
  public record SheetView(
      String instrument,
      Keywork.Kind kind,
      List<HandViews.KeyView> keys,
      List<Double> guides,
      List<ToldView> told,
      String remark) {}

  /** A plan after a choice: what was done, and every note that is fingered otherwise by it. */
  public record ChosenView(PlanView plan, String sentence, List<ChangeView> changes) {}

  /**
   * A stroke of a drum.
   *
   * @param hand R or L; empty where sticking isn't asked
   * @param text as it stands under the stroke: lR is a flam
   * @param said whether the teacher has chosen the hand
   * @param why why this hand, in a sentence
   * @param midi the place on the staff, as a note of the treble clef stands there
   */
  public record StrokeView(
      @JsonUnwrapped PlaceView place,
      @JsonUnwrapped TimeView time,
      String hand,
      String text,
      boolean said,
      String why,
      boolean roll,
      int midi) {}

  /**
   * A part without pitches.
   *
   * @param sticking how hands are chosen here, in a sentence
   */
  public record DrumView(
      Language language,
      Refs.StudentRef student,
      Refs.PieceRef piece,
      String xml,
      String partId,
      String part,
      List<PartRef> parts,
      DrumPart.Kind kind,
      String sticking,
      List<StrokeView> strokes,
      @JsonUnwrapped BarsView numbers,
      List<GivenView> given) {}

  public record PartRef(String id, String name, List<String> voices) {}

  /** A part on the stand; {@code language} is that of its sentences. */
  public record StandView(
      Language language,
      @JsonUnwrapped ReaderView reader,
      @JsonUnwrapped PageView page,
      @JsonUnwrapped HandsView hands,
      PlanView plan,
      List<GivenView> given) {}

  /** What lies under the hands: for the lanes, for the curve of a slide, and for a picture. */
  public record HandsView(
      Keywork.Kind kind,
      List<HandViews.KeyView> keys,
      List<HandViews.Lane> lanes,
      List<Double> slideGuides) {}

  /** Who reads it, and who else does. */
  public record ReaderView(
      Refs.StudentRef student, List<String> section, Map<String, String> ways) {}

  /**
   * A breath that is marked beside those that are printed.
   *
   * @param seconds how long the line is that it ends, at the marked tempo
   */
  public record BreathView(String afterId, Breaths.Where where, double seconds) {}

  /** The page; {@code simpler} says so where it is a simpler one. */
  public record PageView(
      Refs.PieceRef piece,
      String xml,
      String partId,
      int voice,
      List<PartRef> parts,
      List<String> remarks,
      @JsonUnwrapped BarsView numbers,
      List<BreathView> breaths,
      String simpler) {}

  /**
   * The bars of a page by their numbers, when each of them is played by itself, and the stretches
   * in which they follow one another; none where that is as they are printed.
   */
  public record BarsView(List<String> bars, List<BarTime> times, List<StretchView> played) {}

  /** When a bar begins, how long it lasts, and how long a counted beat is in it; in seconds. */
  public record BarTime(double at, double seconds, double beat) {}

  /** Bars that are played on end, by their indexes; with notes that sound on into the first. */
  public record StretchView(int from, int to, List<TiedOverView> held) {}

  /** A note tied over a sign, as into a second ending, and how long it sounds on there. */
  public record TiedOverView(String id, double seconds) {}

  /** What of a part is given; bars are indexes, a tempo of 0 is the written one. */
  public record GivenView(
      long assignmentId,
      LocalDate due,
      String dueWords,
      String what,
      int from,
      int to,
      int tempo,
      String message) {}

  /** What is played in place of a note, to be sent back; empty for a rest. */
  public record InsteadView(String becomes, String shown, SimplerPart.How how, String text) {}

  /**
   * How a note and what is played in its place sound.
   *
   * @param at in seconds from the start
   * @param soundingMidi as the written note sounds
   * @param becomesMidi as what is played sounds; 0 for a rest
   */
  public record SoundsView(double at, double seconds, int soundingMidi, int becomesMidi) {}

  /**
   * A note of a written part, and what is played in its place.
   *
   * @param has whether the player has the written note
   */
  public record SimplerNote(
      String id,
      String barNumber,
      Refs.NoteName note,
      boolean has,
      @JsonUnwrapped InsteadView instead,
      @JsonUnwrapped SoundsView sounds) {}

  /** Something else that may be played; the measure is that of the whole part then. */
  public record SimplerOption(
      String becomes, String shown, SimplerPart.How how, boolean has, double measure) {}

  public record DecidedView(String noteId, String becomes) {}

  /** How a simpler part is, {@code measure} for how much of the written one is left in it. */
  public record MadeView(boolean kept, String summary, double measure) {}

  /** The note that was asked about, or empty, and what may be done to it. */
  public record AboutView(String about, List<SimplerOption> options) {}

  /**
   * A simpler part beside the written one.
   *
   * @param harmony whether the score gives chords to take notes from
   * @param xml both on two staves, for engraving
   */
  public record SimplerView(
      Refs.StudentRef student,
      Refs.PieceRef piece,
      @JsonUnwrapped MadeView made,
      boolean harmony,
      List<SimplerNote> notes,
      List<DecidedView> decided,
      @JsonUnwrapped AboutView asked,
      String xml) {}

  /** One student of a group, with what is not there yet. */
  public record SimplerRow(
      Refs.StudentRef student, boolean kept, List<Refs.NoteName> lacking, String sentence) {}

  /** One of the most difficult changes of a part, and what to do about it. */
  public record HardView(
      String fromId,
      String toId,
      String barNumber,
      String shown,
      double difficulty,
      String sentence,
      String practise) {}

  /** A fingering that would make a part easier, once it is learned. */
  public record WorthView(
      String noteId,
      String shown,
      String fingering,
      String label,
      double saves,
      int times,
      List<String> bars,
      boolean needed) {}

  /** What a change of style does to one player's part. */
  public record EffectView(
      Refs.StudentRef student, Refs.PieceRef piece, List<ChangeView> changes) {}

  /** A note that is fingered one way here and another there. */
  public record ChangeView(
      String noteId,
      String barNumber,
      String shown,
      String wasFingering,
      String wasLabel,
      String fingering,
      String label) {}

  /** Another whole choice of fingerings and what it costs more, or less below 0. */
  public record OtherView(String title, double extra, List<ChangeView> changes) {}

  /** Another school of a style, and what would be fingered otherwise with it. */
  public record SchoolOther(String value, OtherView other, List<OutvotedView> outvoted) {}

  /**
   * A note that a style has a fingering for, and that is planned otherwise all the same.
   *
   * @param label the fingering that is planned
   * @param style the fingering of the style
   * @param why a sentence
   */
  public record OutvotedView(
      String noteId, String barNumber, String shown, String label, String style, String why) {}

  /**
   * A matter in which schools differ: how this student plays now, and how else one may.
   *
   * @param own whether the student differs from the house here
   * @param outvoted where the way that is chosen gives way
   */
  public record StyleOther(
      String name,
      String label,
      String chosen,
      boolean own,
      List<OutvotedView> outvoted,
      List<SchoolOther> others) {}

  /**
   * What there is to say of a whole part.
   *
   * @param learned the part with everything learned; nothing where that is no different
   */
  public record AdviceView(
      List<HardView> hardest,
      List<WorthView> worth,
      List<OtherView> others,
      List<OtherView> learned,
      List<StyleOther> styles) {}
}
