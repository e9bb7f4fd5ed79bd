package sempre.server.api;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Instrument;
import sempre.formats.csv.Roster;
import sempre.server.store.Db;
import sempre.server.store.People;

/** A list of students, pasted or from a file: looked at first, then taken. */
@RestController
@RequestMapping("/api/roster")
class RosterController {
  private static final int LONGEST = 200_000;

  private final Db db;
  private final People people;

  RosterController(Db db, People people) {
    this.db = db;
    this.people = people;
  }

  /**
   * A list.
   *
   * @param meanings what the columns mean, in order; empty to guess
   * @param group the group for those whose row names none; empty for no group
   */
  record RosterBody(
      @NotNull(message = "paste a list")
          @Size(max = LONGEST, message = "the list is too long; take it in several parts")
          String text,
      List<Roster.Meaning> meanings,
      @Size(max = 80, message = "keep the group's name under 80 letters") String group) {
    private Roster read() {
      return Roster.read(text, meanings == null ? List.of() : meanings);
    }

    private String group(Roster.Row row) {
      return !row.group().isEmpty() ? row.group() : group == null ? "" : group.strip();
    }
  }

  /** What a list would do, row by row; nothing is kept. */
  @PostMapping("/look")
  Views.RosterView look(@Valid @RequestBody RosterBody body) {
    Roster roster = body.read();
    return db.inTransaction(
        tx -> {
          Set<String> there = there(tx);
          List<Views.RosterRow> rows = new ArrayList<>();
          for (Roster.Row r : roster.rows()) {
            rows.add(view(r, body.group(r), there));
          }
          return new Views.RosterView(
              roster.columns().stream()
                  .map(c -> new Views.RosterColumn(c.heading(), c.meaning().name(), c.samples()))
                  .toList(),
              Arrays.stream(Roster.Meaning.values())
                  .map(m -> new Views.MeaningView(m.name(), m.words()))
                  .toList(),
              rows,
              (int) rows.stream().filter(r -> r.state().equals("new")).count());
        });
  }

  /** Takes every row that is new and has nothing wrong; groups that are not there are set up. */
  @PostMapping
  Views.RosterDone take(@Valid @RequestBody RosterBody body) {
    Roster roster = body.read();
    return db.inTransaction(
        tx -> {
          Set<String> there = there(tx);
          Set<String> groups = new LinkedHashSet<>();
          int added = 0;
          int before = people.groups(tx).size();
          for (Roster.Row r : roster.rows()) {
            String group = body.group(r);
            if (!r.problems().isEmpty() || there.contains(key(r, group))) {
              continue;
            }
            long id =
                people.add(
                    tx,
                    new People.Student(
                        0,
                        r.givenName(),
                        r.initial(),
                        r.instrument().orElseThrow().id(),
                        r.options(),
                        r.avoid(),
                        Map.of(),
                        0));
            if (!group.isEmpty()) {
              groups.add(group);
              people.setGroups(tx, id, List.of(group(tx, group)));
            }
            added++;
          }
          if (added == 0) {
            throw new IllegalArgumentException(
                "no row of the list can be taken; see what is said beside each");
          }
          int fresh = people.groups(tx).size() - before;
          return new Views.RosterDone(
              added,
              fresh,
              added
                  + (added == 1 ? " student is set up" : " students are set up")
                  + (fresh == 0
                      ? "."
                      : fresh == 1 ? ", and a new group." : ", and " + fresh + " new groups."));
        });
  }

  private long group(Db.Tx tx, String name) throws SQLException {
    Optional<People.Group> found =
        people.groups(tx).stream().filter(g -> g.name().equalsIgnoreCase(name)).findFirst();
    return found.isPresent() ? found.get().id() : people.addGroup(tx, name);
  }

  /** Everyone who is here, by name, instrument and group. */
  private Set<String> there(Db.Tx tx) throws SQLException {
    Set<String> there = new HashSet<>();
    for (People.Group g : people.groups(tx)) {
      for (People.Student s : people.students(tx, g.id())) {
        there.add(key(s.givenName(), s.initial(), s.instrument(), g.name()));
      }
    }
    for (People.Student s : people.students(tx)) {
      there.add(key(s.givenName(), s.initial(), s.instrument(), ""));
    }
    return there;
  }

  private static String key(Roster.Row r, String group) {
    return key(r.givenName(), r.initial(), r.instrument().map(Instrument::id).orElse(""), group);
  }

  private static String key(String given, String initial, String instrument, String group) {
    return String.join("|", given, initial, instrument, group).toLowerCase(Locale.ROOT);
  }

  private static Views.RosterRow view(Roster.Row r, String group, Set<String> there) {
    List<String> problems = new ArrayList<>(r.problems());
    boolean wrong = !problems.isEmpty();
    boolean known = !wrong && there.contains(key(r, group));
    if (known) {
      problems.add("on this instrument" + (group.isEmpty() ? "" : " in this group"));
    }
    List<String> more = new ArrayList<>();
    r.options().forEach((k, v) -> more.add(k + "=" + v));
    if (!r.avoid().isEmpty()) {
      Instrument i = r.instrument().orElseThrow();
      more.add(
          "does not reach the "
              + i.reachable().stream()
                  .filter(h -> r.avoid().contains(i.keywork().place(h)))
                  .map(Hold::words)
                  .collect(Collectors.joining(", ")));
    }
    return new Views.RosterRow(
        r.line(),
        r.initial().isEmpty() ? r.givenName() : r.givenName() + " " + r.initial() + ".",
        r.instrument().map(Instrument::name).orElse(""),
        group,
        String.join(", ", more),
        wrong ? "wrong" : known ? "there" : "new",
        problems);
  }
}
