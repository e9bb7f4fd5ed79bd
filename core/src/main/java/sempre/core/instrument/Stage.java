package sempre.core.instrument;

import sempre.core.Refusal;

/** How far a player has got, in three steps. */
public enum Stage {
  FIRST_YEARS("firstYears"),
  SCHOOL("school"),
  ADVANCED("advanced");

  private final String word;

  Stage(String word) {
    this.word = word;
  }

  /** As the catalogue and the command line write it. */
  public String word() {
    return word;
  }

  /**
   * The stage of this word.
   *
   * @throws Refusal naming the stages there are
   */
  public static Stage of(String word) {
    for (Stage s : values()) {
      if (s.word.equals(word)) {
        return s;
      }
    }
    throw new Refusal("error.no-stage", "typed", word);
  }
}
