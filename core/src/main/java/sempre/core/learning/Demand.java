package sempre.core.learning;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import sempre.core.Judgement.TooHard;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.planning.HardMove;
import sempre.core.planning.Player;
import sempre.core.score.Line;
import sempre.core.score.Note;

/**
 * What a part asks of whoever plays it on one instrument set-up: its notes and its hardest changes.
 * It is worked out once for a set-up and then held against every student who plays that.
 *
 * @param notes MIDI numbers of the written notes that the instrument has
 * @param beyond notes that the instrument or the hand does not have, rising, each once
 * @param hardest its most difficult changes, the hardest first
 */
public record Demand(BitSet notes, List<Pitch> beyond, List<HardMove> hardest) {
  /** So many changes are kept. */
  private static final int KEPT = 5;

  public Demand {
    notes = (BitSet) notes.clone();
    beyond = List.copyOf(beyond);
    hardest = List.copyOf(hardest);
  }

  @Override
  public BitSet notes() {
    return (BitSet) notes.clone();
  }

  /** What a line asks of one who has learned everything on this set-up. */
  public static Demand of(Line line, Player able) {
    BitSet notes = new BitSet();
    List<Pitch> beyond = new ArrayList<>();
    for (Note n : line.notes()) {
      if (able.usual(n.pitch()).isPresent()) {
        notes.set(n.pitch().midi());
      } else if (beyond.stream().noneMatch(p -> p.soundsAs(n.pitch()))) {
        beyond.add(n.pitch());
      }
    }
    beyond.sort(Comparator.comparingInt(Pitch::midi));
    return new Demand(notes, beyond, HardMove.of(line, able, KEPT));
  }

  /** Notes that are lacking to one who has these, as MIDI numbers. */
  public BitSet lacking(BitSet has) {
    return Needs.lacking(notes, has);
  }

  /** How many notes are lacking to one who has these. */
  public int lackingCount(BitSet has) {
    int count = 0;
    for (int m = notes.nextSetBit(0); m >= 0; m = notes.nextSetBit(m + 1)) {
      count += has.get(m) ? 0 : 1;
    }
    return count;
  }

  /** The changes that are too hard for a stage. */
  public List<HardMove> tooHard(Stage stage) {
    return hardest.stream().filter(m -> m.difficulty() > limit(stage)).toList();
  }

  /**
   * What difficulty of a change is too much for a stage: the first years play what needs care but
   * no practice of its own, school what needs practice, advanced players anything that is done
   * (common practice, no source).
   */
  public static double limit(Stage stage) {
    return switch (stage) {
      case FIRST_YEARS -> TooHard.FIRST_YEARS;
      case SCHOOL -> TooHard.SCHOOL;
      case ADVANCED -> TooHard.ADVANCED;
    };
  }
}
