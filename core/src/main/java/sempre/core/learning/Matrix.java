package sempre.core.learning;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.function.BiFunction;
import java.util.stream.IntStream;
import sempre.core.instrument.Stage;

/**
 * Everyone against everything: for each player and each part whether it can be played now, and what
 * is in the way. Columns hold what a part asks of a player's set-up and are shared by all who play
 * the same; after a check only the row of that player is worked out anew.
 *
 * @param rows one row a player, one cell a part
 */
public record Matrix(List<List<Cell>> rows) {
  public Matrix {
    rows = List.copyOf(rows);
  }

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

  /**
   * Works out every cell, on all processors.
   *
   * @param parts how many columns there are
   * @param demand what a part asks of a player, by place in the lists; null when there is no part
   */
  public static Matrix of(
      List<Row> players, int parts, BiFunction<Integer, Integer, Demand> demand) {
    List<List<Cell>> rows =
        IntStream.range(0, players.size())
            .parallel()
            .mapToObj(r -> row(players.get(r), parts, p -> demand.apply(r, p)))
            .toList();
    return new Matrix(rows);
  }

  /** The same with one row worked out anew. */
  public Matrix with(int row, Row player, BiFunction<Integer, Integer, Demand> demand) {
    List<List<Cell>> all = new ArrayList<>(rows);
    all.set(row, row(player, rows.get(row).size(), p -> demand.apply(row, p)));
    return new Matrix(all);
  }

  private static List<Cell> row(
      Row player, int parts, java.util.function.IntFunction<Demand> demand) {
    List<Cell> cells = new ArrayList<>(parts);
    for (int p = 0; p < parts; p++) {
      Demand d = demand.apply(p);
      cells.add(d == null ? Cell.NONE : cell(player, d));
    }
    return cells;
  }

  /** One player against what one part asks. */
  public static Cell cell(Row player, Demand d) {
    int lacking = d.lackingCount(player.has);
    int hard = d.tooHard(player.stage()).size();
    State state =
        !d.beyond().isEmpty()
            ? State.BEYOND
            : lacking > 0 ? State.LACKS : hard > 0 ? State.HARD : State.READY;
    return new Cell(state, lacking, hard);
  }
}
