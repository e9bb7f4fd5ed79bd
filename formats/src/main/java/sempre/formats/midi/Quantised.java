package sempre.formats.midi;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import sempre.core.Deadline;

/**
 * Brings what was played onto a grid that can be written: in each beat sixteenths, thirds of the
 * beat, or thirty-seconds, whichever lies nearest to its notes (judgement), in ticks of {@link
 * #QUARTER}. Then lines are taken apart so that in each one note, or one chord, sounds at a time.
 */
final class Quantised {
  /** So many ticks has a quarter. */
  static final int QUARTER = 24;

  /** Steps of a beat with what the finer ones cost, as a part of a quarter and note, squared. */
  private static final int[] STEPS = {6, 8, 3};

  private static final double[] COSTS = {0, 0.0004, 0.0012};

  /** A rest that is shorter is how the note before was played, and not written. */
  private static final int SHORTEST_REST = 6;

  private static final int MOST_LINES = 4;

  /** Notes that begin and end together; in ticks. */
  record Struck(int onset, int ticks, List<Integer> midi) {}

  private Quantised() {}

  /** The lines of a track, the highest first. */
  static List<List<Struck>> lines(List<Sounding> notes) {
    Map<Integer, Integer> steps = steps(notes);
    List<List<Struck>> lines = new ArrayList<>();
    List<Struck> struck = struck(notes, steps);
    for (Struck s : struck) {
      List<Struck> line =
          lines.stream()
              .filter(l -> ends(l) <= s.onset())
              .findFirst()
              .orElseGet(
                  () -> {
                    List<Struck> more = new ArrayList<>();
                    if (lines.size() < MOST_LINES) {
                      lines.add(more);
                    }
                    return more;
                  });
      line.add(s);
    }
    lines.replaceAll(Quantised::joined);
    return lines;
  }

  private static int ends(List<Struck> line) {
    Struck last = line.get(line.size() - 1);
    return last.onset() + last.ticks();
  }

  /** The step of each beat in which notes begin. */
  private static Map<Integer, Integer> steps(List<Sounding> notes) {
    Map<Integer, List<Double>> begins = new TreeMap<>();
    for (Sounding n : notes) {
      int beat = (int) Math.floor(n.onset() + 0.5 / QUARTER);
      begins.computeIfAbsent(beat, b -> new ArrayList<>()).add(n.onset() - beat);
    }
    Map<Integer, Integer> steps = new TreeMap<>();
    begins.forEach((beat, at) -> steps.put(beat, step(at)));
    return steps;
  }

  private static int step(List<Double> begins) {
    int best = 0;
    double least = Double.MAX_VALUE;
    for (int i = 0; i < STEPS.length; i++) {
      double off = 0;
      for (double b : begins) {
        double grid = 1.0 * STEPS[i] / QUARTER;
        double d = b - Math.round(b / grid) * grid;
        off += d * d + COSTS[i];
      }
      if (off < least) {
        least = off;
        best = i;
      }
    }
    return STEPS[best];
  }

  private static int snapped(double quarters, Map<Integer, Integer> steps) {
    int beat = (int) Math.floor(quarters + 0.5 / QUARTER);
    int step = steps.getOrDefault(beat, STEPS[0]);
    return beat * QUARTER + (int) Math.round((quarters - beat) * QUARTER / step) * step;
  }

  /** Notes on the grid, those that begin together as one where they end together too. */
  private static List<Struck> struck(List<Sounding> notes, Map<Integer, Integer> steps) {
    Map<Integer, List<Sounding>> byOnset = new TreeMap<>();
    for (Sounding n : notes) {
      byOnset.computeIfAbsent(snapped(n.onset(), steps), o -> new ArrayList<>()).add(n);
    }
    List<Integer> onsets = new ArrayList<>(byOnset.keySet());
    List<Struck> all = new ArrayList<>();
    for (int i = 0; i < onsets.size(); i++) {
      Deadline.check();
      int onset = onsets.get(i);
      int next = i + 1 < onsets.size() ? onsets.get(i + 1) : Integer.MAX_VALUE;
      Map<Integer, List<Integer>> byEnd = new TreeMap<>(Comparator.reverseOrder());
      for (Sounding n : byOnset.get(onset)) {
        int end = Math.max(snapped(n.end(), steps), onset + 1);
        int step = steps.getOrDefault(Math.floorDiv(onset, QUARTER), STEPS[0]);
        // a note that is held a little into the next one, or let go a little before, leads to it
        boolean led = Math.abs(n.end() * QUARTER - next) < SHORTEST_REST / 2.0;
        end = led ? next : Math.max(end, onset + step);
        byEnd.computeIfAbsent(end, e -> new ArrayList<>()).add(n.midi());
      }
      List<Struck> here = new ArrayList<>();
      byEnd.forEach(
          (end, midi) ->
              here.add(new Struck(onset, end - onset, midi.stream().distinct().sorted().toList())));
      here.sort(Comparator.comparing(s -> -s.midi().get(s.midi().size() - 1)));
      all.addAll(here);
    }
    return all;
  }

  /** A line in which short gaps are closed. */
  private static List<Struck> joined(List<Struck> line) {
    List<Struck> all = new ArrayList<>();
    for (int i = 0; i < line.size(); i++) {
      Struck s = line.get(i);
      int gap = i + 1 < line.size() ? line.get(i + 1).onset() - s.onset() - s.ticks() : 0;
      all.add(
          gap > 0 && gap <= SHORTEST_REST ? new Struck(s.onset(), s.ticks() + gap, s.midi()) : s);
    }
    return all;
  }
}
