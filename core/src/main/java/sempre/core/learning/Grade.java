package sempre.core.learning;

/** What a teacher hears: three grades, no more. */
public enum Grade {
  SECURE("secure"),
  SHAKY("shaky"),
  NOT_YET("not yet");

  private final String words;

  Grade(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  /** Whether the student has the note at all: it was heard, even if it shook. */
  public boolean has() {
    return this != NOT_YET;
  }
}
