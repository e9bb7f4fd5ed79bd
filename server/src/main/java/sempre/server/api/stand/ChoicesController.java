package sempre.server.api.stand;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.server.api.Speech;
import sempre.server.app.AtTheStand;
import sempre.server.app.Choosing;
import sempre.server.app.Stands;
import sempre.server.store.People;

/** What a teacher chooses on the stand; each choice is one step that can be taken back. */
@RestController
@RequestMapping("/api/stand/{studentId}/{pieceId}/choices")
class ChoicesController {
  private final Choosing choosing;
  private final AtTheStand stand;

  ChoicesController(Choosing choosing, AtTheStand stand) {
    this.choosing = choosing;
    this.stand = stand;
  }

  /**
   * A fingering that is kept.
   *
   * @param fingering empty lets it go
   * @param section whether it is kept for all who read this page on this instrument
   */
  record KeepBody(
      @NotBlank(message = "ask.note") String noteId,
      @NotNull(message = "ask.fingering-or-none") String fingering,
      @NotNull(message = "ask.where") Choosing.Where where,
      boolean section) {}

  /** A fingering for a note, among several. */
  record OneBody(
      @NotBlank(message = "ask.note") String noteId,
      @NotBlank(message = "ask.fingering") String fingering) {}

  record ManyBody(@NotEmpty(message = "ask.fingerings") List<@Valid OneBody> all) {}

  /**
   * A school for a style.
   *
   * @param house whether it is the house style of the instrument, for all who play it
   */
  record SchoolBody(
      @NotBlank(message = "ask.style") String name,
      @NotBlank(message = "ask.school") String school,
      boolean house) {}

  /** Keeps a fingering, or lets it go. */
  @PostMapping
  StandViews.ChosenView keep(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody KeepBody b) {
    Choosing.Made<Choosing.Kept> made =
        choosing.keep(studentId, pieceId, b.noteId(), b.fingering(), b.where(), b.section());
    Choosing.Kept k = made.what();
    return view(
        made,
        Speech.say(
            k.let() ? "choice.let-go" : "choice.keep",
            "n",
            k.notes(),
            "with",
            k.with().size(),
            "who",
            names(k.with()),
            "without",
            k.without().size(),
            "others",
            names(k.without())));
  }

  private static List<String> names(List<People.Student> students) {
    return students.stream().map(People.Student::name).toList();
  }

  /** Keeps several fingerings in one step, such as another whole way through. */
  @PostMapping("/all")
  StandViews.ChosenView keepAll(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody ManyBody b) {
    Map<String, String> byNote = new LinkedHashMap<>();
    b.all().forEach(one -> byNote.put(one.noteId(), one.fingering()));
    Choosing.Made<Integer> made = choosing.keepAll(studentId, pieceId, byNote);
    return view(made, Speech.say("choice.kept", "n", made.what()));
  }

  /** Plays a style another way; what is kept stays. */
  @PostMapping("/style")
  StandViews.ChosenView style(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody SchoolBody b) {
    Choosing.Made<Boolean> made =
        choosing.style(studentId, pieceId, b.name(), b.school(), b.house());
    return view(
        made,
        b.house()
            ? Speech.say("choice.house", "instrument", made.now().player().setup().instrument())
            : Speech.say("choice.student", "student", made.now().student().name()));
  }

  @PostMapping("/undo")
  StandViews.ChosenView undo(@PathVariable long studentId, @PathVariable long pieceId) {
    Choosing.Made<Boolean> made = choosing.turn(studentId, pieceId, false);
    return view(made, Speech.say(made.what() ? "choice.back" : "choice.nothing-back"));
  }

  @PostMapping("/redo")
  StandViews.ChosenView redo(@PathVariable long studentId, @PathVariable long pieceId) {
    Choosing.Made<Boolean> made = choosing.turn(studentId, pieceId, true);
    return view(made, Speech.say(made.what() ? "choice.again" : "choice.nothing-again"));
  }

  /** The plan as it is now, with what differs from before. */
  private StandViews.ChosenView view(Choosing.Made<?> made, String said) {
    Stands.Loaded now = made.now();
    return new StandViews.ChosenView(
        PlanViews.of(new AtTheStand.Planned(now, stand.beside(now))),
        said,
        Advice.changes(now.plan().since(made.before().plan()), now));
  }
}
