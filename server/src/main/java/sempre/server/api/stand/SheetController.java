package sempre.server.api.stand;

import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.Saying;
import sempre.core.instrument.Instrument;
import sempre.core.planning.Plan;
import sempre.core.score.Beside;
import sempre.core.score.Part;
import sempre.core.score.PartChoice;
import sempre.core.teaching.Handout;
import sempre.server.api.Speech;
import sempre.server.api.hand.HandViews;
import sempre.server.api.hand.Lanes;
import sempre.server.app.AtTheStand;
import sempre.server.app.Stands;
import sempre.words.Words;

/** A part as it is handed out: what stands under its music. */
@RestController
class SheetController {
  private final AtTheStand stand;

  SheetController(AtTheStand stand) {
    this.stand = stand;
  }

  /**
   * What is told under a part, in the words of its student.
   *
   * @param assignment what is given; 0 for the whole part
   */
  @GetMapping("/api/stand/{studentId}/{pieceId}/sheet")
  StandViews.SheetView sheet(
      @PathVariable long studentId,
      @PathVariable long pieceId,
      @RequestParam(defaultValue = "0") long assignment) {
    AtTheStand.Handed handed = stand.handed(studentId, pieceId, assignment);
    Plan plan = handed.part().plan();
    Part part = handed.part().page().reading().part();
    Instrument i = plan.setup().instrument();
    return new StandViews.SheetView(
        i.id(),
        i.keywork().kind(),
        HandViews.KeyView.all(i, plan.setup().options()),
        Lanes.guides(i),
        handed.handout().told().stream().map(t -> told(t, i, part)).toList(),
        Stream.of(
                chair(handed.part()),
                handed.part().page().reading().remark(),
                handed.beside().map(Beside::saying))
            .flatMap(Optional::stream)
            .map(Speech.words()::sentence)
            .collect(Collectors.joining(" ")));
  }

  /** Which part it is, where the instrument has several of its own. */
  private static Optional<Saying> chair(Stands.Loaded l) {
    return PartChoice.hasChairs(l.page().music().score(), l.player().setup().instrument())
        ? Optional.of(Saying.of("read.chair", "part", l.page().reading().part().name()))
        : Optional.empty();
  }

  /** What is told of one fingering, in words. */
  static StandViews.ToldView told(Handout.Told t, Instrument i, Part part) {
    Words words = Speech.words();
    Plan.PlannedNote n = t.first();
    return new StandViews.ToldView(
        t.why(),
        n.note().pitch().toString(),
        words.note(n.note().pitch()),
        words.label(n.way().entry()),
        t.bars().stream().map(b -> part.bars().get(b).number()).toList(),
        sentence(t, i, part),
        PlanViews.picture(n, i));
  }

  /** How a new note is learned from one that is there, else why, and where, it is played so. */
  private static String sentence(Handout.Told t, Instrument i, Part part) {
    if (t.lesson().isPresent()) {
      return Speech.words().teaching().comparison(i, t.lesson().get());
    }
    String why =
        t.reason().map(r -> Speech.words().plan().reason(i, t.first().way().entry(), r)).orElse("");
    return t.only()
        .map(b -> Speech.say("sheet.in-bar", "bar", part.bars().get(b).number(), "text", why))
        .orElse(why);
  }
}
