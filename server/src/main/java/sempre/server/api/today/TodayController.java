package sempre.server.api.today;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.core.learning.Learner;
import sempre.core.learning.Readiness;
import sempre.core.learning.Standing;
import sempre.core.pitch.Pitch;
import sempre.core.planning.HardMove;
import sempre.core.planning.Player;
import sempre.core.score.Bars;
import sempre.core.score.Line;
import sempre.core.teaching.Lesson;
import sempre.server.api.AssignmentWords;
import sempre.server.api.Errors;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.check.CheckLists;
import sempre.server.api.check.CheckViews;
import sempre.server.app.Assignments;
import sempre.server.app.Learners;
import sempre.server.app.Memo;
import sempre.server.app.Notices;
import sempre.server.app.OddPiece;
import sempre.server.app.PieceDemands;
import sempre.server.app.Players;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;
import sempre.words.Words;

/** What each group plays next, who is ready, who is stuck on what, and what to say to each. */
@RestController
@RequestMapping("/api/today")
public class TodayController {
  private static final int FADED = 6;
  private static final int MOST = 1_000;

  /** The state of what can't be worked out; the sentence says why. */
  private static final Refs.Ready ODD = Refs.Ready.ODD;

  private static final String NOTHING = "Nothing to finger: the piece has no notes with a pitch.";

  private final Db db;
  private final People people;
  private final Shelf shelf;
  private final Learners learners;
  private final Memo<Shown> worked;
  private final Players players;
  private final Assignments given;
  private final AssignmentWords words;
  private final PieceDemands demands;
  private final CheckLists lists;
  private final Notices notices;
  private final Clock clock;

  public TodayController(
      Db db,
      People people,
      Shelf shelf,
      Learners learners,
      Players players,
      Assignments given,
      AssignmentWords words,
      PieceDemands demands,
      CheckLists lists,
      Notices notices,
      Clock clock) {
    this.db = db;
    this.people = people;
    this.shelf = shelf;
    this.learners = learners;
    this.worked = new Memo<>(MOST, clock);
    this.players = players;
    this.given = given;
    this.words = words;
    this.demands = demands;
    this.lists = lists;
    this.notices = notices;
    this.clock = clock;
  }

  /** A student with all that is known of where the student stands. */
  private record Known(People.Student student, Standing standing, Player player, Stage stage) {}

  /** What one of them has to play. */
  private record Has(Known who, Shelf.Assignment given, Players.Page page, Readiness readiness) {}

  /** What was not heard for long, by how it sounds. */
  private record Faded(int pitchClass, String name) {}

  /**
   * What is shown of one student of a group.
   *
   * @param ready how it stands with what is given, by assignment
   * @param say the one thing to say; empty where nothing is given
   */
  private record Shown(
      Map<Long, TodayViews.ReadyView> ready, Optional<TodayViews.SayView> say, List<Faded> faded) {}

  private record What(long group, String day, Words words) {}

  @GetMapping
  public TodayViews.Today today() {
    return db.inTransaction(
        tx -> {
          LocalDate today = LocalDate.now(clock);
          List<CheckViews.ClassCheckRef> open = lists.open(tx);
          List<TodayViews.GroupToday> groups = new ArrayList<>();
          for (People.Group g : people.groups(tx)) {
            groups.add(group(tx, g, people.students(tx, g.id()), open, today));
          }
          List<People.Student> alone = new ArrayList<>();
          for (People.Student s : people.students(tx)) {
            if (people.groupsOf(tx, s.id()).isEmpty()
                && !shelf.assignmentsOf(tx, s.id()).isEmpty()) {
              alone.add(s);
            }
          }
          if (!alone.isEmpty()) {
            People.Group none =
                new People.Group(0, Speech.say("group.none"), Stage.SCHOOL.word(), "");
            groups.add(group(tx, none, alone, open, today));
          }
          groups.sort(Comparator.comparing(g -> !g.today()));
          return new TodayViews.Today(
              today.toString(),
              groups,
              shelf.pieces(tx).size(),
              notices.all().stream().map(Speech.words()::sentence).toList());
        });
  }

  private TodayViews.GroupToday group(
      Db.Tx tx,
      People.Group g,
      List<People.Student> students,
      List<CheckViews.ClassCheckRef> open,
      LocalDate today) {
    List<Shelf.Assignment> all = given.ofGroup(tx, g.id(), students);
    Map<Long, Shown> shown = new LinkedHashMap<>();
    for (People.Student s : students) {
      shown.put(
          s.id(),
          worked.of(
              tx,
              s.id(),
              new What(g.id(), today.toString(), Speech.words()),
              () -> shown(tx, s, Stage.of(g.stage()), all, today)));
    }
    List<TodayViews.NextView> next = new ArrayList<>();
    for (Shelf.Assignment a : all) {
      next.add(
          new TodayViews.NextView(
              a.id(),
              Refs.PieceRef.of(players.piece(tx, a.pieceId())),
              a.to() instanceof Shelf.To.Group ? "" : words.to(tx, a.to()),
              a.due().toString(),
              Speech.words().due(a.due(), today),
              AssignmentWords.what(a),
              a.sentence(),
              shown.values().stream()
                  .flatMap(s -> Optional.ofNullable(s.ready().get(a.id())).stream())
                  .toList()));
    }
    Map<Integer, TodayViews.FadedView> faded = new LinkedHashMap<>();
    for (People.Student s : students) {
      shown.get(s.id()).faded().stream()
          .distinct()
          .forEach(
              f ->
                  faded
                      .computeIfAbsent(
                          f.pitchClass(),
                          k -> new TodayViews.FadedView(f.name(), new ArrayList<>()))
                      .students()
                      .add(s.name()));
    }
    boolean now = g.days().isEmpty() || g.days().contains(today.getDayOfWeek());
    return new TodayViews.GroupToday(
        g.id(),
        g.name(),
        students.size(),
        now,
        now ? "today" : next(g, today.getDayOfWeek()),
        next,
        shown.values().stream().flatMap(s -> s.say().stream()).toList(),
        faded.values().stream()
            .sorted(Comparator.comparingInt((TodayViews.FadedView f) -> -f.students().size()))
            .limit(FADED)
            .toList(),
        open.stream().filter(c -> c.groupId() == g.id()).toList());
  }

  /** What is shown of one student. */
  private Shown shown(
      Db.Tx tx, People.Student s, Stage stage, List<Shelf.Assignment> all, LocalDate today) {
    Learner learner = learners.of(tx, s).learner();
    Known k = new Known(s, learner.standing(), learner.player(), stage);
    Map<Long, TodayViews.ReadyView> ready = new LinkedHashMap<>();
    List<Faded> faded = new ArrayList<>();
    Optional<Has> first = Optional.empty();
    Optional<TodayViews.SayView> odd = Optional.empty();
    for (Shelf.Assignment a : all) {
      if (!a.to().has(s)) {
        continue;
      }
      try {
        Optional<Has> has = has(tx, k, a);
        ready.put(
            a.id(),
            has.map(TodayController::ready).orElseGet(() -> none(k, Refs.Ready.NONE, NOTHING)));
        has.ifPresent(h -> fade(h, faded));
        first = first.or(() -> has);
      } catch (OddPiece e) {
        ready.put(a.id(), none(k, ODD, Errors.sentence(e)));
        odd =
            odd.or(
                () ->
                    Optional.of(
                        new TodayViews.SayView(Refs.StudentRef.of(s), a.id(), ODD, "", "", "")));
      }
    }
    return new Shown(
        ready, first.isPresent() ? Optional.of(said(tx, first.get(), today)) : odd, faded);
  }

  private TodayViews.SayView said(Db.Tx tx, Has h, LocalDate today) {
    try {
      return OddPiece.guard(
          players.piece(tx, h.given().pieceId()), h.who().student(), () -> say(tx, h, today));
    } catch (OddPiece e) {
      return said(h, ODD, "", "", Errors.sentence(e));
    }
  }

  /** The next day on which a group meets. */
  private static String next(People.Group g, DayOfWeek today) {
    DayOfWeek day = today.plus(1);
    while (!g.days().contains(day)) {
      day = day.plus(1);
    }
    return Speech.words().weekday(day);
  }

  private Optional<Has> has(Db.Tx tx, Known k, Shelf.Assignment a) {
    Shelf.Piece piece = players.piece(tx, a.pieceId());
    return OddPiece.guard(
        piece,
        k.student(),
        () ->
            players
                .page(tx, k.student(), piece)
                .map(
                    p ->
                        new Has(
                            k,
                            a,
                            p,
                            Readiness.of(Assignments.line(a, p), k.player(), k.standing()))));
  }

  private static TodayViews.ReadyView ready(Has h) {
    Readiness r = h.readiness();
    return new TodayViews.ReadyView(
        Refs.StudentRef.of(h.who().student()),
        Refs.Ready.of(r),
        Refs.NoteName.of(r.lacking()),
        Refs.NoteName.of(r.shaky()),
        Refs.NoteName.of(r.faded()),
        Refs.NoteName.of(r.beyond()),
        Speech.words().readiness(r));
  }

  private static TodayViews.ReadyView none(Known k, Refs.Ready state, String why) {
    return new TodayViews.ReadyView(
        Refs.StudentRef.of(k.student()), state, List.of(), List.of(), List.of(), List.of(), why);
  }

  /** Gathers what was not heard for long, by how it sounds. */
  private static void fade(Has h, List<Faded> faded) {
    for (Pitch p : h.readiness().faded()) {
      Pitch sounds = h.who().player().setup().instrument().transposition().sounding(p);
      faded.add(new Faded(sounds.pitchClass(), Speech.words().name(Pitch.usual(sounds.midi()))));
    }
  }

  /** The one thing to say: a new note first, then a shaky one, a hard change, one to hear again. */
  private TodayViews.SayView say(Db.Tx tx, Has h, LocalDate today) {
    Readiness r = h.readiness();
    Line line = Assignments.line(h.given(), h.page());
    Player player = h.who().player();
    Instrument i = player.setup().instrument();
    if (!r.lacking().isEmpty()) {
      Pitch note = most(r.lacking(), line);
      return said(
          h,
          Refs.Ready.LACKS,
          Speech.words().note(note),
          Speech.say("say.lead.new"),
          Lesson.written(note, player, h.who().stage())
              .filter(l -> l.from().isPresent())
              .map(l -> Speech.words().teaching().comparison(i, l))
              .orElse(Speech.words().say("say.from-the-start")));
    }
    if (!r.beyond().isEmpty()) {
      Pitch note = r.beyond().get(0);
      return said(
          h,
          Refs.Ready.LACKS,
          Speech.words().note(note),
          Speech.say("say.lead.beyond"),
          Speech.say("say.beyond"));
    }
    if (!r.shaky().isEmpty()) {
      Pitch note = most(r.shaky(), line);
      return said(
          h,
          Refs.Ready.SHAKY,
          Speech.words().note(note),
          Speech.say("say.lead.again"),
          Lesson.written(note, player, h.who().stage())
              .flatMap(l -> l.mistakes().stream().filter(m -> m.heard().isPresent()).findFirst())
              .map(m -> Speech.words().teaching().mistake(i, note, m))
              .orElse(Speech.words().say("say.slowly")));
    }
    Bars bars = Assignments.bars(h.given(), h.page().reading().part());
    Optional<HardMove> hard =
        demands
            .of(
                tx,
                h.who().student(),
                player,
                players.piece(tx, h.given().pieceId()),
                demands.reads(tx, h.who().student()))
            .flatMap(
                d ->
                    d.tooHard(h.who().stage()).stream()
                        .filter(m -> bars.has(m.from()) && bars.has(m.to()))
                        .findFirst());
    if (hard.isPresent()) {
      HardMove m = hard.get();
      return said(
          h,
          Refs.Ready.HARD,
          Speech.say("bar", "bars", h.page().reading().part().bars().get(m.to().bar()).number()),
          Speech.say("say.lead.slowly"),
          Speech.say("say.two-notes", "from", m.from().pitch(), "to", m.to().pitch()));
    }
    if (!r.faded().isEmpty()) {
      Pitch note = r.faded().get(0);
      return said(
          h,
          Refs.Ready.FADED,
          Speech.words().note(note),
          Speech.say("say.lead.hear"),
          h.who()
              .standing()
              .best(note)
              .map(m -> Speech.say("say.last-heard", "when", Speech.words().ago(day(m), today)))
              .orElse(Speech.say("say.not-for-long")));
    }
    return said(h, Refs.Ready.READY, "", "", "");
  }

  private LocalDate day(Standing.Mark m) {
    return m.at().atZone(clock.getZone()).toLocalDate();
  }

  private static TodayViews.SayView said(
      Has h, Refs.Ready state, String about, String lead, String sentence) {
    return new TodayViews.SayView(
        Refs.StudentRef.of(h.who().student()), h.given().id(), state, about, lead, sentence);
  }

  /** Of some notes the one that the line has most often, the earlier of two. */
  private static Pitch most(List<Pitch> notes, Line line) {
    Map<Integer, Long> counts =
        line.notes().stream()
            .map(n -> n.pitch().midi())
            .collect(Collectors.groupingBy(Function.identity(), Collectors.counting()));
    return notes.stream()
        .max(Comparator.comparingLong(p -> counts.getOrDefault(p.midi(), 0L)))
        .orElseThrow();
  }
}
