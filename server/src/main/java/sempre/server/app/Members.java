package sempre.server.app;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Setup;
import sempre.core.learning.Grade;
import sempre.core.learning.Standing;
import sempre.core.planning.Player;
import sempre.server.store.Db;
import sempre.server.store.People;

/** Everyone there is: groups, students, and those who have left. */
@Component
public class Members {
  private static final int MOST = 1_000;

  private final Db db;
  private final Clock clock;
  private final People people;
  private final Players players;
  private final Memo<Entry> worked;

  Members(Db db, People people, Players players, Clock clock) {
    this.db = db;
    this.clock = clock;
    this.people = people;
    this.players = players;
    this.worked = new Memo<>(MOST, clock);
  }

  /** A group with its students' ids. */
  public record Group(People.Group group, List<Long> students) {}

  /**
   * What a student has in the hand.
   *
   * @param reach what is avoided, each hold with its side
   * @param bothHands what is avoided by a name that two holds share
   */
  public record Hand(Setup setup, List<Hold> reach, List<String> bothHands) {}

  /**
   * One student.
   *
   * @param others the same person on other instruments
   * @param left the day on which a student left who is not here any more
   */
  public record Entry(
      People.Student student,
      Hand hand,
      List<Long> groups,
      List<People.Student> others,
      Optional<LocalDate> left,
      int secure,
      int shaky) {}

  public record Everyone(List<Group> groups, List<Entry> students, List<Entry> gone) {}

  public Everyone everyone() {
    return db.inTransaction(
        tx -> {
          List<Group> groups = new ArrayList<>();
          for (People.Group g : people.groups(tx)) {
            groups.add(
                new Group(
                    g, people.students(tx, g.id()).stream().map(People.Student::id).toList()));
          }
          List<Entry> students = new ArrayList<>();
          for (People.Student s : people.students(tx)) {
            students.add(worked.of(tx, s.id(), LocalDate.now(clock), () -> entry(tx, s)));
          }
          List<Entry> gone = people.gone(tx).stream().map(s -> entry(tx, s)).toList();
          return new Everyone(groups, students, gone);
        });
  }

  private Entry entry(Db.Tx tx, People.Student s) {
    Standing standing = players.standing(tx, s.id());
    return new Entry(
        s,
        hand(s),
        people.groupsOf(tx, s.id()),
        people.ofPerson(tx, s.person()).stream().filter(o -> o.id() != s.id()).toList(),
        people.left(tx, s.id()),
        count(standing, Grade.SECURE),
        count(standing, Grade.SHAKY));
  }

  private static int count(Standing standing, Grade grade) {
    return (int) standing.marks().stream().filter(m -> m.grade() == grade).count();
  }

  private static Hand hand(People.Student s) {
    Setup setup = Catalogue.standard().setup(s.instrument(), s.options());
    Keywork keywork = setup.instrument().keywork();
    Set<String> avoid = Player.of(setup, Map.of(), s.avoid(), Optional.empty()).avoid();
    return new Hand(
        setup,
        setup.instrument().reachable().stream()
            .filter(h -> avoid.contains(keywork.place(h)))
            .toList(),
        s.avoid().stream()
            .map(a -> keywork.places(a, setup.options()))
            .filter(places -> places.size() > 1)
            .flatMap(java.util.Collection::stream)
            .toList());
  }
}
