package sempre.server.app;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Instrument;
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
    people.students(tx, id).forEach(s -> sections.merge(s.instrument(), 1, Integer::sum));
    return new Group(g, sections);
  }

  /**
   * A note and who of a section has it.
   *
   * @param next whether an assigned part brings it to one who lacks it
   * @param states of everyone
   */
  public record InSection(Pitch written, boolean next, Map<People.Student, NoteMap.State> states) {
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
   */
  public record Section(
      Group group, Instrument instrument, Optional<Compass> compass, List<InSection> notes) {}

  public Section section(long groupId, String instrument) {
    return db.inTransaction(
        tx -> {
          Group g = group(tx, groupId);
          Instrument i = Catalogue.standard().instrument(instrument);
          List<OfStudent> all =
              people.students(tx, groupId).stream()
                  .filter(s -> s.instrument().equals(instrument))
                  .map(s -> student(tx, s))
                  .toList();
          Set<Integer> notes = new TreeSet<>();
          all.forEach(o -> o.map().places().forEach(p -> notes.add(p.written().midi())));
          return new Section(
              g,
              i,
              all.stream().reduce((a, b) -> b).flatMap(OfStudent::compass),
              notes.stream().map(m -> inSection(m, all)).toList());
        });
  }

  private static InSection inSection(int midi, List<OfStudent> all) {
    Map<People.Student, NoteMap.State> states = new LinkedHashMap<>();
    List<NoteMap.Place> places = new ArrayList<>();
    for (OfStudent o : all) {
      o.map().places().stream()
          .filter(p -> p.written().midi() == midi)
          .forEach(
              p -> {
                places.add(p);
                states.put(o.student(), p.any());
              });
    }
    return new InSection(
        places.get(0).written(), places.stream().anyMatch(NoteMap.Place::next), states);
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
