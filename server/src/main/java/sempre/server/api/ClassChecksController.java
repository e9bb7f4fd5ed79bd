package sempre.server.api;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.learning.Check;
import sempre.core.learning.ClassItem;
import sempre.core.learning.Grade;
import sempre.core.learning.Readiness;
import sempre.core.learning.Standing;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.server.store.Checks;
import sempre.server.store.ClassChecks;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** A playing check of a whole group, student by student or note by note. */
@RestController
@RequestMapping("/api")
class ClassChecksController {
  /** More columns than this do not fit a lesson. */
  private static final int MOST_ITEMS = 12;

  /** So many of the next pieces are looked at for what to ask. */
  private static final int NEXT = 3;

  private static final int SUGGESTED = 8;
  private static final int OCTAVE = 12;
  private static final int MIDDLE_C = 60;

  private final Db db;
  private final People people;
  private final Shelf shelf;
  private final Checks checks;
  private final ClassChecks classes;
  private final Players players;
  private final Stands stands;
  private final Given given;
  private final Clock clock;

  ClassChecksController(
      Db db,
      People people,
      Shelf shelf,
      Checks checks,
      ClassChecks classes,
      Players players,
      Stands stands,
      Given given,
      Clock clock) {
    this.given = given;
    this.db = db;
    this.people = people;
    this.shelf = shelf;
    this.checks = checks;
    this.classes = classes;
    this.players = players;
    this.stands = stands;
    this.clock = clock;
  }

  /**
   * One thing asked.
   *
   * @param kind SOUND, SCALE, FINGERING or BARS
   * @param what {@code Bb4}; {@code Bb4 major}; {@code flute Bb4 T 1 | 1 Eb}; {@code 3-6}
   * @param pieceId whose bars are meant; 0 otherwise
   */
  record ItemBody(
      @NotBlank(message = "say what kind of thing is asked") String kind,
      @NotBlank(message = "say what is asked")
          @Size(max = 200, message = "what is asked is too long")
          String what,
      long pieceId) {}

  record CheckBody(
      @NotEmpty(message = "choose what is asked")
          @Size(max = MOST_ITEMS, message = "ask at most 12 things in one check")
          List<@Valid ItemBody> items) {}

  /**
   * One grade.
   *
   * @param mark names this press of the key; the same one sent again is not written down again
   */
  record GradeBody(
      long studentId,
      int item,
      @NotNull(message = "grade it secure, shaky or not yet") Grade grade,
      @Size(max = 300, message = "keep the remark under 300 letters") String remark,
      @NotBlank(message = "name the press")
          @Size(max = 40, message = "the press's name is too long")
          String mark,
      Set<String> notes) {
    /** Whether the grade is for this note; the others of the item were secure then. */
    private boolean isFor(Pitch written) {
      return notes == null || notes.isEmpty() || notes.contains(written.toString());
    }
  }

  record CellBody(long studentId, int item) {}

  record AbsentBody(long studentId, boolean absent) {}

  @GetMapping("/groups/{groupId}/checks")
  List<Views.ClassCheckRef> of(@PathVariable long groupId) {
    return db.inTransaction(
        tx -> {
          LocalDate today = LocalDate.now(clock);
          List<Views.ClassCheckRef> refs = new ArrayList<>();
          for (ClassChecks.ClassCheck c : classes.of(tx, groupId)) {
            List<String> words = new ArrayList<>();
            for (ClassChecks.Item i : classes.items(tx, c.id())) {
              words.add(words(tx, i));
            }
            refs.add(
                new Views.ClassCheckRef(
                    c.id(),
                    Names.ago(c.made().atZone(clock.getZone()).toLocalDate(), today),
                    c.finished(),
                    words));
          }
          return refs;
        });
  }

  /** Sounds that the group's next pieces need and that most players lack or have shakily. */
  @GetMapping("/groups/{groupId}/checks/suggested")
  List<Views.SuggestedView> suggested(@PathVariable long groupId) {
    return db.inTransaction(
        tx -> {
          People.Group group = group(tx, groupId);
          Map<Integer, Integer> needing = new TreeMap<>();
          for (People.Student s : people.students(tx, group.id())) {
            Standing standing = players.standing(tx, s.id());
            Set<Integer> mine = new TreeSet<>();
            List<Shelf.Assignment> next = given.of(tx, s);
            for (Shelf.Assignment a : next.subList(0, Math.min(NEXT, next.size()))) {
              Shelf.Piece piece = players.piece(tx, a.pieceId());
              Optional<Players.Page> page = players.page(tx, s, piece);
              if (page.isPresent()) {
                Setup setup = players.setup(tx, s);
                Readiness r = Readiness.of(Given.line(a, page.get()), setup, standing);
                for (List<Pitch> notes : List.of(r.lacking(), r.shaky(), r.faded())) {
                  notes.forEach(
                      p ->
                          mine.add(setup.instrument().transposition().sounding(p).midi() % OCTAVE));
                }
              }
            }
            mine.forEach(pitch -> needing.merge(pitch, 1, Integer::sum));
          }
          return needing.entrySet().stream()
              .sorted(Map.Entry.<Integer, Integer>comparingByValue().reversed())
              .limit(SUGGESTED)
              .map(
                  e -> {
                    Pitch p = Pitch.usual(MIDDLE_C + e.getKey());
                    ClassItem item = new ClassItem.Sound(p);
                    int n = e.getValue();
                    return new Views.SuggestedView(
                        "SOUND",
                        item.text(),
                        item.words(),
                        n + (n == 1 ? " needs it next" : " need it next"));
                  })
              .toList();
        });
  }

  @PostMapping("/groups/{groupId}/checks")
  Views.Id begin(@PathVariable long groupId, @Valid @RequestBody CheckBody body) {
    return db.inTransaction(
        tx -> {
          group(tx, groupId);
          Set<ClassChecks.Item> items = new LinkedHashSet<>();
          for (ItemBody i : body.items()) {
            items.add(item(tx, i));
          }
          return new Views.Id(classes.add(tx, groupId, clock.instant(), List.copyOf(items)));
        });
  }

  private ClassChecks.Item item(Db.Tx tx, ItemBody b) throws SQLException {
    if (b.kind().equals("BARS")) {
      Shelf.Piece piece = players.piece(tx, b.pieceId());
      bars(b.what());
      return new ClassChecks.Item("BARS", b.what().strip(), OptionalLong.of(piece.id()));
    }
    return new ClassChecks.Item(
        b.kind(), ClassItem.read(b.kind(), b.what()).text(), OptionalLong.empty());
  }

  /** First and last bar of {@code 3-6} or {@code 3}. */
  private static int[] bars(String text) {
    if (!text.strip().matches("\\d{1,4}(\\s*-\\s*\\d{1,4})?")) {
      throw new IllegalArgumentException(
          "'" + text + "' are no bars; write a number, or two such as 3-6");
    }
    String[] ends = text.strip().split("\\s*-\\s*");
    int first = Integer.parseInt(ends[0]);
    int last = ends.length > 1 ? Integer.parseInt(ends[1]) : first;
    if (last < first) {
      throw new IllegalArgumentException("the last bar lies before the first; swap them");
    }
    return new int[] {first, last};
  }

  @GetMapping("/checks/{id}")
  Views.ClassCheckView check(@PathVariable long id) {
    return db.inTransaction(tx -> view(tx, id));
  }

  /**
   * Writes a grade down for every note that the item has for this student, or for those that are
   * named: the others are secure then.
   */
  @PostMapping("/checks/{id}/grades")
  Views.ClassCell grade(@PathVariable long id, @Valid @RequestBody GradeBody b) {
    return db.inTransaction(
        tx -> {
          ClassChecks.ClassCheck check = check(tx, id);
          People.Student s = players.student(tx, b.studentId());
          ClassChecks.Item item = item(tx, id, b.item());
          List<ClassItem.Target> targets = targets(tx, item, s, stage(tx, check));
          if (targets.isEmpty()) {
            throw new IllegalArgumentException(
                words(tx, item) + " is not for " + s.name() + "; nothing is written down");
          }
          if (!classes.has(tx, id, b.mark())) {
            String bars = item.kind().equals("BARS") ? item.what() : "";
            // those that it is for come last, so that the grade of the whole is theirs
            List<ClassItem.Target> all = new ArrayList<>(targets);
            all.sort(Comparator.comparing(t -> b.isFor(t.written())));
            if (!b.isFor(all.get(all.size() - 1).written())) {
              throw new IllegalArgumentException(
                  "none of these notes is asked here; choose among " + shown(targets));
            }
            for (ClassItem.Target t : all) {
              checks.add(
                  tx,
                  s.id(),
                  new Check(
                      0,
                      clock.instant(),
                      Marked.by(),
                      t.written(),
                      t.entry().fingering(),
                      b.isFor(t.written()) ? b.grade() : Grade.SECURE,
                      item.piece(),
                      bars,
                      b.remark() == null ? "" : b.remark().strip(),
                      OptionalLong.empty()),
                  id,
                  b.item(),
                  b.mark());
            }
            classes.setAbsent(tx, id, s.id(), false);
          }
          return cell(targets, last(tx, id, s.id(), b.item()));
        });
  }

  /** Takes the last grade of a cell back, by further entries; an earlier one stands again. */
  @PostMapping("/checks/{id}/undo")
  Views.ClassCell undo(@PathVariable long id, @Valid @RequestBody CellBody b) {
    return db.inTransaction(
        tx -> {
          ClassChecks.ClassCheck check = check(tx, id);
          People.Student s = players.student(tx, b.studentId());
          ClassChecks.Item item = item(tx, id, b.item());
          Optional<ClassChecks.Entry> last = last(tx, id, s.id(), b.item());
          if (last.isPresent()) {
            for (ClassChecks.Entry e : classes.entries(tx, id)) {
              if (e.mark().equals(last.get().mark()) && e.studentId() == s.id()) {
                takeBack(tx, s.id(), e.id());
              }
            }
          }
          return cell(targets(tx, item, s, stage(tx, check)), last(tx, id, s.id(), b.item()));
        });
  }

  private void takeBack(Db.Tx tx, long studentId, long heardId) throws SQLException {
    Check c = checks.one(tx, studentId, heardId).orElseThrow();
    checks.add(
        tx,
        studentId,
        new Check(
            0,
            clock.instant(),
            Marked.by(),
            c.written(),
            c.fingering(),
            c.grade(),
            c.piece(),
            c.bars(),
            "taken back",
            OptionalLong.of(heardId)));
  }

  @PostMapping("/checks/{id}/absent")
  void absent(@PathVariable long id, @Valid @RequestBody AbsentBody b) {
    db.inTransaction(
        tx -> {
          check(tx, id);
          classes.setAbsent(tx, id, players.student(tx, b.studentId()).id(), b.absent());
          return id;
        });
  }

  /** Finishes a check, or goes on with it. */
  @PostMapping("/checks/{id}/finish")
  void finish(@PathVariable long id, @RequestBody boolean finished) {
    db.inTransaction(
        tx -> {
          check(tx, id);
          return classes.setFinished(tx, id, finished);
        });
  }

  private ClassChecks.ClassCheck check(Db.Tx tx, long id) throws SQLException {
    return classes
        .one(tx, id)
        .orElseThrow(() -> new Errors.NotThere("This check is not here any more."));
  }

  private People.Group group(Db.Tx tx, long id) throws SQLException {
    return people
        .group(tx, id)
        .orElseThrow(() -> new Errors.NotThere("This group is not here any more."));
  }

  private Stage stage(Db.Tx tx, ClassChecks.ClassCheck check) throws SQLException {
    return Stage.of(group(tx, check.groupId()).stage());
  }

  private ClassChecks.Item item(Db.Tx tx, long checkId, int place) throws SQLException {
    List<ClassChecks.Item> items = classes.items(tx, checkId);
    if (place < 0 || place >= items.size()) {
      throw new Errors.NotThere("This is not asked in the check.");
    }
    return items.get(place);
  }

  private String words(Db.Tx tx, ClassChecks.Item i) throws SQLException {
    if (i.kind().equals("BARS")) {
      String piece = shelf.title(tx, i.piece().orElse(0)).orElse("a piece that is gone");
      return piece + (i.what().contains("-") ? ", bars " : ", bar ") + i.what();
    }
    return ClassItem.read(i.kind(), i.what()).words();
  }

  private List<ClassItem.Target> targets(
      Db.Tx tx, ClassChecks.Item item, People.Student s, Stage stage) throws SQLException {
    if (item.kind().equals("BARS")) {
      return inBars(tx, item, s);
    }
    Player player = players.player(tx, s, players.standing(tx, s, List.of()));
    return ClassItem.read(item.kind(), item.what()).targets(player, stage);
  }

  /** Every note of the student's part in these bars, with the fingering planned for it. */
  private List<ClassItem.Target> inBars(Db.Tx tx, ClassChecks.Item item, People.Student s)
      throws SQLException {
    Optional<Shelf.Piece> piece = shelf.piece(tx, item.piece().orElse(0));
    if (piece.isEmpty()) {
      return List.of();
    }
    Stands.Loaded l;
    try {
      l = stands.load(tx, s.id(), piece.get().id());
    } catch (Errors.NotThere e) {
      return List.of();
    }
    int[] bars = bars(item.what());
    Map<String, ClassItem.Target> found = new LinkedHashMap<>();
    for (Plan.PlannedNote n : l.plan().notes()) {
      String number = l.page().reading().part().bars().get(n.note().bar()).number();
      if (number.matches("\\d{1,9}")
          && Integer.parseInt(number) >= bars[0]
          && Integer.parseInt(number) <= bars[1]) {
        found.putIfAbsent(
            n.note().pitch() + " " + n.way().entry().fingering(),
            new ClassItem.Target(n.note().pitch(), n.way().entry()));
      }
    }
    return List.copyOf(found.values());
  }

  private Optional<ClassChecks.Entry> last(Db.Tx tx, long id, long studentId, int place)
      throws SQLException {
    return classes.entries(tx, id).stream()
        .filter(e -> e.studentId() == studentId && e.place() == place)
        .reduce((a, b) -> b);
  }

  private static String shown(List<ClassItem.Target> targets) {
    return shown(targets, targets.stream().map(t -> t.written().displayName()).distinct().toList());
  }

  /** A few notes by name, a scale by its ends, anything else by how many notes it has. */
  private static String shown(List<ClassItem.Target> targets, List<String> notes) {
    if (notes.size() <= 4) {
      return String.join(" ", notes);
    }
    boolean rising = true;
    for (int i = 1; i < targets.size(); i++) {
      rising &= targets.get(i).written().midi() > targets.get(i - 1).written().midi();
    }
    return rising ? notes.get(0) + " to " + notes.get(notes.size() - 1) : notes.size() + " notes";
  }

  private static Views.ClassCell cell(
      List<ClassItem.Target> targets, Optional<ClassChecks.Entry> entry) {
    return new Views.ClassCell(
        !targets.isEmpty(),
        shown(targets),
        Names.notes(targets.stream().map(ClassItem.Target::written).distinct().toList()),
        targets.size() == 1 ? targets.get(0).entry().fingering() : "",
        targets.size() == 1 ? targets.get(0).entry().label() : "",
        entry.map(e -> e.grade().name()).orElse(""),
        entry.map(ClassChecks.Entry::by).orElse(""),
        entry.map(ClassChecks.Entry::remark).orElse(""));
  }

  private Views.ClassCheckView view(Db.Tx tx, long id) throws SQLException {
    ClassChecks.ClassCheck check = check(tx, id);
    People.Group group = group(tx, check.groupId());
    List<ClassChecks.Item> items = classes.items(tx, id);
    Set<Long> absent = classes.absent(tx, id);
    Map<String, ClassChecks.Entry> last = new HashMap<>();
    classes.entries(tx, id).forEach(e -> last.put(e.studentId() + "/" + e.place(), e));
    List<String> words = new ArrayList<>();
    for (ClassChecks.Item i : items) {
      words.add(words(tx, i));
    }
    List<Views.ClassRow> rows = new ArrayList<>();
    for (People.Student s : people.students(tx, group.id())) {
      List<Views.ClassCell> cells = new ArrayList<>();
      for (int i = 0; i < items.size(); i++) {
        cells.add(
            cell(
                targets(tx, items.get(i), s, Stage.of(group.stage())),
                Optional.ofNullable(last.get(s.id() + "/" + i))));
      }
      rows.add(new Views.ClassRow(Names.student(s), absent.contains(s.id()), cells));
    }
    return new Views.ClassCheckView(
        id,
        group.id(),
        group.name(),
        Names.ago(check.made().atZone(clock.getZone()).toLocalDate(), LocalDate.now(clock)),
        words,
        rows,
        check.finished());
  }
}
