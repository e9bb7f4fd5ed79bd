package sempre.server.api.people;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.pitch.Pitch;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.Removing;
import sempre.server.store.Removals;
import sempre.words.Words;

/** What was removed, and putting it back. */
@RestController
@RequestMapping("/api/removals")
class RemovalsController {
  private final Removing removing;
  private final Clock clock;

  RemovalsController(Removing removing, Clock clock) {
    this.removing = removing;
    this.clock = clock;
  }

  /** Everything that was removed and can be put back, the last first. */
  @GetMapping
  List<PeopleViews.RemovedView> all() {
    LocalDate today = LocalDate.now(clock);
    return removing.all().stream().map(g -> view(g, today)).toList();
  }

  private static PeopleViews.RemovedView view(Removing.Gone g, LocalDate today) {
    Words words = Speech.words();
    Removals.Removed r = g.removed();
    return new PeopleViews.RemovedView(
        r.kind(),
        r.id(),
        r.kind() == Removals.Kind.FINGERING ? words.note(Pitch.parse(r.name())) : r.name(),
        r.kind() == Removals.Kind.STUDENT
            ? words.instrument(r.about()).orElse(r.about())
            : r.about(),
        r.at().map(d -> words.ago(d, today)).orElse(""),
        with(g.with()));
  }

  /** What would go with a thing, in words. */
  @GetMapping("/{kind}/{id}")
  List<String> with(@PathVariable Removals.Kind kind, @PathVariable long id) {
    return with(removing.with(kind, id));
  }

  private static List<String> with(Map<String, Integer> counts) {
    return counts.entrySet().stream()
        .map(e -> Speech.say("with." + e.getKey(), "n", e.getValue()))
        .toList();
  }

  /** Removes a thing, with what goes with it. */
  @PutMapping("/{kind}/{id}")
  Refs.Id remove(@PathVariable Removals.Kind kind, @PathVariable long id) {
    removing.remove(kind, id);
    return new Refs.Id(id);
  }

  /** Puts a thing back, with what went with it. */
  @DeleteMapping("/{kind}/{id}")
  Refs.Id putBack(@PathVariable Removals.Kind kind, @PathVariable long id) {
    removing.putBack(kind, id);
    return new Refs.Id(id);
  }
}
