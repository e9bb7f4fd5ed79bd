package sempre.formats.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.lang3.math.Fraction;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.pitch.Letter;
import sempre.core.pitch.Pitch;
import sempre.formats.xml.XmlNode;

/**
 * Reads a line of music, sign by sign (ABC 2.1, section 4). Where a sign can't be read, that is
 * said by its column, and the rest goes on.
 *
 * <p>Besides, {@code r} is a rest as {@code z} is, and there is a short form: a number that stands
 * before a note, as in {@code 4C D E F 8G A B c}, is the length of it and of all that follow, 4 a
 * quarter and 8 an eighth, a dot behind it for a dotted one, until another number stands there.
 */
final class MusicLine {
  private static final Pattern STAYS =
      Pattern.compile(
          "(1|2|4|8|16|32)(\\.{0,2})(?:\\s*(?=[\\^_=a-gA-GzxrZ(\\[{!\"])|\\s+(?=\\.[\\^_=a-gA-G(]))");
  private static final Pattern BAR =
      Pattern.compile(":*\\[?\\|+[\\]|]*:*|::+|:\\|+|\\|?\\](?![A-Za-z])");
  private static final Pattern ENDING =
      Pattern.compile("(?:\\s*\\[)?(\\d[\\d,-]*)\\.?(?![A-Ga-g/])");
  private static final Pattern FIELD = Pattern.compile("\\[([A-Za-z]):([^\\]]*)\\]");
  private static final Pattern NOTE = Pattern.compile("(\\^\\^|\\^|__|_|=)?([A-Ga-g])([,']*)");
  private static final Pattern LENGTH = Pattern.compile("(\\d{1,3})?(?:(/+)(\\d{1,3})?)?");
  private static final Pattern TUPLET = Pattern.compile("\\((\\d)(?::(\\d?))?(?::(\\d{0,2}))?");
  private static final Pattern DECORATION =
      Pattern.compile("!([^!\\s]{1,20})!|\\+([^+\\s]{1,20})\\+");
  private static final Pattern QUOTED = Pattern.compile("\"([^\"]{0,200})\"");
  private static final Pattern CHORD_SIGN =
      Pattern.compile("([A-G])([#b]?)(m7|maj7|m|min|maj|dim|aug|\\+|7|6|sus4)?(?:/[A-G][#b]?)?");
  private static final int LOWER_OCTAVE = 4;

  /** So many bars of rest at once. */
  private static final int MOST_RESTS = 200;

  /** What a field in the music says; the tune knows it. */
  interface Fields {
    void field(char name, String text, int column);
  }

  private final String text;
  private final int line;
  private final Voice voice;
  private final boolean everyOctave;
  private final Fields fields;
  private int at;
  private final List<String> signs = new ArrayList<>();
  private int slursStart;
  private int tupletLeft;
  private int actual = 1;
  private int normal = 1;
  private Fraction broken = Fraction.ONE;

  MusicLine(String text, int line, Voice voice, boolean everyOctave, Fields fields) {
    this.text = text;
    this.line = line;
    this.voice = voice;
    this.everyOctave = everyOctave;
    this.fields = fields;
  }

  void read() {
    while (at < text.length()) {
      int before = at;
      try {
        sign();
      } catch (ArithmeticException e) {
        problem(before, Saying.of("abc.length"));
      }
      at = Math.max(at, before + 1);
    }
    voice.lastNote().ifPresent(n -> n.apart = true);
    if (!signs.isEmpty() || slursStart > 0) {
      problem(text.length(), Saying.of("abc.nothing-behind"));
    }
  }

  private void problem(int column, Saying saying) {
    voice.problems.add(new Problem(line, column + 1, saying));
  }

  private Optional<Matcher> next(Pattern p) {
    Matcher m = p.matcher(text).region(at, text.length());
    m.useTransparentBounds(true);
    return m.lookingAt() && m.end() > at ? Optional.of(m) : Optional.empty();
  }

  private void sign() {
    char c = text.charAt(at);
    if (Character.isWhitespace(c) || c == '`') {
      if (c != '`') {
        voice.lastNote().ifPresent(n -> n.apart = true);
      }
      at++;
      return;
    }
    Optional<Matcher> stays = atWord() ? next(STAYS) : Optional.empty();
    if (stays.isPresent()) {
      stay(stays.get());
      return;
    }
    Optional<Matcher> field = next(FIELD);
    if (field.isPresent()) {
      int column = at;
      at = field.get().end();
      fields.field(field.get().group(1).charAt(0), field.get().group(2), column);
      return;
    }
    Optional<Matcher> bar = next(BAR);
    if (bar.isPresent()) {
      bar(bar.get());
      return;
    }
    if (c == '[' && next(Pattern.compile("\\[\\d")).isPresent()) {
      bar("");
      return;
    }
    if (next(NOTE).isPresent() || c == '[' || "zxrZX".indexOf(c) >= 0) {
      note();
    } else if (c == '{') {
      grace();
    } else if (c == '(') {
      open();
    } else if (c == ')') {
      voice.lastNote().ifPresent(n -> n.slursStop++);
      at++;
    } else if (c == '-') {
      voice.tie();
      at++;
    } else if (c == '&') {
      tupletLeft = 0;
      voice.overlay();
      at++;
    } else if (c == '<' || c == '>') {
      brokenRhythm(c);
    } else if (c == '"') {
      quoted();
    } else if (c == 'y') {
      at++;
      next(LENGTH).ifPresent(m -> at = m.end());
    } else {
      decoration(c);
    }
  }

  /** Whether a number here may begin a word: not behind a note, whose length it would be. */
  private boolean atWord() {
    return at == 0
        || " \t|:](".indexOf(text.charAt(at - 1)) >= 0
            && !(at > 1
                && text.charAt(at - 1) == '|'
                && !Character.isWhitespace(text.charAt(at - 1))
                && isEnding());
  }

  /** A number right behind a bar line is an ending, unless a note stands right behind it. */
  private boolean isEnding() {
    return next(ENDING).isPresent();
  }

  private void stay(Matcher m) {
    int dots = m.group(2).length();
    Fraction plain = Fraction.getFraction(4, Integer.parseInt(m.group(1)));
    voice.stays = Optional.of(plain.multiplyBy(Fraction.getFraction((2 << dots) - 1, 1 << dots)));
    at = m.end();
  }

  private void bar(Matcher m) {
    at = m.end();
    bar(m.group());
  }

  private void bar(String sign) {
    Optional<Matcher> ending = next(ENDING);
    String number = "";
    if (ending.isPresent()) {
      number = ending.get().group(1);
      at = ending.get().end();
    }
    tupletLeft = 0;
    voice.bar(sign.isEmpty() ? "|" : sign, number, line);
  }

  private void open() {
    Optional<Matcher> tuplet = next(TUPLET);
    if (tuplet.isEmpty()) {
      slursStart++;
      at++;
      return;
    }
    Matcher m = tuplet.get();
    at = m.end();
    int p = Integer.parseInt(m.group(1));
    int q = number(m.group(2), inTimeOf(p));
    int r = number(m.group(3), p);
    if (p < 2 || q < 1 || r < 1) {
      problem(m.start(), Saying.of("abc.tuplet", "typed", m.group()));
      return;
    }
    actual = p;
    normal = q;
    tupletLeft = r;
    first = true;
  }

  private boolean first;

  private static int number(String typed, int otherwise) {
    return typed == null || typed.isEmpty() ? otherwise : Integer.parseInt(typed);
  }

  /** In the time of how many (section 4.13). */
  private int inTimeOf(int p) {
    return switch (p) {
      case 2, 4, 8 -> 3;
      case 3, 6 -> 2;
      default -> voice.meter.filter(Meter::compound).isPresent() ? 3 : 2;
    };
  }

  private void note() {
    Sound s = new Sound(at + 1);
    char c = text.charAt(at);
    int from = at;
    if (c == 'Z' || c == 'X') {
      at++;
      int bars = length(Fraction.ONE).map(Fraction::intValue).orElse(1);
      voice.rests(Math.max(1, Math.min(bars, MOST_RESTS)), line);
      return;
    }
    if (c == 'z' || c == 'x' || c == 'r') {
      at++;
      s.hidden = c == 'x';
      s.written = length(voice.unitLength()).orElse(voice.unitLength());
    } else if (c == '[') {
      chord(s);
    } else {
      pitch().ifPresent(s.pitches::add);
      s.written = length(voice.unitLength()).orElse(voice.unitLength());
    }
    if (s.written.compareTo(Fraction.ZERO) <= 0
        || s.written.compareTo(Fraction.getFraction(64, 1)) > 0) {
      problem(from, Saying.of("abc.length"));
      s.written = voice.unitLength();
    }
    if (!broken.equals(Fraction.ONE)) {
      s.written = s.written.multiplyBy(broken);
      broken = Fraction.ONE;
    }
    put(s);
  }

  private void put(Sound s) {
    if (tupletLeft > 0) {
      s.actual = actual;
      s.normal = normal;
      s.tupletStarts = first;
      first = false;
      s.tupletStops = --tupletLeft == 0;
    }
    s.slursStart = slursStart;
    slursStart = 0;
    for (String sign : signs) {
      if (!sign.startsWith("\"")) {
        Optional<XmlNode> direction = Decorations.direction(sign);
        direction.ifPresent(voice::direction);
      }
    }
    s.signs.addAll(signs);
    signs.clear();
    voice.sound(s, line);
  }

  private void chord(Sound s) {
    int from = at++;
    Fraction own = null;
    while (at < text.length() && text.charAt(at) != ']') {
      int before = at;
      Optional<Pitch> p = next(NOTE).isPresent() ? pitch() : Optional.empty();
      if (at == before) {
        at++;
        continue;
      }
      p.ifPresent(s.pitches::add);
      Fraction length = length(voice.unitLength()).orElse(voice.unitLength());
      own = own == null ? length : own;
      if (at < text.length() && text.charAt(at) == '-') {
        at++;
      }
    }
    if (at >= text.length() || s.pitches.isEmpty()) {
      problem(from, Saying.of("abc.chord"));
    }
    at++;
    Fraction one = own == null ? voice.unitLength() : own;
    s.written = at <= text.length() ? length(one).orElse(one) : one;
  }

  /** A pitch as it is typed: its sign, its letter, its octave (section 4.1 and 4.2). */
  private Optional<Pitch> pitch() {
    Matcher m = next(NOTE).orElseThrow();
    int from = at;
    at = m.end();
    boolean low = Character.isUpperCase(m.group(2).charAt(0));
    Letter letter = Letter.valueOf(m.group(2).toUpperCase(Locale.ROOT));
    int octave = LOWER_OCTAVE + (low ? 0 : 1) + voice.octave;
    for (char o : m.group(3).toCharArray()) {
      octave += o == '\'' ? 1 : -1;
    }
    int alter = voice.alterOf(letter, octave, everyOctave);
    if (m.group(1) != null) {
      alter = AbcKey.alter(m.group(1));
      voice.altered(letter, octave, everyOctave, alter);
    }
    try {
      return Optional.of(new Pitch(letter, alter, octave));
    } catch (Refusal e) {
      problem(from, e.saying());
      return Optional.empty();
    }
  }

  /** What stands behind a note as its length: a multiple of the unit (section 4.3). */
  private Optional<Fraction> length(Fraction unit) {
    Optional<Matcher> found = next(LENGTH);
    if (found.isEmpty()) {
      return Optional.empty();
    }
    Matcher m = found.get();
    at = m.end();
    int over = number(m.group(1), 1);
    int under =
        m.group(2) == null
            ? 1
            : m.group(3) == null
                ? 1 << Math.min(8, m.group(2).length())
                : Integer.parseInt(m.group(3));
    return Optional.of(
        over == 0 || under == 0
            ? Fraction.ZERO
            : unit.multiplyBy(Fraction.getFraction(over, under)));
  }

  private void grace() {
    int from = at++;
    boolean slashed = at < text.length() && text.charAt(at) == '/';
    if (slashed) {
      at++;
    }
    List<Sound> all = new ArrayList<>();
    while (at < text.length() && text.charAt(at) != '}') {
      if (next(NOTE).isPresent()) {
        Sound s = new Sound(at + 1);
        pitch().ifPresent(s.pitches::add);
        length(Fraction.ONE);
        s.written = Fraction.ONE_HALF;
        s.grace = true;
        s.slashed = slashed;
        if (!s.isRest()) {
          all.add(s);
        }
      } else {
        at++;
      }
    }
    if (at >= text.length()) {
      problem(from, Saying.of("abc.grace"));
    }
    at++;
    all.forEach(s -> voice.sound(s, line));
  }

  /** The note before is longer, and the next shorter, or the other way round (section 4.4). */
  private void brokenRhythm(char c) {
    int from = at;
    while (at < text.length() && text.charAt(at) == c) {
      at++;
    }
    int by = 1 << Math.min(3, at - from);
    Fraction less = Fraction.getFraction(1, by);
    Fraction more = Fraction.getFraction(2 * by - 1, by);
    Optional<Sound> before = voice.lastNote();
    if (before.isEmpty()) {
      problem(from, Saying.of("abc.broken"));
      return;
    }
    voice.lengthen(before.get(), c == '>' ? more : less);
    broken = c == '>' ? less : more;
  }

  private void quoted() {
    Optional<Matcher> found = next(QUOTED);
    if (found.isEmpty()) {
      problem(at, Saying.of("abc.quote"));
      at = text.length();
      return;
    }
    String said = found.get().group(1).strip();
    at = found.get().end();
    Matcher chord = CHORD_SIGN.matcher(said);
    if (!said.isEmpty() && "^_<>@".indexOf(said.charAt(0)) >= 0) {
      voice.direction(
          Decorations.of(
              said.charAt(0) == '_' ? "below" : "above", XmlNode.of("words", said.substring(1))));
    } else if (chord.matches()) {
      voice.direction(harmony(chord));
    } else if (!said.isEmpty()) {
      voice.direction(Decorations.of("above", XmlNode.of("words", said)));
    }
  }

  private static XmlNode harmony(Matcher m) {
    XmlNode root = new XmlNode("root").add(XmlNode.of("root-step", m.group(1)));
    if (!m.group(2).isEmpty()) {
      root.add(XmlNode.of("root-alter", m.group(2).equals("#") ? 1 : -1));
    }
    String kind =
        switch (m.group(3) == null ? "" : m.group(3)) {
          case "m", "min" -> "minor";
          case "7" -> "dominant";
          case "m7" -> "minor-seventh";
          case "maj7" -> "major-seventh";
          case "6" -> "major-sixth";
          case "dim" -> "diminished";
          case "aug", "+" -> "augmented";
          case "sus4" -> "suspended-fourth";
          default -> "major";
        };
    return new XmlNode("harmony").add(root).add(XmlNode.of("kind", kind));
  }

  private void decoration(char c) {
    Optional<Matcher> named = next(DECORATION);
    if (named.isPresent()) {
      String name = named.get().group(1) == null ? named.get().group(2) : named.get().group(1);
      if (Decorations.known(name)) {
        signs.add(name);
      } else {
        problem(at, Saying.of("abc.decoration", "typed", name));
      }
      at = named.get().end();
    } else if (Decorations.LETTERS.containsKey(c)) {
      signs.add(Decorations.LETTERS.get(c));
      at++;
    } else if (c == '\\' && at == text.length() - 1
        || c == '$'
        || c == '!' && text.substring(at + 1).isBlank()) {
      // where a line of the page ends

      at++;
    } else {
      problem(at, unknown(c));
      at++;
    }
  }

  /** What may have been meant by a sign that is none. */
  private static Saying unknown(char c) {
    if (c == '#' || c == '♯') {
      return Saying.of("abc.sharp", "typed", String.valueOf(c));
    }
    if (c == '♭') {
      return Saying.of("abc.flat", "typed", String.valueOf(c));
    }
    return Character.isDigit(c)
        ? Saying.of("abc.number", "typed", String.valueOf(c))
        : Saying.of("abc.sign", "typed", String.valueOf(c));
  }
}
