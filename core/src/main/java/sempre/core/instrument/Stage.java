package sempre.core.instrument;

/** How far a player has got, in three steps. */
public enum Stage {
  FIRST_YEARS("firstYears", "the first years"),
  SCHOOL("school", "school"),
  ADVANCED("advanced", "advanced playing");

  private final String word;
  private final String inWords;

  Stage(String word, String inWords) {
    this.word = word;
    this.inWords = inWords;
  }

  /** As the catalogue and the command line write it. */
  public String word() {
    return word;
  }

  /** In a sentence: beyond {@code the first years}. */
  public String inWords() {
    return inWords;
  }

  /**
   * The stage of this word.
   *
   * @throws IllegalArgumentException naming the stages there are
   */
  public static Stage of(String word) {
    for (Stage s : values()) {
      if (s.word.equals(word)) {
        return s;
      }
    }
    throw new IllegalArgumentException(
        "there is no stage '" + word + "'; there is: firstYears, school, advanced");
  }
}
