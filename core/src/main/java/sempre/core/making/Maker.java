package sempre.core.making;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;

/** Makes a scale or a broken chord into an exercise for one instrument, inside its range. */
public final class Maker {
  /** The farthest a tonic is moved, in octaves. */
  private static final int FARTHEST = 4;

  private Maker() {}

  /**
   * What is wanted.
   *
   * @param octaves how many, from the tonic; 0 for all the stage has, from the tonic up, down to
   *     the lowest note, and back
   * @param bar how long a bar is, in ticks of {@link Rhythm}
   */
  public record Wish(
      Mode mode, Figure figure, Rhythm rhythm, Articulation articulation, int octaves, int bar) {}

  /**
   * From where to where a scale goes, in its own steps: 0 is the tonic.
   *
   * @param start with which it begins and ends
   */
  private record Way(Pitch tonic, int start, int lowest, int highest) {
    Way(Pitch tonic, int highest) {
      this(tonic, 0, 0, highest);
    }
  }

  /**
   * The exercise.
   *
   * @param tonic as written; its octave says nothing
   * @param stage whose notes it keeps to where it can
   * @return empty where the instrument plays no such octaves, or too few notes for the figure
   */
  public static Optional<Exercise> of(Wish wish, Pitch tonic, Setup setup, Stage stage) {
    Pitch key = wish.mode().spelled(tonic);
    Optional<Way> way =
        wish.octaves() == 0 ? whole(wish, key, setup, stage) : octaves(wish, key, setup, stage);
    return made(wish, way);
  }

  /**
   * The exercise over all notes of a range: from the lowest tonic up, down to the lowest note and
   * back; from the lowest note up and back where no tonic is there.
   *
   * @param tonic as written; its octave says nothing
   * @param plays whether a note can be played; at one that can't it turns
   * @return empty where too few notes are there for the figure
   */
  public static Optional<Exercise> within(
      Wish wish, Pitch tonic, Compass.Range range, Predicate<Pitch> plays) {
    return made(wish, way(wish, wish.mode().spelled(tonic), range, plays));
  }

  private static Optional<Exercise> made(Wish wish, Optional<Way> way) {
    return way.filter(w -> w.highest() - w.start() >= wish.figure().reach())
        .map(w -> made(wish, w));
  }

  private static boolean plays(Setup setup, Pitch p) {
    return !setup.ways(p).isEmpty();
  }

  /**
   * Of the octaves that can be played those that lie best in the stage, then nearest its middle.
   */
  private static Optional<Way> octaves(Wish wish, Pitch key, Setup setup, Stage stage) {
    Compass compass = setup.instrument().compass(setup.options());
    List<Way> there = new ArrayList<>();
    int top = wish.octaves() * wish.mode().size();
    for (int o = -FARTHEST; o <= FARTHEST; o++) {
      if (!key.movesBy(o) || !key.movesBy(o + wish.octaves())) {
        continue;
      }
      Way way = new Way(key.octaves(o), top);
      if (notes(wish, way).stream().allMatch(p -> plays(setup, p))) {
        there.add(way);
      }
    }
    return there.stream()
        .min(
            Comparator.comparingLong((Way w) -> outside(wish, w, compass.of(stage)))
                .thenComparing(w -> outside(wish, w, compass.of(Stage.FIRST_YEARS)))
                .thenComparing(w -> fromTheMiddle(wish, w, compass.of(Stage.FIRST_YEARS))));
  }

  private static List<Pitch> notes(Wish wish, Way w) {
    List<Pitch> all = new ArrayList<>();
    for (int i = w.lowest(); i <= w.highest(); i++) {
      all.add(wish.mode().note(w.tonic(), i, false));
      all.add(wish.mode().note(w.tonic(), i, true));
    }
    return all;
  }

  private static long outside(Wish wish, Way w, Compass.Range range) {
    return notes(wish, w).stream().filter(p -> !range.has(p)).count();
  }

  private static int fromTheMiddle(Wish wish, Way w, Compass.Range range) {
    int middle =
        wish.mode().note(w.tonic(), 0, false).midi()
            + wish.mode().note(w.tonic(), w.highest(), false).midi();
    return Math.abs(middle - range.from().midi() - range.to().midi());
  }

  /** From the lowest tonic of the stage as far as its notes go, above and below. */
  private static Optional<Way> whole(Wish wish, Pitch key, Setup setup, Stage stage) {
    Compass.Range range = setup.instrument().compass(setup.options()).of(stage);
    return way(wish, key, range, p -> plays(setup, p)).filter(w -> w.start() == 0);
  }

  private static Optional<Way> way(
      Wish wish, Pitch key, Compass.Range range, Predicate<Pitch> plays) {
    Optional<Way> without = Optional.empty();
    for (int o = -FARTHEST; o <= FARTHEST; o++) {
      if (!key.movesBy(o)) {
        continue;
      }
      Pitch tonic = key.octaves(o);
      OptionalInt first =
          IntStream.range(0, wish.mode().size())
              .filter(at -> has(wish, tonic, at, range, plays))
              .findFirst();
      if (first.isEmpty()) {
        continue;
      }
      int start = first.getAsInt();
      int low = start;
      while (has(wish, tonic, low - 1, range, plays)) {
        low--;
      }
      int high = start;
      while (has(wish, tonic, high + 1, range, plays)) {
        high++;
      }
      if (start == 0) {
        return Optional.of(new Way(tonic, 0, low, high));
      }
      Way way = new Way(tonic, start, low, high);
      without = without.or(() -> Optional.of(way));
    }
    return without;
  }

  private static boolean has(
      Wish wish, Pitch tonic, int place, Compass.Range range, Predicate<Pitch> plays) {
    for (boolean down : new boolean[] {false, true}) {
      Pitch p = wish.mode().note(tonic, place, down);
      if (!range.has(p) || !plays.test(p)) {
        return false;
      }
    }
    return true;
  }

  private static Exercise made(Wish wish, Way way) {
    List<Pitch> line = new ArrayList<>();
    up(wish, way, way.start(), way.highest(), line);
    down(wish, way, way.highest(), way.lowest(), line);
    if (way.lowest() < way.start()) {
      up(wish, way, way.lowest(), way.start(), line);
    }
    Pitch start = wish.mode().note(way.tonic(), way.start(), false);
    if (!line.get(line.size() - 1).equals(start)) {
      line.add(start);
    }
    KeySignature key =
        wish.mode() == Mode.CHROMATIC
            ? KeySignature.NATURAL
            : KeySignature.NATURAL.plus(wish.mode().fifths(way.tonic()));
    return new Exercise(
        way.tonic(),
        key,
        wish.bar(),
        Setting.tones(line, wish.rhythm(), wish.articulation(), wish.bar()));
  }

  private static void up(Wish wish, Way way, int from, int to, List<Pitch> line) {
    for (int at = from; at + wish.figure().reach() <= to; at++) {
      group(wish, way, at, 1, line);
    }
  }

  private static void down(Wish wish, Way way, int from, int to, List<Pitch> line) {
    for (int at = from; at - wish.figure().reach() >= to; at--) {
      group(wish, way, at, -1, line);
    }
  }

  private static void group(Wish wish, Way way, int at, int direction, List<Pitch> line) {
    List<Pitch> group =
        wish.figure().places().stream()
            .map(p -> wish.mode().note(way.tonic(), at + direction * p, direction < 0))
            .toList();
    // where a plain scale turns, its note is played once
    boolean turns =
        group.size() == 1 && !line.isEmpty() && line.get(line.size() - 1).equals(group.get(0));
    if (!turns) {
      line.addAll(group);
    }
  }
}
