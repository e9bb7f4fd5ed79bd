package sempre.bench;

import java.nio.charset.StandardCharsets;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import sempre.core.score.PagePitch;
import sempre.core.score.Score;
import sempre.formats.musicxml.MusicXmlReader;

/**
 * A full score of 21 parts and 200 bars, eight slurred notes a bar: from its bytes to its music.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class ScoreBenchmark {
  private static final int PARTS = 21;
  private static final int BARS = 200;
  private static final String STEPS = "CDEFGAB";

  private byte[] file;

  @Setup
  public void prepare() {
    StringBuilder list = new StringBuilder("<score-partwise version='4.0'><part-list>");
    StringBuilder parts = new StringBuilder();
    for (int p = 1; p <= PARTS; p++) {
      list.append("<score-part id='P").append(p).append("'><part-name>Clarinet ").append(p);
      list.append("</part-name></score-part>");
      parts.append("<part id='P").append(p).append("'>");
      for (int bar = 1; bar <= BARS; bar++) {
        parts.append("<measure number='").append(bar).append("'>");
        if (bar == 1) {
          parts.append(
              "<attributes><divisions>2</divisions><key><fifths>1</fifths></key><transpose>"
                  + "<diatonic>-1</diatonic><chromatic>-2</chromatic></transpose></attributes>");
        }
        for (int n = 0; n < 8; n++) {
          parts
              .append("<note><pitch><step>")
              .append(STEPS.charAt((bar * 3 + n + p) % STEPS.length()))
              .append("</step><octave>4</octave></pitch><duration>1</duration><voice>1</voice>")
              .append("<type>eighth</type><notations><slur type='")
              .append(n % 2 == 0 ? "start" : "stop")
              .append("' number='1'/></notations></note>");
        }
        parts.append("</measure>");
      }
      parts.append("</part>");
    }
    file =
        list.append("</part-list>")
            .append(parts)
            .append("</score-partwise>")
            .toString()
            .getBytes(StandardCharsets.UTF_8);
  }

  @Benchmark
  public Score read() {
    return MusicXmlReader.read(file);
  }

  /** With the question whether its pages are in concert pitch, as the shelf asks it. */
  @Benchmark
  public PagePitch look() {
    return PagePitch.of(MusicXmlReader.read(file));
  }
}
