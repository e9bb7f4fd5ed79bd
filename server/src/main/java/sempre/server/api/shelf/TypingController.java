package sempre.server.api.shelf;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Transposition;
import sempre.core.planning.Choice;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.formats.abc.PlainLetters;
import sempre.formats.abc.Problem;
import sempre.formats.music.MusicFile;
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
      @NotNull String instrument,
      @Min(1) @Max(16) int perLine) {
    Typing.Typed typed() {
      return new Typing.Typed(
          text, key, meter, tempo, instrument, perLine, Speech.words().german());
    }
  }

  /** What is typed, with what it is called on the shelf. */
  public record TypedPiece(
      @NotNull @Valid TypedBody music,
      @NotNull String title,
      @NotNull String book,
      @NotNull String number) {}

  /**
   * A piece that was typed.
   *
   * @param instrument its id; empty where the text says it
   * @param page whether the page it was typed from is kept with it
   */
  public record TypedKept(
      String text, String title, String book, String number, String instrument, boolean page) {}

  /** What can be typed. */
  public record TypedText(String text) {}

  /** How many fingerings went with notes that are there no more. */
  public record Changed(int gone, String sentence) {}

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

  /**
   * A tune as it stands so far; each of its lines is engraved by itself.
   *
   * @param remarks how something was read that may be meant otherwise
   */
  public record TypedTune(
      String title,
      String number,
      int bars,
      List<String> lines,
      List<TypedNote> notes,
      List<TypedProblem> problems,
      List<TypedProblem> remarks) {}

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

  /** A MIDI file as a tune that can be typed and put right; nothing is kept. */
  @PostMapping(path = "/midi", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  public TypedText midi(@RequestPart("file") MultipartFile file) throws IOException {
    String name = Objects.toString(file.getOriginalFilename(), "");
    return new TypedText(MusicFile.typed(file.getBytes(), name.replaceFirst("\\.[^.]*$", "")));
  }

  /** A piece that was typed, to be changed. */
  @GetMapping("/{id}")
  public TypedKept piece(@PathVariable long id) {
    Typing.Kept kept = typing.piece(id);
    return new TypedKept(
        PlainLetters.named(kept.text(), Speech.words().german()),
        kept.piece().title(),
        kept.piece().book(),
        kept.piece().number(),
        kept.instrument().map(Instrument::id).orElse(""),
        kept.hasPage());
  }

  /** Puts what is typed in the place of a piece. */
  @PutMapping("/{id}")
  public Changed replace(@PathVariable long id, @RequestBody @Valid TypedPiece body) {
    int gone = typing.replace(id, body.music().typed(), body.title(), body.book(), body.number());
    return new Changed(gone, Speech.say("changed.typed", "gone", gone));
  }

  private static TypedTune view(Typing.Seen seen) {
    return new TypedTune(
        seen.tune().title(),
        seen.tune().number(),
        seen.part().bars().size(),
        seen.lines(),
        seen.fingered().map(c -> notes(seen, c)).orElse(List.of()),
        seen.tune().problems().stream().map(TypingController::view).toList(),
        seen.tune().remarks().stream().map(TypingController::view).toList());
  }

  private static TypedProblem view(Problem p) {
    return new TypedProblem(p.line(), p.column(), Speech.words().sentence(p.saying()));
  }

  private static List<TypedNote> notes(Typing.Seen seen, Choice choice) {
    Line line = seen.part().topLine().orElseThrow();
    Transposition sounds = seen.setup().instrument().transposition();
    List<TypedNote> notes = new ArrayList<>();
    for (int i = 0; i < choice.notes().size(); i++) {
      Note n = choice.notes().get(i);
      Setup.Way way = choice.ways().get(i);
      notes.add(
          new TypedNote(
              n.id(),
              Speech.words().note(n.pitch()),
              way.bare().text(),
              Speech.words().label(way.entry()),
              line.begins(n),
              line.lasts(n),
              n.pitch().midi(),
              sounds.sounding(n.pitch()).midi()));
    }
    return notes;
  }
}
