package sempre.server.app;

import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.instrument.Stage;
import sempre.core.learning.Learner;
import sempre.core.learning.Needs;
import sempre.core.learning.Placing;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.teaching.Lesson;
import sempre.server.store.Db;
import sempre.server.store.People;

/** One concert pitch for a whole group: what each has to learn, those alike together. */
@Component
public class NewNotes {
  private static final int MOST = 1_000;

  private final Db db;
  private final People people;
  private final Players players;
  private final Learners learners;
  private final Memo<Optional<Lesson>> memo;

  NewNotes(Db db, People people, Players players, Learners learners, Clock clock) {
    this.db = db;
    this.people = people;
    this.players = players;
    this.learners = learners;
    this.memo = new Memo<>(MOST, clock);
  }

  /**
   * Why a student meets the note in an octave.
   *
   * @param piece the title of the piece that brings it; empty where none does
   * @param has the octaves of it that are there already
   */
  public record Octave(Placing.Why why, String piece, List<Pitch> has, boolean beyond) {}

  /** Players who learn it just the same; {@code octaves} are those in which it may be learned. */
  public record Row(
      List<People.Student> students,
      Player player,
      Lesson lesson,
      Octave octave,
      List<Pitch> octaves) {}

  /** A student without a note: by a reason of its own, or in no octave that the stage knows. */
  public record Without(People.Student student, Optional<Refusal> why) {}

  public record Sheet(People.Group group, List<Row> rows, List<Without> without) {}

  private record Same(String instrument, Lesson lesson, Octave octave) {}

  /**
   * The lesson of a group.
   *
   * @param concert the note by its sound: each learns it in the octave in which the next part
   *     brings it, else as a playing check asks it
   * @param octaves where a section learns it otherwise, as it stands on its page, by instrument
   */
  public Sheet of(long groupId, NoteName concert, Map<String, Pitch> octaves) {
    return db.inTransaction(
        tx -> {
          People.Group g = people.group(tx, groupId).orElseThrow(() -> new NotThere("gone.group"));
          Map<Same, List<Learners.Known>> rows = new LinkedHashMap<>();
          List<Without> without = new ArrayList<>();
          for (Learners.Known k : learners.ofGroup(tx, groupId)) {
            try {
              same(tx, k, g.stage(), concert, octaves)
                  .ifPresentOrElse(
                      s -> rows.computeIfAbsent(s, x -> new ArrayList<>()).add(k),
                      () -> without.add(new Without(k.student(), Optional.empty())));
            } catch (Refusal e) {
              without.add(new Without(k.student(), Optional.of(e)));
            }
          }
          return new Sheet(
              g,
              rows.entrySet().stream().map(e -> row(e.getKey(), e.getValue())).toList(),
              without);
        });
  }

  private static Row row(Same same, List<Learners.Known> known) {
    Player player = known.get(0).learner().player();
    return new Row(
        known.stream().map(Learners.Known::student).toList(),
        player,
        same.lesson(),
        same.octave(),
        new Placing(player, Stage.ADVANCED, Needs.NONE).octavesOf(same.lesson().written()));
  }

  private Optional<Same> same(
      Db.Tx tx, Learners.Known k, Stage stage, NoteName concert, Map<String, Pitch> octaves) {
    Player player = k.learner().player();
    Placing placing = new Placing(player, stage, k.learner().needs());
    Optional<Placing.Placed> placed =
        Optional.ofNullable(octaves.get(k.student().instrument()))
            .filter(p -> placing.octavesOf(p).contains(p))
            .filter(p -> sounds(player, p) == concert.pitchClass())
            .map(p -> placing.placed(p, Placing.Why.SAID))
            .or(() -> placing.needed(concert));
    return placed.flatMap(
        p ->
            memo.of(
                    tx,
                    k.student().id(),
                    List.of(p.written(), stage),
                    () -> Lesson.written(p.written(), player, stage))
                .map(l -> new Same(k.student().instrument(), l, octave(tx, k, p))));
  }

  private static int sounds(Player player, Pitch written) {
    return player.setup().instrument().transposition().sounding(written).pitchClass();
  }

  private Octave octave(Db.Tx tx, Learners.Known k, Placing.Placed placed) {
    Learner l = k.learner();
    Optional<Needs.Need> need =
        l.needs().notes().stream().filter(n -> n.midi() == placed.written().midi()).findFirst();
    return new Octave(
        placed.why(),
        need.map(n -> k.next().get(n.parts().get(0)).pieceId())
            .map(piece -> players.piece(tx, piece).title())
            .orElse(""),
        new Placing(l.player(), Stage.ADVANCED, Needs.NONE)
            .octavesOf(placed.written()).stream()
                .filter(p -> !p.soundsAs(placed.written()))
                .filter(p -> l.standing().has().get(p.midi()))
                .toList(),
        placed.beyond());
  }
}
