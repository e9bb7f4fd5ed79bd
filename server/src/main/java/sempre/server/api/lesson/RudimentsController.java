package sempre.server.api.lesson;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.drums.Rudiment;
import sempre.core.learning.Grade;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.WhoMarks;
import sempre.server.app.DrumsLearned;
import sempre.server.store.Rudiments;

/** What who plays drums has learned: rudiments, with the tempo at which they are clean. */
@RestController
@RequestMapping("/api/students/{studentId}/rudiments")
class RudimentsController {
  private final DrumsLearned learned;
  private final Clock clock;

  RudimentsController(DrumsLearned learned, Clock clock) {
    this.learned = learned;
    this.clock = clock;
  }

  /**
   * How a rudiment stands.
   *
   * @param hands in their order: lR is a flam
   * @param tempo at which it was heard last; 0 where it never was
   * @param clean the quickest tempo at which it was secure; 0 where it never was
   * @param last what was heard last, to be taken back; 0 where there is nothing
   */
  record RudimentView(
      Rudiment rudiment,
      String name,
      String hands,
      Refs.Heard standing,
      int tempo,
      int clean,
      long last,
      String sentence) {}

  /**
   * A rudiment as it was heard.
   *
   * @param tempo quarters a minute
   * @param mark names the press of the key
   */
  record RudimentBody(
      @NotNull Rudiment rudiment,
      @Min(value = 20, message = "ask.rudiment") @Max(value = 300, message = "ask.rudiment")
          int tempo,
      @NotNull Grade grade,
      @NotNull @Size(min = 1, max = 40) String mark) {}

  @GetMapping
  List<RudimentView> all(@PathVariable long studentId) {
    return learned.of(studentId).stream().map(this::view).toList();
  }

  @PostMapping
  List<RudimentView> hear(@PathVariable long studentId, @Valid @RequestBody RudimentBody b) {
    learned.hear(
        studentId,
        new Rudiments.Heard(
            0, WhoMarks.at(clock), b.rudiment(), b.tempo(), b.grade(), WhoMarks.by()),
        b.mark());
    return all(studentId);
  }

  /** What was heard is taken back; the entry before it counts again. */
  @DeleteMapping("/{id}")
  List<RudimentView> takeBack(@PathVariable long studentId, @PathVariable long id) {
    learned.takeBack(studentId, id);
    return all(studentId);
  }

  private RudimentView view(DrumsLearned.Standing s) {
    Refs.Heard standing = s.last().map(h -> Refs.Heard.of(h.grade())).orElse(Refs.Heard.OPEN);
    int tempo = s.last().map(Rudiments.Heard::tempo).orElse(0);
    int clean = s.clean().orElse(0);
    boolean told = standing == Refs.Heard.SECURE && clean == tempo;
    return new RudimentView(
        s.rudiment(),
        Speech.say("rudiment." + s.rudiment().id()),
        s.rudiment().hands(),
        standing,
        tempo,
        clean,
        s.last().map(Rudiments.Heard::id).orElse(0L),
        Speech.say(
            "rudiment.stands",
            "grade",
            standing.name(),
            "tempo",
            tempo,
            "clean",
            told ? 0 : clean,
            "day",
            s.last()
                .map(h -> Speech.words().shortDay(h.at().atZone(clock.getZone()).toLocalDate()))
                .orElse("none")));
  }
}
