package sempre.server.app;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.core.learning.GroupSounds;
import sempre.core.learning.Learner;
import sempre.core.learning.NoteMap;
import sempre.core.pitch.Pitch;
import sempre.server.store.Db;
import sempre.server.store.People;

/** Which notes a student, a section or a group has. */
@Component
public class NoteMaps {
  private final Db db;
  private final People people;
  private final Players players;
  private final Learners learners;

  NoteMaps(Db db, People people, Players players, Learners learners) {
    this.db = db;
    this.people = people;
    this.players = players;
    this.learners = learners;
  }

  /** One student on an instrument with the options of the student's own. */
  public record OfStudent(
      People.Student student, Instrument instrument, Optional<Compass> compass, NoteMap map) {}

  public OfStudent student(long id) {
    return db.inTransaction(tx -> student(tx, players.student(tx, id)));
  }

  /** Next is what the assigned parts bring and is lacking. */
  private OfStudent student(Db.Tx tx, People.Student s) {
    Learner l = learners.of(tx, s).learner();
    Set<Integer> wanted = new TreeSet<>();
    l.needs().notes().forEach(n -> wanted.add(n.midi()));
    Instrument i = players.setup(tx, s).instrument();
    return new OfStudent(
        s,
        i,
        Optional.of(i.compass(i.optionsWith(s.options()))),
        NoteMap.of(players.setup(tx, s), l.standing(), wanted));
  }

  /**
   * A group.
   *
   * @param sections instruments with how many play them
   */
  public record Group(People.Group group, Map<String, Integer> sections) {}

  private Group group(Db.Tx tx, long id) {
    People.Group g = people.group(tx, id).orElseThrow(() -> new NotThere("gone.group"));
    Map<String, Integer> sections = new LinkedHashMap<>();
    people.students(tx, id).stream()
        .filter(s -> !Players.drums(s))
        .forEach(s -> sections.merge(s.instrument(), 1, Integer::sum));
    return new Group(g, sections);
  }

  /**
   * A note and who of a section has it.
   *
   * @param needing to whom an assigned part brings it, and who lack it
   * @param states of everyone
   */
  public record InSection(
      Pitch written, Set<People.Student> needing, Map<People.Student, NoteMap.State> states) {
    public boolean next() {
      return !needing.isEmpty();
    }

    public boolean nextFor(People.Student s) {
      return needing.contains(s);
    }

    public int has() {
      return (int) states.values().stream().filter(NoteMap.State::there).count();
    }

    public int shaky() {
      return (int) states.values().stream().filter(s -> s == NoteMap.State.SHAKY).count();
    }

    /** Who lacks it, by name. */
    public List<String> lacking() {
      return states.entrySet().stream()
          .filter(e -> !e.getValue().there())
          .map(e -> e.getKey().name())
          .sorted()
          .distinct()
          .toList();
    }
  }

  /**
   * A section of a group, note by note, rising.
   *
   * @param compass of one who plays in it; empty where nobody does
   * @param students in the order in which they are listed
   */
  public record Section(
      Group group,
      Instrument instrument,
      Optional<Compass> compass,
      List<People.Student> students,
      List<InSection> notes) {
    /** With the notes of a stage, and all others that were heard or come next. */
    private Section of(Stage stage) {
      return new Section(
          group,
          instrument,
          compass,
          students,
          notes.stream()
              .filter(
                  n ->
                      n.next()
                          || n.states().values().stream().anyMatch(x -> x != NoteMap.State.OPEN)
                          || compass
                              .flatMap(c -> c.stageOf(n.written()))
                              .filter(of -> of.compareTo(stage) <= 0)
                              .isPresent())
              .toList());
    }
  }

  public Section section(long groupId, String instrument) {
    return db.inTransaction(tx -> section(tx, group(tx, groupId), instrument));
  }

  private Section section(Db.Tx tx, Group g, String instrument) {
    List<OfStudent> all =
        people.students(tx, g.group().id()).stream()
            .filter(s -> s.instrument().equals(instrument))
            .map(s -> student(tx, s))
            .toList();
    Set<Integer> notes = new TreeSet<>();
    all.forEach(o -> o.map().places().forEach(p -> notes.add(p.written().midi())));
    return new Section(
        g,
        Catalogue.standard().instrument(instrument),
        all.stream().reduce((a, b) -> b).flatMap(OfStudent::compass),
        all.stream().map(OfStudent::student).toList(),
        notes.stream().map(m -> inSection(m, all)).toList());
  }

  /** Everyone of a group, section by section in the order of the list. */
  public record Grid(People.Group group, List<Section> sections) {}

  /** The notes that the group's stage has, and all others that were heard or come next. */
  public Grid grid(long groupId) {
    return db.inTransaction(
        tx -> {
          Group g = group(tx, groupId);
          Stage stage = g.group().stage();
          return new Grid(
              g.group(),
              g.sections().keySet().stream()
                  .map(i -> section(tx, g, i))
                  .map(s -> s.of(stage))
                  .toList());
        });
  }

  private static InSection inSection(int midi, List<OfStudent> all) {
    Map<People.Student, NoteMap.State> states = new LinkedHashMap<>();
    Set<People.Student> needing = new LinkedHashSet<>();
    List<Pitch> written = new ArrayList<>();
    for (OfStudent o : all) {
      o.map().places().stream()
          .filter(p -> p.written().midi() == midi)
          .forEach(
              p -> {
                written.add(p.written());
                states.put(o.student(), p.any());
                if (p.next()) {
                  needing.add(o.student());
                }
              });
    }
    return new InSection(written.get(0), needing, states);
  }

  /**
   * A group by what sounds, whatever the octave.
   *
   * @param students in the order of the numbers in the sounds
   */
  public record BySound(
      Group group, List<People.Student> students, List<GroupSounds.Sound> sounds) {}

  public BySound bySound(long groupId) {
    return db.inTransaction(
        tx -> {
          List<Learners.Known> known = learners.ofGroup(tx, group(tx, groupId).group().id());
          return new BySound(
              group(tx, groupId),
              known.stream().map(Learners.Known::student).toList(),
              GroupSounds.of(known.stream().map(Learners.Known::learner).toList()).sounds());
        });
  }
}
