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
import java.util.SortedSet;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import sempre.core.Limit;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.score.PartNumbers;

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

  private static final int LONGEST_NAME = 40;

  /** The longest seat or section. */
  public static final int LONGEST_SEAT = 20;

  /** What a column means. */
  public enum Meaning {
    FIRST_NAME(
        "first name",
        "given name",
        "firstname",
        "forename",
        "vorname",
        "first",
        "given",
        "given names",
        "first names",
        "forenames",
        "preferred name",
        "prename",
        "nombre",
        "nombre de pila",
        "nombres"),
    LAST_NAME(
        "last name",
        "surname",
        "lastname",
        "family name",
        "nachname",
        "last",
        "family",
        "surnames",
        "apellido",
        "apellidos"),
    WHOLE_NAME(
        "name",
        "student",
        "full name",
        "student name",
        "pupil",
        "fullname",
        "names",
        "alumno",
        "alumna",
        "nombre completo",
        "nombre y apellidos",
        "estudiante"),
    INITIAL("initial", "init", "inicial"),
    INSTRUMENT("instrument", "instr", "instrument name", "inst", "plays instrument", "instrumento"),
    GROUP("group", "class", "band", "ensemble", "course", "grupo", "clase", "banda", "curso"),
    SEAT(
        "seat", "section", "chair", "desk", "stand", "row", "atril", "seccion", "sección", "fila",
        "puesto"),
    PART("part", "part number", "voice", "parte", "papel", "voz", "stimme"),
    PLAYS(
        "plays",
        "plays to",
        "plays up to",
        "up to",
        "range",
        "highest note",
        "knows",
        "toca",
        "toca hasta",
        "hasta",
        "registro"),
    OPTIONS("options", "option", "opciones", "opcion", "opción"),
    REACH("reach", "does not reach", "avoid", "alcance", "no llega"),
    NOTHING();

    private final Set<String> headings;

    Meaning(String... headings) {
      this.headings = Set.of(headings);
    }

    /** Names by which {@code words} finds what it is called. */
    public String key() {
      return name().toLowerCase(Locale.ROOT).replace('_', '-');
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
   * @param name first name and surname; of the surname only what is asked for is given out
   * @param initial as the list says it; empty where it has a surname or nothing
   * @param called the instrument as the list has it
   * @param instrument empty when it was not found
   * @param seat seat or section, in the list's words
   * @param part of the section, as the list or the name of the instrument says: 2 for "Cl. 2"; 0
   *     where neither does
   * @param plays lowest and highest written note that is played already; empty for nothing
   * @param problems what is wrong, in clauses; empty when the row can be taken
   */
  public record Row(
      int line,
      StudentName name,
      String initial,
      String called,
      Optional<Instrument> instrument,
      String group,
      String seat,
      int part,
      Optional<Compass.Range> plays,
      Map<String, String> options,
      Set<String> avoid,
      List<Saying> problems) {
    public Row {
      problems = List.copyOf(problems);
      options = Collections.unmodifiableMap(new LinkedHashMap<>(options));
      avoid = Collections.unmodifiableSet(new LinkedHashSet<>(avoid));
    }

    /** The same student in another group. */
    public Row in(String other) {
      return new Row(
          line,
          name,
          initial,
          called,
          instrument,
          other,
          seat,
          part,
          plays,
          options,
          avoid,
          problems);
    }
  }

  /**
   * Reads a list and guesses what its columns mean.
   *
   * @throws Refusal when there is nothing to read, or too much
   */
  public static Roster read(String text) {
    return read(text, List.of(), Map.of());
  }

  /**
   * Reads a list.
   *
   * @param meanings of the columns in order; empty to guess
   * @param meant instruments by what the list calls them, where that is not clear
   * @throws Refusal when there is nothing to read, or too much, or two columns mean the same
   */
  public static Roster read(String text, List<Meaning> meanings, Map<String, String> meant) {
    List<List<String>> cells = cells(text);
    if (cells.isEmpty()) {
      throw new Refusal("list.empty");
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
    for (int r = 0; r < body.size(); r++) {
      if (body.get(r).stream().anyMatch(x -> !x.isBlank())) {
        rows.add(row(r + (headed ? 2 : 1), body.get(r), said, meant));
      }
    }
    Limit.LIST_GROUPS.check(rows.stream().map(Row::group).distinct().count());
    return new Roster(headed, columns, rows);
  }

  private static void once(List<Meaning> said) {
    Set<Meaning> seen = EnumSet.noneOf(Meaning.class);
    for (Meaning m : said) {
      if (m != Meaning.NOTHING && !seen.add(m)) {
        throw new Refusal("list.two-columns", "meaning", Saying.of("meaning." + m.key()));
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
        // a row of headings comes on top
        Limit.LIST_ROWS.check(cells.size());
        Limit.LIST_COLUMNS.check(r.size());
        cells.add(r.stream().map(String::strip).toList());
      }
      while (!cells.isEmpty() && cells.get(cells.size() - 1).stream().allMatch(String::isEmpty)) {
        cells.remove(cells.size() - 1);
      }
      return cells;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (UncheckedIOException | IllegalStateException e) {
      throw new Refusal(Saying.of("list.not-csv"), e);
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
      // a section may be an instrument, or a place within the instruments
      for (Meaning place : List.of(Meaning.SEAT, Meaning.PART)) {
        int section = said.indexOf(place);
        if (section >= 0 && left.contains(Meaning.INSTRUMENT) && instruments(body, section)) {
          said.set(section, Meaning.INSTRUMENT);
          left.remove(Meaning.INSTRUMENT);
        }
      }
      return said;
    }
    boolean unsure = twoNames(body, width);
    for (int c = 0; c < width; c++) {
      Meaning m = byContent(body, c);
      if (m == Meaning.FIRST_NAME && unsure) {
        // which of them is the first name is asked: a last name shall not be kept
        continue;
      }
      if (m != Meaning.NOTHING && left.remove(m)) {
        said.set(c, m);
      }
    }
    return said;
  }

  /**
   * Whether several columns hold single words as names are: Quill and Ada, whichever comes first.
   */
  private static boolean twoNames(List<List<String>> body, int width) {
    return IntStream.range(0, width).filter(c -> isNames(body, c)).count() > 1;
  }

  private static boolean isNames(List<List<String>> body, int column) {
    List<String> filled =
        body.stream().map(r -> cell(r, column)).filter(x -> !x.isEmpty()).toList();
    return filled.size() > 1
        && new HashSet<>(filled).size() * 2 > filled.size()
        && filled.stream().allMatch(x -> x.matches("\\p{Lu}[\\p{L}'’-]+"))
        && !most(filled, x -> InstrumentNames.find(x).isPresent());
  }

  private static Meaning byContent(List<List<String>> body, int column) {
    List<String> filled =
        body.stream().map(r -> cell(r, column)).filter(x -> !x.isEmpty()).toList();
    if (filled.isEmpty()) {
      return Meaning.NOTHING;
    }
    if (most(filled, x -> InstrumentNames.find(x).isPresent())) {
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

  /** Whether most of a column are names of instruments, rightly written or nearly so. */
  private static boolean instruments(List<List<String>> body, int column) {
    return most(
        body.stream().map(r -> cell(r, column)).filter(x -> !x.isEmpty()).toList(),
        InstrumentNames::nearly);
  }

  private static boolean most(List<String> cells, Predicate<String> of) {
    return cells.stream().filter(of).count() * 2 > cells.size();
  }

  private static String cell(List<String> row, int column) {
    return column < row.size() ? row.get(column) : "";
  }

  private static Row row(
      int line, List<String> cells, List<Meaning> said, Map<String, String> meant) {
    Map<Meaning, String> of = new HashMap<>();
    for (int c = 0; c < said.size(); c++) {
      of.put(said.get(c), cell(cells, c));
    }
    List<Saying> problems = new ArrayList<>();
    String first = of.getOrDefault(Meaning.FIRST_NAME, "");
    StudentName name =
        first.isEmpty()
            ? StudentName.whole(of.getOrDefault(Meaning.WHOLE_NAME, ""))
            : StudentName.of(first, of.getOrDefault(Meaning.LAST_NAME, ""));
    if (first.isEmpty() && of.containsKey(Meaning.LAST_NAME)) {
      name = StudentName.of(name.given(), of.get(Meaning.LAST_NAME));
    }
    if (name.given().isEmpty()) {
      problems.add(Saying.of("list.no-name"));
    } else if (name.given().length() > LONGEST_NAME) {
      problems.add(Saying.of("list.long-name", "most", LONGEST_NAME));
    }
    String initial = of.getOrDefault(Meaning.INITIAL, "").replace(".", "").strip();
    if (initial.length() > StudentName.LONGEST_INITIAL) {
      problems.add(Saying.of("list.long-initial", "most", StudentName.LONGEST_INITIAL));
    }
    String called = of.getOrDefault(Meaning.INSTRUMENT, "");
    Optional<Instrument> instrument =
        Optional.ofNullable(meant.get(called))
            .map(id -> Catalogue.standard().instrument(id))
            .or(() -> InstrumentNames.read(called));
    if (instrument.isEmpty()) {
      problems.add(InstrumentNames.problem(called));
    }
    String seat = of.getOrDefault(Meaning.SEAT, "");
    if (seat.length() > LONGEST_SEAT) {
      problems.add(Saying.of("list.long-seat", "most", LONGEST_SEAT));
    }
    Map<String, String> options = pairs(of.getOrDefault(Meaning.OPTIONS, ""), problems);
    // a name without a side is both hands'
    Set<String> reach = new LinkedHashSet<>();
    Optional<Compass.Range> plays = Optional.empty();
    if (instrument.isPresent()) {
      try {
        Setup setup = Catalogue.standard().setup(instrument.get().id(), options);
        for (String token : of.getOrDefault(Meaning.REACH, "").split("[\\s,;]+")) {
          if (!token.isEmpty()) {
            reach.addAll(instrument.get().keywork().places(token, setup.options()));
          }
        }
        plays = plays(of.getOrDefault(Meaning.PLAYS, ""), setup);
      } catch (Refusal e) {
        problems.add(e.saying());
      }
    }
    return new Row(
        line,
        name,
        initial,
        called,
        instrument,
        of.getOrDefault(Meaning.GROUP, ""),
        seat,
        part(of.getOrDefault(Meaning.PART, ""), called, problems),
        plays,
        options,
        reach,
        problems);
  }

  /** Which part of the section: what its own column says, else what the instrument is called. */
  private static int part(String said, String called, List<Saying> problems) {
    SortedSet<Integer> parts = PartNumbers.of(said.isEmpty() ? called : said);
    if (!said.isEmpty() && parts.size() != 1) {
      problems.add(Saying.of("list.no-part", "typed", said, "most", PartNumbers.MOST));
    }
    return parts.size() == 1 ? parts.first() : 0;
  }

  /**
   * Written notes from one to another, {@code A3-F4}, or up to one, {@code F4}: then from the
   * lowest of the first years.
   */
  private static Optional<Compass.Range> plays(String text, Setup setup) {
    String[] ends = text.strip().split("\\s*(?:-|–|\\bto\\b|\\.\\.)\\s*", 2);
    if (ends[0].isEmpty()) {
      return Optional.empty();
    }
    Pitch first = Pitch.parse(ends[0]);
    Compass.Range usual = setup.instrument().compass(setup.options()).of(Stage.FIRST_YEARS);
    Compass.Range range =
        ends.length > 1
            ? new Compass.Range(first, Pitch.parse(ends[1]))
            : new Compass.Range(first.midi() < usual.from().midi() ? first : usual.from(), first);
    for (Pitch p : List.of(range.from(), range.to())) {
      if (setup.ways(p).isEmpty()) {
        throw new Refusal(
            "list.not-in-range",
            "instrument",
            setup.instrument(),
            "note",
            p,
            "from",
            setup.lowest(),
            "to",
            setup.highest());
      }
    }
    return Optional.of(range);
  }

  private static Map<String, String> pairs(String text, List<Saying> problems) {
    Map<String, String> pairs = new LinkedHashMap<>();
    for (String pair : text.split("[\\s,;]+")) {
      if (pair.isEmpty()) {
        continue;
      }
      int equals = pair.indexOf('=');
      if (equals < 1) {
        problems.add(Saying.of("list.no-option", "typed", pair));
      } else {
        pairs.put(pair.substring(0, equals), pair.substring(equals + 1));
      }
    }
    return pairs;
  }
}
