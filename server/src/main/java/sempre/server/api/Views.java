package sempre.server.api;

import java.time.DayOfWeek;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Purpose;
import sempre.core.instrument.Role;
import sempre.core.instrument.Stage;
import sempre.core.instrument.TrillFingering.Quality;
import sempre.core.learning.Grade;
import sempre.core.learning.Matrix;
import sempre.core.learning.NoteMap;
import sempre.core.learning.Placing;
import sempre.core.teaching.SimplerPart;
import sempre.formats.csv.Roster;
import sempre.formats.csv.RosterMatch;
import sempre.server.store.Removals;
import sempre.words.Language;

/** What the interface is sent: plain values, every field always there. */
final class Views {
  private Views() {}

  /** How a student stands to a piece; ODD: it can't be worked out, and the sentence says why. */
  enum Ready {
    READY,
    SHAKY,
    HARD,
    FADED,
    LACKS,
    NONE,
    ODD
  }

  /** What was heard of something; OPEN: nothing yet. */
  enum Heard {
    SECURE,
    SHAKY,
    NOT_YET,
    OPEN;

    static Heard of(Grade g) {
      return valueOf(g.name());
    }
  }

  /** What kinds of things are asked in a playing check. */
  enum Asks {
    SOUND,
    SCALE,
    FINGERING,
    BARS
  }

  /** The first stage that has a note; BEYOND: none has it. */
  enum Reached {
    FIRST_YEARS,
    SCHOOL,
    ADVANCED,
    BEYOND;

    static Reached of(Optional<Stage> s) {
      return s.map(x -> valueOf(x.name())).orElse(BEYOND);
    }
  }

  /** A student in a list. */
  record StudentRef(long id, String name, String instrument, String instrumentName) {}

  /** A piece in a list; {@code source} is book and number in words, or the file's name. */
  record PieceRef(long id, String title, String book, String number, String source) {}

  /** A note's name as text to send back, and as a person reads it. */
  record NoteName(String written, String shown) {}

  /** How one student stands to one piece. */
  record ReadyView(
      StudentRef student,
      Ready state,
      List<NoteName> lacking,
      List<NoteName> shaky,
      List<NoteName> faded,
      List<NoteName> beyond,
      String sentence) {}

  /** What a group plays next. */
  record NextView(
      long assignmentId,
      PieceRef piece,
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
  record SayView(
      StudentRef student,
      long assignmentId,
      Ready state,
      String shown,
      String lead,
      String sentence) {}

  /** A note that is needed next and was not heard for long, and of whom. */
  record FadedView(String shown, List<String> students) {}

  /** A group on the first screen; {@code open}: checks that were begun and not finished. */
  record GroupToday(
      long id,
      String name,
      int students,
      boolean today,
      String when,
      List<NextView> next,
      List<SayView> say,
      List<FadedView> faded,
      List<ClassCheckRef> open) {}

  /**
   * The first screen.
   *
   * @param notices what is to be known of the data, a sentence each; none when all is well
   */
  record Today(String date, List<GroupToday> groups, int pieces, List<String> notices) {}

  /** A row of the lanes: one finger, or one valve. */
  record Lane(String finger, String label, boolean gapAbove) {}

  /** What a finger holds during a note. */
  record HoldView(String finger, String key, String keyName, boolean unheard) {}

  record ReasonView(String purpose, String because, String text) {}

  record AlternativeView(
      String fingering,
      String label,
      double extra,
      boolean farOff,
      String text,
      Role role,
      boolean learned) {}

  /** One note of a planned part. */
  record NoteView(
      String id,
      List<String> tied,
      int bar,
      String barNumber,
      double beat,
      String written,
      String shown,
      String sounding,
      int writtenMidi,
      int soundingMidi,
      double at,
      double seconds,
      double quarter,
      String fingering,
      String label,
      Role role,
      boolean isNew,
      boolean unlearned,
      boolean locked,
      Heard standing,
      boolean faded,
      List<HoldView> holds,
      double slideCm,
      List<ReasonView> reasons,
      String caution,
      String printed,
      String ornament,
      List<TrillView> trill,
      List<String> kept,
      int figure,
      List<AlternativeView> alternatives) {}

  record FingerSlideView(String finger, String from, String to) {}

  record SlipView(String shown, String cause, String audibly) {}

  /** The change from one note to the next; the time is in seconds. */
  record MoveView(
      String fromId,
      String toId,
      double difficulty,
      double seconds,
      List<String> up,
      List<String> down,
      boolean contrary,
      List<FingerSlideView> slides,
      List<SlipView> slips,
      double slideCm,
      String sentence,
      String happens) {}

  /** A note that can't be fingered, and why. */
  record MissingView(String id, String shown, String barNumber, String sentence) {}

  record PlanView(
      double cost,
      List<NoteView> notes,
      List<MoveView> moves,
      List<NoteName> newNotes,
      List<MissingView> missing,
      boolean canUndo,
      boolean canRedo) {}

  /** A plan after a choice: what was done, and every note that is fingered otherwise by it. */
  record ChosenView(PlanView plan, String sentence, List<ChangeView> changes) {}

  record PartRef(String id, String name, List<String> voices) {}

  /** A part on the stand; {@code language} is that of its sentences. */
  record StandView(
      Language language,
      StudentRef student,
      List<String> section,
      Map<String, String> ways,
      PieceRef piece,
      String xml,
      String partId,
      int voice,
      List<PartRef> parts,
      List<Lane> lanes,
      List<Double> slideGuides,
      PlanView plan,
      List<String> remarks,
      List<String> bars,
      String simpler,
      List<GivenView> given) {}

  /** What of a part is given; bars are indexes, a tempo of 0 is the written one. */
  record GivenView(
      long assignmentId,
      String dueWords,
      String what,
      int from,
      int to,
      int tempo,
      String message) {}

  /** A fingering to know. */
  record UnusualView(String shown, String label) {}

  /** One player's part of what is given. */
  record PartView(
      StudentRef student,
      Ready state,
      String sentence,
      List<NoteName> lacking,
      boolean simpler,
      List<UnusualView> unusual) {}

  /**
   * What is given to whom, with everyone's part.
   *
   * @param without who has no part in it, and why, a sentence each
   */
  record AssignmentView(
      long id,
      PieceRef piece,
      String givenTo,
      long groupId,
      String section,
      String due,
      String dueWords,
      String what,
      String bars,
      int tempo,
      boolean locked,
      String message,
      List<PartView> parts,
      List<String> without) {}

  /**
   * A note of a written part, and what is played in its place.
   *
   * @param becomes what is played, to be sent back; empty for a rest
   * @param has whether the player has the written note
   * @param at when it sounds, in seconds from the start
   * @param soundingMidi as the written note sounds
   * @param becomesMidi as what is played sounds; 0 for a rest
   */
  record SimplerNote(
      String id,
      String barNumber,
      NoteName note,
      String becomes,
      String shown,
      boolean has,
      SimplerPart.How how,
      String text,
      double at,
      double seconds,
      int soundingMidi,
      int becomesMidi) {}

  /** Something else that may be played; the measure is that of the whole part then. */
  record SimplerOption(
      String becomes, String shown, SimplerPart.How how, boolean has, double measure) {}

  record DecidedView(String noteId, String becomes) {}

  /**
   * A simpler part beside the written one.
   *
   * @param harmony whether the score gives chords to take notes from
   * @param about the note that was asked about, or empty
   * @param options what may be done to that note
   * @param xml both on two staves, for engraving
   */
  record SimplerView(
      StudentRef student,
      PieceRef piece,
      boolean kept,
      String summary,
      double measure,
      boolean harmony,
      List<SimplerNote> notes,
      List<DecidedView> decided,
      String about,
      List<SimplerOption> options,
      String xml) {}

  /** One student of a group, with what is not there yet. */
  record SimplerRow(StudentRef student, boolean kept, List<NoteName> lacking, String sentence) {}

  record OptionView(String name, String label, List<SchoolView> values, String standard) {}

  record SchoolView(String value, String label) {}

  record StyleView(String name, String label, List<SchoolView> schools, String standard) {}

  /** Something that a hand may not reach; {@code place} names it with its side. */
  record ControlView(String place, String name, String finger) {}

  /** An instrument for setting up a student. */
  record InstrumentView(
      String id,
      String name,
      String range,
      List<OptionView> options,
      List<StyleView> styles,
      List<ControlView> controls,
      List<NoteName> notes) {}

  record StudentView(
      long id,
      String givenName,
      String initial,
      String name,
      String instrument,
      String instrumentName,
      Map<String, String> options,
      List<String> avoid,
      List<String> avoidNames,
      List<String> unsure,
      Map<String, String> style,
      List<Long> groups,
      long person,
      String seat,
      List<StudentRef> others,
      String left,
      int secure,
      int shaky) {}

  record GroupView(
      long id,
      String name,
      Stage stage,
      String stageWords,
      String year,
      List<DayOfWeek> days,
      List<Long> students) {}

  /** Groups and students; {@code gone} has left and is still kept. */
  record PeopleView(List<GroupView> groups, List<StudentView> students, List<StudentView> gone) {}

  /** What was erased, in a sentence. */
  /** What was done, in a sentence. */
  record Done(String done) {}

  /** A column of a list of students. */
  record RosterColumn(String heading, Roster.Meaning meaning, List<String> samples) {}

  /**
   * A row of a list.
   *
   * @param state what becomes of it
   * @param name as the student would be called here
   * @param called the instrument as the list has it
   * @param meant instruments that may be meant by that, where it is none
   * @param longer whether the initial is longer than usual to tell two children apart
   * @param sameAs the earlier row of the same name; 0 for none
   */
  record RosterRow(
      int line,
      RosterMatch.State state,
      String name,
      String initial,
      boolean longer,
      int sameAs,
      String called,
      String instrument,
      List<SchoolView> meant,
      String group,
      String seat,
      String plays,
      String more,
      List<String> problems) {}

  record MeaningView(Roster.Meaning value, String label) {}

  /**
   * One note of a section's range.
   *
   * @param sound pitch class of what sounds, 0 (C) to 11 (B)
   * @param stage the first stage that has it
   * @param has how many of the section have it
   */
  record PlaysNote(String written, String shown, int sound, Reached stage, int has) {}

  /** What a section may play already. */
  record PlaysSection(
      String instrument,
      String name,
      String clef,
      List<StudentRef> students,
      List<PlaysNote> notes) {}

  record PlaysView(String group, Stage stage, List<PlaysSection> sections) {}

  /** What was written down of one student, to be taken back. */
  record PlaysMarks(long studentId, List<Long> ids) {}

  record PlaysDone(int marks, List<PlaysMarks> students) {}

  /** A list of students before it is taken; {@code groups}: those that are set up with it. */
  record RosterView(
      List<RosterColumn> columns,
      List<MeaningView> meanings,
      List<RosterRow> rows,
      List<String> groups,
      int ready) {}

  record RosterDone(int added, int groups, String done) {}

  /** One entry of what was heard. */
  record HeardView(
      long id,
      String written,
      String date,
      String at,
      String by,
      String shown,
      String fingering,
      Grade grade,
      String piece,
      String bars,
      String remark,
      boolean undone) {}

  /** How one note with one fingering stands. */
  record MarkView(
      String written,
      String shown,
      String fingering,
      String label,
      Grade grade,
      boolean faded,
      String when) {}

  /** A student's record; {@code rule} says how the marks come about. */
  record RecordView(StudentRef student, List<MarkView> marks, List<HeardView> heard, String rule) {}

  /** What a file holds, before it is kept. */
  record LookView(
      String title, boolean concert, int bars, List<LookPart> parts, List<String> remarks) {}

  record LookPart(
      String id,
      String name,
      String key,
      String range,
      String transposition,
      int notes,
      int voices,
      List<String> readBy,
      List<String> remarks) {}

  record ShelfPiece(PieceRef piece, String added, List<String> groups) {}

  /** An alternate fingering on the map of notes. */
  record MapAlternate(String label, String fingering, NoteMap.State state) {}

  /**
   * One note of a map: how it stands with one student, or how many have it.
   *
   * @param state of a student with the standard fingering; OPEN on a group's map
   * @param has how many have it, shakily or not (by sound: in some octave); {@code of} how many
   *     there are
   * @param newFor by sound: who needs it next and has it in no octave
   * @param otherOctave by sound: who has it and needs it next in another octave
   */
  record MapNote(
      int midi,
      String written,
      String shown,
      String sounding,
      String soundingShown,
      Reached stage,
      NoteMap.State state,
      List<MapAlternate> alternates,
      boolean next,
      int has,
      int shaky,
      int of,
      String lacking,
      String newFor,
      String otherOctave) {}

  record SectionView(String instrument, String name, int players) {}

  /** A map of notes; {@code instrument} is empty where it goes by sound. */
  record MapView(
      String title,
      String instrument,
      String clef,
      List<MapNote> notes,
      List<SectionView> sections) {}

  record MistakeView(String shown, String why, String mend) {}

  /**
   * Why a note is met in its octave.
   *
   * @param why the rule that chose it
   * @param piece that brings it there; empty for none
   * @param had other octaves of it that are there already
   * @param beyond whether it lies outside the range of the group's stage
   */
  record OctaveView(Placing.Why why, String piece, List<NoteName> had, boolean beyond) {}

  /** A new note as some players of one instrument learn it; {@code has} have it already. */
  record LessonRow(
      List<String> students,
      List<String> has,
      String instrument,
      String name,
      String written,
      String shown,
      String sounding,
      String clef,
      List<NoteName> octaves,
      OctaveView octave,
      String fingering,
      String label,
      Keywork.Kind kind,
      List<KeyView> keys,
      List<HeldView> held,
      List<Double> guides,
      double slideCm,
      String compared,
      List<MistakeView> mistakes,
      String air,
      String caution) {}

  /** One concert pitch for a whole group; {@code without} is not taught it, and why. */
  record LessonView(
      String group, String pitch, String shown, List<LessonRow> rows, List<String> without) {}

  /**
   * How one player stands to one piece.
   *
   * @param odd why it can't be worked out; empty where it can
   */
  record MatrixCell(Matrix.State state, int lacking, int hard, String odd) {}

  /**
   * A sound that is in the way.
   *
   * @param newFor how many need it and have it in no octave
   * @param otherOctave how many have it, but need it in another octave
   * @param parts in how many parts it is lacking; in {@code alone} of them nothing else is
   */
  record BlockView(String shown, int newFor, int otherOctave, int parts, int alone) {}

  /** What a group can take next: most can play it, and to these it brings one new note each. */
  record GroupNextView(PieceRef piece, int ready, List<String> one) {}

  /** A note that a student needs next, and the pieces that need it. */
  record NextNoteView(String written, String shown, List<PieceRef> pieces) {}

  /** One step on the way to a piece: the note it brings, by a piece or by itself. */
  record WayStep(String by, String shown, List<PieceRef> piece) {}

  /** The way to a piece. */
  record WayToView(PieceRef goal, String sentence, List<WayStep> steps) {}

  /** Everyone of a group against some pieces; a row a student, a cell a piece. */
  record MatrixView(
      String title,
      String stage,
      List<StudentRef> students,
      List<PieceRef> pieces,
      List<List<MatrixCell>> rows,
      List<BlockView> blocks,
      List<GroupNextView> next) {}

  record HardCell(String shown, String barNumber, double difficulty) {}

  record WorthCell(String shown, String label, List<String> bars) {}

  /** Why one student can or can't play one piece. */
  record CellView(
      StudentRef student,
      PieceRef piece,
      List<NoteName> lacking,
      List<NoteName> shaky,
      List<NoteName> faded,
      List<NoteName> beyond,
      List<HardCell> hard,
      List<WorthCell> worth) {}

  /** Something worth asking a class, and why. */
  record SuggestedView(Asks kind, String what, String shown, String why) {}

  /**
   * One thing that is asked.
   *
   * @param shown a note or the first of a scale; empty for bars
   * @param words what else there is to say of it: which scale, which fingering, which bars
   */
  record AskedView(String shown, String words) {}

  /** A check of a group in a list. */
  record ClassCheckRef(
      long id, long groupId, String group, String when, boolean finished, List<AskedView> items) {}

  /**
   * What one student was asked and how it was.
   *
   * @param asked whether it is for this student at all
   * @param notes on the student's page
   * @param fingering of one note; empty for several
   * @param mark the press of the key that the grade was given with
   */
  record ClassCell(
      boolean asked,
      String notes,
      List<NoteName> each,
      String fingering,
      String label,
      Heard grade,
      String by,
      String remark,
      String mark) {}

  record ClassRow(StudentRef student, String clef, boolean absent, List<ClassCell> cells) {}

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
  record AskedCell(
      boolean asked,
      String written,
      Placing.Why why,
      boolean beyond,
      List<NoteName> notes,
      List<NoteName> octaves) {}

  record AskedRow(StudentRef student, String clef, List<AskedCell> cells) {}

  /** A playing check of a group. */
  record ClassCheckView(
      long id,
      long groupId,
      String group,
      String when,
      List<AskedView> items,
      List<ClassRow> rows,
      boolean finished) {}

  /**
   * Something that was removed.
   *
   * @param about what tells it from others of its name; may be empty
   * @param with what went with it, in words
   */
  record RemovedView(
      Removals.Kind kind, long id, String name, String about, String when, List<String> with) {}

  record Id(long id) {}

  /** A control as it lies under the hands, for the picture of a fingering. */
  record KeyView(String token, boolean left, String finger, String name, boolean hole) {}

  /** A control that is held: {@code half} for a half-covered hole. */
  record HeldView(String token, boolean left, boolean half, boolean free) {}

  /**
   * A control that moves in a trill.
   *
   * @param finger the lane it belongs to
   * @param key how it is named there
   * @param lower whether it is held on the lower note
   * @param upper whether it is held on the upper note
   */
  record TrillKeyView(String finger, String key, String name, boolean lower, boolean upper) {}

  /**
   * A trill with both of its states; of quality none where there is no good one: then {@code words}
   * says what to do instead.
   */
  record TrillView(
      NoteName lower,
      NoteName upper,
      String from,
      String to,
      List<HeldView> lowerHeld,
      List<HeldView> upperHeld,
      List<TrillKeyView> moving,
      Quality quality,
      String words,
      String because,
      String requires) {}

  /** One fingering in an instrument's table. */
  record WayView(
      String fingering,
      String free,
      Role role,
      String label,
      Set<Purpose> purposes,
      List<String> rules,
      double cents,
      boolean centsKnown,
      int partial,
      String requires,
      String source,
      String note,
      List<HeldView> held,
      double slideCm,
      boolean own,
      boolean hidden,
      boolean house,
      String words) {}

  /** One note of an instrument's table. */
  record TableNote(
      String written,
      String shown,
      String sounding,
      String soundingShown,
      int midi,
      Reached stage,
      List<WayView> ways) {}

  /** A note that the instrument lacks within its range, and why. */
  record GapView(String shown, String because) {}

  /** What may or must not be held over a range of notes. */
  record FreedomView(NoteName from, NoteName to, String controls, String because, String source) {}

  record StageView(Stage stage, String words, NoteName from, NoteName to) {}

  /** One instrument's whole table. */
  record TableView(
      String id,
      String name,
      String clef,
      int letters,
      int semitones,
      String transposition,
      Keywork.Kind kind,
      List<OptionView> options,
      Map<String, String> chosen,
      List<StageView> stages,
      List<KeyView> keys,
      List<Double> slideGuides,
      List<TableNote> notes,
      List<FreedomView> free,
      List<FreedomView> wrong,
      List<GapView> gaps,
      boolean changed) {}

  /** What happens between two fingerings. */
  record CompareView(
      List<String> down,
      List<String> up,
      List<String> stay,
      boolean contrary,
      List<FingerSlideView> slides,
      List<SlipView> slips,
      double slideCm,
      double difficulty,
      String pitch,
      String sentence) {}

  record CauseView(String kind, String text, String remedy, String held) {}

  /** What can be wrong with a sound that is no other note. */
  record SymptomView(String text, String remedy) {}

  /** One instrument's share of a concert pitch. */
  record AcrossView(
      String instrument,
      String name,
      String written,
      String shown,
      String octave,
      String fingering,
      String label,
      List<String> others,
      List<WrongNoteView> wrong) {}

  record WrongNoteView(String shown, String why) {}

  /** One of the most difficult changes of a part, and what to do about it. */
  record HardView(
      String fromId,
      String toId,
      String barNumber,
      String shown,
      double difficulty,
      String sentence,
      String practise) {}

  /** A fingering that would make a part easier, once it is learned. */
  record WorthView(
      String noteId,
      String shown,
      String fingering,
      String label,
      double saves,
      int times,
      List<String> bars,
      boolean needed) {}

  /** What a change of style does to one player's part. */
  record EffectView(StudentRef student, PieceRef piece, List<ChangeView> changes) {}

  /** Where in a piece a fingering would pay. */
  record PaysView(PieceRef piece, List<String> bars, int times) {}

  /** A fingering that would make a student's pieces easier, once it is learned. */
  record TeachView(
      String shown, String fingering, String label, double saves, List<PaysView> pieces) {}

  /** A note that is fingered one way here and another there. */
  record ChangeView(
      String noteId,
      String barNumber,
      String shown,
      String wasFingering,
      String wasLabel,
      String fingering,
      String label) {}

  /** Another whole choice of fingerings and what it costs more, or less below 0. */
  record OtherView(String title, double extra, List<ChangeView> changes) {}

  /** Another school of a style, and what would be fingered otherwise with it. */
  record SchoolOther(String value, OtherView other, List<OutvotedView> outvoted) {}

  /**
   * A note that a style has a fingering for, and that is planned otherwise all the same.
   *
   * @param label the fingering that is planned
   * @param style the fingering of the style
   * @param why a sentence
   */
  record OutvotedView(
      String noteId, String barNumber, String shown, String label, String style, String why) {}

  /**
   * A matter in which schools differ: how this student plays now, and how else one may.
   *
   * @param own whether the student differs from the house here
   * @param outvoted where the way that is chosen gives way
   */
  record StyleOther(
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
  record AdviceView(
      List<HardView> hardest,
      List<WorthView> worth,
      List<OtherView> others,
      List<OtherView> learned,
      List<StyleOther> styles) {}
}
