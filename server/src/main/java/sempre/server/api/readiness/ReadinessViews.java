package sempre.server.api.readiness;

import java.util.List;
import sempre.core.learning.Matrix;
import sempre.server.api.Refs;

/** What the screen is sent: plain values, every field always there. */
public final class ReadinessViews {
  private ReadinessViews() {}

  /**
   * How one player stands to one piece.
   *
   * @param odd why it can't be worked out; empty where it can
   */
  public record MatrixCell(Matrix.State state, int lacking, int hard, String odd) {}

  /**
   * A sound that is in the way.
   *
   * @param newFor how many need it and have it in no octave
   * @param otherOctave how many have it, but need it in another octave
   * @param parts in how many parts it is lacking; in {@code alone} of them nothing else is
   */
  public record BlockView(String shown, int newFor, int otherOctave, int parts, int alone) {}

  /** What a group can take next: most can play it, and to these it brings one new note each. */
  public record GroupNextView(Refs.PieceRef piece, int ready, List<String> one) {}

  /** A note that a student needs next, and the pieces that need it. */
  public record NextNoteView(String written, String shown, List<Refs.PieceRef> pieces) {}

  /** One step on the way to a piece: the note it brings, by a piece or by itself. */
  public record WayStep(String by, String shown, List<Refs.PieceRef> piece) {}

  /** The way to a piece. */
  public record WayToView(Refs.PieceRef goal, String sentence, List<WayStep> steps) {}

  /** Everyone of a group against some pieces; a row a student, a cell a piece. */
  public record MatrixView(
      String title,
      String stage,
      List<Refs.StudentRef> students,
      List<Refs.PieceRef> pieces,
      List<List<MatrixCell>> rows,
      List<BlockView> blocks,
      List<GroupNextView> next) {}

  public record HardCell(String shown, String barNumber, double difficulty) {}

  public record WorthCell(String shown, String label, List<String> bars) {}

  /**
   * Why one student can or can't play one piece as it is written.
   *
   * @param simpler whether the student plays a simpler part of it
   */
  public record CellView(
      Refs.StudentRef student,
      Refs.PieceRef piece,
      boolean simpler,
      List<Refs.NoteName> lacking,
      List<Refs.NoteName> shaky,
      List<Refs.NoteName> faded,
      List<Refs.NoteName> beyond,
      List<HardCell> hard,
      List<WorthCell> worth) {}

  /** Where in a piece a fingering would pay. */
  public record PaysView(Refs.PieceRef piece, List<String> bars, int times) {}

  /** A fingering that would make a student's pieces easier, once it is learned. */
  public record TeachView(
      String shown, String fingering, String label, double saves, List<PaysView> pieces) {}
}
