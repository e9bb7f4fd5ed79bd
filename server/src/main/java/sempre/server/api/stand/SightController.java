package sempre.server.api.stand;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.Judgement;
import sempre.core.Refusal;
import sempre.core.instrument.Stage;
import sempre.core.making.Mode;
import sempre.core.making.SightReading;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.ReadingAtSight;

/** Music to be read at sight. */
@RestController
@RequestMapping("/api/students/{studentId}/sight")
class SightController {
  private static final int NARROWEST = 2;
  private static final int WIDEST = 12;
  private static final int MOST_BARS = 16;

  private final ReadingAtSight reading;

  SightController(ReadingAtSight reading) {
    this.reading = reading;
  }

  /**
   * A piece to be read.
   *
   * @param key in words
   * @param meter such as {@code 3/4}
   * @param told of which notes it is made
   */
  record SightView(
      Refs.StudentRef student,
      long seed,
      String key,
      String meter,
      String told,
      MaterialViews.StudyMusic music) {}

  /**
   * Makes one.
   *
   * @param leap the widest interval, in half steps, 2 to 12
   * @param bars 4, 8 or 16
   * @param seed the same number makes the same piece
   */
  @GetMapping
  SightView made(
      @PathVariable long studentId,
      @RequestParam SightReading.Level level,
      @RequestParam int leap,
      @RequestParam int bars,
      @RequestParam long seed) {
    ReadingAtSight.Read r = reading.made(studentId, wanted(level, leap, bars, seed));
    String mode = (r.piece().minor() ? Mode.NATURAL_MINOR : Mode.MAJOR).name();
    return new SightView(
        Refs.StudentRef.of(r.student()),
        seed,
        Speech.say(
            "sight.key",
            "tonic",
            Speech.words().sign(r.piece().music().tonic()),
            "mode",
            r.piece().minor() ? "minor" : mode),
        r.piece().meter().text(),
        Speech.say("sight.told", "heard", String.valueOf(r.heard())),
        MaterialController.music(
            "sight-" + seed,
            Judgement.Sight.TEMPO,
            Judgement.Sight.TEMPO,
            r.page(),
            r.player(),
            Stage.SCHOOL));
  }

  /** Puts one on the shelf, so that it is a piece like any other. */
  @PostMapping
  Refs.Id keep(
      @PathVariable long studentId,
      @RequestParam SightReading.Level level,
      @RequestParam int leap,
      @RequestParam int bars,
      @RequestParam long seed) {
    return new Refs.Id(
        reading.keep(
            studentId,
            wanted(level, leap, bars, seed),
            Speech.say("sight.title", "seed", String.valueOf(seed)),
            Speech.say("sight.book")));
  }

  private static ReadingAtSight.Wanted wanted(
      SightReading.Level level, int leap, int bars, long seed) {
    boolean phrases = bars == 4 || bars == 8 || bars == MOST_BARS;
    if (leap < NARROWEST || leap > WIDEST || !phrases) {
      throw new Refusal("ask.sight");
    }
    return new ReadingAtSight.Wanted(level, leap, bars, seed);
  }
}
