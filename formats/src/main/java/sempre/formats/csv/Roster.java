package sempre.formats.csv;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;

/**
 * A list of students as a school office or a spreadsheet gives it: CSV (RFC 4180) with commas,
 * semicolons or tabs, with or without a row of headings. Of each student only the first name and an
 * initial are taken, the instrument and what belongs to it, and the group.
 *
 * @param headed whether the first row holds headings
 * @param columns what stands in each column
 * @param rows the students, row by row, with what is wrong
 */
public record Roster(boolean headed, List<Column> columns, List<Row> rows) {
  public Roster {
    columns = List.copyOf(columns);
    rows = List.copyOf(rows);
  }

  /** The most rows that are read at once. */
  public static final int MOST_ROWS = 500;

  private static final int LONGEST_NAME = 40;

  /** What a column means. */
  public enum Meaning {
    FIRST_NAME("first name", "first name", "given name", "firstname", "forename", "vorname"),
    LAST_NAME("last name", "last name", "surname", "lastname", "family name", "nachname"),
    WHOLE_NAME("whole name", "name", "student", "full name", "student name", "pupil"),
    INITIAL("initial", "initial"),
    INSTRUMENT("instrument", "instrument", "instr", "section", "instrument name"),
    GROUP("group", "group", "class", "band", "ensemble", "course"),
    OPTIONS("options, such as foot=B", "options", "option"),
    REACH("what the hand does not reach", "reach", "does not reach", "avoid"),
    NOTHING("not taken");

    private final String words;
    private final Set<String> headings;

    Meaning(String words, String... headings) {
      this.words = words;
      this.headings = Set.of(headings);
    }

    public String words() {
      return words;
    }
  }

  /**
   * One column.
   *
   * @param heading as the file has it; empty when it has none
   * @param meaning what is taken from it
   * @param samples the first few cells
   */
  public record Column(String heading, Meaning meaning, List<String> samples) {
    public Column {
      samples = List.copyOf(samples);
    }
  }

  /**
   * One student.
   *
   * @param line number of the row in the file, from 1
   * @param instrument empty when it was not found
   * @param problems what is wrong, in clauses; empty when the row can be taken
   */
  public record Row(
      int line,
      String givenName,
      String initial,
      Optional<Instrument> instrument,
      String group,
      Map<String, String> options,
      Set<String> avoid,
      List<String> problems) {
    public Row {
      problems = List.copyOf(problems);
      options = Collections.unmodifiableMap(new LinkedHashMap<>(options));
      avoid = Collections.unmodifiableSet(new LinkedHashSet<>(avoid));
    }
  }

  /**
   * Reads a list and guesses what its columns mean.
   *
   * @throws IllegalArgumentException when there is nothing to read, or too much
   */
  public static Roster read(String text) {
    return read(text, List.of());
  }

  /**
   * Reads a list.
   *
   * @param meanings of the columns in order; empty to guess
   * @throws IllegalArgumentException when there is nothing to read, or too much, or two columns
   *     mean the same
   */
  public static Roster read(String text, List<Meaning> meanings) {
    List<List<String>> cells = cells(text);
    if (cells.isEmpty()) {
      throw new IllegalArgumentException(
          "there is no row to read; paste a list, one student in each row");
    }
    if (cells.size() > MOST_ROWS + 1) {
      throw new IllegalArgumentException(
          "there are " + cells.size() + " rows; take at most " + MOST_ROWS + " at once");
    }
    boolean headed = headed(cells.get(0));
    List<List<String>> body = headed ? cells.subList(1, cells.size()) : cells;
    int width = cells.stream().mapToInt(List::size).max().orElse(0);
    List<Meaning> said = meanings.isEmpty() ? guess(cells, headed, body, width) : meanings;
    once(said);
    List<Column> columns = new ArrayList<>();
    for (int c = 0; c < width; c++) {
      int column = c;
      columns.add(
          new Column(
              headed ? cell(cells.get(0), c) : "",
              c < said.size() ? said.get(c) : Meaning.NOTHING,
              body.stream().map(r -> cell(r, column)).filter(x -> !x.isEmpty()).limit(3).toList()));
    }
    List<Row> rows = new ArrayList<>();
    Map<String, Integer> seen = new HashMap<>();
    for (int r = 0; r < body.size(); r++) {
      if (body.get(r).stream().anyMatch(x -> !x.isBlank())) {
        rows.add(row(r + (headed ? 2 : 1), body.get(r), said, seen));
      }
    }
    return new Roster(headed, columns, rows);
  }

  private static void once(List<Meaning> said) {
    Set<Meaning> seen = EnumSet.noneOf(Meaning.class);
    for (Meaning m : said) {
      if (m != Meaning.NOTHING && !seen.add(m)) {
        throw new IllegalArgumentException(
            "two columns are said to be the " + m.words() + "; let one of them be not taken");
      }
    }
  }

  private static List<List<String>> cells(String text) {
    String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
    CSVFormat format =
        CSVFormat.DEFAULT
            .builder()
            .setDelimiter(delimiter(plain))
            .setIgnoreSurroundingSpaces(true)
            .setIgnoreEmptyLines(false)
            .get();
    try (CSVParser parser = format.parse(new StringReader(plain))) {
      List<List<String>> cells = new ArrayList<>();
      for (CSVRecord r : parser) {
        cells.add(r.stream().map(String::strip).toList());
      }
      while (!cells.isEmpty() && cells.get(cells.size() - 1).stream().allMatch(String::isEmpty)) {
        cells.remove(cells.size() - 1);
      }
      return cells;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (UncheckedIOException | IllegalStateException e) {
      throw new IllegalArgumentException(
          "the list can't be read as CSV; a quotation mark is perhaps left open", e);
    }
  }

  /** The sign between cells: what stands in most rows. */
  private static char delimiter(String text) {
    char best = ',';
    long most = 0;
    for (char c : new char[] {'\t', ';', ','}) {
      long rows = text.lines().filter(l -> l.indexOf(c) >= 0).count();
      if (rows > most) {
        best = c;
        most = rows;
      }
    }
    return best;
  }

  private static boolean headed(List<String> first) {
    boolean named = first.stream().anyMatch(c -> heading(c).isPresent());
    return named && first.stream().noneMatch(c -> InstrumentNames.find(c).isPresent());
  }

  private static Optional<Meaning> heading(String cell) {
    String plain = InstrumentNames.plain(cell);
    for (Meaning m : Meaning.values()) {
      if (m.headings.contains(plain)) {
        return Optional.of(m);
      }
    }
    return Optional.empty();
  }

  private static List<Meaning> guess(
      List<List<String>> cells, boolean headed, List<List<String>> body, int width) {
    List<Meaning> said = new ArrayList<>(Collections.nCopies(width, Meaning.NOTHING));
    Set<Meaning> left = EnumSet.allOf(Meaning.class);
    if (headed) {
      for (int c = 0; c < width; c++) {
        Optional<Meaning> m = heading(cell(cells.get(0), c)).filter(left::remove);
        said.set(c, m.orElse(Meaning.NOTHING));
      }
      return said;
    }
    for (int c = 0; c < width; c++) {
      Meaning m = byContent(body, c);
      if (m != Meaning.NOTHING && left.remove(m)) {
        said.set(c, m);
      }
    }
    return said;
  }

  private static Meaning byContent(List<List<String>> body, int column) {
    List<String> filled =
        body.stream().map(r -> cell(r, column)).filter(x -> !x.isEmpty()).toList();
    if (filled.isEmpty()) {
      return Meaning.NOTHING;
    }
    long instruments = filled.stream().filter(x -> InstrumentNames.find(x).isPresent()).count();
    if (instruments * 2 > filled.size()) {
      return Meaning.INSTRUMENT;
    }
    if (filled.stream().allMatch(x -> x.matches("\\p{L}\\.?"))) {
      return Meaning.INITIAL;
    }
    if (filled.stream().allMatch(x -> x.matches(".*\\p{L}=\\S+.*"))) {
      return Meaning.OPTIONS;
    }
    if (column == 0) {
      boolean two =
          filled.stream().filter(x -> x.matches("\\S+[, ]+\\S.*")).count() * 2 > filled.size();
      return two ? Meaning.WHOLE_NAME : Meaning.FIRST_NAME;
    }
    Set<String> distinct = new HashSet<>(filled);
    return filled.size() > 3 && distinct.size() * 3 <= filled.size()
        ? Meaning.GROUP
        : Meaning.NOTHING;
  }

  private static String cell(List<String> row, int column) {
    return column < row.size() ? row.get(column) : "";
  }

  private static Row row(
      int line, List<String> cells, List<Meaning> said, Map<String, Integer> seen) {
    Map<Meaning, String> of = new HashMap<>();
    for (int c = 0; c < said.size(); c++) {
      of.put(said.get(c), cell(cells, c));
    }
    List<String> problems = new ArrayList<>();
    String[] name = name(of);
    if (name[0].isEmpty()) {
      problems.add("no first name");
    } else if (name[0].length() > LONGEST_NAME) {
      problems.add("the first name has over " + LONGEST_NAME + " letters");
    }
    String called = of.getOrDefault(Meaning.INSTRUMENT, "");
    Optional<Instrument> instrument = InstrumentNames.find(called);
    if (instrument.isEmpty()) {
      problems.add(InstrumentNames.problem(called));
    }
    Map<String, String> options = pairs(of.getOrDefault(Meaning.OPTIONS, ""), problems);
    Set<String> avoid = new LinkedHashSet<>();
    for (String token : of.getOrDefault(Meaning.REACH, "").split("[\\s,;]+")) {
      if (!token.isEmpty()) {
        avoid.add(token);
      }
    }
    // a name without a side is both hands'
    Set<String> reach = new LinkedHashSet<>();
    instrument.ifPresent(
        i -> {
          try {
            Setup setup = Setup.of(i, options);
            avoid.forEach(a -> reach.addAll(i.keywork().places(a, setup.options())));
          } catch (IllegalArgumentException e) {
            problems.add(e.getMessage());
          }
        });
    String group = of.getOrDefault(Meaning.GROUP, "");
    String key =
        String.join("|", name[0], name[1], instrument.map(Instrument::id).orElse(called), group)
            .toLowerCase(Locale.ROOT);
    Integer before = seen.putIfAbsent(key, line);
    if (before != null && !name[0].isEmpty()) {
      problems.add("the same as row " + before);
    }
    return new Row(line, name[0], name[1], instrument, group, options, reach, problems);
  }

  /** First name and initial. */
  private static String[] name(Map<Meaning, String> of) {
    String first = of.getOrDefault(Meaning.FIRST_NAME, "");
    String last = of.getOrDefault(Meaning.LAST_NAME, "");
    String whole = of.getOrDefault(Meaning.WHOLE_NAME, "");
    if (first.isEmpty() && !whole.isEmpty()) {
      int comma = whole.indexOf(',');
      if (comma >= 0) {
        last = whole.substring(0, comma).strip();
        first = whole.substring(comma + 1).strip();
      } else {
        int space = whole.lastIndexOf(' ');
        first = space < 0 ? whole : whole.substring(0, space).strip();
        last = space < 0 ? "" : whole.substring(space + 1).strip();
      }
    }
    String initial = of.getOrDefault(Meaning.INITIAL, "").replace(".", "").strip();
    if (initial.isEmpty() && !last.isEmpty()) {
      initial = last.substring(0, last.offsetByCodePoints(0, 1)).toUpperCase(Locale.ROOT);
    }
    return new String[] {first, initial.length() > 2 ? initial.substring(0, 1) : initial};
  }

  private static Map<String, String> pairs(String text, List<String> problems) {
    Map<String, String> pairs = new LinkedHashMap<>();
    for (String pair : text.split("[\\s,;]+")) {
      if (pair.isEmpty()) {
        continue;
      }
      int equals = pair.indexOf('=');
      if (equals < 1) {
        problems.add("'" + pair + "' is no option; write it as name=value, such as foot=B");
      } else {
        pairs.put(pair.substring(0, equals), pair.substring(equals + 1));
      }
    }
    return pairs;
  }
}
