package sempre.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Stage;
import sempre.core.material.Material;
import sempre.core.material.Study;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.practice.Bit;
import sempre.core.practice.Bits;
import sempre.core.practice.Breaths;
import sempre.core.score.Bar;
import sempre.core.score.Line;
import sempre.core.score.Phrase;

/** All that is made from an etude of 64 bars of eighths, cut into bits, without drawing it. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class MaterialBenchmark {
  private static final int BARS = 64;
  private static final Stage STAGE = Stage.ADVANCED;

  @Param({"flute", "clarinet", "horn", "trombone"})
  private String instrument;

  private Player player;
  private Line line;
  private List<Bar> bars;
  private Plan plan;
  private double breath;

  /** A walk over two octaves, the same every time. */
  @Setup
  public void prepare() {
    player = Player.able(Catalogue.standard().setup(instrument, Map.of()));
    var range = player.setup().instrument().compass(Map.of()).of(Stage.SCHOOL);
    StringBuilder text = new StringBuilder("key=-2 tempo=96:");
    int span = Math.min(24, range.to().midi() - range.from().midi());
    int step = 0;
    for (int i = 0; i < BARS * 8; i++) {
      step += (i * 5 + i / 8 * 7) % 9 - 4;
      Pitch p = Pitch.usual(range.from().midi() + Math.floorMod(step, span));
      text.append(' ').append(p).append("/8");
    }
    line = Phrase.of(text.toString()).line();
    bars = new ArrayList<>();
    for (int i = 0; i < BARS; i++) {
      bars.add(new Bar(i, "" + (i + 1), i * 4.0, 4, line.notes().get(0).key(), 4, 4));
    }
    plan = Planner.plan(line, player);
    breath = Breaths.seconds(player.setup().instrument(), STAGE, 100);
  }

  @Benchmark
  public List<Study> material() {
    List<Bit> bits = Bits.of(plan, line, bars, player, STAGE, breath);
    return Material.of(
        plan,
        bars,
        bits,
        player,
        player.setup().instrument().compass(player.setup().options()).of(STAGE),
        breath);
  }
}
