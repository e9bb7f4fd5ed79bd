package sempre.server.app;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.learning.Grade;
import sempre.core.learning.Points;
import sempre.server.store.ClassChecks;
import sempre.server.store.Db;
import sempre.server.store.People;

/** The playing checks of a group over a term in points: one number a student and day. */
@Component
public class Gradebook {
  /** Under this name the school's points are kept beside its styles. */
  private static final String POINTS = "points";

  private final Db db;
  private final People people;
  private final ClassChecks classes;
  private final PlayingChecks checks;
  private final Clock clock;

  Gradebook(Db db, People people, ClassChecks classes, PlayingChecks checks, Clock clock) {
    this.db = db;
    this.people = people;
    this.classes = classes;
    this.checks = checks;
    this.clock = clock;
  }

  /**
   * What one has on a day.
   *
   * @param of what all that was heard would be worth if it were secure
   * @param absent whether the student wasn't there and nothing was heard
   */
  public record Cell(int points, int of, boolean absent) {
    Cell and(Cell more) {
      return new Cell(points + more.points, of + more.of, absent && more.absent);
    }
  }

  /** A day with what was asked on it. */
  public record Day(LocalDate day, List<PlayingChecks.Listed> asked) {}

  /**
   * One student.
   *
   * @param cells by day; empty where nothing was heard
   */
  public record Row(People.Student student, List<Optional<Cell>> cells) {
    public int points() {
      return cells.stream().flatMap(Optional::stream).mapToInt(Cell::points).sum();
    }

    public int of() {
      return cells.stream().flatMap(Optional::stream).mapToInt(Cell::of).sum();
    }
  }

  /** A gradebook; days rise. */
  public record Book(People.Group group, Points points, List<Day> days, List<Row> rows) {}

  /** What grades are worth in this school. */
  public Points points() {
    return db.inTransaction(this::points);
  }

  private Points points(Db.Tx tx) {
    return Points.read(people.houseStyle(tx, People.EVERYONE).getOrDefault(POINTS, ""));
  }

  /** Another worth of grades; what was heard stays, and counts by it at once. */
  public void set(Points points) {
    db.run(tx -> people.setHouseStyle(tx, People.EVERYONE, POINTS, points.text()));
  }

  /**
   * The gradebook of a group.
   *
   * @param from the first day that counts
   * @param to the last
   * @throws Refusal where the days are the wrong way round
   */
  public Book of(long groupId, LocalDate from, LocalDate to) {
    if (to.isBefore(from)) {
      throw new Refusal("ask.days-round");
    }
    List<PlayingChecks.Listed> all =
        checks.of(groupId).stream()
            .filter(c -> !day(c).isBefore(from) && !day(c).isAfter(to))
            .sorted(Comparator.comparing(c -> c.check().made()))
            .toList();
    Map<LocalDate, List<PlayingChecks.Listed>> days = new TreeMap<>();
    all.forEach(c -> days.computeIfAbsent(day(c), d -> new ArrayList<>()).add(c));
    return db.inTransaction(
        tx -> {
          People.Group group =
              people.group(tx, groupId).orElseThrow(() -> new NotThere("gone.group"));
          Points points = points(tx);
          List<Day> heads = new ArrayList<>();
          Map<Long, List<Optional<Cell>>> cells = new LinkedHashMap<>();
          List<People.Student> students = people.students(tx, groupId);
          students.forEach(s -> cells.put(s.id(), new ArrayList<>()));
          days.forEach(
              (day, asked) -> {
                heads.add(new Day(day, asked));
                List<Map<Long, Cell>> each =
                    asked.stream().map(c -> cells(tx, c, students, points)).toList();
                cells.forEach(
                    (id, row) ->
                        row.add(
                            each.stream()
                                .flatMap(m -> Optional.ofNullable(m.get(id)).stream())
                                .reduce(Cell::and)));
              });
          return new Book(
              group,
              points,
              heads,
              students.stream().map(s -> new Row(s, cells.get(s.id()))).toList());
        });
  }

  private LocalDate day(PlayingChecks.Listed c) {
    return c.check().made().atZone(clock.getZone()).toLocalDate();
  }

  private Map<Long, Cell> cells(
      Db.Tx tx, PlayingChecks.Listed c, List<People.Student> students, Points points) {
    Map<Long, Map<Integer, List<ClassChecks.Entry>>> heard = new HashMap<>();
    for (ClassChecks.Entry e : classes.entries(tx, c.check().id())) {
      heard
          .computeIfAbsent(e.studentId(), s -> new TreeMap<>())
          .computeIfAbsent(e.place(), p -> new ArrayList<>())
          .add(e);
    }
    Set<Long> absent = classes.absent(tx, c.check().id());
    Map<Long, Cell> cells = new HashMap<>();
    for (People.Student s : students) {
      Map<Integer, List<ClassChecks.Entry>> of = heard.getOrDefault(s.id(), Map.of());
      if (!of.isEmpty()) {
        cells.put(
            s.id(),
            new Cell(
                of.values().stream().mapToInt(e -> points.of(grade(e))).sum(),
                of.size() * points.secure(),
                false));
      } else if (absent.contains(s.id())) {
        int asked = c.asked().size();
        cells.put(
            s.id(),
            points.absent().isPresent()
                ? new Cell(asked * points.absent().getAsInt(), asked * points.secure(), true)
                : new Cell(0, 0, true));
      }
    }
    return cells;
  }

  /** The grade of what was asked: the weakest of the notes that the last press wrote down. */
  private static Grade grade(List<ClassChecks.Entry> entries) {
    String last = entries.get(entries.size() - 1).mark();
    return entries.stream()
        .filter(e -> e.mark().equals(last))
        .map(ClassChecks.Entry::grade)
        .max(Comparator.naturalOrder())
        .orElseThrow();
  }
}
