package sempre.core.drums;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import sempre.core.Judgement;
import sempre.core.score.Bar;
import sempre.core.score.Line;
import sempre.core.score.Note;

/**
 * Which hand strikes, stroke by stroke (common practice, no source). What is written counts, and
 * what the teacher has chosen counts more. Otherwise
 *
 * <ul>
 *   <li>natural sticking: as if every place of the shortest value of the measure were played, right
 *       and left in turn from the beat; so a hand keeps its places however many rests there are
 *   <li>alternating: right and left in turn, from the right after a measure of rest
 * </ul>
 */
public final class Sticking {
  /** A school of sticking. */
  public enum Way {
    NATURAL,
    ALTERNATING
  }

  /** Why a hand strikes. */
  public enum Why {
    /** The teacher has said so. */
    SAID,
    /** It stands in the file. */
    WRITTEN,
    /** It is on the beat, and the right hand has the beat. */
    BEAT,
    /** It has this hand's place between the beats. */
    PLACE,
    /** Nothing in the measure is shorter than a beat, and the hands take turns. */
    EVEN,
    /** The same hand would have to be too quick. */
    QUICK,
    /** In turn after the stroke before. */
    TURN,
    /** The first, or the first after a measure of rest. */
    FIRST
  }

  /**
   * A stroke with its hand.
   *
   * @param grace how many strokes of the other hand lead into it: one is a flam, two are a drag
   */
  public record Stroke(Note note, Hand hand, Why why, int grace) {
    /** As it stands under the note: R, lR for a flam, llR for a drag. */
    public String text() {
      StringBuilder text = new StringBuilder();
      for (int i = 0; i < grace; i++) {
        text.append(hand == Hand.R ? 'l' : 'r');
      }
      return text.append(hand).toString();
    }
  }

  private static final double NEAR = 0.01;

  private final DrumPart drums;
  private final Map<String, Hand> said;
  private final Way way;

  private Sticking(DrumPart drums, Map<String, Hand> said, Way way) {
    this.drums = drums;
    this.said = said;
    this.way = way;
  }

  /**
   * The strokes of a part with their hands; empty where none has sticks.
   *
   * @param said note id to the hand that the teacher has chosen for it
   */
  public static List<Stroke> of(DrumPart drums, Map<String, Hand> said, Way way) {
    return new Sticking(drums, said, way).strokes();
  }

  private List<Stroke> strokes() {
    Optional<Line> line = drums.sticks();
    List<Stroke> all = new ArrayList<>();
    Map<Integer, Grid> grids = new HashMap<>();
    int grace = 0;
    for (Note n : drums.struck()) {
      if (n.grace()) {
        grace++;
        continue;
      }
      Bar bar = drums.part().bars().get(n.bar());
      Grid grid = grids.computeIfAbsent(n.bar(), b -> Grid.of(bar, ofBar(b)));
      Optional<Stroke> before = all.isEmpty() ? Optional.empty() : Optional.of(last(all));
      all.add(stroke(n, grace, line.orElseThrow(), grid, before));
      grace = 0;
    }
    return all;
  }

  private List<Note> ofBar(int bar) {
    return drums.struck().stream().filter(n -> n.bar() == bar && !n.grace()).toList();
  }

  private static Stroke last(List<Stroke> all) {
    return all.get(all.size() - 1);
  }

  private Stroke stroke(Note n, int grace, Line line, Grid grid, Optional<Stroke> before) {
    Hand chosen = said.get(n.id());
    if (chosen != null) {
      return new Stroke(n, chosen, Why.SAID, grace);
    }
    Optional<Hand> written = Hand.named(n.printed());
    if (written.isPresent()) {
      return new Stroke(n, written.get(), Why.WRITTEN, grace);
    }
    boolean rested =
        before.isEmpty() || n.onset() - before.get().note().end() >= grid.bar().quarters() - NEAR;
    if (way == Way.ALTERNATING) {
      return rested
          ? new Stroke(n, Hand.R, Why.FIRST, grace)
          : new Stroke(n, before.get().hand().other(), Why.TURN, grace);
    }
    Hand place = grid.hand(n);
    boolean quick =
        before.filter(b -> b.hand() == place).isPresent()
            && line.begins(n) - line.begins(before.get().note())
                < Judgement.Sticking.ONE_HAND_SECONDS - 1e-9;
    if (quick) {
      return new Stroke(n, place.other(), Why.QUICK, grace);
    }
    Why why = grid.even() ? Why.EVEN : grid.onBeat(n) && place == Hand.R ? Why.BEAT : Why.PLACE;
    return new Stroke(n, place, why, grace);
  }

  /**
   * The places of a measure, each with its hand.
   *
   * @param from where it would begin, in quarters: a pickup is the end of a whole measure
   * @param counted length of a beat in quarters
   * @param step the shortest value of the measure in quarters, tuplets left out
   * @param tuplets beat by beat the value of its tuplet in quarters; 0 where it has none
   */
  private record Grid(Bar bar, double from, double counted, double step, List<Double> tuplets) {
    /** Note values in quarters; of a beat those count that divide it. */
    private static final List<Double> VALUES = List.of(1.0, 0.5, 0.25, 0.125, 0.0625);

    /** Into how many a beat is divided as a tuplet. */
    private static final int[] TUPLETS = {3, 6, 5, 7, 12};

    static Grid of(Bar bar, List<Note> notes) {
      double counted = bar.counted();
      double whole = bar.beats() * 4.0 / bar.beatType();
      double from = bar.start() - (bar.index() == 0 ? Math.max(0, whole - bar.quarters()) : 0);
      int beats = (int) Math.ceil((bar.start() + bar.quarters() - from) / counted - NEAR);
      List<Double> tuplets = new ArrayList<>();
      List<Double> steps =
          Stream.concat(
                  Stream.of(counted),
                  VALUES.stream().filter(v -> v < counted - NEAR && whole(counted / v)))
              .toList();
      double step = counted;
      for (int b = 0; b < beats; b++) {
        double begins = from + b * counted;
        List<Double> here =
            notes.stream()
                .map(n -> n.onset() - begins)
                .filter(x -> x > -NEAR && x < counted - NEAR)
                .toList();
        Optional<Double> plain = steps.stream().filter(s -> fits(here, s)).findFirst();
        step = Math.min(step, plain.orElse(step));
        tuplets.add(
            plain.isPresent()
                ? 0.0
                : Arrays.stream(TUPLETS)
                    .mapToObj(t -> counted / t)
                    .filter(s -> fits(here, s))
                    .findFirst()
                    .orElse(counted / TUPLETS[0]));
      }
      return new Grid(bar, from, counted, step, tuplets);
    }

    private static boolean fits(List<Double> onsets, double step) {
      return onsets.stream().allMatch(x -> whole(x / step));
    }

    private static boolean whole(double x) {
      return Math.abs(x - Math.rint(x)) < NEAR;
    }

    /** Whether nothing is shorter than a beat. */
    boolean even() {
      return step > counted - NEAR && tuplets.stream().allMatch(t -> t == 0);
    }

    boolean onBeat(Note n) {
      return whole((n.onset() - from) / counted);
    }

    /** The hand of a stroke's place: in turn, and from the right where tuplets begin or end. */
    Hand hand(Note n) {
      double at = n.onset() - from;
      int beat = Math.max(0, Math.min((int) Math.floor(at / counted + NEAR), tuplets.size() - 1));
      boolean tuplet = tuplets.get(beat) > 0;
      int first = beat;
      while (first > 0 && tuplets.get(first - 1) > 0 == tuplet) {
        first--;
      }
      double places = 0;
      for (int b = first; b < beat; b++) {
        places += counted / value(b);
      }
      places += (at - beat * counted) / value(beat);
      return Math.floorMod((int) Math.rint(places), 2) == 0 ? Hand.R : Hand.L;
    }

    private double value(int beat) {
      return tuplets.get(beat) > 0 ? tuplets.get(beat) : step;
    }
  }
}
