package sempre.server.api.check;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.learning.ClassItem;
import sempre.core.learning.Grade;
import sempre.core.learning.GroupSounds;
import sempre.core.learning.Placing;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.WhoMarks;
import sempre.server.app.PlayingChecks;
import sempre.server.store.ClassChecks;
import sempre.server.store.ClassChecks.Cell;
import sempre.server.store.ClassChecks.Kind;

/** A playing check of a whole group, student by student or note by note. */
@RestController
@RequestMapping("/api")
class ClassChecksController {
  /** More columns than this do not fit a lesson. */
  private static final int MOST_ITEMS = 12;

  /** So many notes are named one by one. */
  private static final int NAMED = 4;

  private final PlayingChecks checks;
  private final Clock clock;

  ClassChecksController(PlayingChecks checks, Clock clock) {
    this.checks = checks;
    this.clock = clock;
  }

  /**
   * One thing asked.
   *
   * @param what {@code Bb}, {@code Bb3} or {@code Bb next}; {@code Bb major}; {@code flute Bb4 T 1
   *     | 1 Eb}; {@code 3-6}
   * @param pieceId whose bars are meant; 0 otherwise
   * @param row sounds with the same number keep their direction; 0 for one by itself
   */
  record ItemBody(
      @NotNull(message = "ask.kind") Kind kind,
      @NotBlank(message = "ask.what") @Size(max = 200, message = "ask.what-long") String what,
      long pieceId,
      Integer row) {
    private PlayingChecks.Question question() {
      return new PlayingChecks.Question(kind, what, pieceId, row == null ? 0 : row);
    }
  }

  /** The note that a student shall be asked; of a scale the first one. */
  record AskedBody(
      long studentId, int item, @NotBlank(message = "ask.note-asked") String written) {}

  /**
   * A check.
   *
   * @param asked notes in their octaves as they were shown; who is not named is asked by the rule
   */
  record CheckBody(
      @NotEmpty(message = "ask.items") @Size(max = MOST_ITEMS, message = "ask.items-many")
          List<@Valid ItemBody> items,
      List<@Valid AskedBody> asked) {
    private List<PlayingChecks.Question> questions() {
      return items.stream().map(ItemBody::question).toList();
    }

    private Map<Cell, Pitch> shown() {
      Map<Cell, Pitch> shown = new HashMap<>();
      for (AskedBody a : asked == null ? List.<AskedBody>of() : asked) {
        shown.put(new Cell(a.studentId(), a.item()), Pitch.parse(a.written()));
      }
      return shown;
    }
  }

  /**
   * One grade.
   *
   * @param mark names this press of the key; the same one sent again is not written down again
   * @param notes the notes that it is for; the others of the item were secure then
   */
  record GradeBody(
      long studentId,
      int item,
      @NotNull(message = "ask.grade") Grade grade,
      @Size(max = 300, message = "ask.remark-long") String remark,
      @NotBlank(message = "ask.press") @Size(max = 40, message = "ask.press-long") String mark,
      Set<String> notes) {
    private PlayingChecks.Press press(Clock clock) {
      return new PlayingChecks.Press(
          new Cell(studentId, item),
          grade,
          Objects.toString(remark, ""),
          mark,
          notes == null ? Set.of() : notes,
          WhoMarks.by(),
          WhoMarks.at(clock));
    }
  }

  /**
   * What is taken back.
   *
   * @param mark the press that is meant; empty for the last of the cell
   */
  record CellBody(
      long studentId, int item, @Size(max = 40, message = "ask.press-long") String mark) {}

  record AbsentBody(long studentId, boolean absent) {}

  @GetMapping("/groups/{groupId}/checks")
  List<CheckViews.ClassCheckRef> of(@PathVariable long groupId) {
    return checks.of(groupId).stream().map(c -> CheckWords.ref(c, clock)).toList();
  }

  /** The checks of all groups that were begun and not finished. */
  @GetMapping("/checks/open")
  List<CheckViews.ClassCheckRef> open() {
    return checks.open().stream().map(c -> CheckWords.ref(c, clock)).toList();
  }

  /** Sounds that the group's next parts need and that most players lack or have shakily. */
  @GetMapping("/groups/{groupId}/checks/suggested")
  List<CheckViews.SuggestedView> suggested(@PathVariable long groupId) {
    return checks.suggested(groupId).stream().map(ClassChecksController::suggested).toList();
  }

  private static CheckViews.SuggestedView suggested(GroupSounds.Sound s) {
    NoteName name = NoteName.of(Speech.alone(Pitch.usual(s.pitchClass())));
    return new CheckViews.SuggestedView(
        Kind.SOUND,
        new ClassItem.Sound(name, true).text(),
        Speech.words().note(name),
        Sounds.why(s));
  }

  /** What each student would be asked, on the own page; nothing is kept. */
  @PostMapping("/groups/{groupId}/checks/look")
  List<CheckViews.AskedRow> look(@PathVariable long groupId, @Valid @RequestBody CheckBody body) {
    return checks.look(groupId, body.questions()).stream()
        .map(
            a ->
                new CheckViews.AskedRow(
                    Refs.StudentRef.of(a.student()),
                    a.clef(),
                    a.items().stream().map(ClassChecksController::asked).toList()))
        .toList();
  }

  private static CheckViews.AskedCell asked(PlayingChecks.Asked a) {
    return new CheckViews.AskedCell(
        !a.targets().isEmpty(),
        a.placed().map(p -> p.written().toString()).orElse(""),
        a.placed().map(Placing.Placed::why).orElse(Placing.Why.SAID),
        a.placed().map(Placing.Placed::beyond).orElse(false),
        notes(a.targets()),
        Refs.NoteName.of(a.octaves()));
  }

  private static List<Refs.NoteName> notes(List<ClassItem.Target> targets) {
    return Refs.NoteName.of(named(targets));
  }

  /** Notes of a scale are spelled by its key; one by itself, as a note by itself is. */
  private static List<Pitch> named(List<ClassItem.Target> targets) {
    List<Pitch> notes = targets.stream().map(ClassItem.Target::written).distinct().toList();
    return notes.size() == 1 ? List.of(Speech.alone(notes.get(0))) : notes;
  }

  @PostMapping("/groups/{groupId}/checks")
  Refs.Id begin(@PathVariable long groupId, @Valid @RequestBody CheckBody body) {
    return new Refs.Id(checks.begin(groupId, body.questions(), body.shown()));
  }

  @GetMapping("/checks/{id}")
  CheckViews.ClassCheckView check(@PathVariable long id) {
    return view(checks.sheet(id));
  }

  /**
   * Writes a grade down for every note that the item has for this student, or for those that are
   * named: the others are secure then.
   */
  @PostMapping("/checks/{id}/grades")
  CheckViews.ClassCell grade(@PathVariable long id, @Valid @RequestBody GradeBody b) {
    return cell(checks.grade(id, b.press(clock)));
  }

  /** Takes the last grade of a cell back, by further entries; an earlier one stands again. */
  @PostMapping("/checks/{id}/undo")
  CheckViews.ClassCell undo(@PathVariable long id, @Valid @RequestBody CellBody b) {
    return cell(
        checks.undo(
            id, new Cell(b.studentId(), b.item()), Objects.toString(b.mark(), ""), WhoMarks.by()));
  }

  @PostMapping("/checks/{id}/absent")
  Refs.Id absent(@PathVariable long id, @Valid @RequestBody AbsentBody b) {
    checks.absent(id, b.studentId(), b.absent());
    return new Refs.Id(id);
  }

  /** Finishes a check, or goes on with it. */
  @PostMapping("/checks/{id}/finish")
  Refs.Id finish(@PathVariable long id, @RequestBody boolean finished) {
    checks.finish(id, finished);
    return new Refs.Id(id);
  }

  /** A few notes by name, a scale by its ends, anything else by how many notes it has. */
  private static String shown(List<ClassItem.Target> targets) {
    List<Pitch> notes = named(targets);
    if (notes.size() <= NAMED) {
      return String.join(" ", notes.stream().map(Speech.words()::note).toList());
    }
    boolean rising = true;
    for (int i = 1; i < targets.size(); i++) {
      rising &= targets.get(i).written().midi() > targets.get(i - 1).written().midi();
    }
    return rising
        ? Speech.say("range", "from", notes.get(0), "to", notes.get(notes.size() - 1))
        : Speech.say("notes.count", "n", notes.size());
  }

  private static CheckViews.ClassCell cell(PlayingChecks.Answer a) {
    Optional<ClassItem.Target> one =
        a.targets().size() == 1 ? Optional.of(a.targets().get(0)) : Optional.empty();
    return new CheckViews.ClassCell(
        !a.targets().isEmpty(),
        shown(a.targets()),
        notes(a.targets()),
        one.map(t -> t.entry().fingering()).orElse(""),
        one.map(t -> Speech.words().label(t.entry())).orElse(""),
        a.last().map(e -> Refs.Heard.of(e.grade())).orElse(Refs.Heard.OPEN),
        a.last().map(ClassChecks.Entry::by).orElse(""),
        a.last().map(ClassChecks.Entry::remark).orElse(""),
        a.last().map(ClassChecks.Entry::mark).orElse(""));
  }

  private CheckViews.ClassCheckView view(PlayingChecks.Sheet sheet) {
    PlayingChecks.Listed c = sheet.check();
    return new CheckViews.ClassCheckView(
        c.check().id(),
        c.group().id(),
        c.group().name(),
        CheckWords.when(c, clock),
        CheckWords.asked(c.asked()),
        sheet.rows().stream()
            .map(
                r ->
                    new CheckViews.ClassRow(
                        Refs.StudentRef.of(r.student()),
                        r.clef(),
                        r.absent(),
                        r.answers().stream().map(ClassChecksController::cell).toList()))
            .toList(),
        c.check().finished());
  }
}
