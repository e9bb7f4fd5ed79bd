package sempre.server.api.hand;

import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Drawing;
import sempre.core.instrument.Drawings;

/** What the instruments look like, for pictures of fingerings. */
@RestController
class PicturesController {
  /** The drawing of an instrument; lengths in its own units. */
  record DrawingView(
      String instrument,
      Drawing.Box frame,
      List<Drawing.Body> body,
      List<Drawing.Box> behind,
      List<Drawing.Place> places,
      List<Drawing.Track> slide) {
    static Optional<DrawingView> of(String instrument) {
      return Drawings.of(instrument)
          .map(
              d ->
                  new DrawingView(
                      instrument,
                      d.frame(),
                      d.body(),
                      d.behind(),
                      d.places(),
                      d.slide().stream().toList()));
    }
  }

  @GetMapping("/api/pictures")
  List<DrawingView> pictures() {
    return Catalogue.standard().ids().stream().flatMap(i -> DrawingView.of(i).stream()).toList();
  }
}
