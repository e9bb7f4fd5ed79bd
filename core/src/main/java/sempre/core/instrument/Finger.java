package sempre.core.instrument;

/** The fingers that work an instrument, in the order in which the lanes show them. */
public enum Finger {
  LT,
  L1,
  L2,
  L3,
  L4,
  LP,
  RT,
  R1,
  R2,
  R3,
  R4,
  RP,
  ARM;

  /** Whether it belongs to the left hand. */
  public boolean left() {
    return name().charAt(0) == 'L';
  }

  /** Ring and little fingers, which move less freely (common practice, no source). */
  public boolean weak() {
    return this == L3 || this == L4 || this == R3 || this == R4;
  }

  /** Palm and side of the hand: reached by moving the whole hand. */
  public boolean place() {
    return this == LP || this == RP;
  }
}
