package sempre.core.practice;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import sempre.core.Judgement;
import sempre.core.instrument.Stage;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.core.planning.Unhurried;
import sempre.core.score.Bar;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Succession;

/**
 * Cuts a line into bits to practise: where phrases end, each about as much work as the others and
 * in one breath, with the hard changes inside a bit and not between two, never inside a slur, and
 * always where the next note on the page is not played next. Of all ways to cut the one is taken
 * whose bits and cuts cost least (shortest path; Bellman 1957). What a cut and a length cost stands
 * in {@link Judgement.Bits}.
 */
public final class Bits {
  private static final double NEAR = 1e-6;

  /** What a bit costs by its size that is three times doubled; the search goes no farther. */
  private static final double LONGEST = 9 * Judgement.Bits.SIZE;

  private final List<Plan.PlannedNote> notes;
  private final List<Bar> bars;
  private final Succession order;
  private final Set<String> atSigns;

  /** The change to the next note on the page; none where it is not played on to. */
  private final Plan.PlannedMove[] changes;

  private final double breath;

  /** Index of the first bar that is no upbeat. */
  private final int firstBar;

  /** How long a note has to be to end a phrase, in quarters. */
  private final double longNote;

  /** What ends behind each note. */
  private final Bit.End[] ends;

  /** Where notes begin that this player can't play, in quarters, rising. */
  private final double[] missing;

  private Bits(Plan plan, Line line, List<Bar> bars, double breath) {
    this.breath = breath;
    this.bars = bars;
    notes = plan.notes();
    missing =
        Stream.concat(plan.outOfRange().stream(), plan.unreachable().stream())
            .mapToDouble(Note::onset)
            .sorted()
            .toArray();
    order = Succession.of(notes.stream().map(Plan.PlannedNote::note).toList(), line.played());
    atSigns = new HashSet<>();
    for (Succession.Jump j : order.jumps()) {
      atSigns.add(notes.get(j.from()).note().id());
    }
    Map<String, Plan.PlannedMove> from = new HashMap<>();
    for (Plan.PlannedMove m : plan.moves()) {
      if (m.way() == Plan.Way.ON) {
        from.put(m.from(), m);
      }
    }
    changes = new Plan.PlannedMove[notes.size()];
    for (int i = 0; i + 1 < notes.size(); i++) {
      Plan.PlannedMove m = from.get(notes.get(i).note().id());
      changes[i] = m != null && m.to().equals(notes.get(i + 1).note().id()) ? m : null;
    }
    firstBar = bars.size() > 1 && bars.get(0).quarters() < bars.get(1).quarters() - NEAR ? 1 : 0;
    double[] lengths = notes.stream().mapToDouble(n -> n.note().quarters()).sorted().toArray();
    longNote =
        lengths.length == 0 ? 0 : Judgement.Bits.LONG * Math.max(NEAR, lengths[lengths.length / 2]);
    ends = new Bit.End[notes.size()];
    for (int i = 0; i < ends.length; i++) {
      ends[i] = ending(i);
    }
  }

  /**
   * The bits of a planned line, in page order; none where no note can be fingered.
   *
   * @param line that was planned
   * @param bars of its part
   * @param stage what the player's group plays
   * @param breath for how many seconds the player may play on, as {@link Breaths#seconds} says
   */
  public static List<Bit> of(
      Plan plan, Line line, List<Bar> bars, Player player, Stage stage, double breath) {
    return new Bits(plan, line, bars, breath).cut(player, stage);
  }

  private List<Bit> cut(Player player, Stage stage) {
    LinkedList<Integer> cuts = cuts();
    List<Bit> bits = new ArrayList<>();
    Set<Integer> led = new HashSet<>();
    int from = 0;
    for (int to : cuts) {
      Bit.End end = ends[to];
      boolean last = to == notes.size() - 1;
      boolean lands = !end.rests() && !last;
      List<Led> up = new ArrayList<>();
      for (Plan.PlannedNote n : notes.subList(from, to + 1)) {
        Led.of(n, player, stage).filter(l -> led.add(n.note().pitch().midi())).ifPresent(up::add);
      }
      List<Plan.PlannedNote> played = notes.subList(from, to + 1 + (lands ? 1 : 0));
      bits.add(
          new Bit(
              notes.subList(from, to + 1),
              lands ? Optional.of(notes.get(to + 1)) : Optional.empty(),
              end,
              catches(from, to, played.size()),
              Led.longest(up),
              join(to),
              start(player, played)));
      from = to + 1;
    }
    return bits;
  }

  private static int start(Player player, List<Plan.PlannedNote> played) {
    return Unhurried.percent(
        player.setup(),
        played,
        Judgement.Bits.CATCHES,
        Judgement.Bits.FIRST_GOAL_PERCENT,
        Judgement.Bits.SLOWEST_PERCENT,
        Judgement.Bits.PERCENT_STEP);
  }

  /** The hardest changes inside, in page order. */
  private List<Catch> catches(int from, int to, int size) {
    List<Integer> hard = new ArrayList<>();
    for (int i = from; i < to; i++) {
      if (catches(i)) {
        hard.add(i);
      }
    }
    hard.sort(Comparator.comparingDouble((Integer i) -> changes[i].difficulty()).reversed());
    List<Integer> chosen = new ArrayList<>();
    Set<Set<Integer>> met = new HashSet<>();
    for (int i : hard) {
      // the same two notes catch once: they are played to and fro
      Set<Integer> two =
          Set.copyOf(
              List.of(notes.get(i).note().pitch().midi(), notes.get(i + 1).note().pitch().midi()));
      if (chosen.size() < Judgement.Bits.MOST_CATCHES && met.add(two)) {
        chosen.add(i);
      }
    }
    return chosen.stream().sorted().map(i -> Catch.of(changes[i], i - from, size)).toList();
  }

  private boolean catches(int i) {
    return changes[i] != null && changes[i].difficulty() >= Judgement.Bits.CATCHES;
  }

  /** The change over the end of a bit. */
  private Optional<Plan.PlannedMove> join(int to) {
    return catches(to) ? Optional.of(changes[to]) : Optional.empty();
  }

  /** Places of the last notes of the bits. */
  private LinkedList<Integer> cuts() {
    int n = notes.size();
    double[] work = new double[n + 1];
    for (int i = 0; i < n; i++) {
      work[i + 1] = work[i] + work(i);
    }
    double[] best = new double[n + 1];
    int[] from = new int[n + 1];
    for (int to = 1; to <= n; to++) {
      best[to] = Double.POSITIVE_INFINITY;
      if (to < n && !mayEnd(to - 1) && !mustEnd(to - 1)) {
        continue;
      }
      double cut = to < n ? cut(to - 1) : 0;
      double line = 0;
      double longest = 0;
      for (int start = to - 1; start >= 0; start--) {
        if (start < to - 1 && mustEnd(start)) {
          break;
        }
        line = start < to - 1 && breathes(start) ? 0 : line;
        line += Breaths.air(notes.get(start).note());
        longest = Math.max(longest, line);
        double size =
            size(work[to] - work[start])
                + Judgement.Breathing.BREATHLESS_BIT * Math.max(0, longest / breath - 1);
        double cost = best[start] + size + cut;
        if (cost < best[to]) {
          best[to] = cost;
          from[to] = start;
        }
        // three times doubled it is only taken where there is no other
        boolean tooLong =
            work[to] - work[start] > Judgement.Bits.WORK
                && size > LONGEST
                && best[to] < Double.POSITIVE_INFINITY;
        if (tooLong) {
          break;
        }
      }
    }
    LinkedList<Integer> cuts = new LinkedList<>();
    for (int to = n; to > 0; to = from[to]) {
      cuts.addFirst(to - 1);
    }
    return cuts;
  }

  /** Whether one can breathe behind a note without leaving anything out. */
  private boolean breathes(int i) {
    return ends[i].rests();
  }

  private double work(int i) {
    double change = changes[i] == null ? 0 : changes[i].difficulty();
    return Judgement.Bits.NOTE
        + Judgement.Bits.SECOND * notes.get(i).note().seconds()
        + Judgement.Bits.CHANGE * change;
  }

  /** The square of how many times it is doubled or halved. */
  private static double size(double work) {
    double doubled = Math.log(work / Judgement.Bits.WORK) / Math.log(2);
    return Judgement.Bits.SIZE * doubled * doubled;
  }

  /** The next note is never played behind this one, as behind a first ending. */
  private boolean mustEnd(int i) {
    return !order.follows(i);
  }

  private boolean mayEnd(int i) {
    Note n = notes.get(i).note();
    return !n.slurToNext() && !n.grace() && !n.manner().glissando();
  }

  /** What a cut behind a note costs. */
  private double cut(int i) {
    double ended =
        switch (ends[i]) {
          case LINE, SIGN, BREATH -> Judgement.Bits.PHRASE;
          case REST, MISSING ->
              rest(i) + NEAR >= beat(i) ? Judgement.Bits.PHRASE : Judgement.Bits.SHORT_REST;
          case LONG_NOTE -> Judgement.Bits.LONG_NOTE;
          case NOTHING -> Judgement.Bits.NOTHING_ENDS;
        };
    double stands = stands(i + 1) * (ends[i].rests() ? Judgement.Bits.UPBEAT : 1);
    double change = changes[i] == null ? 0 : changes[i].difficulty();
    return ended + stands + Judgement.Bits.CUT_CHANGE * change;
  }

  private Bit.End ending(int i) {
    Note n = notes.get(i).note();
    boolean last = i == notes.size() - 1;
    double next = last ? Double.POSITIVE_INFINITY : notes.get(i + 1).note().onset();
    if (Arrays.stream(missing).anyMatch(m -> m > n.onset() && m < next)) {
      return Bit.End.MISSING;
    }
    if (last) {
      return Bit.End.LINE;
    }
    if (mustEnd(i) || atSigns.contains(n.id())) {
      return Bit.End.SIGN;
    }
    if (n.breath() || n.fermata()) {
      return Bit.End.BREATH;
    }
    if (rest(i) > NEAR) {
      return Bit.End.REST;
    }
    // of several that are equally long the last one is where the line comes to rest
    boolean longer = n.quarters() > notes.get(i + 1).note().quarters() + NEAR;
    boolean ends = longer && n.quarters() + NEAR >= Math.max(longNote, beat(i));
    return ends ? Bit.End.LONG_NOTE : Bit.End.NOTHING;
  }

  private double rest(int i) {
    return notes.get(i + 1).note().onset() - notes.get(i).note().end();
  }

  private double beat(int i) {
    return bars.get(notes.get(i).note().bar()).counted();
  }

  /** What it costs that a bit begins with a note, by where the note stands in its bar. */
  private double stands(int i) {
    Note n = notes.get(i).note();
    Bar bar = bars.get(n.bar());
    double at = (n.onset() - bar.start()) / bar.counted();
    if (at < NEAR) {
      int behind = n.bar() - firstBar;
      return (behind % 4 == 0 ? 0 : Judgement.Bits.WITHIN_FOUR_BARS)
          + (behind % 2 == 0 ? 0 : Judgement.Bits.WITHIN_TWO_BARS);
    }
    return Math.abs(at - Math.rint(at)) < NEAR
        ? Judgement.Bits.ON_A_BEAT
        : Judgement.Bits.OFF_THE_BEAT;
  }
}
