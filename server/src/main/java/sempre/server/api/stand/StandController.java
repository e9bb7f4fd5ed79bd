package sempre.server.api.stand;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Positive;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.practice.Breaths;
import sempre.core.score.Bar;
import sempre.core.score.Bars;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.core.score.Played;
import sempre.core.score.Tempi;
import sempre.formats.musicxml.FingeredFile;
import sempre.formats.musicxml.PlayerPage;
import sempre.server.api.AssignmentWords;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.hand.HandViews;
import sempre.server.api.hand.Lanes;
import sempre.server.app.Assignments;
import sempre.server.app.AtTheStand;
import sempre.server.app.FingeredPart;
import sempre.server.app.Players;
import sempre.server.app.Stands;
import sempre.server.json.PlanJson;
import sempre.server.store.Shelf;
import sempre.words.Words;

/** One part for one player: the page, the plan, and the teacher's choices. */
@RestController
@RequestMapping("/api/stand/{studentId}/{pieceId}")
public class StandController {
  private final AtTheStand stand;
  private final Clock clock;

  public StandController(AtTheStand stand, Clock clock) {
    this.stand = stand;
    this.clock = clock;
  }

  /** Which part and voice a student reads. */
  public record ReadingBody(
      @NotBlank(message = "ask.part") String partId, @Positive(message = "ask.voice") int voice) {}

  @GetMapping
  public StandViews.StandView stand(@PathVariable long studentId, @PathVariable long pieceId) {
    return view(stand.seen(studentId, pieceId));
  }

  @PutMapping("/reading")
  public StandViews.StandView read(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody ReadingBody b) {
    stand.read(studentId, pieceId, new Shelf.Chosen(b.partId(), b.voice()));
    return stand(studentId, pieceId);
  }

  /** The plan alone, as after a check. */
  @GetMapping("/plan")
  public StandViews.PlanView plan(@PathVariable long studentId, @PathVariable long pieceId) {
    return PlanViews.of(stand.planned(studentId, pieceId));
  }

  /** The plan as the command line's {@code assign --json} gives it, for scripts. */
  @GetMapping("/plan.json")
  public Map<String, Object> json(@PathVariable long studentId, @PathVariable long pieceId) {
    Stands.Loaded l = stand.part(studentId, pieceId);
    return PlanJson.plan(l.plan(), l.page().reading().part(), Speech.words());
  }

  /** The hardest changes, what is worth teaching next, and other whole choices. */
  @GetMapping("/advice")
  public StandViews.AdviceView advice(@PathVariable long studentId, @PathVariable long pieceId) {
    Stands.Loaded l = stand.part(studentId, pieceId);
    return Advice.of(
        l.page().line(), l.page().reading().part(), l.player(), l.locks(), l.student().style());
  }

  /**
   * The part with its planned fingerings written in, for other programs.
   *
   * @param which {@code changed}: only what is new to the student, not the standard or kept by the
   *     teacher; {@code all}: every fingering
   * @param as {@code words} under the notes, or {@code marks}
   * @param score whether the other parts are in it as well
   * @param named whether the student's name stands in that of the file
   */
  @GetMapping(value = "/part.musicxml", produces = "application/vnd.recordare.musicxml+xml")
  public ResponseEntity<byte[]> fingered(
      @PathVariable long studentId,
      @PathVariable long pieceId,
      @RequestParam(defaultValue = "changed") String which,
      @RequestParam(defaultValue = "words") String as,
      @RequestParam(defaultValue = "false") boolean score,
      @RequestParam(defaultValue = "false") boolean named) {
    FingeredPart.which(which);
    FingeredFile.As written = FingeredPart.as(as);
    Stands.Loaded l = stand.part(studentId, pieceId);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(FingeredPart.name(l, named), StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(FingeredPart.xml(l, which, written, score));
  }

  private StandViews.StandView view(AtTheStand.Seen seen) {
    Stands.Loaded l = seen.planned().part();
    var instrument = l.player().setup().instrument();
    List<Breaths.Breath> breaths = seen.planned().beside().breaths(l);
    byte[] xml =
        PlayerPage.of(
            l.page().music().file(),
            l.page().reading().source(),
            l.page().reading().move(),
            instrument.clef(),
            BreathViews.marks(breaths));
    List<String> remarks = new ArrayList<>();
    Words words = Speech.words();
    l.page().reading().remark().map(words::sentence).ifPresent(remarks::add);
    l.page().music().score().remarks().stream().map(words::sentence).forEach(remarks::add);
    l.page().reading().part().remarks().stream().map(words::sentence).forEach(remarks::add);
    Players.Page page = l.page();
    return new StandViews.StandView(
        Speech.words().language(),
        new StandViews.ReaderView(
            Refs.StudentRef.of(l.student()),
            seen.section().stream().map(o -> o.student().name()).toList(),
            seen.ways()),
        new StandViews.PageView(
            Refs.PieceRef.of(l.piece()),
            new String(xml, StandardCharsets.UTF_8),
            page.reading().source(),
            page.voice(),
            page.music().score().parts().stream()
                .filter(p -> p.topLine().isPresent())
                .map(StandController::part)
                .toList(),
            remarks,
            bars(page.reading().part().bars(), page.line()),
            BreathViews.of(breaths),
            page.simpler().map(k -> Speech.say("stand.simpler")).orElse("")),
        new StandViews.HandsView(
            instrument.keywork().kind(),
            HandViews.KeyView.all(instrument, l.plan().setup().options()),
            Lanes.of(instrument),
            Lanes.guides(instrument)),
        PlanViews.of(seen.planned()),
        given(seen.given(), seen.planned().part().page().reading().part(), LocalDate.now(clock)));
  }

  /** Measures and the order in which they are played. */
  static StandViews.BarsView bars(List<Bar> bars, Line line) {
    return new StandViews.BarsView(
        bars.stream().map(Bar::number).toList(),
        times(bars, line.tempi()),
        line.played().stretches().stream().map(s -> stretch(s, line)).toList());
  }

  /** When bars begin, and how long they and their beats are. */
  static List<StandViews.BarTime> times(List<Bar> bars, Tempi tempi) {
    return bars.stream()
        .map(
            b -> {
              double at = tempi.seconds(b.start());
              return new StandViews.BarTime(
                  at,
                  tempi.seconds(b.start() + b.quarters()) - at,
                  tempi.seconds(b.start() + b.counted()) - at);
            })
        .toList();
  }

  private static StandViews.StretchView stretch(Played.Stretch s, Line line) {
    Tempi tempi = line.tempi();
    return new StandViews.StretchView(
        s.from(),
        s.to(),
        line.played().held().stream()
            .filter(h -> h.bar() == s.from())
            .map(
                h ->
                    new StandViews.TiedOverView(
                        h.id(), tempi.seconds(s.start() + h.quarters()) - tempi.seconds(s.start())))
            .toList());
  }

  private static StandViews.PartRef part(Part p) {
    return new StandViews.PartRef(
        p.id(),
        p.name(),
        p.lines().stream()
            .filter(x -> !x.notes().isEmpty())
            .map(x -> Speech.say("voice", "staff", x.staff(), "voice", x.voice()))
            .toList());
  }

  /** What of this part is given to the student, and how. */
  static List<StandViews.GivenView> given(
      List<Shelf.Assignment> given, Part part, LocalDate today) {
    return given.stream()
        .map(
            a -> {
              Bars bars = Assignments.bars(a, part);
              return new StandViews.GivenView(
                  a.id(),
                  a.due(),
                  Speech.words().due(a.due(), today),
                  AssignmentWords.what(a),
                  bars.from(),
                  bars.to(),
                  a.tempo().orElse(0),
                  a.sentence());
            })
        .toList();
  }
}
