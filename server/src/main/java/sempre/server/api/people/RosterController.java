package sempre.server.api.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;
import sempre.formats.csv.InstrumentNames;
import sempre.formats.csv.Roster;
import sempre.formats.csv.RosterMatch;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.WhoMarks;
import sempre.server.app.TakingRosters;

/** A list of students, pasted or from a file: looked at first, then taken. */
@RestController
@RequestMapping("/api/roster")
class RosterController {
  private static final int LONGEST = 200_000;

  private final TakingRosters rosters;

  RosterController(TakingRosters rosters) {
    this.rosters = rosters;
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
  record RosterBody(
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

    /** The rows, each with its group, and what was said of them. */
    private TakingRosters.Listed listed(Roster roster) {
      String usual = group == null ? "" : group.strip();
      return new TakingRosters.Listed(
          roster.rows().stream().map(r -> r.group().isEmpty() ? r.in(usual) : r).toList(),
          answers == null ? Map.of() : answers,
          initials == null ? Map.of() : initials,
          stages == null ? Map.of() : stages,
          Objects.toString(scale, ""));
    }
  }

  /** What a list would do, row by row; nothing is kept. */
  @PostMapping("/look")
  PeopleViews.RosterView look(@Valid @RequestBody RosterBody body) {
    Roster roster = body.read();
    TakingRosters.Look look = rosters.look(body.listed(roster));
    return new PeopleViews.RosterView(
        roster.columns().stream()
            .map(c -> new PeopleViews.RosterColumn(c.heading(), c.meaning(), c.samples()))
            .toList(),
        Arrays.stream(Roster.Meaning.values())
            .map(m -> new PeopleViews.MeaningView(m, Speech.words().say("meaning." + m.key())))
            .toList(),
        look.rows().stream().map(RosterController::view).toList(),
        look.groups(),
        look.taken());
  }

  /** Takes every row that is new and has nothing wrong; groups that are not there are set up. */
  @PostMapping
  PeopleViews.RosterDone take(@Valid @RequestBody RosterBody body) {
    TakingRosters.Taken t = rosters.take(body.listed(body.read()), WhoMarks.by());
    return new PeopleViews.RosterDone(
        t.added(),
        t.groups(),
        Speech.say("list.done", "added", t.added(), "joined", t.joined(), "fresh", t.groups()));
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
        new PeopleViews.RosterName(
            initial.isEmpty() ? r.name().given() : r.name().given() + " " + initial + ".",
            initial,
            o.longer(),
            o.sameAs()),
        new PeopleViews.RosterInstrument(
            r.called(),
            r.instrument().map(Speech.words()::instrument).orElse(""),
            r.instrument().isPresent()
                ? List.of()
                : InstrumentNames.meant(r.called()).stream()
                    .map(i -> new Refs.SchoolView(i.id(), Speech.words().instrument(i)))
                    .toList(),
            r.plays().map(p -> Speech.say("range", "from", p.from(), "to", p.to())).orElse(""),
            String.join(", ", more)),
        r.group(),
        r.seat(),
        r.part(),
        r.problems().stream().map(Speech.words()::say).toList());
  }
}
