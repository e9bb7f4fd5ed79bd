package sempre.server.api.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import sempre.core.acoustics.Slide;
import sempre.core.instrument.Control;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Keywork;
import sempre.server.api.Speech;

/** The rows under a line of music: a finger each, or a valve each; a slide has a curve instead. */
public final class Lanes {
  private Lanes() {}

  public static List<HandViews.Lane> of(Instrument instrument) {
    Keywork k = instrument.keywork();
    List<HandViews.Lane> lanes = new ArrayList<>();
    boolean left = true;
    for (Finger f : k.fingers()) {
      if (f == Finger.ARM) {
        continue;
      }
      String label =
          k.kind() == Keywork.Kind.HANDS
              ? Speech.words().lane(f)
              : k.controls().stream()
                  .filter(c -> c.finger() == f)
                  .map(Control::token)
                  .findFirst()
                  .orElse("");
      lanes.add(new HandViews.Lane(f.name(), label, left && !f.left() && !lanes.isEmpty()));
      left = f.left();
    }
    return lanes;
  }

  /** How far out the positions lie, in centimetres; empty without a slide. */
  public static List<Double> guides(Instrument instrument) {
    Optional<Slide> slide = instrument.slide();
    List<Double> guides = new ArrayList<>();
    slide.ifPresent(
        s -> {
          for (int p = 1; p <= Slide.POSITIONS; p++) {
            guides.add(s.centimetres(p));
          }
        });
    return guides;
  }
}
