package sempre.core.audition;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.ToIntFunction;
import sempre.core.Judgement;
import sempre.core.making.Mode;

/**
 * What of all that is asked is heard on one day: drawn by a number, the same for all who say it.
 */
public final class Cuts {
  private Cuts() {}

  /**
   * One thing that is heard.
   *
   * @param asked its place among what is asked of the instrument
   * @param from the first bar of an etude, from 0; 0 for anything else
   * @param bars how many of them; 0 for anything else
   */
  public record Cut(int asked, int from, int bars) {}

  /**
   * Draws: of each etude some bars, anywhere; one scale of several; the chromatic scale and what is
   * read at sight always. Etudes come first, then scales, then sight-reading.
   *
   * @param asked of one instrument
   * @param bars how many bars are asked of an etude, at least 1; less where it is not there
   */
  public static List<Cut> of(
      List<? extends Requirement> asked, ToIntFunction<Requirement.Etude> bars, long seed) {
    SplittableRandom random = new SplittableRandom(seed);
    List<Cut> etudes = new ArrayList<>();
    List<Cut> scales = new ArrayList<>();
    List<Cut> always = new ArrayList<>();
    List<Cut> sight = new ArrayList<>();
    for (int i = 0; i < asked.size(); i++) {
      Requirement r = asked.get(i);
      if (r instanceof Requirement.Etude e) {
        int all = bars.applyAsInt(e);
        if (all > 0) {
          int length = Math.min(all, Judgement.Auditions.CUT_BARS);
          etudes.add(new Cut(i, random.nextInt(all - length + 1), length));
        }
      } else if (r instanceof Requirement.Scale s) {
        (s.mode() == Mode.CHROMATIC ? always : scales).add(new Cut(i, 0, 0));
      } else {
        sight.add(new Cut(i, 0, 0));
      }
    }
    List<Cut> all = new ArrayList<>(etudes);
    if (!scales.isEmpty()) {
      all.add(scales.get(random.nextInt(scales.size())));
    }
    all.addAll(always);
    all.addAll(sight);
    return all;
  }
}
