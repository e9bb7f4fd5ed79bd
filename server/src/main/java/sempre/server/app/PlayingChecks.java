package sempre.server.app;

import java.time.Clock;
import java.time.Instant;
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
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.learning.Check;
import sempre.core.learning.ClassItem;
import sempre.core.learning.Grade;
import sempre.core.learning.GroupSounds;
import sempre.core.learning.Learner;
import sempre.core.learning.Placing;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.core.score.BarNumbers;
import sempre.server.store.Checks;
import sempre.server.store.ClassChecks;
import sempre.server.store.ClassChecks.Cell;
import sempre.server.store.ClassChecks.Kind;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** A playing check of a whole group, student by student or note by note. */
@Component
public class PlayingChecks {
  private static final int SUGGESTED = 8;

  private final Db db;
  private final People people;
  private final Shelf shelf;
  private final Checks checks;
  private final ClassChecks classes;
  private final Players players;
  private final Stands stands;
  private final Learners learners;
  private final Clock clock;

  PlayingChecks(
      Db db,
      People people,
      Shelf shelf,
      Checks checks,
      ClassChecks classes,
      Players players,
      Stands stands,
      Learners learners,
      Clock clock) {
    this.db = db;
    this.people = people;
    this.shelf = shelf;
    this.checks = checks;
    this.classes = classes;
    this.players = players;
    this.stands = stands;
    this.learners = learners;
    this.clock = clock;
  }

  /** What is worth hearing of a group: sounds that most need next and lack, or have shakily. */
  public List<GroupSounds.Sound> suggested(long groupId) {
    List<Learners.Known> known =
        db.inTransaction(tx -> learners.ofGroup(tx, group(tx, groupId).id()));
    return GroupSounds.of(known.stream().map(Learners.Known::learner).toList()).toHear(SUGGESTED);
  }

  /**
   * One thing to be asked, as a teacher writes it.
   *
   * @param text {@code Bb}, {@code Bb3} or {@code Bb next}; {@code Bb major}; {@code flute Bb4 T 1
   *     | 1 Eb}; {@code 3-6}
   * @param pieceId whose bars are meant
   * @param row sounds with the same number keep their direction; 0 for one by itself
   */
  public record Question(Kind kind, String text, long pieceId, int row) {}

  /**
   * Questions as they are kept.
   *
   * @throws Refusal where one can't be read, or is asked twice
   */
  private List<ClassChecks.Item> items(Db.Tx tx, List<Question> questions) {
    List<ClassChecks.Item> items = new ArrayList<>();
    for (Question q : questions) {
      ClassChecks.Item i = item(tx, q);
      // a row may come back to a note, an octave higher
      if (i.row() == 0 && items.contains(i)) {
        throw new Refusal("check.twice");
      }
      items.add(i);
    }
    return items;
  }

  private ClassChecks.Item item(Db.Tx tx, Question q) {
    if (q.kind() == Kind.BARS) {
      Shelf.Piece piece = players.piece(tx, q.pieceId());
      BarNumbers.parse(q.text());
      return new ClassChecks.Item(Kind.BARS, q.text().strip(), OptionalLong.of(piece.id()), 0);
    }
    return new ClassChecks.Item(
        q.kind(), ClassItem.read(q.kind().name(), q.text()).text(), OptionalLong.empty(), q.row());
  }

  /**
   * What one student is asked for one item.
   *
   * @param placed where it begins on the own page; empty for bars and fingerings, and where it is
   *     for no octave of this student's
   * @param octaves where it may be asked instead, rising
   */
  public record Asked(
      Optional<Placing.Placed> placed, List<ClassItem.Target> targets, List<Pitch> octaves) {}

  /** What one student is asked, item by item. */
  public record AskedOf(People.Student student, String clef, List<Asked> items) {}

  /** Whoever is asked for notes: all of a group but those who read none. */
  private List<People.Student> asked(Db.Tx tx, long groupId) {
    return people.students(tx, groupId).stream().filter(s -> !Players.drums(s)).toList();
  }

  /** What each student of a group would be asked; nothing is kept. */
  public List<AskedOf> look(long groupId, List<Question> questions) {
    return db.inTransaction(
        tx -> {
          List<ClassChecks.Item> items = items(tx, questions);
          People.Group group = group(tx, groupId);
          List<AskedOf> all = new ArrayList<>();
          for (People.Student s : asked(tx, groupId)) {
            Placing placing = placing(tx, s, group);
            List<Optional<Placing.Placed>> placed = place(items, placing);
            List<Asked> asked = new ArrayList<>();
            for (int i = 0; i < items.size(); i++) {
              Optional<Pitch> from = placed.get(i).map(Placing.Placed::written);
              asked.add(
                  new Asked(
                      placed.get(i),
                      targets(tx, items.get(i), s, from),
                      from.map(p -> placing.octavesOf(p).stream().sorted().toList())
                          .orElse(List.of())));
            }
            all.add(new AskedOf(s, placing.player().setup().instrument().clef(), asked));
          }
          return all;
        });
  }

  /**
   * Begins a check.
   *
   * @param shown notes in their octaves as they were shown; who is not in it is asked by the rule
   * @return its id
   */
  public long begin(long groupId, List<Question> questions, Map<Cell, Pitch> shown) {
    return db.inTransaction(
        tx -> {
          List<ClassChecks.Item> items = items(tx, questions);
          People.Group group = group(tx, groupId);
          long id = classes.add(tx, groupId, clock.instant(), items);
          for (People.Student s : asked(tx, groupId)) {
            Placing placing = placing(tx, s, group);
            List<Optional<Placing.Placed>> placed = place(items, placing);
            for (int i = 0; i < items.size(); i++) {
              if (placed.get(i).isPresent()) {
                Cell cell = new Cell(s.id(), i);
                Pitch written = placed.get(i).get().written();
                classes.settle(
                    tx, id, cell, chosen(s, written, shown.getOrDefault(cell, written), placing));
              }
            }
          }
          return id;
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

  private Placing placing(Db.Tx tx, People.Student s, People.Group group) {
    Learner l = learners.of(tx, s).learner();
    return new Placing(l.player(), group.stage(), l.needs());
  }

  /** Where each item begins on a player's page; empty for bars and fingerings. */
  private static List<Optional<Placing.Placed>> place(
      List<ClassChecks.Item> items, Placing placing) {
    List<ClassItem.InRow> sounds =
        items.stream()
            .filter(i -> i.kind() != Kind.BARS)
            .map(i -> new ClassItem.InRow(ClassItem.read(i.kind().name(), i.what()), i.row()))
            .toList();
    Iterator<Optional<Placing.Placed>> placed = ClassItem.place(sounds, placing).iterator();
    return items.stream()
        .map(i -> i.kind() == Kind.BARS ? Optional.<Placing.Placed>empty() : placed.next())
        .toList();
  }

  /** What one student is asked for an item, and how it was last. */
  public record Answer(List<ClassItem.Target> targets, Optional<ClassChecks.Entry> last) {}

  /** One student of a check. */
  public record Row(People.Student student, String clef, boolean absent, List<Answer> answers) {}

  /**
   * What is asked, for the head of a column: bars, or a note, a scale or a fingering.
   *
   * @param piece whose bars are meant; empty where it is gone
   */
  public record Head(Optional<String> bars, Optional<String> piece, Optional<ClassItem> item) {}

  /** A check with what is asked in it. */
  public record Listed(ClassChecks.ClassCheck check, People.Group group, List<Head> asked) {}

  /** A check as it stands. */
  public record Sheet(Listed check, List<Row> rows) {}

  /** The checks of a group, the newest first. */
  public List<Listed> of(long groupId) {
    return db.inTransaction(tx -> listed(tx, classes.of(tx, groupId)));
  }

  /** The checks of all groups that were begun and not finished, the newest first. */
  public List<Listed> open() {
    return db.inTransaction(tx -> listed(tx, classes.open(tx)));
  }

  private List<Listed> listed(Db.Tx tx, List<ClassChecks.ClassCheck> checks) {
    return checks.stream()
        .flatMap(
            c ->
                people.group(tx, c.groupId()).stream()
                    .map(g -> new Listed(c, g, heads(tx, classes.items(tx, c.id())))))
        .toList();
  }

  private List<Head> heads(Db.Tx tx, List<ClassChecks.Item> items) {
    return items.stream()
        .map(
            i ->
                i.kind() == Kind.BARS
                    ? new Head(
                        Optional.of(i.what()),
                        shelf.title(tx, i.piece().orElse(0)),
                        Optional.empty())
                    : new Head(
                        Optional.empty(),
                        Optional.empty(),
                        Optional.of(ClassItem.read(i.kind().name(), i.what()))))
        .toList();
  }

  /** A check with what each student was asked, and how it was. */
  public Sheet sheet(long id) {
    return db.inTransaction(
        tx -> {
          Placed asked = new Placed(tx, check(tx, id));
          Set<Long> absent = classes.absent(tx, id);
          Map<Cell, ClassChecks.Entry> last = new HashMap<>();
          classes.entries(tx, id).forEach(e -> last.put(new Cell(e.studentId(), e.place()), e));
          List<Row> rows = new ArrayList<>();
          for (People.Student s : asked(tx, asked.group.id())) {
            List<Answer> answers = new ArrayList<>();
            for (int i = 0; i < asked.items.size(); i++) {
              answers.add(
                  new Answer(
                      targets(tx, asked.items.get(i), s, asked.from(tx, s, i)),
                      Optional.ofNullable(last.get(new Cell(s.id(), i)))));
            }
            rows.add(
                new Row(
                    s, players.setup(tx, s).instrument().clef(), absent.contains(s.id()), answers));
          }
          return new Sheet(new Listed(asked.check, asked.group, heads(tx, asked.items)), rows);
        });
  }

  /**
   * A grade for one cell.
   *
   * @param notes the written notes that it is for, where not for all; the others were secure then
   * @param mark names the press of the key; the same one again is not written down again
   * @param by who marks
   */
  public record Press(
      Cell cell,
      Grade grade,
      String remark,
      String mark,
      Set<String> notes,
      String by,
      Instant at) {
    private boolean isFor(ClassItem.Target t) {
      return notes.isEmpty() || notes.contains(t.written().toString());
    }

    private Grade of(ClassItem.Target t) {
      return isFor(t) ? grade : Grade.SECURE;
    }
  }

  /** Writes a grade down for every note that the item has for this student. */
  public Answer grade(long id, Press press) {
    return db.inTransaction(
        tx -> {
          Placed asked = new Placed(tx, check(tx, id));
          People.Student s = players.student(tx, press.cell().studentId());
          int place = press.cell().place();
          ClassChecks.Item item = asked.item(place);
          Optional<Pitch> from = asked.from(tx, s, place);
          List<ClassItem.Target> targets = targets(tx, item, s, from);
          if (targets.isEmpty()) {
            throw new Refusal("check.not-for", "student", s.name());
          }
          if (checks.press(tx, s.id(), press.mark())) {
            // those that it is for come last, so that the grade of the whole is theirs
            List<ClassItem.Target> all = new ArrayList<>(targets);
            all.sort(Comparator.comparing(press::isFor));
            if (!press.isFor(all.get(all.size() - 1))) {
              throw new Refusal(
                  "check.none-of",
                  "there",
                  targets.stream().map(ClassItem.Target::written).toList());
            }
            for (ClassItem.Target t : all) {
              Check heard =
                  Check.heard(
                          press.at(), press.by(), t.written(), t.entry().fingering(), press.of(t))
                      .in(item.piece(), item.kind() == Kind.BARS ? item.what() : "")
                      .remarked(press.remark());
              checks.add(tx, s.id(), heard, id, place, press.mark());
            }
            asked.settle(tx, s, place, from);
            classes.setAbsent(tx, id, s.id(), false);
          }
          return new Answer(targets, last(tx, id, press.cell()));
        });
  }

  /**
   * Takes the last grade of a cell back, by further entries; an earlier one stands again.
   *
   * @param mark the press that is meant; empty for the last of the cell
   */
  public Answer undo(long id, Cell cell, String mark, String by) {
    db.run(
        tx -> {
          new Placed(tx, check(tx, id)).item(cell.place());
          People.Student s = players.student(tx, cell.studentId());
          Optional<ClassChecks.Entry> last = last(tx, id, cell);
          if (last.isPresent() && (mark.isEmpty() || mark.equals(last.get().mark()))) {
            for (ClassChecks.Entry e : classes.entries(tx, id)) {
              if (e.mark().equals(last.get().mark()) && e.studentId() == s.id()) {
                Check c = checks.one(tx, s.id(), e.id()).orElseThrow();
                checks.add(tx, s.id(), c.takenBack(clock.instant(), by));
              }
            }
          }
        });
    // what was taken back places nothing any more; a part is planned while nobody waits
    return db.inTransaction(
        tx -> {
          Placed asked = new Placed(tx, check(tx, id));
          People.Student s = players.student(tx, cell.studentId());
          Optional<Pitch> from = asked.from(tx, s, cell.place());
          return new Answer(targets(tx, asked.item(cell.place()), s, from), last(tx, id, cell));
        });
  }

  /** Notes that a student is absent, or is there after all. */
  public void absent(long id, long studentId, boolean absent) {
    db.run(
        tx -> {
          check(tx, id);
          classes.setAbsent(tx, id, players.student(tx, studentId).id(), absent);
        });
  }

  /** Finishes a check, or goes on with it. */
  public void finish(long id, boolean finished) {
    db.run(
        tx -> {
          check(tx, id);
          classes.setFinished(tx, id, finished);
        });
  }

  private ClassChecks.ClassCheck check(Db.Tx tx, long id) {
    return classes.one(tx, id).orElseThrow(() -> new NotThere("gone.check"));
  }

  private People.Group group(Db.Tx tx, long id) {
    return people.group(tx, id).orElseThrow(() -> new NotThere("gone.group"));
  }

  private Optional<ClassChecks.Entry> last(Db.Tx tx, long id, Cell cell) {
    return classes.entries(tx, id).stream()
        .filter(e -> e.studentId() == cell.studentId() && e.place() == cell.place())
        .reduce((a, b) -> b);
  }

  /** Where each item of a check begins on the page of each student. */
  private final class Placed {
    private final ClassChecks.ClassCheck check;
    private final People.Group group;
    private final List<ClassChecks.Item> items;
    private final Map<Cell, Pitch> settled;
    private final Map<Cell, Pitch> marked = new HashMap<>();
    private final Map<Long, List<Optional<Placing.Placed>>> byRule = new HashMap<>();

    private Placed(Db.Tx tx, ClassChecks.ClassCheck check) {
      this.check = check;
      group = group(tx, check.groupId());
      items = classes.items(tx, check.id());
      settled = classes.settled(tx, check.id());
      for (ClassChecks.Entry e : classes.entries(tx, check.id())) {
        marked.merge(
            new Cell(e.studentId(), e.place()),
            e.written(),
            (a, b) -> a.midi() <= b.midi() ? a : b);
      }
    }

    private ClassChecks.Item item(int place) {
      if (place < 0 || place >= items.size()) {
        throw new NotThere("gone.asked");
      }
      return items.get(place);
    }

    /**
     * Where an item begins on a student's page: as it was settled; in a check older than that as it
     * was marked; for who came later by the rule.
     */
    private Optional<Pitch> from(Db.Tx tx, People.Student s, int place) {
      Cell cell = new Cell(s.id(), place);
      Pitch known = settled.getOrDefault(cell, marked.get(cell));
      if (known != null) {
        return Optional.of(known);
      }
      return byRule
          .computeIfAbsent(s.id(), k -> place(items, placing(tx, s, group)))
          .get(place)
          .map(Placing.Placed::written);
    }

    /** Settles what was not settled, once it is marked. */
    private void settle(Db.Tx tx, People.Student s, int place, Optional<Pitch> from) {
      Cell cell = new Cell(s.id(), place);
      if (!settled.containsKey(cell) && from.isPresent() && items.get(place).kind().placed()) {
        classes.settle(tx, check.id(), cell, from.get());
      }
    }
  }

  private List<ClassItem.Target> targets(
      Db.Tx tx, ClassChecks.Item item, People.Student s, Optional<Pitch> from) {
    if (item.kind() == Kind.BARS) {
      return inBars(tx, item, s);
    }
    Player player = players.player(tx, s, players.standing(tx, s, List.of()));
    return ClassItem.read(item.kind().name(), item.what()).targets(player, from);
  }

  /** Every note of the student's part in these bars, with the fingering planned for it. */
  private List<ClassItem.Target> inBars(Db.Tx tx, ClassChecks.Item item, People.Student s) {
    Optional<Shelf.Piece> piece = shelf.piece(tx, item.piece().orElse(0));
    if (piece.isEmpty()) {
      return List.of();
    }
    try {
      return stands
          .find(tx, s.id(), piece.get().id())
          .map(l -> inBars(l, BarNumbers.parse(item.what())))
          .orElse(List.of());
    } catch (OddPiece e) {
      return List.of();
    }
  }

  private static List<ClassItem.Target> inBars(Stands.Loaded l, BarNumbers bars) {
    Map<String, ClassItem.Target> found = new LinkedHashMap<>();
    for (Plan.PlannedNote n : l.plan().notes()) {
      if (bars.has(l.page().reading().part().bars().get(n.note().bar()))) {
        found.putIfAbsent(
            n.note().pitch() + " " + n.way().entry().fingering(),
            new ClassItem.Target(n.note().pitch(), n.way().entry()));
      }
    }
    return List.copyOf(found.values());
  }
}
