package sempre.core.instrument;

/**
 * One control held in one way.
 *
 * @param control what is held
 * @param way fully, half covered, or (slide) a raised or lowered setting of the position
 */
public record Hold(Control control, Way way) {
  /** How a control is held. */
  public enum Way {
    FULL,
    HALF,
    RAISED,
    LOWERED
  }

  /** The token of the notation: {@code h1}, {@code p2+}. */
  public String token() {
    return switch (way) {
      case FULL -> control.token();
      case HALF -> "h" + control.token();
      case RAISED -> control.token() + "+";
      case LOWERED -> control.token() + "-";
    };
  }

  @Override
  public boolean equals(Object o) {
    return o instanceof Hold h && way == h.way && control.equals(h.control);
  }

  @Override
  public int hashCode() {
    return 31 * control.hashCode() + way.ordinal();
  }

  public Finger finger() {
    return control.finger();
  }
}
