package sempre.formats.abc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import sempre.core.Limit;
import sempre.core.Saying;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Letter;
import sempre.core.pitch.Pitch;
import sempre.formats.musicxml.MusicXmlReader;
import sempre.formats.xml.XmlNode;

/**
 * Reads music as a teacher writes it on the board: {@code Bb C D Eb F}, {@code 4C 8D E}, {@code
 * F#4}, {@code do re mi}. A name says what it says, with its accidental behind it; capitals and
 * small letters are one. Without an octave a note is the one nearest to the note before it, and a
 * tune lies where its instrument's first-year players have it; {@code '} and {@code ,} move a note
 * an octave for a leap. A number before a note is a length that stays until the next number;
 * without a first one, the length is taken that fills the measures.
 *
 * <p>What else there is (bar lines, slurs, ties, triplets, rests, fields) is that of {@link
 * MusicLine}: the names are spelled out as ABC, which {@link AbcReader} reads. What may be meant in
 * another way than it was read is told.
 */
public final class PlainLetters {
  /** The field of the music file in which the text stands that it was typed as. */
  public static final String FIELD = "typed-as-letters";

  /** A text that was typed where H is B natural says so, whoever opens it later. */
  private static final String GERMAN_LINE = "%names german";

  private static final String LETTERS_LINE = "%names letters";

  /** An ABC file says so: by its header, or by a title or a unit length before the music. */
  private static final Pattern HEADER =
      Pattern.compile("(?s)\\s*(%abc|X:\\s*\\d).*|(?s)(\\s*([A-Z]:|%)[^\\n]*\\n)*\\s*[LT]:.*");

  private static final Pattern FIELD_LINE = Pattern.compile("\\s*([A-Za-z]):(.*)");
  private static final Pattern BESIDE =
      Pattern.compile("\"[^\"]*\"?|![^!\\s]{1,20}!|\\[([A-Za-z]):([^\\]]*)\\]|%.*$");
  private static final Pattern BAR =
      Pattern.compile(
          "(?::*\\[?\\|+[\\]|]*:*|::+|:\\|+|\\|?\\](?![A-Za-z]))(?:\\d[\\d,-]*\\.?(?=\\s|$))?"
              + "|\\[\\d[\\d,-]*\\.?(?=\\s|$)");
  private static final Pattern LENGTH = Pattern.compile("(1|2|4|8|16|32)(?!\\d)\\.{0,2}");
  private static final Pattern SLUR_AND_LENGTH =
      Pattern.compile("\\((1|2|4|8|16|32)(?!\\d)(\\.{0,2})");
  private static final Pattern TUPLET = Pattern.compile("\\([35679](?::\\d?)?(?::\\d{0,2})?");
  private static final Pattern REST = Pattern.compile("([rRzxZ])(\\d{1,2}\\.?)?");
  private static final Pattern SYLLABLE =
      Pattern.compile(
          "(\\^\\^?|__?|=)?(do|ut|r[eé]|mi|fa|sol?|la|si|ti)"
              + "(bb|♭♭|b|♭|##|♯♯|#|♯|♮|=(?![A-Za-z]))?(\\d(?!\\d))?([',]*)",
          Pattern.CASE_INSENSITIVE);
  private static final Pattern NOTE =
      Pattern.compile(
          "(\\^\\^?|__?|=)?([A-Ha-h])(bb|♭♭|b|♭|##|♯♯|#|♯|♮|n(?![a-z])|=(?![A-Za-z]))?"
              + "(\\d(?!\\d))?([',]*)");
  private static final Pattern SYLLABLES_SAID =
      Pattern.compile("(?i)(?<!\\p{L})(do|re|ré|mi|sol|si)(?!\\p{L}{2})");

  private static final Map<String, Letter> SYLLABLES =
      Map.ofEntries(
          Map.entry("do", Letter.C),
          Map.entry("ut", Letter.C),
          Map.entry("re", Letter.D),
          Map.entry("ré", Letter.D),
          Map.entry("mi", Letter.E),
          Map.entry("fa", Letter.F),
          Map.entry("sol", Letter.G),
          Map.entry("so", Letter.G),
          Map.entry("la", Letter.A),
          Map.entry("si", Letter.B),
          Map.entry("ti", Letter.B));

  /** Lengths that are tried where none is typed, the likeliest first. */
  private static final List<String> LENGTHS = List.of("4", "8", "2", "1", "16");

  private static final int STEPS = 7;
  private static final double WHOLE = 4;
  private static final double TINY = 0.001;
  private static final int SOME_OCTAVE = 4;
  private static final int OCTAVES = 4;

  /** Below or above the whole range by more than this, in semitones, an octave was hardly meant. */
  private static final int FAR = 5;

  /**
   * Where a tune is to lie, as it is written for its player, in MIDI numbers.
   *
   * @param low of the first years
   * @param high of the first years
   * @param lowest of the instrument
   * @param highest of the instrument
   */
  public record Reach(int low, int high, int lowest, int highest) {}

  /** A note as it was typed; what it becomes is known when all are read. */
  private static final class Named {
    private final Letter letter;
    private final Optional<Integer> alter;
    private final Optional<Integer> octave;
    private final int marks;
    private final int line;
    private final int column;
    private final String typed;
    private final boolean inChord;
    private final KeySignature key;
    private int step;

    private Named(
        Letter letter,
        Optional<Integer> alter,
        Optional<Integer> octave,
        int marks,
        int line,
        int column,
        String typed,
        boolean inChord,
        KeySignature key) {
      this.letter = letter;
      this.alter = alter;
      this.octave = octave;
      this.marks = marks;
      this.line = line;
      this.column = column;
      this.typed = typed;
      this.inChord = inChord;
      this.key = key;
    }

    private int octaveAt() {
      return Math.floorDiv(step, STEPS);
    }

    private Pitch pitch() {
      return new Pitch(letter, alter.orElse(key.alterOf(letter)), octaveAt());
    }
  }

  /** A stretch of the text: a note, or what is handed on as it stands. */
  private record Piece(int line, int column, String text, Optional<Named> note, boolean bar) {}

  private final AbcReader.Said said;
  private final Reach reach;
  private final boolean german;
  private final boolean syllables;
  private final int firstLine;
  private final List<Piece> pieces = new ArrayList<>();
  private final List<Named> notes = new ArrayList<>();
  private final List<Problem> problems = new ArrayList<>();
  private final List<Problem> remarks = new ArrayList<>();
  private final Set<String> doubted = new TreeSet<>();
  private KeySignature key;
  private boolean lengthSaid;
  private int wordStart;
  private Optional<Integer> lengthAt = Optional.empty();
  private int lineCount;

  private PlainLetters(
      AbcReader.Said said, Reach reach, boolean german, boolean syllables, int firstLine) {
    this.said = said;
    this.reach = reach;
    this.german = german;
    this.syllables = syllables;
    this.firstLine = firstLine;
    key = signature(said.key());
  }

  /** Whether a text is written so, and is not ABC by its header. */
  public static boolean is(String text) {
    return !HEADER.matcher(text).matches();
  }

  /** The text that a music file was typed as in this form; empty where it was not. */
  public static Optional<String> typed(XmlNode scorePartwise) {
    return scorePartwise.descendants("miscellaneous-field").stream()
        .filter(f -> f.attribute("name").equals(FIELD))
        .map(XmlNode::text)
        .findFirst();
  }

  /**
   * A kept text as one opens it whose B is another note: it says how its notes are named.
   *
   * @param german whether H is B natural to whoever opens it
   */
  public static String named(String kept, boolean german) {
    boolean says = kept.lines().anyMatch(l -> l.startsWith("%names "));
    return german && !says && is(kept) ? LETTERS_LINE + "\n" + kept : kept;
  }

  /**
   * Reads what was typed: one tune, or several with numbers before them or empty lines between.
   *
   * @param said what stands beside the text
   * @param reach where its player plays
   * @param german whether H is B natural and B is B flat
   */
  public static List<AbcReader.Tune> read(
      String text, AbcReader.Said said, Reach reach, boolean german) {
    Limit.YAML_LETTERS.check(text.length());
    boolean names =
        text.lines().anyMatch(l -> l.strip().equals(GERMAN_LINE))
            || german && text.lines().noneMatch(l -> l.strip().equals(LETTERS_LINE));
    boolean syllables = SYLLABLES_SAID.matcher(text).find();
    List<AbcReader.Tune> tunes = new ArrayList<>();
    List<String> lines = AbcReader.lines(text);
    int from = 0;
    for (int i = 0; i <= lines.size(); i++) {
      boolean ends = i == lines.size() || lines.get(i).isBlank();
      boolean begins = !ends && AbcReader.isNumbered(lines.get(i));
      if ((ends || begins) && from < i) {
        PlainLetters p = new PlainLetters(said, reach, names, syllables, from + 1);
        p.tune(lines.subList(from, i)).ifPresent(tunes::add);
        from = i;
      }
      from = ends ? i + 1 : from;
    }
    return tunes;
  }

  private static KeySignature signature(String typed) {
    return AbcKey.of(typed.strip()).map(AbcKey::signature).orElse(KeySignature.NATURAL);
  }

  private Optional<AbcReader.Tune> tune(List<String> lines) {
    lineCount = lines.size();
    for (int n = 0; n < lines.size(); n++) {
      line(lines.get(n), n);
    }
    octaves();
    doubts();
    String length = lengthSaid || lengthAt.isEmpty() ? "" : filling();
    Optional<AbcReader.Tune> tune = abc(length);
    if (tune.isPresent() && !length.isEmpty()) {
      Piece first = pieces.get(lengthAt.orElseThrow());
      remarks.add(
          0,
          new Problem(
              firstLine + first.line(),
              first.column() + 1,
              Saying.of("letters.length", "length", length)));
    }
    return tune.map(t -> told(t, lines));
  }

  /** The tune with the text as it was typed, and what is to be said of it. */
  private AbcReader.Tune told(AbcReader.Tune t, List<String> lines) {
    List<Problem> all = new ArrayList<>(problems);
    all.addAll(t.problems());
    String typed = String.join("\n", lines).strip();
    String names = german() ? GERMAN_LINE + "\n" : "";
    String own = typed.substring(AbcReader.numberEnds(typed.lines().findFirst().orElse("")));
    t.root().descendants("miscellaneous-field").stream()
        .filter(f -> f.attribute("name").equals(AbcReader.FIELD))
        .forEach(f -> f.set("name", FIELD).text(AbcReader.whole(names + own, said)));
    return new AbcReader.Tune(
        t.title(), t.number(), t.root(), List.copyOf(all), own, List.copyOf(remarks));
  }

  private boolean german() {
    return german && notes.stream().anyMatch(n -> n.letter == Letter.B);
  }

  // ---- reading the names

  private void line(String raw, int n) {
    wordStart = pieces.size();
    Matcher field = FIELD_LINE.matcher(raw);
    if (raw.startsWith("%") || field.matches()) {
      if (field.matches() && field.group(1).equals("K")) {
        key = signature(field.group(2));
      }
      pieces.add(new Piece(n, 0, raw, Optional.empty(), true));
      return;
    }
    int at = AbcReader.numberEnds(raw);
    copy(raw.substring(0, at), n, 0);
    wordStart = pieces.size();
    boolean chord = false;
    while (at < raw.length()) {
      char c = raw.charAt(at);
      if (Character.isWhitespace(c)) {
        copy(String.valueOf(c), n, at++);
        wordStart = pieces.size();
      } else if (chord && c == ']') {
        chord = false;
        copy("]", n, at++);
      } else {
        Optional<Matcher> found = next(BESIDE, raw, at);
        if (found.isPresent()) {
          Matcher m = found.get();
          if ("K".equals(m.group(1))) {
            key = signature(m.group(2));
          }
          copy(m.group(), n, at);
          at = m.end();
          wordStart = m.group(1) == null ? wordStart : pieces.size();
          continue;
        }
        found = chord ? Optional.empty() : next(BAR, raw, at);
        if (found.isPresent()) {
          pieces.add(new Piece(n, at, found.get().group(), Optional.empty(), true));
          at = found.get().end();
          wordStart = pieces.size();
          continue;
        }
        if (c == '[') {
          chord = true;
          copy("[", n, at++);
          continue;
        }
        at = sign(raw, n, at, chord);
      }
    }
  }

  private int sign(String raw, int n, int at, boolean chord) {
    Optional<Matcher> m = next(TUPLET, raw, at);
    if (m.isPresent()) {
      copy(m.get().group(), n, at);
      return m.get().end();
    }
    m = next(SLUR_AND_LENGTH, raw, at);
    if (m.isPresent()) {
      // the length stands before the slur, or it would be a tuplet
      copy(m.get().group(1) + m.get().group(2) + "(", n, at);
      lengthSaid |= lengthAt.isEmpty();
      return m.get().end();
    }
    m = chord ? Optional.empty() : next(LENGTH, raw, at);
    if (m.isPresent()) {
      copy(m.get().group(), n, at);
      lengthSaid |= lengthAt.isEmpty();
      return m.get().end();
    }
    m = next(syllables ? SYLLABLE : NOTE, raw, at);
    if (m.isPresent()) {
      return note(m.get(), raw, n, at, chord);
    }
    m = next(REST, raw, at);
    if (m.isPresent()) {
      rest(m.get(), n, at);
      return m.get().end();
    }
    if (Character.isLetter(raw.charAt(at))) {
      int end = at;
      while (end < raw.length() && Character.isLetter(raw.charAt(end))) {
        end++;
      }
      String typed = raw.substring(at, end);
      problems.add(problem(n, at, Saying.of("letters.no-note", "typed", typed)));
      copy(" ".repeat(typed.length()), n, at);
      return end;
    }
    copy(String.valueOf(raw.charAt(at)), n, at);
    return at + 1;
  }

  private void rest(Matcher m, int n, int at) {
    begun();
    String sign = m.group(1).equals("Z") ? "Z" : m.group(1).equals("x") ? "x" : "z";
    String number = m.group(2);
    boolean own = number != null && LENGTH.matcher(number).matches();
    // r4 is a quarter rest, as 4r is; Z4 are four measures
    copy(sign.equals("Z") ? m.group() : (own ? number : "") + sign, n, at);
  }

  private int note(Matcher m, String raw, int n, int at, boolean chord) {
    String name = m.group(2);
    Letter letter =
        syllables
            ? SYLLABLES.get(name.toLowerCase(Locale.ROOT))
            : name.equalsIgnoreCase("H") ? Letter.B : Letter.valueOf(name.toUpperCase(Locale.ROOT));
    int end = m.end();
    String accidental = m.group(3) == null ? "" : m.group(3);
    if (!syllables && isNote(m, raw, n)) {
      // a b that is a note of its own ends this one here
      end = m.start(3);
      accidental = "";
    }
    boolean whole = end == m.end();
    Optional<Integer> alter =
        m.group(1) != null
            ? Optional.of(AbcKey.alter(m.group(1)))
            : accidental.isEmpty() ? Optional.empty() : Optional.of(alter(accidental));
    if (!syllables && name.equalsIgnoreCase("H")) {
      alter = Optional.of(alter.orElse(0));
      if (!german && doubted.add("H")) {
        remarks.add(problem(n, at, Saying.of("letters.h")));
      }
    } else if (!syllables && german && letter == Letter.B) {
      alter = Optional.of(alter.orElse(-1));
    }
    begun();
    Named note =
        new Named(
            letter,
            alter,
            whole && m.group(4) != null
                ? Optional.of(Integer.parseInt(m.group(4)))
                : Optional.empty(),
            whole ? marks(m.group(5)) : 0,
            n,
            at,
            raw.substring(at, end),
            chord && !pieces.isEmpty() && !pieces.get(pieces.size() - 1).text().equals("["),
            key);
    notes.add(note);
    pieces.add(new Piece(n, at, "", Optional.of(note), false));
    return slashes(raw, n, end);
  }

  /** Fractions behind a note are handed on: {@code C/2}. */
  private int slashes(String raw, int n, int at) {
    int end = at;
    while (end < raw.length() && raw.charAt(end) == '/') {
      end++;
    }
    if (end > at) {
      while (end < raw.length() && Character.isDigit(raw.charAt(end))) {
        end++;
      }
      copy(raw.substring(at, end), n, at);
    }
    return end;
  }

  /**
   * Whether the b behind a small letter is a note: within a run of small letters, as in {@code
   * gabc}. Alone, as in {@code ab}, it is a flat, and that is told.
   */
  private boolean isNote(Matcher m, String raw, int n) {
    if (!"b".equals(m.group(3)) && !"bb".equals(m.group(3))) {
      return false;
    }
    int before = m.start() - 1;
    int behind = m.end(3);
    boolean run =
        before >= 0 && Character.isLowerCase(raw.charAt(before))
            || behind < raw.length() && Character.isLowerCase(raw.charAt(behind));
    boolean small = Character.isLowerCase(m.group(2).charAt(0));
    if (small && run) {
      return true;
    }
    boolean unclear = small ? !m.group(2).equals("b") && m.group(3).equals("b") : run;
    if (unclear && doubted.add(m.group(2) + "b")) {
      remarks.add(
          problem(
              n,
              m.start(),
              Saying.of(
                  "letters.flat",
                  "typed",
                  m.group(2) + "b",
                  "note",
                  new Pitch(letterOf(m.group(2)), -1, SOME_OCTAVE))));
    }
    return false;
  }

  private static Letter letterOf(String name) {
    String small = name.toLowerCase(Locale.ROOT);
    return small.length() > 1
        ? SYLLABLES.get(small)
        : small.equals("h") ? Letter.B : Letter.valueOf(name.toUpperCase(Locale.ROOT));
  }

  private static int alter(String accidental) {
    return switch (accidental) {
      case "b", "♭" -> -1;
      case "bb", "♭♭" -> -2;
      case "#", "♯" -> 1;
      case "##", "♯♯" -> 2;
      default -> 0;
    };
  }

  private static int marks(String typed) {
    int up = 0;
    for (char c : typed.toCharArray()) {
      up += c == '\'' ? 1 : -1;
    }
    return up;
  }

  private void begun() {
    if (lengthAt.isEmpty()) {
      lengthAt = Optional.of(Math.min(wordStart, pieces.size()));
    }
  }

  private void copy(String text, int line, int column) {
    if (!text.isEmpty()) {
      pieces.add(new Piece(line, column, text, Optional.empty(), false));
    }
  }

  private static Optional<Matcher> next(Pattern p, String raw, int at) {
    Matcher m = p.matcher(raw).region(at, raw.length()).useTransparentBounds(true);
    m.useAnchoringBounds(false);
    return m.lookingAt() && m.end() > at ? Optional.of(m) : Optional.empty();
  }

  private Problem problem(int line, int column, Saying saying) {
    return new Problem(firstLine + line, column + 1, saying);
  }

  // ---- where the notes lie

  /** Each note nearest to the one before it; the whole tune where it is said, or lies best. */
  private void octaves() {
    int before = 0;
    int chordStart = 0;
    int floating = 0;
    boolean anchored = false;
    for (int i = 0; i < notes.size(); i++) {
      Named n = notes.get(i);
      int letter = n.letter.ordinal();
      if (n.octave.isPresent()) {
        n.step = letter + STEPS * (n.octave.get() + n.marks);
        if (!anchored && i > 0) {
          int shift = STEPS * Math.round((n.step - before) / (float) STEPS);
          notes.subList(floating, i).forEach(x -> x.step += shift);
        }
        anchored = true;
      } else if (i == 0) {
        n.step = letter + STEPS * (SOME_OCTAVE + n.marks);
      } else {
        n.step = nearest(n.inChord ? before : chordStart, letter) + STEPS * n.marks;
      }
      before = n.step;
      chordStart = n.inChord ? chordStart : n.step;
    }
    if (!anchored && !notes.isEmpty()) {
      int best = 0;
      double least = Double.MAX_VALUE;
      for (int o = -OCTAVES; o <= OCTAVES; o++) {
        double off = off(o);
        if (off < least) {
          least = off;
          best = o;
        }
      }
      int shift = STEPS * best;
      notes.forEach(n -> n.step += shift);
    }
  }

  /** Where a letter lies nearest to a step of the staff: a fourth away at most. */
  static int nearest(int from, int letter) {
    int up = Math.floorMod(letter - from, STEPS);
    return from + (up > STEPS / 2 ? up - STEPS : up);
  }

  /** How badly the tune lies, moved by octaves. */
  private double off(int octaves) {
    double sum = 0;
    double middle = 0;
    for (Named n : notes) {
      int octave = n.octaveAt() + octaves;
      if (octave < 0 || octave > 8) {
        return Double.MAX_VALUE;
      }
      int midi = new Pitch(n.letter, n.alter.orElse(n.key.alterOf(n.letter)), octave).midi();
      sum += midi < reach.lowest() || midi > reach.highest() ? 100 : 0;
      sum += midi < reach.low() || midi > reach.high() ? 10 : 0;
      middle += midi;
    }
    return sum + Math.abs(middle / notes.size() - (reach.low() + reach.high()) / 2.0) / 100;
  }

  /** What may be meant otherwise than it was read. */
  private void doubts() {
    Map<Letter, Named> plain = new TreeMap<>();
    Set<Letter> signed = new TreeSet<>();
    for (Named n : notes) {
      if (n.alter.isPresent()) {
        signed.add(n.letter);
      } else if (n.key.alterOf(n.letter) != 0) {
        plain.putIfAbsent(n.letter, n);
      }
    }
    plain.forEach(
        (letter, n) -> {
          if (signed.contains(letter)) {
            remarks.add(
                problem(
                    n.line,
                    n.column,
                    Saying.of(
                        "letters.by-key",
                        "typed",
                        n.typed,
                        "note",
                        n.pitch(),
                        "natural",
                        n.typed.charAt(0) + "=")));
          }
        });
    for (Named n : notes) {
      if (n.octaveAt() < 0 || n.octaveAt() > 8) {
        problems.add(problem(n.line, n.column, Saying.of("letters.no-octave", "typed", n.typed)));
        n.step = n.letter.ordinal() + STEPS * SOME_OCTAVE;
        continue;
      }
      int midi = n.pitch().midi();
      boolean far = midi < reach.lowest() - FAR || midi > reach.highest() + FAR;
      if (n.octave.isPresent() && far && doubted.add("far")) {
        remarks.add(
            problem(
                n.line,
                n.column,
                Saying.of(
                    "letters.far",
                    "note",
                    n.pitch(),
                    "typed",
                    n.typed,
                    "length",
                    n.octave.get() + n.typed.replaceAll("\\d", ""))));
      }
    }
  }

  // ---- writing them as ABC

  /** The length that fills the measures; a quarter where none does, or there are none. */
  private String filling() {
    if (pieces.stream().noneMatch(p -> p.bar() && p.text().contains("|"))) {
      return LENGTHS.get(0);
    }
    String best = LENGTHS.get(0);
    long most = -1;
    for (String length : LENGTHS) {
      long full = abc(length).map(this::full).orElse(-1L);
      if (full > most) {
        most = full;
        best = length;
      }
    }
    return best;
  }

  /** How many measures are full; less than none where one is too long, or too short. */
  private long full(AbcReader.Tune t) {
    if (t.problems().stream().anyMatch(p -> p.saying().key().startsWith(AbcReader.BAR))) {
      return -1;
    }
    double wants = Meter.of(said.meter()).map(m -> m.quarters().doubleValue()).orElse(WHOLE);
    return MusicXmlReader.read(t.file()).parts().get(0).bars().stream()
        .filter(bar -> Math.abs(bar.quarters() - wants) < TINY)
        .count();
  }

  private Optional<AbcReader.Tune> abc(String length) {
    StringBuilder out = new StringBuilder();
    List<List<Integer>> columns = new ArrayList<>();
    Map<String, Integer> altered = new HashMap<>();
    int line = 0;
    columns.add(new ArrayList<>());
    for (int i = 0; i < pieces.size(); i++) {
      Piece p = pieces.get(i);
      while (line < p.line()) {
        out.append('\n');
        columns.add(new ArrayList<>());
        line++;
      }
      String text = p.note().map(n -> letter(n, altered)).orElse(p.text());
      if (!length.isEmpty() && lengthAt.filter(Integer.valueOf(i)::equals).isPresent()) {
        // a dot right behind a number would lengthen it
        text = length + (text.startsWith(".") ? " " : "") + text;
      }
      if (p.bar()) {
        altered.clear();
      }
      out.append(text);
      for (int k = 0; k < text.length(); k++) {
        boolean same = p.note().isEmpty() && text.length() == p.text().length();
        columns.get(line).add(p.column() + (same ? k : 0));
      }
    }
    List<AbcReader.Tune> read = AbcReader.read(out.toString(), said);
    return read.stream().findFirst().map(t -> placed(t, columns));
  }

  /** The problems where they stand in the text that was typed. */
  private AbcReader.Tune placed(AbcReader.Tune t, List<List<Integer>> columns) {
    List<Problem> moved = new ArrayList<>();
    for (Problem p : t.problems()) {
      List<Integer> own = columns.get(Math.min(p.line(), columns.size()) - 1);
      int at = Math.min(p.column() - 1, own.size() - 1);
      int column = at < 0 ? 0 : own.get(at) + (p.column() - 1 > at ? 1 : 0);
      int line = Math.min(p.line(), lineCount);
      moved.add(new Problem(firstLine - 1 + line, column + 1, p.saying()));
    }
    return new AbcReader.Tune(t.title(), t.number(), t.root(), moved, t.text(), List.of());
  }

  private static String letter(Named n, Map<String, Integer> altered) {
    Pitch p = n.pitch();
    String own = p.letter() + String.valueOf(p.octave());
    boolean signed = altered.getOrDefault(own, n.key.alterOf(n.letter)) != p.alter();
    if (signed) {
      altered.put(own, p.alter());
    }
    return Letters.of(p, signed);
  }
}
