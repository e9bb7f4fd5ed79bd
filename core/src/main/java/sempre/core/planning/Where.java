package sempre.core.planning;

import java.util.List;
import java.util.Optional;
import sempre.core.pitch.Pitch;

/**
 * Where on the way from note to note a difference lies, as seen from the note that is spoken of.
 *
 * @param side of that note
 * @param previous the note before the place; empty at the start
 * @param next the note behind it; empty at the end
 * @param otherwise which of the two would be played another way too; empty mostly
 * @param away how many notes further on (or back, negative); 0 when it is next to the note
 * @param way how one comes from the note before to the one behind
 */
public record Where(
    Side side,
    Optional<Pitch> previous,
    Optional<Pitch> next,
    List<Pitch> otherwise,
    int away,
    Plan.Way way) {
  public Where {
    otherwise = List.copyOf(otherwise);
  }

  /** On the way along the page. */
  Where(
      Side side, Optional<Pitch> previous, Optional<Pitch> next, List<Pitch> otherwise, int away) {
    this(side, previous, next, otherwise, away, Plan.Way.ON);
  }

  /** The sides of a note. */
  public enum Side {
    PREVIOUS("previous"),
    NEXT("next"),
    BOTH("both"),
    NOTE("note");

    private final String word;

    Side(String word) {
      this.word = word;
    }

    /** As the command line writes it. */
    public String word() {
      return word;
    }
  }
}
