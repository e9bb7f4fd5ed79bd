package sempre.core.score;

/** How loud, from the softest to the loudest mark. */
public enum Dynamic {
  PP,
  P,
  MP,
  MF,
  F,
  FF;

  public boolean soft() {
    return compareTo(P) <= 0;
  }

  public boolean loud() {
    return compareTo(F) >= 0;
  }

  /** One step louder or softer, within the scale. */
  public Dynamic step(int by) {
    return values()[Math.max(0, Math.min(values().length - 1, ordinal() + by))];
  }
}
