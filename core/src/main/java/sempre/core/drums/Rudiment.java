package sempre.core.drums;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/**
 * What who plays drums learns as others learn notes: a few strokes in a fixed order of hands, clean
 * first, then quicker. The patterns are from memory and are tested by what must hold; small letters
 * are grace notes before the stroke behind them.
 */
public enum Rudiment {
  SINGLE_STROKE_ROLL("R L R L R L R L"),
  DOUBLE_STROKE_ROLL("R R L L R R L L"),
  MULTIPLE_BOUNCE_ROLL("R L R L"),
  SINGLE_PARADIDDLE("R L R R L R L L"),
  DOUBLE_PARADIDDLE("R L R L R R L R L R L L"),
  TRIPLE_PARADIDDLE("R L R L R L R R L R L R L R L L"),
  FIVE_STROKE_ROLL("R R L L R L L R R L"),
  SEVEN_STROKE_ROLL("R R L L R R L"),
  NINE_STROKE_ROLL("R R L L R R L L R L L R R L L R R L"),
  FLAM("lR rL"),
  FLAM_ACCENT("lR L R rL R L"),
  FLAM_TAP("lR R rL L"),
  FLAMACUE("lR L R L lR"),
  FLAM_PARADIDDLE("lR L R R rL R L L"),
  DRAG("llR rrL"),
  SINGLE_DRAG_TAP("llR L rrL R"),
  SINGLE_RATAMACUE("llR L R L rrL R L R");

  private final String hands;

  Rudiment(String hands) {
    this.hands = hands;
  }

  /** The hands in order, as a teacher writes them: {@code lR L R rL R L}. */
  public String hands() {
    return hands;
  }

  /** As it is written in files and addresses: {@code flam-tap}. */
  public String id() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** The one of this id, if there is one. */
  public static Optional<Rudiment> of(String id) {
    return Arrays.stream(values()).filter(r -> r.id().equals(id)).findFirst();
  }
}
