package sempre.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Stage;
import sempre.core.learning.Demand;
import sempre.core.learning.Matrix;
import sempre.core.planning.Player;
import sempre.core.score.Line;

/**
 * 200 students on fifteen instruments against 1,000 exercises of 32 notes: everything from the
 * notes on, what is left once each set-up's demands are known, and one row after a check.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 4, time = 2)
@Fork(1)
public class ReadinessBenchmark {
  private static final int STUDENTS = 200;
  private static final int EXERCISES = 1000;
  private static final int NOTES = 32;
  private static final List<String> INSTRUMENTS =
      List.of(
          "flute",
          "oboe",
          "bassoon",
          "clarinet",
          "bass-clarinet",
          "alto-sax",
          "tenor-sax",
          "baritone-sax",
          "trumpet",
          "cornet",
          "horn",
          "trombone",
          "euphonium",
          "baritone",
          "tuba");

  private final List<Player> players = new ArrayList<>();
  private final List<List<Line>> lines = new ArrayList<>();
  private final List<Matrix.Row> rows = new ArrayList<>();
  private Demand[][] known;

  @Setup(Level.Trial)
  public void prepare() {
    Random random = new Random(1);
    for (String id : INSTRUMENTS) {
      var setup = Catalogue.standard().setup(id, Map.of());
      players.add(Player.able(setup));
      List<Line> own = new ArrayList<>();
      for (int e = 0; e < EXERCISES; e++) {
        int low = setup.lowest().midi() + 3 + e % 10;
        own.add(PlanBenchmark.walk(setup, NOTES, low, 14));
      }
      lines.add(own);
    }
    for (int s = 0; s < STUDENTS; s++) {
      BitSet has = new BitSet();
      for (int m = 30; m < 100; m++) {
        has.set(m, random.nextInt(3) > 0);
      }
      rows.add(new Matrix.Row(has, Stage.values()[s % 3]));
    }
    known = demands();
  }

  private Demand[][] demands() {
    Demand[][] all = new Demand[INSTRUMENTS.size()][EXERCISES];
    IntStream.range(0, INSTRUMENTS.size() * EXERCISES)
        .parallel()
        .forEach(
            k -> {
              int i = k / EXERCISES;
              int e = k % EXERCISES;
              all[i][e] = Demand.of(lines.get(i).get(e), players.get(i));
            });
    return all;
  }

  /** From the notes on: what each part asks of each set-up, then every cell. */
  @Benchmark
  public List<List<Matrix.Cell>> everything() {
    return cells(demands());
  }

  /** Every cell, once the demands are known. */
  @Benchmark
  public List<List<Matrix.Cell>> fromDemands() {
    return cells(known);
  }

  /** After a check of one student. */
  @Benchmark
  public List<Matrix.Cell> oneRow() {
    return row(7, known);
  }

  private List<List<Matrix.Cell>> cells(Demand[][] demands) {
    return IntStream.range(0, STUDENTS).parallel().mapToObj(r -> row(r, demands)).toList();
  }

  private List<Matrix.Cell> row(int r, Demand[][] demands) {
    return Arrays.stream(demands[r % INSTRUMENTS.size()])
        .map(d -> Matrix.cell(rows.get(r), Optional.of(d)))
        .toList();
  }
}
