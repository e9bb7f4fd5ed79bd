package sempre.formats.musicxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import sempre.core.Deadline;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;
import sempre.core.score.Bar;
import sempre.core.score.Chord;
import sempre.core.score.Line;
import sempre.core.score.Manner;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.score.Played;
import sempre.core.score.Tempi;
import sempre.formats.UnreadableException;
import sempre.formats.xml.XmlNode;

/** Reads one part, bar by bar. */
final class PartReader {
  /** A note as it stands in the file, before ties and chords are joined. */
  private record Raw(
      XmlNode node,
      int bar,
      double offset,
      double quarters,
      Pitch pitch,
      boolean chord,
      boolean grace,
      KeySignature key,
      int beatType) {}

  private record Heard(int bar, double offset, XmlNode harmony) {}

  private record BarData(
      String number, double quarters, KeySignature key, int beats, int beatType, XmlNode node) {}

  private static final int SHOWN = 40;

  private final String id;
  private final String name;
  private final boolean concert;
  private final boolean drums;
  private final List<BarData> bars = new ArrayList<>();
  private final TreeMap<Integer, VoiceLines<Raw>> staves = new TreeMap<>();
  private final List<Direction> directions = new ArrayList<>();
  private final List<Heard> harmonies = new ArrayList<>();
  private final List<Saying> remarks = new ArrayList<>();
  private Transposition transposition = Transposition.CONCERT;
  private boolean transpositionSeen;
  private double divisions = 1;
  private KeySignature key = KeySignature.NATURAL;
  private int beats = 4;
  private int beatType = 4;
  private int unpitched;
  private int cues;
  private int slashes;
  private int chords;

  /**
   * Reads a part.
   *
   * @param drums whether what has no pitch is read, each with the place on the staff where it
   *     stands, and not what has one
   */
  PartReader(XmlNode part, String id, String name, boolean concert, boolean drums) {
    this.drums = drums;
    this.id = id;
    this.name = name;
    this.concert = concert;
    for (XmlNode measure : part.children("measure")) {
      Deadline.check();
      String number = measure.attribute("number");
      try {
        readBar(measure, number.isEmpty() ? String.valueOf(bars.size() + 1) : number);
      } catch (UnreadableException e) {
        throw e;
      } catch (Refusal e) {
        throw new UnreadableException(
            Saying.of("file.part", "part", name, "bar", number, "why", e.saying()), e);
      }
    }
  }

  int bars() {
    return bars.size();
  }

  /** A bar as it stands in the file, where the part has so many. */
  Optional<XmlNode> measure(int bar) {
    return bar < bars.size() ? Optional.of(bars.get(bar).node()) : Optional.empty();
  }

  double length(int bar) {
    return bar < bars.size() ? bars.get(bar).quarters() : 0;
  }

  private void readBar(XmlNode measure, String number) {
    int bar = bars.size();
    double cursor = 0;
    double longest = 0;
    double chordStart = 0;
    KeySignature atStart = null;
    for (XmlNode e : measure.children()) {
      switch (e.name()) {
        case "attributes" -> {
          attributes(e);
          if (cursor == 0) {
            atStart = key;
          }
        }
        case "backup" -> cursor = Math.max(0, cursor - duration(e));
        case "forward" -> cursor += duration(e);
        case "direction", "sound" -> {
          double offset = offset(e);
          directions.add(
              new Direction(
                  bar,
                  Math.max(0, cursor + offset),
                  MusicXmlReader.integer(e.textOf("staff"), 0),
                  e));
        }
        case "note" -> {
          double length = e.has("grace") ? 0 : duration(e);
          boolean chord = e.has("chord");
          double start = chord ? chordStart : cursor;
          note(e, bar, start, length, chord);
          if (!chord) {
            chordStart = cursor;
            cursor += length;
          }
        }
        case "harmony" -> harmonies.add(new Heard(bar, cursor + offset(e), e));
        default -> {
          // print, figured bass, barlines and the like are read elsewhere or not needed
        }
      }
      longest = Math.max(longest, cursor);
    }
    double full = longest > 0 ? longest : beats * 4.0 / beatType;
    bars.add(new BarData(number, full, atStart == null ? key : atStart, beats, beatType, measure));
  }

  private void attributes(XmlNode a) {
    if (a.has("divisions")) {
      divisions = number(a.textOf("divisions"));
    }
    a.child("key")
        .ifPresent(
            k -> {
              int fifths = MusicXmlReader.integer(k.textOf("fifths"), 0);
              key = KeySignature.NATURAL.plus(fifths);
              if (!k.has("fifths") && k.has("key-step")) {
                remark(Saying.of("read.key"));
              }
            });
    a.child("time")
        .filter(t -> t.has("beats"))
        .ifPresent(
            t -> {
              // of two metres after one another a bar has both, counted in the shorter beat
              List<XmlNode> counts = t.children("beats");
              List<XmlNode> types = t.children("beat-type");
              int shortest = 0;
              double quarters = 0;
              for (int i = 0; i < Math.min(counts.size(), types.size()); i++) {
                int type = MusicXmlReader.integer(types.get(i).text(), 4);
                int sum = 0;
                for (String b : counts.get(i).text().split("\\+")) {
                  sum += MusicXmlReader.integer(b.strip(), 0);
                }
                shortest = Math.max(shortest, type);
                quarters += type > 0 ? sum * 4.0 / type : 0;
              }
              int sum = (int) Math.round(quarters * shortest / 4);
              if (sum > 0 && shortest > 0) {
                beats = sum;
                beatType = shortest;
              }
            });
    for (XmlNode t : a.children("transpose")) {
      Transposition now = MusicXmlReader.transposition(t);
      if (!transpositionSeen) {
        transposition = now;
        transpositionSeen = true;
      } else if (!now.equals(transposition)) {
        remark(Saying.of("read.transposition"));
      }
    }
  }

  private void note(XmlNode e, int bar, double start, double length, boolean chord) {
    if (e.has("cue")
        || e.child("type").filter(t -> t.attribute("size").endsWith("cue")).isPresent()) {
      cues++;
      return;
    }
    if (e.textOf("notehead").equals("slash")) {
      slashes++;
      return;
    }
    if (e.attribute("print-object").equals("no")) {
      // it is there to be heard, not to be read
      return;
    }
    if (e.has("unpitched") && !drums) {
      unpitched++;
      return;
    }
    int staff = MusicXmlReader.integer(e.textOf("staff"), 1);
    String voice = e.has("voice") ? e.textOf("voice") : "1";
    Optional<XmlNode> sounds = e.child(drums ? "unpitched" : "pitch");
    if (sounds.isEmpty()) {
      if (e.has("rest")) {
        on(staff).rest(bar, inOrder(voice), start, start + length);
      }
      return;
    }
    Pitch pitch = drums ? DrumStrokes.place(sounds.get()) : pitch(sounds.get());
    if (chord) {
      chords++;
    }
    on(staff)
        .note(
            bar,
            inOrder(voice),
            start,
            start + length,
            new Raw(e, bar, start, length, pitch, chord, e.has("grace"), key, beatType));
  }

  private Pitch pitch(XmlNode p) {
    double alter = XmlPitch.alter(p);
    if (alter != Math.rint(alter)) {
      remark(Saying.of("read.quarter-tones"));
    }
    return XmlPitch.read(p);
  }

  private VoiceLines<Raw> on(int staff) {
    return staves.computeIfAbsent(staff, s -> new VoiceLines<>());
  }

  /** A voice's name behind its number, so that 2 comes before 10. */
  private static String inOrder(String voice) {
    String number =
        voice.matches("\\d{1,4}") ? String.format("%04d", Integer.parseInt(voice)) : voice;
    return number + "/" + voice;
  }

  private double duration(XmlNode e) {
    return e.has("duration") || !e.has("type")
        ? number(e.textOf("duration")) / divisions
        : NoteLength.quarters(e);
  }

  /** How far from where it stands something is meant, in quarters. */
  private double offset(XmlNode e) {
    return MusicXmlReader.decimal(e.textOf("offset")).orElse(0) / divisions;
  }

  static double number(String text) {
    if (text.isEmpty()) {
      return 0;
    }
    return MusicXmlReader.decimal(text)
        .orElseThrow(
            () ->
                new Refusal(
                    "file.number", "typed", text.substring(0, Math.min(SHOWN, text.length()))));
  }

  private void remark(Saying saying) {
    if (!remarks.contains(saying)) {
      remarks.add(saying);
    }
  }

  /** Adds this part's tempo marks to those of the parts before it. */
  void tempi(double[] starts, TempoMarks marks) {
    marks.read(directions, starts);
  }

  /** The chords that stand over this part, as they sound. */
  List<Chord> chords(double[] starts) {
    Transposition t = page();
    return harmonies.stream()
        .map(
            h ->
                new Chord(
                    starts[h.bar()] + h.offset(), Harmonies.classes(h.harmony(), t.semitones())))
        .toList();
  }

  /** From the page to what sounds; in a concert score only octaves lie between (MusicXML 4.0). */
  private Transposition page() {
    return concert && transposition.fifths() != 0 ? Transposition.CONCERT : transposition;
  }

  /**
   * The part.
   *
   * @param order the bars of the score as they are played
   */
  Part part(double[] starts, Tempi tempi, List<Integer> order) {
    List<Bar> barList = new ArrayList<>();
    for (int b = 0; b < bars.size(); b++) {
      BarData d = bars.get(b);
      barList.add(
          new Bar(
              b,
              d.number(),
              starts[b],
              starts[b + 1] - starts[b],
              d.key(),
              d.beats(),
              d.beatType()));
    }
    List<Integer> played = order.stream().filter(b -> b < bars.size()).toList();
    Played inOrder = Played.of(barList, played);
    List<Line> lines = new ArrayList<>();
    staves.forEach(
        (staff, voices) ->
            voices
                .lines()
                .forEach(
                    (voice, list) ->
                        lines.add(
                            line(
                                staff,
                                voice.substring(voice.indexOf('/') + 1),
                                list,
                                starts,
                                tempi,
                                inOrder))));
    if (chords > 0) {
      remark(Saying.of("read.chords", "n", chords));
    }
    if (unpitched > 0) {
      remark(
          lines.isEmpty()
              ? Saying.of("read.percussion")
              : Saying.of("read.unpitched", "n", unpitched));
    }
    if (slashes > 0) {
      remark(Saying.of("read.slashes", "n", slashes));
    }
    if (cues > 0) {
      remark(Saying.of("read.cues", "n", cues));
    }
    if (lines.size() > 1) {
      remark(Saying.of("read.voices", "n", lines.size()));
    }
    if (played.size() != bars.size()) {
      remark(Saying.of("read.repeats", "played", played.size(), "written", bars.size()));
    }
    return new Part(id, name, page(), barList, lines, remarks);
  }

  private Line line(
      int staff, String voice, List<Raw> list, double[] starts, Tempi tempi, Played played) {
    Dynamics dynamics = new Dynamics(directions, staff, starts);
    Manners manners = new Manners();
    for (Direction m : directions) {
      if (m.isFor(staff)) {
        m.node().descendants("words").forEach(w -> manners.say(m.at(starts), w.text()));
      }
    }
    List<Note> notes = new ArrayList<>();
    Slurs slurs = new Slurs();
    TiesOver over = new TiesOver(played, starts);
    int i = 0;
    while (i < list.size()) {
      Raw first = list.get(i);
      Raw top = first;
      List<XmlNode> together = new ArrayList<>();
      do {
        Raw r = list.get(i);
        together.add(r.node());
        if (r.pitch().midi() > top.pitch().midi()) {
          top = r;
        }
        i++;
      } while (i < list.size() && list.get(i).chord());
      boolean slurred = slurs.goOn(together);
      boolean tied =
          Stream.concat(
                  top.node().children("tie").stream(), top.node().descendants("tied").stream())
              .anyMatch(t -> t.attribute("type").equals("stop"));
      double onset = starts[top.bar()] + top.offset();
      // the end of a first ending is not what the second goes on from
      int previous =
          tied && !over.onlyLedTo(top.bar(), onset) ? goesOn(notes, top.pitch(), onset) : -1;
      if (previous >= 0) {
        notes.set(previous, joined(notes.get(previous), top, slurred));
        continue;
      }
      if (tied && over.leads(notes, top.node(), top.pitch(), top.bar(), onset, top.quarters())) {
        continue;
      }
      notes.add(
          new Note(
              top.node().attribute("id"),
              List.of(),
              top.bar(),
              1 + top.offset() * top.beatType() / 4,
              onset,
              top.quarters(),
              top.pitch(),
              top.grace(),
              slurred,
              dynamics.at(onset, top.node()),
              tempi.at(onset),
              top.key(),
              Ornaments.of(top.node(), top.pitch(), top.key()),
              !top.node().descendants("fermata").isEmpty(),
              Ornaments.breath(top.node()),
              drums ? DrumStrokes.stick(top.node()) : FingeredFile.printed(together, top.node()),
              manners.at(onset, top.node())));
    }
    return new Line(staff, voice, notes, tempi, played.holding(over.held(notes)));
  }

  /** Which note a tie leads on from, also over grace notes; -1 where none ends here. */
  private static int goesOn(List<Note> notes, Pitch pitch, double onset) {
    for (int i = notes.size() - 1; i >= 0; i--) {
      Note n = notes.get(i);
      if (!n.grace()) {
        return n.pitch().soundsAs(pitch) && Math.abs(n.end() - onset) < 0.01 ? i : -1;
      }
    }
    return -1;
  }

  private static Note joined(Note first, Raw more, boolean slurred) {
    List<String> tied = new ArrayList<>(first.tied());
    tied.add(more.node().attribute("id"));
    return new Note(
        first.id(),
        tied,
        first.bar(),
        first.beat(),
        first.onset(),
        first.quarters() + more.quarters(),
        first.pitch(),
        first.grace(),
        slurred,
        first.dynamic(),
        first.tempo(),
        first.key(),
        first.ornament(),
        first.fermata() || !more.node().descendants("fermata").isEmpty(),
        Ornaments.breath(more.node()),
        first.printed(),
        new Manner(first.manner().sound(), Manners.glides(more.node())));
  }
}
