package sempre.server.api;

import java.sql.SQLException;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Stage;
import sempre.core.learning.Check;
import sempre.core.learning.Readiness;
import sempre.core.learning.Standing;
import sempre.core.pitch.Pitch;
import sempre.core.planning.HardMove;
import sempre.core.planning.Player;
import sempre.core.score.Bars;
import sempre.core.score.Line;
import sempre.core.teaching.Lesson;
import sempre.server.store.Checks;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** What each group plays next, who is ready, who is stuck on what, and what to say to each. */
@RestController
@RequestMapping("/api/today")
class TodayController {
  private static final int FADED = 6;

  private final Db db;
  private final People people;
  private final Shelf shelf;
  private final Checks checks;
  private final Players players;
  private final Given given;
  private final Demands demands;
  private final CheckLists lists;
  private final Clock clock;

  TodayController(
      Db db,
      People people,
      Shelf shelf,
      Checks checks,
      Players players,
      Given given,
      Demands demands,
      CheckLists lists,
      Clock clock) {
    this.db = db;
    this.people = people;
    this.shelf = shelf;
    this.checks = checks;
    this.players = players;
    this.given = given;
    this.demands = demands;
    this.lists = lists;
    this.clock = clock;
  }

  /** A student with all that is known of where the student stands. */
  private record Known(People.Student student, Standing standing, Player player, Stage stage) {}

  /** What one of them has to play. */
  private record Has(Known who, Shelf.Assignment given, Players.Page page, Readiness readiness) {}

  @GetMapping
  Views.Today today() {
    return db.inTransaction(
        tx -> {
          LocalDate today = LocalDate.now(clock);
          Map<Long, List<Check>> heard = checks.all(tx);
          List<Views.ClassCheckRef> open = lists.open(tx);
          List<Views.GroupToday> groups = new ArrayList<>();
          for (People.Group g : people.groups(tx)) {
            groups.add(group(tx, g, people.students(tx, g.id()), heard, open, today));
          }
          List<People.Student> alone = new ArrayList<>();
          for (People.Student s : people.students(tx)) {
            if (people.groupsOf(tx, s.id()).isEmpty()
                && !shelf.assignmentsOf(tx, s.id()).isEmpty()) {
              alone.add(s);
            }
          }
          if (!alone.isEmpty()) {
            People.Group none = new People.Group(0, "In no group", Stage.SCHOOL.word(), "");
            groups.add(group(tx, none, alone, heard, open, today));
          }
          groups.sort(Comparator.comparing(g -> !g.today()));
          return new Views.Today(today.toString(), groups, shelf.pieces(tx).size());
        });
  }

  private Views.GroupToday group(
      Db.Tx tx,
      People.Group g,
      List<People.Student> students,
      Map<Long, List<Check>> heard,
      List<Views.ClassCheckRef> open,
      LocalDate today)
      throws SQLException {
    List<Known> all = new ArrayList<>();
    for (People.Student s : students) {
      Standing standing = players.standing(tx, s, heard.getOrDefault(s.id(), List.of()));
      all.add(new Known(s, standing, players.player(tx, s, standing), Stage.of(g.stage())));
    }
    List<Views.NextView> next = new ArrayList<>();
    Map<Long, Has> first = new LinkedHashMap<>();
    Map<Integer, Views.FadedView> faded = new LinkedHashMap<>();
    for (Shelf.Assignment a : given.ofGroup(tx, g.id(), students)) {
      List<Views.ReadyView> ready = new ArrayList<>();
      for (Known k : all) {
        if (Given.plays(a, k.student())) {
          Optional<Has> has = has(tx, k, a);
          ready.add(has.map(TodayController::ready).orElseGet(() -> none(k)));
          has.ifPresent(h -> first.putIfAbsent(k.student().id(), h));
          has.ifPresent(h -> fade(h, faded));
        }
      }
      next.add(
          new Views.NextView(
              a.id(),
              Names.piece(players.piece(tx, a.pieceId())),
              a.studentId() == 0 && a.section().isEmpty() ? "" : given.words(tx, a),
              a.due().toString(),
              Names.day(a.due(), today),
              Given.what(a),
              a.sentence(),
              ready));
    }
    List<Views.SayView> say = new ArrayList<>();
    for (Has h : first.values()) {
      say.add(say(tx, h, today));
    }
    boolean now = g.days().isEmpty() || g.days().contains(today.getDayOfWeek());
    return new Views.GroupToday(
        g.id(),
        g.name(),
        students.size(),
        now,
        now ? "today" : next(g, today.getDayOfWeek()),
        next,
        say,
        faded.values().stream()
            .sorted(Comparator.comparingInt((Views.FadedView f) -> -f.students().size()))
            .limit(FADED)
            .toList(),
        open.stream().filter(c -> c.groupId() == g.id()).toList());
  }

  /** The next day on which a group meets. */
  private static String next(People.Group g, DayOfWeek today) {
    DayOfWeek day = today.plus(1);
    while (!g.days().contains(day)) {
      day = day.plus(1);
    }
    return day.getDisplayName(TextStyle.FULL, Locale.ENGLISH);
  }

  private Optional<Has> has(Db.Tx tx, Known k, Shelf.Assignment a) throws SQLException {
    Shelf.Piece piece = players.piece(tx, a.pieceId());
    return players
        .page(tx, k.student(), piece)
        .map(p -> new Has(k, a, p, Readiness.of(Given.line(a, p), k.player(), k.standing())));
  }

  private static Views.ReadyView ready(Has h) {
    Readiness r = h.readiness();
    return new Views.ReadyView(
        Names.student(h.who().student()),
        Told.state(r),
        Names.notes(r.lacking()),
        Names.notes(r.shaky()),
        Names.notes(r.faded()),
        Names.notes(r.beyond()),
        Told.sentence(r));
  }

  private static Views.ReadyView none(Known k) {
    return new Views.ReadyView(
        Names.student(k.student()),
        "none",
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        "Nothing to finger: the piece has no notes with a pitch.");
  }

  /** Gathers what was not heard for long, by how it sounds. */
  private static void fade(Has h, Map<Integer, Views.FadedView> faded) {
    for (Pitch p : h.readiness().faded()) {
      Pitch sounds = h.who().player().setup().instrument().transposition().sounding(p);
      String name = Pitch.usual(sounds.midi()).spokenName();
      Views.FadedView view =
          faded.computeIfAbsent(
              sounds.pitchClass(), k -> new Views.FadedView(name, new ArrayList<>()));
      if (!view.students().contains(h.who().student().name())) {
        view.students().add(h.who().student().name());
      }
    }
  }

  /** The one thing to say: a new note first, then a shaky one, a hard change, one to hear again. */
  private Views.SayView say(Db.Tx tx, Has h, LocalDate today) throws SQLException {
    Readiness r = h.readiness();
    Line line = Given.line(h.given(), h.page());
    Player player = h.who().player();
    if (!r.lacking().isEmpty()) {
      Pitch note = most(r.lacking(), line);
      return said(
          h,
          "lacks",
          note.displayName(),
          "New: ",
          Lesson.written(note, player)
              .flatMap(Lesson::from)
              .map(Lesson.From::sentence)
              .orElse("Nothing near it is there yet; show it from the start."));
    }
    if (!r.beyond().isEmpty()) {
      Pitch note = r.beyond().get(0);
      return said(h, "lacks", note.displayName(), "Beyond: ", "Give a simpler part for this note.");
    }
    if (!r.shaky().isEmpty()) {
      Pitch note = most(r.shaky(), line);
      return said(
          h,
          "shaky",
          note.displayName(),
          "Again: ",
          Lesson.written(note, player)
              .flatMap(l -> l.mistakes().stream().findFirst())
              .map(
                  m ->
                      "If "
                          + m.written().displayName()
                          + " comes out: "
                          + m.why()
                          + ". "
                          + Character.toUpperCase(m.mend().charAt(0))
                          + m.mend().substring(1).replaceAll("\\.$", "")
                          + ".")
              .orElse("Slowly, from the note before."));
    }
    Bars bars = Given.bars(h.given(), h.page().reading().part());
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
          "hard",
          "bar " + h.page().reading().part().bars().get(m.to().bar()).number(),
          "Slowly: ",
          m.from().pitch().displayName()
              + " to "
              + m.to().pitch().displayName()
              + ", the two notes alone, then round them.");
    }
    if (!r.faded().isEmpty()) {
      Pitch note = r.faded().get(0);
      return said(
          h,
          "faded",
          note.displayName(),
          "Hear again: ",
          h.who()
              .standing()
              .best(note)
              .map(m -> "Last heard " + Names.ago(day(m), today) + ".")
              .orElse("Not heard for long."));
    }
    return said(h, "ready", "", "", "");
  }

  private LocalDate day(Standing.Mark m) {
    return m.at().atZone(clock.getZone()).toLocalDate();
  }

  private static Views.SayView said(
      Has h, String state, String about, String lead, String sentence) {
    return new Views.SayView(
        Names.student(h.who().student()), h.given().id(), state, about, lead.strip(), sentence);
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
