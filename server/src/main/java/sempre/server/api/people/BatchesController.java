package sempre.server.api.people;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.WhoMarks;
import sempre.server.app.TakingBack;
import sempre.server.store.Batches;

/** What was done for many at once, and taking it back in one go. */
@RestController
@RequestMapping("/api/batches")
class BatchesController {
  private final TakingBack batches;
  private final Clock clock;

  BatchesController(TakingBack batches, Clock clock) {
    this.batches = batches;
    this.clock = clock;
  }

  /** What can be taken back, the last first. */
  @GetMapping
  List<PeopleViews.BatchView> all() {
    LocalDate today = LocalDate.now(clock);
    return batches.all().stream().map(b -> view(b, today)).toList();
  }

  private PeopleViews.BatchView view(Batches.Batch b, LocalDate today) {
    return new PeopleViews.BatchView(
        b.id(),
        b.kind(),
        b.group(),
        b.piece(),
        say("batch.", b),
        Speech.words().ago(b.at().atZone(clock.getZone()).toLocalDate(), today));
  }

  /** Takes one back; what was changed by hand since then stays. */
  @PostMapping("/{id}/back")
  Refs.Done takeBack(@PathVariable long id) {
    return new Refs.Done(say("batch.back.", batches.takeBack(id, WhoMarks.by())));
  }

  private static String say(String key, Batches.Batch b) {
    return Speech.say(
        key + b.kind().name().toLowerCase(Locale.ROOT),
        "items",
        b.items(),
        "students",
        b.students(),
        "about",
        b.about());
  }
}
