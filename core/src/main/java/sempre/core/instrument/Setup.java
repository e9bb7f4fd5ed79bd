package sempre.core.instrument;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import sempre.core.Deadline;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.pitch.Pitch;

/**
 * One particular instrument: the kind, with its options chosen. Holds every concrete fingering of
 * it under a number, and what is computed once and looked up afterwards.
 */
public final class Setup {
  private final Instrument instrument;
  private final Map<String, String> options;
  private final Pitch lowest;
  private final Pitch highest;
  private static final int MIDI_NOTES = 128;

  private final List<List<Way>> waysByMidi = new ArrayList<>();

  /** The same, and behind them what is for trills only. */
  private final List<List<Way>> everyWayByMidi = new ArrayList<>();

  private final Map<Held, List<Pitch>> notesByHolds = new HashMap<>();
  private final Map<Class<?>, Object> derived = new ConcurrentHashMap<>();

  /**
   * One concrete fingering of one note.
   *
   * @param number unique in its set-up, rising from 0
   * @param entry what the catalogue says
   * @param fingering the controls held, choices and free controls resolved
   * @param bare the same without free controls
   * @param held free controls among them
   * @param hand what the hand holds before and after the note: the same without what is only
   *     touched
   * @param shape the plain fingering without what is only touched: two ways of one shape are one
   *     for the hand
   */
  public record Way(
      int number,
      Entry entry,
      Fingering fingering,
      Fingering bare,
      List<Hold> held,
      Fingering hand,
      String shape) {
    /** Whether it takes the first of every choice of equivalents. */
    public boolean first() {
      return bare.equals(entry.pattern().plain());
    }
  }

  /**
   * What is held, as bits by the order of the controls: found much faster than by the text of the
   * fingering, which matters where every hold between two fingerings is looked up.
   */
  private record Held(long full, long half, long raised, long lowered) {
    static Held of(Collection<Hold> holds) {
      long[] bits = new long[Hold.Way.values().length];
      for (Hold h : holds) {
        bits[h.way().ordinal()] |= 1L << h.control().order();
      }
      return new Held(
          bits[Hold.Way.FULL.ordinal()],
          bits[Hold.Way.HALF.ordinal()],
          bits[Hold.Way.RAISED.ordinal()],
          bits[Hold.Way.LOWERED.ordinal()]);
    }
  }

  private Setup(Instrument instrument, Map<String, String> options) {
    this.instrument = instrument;
    this.options = java.util.Collections.unmodifiableMap(options);
    this.lowest = standards().stream().min(Pitch::compareTo).orElse(instrument.lowest());
    this.highest = standards().stream().max(Pitch::compareTo).orElse(instrument.highest());
    if (instrument.keywork().controls().size() > Long.SIZE) {
      throw new CatalogueException(
          instrument.id(),
          List.of(Saying.of("error.other", "text", "more than " + Long.SIZE + " controls")));
    }
    for (int m = 0; m < MIDI_NOTES; m++) {
      waysByMidi.add(new ArrayList<>());
    }
    int number = 0;
    for (Entry e : instrument.entries()) {
      if (!e.fits(options)) {
        continue;
      }
      for (Fingering f : e.pattern().expand(instrument.keywork())) {
        Set<Pitch> notes = new TreeSet<>(notesByHolds.getOrDefault(Held.of(f.holds()), List.of()));
        notes.add(e.written());
        notesByHolds.put(Held.of(f.holds()), List.copyOf(notes));
        List<Hold> held = e.pattern().free().stream().filter(f.holds()::contains).toList();
        waysByMidi.get(e.written().midi()).add(way(number++, e, f, held));
      }
    }
    addTrillWays(number);
  }

  /** Adds what the trills of the instrument need beside the fingerings of their notes. */
  private void addTrillWays(int first) {
    waysByMidi.forEach(ways -> everyWayByMidi.add(new ArrayList<>(ways)));
    int number = first;
    for (TrillFingering t : instrument.trills()) {
      if (t.fits(options)) {
        number = addTrillWay(t.lower(), t.from(), t, number);
        number = addTrillWay(t.upper(), t.to(), t, number);
      }
    }
  }

  private int addTrillWay(Pitch written, Fingering f, TrillFingering t, int number) {
    List<Way> ways = everyWayByMidi.get(written.midi());
    if (ways.stream().anyMatch(w -> w.fingering().equals(f) || w.bare().equals(f))) {
      return number;
    }
    Entry e = Entry.forTrills(written, instrument.keywork().pattern(f.text()), t);
    ways.add(way(number, e, f, List.of()));
    return number + 1;
  }

  private Way way(int number, Entry e, Fingering f, List<Hold> held) {
    Fingering plain = without(e.pattern().plain(), e.touched());
    return new Way(number, e, f, without(f, held), held, without(f, e.touched()), plain.text());
  }

  private Fingering without(Fingering f, List<Hold> some) {
    return some.isEmpty()
        ? f
        : instrument
            .keywork()
            .fingering(f.holds().stream().filter(h -> !some.contains(h)).toList());
  }

  /**
   * A new set-up of an instrument; {@link Catalogue#setup} keeps those of its own.
   *
   * @throws Refusal when an option or value is unknown
   */
  public static Setup of(Instrument instrument, Map<String, String> chosen) {
    return new Setup(instrument, new LinkedHashMap<>(instrument.optionsWith(chosen)));
  }

  /**
   * A new set-up of an instrument as a house plays it.
   *
   * @throws Refusal when an option or value is unknown
   */
  public static Setup of(Instrument instrument, Map<String, String> chosen, House house) {
    Map<String, String> options = new LinkedHashMap<>(instrument.optionsWith(chosen));
    return new Setup(house.applied(instrument, options), options);
  }

  public Instrument instrument() {
    return instrument;
  }

  public Map<String, String> options() {
    return options;
  }

  /** Every way to play a written note, catalogue order; empty when it is out of range. */
  public List<Way> ways(Pitch written) {
    return ways(written.midi());
  }

  /** Every way to play the written note of a MIDI number; empty when it is out of range. */
  public List<Way> ways(int midi) {
    // what takes long asks for ways again and again
    Deadline.check();
    return midi < 0 || midi >= MIDI_NOTES
        ? List.of()
        : java.util.Collections.unmodifiableList(waysByMidi.get(midi));
  }

  /** The same as {@link #ways(int)}, and behind them what is for trills only. */
  public List<Way> everyWay(int midi) {
    return midi < 0 || midi >= MIDI_NOTES
        ? List.of()
        : java.util.Collections.unmodifiableList(everyWayByMidi.get(midi));
  }

  /**
   * Something computed from this set-up and looked up afterwards; where two ask at once, both have
   * the first.
   *
   * @param kind what it is; one of each kind is kept
   */
  public <T> T derived(Class<T> kind, Function<Setup, T> compute) {
    Object known = derived.get(kind);
    if (known == null) {
      // not inside the map: what is computed may ask for something derived itself
      T computed = compute.apply(this);
      Object first = derived.putIfAbsent(kind, computed);
      known = first == null ? computed : first;
    }
    return kind.cast(known);
  }

  /** The notes that this hold sounds, as far as the catalogue knows; rising. */
  public List<Pitch> notesOf(Fingering fingering) {
    return notesOf(fingering.holds());
  }

  /** The notes that these holds sound, as far as the catalogue knows; rising. */
  public List<Pitch> notesOf(Collection<Hold> holds) {
    return notesByHolds.getOrDefault(Held.of(holds), List.of());
  }

  /** Lowest note of this set-up. */
  public Pitch lowest() {
    return lowest;
  }

  /** Highest note of this set-up. */
  public Pitch highest() {
    return highest;
  }

  private List<Pitch> standards() {
    return instrument.entries().stream()
        .filter(e -> e.fits(options) && e.role() == Role.STANDARD)
        .map(Entry::written)
        .toList();
  }
}
