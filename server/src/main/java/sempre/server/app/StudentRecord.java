package sempre.server.app;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.learning.Check;
import sempre.core.learning.Grade;
import sempre.core.learning.Growth;
import sempre.core.learning.Progress;
import sempre.core.learning.Standing;
import sempre.core.pitch.Pitch;
import sempre.server.store.Checks;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** What was heard of a student: read, added to, taken back by a further entry. */
@Component
public class StudentRecord {
  private final Db db;
  private final Checks checks;
  private final People people;
  private final Players players;
  private final Shelf shelf;
  private final PlaysAlready plays;
  private final Clock clock;

  StudentRecord(
      Db db,
      Checks checks,
      People people,
      Players players,
      Shelf shelf,
      PlaysAlready plays,
      Clock clock) {
    this.db = db;
    this.checks = checks;
    this.people = people;
    this.players = players;
    this.shelf = shelf;
    this.plays = plays;
    this.clock = clock;
  }

  /** One thing heard; {@code piece} is the title of the piece it was heard in. */
  public record Heard(Check check, Optional<String> piece, boolean undone) {}

  /**
   * A student's whole record.
   *
   * @param heard the newest first
   * @param halfLife in which time what was heard fades by half
   */
  public record Sheet(
      People.Student student,
      Instrument instrument,
      Standing standing,
      List<Heard> heard,
      Duration halfLife) {}

  public Sheet sheet(long studentId) {
    return db.inTransaction(
        tx -> {
          People.Student s = players.student(tx, studentId);
          List<Check> list = checks.of(tx, studentId);
          Set<Long> undone = new HashSet<>();
          list.forEach(c -> c.undoes().ifPresent(undone::add));
          List<Heard> heard = new ArrayList<>();
          for (Check c : list) {
            if (c.undoes().isEmpty()) {
              heard.add(
                  new Heard(c, shelf.title(tx, c.piece().orElse(0)), undone.contains(c.id())));
            }
          }
          Collections.reverse(heard);
          return new Sheet(
              s,
              players.setup(tx, s).instrument(),
              players.standing(tx, s, list),
              heard,
              players.halfLife(tx, s));
        });
  }

  /** What has become of a student's notes since a day. */
  public record Since(People.Student student, Progress progress) {}

  /**
   * What a student has learned.
   *
   * @throws Refusal where the day is still to come
   */
  public Since since(long studentId, LocalDate day) {
    if (day.isAfter(LocalDate.now(clock))) {
      throw new Refusal("report.future");
    }
    return db.inTransaction(
        tx ->
            new Since(
                players.student(tx, studentId),
                Progress.since(
                    checks.of(tx, studentId),
                    day.atStartOfDay(clock.getZone()).toInstant(),
                    PlaysAlready::atSetUp)));
  }

  /** How a student's notes have grown, week by week. */
  public List<Growth> growth(long studentId) {
    return growth(
        db.inTransaction(tx -> List.of(checks.of(tx, players.student(tx, studentId).id()))));
  }

  /**
   * How the notes of several have grown, all added up.
   *
   * @param players how many they are
   */
  public record Together(int players, List<Growth> weeks) {}

  /**
   * How a group's notes have grown, week by week.
   *
   * @param instrument one section of it; empty for all
   */
  public Together growth(long groupId, String instrument) {
    List<List<Check>> heard =
        db.inTransaction(
            tx -> {
              if (people.group(tx, groupId).isEmpty()) {
                throw new NotThere("gone.group");
              }
              return people.students(tx, groupId).stream()
                  .filter(s -> instrument.isEmpty() || s.instrument().equals(instrument))
                  .map(s -> checks.of(tx, s.id()))
                  .toList();
            });
    return new Together(heard.size(), growth(heard));
  }

  private List<Growth> growth(List<List<Check>> heard) {
    return Growth.weeks(heard, PlaysAlready::atSetUp, clock.getZone(), LocalDate.now(clock));
  }

  /**
   * One grade for one note.
   *
   * @param mark names this press of the key; the same one again is not written down again
   */
  public record Press(
      Pitch written,
      String fingering,
      Grade grade,
      OptionalLong piece,
      String bars,
      String remark,
      Optional<String> mark) {}

  /**
   * Writes grades down.
   *
   * @param by who marks
   * @param at when the key was pressed
   * @return the entries
   * @throws Refusal where the student's instrument has no such fingering
   */
  public List<Long> hear(long studentId, List<Press> presses, String by, Instant at) {
    return db.inTransaction(
        tx -> {
          Setup setup = players.setup(tx, players.student(tx, studentId));
          List<Long> ids = new ArrayList<>();
          for (Press p : presses) {
            if (p.mark().isPresent() && !checks.press(tx, studentId, p.mark().get())) {
              ids.addAll(checks.ofPress(tx, studentId, p.mark().get()));
              continue;
            }
            p.piece().ifPresent(id -> players.piece(tx, id));
            Check heard =
                Check.heard(at, by, p.written(), entry(setup, p).fingering(), p.grade())
                    .in(p.piece(), p.bars())
                    .remarked(p.remark());
            ids.add(checks.add(tx, studentId, heard, null, null, p.mark().orElse(null)));
          }
          return ids;
        });
  }

  /** The catalogue's entry for a fingering as played, free controls held or not. */
  private static Entry entry(Setup setup, Press p) {
    String fingering = setup.instrument().keywork().read(p.fingering()).text();
    return setup.ways(p.written()).stream()
        .filter(w -> w.fingering().text().equals(fingering))
        .map(Setup.Way::entry)
        .findFirst()
        .orElseThrow(
            () -> new Refusal("error.no-fingering", "note", p.written(), "fingering", fingering));
  }

  /** Writes down at set-up which notes a student plays already, with the standard fingerings. */
  public List<Long> plays(long studentId, List<String> notes, String by) {
    return db.inTransaction(tx -> plays.notes(tx, players.student(tx, studentId), notes, by));
  }

  /**
   * The same for a range.
   *
   * @param scale tonic of the major scale, as it sounds, whose steps are meant; empty for every
   *     half step
   */
  public List<Long> plays(long studentId, Compass.Range range, String scale, String by) {
    return db.inTransaction(
        tx -> plays.range(tx, players.student(tx, studentId), range, scale, by));
  }

  /** Takes entries back, each by a further one. */
  public List<Long> undo(long studentId, List<Long> entries, String by) {
    return db.inTransaction(
        tx -> {
          List<Long> ids = new ArrayList<>();
          for (long id : entries) {
            Check c =
                checks
                    .one(tx, studentId, id)
                    .filter(x -> x.undoes().isEmpty())
                    .orElseThrow(() -> new NotThere("gone.entry"));
            if (!checks.undone(tx, id)) {
              ids.add(checks.add(tx, studentId, c.takenBack(clock.instant(), by)));
            }
          }
          return ids;
        });
  }
}
