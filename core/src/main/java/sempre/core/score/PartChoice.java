package sempre.core.score;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.Stream;
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

  /**
   * From whose part an instrument reads where it has none, the nearest first (common practice, no
   * source). Of a recorder's the one in whose notes it fits best.
   */
  private static final Map<String, List<String>> NEXT =
      Map.ofEntries(
          Map.entry("piccolo", List.of("flute")),
          Map.entry("cornet", List.of("trumpet", "flugelhorn")),
          Map.entry("flugelhorn", List.of("trumpet", "cornet")),
          Map.entry("trumpet", List.of("cornet", "flugelhorn")),
          Map.entry("trumpet-c", List.of("trumpet", "cornet")),
          Map.entry("baritone", List.of("euphonium", "trombone")),
          Map.entry("euphonium", List.of("baritone", "trombone")),
          Map.entry("baritone-tc", List.of("euphonium-tc", "euphonium", "baritone", "trombone")),
          Map.entry("euphonium-tc", List.of("baritone-tc", "baritone", "euphonium", "trombone")),
          Map.entry("bass-trombone", List.of("trombone", "euphonium")),
          Map.entry("bass-trombone-two-valves", List.of("bass-trombone", "trombone", "euphonium")),
          Map.entry("recorder-soprano", List.of("flute", "oboe")),
          Map.entry("recorder-alto", List.of("flute", "oboe")));

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
    return owns(score, instrument).stream().findFirst();
  }

  /** All parts whose names say this instrument and that have notes: the first, the second … */
  private static List<Part> owns(Score score, Instrument instrument) {
    return score.parts().stream()
        .filter(p -> p.topLine().isPresent() && names(p, instrument))
        .toList();
  }

  /** Whether an instrument has parts of its own for several chairs. */
  public static boolean hasChairs(Score score, Instrument instrument) {
    return owns(score, instrument).size() > 1;
  }

  /** Whether something is shared out in a section: several parts, or the lines of one. */
  public static boolean isShared(Score score, Instrument instrument) {
    return owns(score, instrument).stream()
            .mapToLong(p -> p.lines().stream().filter(l -> !l.notes().isEmpty()).count())
            .sum()
        > 1;
  }

  /**
   * What one of a section reads.
   *
   * @param line of the part's lines that have notes, from 0
   */
  public record Seat(Part part, int line) {}

  /**
   * The part of one of a section, where the instrument has several: they are shared out by the
   * order of the seats, the first to the first, and as evenly as they go. Where a part divides,
   * those who share it share its lines in the same way, the upper to the first.
   *
   * @param place in the section, from 0
   * @param players how many they are, at least 1
   */
  public static Optional<Seat> ofChair(Score score, Instrument instrument, int place, int players) {
    List<Part> own = owns(score, instrument);
    if (own.isEmpty()) {
      return Optional.empty();
    }
    int which = share(place, players, own.size());
    List<Integer> desk =
        IntStream.range(0, players)
            .filter(p -> share(p, players, own.size()) == which)
            .boxed()
            .toList();
    Part part = own.get(which);
    int lines = (int) part.lines().stream().filter(l -> !l.notes().isEmpty()).count();
    return Optional.of(new Seat(part, share(desk.indexOf(place), desk.size(), lines)));
  }

  /**
   * What one reads who plays a part of a section, the second clarinet: the part whose name says so,
   * else the nearest above it; where the instrument has no part, that of the instrument it reads
   * from. Where all parts stand on one staff the second player has the notes below the first's
   * (common practice, no source). A part that divides is shared by those who play it, by their
   * seats.
   *
   * @param number of the part, from 1
   * @param place among those who play it, from 0
   * @param players how many they are, at least 1
   */
  public static Optional<Seat> ofPart(
      Score score, Instrument instrument, int number, int place, int players) {
    List<Part> own = ownsOrNext(score, instrument);
    if (own.isEmpty()) {
      return Optional.empty();
    }
    List<SortedSet<Integer>> numbers = numbers(own);
    int which =
        IntStream.range(0, own.size())
            .filter(i -> numbers.get(i).contains(number))
            .findFirst()
            .orElseGet(
                () ->
                    IntStream.range(0, own.size())
                        .filter(i -> numbers.get(i).last() < number)
                        .boxed()
                        .max(Comparator.comparing(i -> numbers.get(i).last()))
                        .orElse(0));
    SortedSet<Integer> named = numbers.get(which);
    int lines = (int) own.get(which).lines().stream().filter(l -> !l.notes().isEmpty()).count();
    int line =
        named.contains(number) && named.size() == 1 && !alone(own)
            ? share(place, players, lines)
            : Math.min(lines - 1, named.headSet(number).size() + beyond(named, number));
    return Optional.of(new Seat(own.get(which), line));
  }

  /** An instrument's own parts, else those of the one it reads from; a recorder's has no parts. */
  private static List<Part> ownsOrNext(Score score, Instrument instrument) {
    List<String> next =
        instrument.id().startsWith("recorder")
            ? List.of()
            : NEXT.getOrDefault(instrument.id(), List.of());
    return Stream.concat(
            Stream.of(instrument), next.stream().map(id -> Catalogue.standard().instrument(id)))
        .map(i -> owns(score, i))
        .filter(parts -> !parts.isEmpty())
        .findFirst()
        .orElse(List.of());
  }

  /** Whether all of a section read from one staff, whose name tells no parts. */
  private static boolean alone(List<Part> own) {
    return own.size() == 1 && PartNumbers.of(own.get(0).name()).isEmpty();
  }

  /** How far a part lies beyond the last that is named. */
  private static int beyond(SortedSet<Integer> named, int number) {
    return Math.max(0, number - named.last() - 1);
  }

  /** Which parts each is, by its name; one whose name says nothing by its place. */
  private static List<SortedSet<Integer>> numbers(List<Part> own) {
    return IntStream.range(0, own.size())
        .mapToObj(
            i -> {
              SortedSet<Integer> said = PartNumbers.of(own.get(i).name());
              return said.isEmpty() ? new TreeSet<>(List.of(i + 1)) : said;
            })
        .toList();
  }

  /** Which of some things falls to a place, as evenly as they go. */
  private static int share(int place, int players, int things) {
    return Math.min(things - 1, place * things / players);
  }

  /**
   * The part whose name says this instrument, else for who plays by names another of those, else
   * one of the same transposition, else the one that lies nearest to where its players play.
   */
  public static Optional<Part> best(Score score, Instrument instrument) {
    List<Part> all = score.parts().stream().filter(p -> p.topLine().isPresent()).toList();
    List<Part> wind = all.stream().filter(p -> !isTimpani(p)).toList();
    List<Part> playable = wind.isEmpty() ? all : wind;
    return own(score, instrument)
        .or(() -> playable.stream().filter(p -> instrument.byName() && isByName(p)).findFirst())
        .or(() -> next(playable, instrument))
        .or(
            () ->
                playable.stream()
                    .filter(p -> p.transposition().equals(instrument.transposition()))
                    .filter(p -> fit(p, instrument, 0) == 0)
                    .findFirst())
        .or(() -> playable.stream().min(Comparator.comparingDouble(p -> distance(p, instrument))));
  }

  private static Optional<Part> next(List<Part> playable, Instrument instrument) {
    Stream<Part> found =
        NEXT.getOrDefault(instrument.id(), List.of()).stream()
            .flatMap(
                id ->
                    playable.stream()
                        .filter(p -> names(p, Catalogue.standard().instrument(id)))
                        .limit(1));
    return instrument.id().startsWith("recorder")
        ? found.min(Comparator.comparingInt(p -> fitsBest(p, instrument)))
        : found.findFirst();
  }

  /** How many notes lie outside what the first years have, in the octave in which it is least. */
  private static int fitsBest(Part part, Instrument instrument) {
    Part read = part.readBy(instrument.transposition());
    Compass.Range range = instrument.compass(instrument.usualOptions()).of(Stage.FIRST_YEARS);
    return IntStream.rangeClosed(-2, 2).map(o -> outside(read, range, o)).min().orElse(0);
  }

  /** Whether a part is for bars: a percussionist reads the bells, and the bells the percussion. */
  private static boolean isByName(Part part) {
    return Catalogue.standard()
        .named(part.name())
        .filter(id -> Catalogue.standard().instrument(id).byName())
        .isPresent();
  }

  /** Kettledrums play two or three notes, which is nobody else's part. */
  private static boolean isTimpani(Part part) {
    return part.name().matches("(?i).*\\b(timpani|timp|pauken|timbales|timbali)\\b.*");
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

  /**
   * Puts a part of a score on a player's page.
   *
   * @param said how a teacher says that the pages are meant
   */
  public static Reading read(Score score, Part part, Setup setup, Pages said) {
    return read(part, setup, PagePitch.of(score, said));
  }

  /** Puts a part on a player's page, which is taken as it is meant. */
  public static Reading read(Part part, Setup setup, Pages pages) {
    Instrument instrument = setup.instrument();
    boolean own = ownPage(part, instrument);
    if (pages == Pages.AS_SAID && own && standsAsItSounds(part, setup)) {
      Transposition move = Transposition.CONCERT.onto(instrument.transposition());
      return new Reading(
          part.readBy(instrument.transposition()),
          part.id(),
          move,
          Optional.of(
              Saying.of(
                  "read.as-it-sounds",
                  "n",
                  Math.abs(move.semitones() / 12),
                  "lower",
                  move.semitones() < 0 ? 1 : 0)));
    }
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
        && !isInC(part);
  }

  /** Whether a part's name says that it is for an instrument in C. */
  static boolean isInC(Part part) {
    return part.name().matches("(?i).*\\b(in C|C (trumpet|instrument)s?)\\b.*");
  }

  /**
   * Whether the page of an instrument that sounds in another octave, as a recorder or a piccolo,
   * stands as it sounds: it goes beyond the instrument, and would not in the octave in which its
   * players read.
   */
  private static boolean standsAsItSounds(Part part, Setup setup) {
    Transposition t = setup.instrument().transposition();
    if (t.fifths() != 0 || t.semitones() == 0) {
      return false;
    }
    Compass.Range range = setup.instrument().compass(setup.options()).of(Stage.ADVANCED);
    return outside(part, range, 0) > 0 && outside(part, range, -t.semitones() / 12) == 0;
  }

  /** A part as it sounds. */
  public static Part sounding(Score score, Part part, Pages said) {
    Transposition sounds = sounds(part, PagePitch.of(score, said));
    return new Part(part.id(), part.name(), sounds, part.bars(), part.lines(), part.remarks())
        .readBy(Transposition.CONCERT);
  }

  /** From the page of a part to what sounds when the player it is named after plays it. */
  static Transposition sounds(Part part, Pages pages) {
    if (pages == Pages.CONCERT) {
      return part.asConcert().transposition();
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
