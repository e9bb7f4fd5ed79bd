package sempre.core.learning;

import java.util.BitSet;
import java.util.Optional;
import sempre.core.instrument.Stage;

/**
 * One player against one part: whether it can be played now, and what is in the way. What a part
 * asks ({@link Demand}) is shared by all who play the same; only what a player has is the player's.
 */
public final class Matrix {
  private Matrix() {}

  /** Whether a part can be played. */
  public enum State {
    /** All notes are there, and no change is too hard. */
    READY,
    /** All notes are there, but a change is too hard for the stage. */
    HARD,
    /** Notes are lacking. */
    LACKS,
    /** The instrument or the hand does not have a note. */
    BEYOND,
    /** This player has no part in it. */
    NONE
  }

  /**
   * One player and one part.
   *
   * @param lacking how many notes are lacking
   * @param hard how many changes are too hard
   */
  public record Cell(State state, int lacking, int hard) {
    /** A player without a part. */
    public static final Cell NONE = new Cell(State.NONE, 0, 0);
  }

  /**
   * One player.
   *
   * @param has MIDI numbers of the written notes that the player has
   */
  public record Row(BitSet has, Stage stage) {
    public Row {
      has = (BitSet) has.clone();
    }

    @Override
    public BitSet has() {
      return (BitSet) has.clone();
    }

    /** What a player has, whatever the fingering. */
    public static Row of(Standing standing, Stage stage) {
      return new Row(standing.has(), stage);
    }
  }

  /** One player against what one part asks; none where there is no part. */
  public static Cell cell(Row player, Optional<Demand> demand) {
    return demand.map(d -> cell(player, d)).orElse(Cell.NONE);
  }

  private static Cell cell(Row player, Demand d) {
    int lacking = d.lackingCount(player.has);
    int hard = d.tooHard(player.stage()).size();
    State state =
        !d.beyond().isEmpty()
            ? State.BEYOND
            : lacking > 0 ? State.LACKS : hard > 0 ? State.HARD : State.READY;
    return new Cell(state, lacking, hard);
  }
}
