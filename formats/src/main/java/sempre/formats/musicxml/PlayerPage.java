package sempre.formats.musicxml;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import sempre.core.Deadline;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Transposition;
import sempre.core.score.Bars;
import sempre.core.score.Part;
import sempre.formats.xml.Xml;
import sempre.formats.xml.XmlNode;

/**
 * One part of a file as MusicXML for engraving: that part alone, moved to a player's page, with the
 * ids of its notes. Accidentals are set anew where notes were moved.
 */
public final class PlayerPage {
  /** How ids on the lower of two staves begin. */
  public static final String LOWER = "s-";

  /** What is said of the size and the headings of another page. */
  static final Set<String> LAYOUT = Set.of("credit", "defaults");

  private final Transposition move;
  private final String clef;
  private KeySignature original = KeySignature.NATURAL;
  private final Accidentals accidentals = new Accidentals();

  private PlayerPage(Transposition move, String clef) {
    this.move = move;
    this.clef = clef;
  }

  /**
   * The page.
   *
   * @param partId which part of the file
   * @param move letters and semitones to add to every note
   * @param clef {@code treble} or {@code bass}: the player's clef, used when notes were moved
   */
  public static byte[] of(MusicXmlFile file, String partId, Transposition move, String clef) {
    return Xml.write(root(file, partId, move, clef));
  }

  /**
   * The page with breath marks of ours beside those that are printed.
   *
   * @param breaths ids of the notes behind which one breathes
   */
  public static byte[] of(
      MusicXmlFile file, String partId, Transposition move, String clef, Set<String> breaths) {
    return Xml.write(breathing(root(file, partId, move, clef), breaths));
  }

  private static XmlNode breathing(XmlNode root, Set<String> breaths) {
    for (XmlNode part : root.children("part")) {
      for (XmlNode m : part.children("measure")) {
        Deadline.check();
        for (XmlNode n : m.children("note")) {
          if (breaths.contains(n.attribute("id"))) {
            breathe(n);
          }
        }
      }
    }
    return root;
  }

  private static void breathe(XmlNode note) {
    XmlNode mark = new XmlNode("articulations").add(new XmlNode("breath-mark"));
    Optional<XmlNode> notations = note.child("notations");
    if (notations.isPresent()) {
      notations.get().add(mark);
      return;
    }
    List<XmlNode> all = note.children();
    int at = 0;
    while (at < all.size() && !all.get(at).is("lyric") && !all.get(at).is("play")) {
      at++;
    }
    all.add(at, new XmlNode("notations").add(mark));
  }

  /**
   * The page in lines, each to be engraved by itself.
   *
   * @param perLine bars of a line, where none has to be longer
   */
  public static List<byte[]> lines(
      MusicXmlFile file, String partId, Transposition move, String clef, int perLine) {
    return PageLines.of(root(file, partId, move, clef), perLine);
  }

  /**
   * Some stretches of the page, each to be engraved by itself; they may have bars in common.
   *
   * @param breaths ids of the notes behind which one breathes, beside what is printed
   * @param stretches indexes of their bars
   */
  public static List<byte[]> stretches(
      MusicXmlFile file,
      String partId,
      Transposition move,
      String clef,
      Set<String> breaths,
      List<Bars> stretches) {
    return PageLines.stretches(breathing(root(file, partId, move, clef), breaths), stretches);
  }

  /**
   * The beginning of the page.
   *
   * @param bars how many, from the first that has a note
   */
  public static byte[] beginning(
      MusicXmlFile file, String partId, Transposition move, String clef, int bars) {
    XmlNode root = root(file, partId, move, clef);
    XmlNode part = root.children("part").get(0);
    List<XmlNode> all = part.children("measure");
    int first = 0;
    while (first < all.size() - 1 && all.get(first).descendants("pitch").isEmpty()) {
      first++;
    }
    int from = first;
    // what the first bar says of clef, key and time stands before whichever is shown
    List<XmlNode> said =
        from == 0
            ? List.of()
            : all.subList(0, from).stream()
                .flatMap(m -> m.children("attributes").stream())
                .toList();
    part.children()
        .removeIf(
            m ->
                m.is("measure")
                    && !all.subList(from, Math.min(all.size(), from + bars)).contains(m));
    part.children("measure").stream().findFirst().ifPresent(m -> m.children().addAll(0, said));
    return Xml.write(root);
  }

  /**
   * The written part and a changed one, one staff under the other; ids on the lower staff begin
   * with {@link #LOWER}.
   *
   * @param changed the same file with that part changed
   * @param names of the two staves
   */
  public static byte[] both(
      MusicXmlFile file,
      MusicXmlFile changed,
      String partId,
      Transposition move,
      String clef,
      List<String> names) {
    XmlNode upper = root(file, partId, move, clef);
    XmlNode lower = root(changed, partId, move, clef);
    XmlNode both = upper.shell();
    for (XmlNode c : upper.children()) {
      both.add(
          c.is("part-list")
              ? new XmlNode("part-list")
                  .add(named(partId, names.get(0)))
                  .add(named(LOWER + partId, names.get(1)))
              : c);
    }
    for (XmlNode part : lower.children("part")) {
      part.set("id", LOWER + partId);
      for (XmlNode m : part.children("measure")) {
        m.children().removeIf(c -> c.is("direction") || c.is("harmony"));
        m.set("id", LOWER + m.attribute("id"));
        m.children("note").forEach(n -> n.set("id", LOWER + n.attribute("id")));
      }
      both.add(part);
    }
    return Xml.write(both);
  }

  private static XmlNode named(String id, String name) {
    return new XmlNode("score-part").set("id", id).add(XmlNode.of("part-name", name));
  }

  static XmlNode root(MusicXmlFile file, String partId, Transposition move, String clef) {
    PlayerPage page = new PlayerPage(move, clef);
    XmlNode root = new XmlNode("score-partwise").set("version", "4.0");
    for (XmlNode c : file.root().children()) {
      if (c.is("part")) {
        if (c.attribute("id").equals(partId)) {
          root.add(page.part(c));
        }
      } else if (c.is("part-list")) {
        root.add(list(c, partId));
      } else if (!LAYOUT.contains(c.name())) {
        root.add(c);
      }
    }
    return root;
  }

  private static XmlNode list(XmlNode partList, String partId) {
    XmlNode list = new XmlNode("part-list");
    for (XmlNode p : partList.children("score-part")) {
      if (p.attribute("id").equals(partId)) {
        list.add(new XmlNode("score-part").set("id", partId).add(XmlNode.of("part-name", "")));
      }
    }
    return list;
  }

  private boolean moves() {
    return !move.equals(Transposition.CONCERT);
  }

  private XmlNode part(XmlNode part) {
    XmlNode copy = new XmlNode("part");
    part.attributes().forEach(copy::set);
    // some programs say what a note is altered by, and not what is printed before it
    boolean anew = moves() || part.descendants("accidental").isEmpty();
    for (XmlNode m : part.children("measure")) {
      Deadline.check();
      XmlNode measure = new XmlNode("measure");
      m.attributes().forEach(measure::set);
      for (XmlNode e : m.children()) {
        switch (e.name()) {
          case "attributes" -> measure.add(attributes(e));
          case "note" -> measure.add(note(e));
          case "print" -> {
            // the line breaks of another page size
          }
          case "harmony" -> measure.add(moves() ? Harmonies.moved(e, original, move) : e);
          case "figured-bass" -> {
            if (!moves()) {
              measure.add(e);
            }
          }
          default -> measure.add(e);
        }
      }
      if (anew) {
        accidentals.bar(measure);
      }
      copy.add(measure);
    }
    return copy;
  }

  private XmlNode attributes(XmlNode a) {
    XmlNode copy = new XmlNode("attributes");
    for (XmlNode c : a.children()) {
      if (c.is("transpose") || c.is("for-part")) {
        continue;
      }
      if (c.is("key") && c.has("fifths")) {
        original = KeySignature.NATURAL.plus(MusicXmlReader.integer(c.textOf("fifths"), 0));
        KeySignature key = original.plus(move.fifths());
        XmlNode k = new XmlNode("key").add(XmlNode.of("fifths", key.fifths()));
        c.child("mode").ifPresent(k::add);
        copy.add(k);
      } else if (c.is("clef") && moves()) {
        boolean bass = clef.equals("bass");
        XmlNode k = new XmlNode("clef");
        c.attributes().forEach(k::set);
        copy.add(k.add(XmlNode.of("sign", bass ? "F" : "G")).add(XmlNode.of("line", bass ? 4 : 2)));
      } else {
        copy.add(c);
      }
    }
    return copy;
  }

  private XmlNode note(XmlNode n) {
    XmlNode copy = new XmlNode("note");
    n.attributes().forEach(copy::set);
    for (XmlNode c : n.children()) {
      switch (c.name()) {
        case "pitch" -> {
          if (moves()) {
            copy.add(XmlPitch.write(Part.moved(XmlPitch.read(c), original, move)));
          } else {
            copy.add(c);
          }
        }
        case "accidental", "stem" -> {
          if (!moves()) {
            copy.add(c);
          }
        }
        case "notations" -> copy.add(notations(c));
        case "lyric" -> {
          // so would those that were written under the notes
          if (!FingeredFile.ours(c)) {
            copy.add(c);
          }
        }
        default -> copy.add(c);
      }
    }
    return copy;
  }

  /** Fingerings that stand in the file would clash with the lanes. */
  private static XmlNode notations(XmlNode n) {
    XmlNode copy = new XmlNode("notations");
    n.attributes().forEach(copy::set);
    for (XmlNode c : n.children()) {
      if (!c.is("technical")) {
        copy.add(c);
        continue;
      }
      XmlNode t = new XmlNode("technical");
      c.children().stream().filter(x -> !x.is("fingering")).forEach(t::add);
      if (!t.children().isEmpty()) {
        copy.add(t);
      }
    }
    return copy;
  }
}
