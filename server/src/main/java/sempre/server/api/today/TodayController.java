package sempre.server.api.today;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.learning.Readiness;
import sempre.server.api.AssignmentWords;
import sempre.server.api.Errors;
import sempre.server.api.Refs;
import sempre.server.api.Refs.Ready;
import sempre.server.api.Speech;
import sempre.server.api.check.CheckViews;
import sempre.server.api.check.CheckWords;
import sempre.server.app.Notices;
import sempre.server.app.PlayingChecks;
import sempre.server.app.Today;
import sempre.server.demo.SampleSchool;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** The first screen. */
@RestController
@RequestMapping("/api/today")
class TodayController {
  private final Today today;
  private final PlayingChecks checks;
  private final Notices notices;
  private final SampleSchool sample;
  private final Clock clock;

  TodayController(
      Today today, PlayingChecks checks, Notices notices, SampleSchool sample, Clock clock) {
    this.today = today;
    this.checks = checks;
    this.notices = notices;
    this.sample = sample;
    this.clock = clock;
  }

  @GetMapping
  TodayViews.Today today() {
    LocalDate day = LocalDate.now(clock);
    List<CheckViews.ClassCheckRef> open =
        checks.open().stream().map(c -> CheckWords.ref(c, clock)).toList();
    return new TodayViews.Today(
        day.toString(),
        today.groups().stream().map(g -> group(g, open, day)).toList(),
        today.pieces(),
        today.heard(),
        sample.state(),
        notices.all().stream().map(Speech.words()::sentence).toList());
  }

  private TodayViews.GroupToday group(
      Today.OfGroup g, List<CheckViews.ClassCheckRef> open, LocalDate day) {
    long id = g.group().map(People.Group::id).orElse(0L);
    return new TodayViews.GroupToday(
        id,
        g.group().map(People.Group::name).orElseGet(() -> Speech.say("group.none")),
        g.students(),
        g.meets().isEmpty(),
        g.meets().map(Speech.words()::weekday).orElseGet(() -> Speech.say("day.today")),
        g.given().stream().map(n -> next(n, day)).toList(),
        g.say().entrySet().stream().map(e -> say(e.getKey(), e.getValue())).toList(),
        g.faded().stream()
            .map(
                f ->
                    new TodayViews.FadedView(
                        Speech.words().name(Speech.alone(f.sounds())),
                        f.students().stream().map(People.Student::name).toList()))
            .toList(),
        open.stream().filter(c -> c.groupId() == id).toList());
  }

  private TodayViews.NextView next(Today.Given g, LocalDate day) {
    Shelf.Assignment a = g.assignment();
    return new TodayViews.NextView(
        a.id(),
        Refs.PieceRef.of(g.piece()),
        a.to() instanceof Shelf.To.Group ? "" : AssignmentWords.to(g.whom()),
        a.due().toString(),
        Speech.words().due(a.due(), day),
        AssignmentWords.what(a),
        a.sentence(),
        g.states().entrySet().stream().map(e -> ready(e.getKey(), e.getValue())).toList());
  }

  private static TodayViews.ReadyView ready(People.Student s, Today.State state) {
    if (state instanceof Today.State.Known k) {
      Readiness r = k.readiness();
      return new TodayViews.ReadyView(
          Refs.StudentRef.of(s),
          k.simpler().isPresent(),
          Ready.of(r),
          Refs.NoteName.of(r.lacking()),
          Refs.NoteName.of(r.shaky()),
          Refs.NoteName.of(r.faded()),
          Refs.NoteName.of(r.beyond()),
          k.simpler()
              .map(p -> Speech.say("today.simpler", "stands", Speech.words().readiness(r)))
              .orElseGet(() -> Speech.words().readiness(r)));
    }
    if (state instanceof Today.State.Drums d) {
      return without(s, Ready.DRUMS, Speech.say("drums.part", "part", d.part()));
    }
    if (state instanceof Today.State.NoNotes n) {
      return without(s, Ready.NONE, Speech.say(n.drums() ? "drums.none" : "today.no-notes"));
    }
    return without(s, Ready.ODD, Errors.sentence(((Today.State.Odd) state).why()));
  }

  private static TodayViews.ReadyView without(People.Student s, Ready state, String sentence) {
    return new TodayViews.ReadyView(
        Refs.StudentRef.of(s), false, state, List.of(), List.of(), List.of(), List.of(), sentence);
  }

  private TodayViews.SayView say(People.Student s, Today.Say say) {
    SayWords w = SayWords.of(say, clock);
    return new TodayViews.SayView(
        Refs.StudentRef.of(s), say.assignment(), w.state(), w.about(), w.lead(), w.sentence());
  }
}
