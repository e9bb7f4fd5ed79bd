package sempre.server.app;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.core.learning.Learner;
import sempre.core.learning.NextThing;
import sempre.core.learning.Readiness;
import sempre.core.pitch.Pitch;
import sempre.core.planning.HardMove;
import sempre.core.planning.Player;
import sempre.core.score.Bars;
import sempre.core.teaching.Lesson;
import sempre.server.store.Checks;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** What each group plays next, who is ready, who is stuck on what, and what to say to each. */
@Component
public class Today {
  private static final int FADED = 6;
  private static final int MOST = 1_000;

  private final Db db;
  private final People people;
  private final Shelf shelf;
  private final Checks checks;
  private final Learners learners;
  private final Players players;
  private final Assignments assignments;
  private final PieceDemands demands;
  private final Drums drums;
  private final Memo<OfStudent> memo;
  private final Clock clock;

  Today(
      Db db,
      People people,
      Shelf shelf,
      Checks checks,
      Learners learners,
      Players players,
      Assignments assignments,
      PieceDemands demands,
      Drums drums,
      Clock clock) {
    this.drums = drums;
    this.db = db;
    this.people = people;
    this.shelf = shelf;
    this.checks = checks;
    this.learners = learners;
    this.players = players;
    this.assignments = assignments;
    this.demands = demands;
    this.memo = new Memo<>(MOST, clock);
    this.clock = clock;
  }

  /** How a student stands to what is given. */
  public sealed interface State {
    /**
     * It is known.
     *
     * @param readiness for the part as it is written
     * @param simpler for the simpler part, where the student plays one: it counts apart, since
     *     whoever plays it has not learned what is written
     */
    record Known(Readiness readiness, Optional<Readiness> simpler) implements State {}

    /**
     * The piece has no notes with a pitch, or none without for who plays drums.
     *
     * @param drums whether it is a part for drums that is missing
     */
    record NoNotes(boolean drums) implements State {}

    /** Rhythm and sticking, in a part of this name. */
    record Drums(String part) implements State {}

    record Odd(OddPiece why) implements State {}
  }

  /** What to say to a student, about what is given. */
  public sealed interface Say {
    long assignment();

    /**
     * One thing.
     *
     * @param lesson of the note that it is about
     * @param bar the number of the bar that it is about
     */
    record Thing(
        long assignment,
        Instrument instrument,
        NextThing thing,
        Optional<Lesson> lesson,
        Optional<String> bar)
        implements Say {}

    /** It can't be worked out; {@code why} is empty where the state says so already. */
    record Odd(long assignment, Optional<OddPiece> why) implements Say {}
  }

  /**
   * One student of a group.
   *
   * @param states by assignment; what is not given to the student is not in it
   * @param say empty where nothing is given
   * @param faded what was not heard for long and is needed next, as it sounds, each sound once
   */
  public record OfStudent(Map<Long, State> states, Optional<Say> say, Map<Integer, Pitch> faded) {}

  /** Something given, and how everyone to whom it is given stands to it. */
  public record Given(
      Shelf.Assignment assignment,
      Assignments.Whom whom,
      Shelf.Piece piece,
      Map<People.Student, State> states) {}

  /** A note that is needed next and was not heard for long, as it sounds, and of whom. */
  public record Faded(Pitch sounds, List<People.Student> students) {}

  /**
   * One group.
   *
   * @param group empty for those who are in none and have something to play
   * @param meets when it meets next; empty for today
   */
  public record OfGroup(
      Optional<People.Group> group,
      int students,
      Optional<DayOfWeek> meets,
      List<Given> given,
      Map<People.Student, Say> say,
      List<Faded> faded) {}

  /** How many pieces there are. */
  public int pieces() {
    return db.inTransaction(shelf::pieces).size();
  }

  /** Whether anything was heard yet. */
  public boolean heard() {
    return db.inTransaction(checks::any);
  }

  /** All groups, those that meet today first. */
  public List<OfGroup> groups() {
    return db.inTransaction(
        tx -> {
          LocalDate today = LocalDate.now(clock);
          List<OfGroup> groups = new ArrayList<>();
          for (People.Group g : people.groups(tx)) {
            groups.add(group(tx, Optional.of(g), people.students(tx, g.id()), today));
          }
          List<People.Student> alone =
              people.students(tx).stream()
                  .filter(s -> people.groupsOf(tx, s.id()).isEmpty())
                  .filter(s -> !shelf.assignmentsOf(tx, s.id()).isEmpty())
                  .toList();
          if (!alone.isEmpty()) {
            groups.add(group(tx, Optional.empty(), alone, today));
          }
          groups.sort(Comparator.comparing(g -> g.meets().isPresent()));
          return groups;
        });
  }

  private OfGroup group(
      Db.Tx tx, Optional<People.Group> group, List<People.Student> students, LocalDate today) {
    long id = group.map(People.Group::id).orElse(0L);
    Stage stage = group.map(People.Group::stage).orElse(Stage.SCHOOL);
    List<Shelf.Assignment> all = assignments.ofGroup(tx, id, students);
    Map<People.Student, OfStudent> known = new LinkedHashMap<>();
    for (People.Student s : students) {
      known.put(s, memo.of(tx, s.id(), List.of(id, today), () -> student(tx, s, stage, all)));
    }
    List<Given> given = new ArrayList<>();
    for (Shelf.Assignment a : all) {
      Map<People.Student, State> states = new LinkedHashMap<>();
      known.forEach(
          (s, k) -> Optional.ofNullable(k.states().get(a.id())).ifPresent(x -> states.put(s, x)));
      given.add(new Given(a, assignments.whom(tx, a.to()), players.piece(tx, a.pieceId()), states));
    }
    Map<People.Student, Say> say = new LinkedHashMap<>();
    known.forEach((s, k) -> k.say().ifPresent(x -> say.put(s, x)));
    return new OfGroup(
        group,
        students.size(),
        group.flatMap(g -> meets(g, today.getDayOfWeek())),
        given,
        say,
        faded(known));
  }

  /** What was not heard for long, that of most students first. */
  private static List<Faded> faded(Map<People.Student, OfStudent> known) {
    Map<Integer, Faded> faded = new LinkedHashMap<>();
    known.forEach(
        (s, k) ->
            k.faded()
                .forEach(
                    (sound, p) ->
                        faded
                            .computeIfAbsent(sound, i -> new Faded(p, new ArrayList<>()))
                            .students()
                            .add(s)));
    return faded.values().stream()
        .sorted(Comparator.comparingInt((Faded f) -> -f.students().size()))
        .limit(FADED)
        .toList();
  }

  /** The next day on which a group meets; empty where that is today, or where no day is named. */
  private static Optional<DayOfWeek> meets(People.Group g, DayOfWeek today) {
    if (g.days().isEmpty() || g.days().contains(today)) {
      return Optional.empty();
    }
    DayOfWeek day = today.plus(1);
    while (!g.days().contains(day)) {
      day = day.plus(1);
    }
    return Optional.of(day);
  }

  private OfStudent student(Db.Tx tx, People.Student s, Stage stage, List<Shelf.Assignment> all) {
    Learner learner = learners.of(tx, s).learner();
    Map<Long, State> states = new LinkedHashMap<>();
    Map<Integer, Pitch> faded = new LinkedHashMap<>();
    Optional<Say> say = Optional.empty();
    Optional<Say> odd = Optional.empty();
    for (Shelf.Assignment a : all) {
      if (!a.to().has(s)) {
        continue;
      }
      try {
        Shelf.Piece piece = players.piece(tx, a.pieceId());
        Optional<Players.Page> page = players.page(tx, s, piece);
        Optional<Readiness> r = page.map(p -> readiness(a, p, s, learner, piece));
        states.put(
            a.id(),
            page.isPresent()
                ? known(tx, a, page.get(), s, learner, piece, r.orElseThrow())
                : drums
                    .part(tx, s, piece)
                    .<State>map(d -> new State.Drums(d.part().name()))
                    .orElseGet(() -> new State.NoNotes(Players.drums(s))));
        if (r.isPresent()) {
          r.get().faded().forEach(p -> fade(p, learner.player(), faded));
          if (say.isEmpty()) {
            say = Optional.of(say(tx, s, a, piece, page.get(), learner, r.get(), stage));
          }
        }
      } catch (OddPiece e) {
        states.put(a.id(), new State.Odd(e));
        odd = odd.or(() -> Optional.of(new Say.Odd(a.id(), Optional.empty())));
      }
    }
    return new OfStudent(states, say.isPresent() ? say : odd, faded);
  }

  private State known(
      Db.Tx tx,
      Shelf.Assignment a,
      Players.Page page,
      People.Student s,
      Learner learner,
      Shelf.Piece piece,
      Readiness played) {
    if (page.simpler().isEmpty()) {
      return new State.Known(played, Optional.empty());
    }
    Players.Page written = players.written(tx, s, piece).orElse(page);
    return new State.Known(readiness(a, written, s, learner, piece), Optional.of(played));
  }

  private static Readiness readiness(
      Shelf.Assignment a, Players.Page p, People.Student s, Learner l, Shelf.Piece piece) {
    return OddPiece.guard(
        piece, s, () -> Readiness.of(Assignments.line(a, p), l.player(), l.standing()));
  }

  private static void fade(Pitch written, Player player, Map<Integer, Pitch> faded) {
    int midi = player.setup().instrument().transposition().sounding(written).midi();
    Pitch sounds = Pitch.usual(midi);
    faded.putIfAbsent(sounds.pitchClass(), sounds);
  }

  private Say say(
      Db.Tx tx,
      People.Student s,
      Shelf.Assignment a,
      Shelf.Piece piece,
      Players.Page page,
      Learner l,
      Readiness r,
      Stage stage) {
    try {
      return OddPiece.guard(
          piece,
          s,
          () -> {
            NextThing thing =
                NextThing.of(
                    r,
                    Assignments.line(a, page),
                    l.standing(),
                    () -> tooHard(tx, s, a, piece, page, l.player(), stage));
            return new Say.Thing(
                a.id(),
                l.player().setup().instrument(),
                thing,
                noteOf(thing).flatMap(n -> Lesson.written(n, l.player(), stage)),
                thing instanceof NextThing.Slowly c
                    ? Optional.of(page.reading().part().bars().get(c.change().to().bar()).number())
                    : Optional.empty());
          });
    } catch (OddPiece e) {
      return new Say.Odd(a.id(), Optional.of(e));
    }
  }

  private static Optional<Pitch> noteOf(NextThing thing) {
    return thing instanceof NextThing.Learn n
        ? Optional.of(n.note())
        : thing instanceof NextThing.PlayAgain n ? Optional.of(n.note()) : Optional.empty();
  }

  /** The changes of what is given that are too hard for a stage. */
  private List<HardMove> tooHard(
      Db.Tx tx,
      People.Student s,
      Shelf.Assignment a,
      Shelf.Piece piece,
      Players.Page page,
      Player player,
      Stage stage) {
    Bars bars = Assignments.bars(a, page.reading().part());
    return demands.of(tx, s, player, piece, demands.reads(tx, s)).stream()
        .flatMap(d -> d.tooHard(stage).stream())
        .filter(m -> bars.has(m.from()) && bars.has(m.to()))
        .toList();
  }
}
