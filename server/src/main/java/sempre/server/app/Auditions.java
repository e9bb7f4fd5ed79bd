package sempre.server.app;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.audition.Criterion;
import sempre.core.audition.Cuts;
import sempre.core.audition.Judged;
import sempre.core.audition.Prepared;
import sempre.core.audition.Requirement;
import sempre.core.learning.Readiness;
import sempre.core.learning.Standing;
import sempre.core.planning.Player;
import sempre.core.score.Bar;
import sempre.core.score.Bars;
import sempre.formats.csv.AuditionCsv;
import sempre.server.store.AuditionStore;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** Auditions: what they ask, who is ready for what, and mock auditions with judges. */
@Component
public class Auditions {
  private final Db db;
  private final AuditionStore store;
  private final People people;
  private final Shelf shelf;
  private final Players players;
  private final Practising practising;
  private final Clock clock;

  Auditions(
      Db db,
      AuditionStore store,
      People people,
      Shelf shelf,
      Players players,
      Practising practising,
      Clock clock) {
    this.db = db;
    this.store = store;
    this.people = people;
    this.shelf = shelf;
    this.players = players;
    this.practising = practising;
    this.clock = clock;
  }

  /** An audition as it is set up. */
  public record Wanted(
      String name, LocalDate day, String requirements, Map<Criterion, Integer> weights) {}

  /**
   * How far a candidate is with one thing.
   *
   * @param prepared empty for sight-reading, and where the piece is not on the shelf
   * @param piece of an etude
   * @param odd why it can't be worked out
   */
  public record Cell(
      Requirement asked,
      Optional<Prepared> prepared,
      Optional<Shelf.Piece> piece,
      Optional<Refusal> odd) {}

  /** One who may go there. */
  public record Row(People.Student student, boolean candidate, List<Cell> cells) {}

  /** Those of one instrument. */
  public record Section(String instrument, List<Requirement> asked, List<Row> rows) {}

  /** All of an audition. */
  public record Seen(AuditionStore.Audition audition, List<Section> sections, List<Mocked> mocks) {}

  /** A mock audition and how many judges have handed in. */
  public record Mocked(
      AuditionStore.Mock mock, People.Student student, List<AuditionStore.Sheet> sheets) {}

  /**
   * One thing that is heard in a mock audition.
   *
   * @param bars first and last printed bar of an etude; empty for all else
   */
  public record Heard(
      Requirement asked, Optional<Shelf.Piece> piece, Optional<Bars> cut, List<Bar> bars) {}

  /** A mock audition as a judge has it. */
  public record Sitting(
      AuditionStore.Audition audition,
      AuditionStore.Mock mock,
      People.Student student,
      List<Heard> heard,
      List<AuditionStore.Sheet> sheets) {}

  /** Those that are there, the next first, each with how many go there. */
  public Map<AuditionStore.Audition, Integer> all() {
    return db.inTransaction(
        tx -> {
          Map<AuditionStore.Audition, Integer> all = new LinkedHashMap<>();
          store.all(tx).forEach(a -> all.put(a, store.candidates(tx, a.id()).size()));
          return all;
        });
  }

  /** What weighs how much in an audition. */
  public static Map<Criterion, Integer> weights(AuditionStore.Audition a) {
    Map<Criterion, Integer> weights = new EnumMap<>(Criterion.class);
    for (Criterion c : Criterion.values()) {
      weights.put(c, a.weights().getOrDefault(c, c.usual()));
    }
    return weights;
  }

  /**
   * Sets one up.
   *
   * @throws Refusal where its table can't be read, or its day is over
   */
  public long add(Wanted wanted) {
    AuditionStore.Audition a = checked(0, wanted, Optional.empty());
    return db.inTransaction(tx -> store.add(tx, a));
  }

  public void change(long id, Wanted wanted) {
    db.run(
        tx -> {
          AuditionStore.Audition before = one(tx, id);
          store.change(tx, checked(id, wanted, Optional.of(before.day())));
        });
  }

  private AuditionStore.Audition checked(long id, Wanted wanted, Optional<LocalDate> before) {
    if (wanted.name().isEmpty()) {
      throw new Refusal("audition.no-name");
    }
    boolean moved = before.filter(wanted.day()::equals).isEmpty();
    if (moved && wanted.day().isBefore(LocalDate.now(clock))) {
      throw new Refusal("audition.past", "day", wanted.day());
    }
    AuditionCsv.read(wanted.requirements());
    if (!wanted.weights().isEmpty()
        && wanted.weights().values().stream().mapToInt(w -> w).sum() == 0) {
      throw new Refusal("audition.no-weights");
    }
    return new AuditionStore.Audition(
        id, wanted.name(), wanted.day(), wanted.requirements(), wanted.weights(), false);
  }

  /** Takes one away, or puts it back. */
  public void remove(long id, boolean removed) {
    db.run(
        tx -> {
          AuditionStore.Audition a = one(tx, id);
          store.change(
              tx,
              new AuditionStore.Audition(
                  id, a.name(), a.day(), a.requirements(), a.weights(), removed));
        });
  }

  private AuditionStore.Audition one(Db.Tx tx, long id) {
    return store.one(tx, id).orElseThrow(() -> new NotThere("gone.audition"));
  }

  /** Says who goes there. */
  public void candidates(long id, Set<Long> students) {
    db.run(
        tx -> {
          one(tx, id);
          students.forEach(s -> players.student(tx, s));
          store.setCandidates(tx, id, students);
        });
  }

  public AuditionStore.Audition audition(long id) {
    return db.inTransaction(tx -> one(tx, id));
  }

  /** An audition with everyone who plays what it asks for, and how far the candidates are. */
  public Seen seen(long id) {
    return db.inTransaction(
        tx -> {
          AuditionStore.Audition a = one(tx, id);
          Set<Long> candidates = store.candidates(tx, id);
          Map<String, List<Requirement>> by = byInstrument(a);
          List<Section> sections = new ArrayList<>();
          by.forEach(
              (instrument, asked) -> {
                List<Row> rows =
                    people.students(tx).stream()
                        .filter(s -> s.instrument().equals(instrument))
                        .sorted(
                            Comparator.comparing((People.Student s) -> !candidates.contains(s.id()))
                                .thenComparing(People.Student::name))
                        .map(
                            s -> {
                              boolean goes = candidates.contains(s.id());
                              return new Row(s, goes, goes ? cells(tx, s, asked) : List.of());
                            })
                        .toList();
                sections.add(new Section(instrument, asked, rows));
              });
          List<Mocked> mocks =
              store.mocks(tx, id).stream()
                  .map(
                      m ->
                          new Mocked(
                              m, players.student(tx, m.studentId()), store.sheets(tx, m.id())))
                  .toList();
          return new Seen(a, sections, mocks);
        });
  }

  private static Map<String, List<Requirement>> byInstrument(AuditionStore.Audition a) {
    return AuditionCsv.read(a.requirements()).stream()
        .collect(
            Collectors.groupingBy(
                Requirement::instrument, LinkedHashMap::new, Collectors.toList()));
  }

  private List<Cell> cells(Db.Tx tx, People.Student s, List<Requirement> asked) {
    Standing standing = players.standing(tx, s.id());
    Player player = players.player(tx, s, standing);
    List<Cell> cells = new ArrayList<>();
    for (Requirement r : asked) {
      if (r instanceof Requirement.Scale scale) {
        cells.add(
            new Cell(
                r,
                Optional.of(Prepared.scale(scale, player, standing)),
                Optional.empty(),
                Optional.empty()));
      } else if (r instanceof Requirement.Etude etude) {
        cells.add(etude(tx, s, etude, player, standing));
      } else {
        cells.add(new Cell(r, Optional.empty(), Optional.empty(), Optional.empty()));
      }
    }
    return cells;
  }

  private Cell etude(
      Db.Tx tx, People.Student s, Requirement.Etude etude, Player player, Standing standing) {
    Optional<Shelf.Piece> piece = piece(tx, etude);
    if (piece.isEmpty()) {
      return new Cell(etude, Optional.empty(), piece, Optional.empty());
    }
    try {
      return OddPiece.guard(
          piece.get(),
          s,
          () -> {
            Practising.Practice p = practising.of(s.id(), piece.get().id());
            var page = p.practised().planned().part().page();
            Bars bars = bars(etude, page);
            return new Cell(
                etude,
                Optional.of(
                    Prepared.etude(
                        Readiness.of(bars.of(page.line()), player, standing),
                        p.bits().stream()
                            .filter(c -> bars.has(c.bit().first()))
                            .map(Practising.Climbed::ladder)
                            .toList(),
                        etude.tempo())),
                piece,
                Optional.empty());
          });
    } catch (OddPiece | NotThere e) {
      return new Cell(etude, Optional.empty(), piece, Optional.of(e));
    }
  }

  /** The bars that are asked; all where the part numbers its bars otherwise. */
  private static Bars bars(Requirement.Etude etude, Players.Page page) {
    try {
      return Bars.of(page.reading().part(), etude.bars());
    } catch (Refusal e) {
      return Bars.of(page.reading().part(), "");
    }
  }

  /** The piece of that title that was put on the shelf first. */
  private Optional<Shelf.Piece> piece(Db.Tx tx, Requirement.Etude etude) {
    return shelf.pieces(tx).stream()
        .filter(p -> p.title().equalsIgnoreCase(etude.title()))
        .min(Comparator.comparingLong(Shelf.Piece::id));
  }

  /**
   * Begins a mock audition.
   *
   * @param seed that can be said aloud: the same one asks the same
   */
  public long mock(long id, long studentId, long seed) {
    return db.inTransaction(
        tx -> {
          AuditionStore.Audition a = one(tx, id);
          People.Student s = players.student(tx, studentId);
          if (!byInstrument(a).containsKey(s.instrument())) {
            throw new Refusal("audition.not-asked", "student", s.name());
          }
          return store.addMock(tx, id, studentId, clock.instant(), seed);
        });
  }

  private AuditionStore.Mock one(long mockId, Db.Tx tx) {
    return store.mock(tx, mockId).orElseThrow(() -> new NotThere("gone.mock"));
  }

  public Sitting sitting(long mockId) {
    return db.inTransaction(
        tx -> {
          AuditionStore.Mock m = one(mockId, tx);
          AuditionStore.Audition a = one(tx, m.auditionId());
          People.Student s = players.student(tx, m.studentId());
          return new Sitting(a, m, s, heard(tx, a, m, s), store.sheets(tx, mockId));
        });
  }

  private List<Heard> heard(
      Db.Tx tx, AuditionStore.Audition a, AuditionStore.Mock m, People.Student s) {
    List<Requirement> asked = byInstrument(a).getOrDefault(s.instrument(), List.of());
    Map<Requirement, Optional<Players.Page>> pages = new LinkedHashMap<>();
    for (Requirement r : asked) {
      if (r instanceof Requirement.Etude e) {
        pages.put(r, piece(tx, e).flatMap(p -> players.written(tx, s, p)));
      }
    }
    List<Heard> heard = new ArrayList<>();
    for (Cuts.Cut c :
        Cuts.of(
            asked,
            e -> pages.get(e).map(p -> bars(e, p)).map(b -> b.to() - b.from() + 1).orElse(0),
            m.seed())) {
      Requirement r = asked.get(c.asked());
      if (r instanceof Requirement.Etude e) {
        Players.Page page = pages.get(r).orElseThrow();
        int from = bars(e, page).from() + c.from();
        heard.add(
            new Heard(
                r,
                piece(tx, e),
                Optional.of(new Bars(from, from + c.bars() - 1)),
                page.reading().part().bars()));
      } else {
        heard.add(new Heard(r, Optional.empty(), Optional.empty(), List.of()));
      }
    }
    return heard;
  }

  /**
   * What a judge has touched of a sheet; what is not in it stays as it was.
   *
   * @param device names the device on which the sheet was begun
   * @param remark empty where it was not touched
   */
  public record Touched(
      String judge,
      String device,
      Map<Criterion, Integer> points,
      Optional<String> remark,
      boolean handedIn) {
    private AuditionStore.Sheet over(AuditionStore.Sheet before) {
      Map<Criterion, Integer> all = new EnumMap<>(Criterion.class);
      all.putAll(before.points());
      all.putAll(points);
      return new AuditionStore.Sheet(
          before.judge(), device, all, remark.orElse(before.remark()), handedIn, before.leftOut());
    }
  }

  private AuditionStore.Sheet sheet(Db.Tx tx, long mockId, String judge) {
    return store.sheets(tx, mockId).stream()
        .filter(s -> s.isOf(judge))
        .findFirst()
        .orElseThrow(() -> new Refusal("audition.not-a-judge", "judge", judge));
  }

  /**
   * Who judges. Those who have begun stay; of the others those count who are named.
   *
   * @param names two that differ in case only are one
   */
  public void expect(long mockId, List<String> names) {
    db.run(
        tx -> {
          one(mockId, tx);
          store.lock(tx, mockId);
          List<AuditionStore.Sheet> before = store.sheets(tx, mockId);
          if (!before.isEmpty() && before.stream().allMatch(AuditionStore.Sheet::handedIn)) {
            // the result is there, and who has seen it judges no more
            throw new Refusal("audition.all-in");
          }
          store.expectNobody(tx, mockId);
          List<AuditionStore.Sheet> there = new ArrayList<>(store.sheets(tx, mockId));
          for (String name : names) {
            if (!name.isBlank() && there.stream().noneMatch(s -> s.isOf(name))) {
              AuditionStore.Sheet expected = AuditionStore.Sheet.expected(name.strip());
              store.put(tx, mockId, expected);
              there.add(expected);
            }
          }
          if (there.isEmpty()) {
            throw new Refusal("audition.judge-name");
          }
        });
  }

  /**
   * Writes down what a judge gives; only what was touched is changed, so that two touches that come
   * at once are both kept.
   *
   * @throws Refusal where it was handed in already, or is to be and something is missing
   */
  public void judge(long mockId, Touched touched) {
    db.run(
        tx -> {
          AuditionStore.Mock m = one(mockId, tx);
          store.lock(tx, mockId);
          AuditionStore.Sheet before = sheet(tx, mockId, touched.judge());
          if (before.begun() && !before.device().equals(touched.device())) {
            throw new Refusal("audition.other-device", "judge", before.judge());
          }
          if (before.handedIn()) {
            throw new Refusal("audition.handed-in");
          }
          AuditionStore.Sheet sheet = touched.over(before);
          Map<Criterion, Integer> weights = weights(one(tx, m.auditionId()));
          Set<Criterion> missing = new TreeSet<>();
          weights.forEach(
              (c, w) -> {
                if (w > 0 && !sheet.points().containsKey(c)) {
                  missing.add(c);
                }
              });
          if (sheet.handedIn() && !missing.isEmpty()) {
            throw new Refusal("audition.not-all", "n", missing.size());
          }
          store.put(tx, mockId, sheet);
        });
  }

  /** Leaves a judge's sheet out of the result, or counts it again; the sheet itself stays. */
  public void leaveOut(long mockId, String judge, boolean leftOut) {
    db.run(
        tx -> {
          one(mockId, tx);
          store.lock(tx, mockId);
          store.put(tx, mockId, sheet(tx, mockId, judge).counting(!leftOut));
        });
  }

  /**
   * What the judges say together, and their sheets in the order of the totals.
   *
   * @param leftOut those whose sheets do not count
   */
  public record Result(
      Judged judged, List<AuditionStore.Sheet> sheets, List<AuditionStore.Sheet> leftOut) {}

  /**
   * The result.
   *
   * @throws Refusal while somebody who counts has not handed in: nobody sees what others gave
   */
  public Result result(long mockId) {
    return db.inTransaction(
        tx -> {
          AuditionStore.Mock m = one(mockId, tx);
          Map<Boolean, List<AuditionStore.Sheet>> counting =
              store.sheets(tx, mockId).stream()
                  .collect(Collectors.partitioningBy(s -> !s.leftOut()));
          List<AuditionStore.Sheet> sheets = counting.get(true);
          long there = sheets.stream().filter(AuditionStore.Sheet::handedIn).count();
          if (there < sheets.size()) {
            throw new Refusal("audition.waits", "there", there, "all", sheets.size());
          }
          return new Result(
              Judged.of(
                  weights(one(tx, m.auditionId())),
                  sheets.stream().map(AuditionStore.Sheet::points).toList()),
              sheets,
              counting.get(false));
        });
  }
}
