package sempre.core.audition;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeSet;
import sempre.core.Judgement;
import sempre.core.learning.Readiness;
import sempre.core.learning.Standing;
import sempre.core.making.Articulation;
import sempre.core.making.Exercise;
import sempre.core.making.Maker;
import sempre.core.making.Mode;
import sempre.core.making.Rhythm;
import sempre.core.material.About;
import sempre.core.material.Study;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Plan;
import sempre.core.planning.Player;
import sempre.core.planning.Unhurried;
import sempre.core.practice.Ladder;
import sempre.core.score.Line;

/**
 * How far someone is with what is asked.
 *
 * @param state what is to be done first
 * @param notes those that are lacking, else those that are shaky or were not heard for long
 * @param bits of an etude: how many there are; 0 for a scale
 * @param clean how many of these are clean at the tempo that is asked
 * @param quickest tempo at which no change of a scale catches, in quarters a minute; empty for an
 *     etude
 * @param change the one that catches at the tempo that is asked, from note to note
 */
public record Prepared(
    State state,
    List<Pitch> notes,
    int bits,
    int clean,
    OptionalInt quickest,
    Optional<Catching> change) {
  public Prepared {
    notes = List.copyOf(notes);
  }

  /** A change that has not the time it needs. */
  public record Catching(Pitch from, Pitch to) {}

  /** What is to be done first. */
  public enum State {
    READY,
    /** Its notes are there, not all of them secure, or not lately. */
    SHAKY,
    /** Clean, not at its tempo yet; of a scale, a change has not the time it needs. */
    TEMPO,
    /** Nothing of an etude was clean yet. */
    NOT_BEGUN,
    /** Notes were not heard yet, or not as there. */
    NOTES,
    /** The instrument, or this hand, does not have all of it. */
    BEYOND
  }

  private static final int BAR = 4 * Rhythm.QUARTER;
  private static final int ALL = 100;

  /**
   * How far an etude is.
   *
   * @param readiness of its bars
   * @param ladders of their bits
   * @param tempo that is asked, in quarters a minute; empty for that of each ladder
   */
  public static Prepared etude(Readiness readiness, List<Ladder> ladders, OptionalInt tempo) {
    int clean = 0;
    boolean begun = false;
    for (Ladder l : ladders) {
      begun |= l.secured().isPresent();
      clean += l.secured().orElse(0) >= tempo.orElse(l.full()) ? 1 : 0;
    }
    State state =
        !readiness.beyond().isEmpty()
            ? State.BEYOND
            : !readiness.lacking().isEmpty()
                ? State.NOTES
                : !begun
                    ? State.NOT_BEGUN
                    : clean < ladders.size()
                        ? State.TEMPO
                        : notSecure(readiness).isEmpty() ? State.READY : State.SHAKY;
    return new Prepared(
        state,
        notes(readiness, state),
        ladders.size(),
        clean,
        OptionalInt.empty(),
        Optional.empty());
  }

  /** How far a scale is: the notes by what was heard, the tempo by its changes. */
  public static Prepared scale(Requirement.Scale asked, Player player, Standing standing) {
    Optional<Study> study =
        Maker.within(
                new Maker.Wish(
                    asked.mode(), asked.figure(), Rhythm.EIGHTHS, Articulation.TONGUED, 0, BAR),
                asked.tonic(),
                asked.range(),
                p -> true)
            .map(e -> study(asked, e));
    if (study.isEmpty()) {
      return new Prepared(State.BEYOND, List.of(), 0, 0, OptionalInt.empty(), Optional.empty());
    }
    Line line = study.get().line();
    Readiness readiness = spelled(asked, Readiness.of(line, player, standing));
    if (!readiness.beyond().isEmpty()) {
      return new Prepared(
          State.BEYOND, readiness.beyond(), 0, 0, OptionalInt.empty(), Optional.empty());
    }
    Plan plan = study.get().plan(player);
    int percent =
        Unhurried.percent(
            player.setup(),
            plan.notes(),
            Judgement.Bits.CATCHES,
            ALL,
            Judgement.Bits.SLOWEST_PERCENT,
            Judgement.Bits.PERCENT_STEP);
    State state =
        !readiness.lacking().isEmpty()
            ? State.NOTES
            : !notSecure(readiness).isEmpty()
                ? State.SHAKY
                : percent < ALL ? State.TEMPO : State.READY;
    return new Prepared(
        state,
        notes(readiness, state),
        0,
        0,
        OptionalInt.of(asked.tempo() * percent / ALL),
        percent < ALL ? hardest(plan) : Optional.empty());
  }

  /** The notes of a chromatic scale are named as is usual, and not from its first note. */
  private static Readiness spelled(Requirement.Scale asked, Readiness r) {
    return asked.mode() == Mode.CHROMATIC
        ? new Readiness(usual(r.lacking()), usual(r.shaky()), usual(r.faded()), usual(r.beyond()))
        : r;
  }

  private static List<Pitch> usual(List<Pitch> notes) {
    return notes.stream().map(p -> Pitch.usual(p.midi())).toList();
  }

  private static Study study(Requirement.Scale asked, Exercise e) {
    return new Study(
        "",
        new About.Scale(e.tonic(), asked.mode(), asked.figure()),
        e,
        OptionalInt.of(asked.tempo()),
        asked.tempo(),
        Map.of());
  }

  private static Optional<Catching> hardest(Plan plan) {
    Map<String, Pitch> notes = new HashMap<>();
    plan.notes().forEach(n -> notes.put(n.note().id(), n.note().pitch()));
    return plan.moves().stream()
        .max(Comparator.comparingDouble(Plan.PlannedMove::difficulty))
        .map(m -> new Catching(notes.get(m.from()), notes.get(m.to())));
  }

  private static List<Pitch> notes(Readiness r, State state) {
    return switch (state) {
      case BEYOND -> r.beyond();
      case NOTES -> r.lacking();
      case SHAKY -> notSecure(r);
      default -> List.of();
    };
  }

  private static List<Pitch> notSecure(Readiness r) {
    TreeSet<Pitch> all = new TreeSet<>(r.shaky());
    all.addAll(r.faded());
    return List.copyOf(all);
  }
}
