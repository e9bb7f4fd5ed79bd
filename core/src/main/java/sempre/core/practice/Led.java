package sempre.core.practice;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import sempre.core.Judgement;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Letter;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.core.score.Note;

/**
 * A hard note that is reached by steps of the scale from notes that are safe: a high one from
 * below, any other from above (common practice, no source).
 *
 * @param note the first in the line with this pitch
 * @param steps what is played, up to the note itself; at least two
 */
public record Led(Plan.PlannedNote note, List<Pitch> steps) {
  private static final int LETTERS = Letter.values().length;
  private static final int WHOLE_STEP = 2;

  public Led {
    steps = List.copyOf(steps);
  }

  /** The note from which it starts out, which is safe. */
  public Pitch from() {
    return steps.get(0);
  }

  /**
   * How one gets to a note; empty where it is not hard, or no safe note is near.
   *
   * @param stage what the player's group plays
   */
  static Optional<Led> of(Plan.PlannedNote n, Player player, Stage stage) {
    if (!hard(n, player, stage)) {
      return Optional.empty();
    }
    Compass.Range range = player.setup().instrument().compass(player.setup().options()).of(stage);
    Pitch pitch = n.note().pitch();
    boolean high = 2 * pitch.midi() > range.from().midi() + range.to().midi();
    int first = high ? -1 : 1;
    return steps(n.note(), first, player, stage)
        .or(() -> steps(n.note(), -first, player, stage))
        .map(s -> new Led(n, s));
  }

  /** Those that are not the beginning of another. */
  static List<Led> longest(List<Led> all) {
    return all.stream().filter(l -> all.stream().noneMatch(l::begins)).toList();
  }

  private boolean begins(Led other) {
    return other.steps.size() > steps.size() && other.steps.subList(0, steps.size()).equals(steps);
  }

  private static boolean hard(Plan.PlannedNote n, Player player, Stage stage) {
    Pitch p = n.note().pitch();
    return n.isNew()
        || !player.setup().instrument().compass(player.setup().options()).of(stage).has(p);
  }

  /** Where nothing is known of the player, what beginners have is safe. */
  private static boolean safe(Pitch p, Player player, Stage stage) {
    Compass compass = player.setup().instrument().compass(player.setup().options());
    return player.usual(p).isPresent()
        && compass.of(stage).has(p)
        && player
            .known()
            .map(k -> k.hasNote(p))
            .orElseGet(() -> compass.of(Stage.FIRST_YEARS).has(p));
  }

  /**
   * The scale from a safe note to this one.
   *
   * @param towards 1 where it starts above, -1 where it starts below
   */
  private static Optional<List<Pitch>> steps(Note n, int towards, Player player, Stage stage) {
    List<Pitch> back = new ArrayList<>();
    back.add(n.pitch());
    Pitch plain = step(n, 0);
    if (Math.abs(step(n, towards).midi() - n.pitch().midi()) > WHOLE_STEP
        && player.usual(plain).isPresent()) {
      // from F one comes to G sharp by G
      back.add(plain);
    }
    int safe = 0;
    for (int i = 1; i <= Judgement.Bits.LED_FROM + Judgement.Bits.SAFE_BEFORE; i++) {
      Pitch p = step(n, i * towards);
      boolean met = safe(p, player, stage);
      if (safe > 0 && !met || player.usual(p).isEmpty()) {
        break;
      }
      back.add(p);
      safe += met ? 1 : 0;
      boolean far = safe == 0 && i >= Judgement.Bits.LED_FROM;
      if (safe == Judgement.Bits.SAFE_BEFORE || far) {
        break;
      }
    }
    Collections.reverse(back);
    return safe > 0 ? Optional.of(back) : Optional.empty();
  }

  /** A note of the scale in force, so many steps from a note. */
  private static Pitch step(Note n, int steps) {
    int place = n.pitch().staffStep() + steps;
    Letter letter = Letter.values()[Math.floorMod(place, LETTERS)];
    return new Pitch(letter, n.key().alterOf(letter), Math.floorDiv(place, LETTERS));
  }
}
