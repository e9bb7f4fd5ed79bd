package sempre.server.api.stand;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.practice.Bit;
import sempre.core.practice.Bits;
import sempre.core.practice.Catch;
import sempre.core.practice.Led;
import sempre.core.score.Bars;
import sempre.core.score.Part;
import sempre.core.teaching.Caution;
import sempre.formats.musicxml.PlayerPage;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.AtTheStand;
import sempre.server.app.Stands;

/** A part in bits to practise. */
@RestController
class PracticeController {
  private final AtTheStand stand;

  PracticeController(AtTheStand stand) {
    this.stand = stand;
  }

  @GetMapping("/api/stand/{studentId}/{pieceId}/practice")
  PracticeViews.PracticeView practice(@PathVariable long studentId, @PathVariable long pieceId) {
    AtTheStand.Practised practised = stand.practised(studentId, pieceId);
    AtTheStand.Planned planned = practised.planned();
    Stands.Loaded l = planned.part();
    Instrument i = l.player().setup().instrument();
    List<Bit> bits =
        Bits.of(
            l.plan(),
            l.page().line(),
            l.page().reading().part().bars(),
            l.player(),
            planned.beside().stage(),
            planned.beside().breath(l));
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
      views.add(view(bits.get(b), new String(pages.get(b), StandardCharsets.UTF_8), practised));
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

  private static PracticeViews.BitView view(Bit b, String xml, AtTheStand.Practised practised) {
    Stands.Loaded l = practised.planned().part();
    OptionalInt given = practised.tempo(b.first());
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
        given.isPresent() ? b.startPercent(given.getAsInt()) : b.startPercent(),
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
