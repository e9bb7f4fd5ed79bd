package sempre.server.api.check;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.Refusal;
import sempre.core.instrument.Stage;
import sempre.core.learning.Check;
import sempre.core.learning.ClassItem;
import sempre.core.learning.Grade;
import sempre.core.learning.GroupSounds;
import sempre.core.learning.Learner;
import sempre.core.learning.Placing;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.WhoMarks;
import sempre.server.app.Learners;
import sempre.server.app.NotThere;
import sempre.server.app.OddPiece;
import sempre.server.app.Players;
import sempre.server.app.Stands;
import sempre.server.store.Checks;
import sempre.server.store.ClassChecks;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** A playing check of a whole group, student by student or note by note. */
@RestController
@RequestMapping("/api")
public class ClassChecksController {
  /** More columns than this do not fit a lesson. */
  private static final int MOST_ITEMS = 12;

  private static final int SUGGESTED = 8;

  private static final String BARS = "BARS";

  /** What is asked in an octave of each student. */
  private static final Set<String> PLACED = Set.of("SOUND", "SCALE");

  private final Db db;
  private final People people;
  private final Shelf shelf;
  private final Checks checks;
  private final ClassChecks classes;
  private final Players players;
  private final Stands stands;
  private final Learners learners;
  private final CheckLists lists;
  private final Clock clock;

  public ClassChecksController(
      Db db,
      People people,
      Shelf shelf,
      Checks checks,
      ClassChecks classes,
      Players players,
      Stands stands,
      Learners learners,
      CheckLists lists,
      Clock clock) {
    this.learners = learners;
    this.lists = lists;
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
   * @param what {@code Bb}, {@code Bb3} or {@code Bb next}; {@code Bb major}; {@code flute Bb4 T 1
   *     | 1 Eb}; {@code 3-6}
   * @param pieceId whose bars are meant; 0 otherwise
   * @param row sounds with the same number keep their direction; 0 for one by itself
   */
  public record ItemBody(
      @NotNull(message = "ask.kind") CheckViews.Asks kind,
      @NotBlank(message = "ask.what") @Size(max = 200, message = "ask.what-long") String what,
      long pieceId,
      Integer row) {}

  /** The note that a student shall be asked; of a scale the first one. */
  public record AskedBody(
      long studentId, int item, @NotBlank(message = "ask.note-asked") String written) {}

  /**
   * A check.
   *
   * @param asked notes in their octaves as they were shown; who is not named is asked by the rule
   */
  public record CheckBody(
      @NotEmpty(message = "ask.items") @Size(max = MOST_ITEMS, message = "ask.items-many")
          List<@Valid ItemBody> items,
      List<@Valid AskedBody> asked) {}

  /**
   * One grade.
   *
   * @param mark names this press of the key; the same one sent again is not written down again
   */
  public record GradeBody(
      long studentId,
      int item,
      @NotNull(message = "ask.grade") Grade grade,
      @Size(max = 300, message = "ask.remark-long") String remark,
      @NotBlank(message = "ask.press") @Size(max = 40, message = "ask.press-long") String mark,
      Set<String> notes) {
    /** Whether the grade is for this note; the others of the item were secure then. */
    private boolean isFor(Pitch written) {
      return notes == null || notes.isEmpty() || notes.contains(written.toString());
    }
  }

  /**
   * What is taken back.
   *
   * @param mark the press that is meant; empty for the last of the cell
   */
  public record CellBody(
      long studentId, int item, @Size(max = 40, message = "ask.press-long") String mark) {}

  public record AbsentBody(long studentId, boolean absent) {}

  @GetMapping("/groups/{groupId}/checks")
  public List<CheckViews.ClassCheckRef> of(@PathVariable long groupId) {
    return db.inTransaction(tx -> lists.of(tx, groupId));
  }

  /** The checks of all groups that were begun and not finished. */
  @GetMapping("/checks/open")
  public List<CheckViews.ClassCheckRef> open() {
    return db.inTransaction(lists::open);
  }

  /** Sounds that the group's next parts need and that most players lack or have shakily. */
  @GetMapping("/groups/{groupId}/checks/suggested")
  public List<CheckViews.SuggestedView> suggested(@PathVariable long groupId) {
    return db.inTransaction(
        tx -> {
          List<Learner> group =
              learners.ofGroup(tx, group(tx, groupId).id()).stream()
                  .map(Learners.Known::learner)
                  .toList();
          return GroupSounds.of(group).sounds().stream()
              .filter(s -> s.needing() + s.again().size() > 0)
              .sorted(
                  Comparator.comparingInt(GroupSounds.Sound::needing)
                      .thenComparingInt(s -> s.again().size())
                      .reversed())
              .limit(SUGGESTED)
              .map(
                  s -> {
                    NoteName name = NoteName.of(Pitch.usual(s.pitchClass()));
                    return new CheckViews.SuggestedView(
                        CheckViews.Asks.SOUND,
                        new ClassItem.Sound(name, true).text(),
                        Speech.words().note(name),
                        Sounds.why(s));
                  })
              .toList();
        });
  }

  /** What each student would be asked, on the own page; nothing is kept. */
  @PostMapping("/groups/{groupId}/checks/look")
  public List<CheckViews.AskedRow> look(
      @PathVariable long groupId, @Valid @RequestBody CheckBody body) {
    return db.inTransaction(
        tx -> {
          People.Group group = group(tx, groupId);
          List<ClassChecks.Item> items = items(tx, body);
          List<CheckViews.AskedRow> rows = new ArrayList<>();
          for (People.Student s : people.students(tx, groupId)) {
            Placing placing = placing(learners.of(tx, s).learner(), group);
            List<Optional<Placing.Placed>> placed = place(items, placing);
            List<CheckViews.AskedCell> cells = new ArrayList<>();
            for (int i = 0; i < items.size(); i++) {
              cells.add(
                  asked(
                      placed.get(i),
                      targets(tx, items.get(i), s, placed.get(i).map(Placing.Placed::written)),
                      placing));
            }
            rows.add(
                new CheckViews.AskedRow(
                    Refs.StudentRef.of(s), placing.player().setup().instrument().clef(), cells));
          }
          return rows;
        });
  }

  private static CheckViews.AskedCell asked(
      Optional<Placing.Placed> placed, List<ClassItem.Target> targets, Placing placing) {
    return new CheckViews.AskedCell(
        !targets.isEmpty(),
        placed.map(p -> p.written().toString()).orElse(""),
        placed.map(Placing.Placed::why).orElse(Placing.Why.SAID),
        placed.map(Placing.Placed::beyond).orElse(false),
        Refs.NoteName.of(targets.stream().map(ClassItem.Target::written).distinct().toList()),
        placed
            .map(
                p ->
                    placing.octavesOf(p.written()).stream()
                        .sorted()
                        .map(Refs.NoteName::of)
                        .toList())
            .orElse(List.of()));
  }

  @PostMapping("/groups/{groupId}/checks")
  public Refs.Id begin(@PathVariable long groupId, @Valid @RequestBody CheckBody body) {
    return db.inTransaction(
        tx -> {
          People.Group group = group(tx, groupId);
          List<ClassChecks.Item> items = items(tx, body);
          long id = classes.add(tx, groupId, clock.instant(), items);
          Map<ClassChecks.Cell, Pitch> shown = new HashMap<>();
          for (AskedBody a : body.asked() == null ? List.<AskedBody>of() : body.asked()) {
            shown.put(new ClassChecks.Cell(a.studentId(), a.item()), Pitch.parse(a.written()));
          }
          for (People.Student s : people.students(tx, groupId)) {
            Placing placing = placing(learners.of(tx, s).learner(), group);
            List<Optional<Placing.Placed>> placed = place(items, placing);
            for (int i = 0; i < items.size(); i++) {
              if (placed.get(i).isPresent()) {
                ClassChecks.Cell cell = new ClassChecks.Cell(s.id(), i);
                Pitch written = placed.get(i).get().written();
                classes.settle(
                    tx, id, cell, chosen(s, written, shown.getOrDefault(cell, written), placing));
              }
            }
          }
          return new Refs.Id(id);
        });
  }

  /** The note as it was chosen, if it is the one that is asked, in an octave that there is. */
  private static Pitch chosen(People.Student s, Pitch asked, Pitch chosen, Placing placing) {
    if (chosen.equals(asked) || placing.octavesOf(asked).contains(chosen)) {
      return chosen;
    }
    throw new Refusal(
        "check.octave", "student", s.name(), "note", chosen, "there", placing.octavesOf(asked));
  }

  private List<ClassChecks.Item> items(Db.Tx tx, CheckBody body) {
    List<ClassChecks.Item> items = new ArrayList<>();
    for (ItemBody b : body.items()) {
      ClassChecks.Item i = item(tx, b);
      // a row may come back to a note, an octave higher
      if (i.row() == 0 && items.contains(i)) {
        throw new Refusal("check.twice");
      }
      items.add(i);
    }
    return items;
  }

  private static Placing placing(Learner learner, People.Group group) {
    return new Placing(learner.player(), Stage.of(group.stage()), learner.needs());
  }

  /** Where each item begins on a player's page; empty for bars and fingerings. */
  private static List<Optional<Placing.Placed>> place(
      List<ClassChecks.Item> items, Placing placing) {
    List<ClassItem.InRow> sounds =
        items.stream()
            .filter(i -> !i.kind().equals(BARS))
            .map(i -> new ClassItem.InRow(ClassItem.read(i.kind(), i.what()), i.row()))
            .toList();
    Iterator<Optional<Placing.Placed>> placed = ClassItem.place(sounds, placing).iterator();
    return items.stream()
        .map(i -> i.kind().equals(BARS) ? Optional.<Placing.Placed>empty() : placed.next())
        .toList();
  }

  private ClassChecks.Item item(Db.Tx tx, ItemBody b) {
    if (b.kind() == CheckViews.Asks.BARS) {
      Shelf.Piece piece = players.piece(tx, b.pieceId());
      bars(b.what());
      return new ClassChecks.Item(BARS, b.what().strip(), OptionalLong.of(piece.id()), 0);
    }
    return new ClassChecks.Item(
        b.kind().name(),
        ClassItem.read(b.kind().name(), b.what()).text(),
        OptionalLong.empty(),
        b.row() == null ? 0 : b.row());
  }

  /** First and last bar of {@code 3-6} or {@code 3}. */
  private static int[] bars(String text) {
    if (!text.strip().matches("\\d{1,4}(\\s*-\\s*\\d{1,4})?")) {
      throw new Refusal("check.bars", "typed", text);
    }
    String[] ends = text.strip().split("\\s*-\\s*");
    int first = Integer.parseInt(ends[0]);
    int last = ends.length > 1 ? Integer.parseInt(ends[1]) : first;
    if (last < first) {
      throw new Refusal("check.bars-backwards");
    }
    return new int[] {first, last};
  }

  @GetMapping("/checks/{id}")
  public CheckViews.ClassCheckView check(@PathVariable long id) {
    return db.inTransaction(tx -> view(tx, id));
  }

  /**
   * Writes a grade down for every note that the item has for this student, or for those that are
   * named: the others are secure then.
   */
  @PostMapping("/checks/{id}/grades")
  public CheckViews.ClassCell grade(@PathVariable long id, @Valid @RequestBody GradeBody b) {
    return db.inTransaction(
        tx -> {
          ClassChecks.ClassCheck check = check(tx, id);
          People.Student s = players.student(tx, b.studentId());
          ClassChecks.Item item = item(tx, id, b.item());
          Asked asked = asked(tx, check);
          Optional<Pitch> from = asked.from(tx, s, b.item());
          List<ClassItem.Target> targets = targets(tx, item, s, from);
          if (targets.isEmpty()) {
            throw new Refusal("check.not-for", "student", s.name());
          }
          if (checks.press(tx, s.id(), b.mark())) {
            String bars = item.kind().equals(BARS) ? item.what() : "";
            // those that it is for come last, so that the grade of the whole is theirs
            List<ClassItem.Target> all = new ArrayList<>(targets);
            all.sort(Comparator.comparing(t -> b.isFor(t.written())));
            if (!b.isFor(all.get(all.size() - 1).written())) {
              throw new Refusal("check.none-of", "there", shown(targets));
            }
            for (ClassItem.Target t : all) {
              checks.add(
                  tx,
                  s.id(),
                  new Check(
                      0,
                      clock.instant(),
                      WhoMarks.by(),
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
            asked.settle(tx, s, b.item(), from);
            classes.setAbsent(tx, id, s.id(), false);
          }
          return cell(targets, last(tx, id, s.id(), b.item()));
        });
  }

  /** Takes the last grade of a cell back, by further entries; an earlier one stands again. */
  @PostMapping("/checks/{id}/undo")
  public CheckViews.ClassCell undo(@PathVariable long id, @Valid @RequestBody CellBody b) {
    return db.inTransaction(
        tx -> {
          ClassChecks.ClassCheck check = check(tx, id);
          People.Student s = players.student(tx, b.studentId());
          ClassChecks.Item item = item(tx, id, b.item());
          Optional<ClassChecks.Entry> last = last(tx, id, s.id(), b.item());
          if (last.isPresent()
              && (named(b.mark()).isEmpty() || named(b.mark()).equals(last.get().mark()))) {
            for (ClassChecks.Entry e : classes.entries(tx, id)) {
              if (e.mark().equals(last.get().mark()) && e.studentId() == s.id()) {
                takeBack(tx, s.id(), e.id());
              }
            }
          }
          Optional<Pitch> from = asked(tx, check).from(tx, s, b.item());
          return cell(targets(tx, item, s, from), last(tx, id, s.id(), b.item()));
        });
  }

  private static String named(String mark) {
    return mark == null ? "" : mark;
  }

  private void takeBack(Db.Tx tx, long studentId, long heardId) {
    Check c = checks.one(tx, studentId, heardId).orElseThrow();
    checks.add(
        tx,
        studentId,
        new Check(
            0,
            clock.instant(),
            WhoMarks.by(),
            c.written(),
            c.fingering(),
            c.grade(),
            c.piece(),
            c.bars(),
            "",
            OptionalLong.of(heardId)));
  }

  @PostMapping("/checks/{id}/absent")
  public Refs.Id absent(@PathVariable long id, @Valid @RequestBody AbsentBody b) {
    return db.inTransaction(
        tx -> {
          check(tx, id);
          classes.setAbsent(tx, id, players.student(tx, b.studentId()).id(), b.absent());
          return new Refs.Id(id);
        });
  }

  /** Finishes a check, or goes on with it. */
  @PostMapping("/checks/{id}/finish")
  public Refs.Id finish(@PathVariable long id, @RequestBody boolean finished) {
    return db.inTransaction(
        tx -> {
          check(tx, id);
          classes.setFinished(tx, id, finished);
          return new Refs.Id(id);
        });
  }

  private ClassChecks.ClassCheck check(Db.Tx tx, long id) {
    return classes.one(tx, id).orElseThrow(() -> new NotThere("gone.check"));
  }

  private People.Group group(Db.Tx tx, long id) {
    return people.group(tx, id).orElseThrow(() -> new NotThere("gone.group"));
  }

  /** What each student of a check is asked. */
  private final class Asked {
    private final ClassChecks.ClassCheck check;
    private final People.Group group;
    private final List<ClassChecks.Item> items;
    private final Map<ClassChecks.Cell, Pitch> settled;
    private final Map<ClassChecks.Cell, Pitch> marked = new HashMap<>();
    private final Map<Long, List<Optional<Placing.Placed>>> placed = new HashMap<>();

    private Asked(Db.Tx tx, ClassChecks.ClassCheck check) {
      this.check = check;
      group = group(tx, check.groupId());
      items = classes.items(tx, check.id());
      settled = classes.settled(tx, check.id());
      for (ClassChecks.Entry e : classes.entries(tx, check.id())) {
        marked.merge(
            new ClassChecks.Cell(e.studentId(), e.place()),
            e.written(),
            (a, b) -> a.midi() <= b.midi() ? a : b);
      }
    }

    /**
     * Where an item begins on a student's page: as it was settled; in a check older than that as it
     * was marked; for who came later by the rule.
     */
    Optional<Pitch> from(Db.Tx tx, People.Student s, int place) {
      ClassChecks.Cell cell = new ClassChecks.Cell(s.id(), place);
      Pitch known = settled.getOrDefault(cell, marked.get(cell));
      if (known != null) {
        return Optional.of(known);
      }
      List<Optional<Placing.Placed>> rule = placed.get(s.id());
      if (rule == null) {
        rule = place(items, placing(learners.of(tx, s).learner(), group));
        placed.put(s.id(), rule);
      }
      return rule.get(place).map(Placing.Placed::written);
    }

    /** Settles what was not settled, once it is marked. */
    void settle(Db.Tx tx, People.Student s, int place, Optional<Pitch> from) {
      ClassChecks.Cell cell = new ClassChecks.Cell(s.id(), place);
      if (!settled.containsKey(cell)
          && from.isPresent()
          && PLACED.contains(items.get(place).kind())) {
        classes.settle(tx, check.id(), cell, from.get());
      }
    }
  }

  private Asked asked(Db.Tx tx, ClassChecks.ClassCheck check) {
    return new Asked(tx, check);
  }

  private ClassChecks.Item item(Db.Tx tx, long checkId, int place) {
    List<ClassChecks.Item> items = classes.items(tx, checkId);
    if (place < 0 || place >= items.size()) {
      throw new NotThere("gone.asked");
    }
    return items.get(place);
  }

  private List<ClassItem.Target> targets(
      Db.Tx tx, ClassChecks.Item item, People.Student s, Optional<Pitch> from) {
    if (item.kind().equals(BARS)) {
      return inBars(tx, item, s);
    }
    Player player = players.player(tx, s, players.standing(tx, s, List.of()));
    return ClassItem.read(item.kind(), item.what()).targets(player, from);
  }

  /** Every note of the student's part in these bars, with the fingering planned for it. */
  private List<ClassItem.Target> inBars(Db.Tx tx, ClassChecks.Item item, People.Student s) {
    Optional<Shelf.Piece> piece = shelf.piece(tx, item.piece().orElse(0));
    if (piece.isEmpty()) {
      return List.of();
    }
    Stands.Loaded l;
    Plan plan;
    try {
      l = stands.load(tx, s.id(), piece.get().id());
      plan = l.plan();
    } catch (NotThere | OddPiece e) {
      return List.of();
    }
    int[] bars = bars(item.what());
    Map<String, ClassItem.Target> found = new LinkedHashMap<>();
    for (Plan.PlannedNote n : plan.notes()) {
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

  private Optional<ClassChecks.Entry> last(Db.Tx tx, long id, long studentId, int place) {
    return classes.entries(tx, id).stream()
        .filter(e -> e.studentId() == studentId && e.place() == place)
        .reduce((a, b) -> b);
  }

  private static String shown(List<ClassItem.Target> targets) {
    return shown(
        targets, targets.stream().map(t -> Speech.words().note(t.written())).distinct().toList());
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
    return rising
        ? Speech.say("range", "from", notes.get(0), "to", notes.get(notes.size() - 1))
        : Speech.say("notes.count", "n", notes.size());
  }

  private static CheckViews.ClassCell cell(
      List<ClassItem.Target> targets, Optional<ClassChecks.Entry> entry) {
    return new CheckViews.ClassCell(
        !targets.isEmpty(),
        shown(targets),
        Refs.NoteName.of(targets.stream().map(ClassItem.Target::written).distinct().toList()),
        targets.size() == 1 ? targets.get(0).entry().fingering() : "",
        targets.size() == 1 ? Speech.words().label(targets.get(0).entry()) : "",
        entry.map(e -> Refs.Heard.of(e.grade())).orElse(Refs.Heard.OPEN),
        entry.map(ClassChecks.Entry::by).orElse(""),
        entry.map(ClassChecks.Entry::remark).orElse(""),
        entry.map(ClassChecks.Entry::mark).orElse(""));
  }

  private CheckViews.ClassCheckView view(Db.Tx tx, long id) {
    ClassChecks.ClassCheck check = check(tx, id);
    People.Group group = group(tx, check.groupId());
    List<ClassChecks.Item> items = classes.items(tx, id);
    Set<Long> absent = classes.absent(tx, id);
    Asked asked = asked(tx, check);
    Map<String, ClassChecks.Entry> last = new HashMap<>();
    classes.entries(tx, id).forEach(e -> last.put(e.studentId() + "/" + e.place(), e));
    List<CheckViews.ClassRow> rows = new ArrayList<>();
    for (People.Student s : people.students(tx, group.id())) {
      List<CheckViews.ClassCell> cells = new ArrayList<>();
      for (int i = 0; i < items.size(); i++) {
        cells.add(
            cell(
                targets(tx, items.get(i), s, asked.from(tx, s, i)),
                Optional.ofNullable(last.get(s.id() + "/" + i))));
      }
      rows.add(
          new CheckViews.ClassRow(
              Refs.StudentRef.of(s),
              players.setup(tx, s).instrument().clef(),
              absent.contains(s.id()),
              cells));
    }
    return new CheckViews.ClassCheckView(
        id,
        group.id(),
        group.name(),
        Speech.words()
            .ago(check.made().atZone(clock.getZone()).toLocalDate(), LocalDate.now(clock)),
        lists.asked(tx, items),
        rows,
        check.finished());
  }
}
