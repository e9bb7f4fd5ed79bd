package sempre.server.api.lesson;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Instrument;
import sempre.core.learning.NoteMap;
import sempre.formats.csv.StandingsCsv;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.NoteMaps;
import sempre.server.store.People;

/** Everyone of a group and every note: the grid for the wall, and for a spreadsheet. */
@RestController
@RequestMapping("/api/groups/{id}")
class GridController {
  private final NoteMaps maps;

  GridController(NoteMaps maps) {
    this.maps = maps;
  }

  @GetMapping("/grid")
  LessonViews.GridView grid(@PathVariable long id) {
    NoteMaps.Grid grid = maps.grid(id);
    return new LessonViews.GridView(
        grid.group().name(), grid.sections().stream().map(GridController::view).toList());
  }

  private static LessonViews.GridSection view(NoteMaps.Section s) {
    return new LessonViews.GridSection(
        s.instrument().id(),
        Speech.words().instrument(s.instrument()),
        s.notes().stream()
            .map(
                n ->
                    new LessonViews.GridNote(
                        Refs.NoteName.of(Speech.alone(n.written())),
                        Refs.Reached.of(s.compass().flatMap(c -> c.stageOf(n.written()))),
                        n.next()))
            .toList(),
        s.students().stream()
            .map(
                p ->
                    new LessonViews.GridRow(
                        Refs.StudentRef.of(p),
                        p.seat(),
                        s.notes().stream().map(n -> state(n, p)).toList()))
            .toList());
  }

  /** One may lack a key, and the note with it. */
  private static NoteMap.State state(NoteMaps.InSection n, People.Student s) {
    return n.states().getOrDefault(s, NoteMap.State.OPEN);
  }

  /** The same for a spreadsheet: what was heard of each student, a row a note. */
  @GetMapping(value = "/grid.csv", produces = "text/csv")
  ResponseEntity<String> csv(@PathVariable long id) {
    NoteMaps.Grid grid = maps.grid(id);
    List<StandingsCsv.Row> rows = new ArrayList<>();
    for (NoteMaps.Section s : grid.sections()) {
      for (People.Student p : s.students()) {
        for (NoteMaps.InSection n : s.notes()) {
          NoteMap.State state = state(n, p);
          if (state != NoteMap.State.OPEN || n.nextFor(p)) {
            rows.add(row(s.instrument(), p, n, state));
          }
        }
      }
    }
    List<String> heading =
        Stream.of("section", "student", "part", "seat", "written", "sounds", "standing", "next")
            .map(c -> Speech.say("grid." + c))
            .toList();
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(grid.group().name() + ".csv", StandardCharsets.UTF_8)
                .build()
                .toString())
        .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
        .body(StandingsCsv.write(heading, Speech.say("grid.yes"), rows));
  }

  private static StandingsCsv.Row row(
      Instrument i, People.Student s, NoteMaps.InSection n, NoteMap.State state) {
    return new StandingsCsv.Row(
        Speech.words().instrument(i),
        s.name(),
        s.part(),
        s.seat(),
        Speech.words().note(Speech.alone(n.written())),
        Speech.words().note(Speech.alone(i.transposition().sounding(n.written()))),
        Speech.say("grid.state", "state", state.name().toLowerCase(Locale.ROOT)),
        n.nextFor(s));
  }
}
