package sempre.formats.musicxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;
import sempre.formats.xml.XmlNode;

/**
 * A file in which some notes of one part are moved or left out. Bars without such a note stay as
 * they were; in the others accidentals and beams are set anew, and a slur is parted at a note that
 * is left out.
 */
public final class SimplerFile {
  private static final Set<String> OF_A_NOTE =
      Set.of(
          "pitch", "tie", "accidental", "stem", "notehead", "beam", "notations", "lyric", "chord");

  private final Map<String, Optional<Transposition>> changes;
  private final Accidentals accidentals = new Accidentals();
  private XmlNode lastNote;

  /** starts of slurs that wait for the next note */
  private final List<XmlNode> openings = new ArrayList<>();

  /** numbers of the slurs that go on behind the last note */
  private final Set<String> inSlurs = new TreeSet<>();

  private SimplerFile(Map<String, Optional<Transposition>> changes) {
    this.changes = changes;
  }

  /**
   * The changed file; the one that is given stays as it is.
   *
   * @param partId whose notes they are
   * @param changes note id to how far it is moved, empty for a rest; also of notes tied to it
   */
  public static MusicXmlFile of(
      MusicXmlFile file, String partId, Map<String, Optional<Transposition>> changes) {
    XmlNode root = file.root().shell();
    for (XmlNode c : file.root().children()) {
      boolean mine = c.is("part") && c.attribute("id").equals(partId);
      root.add(mine ? new SimplerFile(changes).part(c) : c);
    }
    return MusicXmlFile.made(root);
  }

  private XmlNode part(XmlNode part) {
    XmlNode copy = part.shell();
    for (XmlNode m : part.children()) {
      boolean changed =
          m.children("note").stream().anyMatch(n -> changes.containsKey(n.attribute("id")));
      copy.add(changed || !openings.isEmpty() ? bar(m) : kept(m));
    }
    return copy;
  }

  private XmlNode kept(XmlNode measure) {
    accidentals.keyOf(measure);
    XmlNode copy = deep(measure);
    copy.children("note").stream().filter(n -> n.has("pitch")).forEach(this::last);
    return copy;
  }

  private XmlNode bar(XmlNode m) {
    XmlNode copy = m.shell();
    List<XmlNode> all = m.children();
    for (int i = 0; i < all.size(); i++) {
      XmlNode c = all.get(i);
      if (!c.is("note")) {
        copy.add(c);
        continue;
      }
      // a chord is one event; where one of its notes is changed, that note stands alone
      List<XmlNode> chord = new ArrayList<>(List.of(c));
      while (i + 1 < all.size() && all.get(i + 1).is("note") && all.get(i + 1).has("chord")) {
        chord.add(all.get(++i));
      }
      Optional<XmlNode> changed =
          chord.stream().filter(n -> changes.containsKey(n.attribute("id"))).findFirst();
      if (changed.isEmpty()) {
        for (XmlNode n : chord) {
          XmlNode note = deep(n);
          note.child("pitch").ifPresent(p -> sounding(note));
          copy.add(note);
        }
      } else {
        Optional<Transposition> move = changes.get(changed.get().attribute("id"));
        if (move.isPresent()) {
          copy.add(moved(changed.get(), move.get()));
        } else {
          leaveOut(changed.get(), copy);
        }
      }
    }
    accidentals.bar(copy);
    beams(copy);
    return copy;
  }

  private static XmlNode deep(XmlNode n) {
    XmlNode copy = n.shell();
    n.children().forEach(c -> copy.add(deep(c)));
    return copy;
  }

  private void sounding(XmlNode note) {
    openings.forEach(s -> slur(note, s));
    openings.clear();
    last(note);
  }

  private void last(XmlNode note) {
    lastNote = note;
    for (XmlNode s : note.descendants("slur")) {
      if (s.attribute("type").equals("start")) {
        inSlurs.add(number(s));
      } else if (s.attribute("type").equals("stop")) {
        inSlurs.remove(number(s));
      }
    }
  }

  private XmlNode moved(XmlNode n, Transposition move) {
    XmlNode copy = n.shell();
    Pitch p = XmlPitch.read(n.child("pitch").orElseThrow()).plus(move.letters(), move.semitones());
    for (XmlNode c : n.children()) {
      switch (c.name()) {
        case "pitch" -> copy.add(XmlPitch.write(p));
        case "stem", "chord" -> {
          // the side of the stem goes with the place on the staff; the note stands alone
        }
        case "notations" -> copy.add(withoutTechnical(c));
        default -> copy.add(deep(c));
      }
    }
    sounding(copy);
    return copy;
  }

  private static XmlNode withoutTechnical(XmlNode notations) {
    XmlNode copy = notations.shell();
    notations.children().stream().filter(c -> !c.is("technical")).forEach(c -> copy.add(deep(c)));
    return copy;
  }

  private void leaveOut(XmlNode n, XmlNode measure) {
    for (XmlNode s : n.descendants("slur")) {
      if (s.attribute("type").equals("stop")) {
        boolean notBegun = openings.removeIf(o -> number(o).equals(number(s)));
        if (!notBegun && lastNote != null) {
          slur(lastNote, s);
        }
        inSlurs.remove(number(s));
      }
    }
    // a slur does not run over a rest: it ends before it, and what is left of it begins behind it
    for (String number : inSlurs) {
      slur(lastNote, end(number, "stop"));
      openings.add(end(number, "start"));
    }
    inSlurs.clear();
    for (XmlNode s : n.descendants("slur")) {
      if (s.attribute("type").equals("start")) {
        openings.add(end(number(s), "start"));
      }
    }
    if (n.has("grace")) {
      return;
    }
    XmlNode rest = n.shell().add(new XmlNode("rest"));
    n.children().stream()
        .filter(c -> !OF_A_NOTE.contains(c.name()))
        .forEach(c -> rest.add(deep(c)));
    n.children("beam").forEach(b -> rest.add(deep(b)));
    measure.add(rest);
  }

  private static XmlNode end(String number, String type) {
    return new XmlNode("slur").set("type", type).set("number", number);
  }

  private static String number(XmlNode slur) {
    return slur.attribute("number").isEmpty() ? "1" : slur.attribute("number");
  }

  /** Puts an end of a slur on a note; where its other end stands there, both go. */
  private static void slur(XmlNode note, XmlNode end) {
    for (XmlNode notations : note.children("notations")) {
      boolean met =
          notations
              .children()
              .removeIf(
                  s ->
                      s.is("slur")
                          && number(s).equals(number(end))
                          && !s.attribute("type").equals(end.attribute("type")));
      if (met) {
        return;
      }
    }
    XmlNode notations =
        note.child("notations")
            .orElseGet(
                () -> {
                  XmlNode made = new XmlNode("notations");
                  int at = note.children().size();
                  while (at > 0 && note.children().get(at - 1).is("lyric")) {
                    at--;
                  }
                  note.children().add(at, made);
                  return made;
                });
    notations.add(deep(end));
  }

  /** Beams do not run over a rest that was a note: each is parted there. */
  private static void beams(XmlNode measure) {
    Set<String> voices = new TreeSet<>();
    measure.children("note").forEach(n -> voices.add(n.textOf("voice")));
    for (String voice : voices) {
      for (String level : List.of("1", "2", "3")) {
        List<XmlNode> run = new ArrayList<>();
        for (XmlNode n : measure.children("note")) {
          if (!n.textOf("voice").equals(voice) || n.has("chord") || n.has("grace")) {
            continue;
          }
          Optional<XmlNode> beam =
              n.children("beam").stream()
                  .filter(b -> b.attribute("number").equals(level))
                  .findFirst();
          boolean ends = beam.isEmpty() || n.has("rest") || beam.get().text().equals("begin");
          if (ends) {
            close(run, level);
          }
          if (beam.isPresent() && !n.has("rest") && !beam.get().text().endsWith("hook")) {
            run.add(n);
            if (beam.get().text().equals("end")) {
              close(run, level);
            }
          }
        }
        close(run, level);
      }
    }
    measure.children("note").stream()
        .filter(n -> n.has("rest"))
        .forEach(n -> n.children().removeIf(c -> c.is("beam")));
  }

  private static void close(List<XmlNode> run, String level) {
    for (int i = 0; i < run.size(); i++) {
      XmlNode n = run.get(i);
      if (run.size() == 1) {
        n.children().removeIf(c -> c.is("beam") && c.attribute("number").equals(level));
      } else {
        String word = i == 0 ? "begin" : i == run.size() - 1 ? "end" : "continue";
        n.children("beam").stream()
            .filter(b -> b.attribute("number").equals(level))
            .forEach(b -> b.text(word));
      }
    }
    run.clear();
  }
}
