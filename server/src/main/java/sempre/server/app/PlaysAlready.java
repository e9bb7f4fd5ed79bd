package sempre.server.app;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Setup;
import sempre.core.learning.Check;
import sempre.core.learning.Grade;
import sempre.core.learning.PlayedAlready;
import sempre.core.pitch.NoteName;
import sempre.core.pitch.Pitch;
import sempre.server.store.Checks;
import sempre.server.store.Db;
import sempre.server.store.People;

/** Writes down what students play already when they are set up. */
@Component
public class PlaysAlready {
  private static final String REMARK = "played already when set up";

  /** Whether an entry was written down at the set-up. */
  public static boolean atSetUp(Check c) {
    return c.remark().equals(REMARK);
  }

  private final Players players;
  private final Checks checks;
  private final Clock clock;

  public PlaysAlready(Players players, Checks checks, Clock clock) {
    this.players = players;
    this.checks = checks;
    this.clock = clock;
  }

  /**
   * A range of a student.
   *
   * @param scale tonic of a major scale as it sounds; empty for every half step
   * @param by who writes it down
   */
  public List<Long> range(
      Db.Tx tx, People.Student s, Compass.Range range, String scale, String by) {
    Optional<NoteName> tonic =
        scale == null || scale.isBlank() ? Optional.empty() : Optional.of(NoteName.parse(scale));
    return write(tx, s, PlayedAlready.of(players.setup(tx, s), range, tonic), by);
  }

  /** Some notes of a student, by their written names. */
  public List<Long> notes(Db.Tx tx, People.Student s, List<String> notes, String by) {
    Setup setup = players.setup(tx, s);
    List<Entry> entries = new ArrayList<>();
    for (String n : notes) {
      Pitch p = Pitch.parse(n);
      entries.add(
          PlayedAlready.standard(setup, p.midi())
              .orElseThrow(
                  () -> new Refusal("error.student-note", "student", s.name(), "note", p)));
    }
    return write(tx, s, entries, by);
  }

  /** The same, without what the student's own instrument lacks, such as a key of the foot. */
  public List<Long> those(Db.Tx tx, People.Student s, List<String> notes, String by) {
    Setup setup = players.setup(tx, s);
    return write(
        tx,
        s,
        notes.stream()
            .map(n -> PlayedAlready.standard(setup, Pitch.parse(n).midi()))
            .flatMap(Optional::stream)
            .toList(),
        by);
  }

  /** What a student has already is not written down again. */
  private List<Long> write(Db.Tx tx, People.Student s, List<Entry> entries, String by) {
    var has = players.standing(tx, s.id()).has();
    List<Long> ids = new ArrayList<>();
    for (Entry e : entries) {
      if (!has.get(e.written().midi())) {
        ids.add(
            checks.add(
                tx,
                s.id(),
                Check.heard(clock.instant(), by, e.written(), e.fingering(), Grade.SECURE)
                    .remarked(REMARK)));
      }
    }
    return ids;
  }
}
