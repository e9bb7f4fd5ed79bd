package sempre.core.score;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import sempre.core.Saying;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Transposition;

/**
 * Which part of a score an instrument reads, and how: its own part where there is one, else another
 * part transposed so that both sound together, in the octave that fits.
 */
public final class PartChoice {
  /** No part has so many notes outside a range; it keeps the stages apart. */
  private static final long MOST_NOTES = 100_000;

  private PartChoice() {}

  /** How the pages of a file are meant. */
  public enum Pages {
    /** Each part is transposed as it says itself. */
    AS_SAID,
    /** All pages are in concert pitch. */
    CONCERT,
    /** Whoever reads a page plays what stands there. */
    AS_WRITTEN
  }

  /**
   * A part as one player reads it.
   *
   * @param part with the notes on this player's page
   * @param source id of the part in the file
   * @param move what was done to its page, in letters and semitones
   * @param remark a sentence on what was done; empty when nothing was
   */
  public record Reading(Part part, String source, Transposition move, Optional<Saying> remark) {}

  /** The part whose name says this instrument; empty where there is none with notes. */
  public static Optional<Part> own(Score score, Instrument instrument) {
    return score.parts().stream()
        .filter(p -> p.topLine().isPresent() && names(p, instrument))
        .findFirst();
  }

  /**
   * The part whose name says this instrument, else for who plays by names another of those, else
   * one of the same transposition, else the one that lies nearest to where its players play.
   */
  public static Optional<Part> best(Score score, Instrument instrument) {
    List<Part> playable = score.parts().stream().filter(p -> p.topLine().isPresent()).toList();
    return own(score, instrument)
        .or(() -> playable.stream().filter(p -> instrument.byName() && isByName(p)).findFirst())
        .or(
            () ->
                playable.stream()
                    .filter(p -> p.transposition().equals(instrument.transposition()))
                    .filter(p -> fit(p, instrument, 0) == 0)
                    .findFirst())
        .or(() -> playable.stream().min(Comparator.comparingDouble(p -> distance(p, instrument))));
  }

  /** Whether a part is for bars: a percussionist reads the bells, and the bells the percussion. */
  private static boolean isByName(Part part) {
    return Catalogue.standard()
        .named(part.name())
        .filter(id -> Catalogue.standard().instrument(id).byName())
        .isPresent();
  }

  /** How far a part lies from the middle of what an instrument's players play, in semitones. */
  private static double distance(Part part, Instrument instrument) {
    Compass.Range range = instrument.compass(instrument.usualOptions()).of(Stage.SCHOOL);
    double middle =
        (range.from().midi() + range.to().midi()) / 2.0 + instrument.transposition().semitones();
    int sounds = sounds(part, Pages.AS_SAID).semitones();
    double mean =
        part.topLine().orElseThrow().notes().stream()
            .mapToInt(n -> n.pitch().midi() + sounds)
            .average()
            .orElse(middle);
    return Math.abs(mean - middle);
  }

  /** Whether a part is named after an instrument: {@code Alto Sax 1} for {@code alto-sax}. */
  public static boolean names(Part part, Instrument instrument) {
    return Catalogue.standard().named(part.name()).filter(instrument.id()::equals).isPresent();
  }

  /** Puts a part on a player's page. */
  public static Reading read(Part part, Setup setup, Pages pages) {
    Instrument instrument = setup.instrument();
    boolean own = ownPage(part, instrument);
    if (pages == Pages.AS_WRITTEN || pages == Pages.AS_SAID && own) {
      return new Reading(part, part.id(), Transposition.CONCERT, Optional.empty());
    }
    Part from = pages == Pages.CONCERT ? part.asConcert() : part;
    Transposition move = from.transposition().onto(instrument.transposition());
    if (move.equals(Transposition.CONCERT) && pages == Pages.AS_SAID && names(part, instrument)) {
      return new Reading(from, part.id(), move, Optional.empty());
    }
    Part moved = from.readBy(instrument.transposition());
    int octaves =
        List.of(0, -1, 1, -2, 2, -3, 3).stream()
            .min(Comparator.comparingLong(o -> strain(moved, setup, o)))
            .orElse(0);
    Transposition whole =
        new Transposition(move.letters() + 7 * octaves, move.semitones() + 12 * octaves);
    if (whole.equals(Transposition.CONCERT)) {
      return new Reading(from, part.id(), whole, Optional.empty());
    }
    Saying remark =
        Saying.of(
            "read.read-from",
            "part",
            part.name(),
            "transposed",
            move.equals(Transposition.CONCERT) ? 0 : 1,
            "octaves",
            Math.abs(octaves),
            "lower",
            octaves < 0 ? 1 : 0);
    return new Reading(moved.inOctave(octaves), part.id(), whole, Optional.of(remark));
  }

  /**
   * A page named after the player and without a transposition is that player's own, unless it says
   * that it is for an instrument in C.
   */
  private static boolean ownPage(Part part, Instrument instrument) {
    return names(part, instrument)
        && part.transposition().equals(Transposition.CONCERT)
        && !part.name().matches("(?i).*\\b(in C|C (trumpet|instrument)s?)\\b.*");
  }

  /** From the page of a part to what sounds when the player it is named after plays it. */
  static Transposition sounds(Part part, Pages pages) {
    if (pages == Pages.CONCERT) {
      return Transposition.CONCERT;
    }
    return Catalogue.standard()
        .named(part.name())
        .map(id -> Catalogue.standard().instrument(id))
        .filter(i -> pages == Pages.AS_WRITTEN || ownPage(part, i))
        .map(Instrument::transposition)
        .orElse(part.transposition());
  }

  /**
   * How badly a part lies when moved by some octaves: notes outside the instrument come first, then
   * those outside what school players have, then those outside the first years.
   */
  private static long strain(Part part, Setup setup, int octaves) {
    Compass compass = setup.instrument().compass(setup.options());
    long strain = 0;
    for (Stage s : List.of(Stage.ADVANCED, Stage.SCHOOL, Stage.FIRST_YEARS)) {
      strain = strain * MOST_NOTES + outside(part, compass.of(s), octaves);
    }
    return strain;
  }

  private static int fit(Part part, Instrument instrument, int octaves) {
    return outside(part, instrument.compass(instrument.usualOptions()).of(Stage.ADVANCED), octaves);
  }

  /** How many notes lie outside a range when moved by some octaves. */
  private static int outside(Part part, Compass.Range range, int octaves) {
    return (int)
        part.lines().stream()
            .flatMap(l -> l.notes().stream())
            .mapToInt(n -> n.pitch().midi() + 12 * octaves)
            .filter(m -> m < range.from().midi() || m > range.to().midi())
            .count();
  }
}
