package sempre.core.score;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;

/**
 * Which part of a score an instrument reads, and how: its own part where there is one, else another
 * part transposed so that both sound together, in the octave that fits.
 */
public final class PartChoice {
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
  public record Reading(Part part, String source, Transposition move, String remark) {}

  /** The part whose name says this instrument, else the first that has notes. */
  public static Optional<Part> best(Score score, Instrument instrument) {
    List<Part> playable = score.parts().stream().filter(p -> p.topLine().isPresent()).toList();
    return playable.stream()
        .filter(p -> names(p, instrument))
        .findFirst()
        .or(
            () ->
                playable.stream()
                    .filter(p -> p.transposition().equals(instrument.transposition()))
                    .filter(p -> fit(p, instrument, 0) == 0)
                    .findFirst())
        .or(() -> playable.stream().findFirst());
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
      return new Reading(part, part.id(), Transposition.CONCERT, "");
    }
    Part from = pages == Pages.CONCERT ? part.asConcert() : part;
    Transposition move = from.transposition().onto(instrument.transposition());
    if (move.equals(Transposition.CONCERT) && pages == Pages.AS_SAID && names(part, instrument)) {
      return new Reading(from, part.id(), move, "");
    }
    Part moved = from.readBy(instrument.transposition());
    int octaves =
        List.of(0, -1, 1, -2, 2).stream()
            .min(Comparator.comparingInt(o -> fit(moved, instrument, o)))
            .orElse(0);
    Transposition whole =
        new Transposition(move.letters() + 7 * octaves, move.semitones() + 12 * octaves);
    if (whole.equals(Transposition.CONCERT)) {
      return new Reading(from, part.id(), whole, "");
    }
    String remark =
        "Read from the part '"
            + part.name()
            + "'"
            + (move.equals(Transposition.CONCERT) ? "" : ", transposed to this page")
            + (octaves == 0
                ? "."
                : ", "
                    + (Math.abs(octaves) == 1 ? "an octave " : Math.abs(octaves) + " octaves ")
                    + (octaves < 0 ? "lower" : "higher")
                    + ", where it fits.");
    return new Reading(moved.inOctave(octaves), part.id(), whole, remark);
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

  /** How many notes lie outside the instrument's range when moved by some octaves. */
  private static int fit(Part part, Instrument instrument, int octaves) {
    return (int)
        part.lines().stream()
            .flatMap(l -> l.notes().stream())
            .map(Note::pitch)
            .mapToInt(Pitch::midi)
            .map(m -> m + 12 * octaves)
            .filter(m -> m < instrument.lowest().midi() || m > instrument.highest().midi())
            .count();
  }
}
