package sempre.server.api.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.WhoMarks;
import sempre.server.app.PlaysAlready;

/** What a whole group plays already, section by section. */
@RestController
@RequestMapping("/api/groups/{groupId}/plays")
public class PlaysController {
  private final PlaysAlready plays;

  PlaysController(PlaysAlready plays) {
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
    PlaysAlready.Sections all = plays.sections(groupId);
    return new PeopleViews.PlaysView(
        all.group().name(),
        all.group().stage(),
        all.sections().stream().map(PlaysController::view).toList());
  }

  private static PeopleViews.PlaysSection view(PlaysAlready.Section s) {
    Setup setup = s.setup();
    Instrument i = setup.instrument();
    Compass compass = i.compass(setup.options());
    List<PeopleViews.PlaysNote> notes = new ArrayList<>();
    s.notes()
        .forEach(
            (p, having) ->
                notes.add(
                    new PeopleViews.PlaysNote(
                        p.toString(),
                        Speech.words().note(p),
                        i.transposition().sounding(p).pitchClass(),
                        Refs.Reached.of(compass.stageOf(p)),
                        having)));
    return new PeopleViews.PlaysSection(
        i.id(),
        Speech.words().instrument(i),
        i.clef(),
        s.students().stream().map(Refs.StudentRef::of).toList(),
        notes);
  }

  /** The notes of a section. */
  record BookNotes(String instrument, List<String> notes) {}

  /** The notes that some pieces bring each section, as when a book was played up to a number. */
  @GetMapping("/pieces")
  List<BookNotes> ofPieces(
      @PathVariable long groupId, @RequestParam @Size(min = 1, max = 200) List<Long> piece) {
    return plays.ofPieces(groupId, piece).entrySet().stream()
        .map(e -> new BookNotes(e.getKey(), e.getValue().stream().map(Pitch::toString).toList()))
        .toList();
  }

  /** Writes it down for everyone of each section; what a student has already stays as it is. */
  @PostMapping
  public PeopleViews.PlaysDone write(
      @PathVariable long groupId, @Valid @RequestBody PlaysBody body) {
    Map<String, List<String>> notes = new LinkedHashMap<>();
    body.sections().forEach(s -> notes.put(s.instrument(), s.notes()));
    List<PlaysAlready.Written> done = plays.sections(groupId, notes, WhoMarks.by());
    return new PeopleViews.PlaysDone(
        done.stream().mapToInt(w -> w.entries().size()).sum(),
        (int) done.stream().filter(w -> !w.entries().isEmpty()).count());
  }
}
