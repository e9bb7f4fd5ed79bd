package sempre.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;
import sempre.formats.musicxml.Accidentals;
import sempre.formats.musicxml.XmlPitch;
import sempre.formats.xml.Xml;
import sempre.formats.xml.XmlNode;

/** The demo's made-up books, written out for each instrument as MusicXML. */
final class Tidemarks {
  private static final int DIVISIONS = 4;

  /** Who reads the one line of an exercise that is not for the full band. */
  private static final List<String> BAND = List.of("flute", "alto-sax", "trumpet", "trombone");

  /** Who reads which voice of the full band: the tune, the second, the bass. */
  private static final List<List<String>> FULL =
      List.of(
          List.of("flute", "oboe", "trumpet"),
          List.of("clarinet", "alto-sax", "tenor-sax", "horn"),
          List.of("bass-clarinet", "baritone-sax", "bassoon", "trombone", "euphonium", "tuba"));

  /** In the order of a score's page (common practice, no source). */
  private static final List<String> PAGE =
      List.of(
          "flute",
          "oboe",
          "clarinet",
          "bass-clarinet",
          "bassoon",
          "alto-sax",
          "tenor-sax",
          "baritone-sax",
          "trumpet",
          "horn",
          "trombone",
          "euphonium",
          "tuba");

  /**
   * Octaves from the line as the trumpet sounds to where players meet it (common practice, no
   * source); an octave higher where the line would leave the instrument.
   */
  private static final Map<String, Integer> OCTAVES =
      Map.ofEntries(
          Map.entry("flute", 1),
          Map.entry("oboe", 1),
          Map.entry("bass-clarinet", -1),
          Map.entry("tenor-sax", -1),
          Map.entry("baritone-sax", -1),
          Map.entry("bassoon", -1),
          Map.entry("trombone", -1),
          Map.entry("euphonium", -1),
          Map.entry("tuba", -2));

  private Tidemarks() {}

  /**
   * One exercise.
   *
   * @param brings what is new in it
   * @param who {@code band}, {@code full} or the instrument it is written for
   * @param file MusicXML with a part for each instrument
   */
  record Exercise(String number, String title, String brings, String who, byte[] file) {}

  /** The method book of the bands. */
  static List<Exercise> exercises() {
    return read("tidemarks");
  }

  /** The first book of the recorder class. */
  static List<Exercise> pebbles() {
    return read("pebbles");
  }

  /** Audition etudes. */
  static List<Exercise> etudes() {
    return read("etudes");
  }

  private static List<Exercise> read(String book) {
    List<Exercise> all = new ArrayList<>();
    try (InputStream in = Tidemarks.class.getResourceAsStream("/demo/" + book + ".txt")) {
      List<String> lines =
          new String(in.readAllBytes(), StandardCharsets.UTF_8)
              .lines()
              .filter(l -> !l.isBlank() && !l.startsWith("# "))
              .toList();
      for (Iterator<String> i = lines.iterator(); i.hasNext(); ) {
        String[] head = i.next().split(" ; ");
        String who = head[6];
        List<String> voices = new ArrayList<>();
        for (int v = 0; v < (who.equals("full") ? FULL.size() : 1); v++) {
          voices.add(i.next());
        }
        all.add(new Exercise(head[0], head[1], head[5], who, write(head, who, voices)));
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return all;
  }

  private static byte[] write(String[] head, String who, List<String> voices) {
    Map<String, String> lines = new LinkedHashMap<>();
    switch (who) {
      case "band" -> BAND.forEach(id -> lines.put(id, voices.get(0)));
      case "full" ->
          PAGE.forEach(
              id -> {
                for (int v = 0; v < FULL.size(); v++) {
                  if (FULL.get(v).contains(id)) {
                    lines.put(id, voices.get(v));
                  }
                }
              });
      default -> lines.put(who, voices.get(0));
    }
    XmlNode root = new XmlNode("score-partwise").set("version", "4.0");
    root.add(new XmlNode("work").add(XmlNode.of("work-title", head[1])));
    XmlNode list = new XmlNode("part-list");
    root.add(list);
    int p = 0;
    for (Map.Entry<String, String> e : lines.entrySet()) {
      p++;
      Instrument instrument = Catalogue.standard().instrument(e.getKey());
      list.add(
          new XmlNode("score-part")
              .set("id", "P" + p)
              .add(XmlNode.of("part-name", shortName(instrument))));
      root.add(
          part("P" + p, instrument, octaves(instrument, who, e.getValue()), head, e.getValue()));
    }
    return Xml.write(root);
  }

  /** By how many octaves an instrument reads a line. */
  private static int octaves(Instrument i, String who, String line) {
    if (!List.of("band", "full").contains(who)) {
      // written as it sounds; a recorder's page lies an octave below
      return i.id().startsWith("recorder") ? 1 : 0;
    }
    int octaves = OCTAVES.getOrDefault(i.id(), 0);
    int lowest =
        Stream.of(line.split("\\s+"))
            .filter(w -> w.matches("[A-G][b#]?\\d/.*"))
            .map(w -> Pitch.parse(w.substring(0, w.indexOf('/'))))
            .map(p -> i.transposition().written(p.plus(7 * octaves, 12 * octaves)))
            .mapToInt(Pitch::midi)
            .min()
            .orElseThrow();
    return lowest < i.lowest().midi() ? octaves + 1 : octaves;
  }

  private static String shortName(Instrument i) {
    return i.name().replace("saxophone", "Sax");
  }

  private static XmlNode part(
      String id, Instrument instrument, int octaves, String[] head, String line) {
    KeySignature concert = new KeySignature(Integer.parseInt(head[2]));
    Transposition t = instrument.transposition();
    KeySignature key = concert.plus(-t.fifths());
    String[] time = head[3].split("/");
    double beat = time[1].equals("8") ? 1.5 : 1;
    boolean tied = false;
    XmlNode part = new XmlNode("part").set("id", id);
    int number = 0;
    for (String bar : line.split("\\|")) {
      number++;
      XmlNode measure = new XmlNode("measure").set("number", String.valueOf(number));
      if (number == 1) {
        measure.add(attributes(instrument, key, time));
        measure.add(tempo(head[4]));
      }
      tied = notes(measure, bar, instrument, key, octaves, beat, tied);
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

  /** One note or rest of a line: {@code Bb4/4.~} is a dotted quarter, tied to the next. */
  private record Word(String pitch, int value, boolean dotted, boolean ties) {
    static Word of(String text) {
      String[] parts = text.split("/");
      return new Word(
          parts[0],
          Integer.parseInt(parts[1].replaceAll("[.~]", "")),
          parts[1].contains("."),
          parts[1].endsWith("~"));
    }

    boolean rest() {
      return pitch.equals("r");
    }

    double quarters() {
      return (dotted ? 1.5 : 1) * 4.0 / value;
    }

    boolean beamed() {
      return !rest() && value >= 8;
    }
  }

  /** Writes a bar; tells whether its last note is tied over. */
  private static boolean notes(
      XmlNode measure,
      String bar,
      Instrument instrument,
      KeySignature key,
      int octaves,
      double beat,
      boolean tiedOver) {
    Accidentals accidentals = new Accidentals();
    accidentals.key(key);
    String[] words = bar.strip().split("\\s+");
    boolean open = false;
    boolean trilled = false;
    boolean tied = tiedOver;
    double at = 0;
    String beam = "";
    for (int i = 0; i < words.length; i++) {
      String text = words[i];
      if (text.equals("!tr")) {
        trilled = true;
      } else if (text.startsWith("!")) {
        measure.add(
            new XmlNode("direction")
                .set("placement", "below")
                .add(
                    new XmlNode("direction-type")
                        .add(new XmlNode("dynamics").add(new XmlNode(text.substring(1))))));
      } else if (text.equals("(")) {
        open = true;
      } else if (!text.equals(")")) {
        Word word = Word.of(text);
        boolean closes = i + 1 < words.length && words[i + 1].equals(")");
        XmlNode note = new XmlNode("note");
        if (word.rest()) {
          note.add(new XmlNode("rest"));
        } else {
          note.add(XmlPitch.write(pitch(word.pitch(), instrument, octaves)));
        }
        note.add(XmlNode.of("duration", Math.round(DIVISIONS * word.quarters())));
        XmlNode notations = new XmlNode("notations");
        ends(tied, word.ties(), "tie", note);
        ends(tied, word.ties(), "tied", notations);
        note.add(XmlNode.of("voice", 1)).add(XmlNode.of("type", type(word.value())));
        if (word.dotted()) {
          note.add(new XmlNode("dot"));
        }
        if (!word.rest()) {
          beam = beam(note, word, at, beat, next(words, i), beam);
        }
        ends(closes, open, "slur", notations);
        notations.children("slur").forEach(n -> n.set("number", "1"));
        if (trilled) {
          notations.add(new XmlNode("ornaments").add(new XmlNode("trill-mark")));
        }
        if (!notations.children().isEmpty()) {
          note.add(notations);
        }
        open = false;
        trilled = false;
        tied = word.ties();
        measure.add(note);
        at += word.quarters();
      }
    }
    accidentals.bar(measure);
    return tied;
  }

  private static void ends(boolean stops, boolean starts, String name, XmlNode into) {
    if (stops) {
      into.add(new XmlNode(name).set("type", "stop"));
    }
    if (starts) {
      into.add(new XmlNode(name).set("type", "start"));
    }
  }

  /** The note or rest behind a place in a bar; a rest at its end. */
  private static Word next(String[] words, int i) {
    for (int j = i + 1; j < words.length; j++) {
      if (words[j].contains("/")) {
        return Word.of(words[j]);
      }
    }
    return Word.of("r/4");
  }

  private static Pitch pitch(String concert, Instrument instrument, int octaves) {
    return instrument.transposition().written(Pitch.parse(concert).plus(7 * octaves, 12 * octaves));
  }

  /** Beams eighths and sixteenths within the beat. */
  private static String beam(
      XmlNode note, Word word, double at, double beat, Word next, String open) {
    if (!word.beamed()) {
      return "";
    }
    double end = (at + word.quarters()) / beat;
    boolean last = Math.abs(end - Math.rint(end)) < 1e-9;
    String state =
        last || !next.beamed()
            ? (open.isEmpty() ? "" : "end")
            : open.isEmpty() ? "begin" : "continue";
    if (!state.isEmpty()) {
      note.add(XmlNode.of("beam", state).set("number", "1"));
      if (word.value() == 16) {
        note.add(XmlNode.of("beam", state).set("number", "2"));
      }
    }
    return state.equals("end") || state.isEmpty() ? "" : "open";
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
