package sempre.formats.midi;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import sempre.core.Deadline;
import sempre.core.instrument.Instrument;
import sempre.core.score.Bar;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Part;
import sempre.core.score.Played;
import sempre.core.score.Score;

/**
 * Writes a score as a standard MIDI file of several tracks, as it sounds: repeats and endings are
 * played out, each part has a track of its own with the sound of its instrument (General MIDI
 * System Level 1, published by the MIDI Association).
 */
public final class MidiWriter {
  static final int TEMPO = 0x51;
  static final int METER = 0x58;
  static final int KEY = 0x59;
  static final int NAME = 0x03;

  private static final int QUARTER = 480;
  private static final int GRACE = QUARTER / 8;
  private static final int DRUMS = 9;
  private static final int CHANNELS = 16;

  /** What nobody is known to play sounds as a piano. */
  private static final int PIANO = 0;

  private MidiWriter() {}

  /**
   * Writes a score.
   *
   * @param instrumentOf the instrument that plays a part, where it is known
   */
  public static byte[] write(Score score, Function<Part, Optional<Instrument>> instrumentOf) {
    try {
      Sequence all = new Sequence(Sequence.PPQ, QUARTER);
      conductor(all.createTrack(), score);
      int channel = 0;
      for (Part p : score.parts()) {
        Track track = all.createTrack();
        add(track, 0, meta(NAME, p.name().getBytes(StandardCharsets.UTF_8)));
        Optional<Instrument> played = instrumentOf.apply(p);
        boolean drums = played.filter(i -> i.midi().isEmpty()).isPresent();
        int program = played.map(i -> i.midi().orElse(PIANO)).orElse(PIANO);
        int own = drums ? DRUMS : channel;
        add(track, 0, new ShortMessage(ShortMessage.PROGRAM_CHANGE, own, program, 0));
        for (Line l : p.lines()) {
          line(track, own, p, l);
        }
        if (!drums) {
          channel = (channel + 1) % CHANNELS;
          channel = channel == DRUMS ? channel + 1 : channel;
        }
      }
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      MidiSystem.write(all, 1, out);
      return out.toByteArray();
    } catch (InvalidMidiDataException e) {
      throw new IllegalStateException(e);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static MetaMessage meta(int type, byte[] data) throws InvalidMidiDataException {
    return new MetaMessage(type, data, data.length);
  }

  private static void add(Track track, double quarters, MidiMessage m) {
    track.add(new MidiEvent(m, Math.round(quarters * QUARTER)));
  }

  /** What is played on end; one stretch where the page is played as it is printed. */
  private static List<Played.Stretch> stretches(Part p) {
    List<Bar> bars = p.bars();
    if (!p.played().stretches().isEmpty() || bars.isEmpty()) {
      return p.played().stretches();
    }
    Bar last = bars.get(bars.size() - 1);
    return List.of(new Played.Stretch(0, bars.size() - 1, 0, last.start() + last.quarters()));
  }

  private static void conductor(Track track, Score score) throws InvalidMidiDataException {
    add(track, 0, meta(NAME, score.title().getBytes(StandardCharsets.UTF_8)));
    if (score.parts().isEmpty()) {
      return;
    }
    Part first = score.parts().get(0);
    double at = 0;
    Bar before = null;
    for (Played.Stretch s : stretches(first)) {
      for (Bar b : first.bars().subList(s.from(), s.to() + 1)) {
        double here = at + b.start() - s.start();
        if (before == null || before.beats() != b.beats() || before.beatType() != b.beatType()) {
          int power = Integer.numberOfTrailingZeros(Math.max(1, b.beatType()));
          add(track, here, meta(METER, new byte[] {(byte) b.beats(), (byte) power, 24, 8}));
        }
        if (before == null || !before.key().equals(b.key())) {
          int sounding = b.key().plus(first.transposition().fifths()).fifths();
          add(track, here, meta(KEY, new byte[] {(byte) sounding, 0}));
        }
        before = b;
      }
      at += s.quarters();
    }
    tempi(track, score);
  }

  private static void tempi(Track track, Score score) throws InvalidMidiDataException {
    Part p =
        score.parts().stream()
            .filter(x -> x.topLine().isPresent())
            .findFirst()
            .orElse(score.parts().get(0));
    if (p.topLine().isEmpty()) {
      return;
    }
    double at = 0;
    double before = 0;
    for (Played.Stretch s : stretches(p)) {
      for (Bar b : p.bars().subList(s.from(), s.to() + 1)) {
        Deadline.check();
        double tempo = p.topLine().get().tempi().at(b.start());
        if (tempo != before) {
          int micros = (int) Math.round(60_000_000 / tempo);
          add(
              track,
              at + b.start() - s.start(),
              meta(TEMPO, new byte[] {(byte) (micros >> 16), (byte) (micros >> 8), (byte) micros}));
          before = tempo;
        }
      }
      at += s.quarters();
    }
  }

  private static void line(Track track, int channel, Part p, Line l)
      throws InvalidMidiDataException {
    double at = 0;
    List<Played.Stretch> stretches = stretches(p);
    for (int i = 0; i < stretches.size(); i++) {
      Played.Stretch s = stretches.get(i);
      for (Note n : l.notes()) {
        Deadline.check();
        if (n.onset() < s.start() || n.onset() >= s.start() + s.quarters()) {
          continue;
        }
        double from = at + n.onset() - s.start();
        double to = from + n.quarters();
        if (i + 1 < stretches.size() && n.end() > s.start() + s.quarters() - 0.01) {
          // where a sign leads away, only what is tied over it sounds on
          to = at + s.quarters() + l.played().holds(n.id(), stretches.get(i + 1).from());
        }
        if (n.grace()) {
          to = Math.max(from, 1.0 * GRACE / QUARTER);
          from = to - 1.0 * GRACE / QUARTER;
        }
        int midi = p.transposition().sounding(n.pitch()).midi();
        if (midi < 0 || midi > 127) {
          continue;
        }
        add(track, from, new ShortMessage(ShortMessage.NOTE_ON, channel, midi, loud(n)));
        add(track, to, new ShortMessage(ShortMessage.NOTE_OFF, channel, midi, 0));
      }
      at += s.quarters();
    }
  }

  /** From 40 for the softest to 110 for the loudest. */
  private static int loud(Note n) {
    return 40 + 14 * n.dynamic().ordinal();
  }
}
