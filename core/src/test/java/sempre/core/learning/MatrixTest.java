package sempre.core.learning;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.planning.HardMove;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Dynamic;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Ornament;

public class MatrixTest {
  private static Player able(String id) {
    return Player.able(Catalogue.standard().setup(id, Map.of()));
  }

  private static Line line(double tempo, String... notes) {
    List<Note> list = new ArrayList<>();
    for (int i = 0; i < notes.length; i++) {
      list.add(
          new Note(
              "n" + i,
              List.of(),
              i / 4,
              1 + i % 4,
              i,
              1,
              Pitch.parse(notes[i]),
              false,
              true,
              Dynamic.MF,
              tempo,
              new KeySignature(0),
              Ornament.NONE,
              false,
              false,
              ""));
    }
    return new Line(1, "1", list);
  }

  private static Matrix.Row row(Stage stage, String... notes) {
    BitSet has = new BitSet();
    for (String n : notes) {
      has.set(Pitch.parse(n).midi());
    }
    return new Matrix.Row(has, stage);
  }

  @Test
  public void aCellSaysWhatIsInTheWay() {
    Demand easy = Demand.of(line(60, "C4", "D4", "E4"), able("trumpet"));
    assertEquals(
        Matrix.cell(row(Stage.FIRST_YEARS, "C4", "D4", "E4"), Optional.of(easy)).state(),
        Matrix.State.READY);
    Matrix.Cell lacks = Matrix.cell(row(Stage.FIRST_YEARS, "C4"), Optional.of(easy));
    assertEquals(lacks.state(), Matrix.State.LACKS);
    assertEquals(lacks.lacking(), 2);
    Demand low = Demand.of(line(60, "C4", "C2"), able("trumpet"));
    assertEquals(low.beyond().toString(), "[C2]");
    assertEquals(
        Matrix.cell(row(Stage.SCHOOL, "C4"), Optional.of(low)).state(), Matrix.State.BEYOND);
  }

  @Test
  public void theSameChangeIsTooHardForOneStageAndNotForAnother() {
    // over the break and back, quick and slurred
    Demand d = Demand.of(line(320, "A4", "B4", "A4", "B4", "C4", "C6"), able("clarinet"));
    String[] all = {"A4", "B4", "C4", "C6"};
    assertTrue(d.hardest().get(0).difficulty() > Demand.limit(Stage.FIRST_YEARS));
    assertEquals(
        Matrix.cell(row(Stage.FIRST_YEARS, all), Optional.of(d)).state(), Matrix.State.HARD);
    assertEquals(Matrix.cell(row(Stage.ADVANCED, all), Optional.of(d)).state(), Matrix.State.READY);
    for (Stage s : Stage.values()) {
      assertEquals(
          d.tooHard(s).size(),
          d.hardest().stream().filter(m -> m.difficulty() > Demand.limit(s)).count());
    }
  }

  @Test
  public void theHardestChangesAreThoseOfThePlan() {
    for (String id : List.of("flute", "trombone", "alto-sax", "bassoon")) {
      Player player = able(id);
      Line line = random(player.setup(), new Random(5), 40);
      Plan plan = Planner.plan(line, player);
      List<Double> expected =
          plan.moves().stream()
              .map(Plan.PlannedMove::difficulty)
              .sorted(java.util.Comparator.reverseOrder())
              .limit(5)
              .toList();
      List<Double> found = HardMove.of(line, player, 5).stream().map(HardMove::difficulty).toList();
      for (int i = 0; i < 5; i++) {
        assertEquals(found.get(i), expected.get(i), 1e-9, id);
      }
    }
  }

  private static Line random(Setup setup, Random random, int length) {
    String[] notes = new String[length];
    int low = setup.lowest().midi() + 5;
    for (int i = 0; i < length; i++) {
      Pitch p;
      do {
        p = Pitch.usual(low + random.nextInt(20));
      } while (setup.ways(p).isEmpty());
      notes[i] = p.toString();
    }
    return line(200, notes);
  }

  /** What the matrix says of notes is what readiness says, note by note. */
  @Test
  public void theMatrixAgreesWithReadiness() {
    Random random = new Random(3);
    Setup flute = able("flute").setup();
    for (int t = 0; t < 50; t++) {
      Line line = random(flute, random, 12);
      Matrix.Row player = row(Stage.ADVANCED);
      BitSet has = player.has();
      List<Check> heard = new ArrayList<>();
      for (int midi = 64; midi < 84; midi++) {
        if (random.nextBoolean()) {
          has.set(midi);
          Pitch p = Pitch.usual(midi);
          heard.add(
              new Check(
                  midi,
                  java.time.Instant.EPOCH,
                  "x",
                  p,
                  flute.ways(p).get(0).entry().fingering(),
                  Grade.SECURE,
                  java.util.OptionalLong.empty(),
                  "",
                  "",
                  java.util.OptionalLong.empty()));
        }
      }
      Standing standing = Standing.of(heard, java.time.Instant.EPOCH);
      Demand d = Demand.of(line, able("flute"));
      assertEquals(
          d.lackingCount(Matrix.Row.of(standing, Stage.ADVANCED).has()),
          Readiness.of(line, able("flute"), standing).lacking().size());
      assertEquals(
          d.lacking(has).cardinality(),
          Readiness.of(line, able("flute"), standing).lacking().size());
    }
  }

  @Test
  public void whoHasNoPartIsInNoWay() {
    assertEquals(Matrix.cell(row(Stage.SCHOOL), Optional.empty()), Matrix.Cell.NONE);
  }
}
