package sempre.core.material;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import sempre.core.Judgement;
import sempre.core.making.Exercise;
import sempre.core.making.Rhythm;
import sempre.core.planning.Plan;
import sempre.core.planning.Planner;
import sempre.core.planning.Player;
import sempre.core.planning.Unhurried;
import sempre.core.score.Dynamic;
import sempre.core.score.Line;
import sempre.core.score.Manner;
import sempre.core.score.Note;
import sempre.core.score.Ornament;

/**
 * An exercise that was made from a piece.
 *
 * @param id names it among those of its piece and player
 * @param from the tempo to begin at, in quarters a minute; empty where the plan says it
 * @param towards the tempo it leads to, at which it is planned
 * @param fingered notes whose fingering is what it is for, by their places
 */
public record Study(
    String id,
    About about,
    Exercise music,
    OptionalInt from,
    int towards,
    Map<Integer, String> fingered) {
  private static final String VOICE = "1";
  private static final int PERCENT = 100;

  public Study {
    fingered = Map.copyOf(fingered);
  }

  Study(String id, About about, Exercise music, OptionalInt from, int towards) {
    this(id, about, music, from, towards, Map.of());
  }

  /**
   * The tempo to begin at: what is usual for it, else where no change catches.
   *
   * @param plan of its notes at the tempo it leads to
   * @return in quarters a minute
   */
  public int begin(Plan plan) {
    return from.orElseGet(
        () ->
            Math.max(
                1,
                towards
                    * Unhurried.percent(
                        plan.setup(),
                        plan.notes(),
                        Judgement.Bits.CATCHES,
                        Judgement.Bits.FIRST_GOAL_PERCENT,
                        Judgement.Bits.SLOWEST_PERCENT,
                        Judgement.Bits.PERCENT_STEP)
                    / PERCENT));
  }

  /** What its fingerings cost a player, in the planner's unit. */
  double cost(Player player) {
    Line line = line();
    return Planner.choose(line, player, locks(line), 1).get(0).cost();
  }

  /** How a player fingers it, at the tempo it leads to. */
  public Plan plan(Player player) {
    Line line = line();
    return Planner.plan(line, player, locks(line));
  }

  /** The fingerings that are fixed, by the ids of notes of a line that was read from its text. */
  public Map<String, String> locks(Line line) {
    Map<String, String> locks = new HashMap<>();
    fingered.forEach((i, f) -> locks.put(line.notes().get(i).id(), f));
    return locks;
  }

  /** Its notes as the planner reads them; their ids are their places. */
  public Line line() {
    List<Exercise.Tone> tones = music.tones();
    List<Note> notes = new ArrayList<>();
    int at = (music.bar() - music.upbeat()) % music.bar();
    for (int i : IntStream.range(0, tones.size()).toArray()) {
      Exercise.Tone t = tones.get(i);
      notes.add(
          new Note(
              String.valueOf(i),
              List.of(),
              at / music.bar(),
              1 + (double) (at % music.bar()) / Rhythm.QUARTER,
              (double) at / Rhythm.QUARTER,
              (double) t.ticks() / Rhythm.QUARTER,
              t.pitch(),
              false,
              t.slurs(),
              Dynamic.MF,
              towards,
              music.key(),
              Ornament.NONE,
              false,
              false,
              "",
              Manner.PLAIN));
      at += t.ticks() + t.rest();
    }
    return new Line(1, VOICE, notes);
  }
}
