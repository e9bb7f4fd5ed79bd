package sempre.server.api.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.learning.PlayedAlready;
import sempre.core.pitch.Pitch;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.WhoMarks;
import sempre.server.app.NotThere;
import sempre.server.app.Players;
import sempre.server.app.PlaysAlready;
import sempre.server.store.Db;
import sempre.server.store.People;

/** What a whole group plays already, section by section. */
@RestController
@RequestMapping("/api/groups/{groupId}/plays")
public class PlaysController {
  private final Db db;
  private final People people;
  private final Players players;
  private final PlaysAlready plays;

  public PlaysController(Db db, People people, Players players, PlaysAlready plays) {
    this.db = db;
    this.people = people;
    this.players = players;
    this.plays = plays;
  }

  /**
   * A section.
   *
   * @param notes as written for it
   */
  public record SectionBody(
      @NotBlank(message = "ask.instrument") String instrument,
      @NotEmpty(message = "ask.notes") List<String> notes) {}

  public record PlaysBody(
      @NotEmpty(message = "ask.section-notes") List<@Valid SectionBody> sections) {}

  @GetMapping
  public PeopleViews.PlaysView sections(@PathVariable long groupId) {
    return db.inTransaction(
        tx -> {
          People.Group group = group(tx, groupId);
          List<PeopleViews.PlaysSection> sections = new ArrayList<>();
          for (Map.Entry<String, List<People.Student>> s : sections(tx, groupId).entrySet()) {
            sections.add(section(tx, s.getKey(), s.getValue()));
          }
          return new PeopleViews.PlaysView(group.name(), group.stage(), sections);
        });
  }

  private Map<String, List<People.Student>> sections(Db.Tx tx, long groupId) {
    Map<String, List<People.Student>> sections = new LinkedHashMap<>();
    for (People.Student s : people.students(tx, groupId)) {
      sections.computeIfAbsent(s.instrument(), k -> new ArrayList<>()).add(s);
    }
    return sections;
  }

  private PeopleViews.PlaysSection section(Db.Tx tx, String id, List<People.Student> students) {
    Instrument i = Catalogue.standard().instrument(id);
    Setup setup = players.setup(tx, students.get(0));
    List<BitSet> has = new ArrayList<>();
    for (People.Student s : students) {
      has.add(players.standing(tx, s.id()).has());
    }
    List<PeopleViews.PlaysNote> notes = new ArrayList<>();
    for (int midi = setup.lowest().midi(); midi <= setup.highest().midi(); midi++) {
      int m = midi;
      PlayedAlready.standard(setup, midi)
          .map(Entry::written)
          .ifPresent(
              p ->
                  notes.add(
                      new PeopleViews.PlaysNote(
                          p.toString(),
                          Speech.words().note(p),
                          i.transposition().sounding(p).pitchClass(),
                          stage(setup, p),
                          (int) has.stream().filter(h -> h.get(m)).count())));
    }
    return new PeopleViews.PlaysSection(
        id,
        Speech.words().instrument(i),
        i.clef(),
        students.stream().map(Refs.StudentRef::of).toList(),
        notes);
  }

  private static Refs.Reached stage(Setup setup, Pitch p) {
    return Refs.Reached.of(setup.instrument().compass(setup.options()).stageOf(p));
  }

  /** Writes it down for everyone of each section; what a student has already stays as it is. */
  @PostMapping
  public PeopleViews.PlaysDone write(
      @PathVariable long groupId, @Valid @RequestBody PlaysBody body) {
    return db.inTransaction(
        tx -> {
          group(tx, groupId);
          Map<String, List<People.Student>> sections = sections(tx, groupId);
          List<PeopleViews.PlaysMarks> done = new ArrayList<>();
          int marks = 0;
          for (SectionBody b : body.sections()) {
            for (People.Student s : sections.getOrDefault(b.instrument(), List.of())) {
              List<Long> ids = plays.those(tx, s, b.notes(), WhoMarks.by());
              marks += ids.size();
              done.add(new PeopleViews.PlaysMarks(s.id(), ids));
            }
          }
          return new PeopleViews.PlaysDone(marks, done);
        });
  }

  private People.Group group(Db.Tx tx, long id) {
    return people.group(tx, id).orElseThrow(() -> new NotThere("gone.group"));
  }
}
