package sempre.server.api.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.Refusal;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.formats.csv.InstrumentNames;
import sempre.formats.csv.Roster;
import sempre.formats.csv.RosterMatch;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.WhoMarks;
import sempre.server.app.Players;
import sempre.server.app.PlaysAlready;
import sempre.server.store.Db;
import sempre.server.store.People;

/** A list of students, pasted or from a file: looked at first, then taken. */
@RestController
@RequestMapping("/api/roster")
public class RosterController {
  private static final int LONGEST = 200_000;

  private final Db db;
  private final People people;
  private final Players players;
  private final PlaysAlready plays;

  public RosterController(Db db, People people, Players players, PlaysAlready plays) {
    this.db = db;
    this.people = people;
    this.players = players;
    this.plays = plays;
  }

  /**
   * A list.
   *
   * @param meanings what the columns mean, in order; empty to guess
   * @param group the group for those whose row names none; empty for no group
   * @param called instruments by what the list calls them, where that was not clear
   * @param answers by line, whether a row is the same child as one who is here
   * @param initials by line, initials that the teacher has chosen
   * @param stages how far new groups have got, by name
   * @param scale tonic of the major scale, as it sounds, by whose steps ranges are played; empty
   *     for every half step
   */
  public record RosterBody(
      @NotNull(message = "ask.list") @Size(max = LONGEST, message = "ask.list-long") String text,
      List<Roster.Meaning> meanings,
      @Size(max = 80, message = "ask.group-long") String group,
      Map<String, String> called,
      Map<Integer, RosterMatch.Answer> answers,
      Map<Integer, @Size(max = 6, message = "ask.initial-long") String> initials,
      Map<String, Stage> stages,
      String scale) {
    private Roster read() {
      return Roster.read(
          text, meanings == null ? List.of() : meanings, called == null ? Map.of() : called);
    }

    /** The rows, each with its group. */
    private List<Roster.Row> rows(Roster roster) {
      String usual = group == null ? "" : group.strip();
      return roster.rows().stream().map(r -> r.group().isEmpty() ? r.in(usual) : r).toList();
    }
  }

  private List<RosterMatch.Outcome> match(Db.Tx tx, Roster roster, RosterBody body) {
    return RosterMatch.of(
        body.rows(roster),
        present(tx),
        body.answers() == null ? Map.of() : body.answers(),
        body.initials() == null ? Map.of() : body.initials());
  }

  /** What a list would do, row by row; nothing is kept. */
  @PostMapping("/look")
  public PeopleViews.RosterView look(@Valid @RequestBody RosterBody body) {
    Roster roster = body.read();
    return db.inTransaction(
        tx -> {
          List<RosterMatch.Outcome> rows = match(tx, roster, body);
          Set<String> groups = new LinkedHashSet<>();
          for (RosterMatch.Outcome o : rows) {
            if (takes(o) && !o.row().group().isEmpty() && find(tx, o.row().group()).isEmpty()) {
              groups.add(o.row().group());
            }
          }
          return new PeopleViews.RosterView(
              roster.columns().stream()
                  .map(c -> new PeopleViews.RosterColumn(c.heading(), c.meaning(), c.samples()))
                  .toList(),
              Arrays.stream(Roster.Meaning.values())
                  .map(
                      m -> new PeopleViews.MeaningView(m, Speech.words().say("meaning." + m.key())))
                  .toList(),
              rows.stream().map(RosterController::view).toList(),
              List.copyOf(groups),
              (int) rows.stream().filter(RosterController::takes).count());
        });
  }

  private static boolean takes(RosterMatch.Outcome o) {
    return o.state() == RosterMatch.State.NEW || o.state() == RosterMatch.State.JOINS;
  }

  /** Takes every row that is new and has nothing wrong; groups that are not there are set up. */
  @PostMapping
  public PeopleViews.RosterDone take(@Valid @RequestBody RosterBody body) {
    Roster roster = body.read();
    return db.inTransaction(
        tx -> {
          int before = people.groups(tx).size();
          int added = 0;
          int joined = 0;
          Map<Integer, Long> ids = new HashMap<>();
          for (RosterMatch.Outcome o : match(tx, roster, body)) {
            long id = o.student();
            if (o.state() == RosterMatch.State.NEW) {
              id = add(tx, o, body.scale());
              added++;
            }
            ids.put(o.row().line(), id);
            boolean known = o.state() == RosterMatch.State.THERE && o.sameAs() > 0;
            if (takes(o) || known) {
              long whom = known ? ids.getOrDefault(o.sameAs(), 0L) : id;
              joined += join(tx, whom, o.row().group(), body.stages()) && id == o.student() ? 1 : 0;
            }
          }
          if (added + joined == 0) {
            throw new Refusal("list.nothing-taken");
          }
          int fresh = people.groups(tx).size() - before;
          return new PeopleViews.RosterDone(added, fresh, done(added, joined, fresh));
        });
  }

  private long add(Db.Tx tx, RosterMatch.Outcome o, String scale) {
    Roster.Row r = o.row();
    People.Student s =
        new People.Student(
            0,
            r.name().given(),
            o.initial(),
            r.instrument().orElseThrow().id(),
            r.options(),
            r.avoid(),
            Map.of(),
            0,
            r.seat());
    long id = people.add(tx, s);
    if (r.plays().isPresent()) {
      plays.range(tx, players.student(tx, id), r.plays().get(), scale, WhoMarks.by());
    }
    return id;
  }

  /** Puts a student into a group, which is set up where it is not there; whether that is new. */
  private boolean join(Db.Tx tx, long student, String name, Map<String, Stage> stages) {
    if (name.isEmpty() || student == 0) {
      return false;
    }
    Optional<People.Group> found = find(tx, name);
    long group;
    if (found.isPresent()) {
      group = found.get().id();
    } else {
      Stage stage = stages == null ? null : stages.get(name);
      if (stage == null) {
        throw new Refusal("list.stage", "group", name);
      }
      group = people.addGroup(tx, new People.Group(0, name, stage, ""));
    }
    List<Long> groups = new ArrayList<>(people.groupsOf(tx, student));
    if (groups.contains(group)) {
      return false;
    }
    groups.add(group);
    people.setGroups(tx, student, groups);
    return true;
  }

  private static String done(int added, int joined, int fresh) {
    return Speech.say("list.done", "added", added, "joined", joined, "fresh", fresh);
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
    List<RosterMatch.Present> present = new ArrayList<>();
    for (People.Student s : people.students(tx)) {
      present.add(
          new RosterMatch.Present(
              s.id(),
              s.givenName(),
              s.initial(),
              s.instrument(),
              groups.getOrDefault(s.id(), Set.of())));
    }
    return present;
  }

  private static PeopleViews.RosterRow view(RosterMatch.Outcome o) {
    Roster.Row r = o.row();
    List<String> more = new ArrayList<>();
    r.options().forEach((k, v) -> more.add(k + "=" + v));
    if (!r.avoid().isEmpty()) {
      Instrument i = r.instrument().orElseThrow();
      more.add(
          Speech.say(
              "list.no-reach",
              "keys",
              i.reachable().stream()
                  .filter(h -> r.avoid().contains(i.keywork().place(h)))
                  .map(Speech.words()::hold)
                  .toList()));
    }
    String initial =
        o.state() == RosterMatch.State.WRONG || o.initial().isEmpty()
            ? r.initial().isEmpty() ? r.name().initial(1) : r.initial()
            : o.initial();
    return new PeopleViews.RosterRow(
        r.line(),
        o.state(),
        initial.isEmpty() ? r.name().given() : r.name().given() + " " + initial + ".",
        initial,
        o.longer(),
        o.sameAs(),
        r.called(),
        r.instrument().map(Speech.words()::instrument).orElse(""),
        r.instrument().isPresent()
            ? List.of()
            : InstrumentNames.meant(r.called()).stream()
                .map(i -> new Refs.SchoolView(i.id(), Speech.words().instrument(i)))
                .toList(),
        r.group(),
        r.seat(),
        r.plays().map(p -> Speech.say("range", "from", p.from(), "to", p.to())).orElse(""),
        String.join(", ", more),
        r.problems().stream().map(Speech.words()::say).toList());
  }
}
