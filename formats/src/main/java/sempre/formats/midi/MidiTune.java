package sempre.formats.midi;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import sempre.core.Deadline;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Spelling;
import sempre.core.pitch.Transposition;
import sempre.formats.abc.ExerciseText;
import sempre.formats.abc.LetterLine;
import sempre.formats.midi.Performance.Meter;
import sempre.formats.midi.Performance.Voice;
import sempre.formats.midi.Quantised.Struck;

/**
 * A MIDI file as a tune that can be typed: brought onto a grid, taken apart into lines, spelled, in
 * the metre and key that the file says or that its notes show. What it got wrong is put right where
 * it stands.
 */
public final class MidiTune {
  private static final int MIDDLE_C = 60;
  private static final Meter COMMON = new Meter(4, 4);

  /**
   * Who plays a track.
   *
   * @param clef {@code treble} or {@code bass}
   */
  public record Player(String name, Transposition transposition, String clef) {}

  private final Performance file;
  private final Function<String, Optional<Player>> players;
  private final Map<Voice, List<List<Struck>>> lines = new HashMap<>();
  private final NavigableMap<Integer, KeySignature> keys = new TreeMap<>();
  private final Map<Integer, Map<Integer, Pitch>> spelled = new HashMap<>();

  private MidiTune(Performance file, Function<String, Optional<Player>> players) {
    this.file = file;
    this.players = players;
  }

  /**
   * Reads a file.
   *
   * @param title what stands over it
   * @param players who plays a track of a name; empty where nobody is known, then it stands as it
   *     sounds
   * @return a tune of ABC with a voice for each line
   * @throws sempre.core.Refusal where it is no MIDI file, or holds no note
   */
  public static String of(byte[] midi, String title, Function<String, Optional<Player>> players) {
    return new MidiTune(Performance.of(midi), players).text(title);
  }

  private String text(String title) {
    for (Voice v : file.tracks()) {
      lines.put(v, Quantised.lines(v.notes()));
    }
    spell();
    Meter first = file.meters().isEmpty() ? COMMON : file.meters().firstEntry().getValue();
    StringBuilder all =
        new StringBuilder("X:1\nT:")
            .append(title.replaceAll("[\\r\\n%]+", " ").strip())
            .append("\nM:")
            .append(first.beats())
            .append('/')
            .append(first.unit())
            .append('\n');
    file.tempo().ifPresent(t -> all.append("Q:1/4=").append(t).append('\n'));
    all.append("K:none\n");
    int n = 0;
    int end = end();
    for (Voice v : file.tracks()) {
      for (List<Struck> line : lines.get(v)) {
        all.append(voice(++n, v, line, end));
      }
    }
    return all.toString();
  }

  /** Where the last bar ends, in ticks. */
  private int end() {
    int last =
        lines.values().stream()
            .flatMap(List::stream)
            .flatMap(List::stream)
            .mapToInt(s -> s.onset() + s.ticks())
            .max()
            .orElse(0);
    List<LetterLine.Frame> frames = frames(Transposition.CONCERT);
    LetterLine.Frame f = frames.get(frames.size() - 1);
    int over = (last - f.from()) % f.bar();
    return over == 0 ? last : last + f.bar() - over;
  }

  /** Spells all tracks together, as they sound together. */
  private void spell() {
    record At(int onset, int midi) {}
    List<At> notes = new ArrayList<>();
    for (List<List<Struck>> of : lines.values()) {
      for (List<Struck> line : of) {
        line.forEach(s -> s.midi().forEach(m -> notes.add(new At(s.onset(), m))));
      }
    }
    notes.sort(Comparator.comparingInt(At::onset).thenComparing(At::midi));
    file.keys().forEach((at, key) -> keys.put((int) Math.round(at * LetterLine.QUARTER), key));
    List<KeySignature> said =
        keys.isEmpty()
            ? List.of()
            : notes.stream()
                .map(n -> Optional.ofNullable(keys.floorEntry(n.onset())).orElse(keys.firstEntry()))
                .map(Map.Entry::getValue)
                .toList();
    List<Pitch> names = Spelling.of(notes.stream().map(At::midi).toList(), said);
    for (int i = 0; i < names.size(); i++) {
      spelled
          .computeIfAbsent(notes.get(i).onset(), o -> new HashMap<>())
          .put(notes.get(i).midi(), names.get(i));
    }
    if (keys.isEmpty()) {
      keys.put(0, Spelling.signature(names));
    }
  }

  /** Metres and keys from where they hold; a change inside a bar waits for its end. */
  private List<LetterLine.Frame> frames(Transposition to) {
    NavigableMap<Integer, Meter> meters = new TreeMap<>();
    file.meters().forEach((at, m) -> meters.put((int) Math.round(at * LetterLine.QUARTER), m));
    Meter meter = meters.isEmpty() ? COMMON : meters.firstEntry().getValue();
    KeySignature key = keys.firstEntry().getValue();
    List<LetterLine.Frame> all = new ArrayList<>();
    all.add(frame(0, meter, key, to, "", true));
    TreeMap<Integer, Boolean> changes = new TreeMap<>();
    meters.keySet().forEach(at -> changes.put(at, true));
    keys.keySet().forEach(at -> changes.put(at, true));
    for (int at : changes.tailMap(1).keySet()) {
      LetterLine.Frame before = all.get(all.size() - 1);
      int over = Math.floorMod(at - before.from(), before.bar());
      int from = over == 0 ? at : at + before.bar() - over;
      Meter m = meters.floorEntry(at) == null ? meter : meters.floorEntry(at).getValue();
      KeySignature k = keys.floorEntry(at) == null ? key : keys.floorEntry(at).getValue();
      if (m.equals(meter) && k.equals(key)) {
        continue;
      }
      String said = m.equals(meter) ? "" : "[M:" + m.beats() + "/" + m.unit() + "] ";
      if (from == before.from()) {
        all.remove(all.size() - 1);
      }
      all.add(frame(from, m, k, to, said, !k.equals(key)));
      meter = m;
      key = k;
    }
    return all;
  }

  private static LetterLine.Frame frame(
      int from, Meter m, KeySignature sounding, Transposition to, String said, boolean keySaid) {
    KeySignature key = sounding.plus(-to.fifths());
    String fields = said + (keySaid ? "[K:" + ExerciseText.key(key) + "] " : "");
    int bar = (int) Math.round(m.quarters() * LetterLine.QUARTER);
    return new LetterLine.Frame(from, bar, key, fields);
  }

  private String voice(int number, Voice v, List<Struck> line, int end) {
    Optional<Player> player = players.apply(v.name());
    Transposition to = player.map(Player::transposition).orElse(Transposition.CONCERT);
    String clef = player.map(Player::clef).orElseGet(() -> clef(line));
    List<LetterLine.Frame> frames = frames(to);
    List<LetterLine.Event> events = new ArrayList<>();
    int at = 0;
    for (Struck s : line) {
      Deadline.check();
      if (s.onset() > at) {
        events.add(LetterLine.Event.rest(s.onset() - at));
      }
      List<Pitch> pitches =
          s.midi().stream()
              .map(m -> written(spelled.get(s.onset()).get(m), s.onset(), to))
              .toList();
      events.add(new LetterLine.Event(pitches, s.ticks(), false, ""));
      at = s.onset() + s.ticks();
    }
    if (end > at) {
      events.add(LetterLine.Event.rest(end - at));
    }
    String name = player.map(Player::name).orElse(v.name());
    return "V:%d name=\"%s\" clef=%s%s\n%s\n"
        .formatted(
            number,
            name,
            clef,
            to.semitones() == 0 ? "" : " transpose=" + to.semitones(),
            LetterLine.of(events, frames));
  }

  private Pitch written(Pitch sounding, int onset, Transposition to) {
    KeySignature key =
        Optional.ofNullable(keys.floorEntry(onset)).orElse(keys.firstEntry()).getValue();
    return sempre.core.score.Part.moved(
        sounding, key, new Transposition(-to.letters(), -to.semitones()));
  }

  private static String clef(List<Struck> line) {
    double middle =
        line.stream().flatMap(s -> s.midi().stream()).mapToInt(m -> m).average().orElse(MIDDLE_C);
    return middle < MIDDLE_C ? "bass" : "treble";
  }
}
