package sempre.formats.musicxml;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import sempre.core.Deadline;
import sempre.core.instrument.Control;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Keywork;
import sempre.core.pitch.Transposition;
import sempre.formats.xml.Xml;
import sempre.formats.xml.XmlNode;

/**
 * A file with a plan's fingerings in it, written so that other programs show them: a part alone, or
 * the full score with a staff for each player. Of a part that is read as it stands nothing changes
 * but the fingerings; where the page was moved, the moved part stands in its place, with the
 * transposition of the player's instrument.
 */
public final class FingeredFile {
  /** How fingerings are written. Why there are these two, docs/decisions/036 says. */
  public enum As {
    /**
     * As words under the staff, the left hand over the right: every program makes room for them.
     */
    WORDS,
    /**
     * As technical marks: the numbers of valves and slide positions over the notes, the keys of a
     * woodwind as {@code other-technical} and {@code hole}, which programs keep and do not draw.
     */
    MARKS
  }

  /** Which words are fingerings of ours. */
  static final String NAME = "fingering";

  /** What stands before the notations of a note, by the schema. */
  private static final List<String> BEFORE_NOTATIONS =
      List.of(
          "grace",
          "cue",
          "chord",
          "pitch",
          "unpitched",
          "rest",
          "duration",
          "tie",
          "instrument",
          "footnote",
          "level",
          "voice",
          "type",
          "dot",
          "accidental",
          "time-modification",
          "stem",
          "notehead",
          "notehead-text",
          "staff",
          "beam");

  /** What stands behind the words of a note, by the schema. */
  private static final List<String> AFTER_LYRICS = List.of("play", "listen");

  /** A valve, a position, the thumb of a horn or the trigger of a trombone. */
  private static final Pattern NUMBER = Pattern.compile("\\d|[TF]");

  /** Between two keys in words: narrow, and no line is broken there. */
  private static final String BETWEEN = "\u202f";

  /** How the notation names the holes that the fingers themselves cover. */
  private static final Pattern HOLE = Pattern.compile("T|\\d");

  private FingeredFile() {}

  /**
   * Who reads a part, and how.
   *
   * @param partId the part that is read
   * @param name how its staff is called; empty: as in the file
   * @param transposition of the player's instrument
   * @param move what was done to its page
   * @param clef the player's clef
   * @param fingerings note id to its fingering
   * @param own the file in which this reader's part stands, where it is another, as one with a
   *     simpler part
   */
  public record Reader(
      String partId,
      String name,
      Transposition transposition,
      Transposition move,
      String clef,
      Map<String, Mark> fingerings,
      Optional<MusicXmlFile> own) {
    /** One who reads the file that all read. */
    public Reader(
        String partId,
        String name,
        Transposition transposition,
        Transposition move,
        String clef,
        Map<String, Mark> fingerings) {
      this(partId, name, transposition, move, clef, fingerings, Optional.empty());
    }

    /** The same, with its staff called by another name. */
    public Reader named(String other) {
      return new Reader(partId, other, transposition, move, clef, fingerings, own);
    }

    private boolean moved() {
      return !move.equals(Transposition.CONCERT);
    }
  }

  /** The reader's part alone. */
  public static byte[] alone(MusicXmlFile file, Reader reader, As as) {
    return write(file, List.of(reader), as, false);
  }

  /**
   * The full score.
   *
   * @param readers a staff for each, in the place of the part that is read; parts that nobody reads
   *     stay as they are
   */
  public static byte[] score(MusicXmlFile file, List<Reader> readers, As as) {
    return write(file, readers, as, true);
  }

  private static byte[] write(MusicXmlFile file, List<Reader> readers, As as, boolean full) {
    // a page that was moved is no longer in concert pitch, and so neither is its score
    boolean mixed =
        !file.root().descendants("concert-score").isEmpty()
            && readers.stream().anyMatch(Reader::moved);
    XmlNode root = file.root().shell();
    for (XmlNode c : file.root().children()) {
      if (c.is("part")) {
        List<Reader> of = of(c.attribute("id"), readers);
        for (int i = 0; i < of.size(); i++) {
          XmlNode part = part(file, c, of.get(i), as, i);
          root.add(mixed && !of.get(i).moved() ? sounding(part) : part);
        }
        if (full && of.isEmpty()) {
          root.add(mixed ? sounding(c) : c);
        }
      } else if (c.is("part-list")) {
        root.add(list(c, readers, full));
      } else if (full || !readers.get(0).moved() || !PlayerPage.LAYOUT.contains(c.name())) {
        root.add(mixed ? without(c, x -> x.is("concert-score")) : c);
      }
    }
    return Xml.write(root);
  }

  /** A part of a concert score, saying by itself that it sounds as it stands but for octaves. */
  private static XmlNode sounding(XmlNode part) {
    return without(part, x -> x.is("transpose") && MusicXmlReader.transposition(x).fifths() != 0);
  }

  private static XmlNode without(XmlNode node, Predicate<XmlNode> what) {
    if (node.children().isEmpty()) {
      return node;
    }
    XmlNode copy = node.shell();
    node.children().stream().filter(what.negate()).forEach(c -> copy.add(without(c, what)));
    return copy;
  }

  private static List<Reader> of(String partId, List<Reader> readers) {
    return readers.stream().filter(r -> r.partId().equals(partId)).toList();
  }

  private static XmlNode list(XmlNode partList, List<Reader> readers, boolean full) {
    XmlNode list = partList.shell();
    for (XmlNode p : partList.children()) {
      List<Reader> of = p.is("score-part") ? of(p.attribute("id"), readers) : List.of();
      if (full ? of.isEmpty() : !p.is("score-part")) {
        if (full) {
          list.add(p);
        }
        continue;
      }
      for (int i = 0; i < of.size(); i++) {
        list.add(named(p, of.get(i).name(), i));
      }
    }
    return list;
  }

  /** What the file says of a part, under another name; of a further staff only the name. */
  private static XmlNode named(XmlNode scorePart, String name, int copy) {
    XmlNode p = scorePart.shell();
    if (copy > 0) {
      p.set("id", further(scorePart.attribute("id"), copy));
    }
    for (XmlNode c : scorePart.children()) {
      if (c.is("part-name") && !name.isEmpty()) {
        p.add(XmlNode.of("part-name", name));
      } else if (c.is("part-name") || name.isEmpty() && copy == 0 || copy == 0 && !label(c)) {
        p.add(c);
      }
    }
    return p;
  }

  private static boolean label(XmlNode c) {
    return c.name().startsWith("part-name") || c.name().startsWith("part-abbreviation");
  }

  private static String further(String id, int copy) {
    return id + "-" + (copy + 1);
  }

  /**
   * What is written for a fingering.
   *
   * @param text as a player writes it over a note
   * @param holes the finger holes of a woodwind from the mouthpiece down; none on brass
   */
  public record Mark(String text, List<Hole> holes) {
    public Mark {
      holes = List.copyOf(holes);
    }

    /** The marks of a fingering on an instrument. */
    public static Mark of(Fingering fingering, Keywork keywork) {
      List<Hole> holes = new ArrayList<>();
      if (keywork.kind() == Keywork.Kind.HANDS) {
        for (Control c : keywork.controls()) {
          if (HOLE.matcher(c.token()).matches()) {
            holes.add(new Hole(c.finger().name(), closed(c, fingering)));
          }
        }
      }
      return new Mark(FingeredFile.text(fingering.text()), holes);
    }

    /**
     * The words under a note: one line, or the left hand's and the right hand's. Numbers stand
     * together, so that a line of small notes has room for them; a hand that holds nothing is a
     * dash.
     */
    public List<String> lines() {
      List<String> lines = new ArrayList<>();
      for (String hand : text.split("\\|", -1)) {
        String words = hand.strip().replaceAll("(?<=\\b\\d) (?=\\d\\b)", "");
        lines.add(words.isEmpty() ? "\u2013" : words.replace(" ", BETWEEN));
      }
      return lines;
    }

    private static String closed(Control c, Fingering fingering) {
      return fingering.holds().stream()
          .filter(h -> h.control().equals(c))
          .findFirst()
          .map(h -> h.way() == Hold.Way.HALF ? "half" : "yes")
          .orElse("no");
    }
  }

  /**
   * One finger hole, as the {@code hole} element of MusicXML 4.0.
   *
   * @param type which finger covers it
   * @param closed {@code yes}, {@code no} or {@code half}
   */
  public record Hole(String type, String closed) {
    private XmlNode xml() {
      return new XmlNode("hole")
          .add(XmlNode.of("hole-type", type))
          .add(XmlNode.of("hole-closed", closed));
    }
  }

  /** A fingering as a player writes it over a note: positions without their letter. */
  public static String text(String fingering) {
    return fingering.replaceAll("\\bp(?=[1-7])", "");
  }

  /**
   * The fingering that stands in a file at a note: in marks, or in words that this class wrote;
   * empty where none does.
   *
   * @param together the notes of its chord
   */
  static String printed(List<XmlNode> together, XmlNode note) {
    List<String> marks = note.descendants("fingering").stream().map(XmlNode::text).toList();
    if (!marks.isEmpty()) {
      return String.join(" ", marks);
    }
    List<String> words =
        together.stream()
            .flatMap(n -> n.children("lyric").stream())
            .filter(FingeredFile::ours)
            .map(l -> l.textOf("text"))
            .toList();
    return words.isEmpty()
        ? note.descendants("other-technical").stream()
            .map(XmlNode::text)
            .filter(t -> t.contains("|"))
            .findFirst()
            .orElse("")
        : String.join(" | ", words);
  }

  /** A compressed file (.mxl) with this document in it. */
  public static byte[] compressed(byte[] xml) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      zip.putNextEntry(new ZipEntry("META-INF/container.xml"));
      zip.write(
          """
          <?xml version="1.0" encoding="UTF-8"?>
          <container><rootfiles><rootfile full-path="score.musicxml" \
          media-type="application/vnd.recordare.musicxml+xml"/></rootfiles></container>
          """
              .getBytes(StandardCharsets.UTF_8));
      zip.closeEntry();
      zip.putNextEntry(new ZipEntry("score.musicxml"));
      zip.write(xml);
      zip.closeEntry();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private static XmlNode part(MusicXmlFile file, XmlNode there, Reader reader, As as, int copy) {
    MusicXmlFile read = reader.own().orElse(file);
    XmlNode source =
        read.root().children("part").stream()
            .filter(p -> p.attribute("id").equals(reader.partId()))
            .findFirst()
            .orElse(there);
    XmlNode from =
        reader.moved()
            ? PlayerPage.root(read, reader.partId(), reader.move(), reader.clef())
                .children("part")
                .get(0)
            : source;
    XmlNode part = from.shell();
    int verse = verse(from);
    boolean first = reader.moved();
    for (XmlNode m : from.children()) {
      Deadline.check();
      XmlNode measure = m.shell();
      XmlNode principal = null;
      for (XmlNode c : m.children()) {
        if (c.is("attributes") && first) {
          measure.add(transposed(c, reader.transposition()));
          first = false;
          continue;
        }
        if (!c.is("note")) {
          measure.add(c);
          continue;
        }
        Mark mark = reader.fingerings().get(c.attribute("id"));
        XmlNode note = note(c, mark, as);
        principal = c.has("chord") && principal != null ? principal : note;
        if (mark != null && as == As.WORDS) {
          // words stand under the first note of a chord
          words(principal, mark, verse);
        }
        measure.add(note);
      }
      part.add(measure);
    }
    if (copy > 0) {
      part.set("id", further(source.attribute("id"), copy));
      part.children().forEach(m -> anew(m, copy));
    }
    return part;
  }

  /** Ids are those of one document. */
  private static void anew(XmlNode measure, int copy) {
    if (!measure.attribute("id").isEmpty()) {
      measure.set("id", further(measure.attribute("id"), copy));
    }
    List<XmlNode> all = measure.children();
    for (int i = 0; i < all.size(); i++) {
      if (!all.get(i).attribute("id").isEmpty()) {
        XmlNode other = all.get(i).shell();
        all.get(i).children().forEach(other::add);
        all.set(i, other.set("id", further(other.attribute("id"), copy)));
      }
    }
  }

  /** The first line under the staff that is free. */
  private static int verse(XmlNode part) {
    return 1
        + part.descendants("lyric").stream()
            .filter(l -> !ours(l))
            .mapToInt(l -> MusicXmlReader.integer(l.attribute("number"), 1))
            .max()
            .orElse(0);
  }

  /** Whether words are fingerings that were written by this class. */
  static boolean ours(XmlNode lyric) {
    return lyric.is("lyric") && lyric.attribute("name").equals(NAME);
  }

  private static void words(XmlNode note, Mark mark, int verse) {
    int at = note.children().size();
    while (at > 0 && AFTER_LYRICS.contains(note.children().get(at - 1).name())) {
      at--;
    }
    List<String> lines = mark.lines();
    for (int i = 0; i < lines.size(); i++) {
      note.children()
          .add(
              at + i,
              new XmlNode("lyric")
                  .set("number", String.valueOf(verse + i))
                  .set("name", NAME)
                  .set("placement", "below")
                  .add(XmlNode.of("syllabic", "single"))
                  .add(XmlNode.of("text", lines.get(i))));
    }
  }

  /** The attributes with a transposition, where there is one. */
  private static XmlNode transposed(XmlNode attributes, Transposition t) {
    if (t.equals(Transposition.CONCERT)) {
      return attributes;
    }
    XmlNode copy = attributes.shell();
    attributes.children().forEach(copy::add);
    Transposes.put(copy, t);
    return copy;
  }

  private static XmlNode note(XmlNode note, Mark fingering, As as) {
    XmlNode copy = note.shell();
    boolean marks = fingering != null && as == As.MARKS;
    int at = 0;
    boolean done = false;
    for (XmlNode c : note.children()) {
      if (ours(c)) {
        continue;
      }
      if (c.is("notations") && fingering != null && !done) {
        XmlNode notations = notations(c, marks ? fingering : null);
        if (!notations.children().isEmpty()) {
          copy.add(notations);
        }
        done = true;
      } else {
        copy.add(c);
      }
      if (BEFORE_NOTATIONS.contains(c.name())) {
        at = copy.children().size();
      }
    }
    if (!done && marks) {
      copy.children()
          .add(at, new XmlNode("notations").add(marked(new XmlNode("technical"), fingering)));
    }
    return copy;
  }

  /** The notations with this fingering, where there is one, in place of those that stood there. */
  private static XmlNode notations(XmlNode notations, Mark fingering) {
    XmlNode copy = notations.shell();
    boolean done = fingering == null;
    for (XmlNode c : notations.children()) {
      if (!c.is("technical")) {
        copy.add(c);
        continue;
      }
      XmlNode technical = c.shell();
      c.children().stream()
          .filter(x -> !x.is("fingering") && !x.is("hole"))
          .forEach(technical::add);
      if (!done) {
        marked(technical, fingering);
        done = true;
      }
      if (!technical.children().isEmpty()) {
        copy.add(technical);
      }
    }
    return done ? copy : copy.add(marked(new XmlNode("technical"), fingering));
  }

  private static XmlNode marked(XmlNode technical, Mark fingering) {
    List<String> tokens = List.of(fingering.text().split(" "));
    if (tokens.stream().allMatch(t -> NUMBER.matcher(t).matches())) {
      tokens.forEach(t -> technical.add(XmlNode.of("fingering", t)));
    } else {
      technical.add(XmlNode.of("other-technical", fingering.text()));
    }
    fingering.holes().forEach(h -> technical.add(h.xml()));
    return technical;
  }
}
