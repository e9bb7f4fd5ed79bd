package sempre.server.app;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.agenda.Agenda;
import sempre.core.agenda.Days;
import sempre.core.agenda.Goal;
import sempre.core.agenda.Stretch;
import sempre.core.agenda.Task;
import sempre.core.instrument.Stage;
import sempre.core.learning.Standing;
import sempre.core.pitch.Pitch;
import sempre.core.practice.Ladder;
import sempre.core.practice.Run;
import sempre.core.score.Bar;
import sempre.core.score.Bars;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.PracticeDays;
import sempre.server.store.Runs;
import sempre.server.store.Shelf;

/** What a student practises on which day, up to the days on which pieces are due. */
@Component
public class Agendas {
  /** So many days back it is told which were missed. */
  private static final int LOOKS_BACK = 7;

  private static final int MOST = 1_000;

  private final Db db;
  private final People people;
  private final Players players;
  private final Assignments assignments;
  private final Practising practising;
  private final PracticeDays store;
  private final Runs runs;
  private final Clock clock;
  private final Memo<OfStudent> memo;

  Agendas(
      Db db,
      People people,
      Players players,
      Assignments assignments,
      Practising practising,
      PracticeDays store,
      Runs runs,
      Clock clock) {
    this.db = db;
    this.people = people;
    this.players = players;
    this.assignments = assignments;
    this.practising = practising;
    this.store = store;
    this.runs = runs;
    this.clock = clock;
    this.memo = new Memo<>(MOST, clock);
  }

  /**
   * Something that is due.
   *
   * @param bits those of the bars that are given, but for what is due before
   * @param places of these in the whole part
   * @param all how many bits the whole part has
   * @param bars of the part
   * @param odd why nothing can be planned
   */
  public record Due(
      Shelf.Assignment given,
      Shelf.Piece piece,
      List<Practising.Climbed> bits,
      List<Integer> places,
      int all,
      List<Bar> bars,
      Optional<Refusal> odd) {}

  /** Something that was due. */
  public record Over(Shelf.Piece piece, LocalDate due) {}

  /**
   * The plan of one student.
   *
   * @param today the first day of the plan
   * @param said when the student practises; empty where it is not said and the usual holds
   * @param off days without practice that are not over
   * @param dues in the order of the plan's goals
   * @param over what was due before today, and so is in no plan
   * @param played of each goal the bits of which something was played today
   * @param missed days of the last week on which nothing was played
   */
  public record OfStudent(
      People.Student student,
      LocalDate today,
      Optional<PracticeDays.Kept> said,
      Days days,
      List<PracticeDays.Off> off,
      List<Due> dues,
      List<Over> over,
      Agenda agenda,
      List<Set<Integer>> played,
      List<LocalDate> missed) {
    /** Whether what a session asks for was played today. */
    public boolean done(Task t) {
      if (t.goal() < 0) {
        return false;
      }
      Set<Integer> bits = played.get(t.goal());
      return t.bit() >= 0
          ? bits.contains(t.bit())
          : bits.size() == dues.get(t.goal()).bits().size();
    }

    /** What is done today. */
    public Agenda.Day first() {
      return agenda.days().stream()
          .findFirst()
          .orElseGet(
              () ->
                  new Agenda.Day(today, days.off(today), List.of(), days.lesson(today), List.of()));
    }
  }

  public OfStudent of(long studentId) {
    LocalDate today = LocalDate.now(clock);
    return db.inTransaction(tx -> memo.of(tx, studentId, today, () -> work(tx, studentId, today)));
  }

  /** Those of whom it is said when they practise, by name. */
  public List<OfStudent> all() {
    Set<Long> said = db.inTransaction(store::students);
    return db.inTransaction(people::students).stream()
        .filter(s -> said.contains(s.id()))
        .map(s -> of(s.id()))
        .toList();
  }

  private OfStudent work(Db.Tx tx, long studentId, LocalDate today) {
    People.Student s = players.student(tx, studentId);
    List<PracticeDays.Off> off = store.off(tx, studentId, today.minusDays(LOOKS_BACK));
    Optional<PracticeDays.Kept> said = store.of(tx, studentId);
    Days days = days(said, usual(tx, studentId), off);
    Standing standing = players.standing(tx, studentId);
    List<Due> dues = new ArrayList<>();
    List<Over> over = new ArrayList<>();
    Set<String> before = new HashSet<>();
    for (Shelf.Assignment a : assignments.of(tx, s)) {
      if (a.due().isAfter(today)) {
        dues.add(due(tx, s, a, before));
      } else if (a.due().isBefore(today)) {
        over.add(new Over(players.piece(tx, a.pieceId()), a.due()));
      }
    }
    // all of it is due before under another name
    dues.removeIf(d -> d.bits().isEmpty() && before.contains("all " + d.piece().id()));
    List<Goal> goals = new ArrayList<>();
    List<Set<Integer>> played = new ArrayList<>();
    Set<LocalDate> practised = new TreeSet<>(runs.days(tx, studentId));
    for (Due d : dues) {
      Set<Pitch> lacking = lacking(d, standing);
      goals.add(
          new Goal(
              d.given().due(), d.bits().stream().map(c -> stretch(c, lacking, today)).toList()));
      Set<Integer> bits = new HashSet<>();
      for (int b = 0; b < d.bits().size(); b++) {
        if (d.bits().get(b).runs().stream().anyMatch(k -> k.run().day().equals(today))) {
          bits.add(b);
        }
      }
      played.add(bits);
    }
    return new OfStudent(
        s,
        today,
        said,
        days,
        off.stream().filter(o -> !o.days().last().isBefore(today)).toList(),
        dues,
        over,
        Agenda.of(days, goals, today),
        played,
        missed(said, days, practised, today));
  }

  private static List<LocalDate> missed(
      Optional<PracticeDays.Kept> said, Days days, Set<LocalDate> practised, LocalDate today) {
    return said.map(PracticeDays.Kept::since).stream()
        .flatMap(
            since -> today.minusDays(LOOKS_BACK).datesUntil(today).filter(d -> !d.isBefore(since)))
        .filter(d -> days.practises(d) && !practised.contains(d))
        .toList();
  }

  /**
   * What is due.
   *
   * @param before bits that are due before, to which those of this one are added
   */
  private Due due(Db.Tx tx, People.Student s, Shelf.Assignment a, Set<String> before) {
    Shelf.Piece piece = players.piece(tx, a.pieceId());
    try {
      Practising.Practice p = OddPiece.guard(piece, s, () -> practising.of(s.id(), a.pieceId()));
      var part = p.practised().planned().part().page().reading().part();
      Bars bars = Assignments.bars(a, part);
      List<Practising.Climbed> bits = new ArrayList<>();
      List<Integer> places = new ArrayList<>();
      for (int b = 0; b < p.bits().size(); b++) {
        if (bars.has(p.bits().get(b).bit().first()) && before.add(piece.id() + " " + b)) {
          bits.add(p.bits().get(b));
          places.add(b);
        }
      }
      if (!bits.isEmpty()) {
        before.add("all " + piece.id());
      }
      return new Due(a, piece, bits, places, p.bits().size(), part.bars(), Optional.empty());
    } catch (OddPiece | NotThere e) {
      return new Due(a, piece, List.of(), List.of(), 0, List.of(), Optional.of(e));
    }
  }

  /** The notes of a piece that are not there yet. */
  private static Set<Pitch> lacking(Due d, Standing standing) {
    if (d.bits().isEmpty()) {
      return Set.of();
    }
    return d.bits().stream()
        .flatMap(c -> c.bit().notes().stream())
        .map(n -> n.note().pitch())
        .filter(p -> standing.best(p).filter(m -> m.grade().has()).isEmpty())
        .collect(Collectors.toSet());
  }

  /** As it was when the day began, so that the day's plan stays while it is worked through. */
  private static Stretch stretch(Practising.Climbed c, Set<Pitch> lacking, LocalDate today) {
    List<Run> before =
        c.runs().stream().map(Runs.Kept::run).filter(r -> r.day().isBefore(today)).toList();
    Ladder ladder = Ladder.of(c.ladder().start(), c.ladder().full(), before, c.rule(), today);
    long fresh =
        c.bit().notes().stream()
            .map(n -> n.note().pitch())
            .filter(lacking::contains)
            .map(Pitch::midi)
            .distinct()
            .count();
    return Stretch.of(c.bit(), ladder, c.rule(), (int) fresh);
  }

  private static Days days(
      Optional<PracticeDays.Kept> said, PracticeDays.Kept usual, List<PracticeDays.Off> off) {
    PracticeDays.Kept k = said.orElse(usual);
    return new Days(
        k.minutes(), k.practice(), k.lessons(), off.stream().map(PracticeDays.Off::days).toList());
  }

  /** All days but Sunday, by the stage of the group, and its lessons. */
  private PracticeDays.Kept usual(Db.Tx tx, long studentId) {
    List<People.Group> groups =
        people.groupsOf(tx, studentId).stream().flatMap(g -> people.group(tx, g).stream()).toList();
    Set<DayOfWeek> lessons = new TreeSet<>();
    groups.forEach(g -> lessons.addAll(g.days()));
    Stage stage = groups.stream().map(People.Group::stage).findFirst().orElse(Stage.SCHOOL);
    return new PracticeDays.Kept(
        Days.usualMinutes(stage),
        EnumSet.complementOf(EnumSet.of(DayOfWeek.SUNDAY)),
        lessons,
        LocalDate.now(clock));
  }

  /**
   * Says when a student practises.
   *
   * @throws Refusal where no plan can be made of it
   */
  public void say(long studentId, int minutes, Set<DayOfWeek> practice, Set<DayOfWeek> lessons) {
    Days checked = new Days(minutes, practice, lessons, List.of());
    LocalDate today = LocalDate.now(clock);
    db.run(
        tx -> {
          players.student(tx, studentId);
          // a day that was none before was not missed
          LocalDate since =
              store
                  .of(tx, studentId)
                  .filter(k -> k.practice().equals(checked.practice()))
                  .map(PracticeDays.Kept::since)
                  .orElse(today);
          store.put(
              tx,
              studentId,
              new PracticeDays.Kept(
                  checked.minutes(), checked.practice(), checked.lessons(), since));
        });
  }

  /** The plan is not wanted any more: nobody is told of days that were missed. */
  public void forget(long studentId) {
    db.run(
        tx -> {
          players.student(tx, studentId);
          store.forget(tx, studentId);
        });
  }

  /**
   * Writes days without practice down.
   *
   * @param everyone whether they are the whole school's
   * @throws Refusal where they are over, or end before they begin
   */
  public void addOff(long studentId, boolean everyone, Days.Off off) {
    if (off.last().isBefore(LocalDate.now(clock))) {
      throw new Refusal("agenda.off-past", "last", off.last());
    }
    db.run(
        tx -> {
          players.student(tx, studentId);
          store.add(tx, everyone ? OptionalLong.empty() : OptionalLong.of(studentId), off);
        });
  }

  public void removeOff(long studentId, long id) {
    boolean there = db.inTransaction(tx -> store.remove(tx, studentId, id));
    if (!there) {
      throw new NotThere("gone.off");
    }
  }
}
