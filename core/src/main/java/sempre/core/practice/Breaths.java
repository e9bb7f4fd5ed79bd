package sempre.core.practice;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import sempre.core.Judgement.Breathing;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.core.score.Bar;
import sempre.core.score.Dynamic;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Succession;

/**
 * Where one breathes in a line that no rest parts soon enough: behind long notes, in runs behind
 * the first note of a beat and not on the bar line, in a slur only where nothing else can be done
 * (common practice, no source). Of all ways to breathe the one is taken that costs least and never
 * needs more than a breath (shortest path; Bellman 1957); what each place costs stands in {@link
 * Breathing}.
 */
public final class Breaths {
  private static final double NEAR = 1e-6;
  private static final int NONE = -1;
  private static final double PERCENT = 100;

  private final List<Note> notes;
  private final List<Bar> bars;
  private final Succession order;
  private final Set<Integer> signs = new HashSet<>();
  private final double longNote;

  private Breaths(Line line, List<Bar> bars) {
    this.notes = line.notes();
    this.bars = bars;
    this.order = Succession.of(notes, line.played());
    order.jumps().forEach(j -> signs.add(j.from()));
    double[] lengths = notes.stream().mapToDouble(Note::quarters).sorted().toArray();
    longNote = lengths.length == 0 ? 0 : 2 * lengths[lengths.length / 2];
  }

  /**
   * A breath to be taken.
   *
   * @param after the note behind which it is taken
   * @param where what it is taken at
   * @param seconds how long the line is that it ends, at the marked tempo
   */
  public record Breath(Note after, Where where, double seconds) {}

  /** What a breath is taken at. */
  public enum Where {
    LONG_NOTE,
    /** Behind the first note of a beat of a run. */
    BEHIND_THE_BEAT,
    BAR_LINE,
    BETWEEN,
    SLUR
  }

  /**
   * The breaths that have to be marked: those that no rest and no mark of the page gives; none
   * where nothing is blown.
   *
   * @param bars of its part
   * @param breath for how many seconds at mezzo forte one may play on; see {@link #seconds}
   */
  public static List<Breath> of(Line line, List<Bar> bars, double breath) {
    return breath == Double.POSITIVE_INFINITY ? List.of() : new Breaths(line, bars).taken(breath);
  }

  /**
   * For how many seconds at mezzo forte a player may play on, so that some breath is left;
   * infinitely long where nothing is blown.
   *
   * @param percent of what is usual at that stage
   */
  public static double seconds(Instrument instrument, Stage stage, int percent) {
    return instrument
        .blown()
        .breath(stage)
        .map(s -> s * percent / PERCENT * (1 - Breathing.LEFT))
        .orElse(Double.POSITIVE_INFINITY);
  }

  /** How much air a note takes, in seconds at mezzo forte. */
  static double air(Note n) {
    double loud =
        n.dynamic() == Dynamic.FF
            ? Breathing.AIR_FF
            : n.dynamic().loud() ? Breathing.AIR_F : n.dynamic().soft() ? Breathing.AIR_P : 1;
    return n.seconds() * loud;
  }

  /** Whether one breathes behind a note without being told. */
  static boolean given(Note n, Note next) {
    double rest = (next.onset() - n.end()) * 60 / n.tempo();
    return n.breath() || n.fermata() || rest + NEAR >= Breathing.REST_SECONDS;
  }

  private List<Breath> taken(double breath) {
    int n = notes.size();
    double[] best = new double[n + 1];
    int[] from = new int[n + 1];
    for (int to = 1; to <= n; to++) {
      best[to] = Double.POSITIVE_INFINITY;
      double cut = to == n || isGiven(to - 1) ? Breathing.THERE : Breathing.EACH + cost(to - 1);
      double air = 0;
      for (int start = to - 1; start >= 0; start--) {
        air += air(notes.get(start));
        double over = air > breath + NEAR ? Breathing.TOO_LONG * air / breath : 0;
        boolean soon = air < breath * Breathing.SOON && start > 0 && !isGiven(start - 1);
        double cost = best[start] + cut + over + (soon ? Breathing.TOO_SOON : 0);
        if (cost < best[to] - NEAR) {
          best[to] = cost;
          from[to] = start;
        }
        // one breathes there anyway; and longer than two breaths it never gets better
        boolean ended = start > 0 && isGiven(start - 1) || air > 2 * breath && start < to - 1;
        if (ended) {
          break;
        }
      }
    }
    List<Breath> breaths = new ArrayList<>();
    for (int to = n; to > 0; to = from[to]) {
      if (to < n && !isGiven(to - 1)) {
        breaths.add(new Breath(notes.get(to - 1), where(to - 1), line(from[to], to - 1)));
      }
    }
    Collections.reverse(breaths);
    return breaths;
  }

  private double line(int first, int last) {
    return notes.subList(first, last + 1).stream().mapToDouble(Note::seconds).sum();
  }

  private boolean isGiven(int i) {
    return !order.follows(i) || signs.contains(i) || given(notes.get(i), notes.get(i + 1));
  }

  private double cost(int i) {
    boolean bar = beat(i) == 0;
    return switch (where(i)) {
      case SLUR -> Breathing.IN_A_SLUR;
      case LONG_NOTE ->
          Breathing.LONG_NOTE * longNote / notes.get(i).quarters() - Breathing.LONG_NOTE_ENDS;
      case BEHIND_THE_BEAT -> bar ? Breathing.BEHIND_THE_BAR : Breathing.BEHIND_THE_BEAT;
      case BAR_LINE -> Breathing.BAR_LINE;
      case BETWEEN -> beat(i + 1) == NONE ? Breathing.ELSEWHERE : Breathing.BEFORE_A_BEAT;
    };
  }

  private Where where(int i) {
    Note n = notes.get(i);
    if (n.slurToNext() || n.grace() || n.manner().glissando()) {
      return Where.SLUR;
    }
    double counted = bars.get(n.bar()).counted();
    if (n.quarters() + NEAR >= Math.max(longNote, counted)) {
      return Where.LONG_NOTE;
    }
    boolean quick = n.quarters() <= counted / 2 + NEAR;
    boolean runs = notes.get(i + 1).quarters() <= counted / 2 + NEAR;
    if (quick && runs && beat(i) != NONE) {
      return Where.BEHIND_THE_BEAT;
    }
    return beat(i + 1) == 0 ? Where.BAR_LINE : Where.BETWEEN;
  }

  /** On which beat of its bar a note begins, from 0; -1 where it begins on none. */
  private int beat(int i) {
    Note n = notes.get(i);
    Bar bar = bars.get(n.bar());
    double at = (n.onset() - bar.start()) / bar.counted();
    return Math.abs(at - Math.rint(at)) < NEAR ? (int) Math.rint(at) : NONE;
  }
}
