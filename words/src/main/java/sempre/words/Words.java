package sempre.words;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import sempre.core.Saying;
import sempre.core.instrument.Control;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Purpose;
import sempre.core.instrument.Rule;
import sempre.core.instrument.Stage;
import sempre.core.learning.ClassItem;
import sempre.core.learning.Readiness;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Letter;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.PitchNaming;
import sempre.core.pitch.Transposition;

/**
 * Says in a language, with notes named in one of the ways, what the core has found. Whole sentences
 * come from the message files; nothing is cut out of a sentence or put into one afterwards.
 */
public final class Words {
  private static final Pattern NOTE = Pattern.compile("([A-G])([bs]?)(\\d?)");
  private static final String OWN = "own";
  private static final int STEPS = 7;
  private static final int OCTAVE = 12;

  /** Semitones of the major or perfect interval of so many steps. */
  private static final int[] MAJOR = {0, 2, 4, 5, 7, 9, 11};

  private static final Map<String, Words> ALL = new ConcurrentHashMap<>();

  private static final int FORTNIGHT = 14;

  /** A key that is named by a note. */
  private static final Pattern KEY_OF_A_NOTE = Pattern.compile("[A-G][b#]?");

  /** English, notes by letters. */
  public static final Words ENGLISH = of(Language.EN, PitchNaming.LETTERS);

  private final Language language;
  private final PitchNaming naming;
  private final Messages messages;
  private final Map<String, String> catalogue = new ConcurrentHashMap<>();
  private final PlanWords plan = new PlanWords(this);
  private final TeachingWords teaching = new TeachingWords(this);

  private Words(Language language, PitchNaming naming) {
    this.language = language;
    this.naming = naming;
    this.messages = Messages.of(language);
  }

  /** The words of a language, with notes named so. */
  public static Words of(Language language, PitchNaming naming) {
    return ALL.computeIfAbsent(
        language.code() + "/" + naming.word(), k -> new Words(language, naming));
  }

  /** Whether H is B natural in them, and B is B flat. */
  public boolean german() {
    return naming == PitchNaming.GERMAN;
  }

  public Language language() {
    return language;
  }

  public PitchNaming naming() {
    return naming;
  }

  /** What is said of a plan. */
  public PlanWords plan() {
    return plan;
  }

  /** What is said when something is taught or goes wrong. */
  public TeachingWords teaching() {
    return teaching;
  }

  /** A message that takes nothing but notes. */
  public String say(String key) {
    return say(key, Map.of());
  }

  /**
   * A message.
   *
   * @param args what it takes, by name
   * @throws IllegalStateException when there is no such message, or something is missing
   */
  public String say(String key, Map<String, Object> args) {
    Map<String, Object> all = new HashMap<>(args);
    if (messages.pattern(key).indexOf('{') >= 0) {
      for (String name : messages.takes(key)) {
        Matcher m = NOTE.matcher(name);
        if (m.matches()) {
          all.putIfAbsent(name, named(m));
        }
      }
    }
    return messages.say(key, all);
  }

  /**
   * What is told, as a clause inside a sentence. A list is {@code {there}} with <i>and</i>, {@code
   * {there_or}} with <i>or</i>.
   */
  public String say(Saying saying) {
    Map<String, Object> args = new HashMap<>();
    saying
        .with()
        .forEach(
            (name, value) -> {
              args.put(name, told(value));
              if (value instanceof Collection<?> c) {
                args.put(name + "_or", or(each(c)));
              }
            });
    return say(saying.key(), args);
  }

  /** What is told, as a sentence. */
  public String sentence(Saying saying) {
    String clause = say(saying);
    return say(clause.endsWith(".") ? "sentence.whole" : "sentence", Map.of("text", clause));
  }

  private Object told(Object value) {
    if (value instanceof Saying s) {
      return say(s);
    }
    if (value instanceof Pitch p) {
      return note(p);
    }
    if (value instanceof KeySignature k) {
      return key(k);
    }
    if (value instanceof Instrument i) {
      return instrumentInside(i);
    }
    if (value instanceof LocalDate d) {
      return shortDay(d);
    }
    if (value instanceof Finger f) {
      return theFingers(List.of(f));
    }
    if (value instanceof Collection<?> c) {
      return c.stream().anyMatch(Saying.class::isInstance)
          ? String.join("; ", each(c))
          : and(each(c));
    }
    return value;
  }

  private List<String> each(Collection<?> values) {
    return values.stream().map(this::told).map(String::valueOf).toList();
  }

  /** A day with its weekday, short: {@code Fri 27 Nov}. */
  public String shortDay(LocalDate day) {
    return format("day.short", day);
  }

  /** A date with its year: {@code 27 Nov 2026}. */
  public String date(LocalDate day) {
    return format("day.date", day);
  }

  /** A day of the week, as it stands by itself. */
  public String weekday(DayOfWeek day) {
    return capital(day.getDisplayName(TextStyle.FULL, language.lists()));
  }

  /** How a student stands to a piece, in a sentence without a full stop. */
  public String readiness(Readiness r) {
    Map<String, List<Pitch>> by = new LinkedHashMap<>();
    by.put("told.beyond", r.beyond());
    by.put("told.lacking", r.lacking());
    by.put("told.shaky", r.shaky());
    by.put("told.faded", r.faded());
    by.values().removeIf(List::isEmpty);
    return by.isEmpty()
        ? say("told.all")
        : by.entrySet().stream()
            .map(e -> say(Saying.of(e.getKey(), "notes", e.getValue())))
            .collect(Collectors.joining("; "));
  }

  /** When something is due, seen from a day: {@code tomorrow}, {@code was due Fri 27 Nov}. */
  public String due(LocalDate day, LocalDate today) {
    long days = ChronoUnit.DAYS.between(today, day);
    return days == 0
        ? say("day.today")
        : days == 1
            ? say("day.tomorrow")
            : days == -1
                ? say("day.yesterday")
                : say(Saying.of(days < 0 ? "day.was-due" : "day.on", "day", shortDay(day)));
  }

  /** How long ago a day is, seen from another: {@code 3 days ago}. */
  public String ago(LocalDate day, LocalDate today) {
    long days = ChronoUnit.DAYS.between(day, today);
    return days <= 0
        ? say("day.today")
        : days < FORTNIGHT
            ? say(Saying.of("ago.days", "n", days))
            : say(Saying.of("ago.weeks", "n", days / 7));
  }

  private String format(String key, LocalDate day) {
    return DateTimeFormatter.ofPattern(say(key), language.lists()).format(day);
  }

  /** A finger's name in the lanes, beside the name of its hand. */
  public String lane(Finger f) {
    return say("lane." + f.name());
  }

  /** Whether there is such a message. */
  public boolean has(String key) {
    return messages.has(key);
  }

  private String named(Matcher m) {
    Letter letter = Letter.valueOf(m.group(1));
    int alter = m.group(2).isEmpty() ? 0 : m.group(2).equals("b") ? -1 : 1;
    return m.group(3).isEmpty()
        ? name(letter, alter)
        : note(new Pitch(letter, alter, Integer.parseInt(m.group(3))));
  }

  /** A note with its octave, as it is written beside a staff: {@code B♭4}. */
  public String note(Pitch p) {
    return naming.name(p);
  }

  /** A note as it is written, with the octave where one is said. */
  public String note(NoteName n) {
    return naming.name(n.letter(), n.alter())
        + (n.octave().isPresent() ? n.octave().getAsInt() : "");
  }

  /** Notes in a row. */
  public String notes(Collection<Pitch> pitches) {
    return and(pitches.stream().map(this::note).toList());
  }

  /** A note without its octave, as it is written: {@code B♭}. */
  public String sign(Pitch p) {
    return naming.name(p.letter(), p.alter());
  }

  /** A note's name as it is spoken, without the octave: {@code B flat}. */
  public String name(Pitch p) {
    return name(p.letter(), p.alter());
  }

  private String name(Letter letter, int alter) {
    String base = naming.base(letter, alter);
    String key =
        switch (naming.shown(letter, alter)) {
          case -2 -> "name.double-flat";
          case -1 -> "name.flat";
          case 1 -> "name.sharp";
          case 2 -> "name.double-sharp";
          default -> "name.natural";
        };
    return messages.say(key, Map.of("name", base));
  }

  /** Words in a row: {@code a, b and c}. */
  public String and(Collection<String> words) {
    return messages.and(words);
  }

  /** Words to choose from: {@code a, b or c}. */
  public String or(Collection<String> words) {
    return messages.or(words);
  }

  public static String capital(String text) {
    return Messages.capital(text);
  }

  /** What an instrument is called, at the start of a line. */
  public String instrument(Instrument i) {
    return capital(instrumentInside(i));
  }

  /** What an instrument is called, in the middle of a sentence. */
  public String instrumentInside(Instrument i) {
    String key = "instrument." + i.id();
    return has(key) ? say(key) : i.name();
  }

  /** The same by its id; the id itself where the catalogue has none of it. */
  public String instrumentInside(String id) {
    String key = "instrument." + id;
    return has(key) ? say(key) : id;
  }

  /**
   * What an instrument of the catalogue is called, at the start of a line; empty for another one.
   */
  public Optional<String> instrument(String id) {
    String key = "instrument." + id;
    return has(key) ? Optional.of(capital(say(key))) : Optional.empty();
  }

  /** Something that the catalogue names by a key; what is no key is as a teacher typed it. */
  private String ofCatalogue(String section, String key, Map<String, Object> args) {
    String full = section + "." + key;
    return has(full) ? say(full, args) : key;
  }

  /** What a fingering is called, without an article. */
  public String label(Entry e) {
    return labelled(e).bare();
  }

  /** What a fingering is called, as a thing. */
  Noun labelled(Entry e) {
    Noun name = noun(e.label().isEmpty() ? held(e.pattern().plain()) : keyed(e));
    return e.said().isEmpty()
        ? name
        : new Noun(said(name.bare(), e), said(name.definite(), e), name.gender(), 1);
  }

  private String said(String name, Entry e) {
    return say("label.said", Map.of("label", name, "said", e.said()));
  }

  private String keyed(Entry e) {
    return e.own() ? e.label() : ofCatalogue("label", e.label(), Map.of(OWN, name(e.written())));
  }

  /** What an option of an instrument, a style or one of its schools is called. */
  public String option(String key) {
    return noun(ofCatalogue("label", key, Map.of())).bare();
  }

  public String school(String key) {
    return ofCatalogue("school", key, Map.of());
  }

  public String value(String key) {
    return has("value." + key)
        ? say("value." + key)
        : has("choice." + key) ? say("choice." + key) : key;
  }

  /** The note that a class is asked about; of a scale the first. */
  public String askedNote(ClassItem item) {
    if (item instanceof ClassItem.Sound s) {
      return note(s.concert());
    }
    return item instanceof ClassItem.Scale s
        ? note(s.tonic())
        : note(((ClassItem.Held) item).written());
  }

  /** What else there is to say of it, such as which scale or which fingering; may be empty. */
  public String askedWords(ClassItem item) {
    if (item instanceof ClassItem.Scale s) {
      return say("scale." + s.mode().name().toLowerCase(Locale.ROOT));
    }
    return item instanceof ClassItem.Held h ? h.entry().map(this::label).orElse(h.fingering()) : "";
  }

  /** How far a player has got. */
  public String stage(Stage stage) {
    return say("stage." + stage.word());
  }

  /** A key signature: {@code 2 flats}. */
  public String key(KeySignature key) {
    int n = Math.abs(key.fifths());
    return say(key.fifths() < 0 ? "key.flats" : "key.sharps", Map.of("n", n));
  }

  /** How an instrument sounds beside its page: {@code sounds a major second lower}. */
  public String transposition(Transposition t) {
    int steps = Math.abs(t.letters());
    int octaves = steps / STEPS;
    int rest = steps % STEPS;
    List<String> parts = new ArrayList<>();
    if (octaves > 0) {
      parts.add(say("interval.octaves", Map.of("n", octaves)));
    }
    if (rest > 0) {
      int size = Math.abs(t.semitones()) - OCTAVE * octaves;
      parts.add(say("interval." + rest + (size == MAJOR[rest] ? ".large" : ".small")));
    }
    return parts.isEmpty()
        ? say("transposition.none")
        : say(
            t.semitones() < 0 ? "transposition.lower" : "transposition.higher",
            Map.of("interval", and(parts)));
  }

  /** What something is good for. */
  public String purpose(Purpose p) {
    return say("purpose." + p.word());
  }

  /** A rule of the catalogue as a clause. */
  public String because(Rule r) {
    return because(r.because());
  }

  /** A reason that the catalogue names by a key, as a clause. */
  public String because(String key) {
    return ofCatalogue("rule", key, Map.of());
  }

  /** The remark on a fingering: the catalogue's, the teacher's, or what its lengths say. */
  public String remark(Entry e) {
    if (e.partial().isPresent()) {
      return plan.computed(e);
    }
    return e.note().isEmpty() || e.own() ? e.note() : ofCatalogue("remark", e.note(), Map.of());
  }

  /** Where a fingering comes from. */
  public String source(Entry e) {
    return source(e.source());
  }

  public String source(String source) {
    String key = "source." + source.replaceAll("[^a-z]+", "-");
    return has(key) ? say(key) : source;
  }

  /** The valves or the position, on brass. */
  private String held(Fingering f) {
    Optional<Hold> position = f.slidePosition();
    List<Hold> rest = f.holds().stream().filter(h -> h.finger() != Finger.ARM).toList();
    if (position.isPresent()) {
      Map<String, Object> args = new HashMap<>();
      control(position.get().control()).into(args, "position");
      rest.stream().findFirst().ifPresent(h -> control(h.control()).into(args, "key"));
      String way =
          switch (position.get().way()) {
            case RAISED -> "raised";
            case LOWERED -> "lowered";
            default -> "plain";
          };
      return say("held.slide." + way + (rest.isEmpty() ? "" : ".with"), args);
    }
    List<String> valves = new ArrayList<>();
    Optional<Noun> side = Optional.empty();
    Map<String, Object> args = new HashMap<>();
    args.put("valve", "");
    for (Hold h : rest) {
      if (h.finger() == Finger.LT) {
        side = Optional.of(control(h.control()));
      } else {
        valves.add(say("ordinal." + h.control().token()));
        args.put("valve", control(h.control()).bare());
      }
    }
    args.put("n", valves.size());
    args.put("valves", and(valves));
    side.ifPresent(s -> s.into(args, "side"));
    return say(side.isPresent() ? "held.valves.side" : "held.valves", args);
  }

  /** A control as a thing. */
  Noun control(Control c) {
    return noun(
        catalogue.computeIfAbsent("control." + c.name(), k -> has(k) ? say(k) : "n|" + c.name()));
  }

  /**
   * What a message names, with its article: {@code f|llave}, {@code the|left lever}, or both
   * written out: {@code open~the open fingering}.
   */
  private Noun noun(String text) {
    int tilde = text.indexOf('~');
    if (tilde >= 0) {
      return new Noun(text.substring(0, tilde), text.substring(tilde + 1), "n", 1);
    }
    int bar = text.indexOf('|');
    String bare = text.substring(bar + 1);
    String kind = bar < 0 ? "" : text.substring(0, bar);
    return has("the." + kind)
        ? new Noun(bare, say("the." + kind, Map.of("thing", bare)), kind, 1)
        : Noun.name(bare);
  }

  /** What a control is called, without an article. */
  public String key(Control c) {
    return control(c).bare();
  }

  /**
   * How a key is named on its bar, in a word or two; nothing where its finger rests on it, or works
   * a valve.
   */
  public String shortKey(Keywork keywork, Control c) {
    if (c.home() || keywork.kind() != Keywork.Kind.HANDS) {
      return "";
    }
    String key = "short." + c.name();
    if (has(key)) {
      return say(key, signs(key));
    }
    return KEY_OF_A_NOTE.matcher(c.token()).matches() ? note(NoteName.parse(c.token())) : c.token();
  }

  /** What stands on a control in a picture: its short name, or what it is counted by. */
  public String face(Keywork keywork, Control c) {
    String key = "face." + c.name();
    if (has(key)) {
      return say(key, signs(key));
    }
    String name = shortKey(keywork, c);
    return name.isEmpty() ? c.token() : name;
  }

  /** The notes that a message takes, as they are written: {@code B♭}, where others are spoken. */
  private Map<String, Object> signs(String key) {
    Map<String, Object> signs = new HashMap<>();
    for (String name : messages.takes(key)) {
      signs.put(name, note(NoteName.parse(name.replace('s', '#'))));
    }
    return signs;
  }

  /** What is held, without an article: a control, or half of it. */
  public String hold(Hold h) {
    Map<String, Object> args = new HashMap<>();
    control(h.control()).into(args, "key");
    return say(h.way() == Hold.Way.HALF ? "hold.half" : "hold.whole", args);
  }

  /** What is held, with an article. */
  public String theHold(Hold h) {
    return held(h).definite();
  }

  /** What is held, as a thing. */
  Noun held(Hold h) {
    Noun key = control(h.control());
    if (h.way() != Hold.Way.HALF) {
      return key;
    }
    Map<String, Object> args = new HashMap<>();
    key.into(args, "key");
    return new Noun(say("hold.half", args), say("hold.the-half", args), "f", 1);
  }

  /** A finger, without an article. */
  public String finger(Finger f) {
    return say("finger." + f.name());
  }

  /** Fingers with their articles: {@code the left thumb and the right first and second fingers}. */
  Noun fingers(Collection<Finger> fingers) {
    Map<Boolean, List<String>> named = new LinkedHashMap<>();
    List<String> groups = new ArrayList<>();
    Map<Finger, Boolean> seen = new EnumMap<>(Finger.class);
    fingers.forEach(f -> seen.put(f, f.left()));
    seen.forEach(
        (f, left) -> {
          if (has("finger.short." + f.name())) {
            named
                .computeIfAbsent(left, l -> new ArrayList<>())
                .add(say("finger.short." + f.name()));
          } else {
            groups.add(say("finger.the." + f.name()));
          }
        });
    for (boolean left : new boolean[] {true, false}) {
      List<String> names = named.getOrDefault(left, List.of());
      if (!names.isEmpty()) {
        groups.add(
            say(
                left ? "the-fingers.left" : "the-fingers.right",
                Map.of("n", names.size(), "names", and(names))));
      }
    }
    return new Noun(and(groups), and(groups), "m", seen.size());
  }

  /** Fingers with their articles. */
  public String theFingers(Collection<Finger> fingers) {
    return fingers(fingers).definite();
  }
}
