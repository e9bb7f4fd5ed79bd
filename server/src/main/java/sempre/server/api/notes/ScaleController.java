package sempre.server.api.notes;

import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.core.pitch.NoteName;
import sempre.core.teaching.BandScale;
import sempre.server.api.Speech;
import sempre.server.api.hand.HandViews;
import sempre.server.app.BandScales;

/** One concert scale across the band. */
@RestController
class ScaleController {
  private static final int SOME_OCTAVE = 4;
  private final BandScales scales;

  ScaleController(BandScales scales) {
    this.scales = scales;
  }

  @GetMapping("/api/scale")
  NotesViews.ScaleView scale(
      @RequestParam String concert,
      @RequestParam BandScale.Kind kind,
      @RequestParam(required = false) Stage stage,
      @RequestParam(required = false) Long group) {
    BandScales.Sheet sheet =
        scales.of(
            NoteName.parse(concert).at(SOME_OCTAVE),
            kind,
            Optional.ofNullable(stage),
            group == null ? OptionalLong.empty() : OptionalLong.of(group));
    return new NotesViews.ScaleView(
        sheet.group().map(g -> g.name()).orElse(""),
        sheet.scales().stream().map(ScaleController::row).toList(),
        sheet.without().stream().map(Speech.words()::instrument).toList());
  }

  private static NotesViews.ScaleRow row(BandScale s) {
    Instrument i = s.setup().instrument();
    return new NotesViews.ScaleRow(
        FingeringTables.played(i, s.setup().options()),
        s.notes().stream().map(d -> note(i, d)).toList());
  }

  private static NotesViews.ScaleNote note(Instrument i, BandScale.Degree d) {
    return new NotesViews.ScaleNote(
        d.written().toString(),
        Speech.words().note(d.written()),
        Speech.words().label(d.standard()),
        d.standard().pattern().plain().holds().stream()
            .map(h -> HandViews.HeldView.of(h, false))
            .toList(),
        i.slide().map(x -> x.centimetres(d.standard().pattern().plain().text())).orElse(0.0),
        d.beyond());
  }
}
