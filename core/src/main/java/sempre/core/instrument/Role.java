package sempre.core.instrument;

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
}
