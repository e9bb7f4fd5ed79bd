package sempre.core.making;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
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

  /** From where to where a scale goes, in its own steps: 0 is the tonic. */
  private record Way(Pitch tonic, int lowest, int highest) {}

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
    return way.filter(w -> w.highest() >= wish.figure().reach()).map(w -> made(wish, w));
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
      Way way = new Way(key.octaves(o), 0, top);
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
    for (int o = -FARTHEST; o <= FARTHEST; o++) {
      if (key.movesBy(o) && has(wish, key.octaves(o), 0, range, setup)) {
        Pitch tonic = key.octaves(o);
        int low = 0;
        while (has(wish, tonic, low - 1, range, setup)) {
          low--;
        }
        int high = 0;
        while (has(wish, tonic, high + 1, range, setup)) {
          high++;
        }
        return Optional.of(new Way(tonic, low, high));
      }
    }
    return Optional.empty();
  }

  private static boolean has(Wish wish, Pitch tonic, int place, Compass.Range range, Setup setup) {
    for (boolean down : new boolean[] {false, true}) {
      Pitch p = wish.mode().note(tonic, place, down);
      if (!range.has(p) || !plays(setup, p)) {
        return false;
      }
    }
    return true;
  }

  private static Exercise made(Wish wish, Way way) {
    List<Pitch> line = new ArrayList<>();
    up(wish, way, 0, way.highest(), line);
    down(wish, way, way.highest(), way.lowest(), line);
    if (way.lowest() < 0) {
      up(wish, way, way.lowest(), 0, line);
    }
    Pitch tonic = wish.mode().note(way.tonic(), 0, false);
    if (!line.get(line.size() - 1).equals(tonic)) {
      line.add(tonic);
    }
    KeySignature key =
        wish.mode() == Mode.CHROMATIC
            ? KeySignature.NATURAL
            : KeySignature.NATURAL.plus(wish.mode().fifths(way.tonic()));
    return new Exercise(way.tonic(), key, wish.bar(), tones(wish, line));
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

  /** Gives the notes their lengths; the last one fills its bar. */
  private static List<Exercise.Tone> tones(Wish wish, List<Pitch> line) {
    int[] ticks = new int[line.size()];
    int[] begins = new int[line.size()];
    int at = 0;
    for (int i = 0; i < line.size(); i++) {
      begins[i] = at;
      ticks[i] =
          i < line.size() - 1 ? wish.rhythm().of(i) : wish.bar() - Math.floorMod(at, wish.bar());
      at += ticks[i];
    }
    boolean[] slurs = slurs(wish, begins);
    List<Exercise.Tone> tones = new ArrayList<>();
    for (int i = 0; i < line.size(); i++) {
      boolean last = i == line.size() - 1;
      tones.add(
          new Exercise.Tone(
              line.get(i), ticks[i], slurs[i], last ? "" : wish.articulation().sign()));
    }
    return tones;
  }

  /** Whether a slur leads from each note to the next. */
  private static boolean[] slurs(Wish wish, int[] begins) {
    boolean[] slurs = new boolean[begins.length];
    if (wish.articulation().byBar()) {
      for (int i = 0; i < begins.length - 1; i++) {
        slurs[i] = begins[i] / wish.bar() == begins[i + 1] / wish.bar();
      }
      return slurs;
    }
    int at = 0;
    for (int g = 0; at < begins.length; g++) {
      int size = wish.articulation().group(g);
      for (int i = at; i < Math.min(at + size - 1, begins.length - 1); i++) {
        slurs[i] = true;
      }
      at += size;
    }
    return slurs;
  }
}
