package sempre.core.planning;

import sempre.core.instrument.Purpose;

/**
 * Why a fingering was chosen.
 *
 * @param purpose what it serves
 * @param because whether the note before, the one behind, both, or the note itself decides
 * @param text one sentence a student understands
 */
public record Reason(Purpose purpose, Side because, String text) {
  /** Where the reason lies. */
  public enum Side {
    PREVIOUS("previous"),
    NEXT("next"),
    BOTH("both"),
    NOTE("note");

    private final String word;

    Side(String word) {
      this.word = word;
    }

    public String word() {
      return word;
    }
  }
}
