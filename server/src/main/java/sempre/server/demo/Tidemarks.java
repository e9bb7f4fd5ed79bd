package sempre.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;
import sempre.formats.xml.Xml;
import sempre.formats.xml.XmlNode;

/**
 * The demo's method book: one concert line an exercise, written out for each instrument as
 * MusicXML.
 */
final class Tidemarks {
  private static final int DIVISIONS = 4;

  /** Octaves from the line as the trumpet sounds to where first-year players meet it. */
  private static final Map<String, Integer> OCTAVES =
      Map.of("flute", 1, "alto-sax", 0, "trumpet", 0, "trombone", -1);

  private Tidemarks() {}

  /**
   * One exercise.
   *
   * @param brings what is new in it
   * @param file MusicXML with a part for each instrument
   */
  record Exercise(String number, String title, String brings, byte[] file) {}

  static List<Exercise> exercises() {
    List<Exercise> all = new ArrayList<>();
    try (InputStream in = Tidemarks.class.getResourceAsStream("/demo/tidemarks.txt")) {
      List<String> lines =
          new String(in.readAllBytes(), StandardCharsets.UTF_8)
              .lines()
              .filter(l -> !l.isBlank() && !l.startsWith("#"))
              .toList();
      for (Iterator<String> i = lines.iterator(); i.hasNext(); ) {
        String[] head = i.next().split(" ; ");
        all.add(new Exercise(head[0], head[1], head[5], write(head, i.next())));
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return all;
  }

  private static byte[] write(String[] head, String line) {
    XmlNode root = new XmlNode("score-partwise").set("version", "4.0");
    root.add(new XmlNode("work").add(XmlNode.of("work-title", head[1])));
    XmlNode list = new XmlNode("part-list");
    root.add(list);
    int p = 0;
    for (String id : List.of("flute", "alto-sax", "trumpet", "trombone")) {
      p++;
      Instrument instrument = Catalogue.standard().instrument(id);
      list.add(
          new XmlNode("score-part")
              .set("id", "P" + p)
              .add(XmlNode.of("part-name", shortName(instrument))));
      root.add(part("P" + p, instrument, head, line));
    }
    return Xml.write(root);
  }

  private static String shortName(Instrument i) {
    return i.name().replace("saxophone", "Sax");
  }

  private static XmlNode part(String id, Instrument instrument, String[] head, String line) {
    KeySignature concert = new KeySignature(Integer.parseInt(head[2]));
    Transposition t = instrument.transposition();
    KeySignature key = concert.plus(-t.fifths());
    int octaves = OCTAVES.get(instrument.id());
    String[] time = head[3].split("/");
    XmlNode part = new XmlNode("part").set("id", id);
    int number = 0;
    for (String bar : line.split("\\|")) {
      number++;
      XmlNode measure = new XmlNode("measure").set("number", String.valueOf(number));
      if (number == 1) {
        measure.add(attributes(instrument, key, time));
        measure.add(tempo(head[4]));
      }
      notes(measure, bar, instrument, key, octaves);
      part.add(measure);
    }
    return part;
  }

  private static XmlNode attributes(Instrument instrument, KeySignature key, String[] time) {
    XmlNode a =
        new XmlNode("attributes")
            .add(XmlNode.of("divisions", DIVISIONS))
            .add(new XmlNode("key").add(XmlNode.of("fifths", key.fifths())))
            .add(
                new XmlNode("time")
                    .add(XmlNode.of("beats", time[0]))
                    .add(XmlNode.of("beat-type", time[1])));
    boolean bass = instrument.clef().equals("bass");
    a.add(
        new XmlNode("clef")
            .add(XmlNode.of("sign", bass ? "F" : "G"))
            .add(XmlNode.of("line", bass ? 4 : 2)));
    Transposition t = instrument.transposition();
    if (t.semitones() != 0) {
      a.add(
          new XmlNode("transpose")
              .add(XmlNode.of("diatonic", t.letters()))
              .add(XmlNode.of("chromatic", t.semitones())));
    }
    return a;
  }

  private static XmlNode tempo(String quarters) {
    XmlNode metronome =
        new XmlNode("metronome")
            .add(XmlNode.of("beat-unit", "quarter"))
            .add(XmlNode.of("per-minute", quarters));
    return new XmlNode("direction")
        .set("placement", "above")
        .add(new XmlNode("direction-type").add(metronome))
        .add(new XmlNode("sound").set("tempo", quarters));
  }

  private static void notes(
      XmlNode measure, String bar, Instrument instrument, KeySignature key, int octaves) {
    Map<String, Integer> inBar = new java.util.HashMap<>();
    String[] words = bar.strip().split("\\s+");
    boolean open = false;
    double at = 0;
    String beam = "";
    for (int i = 0; i < words.length; i++) {
      String word = words[i];
      if (word.startsWith("!")) {
        measure.add(
            new XmlNode("direction")
                .set("placement", "below")
                .add(
                    new XmlNode("direction-type")
                        .add(new XmlNode("dynamics").add(new XmlNode(word.substring(1))))));
      } else if (word.equals("(")) {
        open = true;
      } else if (!word.equals(")")) {
        String[] parts = word.split("/");
        int value = Integer.parseInt(parts[1]);
        boolean closes = i + 1 < words.length && words[i + 1].equals(")");
        XmlNode note = new XmlNode("note");
        if (parts[0].equals("r")) {
          note.add(new XmlNode("rest"));
        } else {
          pitch(note, parts[0], instrument, octaves);
        }
        note.add(XmlNode.of("duration", DIVISIONS * 4 / value)).add(XmlNode.of("voice", 1));
        note.add(XmlNode.of("type", type(value)));
        if (!parts[0].equals("r")) {
          accidental(note, key, inBar);
          beam = beam(note, value, at, words, i, beam);
        }
        slur(note, open, closes);
        open = false;
        measure.add(note);
        at += 4.0 / value;
      }
    }
  }

  private static void pitch(XmlNode note, String concert, Instrument instrument, int octaves) {
    Pitch p =
        instrument.transposition().written(Pitch.parse(concert).plus(7 * octaves, 12 * octaves));
    XmlNode pitch = new XmlNode("pitch").add(XmlNode.of("step", p.letter()));
    if (p.alter() != 0) {
      pitch.add(XmlNode.of("alter", p.alter()));
    }
    note.add(pitch.add(XmlNode.of("octave", p.octave())));
  }

  private static void accidental(XmlNode note, KeySignature key, Map<String, Integer> inBar) {
    XmlNode p = note.child("pitch").orElseThrow();
    String place = p.textOf("step") + p.textOf("octave");
    int alter = p.has("alter") ? Integer.parseInt(p.textOf("alter")) : 0;
    int inForce =
        inBar.getOrDefault(place, key.alterOf(sempre.core.pitch.Letter.valueOf(p.textOf("step"))));
    inBar.put(place, alter);
    if (inForce != alter) {
      note.add(XmlNode.of("accidental", alter == 0 ? "natural" : alter < 0 ? "flat" : "sharp"));
    }
  }

  /** Beams eighths and sixteenths within the quarter. */
  private static String beam(
      XmlNode note, int value, double at, String[] words, int i, String open) {
    if (value < 8) {
      return "";
    }
    boolean last = Math.abs((at + 4.0 / value) - Math.rint(at + 4.0 / value)) < 1e-9;
    boolean nextShort = false;
    for (int j = i + 1; j < words.length; j++) {
      if (words[j].contains("/")) {
        nextShort = Integer.parseInt(words[j].split("/")[1]) >= 8 && !words[j].startsWith("r");
        break;
      }
    }
    String state =
        last || !nextShort ? (open.isEmpty() ? "" : "end") : open.isEmpty() ? "begin" : "continue";
    if (!state.isEmpty()) {
      note.add(XmlNode.of("beam", state).set("number", "1"));
      if (value == 16) {
        note.add(XmlNode.of("beam", state).set("number", "2"));
      }
    }
    return state.equals("end") || state.isEmpty() ? "" : "open";
  }

  private static void slur(XmlNode note, boolean opens, boolean closes) {
    if (opens || closes) {
      note.add(
          new XmlNode("notations")
              .add(new XmlNode("slur").set("type", opens ? "start" : "stop").set("number", "1")));
    }
  }

  private static String type(int value) {
    return switch (value) {
      case 1 -> "whole";
      case 2 -> "half";
      case 4 -> "quarter";
      case 8 -> "eighth";
      default -> "16th";
    };
  }
}
