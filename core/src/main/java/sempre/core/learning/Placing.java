package sempre.core.learning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import sempre.core.Judgement.Learning;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Stage;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

/**
 * In which octave one player is asked for notes that are named by their sound. An octave that was
 * said counts; else the one in which the player has the note, else the one in which the next part
 * brings it, else the one nearest to what the player has, inside the range of the stage. Notes that
 * are named together keep their direction: each lies next to the one before it, and the row is
 * moved as a whole (common practice, no source).
 *
 * @param player who is asked; what the player has learned is known
 * @param stage how far the group has got
 * @param needs what the next parts bring
 */
public record Placing(Player player, Stage stage, Needs needs) {
  private static final int OCTAVES = 8;

  /** Why a note is asked in its octave. */
  public enum Why {
    /** The octave was said. */
    SAID,
    /** The player has the note there. */
    HAS,
    /** The next part brings it there. */
    NEEDED,
    /** It lies nearest to what the player has. */
    NEAREST,
    /** It could not be asked where it was said or where the row lies. */
    MOVED
  }

  /**
   * A note on the player's page.
   *
   * @param written the note
   * @param why why in this octave
   * @param beyond whether it lies outside the range of the stage
   */
  public record Placed(Pitch written, Why why, boolean beyond) {}

  /** One note by itself; empty when no octave of it is for this player. */
  public Optional<Placed> note(NoteName concert) {
    return row(List.of(concert)).get(0);
  }

  /**
   * One note of the next parts: where a part brings it and it is lacking, shaky or not heard for
   * long, in this order; else as any note.
   */
  public Optional<Placed> needed(NoteName concert) {
    if (concert.octave().isPresent()) {
      return note(concert);
    }
    return needs.notes().stream()
        .filter(n -> sounding(n.written()) == concert.pitchClass())
        .min(Comparator.comparing(Needs.Need::state).thenComparing(n -> n.parts().get(0)))
        .map(n -> placed(n.written(), Why.NEEDED))
        .or(() -> note(concert));
  }

  /**
   * Several notes that are named together.
   *
   * @return one for each, in order; empty where no octave of it is for this player
   */
  public List<Optional<Placed>> row(List<NoteName> concert) {
    List<Pitch> shape = shape(concert).stream().map(this::written).toList();
    boolean said = concert.stream().anyMatch(n -> n.octave().isPresent());
    Predicate<Pitch> fits = said ? this::plays : shape.size() > 1 ? this::fitsARow : this::fits;
    List<Pitch> best = said ? shape : lying(shape, fits).orElse(shape);
    List<Optional<Placed>> row = new ArrayList<>();
    for (Pitch p : best) {
      row.add(
          fits.test(p)
              ? Optional.of(placed(p, said ? Why.SAID : why(p)))
              : elsewhere(p, best, this::fits)
                  .or(() -> elsewhere(p, best, fits))
                  .map(q -> placed(q, Why.MOVED)));
    }
    return row;
  }

  /**
   * The first note of a scale, for the octave in which all of it lies best.
   *
   * @param steps the notes of the scale from a first one, rising
   */
  public Optional<Placed> scale(NoteName first, Function<Pitch, List<Pitch>> steps) {
    boolean said = first.octave().isPresent();
    Pitch start = written(first.at(first.octave().orElse(Pitch.MIDDLE_OCTAVE)));
    List<Pitch> all = steps.apply(start);
    return (said
            ? Optional.of(all).filter(a -> a.stream().anyMatch(this::plays))
            : lying(all, this::fitsARow))
        .map(a -> placed(a.get(0), said ? Why.SAID : why(a.get(0))));
  }

  /** Octaves of a written note that this player has a fingering for, rising. */
  public List<Pitch> octavesOf(Pitch written) {
    return octaves(written).filter(this::plays).sorted().toList();
  }

  /** A written note that was chosen in another octave than this rule takes. */
  public Placed placed(Pitch written, Why why) {
    return new Placed(written, why, !range().has(written));
  }

  /** Each name in the octave next to the one before it; a name with an octave starts anew. */
  private static List<Pitch> shape(List<NoteName> names) {
    int first =
        IntStream.range(0, names.size())
            .filter(i -> names.get(i).octave().isPresent())
            .findFirst()
            .orElse(0);
    Pitch[] row = new Pitch[names.size()];
    row[first] = names.get(first).at(names.get(first).octave().orElse(Pitch.MIDDLE_OCTAVE));
    for (int i = first - 1; i >= 0; i--) {
      row[i] = names.get(i).nearestTo(row[i + 1]);
    }
    for (int i = first + 1; i < row.length; i++) {
      NoteName n = names.get(i);
      row[i] = n.octave().isPresent() ? n.at(n.octave().getAsInt()) : n.nearestTo(row[i - 1]);
    }
    return List.of(row);
  }

  /** The octave of a row in which most is had, then needed, then fits, then lies nearest. */
  private Optional<List<Pitch>> lying(List<Pitch> shape, Predicate<Pitch> fits) {
    return IntStream.rangeClosed(-OCTAVES, OCTAVES)
        .filter(k -> shape.stream().allMatch(p -> p.movesBy(k)))
        .mapToObj(k -> shape.stream().map(p -> p.octaves(k)).toList())
        .filter(row -> row.stream().anyMatch(fits))
        .min(
            Comparator.comparingLong((List<Pitch> row) -> -count(row, this::has))
                .thenComparingLong(row -> -count(row, p -> plays(p) && needs.has(p.midi())))
                .thenComparingLong(row -> -count(row, fits))
                .thenComparingDouble(this::away)
                .thenComparingDouble(row -> Math.abs(mean(row) - beginning()))
                .thenComparing(row -> row.get(0)));
  }

  private static long count(List<Pitch> row, Predicate<Pitch> of) {
    return row.stream().filter(of).count();
  }

  private static double mean(List<Pitch> row) {
    return row.stream().mapToInt(Pitch::midi).average().orElseThrow();
  }

  /** The nearest octave in which a note of a row can be asked, unless the row has that note. */
  private Optional<Pitch> elsewhere(Pitch p, List<Pitch> row, Predicate<Pitch> fits) {
    return octaves(p)
        .filter(fits)
        .findFirst()
        .filter(q -> row.stream().noneMatch(r -> fits.test(r) && r.soundsAs(q)));
  }

  private Stream<Pitch> octaves(Pitch p) {
    return IntStream.rangeClosed(-OCTAVES, OCTAVES)
        .boxed()
        .filter(p::movesBy)
        .sorted(Comparator.comparing((Integer k) -> Math.abs(k)).thenComparing(k -> k))
        .map(p::octaves);
  }

  private Pitch written(Pitch concert) {
    return player.setup().instrument().transposition().written(concert).inAKey();
  }

  private int sounding(Pitch written) {
    return player.setup().instrument().transposition().sounding(written).pitchClass();
  }

  private boolean plays(Pitch written) {
    return player.usual(written).isPresent();
  }

  /** Whether the note can be asked without an octave being said: of the stage, had or needed. */
  private boolean fits(Pitch written) {
    return plays(written) && (range().has(written) || has(written) || needs.has(written.midi()));
  }

  /** The same, and what lies next to what is had, so that a row need not break off there. */
  private boolean fitsARow(Pitch written) {
    return fits(written)
        || plays(written)
            && IntStream.rangeClosed(
                    written.midi() - Learning.NEXT_SEMITONES,
                    written.midi() + Learning.NEXT_SEMITONES)
                .anyMatch(m -> has(Pitch.usual(m)));
  }

  private boolean has(Pitch written) {
    return player.known().map(k -> k.hasNote(written)).orElse(false);
  }

  private Why why(Pitch written) {
    return has(written) ? Why.HAS : needs.has(written.midi()) ? Why.NEEDED : Why.NEAREST;
  }

  private Compass.Range range() {
    return range(stage);
  }

  private Compass.Range range(Stage of) {
    return player.setup().instrument().compass(player.setup().options()).of(of);
  }

  /** How far a row lies from what the player has, in semitones; 0 where nothing is had. */
  private double away(List<Pitch> row) {
    int[] had =
        IntStream.rangeClosed(player.setup().lowest().midi(), player.setup().highest().midi())
            .filter(m -> has(Pitch.usual(m)))
            .toArray();
    return had.length == 0
        ? 0
        : row.stream()
            .mapToInt(p -> IntStream.of(had).map(m -> Math.abs(m - p.midi())).min().orElseThrow())
            .sum();
  }

  /** Where an instrument's first years begin, as a MIDI number. */
  private double beginning() {
    Compass.Range first = range(Stage.FIRST_YEARS);
    return first.from().midi() + Learning.BEGINNING * (first.to().midi() - first.from().midi());
  }
}
