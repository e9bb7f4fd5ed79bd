package sempre.core.instrument;

import sempre.core.Refusal;

/** What a fingering is for. */
public enum Role {
  STANDARD("standard"),
  ALTERNATE("alternate"),
  TRILL("trill"),
  SPECIAL("special"),
  REACH("reach");

  private final String word;

  Role(String word) {
    this.word = word;
  }

  public String word() {
    return word;
  }

  /**
   * The role of a word, as a teacher gives it to an own fingering.
   *
   * @throws Refusal with a sentence that says which there are
   */
  public static Role named(String word) {
    for (Role r : values()) {
      if (r.word.equals(word.toLowerCase(java.util.Locale.ROOT))) {
        return r;
      }
    }
    throw new Refusal("error.no-role", "typed", word);
  }
}
