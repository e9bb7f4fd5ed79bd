package sempre.server.api.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.instrument.Style;
import sempre.core.learning.Grade;
import sempre.core.learning.Standing;
import sempre.core.planning.Player;
import sempre.core.teaching.Ways;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.stand.Advice;
import sempre.server.api.stand.StandViews;
import sempre.server.app.Erasing;
import sempre.server.app.FingeringChanges;
import sempre.server.app.Memo;
import sempre.server.app.NotThere;
import sempre.server.app.Players;
import sempre.server.store.Db;
import sempre.server.store.People;

/** Groups, students, what instruments there are, and the house style. */
@RestController
@RequestMapping("/api")
public class PeopleController {
  private static final int MOST = 1_000;

  private final Db db;
  private final Clock clock;
  private final FingeringChanges effects;
  private final People people;
  private final Memo<PeopleViews.StudentView> worked;
  private final Erasing erased;
  private final Players players;

  public PeopleController(
      Db db,
      People people,
      Players players,
      FingeringChanges effects,
      Erasing erased,
      Clock clock) {
    this.erased = erased;
    this.clock = clock;
    this.effects = effects;
    this.db = db;
    this.people = people;
    this.worked = new Memo<>(MOST, clock);
    this.players = players;
  }

  public record GroupBody(
      @NotBlank(message = "ask.group") @Size(max = 80, message = "ask.group-long") String name,
      Stage stage,
      @Size(max = 40, message = "ask.year-long") String year,
      Set<DayOfWeek> days) {

    /** The group meant; without a stage it is in its first years. */
    private People.Group group(long id) {
      Stage s = stage == null ? Stage.FIRST_YEARS : stage;
      return new People.Group(
          id, name.strip(), s, year == null ? "" : year.strip(), days == null ? Set.of() : days);
    }
  }

  public record StudentBody(
      @NotBlank(message = "ask.first-name") @Size(max = 40, message = "ask.first-name-long")
          String givenName,
      @Size(max = 6, message = "ask.initial-long") String initial,
      @NotBlank(message = "ask.instrument") String instrument,
      Map<String, String> options,
      List<String> avoid,
      Map<String, String> style,
      List<Long> groups,
      long person,
      @Size(max = 20, message = "ask.seat-long") String seat) {}

  /**
   * What the house does.
   *
   * @param school one of the ways; empty for an instrument takes the decision back, so that the
   *     plan may choose again
   */
  public record StyleBody(@NotNull(message = "ask.school") String school) {}

  @GetMapping("/people")
  public PeopleViews.PeopleView people() {
    return db.inTransaction(
        tx -> {
          List<PeopleViews.GroupView> groups = new ArrayList<>();
          for (People.Group g : people.groups(tx)) {
            groups.add(
                new PeopleViews.GroupView(
                    g.id(),
                    g.name(),
                    g.stage(),
                    Speech.words().stage(g.stage()),
                    g.year(),
                    g.days().stream().toList(),
                    people.students(tx, g.id()).stream().map(People.Student::id).toList()));
          }
          List<PeopleViews.StudentView> students = new ArrayList<>();
          for (People.Student s : people.students(tx)) {
            students.add(
                worked.of(
                    tx, s.id(), List.of(LocalDate.now(clock), Speech.words()), () -> view(tx, s)));
          }
          List<PeopleViews.StudentView> gone = new ArrayList<>();
          for (People.Student s : people.gone(tx)) {
            gone.add(view(tx, s));
          }
          return new PeopleViews.PeopleView(groups, students, gone);
        });
  }

  private PeopleViews.StudentView view(Db.Tx tx, People.Student s) {
    Standing standing = players.standing(tx, s.id());
    Refs.StudentRef ref = Refs.StudentRef.of(s);
    List<Refs.StudentRef> others = new ArrayList<>();
    for (People.Student o : people.ofPerson(tx, s.person())) {
      if (o.id() != s.id()) {
        others.add(Refs.StudentRef.of(o));
      }
    }
    Setup setup = Catalogue.standard().setup(s.instrument(), s.options());
    Keywork keywork = setup.instrument().keywork();
    Set<String> avoid = Player.of(setup, Map.of(), s.avoid(), Optional.empty()).avoid();
    List<Hold> reach =
        setup.instrument().reachable().stream()
            .filter(h -> avoid.contains(keywork.place(h)))
            .toList();
    return new PeopleViews.StudentView(
        new PeopleViews.NamedView(s.id(), s.givenName(), s.initial(), s.name(), s.person()),
        new PeopleViews.SetUpView(
            s.instrument(),
            ref.instrumentName(),
            s.options(),
            reach.stream().map(keywork::place).toList(),
            reach.stream().map(Speech.words()::hold).toList(),
            s.avoid().stream()
                .filter(a -> keywork.places(a, setup.options()).size() > 1)
                .flatMap(a -> keywork.places(a, setup.options()).stream())
                .toList(),
            s.style()),
        people.groupsOf(tx, s.id()),
        s.seat(),
        others,
        people.left(tx, s.id()).map(d -> Speech.words().due(d, LocalDate.now(clock))).orElse(""),
        (int) standing.marks().stream().filter(m -> m.grade() == Grade.SECURE).count(),
        (int) standing.marks().stream().filter(m -> m.grade() == Grade.SHAKY).count());
  }

  @PostMapping("/groups")
  public Refs.Id addGroup(@Valid @RequestBody GroupBody body) {
    return db.inTransaction(tx -> new Refs.Id(people.addGroup(tx, body.group(0))));
  }

  @PutMapping("/groups/{id}")
  public Refs.Id changeGroup(@PathVariable long id, @Valid @RequestBody GroupBody body) {
    return db.inTransaction(
        tx -> {
          found(people.changeGroup(tx, body.group(id)), "gone.group");
          return new Refs.Id(id);
        });
  }

  @PostMapping("/students")
  public Refs.Id add(@Valid @RequestBody StudentBody body) {
    return db.inTransaction(
        tx -> {
          if (body.person() != 0) {
            found(people.ofPerson(tx, body.person()).size(), "gone.student");
          }
          long id = people.add(tx, checked(0, body));
          people.setGroups(tx, id, body.groups() == null ? List.of() : body.groups());
          return new Refs.Id(id);
        });
  }

  @PutMapping("/students/{id}")
  public Refs.Id change(@PathVariable long id, @Valid @RequestBody StudentBody body) {
    return db.inTransaction(
        tx -> {
          found(people.change(tx, checked(id, body)), "gone.student");
          people.setGroups(tx, id, body.groups() == null ? List.of() : body.groups());
          return new Refs.Id(id);
        });
  }

  /**
   * Erases a student for good and says what went.
   *
   * @param all every instrument of the person, or only this one
   */
  @DeleteMapping("/students/{id}")
  public Refs.Done erase(@PathVariable long id, @RequestParam(defaultValue = "true") boolean all) {
    Refs.Done done =
        db.inTransaction(
            tx -> {
              People.Student s = players.student(tx, id);
              List<People.Student> who = all ? people.ofPerson(tx, s.person()) : List.of(s);
              Map<String, Integer> sum = new LinkedHashMap<>();
              for (People.Student one : who) {
                people.written(tx, one.id()).forEach((k, n) -> sum.merge(k, n, Integer::sum));
                people.erase(tx, one.id());
              }
              return new Refs.Done(erased(s, who.size(), sum));
            });
    erased.again();
    return done;
  }

  private static String erased(People.Student s, int instruments, Map<String, Integer> sum) {
    Map<String, Object> with = new LinkedHashMap<>(sum);
    with.put("student", s.name());
    with.put("instruments", instruments);
    return Speech.words().say("erased", with);
  }

  @GetMapping("/instruments")
  public List<PeopleViews.InstrumentView> instruments() {
    return Catalogue.standard().instruments().stream().map(PeopleController::view).toList();
  }

  /** Matters in which teachers differ whatever the instrument. */
  @GetMapping("/ways")
  public List<PeopleViews.StyleView> ways() {
    return Ways.all().stream().map(PeopleController::view).toList();
  }

  /**
   * What the house has decided, by instrument; where nothing is said the usual way is played and
   * the plan may leave it. Under {@code all} what holds for all of them, complete.
   */
  @GetMapping("/styles")
  public Map<String, Map<String, String>> styles() {
    return db.inTransaction(
        tx -> {
          Map<String, Map<String, String>> all = new java.util.LinkedHashMap<>();
          all.put(People.EVERYONE, Ways.with(people.houseStyle(tx, People.EVERYONE)));
          for (Instrument i : Catalogue.standard().instruments()) {
            if (!i.styles().isEmpty()) {
              all.put(i.id(), people.houseStyle(tx, i.id()));
            }
          }
          return all;
        });
  }

  /** Changes a house style; says what is fingered otherwise in the assigned parts for it. */
  @PutMapping("/styles/{instrument}/{name}")
  public List<StandViews.EffectView> setStyle(
      @PathVariable String instrument,
      @PathVariable String name,
      @Valid @RequestBody StyleBody body) {
    if (instrument.equals(People.EVERYONE)) {
      Ways.check(name, body.school());
    } else {
      Instrument played = Catalogue.standard().instrument(instrument);
      String school = body.school().isEmpty() ? played.style(name).standard() : body.school();
      played.stylesWith(Map.of(name, school));
    }
    return db.inTransaction(
        tx -> {
          List<People.Student> players =
              people.students(tx).stream()
                  .filter(s -> s.instrument().equals(instrument))
                  .filter(s -> !s.style().containsKey(name))
                  .toList();
          return effects
              .of(tx, players, () -> people.setHouseStyle(tx, instrument, name, body.school()))
              .stream()
              .map(Advice::effect)
              .toList();
        });
  }

  private static PeopleViews.InstrumentView view(Instrument i) {
    return new PeopleViews.InstrumentView(
        i.id(),
        Speech.words().instrument(i),
        Speech.say("range", "from", i.lowest(), "to", i.highest()),
        i.options().stream().map(Refs.OptionView::of).toList(),
        i.styles().stream().map(PeopleController::view).toList(),
        i.reachable().stream()
            .map(
                h ->
                    new PeopleViews.ControlView(
                        i.keywork().place(h),
                        Speech.words().hold(h),
                        Speech.words().finger(h.finger())))
            .toList(),
        i.byNote().values().stream().map(l -> Refs.NoteName.of(l.get(0).written())).toList());
  }

  private static PeopleViews.StyleView view(Style s) {
    return new PeopleViews.StyleView(
        s.name(),
        Speech.words().option(s.label()),
        s.schools().entrySet().stream()
            .map(e -> new Refs.SchoolView(e.getKey(), Speech.words().school(e.getValue())))
            .toList(),
        s.standard());
  }

  /** The student of a form, its words checked against the catalogue. */
  private static People.Student checked(long id, StudentBody b) {
    Map<String, String> options = b.options() == null ? Map.of() : b.options();
    Map<String, String> style = b.style() == null ? Map.of() : b.style();
    Set<String> avoid = b.avoid() == null ? Set.of() : Set.copyOf(b.avoid());
    Instrument instrument = Catalogue.standard().instrument(b.instrument());
    style.forEach(
        (name, school) -> {
          if (Ways.has(name)) {
            Ways.check(name, school);
          }
        });
    // a name without a side is kept as both hands'
    Player player =
        Player.of(
            Catalogue.standard().setup(b.instrument(), options),
            Ways.without(style),
            avoid,
            Optional.empty());
    return new People.Student(
        id,
        b.givenName().strip(),
        b.initial() == null ? "" : b.initial().strip().replace(".", ""),
        b.instrument(),
        options,
        player.avoid(),
        style,
        b.person(),
        b.seat() == null ? "" : b.seat().strip());
  }

  private static void found(int rows, String sentence) {
    if (rows == 0) {
      throw new NotThere(sentence);
    }
  }
}
