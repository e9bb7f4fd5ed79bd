package sempre.server.api.stand;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.practice.Another;
import sempre.core.practice.Bit;
import sempre.core.practice.Catch;
import sempre.core.practice.Ladder;
import sempre.core.practice.Led;
import sempre.core.score.Bar;
import sempre.core.score.Bars;
import sempre.core.score.Part;
import sempre.core.teaching.Caution;
import sempre.formats.musicxml.PlayerPage;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.WhoMarks;
import sempre.server.app.AtTheStand;
import sempre.server.app.Practising;
import sempre.server.app.Stands;

/** A part in bits to practise. */
@RestController
class PracticeController {
  private static final int SLOWEST = 10;
  private static final int QUICKEST = 400;
  private static final int MARK = 40;

  /** So many are drawn. */
  private static final int MOST_RUNS = 300;

  private final Practising practising;
  private final Clock clock;

  PracticeController(Practising practising, Clock clock) {
    this.practising = practising;
    this.clock = clock;
  }

  /** A run of some notes, as it is sent. */
  record RunBody(
      @NotBlank String first,
      @NotBlank String last,
      @Min(SLOWEST) @Max(QUICKEST) int quarters,
      boolean clean,
      @NotBlank @Size(max = MARK) String mark) {}

  /**
   * Writes a run down, once however often it is sent; answers how far each bit is then, in their
   * order.
   */
  @PostMapping("/api/stand/{studentId}/{pieceId}/runs")
  List<PracticeViews.LadderView> run(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody RunBody body) {
    practising.add(
        studentId,
        pieceId,
        new Practising.Played(
            body.first(),
            body.last(),
            body.quarters(),
            body.clean(),
            body.mark(),
            WhoMarks.at(clock)));
    return ladders(studentId, pieceId);
  }

  /**
   * Places to start at that nobody chose.
   *
   * @param seed a number that can be said aloud: all who play the piece start in the same bars
   * @param propose whether another number may be proposed, which leads to what was not practised
   */
  @GetMapping("/api/stand/{studentId}/{pieceId}/starts")
  PracticeViews.StartsView starts(
      @PathVariable long studentId,
      @PathVariable long pieceId,
      @RequestParam long seed,
      @RequestParam(defaultValue = "false") boolean propose) {
    Practising.Drawn drawn = practising.drawn(studentId, pieceId, seed, propose);
    List<Bar> bars = drawn.practice().practised().planned().part().page().reading().part().bars();
    return new PracticeViews.StartsView(
        drawn.starts().seed(),
        drawn.starts().cuts().stream()
            .map(
                c ->
                    new PracticeViews.CutView(
                        c.bit(), bars.get(c.bar()).number(), c.first(), c.last()))
            .toList(),
        drawn.starts().order(),
        drawn.starts().add());
  }

  /** Takes a run back; answers how far each bit is then. */
  @DeleteMapping("/api/stand/{studentId}/{pieceId}/runs/{runId}")
  List<PracticeViews.LadderView> takeBack(
      @PathVariable long studentId, @PathVariable long pieceId, @PathVariable long runId) {
    practising.takeBack(studentId, pieceId, runId);
    return ladders(studentId, pieceId);
  }

  private List<PracticeViews.LadderView> ladders(long studentId, long pieceId) {
    return practising.of(studentId, pieceId).bits().stream().map(this::ladder).toList();
  }

  private PracticeViews.LadderView ladder(Practising.Climbed c) {
    Ladder l = c.ladder();
    return new PracticeViews.LadderView(
        l.start(),
        l.goal(),
        l.full(),
        l.now(),
        l.clean(),
        c.rule().clean(),
        l.secured().orElse(0),
        l.expected().map(d -> Speech.words().shortDay(d)).orElse(""),
        l.plateau().stream().map(p -> plateau(p, c)).toList(),
        l.days().stream()
            .map(d -> new PracticeViews.LadderDay(d.day().toString(), d.secured().orElse(0)))
            .toList(),
        c.runs().stream()
            .skip(Math.max(0, c.runs().size() - MOST_RUNS))
            .map(
                k ->
                    new PracticeViews.RunView(
                        k.id(),
                        k.run().day().toString(),
                        Speech.words().ago(k.run().day(), LocalDate.now(clock)),
                        k.run().quarters(),
                        k.run().clean()))
            .toList());
  }

  private static PracticeViews.PlateauView plateau(Ladder.Plateau p, Practising.Climbed c) {
    Another another = c.another().orElseThrow();
    String fingering =
        another
            .fingering()
            .map(
                a ->
                    Speech.say(
                        "ladder.fingering",
                        "note",
                        another.note().orElseThrow().note().pitch(),
                        "label",
                        Speech.words().label(a.way().entry()),
                        "usual",
                        Speech.words().label(another.note().orElseThrow().way().entry())))
            .orElse("");
    return new PracticeViews.PlateauView(
        Speech.words().shortDay(p.since()), p.days(), another.kind(), fingering);
  }

  @GetMapping("/api/stand/{studentId}/{pieceId}/practice")
  PracticeViews.PracticeView practice(@PathVariable long studentId, @PathVariable long pieceId) {
    Practising.Practice practice = practising.of(studentId, pieceId);
    AtTheStand.Practised practised = practice.practised();
    AtTheStand.Planned planned = practised.planned();
    Stands.Loaded l = planned.part();
    Instrument i = l.player().setup().instrument();
    List<Bit> bits = practice.bits().stream().map(Practising.Climbed::bit).toList();
    List<byte[]> pages =
        PlayerPage.stretches(
            l.page().music().file(),
            l.page().reading().source(),
            l.page().reading().move(),
            i.clef(),
            BreathViews.marks(planned.beside().breaths(l)),
            bits.stream().map(PracticeController::bars).toList());
    List<PracticeViews.BitView> views = new ArrayList<>();
    for (int b = 0; b < bits.size(); b++) {
      String xml = new String(pages.get(b), StandardCharsets.UTF_8);
      views.add(view(practice.bits().get(b), xml, practised));
    }
    String caution =
        bits.stream()
            .flatMap(b -> b.led().stream())
            .flatMap(
                led ->
                    Caution.of(
                        l.player().setup(), led.note().note().pitch(), planned.beside().stage())
                        .stream())
            .findFirst()
            .map(Speech.words().teaching()::caution)
            .orElse("");
    return new PracticeViews.PracticeView(
        Refs.StudentRef.of(l.student()), Refs.PieceRef.of(l.piece()), i.clef(), views, caution);
  }

  /** The bars in which the bit and the note after it stand. */
  private static Bars bars(Bit b) {
    return new Bars(
        b.first().bar(), b.landing().orElse(b.notes().get(b.notes().size() - 1)).note().bar());
  }

  private PracticeViews.BitView view(
      Practising.Climbed climbed, String xml, AtTheStand.Practised practised) {
    Bit b = climbed.bit();
    Stands.Loaded l = practised.planned().part();
    Part part = l.page().reading().part();
    Map<String, Plan.PlannedNote> notes = new HashMap<>();
    l.plan().notes().forEach(n -> notes.put(n.note().id(), n));
    return new PracticeViews.BitView(
        b.notes().stream().map(n -> n.note().id()).toList(),
        b.landing().map(n -> n.note().id()).orElse(""),
        part.bars().get(b.first().bar()).number(),
        part.bars().get(b.last().bar()).number(),
        b.end(),
        b.catches().stream().map(c -> view(c, notes)).toList(),
        b.led().stream().map(led -> view(led, l)).toList(),
        b.join().map(m -> new Catch(m, List.of())).map(c -> view(c, notes)).stream().toList(),
        practised.startPercent(b),
        ladder(climbed),
        xml);
  }

  private static PracticeViews.CatchView view(Catch c, Map<String, Plan.PlannedNote> notes) {
    return new PracticeViews.CatchView(
        c.change().from(),
        c.change().to(),
        shown(c.change(), notes),
        sentence(c.change()),
        c.rounds().stream().map(r -> new PracticeViews.RoundView(r.first(), r.last())).toList());
  }

  private static String sentence(Plan.PlannedMove m) {
    return Speech.words().plan().hard(m.move(), m.slips());
  }

  private static String shown(Plan.PlannedMove m, Map<String, Plan.PlannedNote> notes) {
    return Speech.say(
        "hard.change",
        "from",
        Speech.words().note(notes.get(m.from()).note().pitch()),
        "to",
        Speech.words().note(notes.get(m.to()).note().pitch()),
        "way",
        "on",
        "toBar",
        "");
  }

  private static PracticeViews.LedView view(Led led, Stands.Loaded l) {
    Plan.PlannedNote n = led.note();
    int sounds = n.sounding().midi() - n.note().pitch().midi();
    List<PracticeViews.StepView> steps = new ArrayList<>();
    for (Pitch p : led.steps()) {
      Optional<Setup.Way> way = fingered(p, n, l);
      steps.add(
          new PracticeViews.StepView(
              p.toString(),
              Speech.words().note(p),
              way.map(w -> w.bare().text()).orElse(""),
              way.map(w -> Speech.words().label(w.entry())).orElse(""),
              p.midi(),
              p.midi() + sounds));
    }
    return new PracticeViews.LedView(n.note().id(), Speech.words().note(n.note().pitch()), steps);
  }

  /**
   * As the part fingers it nearest by; what the part does not have, as this player does by itself.
   */
  private static Optional<Setup.Way> fingered(Pitch p, Plan.PlannedNote near, Stands.Loaded l) {
    return l.plan().notes().stream()
        .filter(n -> n.note().pitch().soundsAs(p))
        .min(Comparator.comparingDouble(n -> Math.abs(n.note().onset() - near.note().onset())))
        .map(Plan.PlannedNote::way)
        .or(() -> l.player().usual(p));
  }
}
