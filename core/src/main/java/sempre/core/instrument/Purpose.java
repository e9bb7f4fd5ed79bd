package sempre.core.instrument;

/** Why one fingering is taken rather than another. */
public enum Purpose {
  FACILITY("facility"),
  RESPONSE("response"),
  INTONATION("intonation"),
  DYNAMICS("dynamics"),
  REACH("reach"),
  STYLE("style");

  private final String word;

  Purpose(String word) {
    this.word = word;
  }

  public String word() {
    return word;
  }
}
