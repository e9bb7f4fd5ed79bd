package sempre.core.learning;

/** What a teacher hears: three grades, no more. */
public enum Grade {
  SECURE,
  SHAKY,
  NOT_YET;

  /** Whether the student has the note at all: it was heard, even if it shook. */
  public boolean has() {
    return this != NOT_YET;
  }
}
