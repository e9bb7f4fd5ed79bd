package sempre.formats.csv;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import sempre.core.Limit;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.audition.Requirement;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.core.making.Figure;
import sempre.core.making.Mode;
import sempre.core.making.SightReading;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.formats.UnreadableException;

/**
 * What an audition asks, as a table: a row for each thing, with columns in any order by their
 * names: instrument, kind, title, bars, tonic, scale, from, to, tempo, pattern, level. Of an etude
 * title, bars and tempo count; of a scale tonic, scale, from, to, tempo and pattern; of what is
 * read at sight the level. Notes are written ones.
 */
public final class AuditionCsv {
  private static final List<String> KINDS = List.of("etude", "scale", "chromatic", "sight");
  private static final int SLOWEST = 20;
  private static final int QUICKEST = 300;
  private static final int SOME_OCTAVE = 4;

  /** Problems that are told at once. */
  private static final int MOST_PROBLEMS = 8;

  private AuditionCsv() {}

  /**
   * Reads it.
   *
   * @throws UnreadableException naming each row that can't be read, and the cause
   */
  public static List<Requirement> read(String csv) {
    List<Requirement> all = new ArrayList<>();
    List<Saying> problems = new ArrayList<>();
    try (var parser =
        CSVFormat.DEFAULT
            .builder()
            .setIgnoreEmptyLines(true)
            .setTrim(true)
            .setHeader()
            .setSkipHeaderRecord(true)
            .setIgnoreHeaderCase(true)
            .setAllowMissingColumnNames(true)
            .get()
            .parse(new StringReader(csv.replace("\uFEFF", "")))) {
      for (String needed : List.of("instrument", "kind")) {
        if (!parser.getHeaderMap().containsKey(needed)) {
          throw new UnreadableException("audition.no-column", "column", needed);
        }
      }
      for (CSVRecord row : parser) {
        Limit.LIST_ROWS.check(row.getRecordNumber());
        try {
          all.add(requirement(row));
        } catch (Refusal e) {
          // the heading is the first row
          problems.add(Saying.of("file.row", "row", row.getRecordNumber() + 1, "why", e.saying()));
        }
      }
    } catch (IOException | UncheckedIOException | IllegalArgumentException e) {
      throw new UnreadableException(Saying.of("file.not-csv"), e);
    }
    if (!problems.isEmpty()) {
      throw new UnreadableException(
          "audition.problems", "problems", problems.stream().limit(MOST_PROBLEMS).toList());
    }
    if (all.isEmpty()) {
      throw new UnreadableException("audition.empty");
    }
    return all;
  }

  private static Requirement requirement(CSVRecord row) {
    Instrument i =
        InstrumentNames.find(cell(row, "instrument"))
            .orElseThrow(() -> new Refusal(InstrumentNames.problem(cell(row, "instrument"))));
    String kind = cell(row, "kind").toLowerCase(Locale.ROOT);
    return switch (kind) {
      case "etude" -> etude(row, i);
      case "scale" -> scale(row, i, mode(cell(row, "scale")));
      case "chromatic" -> scale(row, i, Mode.CHROMATIC);
      case "sight" ->
          new Requirement.Sight(
              i.id(), one("level", cell(row, "level"), SightReading.Level.values()));
      default ->
          throw new Refusal("audition.word", "column", "kind", "given", kind, "words", KINDS);
    };
  }

  private static Requirement etude(CSVRecord row, Instrument i) {
    String title = cell(row, "title");
    if (title.isEmpty()) {
      throw new Refusal("audition.no-title");
    }
    return new Requirement.Etude(
        i.id(),
        title,
        cell(row, "bars"),
        cell(row, "tempo").isEmpty() ? OptionalInt.empty() : OptionalInt.of(tempo(row)));
  }

  private static Requirement scale(CSVRecord row, Instrument i, Mode mode) {
    Compass.Range usual = i.compass(Map.of()).of(Stage.SCHOOL);
    String from = cell(row, "from");
    String to = cell(row, "to");
    Compass.Range range =
        new Compass.Range(
            from.isEmpty() ? usual.from() : Pitch.parse(from),
            to.isEmpty() ? usual.to() : Pitch.parse(to));
    String tonic = cell(row, "tonic");
    if (tonic.isEmpty() && mode != Mode.CHROMATIC) {
      throw new Refusal("audition.no-tonic");
    }
    String pattern = cell(row, "pattern");
    return new Requirement.Scale(
        i.id(),
        mode == Mode.CHROMATIC ? range.from() : NoteName.parse(tonic).at(SOME_OCTAVE),
        mode,
        range,
        tempo(row),
        pattern.isEmpty() ? Figure.STEPS : one("pattern", pattern, Figure.values()));
  }

  private static int tempo(CSVRecord row) {
    String text = cell(row, "tempo");
    if (!text.matches("\\d{1,3}")
        || Integer.parseInt(text) < SLOWEST
        || Integer.parseInt(text) > QUICKEST) {
      throw new Refusal("audition.tempo", "given", text, "least", SLOWEST, "most", QUICKEST);
    }
    return Integer.parseInt(text);
  }

  private static Mode mode(String text) {
    return one("scale", text, Mode.values());
  }

  /** A word of some, in small letters and with hyphens. */
  private static <E extends Enum<E>> E one(String column, String text, E[] of) {
    Optional<E> found =
        Arrays.stream(of).filter(e -> word(e).equals(text.toLowerCase(Locale.ROOT))).findFirst();
    return found.orElseThrow(
        () ->
            new Refusal(
                "audition.word",
                "column",
                column,
                "given",
                text,
                "words",
                Arrays.stream(of).map(AuditionCsv::word).toList()));
  }

  private static String word(Enum<?> e) {
    return e.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  private static String cell(CSVRecord row, String column) {
    return row.isMapped(column) && row.isSet(column) ? Spreadsheet.typed(row.get(column)) : "";
  }
}
