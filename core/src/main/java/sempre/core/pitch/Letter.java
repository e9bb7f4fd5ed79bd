package sempre.core.pitch;

/** The seven note letters, with the semitones of each above C. */
public enum Letter {
  C(0),
  D(2),
  E(4),
  F(5),
  G(7),
  A(9),
  B(11);

  private final int semitones;

  Letter(int semitones) {
    this.semitones = semitones;
  }

  /** Semitones above the C below, 0 to 11. */
  public int semitones() {
    return semitones;
  }
}
