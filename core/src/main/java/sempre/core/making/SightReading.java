package sempre.core.making;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.TreeMap;
import sempre.core.Judgement.Sight;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;

/**
 * Music to be read at sight, made of what a player has: phrases of four bars over plain chords, the
 * first of two ending on the dominant, the last on the tonic; rhythms that come back; a line that
 * goes mostly by steps, and after a leap back by a step (common practice, no source). The line is a
 * shortest path over the notes of the key with a throw of the dice on each, so it is as good as it
 * can be and another one with every number.
 */
public final class SightReading {
  private static final int PHRASE = 4;
  private static final int QUARTER = Rhythm.QUARTER;
  private static final int OCTAVE = 12;
  private static final int LETTERS = 7;

  /** Steps of the scale, from 0, in each chord. */
  private static final List<List<Integer>> CHORDS =
      List.of(
          List.of(0, 2, 4),
          List.of(1, 3, 5),
          List.of(2, 4, 6),
          List.of(3, 5, 0),
          List.of(4, 6, 1),
          List.of(5, 0, 2));

  private static final int TONIC = 0;
  private static final int SECOND = 1;
  private static final int FOURTH = 3;
  private static final int DOMINANT = 4;
  private static final int SIXTH = 5;

  /** Into which rhythms a beat or two are parted, by level; in ticks. */
  private static final List<List<List<Integer>>> CELLS =
      List.of(
          List.of(List.of(12), List.of(12), List.of(24)),
          List.of(List.of(6, 6), List.of(6, 6)),
          List.of(List.of(18, 6), List.of(36)),
          List.of(List.of(3, 3, 3, 3), List.of(6, 3, 3), List.of(3, 3, 6), List.of(6, 12, 6)));

  /** The same where three eighths are a beat. */
  private static final List<List<Integer>> CELLS_OF_THREE =
      List.of(List.of(18), List.of(6, 6, 6), List.of(12, 6), List.of(12, 6));

  private final Wish wish;
  private final SplittableRandom random;
  private final Key key;

  /** Whether there is a note of the dominant at all. */
  private final boolean asks;

  private SightReading(Wish wish, Key key, SplittableRandom random) {
    this.wish = wish;
    this.key = key;
    this.random = random;
    asks = key.notes().stream().anyMatch(n -> asking(key.degree(n)));
  }

  /** Which rhythms there are, each with those before it. */
  public enum Level {
    QUARTERS_AND_HALVES,
    EIGHTHS,
    DOTTED,
    SIXTEENTHS
  }

  /** In which metre it stands: figures of the signature, and a bar in ticks. */
  public enum Meter {
    FOUR_FOUR("4/4", 48),
    THREE_FOUR("3/4", 36),
    TWO_FOUR("2/4", 24),
    SIX_EIGHT("6/8", 36);

    private final String text;
    private final int bar;

    Meter(String text, int bar) {
      this.text = text;
      this.bar = bar;
    }

    public String text() {
      return text;
    }

    private boolean byThrees() {
      return this == SIX_EIGHT;
    }

    private int beat() {
      return byThrees() ? QUARTER + QUARTER / 2 : QUARTER;
    }
  }

  /**
   * What is wanted.
   *
   * @param notes that the player has, as written
   * @param leap the widest interval, in half steps; at least 2
   * @param bars 4, 8 or 16
   * @param seed another number is another piece
   */
  public record Wish(Collection<Pitch> notes, Level level, int leap, int bars, long seed) {
    public Wish {
      notes = List.copyOf(notes);
      if (leap < 2 || bars < PHRASE || bars % PHRASE != 0) {
        throw new IllegalArgumentException("leap " + leap + ", bars " + bars);
      }
    }
  }

  /**
   * A piece to be read.
   *
   * @param minor whether its key is one
   */
  public record Piece(Exercise music, boolean minor, Meter meter) {}

  /** A key, and the notes of it that there are around a tonic, without a hole; rising. */
  private record Key(Pitch tonic, boolean minor, List<Pitch> notes) {
    int degree(Pitch p) {
      return Math.floorMod(p.letter().ordinal() - tonic.letter().ordinal(), LETTERS);
    }
  }

  /**
   * A piece.
   *
   * @return empty where too few notes are there to make a tune of
   */
  public static Optional<Piece> of(Wish wish) {
    SplittableRandom random = new SplittableRandom(wish.seed());
    List<Key> keys = keys(wish);
    if (keys.isEmpty()) {
      return Optional.empty();
    }
    Key key = keys.get(random.nextInt(keys.size()));
    return new SightReading(wish, key, random).made();
  }

  /** The keys of which most notes are there, with few signs. */
  private static List<Key> keys(Wish wish) {
    TreeMap<Integer, Pitch> has = new TreeMap<>();
    wish.notes().forEach(p -> has.putIfAbsent(p.midi(), p));
    List<Key> all = new ArrayList<>();
    int signs = Sight.SIGNS + wish.level().ordinal();
    for (int fifths = -signs; fifths <= signs; fifths++) {
      for (boolean minor : new boolean[] {false, true}) {
        for (Pitch p : has.values()) {
          key(fifths, minor, p.octave(), has, wish.leap())
              .filter(k -> k.notes().size() >= Sight.LEAST_NOTES)
              .ifPresent(all::add);
        }
      }
    }
    int most = all.stream().mapToInt(k -> k.notes().size()).max().orElse(0);
    return all.stream()
        .filter(k -> k.notes().size() >= most - 1)
        .distinct()
        .sorted(Comparator.comparing((Key k) -> k.tonic()).thenComparing(Key::minor))
        .toList();
  }

  private static Optional<Key> key(
      int fifths, boolean minor, int octave, TreeMap<Integer, Pitch> has, int leap) {
    Pitch tonic = Pitch.onFifths(fifths + (minor ? 3 : 0), octave);
    Mode mode = minor ? Mode.NATURAL_MINOR : Mode.MAJOR;
    if (!has.containsKey(tonic.midi())) {
      return Optional.empty();
    }
    List<Pitch> notes = new ArrayList<>(List.of(tonic));
    for (int direction : new int[] {1, -1}) {
      Pitch last = tonic;
      for (int place = direction; Math.abs(place) <= 2 * LETTERS; place += direction) {
        Pitch p = mode.note(tonic, place, false);
        // a scale with a hole in it is no key to read in
        if (!has.containsKey(p.midi()) || Math.abs(p.midi() - last.midi()) > leap) {
          break;
        }
        notes.add(p);
        last = p;
      }
    }
    return Optional.of(new Key(tonic, minor, notes.stream().sorted().toList()));
  }

  private Optional<Piece> made() {
    List<Meter> meters =
        switch (wish.level()) {
          case QUARTERS_AND_HALVES -> List.of(Meter.FOUR_FOUR);
          case EIGHTHS ->
              List.of(Meter.FOUR_FOUR, Meter.FOUR_FOUR, Meter.THREE_FOUR, Meter.TWO_FOUR);
          default -> List.of(Meter.values());
        };
    Meter meter = meters.get(random.nextInt(meters.size()));
    List<Slot> slots = slots(meter);
    return line(slots)
        .map(
            line -> {
              List<Exercise.Tone> tones = new ArrayList<>();
              for (int i = 0; i < slots.size(); i++) {
                tones.add(new Exercise.Tone(line.get(i), slots.get(i).ticks(), false, ""));
              }
              KeySignature signature =
                  KeySignature.NATURAL.plus(
                      (key.minor() ? Mode.NATURAL_MINOR : Mode.MAJOR).fifths(key.tonic()));
              return new Piece(
                  new Exercise(key.tonic(), signature, meter.bar, tones), key.minor(), meter);
            });
  }

  /**
   * A place for a note.
   *
   * @param chord over which it stands
   * @param strong 2 on the first beat of a bar, 1 on another beat, else 0
   * @param ends what ends with it
   */
  private record Slot(int ticks, int chord, int strong, Ends ends) {}

  private enum Ends {
    NOTHING,
    /** A phrase that is answered by another. */
    HALF,
    /** A phrase on the tonic. */
    WHOLE
  }

  private List<Slot> slots(Meter meter) {
    List<Integer> first = rhythm(meter);
    List<Integer> second = rhythm(meter);
    List<Integer> third = rhythm(meter);
    List<Slot> slots = new ArrayList<>();
    int phrases = wish.bars() / PHRASE;
    for (int p = 0; p < phrases; p++) {
      boolean last = p == phrases - 1;
      Ends end = last || p % 2 == 1 ? Ends.WHOLE : Ends.HALF;
      List<Integer> chords = chords(end);
      List<List<Integer>> bars =
          List.of(first, second, p % 2 == 0 ? first : third, ending(meter, last));
      for (int b = 0; b < PHRASE; b++) {
        int at = 0;
        for (int i = 0; i < bars.get(b).size(); i++) {
          int ticks = bars.get(b).get(i);
          boolean ends = b == PHRASE - 1 && i == bars.get(b).size() - 1;
          int strong = at == 0 ? 2 : at % meter.beat() == 0 ? 1 : 0;
          // an ending of several notes leads into its last one
          boolean leads = b == PHRASE - 1 && !ends && end == Ends.WHOLE;
          int chord = leads ? DOMINANT : chords.get(b);
          slots.add(new Slot(ticks, chord, strong, ends ? end : Ends.NOTHING));
          at += ticks;
        }
      }
    }
    return slots;
  }

  private List<Integer> chords(Ends end) {
    List<Integer> away = List.of(FOURTH, SIXTH, SECOND, DOMINANT);
    int second = away.get(random.nextInt(away.size()));
    return end == Ends.HALF
        ? List.of(TONIC, second, random.nextBoolean() ? TONIC : SECOND, DOMINANT)
        : List.of(TONIC, second == DOMINANT ? FOURTH : second, DOMINANT, TONIC);
  }

  private List<Integer> rhythm(Meter meter) {
    List<Integer> bar = new ArrayList<>();
    int at = 0;
    while (at < meter.bar) {
      List<List<Integer>> cells = cells(meter, at);
      List<Integer> cell = cells.get(random.nextInt(cells.size()));
      bar.addAll(cell);
      at += cell.stream().mapToInt(t -> t).sum();
    }
    return bar;
  }

  private List<List<Integer>> cells(Meter meter, int at) {
    List<List<Integer>> cells = new ArrayList<>();
    if (meter.byThrees()) {
      cells.addAll(CELLS_OF_THREE);
    } else {
      CELLS.subList(0, wish.level().ordinal() + 1).forEach(cells::addAll);
    }
    int beat = at / QUARTER;
    cells.removeIf(
        c -> {
          int length = c.stream().mapToInt(t -> t).sum();
          // what lasts two beats and more begins on the first or the third
          boolean late = length > QUARTER && beat % 2 == 1 && !meter.byThrees();
          return at + length > meter.bar || late || length == meter.bar;
        });
    return cells;
  }

  /** A bar that comes to rest. */
  private List<Integer> ending(Meter meter, boolean last) {
    if (last || random.nextBoolean()) {
      return List.of(meter.bar);
    }
    return switch (meter) {
      case FOUR_FOUR -> List.of(QUARTER, QUARTER, 2 * QUARTER);
      case THREE_FOUR -> List.of(QUARTER, 2 * QUARTER);
      case TWO_FOUR, SIX_EIGHT -> List.of(meter.bar / 2, meter.bar / 2);
    };
  }

  /** How one came to a note: by a step, or by a leap up or down that wants to be filled. */
  private enum Came {
    STEP,
    UP,
    DOWN
  }

  /** The notes of the line; empty where none can be made that keeps to its leaps. */
  private Optional<List<Pitch>> line(List<Slot> slots) {
    int notes = key.notes().size();
    int ways = Came.values().length;
    double[][] best = new double[slots.size()][notes * ways];
    int[][] from = new int[slots.size()][notes * ways];
    for (double[] row : best) {
      Arrays.fill(row, Double.POSITIVE_INFINITY);
    }
    for (int n = 0; n < notes; n++) {
      boolean chord = CHORDS.get(TONIC).contains(key.degree(key.notes().get(n)));
      best[0][n * ways] = chord ? own(slots, 0, n) : Double.POSITIVE_INFINITY;
    }
    for (int i = 1; i < slots.size(); i++) {
      for (int to = 0; to < notes; to++) {
        double own = own(slots, i, to);
        for (int state = 0; state < notes * ways && own < Double.POSITIVE_INFINITY; state++) {
          int before = state / ways;
          Came came = Came.values()[state % ways];
          double cost = best[i - 1][state] + own + move(before, to, came, slots.get(i - 1));
          int reached = to * ways + came(before, to).ordinal();
          if (cost < best[i][reached]) {
            best[i][reached] = cost;
            from[i][reached] = state;
          }
        }
      }
    }
    int state = 0;
    double[] end = best[slots.size() - 1];
    for (int s = 0; s < end.length; s++) {
      state = end[s] < end[state] ? s : state;
    }
    if (end[state] == Double.POSITIVE_INFINITY) {
      return Optional.empty();
    }
    Pitch[] line = new Pitch[slots.size()];
    for (int i = slots.size() - 1; i >= 0; i--) {
      line[i] = key.notes().get(state / ways);
      state = from[i][state];
    }
    return Optional.of(List.of(line));
  }

  private int half(int from, int to) {
    return key.notes().get(to).midi() - key.notes().get(from).midi();
  }

  private Came came(int from, int to) {
    int half = half(from, to);
    return Math.abs(half) < Sight.LEAP ? Came.STEP : half > 0 ? Came.UP : Came.DOWN;
  }

  /** What a note costs by itself, and what the dice say of it. */
  private double own(List<Slot> slots, int i, int note) {
    Slot slot = slots.get(i);
    int degree = key.degree(key.notes().get(note));
    double dice = random.nextDouble() * Sight.DICE;
    if (slot.ends() == Ends.WHOLE && degree != TONIC) {
      return Double.POSITIVE_INFINITY;
    }
    if (slot.ends() == Ends.HALF && asks && !asking(degree)) {
      return Double.POSITIVE_INFINITY;
    }
    boolean inChord = CHORDS.get(slot.chord()).contains(degree);
    double outside = inChord ? 0 : Sight.OUTSIDE[slot.strong()];
    boolean beforeTheEnd = i + 1 < slots.size() && slots.get(i + 1).ends() == Ends.WHOLE;
    boolean leads = degree == SECOND || degree == LETTERS - 1;
    double middle = Math.abs(note - (key.notes().size() - 1) / 2.0) / key.notes().size();
    return dice + outside + (beforeTheEnd && !leads ? Sight.NO_LEAD : 0) + Sight.MIDDLE * middle;
  }

  /** Whether a phrase may end on a note that asks for an answer. */
  private static boolean asking(int degree) {
    return CHORDS.get(DOMINANT).contains(degree);
  }

  private double move(int from, int to, Came came, Slot before) {
    int half = half(from, to);
    int wide = Math.abs(half);
    if (wide > wish.leap()) {
      return Double.POSITIVE_INFINITY;
    }
    boolean phrase = before.ends() != Ends.NOTHING;
    double cost = wide == 0 ? Sight.SAME : Sight.PER_HALF_STEP * Math.max(0, wide - 2);
    boolean awkward = wide == OCTAVE / 2 || wide == OCTAVE - 1 || wide == OCTAVE - 2;
    cost += awkward ? Sight.AWKWARD : 0;
    boolean turns = came == Came.UP ? half < 0 && wide < Sight.LEAP : half > 0 && wide < Sight.LEAP;
    // a new phrase begins where it likes
    return phrase ? cost / 2 : cost + (came == Came.STEP || turns ? 0 : Sight.NOT_FILLED);
  }
}
