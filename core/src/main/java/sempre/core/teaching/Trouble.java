package sempre.core.teaching;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import sempre.core.Judgement.Rank;
import sempre.core.Refusal;
import sempre.core.instrument.Blown;
import sempre.core.instrument.Bore;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Letter;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

/**
 * A student fingers one note and another sounds: what may have happened, the likeliest first (see
 * {@link Rank}). Fingerings that the player does not use are not counted.
 */
public final class Trouble {
  /** So many causes are told. */
  private static final int MOST = 8;

  /** Steps on the staff from a place read in one clef to the same place in the other. */
  private static final int CLEFS_APART = 12;

  private final Player player;
  private final Setup setup;
  private final Pitch expected;
  private final Pitch heard;
  private final Map<Fault, Cause> found = new LinkedHashMap<>();

  private Trouble(Player player, Pitch expected, Pitch heard) {
    this.player = player;
    this.setup = player.setup();
    this.expected = expected;
    this.heard = heard;
  }

  /** The same for one of whom nothing is known. */
  public static List<Cause> causes(Setup setup, Pitch expected, Pitch heard) {
    return causes(Player.able(setup), expected, heard);
  }

  /**
   * The likely causes, likeliest first; empty when nothing simple explains it.
   *
   * @param player whose fingerings count: the usual ones, and those that are learned
   * @param expected the written note that was meant
   * @param heard the written note that sounded
   * @throws Refusal when both are the same, or the instrument lacks the first
   */
  public static List<Cause> causes(Player player, Pitch expected, Pitch heard) {
    Setup setup = player.setup();
    if (expected.soundsAs(heard)) {
      throw new Refusal("error.right-note", "expected", expected, "heard", heard);
    }
    if (setup.ways(expected).isEmpty()) {
      throw new Refusal(
          "error.note-outside",
          "instrument",
          setup.instrument(),
          "note",
          expected,
          "from",
          setup.lowest(),
          "to",
          setup.highest());
    }
    return new Trouble(player, expected, heard).causes();
  }

  /** What can be wrong with a sound when it is no other note, the commonest first. */
  public static List<Fault.Symptom> symptoms(Instrument instrument) {
    Set<Fault.Sound> sounds = EnumSet.allOf(Fault.Sound.class);
    Blown.Voice voice = instrument.blown().voice();
    if (voice == Blown.Voice.STRUCK || voice == Blown.Voice.DRUM) {
      return List.of();
    }
    if (instrument.keywork().kind() != Keywork.Kind.VALVES) {
      sounds.remove(Fault.Sound.STUCK_VALVE);
    }
    if (voice == Blown.Voice.BRASS) {
      sounds.remove(Fault.Sound.SQUEAK);
    } else if (voice == Blown.Voice.FLUTE) {
      sounds.remove(Fault.Sound.SQUEAK);
      sounds.remove(Fault.Sound.WATER);
    }
    return sounds.stream().map(Fault.Symptom::new).toList();
  }

  private List<Cause> causes() {
    Entry usual = player.usual(expected).or(this::first).orElseThrow().entry();
    for (Entry e : entries(usual)) {
      for (Faults.Found f : Faults.of(setup, e)) {
        if (f.heard().stream().anyMatch(heard::soundsAs)) {
          double other =
              e == usual ? 0 : e.partial().isPresent() ? Rank.NOT_USUAL_BRASS : Rank.NOT_USUAL;
          add(new Cause(f.fault(), e, e == usual, f.rank() + other, f.held()));
        }
      }
    }
    misread(usual);
    return found.values().stream()
        .sorted(Comparator.comparingDouble(Cause::rank))
        .limit(MOST)
        .toList();
  }

  private Optional<Setup.Way> first() {
    return setup.ways(expected).stream().findFirst();
  }

  /** The usual one, and what else this player has or, when nothing is known, may have. */
  private List<Entry> entries(Entry usual) {
    List<Entry> all = new ArrayList<>(List.of(usual));
    setup.ways(expected).stream()
        .map(Setup.Way::entry)
        .distinct()
        .filter(e -> e != usual && used(e))
        .forEach(all::add);
    return all;
  }

  private boolean used(Entry e) {
    return player
        .known()
        .map(k -> k.has(e.written(), e.fingering()))
        .orElse(e.role() == Role.STANDARD || e.role() == Role.ALTERNATE && e.partial().isEmpty());
  }

  private void add(Cause c) {
    found.merge(c.fault(), c, (a, b) -> b.rank() < a.rank() ? b : a);
  }

  private void add(Fault fault, double rank, Entry usual) {
    add(new Cause(fault, usual, true, rank, ""));
  }

  /** The hands may be right for what was read. */
  private void misread(Entry usual) {
    int apart = heard.midi() - expected.midi();
    if (apart % 12 == 0) {
      add(new Fault.Octave(), Rank.OCTAVE, usual);
    }
    int off = setup.instrument().transposition().semitones();
    boolean near = Math.abs(apart) <= Bore.OCTAVE;
    if (near && Math.floorMod(off, 12) != 0 && Math.floorMod(apart - off, 12) == 0) {
      add(new Fault.ConcertName(), Rank.CONCERT_NAME, usual);
    } else if (near && Math.floorMod(off, 12) != 0 && Math.floorMod(apart + off, 12) == 0) {
      add(new Fault.TransposedTwice(), Rank.TRANSPOSED_TWICE, usual);
    }
    Pitch natural = new Pitch(expected.letter(), 0, expected.octave());
    if (expected.alter() != 0 && heard.soundsAs(natural)) {
      add(
          new Fault.AccidentalForgotten(Integer.signum(expected.alter())),
          Rank.ACCIDENTAL_FORGOTTEN,
          usual);
    } else if (expected.alter() == 0 && Math.abs(apart) == 1) {
      add(new Fault.AccidentalAdded(apart), Rank.ACCIDENTAL_ADDED, usual);
    }
    for (Pitch read : spellings()) {
      int places = read.staffStep() - expected.staffStep();
      if (Math.abs(places) == 2) {
        add(new Fault.Misread(places), Rank.MISREAD, usual);
      } else if (Math.abs(places) == 1 && Math.abs(apart) > 1) {
        add(new Fault.Misread(places), Rank.MISREAD + Rank.MISREAD_BY_A_STEP, usual);
      } else if (Math.abs(places) == CLEFS_APART && expected.alter() == 0) {
        add(new Fault.OtherClef(), Rank.CLEF, usual);
      }
    }
  }

  /**
   * What was heard as it may stand on a page: a natural, or one of the first two sharps or flats.
   */
  private List<Pitch> spellings() {
    return List.of(Pitch.ofMidi(heard.midi(), true), Pitch.ofMidi(heard.midi(), false)).stream()
        .distinct()
        .filter(
            p ->
                p.alter() == 0
                    || p.alter() > 0 && (p.letter() == Letter.F || p.letter() == Letter.C)
                    || p.alter() < 0 && (p.letter() == Letter.B || p.letter() == Letter.E))
        .toList();
  }
}
