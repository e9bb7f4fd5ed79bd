package sempre.server.app;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Instrument;
import sempre.core.planning.Player;
import sempre.core.teaching.Ways;
import sempre.server.store.Db;
import sempre.server.store.People;

/** Groups and students are set up, changed and erased; the house decides how it plays. */
@Component
public class Enrolling {
  private final Db db;
  private final People people;
  private final Players players;
  private final FingeringChanges changes;
  private final Erasing erasing;

  Enrolling(Db db, People people, Players players, FingeringChanges changes, Erasing erasing) {
    this.db = db;
    this.people = people;
    this.players = players;
    this.changes = changes;
    this.erasing = erasing;
  }

  public long addGroup(People.Group g) {
    return db.inTransaction(tx -> people.addGroup(tx, g));
  }

  public void changeGroup(People.Group g) {
    db.run(tx -> found(people.changeGroup(tx, g), "gone.group"));
  }

  /**
   * Adds a student.
   *
   * @return the id that is given out
   */
  public long add(People.Student student, List<Long> groups) {
    People.Student s = checked(student);
    return db.inTransaction(
        tx -> {
          if (s.person() != 0) {
            found(people.ofPerson(tx, s.person()).size(), "gone.student");
          }
          long id = people.add(tx, s);
          people.setGroups(tx, id, groups);
          return id;
        });
  }

  /**
   * Sets which part of their sections students of a group play.
   *
   * @param parts by student, 0 where it is not said
   */
  public void setParts(long groupId, Map<Long, Integer> parts) {
    db.run(
        tx -> {
          found(people.group(tx, groupId).isPresent() ? 1 : 0, "gone.group");
          Set<Long> members =
              people.students(tx, groupId).stream()
                  .map(People.Student::id)
                  .collect(Collectors.toSet());
          parts.forEach(
              (student, part) ->
                  found(
                      members.contains(student) ? people.setPart(tx, student, part) : 0,
                      "gone.student"));
        });
  }

  public void change(People.Student student, List<Long> groups) {
    People.Student s = checked(student);
    db.run(
        tx -> {
          found(people.change(tx, s), "gone.student");
          people.setGroups(tx, s.id(), groups);
        });
  }

  /** A student with words that the catalogue knows; a reach without a side is both hands'. */
  private static People.Student checked(People.Student s) {
    s.style()
        .forEach(
            (name, school) -> {
              if (Ways.has(name)) {
                Ways.check(name, school);
              }
            });
    Player player =
        Player.of(
            Catalogue.standard().setup(s.instrument(), s.options()),
            Ways.without(s.style()),
            s.avoid(),
            Optional.empty());
    return s.avoiding(player.avoid());
  }

  /** What was erased of a person: how many instruments, and how much, by what it is. */
  public record Erased(People.Student student, int instruments, Map<String, Integer> written) {}

  /**
   * Erases a student for good.
   *
   * @param all every instrument of the person, or only this one
   * @param backups whether backups in the folder of the data go too
   */
  public Erased erase(long id, boolean all, boolean backups) {
    Erased erased =
        db.inTransaction(
            tx -> {
              People.Student s = players.student(tx, id);
              List<People.Student> who = all ? people.ofPerson(tx, s.person()) : List.of(s);
              Map<String, Integer> sum = new LinkedHashMap<>();
              for (People.Student one : who) {
                people.written(tx, one.id()).forEach((k, n) -> sum.merge(k, n, Integer::sum));
                people.erase(tx, one.id());
              }
              return new Erased(s, who.size(), sum);
            });
    erasing.again(backups);
    return erased;
  }

  /**
   * What the house has decided, by instrument; under {@link People#EVERYONE} what holds for all of
   * them, complete.
   */
  public Map<String, Map<String, String>> styles() {
    return db.inTransaction(
        tx -> {
          Map<String, Map<String, String>> all = new LinkedHashMap<>();
          all.put(People.EVERYONE, Ways.with(people.houseStyle(tx, People.EVERYONE)));
          for (Instrument i : Catalogue.standard().instruments()) {
            if (!i.styles().isEmpty()) {
              all.put(i.id(), people.houseStyle(tx, i.id()));
            }
          }
          return all;
        });
  }

  /**
   * Changes a house style.
   *
   * @param school one of the ways; empty for an instrument takes the decision back
   * @return what is fingered otherwise in the assigned parts for it
   */
  public List<FingeringChanges.Changed> setStyle(String instrument, String name, String school) {
    if (instrument.equals(People.EVERYONE)) {
      Ways.check(name, school);
    } else {
      Instrument played = Catalogue.standard().instrument(instrument);
      played.stylesWith(Map.of(name, school.isEmpty() ? played.style(name).standard() : school));
    }
    List<People.Student> players =
        db.inTransaction(people::students).stream()
            .filter(s -> s.instrument().equals(instrument))
            .filter(s -> !s.style().containsKey(name))
            .toList();
    return changes.of(players, tx -> people.setHouseStyle(tx, instrument, name, school));
  }

  private static void found(int rows, String sentence) {
    if (rows == 0) {
      throw new NotThere(sentence);
    }
  }
}
