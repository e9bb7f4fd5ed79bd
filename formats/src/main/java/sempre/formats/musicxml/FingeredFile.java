package sempre.formats.musicxml;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import sempre.core.instrument.Control;
import sempre.core.instrument.Fingering;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Keywork;
import sempre.core.pitch.Transposition;
import sempre.formats.xml.Xml;
import sempre.formats.xml.XmlNode;

/**
 * A file with a plan's fingerings in it, as {@code <technical><fingering>} that other programs
 * read, and the {@code <hole>}s of a woodwind. Where the player reads a part as it stands, the
 * whole file is written again and nothing of it is changed but the fingerings of that part; where
 * the page was moved, the moved part is written alone, with the transposition of the player's
 * instrument.
 */
public final class FingeredFile {
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

  /** How the notation names the holes that the fingers themselves cover. */
  private static final Pattern HOLE = Pattern.compile("T|\\d");

  private FingeredFile() {}

  /**
   * The file with fingerings.
   *
   * @param partId the part that is read
   * @param move what was done to its page
   * @param clef the player's clef
   * @param instrument name and transposition of the player's instrument
   * @param fingerings note id to its fingering
   */
  public static byte[] of(
      MusicXmlFile file,
      String partId,
      Transposition move,
      String clef,
      Reader instrument,
      Map<String, Mark> fingerings) {
    boolean moved = !move.equals(Transposition.CONCERT);
    XmlNode source = moved ? Xml.read(PlayerPage.of(file, partId, move, clef)) : file.root();
    XmlNode root = source.shell();
    for (XmlNode c : source.children()) {
      if (c.is("part") && c.attribute("id").equals(partId)) {
        root.add(part(c, fingerings, moved ? instrument.transposition() : null));
      } else if (c.is("part-list") && moved) {
        root.add(named(c, instrument.name()));
      } else {
        root.add(c);
      }
    }
    return Xml.write(root);
  }

  /** Who reads the part. */
  public record Reader(String name, Transposition transposition) {}

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

  private static XmlNode named(XmlNode partList, String name) {
    XmlNode list = partList.shell();
    for (XmlNode p : partList.children()) {
      XmlNode copy = p.shell();
      p.children().forEach(c -> copy.add(c.is("part-name") ? XmlNode.of("part-name", name) : c));
      list.add(copy);
    }
    return list;
  }

  private static XmlNode part(
      XmlNode part, Map<String, Mark> fingerings, Transposition transposition) {
    XmlNode copy = part.shell();
    boolean first = true;
    for (XmlNode m : part.children()) {
      XmlNode measure = m.shell();
      for (XmlNode c : m.children()) {
        if (c.is("note") && fingerings.containsKey(c.attribute("id"))) {
          measure.add(note(c, fingerings.get(c.attribute("id"))));
        } else if (c.is("attributes") && first && transposition != null) {
          measure.add(transposed(c, transposition));
          first = false;
        } else {
          measure.add(c);
        }
      }
      copy.add(measure);
    }
    return copy;
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

  private static XmlNode note(XmlNode note, Mark fingering) {
    XmlNode copy = note.shell();
    int at = 0;
    boolean done = false;
    for (XmlNode c : note.children()) {
      if (c.is("notations") && !done) {
        copy.add(notations(c, fingering));
        done = true;
      } else {
        copy.add(c);
      }
      if (BEFORE_NOTATIONS.contains(c.name())) {
        at = copy.children().size();
      }
    }
    if (!done) {
      copy.children()
          .add(at, new XmlNode("notations").add(marked(new XmlNode("technical"), fingering)));
    }
    return copy;
  }

  /** The notations with this fingering in place of those that stood there. */
  private static XmlNode notations(XmlNode notations, Mark fingering) {
    XmlNode copy = notations.shell();
    boolean done = false;
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
    technical.add(XmlNode.of("fingering", fingering.text()));
    fingering.holes().forEach(h -> technical.add(h.xml()));
    return technical;
  }
}
