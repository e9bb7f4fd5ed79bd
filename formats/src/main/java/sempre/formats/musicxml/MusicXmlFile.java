package sempre.formats.musicxml;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import sempre.core.Limit;
import sempre.core.Saying;
import sempre.formats.Archive;
import sempre.formats.UnreadableException;
import sempre.formats.xml.Xml;
import sempre.formats.xml.XmlNode;

/**
 * A MusicXML file as a tree: compressed or not, partwise or timewise, always given back partwise
 * and with an id on every note and bar, the same at every reading.
 */
public final class MusicXmlFile {
  private static final int MEGABYTE = 1024 * 1024;

  /** So many blanks may stand before a document. */
  private static final int BEFORE = 4096;

  private final XmlNode root;
  private final List<Saying> mended;

  private MusicXmlFile(XmlNode root, List<Saying> mended) {
    this.root = root;
    this.mended = List.copyOf(mended);
  }

  /**
   * Opens a file.
   *
   * @throws UnreadableException with one sentence: what is wrong and what to change
   */
  public static MusicXmlFile open(Path path) {
    return of(bytes(path));
  }

  /**
   * What a file holds.
   *
   * @throws UnreadableException where it is not there, is a folder, is too large or can't be read
   */
  public static byte[] bytes(Path path) {
    if (Files.isDirectory(path)) {
      throw new UnreadableException("file.folder", "file", path.toString());
    }
    if (!Files.exists(path)) {
      throw new UnreadableException("file.none", "file", path.toString());
    }
    try {
      checkSize(Files.size(path));
      return Files.readAllBytes(path);
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
    boolean zip = Archive.is(bytes);
    byte[] xml = zip ? unzip(bytes) : bytes;
    if (!zip && !looksLikeXml(xml)) {
      throw refused(ForeignFile.of(xml), Saying.of("file.not-musicxml"));
    }
    Xml.Document document = Xml.document(xml);
    Bounds.check(document.root());
    return of(document.root(), document.mended());
  }

  /**
   * What stands in a tree of ours, as if it had been written and read again.
   *
   * @throws UnreadableException with one sentence: what is wrong and what to change
   */
  public static MusicXmlFile of(XmlNode root) {
    return of(root, List.of());
  }

  private static MusicXmlFile of(XmlNode root, List<Saying> before) {
    XmlNode partwise =
        switch (root.name()) {
          case "score-partwise" -> root;
          case "score-timewise" -> partwise(root);
          case "opus" -> throw new UnreadableException("file.opus");
          default ->
              throw refused(
                  ForeignFile.root(root.name()), Saying.of("file.other-xml", "root", root.name()));
        };
    if (partwise.children("part").isEmpty()) {
      throw new UnreadableException("file.no-part");
    }
    List<Saying> mended = new ArrayList<>(before);
    mended.addAll(Repair.of(partwise));
    partwise.children("part").forEach(OctaveClefs::plain);
    giveIds(partwise);
    return new MusicXmlFile(partwise, mended);
  }

  /** A document made from one that was read. */
  static MusicXmlFile made(XmlNode partwise) {
    return new MusicXmlFile(partwise, List.of());
  }

  /** The tree, partwise. */
  public XmlNode root() {
    return root;
  }

  /** What was broken in the file and is mended in the tree, one sentence each. */
  public List<Saying> mended() {
    return mended;
  }

  /** Megabytes that are begun count as whole ones. */
  private static void checkSize(long bytes) {
    Limit.FILE_MEGABYTES.check((bytes + MEGABYTE - 1) / MEGABYTE);
  }

  private static boolean looksLikeXml(byte[] b) {
    // UTF-8 with or without a mark, or UTF-16 either way round
    for (int i = 0; i < Math.min(b.length, BEFORE); i++) {
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
    Map<String, byte[]> files = Archive.unpacked(bytes);
    Map<String, byte[]> scores = new LinkedHashMap<>();
    files.forEach(
        (name, content) -> {
          if (!name.startsWith("META-INF/")
              && name.matches("(?i).*\\.(xml|musicxml)")
              && looksLikeXml(content)) {
            scores.put(name, content);
          }
        });
    return rootFiles(files).stream()
        .flatMap(name -> files.keySet().stream().filter(n -> isNamed(n, name)))
        .map(files::get)
        .filter(MusicXmlFile::looksLikeXml)
        .findFirst()
        .orElseGet(() -> only(scores, files.keySet()));
  }

  /** A file of a kind that is known is told by what it is. */
  private static UnreadableException refused(Optional<Saying> known, Saying otherwise) {
    Saying said = known.orElse(otherwise);
    return new UnreadableException(said, null);
  }

  /** The one score of an archive that does not say which of its files it is. */
  private static byte[] only(Map<String, byte[]> scores, Set<String> names) {
    if (scores.isEmpty()) {
      throw refused(ForeignFile.of(names), Saying.of("file.no-music"));
    }
    if (scores.size() > 1) {
      throw new UnreadableException(
          "file.several", "n", scores.size(), "files", List.copyOf(scores.keySet()).subList(0, 2));
    }
    return scores.values().iterator().next();
  }

  /** What an archive says is its score; a picture of it may stand beside it. */
  private static List<String> rootFiles(Map<String, byte[]> files) {
    byte[] container = files.get("META-INF/container.xml");
    if (container == null) {
      return List.of();
    }
    try {
      return Xml.read(container).descendants("rootfile").stream()
          .filter(f -> f.attribute("media-type").matches("|.*xml.*"))
          .map(f -> f.attribute("full-path"))
          .toList();
    } catch (UnreadableException e) {
      // what it would say is found without it where there is one score
      return List.of();
    }
  }

  /** Whether a file has a name, which may be written in another encoding or with other slashes. */
  private static boolean isNamed(String file, String said) {
    return plain(file).equals(plain(said.replace('\\', '/').replaceFirst("^(\\./|/)+", "")));
  }

  private static String plain(String name) {
    return name.replaceAll("[^\\x20-\\x7E]+", "?").toLowerCase(Locale.ROOT);
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
