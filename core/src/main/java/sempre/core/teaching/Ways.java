package sempre.core.teaching;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import sempre.core.Judgement;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.instrument.Style;
import sempre.core.pitch.Pitch;
import sempre.core.practice.Ladder;
import sempre.core.score.Line;

/**
 * Matters in which good teachers differ whatever the instrument: a teacher has a way in each, and a
 * student may have another (common practice, no source).
 */
public final class Ways {
  /** How notes are named. */
  public static final String NAMES = "names";

  /** How a chromatic note is named that stands in no piece. */
  public static final String CHROMATIC = "chromatic";

  /** As they are met most: C#, Eb, F#, Ab, Bb ({@link Pitch#usual}). */
  public static final String USUAL = "usual";

  /** Which tempo is played first. */
  public static final String TEMPO = "tempo";

  /** Whether repeats and other signs are followed where a part is planned and played. */
  public static final String REPEATS = "repeats";

  /** In how many days what was heard fades by half. */
  public static final String HALF_LIFE = "halfLife";

  /** From which side finger pictures are seen. */
  public static final String EYES = "eyes";

  /** In which order a group is listed; see {@link SeatOrder}. */
  public static final String ORDER = "order";

  /** In which language a student's sheet is printed. */
  public static final String SHEET = "sheet";

  /** For which breath breaths are marked. */
  public static final String BREATH = "breath";

  /** After how many clean runs a bit gets quicker. */
  public static final String RUNS = "runs";

  /** By how much. */
  public static final String STEP = "step";

  /** After how many runs that were not clean it gets slower. */
  public static final String BACK = "back";

  /** In which way the hands of who plays drums take turns. */
  public static final String STICKING = "sticking";

  /** Names by which {@code words} finds what a matter and its schools are called. */
  private static final String KEY = "way-";

  private static final List<Style> ALL =
      List.of(
          style(NAMES, "names", "letters", "german", "syllables"),
          style(CHROMATIC, "chromatic", USUAL, "sharps", "flats"),
          style(TEMPO, "tempo", "clean", "marked"),
          style(REPEATS, "repeats", "played", "printed"),
          style(HALF_LIFE, "half-life", "21", "7", "14", "42", "84"),
          style(EYES, "eyes", "player", "facing"),
          style(ORDER, "order", "section", "seat", "name"),
          style(BREATH, "breath", "breath-usual", "breath-short", "breath-long", "breath-none"),
          style(RUNS, "runs", "runs-3", "runs-1", "runs-2", "runs-5"),
          style(STEP, "step", "step-5", "step-3", "step-10"),
          style(BACK, "back", "back-2", "back-1", "back-3"),
          style(STICKING, "sticking", "natural", "alternating"),
          style(SHEET, "sheet", "screen", "en", "es"));

  private Ways() {}

  private static Style style(String name, String key, String... schools) {
    Map<String, String> keys = new LinkedHashMap<>();
    for (String school : schools) {
      keys.put(school, KEY + school);
    }
    return new Style(name, KEY + key, keys, schools[0]);
  }

  /** All matters in the order in which they are asked; the first school of each is the usual. */
  public static List<Style> all() {
    return ALL;
  }

  /** Whether a style is one of these, and not of an instrument. */
  public static boolean has(String name) {
    return ALL.stream().anyMatch(s -> s.name().equals(name));
  }

  /** What a teacher or student has chosen of these, complete; other styles are passed over. */
  public static Map<String, String> with(Map<String, String> chosen) {
    Map<String, String> all = new LinkedHashMap<>();
    ALL.forEach(s -> all.put(s.name(), chosen.getOrDefault(s.name(), s.standard())));
    return all;
  }

  /** A line with its repeats or, for one who plays it so, as it is printed. */
  public static Line repeated(Line line, Map<String, String> ways) {
    return "printed".equals(ways.get(REPEATS)) ? line.asPrinted() : line;
  }

  /**
   * The share of the usual breath for which breaths are marked, in percent; empty where none are.
   */
  public static Optional<Integer> breathPercent(Map<String, String> ways) {
    return switch (ways.getOrDefault(BREATH, "breath-usual")) {
      case "breath-short" -> Optional.of(Judgement.Breathing.SHORT_PERCENT);
      case "breath-long" -> Optional.of(Judgement.Breathing.LONG_PERCENT);
      case "breath-none" -> Optional.empty();
      default -> Optional.of(Judgement.Breathing.USUAL_PERCENT);
    };
  }

  /** When a bit gets quicker, and when slower. */
  public static Ladder.Rule ladder(Map<String, String> ways) {
    Map<String, String> all = with(ways);
    return new Ladder.Rule(
        number(all.get(RUNS)),
        number(all.get(STEP)),
        number(all.get(BACK)),
        !"marked".equals(all.get(TEMPO)));
  }

  private static int number(String school) {
    return Integer.parseInt(school.substring(school.indexOf('-') + 1));
  }

  /** Only the styles that belong to an instrument. */
  public static Map<String, String> without(Map<String, String> style) {
    Map<String, String> rest = new LinkedHashMap<>(style);
    rest.keySet().removeIf(Ways::has);
    return rest;
  }

  /**
   * Checks a choice.
   *
   * @throws Refusal naming what there is instead
   */
  public static void check(String name, String school) {
    Optional<Style> style = ALL.stream().filter(s -> s.name().equals(name)).findFirst();
    if (style.isEmpty()) {
      throw new Refusal(
          "error.no-such", "typed", name, "there", ALL.stream().map(Style::name).toList());
    }
    if (!style.get().schools().containsKey(school)) {
      throw new Refusal(
          "error.no-school",
          "school",
          school,
          "matter",
          Saying.of("label." + style.get().label()),
          "there",
          List.copyOf(style.get().schools().keySet()));
    }
  }

  /** A chromatic note as this way of naming spells it; other notes as they are. */
  public static Pitch spelled(Pitch note, String chromatic) {
    if (note.alter() == 0 || chromatic.equals(USUAL)) {
      return note;
    }
    return Pitch.ofMidi(note.midi(), chromatic.equals("sharps"));
  }
}
