package sempre.server.api.readiness;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.planning.Worth;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.WorthTeaching;

/** What is worth teaching a student next, over all that the student's groups play. */
@RestController
@RequestMapping("/api/students/{studentId}/teach")
public class TeachController {
  private final WorthTeaching worth;

  TeachController(WorthTeaching worth) {
    this.worth = worth;
  }

  @GetMapping
  public List<ReadinessViews.TeachView> teach(@PathVariable long studentId) {
    return worth.fingerings(studentId).stream().map(TeachController::view).toList();
  }

  private static ReadinessViews.TeachView view(WorthTeaching.Fingering f) {
    Worth.Total t = f.total();
    return new ReadinessViews.TeachView(
        Speech.words().note(t.entry().written()),
        t.entry().fingering(),
        Speech.words().label(t.entry()),
        Math.round(t.saves() * 10) / 10.0,
        f.pays().stream()
            .map(p -> new ReadinessViews.PaysView(Refs.PieceRef.of(p.piece()), p.bars(), p.times()))
            .toList());
  }
}
