package sempre.core.audition;

/**
 * On what a run is judged, in the order in which it is listened for, with what each usually weighs
 * (common practice, no source: what is played right and even comes before how quickly).
 */
public enum Criterion {
  NOTES(3),
  RHYTHM(3),
  EVENNESS(2),
  INTONATION(2),
  TONE(2),
  ACCENTS(1),
  EXPRESSION(2),
  TEMPO(1);

  /** The most points of each. */
  public static final int MOST = 10;

  /** The most that one weighs. */
  public static final int HEAVIEST = 9;

  private final int usual;

  Criterion(int usual) {
    this.usual = usual;
  }

  /** What it weighs where the teacher says nothing else. */
  public int usual() {
    return usual;
  }
}
