package sempre.formats.abc;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.lang3.math.Fraction;
import sempre.core.Deadline;
import sempre.core.Limit;
import sempre.core.Saying;
import sempre.core.pitch.Transposition;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.formats.xml.Xml;
import sempre.formats.xml.XmlNode;

/**
 * Reads music typed as letters: ABC 2.1, with several tunes and voices, and the short form that
 * {@link MusicLine} describes. Whatever is typed becomes music as far as it can be read; the rest
 * is told by line and column.
 */
public final class AbcReader {
  /** The field of the music file in which the text stands that it was typed as. */
  public static final String FIELD = "typed-as-abc";

  /** With this first line letters are ABC, whatever follows. */
  public static final String HEADER = "%abc";

  /** What no file can hold (XML 1.0, section 2.2); a blank stands for it, so that columns stay. */
  private static final Pattern UNSEEN =
      Pattern.compile("[\\x00-\\x08\\x0B\\x0C\\x0E-\\x1F\\uFFFE\\uFFFF]|\\p{Cs}");

  private static final Pattern FIELD_LINE = Pattern.compile("([A-Za-z]):(.*)");
  private static final Pattern NUMBERED =
      Pattern.compile("\\s*(\\d{1,4}[a-z]?(?=\\.)|\\d{1,4}(?=\\)))[.)]\\s+(?=\\S)(.*)");
  private static final Pattern TEMPO =
      Pattern.compile(
          "(?:\"([^\"]*)\")?\\s*(?:(\\d{1,2})/(\\d{1,2})(?:\\s+[\\d/ ]*)?=)?\\s*(\\d{1,3})?\\s*(?:\"([^\"]*)\")?");
  private static final Pattern SETTING = Pattern.compile("(\\w[\\w-]*)=(?:\"([^\"]*)\"|(\\S+))");
  private static final Pattern CLEF =
      Pattern.compile("(?:^|\\s)(?:clef=)?\"?(treble|bass|alto|tenor)([+-]8)?\"?(?=\\s|$)");
  private static final Pattern INSTRUCTION = Pattern.compile("%%propagate-accidentals\\s+(\\w+).*");

  static final String BAR = "abc.bar";
  private static final String BARS = "abc.bars";
  private static final String BARS_VARIED = "abc.bars-varied";

  private static final Map<String, String> UNITS =
      Map.of("1/1", "whole", "1/2", "half", "1/4", "quarter", "1/8", "eighth", "1/16", "16th");

  /**
   * Who reads what is typed.
   *
   * @param name of the instrument; none for music in concert pitch
   * @param clef {@code treble} or {@code bass}
   */
  public record Page(String name, Transposition transposition, String clef) {
    public static final Page CONCERT = new Page("", Transposition.CONCERT, "");
  }

  /**
   * What stands before the music where the text does not say it.
   *
   * @param everyOctave whether an accidental counts in every octave, as in a file by the standard,
   *     or in its own alone, as in print
   */
  public record Said(String key, String meter, String tempo, Page page, boolean everyOctave) {}

  /**
   * A tune.
   *
   * @param root as MusicXML
   * @param text that it was read from
   * @param remarks how something was read that may be meant otherwise
   */
  public record Tune(
      String title,
      String number,
      XmlNode root,
      List<Problem> problems,
      String text,
      List<Problem> remarks) {
    /** As a file that was read. */
    public MusicXmlFile file() {
      return MusicXmlFile.of(root.copy());
    }

    /** As the bytes of a MusicXML file. */
    public byte[] xml() {
      return Xml.write(root);
    }
  }

  private record Line(String text, int number) {
    boolean isMusic() {
      return !FIELD_LINE.matcher(text.stripLeading()).matches() && !text.startsWith("%");
    }
  }

  private final Said said;
  private final List<Problem> problems = new ArrayList<>();
  private final Map<String, Voice> voices = new LinkedHashMap<>();
  private final List<Line> lines = new ArrayList<>();
  private final StringBuilder source = new StringBuilder();
  private String title = "";
  private String number = "";
  private String composer = "";
  private String key;
  private String tempo;
  private Optional<Meter> meter;
  private Optional<Fraction> unit = Optional.empty();
  private boolean everyOctave;
  private Voice voice;
  private int lastLine = 1;

  private AbcReader(Said said) {
    this.said = said;
    key = said.key();
    tempo = said.tempo();
    meter = Meter.of(said.meter());
    everyOctave = said.everyOctave();
  }

  /** The text that a music file was typed as; empty where it was not. */
  public static Optional<String> typed(XmlNode scorePartwise) {
    return scorePartwise.descendants("miscellaneous-field").stream()
        .filter(f -> f.attribute("name").equals(FIELD))
        .map(XmlNode::text)
        .findFirst();
  }

  /**
   * Whether a text is a file of tunes: its first line that says something is a field or {@code
   * %abc}.
   */
  public static boolean is(String text) {
    return text.stripLeading().matches("(?s)(%abc|X:\\s*\\d).*");
  }

  /** Whether a text is such a file, with tunes that say their numbers. */
  public static boolean isFile(String text) {
    return is(text) && text.lines().anyMatch(l -> l.matches("X:\\s*\\d.*"));
  }

  /**
   * Reads a file, by the standard.
   *
   * @return its tunes, in the order of the file
   */
  public static List<Tune> file(String text) {
    return read(text, new Said("none", "4/4", "", Page.CONCERT, true));
  }

  /**
   * Reads what was typed or pasted: tunes with their fields, or lines of music, several where
   * numbers stand before them or empty lines between.
   */
  public static List<Tune> read(String text, Said said) {
    Limit.YAML_LETTERS.check(text.length());
    List<Tune> tunes = new ArrayList<>();
    boolean numbered = text.lines().anyMatch(l -> l.startsWith("X:"));
    AbcReader now = null;
    int n = 0;
    for (String raw : lines(text)) {
      Deadline.check();
      n++;
      Matcher exercise = NUMBERED.matcher(raw);
      boolean begins = numbered ? raw.startsWith("X:") : exercise.matches();
      if (now != null && (begins || raw.isBlank())) {
        now.tune().ifPresent(tunes::add);
        now = null;
      }
      if (raw.isBlank() || numbered && now == null && !begins) {
        continue;
      }
      if (now == null) {
        now = new AbcReader(said);
      }
      if (!numbered && exercise.matches()) {
        now.number = exercise.group(1);
        now.source.append(exercise.group(2)).append('\n');
        now.lines.add(new Line(" ".repeat(exercise.start(2)) + exercise.group(2), n));
      } else {
        now.source.append(raw).append('\n');
        now.lines.add(new Line(raw, n));
      }
    }
    if (now != null) {
      now.tune().ifPresent(tunes::add);
    }
    return tunes;
  }

  /** The lines of a text, without what no file can hold. */
  static List<String> lines(String text) {
    return UNSEEN.matcher(text).replaceAll(" ").lines().toList();
  }

  /** Whether a number stands before a line, as before an exercise of a book. */
  static boolean isNumbered(String line) {
    return NUMBERED.matcher(line).matches();
  }

  /** Where the music of a line begins: behind its number. */
  static int numberEnds(String line) {
    Matcher m = NUMBERED.matcher(line);
    return m.matches() ? m.start(2) : 0;
  }

  private void line(String raw, int n) {
    lastLine = n;
    Matcher instruction = INSTRUCTION.matcher(raw);
    if (instruction.matches()) {
      everyOctave = instruction.group(1).equals("pitch");
    }
    String text = uncommented(raw);
    Matcher field = FIELD_LINE.matcher(text.stripLeading());
    if (field.matches()) {
      field(field.group(1).charAt(0), field.group(2).strip(), n, 0);
    } else if (!text.isBlank()) {
      Voice v = voice();
      new MusicLine(text, n, v, everyOctave, (name, value, column) -> field(name, value, n, column))
          .read();
    }
  }

  /** A line without what stands behind a per cent sign. */
  private static String uncommented(String raw) {
    int at = raw.indexOf('%');
    while (at > 0 && raw.charAt(at - 1) == '\\') {
      at = raw.indexOf('%', at + 1);
    }
    return at < 0 ? raw : raw.substring(0, at);
  }

  private Voice voice() {
    if (voice == null) {
      voice = voices.computeIfAbsent("1", this::begun);
    }
    return voice;
  }

  private Voice begun(String id) {
    Limit.PARTS.check(voices.size() + 1L);
    Voice v = new Voice(id, problems);
    v.name = said.page().name();
    v.transposition = said.page().transposition();
    v.clef = said.page().clef();
    v.meter = meter;
    v.unit = unit;
    v.splits = lines.stream().filter(Line::isMusic).noneMatch(l -> l.text().contains("|"));
    clef(v, key);
    AbcKey.of(withoutSettings(key)).ifPresent(v::key);
    return v;
  }

  private void field(char name, String text, int line, int column) {
    switch (name) {
      case 'T' -> title = title.isEmpty() ? text : title;
      case 'X' -> number = number.isEmpty() ? text : number;
      case 'C' -> composer = composer.isEmpty() ? text : composer;
      case 'K' -> key(text, line, column);
      case 'M' -> meter(text, line, column);
      case 'L' -> length(text, line, column);
      case 'Q' -> {
        tempo = text;
        if (voice != null) {
          direction(text)
              .ifPresentOrElse(
                  voice::direction,
                  () -> told(line, column, Saying.of("abc.tempo", "typed", text)));
        }
      }
      case 'V' -> voice(text);
      case 'P' -> {
        if (voice == null && text.length() > 1) {
          told(line, column, Saying.of("abc.parts", "typed", text));
        }
      }
      default -> {
        // words, sources, histories and the like are no music
      }
    }
  }

  private void told(int line, int column, Saying saying) {
    problems.add(new Problem(line, column + 1, saying));
  }

  private void key(String text, int line, int column) {
    Optional<AbcKey> found = AbcKey.of(withoutSettings(text));
    if (found.isEmpty()) {
      told(line, column, Saying.of("abc.key", "typed", text));
      return;
    }
    if (voice == null) {
      key = text;
    } else {
      clef(voice, text);
      voice.key(found.get());
    }
  }

  /** A key's own words, without those of its clef and other settings. */
  private static String withoutSettings(String text) {
    return CLEF.matcher(SETTING.matcher(text).replaceAll(" ")).replaceAll(" ").strip();
  }

  private static void clef(Voice v, String text) {
    Matcher clef = CLEF.matcher(text);
    if (clef.find()) {
      v.clef = clef.group(1);
      v.clefOctave = clef.group(2) == null ? 0 : clef.group(2).startsWith("+") ? 1 : -1;
      v.octave = v.clefOctave;
    }
    Matcher setting = SETTING.matcher(text);
    while (setting.find()) {
      String value = setting.group(2) == null ? setting.group(3) : setting.group(2);
      switch (setting.group(1)) {
        case "name", "nm" -> v.name = value;
        case "transpose" -> {
          if (value.matches("[+-]?\\d{1,2}")) {
            int by = Integer.parseInt(value);
            v.transposition = new Transposition((int) Math.round(by * 7 / 12.0), by);
          }
        }
        case "octave" -> {
          if (value.matches("[+-]?\\d")) {
            v.octave += Integer.parseInt(value);
          }
        }
        default -> {
          // of other programs
        }
      }
    }
  }

  private void meter(String text, int line, int column) {
    Optional<Meter> found = Meter.of(text);
    if (found.isEmpty() && !text.strip().equals("none") && !text.isBlank()) {
      told(line, column, Saying.of("abc.meter", "typed", text));
      return;
    }
    if (voice == null) {
      meter = found;
    } else {
      voice.meter(found);
    }
  }

  private void length(String text, int line, int column) {
    Matcher m = Pattern.compile("(\\d{1,2})/(\\d{1,3})").matcher(text.replace(" ", ""));
    if (text.strip().equals("1")) {
      unit = Optional.of(Fraction.getFraction(4, 1));
    } else if (m.matches()
        && Integer.parseInt(m.group(1)) > 0
        && Integer.parseInt(m.group(2)) > 0) {
      unit =
          Optional.of(
              Fraction.getFraction(4 * Integer.parseInt(m.group(1)), Integer.parseInt(m.group(2))));
    } else {
      told(line, column, Saying.of("abc.unit", "typed", text));
      return;
    }
    if (voice != null) {
      voice.unit = unit;
      voice.stays = Optional.empty();
    }
  }

  private void voice(String text) {
    String id = text.strip().split("\\s+", 2)[0];
    if (id.isEmpty()) {
      return;
    }
    boolean known = voices.containsKey(id);
    Voice v = voices.computeIfAbsent(id, this::begun);
    if (!known && said.page().name().isEmpty()) {
      v.name = id;
    }
    clef(v, " " + text.substring(text.indexOf(id) + id.length()));
    voice = v;
  }

  private static Optional<XmlNode> direction(String text) {
    Matcher m = TEMPO.matcher(text.strip());
    if (text.isBlank() || !m.matches()) {
      return Optional.empty();
    }
    XmlNode direction = new XmlNode("direction").set("placement", "above");
    String words = m.group(1) != null ? m.group(1) : m.group(5);
    if (words != null && !words.isBlank()) {
      direction.add(new XmlNode("direction-type").add(XmlNode.of("words", words)));
    }
    if (m.group(4) != null) {
      int over = m.group(2) == null ? 1 : Integer.parseInt(m.group(2));
      int under = m.group(3) == null ? 4 : Integer.parseInt(m.group(3));
      if (over == 0 || under == 0) {
        return Optional.empty();
      }
      boolean dotted = over == 3;
      String type = UNITS.get("1/" + (dotted ? under / 2 : under / over));
      XmlNode metronome =
          new XmlNode("metronome").add(XmlNode.of("beat-unit", type == null ? "quarter" : type));
      if (dotted) {
        metronome.add(new XmlNode("beat-unit-dot"));
      }
      direction.add(
          new XmlNode("direction-type").add(metronome.add(XmlNode.of("per-minute", m.group(4)))));
      direction.add(
          new XmlNode("sound")
              .set(
                  "tempo",
                  String.valueOf(Math.round(Integer.parseInt(m.group(4)) * 4.0 * over / under))));
    }
    return direction.children().isEmpty() ? Optional.empty() : Optional.of(direction);
  }

  /** The tune that was read; empty where no note stands in it. */
  private Optional<Tune> tune() {
    lines.forEach(l -> line(l.text(), l.number()));
    if (voices.isEmpty()) {
      return Optional.empty();
    }
    XmlNode root = new XmlNode("score-partwise").set("version", "4.0");
    root.add(new XmlNode("work").add(XmlNode.of("work-title", title)));
    XmlNode identification = new XmlNode("identification");
    if (!composer.isEmpty()) {
      identification.add(XmlNode.of("creator", composer).set("type", "composer"));
    }
    root.add(
        identification.add(
            new XmlNode("miscellaneous")
                .add(XmlNode.of("miscellaneous-field", whole()).set("name", FIELD))));
    XmlNode list = new XmlNode("part-list");
    root.add(list);
    int p = 0;
    for (Voice v : voices.values()) {
      String id = "P" + ++p;
      list.add(new XmlNode("score-part").set("id", id).add(XmlNode.of("part-name", v.name)));
      XmlNode part = new XmlNode("part").set("id", id);
      List<XmlNode> measures = v.measures(lastLine);
      if (p == 1 && !tempo.isBlank()) {
        direction(tempo).ifPresent(d -> behindAttributes(measures.get(0), d));
      }
      measures.forEach(part::add);
      root.add(Divisions.whole(part));
    }
    return Optional.of(
        new Tune(title, number, root, together(problems), source.toString().strip(), List.of()));
  }

  /** Measures that are too long or too short are told in one sentence. */
  private static List<Problem> together(List<Problem> all) {
    List<Problem> bars = all.stream().filter(p -> p.saying().key().equals(BAR)).toList();
    if (bars.size() < 2) {
      return List.copyOf(all);
    }
    List<Problem> together = new ArrayList<>();
    for (Problem p : all) {
      if (p == bars.get(0)) {
        List<Object> numbers = bars.stream().map(b -> b.saying().with().get("bar")).toList();
        boolean alike =
            bars.stream().map(b -> b.saying().with().get("wants")).distinct().count() == 1;
        together.add(
            new Problem(
                p.line(),
                p.column(),
                alike
                    ? Saying.of(BARS, "bars", numbers, "wants", p.saying().with().get("wants"))
                    : Saying.of(BARS_VARIED, "bars", numbers)));
      } else if (!p.saying().key().equals(BAR)) {
        together.add(p);
      }
    }
    return together;
  }

  private String whole() {
    return whole(source.toString().strip(), said);
  }

  /** The text with what was said beside it, so that it is read again to the same. */
  static String whole(String text, Said said) {
    if (text.startsWith("X:")) {
      Limit.TEXT_LETTERS.check(text.length());
      return text;
    }
    StringBuilder all = new StringBuilder();
    Map<String, String> fields = new LinkedHashMap<>();
    fields.put("K:", said.key());
    fields.put("M:", said.meter());
    fields.put("Q:", said.tempo());
    fields.forEach(
        (name, value) -> {
          if (!value.isBlank() && text.lines().noneMatch(l -> l.startsWith(name))) {
            all.append(name).append(value).append('\n');
          }
        });
    Limit.TEXT_LETTERS.check((long) all.length() + text.length());
    return all.append(text).toString();
  }

  private static void behindAttributes(XmlNode measure, XmlNode direction) {
    List<XmlNode> all = measure.children();
    int at = 0;
    while (at < all.size() && (all.get(at).is("attributes") || all.get(at).is("barline"))) {
      at++;
    }
    all.add(at, direction);
  }
}
