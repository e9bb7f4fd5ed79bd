package sempre.server.api.readiness;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.learning.GroupSounds;
import sempre.core.learning.NextSteps;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.core.planning.HardMove;
import sempre.core.planning.Worth;
import sempre.core.score.Part;
import sempre.server.api.Errors;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.WayTo;
import sempre.server.app.WhoCanPlay;
import sempre.server.app.WorthTeaching;

/** Everyone of a group against everything that is assigned or on the shelf. */
@RestController
@RequestMapping("/api")
class ReadinessController {
  private final WhoCanPlay who;
  private final WayTo ways;
  private final WorthTeaching worth;
  private final Clock clock;

  ReadinessController(WhoCanPlay who, WayTo ways, WorthTeaching worth, Clock clock) {
    this.who = who;
    this.ways = ways;
    this.worth = worth;
    this.clock = clock;
  }

  private static WhoCanPlay.Which which(String what) {
    return what.equals("shelf") ? WhoCanPlay.Which.SHELF : WhoCanPlay.Which.ASSIGNED;
  }

  /**
   * @param what {@code assigned}: what the group plays next; {@code shelf}: everything
   */
  @GetMapping("/groups/{id}/readiness")
  ReadinessViews.MatrixView matrix(
      @PathVariable long id, @RequestParam(defaultValue = "assigned") String what) {
    return view(who.table(id, which(what)));
  }

  private static ReadinessViews.MatrixView view(WhoCanPlay.Table t) {
    return new ReadinessViews.MatrixView(
        t.group().name(),
        Speech.words().stage(t.group().stage()),
        t.rows().stream().map(r -> Refs.StudentRef.of(r.student())).toList(),
        t.pieces().stream().map(Refs.PieceRef::of).toList(),
        t.rows().stream()
            .map(r -> r.cells().stream().map(ReadinessController::view).toList())
            .toList(),
        t.blocks().stream().map(ReadinessController::view).toList(),
        t.next().stream().map(n -> view(n, t)).toList());
  }

  private static ReadinessViews.MatrixCell view(WhoCanPlay.Cell c) {
    return new ReadinessViews.MatrixCell(
        c.cell().state(),
        c.cell().lacking(),
        c.cell().hard(),
        c.odd().map(Errors::sentence).orElse(""));
  }

  private static ReadinessViews.BlockView view(GroupSounds.Sound s) {
    return new ReadinessViews.BlockView(
        Speech.words().note(NoteName.of(Speech.alone(Pitch.usual(s.pitchClass())))),
        s.newFor().size(),
        s.otherOctave().size(),
        s.parts(),
        s.alone());
  }

  private static ReadinessViews.GroupNextView view(NextSteps.GroupNext n, WhoCanPlay.Table t) {
    return new ReadinessViews.GroupNextView(
        Refs.PieceRef.of(t.pieces().get(n.part())),
        n.ready(),
        n.one().stream().map(r -> t.rows().get(r).student().name()).toList());
  }

  /**
   * Why one student can or can't play one piece.
   *
   * @param what {@code assigned}: the bars that are given; {@code shelf}: all of it
   */
  @GetMapping("/students/{studentId}/readiness/{pieceId}")
  ReadinessViews.CellView cell(
      @PathVariable long studentId,
      @PathVariable long pieceId,
      @RequestParam(defaultValue = "0") long groupId,
      @RequestParam(defaultValue = "shelf") String what) {
    WhoCanPlay.Why why = who.why(studentId, pieceId, groupId, which(what));
    Part part = why.page().reading().part();
    return new ReadinessViews.CellView(
        Refs.StudentRef.of(why.part().student()),
        Refs.PieceRef.of(why.part().piece()),
        why.part().page().simpler().isPresent(),
        Refs.NoteName.of(why.readiness().lacking()),
        Refs.NoteName.of(why.readiness().shaky()),
        Refs.NoteName.of(why.readiness().faded()),
        Refs.NoteName.of(why.demand().beyond()),
        why.hard().stream().map(m -> view(m, part)).toList(),
        why.worth().stream().map(w -> view(w, part)).toList());
  }

  private static ReadinessViews.HardCell view(HardMove m, Part part) {
    return new ReadinessViews.HardCell(
        Speech.say("range", "from", m.from().pitch(), "to", m.to().pitch()),
        part.bars().get(m.to().bar()).number(),
        Math.round(m.difficulty() * 100) / 100.0);
  }

  private static ReadinessViews.WorthCell view(Worth w, Part part) {
    return new ReadinessViews.WorthCell(
        Speech.words().note(w.entry().written()),
        Speech.words().label(w.entry()),
        w.notes().stream().map(n -> part.bars().get(n.bar()).number()).distinct().toList());
  }

  /** The notes that most of a student's assigned pieces need and that are not there yet. */
  @GetMapping("/students/{studentId}/next")
  List<ReadinessViews.NextNoteView> next(@PathVariable long studentId) {
    return worth.notes(studentId).stream()
        .map(
            n ->
                new ReadinessViews.NextNoteView(
                    n.written().toString(),
                    Speech.words().note(n.written()),
                    n.pieces().stream().map(Refs.PieceRef::of).toList()))
        .toList();
  }

  /**
   * The shortest way to a piece.
   *
   * @param by the day on which the piece shall be begun; not in the past
   */
  @GetMapping("/students/{studentId}/way/{pieceId}")
  ReadinessViews.WayToView way(
      @PathVariable long studentId, @PathVariable long pieceId, @RequestParam LocalDate by) {
    WayTo.Way way = ways.of(studentId, pieceId, by);
    LocalDate today = LocalDate.now(clock);
    return new ReadinessViews.WayToView(
        Refs.PieceRef.of(way.goal()),
        said(way, Speech.words().due(by, today)),
        way.steps().stream()
            .map(
                s ->
                    new ReadinessViews.WayStep(
                        Speech.words().due(s.day(), today),
                        Speech.words().note(s.note()),
                        s.piece().stream().map(Refs.PieceRef::of).toList()))
            .toList());
  }

  private static String said(WayTo.Way way, String day) {
    if (!way.asked().beyond().isEmpty()) {
      return Speech.say("way.beyond", "notes", List.copyOf(way.asked().beyond()));
    }
    return Speech.say(
        way.steps().isEmpty() ? "way.now" : "way.then",
        "day",
        day,
        "n",
        way.last().size(),
        "notes",
        Speech.words().notes(way.last()));
  }
}
