package sempre.core.learning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.BitSet;
import java.util.List;
import java.util.OptionalInt;
import java.util.Random;
import org.testng.annotations.Test;

public class NextStepsTest {
  private static BitSet notes(int... midis) {
    BitSet b = new BitSet();
    for (int m : midis) {
      b.set(m);
    }
    return b;
  }

  private static Demand demand(int... midis) {
    return new Demand(notes(midis), List.of(), List.of());
  }

  private static Matrix.Cell cell(int lacking) {
    return new Matrix.Cell(lacking == 0 ? Matrix.State.READY : Matrix.State.LACKS, lacking, 0);
  }

  @Test
  public void theGroupTakesWhatMostCanPlayWithOneNewNoteEach() {
    List<List<Matrix.Cell>> rows =
        List.of(
            List.of(cell(0), cell(1), cell(2), cell(1)),
            List.of(cell(0), cell(1), cell(1), cell(0)),
            List.of(cell(0), cell(2), cell(1), cell(1)));
    NextSteps.GroupNext next = NextSteps.forGroup(rows, 4).orElseThrow();
    assertEquals(next.part(), 3, "two learn a note and the third can play along");
    assertEquals(next.ready(), 1);
    assertEquals(next.one(), List.of(0, 2));
    assertTrue(NextSteps.forGroup(List.of(List.of(cell(0), cell(3))), 2).isEmpty());
  }

  @Test
  public void theWayGoesOverExercisesThatBringOneNoteEach() {
    List<Demand> book = List.of(demand(60, 62), demand(62, 64), demand(64, 65), demand(60, 67));
    List<NextSteps.Step> way = NextSteps.wayTo(notes(60), demand(60, 62, 64, 65), book);
    // the last note is the one that the piece itself brings
    assertEquals(
        way,
        List.of(
            new NextSteps.Step(OptionalInt.of(0), 62), new NextSteps.Step(OptionalInt.of(1), 64)));
  }

  @Test
  public void aNoteThatNoExerciseBringsAloneIsLearnedByItself() {
    List<NextSteps.Step> way =
        NextSteps.wayTo(notes(60), demand(60, 62, 64), List.of(demand(70, 71)));
    assertEquals(way.size(), 1);
    assertTrue(way.get(0).part().isEmpty());
  }

  @Test
  public void aDetourOverAnotherNoteIsTakenOnlyWhereItIsShorter() {
    // 71 comes only with 70, which the goal does not need; by itself it is cheaper
    List<Demand> book = List.of(demand(60, 70), demand(60, 70, 71));
    List<NextSteps.Step> way = NextSteps.wayTo(notes(60), demand(60, 71, 72), book);
    assertEquals(way.size(), 1);
  }

  /** A recorder class learns B A G before C, E and D (common practice, no source). */
  @Test
  public void notesComeInTheOrderInWhichAClassLearnsThem() {
    var recorder = sempre.core.instrument.Catalogue.standard().instrument("recorder-soprano");
    List<Integer> order = recorder.order().stream().map(p -> p.midi()).toList();
    Demand piece = demand(62, 64, 67, 69, 71, 72);
    List<Integer> way =
        NextSteps.wayTo(notes(), piece, List.of(), order).stream()
            .map(NextSteps.Step::midi)
            .toList();
    // D, the last of them, is what the piece itself brings
    assertEquals(way, List.of(71, 69, 67, 72, 64));
  }

  @Test
  public void whoHasAllButOneNoteIsThereAlready() {
    assertEquals(NextSteps.wayTo(notes(60, 62), demand(60, 62, 64), List.of()), List.of());
  }

  /** Computed: after every step the next exercise lacks one note, and at the end the goal does. */
  @Test
  public void everyStepIsOneNoteAndTheEndIsReached() {
    Random random = new Random(7);
    for (int t = 0; t < 60; t++) {
      List<Demand> book = new java.util.ArrayList<>();
      for (int e = 0; e < 40; e++) {
        book.add(demand(random.ints(4, 60, 60 + 4 + e / 3).toArray()));
      }
      Demand goal = demand(random.ints(7, 60, 76).toArray());
      BitSet known = notes(60, 61, 62);
      int least = Math.max(0, goal.lackingCount(known) - 1);
      List<NextSteps.Step> way = NextSteps.wayTo(known, goal, book);
      assertTrue(way.size() >= least);
      for (NextSteps.Step s : way) {
        if (s.part().isPresent()) {
          assertEquals(book.get(s.part().getAsInt()).lackingCount(known), 1);
        }
        assertTrue(!known.get(s.midi()));
        known.set(s.midi());
      }
      assertTrue(goal.lackingCount(known) <= 1);
    }
  }
}
