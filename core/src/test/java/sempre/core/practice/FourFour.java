package sempre.core.practice;

import java.util.List;
import java.util.stream.IntStream;
import sempre.core.score.Bar;
import sempre.core.score.Line;

/** Bars of four quarters for a line of one text. */
public final class FourFour {
  private FourFour() {}

  public static List<Bar> bars(Line line) {
    int last = line.notes().get(line.notes().size() - 1).bar() + 1;
    return IntStream.rangeClosed(0, last)
        .mapToObj(i -> new Bar(i, "" + (i + 1), i * 4.0, 4, line.notes().get(0).key(), 4, 4))
        .toList();
  }
}
