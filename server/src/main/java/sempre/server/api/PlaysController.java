package sempre.server.api;

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
import sempre.core.instrument.Stage;
import sempre.core.learning.PlayedAlready;
import sempre.core.pitch.Pitch;
import sempre.server.store.Db;
import sempre.server.store.People;

/** What a whole group plays already, section by section. */
@RestController
@RequestMapping("/api/groups/{groupId}/plays")
class PlaysController {
  private final Db db;
  private final People people;
  private final Players players;
  private final PlaysAlready plays;

  PlaysController(Db db, People people, Players players, PlaysAlready plays) {
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
  record SectionBody(
      @NotBlank(message = "ask.instrument") String instrument,
      @NotEmpty(message = "ask.notes") List<String> notes) {}

  record PlaysBody(@NotEmpty(message = "ask.section-notes") List<@Valid SectionBody> sections) {}

  @GetMapping
  Views.PlaysView sections(@PathVariable long groupId) {
    return db.inTransaction(
        tx -> {
          People.Group group = group(tx, groupId);
          List<Views.PlaysSection> sections = new ArrayList<>();
          for (Map.Entry<String, List<People.Student>> s : sections(tx, groupId).entrySet()) {
            sections.add(section(tx, s.getKey(), s.getValue()));
          }
          return new Views.PlaysView(group.name(), Stage.of(group.stage()), sections);
        });
  }

  private Map<String, List<People.Student>> sections(Db.Tx tx, long groupId) {
    Map<String, List<People.Student>> sections = new LinkedHashMap<>();
    for (People.Student s : people.students(tx, groupId)) {
      sections.computeIfAbsent(s.instrument(), k -> new ArrayList<>()).add(s);
    }
    return sections;
  }

  private Views.PlaysSection section(Db.Tx tx, String id, List<People.Student> students) {
    Instrument i = Catalogue.standard().instrument(id);
    Setup setup = players.setup(tx, students.get(0));
    List<BitSet> has = new ArrayList<>();
    for (People.Student s : students) {
      has.add(players.standing(tx, s.id()).has());
    }
    List<Views.PlaysNote> notes = new ArrayList<>();
    for (int midi = setup.lowest().midi(); midi <= setup.highest().midi(); midi++) {
      int m = midi;
      PlayedAlready.standard(setup, midi)
          .map(Entry::written)
          .ifPresent(
              p ->
                  notes.add(
                      new Views.PlaysNote(
                          p.toString(),
                          Speech.words().note(p),
                          i.transposition().sounding(p).pitchClass(),
                          stage(setup, p),
                          (int) has.stream().filter(h -> h.get(m)).count())));
    }
    return new Views.PlaysSection(
        id,
        Speech.words().instrument(i),
        i.clef(),
        students.stream().map(Names::student).toList(),
        notes);
  }

  private static Views.Reached stage(Setup setup, Pitch p) {
    return Views.Reached.of(setup.instrument().compass(setup.options()).stageOf(p));
  }

  /** Writes it down for everyone of each section; what a student has already stays as it is. */
  @PostMapping
  Views.PlaysDone write(@PathVariable long groupId, @Valid @RequestBody PlaysBody body) {
    return db.inTransaction(
        tx -> {
          group(tx, groupId);
          Map<String, List<People.Student>> sections = sections(tx, groupId);
          List<Views.PlaysMarks> done = new ArrayList<>();
          int marks = 0;
          for (SectionBody b : body.sections()) {
            for (People.Student s : sections.getOrDefault(b.instrument(), List.of())) {
              List<Long> ids = plays.those(tx, s, b.notes());
              marks += ids.size();
              done.add(new Views.PlaysMarks(s.id(), ids));
            }
          }
          return new Views.PlaysDone(marks, done);
        });
  }

  private People.Group group(Db.Tx tx, long id) {
    return people.group(tx, id).orElseThrow(() -> new Errors.NotThere("gone.group"));
  }
}
