package sempre.server.api.shelf;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.planning.Plan;
import sempre.core.score.Line;
import sempre.core.score.Part;
import sempre.formats.abc.Problem;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.Typing;

/** Music that is typed: engraved, fingered and heard while it grows, then put on the shelf. */
@RestController
@RequestMapping("/api/typed")
public class TypingController {
  private static final int MOST_LETTERS = 100_000;

  private final Typing typing;

  public TypingController(Typing typing) {
    this.typing = typing;
  }

  /** What is typed, and for whom it stands in the book. */
  public record TypedBody(
      @NotNull @Size(max = MOST_LETTERS) String text,
      @NotNull @Size(max = 40) String key,
      @NotNull @Size(max = 20) String meter,
      @NotNull @Size(max = 60) String tempo,
      @NotNull String instrument) {
    Typing.Typed typed() {
      return new Typing.Typed(text, key, meter, tempo, instrument);
    }
  }

  /** What is typed, with what it is called on the shelf. */
  public record TypedPiece(
      @NotNull @Valid TypedBody music,
      @NotNull String title,
      @NotNull String book,
      @NotNull String number) {}

  /** Something that can't be read; line and column begin with 1. */
  public record TypedProblem(int line, int column, String sentence) {}

  /** A note with its fingering; times are in seconds. */
  public record TypedNote(
      String id,
      String shown,
      String fingering,
      String label,
      double at,
      double seconds,
      int writtenMidi,
      int soundingMidi) {}

  /** A tune as it stands so far; {@code xml} is to be engraved. */
  public record TypedTune(
      String title,
      String number,
      int bars,
      String xml,
      List<TypedNote> notes,
      List<TypedProblem> problems) {}

  @PostMapping("/look")
  public List<TypedTune> look(@RequestBody @Valid TypedBody body) {
    return typing.look(body.typed()).stream().map(TypingController::view).toList();
  }

  @PostMapping
  public List<Refs.Id> keep(@RequestBody @Valid TypedPiece body) {
    return typing.keep(body.music().typed(), body.title(), body.book(), body.number()).stream()
        .map(Refs.Id::new)
        .toList();
  }

  private static TypedTune view(Typing.Seen seen) {
    return new TypedTune(
        seen.tune().title(),
        seen.tune().number(),
        seen.part().bars().size(),
        seen.page(),
        seen.plan().map(p -> notes(p, seen.part())).orElse(List.of()),
        seen.tune().problems().stream().map(TypingController::view).toList());
  }

  private static TypedProblem view(Problem p) {
    return new TypedProblem(p.line(), p.column(), Speech.words().sentence(p.saying()));
  }

  private static List<TypedNote> notes(Plan plan, Part part) {
    Line line = part.topLine().orElseThrow();
    return plan.notes().stream()
        .map(
            n ->
                new TypedNote(
                    n.note().id(),
                    Speech.words().note(n.note().pitch()),
                    n.way().bare().text(),
                    Speech.words().label(n.way().entry()),
                    line.begins(n.note()),
                    line.lasts(n.note()),
                    n.note().pitch().midi(),
                    n.sounding().midi()))
        .toList();
  }
}
