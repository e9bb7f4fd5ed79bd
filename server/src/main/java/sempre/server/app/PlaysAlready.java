package sempre.server.app;

import java.time.Clock;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Collectors;
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
import sempre.server.store.Batches;
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

  private final Db db;
  private final People people;
  private final Players players;
  private final Checks checks;
  private final Batches batches;
  private final Clock clock;

  PlaysAlready(Db db, People people, Players players, Checks checks, Batches batches, Clock clock) {
    this.db = db;
    this.people = people;
    this.players = players;
    this.checks = checks;
    this.batches = batches;
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

  /**
   * A section.
   *
   * @param setup of its first player
   * @param notes with how many of them have it
   */
  public record Section(Setup setup, List<People.Student> students, Map<Pitch, Integer> notes) {}

  public record Sections(People.Group group, List<Section> sections) {}

  /** A group, section by section. */
  public Sections sections(long groupId) {
    return db.inTransaction(
        tx -> {
          People.Group group = group(tx, groupId);
          List<Section> sections = new ArrayList<>();
          byInstrument(tx, groupId).values().forEach(s -> sections.add(section(tx, s)));
          return new Sections(group, sections);
        });
  }

  /**
   * The notes that some pieces bring, by instrument and as written: of a section those that all of
   * it read, so that nobody is credited with another's part.
   */
  public Map<String, List<Pitch>> ofPieces(long groupId, List<Long> pieces) {
    return db.inTransaction(
        tx -> {
          group(tx, groupId);
          Map<String, List<Pitch>> notes = new LinkedHashMap<>();
          byInstrument(tx, groupId)
              .forEach((i, section) -> notes.put(i, inAll(tx, section, pieces)));
          return notes;
        });
  }

  private List<Pitch> inAll(Db.Tx tx, List<People.Student> section, List<Long> pieces) {
    BitSet all = null;
    for (People.Student s : section) {
      BitSet played = new BitSet();
      for (long piece : pieces) {
        try {
          players
              .written(tx, s, players.piece(tx, piece))
              .ifPresent(p -> p.line().notes().forEach(n -> played.set(n.pitch().midi())));
        } catch (OddPiece e) {
          // a piece that one can't read has brought nothing
        }
      }
      if (all == null) {
        all = played;
      } else {
        all.and(played);
      }
    }
    Setup setup = players.setup(tx, section.get(0));
    return all.stream()
        .mapToObj(m -> PlayedAlready.standard(setup, m))
        .flatMap(Optional::stream)
        .map(Entry::written)
        .toList();
  }

  private Section section(Db.Tx tx, List<People.Student> students) {
    Setup setup = players.setup(tx, students.get(0));
    List<BitSet> has = students.stream().map(s -> players.standing(tx, s.id()).has()).toList();
    Map<Pitch, Integer> notes = new LinkedHashMap<>();
    for (int midi = setup.lowest().midi(); midi <= setup.highest().midi(); midi++) {
      int m = midi;
      PlayedAlready.standard(setup, midi)
          .ifPresent(e -> notes.put(e.written(), (int) has.stream().filter(h -> h.get(m)).count()));
    }
    return new Section(setup, students, notes);
  }

  /** What was written down for a student. */
  public record Written(long studentId, List<Long> entries) {}

  /**
   * Writes it down for everyone of each section; what a student has already stays as it is. All of
   * it can be taken back in one go ({@link TakingBack}).
   *
   * @param notes as written for each instrument
   */
  public List<Written> sections(long groupId, Map<String, List<String>> notes, String by) {
    return db.inTransaction(
        tx -> {
          group(tx, groupId);
          Map<String, List<People.Student>> sections = byInstrument(tx, groupId);
          List<Written> written = new ArrayList<>();
          notes.forEach(
              (instrument, those) -> {
                for (People.Student s : sections.getOrDefault(instrument, List.of())) {
                  written.add(new Written(s.id(), those(tx, s, those, by)));
                }
              });
          if (written.stream().anyMatch(w -> !w.entries().isEmpty())) {
            OptionalLong group = OptionalLong.of(groupId);
            long batch =
                batches.begin(tx, Batches.Kind.PLAYS, group, OptionalLong.empty(), clock.instant());
            for (Written w : written) {
              w.entries().forEach(e -> batches.heard(tx, batch, w.studentId(), e));
            }
          }
          return written;
        });
  }

  private Map<String, List<People.Student>> byInstrument(Db.Tx tx, long groupId) {
    return people.students(tx, groupId).stream()
        .filter(s -> !Players.drums(s))
        .collect(
            Collectors.groupingBy(
                People.Student::instrument, LinkedHashMap::new, Collectors.toList()));
  }

  private People.Group group(Db.Tx tx, long id) {
    return people.group(tx, id).orElseThrow(() -> new NotThere("gone.group"));
  }

  /** The same, without what the student's own instrument lacks, such as a key of the foot. */
  private List<Long> those(Db.Tx tx, People.Student s, List<String> notes, String by) {
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
