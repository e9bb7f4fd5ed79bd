package sempre.formats.midi;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import sempre.core.Deadline;
import sempre.core.Limit;
import sempre.core.Refusal;
import sempre.core.pitch.KeySignature;

/**
 * What a MIDI file holds.
 *
 * @param tracks those with notes, in the order of the file; drums are none
 * @param meters beats and unit by the quarter from which they hold
 * @param keys signatures by the quarter from which they hold; none where the file says none
 * @param tempo the first, in quarters a minute; empty where the file says none
 */
record Performance(
    List<Voice> tracks,
    NavigableMap<Double, Meter> meters,
    NavigableMap<Double, KeySignature> keys,
    Optional<Integer> tempo) {
  /** Notes of one track, in the order in which they begin, lower ones first. */
  record Voice(String name, List<Sounding> notes) {}

  /** A time signature. */
  record Meter(int beats, int unit) {
    double quarters() {
      return 4.0 * beats / unit;
    }
  }

  private static final int DRUMS = 9;
  private static final int QUARTERS_A_BAR = 4;

  /** More changes of metre or key than this are no music's. */
  private static final int MOST_CHANGES = 500;

  private static final double MINUTE_MICROS = 60_000_000;

  /** Files by the clock of film are taken as if a second were two quarters. */
  private static final double QUARTERS_A_SECOND = 2;

  /**
   * Reads a file.
   *
   * @throws Refusal where it is none, or holds no note
   */
  static Performance of(byte[] file) {
    Sequence sequence;
    try {
      sequence = MidiSystem.getSequence(new ByteArrayInputStream(file));
    } catch (InvalidMidiDataException | IOException | RuntimeException e) {
      throw new Refusal(sempre.core.Saying.of("midi.broken"), e);
    }
    double quarter =
        sequence.getDivisionType() == Sequence.PPQ
            ? sequence.getResolution()
            : sequence.getDivisionType() * sequence.getResolution() / QUARTERS_A_SECOND;
    if (quarter <= 0) {
      throw new Refusal("midi.broken");
    }
    Reading reading = new Reading(quarter);
    for (Track t : sequence.getTracks()) {
      reading.track(t);
    }
    if (reading.voices.isEmpty()) {
      throw new Refusal("midi.no-notes");
    }
    return new Performance(
        List.copyOf(reading.voices), reading.meters, reading.keys, reading.tempo);
  }

  /** What is gathered of a file while it is read. */
  private static final class Reading {
    private final double quarter;
    private final List<Voice> voices = new ArrayList<>();
    private final NavigableMap<Double, Meter> meters = new TreeMap<>();
    private final NavigableMap<Double, KeySignature> keys = new TreeMap<>();
    private Optional<Integer> tempo = Optional.empty();
    private long notes;

    Reading(double quarter) {
      this.quarter = quarter;
    }

    void track(Track track) {
      String name = "";
      Map<Integer, List<Sounding>> byChannel = new LinkedHashMap<>();
      Map<Integer, Long> open = new HashMap<>();
      for (int i = 0; i < track.size(); i++) {
        Deadline.check();
        MidiEvent e = track.get(i);
        MidiMessage m = e.getMessage();
        if (m instanceof MetaMessage meta) {
          if (meta.getType() == MidiWriter.NAME && name.isEmpty()) {
            name = text(meta.getData());
          }
          meta(e.getTick() / quarter, meta);
        } else if (m instanceof ShortMessage s && s.getChannel() != DRUMS) {
          note(e.getTick(), s, open, byChannel);
        }
      }
      for (List<Sounding> of : byChannel.values()) {
        of.sort(
            java.util.Comparator.comparingDouble(Sounding::onset).thenComparing(Sounding::midi));
        voices.add(new Voice(name, List.copyOf(of)));
      }
    }

    private void note(
        long tick, ShortMessage s, Map<Integer, Long> open, Map<Integer, List<Sounding>> into) {
      int key = s.getChannel() * 128 + s.getData1();
      boolean on = s.getCommand() == ShortMessage.NOTE_ON && s.getData2() > 0;
      boolean off =
          s.getCommand() == ShortMessage.NOTE_OFF || s.getCommand() == ShortMessage.NOTE_ON;
      if (off && open.containsKey(key)) {
        long from = open.remove(key);
        if (tick > from) {
          Limit.NOTES.check(++notes);
          Limit.BARS.check(Math.round(tick / quarter / QUARTERS_A_BAR));
          into.computeIfAbsent(s.getChannel(), c -> new ArrayList<>())
              .add(new Sounding(from / quarter, tick / quarter, s.getData1()));
        }
      }
      if (on) {
        open.put(key, tick);
      }
    }

    private void meta(double at, MetaMessage m) {
      byte[] d = m.getData();
      if (m.getType() == MidiWriter.METER && d.length >= 2 && d[0] > 0 && d[0] <= 32) {
        if (d[1] >= 0 && d[1] <= 5 && meters.size() < MOST_CHANGES) {
          meters.put(at, new Meter(d[0], 1 << d[1]));
        }
      } else if (m.getType() == MidiWriter.KEY
          && d.length >= 1
          && Math.abs(d[0]) <= 7
          && keys.size() < MOST_CHANGES) {
        keys.put(at, new KeySignature(d[0]));
      } else if (m.getType() == MidiWriter.TEMPO && d.length >= 3 && tempo.isEmpty()) {
        int micros = (d[0] & 0xff) << 16 | (d[1] & 0xff) << 8 | d[2] & 0xff;
        int quarters = micros == 0 ? 0 : (int) Math.round(MINUTE_MICROS / micros);
        if (quarters >= 20 && quarters <= 400) {
          tempo = Optional.of(quarters);
        }
      }
    }

    /** Names are Latin 1 by the standard; many programs write UTF-8. */
    private static String text(byte[] data) {
      String utf = new String(data, StandardCharsets.UTF_8);
      return (utf.contains("\uFFFD") ? new String(data, StandardCharsets.ISO_8859_1) : utf)
          .replaceAll("[\\p{Cntrl}\"%]", " ")
          .strip();
    }
  }
}
