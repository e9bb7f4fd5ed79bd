package sempre.server.api.stand;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.drums.DrumPart;
import sempre.core.drums.Hand;
import sempre.core.drums.Sticking;
import sempre.core.score.Bar;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.teaching.Ways;
import sempre.formats.musicxml.DrumPage;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.Drums;

/** The part of who plays drums: rhythm on the page, and a hand at each stroke. */
@RestController
@RequestMapping("/api/drums/{studentId}/{pieceId}")
class DrumsController {
  private final Drums drums;
  private final Clock clock;

  DrumsController(Drums drums, Clock clock) {
    this.drums = drums;
    this.clock = clock;
  }

  /** Which part of the piece is read. */
  record DrumReading(@NotNull @Size(max = 200) String partId) {}

  /**
   * The hand of a stroke.
   *
   * @param hand R or L; empty lets go what was chosen
   */
  record StickBody(
      @NotNull @Size(max = 100) String noteId, @NotNull @Pattern(regexp = "[RL]?") String hand) {}

  @GetMapping
  StandViews.DrumView part(@PathVariable long studentId, @PathVariable long pieceId) {
    return view(drums.seen(studentId, pieceId));
  }

  @PutMapping("/reading")
  StandViews.DrumView read(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody DrumReading b) {
    drums.read(studentId, pieceId, b.partId());
    return part(studentId, pieceId);
  }

  @PutMapping("/stick")
  StandViews.DrumView stick(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody StickBody b) {
    drums.stick(studentId, pieceId, b.noteId(), Hand.named(b.hand()));
    return part(studentId, pieceId);
  }

  private StandViews.DrumView view(Drums.Seen seen) {
    DrumPart part = seen.part();
    List<Bar> bars = part.part().bars();
    Line top = part.part().topLine().orElseThrow();
    Map<String, Sticking.Stroke> hands =
        seen.strokes().stream().collect(Collectors.toMap(s -> s.note().id(), Function.identity()));
    List<StandViews.StrokeView> strokes = new ArrayList<>();
    for (Line line : part.part().lines()) {
      for (Note n : line.notes()) {
        if (!n.grace()) {
          strokes.add(stroke(n, line, bars, part, Optional.ofNullable(hands.get(n.id()))));
        }
      }
    }
    return new StandViews.DrumView(
        Speech.words().language(),
        Refs.StudentRef.of(seen.student()),
        Refs.PieceRef.of(seen.piece()),
        new String(DrumPage.of(seen.music().file(), part.part().id()), StandardCharsets.UTF_8),
        part.part().id(),
        part.part().name(),
        seen.parts().stream()
            .map(p -> new StandViews.PartRef(p.part().id(), p.part().name(), List.of()))
            .toList(),
        part.kind(),
        Speech.say(
            "drums.sticking", "kind", part.kind().name(), "way", seen.ways().get(Ways.STICKING)),
        strokes,
        StandController.bars(bars, top),
        StandController.given(seen.given(), part.part(), LocalDate.now(clock)));
  }

  private static StandViews.StrokeView stroke(
      Note n, Line line, List<Bar> bars, DrumPart part, Optional<Sticking.Stroke> hand) {
    double at = line.begins(n);
    return new StandViews.StrokeView(
        new StandViews.PlaceView(
            n.id(), n.tied(), n.bar(), bars.get(n.bar()).number(), n.beat(), n.printed()),
        new StandViews.TimeView(at, line.lasts(n), 60 / n.tempo()),
        hand.map(h -> h.hand().name()).orElse(""),
        hand.map(Sticking.Stroke::text).orElse(""),
        hand.filter(h -> h.why() == Sticking.Why.SAID).isPresent(),
        hand.map(
                h ->
                    Speech.say(
                        "drums.why",
                        "why",
                        h.why().name(),
                        "hand",
                        h.hand().name(),
                        "grace",
                        h.grace()))
            .orElse(""),
        part.rolls().contains(n.id()),
        n.pitch().midi());
  }
}
