package sempre.server.api.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
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
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Stage;
import sempre.core.instrument.Style;
import sempre.core.score.PartNumbers;
import sempre.core.teaching.Ways;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.stand.Advice;
import sempre.server.api.stand.StandViews;
import sempre.server.app.Enrolling;
import sempre.server.app.Members;
import sempre.server.store.People;

/** Groups, students, what instruments there are, and the house style. */
@RestController
@RequestMapping("/api")
class PeopleController {
  private final Members members;
  private final Enrolling enrolling;
  private final Clock clock;

  PeopleController(Members members, Enrolling enrolling, Clock clock) {
    this.members = members;
    this.enrolling = enrolling;
    this.clock = clock;
  }

  record GroupBody(
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

  record StudentBody(
      @NotBlank(message = "ask.first-name") @Size(max = 40, message = "ask.first-name-long")
          String givenName,
      @Size(max = 6, message = "ask.initial-long") String initial,
      @NotBlank(message = "ask.instrument") String instrument,
      Map<String, String> options,
      List<String> avoid,
      Map<String, String> style,
      List<Long> groups,
      long person,
      @Size(max = 20, message = "ask.seat-long") String seat,
      @Min(value = 0, message = "ask.part-number")
          @Max(value = PartNumbers.MOST, message = "ask.part-number")
          int part) {
    private People.Student student(long id) {
      return new People.Student(
          id,
          givenName.strip(),
          Objects.toString(initial, "").strip().replace(".", ""),
          instrument,
          options == null ? Map.of() : options,
          avoid == null ? Set.of() : Set.copyOf(avoid),
          style == null ? Map.of() : style,
          person,
          Objects.toString(seat, "").strip(),
          part);
    }

    private List<Long> inGroups() {
      return groups == null ? List.of() : groups;
    }
  }

  /**
   * Who plays which part.
   *
   * @param parts by the student's id, from 1; 0 where it is not said
   */
  record PartsBody(
      @NotNull(message = "ask.part-number")
          Map<
                  Long,
                  @NotNull(message = "ask.part-number") @Min(value = 0, message = "ask.part-number")
                  @Max(value = PartNumbers.MOST, message = "ask.part-number") Integer>
              parts) {}

  /**
   * What the house does.
   *
   * @param school one of the ways; empty for an instrument takes the decision back, so that the
   *     plan may choose again
   */
  record StyleBody(@NotNull(message = "ask.school") String school) {}

  @GetMapping("/people")
  PeopleViews.PeopleView people() {
    Members.Everyone all = members.everyone();
    return new PeopleViews.PeopleView(
        all.groups().stream().map(PeopleController::view).toList(),
        all.students().stream().map(this::view).toList(),
        all.gone().stream().map(this::view).toList());
  }

  private static PeopleViews.GroupView view(Members.Group g) {
    People.Group group = g.group();
    return new PeopleViews.GroupView(
        group.id(),
        group.name(),
        group.stage(),
        Speech.words().stage(group.stage()),
        group.year(),
        List.copyOf(group.days()),
        g.students());
  }

  private PeopleViews.StudentView view(Members.Entry e) {
    People.Student s = e.student();
    Members.Hand hand = e.hand();
    Keywork keywork = hand.setup().instrument().keywork();
    return new PeopleViews.StudentView(
        new PeopleViews.NamedView(s.id(), s.givenName(), s.initial(), s.name(), s.person()),
        new PeopleViews.SetUpView(
            s.instrument(),
            Speech.words().instrument(hand.setup().instrument()),
            Speech.words().instrumentInside(s.instrument()),
            s.options(),
            hand.reach().stream().map(keywork::place).toList(),
            hand.reach().stream().map(Speech.words()::hold).toList(),
            hand.bothHands(),
            s.style()),
        e.groups(),
        s.seat(),
        s.part(),
        e.others().stream().map(Refs.StudentRef::of).toList(),
        e.left().map(d -> Speech.words().due(d, LocalDate.now(clock))).orElse(""),
        e.secure(),
        e.shaky());
  }

  @PostMapping("/groups")
  Refs.Id addGroup(@Valid @RequestBody GroupBody body) {
    return new Refs.Id(enrolling.addGroup(body.group(0)));
  }

  @PutMapping("/groups/{id}")
  Refs.Id changeGroup(@PathVariable long id, @Valid @RequestBody GroupBody body) {
    enrolling.changeGroup(body.group(id));
    return new Refs.Id(id);
  }

  /** Sets which part of their sections students of a group play, all or none. */
  @PutMapping("/groups/{id}/parts")
  Refs.Id parts(@PathVariable long id, @Valid @RequestBody PartsBody body) {
    enrolling.setParts(id, body.parts());
    return new Refs.Id(id);
  }

  @PostMapping("/students")
  Refs.Id add(@Valid @RequestBody StudentBody body) {
    return new Refs.Id(enrolling.add(body.student(0), body.inGroups()));
  }

  @PutMapping("/students/{id}")
  Refs.Id change(@PathVariable long id, @Valid @RequestBody StudentBody body) {
    enrolling.change(body.student(id), body.inGroups());
    return new Refs.Id(id);
  }

  /**
   * Erases a student for good and says what went.
   *
   * @param all every instrument of the person, or only this one
   * @param backups whether backups in the folder of the data go too
   */
  @DeleteMapping("/students/{id}")
  Refs.Done erase(
      @PathVariable long id,
      @RequestParam(defaultValue = "true") boolean all,
      @RequestParam(defaultValue = "false") boolean backups) {
    Enrolling.Erased erased = enrolling.erase(id, all, backups);
    Map<String, Object> with = new LinkedHashMap<>(erased.written());
    with.put("student", erased.student().name());
    with.put("instruments", erased.instruments());
    return new Refs.Done(Speech.words().say("erased", with));
  }

  @GetMapping("/instruments")
  List<PeopleViews.InstrumentView> instruments() {
    return Catalogue.standard().instruments().stream().map(PeopleController::view).toList();
  }

  /** Matters in which teachers differ whatever the instrument. */
  @GetMapping("/ways")
  List<PeopleViews.StyleView> ways() {
    return Ways.all().stream().map(PeopleController::view).toList();
  }

  /**
   * What the house has decided, by instrument; where nothing is said the usual way is played and
   * the plan may leave it. Under {@code all} what holds for all of them, complete.
   */
  @GetMapping("/styles")
  Map<String, Map<String, String>> styles() {
    return enrolling.styles();
  }

  /** Changes a house style; says what is fingered otherwise in the assigned parts for it. */
  @PutMapping("/styles/{instrument}/{name}")
  List<StandViews.EffectView> setStyle(
      @PathVariable String instrument,
      @PathVariable String name,
      @Valid @RequestBody StyleBody body) {
    return enrolling.setStyle(instrument, name, body.school()).stream()
        .map(Advice::effect)
        .toList();
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
        i.byNote().values().stream().map(l -> Refs.NoteName.of(l.get(0).written())).toList(),
        i.transposition().semitones());
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
}
