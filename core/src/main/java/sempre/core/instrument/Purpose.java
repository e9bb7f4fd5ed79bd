package sempre.core.instrument;

/** Why one fingering is taken rather than another. */
public enum Purpose {
  FACILITY("facility", "for the fingers"),
  RESPONSE("response", "so that the note speaks"),
  INTONATION("intonation", "for the pitch"),
  DYNAMICS("dynamics", "for soft or loud"),
  REACH("reach", "for a hand that can't reach"),
  STYLE("style", "the teacher's way");

  private final String word;
  private final String meaning;

  Purpose(String word, String meaning) {
    this.word = word;
    this.meaning = meaning;
  }

  public String word() {
    return word;
  }

  /** In plain words. */
  public String meaning() {
    return meaning;
  }
}
