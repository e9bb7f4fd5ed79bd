package sempre.formats.musicxml;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import sempre.core.Limit;
import sempre.core.Saying;
import sempre.formats.UnreadableException;
import sempre.formats.xml.Xml;
import sempre.formats.xml.XmlNode;

/**
 * A MusicXML file as a tree: compressed or not, partwise or timewise, always given back partwise
 * and with an id on every note and bar, the same at every reading.
 */
public final class MusicXmlFile {
  private static final int MEGABYTE = 1024 * 1024;

  private final XmlNode root;

  private MusicXmlFile(XmlNode root) {
    this.root = root;
  }

  /**
   * Opens a file.
   *
   * @throws UnreadableException with one sentence: what is wrong and what to change
   */
  public static MusicXmlFile open(Path path) {
    if (Files.isDirectory(path)) {
      throw new UnreadableException("file.folder", "file", path.toString());
    }
    if (!Files.exists(path)) {
      throw new UnreadableException("file.none", "file", path.toString());
    }
    try {
      checkSize(Files.size(path));
      return of(Files.readAllBytes(path));
    } catch (IOException e) {
      throw new UnreadableException(Saying.of("file.permissions", "file", path.toString()), e);
    }
  }

  /**
   * Reads the bytes of a file.
   *
   * @throws UnreadableException with one sentence: what is wrong and what to change
   */
  public static MusicXmlFile of(byte[] bytes) {
    if (bytes.length == 0) {
      throw new UnreadableException("file.empty");
    }
    checkSize(bytes.length);
    boolean zip = bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K';
    byte[] xml = zip ? unzip(bytes) : bytes;
    if (!zip && !looksLikeXml(xml)) {
      throw new UnreadableException("file.not-musicxml");
    }
    XmlNode root = Xml.read(xml);
    XmlNode partwise =
        switch (root.name()) {
          case "score-partwise" -> root;
          case "score-timewise" -> partwise(root);
          case "opus" -> throw new UnreadableException("file.opus");
          default -> throw new UnreadableException("file.other-xml", "root", root.name());
        };
    if (partwise.children("part").isEmpty()) {
      throw new UnreadableException("file.no-part");
    }
    partwise.children("part").forEach(OctaveClefs::plain);
    giveIds(partwise);
    return new MusicXmlFile(partwise);
  }

  /** A document made from one that was read. */
  static MusicXmlFile made(XmlNode partwise) {
    return new MusicXmlFile(partwise);
  }

  /** The tree, partwise. */
  public XmlNode root() {
    return root;
  }

  /** Megabytes that are begun count as whole ones. */
  private static void checkSize(long bytes) {
    Limit.FILE_MEGABYTES.check((bytes + MEGABYTE - 1) / MEGABYTE);
  }

  private static boolean looksLikeXml(byte[] b) {
    // UTF-8 with or without a mark, or UTF-16 either way round
    for (int i = 0; i < Math.min(b.length, 64); i++) {
      if (b[i] == '<') {
        return true;
      }
      boolean skipped = b[i] == 0 || b[i] < 0 || Character.isWhitespace(b[i]);
      if (!skipped) {
        return false;
      }
    }
    return false;
  }

  private static byte[] unzip(byte[] bytes) {
    Map<String, byte[]> files = new LinkedHashMap<>();
    long left = (long) Limit.UNPACKED_MEGABYTES.most() * MEGABYTE;
    int entries = 0;
    try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
      for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
        Limit.ARCHIVE_ENTRIES.check(++entries);
        byte[] content = read(zip, left);
        left -= content.length;
        if (!e.isDirectory()) {
          files.put(e.getName(), content);
        }
      }
    } catch (IOException e) {
      throw new UnreadableException(Saying.of("file.damaged"), e);
    }
    byte[] container = files.get("META-INF/container.xml");
    if (container != null) {
      for (XmlNode f : Xml.read(container).descendants("rootfile")) {
        byte[] main = files.get(f.attribute("full-path"));
        if (main != null) {
          return main;
        }
      }
    }
    return files.entrySet().stream()
        .filter(e -> !e.getKey().startsWith("META-INF/"))
        .filter(e -> e.getKey().matches("(?i).*\\.(xml|musicxml)"))
        .map(Map.Entry::getValue)
        .findFirst()
        .orElseThrow(() -> new UnreadableException("file.no-music"));
  }

  private static byte[] read(InputStream in, long left) throws IOException {
    byte[] content = in.readNBytes((int) left + 1);
    if (content.length > left) {
      Limit.UNPACKED_MEGABYTES.check(Long.MAX_VALUE);
    }
    return content;
  }

  private static XmlNode partwise(XmlNode timewise) {
    XmlNode root = new XmlNode("score-partwise");
    timewise.attributes().forEach(root::set);
    Map<String, XmlNode> parts = new LinkedHashMap<>();
    for (XmlNode c : timewise.children()) {
      if (!c.is("measure")) {
        root.add(c);
        continue;
      }
      for (XmlNode p : c.children("part")) {
        XmlNode measure = new XmlNode("measure");
        c.attributes().forEach(measure::set);
        p.children().forEach(measure::add);
        parts
            .computeIfAbsent(p.attribute("id"), id -> new XmlNode("part").set("id", id))
            .add(measure);
      }
    }
    parts.values().forEach(root::add);
    return root;
  }

  private static void giveIds(XmlNode root) {
    Set<String> taken = new HashSet<>();
    List<XmlNode> wanting = new ArrayList<>();
    List<String> names = new ArrayList<>();
    int p = 0;
    for (XmlNode part : root.children("part")) {
      p++;
      int m = 0;
      for (XmlNode measure : part.children("measure")) {
        m++;
        keepOrWant(measure, "p" + p + "b" + m, taken, wanting, names);
        int n = 0;
        for (XmlNode note : measure.children("note")) {
          n++;
          keepOrWant(note, "p" + p + "b" + m + "n" + n, taken, wanting, names);
        }
      }
    }
    for (int i = 0; i < wanting.size(); i++) {
      String id = names.get(i);
      while (!taken.add(id)) {
        id += "x";
      }
      wanting.get(i).set("id", id);
    }
  }

  private static void keepOrWant(
      XmlNode n, String name, Set<String> taken, List<XmlNode> wanting, List<String> names) {
    String id = n.attribute("id");
    if (!id.matches("[A-Za-z_][A-Za-z0-9_.-]{0,63}") || !taken.add(id)) {
      wanting.add(n);
      names.add(name);
    }
  }
}
