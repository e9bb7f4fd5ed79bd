package sempre.core.instrument;

/** The fingers that work an instrument, in the order in which the lanes show them. */
public enum Finger {
  LT("left thumb"),
  L1("left first finger"),
  L2("left second finger"),
  L3("left third finger"),
  L4("left little finger"),
  LP("left palm"),
  RT("right thumb"),
  R1("right first finger"),
  R2("right second finger"),
  R3("right third finger"),
  R4("right little finger"),
  RP("side of the right hand"),
  ARM("slide arm");

  private final String words;

  Finger(String words) {
    this.words = words;
  }

  /** In plain words, for a sentence. */
  public String words() {
    return words;
  }

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
