package sempre.bench;

import java.nio.charset.StandardCharsets;
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
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.score.Score;
import sempre.formats.musicxml.MusicXmlReader;

/**
 * From the bytes of a file of 500 bars (eight notes each) to a plan with reasons and alternatives.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class PartBenchmark {
  private static final int BARS = 500;

  @Param({"flute", "alto-sax", "trumpet", "trombone"})
  private String instrument;

  private byte[] file;
  private Score score;
  private Player player;

  /** Writes the file: a walk over the middle of the instrument's range, the same every time. */
  @Setup
  public void prepare() {
    var setup = Catalogue.standard().setup(instrument, Map.of());
    player = Player.able(setup);
    int low = setup.lowest().midi() + 3;
    int span = setup.highest().midi() - low - 6;
    StringBuilder xml =
        new StringBuilder(
            "<score-partwise><part-list><score-part id='P1'><part-name>x</part-name></score-part>"
                + "</part-list><part id='P1'>");
    int step = 0;
    for (int bar = 1; bar <= BARS; bar++) {
      xml.append("<measure number='").append(bar).append("'>");
      if (bar == 1) {
        xml.append(
            "<attributes><divisions>2</divisions><key><fifths>-2</fifths></key></attributes>");
      }
      for (int n = 0; n < 8; n++) {
        step += (bar * 7 + n * 5) % 9 - 4;
        int midi = low + Math.floorMod(step, span);
        var p = sempre.core.pitch.Pitch.usual(midi);
        xml.append("<note><pitch><step>")
            .append(p.letter())
            .append("</step><alter>")
            .append(p.alter())
            .append("</alter><octave>")
            .append(p.octave())
            .append("</octave></pitch><duration>1</duration><type>eighth</type></note>");
      }
      xml.append("</measure>");
    }
    file = xml.append("</part></score-partwise>").toString().getBytes(StandardCharsets.UTF_8);
    score = MusicXmlReader.read(file);
  }

  @Benchmark
  public Score read() {
    return MusicXmlReader.read(file);
  }

  @Benchmark
  public Plan plan() {
    return Planner.plan(score.parts().get(0).topLine().orElseThrow(), player);
  }

  @Benchmark
  public Plan readAndPlan() {
    return Planner.plan(MusicXmlReader.read(file).parts().get(0).topLine().orElseThrow(), player);
  }
}
