package sempre.core.learning;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;

/**
 * How a group stands to each of the twelve sounds. A player <em>has</em> a sound who has it in some
 * octave; a player <em>needs</em> it whose next parts bring it in an octave that is not there. Who
 * has a sound may so need it too, in another octave: both are told apart everywhere.
 *
 * @param sounds one for each pitch class that somebody's instrument has, from C up
 */
public record GroupSounds(List<Sound> sounds) {
  private static final int SOUNDS = 12;

  public GroupSounds {
    sounds = List.copyOf(sounds);
  }

  /**
   * One sound. Players are named by their place in the group.
   *
   * @param pitchClass 0 (C) to 11 (B)
   * @param has who has it in some octave
   * @param shaky who of these has it shakily at best
   * @param hasNot who has it in no octave
   * @param newFor who needs it next and has it in no octave
   * @param otherOctave who has it, but needs it next in another octave
   * @param again who has all of it that is needed, but shakily or not heard for long
   * @param parts in how many parts of players it is lacking
   * @param alone in how many of them nothing else is
   */
  public record Sound(
      int pitchClass,
      List<Integer> has,
      List<Integer> shaky,
      List<Integer> hasNot,
      List<Integer> newFor,
      List<Integer> otherOctave,
      List<Integer> again,
      int parts,
      int alone) {
    public Sound {
      has = List.copyOf(has);
      shaky = List.copyOf(shaky);
      hasNot = List.copyOf(hasNot);
      newFor = List.copyOf(newFor);
      otherOctave = List.copyOf(otherOctave);
      again = List.copyOf(again);
    }

    /** How many need it next in an octave that is not there. */
    public int needing() {
      return newFor.size() + otherOctave.size();
    }
  }

  /** Counts for a whole group. */
  public static GroupSounds of(List<Learner> learners) {
    List<Count> counts = new ArrayList<>();
    for (int sound = 0; sound < SOUNDS; sound++) {
      counts.add(new Count(sound));
    }
    for (int i = 0; i < learners.size(); i++) {
      count(i, learners.get(i), counts);
    }
    return new GroupSounds(
        counts.stream()
            .filter(c -> !c.has.isEmpty() || !c.hasNot.isEmpty())
            .map(Count::sound)
            .toList());
  }

  /**
   * The sounds that keep most parts from being played: first those that alone are lacking in most.
   *
   * @param most so many at most
   */
  public List<Sound> blocking(int most) {
    return sounds.stream()
        .filter(s -> s.needing() > 0)
        .sorted(Comparator.comparingInt(Sound::alone).thenComparingInt(Sound::parts).reversed())
        .limit(most)
        .toList();
  }

  /**
   * What to hear first: the sounds that most need next and lack, or have shakily.
   *
   * @param most so many at most
   */
  public List<Sound> toHear(int most) {
    return sounds.stream()
        .filter(s -> s.needing() + s.again().size() > 0)
        .sorted(
            Comparator.comparingInt(Sound::needing)
                .thenComparingInt(s -> s.again().size())
                .reversed())
        .limit(most)
        .toList();
  }

  private static void count(int who, Learner l, List<Count> counts) {
    BitSet has = l.standing().has();
    Needs needs = l.needs();
    List<BitSet> lacking = l.parts().stream().map(p -> Needs.lacking(p, has)).toList();
    List<BitSet> octaves = octaves(l.player());
    for (Count c : counts) {
      BitSet mine = octaves.get(c.sound);
      if (mine.isEmpty()) {
        continue;
      }
      boolean had = mine.intersects(has);
      (had ? c.has : c.hasNot).add(who);
      if (had && mine.stream().noneMatch(m -> secure(l.standing(), m))) {
        c.shaky.add(who);
      }
      List<Needs.Need> of = needs.notes().stream().filter(n -> mine.get(n.midi())).toList();
      if (of.stream().anyMatch(n -> n.state() == Needs.State.LACKING)) {
        (had ? c.otherOctave : c.newFor).add(who);
      } else if (!of.isEmpty()) {
        c.again.add(who);
      }
      for (BitSet part : lacking) {
        if (part.intersects(mine)) {
          c.parts++;
          c.alone += part.cardinality() == 1 ? 1 : 0;
        }
      }
    }
  }

  private static boolean secure(Standing standing, int midi) {
    return standing.best(Pitch.usual(midi)).filter(m -> m.grade() == Grade.SECURE).isPresent();
  }

  /** The written notes that a player has a fingering for, by how they sound. */
  private static List<BitSet> octaves(Player player) {
    List<BitSet> octaves = new ArrayList<>();
    for (int sound = 0; sound < SOUNDS; sound++) {
      octaves.add(new BitSet());
    }
    for (int m = player.setup().lowest().midi(); m <= player.setup().highest().midi(); m++) {
      Pitch written = Pitch.usual(m);
      if (player.usual(written).isPresent()) {
        octaves
            .get(player.setup().instrument().transposition().sounding(written).pitchClass())
            .set(m);
      }
    }
    return octaves;
  }

  /** What is counted of one sound. */
  private static final class Count {
    private final int sound;
    private final List<Integer> has = new ArrayList<>();
    private final List<Integer> shaky = new ArrayList<>();
    private final List<Integer> hasNot = new ArrayList<>();
    private final List<Integer> newFor = new ArrayList<>();
    private final List<Integer> otherOctave = new ArrayList<>();
    private final List<Integer> again = new ArrayList<>();
    private int parts;
    private int alone;

    private Count(int sound) {
      this.sound = sound;
    }

    private Sound sound() {
      return new Sound(sound, has, shaky, hasNot, newFor, otherOctave, again, parts, alone);
    }
  }
}
