package sempre.server.app;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.instrument.Stage;
import sempre.formats.csv.Roster;
import sempre.formats.csv.RosterMatch;
import sempre.server.store.Batches;
import sempre.server.store.Db;
import sempre.server.store.People;

/** A list of students, pasted or from a file: looked at first, then taken. */
@Component
public class TakingRosters {
  private final Db db;
  private final People people;
  private final PlaysAlready plays;
  private final Batches batches;
  private final Clock clock;

  TakingRosters(Db db, People people, PlaysAlready plays, Batches batches, Clock clock) {
    this.db = db;
    this.people = people;
    this.plays = plays;
    this.batches = batches;
    this.clock = clock;
  }

  /**
   * A list with what the teacher has said of it.
   *
   * @param answers by line, whether a row is the same child as one who is here
   * @param initials by line, initials that the teacher has chosen
   * @param stages how far new groups have got, by name
   * @param scale tonic of the major scale, as it sounds, by whose steps ranges are played; empty
   *     for every half step
   */
  public record Listed(
      List<Roster.Row> rows,
      Map<Integer, RosterMatch.Answer> answers,
      Map<Integer, String> initials,
      Map<String, Stage> stages,
      String scale) {}

  /** What a list would do, row by row; {@code groups} are new. */
  public record Look(List<RosterMatch.Outcome> rows, List<String> groups) {
    /** How many rows would be taken. */
    public int taken() {
      return (int) rows.stream().filter(TakingRosters::takes).count();
    }
  }

  public Look look(Listed list) {
    return db.inTransaction(
        tx -> {
          List<RosterMatch.Outcome> rows = match(tx, list);
          Set<String> groups = new LinkedHashSet<>();
          for (RosterMatch.Outcome o : rows) {
            if (takes(o) && !o.row().group().isEmpty() && find(tx, o.row().group()).isEmpty()) {
              groups.add(o.row().group());
            }
          }
          return new Look(rows, List.copyOf(groups));
        });
  }

  private List<RosterMatch.Outcome> match(Db.Tx tx, Listed list) {
    return RosterMatch.of(list.rows(), present(tx), list.answers(), list.initials());
  }

  private static boolean takes(RosterMatch.Outcome o) {
    return o.state() == RosterMatch.State.NEW || o.state() == RosterMatch.State.JOINS;
  }

  /** How many students were added, how many joined a group, how many groups are new. */
  public record Taken(int added, int joined, int groups) {}

  /**
   * Takes every row that is new and has nothing wrong; groups that are not there are set up. All of
   * it can be taken back in one go ({@link TakingBack}).
   *
   * @param by who takes it
   * @throws Refusal where nothing is to be taken, or a new group has no stage
   */
  public Taken take(Listed list, String by) {
    return db.inTransaction(
        tx -> {
          int before = people.groups(tx).size();
          long batch =
              batches.begin(
                  tx,
                  Batches.Kind.ROSTER,
                  OptionalLong.empty(),
                  OptionalLong.empty(),
                  clock.instant());
          int added = 0;
          int joined = 0;
          Map<Integer, Long> ids = new HashMap<>();
          for (RosterMatch.Outcome o : match(tx, list)) {
            long id = o.student();
            if (o.state() == RosterMatch.State.NEW) {
              id = add(tx, o, list.scale(), by);
              batches.student(tx, batch, id);
              added++;
            }
            ids.put(o.row().line(), id);
            boolean known = o.state() == RosterMatch.State.THERE && o.sameAs() > 0;
            if (takes(o) || known) {
              long whom = known ? ids.getOrDefault(o.sameAs(), 0L) : id;
              boolean joins = join(tx, batch, whom, o.row().group(), list.stages());
              joined += joins && id == o.student() ? 1 : 0;
            }
          }
          if (added + joined == 0) {
            throw new Refusal("list.nothing-taken");
          }
          return new Taken(added, joined, people.groups(tx).size() - before);
        });
  }

  private long add(Db.Tx tx, RosterMatch.Outcome o, String scale, String by) {
    Roster.Row r = o.row();
    long id =
        people.add(
            tx,
            new People.Student(
                0,
                r.name().given(),
                o.initial(),
                r.instrument().orElseThrow().id(),
                r.options(),
                r.avoid(),
                Map.of(),
                0,
                r.seat(),
                r.part()));
    if (r.plays().isPresent()) {
      plays.range(tx, people.student(tx, id).orElseThrow(), r.plays().get(), scale, by);
    }
    return id;
  }

  /** Puts a student into a group, which is set up where it is not there; whether that is new. */
  private boolean join(Db.Tx tx, long batch, long student, String name, Map<String, Stage> stages) {
    if (name.isEmpty() || student == 0) {
      return false;
    }
    long group =
        find(tx, name).map(People.Group::id).orElseGet(() -> setUp(tx, batch, name, stages));
    List<Long> groups = new ArrayList<>(people.groupsOf(tx, student));
    if (groups.contains(group)) {
      return false;
    }
    groups.add(group);
    people.setGroups(tx, student, groups);
    batches.joined(tx, batch, student, group);
    return true;
  }

  private long setUp(Db.Tx tx, long batch, String name, Map<String, Stage> stages) {
    Stage stage =
        Optional.ofNullable(stages.get(name))
            .orElseThrow(() -> new Refusal("list.stage", "group", name));
    long id = people.addGroup(tx, new People.Group(0, name, stage, ""));
    batches.group(tx, batch, id);
    return id;
  }

  private Optional<People.Group> find(Db.Tx tx, String name) {
    return people.groups(tx).stream().filter(g -> g.name().equalsIgnoreCase(name)).findFirst();
  }

  /** Everyone who is here. */
  private List<RosterMatch.Present> present(Db.Tx tx) {
    Map<Long, Set<String>> groups = new HashMap<>();
    for (People.Group g : people.groups(tx)) {
      for (People.Student s : people.students(tx, g.id())) {
        groups.computeIfAbsent(s.id(), k -> new LinkedHashSet<>()).add(g.name());
      }
    }
    return people.students(tx).stream()
        .map(
            s ->
                new RosterMatch.Present(
                    s.id(),
                    s.givenName(),
                    s.initial(),
                    s.instrument(),
                    groups.getOrDefault(s.id(), Set.of())))
        .toList();
  }
}
