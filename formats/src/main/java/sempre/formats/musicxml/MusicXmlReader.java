package sempre.formats.musicxml;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.regex.Pattern;
import sempre.core.Limit;
import sempre.core.Saying;
import sempre.core.drums.DrumPart;
import sempre.core.pitch.Transposition;
import sempre.core.score.Chord;
import sempre.core.score.PagePitch;
import sempre.core.score.Part;
import sempre.core.score.Score;
import sempre.core.score.Tempi;
import sempre.formats.UnreadableException;
import sempre.formats.xml.XmlNode;

/** Reads MusicXML, version 1.0 to 4.0, into the score that the planner knows. */
public final class MusicXmlReader {

  private static final Pattern DECIMAL =
      Pattern.compile("[+-]?(\\d{1,9}(\\.\\d{0,20})?|\\.\\d{1,20})");

  private MusicXmlReader() {}

  /**
   * Reads a file.
   *
   * @throws UnreadableException with one sentence: bar, cause, what to change
   */
  public static Score read(Path path) {
    return read(MusicXmlFile.open(path));
  }

  /**
   * Reads the bytes of a file.
   *
   * @throws UnreadableException with one sentence: bar, cause, what to change
   */
  public static Score read(byte[] bytes) {
    return read(MusicXmlFile.of(bytes));
  }

  /** Reads an opened file. */
  public static Score read(MusicXmlFile file) {
    return read(file, false);
  }

  /** The parts of a file that have no pitches, with what a page says of their strokes. */
  public static List<DrumPart> drums(MusicXmlFile file) {
    Map<String, XmlNode> nodes = new LinkedHashMap<>();
    file.root().children("part").forEach(p -> nodes.put(p.attribute("id"), p));
    return read(file, true).parts().stream()
        .filter(p -> p.topLine().isPresent())
        .map(p -> DrumStrokes.of(p, nodes.get(p.id())))
        .toList();
  }

  private static Score read(MusicXmlFile file, boolean drums) {
    XmlNode root = file.root();
    boolean concert = !root.descendants("concert-score").isEmpty();
    Map<String, String> names = partNames(root);
    List<Saying> remarks = new ArrayList<>(file.mended());
    List<PartReader> readers = new ArrayList<>();
    for (XmlNode part : root.children("part")) {
      String id = part.attribute("id");
      readers.add(new PartReader(part, id, names.getOrDefault(id, id), concert, drums));
    }
    // Bars begin together in all parts, and a tempo written in one holds in all.
    int bars = readers.stream().mapToInt(PartReader::bars).max().orElse(0);
    double[] starts = new double[bars + 1];
    for (int b = 0; b < bars; b++) {
      double longest = 0;
      for (PartReader r : readers) {
        longest = Math.max(longest, r.length(b));
      }
      starts[b + 1] = starts[b] + longest;
    }
    TempoMarks marks = new TempoMarks();
    readers.forEach(r -> r.tempi(starts, marks));
    remarks.addAll(marks.said());
    TreeMap<Double, Double> tempi = new TreeMap<>(marks.tempi());
    if (tempi.isEmpty()) {
      remarks.add(Saying.of("read.tempo", "n", (int) Tempi.USUAL));
    }
    if (concert) {
      remarks.add(Saying.of("read.concert"));
    }
    List<Integer> played = PlayedOrder.of(together(readers, bars));
    List<Part> parts = readers.stream().map(r -> r.part(starts, new Tempi(tempi), played)).toList();
    for (Part p : parts) {
      p.lines().forEach(l -> Limit.NOTES.check(l.notes().size()));
    }
    String title = root.child("work").map(w -> w.textOf("work-title")).orElse("");
    if (title.isEmpty()) {
      title = root.textOf("movement-title");
    }
    // chord signs stand over one part, as a rule; of several parts the first that has some is read
    List<Chord> chords =
        readers.stream()
            .map(r -> r.chords(starts))
            .filter(c -> !c.isEmpty())
            .findFirst()
            .orElse(List.of());
    Score score = new Score(title, concert, parts, remarks.stream().distinct().toList(), chords);
    return drums ? score : PagePitch.of(score).because().map(score::remarked).orElse(score);
  }

  /** What the parts are called, by their ids. */
  static Map<String, String> partNames(XmlNode root) {
    Map<String, String> names = new LinkedHashMap<>();
    for (XmlNode p : root.descendants("score-part")) {
      String name = p.textOf("part-name");
      names.put(p.attribute("id"), name.isEmpty() ? p.attribute("id") : name);
    }
    return names;
  }

  /** The bars with what stands in any part: a da capo is printed over the uppermost alone. */
  private static List<XmlNode> together(List<PartReader> readers, int bars) {
    List<XmlNode> all = new ArrayList<>();
    for (int b = 0; b < bars; b++) {
      XmlNode bar = new XmlNode("measure");
      for (PartReader r : readers) {
        r.measure(b).ifPresent(m -> m.children().forEach(bar::add));
      }
      all.add(bar);
    }
    return all;
  }

  /** The transposition that a {@code <transpose>} element says. */
  static Transposition transposition(XmlNode t) {
    int chromatic = integer(t.textOf("chromatic"), 0);
    int octaves = integer(t.textOf("octave-change"), 0);
    Limit.TRANSPOSED_HALF_STEPS.check(
        Math.max(Math.abs((long) chromatic), 12 * Math.abs((long) octaves)));
    if (t.has("double")) {
      octaves -= 1;
    }
    int diatonic =
        t.has("diatonic")
            ? integer(t.textOf("diatonic"), 0)
            : (int) Math.round(chromatic * 7 / 12.0);
    Limit.TRANSPOSED_HALF_STEPS.check(Math.abs((long) diatonic));
    return new Transposition(diatonic + 7 * octaves, chromatic + 12 * octaves);
  }

  /** Quarter notes a minute that a {@code <metronome>} says, where it says a number. */
  static OptionalDouble metronome(XmlNode m) {
    var number = Pattern.compile("\\d{1,4}(\\.\\d{1,9})?").matcher(m.textOf("per-minute"));
    if (!number.find()) {
      return OptionalDouble.empty();
    }
    double quarters =
        NoteLength.dotted(
            NoteLength.of(m.textOf("beat-unit")).orElse(1.0), m.children("beat-unit-dot").size());
    double tempo = Double.parseDouble(number.group()) * quarters;
    return tempo > 0 ? OptionalDouble.of(tempo) : OptionalDouble.empty();
  }

  static int integer(String text, int otherwise) {
    OptionalDouble number = decimal(text);
    return number.isPresent() ? (int) Math.round(number.getAsDouble()) : otherwise;
  }

  /** A decimal number of a sensible length; there is no NaN, infinity or power in MusicXML. */
  static OptionalDouble decimal(String text) {
    return DECIMAL.matcher(text).matches()
        ? OptionalDouble.of(Double.parseDouble(text))
        : OptionalDouble.empty();
  }
}
